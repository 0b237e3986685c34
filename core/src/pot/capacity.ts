import type { Pot } from '../garden.ts';
import type { Blend } from '../mix/blend.ts';
import { crockFloorMm, integrate, volumeMl } from './shape.ts';

/** The water store that a mix makes in a pot. */
export interface Capacity {
  volumeMl: number;
  /** water just after a drench has drained */
  drainedMl: number;
  /** water in balance with the air */
  airDryMl: number;
  /** drained less air-dry: what m counts in shares of */
  availableMl: number;
  /** share of volume held after draining, mean over the pot */
  containerCapacity: number;
  airFilledPorosity: number;
  /** height over the outlet in which the pores stay over nine tenths full */
  saturatedLayerMm: number;
}

/** Pores this full count as the wet layer: roots there have no air. */
const WET_LAYER_FILL = 0.9;

/**
 * Water against gravity: at a height z above the outlet the suction is z, so the pot as a whole holds the mean of the
 * retention curve over its own section (White & Mastalerz 1966, Journal of the American Society for Horticultural
 * Science 89; Fonteno 1989). A crock floor lifts the outlet: the wet layer only moves up by `crockMm`.
 */
export function potCapacity(pot: Pot, blend: Blend, crockMm = crockFloorMm(pot)): Capacity {
  let known = reckoned.get(blend);
  if (!known) {
    known = new Map();
    reckoned.set(blend, known);
  }
  const key = `${pot.shape}/${pot.top_mm}/${pot.base_mm}/${pot.depth_mm}/${crockMm}`;
  let capacity = known.get(key);
  if (!capacity) {
    capacity = reckon(pot, blend, crockMm);
    known.set(key, capacity);
  }
  return capacity;
}

/** Benches hold many pots of one size in one mix, and comparing pots asks for the same again. */
const reckoned = new WeakMap<Blend, Map<string, Capacity>>();

function reckon(pot: Pot, blend: Blend, crockMm: number): Capacity {
  const floorMm = Math.min(crockMm, pot.depth_mm);
  const volume = volumeMl(pot, floorMm);
  const drained = integrate(pot, floorMm, (heightMm) => blend.waterAt((heightMm - floorMm) / 10));
  const airDry = blend.airDry * volume;
  const containerCapacity = volume > 0 ? drained / volume : 0;
  return {
    volumeMl: volume,
    drainedMl: drained,
    airDryMl: airDry,
    availableMl: Math.max(0, drained - airDry),
    containerCapacity,
    airFilledPorosity: blend.totalPorosity - containerCapacity,
    saturatedLayerMm: saturatedLayerMm(blend, pot.depth_mm - floorMm),
  };
}

function saturatedLayerMm(blend: Blend, depthMm: number): number {
  const limit = WET_LAYER_FILL * blend.totalPorosity;
  let low = 0;
  let high = depthMm;
  if (blend.waterAt(depthMm / 10) >= limit) return depthMm;
  while (high - low > 0.1) {
    const middle = (low + high) / 2;
    if (blend.waterAt(middle / 10) >= limit) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
