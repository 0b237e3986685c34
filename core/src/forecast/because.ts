/**
 * Why this date: the days to dry against the same plant in reference conditions, factor by factor.
 * Each factor's own effect is found by swapping it: into the reference, and out of the pot as it is; the mean of the
 * two is its own. What they do only together is named as such, so the list adds up to the whole difference.
 */
import { lossAt } from '../drydown/step.ts';
import { type PotModel, potModel } from '../drydown/potModel.ts';
import type { Mix, Plant, Pot } from '../garden.ts';
import { DRY_TO_M } from '../moisture.ts';
import { blendMix, type Blend } from '../mix/blend.ts';
import { COMPONENTS } from '../mix/components.ts';
import type { PlantModel } from './plantModel.ts';

export type Factor = 'place' | 'season' | 'pot-material' | 'pot-size' | 'mix' | 'top-dressing' | 'rate' | 'together';

export interface Reason {
  factor: Factor;
  /** positive: later than in reference conditions */
  days: number;
  /** what the factor is like here, in the units of its name */
  n: Readonly<Record<string, number>>;
  /** a material */
  of?: string;
}

export interface Because {
  reasons: Reason[];
  /** full to dry in reference conditions */
  referenceDays: number;
  /** full to dry here and now */
  cycleDays: number;
  /** the same as reckoned before this pot taught anything */
  untaughtDays: number;
}

/** A bright frost-free bench in mild weather, a plastic pot of 9 cm, a plain gritty mix, a plant in full growth. */
const REFERENCE_DRIVE = { surfaceMm: 2, wallMm: 1.6, drinking: 0.7 };
const REFERENCE_POT: Pick<Pot, 'shape' | 'top_mm' | 'base_mm' | 'depth_mm'> = {
  shape: 'round',
  top_mm: 90,
  base_mm: 68,
  depth_mm: 80,
};
const REFERENCE_MIX: Mix = {
  id: 'reference',
  parts: [
    { component: 'cactus-soil', parts: 1 },
    { component: 'pumice', parts: 1 },
  ],
};
const referenceBlend = blendMix(REFERENCE_MIX, COMPONENTS);
/** Mean of so many days ahead stands for the place's weather. */
const AHEAD_DAYS = 28;
const SLICES = 24;
const LONGEST_DAYS = 400;

interface Conditions {
  drive: { surfaceMm: number; wallMm: number };
  drinking: number;
  pot: Pot;
  blend: Blend;
  rate: number;
  /** whether anybody looked into this pot: else its pace is that of its bench and its kind */
  looked: boolean;
}

/**
 * Days are those from full to dry, under the mean of the weeks ahead.
 *
 * @param pace how fast it dries against the reckoning, and whether this pot's own looks say so
 */
export function because(
  model: PlantModel,
  blend: Blend,
  today: number,
  { median: rateMedian, looked }: { median: number; looked: boolean },
  surfaceWetM: number,
): Because {
  const { plant } = model;
  const actual: Conditions = { ...present(model, today), pot: plant.pot, blend, rate: rateMedian, looked };
  const reference: Conditions = {
    drive: REFERENCE_DRIVE,
    drinking: REFERENCE_DRIVE.drinking,
    pot: { ...REFERENCE_POT, material: 'plastic', wall_mm: null, holes: true, top_dressing_mm: 0 },
    blend: referenceBlend,
    rate: 1,
    looked: false,
  };
  // Most swaps leave pot and mix as they are.
  const pots = new Map<Pot, Map<Blend, PotModel>>();
  const potOf = ({ pot, blend: mix }: Conditions): PotModel => {
    const inMixes = pots.get(pot) ?? new Map<Blend, PotModel>();
    pots.set(pot, inMixes);
    const made = inMixes.get(mix) ?? potModel(plant, pot, mix, model.traits);
    inMixes.set(mix, made);
    return made;
  };
  const days = (conditions: Conditions) => steadyDaysToDry(potOf(conditions), conditions, surfaceWetM);
  const base = days(reference);
  const cycle = days(actual);
  const reasons: Reason[] = SWAPS.map(([factor, swap]) => {
    const into = days(swap(reference, actual)) - base;
    const outOf = cycle - days(swap(actual, reference));
    const effect = tenth((into + outOf) / 2);
    return { factor, days: effect, ...detail(factor, plant, actual) };
  });
  const joint = tenth(cycle - base - reasons.reduce((sum, r) => sum + r.days, 0));
  if (joint !== 0) reasons.push({ factor: 'together', days: joint, n: {} });
  reasons.sort((a, b) => Math.abs(b.days) - Math.abs(a.days));
  return {
    reasons: reasons.filter((r) => r.days !== 0),
    referenceDays: tenth(base),
    cycleDays: tenth(cycle),
    untaughtDays: tenth(days({ ...actual, rate: 1 })),
  };
}

/** Conditions `a` with one factor taken from `b`. */
const SWAPS: readonly (readonly [Factor, (a: Conditions, b: Conditions) => Conditions])[] = [
  ['place', (a, b) => ({ ...a, drive: b.drive })],
  ['season', (a, b) => ({ ...a, drinking: b.drinking })],
  ['pot-material', (a, b) => ({ ...a, pot: { ...a.pot, material: b.pot.material, wall_mm: b.pot.wall_mm ?? null } })],
  [
    'pot-size',
    (a, b) => ({
      ...a,
      pot: { ...a.pot, shape: b.pot.shape, top_mm: b.pot.top_mm, base_mm: b.pot.base_mm, depth_mm: b.pot.depth_mm },
    }),
  ],
  ['mix', (a, b) => ({ ...a, blend: b.blend })],
  ['top-dressing', (a, b) => ({ ...a, pot: { ...a.pot, top_dressing_mm: b.pot.top_dressing_mm } })],
  ['rate', (a, b) => ({ ...a, rate: b.rate })],
];

function present(model: PlantModel, today: number): Pick<Conditions, 'drive' | 'drinking'> {
  const from = today + 1 - model.climate.firstDay;
  const to = Math.min(model.climate.days, from + AHEAD_DAYS);
  const { surfaceMm, wallMm } = model.climate;
  let surface = 0;
  let wall = 0;
  let plant = 0;
  for (let i = from; i < to; i++) {
    surface += surfaceMm[i]!;
    wall += wallMm[i]!;
    plant += model.loss.plant[i]!;
  }
  const count = to - from;
  const perMm = model.pot.plantMlPerMm / Math.max(1, model.pot.capacity.availableMl);
  return {
    drive: { surfaceMm: surface / count, wallMm: wall / count },
    drinking: surface > 0 && perMm > 0 ? plant / (surface * perMm) : 0,
  };
}

/** Days to dry under steady conditions: the integral of dm over the loss at m. */
export function steadyDaysToDry(
  pot: PotModel,
  conditions: { drive: { surfaceMm: number; wallMm: number }; drinking: number; rate: number },
  surfaceWetM: number,
): number {
  const store = Math.max(1, pot.capacity.availableMl);
  const { surfaceMm, wallMm } = conditions.drive;
  const s = (conditions.rate * surfaceMm * pot.surfaceMlPerMm) / store;
  const w = (conditions.rate * wallMm * pot.wallMlPerMm) / store;
  const p = (conditions.rate * surfaceMm * pot.plantMlPerMm * conditions.drinking) / store;
  const step = (1 - DRY_TO_M) / SLICES;
  let days = 0;
  for (let i = 0; i < SLICES; i++) days += step / lossAt(DRY_TO_M + (i + 0.5) * step, s, w, p, surfaceWetM);
  return Math.min(LONGEST_DAYS, days);
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}

function detail(factor: Factor, plant: Plant, actual: Conditions): Pick<Reason, 'n' | 'of'> {
  switch (factor) {
    case 'place':
      return { n: { surface_mm: tenth(actual.drive.surfaceMm) } };
    case 'season':
      return { n: { share: Math.round(actual.drinking * 100) / 100 } };
    case 'pot-material':
      return { n: {}, of: plant.pot.material };
    case 'pot-size':
      return {
        n: {
          top_mm: plant.pot.top_mm,
          depth_mm: plant.pot.depth_mm,
          reference_top_mm: REFERENCE_POT.top_mm,
          reference_depth_mm: REFERENCE_POT.depth_mm,
        },
      };
    case 'mix':
      return { n: { held_share: Math.round(100 * (actual.blend.waterAt(4) - actual.blend.airDry)) / 100 } };
    case 'top-dressing':
      return { n: { dressing_mm: plant.pot.top_dressing_mm } };
    default:
      return { n: { rate: tenth(actual.rate) }, of: actual.looked ? 'own' : 'shared' };
  }
}
