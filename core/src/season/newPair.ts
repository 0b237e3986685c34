/**
 * Stone plants in spring: the new pair of leaves drinks the old one, and water from outside would keep both. Dry until the
 * old pair is paper, which in the usual house is six to nine weeks after they stir (Smith et al., Mesembs of the World;
 * Cole, Lithops: Flowering Stones).
 */
import { signsThat } from '../catalogue/signs.ts';
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import type { Traits } from '../plant/genera.ts';
import type { Nature } from '../plant/nature.ts';
import type { StateChange } from './timeline.ts';

/** Days from stirring to a paper sheath, as it usually goes. */
const SHEATH_DAYS = 60;
/** And from when the new pair was seen between the old. */
const FROM_SIGHT_DAYS = 75;
const OF_THE_PAIR = signsThat('new-pair');

/** One that no winter puts to sleep, under lamps, changes them all the same, after it has flowered in autumn. */
const CHANGES_FROM = '-12-15';
const CHANGES_TO = '-03-15';
/** Awake for so long it goes by the calendar, days. */
const NEVER_SLEPT = 270;
const HALF_A_YEAR = 183;

/** What is known of a stone plant's season. */
export interface PairKnown {
  /** past and ahead */
  changes: readonly StateChange[];
  events: readonly PlantEvent[];
  today: DayNumber;
  /** its site lies south of the equator: its winter is half a year later */
  south: boolean;
}

/** The days of a year on which one that never slept changes its leaves: of the winter that is on, or comes next. */
function winterPair({ changes, today, south }: PairKnown): { from: DayNumber; to: DayNumber } | null {
  if (
    changes.some(({ day, state }) => state !== 'growing' && state !== 'easing' && Math.abs(day - today) < NEVER_SLEPT)
  )
    return null;
  const shift = south ? HALF_A_YEAR : 0;
  const year = Number(isoDay(today - shift).slice(0, 4));
  return (
    [year - 1, year, year + 1]
      .map((of) => ({
        from: dayNumber(`${of}${CHANGES_FROM}`) + shift,
        to: dayNumber(`${of + 1}${CHANGES_TO}`) + shift,
      }))
      .find(({ to }) => to > today) ?? null
  );
}

/** The winter growers among them change their leaves asleep, in summer: their sheath is paper by the first drink. */
export function changesInSpring(habit: Traits['habit'], nature: Nature): boolean {
  return nature === 'stone' && habit !== 'winter';
}

/** The day until which the new pair lives on the old, or null: it does not, or the keeper found the old pair to be paper. */
export function newPairUntil({ habit }: Pick<Traits, 'habit'>, nature: Nature, known: PairKnown): DayNumber | null {
  const { changes, events, today } = known;
  if (!changesInSpring(habit, nature)) return null;
  const woke = changes.findLast(({ day, state }) => day <= today && state === 'waking')?.day ?? null;
  const slept = changes.findLast(({ day, state }) => day <= today && state === 'resting')?.day ?? null;
  const stirred = woke !== null && (slept === null || woke > slept) ? woke : null;
  const since = stirred ?? slept;
  const winter = winterPair(known);
  const seen = events.findLast(
    (event) =>
      event.type === 'sign' && OF_THE_PAIR.has(event.sign) && (since === null || dayNumber(event.date) >= since - 30),
  );
  const from = [
    ...(stirred === null ? [] : [stirred + SHEATH_DAYS]),
    ...(winter !== null && winter.from <= today ? [winter.to] : []),
    ...(seen && today - dayNumber(seen.date) <= FROM_SIGHT_DAYS ? [dayNumber(seen.date) + FROM_SIGHT_DAYS] : []),
  ];
  const until = Math.max(...from, -Infinity);
  if (until <= today) return null;
  const paper = events.some(
    (event) =>
      event.type === 'sign' &&
      event.sign === 'leaves-dying-back' &&
      dayNumber(event.date) >= Math.min(until - FROM_SIGHT_DAYS, winter?.from ?? until) &&
      dayNumber(event.date) <= today,
  );
  return paper ? null : until;
}

/** The days on which its new pair lives on the old: of this spring as it is known, of later ones as it usually goes. */
export function sheathSpans(
  traits: Pick<Traits, 'habit'>,
  nature: Nature,
  known: PairKnown,
): { from: DayNumber; to: DayNumber }[] {
  if (!changesInSpring(traits.habit, nature)) return [];
  const { changes, today } = known;
  const now = newPairUntil(traits, nature, known);
  const winter = winterPair(known);
  return [
    ...(now === null ? [] : [{ from: today, to: now }]),
    ...(winter !== null && winter.from > today ? [winter] : []),
    ...changes
      .filter(({ day, state }) => state === 'waking' && day > today)
      .map(({ day }) => ({ from: day, to: day + SHEATH_DAYS })),
  ];
}
