/**
 * The lines of the round: each pot once, with everything that is asked of it, in walking order; and the counts by which
 * the walk is narrowed.
 */
import type { DoneToday, RoundPlace, RoundPot, RoundSite, RoundView } from '@zinc-pail/contract/api';
import { kindOf } from '../../reader/deeds.ts';
import type { Spot } from './spots.ts';

export type StepAsked = RoundSite['clinic']['steps'][number];
export type AlsoAsked = RoundSite['also'][number];
type PottingAsked = RoundSite['pottings'][number];

/** One thing that is asked of a pot today. */
export type Ask =
  | { kind: 'judged' }
  | { kind: 'step'; step: StepAsked }
  | { kind: 'also'; task: AlsoAsked }
  | { kind: 'potting'; plan: PottingAsked };

/** What the counts on top count, in their order. */
export const COUNTS = ['dusk', 'act', 'water', 'look', 'treat', 'other', 'soon'] as const;
export type Count = (typeof COUNTS)[number];

export interface Line extends Spot {
  asks: Ask[];
  /** under which of the counts it stands */
  counts: ReadonlySet<Count>;
  /** marks of today */
  done: readonly DoneToday[];
}

interface Asked {
  steps: ReadonlyMap<number, StepAsked[]>;
  also: ReadonlyMap<number, AlsoAsked[]>;
  pottings: ReadonlyMap<number, PottingAsked>;
}

/**
 * @param benches all pots of the benches that are open, as far as they have come
 * @param settled asks that were answered just now, by `askId`, until the round that knows comes
 */
export function linesOf(
  { sites }: RoundView,
  benches: ReadonlyMap<number, readonly RoundPot[]>,
  settled: ReadonlySet<string> = new Set(),
): Line[] {
  return sites.flatMap((site) => {
    const asked = askedOf(site);
    return site.places.flatMap((place) => {
      const done = byPlant(place.done);
      return (benches.get(place.id) ?? place.pots).map((pot): Line => {
        const marks = done.get(pot.id) ?? NONE_DONE;
        const asks = asksOf(pot, site, asked, marks.length > 0).filter((ask) => !settled.has(askId(pot.id, ask)));
        return { site, place, pot, done: marks, asks, counts: countsOf(asks, { pot, place, site }) };
      });
    });
  });
}

export function askId(plantId: number, ask: Ask): string {
  switch (ask.kind) {
    case 'judged':
      return `${plantId} judged`;
    case 'step':
      return `${plantId} ${ask.step.cause} ${ask.step.step} ${ask.step.time}`;
    case 'also':
      return `${plantId} ${ask.task.kind} ${ask.task.day}`;
    case 'potting':
      return `${plantId} potting`;
  }
}

/** Whether a line stands by itself: it asks for something, or was done today. */
export const stands = ({ asks, done }: Line): boolean => asks.length > 0 || done.length > 0;

/** The lines that are shown: those under the chosen count; else those that ask, and all of an open bench. */
export function shownOf(lines: readonly Line[], only: Count | null, open: ReadonlySet<number>): Line[] {
  if (only !== null) return lines.filter(({ counts }) => counts.has(only));
  return lines.filter((line) => stands(line) || open.has(line.place.id));
}

export function tally(lines: readonly Line[]): Record<Count, number> {
  const sum = Object.fromEntries(COUNTS.map((count) => [count, 0])) as Record<Count, number>;
  for (const { counts } of lines) for (const count of counts) sum[count]++;
  return sum;
}

const NONE_DONE: readonly DoneToday[] = [];

function byPlant(done: readonly DoneToday[]): Map<number, DoneToday[]> {
  return groupOn(done, ({ plant_id: id }) => id);
}

function groupOn<T>(all: readonly T[], key: (one: T) => number): Map<number, T[]> {
  const out = new Map<number, T[]>();
  for (const one of all) {
    const found = out.get(key(one));
    if (found) found.push(one);
    else out.set(key(one), [one]);
  }
  return out;
}

function askedOf(site: RoundSite): Asked {
  const plant = (one: { plant_id: number }) => one.plant_id;
  return {
    steps: groupOn(site.clinic.steps, plant),
    also: groupOn(site.also, plant),
    pottings: new Map(site.pottings.map((plan) => [plan.plant_id, plan])),
  };
}

function asksOf(pot: RoundPot, site: RoundSite, { steps, also, pottings }: Asked, marked: boolean): Ask[] {
  const kind = kindOf(pot, site.today);
  const plan = pottings.get(pot.id);
  return [
    ...(kind === 'act' || kind === 'water' || kind === 'look' ? [{ kind: 'judged' } as const] : []),
    ...(steps.get(pot.id) ?? []).map((step): Ask => ({ kind: 'step', step })),
    ...(also.get(pot.id) ?? []).map((task): Ask => ({ kind: 'also', task })),
    // A pot that was marked today is not lifted out today as well.
    ...(plan && !marked ? [{ kind: 'potting', plan } as const] : []),
  ];
}

function countsOf(
  asks: readonly Ask[],
  { pot, site, place }: { pot: RoundPot; site: RoundSite; place: RoundPlace },
): Set<Count> {
  const counts = new Set<Count>();
  for (const ask of asks) {
    if (ask.kind === 'step') counts.add('treat');
    else if (ask.kind !== 'judged') counts.add('other');
    else {
      const kind = kindOf(pot, site.today);
      counts.add(kind === 'act' && inDanger(place, pot.id) ? 'dusk' : (kind as Count));
    }
  }
  if (kindOf(pot, site.today) === 'soon') counts.add('soon');
  return counts;
}

/** Judged to stand below what it takes tonight, and not seen to. */
export function inDanger({ cold }: Pick<RoundPlace, 'cold'>, plantId: number): boolean {
  return cold.some(({ id, near, done }) => id === plantId && !near && done === null);
}

/** The last mark of a day, with the drink that it was given in: one thumb wrote both. */
export function lastMark(done: readonly DoneToday[]): DoneToday[] {
  const last = done.at(-1)!;
  const drink = 'with' in last.event ? last.event.with : undefined;
  return done.filter((one) => one === last || one.client_id === drink);
}
