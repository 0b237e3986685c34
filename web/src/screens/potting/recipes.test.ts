/** Recipes on the bench: what a pot holds, how parts change, what is taken from which bag. */
import type { StockLine } from '@zinc-pail/contract/potting';
import { COMPONENTS, type Pot } from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import { bodyOf, draftOf, tooMuchMix } from './PotItPanel.tsx';
import { fromStores, heldOf, improvised, insteadWords, inWholeParts, litresOf, pricesOf, withPart } from './recipes.ts';
import { thingOf } from './StoresPage.tsx';

const POT: Pot = {
  shape: 'round',
  top_mm: 100,
  base_mm: 75,
  depth_mm: 90,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const line = (id: number, component_ref: string, amount: number, price_minor: number | null = null): StockLine => ({
  id,
  kind: 'component',
  name: `bag ${id}`,
  component_ref,
  pot: null,
  amount,
  low: null,
  price_minor,
  version: 1,
});

describe('a recipe', () => {
  it('of nothing holds nothing; of peat little air, and says so', () => {
    expect(heldOf([], POT, COMPONENTS, null, new Map())).toBeNull();
    const peat = heldOf([{ component: 'peat', parts: 1 }], POT, COMPONENTS, null, new Map())!;
    expect(peat.warnings.join(' ')).toMatch(/repels water/);
    expect(peat.costMinor).toBeNull();
    expect(peat.days).toBeNull();
  });
  it('too acid or too limy for its plant is told, as its kind likes it', () => {
    const drying = (form: string, dryRule: string) =>
      ({
        now: { surfaceMm: 3, wallMm: 3, drinking: 0.8 },
        winter: { surfaceMm: 1, wallMm: 1, drinking: 0.5 },
        rate: { p10: 0.8, p50: 1, p90: 1.2 },
        surfaceWetM: 0.6,
        plant: { diameter_mm: 60, height_mm: 50 },
        traits: { form, dryRule, store: 'leaf' },
      }) as never;
    const warned = (component: string, form: string, dryRule: string) =>
      heldOf([{ component, parts: 1 }], POT, COMPONENTS, drying(form, dryRule), new Map())!.warnings.join(' ');
    expect(warned('peat', 'globe', 'dry-through')).toMatch(/More acid than this plant likes/);
    expect(warned('bark-fine', 'trailing', 'keep-damp')).not.toMatch(/acid|limy/);
    expect(warned('limestone-grit', 'trailing', 'keep-damp')).toMatch(/Too alkaline.*up to 6\.4/);
    expect(warned('pumice', 'globe', 'dry-through')).not.toMatch(/acid|limy/);
  });
  it('over crocks holds less, keeps its wet layer, and says where that sits', () => {
    const peat = [{ component: 'peat', parts: 1 }];
    const [bare, crocked] = [0, 20].map((mm) => heldOf(peat, POT, COMPONENTS, null, new Map(), mm)!);
    expect(crocked!.availableMl).toBeLessThan(0.9 * bare!.availableMl);
    expect(crocked!.wetLayerMm).toBeCloseTo(bare!.wetLayerMm, 0);
    expect(crocked!.warnings.join(' ')).toMatch(/Crocks do not remove the wet layer/);
    expect(bare!.warnings.join(' ')).not.toMatch(/Crocks/);
  });
  it('costs what its loose litres cost', () => {
    const held = heldOf([{ component: 'pumice', parts: 1 }], POT, COMPONENTS, null, new Map([['pumice', 1000]]))!;
    expect(held.costMinor).toBeGreaterThan(500);
    expect(held.costMinor).toBeLessThan(600);
  });
  it('parts are set, added and taken out', () => {
    const parts = [{ component: 'pumice', parts: 2 }];
    expect(withPart(parts, 'pumice', 3)).toEqual([{ component: 'pumice', parts: 3 }]);
    expect(withPart(parts, 'loam', 1)).toEqual([...parts, { component: 'loam', parts: 1 }]);
    expect(withPart(parts, 'pumice', 0)).toEqual([]);
    expect(withPart(parts, 'loam', 0)).toEqual(parts);
  });
});

it.each([
  [
    [1, 0.25],
    [4, 1],
  ],
  [
    [1, 2],
    [1, 2],
  ],
  [
    [1, 1.5],
    [2, 3],
  ],
  [
    [1, 0.75],
    [4, 3],
  ],
])('%o in whole parts is %o', (parts, whole) =>
  expect(inWholeParts(parts.map((count, i) => ({ component: `c${i}`, parts: count }))).map((one) => one.parts)).toEqual(
    whole,
  ),
);

describe('a recipe with a part swapped', () => {
  const recipe = { key: 'k', name: 'Grit', mixId: 4, parts: [{ component: 'pumice', parts: 3 }] };
  it('is another recipe, and says that it is improvised, once', () => {
    const first = improvised(recipe, 'pumice', 'lava');
    expect(first).toEqual({
      key: 'k',
      name: 'Grit, improvised',
      mixId: null,
      parts: [{ component: 'lava', parts: 3 }],
    });
    expect(improvised(first, 'lava', 'perlite').name).toBe('Grit, improvised');
    expect(improvised({ ...recipe, name: 'x'.repeat(80) }, 'pumice', 'lava').name).toHaveLength(60);
  });
  it.each([
    [{ waterTimes: 1.02, air: 0.24, phShift: 0.1 }, 'as wet, air 24 %'],
    [{ waterTimes: 1.3, air: 0.2, phShift: -0.5 }, '30 % more water, air 20 %, 0.5 more acid'],
    [{ waterTimes: 0.8, air: 0.3, phShift: 0.4 }, '20 % less water, air 30 %, 0.4 more alkaline'],
  ])('%o: %s', (change, words) => expect(insteadWords(change)).toBe(words));
});

describe('the stores', () => {
  const stock = [line(1, 'pumice', 2, 120), line(2, 'pumice', 5, 90), line(3, 'loam', 1)];
  it('hold all bags of a component together, at the lowest price', () => {
    expect(litresOf(stock).get('pumice')).toBe(7);
    expect(pricesOf(stock)).toEqual(new Map([['pumice', 90]]));
  });
  it('are drawn on from the fullest bag; what none holds falls on the last', () => {
    expect(fromStores(stock, [{ component: 'pumice', litres: 6 }])).toEqual([
      { stock_id: 2, amount: -5 },
      { stock_id: 1, amount: -1 },
    ]);
    expect(fromStores(stock, [{ component: 'loam', litres: 3 }])).toEqual([{ stock_id: 3, amount: -3 }]);
    expect(fromStores(stock, [{ component: 'lava', litres: 3 }])).toEqual([]);
  });
  it.each([
    [{ name: '' }, /A name/],
    [{ amount: 'much' }, /How much/],
    [{ price: 'dear' }, /price/],
    [{ kind: 'pot' as const, top: '2' }, /Width and depth/],
  ])('%o is no thing', (over, words) =>
    expect(
      thingOf({
        kind: 'component',
        name: 'x',
        component: 'pumice',
        top: '90',
        depth: '80',
        material: 'plastic',
        amount: '1',
        low: '',
        price: '',
        ...over,
      }),
    ).toMatch(words),
  );
  it('take a pot with its measures and its price in the smallest unit', () => {
    const pot = {
      kind: 'pot' as const,
      name: 'Clay',
      component: 'pumice',
      top: '100',
      depth: '90',
      material: 'terracotta' as const,
      amount: '6',
      low: '2',
      price: '1,80',
    };
    expect(thingOf(pot)).toMatchObject({
      component_ref: null,
      pot: { top_mm: 100, base_mm: 75, material: 'terracotta' },
      amount: 6,
      low: 2,
      price_minor: 180,
    });
  });
});

it.each([
  [2.2, /a large step for its roots/],
  [1.1, /1\.1 times at most, or the old pot again/],
  [0.4, /a smaller pot, of 0\.4 times at most/],
])('a pot too large for roots that bear %d times', (most, words) => expect(tooMuchMix(most)).toMatch(words));

describe('a potting as it is typed', () => {
  const beside = {
    pot: POT,
    stand: { weightG: 1, tipsAtDeg: 1, tipsInWindMS: 1 },
    days: { now: { p10: 1, p50: 1, p90: 1 }, winter: { p10: 1, p50: 1, p90: 1 } },
  };
  const plant = {
    next: { ...beside, rooting: 'snug' as const, times: 1.5, tooLarge: false },
    interim: { ...POT, shape: 'square' as const, top_mm: 80 },
    blocks: [],
    mix_id: 4,
  };
  it('starts with the pot that is proposed, and a rescue where something stands in the way', () => {
    const draft = draftOf(plant, '2026-05-01');
    expect(draft).toMatchObject({ top: '100', depth: '90', mix: '4', why: 'signs' });
    expect(draftOf({ ...plant, blocks: [{ code: 'resting', until: null }] }, '2026-05-01')).toMatchObject({
      why: 'rescue',
      top: '80',
      shape: 'square',
    });
    expect(bodyOf({ ...draft, shape: 'bowl' }, 'an id')).toMatchObject({ pot: { shape: 'bowl' } });
    expect(bodyOf(draft, 'an id')).toMatchObject({
      kind: 'repotted',
      pot: POT,
      mix_id: 4,
      root_loss: 0,
      divided: 0,
    });
  });
  it.each([
    [{ top: 'wide' }, /Width at the top/],
    [{ depth: '5' }, /Depth of mix/],
    [{ divided: '-1' }, /Daughters/],
  ])('%o asks', (over, words) => expect(bodyOf({ ...draftOf(plant, '2026-05-01'), ...over }, 'an id')).toMatch(words));
});
