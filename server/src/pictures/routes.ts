import { pictureMade, removed } from '@zinc-pail/contract/answers';
import { idParam, plantIdParam } from '@zinc-pail/contract/api';
import { day, idText, object, oneOf, text } from '@zinc-pail/contract/fields';
import { LARGEST_PICTURE_MB, LONGEST_CAPTION } from '@zinc-pail/contract/limits';
import { randomUUID } from 'node:crypto';
import type { App } from '../context.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { notFound, Refused } from '../http/refusals.ts';
import { LONG_S } from '../http/limit.ts';
import { route, type Route, SENT } from '../http/route.ts';
import { plantHomes } from '../plants/store.ts';
import { scaled } from './scaling.ts';
import { insertPicture, pictureData, removePicture } from './store.ts';

const SIZES = ['small', 'large'] as const;

export function pictureRoutes(app: App): Route[] {
  return [
    route({
      method: 'post',
      path: '/plants/:plantId/pictures',
      patienceS: LONG_S,
      does: 'Takes a picture of a plant, made smaller and without the camera’s notes.',
      params: plantIdParam,
      query: object<{ day?: string; caption?: string }>(
        { day: day().optional(), caption: text(LONGEST_CAPTION).allow('').optional() },
        'a day and a caption',
      ),
      file: { types: ['image/*', 'application/octet-stream'], largest: LARGEST_PICTURE_MB * 1024 * 1024 },
      status: 201,
      answer: pictureMade,
      refuses: ['not-that-day', 'no-picture'],
      async handle({ params: { plantId }, query, body, by }) {
        const home = (await plantHomes(app.pool, [plantId])).get(plantId);
        if (!home) throw notFound('plant');
        if (!Buffer.isBuffer(body) || body.length === 0)
          throw new Refused('no-picture', 'That is no picture: a JPEG, PNG, WebP, AVIF, GIF or TIFF file is wanted.');
        const today = todayAt(home.time_zone);
        const taken = query.day ?? today;
        if (taken > today)
          throw new Refused('not-that-day', `A day up to today, ${today}, is wanted.`, [
            { pointer: '/day', got: taken, accepted: `a day YYYY-MM-DD up to ${today}` },
          ]);
        const caption = query.caption || null;
        const sizes = await scaled(body);
        const id = await transaction(app.pool, (connection) =>
          insertPicture(connection, {
            plantId,
            caption,
            by,
            day: taken,
            collectionId: home.collection_id,
            clientId: randomUUID(),
            ...sizes,
          }),
        );
        return { id, day: taken, caption, width_px: sizes.widthPx, height_px: sizes.heightPx };
      },
    }),
    route({
      method: 'get',
      path: '/pictures/:id/:size',
      does: 'A picture, small or large.',
      params: object<{ id: number; size: (typeof SIZES)[number] }>(
        { id: idText(), size: oneOf(SIZES) },
        'a picture in a size',
      ),
      answer: { media: 'image/jpeg' },
      async handle({ params: { id, size }, response }) {
        const data = await pictureData(app.pool, id, size);
        if (!data) throw notFound('picture');
        response.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(data);
        return SENT;
      },
    }),
    route({
      method: 'post',
      path: '/pictures/:id/remove',
      does: 'Takes a picture off the page; its line in the book is struck out.',
      params: idParam,
      answer: removed,
      async handle({ params: { id }, by }) {
        if (!(await transaction(app.pool, (connection) => removePicture(connection, id, by))))
          throw notFound('picture');
        return { removed: id };
      },
    }),
  ];
}
