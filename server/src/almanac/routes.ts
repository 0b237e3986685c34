/** What the year ahead is reckoned from, by whoever shows it: the garden as the engine has it, and the next drinks as judged. */
import { idParam } from '@zinc-pail/contract/api';
import type { AlmanacInput } from '@zinc-pail/contract/almanac';
import type { App } from '../context.ts';
import { loadGarden, sites } from '../garden/store.ts';
import { inTurns, jsonText } from '../inTurns.ts';
import { notFound } from '../http/refusals.ts';
import { route, type Route, SENT } from '../http/route.ts';
import { placeRows } from '../round/store.ts';
import { plantCards } from '../plants/store.ts';
import { floweringDays, pottedOn } from './store.ts';

export function almanacRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/almanac/:id',
      does: 'A site as the engine has it, with each plant’s next drink as judged: what its year ahead starts from.',
      params: idParam,
      answer: { media: 'application/json' },
      async handle({ params: { id }, response }) {
        const site = (await sites(app.pool)).find((one) => one.id === id);
        if (!site) throw notFound('site');
        const outlooks = await app.outlooks.ofSite(site);
        const [garden, cards, places, potted, flowered] = await Promise.all([
          loadGarden(app.pool, site),
          plantCards(app.pool, id),
          placeRows(app.pool, id),
          pottedOn(app.pool, id),
          floweringDays(app.pool, id),
        ]);
        const there = new Set(garden.plants.map((plant) => plant.id));
        const input: AlmanacInput = {
          site: { id, name: site.name },
          garden,
          places: places.map((place) => ({ id: String(place.id), name: place.name })),
          plants: cards.flatMap((card) => {
            const task = outlooks.tasks.get(card.id);
            if (!task || !there.has(String(card.id))) return [];
            const { number, name } = card;
            const { ceilingC, feed, repotYears } = task.rules.rules;
            return [
              {
                id: String(card.id),
                number,
                name,
                due: task.due,
                ceiling_c: ceilingC,
                feed,
                repot_years: repotYears,
                potted_on: potted.get(card.id) ?? null,
                flowered: flowered.get(card.id) ?? [],
              },
            ];
          }),
        };
        response.type('application/json').send(await inTurns(jsonText(input)));
        return SENT;
      },
    }),
  ];
}
