import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { movesAhead, type MovingPlant, type NightsOfPlace } from './movesAhead.ts';

/** Nights of a balcony at 47° north, week by week from a day on. */
function balcony(today: string): NightsOfPlace {
  const start = dayNumber(today) - dayNumber('2026-01-15');
  const coldestC = Array.from({ length: 52 }, (_, week) => 2 - 9 * Math.cos((2 * Math.PI * (start + 7 * week)) / 365));
  return { id: 1, name: 'Balcony', outside: true, coldestC };
}
const SILL: NightsOfPlace = { id: 2, name: 'Sill', outside: false, coldestC: Array.from({ length: 52 }, () => 15) };
const flat = (limit: number) => Array.from({ length: 52 }, () => limit);
const tender = (over: Partial<MovingPlant> = {}): MovingPlant => ({
  id: 7,
  name: 'Adenium obesum',
  placeId: 1,
  limitsC: flat(8),
  stoodAt: [2],
  ...over,
});
const on = (today: string, plants: MovingPlant[]) => movesAhead(plants, [balcony(today), SILL], dayNumber(today));

describe('moves ahead', () => {
  it('in, before the nights grow too cold; the most tender is the first', () => {
    const [moves, ...more] = on('2026-08-28', [tender({ id: 8, limitsC: flat(8) }), tender()]);
    expect(more).toEqual([]);
    expect(moves).toMatchObject({ kind: 'in', place: 'Balcony' });
    expect(moves!.plants.map(({ id }) => id)).toEqual([8, 7]);
    expect(moves!.on >= '2026-08-28' && moves!.on <= '2026-09-18').toBe(true);
  });
  it('not in high summer, nor for one that bears the autumn', () => {
    expect(on('2026-07-10', [tender()])).toEqual([]);
    expect(on('2026-08-28', [tender({ limitsC: flat(-20) })])).toEqual([]);
  });
  it('out, where it stood before, once the nights are warm enough; not where it never stood', () => {
    const days = Array.from({ length: 120 }, (_, i) => isoDay(dayNumber('2026-04-01') + i));
    const first = days.find((day) => on(day, [tender({ placeId: 2, stoodAt: [1] })]).length > 0)!;
    const [moves] = on(first, [tender({ placeId: 2, stoodAt: [1] })]);
    expect(moves).toMatchObject({ kind: 'out', place: 'Balcony' });
    expect(first > '2026-05-01' && first < '2026-07-01').toBe(true);
    expect(on(first, [tender({ placeId: 2, stoodAt: [] })])).toEqual([]);
    expect(on('2026-01-10', [tender({ placeId: 2, stoodAt: [1] })])).toEqual([]);
  });
  it('nothing goes out that would come in again within weeks', () =>
    expect(on('2026-08-28', [tender({ placeId: 2, stoodAt: [1] })])).toEqual([]));
});
