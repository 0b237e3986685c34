import type { TableRow } from '@zinc-pail/contract/keeping';
import { genusByAnyName, judgedAs, lightVerdict } from '@zinc-pail/core';
import { Router } from 'express';
import type { App } from '../app.ts';
import { sites } from '../garden/store.ts';
import { KeptAnswer, sendKept } from '../http/kept.ts';
import { tableCards } from './store.ts';

/** Every living plant, a row each, names of fields once: sorted, filtered and drawn where it is looked at. */
export function tableRoutes(app: App): Router {
  const router = Router();
  let kept: KeptAnswer | null = null;
  router.get('/plants', async (request, response) => {
    const all = await sites(app.pool);
    const outlooks = await Promise.all(all.map((site) => app.outlooks.ofSite(site)));
    const edition = all
      .map((site, i) => `${site.id}:${site.revision}:${outlooks[i]!.today}:${outlooks[i]!.edition}`)
      .join(' ');
    if (kept?.edition !== edition || !kept)
      kept = new KeptAnswer(edition, JSON.stringify(await tableOf(app, outlooks)));
    await sendKept(request, response, kept);
  });
  return router;
}

async function tableOf(
  app: App,
  outlooks: Awaited<ReturnType<App['outlooks']['ofSite']>>[],
): Promise<{ fields: (keyof TableRow)[]; rows: unknown[][] }> {
  const rows: unknown[][] = [];
  for (const card of await tableCards(app.pool)) {
    const at = outlooks.find((one) => one.views.has(card.id));
    const outlook = at?.views.get(card.id);
    const task = at?.tasks.get(card.id);
    if (!at || !outlook || !task) continue;
    const { shape, top_mm, depth_mm, material, taxon, ...rest } = card;
    const row: TableRow = {
      ...rest,
      genus: genusByAnyName(taxon ?? card.name)?.name ?? '',
      form: outlook.traits.form,
      habit: outlook.traits.habit,
      state: outlook.state,
      verdict: judgedAs(task.judgement, at.today),
      due: task.due,
      moisture: Math.round(outlook.moisture.p50 * 100),
      rate: Math.round(outlook.rate.p50 * 100) / 100,
      checks: outlook.checks,
      last_watered: outlook.last_watered,
      pot: `${shape} ${top_mm / 10}×${depth_mm / 10} ${material}`,
      pot_mm: top_mm,
      light: lightVerdict(at.places.get(card.place_id)?.dliMol ?? 0, task.rules.rules.light, outlook.state),
      min_wet_c: outlook.traits.minWetC,
    };
    rows.push(FIELDS.map((field) => row[field]));
  }
  return { fields: FIELDS, rows };
}

const FIELDS: (keyof TableRow)[] = [
  'id',
  'number',
  'name',
  'genus',
  'site',
  'place',
  'place_id',
  'form',
  'habit',
  'state',
  'verdict',
  'due',
  'moisture',
  'rate',
  'checks',
  'last_watered',
  'pot',
  'pot_mm',
  'mix',
  'light',
  'min_wet_c',
  'diameter_mm',
  'height_mm',
  'acquired_on',
  'source',
  'quarantine',
  'sure',
  'names',
];
