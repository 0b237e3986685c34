/** Reads a plant's journal back once it has died: the facts of its last months that a keeper would ask for. */
import { dayNumber } from '@zinc-pail/core';
import type { PlantEvent } from '@zinc-pail/core';
import { dateWords } from './days.ts';

const LOOK_BACK_DAYS = 120;
const RECENT_DAYS = 60;
const LEAST_GAPS = 3;

export interface LastMonths {
  events: readonly PlantEvent[];
  endedOn: string;
  /** lowest nights at the plant's place, by day, for the last weeks, where known */
  nights: readonly { date: string; tminC: number }[];
  minWetC: number;
  minDryC: number;
}

/** One fact a line, oldest cause first: changes, cold, water, food, signs. No verdict: these are what the book says. */
export function postMortem({ events, endedOn, nights, minWetC, minDryC }: LastMonths): string[] {
  const end = dayNumber(endedOn);
  const ago = (date: string) => end - dayNumber(date);
  const lines: string[] = [];
  const last = <T extends PlantEvent['type']>(type: T) =>
    events.findLast((event): event is Extract<PlantEvent, { type: T }> => event.type === type);
  for (const event of events) {
    if (ago(event.date) > LOOK_BACK_DAYS) continue;
    if (event.type === 'repotting')
      lines.push(
        `Repotted ${ago(event.date)} days before the end${event.roots_cut ? ', roots cut' : ''}${event.mix_was === 'wet' ? '; the old mix was wet' : ''}.`,
      );
    if (event.type === 'move') lines.push(`Moved ${ago(event.date)} days before the end.`);
  }
  const waterings = events.filter((event) => event.type === 'watering');
  const wetSince = waterings.at(-1);
  const cold = nights.filter(
    (night) =>
      night.tminC < minDryC ||
      (night.tminC < minWetC &&
        wetSince !== undefined &&
        dayNumber(night.date) - dayNumber(wetSince.date) < 10 &&
        night.date >= wetSince.date),
  );
  if (cold.length > 0) {
    const worst = cold.reduce((low, night) => (night.tminC < low.tminC ? night : low));
    lines.push(
      `${cold.length} ${cold.length === 1 ? 'night' : 'nights'} below its limit, the coldest ` +
        `${Math.round(worst.tminC)} °C on ${dateWords(worst.date, endedOn)}.`,
    );
  }
  if (!wetSince) lines.push('No watering is on record.');
  else {
    const gaps = waterings
      .slice(1)
      .map((event, i) => dayNumber(event.date) - dayNumber(waterings[i]!.date))
      .filter((gap) => gap > 0)
      .sort((a, b) => a - b);
    const usual = gaps.length >= LEAST_GAPS ? gaps[Math.floor(gaps.length / 2)]! : null;
    const since = ago(wetSince.date);
    lines.push(`Last watered ${since} days before the end${usual === null ? '' : `; usually every ${usual} days`}.`);
    const recent = waterings.filter((event) => ago(event.date) <= RECENT_DAYS).length;
    if (usual !== null && recent > 1.6 * (RECENT_DAYS / usual))
      lines.push(`Watered ${recent} times in its last ${RECENT_DAYS} days, more than it used to be.`);
    if (usual !== null && since > 3 * usual)
      lines.push(`That is ${Math.round(since / usual)} times its usual pause: thirst, or a rest.`);
    const check = events.findLast(
      (event) => event.type === 'check' && event.date <= wetSince.date && ago(event.date) - since <= 3,
    );
    if (check && 'finger' in check && check.finger !== 'dry')
      lines.push(`It still felt ${check.finger} when it was last watered.`);
  }
  const lookedAt = last('check');
  lines.push(
    lookedAt ? `Last felt or weighed ${ago(lookedAt.date)} days before the end.` : 'Its pot was never felt or weighed.',
  );
  const fed = last('feeding');
  if (fed && ago(fed.date) <= RECENT_DAYS) lines.push(`Fed ${ago(fed.date)} days before the end.`);
  const signs = events.flatMap((event) =>
    event.type === 'sign' && ago(event.date) <= LOOK_BACK_DAYS
      ? [`${event.sign.replaceAll('-', ' ')} (${ago(event.date)} days before)`]
      : [],
  );
  if (signs.length > 0) lines.push(`Seen: ${signs.join(', ')}.`);
  return lines;
}
