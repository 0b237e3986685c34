import { idParam, plantIdParam } from '@zinc-pail/contract/api';
import { isIsoDay } from '@zinc-pail/core';
import { randomUUID } from 'node:crypto';
import express, { Router } from 'express';
import sharp from 'sharp';
import type { App } from '../app.ts';
import { transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { keeperOf } from '../http/keeper.ts';
import { notFound, Refused } from '../http/problem.ts';
import { acceptParam } from '../http/validate.ts';
import { plantHomes } from '../plants/store.ts';
import { insertPicture, pictureData, removePicture } from './store.ts';

const LARGEST_FILE = 20 * 1024 * 1024;
/** A bomb of a picture, small as a file and huge once unpacked, is refused before it is unpacked. */
const MOST_PIXELS = 100_000_000;
const LARGE_PX = 1600;
const SMALL_PX = 320;
const LONGEST_CAPTION = 300;
/** Photographs; drawings that may bring programs or other files along are not taken. */
const FORMATS = new Set(['jpeg', 'png', 'webp', 'avif', 'heif', 'gif', 'tiff']);

export function pictureRoutes(app: App): Router {
  const router = Router();

  router.post(
    '/plants/:plantId/pictures',
    express.raw({ type: ['image/*', 'application/octet-stream'], limit: LARGEST_FILE }),
    async (request, response) => {
      const { plantId } = acceptParam<{ plantId: number }>(plantIdParam, request.params);
      const home = (await plantHomes(app.pool, [plantId])).get(plantId);
      if (!home) throw notFound('plant');
      if (!Buffer.isBuffer(request.body) || request.body.length === 0)
        throw new Refused(
          415,
          'No picture',
          'Send the file of a picture (JPEG, PNG, WebP, AVIF, GIF or TIFF) as the body, with its type.',
        );
      const today = todayAt(home.time_zone);
      const day = typeof request.query.day === 'string' ? request.query.day : today;
      if (!isIsoDay(day) || day > today)
        throw new Refused(400, 'Not that day', `A day up to today, ${today}, is wanted.`, [
          { pointer: '/day', got: day, accepted: `a day YYYY-MM-DD up to ${today}` },
        ]);
      const caption =
        typeof request.query.caption === 'string' && request.query.caption.trim() !== ''
          ? request.query.caption.trim()
          : null;
      if (caption !== null && caption.length > LONGEST_CAPTION)
        throw new Refused(400, 'Too long', `A caption of up to ${LONGEST_CAPTION} characters is wanted.`, [
          { pointer: '/caption', got: caption.slice(0, 40), accepted: `up to ${LONGEST_CAPTION} characters` },
        ]);
      const { large, small, widthPx, heightPx } = await scaled(request.body);
      const id = await transaction(app.pool, (connection) =>
        insertPicture(connection, {
          plantId,
          collectionId: home.collection_id,
          clientId: randomUUID(),
          day,
          caption,
          widthPx,
          heightPx,
          large,
          small,
          by: keeperOf(request),
        }),
      );
      response.status(201).json({ id, day, caption, width_px: widthPx, height_px: heightPx });
    },
  );

  router.get('/pictures/:id/:size', async (request, response) => {
    const { id } = acceptParam<{ id: number }>(idParam, { id: request.params.id });
    const size = request.params.size === 'small' ? 'small' : 'large';
    const data = await pictureData(app.pool, id, size);
    if (!data) throw notFound('picture');
    response.set('Cache-Control', 'private, max-age=31536000, immutable').type('image/jpeg').send(data);
  });

  router.post('/pictures/:id/remove', async (request, response) => {
    const { id } = acceptParam<{ id: number }>(idParam, request.params);
    if (!(await transaction(app.pool, (connection) => removePicture(connection, id, keeperOf(request)))))
      throw notFound('picture');
    response.json({ removed: id });
  });

  return router;
}

/** Upright, at most so large, as JPEG, and without the camera's notes: where it was taken is nobody's business. */
async function scaled(file: Buffer): Promise<{ large: Buffer; small: Buffer; widthPx: number; heightPx: number }> {
  try {
    const { format } = await sharp(file, { limitInputPixels: MOST_PIXELS }).metadata();
    if (!FORMATS.has(format ?? '')) throw new Error(`${format} is not taken`);
    const source = sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).rotate();
    const { data: large, info } = await source
      .clone()
      .resize({ width: LARGE_PX, height: LARGE_PX, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82, mozjpeg: true })
      .toBuffer({ resolveWithObject: true });
    const small = await sharp(large)
      .resize({ width: SMALL_PX, height: SMALL_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 76 })
      .toBuffer();
    return { large, small, widthPx: info.width, heightPx: info.height };
  } catch (error) {
    const tooMany = /pixel limit/i.test((error as Error).message);
    throw new Refused(
      tooMany ? 413 : 415,
      tooMany ? 'Too large' : 'Not a picture',
      tooMany
        ? `A picture of up to ${MOST_PIXELS / 1e6} million pixels is wanted.`
        : 'That file is no picture that can be read: JPEG, PNG, WebP, AVIF, GIF or TIFF is wanted.',
    );
  }
}
