/** Measures of a pot from its inside sizes: areas and volumes, slice by slice where the shape bends. */
import type { Pot } from '../garden.ts';

const MM3_PER_ML = 1000;
const MM2_PER_CM2 = 100;
/** Slices over the depth. Fifty put the volume of a bowl within 0.1 %. */
const SLICES = 50;

/** Half the width at a height above the base, mm. A bowl's radius rises with the root of the height. */
export function halfWidthMm(pot: Pot, heightMm: number): number {
  const share = pot.depth_mm > 0 ? Math.min(1, Math.max(0, heightMm / pot.depth_mm)) : 1;
  const rise = pot.shape === 'bowl' ? Math.sqrt(share) : share;
  return (pot.base_mm + (pot.top_mm - pot.base_mm) * rise) / 2;
}

/** Area of a level cut at a height above the base, cm². */
export function sectionCm2(pot: Pot, heightMm: number): number {
  const half = halfWidthMm(pot, heightMm);
  return (pot.shape === 'square' ? 4 * half * half : Math.PI * half * half) / MM2_PER_CM2;
}

/** Area of the mix's surface, cm². */
export function surfaceCm2(pot: Pot): number {
  return sectionCm2(pot, pot.depth_mm);
}

/** Crocks fill no more than this share of a pot's depth. */
export const MOST_CROCKS = 0.5;
/** Height of the floor of crocks, mm. */
export function crockFloorMm({ crocks_mm: crocks, depth_mm: depth }: Pot): number {
  return Math.min(crocks ?? 0, MOST_CROCKS * depth);
}

/**
 * Volume of mix, ml, without the floor of crocks below it.
 * A round pot 120 mm across the top, 90 mm at the base and 100 mm deep holds 871 ml.
 */
export function volumeMl(pot: Pot, fromMm = crockFloorMm(pot)): number {
  return integrate(pot, fromMm, () => 1);
}

/** Area of the side walls in touch with the mix, cm². */
export function wallCm2(pot: Pot): number {
  const step = pot.depth_mm / SLICES;
  let area = 0;
  for (let slice = 0; slice < SLICES; slice++) {
    const low = halfWidthMm(pot, slice * step);
    const high = halfWidthMm(pot, (slice + 1) * step);
    const slant = Math.hypot(step, high - low);
    area += (pot.shape === 'square' ? 8 : 2 * Math.PI) * ((low + high) / 2) * slant;
  }
  return area / MM2_PER_CM2;
}

/** Sum over the pot's volume of a quantity that hangs on the height above the base, ml. */
export function integrate(pot: Pot, fromMm: number, quantity: (heightMm: number) => number): number {
  const depth = pot.depth_mm - fromMm;
  if (depth <= 0) return 0;
  const step = depth / SLICES;
  let sum = 0;
  for (let slice = 0; slice < SLICES; slice++) {
    const low = fromMm + slice * step;
    const middle = low + step / 2;
    // Simpson's rule on the section: exact for cones and bowls' square roots.
    const area = (sectionCm2(pot, low) + 4 * sectionCm2(pot, middle) + sectionCm2(pot, low + step)) / 6;
    sum += area * MM2_PER_CM2 * step * quantity(middle);
  }
  return sum / MM3_PER_ML;
}
