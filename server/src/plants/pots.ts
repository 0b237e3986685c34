/** Pots as lists show them: a card and what is to do with it, put together once and kept until either changes. */
import {
  LINE_AHEAD_DAYS,
  LINE_BEHIND_DAYS,
  LINE_FIELDS,
  type LineOutlook,
  type PotTask,
  type RoundPot,
  type WholePot,
} from '@zinc-pail/contract/api';
import { type KeptTask, dayNumber, isoDay, type OutlookView } from '@zinc-pail/core';
import { groupBy } from '../grouping.ts';
import type { App } from '../context.ts';
import { sites } from '../garden/store.ts';
import type { SiteOutlooks } from '../outlook/outlooks.ts';
import { cardsById, type PlantCard } from './store.ts';

export function potTask(task: KeptTask, card: Pick<PlantCard, 'own_words'>): PotTask {
  const { rules } = task.rules;
  const { way, method, amount_ml, water, flush, food } = task.drink;
  return {
    judgement: task.judgement,
    way,
    method,
    amount_ml,
    water,
    flush,
    food,
    feed: task.feed,
    feed_id: rules.feedId,
    due: task.due,
    salts: { ...task.salts, ecMS: Math.round(task.salts.ecMS * 100) / 100 },
    own_words: card.own_words,
    hard_to_replace: rules.hardToReplace,
    stand: rules.stand,
    saucer_minutes: rules.saucerMinutes,
    soak_minutes: rules.soakMinutes,
  };
}

/** A pot's line, or null where it was taken in after the outlooks were made. */
export function roundPot(card: PlantCard, outlooks: SiteOutlooks): RoundPot | null {
  const pot = wholePot(card, outlooks);
  return pot && { ...pot, outlook: lineOf(pot.outlook) };
}

/** As much of an outlook as a line says and draws. */
function lineOf(outlook: OutlookView): LineOutlook {
  const { past, ahead } = outlook;
  const today = dayNumber(ahead.from);
  const first = Math.max(dayNumber(past.from), today - LINE_BEHIND_DAYS);
  const days = LINE_AHEAD_DAYS + 1;
  const last = isoDay(today + LINE_AHEAD_DAYS);
  const fields = Object.fromEntries(LINE_FIELDS.map((field) => [field, outlook[field]])) as Pick<
    OutlookView,
    (typeof LINE_FIELDS)[number]
  >;
  return {
    ...fields,
    past: { from: isoDay(first), p50: past.p50.slice(first - dayNumber(past.from)) },
    ahead: {
      from: ahead.from,
      p10: ahead.p10.slice(0, days),
      p50: ahead.p50.slice(0, days),
      p90: ahead.p90.slice(0, days),
    },
    cold_nights: outlook.cold_nights.filter((night) => night <= last),
  };
}

function wholePot(card: PlantCard, outlooks: SiteOutlooks): WholePot | null {
  const outlook = outlooks.views.get(card.id);
  const task = outlooks.tasks.get(card.id);
  if (!outlook || !task) return null;
  return {
    id: card.id,
    number: card.number,
    name: card.name,
    form: outlook.traits.form,
    diameter_mm: card.diameter_mm,
    height_mm: card.height_mm,
    revision: outlooks.revisions.get(card.id) ?? card.revision,
    quarantine_until: card.quarantine_until,
    picture_id: card.picture_id,
    outlook,
    task: potTask(task, card),
  };
}

/** Pots by their ids, wherever they stand; plants that have ended are not among them. */
export async function potsById(app: App, plantIds: readonly number[]): Promise<Map<number, WholePot>> {
  const cards = await cardsById(app.pool, plantIds);
  const bySite = groupBy(cards, (card) => card.site_id);
  const found = new Map<number, WholePot>();
  for (const site of (await sites(app.pool)).filter(({ id }) => bySite.has(id))) {
    const here = bySite.get(site.id)!;
    const outlooks = await app.outlooks.ofPlants(
      site,
      here.map(({ id }) => id),
      new Map(here.map(({ id, revision }) => [id, revision])),
    );
    for (const card of here) {
      const pot = wholePot(card, outlooks);
      if (pot) found.set(card.id, pot);
    }
  }
  return found;
}
