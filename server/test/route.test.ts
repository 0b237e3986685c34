/** The frame round every route, on small routes of its own: what comes in is checked, what goes out is held. */
import type { AddressInfo } from 'node:net';
import { idParam } from '@zinc-pail/contract/api';
import { number, object, text } from '@zinc-pail/contract/fields';
import express from 'express';
import pino from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { KeptAnswer } from '../src/http/kept.ts';
import { noSuchRoute, problems } from '../src/http/problem.ts';
import { Refused } from '../src/http/refusals.ts';
import { mount, route, SENT, With } from '../src/http/route.ts';

const log = pino({ level: 'silent' });
const answer = object<{ n: number }>({ n: number(0, 10) }, 'a number');
const kept = new KeptAnswer('1', JSON.stringify({ words: 'dry '.repeat(400) }));

let full = false;
/** Ends the handler of the slow route. */
let finish: () => void = () => {};

const routes = [
  route({
    method: 'post',
    path: '/slow',
    does: 'Takes too long.',
    patienceS: 0.1,
    answer,
    async handle() {
      await new Promise<void>((resolve) => (finish = resolve));
      return { n: 1 };
    },
  }),
  route({ method: 'get', path: '/plain', does: 'A plain answer.', answer, handle: async () => ({ n: 1 }) }),
  route({ method: 'get', path: '/broken', does: 'Breaks its word.', answer, handle: async () => ({ n: 99 }) }),
  route({
    method: 'post',
    path: '/things/:id',
    does: 'Takes all there is to take.',
    params: idParam,
    query: object<{ q: string }>({ q: text(5) }, 'q'),
    body: object<{ size: number }>({ size: number(1, 9) }, 'a thing with size'),
    ifMatch: true,
    status: 201,
    answer: object<{ all: string }>({ all: text(100) }, 'all'),
    handle: async ({ params, query, body, version, by }) => ({
      all: `${params.id} ${query.q} ${body.size} ${version} ${by}`,
    }),
  }),
  route({
    method: 'post',
    path: '/again',
    does: 'Made before.',
    largestMb: 0.001,
    status: 201,
    answer,
    handle: async () => new With(200, { n: 2 }),
  }),
  route({ method: 'delete', path: '/it', does: 'Takes it away.', status: 204, answer: null, handle: async () => null }),
  route({
    method: 'post',
    path: '/file',
    does: 'Takes a file.',
    file: { types: ['image/*'], largest: 10 },
    answer,
    handle: async ({ body }) => ({ n: (body as Buffer).length }),
  }),
  route({
    method: 'get',
    path: '/media',
    does: 'Sends by itself.',
    answer: { media: 'text/plain' },
    async handle({ response }) {
      response.type('text/plain').send('as it is');
      return SENT;
    },
  }),
  route({
    method: 'get',
    path: '/kept',
    does: 'An answer kept ready.',
    answer: { media: 'application/json' },
    async handle({ response }) {
      kept.send(response);
      return SENT;
    },
  }),
  route({
    method: 'get',
    path: '/refused',
    does: 'Refuses.',
    answer,
    async handle() {
      throw new Refused('in-use', 'Plants stand there.');
    },
  }),
  ...(['get', 'post'] as const).map((method) =>
    route({
      method,
      path: '/away',
      does: 'Finds no database.',
      answer,
      async handle() {
        throw Object.assign(new Error('connect ECONNREFUSED 127.0.0.1:1'), { code: 'ECONNREFUSED' });
      },
    }),
  ),
  route({
    method: 'get',
    path: '/many',
    does: 'Refuses at length.',
    answer,
    async handle() {
      const fault = { pointer: `/${'x'.repeat(500)}`, got: 'y'.repeat(9000), accepted: 'less' };
      throw new Refused(
        'in-use',
        'z'.repeat(90_000),
        Array.from({ length: 5000 }, () => fault),
      );
    },
  }),
  route({
    method: 'get',
    path: '/fails',
    does: 'Fails.',
    answer,
    async handle() {
      throw new Error('a secret of the house');
    },
  }),
];

let url: string;
let close: () => void;
beforeAll(async () => {
  const server = express();
  mount(server, routes, true);
  server.use(noSuchRoute);
  server.use(problems(log, () => full));
  const running = server.listen(0, '127.0.0.1');
  await new Promise((resolve) => running.once('listening', resolve));
  url = `http://127.0.0.1:${(running.address() as AddressInfo).port}`;
  close = () => running.close();
});
afterAll(() => close());

async function ask(path: string, init: RequestInit = {}): Promise<{ status: number; type: string; body: any }> {
  const response = await fetch(url + path, init);
  const words = await response.text();
  const type = response.headers.get('content-type') ?? '';
  return { status: response.status, type, body: type.includes('json') ? JSON.parse(words) : words };
}
const json = (body: unknown, headers: Record<string, string> = {}): RequestInit => ({
  method: 'POST',
  headers: { 'Content-Type': 'application/json', ...headers },
  body: JSON.stringify(body),
});

describe('what takes too long', () => {
  it('is answered all the same, with what became of it, and its late end troubles nobody', async () => {
    expect(await ask('/slow', json({}))).toMatchObject({
      status: 503,
      body: {
        type: 'urn:zinc-pail:problem:too-long',
        written: 'no',
        detail: 'It took longer than 0.1 seconds. Nothing was written; send it again.',
      },
    });
    finish();
    expect(await ask('/plain')).toMatchObject({ status: 200, body: { n: 1 } });
  });
});

describe('what comes in', () => {
  it('is checked and handed on: path, query, body, version, name', async () => {
    const headers = { 'If-Match': '"7"', 'X-Keeper': encodeURIComponent('Änne') };
    expect(await ask('/things/12?q=all', json({ size: 3 }, headers))).toMatchObject({
      status: 201,
      body: { all: '12 all 3 7 Änne' },
    });
  });
  it.each<[string, string, RequestInit, number, string, string | null]>([
    ['an address that is none', '/things/x?q=a', json({ size: 3 }, { 'If-Match': '1' }), 404, 'not-here', null],
    ['no version', '/things/1?q=a', json({ size: 3 }), 428, 'which-version', null],
    ['no query', '/things/1', json({ size: 3 }, { 'If-Match': '1' }), 400, 'not-understood', '/q'],
    ['a query too long', '/things/1?q=abcdef', json({ size: 3 }, { 'If-Match': '1' }), 400, 'not-understood', '/q'],
    ['a query nobody knows', '/things/1?q=a&z=1', json({ size: 3 }, { 'If-Match': '1' }), 400, 'not-understood', '/z'],
    ['a number as text', '/things/1?q=a', json({ size: '3' }, { 'If-Match': '1' }), 400, 'not-understood', '/size'],
    [
      'a field nobody knows',
      '/things/1?q=a',
      json({ size: 3, x: 1 }, { 'If-Match': '1' }),
      400,
      'not-understood',
      '/x',
    ],
    ['a body that is none', '/again', { ...json(1), body: '{' }, 400, 'not-json', null],
    ['a body too large', '/again', json('x'.repeat(2000)), 413, 'too-large', null],
    [
      'a file too large',
      '/file',
      { method: 'POST', headers: { 'Content-Type': 'image/png' }, body: 'x'.repeat(11) },
      413,
      'too-large',
      null,
    ],
    ['nothing there', '/nowhere', {}, 404, 'not-here', null],
    ['an address that is no text', '/things/%ff', json({ size: 3 }), 404, 'not-here', null],
    ['a method that it does not take', '/plain', { method: 'DELETE' }, 405, 'not-that-method', null],
    [
      'text for JSON',
      '/things/1?q=a',
      { ...json({ size: 3 }), headers: { 'Content-Type': 'text/plain', 'If-Match': '1' } },
      400,
      'not-json',
      null,
    ],
    [
      'packed that is not',
      '/things/1?q=a',
      json({ size: 3 }, { 'Content-Encoding': 'gzip', 'If-Match': '1' }),
      400,
      'not-json',
      null,
    ],
    [
      'packed in no way known',
      '/things/1?q=a',
      json({ size: 3 }, { 'Content-Encoding': 'rot13', 'If-Match': '1' }),
      400,
      'not-json',
      null,
    ],
  ])('%s is refused', async (_, path, init, status, name, pointer) => {
    const { status: got, type, body } = await ask(path, init);
    expect(got).toBe(status);
    expect(type).toContain('application/problem+json');
    expect(body).toMatchObject({ type: `urn:zinc-pail:problem:${name}`, status });
    if (pointer) expect(body.faults.map((fault: any) => fault.pointer)).toContain(pointer);
  });
  it('what may be asked there is said where it is asked otherwise', async () => {
    const response = await fetch(`${url}/plain`, { method: 'PUT' });
    expect(response.headers.get('allow')).toBe('GET');
    expect(((await response.json()) as any).detail).toBe('/plain takes GET, not PUT.');
  });
  it('however much is wrong, the answer is small', async () => {
    for (const [status, body] of [
      [413, Object.fromEntries(Array.from({ length: 90_000 }, (_, i) => [`k${i}`, 0]))],
      [400, { ['x'.repeat(900_000)]: 1 }],
      [400, { size: 'x'.repeat(900_000) }],
      [413, { size: Array(400_000).fill(0) }],
    ] as const) {
      const response = await fetch(`${url}/things/1?q=a`, json(body, { 'If-Match': '1' }));
      expect(response.status).toBe(status);
      expect((await response.text()).length).toBeLessThan(64_000);
    }
  });
  it('a refusal of the handler is cut as well', async () => {
    const { faults, detail } = (await ask('/many')).body;
    expect(faults).toHaveLength(20);
    expect(detail.length).toBeLessThan(6100);
  });
  it('a file comes as it is', async () => {
    const init = { method: 'POST', headers: { 'Content-Type': 'image/png' }, body: 'x'.repeat(7) };
    expect(await ask('/file', init)).toMatchObject({ status: 200, body: { n: 7 } });
  });
});

describe('what goes out', () => {
  it('has the status that was declared, or another where nothing was made', async () => {
    expect(await ask('/plain')).toMatchObject({ status: 200, body: { n: 1 } });
    expect(await ask('/again', { method: 'POST' })).toMatchObject({ status: 200, body: { n: 2 } });
    expect(await ask('/it', { method: 'DELETE' })).toMatchObject({ status: 204, body: '' });
    expect(await ask('/media')).toMatchObject({ status: 200, body: 'as it is' });
  });
  it('is held to its schema', async () => expect(await ask('/broken')).toMatchObject({ status: 500 }));
  it('a refusal has its name, title and words', async () => {
    expect((await ask('/refused')).body).toEqual({
      type: 'urn:zinc-pail:problem:in-use',
      title: 'In use',
      status: 409,
      detail: 'Plants stand there.',
    });
  });
  it('a failure of ours is owned up to and tells nothing of the house', async () => {
    const { status, body } = await ask('/fails');
    expect(status).toBe(500);
    expect(body.type).toBe('urn:zinc-pail:problem:our-fault');
    expect(JSON.stringify(body)).not.toContain('secret');
  });
  it.each(['get', 'post'])(
    'a database that is away is waited for, and what became of a change is told: %s',
    async (method) => {
      const response = await fetch(`${url}/away`, { method: method.toUpperCase() });
      expect(response.status).toBe(503);
      expect(response.headers.get('retry-after')).toBe('2');
      const problem = (await response.json()) as any;
      expect(problem.type).toBe('urn:zinc-pail:problem:no-database');
      // It broke before anything was sent there.
      expect(problem.written).toBe(method === 'post' ? 'no' : undefined);
      expect(problem.detail).toContain(method === 'post' ? 'Nothing was written' : 'Ask again');
    },
  );
  it('a database that is away because its disk is full is told so', async () => {
    full = true;
    const { status, body } = await ask('/away', json({}));
    full = false;
    expect(status).toBe(503);
    expect(body.detail).toBe('The disk of the database is full; make room. Nothing was written; send it again.');
  });
  it('an answer kept ready is sent as it was made', async () => {
    const kept = await fetch(`${url}/kept`, { headers: { 'Accept-Encoding': 'gzip' } });
    expect(kept.headers.get('content-type')).toContain('application/json');
    expect(kept.headers.get('content-encoding')).toBeNull();
    expect(await kept.json()).toEqual({ words: 'dry '.repeat(400) });
  });
});
