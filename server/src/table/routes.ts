import { tableSchema } from '@zinc-pail/contract/answers';
import { TABLE_FIELDS, type TableRow } from '@zinc-pail/contract/table';
import { judgedAs, lightVerdict } from '@zinc-pail/core';
import type { App } from '../context.ts';
import { sites } from '../garden/store.ts';
import { inTurns } from '../inTurns.ts';
import { KeptAnswer } from '../http/kept.ts';
import { route, type Route, SENT } from '../http/route.ts';
import type { SiteOutlooks } from '../outlook/outlooks.ts';
import { Shared } from '../sharing.ts';
import { type TableCard, tableCards } from './store.ts';

export function tableRoutes(app: App): Route[] {
  const table = new Shared(keptTable(app));
  return [
    route({
      method: 'get',
      path: '/plants',
      does: 'Every living plant, a row each, names of fields once: sorted, filtered and drawn where it is looked at.',
      answer: tableSchema,
      async handle({ response }) {
        (await app.outlooks.patiently(table.ask())).send(response);
        return SENT;
      },
    }),
  ];
}

function keptTable(app: App): () => Promise<KeptAnswer> {
  let kept: KeptAnswer | null = null;
  return async () => {
    const all = await sites(app.pool);
    const outlooks = await Promise.all(all.map((site) => app.outlooks.ofSite(site)));
    const edition = all
      .map((site, i) => `${site.id}:${site.revision}:${site.walks}:${outlooks[i]!.today}:${outlooks[i]!.edition}`)
      .join(' ');
    if (kept?.edition !== edition || !kept) kept = new KeptAnswer(edition, await tableOf(app, outlooks));
    return kept;
  };
}

/** The table as text, made in turns: thousands of rows hold nobody up. */
async function tableOf(app: App, outlooks: readonly SiteOutlooks[]): Promise<string> {
  const cards = await tableCards(app.pool);
  const rows = await inTurns(rowTexts(cards, outlooks));
  return `{"fields":${JSON.stringify(TABLE_FIELDS)},"rows":[${rows.join(',')}]}`;
}

function* rowTexts(cards: readonly TableCard[], outlooks: readonly SiteOutlooks[]): Generator<void, string[]> {
  const rows: string[] = [];
  for (const card of cards) {
    const at = outlooks.find((one) => one.views.has(card.id));
    const row = at && rowOf(card, at);
    if (row) rows.push(JSON.stringify(TABLE_FIELDS.map((field) => row[field])));
    yield;
  }
  return rows;
}

function rowOf(card: TableCard, at: SiteOutlooks): TableRow | null {
  const outlook = at.views.get(card.id);
  const task = at.tasks.get(card.id);
  if (!outlook || !task) return null;
  const { shape, top_mm, depth_mm, material, ...rest } = card;
  return {
    ...rest,
    genus: outlook.genus ?? '',
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
}
