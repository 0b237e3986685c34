import { crockFloorMm } from '../pot/shape.ts';
import type { Pot } from '../garden.ts';
import { potCapacity } from '../pot/capacity.ts';
import type { Blend } from './blend.ts';

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
  warnings: string[];
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
    warnings: warnings(blend, pot, crockMm),
  };
}

function warnings(blend: Blend, pot: Pot, crockMm: number): string[] {
  const found: string[] = [];
  const capacity = potCapacity(pot, blend, crockMm);
  const wetMm = Math.round(capacity.saturatedLayerMm);
  if (blend.rewetDifficulty >= 0.35) {
    found.push('Once bone dry this mix sheds water: stand the pot in water, or pour twice with a pause.');
  }
  if (capacity.airFilledPorosity < 0.12) {
    found.push(
      `Little air is left after a drench (${Math.round(capacity.airFilledPorosity * 100)} % of the volume): roots of succulents want 20 % and more.`,
    );
  }
  if (pot.depth_mm - crockMm > 0 && capacity.saturatedLayerMm > 0.4 * (pot.depth_mm - crockMm)) {
    found.push(
      `The wet layer is ${wetMm} mm of ${Math.round(pot.depth_mm - crockMm)} mm: a deeper pot or a coarser mix would stand drier.`,
    );
  }
  if (crockMm > 0) {
    found.push(
      `Crocks do not remove the wet layer: its ${wetMm} mm now sit ${Math.round(crockMm)} mm higher, and the pot holds less mix.`,
    );
  }
  if (!pot.holes) found.push('No hole: all that is poured stays. Give measured drinks only, or drill.');
  if (blend.fractions.some((f) => ['perlite', 'pumice', 'vermiculite', 'zeolite'].includes(f.component.id))) {
    found.push('Damp the dusty parts before you tip them, and wear a mask: mineral dust harms the lungs.');
  }
  return found;
}

function round(value: number, digits: number): number {
  return Number(value.toFixed(digits));
}
