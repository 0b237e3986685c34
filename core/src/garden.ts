/**
 * What the engine knows of a collection: the shapes of the garden file, once read and found sound.
 * Names and units are those of the file (docs/formats.md), so that nothing is renamed on the way.
 */
import { type Form, FORMS } from './catalogue/forms.ts';
import { POT_MATERIALS, type PotMaterial } from './catalogue/materials.ts';
import { type Air, AIRS, PLACE_KINDS, type PlaceKind } from './catalogue/places.ts';
import { type Sign, SIGNS } from './catalogue/signs.ts';
import type { Cause } from './catalogue/causes.ts';
import type { Found, Outcome, Step } from './clinic/steps.ts';
import type { WaterKind } from './watering.ts';
import type { MethodId } from './catalogue/ways.ts';

export type Twelve = readonly number[];

export interface Normals {
  tmin_c: Twelve;
  tmax_c: Twelve;
  rh_pct: Twelve;
  /** mean hours a day */
  sunshine_h: Twelve;
  /** month totals */
  rain_mm: Twelve;
  /** at 2 m */
  wind_m_s: Twelve;
}

export interface Site {
  latitude_deg: number;
  longitude_deg: number;
  elevation_m: number;
  normals: Normals;
}

export interface WeatherDay {
  date: string;
  tmin_c: number;
  tmax_c: number;
  rh_pct: number;
  sunshine_h: number;
  rain_mm: number;
  wind_m_s: number;
  source: 'observed' | 'forecast';
  /** of a forecast: the day on which it was made; left out: today */
  issued?: string | null;
}

export { PLACE_KINDS, type PlaceKind };
export { AIRS, type Air };

export interface ThermometerReading {
  date: string;
  tmin_c: number;
  tmax_c: number;
  rh_pct?: number | null;
}

export interface Place {
  id: string;
  /** as its keeper calls it; left out: its id */
  name?: string | null;
  /** no other pot finds room there */
  full?: boolean | null;
  kind: PlaceKind;
  aspect_deg?: number | null;
  light_fraction?: number | null;
  floor_c?: number | null;
  vent_c?: number | null;
  indoor_c?: Twelve | null;
  air: Air;
  lamp?: { ppfd_umol_m2_s: number; hours: number } | null;
  /** a day's rain below this wets no pot here, mm; left out: all of it counts */
  rain_counts_mm?: number | null;
  thermometer?: readonly ThermometerReading[] | null;
}

/** What roots are found like when a plant is potted. */
export const ROOT_FINDINGS = ['white-firm', 'brown-soft', 'dry-brittle', 'pests', 'circling'] as const;
export type RootFinding = (typeof ROOT_FINDINGS)[number];

export interface MixPart {
  component: string;
  parts: number;
}

export interface Mix {
  id: string;
  /** as its keeper calls it; left out: its id */
  name?: string | null;
  parts: readonly MixPart[];
}

/** A component that the garden adds to the built-in list. Shares are of loose volume. */
export interface OwnComponent {
  id: string;
  total_porosity: number;
  water_at_10cm: number;
  water_air_dry: number;
  bulk_density_g_ml: number;
  ph?: number | null;
}

export const POT_SHAPES = ['round', 'square', 'bowl'] as const;
export type PotShape = (typeof POT_SHAPES)[number];
export { POT_MATERIALS, type PotMaterial };

/** Inside measures; `depth_mm` is of mix, without the dressing; a square's `top_mm` is its side. */
export interface Pot {
  shape: PotShape;
  top_mm: number;
  base_mm: number;
  depth_mm: number;
  material: PotMaterial;
  wall_mm?: number | null;
  holes: boolean;
  top_dressing_mm: number;
  /** dark enough to heat up in the sun; like the holes' sizes not held by garden files */
  dark?: boolean | null;
  hole_count?: number | null;
  /** across, of one hole */
  hole_mm?: number | null;
  /** a floor of crocks below the mix, within `depth_mm`: it takes room and is no hole */
  crocks_mm?: number | null;
}

/**
 * When a plant sleeps: in its season, whatever the room; only when its season is cold too, and else it slows; or never, it
 * slows. The last is also what a keeper asks of one that is to skip its rest.
 */
export const SLEEPS = ['season', 'cold', 'never'] as const;
export type Sleeps = (typeof SLEEPS)[number];

export const HABITS = ['summer', 'winter', 'spring-autumn', 'evergreen', 'opportunist'] as const;
export type Habit = (typeof HABITS)[number];
export { FORMS, type Form };
export const DRY_RULES = ['keep-damp', 'dry-top', 'dry-through', 'dry-and-hold'] as const;
export type DryRule = (typeof DRY_RULES)[number];
export const STORES = ['leaf', 'stem', 'below', 'none'] as const;
export type Store = (typeof STORES)[number];
export const PLANT_STATES = ['growing', 'easing', 'resting', 'waking'] as const;
export type PlantState = (typeof PLANT_STATES)[number];

export { SIGNS, type Sign };
export const SIGN_PLACES = [
  'oldest',
  'newest',
  'one-stem',
  'all',
  'base',
  'sun-side',
  'tips',
  'edges',
  'roots',
] as const;
export type SignPlace = (typeof SIGN_PLACES)[number];

export type CheckReading =
  | { finger: 'wet' | 'damp' | 'dry' }
  | { surface: 'wet' | 'dry' }
  | { meter: number }
  | { weight_g: number }
  | { lift: 'heavy' | 'middling' | 'light' };

/** Why a drink that was asked was left out. Want of time says nothing of the plant, and a wet pot is a look. */
export const REFUSALS = ['asleep', 'too-cold', 'just-potted', 'not-sure', 'other'] as const;
export type Refusal = (typeof REFUSALS)[number];

export type PlantEvent =
  | { type: 'watering'; date: string; method: MethodId; amount_ml?: number | null; water?: WaterKind | null }
  | ({ type: 'check'; date: string } & CheckReading)
  | { type: 'weights'; date: string; drained_g: number; dry_g?: number | null }
  | {
      type: 'sign';
      date: string;
      sign: Sign;
      strength: number;
      where?: SignPlace | null;
      when?: 'always' | 'midday' | null;
    }
  | {
      type: 'repotting';
      date: string;
      mix_was?: 'dry' | 'damp' | 'wet' | null;
      roots_cut?: boolean | null;
      /** what the roots were found like */
      findings?: readonly RootFinding[] | null;
      before?: { pot: Pot; mix: string } | null;
    }
  | { type: 'move'; date: string; from?: string | null; place?: string | null }
  | { type: 'feeding'; date: string; dose?: number | null }
  /** as the keeper saw it; `unsure` takes back what was seen before */
  | { type: 'state'; date: string; state: PlantState | 'unsure' }
  /** a drink that was asked and left out */
  | { type: 'refused'; date: string; reason: Refusal }
  /** the keeper's answer that the pot dries otherwise than it did, for good */
  | { type: 'changed'; date: string; pace: 'slower' | 'faster' }
  /** the keeper takes it that this is what ails it: a case is opened. Garden files hold none of the clinic's kinds */
  | {
      type: 'verdict';
      date: string;
      cause: Cause;
      /** no water until this day, whatever is reckoned */
      hold_until?: string | null;
      /** its gaps from now on, a step */
      gap?: 'earlier' | 'later' | null;
    }
  | { type: 'case-step'; date: string; cause: Cause; step: Step; found?: Found | null }
  | { type: 'case-closed'; date: string; cause: Cause; outcome: Outcome };

export interface Plant {
  id: string;
  /** its id in garden files, where it bears another here */
  ref?: string | null;
  name?: string | null;
  taxon?: string | null;
  habit?: Habit | null;
  form?: Form | null;
  diameter_mm: number;
  height_mm: number;
  dry_rule?: DryRule | null;
  hold_days?: number | null;
  place: string;
  mix: string;
  store?: Store | null;
  min_dry_c?: number | null;
  min_wet_c?: number | null;
  grow_min_c?: number | null;
  pot: Pot;
  leafless?: boolean | null;
  /** the keeper's record of it, as files hold it (plant/kept.ts reads it) */
  name_sure?: 'sure' | 'likely' | 'unknown' | null;
  used_to?: string | null;
  acquired_on?: string | null;
  /** rules of care of its own (care/rules.ts) */
  care?: object | null;
  /** days of interval steps that the keeper took back; in files within its care */
  steps_taken_back?: readonly string[] | null;
  /** grown in a wet mix before its last potting, as its keeper says; garden files tell it by the pot before */
  grown_wet?: boolean | null;
  /** nobody knows what it is: what its name says is taken on the dry side; in files as name_sure */
  name_unknown?: boolean | null;
  /** the name is likely and not sure: a little to the dry side */
  name_likely?: boolean | null;
  /** moisture at which the keeper wants water called for, in place of the dry rule's; in files within its care */
  due_m?: number | null;
  /**
   * warmth from which it does best, and height of a day from which it shuts down, as the keeper has them, °C; in files within
   * its care
   */
  ideal_from_c?: number | null;
  heat_from_c?: number | null;
  /** when it sleeps, as the keeper wants it, in place of its kind's; in files within its care */
  sleeps?: Sleeps | null;
  root_loss?: number | null;
  events: readonly PlantEvent[];
}

export interface Garden {
  today: string;
  site: Site;
  weather: readonly WeatherDay[];
  places: readonly Place[];
  mixes: readonly Mix[];
  components?: readonly OwnComponent[] | null;
  plants: readonly Plant[];
}
