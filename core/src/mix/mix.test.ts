import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { potCapacity } from '../pot/capacity.ts';
import type { Pot } from '../garden.ts';
import { blendMix, packingShrink } from './blend.ts';
import { COMPONENTS, componentsOf } from './components.ts';
import { mixReport } from './report.ts';
import { waterAt } from './retention.ts';

const POT: Pot = {
  shape: 'round',
  top_mm: 120,
  base_mm: 90,
  depth_mm: 100,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const ids = [...COMPONENTS.keys()];
const one = (component: string) => blendMix({ id: component, parts: [{ component, parts: 3 }] }, COMPONENTS);

describe('components', () => {
  it.each(ids)('%s: its curve runs through its porosity and its water at 10 cm, and falls', (id) => {
    const component = COMPONENTS.get(id)!;
    expect(waterAt(component, 0)).toBe(component.totalPorosity);
    expect(waterAt(component, 10)).toBeCloseTo(component.waterAt10cm, 10);
    let last = Infinity;
    for (const suction of [0, 1, 3, 10, 50, 300, 15_000]) {
      const water = waterAt(component, suction);
      expect(water).toBeLessThanOrEqual(last);
      expect(water).toBeGreaterThanOrEqual(component.waterAirDry);
      last = water;
    }
  });
  it('lets sand go within half a metre and lets pumice keep its inner water', () => {
    const sand = COMPONENTS.get('coarse-sand')!;
    const pumice = COMPONENTS.get('pumice')!;
    expect(waterAt(sand, 50) / waterAt(sand, 10)).toBeLessThan(0.5);
    expect(waterAt(pumice, 50) / waterAt(pumice, 10)).toBeGreaterThan(0.7);
  });
});

describe('a mix', () => {
  it.each(ids)('of %s alone is just that', (id) => {
    const component = COMPONENTS.get(id)!;
    const blend = one(id);
    expect(blend.shrink).toBe(0);
    expect(blend.totalPorosity).toBeCloseTo(component.totalPorosity, 12);
    expect(blend.bulkDensityDryGMl).toBeCloseTo(component.bulkDensityGMl, 12);
    for (const suction of [0, 2, 10, 50, 300])
      expect(blend.waterAt(suction)).toBeCloseTo(waterAt(component, suction), 12);
  });
  it('shrinks most where fines are half, and never over 15 %', () => {
    const shrink = (fine: number) =>
      packingShrink([
        { component: COMPONENTS.get('fine-sand')!, volumeFraction: fine },
        { component: COMPONENTS.get('bark-chunky')!, volumeFraction: 1 - fine },
      ]);
    expect(shrink(0.5)).toBeCloseTo(0.15, 6);
    expect(shrink(0.1)).toBeLessThan(shrink(0.5));
    expect(shrink(0)).toBe(0);
  });
  it('stays possible for any recipe', () => {
    const parts = fc.uniqueArray(
      fc.record({ component: fc.constantFrom(...ids), parts: fc.double({ min: 0.1, max: 10, noNaN: true }) }),
      { minLength: 1, maxLength: 6, selector: (p) => p.component },
    );
    fc.assert(
      fc.property(
        parts,
        fc.double({ min: 0, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        (recipe, suction, more) => {
          const blend = blendMix({ id: 'any', parts: recipe }, COMPONENTS);
          const water = blend.waterAt(suction);
          expect(blend.waterAt(0)).toBeCloseTo(blend.totalPorosity, 9);
          expect(water).toBeLessThanOrEqual(blend.totalPorosity + 1e-9);
          expect(water).toBeGreaterThanOrEqual(blend.airDry - 1e-9);
          expect(blend.waterAt(suction + more)).toBeLessThanOrEqual(water + 1e-9);
          expect(blend.shrink).toBeLessThanOrEqual(0.15);
        },
      ),
    );
  });
  it('names an unknown part', () => {
    expect(() => blendMix({ id: 'm', parts: [{ component: 'moon dust', parts: 1 }] }, COMPONENTS)).toThrow('moon dust');
  });
  it('takes a keeper’s own component', () => {
    const all = componentsOf([
      { id: 'slag', total_porosity: 0.5, water_at_10cm: 0.1, water_air_dry: 0.02, bulk_density_g_ml: 1.2 },
    ]);
    const blend = blendMix({ id: 'm', parts: [{ component: 'slag', parts: 1 }] }, all);
    expect(blend.waterAt(10)).toBeCloseTo(0.1, 9);
    expect(blend.organicShare).toBe(0);
  });
  it('a bag of a known kind that was weighed is still made of what it was, and still feeds', () => {
    const bag = {
      id: 'cactus-soil',
      total_porosity: 0.65,
      water_at_10cm: 0.44,
      water_air_dry: 0.1,
      bulk_density_g_ml: 0.6,
    };
    const known = COMPONENTS.get('cactus-soil')!;
    const weighed = componentsOf([bag]).get('cactus-soil')!;
    expect(weighed).toMatchObject({ waterAt10cm: 0.44, bulkDensityGMl: 0.6 });
    for (const kept of ['organicShare', 'fertilised', 'rewetDifficulty', 'ph'] as const)
      expect(weighed[kept]).toBe(known[kept]);
  });
});

describe('a mix in a pot', () => {
  const peaty = blendMix(
    {
      id: 'peaty',
      parts: [
        { component: 'peat', parts: 3 },
        { component: 'perlite', parts: 1 },
      ],
    },
    COMPONENTS,
  );
  it('stays wetter in a shallow pot than in a deep one', () => {
    const shallow = potCapacity({ ...POT, depth_mm: 40 }, peaty);
    const deep = potCapacity({ ...POT, depth_mm: 200 }, peaty);
    expect(shallow.containerCapacity).toBeGreaterThan(deep.containerCapacity + 0.03);
  });
  it('has the crocks of its own pot taken off, up to half of its depth', () => {
    const [plain, crocked] = [potCapacity(POT, peaty), potCapacity({ ...POT, crocks_mm: 20 }, peaty)];
    expect(crocked).toEqual(potCapacity(POT, peaty, 20));
    expect(crocked.volumeMl).toBeLessThan(plain.volumeMl);
    expect(potCapacity({ ...POT, crocks_mm: 200 }, peaty)).toEqual(potCapacity(POT, peaty, POT.depth_mm / 2));
  });
  it('keeps its wet layer on crocks: it only moves up, and there is less mix', () => {
    const plain = potCapacity(POT, peaty);
    const crocked = potCapacity(POT, peaty, 20);
    expect(crocked.saturatedLayerMm).toBeCloseTo(plain.saturatedLayerMm, 0);
    expect(crocked.containerCapacity).toBeGreaterThan(plain.containerCapacity);
    expect(crocked.volumeMl).toBeLessThan(plain.volumeMl);
  });
  it('tells litres for a batch, settling included', () => {
    const report = mixReport(peaty, POT, 12);
    const litres = report.batch.reduce((sum, part) => sum + part.litres, 0);
    expect(litres).toBeCloseTo((0.871 * 12) / (1 - report.shrink), 1);
    expect(report.batch[0]!.litres / report.batch[1]!.litres).toBeCloseTo(3, 2);
    expect(report.warnings.map(({ code }) => code)).toContain('sheds');
  });
});
