/** How hot a day may get for a plant as it stands, before it wants shade. */

/** Below this a pot in the sun is soon as warm as its wall, and its roots with it. */
const SMALL_POT_ML = 300;
/** So much sooner its ceiling is met (Ingram et al. 2015: root balls of small dark pots 5 to 15 K above the air in full sun). */
const SMALL_POT_K = 3;
/** Dry and asleep it bears so much more. */
const ASLEEP_K = 5;

/** @param volumeMl of its pot @param indoors where no sun falls on the pot's wall from outside */
export function isHotPot(volumeMl: number, indoors: boolean): boolean {
  return volumeMl < SMALL_POT_ML && !indoors;
}

/** @param ceilingC height of a day that it bears in growth, in a pot of some size, °C */
export function heatLimitC(ceilingC: number, hotPot: boolean, asleep: boolean): number {
  return ceilingC - (hotPot ? SMALL_POT_K : 0) + (asleep ? ASLEEP_K : 0);
}
