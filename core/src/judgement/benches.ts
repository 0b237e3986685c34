/**
 * How fit a place is for one plant as it is now, and which of the keeper's others would be fitter: light, cold, heat and
 * rain in one function, asked by whoever says that a plant should stand elsewhere.
 */
import type { DayNumber } from '../calendar/day.ts';
import { lightVerdict, type LightVerdict } from '../care/light.ts';
import type { GardenForecast } from '../forecast/forecast.ts';
import type { Air, PlaceKind, PlantState } from '../garden.ts';
import { placeDefaults } from '../place/defaults.ts';
import { nightItWillBearC } from '../plant/bears.ts';
import { heatLimitC } from '../plant/heat.ts';
import { type Light, LIGHT_BANDS } from '../plant/library.ts';
import type { Traits } from '../plant/traits.ts';
import type { Nature } from '../plant/nature.ts';
import { restPlace } from '../season/restPlace.ts';
import type { Move } from './deeds.ts';

/** A place where a plant could stand, in the figures that decide. */
export interface Bench {
  id: string;
  name: string;
  kind: PlaceKind;
  air: Air;
  /** lowest of the coming three weeks' nights; their mean; the highest day of the coming week, °C */
  coldestC: number;
  warmthC: number;
  highC: number;
  /** daily light of the last two weeks, mol m⁻² d⁻¹ */
  dliMol: number;
  /** another pot finds room */
  room: boolean;
}

const NIGHTS = 21;
const WEEK = 7;
const FORTNIGHT = 14;

export function benchesOf({ garden, climate }: GardenForecast, today: DayNumber): Bench[] {
  return garden.places.map((place) => {
    const { firstDay, tminC, tmaxC, tmeanC, dliMol, days } = climate.expected(place.id);
    const i = today - firstDay;
    const over = (values: Float64Array, from: number, count: number) =>
      values.subarray(Math.max(0, from), Math.min(days, from + count));
    const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
    return {
      id: place.id,
      name: place.name ?? place.id,
      kind: place.kind,
      air: place.air,
      coldestC: Math.min(...over(tminC, i + 1, NIGHTS)),
      warmthC: mean(over(tmeanC, i - FORTNIGHT + 1, FORTNIGHT + NIGHTS)),
      highC: Math.max(...over(tmaxC, i, WEEK + 1)),
      dliMol: mean(over(dliMol, i - FORTNIGHT + 1, FORTNIGHT)),
      room: place.full !== true,
    };
  });
}

/** What of a plant decides where it may stand. */
export interface Stands {
  traits: Traits;
  nature: Nature;
  state: PlantState;
  light: Light;
  ceilingC: number;
  /** moisture of its pot */
  m: number;
  /** a kind that fails under a roof */
  failsIndoors: boolean;
}

export type Unfit =
  'too-cold' | 'too-hot' | 'too-dim' | 'too-bright' | 'too-warm-to-rest' | 'under-a-roof' | 'rained-on';

/** What a place would do to it; none: it fits. */
export function unfitness(bench: Bench, plant: Stands): Unfit[] {
  const { traits, nature, state, light, ceilingC, m } = plant;
  const out: Unfit[] = [];
  const { indoors, openSky } = placeDefaults(bench.kind);
  if (bench.coldestC < nightItWillBearC(traits, state, m)) out.push('too-cold');
  if (bench.highC >= heatLimitC(ceilingC, false, state === 'resting')) out.push('too-hot');
  const verdict = lightVerdict(bench.dliMol, light, state, restPlace(traits));
  if (verdict === 'too-dim' || verdict === 'too-bright') out.push(verdict);
  if (state === 'resting' && indoors && bench.warmthC > (restPlace(traits)?.toC ?? Infinity) + TOO_WARM_K)
    out.push('too-warm-to-rest');
  if (indoors && plant.failsIndoors) out.push('under-a-roof');
  // Rain at the wrong time is no sleeper's friend, unless the open is its home.
  if (openSky && state === 'resting' && nature !== 'hardy') out.push('rained-on');
  return out;
}
/** No house keeps its winter quarters to the degree. */
const TOO_WARM_K = 3;

/** How much of what a move is for a bench brings; below or at nil it brings none. */
function gain(what: Move | 'in', bench: Bench, here: Bench, plant: Stands): number {
  const band = LIGHT_BANDS[plant.light];
  switch (what) {
    case 'warmer':
    case 'in':
      return bench.coldestC - here.coldestC;
    case 'brighter':
      return (Math.min(bench.dliMol, band.wellTo) - here.dliMol) / band.getsBy;
    case 'shadier':
      return (here.dliMol - bench.dliMol) / band.wellFrom + (here.highC - bench.highC) / 4;
    case 'drier': {
      const { openSky } = placeDefaults(bench.kind);
      return openSky ? -1 : AIRY[bench.air] - AIRY[here.air] + (placeDefaults(here.kind).openSky ? 1 : 0);
    }
    case 'apart':
    case 'cover':
      return -1;
  }
}
const AIRY: Record<Air, number> = { still: 0, gentle: 0.5, breezy: 1 };

/** The fittest other place that has room and brings what the move is for, or null. */
export function benchFor(what: Move | 'in', plant: Stands, hereId: string, benches: readonly Bench[]): Bench | null {
  const here = benches.find(({ id }) => id === hereId);
  if (!here) return null;
  const fit = benches
    .filter((bench) => bench !== here && bench.room && unfitness(bench, plant).length === 0)
    .map((bench) => ({ bench, gain: gain(what, bench, here, plant) }))
    .filter((one) => one.gain > 0)
    // Least of a change first: what is just enough shocks least.
    .sort((a, b) => a.gain - b.gain);
  return fit[0]?.bench ?? null;
}

export type { LightVerdict };
