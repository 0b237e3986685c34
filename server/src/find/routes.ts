import { genusByAnyName, namesOfGenus } from '@zinc-pail/core';
import { Router } from 'express';
import type { App } from '../app.ts';
import { Refused } from '../http/problem.ts';
import { findPlants, gonePlants } from './store.ts';

const LONGEST = 100;
const MOST_WORDS = 6;

/** One box: any part of a name, number, place or genus, and an old genus name finds plants under the new one. */
export function findRoutes(app: App): Router {
  const router = Router();
  router.get('/find', async (request, response) => {
    const { q } = request.query;
    if (typeof q !== 'string' || q.trim() === '' || q.length > LONGEST)
      throw new Refused(400, 'What is sought?', `A text of 1 to ${LONGEST} characters is wanted.`, [
        { pointer: '/q', got: q, accepted: `a text of 1 to ${LONGEST} characters` },
      ]);
    const words = q
      .trim()
      .split(/\s+/)
      .slice(0, MOST_WORDS)
      .map((word) => {
        const genus = genusByAnyName(word);
        return genus ? [...new Set([word, ...namesOfGenus(genus.name)])] : [word];
      });
    response.json({ plants: await findPlants(app.pool, words) });
  });
  router.get('/gone', async (_request, response) => {
    response.json({ plants: await gonePlants(app.pool) });
  });
  return router;
}
