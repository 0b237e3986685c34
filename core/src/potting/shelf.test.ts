import { describe, expect, it } from 'vitest';
import type { Pot } from '../garden.ts';
import { potsFromShelf } from './shelf.ts';

const pot = (top_mm: number, depth_mm: number, holes = true): Pot => ({
  shape: 'round',
  top_mm,
  base_mm: Math.round(0.75 * top_mm),
  depth_mm,
  material: 'plastic',
  holes,
  top_dressing_mm: 0,
});
const line = (id: number, amount: number, of: Pot) => ({ id, amount, pot: of });

describe('pots from the shelf', () => {
  it('the nearest size, and the most pressing first where they run out', () => {
    const wanted = [10, 11, 12].map((id) => ({ id, pot: pot(100, 90) }));
    const { from, buy } = potsFromShelf(wanted, [line(1, 1, pot(102, 90)), line(2, 1, pot(108, 95))]);
    expect([...from]).toEqual([
      [10, 1],
      [11, 2],
    ]);
    expect(buy).toEqual([{ top_mm: 100, depth_mm: 90, ids: [12] }]);
  });
  it.each([
    ['too wide', pot(120, 90)],
    ['too narrow', pot(85, 90)],
    ['too deep: it stays wet below the roots', pot(100, 130)],
    ['too low', pot(100, 60)],
    ['without a hole', pot(100, 90, false)],
  ])('none that is %s', (_, there) =>
    expect(potsFromShelf([{ id: 1, pot: pot(100, 90) }], [line(1, 5, there)]).buy).toHaveLength(1),
  );
  it('sizes that lack are bought together, and what is written below nothing is not there', () => {
    const wanted = [pot(70, 70), pot(90, 80), pot(70, 70)].map((one, id) => ({ id, pot: one }));
    expect(potsFromShelf(wanted, [line(1, -2, pot(70, 70))]).buy).toEqual([
      { top_mm: 70, depth_mm: 70, ids: [0, 2] },
      { top_mm: 90, depth_mm: 80, ids: [1] },
    ]);
  });
});
