import { describe, expect, it } from 'vitest';
import { roundPot } from '../../test/gardens.ts';
import { volumeMl } from '../pot/shape.ts';
import { daughterOf } from './daughters.ts';

const CLUMP = {
  form: 'rosette',
  store: 'leaf',
  genus: 'Haworthia',
  diameterMm: 130,
  pot: roundPot(180, 140, 'plastic'),
} as const;

describe('what is parted from a clump', () => {
  it('is narrower than its mother, the more so the more they are, and all the parts are no more than she was', () => {
    const widths = [1, 3, 8].map((n) => daughterOf(CLUMP, n).diameterMm);
    expect(widths).toEqual(widths.toSorted((a, b) => b - a));
    for (const [i, n] of [1, 3, 8].entries()) expect((n + 1) * widths[i]! ** 2).toBeLessThanOrEqual(1.05 * 130 ** 2);
  });
  it('stands in a pot to its measure, with a hole, never in its mother’s', () => {
    const { pot, diameterMm } = daughterOf({ ...CLUMP, pot: { ...CLUMP.pot, holes: false } }, 3);
    expect(pot.holes).toBe(true);
    expect(pot.top_mm).toBeGreaterThan(diameterMm);
    expect(pot.top_mm).toBeLessThan(diameterMm + 60);
    expect(volumeMl(pot)).toBeLessThan(volumeMl(CLUMP.pot) / 2);
    expect(pot.depth_mm).toBeLessThanOrEqual(CLUMP.pot.depth_mm);
  });
  it('of shoots that hang over, by the share of her pot; none smaller than a thumb pot, none wider than hers', () => {
    expect(daughterOf({ ...CLUMP, form: 'trailing' }, 3).pot.top_mm).toBe(90);
    expect(daughterOf({ ...CLUMP, diameterMm: 20 }, 30).pot.top_mm).toBe(50);
    const tiny = roundPot(40, 40, 'plastic');
    expect(daughterOf({ ...CLUMP, pot: tiny }, 1).pot.top_mm).toBe(40);
  });
});
