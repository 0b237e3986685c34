/** What of a pot and its plant decides how fast it dries: numbers fixed for a potting. */
import type { Form, Plant, Pot } from '../garden.ts';
import { MATERIAL_TABLE } from '../catalogue/materials.ts';
import type { Blend } from '../mix/blend.ts';
import { clamp } from '../numeric/curves.ts';
import type { Traits } from '../plant/traits.ts';
import { type Capacity, potCapacity } from '../pot/capacity.ts';
import { crockFloorMm, surfaceCm2, wallCm2 } from '../pot/shape.ts';

export interface PotModel {
  capacity: Capacity;
  /** ml lost by each path for a millimetre of potential evaporation, at full wetness */
  surfaceMlPerMm: number;
  wallMlPerMm: number;
  plantMlPerMm: number;
  /** rain that reaches the mix, ml for each mm */
  rainMlPerMm: number;
  warmth: Warmth;
  /** water of the plant's own that it can spend, ml */
  storeMl: number;
  rewetDifficulty: number;
  holes: boolean;
}

const ML_PER_MM_CM2 = 0.1;

const REFERENCE_WALL_MM = 6;

/** Loss that a covered surface is spared. */
const COVER_SAVES = 0.35;
/** Depth of grit that halves the loss from the surface. */
const DRESSING_HALF_MM = 20;

/** Warmth at which a plant stands still, is at its best, and begins to shut its pores, °C. */
export interface Warmth {
  baseC: number;
  idealFromC: number;
  heatFromC: number;
}

interface FormWater {
  /** evaporating area over the plan area of the plant, and over its side view */
  plan: number;
  side: number;
  /** transpiration in full growth against a wet surface of that area */
  crop: number;
  /** water store over plant volume */
  storeShare: number;
  /** how much of the soil beneath it shades */
  cover: number;
}

/**
 * CAM stems and leaves spend 0.2–0.4 of a leafy crop's water, thin leaves 0.6–0.9 (Nobel 1988, ch. 1–2; Winter & Smith
 * 1996).
 */
const FORMS: Record<Form, FormWater> = {
  globe: { plan: 1, side: 0.5, crop: 0.32, storeShare: 0.35, cover: 0.9 },
  column: { plan: 1, side: 0.6, crop: 0.32, storeShare: 0.35, cover: 0.9 },
  pad: { plan: 0.3, side: 0.5, crop: 0.25, storeShare: 0.15, cover: 0.3 },
  rosette: { plan: 1.5, side: 0.2, crop: 0.36, storeShare: 0.2, cover: 0.8 },
  stemmed: { plan: 0.8, side: 0.6, crop: 0.35, storeShare: 0.08, cover: 0.4 },
  trailing: { plan: 0.9, side: 0.6, crop: 0.4, storeShare: 0.04, cover: 0.5 },
  caudex: { plan: 0.8, side: 0.4, crop: 0.7, storeShare: 0.2, cover: 0.4 },
  bulb: { plan: 0.6, side: 0.4, crop: 0.7, storeShare: 0.2, cover: 0.4 },
  stemless: { plan: 1.1, side: 0.2, crop: 0.28, storeShare: 0.35, cover: 0.8 },
  'stiff-leaf': { plan: 0.5, side: 0.7, crop: 0.2, storeShare: 0.08, cover: 0.3 },
};

const MM2_PER_CM2 = 100;
const MM3_PER_ML = 1000;

/** @param crockMm a floor of crocks: the pot's own, where no other is tried */
export function potModel(
  plant: Pick<Plant, 'diameter_mm' | 'height_mm' | 'ideal_from_c' | 'heat_from_c'>,
  pot: Pot,
  blend: Blend,
  traits: Traits,
  crockMm = crockFloorMm(pot),
): PotModel {
  const form = FORMS[traits.form];
  const planCm2 = (Math.PI / 4) * (plant.diameter_mm ** 2 / MM2_PER_CM2);
  const sideCm2 = (plant.diameter_mm * plant.height_mm) / MM2_PER_CM2;
  const surface = surfaceCm2(pot);
  const covered = clamp((form.cover * planCm2) / surface, 0, 0.85);
  const wall = pot.wall_mm ?? REFERENCE_WALL_MM;
  return {
    capacity: potCapacity(pot, blend, crockMm),
    // Shade and still air under the plant take a third off what the covered part loses.
    surfaceMlPerMm:
      surface * ML_PER_MM_CM2 * (1 - COVER_SAVES * covered) * 2 ** (-pot.top_dressing_mm / DRESSING_HALF_MM),
    wallMlPerMm: wallCm2(pot) * ML_PER_MM_CM2 * MATERIAL_TABLE[pot.material].wall * Math.sqrt(REFERENCE_WALL_MM / wall),
    plantMlPerMm: (form.plan * planCm2 + form.side * sideCm2) * ML_PER_MM_CM2 * form.crop,
    rainMlPerMm: surface * ML_PER_MM_CM2 * (1 - 0.4 * covered),
    warmth: warmthOf(plant, traits),
    storeMl: traits.store === 'none' ? 0 : (form.storeShare * planCm2 * MM2_PER_CM2 * plant.height_mm) / MM3_PER_ML,
    rewetDifficulty: blend.rewetDifficulty,
    holes: pot.holes,
  };
}

/** Growth is best over a band of this width above the growing minimum, and shuts down in heat. */
const BASE_BELOW_C = 6;
const OPTIMUM_ABOVE_C = 5;
const HEAT_FROM_C = 34;
const HEAT_SPAN_K = 10;
const SHUT_SHARE = 0.3;

/**
 * Transpiration against its best, by the day's mean and highest: nothing at the base, full at the optimum, and in great
 * heat pores half shut. The pot as a whole still dries faster, since the air takes more than the plant saves.
 */
export function warmthResponse(tmeanC: number, tmaxC: number, { baseC, idealFromC, heatFromC }: Warmth): number {
  const rise = clamp((tmeanC - baseC) / (idealFromC - baseC), 0, 1);
  const heat = 1 - clamp((tmaxC - heatFromC) / HEAT_SPAN_K, 0, 1) * SHUT_SHARE;
  return rise * heat;
}

function warmthOf(plant: Pick<Plant, 'ideal_from_c' | 'heat_from_c'>, { growMinC }: Traits): Warmth {
  const baseC = growMinC - BASE_BELOW_C;
  return {
    baseC,
    idealFromC: Math.max(baseC + 1, plant.ideal_from_c ?? growMinC + OPTIMUM_ABOVE_C),
    heatFromC: plant.heat_from_c ?? HEAT_FROM_C,
  };
}

/** Stomata open as far as there is light to work with; in a dim room they stay half shut. */
export function lightResponse(dliMol: number): number {
  return 0.4 + (0.6 * dliMol) / (dliMol + 4);
}
