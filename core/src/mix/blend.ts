import type { Mix } from '../garden.ts';
import { clamp } from '../numeric/curves.ts';
import type { Component } from './components.ts';
import { alphaPerCm, waterAt } from './retention.ts';

/** A mix as it lies in a pot: shares of packed volume. */
export interface Blend {
  id: string;
  fractions: { component: Component; volumeFraction: number }[];
  /** loose volume lost on mixing, because fines settle between the coarse grains */
  shrink: number;
  totalPorosity: number;
  airDry: number;
  bulkDensityDryGMl: number;
  ph: number;
  organicShare: number;
  /** 0 takes water at once, 1 sheds it like dust-dry peat */
  rewetDifficulty: number;
  fertilisedShare: number;
  /** water by packed volume at a suction in cm */
  waterAt(suctionCm: number): number;
}

/** Volume lost at the worst ratio of fines to coarse grains. Mixed aggregates lose 10–20 % (Bunt 1988, ch. 3). */
export const WORST_SHRINK = 0.15;
/** Grains ten times smaller fit the gaps fully; of one size not at all. */
const FULL_FIT_DECADES = 1;
/** Suction at which the gaps between coarse grains have long drained and only what the grains hold is left. */
const GAPS_EMPTY_CM = 50;

/**
 * The packing rule: every pair of components loses up to 15 % of its joint loose volume when half and half and ten
 * times apart in grain, in proportion to 4·f₁·f₂ and to the decades between their grains.
 * A component alone loses nothing.
 */
export function packingShrink(fractions: readonly { component: Component; volumeFraction: number }[]): number {
  let shrink = 0;
  for (const [i, a] of fractions.entries()) {
    for (const b of fractions.slice(i + 1)) {
      const decades = Math.abs(Math.log10(a.component.grainMm / b.component.grainMm));
      shrink += WORST_SHRINK * 4 * a.volumeFraction * b.volumeFraction * Math.min(1, decades / FULL_FIT_DECADES);
    }
  }
  return Math.min(WORST_SHRINK, shrink);
}

/**
 * What the parts make together. Solids and the water inside grains are kept; the volume that vanishes is gap between
 * grains, so it is the quickly drained water that goes.
 * @throws RangeError when a component is unknown or the parts sum to nothing.
 */
export function blendMix(mix: Mix, components: ReadonlyMap<string, Component>): Blend {
  const total = mix.parts.reduce((sum, part) => sum + part.parts, 0);
  if (!(total > 0)) throw new RangeError(`mix ${mix.id}: the parts sum to nothing`);
  const fractions = mix.parts.map((part) => {
    const component = components.get(part.component);
    if (!component) throw new RangeError(`mix ${mix.id}: no component "${part.component}"`);
    return { component, volumeFraction: part.parts / total };
  });
  const weigh = (value: (component: Component) => number) =>
    fractions.reduce((sum, f) => sum + f.volumeFraction * value(f.component), 0);
  const alphas = fractions.map((f) => alphaPerCm(f.component));
  const looseWater = (suctionCm: number) =>
    fractions.reduce((sum, f, i) => sum + f.volumeFraction * waterAt(f.component, suctionCm, alphas[i]), 0);

  const loosePorosity = weigh((c) => c.totalPorosity);
  const held = looseWater(GAPS_EMPTY_CM);
  const gaps = loosePorosity - held;
  const shrink = Math.min(packingShrink(fractions), 0.9 * gaps);
  const packed = 1 - shrink;
  const density = weigh((c) => c.bulkDensityGMl);

  return {
    id: mix.id,
    fractions,
    shrink,
    totalPorosity: (loosePorosity - shrink) / packed,
    airDry: weigh((c) => c.waterAirDry) / packed,
    bulkDensityDryGMl: density / packed,
    ph: blendPh(fractions),
    organicShare: weigh((c) => c.organicShare),
    rewetDifficulty: clamp(
      weigh((c) => c.rewetDifficulty),
      0,
      1,
    ),
    fertilisedShare: weigh((c) => (c.fertilised ? 1 : 0)),
    waterAt(suctionCm) {
      const water = looseWater(suctionCm);
      const stillFilled = gaps > 0 ? clamp((water - held) / gaps, 0, 1) : 0;
      return (water - shrink * stillFilled) / packed;
    },
  };
}

/**
 * pH of the blend: acid and base average as concentrations of H⁺, not as pH figures, but buffered by what reacts:
 * organic parts and lime count in full, inert grit hardly.
 */
/** Inert grit hardly moves the pH of what is around it. */
export const PH_INERT_WEIGHT = 0.15;

/** Whether a component gives or takes acid: what was alive, lime and loam. */
export function reactsInPh({ id, organicShare }: Component): boolean {
  return organicShare > 0 || id === 'limestone-grit' || id === 'loam';
}

function blendPh(fractions: readonly { component: Component; volumeFraction: number }[]): number {
  let weightSum = 0;
  let sum = 0;
  for (const { component, volumeFraction } of fractions) {
    const weight = volumeFraction * (reactsInPh(component) ? 1 : PH_INERT_WEIGHT);
    weightSum += weight;
    sum += weight * component.ph;
  }
  return sum / weightSum;
}
