import { describe, expect, it } from 'vitest';
import { railOf, spread } from './rail.ts';

const standing = (id: number, limitC: number, danger = false) => ({ id, limitC, danger });
const WIDE = { bandC: [-6, -2] as const, width: 600, gap: 26 };

describe('the rail of a cold night', () => {
  it('puts each plant at the coldest it takes, colder to the left, with the band inside it', () => {
    const { plants, x } = railOf([standing(1, -2, true), standing(2, -8), standing(3, 4, true)], WIDE);
    const foot = new Map(plants.map((one) => [one.plant.id, one.foot]));
    expect(foot.get(2)!).toBeLessThan(foot.get(1)!);
    expect(foot.get(1)!).toBeLessThan(foot.get(3)!);
    expect(foot.get(1)).toBe(x(-2));
    for (const celsius of WIDE.bandC) expect(x(celsius)).toBeGreaterThan(0);
  });
  it('keeps those in danger clear of one another and inside, however many take the same', () => {
    const many = Array.from({ length: 9 }, (_, i) => standing(i, 7, true));
    const at = railOf(many, WIDE).plants.map((one) => one.at);
    for (const [i, one] of at.entries()) {
      expect(one).toBeGreaterThanOrEqual(0);
      expect(one).toBeLessThanOrEqual(WIDE.width);
      if (i > 0) expect(one - at[i - 1]!).toBeGreaterThanOrEqual(WIDE.gap - 1e-9);
    }
  });
  it('does not stretch for what takes thirty degrees of frost', () => {
    const { x, plants } = railOf([standing(1, -30), standing(2, 2, true)], WIDE);
    expect(plants[0]!.foot).toBe(x(-16));
  });
  it('one degree of difference stays small: a scale has eight at least', () => {
    const { x } = railOf([standing(1, 7, true), standing(2, 7.5)], { ...WIDE, bandC: [6.8, 6.9] });
    expect(x(7.5) - x(6.5)).toBeLessThan(WIDE.width / 6);
  });
});

describe('moving apart', () => {
  it.each([
    ['leaves what is apart already', [10, 50, 90], [10, 50, 90]],
    ['pushes to the right', [10, 12, 14], [10, 30, 50]],
    ['turns back at the end', [95, 98, 100], [60, 80, 100]],
    ['of none', [], []],
  ])('%s', (_, points, wanted) => expect(spread(points, { from: 0, to: 100, gap: 20 })).toEqual(wanted));
  it('closes up where there is no room for the gap', () => {
    const out = spread([0, 0, 0, 0, 0, 0], { from: 0, to: 50, gap: 20 });
    expect(out).toEqual([0, 10, 20, 30, 40, 50]);
  });
});
