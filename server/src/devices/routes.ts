/** Instruments: added with a token of their own, revoked, and the address to which they bring readings. */
import { idParam } from '@zinc-pail/contract/api';
import { revoked } from '@zinc-pail/contract/answers';
import {
  deviceMade,
  deviceMove,
  devicesSchema,
  type NewDevice,
  newDevice,
  pushBody,
  PUSHES_A_MINUTE,
} from '@zinc-pail/contract/devices';
import express, { type Request, Router } from 'express';
import { createHash, randomBytes } from 'node:crypto';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { asErrand, limitOf } from '../http/limit.ts';
import { badField, notFound, Refused } from '../http/refusals.ts';
import { route, type Route } from '../http/route.ts';
import { accept } from '../http/validate.ts';
import { lockBooks } from '../journal/store.ts';
import { collectionId } from '../keeping/store.ts';
import { plantHomes } from '../plants/store.ts';
import { refuseGonePlaces, siteOf } from '../places/store.ts';
import { takePush } from './push.ts';
import { addDevice, deviceOf, devices, moveDevice, removeDevice, revokeDevice } from './store.ts';

const TOKEN_BYTES = 24;
const MINUTE_MS = 60_000;
const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

export function deviceRoutes(app: App): Route[] {
  return [
    ...leaving(app),
    route({
      method: 'get',
      path: '/devices',
      does: 'The instruments, what each last said, and how much of it is doubted.',
      answer: devicesSchema,
      handle: async () => ({ devices: await devices(app.pool) }),
    }),
    route({
      method: 'post',
      path: '/devices',
      does: 'A new instrument; its token is told this once, only its hash is kept. It pushes to POST /devices/readings.',
      body: newDevice,
      status: 201,
      answer: deviceMade,
      async handle({ body }) {
        await refuseNowhere(app, body);
        const token = randomBytes(TOKEN_BYTES).toString('base64url');
        const id = await transaction(app.pool, async (connection) => {
          const collection = await collectionId(connection);
          if (collection === null) throw notFound('collection');
          return addDevice(connection, collection, body, hashOf(token));
        });
        return { id, token };
      },
    }),
    route({
      method: 'post',
      path: '/devices/:id/revoke',
      does: 'Takes an instrument’s token from it for good; what it read stays.',
      params: idParam,
      answer: revoked,
      async handle({ params: { id } }) {
        if (!(await transaction(app.pool, (connection) => revokeDevice(connection, id)))) throw notFound('instrument');
        return { revoked: id };
      },
    }),
  ];
}

function leaving(app: App): Route[] {
  return [
    route({
      method: 'post',
      path: '/devices/:id/move',
      does: 'Moves a thermometer to another place, or a probe or scale to another pot. Past readings stay where they were made.',
      params: idParam,
      body: deviceMove,
      answer: devicesSchema,
      async handle({ params: { id }, body }) {
        const device = (await devices(app.pool)).find((one) => one.id === id);
        if (!device) throw notFound('instrument');
        await refuseNowhere(app, { ...body, name: device.name, kind: device.kind });
        await transaction(app.pool, async (connection) => {
          await lockBooks(connection);
          if (body.place_id != null) await refuseGonePlaces(connection, [body.place_id]);
          await moveDevice(connection, id, body);
        });
        return { devices: await devices(app.pool) };
      },
    }),
    route({
      method: 'delete',
      path: '/devices/:id',
      does: 'Takes an instrument away for good, with its readings by the moment. The days and checks made from them stay.',
      params: idParam,
      status: 204,
      answer: null,
      async handle({ params: { id } }) {
        if (!(await transaction(app.pool, (connection) => removeDevice(connection, id)))) throw notFound('instrument');
        return null;
      },
    }),
  ];
}

async function refuseNowhere(app: App, { kind, place_id: placeId, plant_id: plantId }: NewDevice): Promise<void> {
  if (kind === 'thermometer') {
    if (placeId == null || plantId != null || !(await siteOf(app.pool, placeId)))
      throw badField('/place_id', placeId, 'the id of the place where the thermometer hangs, and no plant_id');
  } else if (plantId == null || placeId != null || !(await plantHomes(app.pool, [plantId])).has(plantId))
    throw badField('/plant_id', plantId, `the id of the plant in whose pot the ${kind} is, and no place_id`);
}

/** Pushes of each token in the running minute. Each server counts its own. */
class Pace {
  private minute = 0;
  private readonly pushes = new Map<string, number>();

  /** @returns seconds to wait; 0 where it may come in */
  wait(token: string, nowMs: number): number {
    const minute = Math.floor(nowMs / MINUTE_MS);
    if (minute !== this.minute) {
      this.minute = minute;
      this.pushes.clear();
    }
    const count = (this.pushes.get(token) ?? 0) + 1;
    this.pushes.set(token, count);
    return count > PUSHES_A_MINUTE ? Math.ceil(((minute + 1) * MINUTE_MS - nowMs) / 1000) : 0;
  }
}

function tokenOf(request: Request): string {
  const [, token] = /^Bearer ([A-Za-z0-9_-]{20,60})$/.exec(request.get('authorization') ?? '') ?? [];
  if (!token) throw new Refused('no-token', 'Show the instrument’s token in Authorization: Bearer.');
  return token;
}

/** Where instruments bring their readings: outside the API, since a token is all that they have. */
export function deviceAddress(app: App): Router {
  const router = Router();
  const pace = new Pace();
  const push = asErrand(async (request, response) => {
    const hash = hashOf(tokenOf(request));
    const wait = pace.wait(hash, Date.now());
    if (wait > 0) {
      response.set('Retry-After', String(wait));
      throw new Refused('too-often', `An instrument may come ${PUSHES_A_MINUTE} times a minute; bring more at once.`);
    }
    const device = await deviceOf(app.pool, hash);
    if (!device) throw new Refused('no-token', 'That token opens nothing, or was revoked.');
    const { readings } = await accept(pushBody, request.body);
    response.json(await takePush(app, device, readings));
  });
  router.post('/devices/readings', limitOf(), express.json({ type: 'application/json', limit: '200kb' }), push);
  return router;
}
