/**
 * The words and thresholds of moisture, in one place. m is the share of the water that the pot can give up: 1 just
 * drained, 0 in balance with the air (docs/formats.md).
 */

/** A finger calls a pot wet above this, and dry at or below {@link DRY_TO_M}. */
export const WET_FROM_M = 0.6;
/** Between this and {@link WET_FROM_M} a pot is damp, below it drying. */
export const DAMP_FROM_M = 0.3;
export const DRY_TO_M = 0.12;
/** Surely at or below this a pot is bone dry: what is dissolved in the next drink meets bare roots undiluted. */
export const BONE_DRY_M = 0.05;
/** Down to this roots drink freely (Feddes 1978); below it the mix no longer pays the whole demand. */
export const ROOT_FREE_M = 0.25;
/** Above this a drink may do harm: no pot held to be this wet is watered on a reckoning alone. */
export const TOO_WET_TO_DRINK_M = 0.35;

export type MoistureBand = 'wet' | 'damp' | 'drying' | 'dry';

/** `bandOf(0.45)` is "damp". */
export function bandOf(m: number): MoistureBand {
  return m > WET_FROM_M ? 'wet' : m > DAMP_FROM_M ? 'damp' : m > DRY_TO_M ? 'drying' : 'dry';
}
