/**
 * What the air at a place can take from something wet, by day and by night.
 * Source: Penman (1948), Proceedings of the Royal Society A 193, in Shuttleworth's (1993) units:
 * E = (Δ Rn + γ 6.43 (a + 0.536 u) VPD) / (λ (Δ + γ)). Penman's a = 1 holds for a lake; a pot is small, so its boundary
 * layer is thin, and a = 1.7 (transfer rises with the inverse root of the size; Monteith & Unsworth 2013, ch. 9).
 */
import { clamp } from '../numeric/curves.ts';
import { saturationSlopeKPaPerK, saturationVapourKPa } from '../sky/vapour.ts';
import type { PlaceDay } from './placeDay.ts';

/** Latent heat of vaporisation, MJ kg⁻¹. */
const LATENT_MJ_KG = 2.45;
/** Wet mix and leaves reflect about a fifth of the light. */
const ALBEDO = 0.2;
/** Penman's constant for something the size of a pot. */
const FREE_CONVECTION = 1.7;
/** The rim, the plant and the neighbours stand between the sky and the mix. */
const SURFACE_LIGHT = 0.6;
/** Upright walls get the light from the side, and neighbours stand in it. */
const WALL_LIGHT = 0.25;
/** VPD never quite vanishes over a day. */
const LEAST_VPD_KPA = 0.03;
const HOURS = 24;
/** Checks and waterings happen at nine. */
const NINE = 9;

/** Potential evaporation, mm: what each cm² could lose (1 mm · 1 cm² = 0.1 ml). */
export interface Drive {
  surfaceMm: number;
  wallMm: number;
  /** share of both that falls before nine in the morning */
  earlyShare: number;
  vpdDayKPa: number;
  vpdNightKPa: number;
}

export function drive(day: PlaceDay, gammaKPaPerK: number): Drive {
  const tmeanC = (day.tminC + day.tmaxC) / 2;
  const dayH = clamp(day.dayLengthH, 1, 23);
  const nightH = HOURS - dayH;
  const dayC = (tmeanC + day.tmaxC) / 2;
  const nightC = (tmeanC + day.tminC) / 2;
  const vpdDayKPa = Math.max(LEAST_VPD_KPA, saturationVapourKPa(dayC) - day.eaKPa);
  const vpdNightKPa = Math.max(LEAST_VPD_KPA, saturationVapourKPa(nightC) - day.eaKPa);
  const wind = 6.43 * (FREE_CONVECTION + 0.536 * day.airMS);

  const daySlope = saturationSlopeKPaPerK(dayC);
  const dayShare = gammaKPaPerK / (daySlope + gammaKPaPerK);
  const nightShare = gammaKPaPerK / (saturationSlopeKPaPerK(nightC) + gammaKPaPerK);
  const dayAir = (dayShare * wind * vpdDayKPa * (dayH / HOURS)) / LATENT_MJ_KG;
  const nightAir = (nightShare * wind * vpdNightKPa * (nightH / HOURS)) / LATENT_MJ_KG;

  const net = Math.max(0, SURFACE_LIGHT * ((1 - ALBEDO) * day.rsMj - day.longwaveMj));
  const sun = ((1 - dayShare) * net) / LATENT_MJ_KG;
  const wallSun =
    ((1 - dayShare) * Math.max(0, WALL_LIGHT * ((1 - ALBEDO) * day.rsMj - day.longwaveMj))) / LATENT_MJ_KG;
  const surfaceMm = sun + dayAir + nightAir;

  // Before nine: most of the night, and the low sun. A half sine over the lit hours.
  const sunrise = HOURS / 2 - dayH / 2;
  const lit = clamp((NINE - sunrise) / dayH, 0, 1);
  const earlyDay = (1 - Math.cos(Math.PI * lit)) / 2;
  const earlyNight = clamp(Math.min(NINE, sunrise) / nightH, 0, 1);
  const earlyMm = earlyDay * (sun + dayAir) + earlyNight * nightAir;
  return {
    surfaceMm,
    wallMm: wallSun + dayAir + nightAir,
    earlyShare: surfaceMm > 0 ? earlyMm / surfaceMm : 0.2,
    vpdDayKPa,
    vpdNightKPa,
  };
}
