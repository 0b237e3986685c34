/**
 * How big, of what, how deep: the next pot by how the plant grows, what the step does to volume, weight and stand, and
 * which material suits the hand, the wind, the frost and the sun.
 */
import { BREATHES_FROM, MATERIAL_TABLE } from '../catalogue/materials.ts';
import { type Form, type Pot, POT_MATERIALS, type PotMaterial, type Store } from '../garden.ts';
import type { Nature } from '../plant/nature.ts';
import { clamp } from '../numeric/curves.ts';
import type { Blend } from '../mix/blend.ts';
import { potCapacity } from '../pot/capacity.ts';
import { volumeMl } from '../pot/shape.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

/** Kinds of growth that ask for pots of their own proportions. */
export const ROOTING = ['wide', 'snug', 'deep', 'raised'] as const;
export type Rooting = (typeof ROOTING)[number];

const SNUG_ROSETTES = new Set(['Haworthia', 'Haworthiopsis', 'Gasteria', 'Tulista', 'Agave', 'Aloe', 'Astroloba']);

/**
 * Mats, rosettes and rhizomes root wide and low, taproots and bulbs deep, a caudex is raised each time; the others fit
 * snugly. Tubers that hang on a trailer's strings sit in the top of the mix.
 *
 * @param genus of the library, or null: some rosettes have roots as thick as a pencil
 */
export function rootingOf(form: Form, store: Store, genus: string | null = null): Rooting {
  if (form === 'caudex') return 'raised';
  if (form === 'stiff-leaf' || form === 'trailing') return 'wide';
  if (store === 'below' || form === 'bulb' || form === 'stemless') return 'deep';
  if (form === 'rosette') return SNUG_ROSETTES.has(genus ?? '') ? 'snug' : 'wide';
  return 'snug';
}

/** Depth over width of the pot each likes. */
const DEPTH_OF_WIDTH: Record<Rooting, number> = { wide: 0.6, snug: 0.9, deep: 1.15, raised: 0.75 };
const BASE_OF_TOP = 0.75;
/** Pots come in steps of a centimetre, the large ones in steps of two. */
const STEP_MM = 10;
const LARGE_MM = 150;
const LARGE_STEP_MM = 20;
/** Room round the plant on each side. */
export const ROOM_MM: Record<Rooting, number> = { wide: 20, snug: 10, deep: 12, raised: 8 };
/** A pot that holds more than so many times the old one is a step too large. */
export const TOO_LARGE = 2.2;
/** And one that holds hardly more is not worth the work. */
const LEAST_STEP = 1.15;
const MOST_STEPS = 40;
export function hasBody(form: Form): boolean {
  return FORM_TABLE[form].body;
}

/** Holes that open less than this share of the floor: one of a few millimetres shuts with the first root or crumb. */
const OPEN_FLOOR = 0.005;

/** @returns false where the holes' sizes are not told */
export function hasSmallHole({
  shape,
  base_mm: base,
  holes,
  hole_count: count,
  hole_mm: mm,
}: Pick<Pot, 'shape' | 'base_mm' | 'holes' | 'hole_count' | 'hole_mm'>): boolean {
  if (!holes || mm == null) return false;
  const floor = shape === 'square' ? base ** 2 : (Math.PI / 4) * base ** 2;
  return (count ?? 1) * (Math.PI / 4) * mm ** 2 < OPEN_FLOOR * floor;
}

export interface NextPot {
  pot: Pot;
  rooting: Rooting;
  /** volume against the old pot's */
  times: number;
  /** a step too large for its roots */
  tooLarge: boolean;
}

/** Rounded up to a size in which pots come. */
export function potSizeMm(mm: number): number {
  const step = mm > LARGE_MM ? LARGE_STEP_MM : STEP_MM;
  return Math.ceil(mm / step) * step;
}

/**
 * One step up, or as wide as the plant now needs; never deeper than its roots want.
 * Ten to twelve centimetres in one shape holds 1.73 times as much.
 */
export function nextPot(
  old: Pot,
  plant: { form: Form; store: Store; diameterMm: number; genus?: string | null },
): NextPot {
  const rooting = rootingOf(plant.form, plant.store, plant.genus ?? null);
  const step = old.top_mm > LARGE_MM ? LARGE_STEP_MM : STEP_MM;
  // A caudex sits in the same width as long as it has room: it is raised, not widened.
  const grown = rooting === 'raised' ? old.top_mm : old.top_mm + step;
  const wanted = potSizeMm(
    FORM_TABLE[plant.form].body ? Math.max(grown, plant.diameterMm + 2 * ROOM_MM[rooting]) : grown,
  );
  const sizes = Array.from({ length: MOST_STEPS }, (_, i) => grown + i * step).map(potSizeMm);
  const times = (mm: number) => stepOf(old, potOf(old, mm, rooting)).times;
  // A lower pot gives its roots room only where it is so much the wider; and one step too large is two pots.
  const worth = sizes.filter((mm) => rooting === 'raised' || times(mm) >= LEAST_STEP);
  const fits = worth.filter((mm) => mm <= wanted || mm === worth[0]);
  // Never more than the step, whatever its shape asks for.
  const top = fits.findLast((mm) => times(mm) <= TOO_LARGE) ?? sizes.find((mm) => times(mm) <= TOO_LARGE) ?? grown;
  const pot = potOf(old, top, rooting);
  return { pot, rooting, ...stepOf(old, pot) };
}

function potOf(old: Pot, top: number, rooting: Rooting): Pot {
  return {
    ...old,
    top_mm: top,
    base_mm: Math.round(top * (old.shape === 'square' ? old.base_mm / old.top_mm : BASE_OF_TOP)),
    depth_mm: depthOf(old, top, rooting),
    // Of its holes and its colour nobody knows yet.
    holes: true,
    dark: null,
    hole_count: null,
    hole_mm: null,
    crocks_mm: null,
  };
}

/** No deeper than its roots can follow at once, and no shallower than they are: but for mats, which only want width. */
const DEEPER = 1.25;
const LOWER: Record<Rooting, number> = { wide: 0.85, snug: 1, deep: 1, raised: 1.05 };

/** As deep as its roots want a pot of that width; a bowl stays a bowl. */
export function depthForTop(old: Pot, top: number, rooting: Rooting): number {
  const depth = old.shape === 'bowl' ? (old.depth_mm / old.top_mm) * top : top * DEPTH_OF_WIDTH[rooting];
  return Math.round(depth / 5) * 5;
}

function depthOf(old: Pot, top: number, rooting: Rooting): number {
  const wanted = depthForTop(old, top, rooting);
  const depth = clamp(wanted, old.depth_mm * LOWER[rooting], Math.max(old.depth_mm * DEEPER, old.depth_mm + STEP_MM));
  return Math.round(depth / 5) * 5;
}

/** For the time being, out of its season: as much mix as the roots that are left can dry, no more than there was. */
export function interimPot(old: Pot, rootLoss: number): Pot {
  const share = Math.cbrt(clamp(1 - rootLoss, 0.4, 1));
  const top = Math.max(40, Math.round((old.top_mm * share) / STEP_MM) * STEP_MM);
  return {
    ...old,
    top_mm: Math.min(top, old.top_mm),
    base_mm: Math.round(old.base_mm * share),
    depth_mm: Math.round((old.depth_mm * share) / 5) * 5,
    holes: true,
    hole_count: null,
    hole_mm: null,
    crocks_mm: null,
  };
}

export function stepOf(old: Pot, pot: Pot): Pick<NextPot, 'times' | 'tooLarge'> {
  const times = volumeMl(pot) / Math.max(1, volumeMl(old));
  return { times: Math.round(times * 100) / 100, tooLarge: times > TOO_LARGE };
}

/**
 * How many times the old mix the roots that are left can keep from staying wet: a cut root drinks nothing, so the step
 * that is too large for whole roots shrinks with them.
 *
 * @param rootLoss share of the roots that was cut or found dead, 0 to 1
 */
export function mostTimesFor(rootLoss: number): number {
  return TOO_LARGE * (1 - clamp(rootLoss, 0, 1));
}

/** Air, kg/m³, and how a plant catches it. */
const AIR_KG_M3 = 1.2;
const DRAG = 1;
const G = 9.81;
/** Flesh is water; a crown is not all flesh. */
const PLANT_G_ML = 1;
const SOLIDITY: Record<Form, number> = {
  globe: 0.6,
  column: 0.7,
  pad: 0.3,
  rosette: 0.35,
  stemmed: 0.25,
  trailing: 0.15,
  caudex: 0.35,
  bulb: 0.3,
  stemless: 0.6,
  'stiff-leaf': 0.35,
};

export interface Stand {
  weightG: number;
  /** the pot and its plant tip over from so many degrees on */
  tipsAtDeg: number;
  /** and in a gust of so much */
  tipsInWindMS: number;
}

/**
 * How the potted plant stands, just drained: the angle at which its weight passes over the edge of the base, and the
 * gust whose push on the plant's side does the same (drag 1 on the share of its outline that is not air).
 */
export function standOf(pot: Pot, blend: Blend, plant: { form: Form; diameterMm: number; heightMm: number }): Stand {
  const capacity = potCapacity(pot, blend);
  const soilG = blend.bulkDensityDryGMl * capacity.volumeMl + capacity.drainedMl;
  const wallCm2 = (Math.PI * ((pot.top_mm + pot.base_mm) / 2) * pot.depth_mm + (Math.PI / 4) * pot.base_mm ** 2) / 100;
  const potG = MATERIAL_TABLE[pot.material].gCm2 * wallCm2;
  const plantMl = ((Math.PI / 4) * plant.diameterMm ** 2 * plant.heightMm) / 1000;
  const plantG = PLANT_G_ML * SOLIDITY[plant.form] * plantMl * 0.6;
  const weightG = soilG + potG + plantG;
  const middleMm =
    ((soilG + potG) * 0.55 * pot.depth_mm + plantG * (pot.depth_mm + plant.heightMm / 2)) / Math.max(1, weightG);
  const halfBaseMm = pot.base_mm / 2;
  const areaM2 = (SOLIDITY[plant.form] * plant.diameterMm * plant.heightMm + pot.top_mm * pot.depth_mm * 0.5) / 1e6;
  const armM = (pot.depth_mm + plant.heightMm / 2) / 1000;
  const holdsNm = (weightG / 1000) * G * (halfBaseMm / 1000);
  const windMS = Math.sqrt((2 * holdsNm) / (AIR_KG_M3 * DRAG * Math.max(1e-6, areaM2) * armM));
  return {
    weightG: Math.round(weightG),
    tipsAtDeg: Math.round((Math.atan2(halfBaseMm, middleMm) * 180) / Math.PI),
    tipsInWindMS: Math.round(windMS * 10) / 10,
  };
}

/** Gusts that a place may bring, m/s. */
export const GUSTS: Record<'still' | 'gentle' | 'breezy', number> = { still: 4, gentle: 9, breezy: 16 };
/** A bump of the sleeve tips what falls at less. */
export const SHAKY_DEG = 14;

export const MATERIAL_CODES = [
  'breathes',
  'dries-slower',
  'heavy',
  'light',
  'frost-cracks',
  'cooks',
  'holds-warmth',
] as const;
export type MaterialCode = (typeof MATERIAL_CODES)[number];

export interface MaterialAdvice {
  material: PotMaterial;
  /** the higher the better */
  score: number;
  codes: MaterialCode[];
}

export interface MaterialFacts {
  /** waters often, and much */
  heavyHand: boolean;
  /** 0.5 tough to 1.6 rots easily */
  rotProne: number;
  outdoors: boolean;
  /** coldest night of a usual year at the place, °C */
  coldestC: number;
  windy: boolean;
  topHeavy: boolean;
  fierceSun: boolean;
}

export function materials(facts: MaterialFacts): MaterialAdvice[] {
  const wet = (facts.heavyHand ? 0.6 : 0) + clamp(facts.rotProne - 0.8, 0, 0.8);
  const frost = facts.outdoors && facts.coldestC < -1;
  const wind = facts.windy || facts.topHeavy ? 0.5 : 0;
  const sun = facts.outdoors && facts.fierceSun;
  return POT_MATERIALS.map((material): MaterialAdvice => {
    const { wall, bursts, steady, cooks, keepsDamp, holdsWarmth } = MATERIAL_TABLE[material];
    const points: Record<MaterialCode, number> = {
      breathes: wall >= BREATHES_FROM ? wet : 0,
      'dries-slower': keepsDamp ? (facts.heavyHand ? keepsDamp.heavyHand : keepsDamp.light) : 0,
      'frost-cracks': bursts && frost ? -1.2 : 0,
      heavy: steady > 0 ? steady * wind : 0,
      light: steady < 0 ? steady * wind : 0,
      cooks: cooks ? (sun ? cooks.sun : cooks.shade) : 0,
      'holds-warmth': holdsWarmth,
    };
    const codes = MATERIAL_CODES.filter((code) => points[code] !== 0);
    const score = Math.round(100 * codes.reduce((sum, code) => sum + points[code], 0)) / 100;
    return { material, score, codes };
  }).sort((a, b) => b.score - a.score);
}

/** How deep it is set, by what must not be buried. */
export const DEPTHS = [
  'crown-clear',
  'neck-out',
  'caudex-third',
  'rhizome-covered',
  'leaf-bases-clear',
  'clump-low',
  'same-depth',
] as const;
export type Depth = (typeof DEPTHS)[number];

export function plantingDepth(form: Form, nature: Nature = 'succulent'): Depth {
  // Stems of forest cacti root where they lie: they are set as they stood.
  if (nature === 'epiphyte') return 'same-depth';
  switch (form) {
    case 'caudex':
      return 'caudex-third';
    case 'bulb':
      return 'neck-out';
    case 'rosette':
    case 'stemless':
      return 'leaf-bases-clear';
    case 'stiff-leaf':
      return 'rhizome-covered';
    case 'globe':
    case 'column':
    case 'pad':
      return 'crown-clear';
    // Mats and hanging shoots root wherever a stem lies on the mix.
    case 'trailing':
      return 'clump-low';
    default:
      return 'same-depth';
  }
}
