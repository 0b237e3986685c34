import type { Place } from '../garden.ts';
import { aspectFactor } from '../sky/sunPath.ts';
import type { SkyDay } from '../sky/skyDay.ts';
import { dailyLightIntegralMol } from '../sky/radiation.ts';
import { saturationVapourKPa } from '../sky/vapour.ts';
import { airSpeedMS, DEFAULT_VENT_C, floorC, placeDefaults } from './defaults.ts';
import { glassDay } from './glass.ts';
import { INDOOR_VAPOUR_KPA, roomMeanC } from './indoor.ts';

/** A day at the plants. */
export interface PlaceDay {
  tminC: number;
  tmaxC: number;
  /** actual vapour pressure */
  eaKPa: number;
  /** sun, sky and lamp at the plants, as energy */
  rsMj: number;
  /** longwave lost to the sky */
  longwaveMj: number;
  dliMol: number;
  /** what the plant takes for the day's length: the sun's, or the lamp's hours */
  dayLengthH: number;
  airMS: number;
  rainMm: number;
}

/** What a thermometer in the place has taught (see thermometer.ts), for one day. */
export interface Correction {
  tminC: number;
  tmaxC: number;
  /** factor on the vapour pressure */
  vapour: number;
}

export const NO_CORRECTION: Correction = { tminC: 0, tmaxC: 0, vapour: 1 };

/** PAR energy of lamp light: µmol s⁻¹ to W through 4.57 µmol J⁻¹; white diodes give little outside PAR. */
const LAMP_UMOL_PER_J = 4.57;
const LAMP_NEAR_PAR = 1.15;
/** A lit shelf runs this much over its room per 100 µmol m⁻² s⁻¹, up to 3 K. */
const LAMP_WARMTH_C_PER_100 = 1;
/** Rooms swing little; a sill shares the pane's cold at night and its sun by day. */
const ROOM_SWING_C = 1.2;
const SILL_COLD_SHARE = 0.14;
/** Warmth by sun on a sill: K for each MJ that reaches it. */
const SILL_SUN_C_PER_MJ = 0.3;
/** Cover keeps some night warmth outdoors. */
const COVER_NIGHT_C = 0.8;
/** Dew holds the vapour in room air down to this share of saturation at the day's lowest. */
const INDOOR_RH_LIMIT = 0.85;

/**
 * The day at the plants from the day outside.
 * `outdoorWeekC` is the mean outdoor warmth of the week before (walls lag); `beams` the wall's beam ratios of the day.
 */
export function placeDay(
  place: Place,
  sky: SkyDay,
  outdoorWeekC: number,
  beams: readonly [number, number] | null,
  correction: Correction = NO_CORRECTION,
): PlaceDay {
  const kind = placeDefaults(place.kind);
  const aspect = beams ? 1 + kind.aspectWeight * (aspectFactor(beams, sky.clearness) - 1) : 1;
  const naturalMj = Math.min(sky.rsMj, sky.rsMj * (place.light_fraction ?? kind.lightFraction) * aspect);
  const lamp = place.lamp ?? null;
  const lampMj = lamp ? (lamp.ppfd_umol_m2_s / LAMP_UMOL_PER_J) * LAMP_NEAR_PAR * lamp.hours * 0.0036 : 0;
  const lampMol = lamp ? lamp.ppfd_umol_m2_s * lamp.hours * 0.0036 : 0;

  const air = airAt(place, sky, outdoorWeekC, naturalMj);
  const lampWarmthC = lamp ? Math.min(3, (lamp.ppfd_umol_m2_s / 100) * LAMP_WARMTH_C_PER_100) : 0;
  const tminC = air.tminC + correction.tminC;
  const tmaxC = Math.max(tminC + 0.2, air.tmaxC + (lampMol > 0 ? lampWarmthC : 0) + correction.tmaxC);
  const eaKPa = Math.min(air.eaKPa * correction.vapour, 0.99 * saturationVapourKPa((tminC + tmaxC) / 2));
  return {
    tminC,
    tmaxC,
    eaKPa,
    rsMj: naturalMj + lampMj,
    longwaveMj: sky.longwaveMj * kind.skyShare,
    dliMol: dailyLightIntegralMol(naturalMj) + lampMol,
    dayLengthH:
      lampMol > 0 ? Math.max(lamp!.hours, lamp!.hours >= 1 && naturalMj > lampMj ? sky.dayLengthH : 0) : sky.dayLengthH,
    airMS: airSpeedMS(place, sky.windMS),
    rainMm: sky.rainMm >= (place.rain_counts_mm ?? 0) ? sky.rainMm * kind.rainShare : 0,
  };
}

function airAt(place: Place, sky: SkyDay, outdoorWeekC: number, naturalMj: number) {
  switch (place.kind) {
    case 'open':
      return { tminC: sky.tminC, tmaxC: sky.tmaxC, eaKPa: sky.eaKPa };
    case 'covered': {
      const tminC = sky.tminC + COVER_NIGHT_C;
      return { tminC, tmaxC: Math.max(tminC + 0.5, sky.tmaxC), eaKPa: sky.eaKPa };
    }
    case 'cold-glass':
    case 'heated-glass':
      return glassDay(sky, place.vent_c ?? DEFAULT_VENT_C, floorC(place));
    case 'windowsill': {
      const room = roomMeanC(place, sky.day, outdoorWeekC);
      const tminC = room - ROOM_SWING_C - SILL_COLD_SHARE * Math.max(0, room - sky.tminC);
      return indoors(tminC, room + ROOM_SWING_C + SILL_SUN_C_PER_MJ * naturalMj, sky, place);
    }
    case 'room':
    case 'lamp-shelf': {
      const room = roomMeanC(place, sky.day, outdoorWeekC);
      return indoors(room - ROOM_SWING_C, room + ROOM_SWING_C, sky, place);
    }
  }
}

function indoors(tminC: number, tmaxC: number, sky: SkyDay, place: Place) {
  const low = Math.max(tminC, floorC(place) ?? -Infinity);
  const eaKPa = Math.min(sky.eaKPa + INDOOR_VAPOUR_KPA, INDOOR_RH_LIMIT * saturationVapourKPa(low));
  return { tminC: low, tmaxC: Math.max(tmaxC, low + 0.5), eaKPa };
}

/** The beam ratios a place needs for a day, or null where no wall shapes its light. */
export function needsAspect(place: Place): place is Place & { aspect_deg: number } {
  return place.aspect_deg !== null && place.aspect_deg !== undefined;
}
