/**
 * Stone plants in spring: the new pair of leaves drinks the old one, and water from outside would keep both. Dry until the
 * old pair is paper, which in the usual house is six to nine weeks after they stir (Smith et al., Mesembs of the World;
 * Cole, Lithops: Flowering Stones).
 */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { PlantEvent, Sign } from '../garden.ts';
import type { Traits } from '../plant/genera.ts';
import type { Nature } from '../plant/nature.ts';
import type { StateChange } from './timeline.ts';

/** Days from stirring to a paper sheath, as it usually goes. */
const SHEATH_DAYS = 60;
/** And from when the new pair was seen between the old. */
const FROM_SIGHT_DAYS = 75;
const OF_THE_PAIR: ReadonlySet<Sign> = new Set<Sign>(['new-growth', 'light-new-leaf', 'split']);

/** The winter growers among them change their leaves asleep, in summer: their sheath is paper by the first drink. */
export function changesInSpring(habit: Traits['habit'], nature: Nature): boolean {
  return nature === 'stone' && habit !== 'winter';
}

/**
 * The day until which the new pair lives on the old, or null: it does not, or the keeper found the old pair to be paper.
 *
 * @param changes of its season, past and ahead
 */
export function newPairUntil(
  { habit }: Pick<Traits, 'habit'>,
  nature: Nature,
  { changes, events, today }: { changes: readonly StateChange[]; events: readonly PlantEvent[]; today: DayNumber },
): DayNumber | null {
  if (!changesInSpring(habit, nature)) return null;
  const woke = changes.findLast(({ day, state }) => day <= today && state === 'waking')?.day ?? null;
  const slept = changes.findLast(({ day, state }) => day <= today && state === 'resting')?.day ?? null;
  const stirred = woke !== null && (slept === null || woke > slept) ? woke : null;
  const since = stirred ?? slept;
  const seen = events.findLast(
    (event) =>
      event.type === 'sign' && OF_THE_PAIR.has(event.sign) && (since === null || dayNumber(event.date) >= since - 30),
  );
  const from = [
    ...(stirred === null ? [] : [stirred + SHEATH_DAYS]),
    ...(seen && today - dayNumber(seen.date) <= FROM_SIGHT_DAYS ? [dayNumber(seen.date) + FROM_SIGHT_DAYS] : []),
  ];
  const until = Math.max(...from, -Infinity);
  if (until <= today) return null;
  const paper = events.some(
    (event) =>
      event.type === 'sign' &&
      event.sign === 'leaves-dying-back' &&
      dayNumber(event.date) >= until - FROM_SIGHT_DAYS &&
      dayNumber(event.date) <= today,
  );
  return paper ? null : until;
}

/** The days on which its new pair lives on the old: of this spring as it is known, of later ones as it usually goes. */
export function sheathSpans(
  traits: Pick<Traits, 'habit'>,
  nature: Nature,
  known: { changes: readonly StateChange[]; events: readonly PlantEvent[]; today: DayNumber },
): { from: DayNumber; to: DayNumber }[] {
  if (!changesInSpring(traits.habit, nature)) return [];
  const { changes, today } = known;
  const now = newPairUntil(traits, nature, known);
  return [
    ...(now === null ? [] : [{ from: today, to: now }]),
    ...changes
      .filter(({ day, state }) => state === 'waking' && day > today)
      .map(({ day }) => ({ from: day, to: day + SHEATH_DAYS })),
  ];
}
