/**
 * A way in, declared once: method, path, what it takes and what it gives. The server answers by it, docs/api.md is
 * written from it, and while tests run every answer is held to it.
 */
import { check } from '@zinc-pail/contract/faults';
import { LARGEST_BODY_MB } from '@zinc-pail/contract/limits';
import type { Router } from 'express';
import express, { type Request, type Response } from 'express';
import type Joi from 'joi';
import { refuseTooMany } from './jsonSize.ts';
import { keeperOf } from './keeper.ts';
import { asErrand, limitOf } from './limit.ts';
import { type RefusalName, Refused } from './refusals.ts';
import { groupBy } from '../grouping.ts';
import { accept, acceptParam, acceptQuery } from './validate.ts';
import { versionOf } from './version.ts';

/** What a handler is given: only what was declared is there, checked. */
export interface Call<P, Q, B> {
  params: P;
  query: Q;
  body: B;
  /** under whose name it is written */
  by: string;
  /** from the If-Match header; 0 where the route wants none */
  version: number;
  request: Request;
  response: Response;
}

/** An answer that is no JSON, or that is kept ready: the handler sends it itself. */
export interface Media {
  media: string;
}

/** What a route with a status of its own answers where nothing was made: sent twice, or only tried. */
export class With<A> {
  constructor(
    readonly status: number,
    readonly value: A,
  ) {}
}

/** The handler has sent its answer itself. */
export const SENT = Symbol('sent');

export interface Declared<P = unknown, Q = unknown, B = unknown, A = unknown> {
  method: 'get' | 'post' | 'patch' | 'put' | 'delete';
  /** under /api, as express writes it */
  path: `/${string}`;
  /** one sentence for docs/api.md */
  does: string;
  params?: Joi.ObjectSchema<P>;
  query?: Joi.ObjectSchema<Q>;
  body?: Joi.ObjectSchema<B>;
  /** a body that is no JSON: its types, and how large it may be */
  file?: { types: string[]; largest: number };
  /** a body that its handler checks, for it is no flat object: what it is */
  document?: string;
  /** its handler reads the JSON itself, from bytes */
  bytes?: true;
  /** how large a JSON body may be, where it may be larger than others */
  largestMb?: number;
  /** wants the version that a change was made from */
  ifMatch?: true;
  /** the status of a good answer, 200 unless told */
  status?: 201 | 204;
  /** null: an empty body */
  answer: Joi.Schema<A> | Media | null;
  /** how long it may take, seconds, where that is more than a keeper waits */
  patienceS?: number;
  /** refusals beyond those that any route may give */
  refuses?: readonly RefusalName[];
  handle(call: Call<P, Q, B>): Promise<A | With<A> | typeof SENT>;
}

/** A declared route, its types kept from one to the other and then forgotten. */
export type Route = Declared<any, any, any, any>;

export function route<P, Q, B, A>(declared: Declared<P, Q, B, A>): Route {
  return declared;
}

export function isMedia(answer: Route['answer']): answer is Media {
  return answer !== null && 'media' in answer;
}

/**
 * Puts routes on a router.
 *
 * @param hold answers are held to their schema, and one that breaks it fails: for tests
 */
export function mount(router: Router, routes: readonly Route[], hold: boolean): void {
  for (const declared of routes) {
    const { method, path, file, largestMb = LARGEST_BODY_MB } = declared;
    const reader = file
      ? express.raw({ type: file.types, limit: file.largest })
      : declared.bytes
        ? express.raw({ type: 'application/json', limit: `${largestMb}mb` })
        : express.json({
            type: 'application/json',
            limit: `${largestMb}mb`,
            verify: (_request, _response, bytes) => refuseTooMany(bytes),
          });
    const readers = method === 'get' ? [] : [reader];
    const handle = asErrand((request, response) => answer(declared, request, response, hold));
    router[method](path, limitOf(declared.patienceS), ...readers, handle);
  }
  for (const [path, methods] of methodsOf(routes))
    router.all(path, (request, response) => {
      response.set('Allow', methods.join(', '));
      throw new Refused('not-that-method', `${request.path} takes ${methods.join(', ')}, not ${request.method}.`);
    });
}

function methodsOf(routes: readonly Route[]): Map<string, string[]> {
  const methods = groupBy(routes, ({ path }) => path);
  return new Map([...methods].map(([path, there]) => [path, there.map(({ method }) => method.toUpperCase())]));
}

async function answer(declared: Route, request: Request, response: Response, hold: boolean): Promise<void> {
  if ((declared.body || declared.document) && request.body === undefined && request.is('json') === false)
    throw new Refused('not-json', 'The body is no JSON; send one JSON object with Content-Type: application/json.');
  const given = await declared.handle({
    params: declared.params ? acceptParam(declared.params, request.params) : {},
    version: declared.ifMatch ? versionOf(request) : 0,
    query: declared.query ? acceptQuery(declared.query, request.query) : {},
    body: declared.body ? await accept(declared.body, request.body) : request.body,
    by: keeperOf(request),
    request,
    response,
  });
  if (given === SENT || response.headersSent) return;
  const { status, value } = given instanceof With ? given : { status: declared.status ?? 200, value: given };
  if (declared.answer === null) {
    response.status(status).end();
    return;
  }
  if (hold && !isMedia(declared.answer)) held(declared, value);
  response.status(status).json(value);
}

/** @throws Error where an answer is not what was declared */
export function held({ method, path, answer: schema }: Route, value: unknown): void {
  const { faults, unknown } = check(schema as Joi.Schema, JSON.parse(JSON.stringify(value)));
  if (faults.length + unknown.length === 0) return;
  throw new Error(`${method} ${path} answered what it does not declare: ${JSON.stringify({ faults, unknown })}`);
}
