import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import { againstBefore, gapsIn } from './history.ts';

const day = dayNumber;
/** Drinks every so many days. */
const every = (from: string, days: number, count: number) =>
  Array.from({ length: count }, (_, i) => day(from) + i * days);
const OLD = { from: day('2024-03-01'), to: day('2025-03-10') };
const NEW = { from: day('2025-03-10'), to: null };

describe('gaps between drinks in one pot', () => {
  it('are those within it, the middle one told', () =>
    expect(gapsIn(OLD, [...every('2024-06-01', 10, 4), ...every('2025-06-01', 20, 5)])).toEqual({
      drinks: 4,
      medianDays: 10,
    }));
  it('two cans on a day are one drink, and a winter is no gap', () =>
    expect(gapsIn(OLD, [day('2024-09-01'), day('2024-09-01'), day('2024-09-13'), day('2025-02-20')])).toEqual({
      drinks: 4,
      medianDays: 12,
    }));
  it('a single drink has none', () => expect(gapsIn(NEW, [day('2025-04-01')]).medianDays).toBeNull());
});

describe('the new pot against the old', () => {
  it('is compared at the same time of year', () => {
    const drinks = [...every('2024-06-01', 10, 6), ...every('2024-09-05', 30, 3), ...every('2025-06-01', 15, 5)];
    const found = againstBefore(OLD, NEW, drinks)!;
    expect(found.times).toBeCloseTo(1.5, 9);
    expect(found.gaps).toBe(4);
  });
  it('weighs seasons by what was seen of the new pot', () => {
    const drinks = [
      ...every('2024-06-01', 10, 6),
      ...every('2024-09-05', 20, 4),
      ...every('2025-06-01', 20, 4),
      ...every('2025-09-05', 20, 4),
    ];
    // Four gaps of the new pot began in summer, three in autumn; in autumn nothing changed.
    expect(againstBefore(OLD, NEW, drinks)!.times).toBeCloseTo(2 ** (4 / 7), 9);
  });
  it('is not, where no season has seen both', () =>
    expect(againstBefore(OLD, NEW, [...every('2024-06-01', 10, 6), ...every('2025-09-05', 10, 6)])).toBeNull());
  it('nor on the strength of a single gap', () =>
    expect(againstBefore(OLD, NEW, [...every('2024-06-01', 10, 6), ...every('2025-06-01', 10, 2)])).toBeNull());
});
