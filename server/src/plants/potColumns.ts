/** A pot as it lies in the table of pottings, and as the rest of the house knows it. */
import type { Pot } from '@zinc-pail/core';
import type { Row } from '../database/pool.ts';

export interface PotColumns extends Omit<Pot, 'holes' | 'dark'> {
  holes: number;
  dark?: number | null;
}
export type PotRow = Row<PotColumns>;

/** Of `potting po`. */
export const POT_COLUMNS =
  'po.shape, po.top_mm, po.base_mm, po.depth_mm, po.material, po.wall_mm, po.holes, po.top_dressing_mm, po.dark, po.hole_count, po.hole_mm, po.crocks_mm';

/** Details that are not told are left out. */
export function potOf(row: PotColumns): Pot {
  const {
    shape,
    top_mm,
    base_mm,
    depth_mm,
    material,
    wall_mm,
    holes,
    top_dressing_mm,
    dark,
    hole_count,
    hole_mm,
    crocks_mm,
  } = row;
  return {
    shape,
    top_mm,
    base_mm,
    depth_mm,
    material,
    ...(wall_mm == null ? {} : { wall_mm }),
    holes: Boolean(holes),
    top_dressing_mm,
    ...(dark == null ? {} : { dark: Boolean(dark) }),
    ...(hole_count == null ? {} : { hole_count }),
    ...(hole_mm == null ? {} : { hole_mm }),
    ...(crocks_mm == null ? {} : { crocks_mm }),
  };
}
