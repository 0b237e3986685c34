/** Reads the notes of a plant that has died back: the facts of its last months that a keeper would ask for. Codes, no words. */
import { dayNumber } from '../calendar/day.ts';
import type { PlantEvent, Sign } from '../garden.ts';

const LOOK_BACK_DAYS = 120;
const RECENT_DAYS = 60;
const LEAST_GAPS = 3;
/** A pot is taken to be moist for so many days after a drink. */
const MOIST_DAYS = 10;
/** So much more often, or so much later, than it used to be is worth telling. */
const MORE_OFTEN = 1.6;
const MUCH_LATER = 3;
/** A look this near to a drink was the look before it. */
const LOOK_BEFORE_DAYS = 3;

export interface LastMonths {
  events: readonly PlantEvent[];
  endedOn: string;
  /** lowest nights at the plant's place, by day, for the last weeks, where known, °C */
  nights: readonly { date: string; tminC: number }[];
  minWetC: number;
  minDryC: number;
}

export const LAST_CODES = [
  'repotted',
  'moved',
  'cold-nights',
  'never-watered',
  'watered',
  'watered-often',
  'dry-long',
  'drunk-moist',
  'looked-at',
  'never-looked',
  'fed',
  'sign',
] as const;
export type LastCode = (typeof LAST_CODES)[number];

/** `days` are counted back from the end; `on` is an ISO day. */
export type LastFact = {
  code: LastCode;
  n: Readonly<Record<string, number>>;
  on?: string;
  of?: string;
};

/** One fact each, oldest cause first: changes, cold, water, food, signs. No verdict: these are what the notes say. */
export function lastMonths({ events, endedOn, nights, minWetC, minDryC }: LastMonths): LastFact[] {
  const end = dayNumber(endedOn);
  const ago = (date: string) => end - dayNumber(date);
  const changes = events.flatMap((event): LastFact[] => {
    if (ago(event.date) > LOOK_BACK_DAYS) return [];
    if (event.type === 'move') return [{ code: 'moved', n: { days: ago(event.date) } }];
    if (event.type !== 'repotting') return [];
    const n = { days: ago(event.date), cut: event.roots_cut ? 1 : 0, wet: event.mix_was === 'wet' ? 1 : 0 };
    return [{ code: 'repotted', n }];
  });
  const waterings = events.filter((event) => event.type === 'watering');
  const looked = events.findLast((event) => event.type === 'check');
  const fed = events.findLast((event) => event.type === 'feeding');
  return [
    ...changes,
    ...coldNights(nights, waterings.at(-1)?.date ?? null, { minWetC, minDryC }),
    ...ofItsWater(events, waterings, ago),
    looked ? { code: 'looked-at', n: { days: ago(looked.date) } } : { code: 'never-looked', n: {} },
    ...(fed && ago(fed.date) <= RECENT_DAYS ? [{ code: 'fed', n: { days: ago(fed.date) } } as const] : []),
    ...events.flatMap((event): LastFact[] =>
      event.type === 'sign' && ago(event.date) <= LOOK_BACK_DAYS
        ? [{ code: 'sign', of: event.sign satisfies Sign, n: { days: ago(event.date) } }]
        : [],
    ),
  ];
}

function coldNights(
  nights: LastMonths['nights'],
  wetSince: string | null,
  { minWetC, minDryC }: Pick<LastMonths, 'minWetC' | 'minDryC'>,
): LastFact[] {
  const moist = (date: string) =>
    wetSince !== null && date >= wetSince && dayNumber(date) - dayNumber(wetSince) < MOIST_DAYS;
  const cold = nights.filter(({ date, tminC }) => tminC < minDryC || (tminC < minWetC && moist(date)));
  if (cold.length === 0) return [];
  const worst = cold.reduce((low, night) => (night.tminC < low.tminC ? night : low));
  return [{ code: 'cold-nights', on: worst.date, n: { nights: cold.length, low: worst.tminC } }];
}

function ofItsWater(
  events: readonly PlantEvent[],
  waterings: readonly PlantEvent[],
  ago: (date: string) => number,
): LastFact[] {
  const last = waterings.at(-1);
  if (!last) return [{ code: 'never-watered', n: {} }];
  const gaps = waterings
    .slice(1)
    .map((event, i) => dayNumber(event.date) - dayNumber(waterings[i]!.date))
    .filter((gap) => gap > 0)
    .sort((a, b) => a - b);
  const usual = gaps.length >= LEAST_GAPS ? gaps[Math.floor(gaps.length / 2)]! : null;
  const since = ago(last.date);
  const recent = waterings.filter((event) => ago(event.date) <= RECENT_DAYS).length;
  const before = events.findLast(
    (event) => event.type === 'check' && event.date <= last.date && ago(event.date) - since <= LOOK_BEFORE_DAYS,
  );
  const felt = before && 'finger' in before ? before.finger : null;
  return [
    { code: 'watered', n: { days: since, ...(usual === null ? {} : { usual }) } },
    ...(usual !== null && recent > MORE_OFTEN * (RECENT_DAYS / usual)
      ? [{ code: 'watered-often', n: { times: recent, days: RECENT_DAYS } } as const]
      : []),
    ...(usual !== null && since > MUCH_LATER * usual
      ? [{ code: 'dry-long', n: { times: Math.round(since / usual) } } as const]
      : []),
    ...(felt && felt !== 'dry' ? [{ code: 'drunk-moist', of: felt, n: {} } as const] : []),
  ];
}
