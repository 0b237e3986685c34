/** The search for a recipe, held against the long way round: every recipe blended and put into its pot. */
import { describe, expect, it } from 'vitest';
import type { MixPart, Pot } from '../garden.ts';
import { potCapacity } from '../pot/capacity.ts';
import { volumeMl } from '../pot/shape.ts';
import { roundPot } from '../../test/gardens.ts';
import { blendMix } from './blend.ts';
import { COMPONENTS } from './components.ts';
import { countRecipes, daysTable, type MixAim, type SolverInput, solveMix } from './solver.ts';

const POT = roundPot(120, 100, 'plastic');
const SOME = ['pumice', 'loam', 'coir', 'granite-grit'].map((id) => COMPONENTS.get(id)!);
const AIM: MixAim = { days: null, airFrom: null, ph: null, mostKinds: 3 };
const solve = (over: Partial<SolverInput> = {}, aim: Partial<MixAim> = {}) =>
  solveMix({ components: SOME, pot: POT, mostParts: 6, daysAt: null, ...over, aim: { ...AIM, ...aim } });

/** All recipes the long way. */
function everyRecipe(mostParts: number, mostKinds: number): MixPart[][] {
  const out: MixPart[][] = [];
  const walk = (at: number, left: number, parts: MixPart[]): void => {
    if (at === SOME.length) {
      if (parts.length > 0 && parts.length <= mostKinds) out.push(parts);
      return;
    }
    for (let count = 0; count <= left; count++)
      walk(at + 1, left - count, count === 0 ? parts : [...parts, { component: SOME[at]!.id, parts: count }]);
  };
  walk(0, mostParts, []);
  return out;
}
const inPot = (parts: readonly MixPart[], pot: Pot = POT) => {
  const blend = blendMix({ id: 'x', parts }, COMPONENTS);
  const capacity = potCapacity(pot, blend);
  return { blend, capacity, air: capacity.airFilledPorosity };
};
const asText = (parts: readonly MixPart[]) => parts.map((part) => `${part.parts} ${part.component}`).join(', ');

describe('the solver', () => {
  it('says of a recipe what the long way says', () => {
    for (const found of solve({}, { airFrom: 0.3, ph: 6.4 }).found) {
      const { blend, capacity, air } = inPot(found.parts);
      expect(found.air).toBeCloseTo(air, 6);
      expect(found.held).toBeCloseTo(capacity.containerCapacity, 6);
      expect(found.ph).toBeCloseTo(blend.ph, 9);
      expect(found.weightDrainedG).toBeCloseTo(blend.bulkDensityDryGMl * capacity.volumeMl + capacity.drainedMl, 3);
    }
  });
  it.each([
    ['air', { airFrom: 0.35 }],
    ['pH', { ph: 6.2 }],
    ['both', { airFrom: 0.3, ph: 6.5 }],
  ] as const)('finds what trying all by hand finds: %s', (_, aim) => {
    const missOf = (parts: readonly MixPart[]) => {
      const { blend, air } = inPot(parts);
      const short = 'airFrom' in aim ? Math.max(0, aim.airFrom - air) * 10 : 0;
      const sour = 'ph' in aim ? 0.5 * Math.max(0, Math.abs(blend.ph - aim.ph) - 0.1) : 0;
      return short + sour + 0.004 * parts.length;
    };
    const least = Math.min(...everyRecipe(6, 3).map(missOf));
    const { found } = solve({}, aim);
    expect(found[0]!.miss).toBeCloseTo(least, 6);
    expect(missOf(found[0]!.parts)).toBeCloseTo(least, 6);
  });
  it('tries each proportion once, and never more than it says', () => {
    const { tried, found } = solve();
    const proportions = new Set(
      everyRecipe(6, 3).map((parts) => {
        const total = parts.reduce((sum, part) => sum + part.parts, 0);
        return parts.map((part) => `${part.component} ${(part.parts / total).toFixed(6)}`).join(' ');
      }),
    );
    expect(tried).toBe(proportions.size);
    expect(tried).toBeLessThanOrEqual(countRecipes(SOME.length, 6, 3));
    expect(new Set(found.map(({ parts }) => asText(parts))).size).toBe(found.length);
  });
  it('gets near the days that are wished for, slower with more that holds', () => {
    const days = (ml: number) => ml / 12;
    const near = (wanted: number) => solve({ daysAt: days }, { days: wanted }).found[0]!;
    for (const wanted of [10, 16, 22]) expect(Math.abs(near(wanted).days! / wanted - 1)).toBeLessThan(0.1);
    expect(near(22).held).toBeGreaterThan(near(10).held);
  });
  it('takes no more kinds than are wished for, and no more than is at hand', () => {
    for (const { parts } of solve({}, { mostKinds: 2, airFrom: 0.3 }).found)
      expect(parts.length).toBeLessThanOrEqual(2);
    const litres = new Map([['pumice', 0.1]]);
    const scarce = solve({ litres }, { airFrom: 0.4 });
    for (const { parts } of scarce.found) {
      const total = parts.reduce((sum, part) => sum + part.parts, 0);
      const pumice = parts.find(({ component }) => component === 'pumice')?.parts ?? 0;
      expect((pumice / total) * (volumeMl(POT) / 1000)).toBeLessThanOrEqual(0.1 + 1e-9);
    }
    expect(solve({ litres: new Map(SOME.map(({ id }) => [id, 0])) }).found).toEqual([]);
  });
  it('prices the mix of a pot, or says that it cannot', () => {
    const prices = new Map(SOME.map(({ id }) => [id, 200]));
    expect(solve({ priceMinor: prices }).found[0]!.costMinor).toBeGreaterThan(2 * 86);
    expect(
      solve({ priceMinor: new Map([['pumice', 100]]) }, { airFrom: 0.2 }).found.some((one) => one.costMinor === null),
    ).toBe(true);
  });
  it('gives recipes that are each unlike the others, the best first', () => {
    const { found } = solve({ mostParts: 8 }, { airFrom: 0.25 });
    expect(found.length).toBeGreaterThan(3);
    const shares = found.map(({ parts }) => {
      const all = parts.reduce((sum, part) => sum + part.parts, 0);
      return new Map(parts.map((part) => [part.component, part.parts / all]));
    });
    for (const [i, a] of shares.entries())
      for (const b of shares.slice(i + 1)) {
        const common = [...a].reduce((sum, [id, share]) => sum + Math.min(share, b.get(id) ?? 0), 0);
        expect(1 - common).toBeGreaterThanOrEqual(0.2 - 1e-9);
      }
    expect(found.map(({ miss }) => miss)).toEqual(found.map(({ miss }) => miss).toSorted((a, b) => a - b));
  });
  it('can be stopped, and has something by then', () => {
    const many = [...COMPONENTS.values()];
    const stopped = solveMix({
      components: many,
      pot: POT,
      daysAt: null,
      aim: { ...AIM, airFrom: 0.3 },
      told: () => false,
    });
    expect(stopped.tried).toBe(4096);
    expect(stopped.found.length).toBeGreaterThan(0);
  });
});

describe('days over the store', () => {
  it('as a table are what they are without it', () => {
    const days = (ml: number) => 3 + ml / 20;
    const table = daysTable(871, days);
    for (const ml of [20, 150, 333, 700]) expect(table(ml)).toBeCloseTo(days(ml), 1);
  });
});
