import { describe, expect, it } from 'vitest';
import { canLines, type CanPot } from './can.ts';

const feeds = [
  { id: 1, name: 'Bloom', unit: 'ml' as const, per_litre: 5 },
  { id: 2, name: 'Grains', unit: 'g' as const, per_litre: 1 },
];
const kit = { canMl: 5000, feeds };
const pot = (
  amount_ml: number,
  over: { water?: string; strength?: number; feed_id?: number | null; deed?: string } = {},
): CanPot =>
  ({
    task: {
      amount_ml,
      water: over.water ?? 'rain',
      feed_id: over.feed_id ?? null,
      food: over.strength ?? null,
      judgement: { deeds: [{ deed: over.deed ?? 'water' }] },
    },
  }) as unknown as CanPot;

describe('for the can', () => {
  it('sums what is due, and only that', () => {
    expect(canLines([pot(1200), pot(300), pot(9000, { deed: 'wait' })], kit)).toEqual([
      { water: 'rain', pots: 2, ml: 1500, fills: 1, feed: null },
    ]);
    expect(canLines([], kit)).toEqual([]);
  });
  it('a line for each water, and for each feed at each strength: 5 ml a litre at half strength in 3 l is 7.5 ml', () => {
    const lines = canLines(
      [
        pot(1000, { strength: 0.5 }),
        pot(2000, { strength: 0.5 }),
        pot(400),
        pot(400, { water: 'soft', strength: 0.25, feed_id: 2 }),
      ],
      kit,
    );
    expect(lines).toHaveLength(3);
    expect(lines[0]).toEqual({
      water: 'rain',
      pots: 2,
      ml: 3000,
      fills: 1,
      feed: { name: 'Bloom', strength: 0.5, unit: 'ml', dose: 7.5 },
    });
    expect(lines.find((line) => line.water === 'soft')!.feed).toEqual({
      name: 'Grains',
      strength: 0.25,
      unit: 'g',
      dose: 0.1,
    });
  });
  it('counts fills, and owns up where no feed is named', () => {
    expect(canLines([pot(5001)], kit)[0]!.fills).toBe(2);
    expect(canLines([pot(500, { strength: 1 })], { ...kit, feeds: [] })[0]!.feed).toEqual({
      name: null,
      strength: 1,
      unit: null,
      dose: null,
    });
    expect(canLines([pot(500, { strength: 1, feed_id: 99 })], kit)[0]!.feed).toMatchObject({ name: null, dose: null });
  });
});
