/** A keeper's own measurements of a component: three weighings of a known volume, and a pour timed through it. */
import { SHEDS_FROM } from './character.ts';
import type { OwnComponent } from '../garden.ts';
import { clamp } from '../numeric/curves.ts';
import type { Component } from './components.ts';
import { waterAt } from './retention.ts';

export interface ScaleTest {
  /** of the vessel's content, loose */
  volumeMl: number;
  /** height of the vessel's content, over its open bottom, mm */
  depthMm: number;
  /** without the vessel: air-dry, full of water with the bottom closed, and drained */
  dryG: number;
  soakedG: number;
  drainedG: number;
}

const SLICES = 40;
const LEAST_GAP = 0.01;

/**
 * What three weighings tell of a component: pores, water held at 10 cm of suction, weight. Drained, a vessel of some
 * height holds the mean of the curve over its height, so the water at 10 cm is found by trying curves until that mean
 * is the weighed one.
 *
 * @param like the tabled component whose grain and curve's shape it is taken to share
 * @throws RangeError, in words, where the weighings cannot be
 */
export function fromScaleTest(test: ScaleTest, like: Component): Omit<OwnComponent, 'id' | 'ph'> {
  const { volumeMl, depthMm, dryG, soakedG, drainedG } = test;
  if (!(dryG < drainedG && drainedG <= soakedG))
    throw new RangeError('dry is lighter than drained, and drained no heavier than soaked');
  const airDry = Math.min(like.waterAirDry, 0.9 * ((drainedG - dryG) / volumeMl));
  // What is weighed as dry still holds what air gives it.
  const porosity = (soakedG - dryG) / volumeMl + airDry;
  const drained = (drainedG - dryG) / volumeMl + airDry;
  if (porosity >= 0.98)
    throw new RangeError('so much water does not fit beside the grains: was the volume loose and level?');
  const meanAt = (at10: number): number => {
    const tried = { ...like, totalPorosity: porosity, waterAirDry: airDry, waterAt10cm: at10 };
    let sum = 0;
    for (let i = 0; i < SLICES; i++) sum += waterAt(tried, ((i + 0.5) / SLICES) * (depthMm / 10));
    return sum / SLICES;
  };
  let low = airDry + LEAST_GAP * (porosity - airDry);
  let high = porosity - LEAST_GAP * (porosity - airDry);
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (meanAt(middle) < drained) low = middle;
    else high = middle;
  }
  return {
    total_porosity: round(porosity),
    water_at_10cm: round(clamp((low + high) / 2, low, high)),
    water_air_dry: round(airDry),
    bulk_density_g_ml: round((dryG - airDry * volumeMl) / volumeMl),
  };
}

function round(value: number): number {
  return Math.round(value * 1000) / 1000;
}

export const DRAINS = ['passes', 'slow', 'blocked', 'ran-past'] as const;
export type Drains = (typeof DRAINS)[number];

/** For a hand's depth of mix. */
const PASSES_S = 10;
const SLOW_S = 15;
const BLOCKED_S = 60;
const INSTANT_S = 3;
const HAND_MM = 100;

/**
 * A pour timed from the surface to the outflow: some ten seconds pass, fifteen and more ask for an opener mix, a minute
 * is a shut hole; a peaty ball through which it runs at once was dry and shed it. A deep pot is given its depth's time, a
 * shallow one no less.
 */
export function drainVerdict(seconds: number, depthMm: number, rewetDifficulty: number): Drains {
  // A ball that went dry sheds water: an instant run is no sign of drainage then.
  if (seconds <= INSTANT_S && rewetDifficulty >= SHEDS_FROM) return 'ran-past';
  const ofAHand = seconds / Math.max(1, depthMm / HAND_MM);
  if (ofAHand <= PASSES_S) return 'passes';
  return ofAHand < BLOCKED_S ? 'slow' : 'blocked';
}

/** Between passing and this it is only a little slow: a look at the hole, no new mix yet. */
export function asksForOpenerMix(seconds: number, depthMm: number): boolean {
  return seconds / Math.max(1, depthMm / HAND_MM) >= SLOW_S;
}
