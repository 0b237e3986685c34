import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay, lastMonths } from '@zinc-pail/core';
import type { PlantEvent } from '@zinc-pail/core';
import { lastMonthsWords } from './postMortem.ts';
import { SI, type Units } from './units.ts';

const END = '2026-02-10';
const ago = (days: number) => isoDay(dayNumber(END) - days);
const watered = (days: number, over: object = {}): PlantEvent =>
  ({ type: 'watering', date: ago(days), method: 'drench', ...over }) as PlantEvent;
const lines = (events: PlantEvent[], nights: { date: string; tminC: number }[] = [], units: Units = SI) =>
  lastMonths({ events, endedOn: END, nights, minWetC: 6, minDryC: 1 }).map((fact) => lastMonthsWords(fact, END, units));
const read = (...given: Parameters<typeof lines>) => lines(...given).join(' ');

describe('reading a book back', () => {
  it('names the last drink against the usual pause', () => {
    const book = [90, 80, 70, 60, 50].map((days) => watered(days));
    expect(read(book)).toMatch(/Last watered 50 days before the end; usually every 10 days\./);
    expect(read(book)).toMatch(/5 times its usual gap: thirst, or a rest/);
  });
  it('sees more water than there used to be', () => {
    const book = [
      ...[300, 270, 240, 210, 180, 150, 120, 90].map((days) => watered(days)),
      ...[40, 30, 20, 12, 6].map((days) => watered(days)),
    ];
    expect(read(book)).toMatch(/Watered 5 times in its last 60 days, more often than before/);
  });
  it('a drink on a pot that still felt wet', () => {
    expect(read([watered(40), { type: 'check', date: ago(9), finger: 'damp' }, watered(8)])).toMatch(
      /still felt damp when it was last watered/,
    );
    expect(read([watered(40), { type: 'check', date: ago(9), finger: 'dry' }, watered(8)])).not.toMatch(/still felt/);
  });
  it('cold nights: dry below one limit, wet below another', () => {
    expect(
      read(
        [watered(60)],
        [
          { date: ago(5), tminC: -3 },
          { date: ago(4), tminC: 0.4 },
        ],
      ),
    ).toMatch(/2 nights below its limit, the coldest −3° on 5 February/);
    // A keeper of °F is told in °F.
    expect(read([], [{ date: ago(5), tminC: -3 }], { ...SI, temperature: 'F' })).toMatch(/coldest 27° on/);
    expect(read([watered(60)], [{ date: ago(5), tminC: 4 }])).not.toMatch(/below its limit/);
    expect(read([watered(7)], [{ date: ago(5), tminC: 4 }])).toMatch(/1 night below its limit/);
  });
  it('what was changed lately comes first', () => {
    const told = lines([
      { type: 'repotting', date: ago(30), roots_cut: true, mix_was: 'wet' },
      { type: 'move', date: ago(1) },
      watered(0),
    ]);
    expect(told[0]).toBe('Repotted 30 days before the end, roots cut; the old mix was wet.');
    expect(told[1]).toBe('Moved 1 day before the end.');
    expect(told[2]).toBe('Last watered on its last day.');
  });
  it('food and signs of the last weeks, not of years ago', () => {
    const book: PlantEvent[] = [
      { type: 'sign', date: ago(400), sign: 'buds', strength: 1 },
      { type: 'feeding', date: ago(20), dose: 1 },
      { type: 'sign', date: ago(6), sign: 'soft-base', strength: 3 },
    ];
    expect(read(book)).toMatch(/Last fed 20 days before the end/);
    expect(read(book)).toMatch(/A soft base seen 6 days before the end\./);
    expect(read(book)).not.toMatch(/buds/);
  });
  it('an empty book says so', () =>
    expect(read([])).toBe('No watering is on record. Its pot was never felt or weighed.'));
  it('any book gives sentences without holes in them', () => {
    const event = fc.oneof(
      fc.integer({ min: 0, max: 900 }).map((days) => watered(days)),
      fc
        .tuple(fc.integer({ min: 0, max: 900 }), fc.constantFrom('wet', 'damp', 'dry'))
        .map(([days, finger]) => ({ type: 'check', date: ago(days), finger }) as PlantEvent),
      fc.integer({ min: 0, max: 900 }).map((days) => ({ type: 'move', date: ago(days) }) as PlantEvent),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 40 }), (events) => {
        for (const line of lines(events.toSorted((a, b) => (a.date < b.date ? -1 : 1)))) {
          expect(line).toMatch(/^[A-Z].*\.$/);
          expect(line).not.toMatch(/NaN|undefined|null|Infinity|\b[01] (days|times|nights)\b/);
        }
      }),
    );
  });
});
