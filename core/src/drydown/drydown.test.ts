import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { daysToDry, GLASS, HOT_DRY, INLAND, PEATY, roundPot } from '../../test/gardens.ts';
import { lossAt, dryStep } from './step.ts';
import { pour, wet } from './wetting.ts';
import type { PotModel } from './potModel.ts';

const share = (max = 3) => fc.double({ min: 0, max, noNaN: true });

describe('a step of drying', () => {
  it('never gains, never falls below nothing, never is no number', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 2, noNaN: true }), share(), share(), share(), (m, s, w, p) => {
        const after = dryStep(m, s, w, p);
        expect(after).toBeGreaterThanOrEqual(0);
        expect(after).toBeLessThanOrEqual(m);
      }),
    );
  });
  it('leaves more where more was, and less where more is taken', () => {
    fc.assert(
      fc.property(share(1), share(1), share(0.5), share(0.5), share(0.5), (m, more, s, w, p) => {
        expect(dryStep(m + more, s, w, p)).toBeGreaterThanOrEqual(dryStep(m, s, w, p) - 2e-3);
        expect(dryStep(m, s + more, w, p)).toBeLessThanOrEqual(dryStep(m, s, w, p) + 2e-3);
      }),
    );
  });
  it('is true to a fine integration within a hundredth', () => {
    fc.assert(
      fc.property(share(1), share(0.6), share(0.6), share(0.3), (m, s, w, p) => {
        let fine = m;
        for (let i = 0; i < 2000; i++) fine -= lossAt(fine, s, w, p) / 2000;
        expect(Math.abs(dryStep(m, s, w, p) - Math.max(0, fine))).toBeLessThan(0.01);
      }),
      { numRuns: 60 },
    );
  });
});

describe('water', () => {
  const pot = (over: Partial<PotModel> = {}) =>
    ({ capacity: { availableMl: 200 }, rewetDifficulty: 0, holes: true, surfaceMlPerMm: 5, ...over }) as PotModel;
  it('balances: what goes in stays or runs out, to a billionth', () => {
    fc.assert(
      fc.property(share(1), fc.double({ min: 0, max: 5000, noNaN: true }), fc.boolean(), (m, ml, holes) => {
        const { m: after, drainedMl } = pour(m, ml, 200, { holes });
        expect(Math.abs((after - m) * 200 + drainedMl - ml)).toBeLessThan(1e-9 * Math.max(1, ml));
        if (holes) expect(after).toBeLessThanOrEqual(1);
      }),
    );
  });
  it('a drench fills a pot, less where peat was bone dry', () => {
    expect(wet(0.3, 'drench', null, pot()).m).toBe(1);
    expect(wet(0, 'drench', null, pot({ rewetDifficulty: 1 })).m).toBeLessThan(0.8);
    expect(wet(0.3, 'drench', null, pot({ rewetDifficulty: 1 })).m).toBe(1);
  });
  it('standing in water brings nine tenths and more, a mist hardly anything', () => {
    expect(wet(0.2, 'bottom', null, pot()).m).toBeGreaterThan(0.9);
    expect(wet(0.2, 'mist', 50, pot()).m).toBeLessThan(0.3);
  });
  it('without a hole all of it stays, and may stand', () => {
    expect(wet(0.5, 'measured', 200, pot({ holes: false })).m).toBeCloseTo(1.5, 9);
  });
});

describe('what makes a pot dry sooner or later', () => {
  const base = daysToDry();
  it('sooner: heat and dry air, wind, clay', () => {
    expect(daysToDry({ normals: HOT_DRY })).toBeLessThan(base);
    expect(daysToDry({ place: { ...GLASS, air: 'breezy' } })).toBeLessThanOrEqual(base);
    expect(daysToDry({ pot: roundPot(90, 80, 'terracotta') })).toBeLessThan(base);
    expect(daysToDry({ place: { ...GLASS, light_fraction: 0.9 } })).toBeLessThanOrEqual(base);
  });
  it('later: top dressing, a larger pot, rest, a mix that holds more, shade', () => {
    expect(daysToDry({ pot: roundPot(90, 80, 'plastic', 20) })).toBeGreaterThan(base);
    expect(daysToDry({ pot: roundPot(120, 107, 'plastic') })).toBeGreaterThan(base);
    expect(
      daysToDry({
        events: [
          { type: 'state', date: '2026-07-05', state: 'resting' },
          { type: 'watering', date: '2026-07-05', method: 'drench' },
        ],
      }),
    ).toBeGreaterThan(base);
    expect(daysToDry({ mix: PEATY })).toBeGreaterThan(base);
    expect(daysToDry({ place: { ...GLASS, light_fraction: 0.2 } })).toBeGreaterThanOrEqual(base);
  });
  it('a warmer normal is never later', () => {
    const warmer = (k: number) => ({
      ...INLAND,
      tmin_c: INLAND.tmin_c.map((t) => t + k),
      tmax_c: INLAND.tmax_c.map((t) => t + k),
    });
    const days = [0, 2, 4, 6].map((k) => daysToDry({ normals: warmer(k) }));
    expect(days).toEqual([...days].sort((a, b) => b - a));
  });
});
