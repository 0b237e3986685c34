import { describe, expect, it } from 'vitest';
import { triedUpsets } from './tried.ts';
import { UPSETS } from './world.ts';

/**
 * What comes of a look that contradicts the book, in a world that is not the engine's own: strangers' waterings,
 * drenches that ran past, lost roots, blocked pots, and slips.
 */
describe('in another world, with upsets that no book tells', () => {
  it('after one truthful look that contradicts the book it is believed, and after two firmly', () => {
    const one = triedUpsets(UPSETS, [0], [1, 2, 3]);
    const two = triedUpsets(UPSETS, [3, 0], [1, 2, 3]);
    expect(one.count).toBeGreaterThan(15);
    expect(one.miss).toBeLessThan(0.1);
    expect(one.inside).toBeGreaterThan(0.6);
    expect(two.miss).toBeLessThan(0.07);
    expect(two.inside).toBeGreaterThan(0.68);
    expect(one.overlooked + two.overlooked).toBeLessThanOrEqual(0.03 * one.count);
    expect(one.drinksIntoWet + two.drinksIntoWet).toBeLessThanOrEqual(0.03 * (one.wet + two.wet));
  });
  it('a slip followed by one good look is forgotten', () => {
    const slipped = triedUpsets(['slip'], [3, 0], [4, 5]);
    expect(slipped.miss).toBeLessThan(0.1);
    expect(slipped.drinksIntoWet).toBeLessThanOrEqual(0.03 * slipped.wet);
  });
});
