import type { MethodId } from '../catalogue/ways.ts';
import type { PotModel } from './potModel.ts';

/** Water stood in until the surface darkens: nearly all of what a drench brings. */
const BOTTOM_M = 0.95;
/** A mist wets the skin of the mix. */
const MIST_ML = 4;
/** Below this a mix is as good as bone dry and may shed water. */
const SHEDS_BELOW_M = 0.15;
/** Share of a poured measure that runs past bone-dry peat. */
const BYPASS_SHARE = 0.35;

export interface Wetting {
  m: number;
  /** what ran out of the hole, ml */
  drainedMl: number;
}

/**
 * Moisture just after water. A drench brings a pot to 1, less where a peaty mix was bone dry; a measure adds what it
 * is, and runs out above 1 where there is a hole to run from.
 */
export function wet(m: number, method: MethodId, amountMl: number | null, pot: PotModel): Wetting {
  const available = pot.capacity.availableMl;
  const dryness = Math.max(0, 1 - m / SHEDS_BELOW_M) * pot.rewetDifficulty;
  switch (method) {
    case 'drench':
      return pot.holes
        ? { m: Math.max(m, 1 - BYPASS_SHARE * dryness), drainedMl: 0 }
        : pour(m, amountMl ?? available * Math.max(0, 1 - m), available, pot);
    case 'bottom':
      return { m: Math.max(m, BOTTOM_M - BYPASS_SHARE * 0.5 * dryness), drainedMl: 0 };
    case 'mist':
      return pour(m, Math.min(amountMl ?? MIST_ML, pot.surfaceMlPerMm * 3), available, pot);
    case 'measured':
      return pour(m, (amountMl ?? 0) * (1 - BYPASS_SHARE * dryness), available, pot);
  }
}

/** Adds water; what a drained pot cannot hold runs out, if it can. */
export function pour(m: number, ml: number, availableMl: number, pot: Pick<PotModel, 'holes'>): Wetting {
  if (availableMl <= 0) return { m, drainedMl: pot.holes ? ml : 0 };
  const full = m + ml / availableMl;
  if (!pot.holes || full <= 1) return { m: full, drainedMl: 0 };
  const kept = Math.max(1, m);
  return { m: kept, drainedMl: (full - kept) * availableMl };
}
