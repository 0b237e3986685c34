import { plantIdParam, type PlantView } from '@zinc-pail/contract/api';
import { Router } from 'express';
import type { App } from '../app.ts';
import { todayAt } from '../garden/clock.ts';
import { notFound } from '../http/problem.ts';
import { acceptParam } from '../http/validate.ts';
import { journalOf } from '../journal/store.ts';
import { outlookOf } from './outlookOf.ts';
import { mixParts, plantDetail } from './store.ts';

export function plantRoutes(app: App): Router {
  const router = Router();

  router.get('/plants/:plantId', async (request, response) => {
    const { plantId } = acceptParam<{ plantId: number }>(plantIdParam, request.params);
    const row = await plantDetail(app.pool, plantId);
    if (!row) throw notFound('plant');
    const [outlook, journal, parts] = await Promise.all([
      outlookOf(app, row.site_id, plantId), journalOf(app.pool, plantId), mixParts(app.pool, row.mix_id),
    ]);
    const view: PlantView = {
      id: row.id, number: row.number, name: row.name, taxon: row.taxon, provenance: row.provenance, form: outlook.traits.form,
      diameter_mm: row.diameter_mm, height_mm: row.height_mm,
      site: { id: row.site_id, name: row.site_name, today: todayAt(row.time_zone), latitude_deg: row.latitude_deg },
      place: { id: row.place_id, name: row.place_name, kind: row.place_kind },
      mix: { name: row.mix_name, parts },
      potted_on: row.potted_on, outlook, journal,
    };
    response.json(view);
  });

  return router;
}
