import { describe, expect, it } from 'vitest';
import type { Pot } from '../garden.ts';
import { COMPONENTS } from './components.ts';
import { substitutesFor } from './substitutes.ts';

const POT: Pot = {
  shape: 'round',
  top_mm: 100,
  base_mm: 75,
  depth_mm: 90,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const RECIPE = [
  { component: 'pumice', parts: 2 },
  { component: 'loam', parts: 1 },
  { component: 'granite-grit', parts: 1 },
];
const ALL = [...COMPONENTS.keys()];
const instead = (missing: string, atHand = ALL) => substitutesFor(missing, RECIPE, atHand, COMPONENTS, POT);

describe('what stands in for a component that is not there', () => {
  it('for a porous stone another one, long before sand, soil or peat', () => {
    const order = instead('pumice').map(({ component }) => component);
    expect(order).not.toContain('pumice');
    const at = (id: string) => (order.includes(id) ? order.indexOf(id) : Infinity);
    for (const stone of ['zeolite', 'lava', 'crushed-pot'])
      for (const other of ['cactus-soil', 'potting-soil', 'peat', 'bark-fine', 'worm-castings'])
        expect(at(stone)).toBeLessThan(at(other));
  });
  it('says what it changes: soil for grit holds more water and less air', () => {
    const soil = instead('granite-grit').find(({ component }) => component === 'cactus-soil')!;
    expect(soil.waterTimes).toBeGreaterThan(1.2);
    expect(soil.airShift).toBeLessThan(0);
    expect(soil.organicShift).toBeGreaterThan(0);
  });
  it('is at hand, and no part of the recipe already', () => {
    expect(instead('pumice', ['loam', 'lava', 'no such thing']).map(({ component }) => component)).toEqual(['lava']);
    expect(instead('pumice', [])).toEqual([]);
  });
  it.each(ALL)('for %s there is something, none half as wet again', (missing) => {
    const parts = [
      { component: missing, parts: 1 },
      { component: missing === 'pumice' ? 'lava' : 'pumice', parts: 2 },
    ];
    const found = substitutesFor(missing, parts, ALL, COMPONENTS, POT);
    expect(found.length).toBeGreaterThan(0);
    for (const { waterTimes } of found) expect(Math.abs(Math.log(waterTimes))).toBeLessThan(Math.log(1.6));
  });
});
