import type { RoundSite, RoundView } from '@zinc-pail/contract/api';
import { dayNumber, type OutlookView } from '@zinc-pail/core';
import { group } from 'd3';
import { Router } from 'express';
import type { App } from '../app.ts';
import { collectionName, type SiteRow, sites } from '../garden/store.ts';
import { plantCards } from '../plants/store.ts';
import { placeRows } from './store.ts';

const WEEKS_AHEAD = 8;
const DAYS_A_WEEK = 7;

export function roundRoutes(app: App): Router {
  const router = Router();

  router.get('/round', async (_request, response) => {
    const all = await sites(app.pool);
    const view: RoundView = {
      collection: all[0] ? await collectionName(app.pool, all[0].collection_id) : '',
      sites: await Promise.all(all.map((site) => roundOf(app, site))),
    };
    response.json(view);
  });

  return router;
}

async function roundOf(app: App, site: SiteRow): Promise<RoundSite> {
  const [outlooks, places, cards] = await Promise.all([app.outlooks.ofSite(site), placeRows(app.pool, site.id), plantCards(app.pool, site.id)]);
  const cardsAt = group(cards, (card) => card.place_id);
  return {
    id: site.id, name: site.name, today: outlooks.today, latitude_deg: site.latitude_deg, nights_c: outlooks.nightsC,
    places: places.map((place) => {
      const climate = outlooks.places.get(place.id)!;
      return {
        id: place.id, name: place.name, kind: place.kind,
        today: { tmin_c: climate.tminC, tmax_c: climate.tmaxC, rh_pct: climate.rhPct },
        tonight_c: climate.tonightC,
        pots: (cardsAt.get(place.id) ?? []).flatMap((card) => {
          const outlook = outlooks.views.get(card.id);
          // A plant taken in between the two reads shows at the next look.
          return outlook ? [{ id: card.id, number: card.number, name: card.name, form: outlook.traits.form, diameter_mm: card.diameter_mm, height_mm: card.height_mm, outlook }] : [];
        }),
      };
    }),
    load: weeklyLoad(outlooks.today, [...outlooks.views.values()]),
  };
}

/** How many pots have their ideal day in each of the coming weeks. */
function weeklyLoad(today: string, views: readonly OutlookView[]): number[] {
  const load = Array.from({ length: WEEKS_AHEAD }, () => 0);
  for (const view of views) {
    if (!view.water) continue;
    const week = Math.floor((dayNumber(view.water.ideal) - dayNumber(today)) / DAYS_A_WEEK);
    if (week >= 0 && week < WEEKS_AHEAD) load[week]!++;
  }
  return load;
}
