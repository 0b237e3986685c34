/** The almanac's rows, its figures, and a plant's year as it is drawn. */
import type { AlmanacInput } from '@zinc-pail/contract/almanac';
import { ALMANAC_WEEKS, type AlmanacRow, type Plant, type YearDeeds } from '@zinc-pail/core';
import { scaleLinear } from 'd3';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { garden } from '../../../../core/test/gardens.ts';
import { after, type Year } from './useYear.ts';
import { YearStrip } from './YearStrip.tsx';
import { stateOnDay, yearLines, yearSum } from './yearRows.ts';

const NO_DEEDS: YearDeeds = { feeds: [], repot: null, flowers: [] };
const weeks = (value: number) => Array.from({ length: ALMANAC_WEEKS }, () => value);
const row = (plantId: string, over: Partial<AlmanacRow> = {}): AlmanacRow => ({
  plantId,
  placeId: 'place',
  states: [
    { state: 'growing', from: 0, to: 100 },
    { state: 'easing', from: 100, to: 130 },
    { state: 'resting', from: 130, to: 330 },
    { state: 'waking', from: 330, to: 364 },
  ],
  waterings: weeks(0.5),
  litres: weeks(0.1),
  cold: weeks(0),
  heat: weeks(0),
  stands: { when: 'always' },
  ...over,
});

const pattern = garden().plants[0]!;
const plant = (id: string, name: string, over: Partial<Plant> = {}): Plant => ({
  ...pattern,
  id,
  name,
  habit: null,
  form: null,
  dry_rule: null,
  ...over,
});
const input: AlmanacInput = {
  site: { id: 1, name: 'Here' },
  garden: {
    ...garden(),
    plants: [
      plant('1', 'Lithops lesliei'),
      plant('2', 'Conophytum bilobum', { place: 'sill' }),
      plant('3', 'Nobody knows'),
      plant('4', 'Aloe vera'),
    ],
  },
  places: [
    { id: 'sill', name: 'Sill' },
    { id: 'place', name: 'Lean-to' },
    { id: 'empty', name: 'Empty' },
  ],
  plants: ['1', '2', '3', '4'].map((id) => ({
    id,
    number: `00${id}`,
    name: `Plant ${id}`,
    due: null,
    ceiling_c: 40,
    feed: {
      rhythm: { mode: 'nth', n: 4, sipsCount: false },
      strength: 0.5,
      chargeMonths: 6,
      lastBeforeRest: false,
      firstOnWaking: false,
      ceiling: null,
    },
    repot_years: 3,
    potted_on: null,
    flowered: [],
  })),
};
const rows = ['1', '2', '3', '4'].map((id) => row(id));
const told = (by: Parameters<typeof yearLines>[3], some = rows) =>
  yearLines(input, some, null, by).map((line) => (line.kind === 'heading' ? `${line.words}: ${line.pots}` : line.id));

describe('rows', () => {
  it('stand by bench in walking order, those without pots left out', () =>
    expect(told('place')).toEqual(['Sill: 1', '2', 'Lean-to: 3', '1', '3', '4']));
  it('stand by season as the seasons follow each other', () =>
    expect(told('habit')).toEqual([
      'Grow in summer: 2',
      '1',
      '4',
      'Grow in the cool half of the year: 1',
      '2',
      'Never quite rest: 1',
      '3',
    ]));
  it('stand by genus by the alphabet, the unknown last', () =>
    expect(told('genus')).toEqual([
      'Aloe: 1',
      '4',
      'Conophytum: 1',
      '2',
      'Lithops: 1',
      '1',
      'Genus not known: 1',
      '3',
    ]));
  it('of a plant that is not reckoned there is none', () =>
    expect(told('place', rows.slice(0, 1))).toEqual(['Lean-to: 1', '1']));
  it('carry what was tried beside what is', () => {
    const lines = yearLines(input, rows, [row('2', { waterings: weeks(1) })], 'place');
    expect(lines[1]).toMatchObject({ id: '2', row: { waterings: weeks(0.5) }, tried: { waterings: weeks(1) } });
    expect(lines[3]).toMatchObject({ id: '1', tried: null });
  });
});

describe('a year of all', () => {
  it('sums drinks, litres, and weeks asleep, too cold and too hot', () => {
    const cold = weeks(0).with(3, 0.6).with(4, 0.4);
    const sum = yearSum([row('1', { cold }), row('2', { heat: weeks(0.9) })]);
    expect(sum.drinks).toBeCloseTo(52, 9);
    expect(sum.litres).toBeCloseTo(10.4, 9);
    expect(sum).toMatchObject({ coldWeeks: 1, hotWeeks: ALMANAC_WEEKS });
    expect(sum.asleepWeeks).toBeCloseTo((2 * 200) / 7, 9);
  });
  it('knows what each does on a day', () => {
    expect([0, 99, 100, 129, 130, 329, 330, 363, 999].map((day) => stateOnDay(rows[0]!, day))).toEqual([
      ...(['growing', 'growing', 'easing', 'easing', 'resting', 'resting'] as const),
      ...(['waking', 'waking', 'waking'] as const),
    ]);
  });
});

describe('what comes from the thread', () => {
  const before: Year = {
    reading: { done: 0, of: 2 },
    rows: null,
    tried: null,
    trying: false,
    failed: null,
    stopped: false,
  };
  it('tells how far it is, then the year', () => {
    const reading = after(before, { kind: 'reading', done: 1, of: 2 });
    expect(reading.reading).toEqual({ done: 1, of: 2 });
    expect(after(reading, { kind: 'year', rows })).toMatchObject({ reading: null, rows });
  });
  it('what was tried is shown, unless it was put away meanwhile', () => {
    expect(after({ ...before, trying: true }, { kind: 'tried', rows })).toMatchObject({ tried: rows, trying: false });
    expect(after(before, { kind: 'tried', rows }).tried).toBeNull();
  });
  it('a failure is told, and nothing waits any longer', () =>
    expect(after({ ...before, trying: true }, { kind: 'failed', words: 'No.' })).toMatchObject({
      failed: 'No.',
      trying: false,
      reading: null,
    }));
});

describe('a plant’s year', () => {
  const x = scaleLinear([0, ALMANAC_WEEKS * 7], [0, 520]);
  const drawn = (one: AlmanacRow, tried: AlmanacRow | null = null) =>
    renderToStaticMarkup(<YearStrip deeds={NO_DEEDS} row={one} tried={tried} x={x} width={520} week={3} />);
  const times = (markup: string, of: RegExp) => [...markup.matchAll(of)].length;
  it('has a column a week, a bar for sleep with a ramp at each end, and no teeth without cold', () => {
    const markup = drawn(row('1'));
    expect(times(markup, /fill="var\(--clay\)"/g)).toBe(ALMANAC_WEEKS);
    expect(times(markup, /<rect[^>]*fill="var\(--dusk\)"/g)).toBe(1);
    expect(times(markup, /<path[^>]*fill="var\(--dusk\)"/g)).toBe(2);
    expect(times(markup, /<circle/g)).toBe(0);
  });
  it('has a tooth for each week that is likely too cold, and a dot for each too hot', () => {
    const markup = drawn(
      row('1', { states: [], cold: weeks(0).with(1, 1).with(2, 0.1), heat: weeks(0).with(30, 0.5) }),
    );
    expect(times(markup, /<path/g)).toBe(1);
    expect(times(markup, /<circle/g)).toBe(1);
  });
  it('draws no column where nothing is given', () =>
    expect(times(drawn(row('1', { waterings: weeks(0) })), /var\(--clay\)/g)).toBe(0));
  it('draws what is tried full, and what is as outlines', () => {
    const markup = drawn(row('1'), row('1', { waterings: weeks(0) }));
    expect(times(markup, /var\(--clay\)/g)).toBe(0);
    expect(times(markup, /fill="none"/g)).toBe(ALMANAC_WEEKS);
  });
});
