/** The arithmetic of a batch, by worked examples. */
import { describe, expect, it } from 'vitest';
import type { Pot } from '../garden.ts';
import { roundPot } from '../../test/gardens.ts';
import { amendToAir } from './amend.ts';
import { batchOf } from './batch.ts';
import { blendMix } from './blend.ts';
import { COMPONENTS } from './components.ts';
import { asksForOpenerMix, drainVerdict, fromScaleTest } from './measured.ts';
import { mineralBand, mineralShare, mixSteps, SCHOOL_IDS, SCHOOLS } from './recipes.ts';
import { waterAt } from './retention.ts';

const LITRE_AND_A_HALF: Pot = {
  shape: 'square',
  top_mm: 100,
  base_mm: 100,
  depth_mm: 150,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const TWO_TO_ONE = [
  { component: 'pumice', parts: 2 },
  { component: 'loam', parts: 1 },
];
const NOTHING = new Map<string, { litres: number; priceMinor: number | null }>();
const batch = (over: Partial<Parameters<typeof batchOf>[0]> = {}) =>
  batchOf({
    parts: TWO_TO_ONE,
    shrink: 0,
    pots: [{ pot: LITRE_AND_A_HALF, rootBall: 0 }],
    spill: 0,
    scoopMl: null,
    stock: NOTHING,
    ...over,
  });
const litres = (over: Parameters<typeof batch>[0] = {}) => batch(over).lines.map((line) => line.litres);

describe('a batch', () => {
  it('2 : 1 for a litre and a half is 1.0 l and 0.5 l', () => {
    const [pumice, loam] = litres();
    expect(pumice).toBeCloseTo(1, 9);
    expect(loam).toBeCloseTo(0.5, 9);
  });
  it('a round pot of 12 cm, 9 cm at the base, 10 cm deep takes 0.87 l', () =>
    expect(
      batch({ pots: [{ pot: { ...roundPot(120, 100, 'plastic'), base_mm: 90 }, rootBall: 0 }] }).mixLitres,
    ).toBeCloseTo(0.8718, 3));
  it('settling wants more, a root ball less, crocks less, spilling more', () => {
    const [plain] = litres();
    expect(litres({ shrink: 0.1 })[0]).toBeCloseTo(plain! / 0.9, 9);
    expect(litres({ pots: [{ pot: LITRE_AND_A_HALF, rootBall: 0.4 }] })[0]).toBeCloseTo(0.6 * plain!, 9);
    expect(litres({ pots: [{ pot: LITRE_AND_A_HALF, rootBall: 0, crockMm: 15 }] })[0]).toBeCloseTo(0.9 * plain!, 6);
    expect(litres({ spill: 0.1 })[0]).toBeCloseTo(1.1 * plain!, 9);
  });
  it('counts scoops to the half, lacks, a shopping list and what it costs', () => {
    const stock = new Map([
      ['pumice', { litres: 0.3, priceMinor: 120 }],
      ['loam', { litres: 5, priceMinor: 80 }],
    ]);
    const { lines, shopping, costMinor } = batch({ scoopMl: 250, stock });
    expect(lines.map(({ scoops }) => scoops)).toEqual([4, 2]);
    expect(lines[0]!.lacks).toBeCloseTo(0.7, 9);
    expect(lines[1]!.lacks).toBe(0);
    expect(shopping).toEqual([{ component: 'pumice', litres: 1, costMinor: 120 }]);
    expect(costMinor).toBe(120 + 40);
    expect(batch({ stock: NOTHING }).costMinor).toBeNull();
  });
  it('of nothing is refused', () =>
    expect(() => batch({ parts: [{ component: 'pumice', parts: 0 }] })).toThrow(/sum to nothing/));
});

describe('recipes to start from', () => {
  it.each(SCHOOL_IDS)('%s is a sound one', (id) => {
    const blend = blendMix({ id, parts: SCHOOLS[id] }, COMPONENTS);
    expect(blend.totalPorosity).toBeGreaterThan(0.4);
    expect(blend.ph).toBeGreaterThan(5);
    expect(blend.ph).toBeLessThan(7.5);
  });
  it('mineral shares: none was alive in grit, nearly all of peat was', () => {
    const share = (component: string) => COMPONENTS.get(component)?.organicShare;
    expect(mineralShare([{ component: 'pumice', parts: 1 }], share)).toBe(1);
    expect(
      mineralShare(
        [
          { component: 'pumice', parts: 1 },
          { component: 'peat', parts: 1 },
        ],
        share,
      ),
    ).toBe(0.5);
    expect(mineralShare(SCHOOLS.mineral, share)).toBeGreaterThan(0.9);
    expect(mineralBand('stemless', 'leaf')[0]).toBeGreaterThan(mineralBand('trailing', 'leaf')[0]);
  });
  it('say what is rinsed, masked, sieved and damped', () => {
    const steps = mixSteps(SCHOOLS.seed);
    expect(steps[0]).toEqual({ step: 'rinse', components: ['coarse-sand'] });
    expect(steps.find(({ step }) => step === 'mask')!.components).toEqual(['perlite', 'calcined-clay']);
    expect(steps.find(({ step }) => step === 'damp')!.components).toEqual(['coir']);
    expect(mixSteps([{ component: 'loam', parts: 1 }]).map(({ step }) => step)).toEqual(['measure', 'mix', 'rest']);
  });
});

describe('a bag made opener', () => {
  const bag = COMPONENTS.get('potting-soil')!;
  const additions = ['pumice', 'perlite', 'fine-sand'].map((id) => COMPONENTS.get(id)!);
  const pot = roundPot(100, 90, 'plastic');
  it('needs the more the more air is wished for; what cannot bring it is left out', () => {
    const parts = (air: number) => amendToAir(bag, additions, pot, air).map((one) => [one.component, one.parts]);
    const [some] = parts(0.18);
    const [more] = parts(0.26);
    expect(Number(more![1])).toBeGreaterThan(Number(some![1]));
    expect(parts(0.26).map(([id]) => id)).not.toContain('fine-sand');
    expect(parts(0.7)).toEqual([]);
  });
});

describe('a component weighed', () => {
  /** What the kitchen scale would say of a tabled component. */
  function weighed(id: string, volumeMl = 500, depthMm = 100) {
    const component = COMPONENTS.get(id)!;
    const mean = Array.from({ length: 400 }, (_, i) => waterAt(component, ((i + 0.5) / 400) * (depthMm / 10))).reduce(
      (sum, water) => sum + water / 400,
      0,
    );
    const solids = component.bulkDensityGMl * volumeMl;
    return {
      volumeMl,
      depthMm,
      dryG: solids + component.waterAirDry * volumeMl,
      soakedG: solids + component.totalPorosity * volumeMl,
      drainedG: solids + mean * volumeMl,
    };
  }
  it.each(['pumice', 'coir', 'perlite', 'loam'])('%s comes back as it stands in the table', (id) => {
    const component = COMPONENTS.get(id)!;
    const found = fromScaleTest(weighed(id), component);
    expect(found.total_porosity).toBeCloseTo(component.totalPorosity, 2);
    expect(found.water_at_10cm).toBeCloseTo(component.waterAt10cm, 2);
    expect(found.bulk_density_g_ml).toBeCloseTo(component.bulkDensityGMl, 2);
  });
  it('weighings that cannot be are refused, saying why', () => {
    const sound = weighed('pumice');
    const like = COMPONENTS.get('pumice')!;
    expect(() => fromScaleTest({ ...sound, drainedG: sound.soakedG + 10 }, like)).toThrow(
      /drained no heavier than soaked/,
    );
    expect(() => fromScaleTest({ ...sound, soakedG: sound.dryG + 600, drainedG: sound.dryG + 50 }, like)).toThrow(
      /does not fit/,
    );
  });
});

describe('a pour timed', () => {
  it.each([
    [8, 100, 0.1, 'passes', false],
    [10, 60, 0.1, 'passes', false],
    [13, 100, 0.1, 'slow', false],
    [16, 100, 0.1, 'slow', true],
    [16, 200, 0.1, 'passes', false],
    [16, 50, 0.1, 'slow', true],
    [90, 100, 0.1, 'blocked', true],
    [2, 100, 0.7, 'ran-past', false],
    [2, 100, 0.1, 'passes', false],
  ] as const)('%d s through %d mm of a mix of difficulty %d: %s', (seconds, depthMm, difficulty, verdict, opener) => {
    expect(drainVerdict(seconds, depthMm, difficulty)).toBe(verdict);
    expect(asksForOpenerMix(seconds, depthMm)).toBe(opener);
  });
});
