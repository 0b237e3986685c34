import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Pot } from '../garden.ts';
import { surfaceCm2, volumeMl, wallCm2 } from './shape.ts';

const ROUND: Pot = {
  shape: 'round',
  top_mm: 120,
  base_mm: 90,
  depth_mm: 100,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};

describe('pots', () => {
  it('round, 12 cm over 9 cm, 10 cm deep: 0.87 l', () => {
    expect(volumeMl(ROUND)).toBeCloseTo(871.8, 0);
    expect(surfaceCm2(ROUND)).toBeCloseTo(113.1, 1);
    // frustum: π (R + r) √(h² + (R − r)²)
    expect(wallCm2(ROUND)).toBeCloseTo((Math.PI * 105 * Math.hypot(100, 15)) / 100, 1);
  });
  it('square: the frustum of a pyramid', () => {
    const square: Pot = { ...ROUND, shape: 'square' };
    expect(volumeMl(square)).toBeCloseTo(((120 ** 2 + 90 ** 2 + 120 * 90) * 100) / 3 / 1000, 0);
  });
  it('bowl: its radius rises with the root of the height, so it holds more than the cone', () => {
    const bowl: Pot = { ...ROUND, shape: 'bowl' };
    // ∫ π (b + d √t)² h dt with b 45, d 15: π h (b² + 4bd/3 + d²/2)
    expect(volumeMl(bowl)).toBeCloseTo((Math.PI * 100 * (45 ** 2 + (4 * 45 * 15) / 3 + 15 ** 2 / 2)) / 1000, 0);
    expect(volumeMl(bowl)).toBeGreaterThan(volumeMl(ROUND));
  });
  it('10 to 12 cm in the same shape is 73 % more', () => {
    const ten: Pot = { ...ROUND, top_mm: 100, base_mm: 75, depth_mm: 100 / 1.2 };
    expect(volumeMl(ROUND) / volumeMl(ten)).toBeCloseTo(1.728, 2);
  });
  it('never turns inside out', () => {
    const size = fc.integer({ min: 10, max: 3000 });
    fc.assert(
      fc.property(
        fc.constantFrom('round' as const, 'square' as const, 'bowl' as const),
        size,
        size,
        size,
        (shape, top_mm, base_mm, depth_mm) => {
          const pot: Pot = { ...ROUND, shape, top_mm, base_mm, depth_mm };
          const widest = (Math.max(top_mm, base_mm) ** 2 * depth_mm) / 1000;
          expect(volumeMl(pot)).toBeGreaterThan(0);
          expect(volumeMl(pot)).toBeLessThanOrEqual(widest * 1.0001);
        },
      ),
    );
  });
});
