import { foundSchema } from '@zinc-pail/contract/answers';
import { object, text } from '@zinc-pail/contract/fields';
import { LONGEST_SEARCH } from '@zinc-pail/contract/limits';
import { genusByAnyName, namesOfGenus, suggestGenera } from '@zinc-pail/core';
import { distance } from 'fastest-levenshtein';
import type { App } from '../context.ts';
import { route, type Route } from '../http/route.ts';
import { findPlants, gonePlants, knownWords } from './store.ts';

const MOST_WORDS = 6;

export function findRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/find',
      does: 'Plants by any part of a name, number, place or genus. Old, new and common names are known, and misspellings.',
      query: object<{ q: string }>({ q: text(LONGEST_SEARCH) }, 'what is sought'),
      answer: foundSchema,
      async handle({ query: { q } }) {
        const words = q.split(/\s+/).slice(0, MOST_WORDS);
        const found = await findPlants(app.pool, words.map(alternatives));
        if (found.length > 0) return { plants: found };
        const common = suggestGenera(q)
          .filter(({ by }) => by !== null)
          .map(({ genus }) => genus);
        if (common.length > 0) {
          const meant = await findPlants(app.pool, [common.flatMap(namesOfGenus)]);
          if (meant.length > 0) return { plants: meant };
        }
        // A slip of the pen: the nearest words that are there.
        const known = await knownWords(app.pool);
        const near = words.map((word) => nearestWords(word, known));
        return { plants: near.every((some) => some.length > 0) ? await findPlants(app.pool, near) : [] };
      },
    }),
    route({
      method: 'get',
      path: '/gone',
      does: 'Plants that died or were given away, the last first.',
      answer: foundSchema,
      handle: async () => ({ plants: await gonePlants(app.pool) }),
    }),
  ];
}

function alternatives(word: string): string[] {
  const genus = genusByAnyName(word);
  return genus ? [...new Set([word, ...namesOfGenus(genus.name)])] : [word];
}

/** Shorter words are near too many others. */
const LEAST_LETTERS = 4;
const MOST_NEAR = 3;

/** The words nearest to one that was mistyped: a slip for every four letters. A word that is there stands for itself. */
export function nearestWords(word: string, known: readonly string[]): string[] {
  const sought = word.toLowerCase();
  if (known.some((one) => one.includes(sought))) return [word];
  if (sought.length < LEAST_LETTERS) return [];
  const slips = Math.max(1, Math.floor(sought.length / 4));
  return known
    .map((one) => ({ one, away: distance(sought, one) }))
    .filter(({ away }) => away <= slips)
    .sort((a, b) => a.away - b.away)
    .slice(0, MOST_NEAR)
    .map(({ one }) => one);
}
