import type { PlacePot } from '@zinc-pail/contract/keeping';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layOut, lightRows, movedBy, originsOf, overlapping, type Standing } from './benchPlan.ts';

const pot = (id: number, width_mm = 80, at: readonly [number, number] | null = null): Standing => ({
  id,
  width_mm,
  x_mm: at?.[0] ?? null,
  y_mm: at?.[1] ?? null,
});

describe('where pots stand', () => {
  it('in rows in walking order, until one was set', () => {
    const { spots, depthMm } = layOut([pot(1), pot(2), pot(3)], 250);
    expect([...spots.values()]).toEqual([
      { x: 60, y: 60 },
      { x: 152, y: 60 },
      { x: 60, y: 152 },
    ]);
    expect(depthMm).toBe(212);
  });
  it('one that was set stands there, and a new one where it touches nothing', () => {
    const { spots } = layOut([pot(1, 80, [500, 200]), pot(2, 80, [60, 60]), pot(3)], 1000);
    expect(spots.get(1)).toEqual({ x: 500, y: 200 });
    const { x, y } = spots.get(3)!;
    expect(y).toBe(60);
    expect(x).toBeGreaterThanOrEqual(60 + 80 + 12);
  });
  it('none on another, whatever was set before', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 40, max: 220 }), { minLength: 1, maxLength: 25 }),
        fc.integer({ min: 300, max: 2500 }),
        fc.integer({ min: 100, max: 900 }),
        (widths, bench, at) => {
          const pots = widths.map((width, i) => pot(i + 1, width, i === 0 ? [at, at] : null));
          const { spots } = layOut(pots, bench);
          expect(spots.size).toBe(pots.length);
          expect(overlapping(pots, spots).size).toBe(0);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('moving', () => {
  const pots = [pot(1), pot(2), pot(3)];
  const { spots } = layOut(pots, 1000);
  const bench = { widthMm: 1000, depthMm: 400 };
  it('takes those in hand along, and leaves the others where they were drawn', () => {
    const after = movedBy(pots, spots, new Set([1, 3]), { x: 100, y: 50 }, bench);
    expect(after.get(1)).toEqual({ x: 160, y: 110 });
    expect(after.get(3)).toEqual({ x: spots.get(3)!.x + 100, y: 110 });
    expect(after.get(2)).toEqual(spots.get(2));
  });
  it('not over the edge', () => {
    const far = movedBy(pots, spots, new Set([1]), { x: 9000, y: -9000 }, bench);
    expect(far.get(1)).toEqual({ x: 960, y: 40 });
  });
  it('two in one place are told', () => {
    const after = movedBy(pots, spots, new Set([1]), { x: 92, y: 0 }, bench);
    expect([...overlapping(pots, after)].toSorted()).toEqual([1, 2]);
    expect(overlapping(pots, spots).size).toBe(0);
  });
});

describe('light', () => {
  const of = (id: number, from: number, light: PlacePot['light']) =>
    ({ id, light, wants_mol: { from, to: 40 } }) as PlacePot;
  it('those that want the same together, the worst off first', () => {
    const rows = lightRows([of(1, 10, 'well'), of(2, 20, 'too-dim'), of(3, 10, 'well'), of(4, 12, 'gets-by')]);
    expect(rows.map(({ light, pots }) => [light, pots.map(({ id }) => id)])).toEqual([
      ['too-dim', [2]],
      ['gets-by', [4]],
      ['well', [1, 3]],
    ]);
  });
});

describe('putting back', () => {
  const places = [
    { id: 1, name: 'Sill', site_id: 1, pots: [pot(1, 80, [100, 100]), pot(2), pot(3, 80, [300, 100])] },
    { id: 2, name: 'Bench', site_id: 1, pots: [pot(4, 80, [50, 60])] },
    { id: 3, name: 'Cellar', site_id: 2, pots: [pot(5)] },
  ];
  const told = (ids: number[], to: number) =>
    originsOf(places, ids, to).map(({ place, ids: some, spots }) => [
      place.name,
      some,
      spots.map((one) => one.plant_id),
    ]);
  it('each goes to its own bench, and to its spot where it had one', () => {
    expect(told([3, 2, 4], 3)).toEqual([
      ['Sill', [2, 3], [3]],
      ['Bench', [4], [4]],
    ]);
    expect(originsOf(places, [4], 1)[0]!.spots).toEqual([{ plant_id: 4, x_mm: 50, y_mm: 60 }]);
  });
  it('those that stand where they are to go are not moved', () => {
    expect(told([4, 5], 3)).toEqual([['Bench', [4], [4]]]);
    expect(told([5], 3)).toEqual([]);
  });
});
