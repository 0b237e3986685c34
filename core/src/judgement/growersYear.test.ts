/** A year of forty plants, kept by doing what is asked, against the year of a good grower (core/test/growersYear.ts). */
import { describe, expect, it } from 'vitest';
import { GROWERS_YEAR, type GrowersYear, type NeverAsked } from '../../test/growersYear.ts';
import { type KeptDay, type KeptYear, keepYears, STEP_DAYS } from '../../test/keepYear.ts';
import type { Deed } from './deeds.ts';

const TAKEN: Readonly<Record<string, string>> = { R: 'R', E: 'E', G: 'GW', r: 'RE', g: 'GWE', '?': 'RGWE' };

/** Who keeps them comes by every few days: a drink so near the end of a month counts for either. */
const EDGE_DAYS = STEP_DAYS;

const letterOf = (state: string) => state.charAt(0).toUpperCase();
const drinks = ({ judgement }: KeptDay) => judgement.deeds[0].deed === 'water' || judgement.deeds[0].deed === 'sip';

function statesOf({ days }: KeptYear): string {
  return Array.from({ length: 12 }, (_, month) => {
    const here = days.filter((day) => day.month === month);
    return letterOf(here[Math.floor(here.length / 2)]!.state);
  }).join('');
}

/** Months in which it drank more or less often than a grower would have it. */
function drinksOff({ days }: KeptYear, wanted: string): string[] {
  const year = Number(days[0]!.date.slice(0, 4));
  const drunk = days.filter(drinks).map(({ date }) => Date.parse(date) / 86_400_000);
  return wanted.split(' ').flatMap((range, month) => {
    const [least, most = least] = range.split('-').map(Number) as [number, number?];
    const from = Date.UTC(year, month, 1) / 86_400_000;
    const to = Date.UTC(year, month + 1, 1) / 86_400_000;
    const between = (a: number, b: number) => drunk.filter((day) => day >= a && day < b).length;
    const few = between(from - EDGE_DAYS, to + EDGE_DAYS) < least;
    const many = between(from + EDGE_DAYS, to - EDGE_DAYS) > most;
    return few || many ? [`month ${month + 1}: ${between(from, to)} drinks, wanted ${range}`] : [];
  });
}

function asks(what: NeverAsked, deed: Deed): boolean {
  switch (what) {
    case 'drink':
      return deed.deed === 'water' || deed.deed === 'sip';
    case 'drench':
      return deed.deed === 'water';
    case 'warmer':
      return (deed.deed === 'move' && deed.what === 'warmer') || (deed.deed === 'act' && deed.what === 'out-of-frost');
    case 'wake':
    case 'sleep':
      return deed.deed === what;
    case 'unpot':
      return deed.deed === 'act' && deed.what === 'unpot';
    default:
      return deed.deed === 'move' && deed.what === what;
  }
}

function neverAsked({ days }: KeptYear, never: GrowersYear['never']): string[] {
  return never.flatMap(([what, ...months]) => {
    const day = days.find(
      ({ month, judgement }) =>
        (months.length === 0 || months.includes(month + 1)) && judgement.deeds.some((deed) => asks(what, deed)),
    );
    return day ? [`${what} on ${day.date}`] : [];
  });
}

const kept = keepYears(GROWERS_YEAR);

describe.each(GROWERS_YEAR.map((row, i) => [`${row.kind}, ${row.place}`, row, kept[i]!] as const))(
  '%s',
  (_, { states, drinks: wanted, never }, year) => {
    it('sleeps and grows when it should', () => {
      const found = statesOf(year);
      const off = [...states].filter((code, month) => !TAKEN[code]!.includes(found[month]!));
      expect(off, `wanted ${states}, found ${found}`).toEqual([]);
    });
    it('drinks as often as it should', () => expect(drinksOff(year, wanted)).toEqual([]));
    it('is never asked for what it must not have', () => expect(neverAsked(year, never)).toEqual([]));
  },
);
