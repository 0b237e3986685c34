import { foundSchema } from '@zinc-pail/contract/answers';
import { object, text } from '@zinc-pail/contract/fields';
import { LONGEST_SEARCH } from '@zinc-pail/contract/limits';
import { genusByAnyName, namesOfGenus } from '@zinc-pail/core';
import type { App } from '../context.ts';
import { route, type Route } from '../http/route.ts';
import { findPlants, gonePlants } from './store.ts';

const MOST_WORDS = 6;

export function findRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/find',
      does: 'Plants by any part of a name, number, place or genus; an old genus name finds plants under the new one.',
      query: object<{ q: string }>({ q: text(LONGEST_SEARCH) }, 'what is sought'),
      answer: foundSchema,
      async handle({ query: { q } }) {
        const words = q.split(/\s+/).slice(0, MOST_WORDS).map(alternatives);
        return { plants: await findPlants(app.pool, words) };
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
