import { crockFloorMm } from '../pot/shape.ts';
import type { Pot } from '../garden.ts';
import { potCapacity } from '../pot/capacity.ts';
import type { Blend } from './blend.ts';
import { mixWarnings, type MixWarning } from './warnings.ts';

/** What `zinc mix` prints, format `zinc-pail/mix` version 1 (docs/formats.md). */
export interface MixReport {
  format: 'zinc-pail/mix';
  version: 1;
  fractions: { component: string; volume_fraction: number }[];
  shrink: number;
  total_porosity: number;
  container_capacity: number;
  air_filled_porosity: number;
  air_dry: number;
  available_ml: number;
  saturated_layer_mm: number;
  bulk_density_dry_g_ml: number;
  weight_drained_g: number;
  ph: number;
  batch: { component: string; litres: number }[];
  /** the command line prints their sentences */
  warnings: MixWarning[];
}

const ML_PER_L = 1000;

/** The mix in a pot: what it holds, what it weighs, and the litres of each part for a batch of pots. */
export function mixReport(blend: Blend, pot: Pot, pots = 1, crockMm = crockFloorMm(pot)): MixReport {
  const capacity = potCapacity(pot, blend, crockMm);
  // Loose parts settle on mixing, so the heap must be larger than the pots.
  const looseLitres = (capacity.volumeMl * pots) / ML_PER_L / (1 - blend.shrink);
  return {
    format: 'zinc-pail/mix',
    version: 1,
    fractions: blend.fractions.map((f) => ({ component: f.component.id, volume_fraction: round(f.volumeFraction, 4) })),
    shrink: round(blend.shrink, 4),
    total_porosity: round(blend.totalPorosity, 4),
    container_capacity: round(capacity.containerCapacity, 4),
    air_filled_porosity: round(capacity.airFilledPorosity, 4),
    air_dry: round(blend.airDry, 4),
    available_ml: round(capacity.availableMl, 1),
    saturated_layer_mm: round(capacity.saturatedLayerMm, 1),
    bulk_density_dry_g_ml: round(blend.bulkDensityDryGMl, 3),
    weight_drained_g: round(blend.bulkDensityDryGMl * capacity.volumeMl + capacity.drainedMl, 0),
    ph: round(blend.ph, 2),
    batch: blend.fractions.map((f) => ({
      component: f.component.id,
      litres: round(f.volumeFraction * looseLitres, 3),
    })),
    warnings: mixWarnings({ blend, pot, capacity, crockMm, mineral: 1 - blend.organicShare, traits: null }),
  };
}

function round(value: number, digits: number): number {
  return Number(value.toFixed(digits));
}
