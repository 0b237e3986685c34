/**
 * Parts of FAO-56 that the engine has no use for, so that its worked examples can be followed from end to end: what the
 * engine does use is tried within them.
 */
import { type DayNumber } from '../src/calendar/day.ts';
import { psychrometricKPaPerK, saturationSlopeKPaPerK, saturationVapourKPa } from '../src/sky/vapour.ts';

export interface ReferenceDay {
  tmeanC: number;
  /** mean saturation vapour pressure */
  esKPa: number;
  eaKPa: number;
  netRadiationMj: number;
  windMS: number;
  elevationM: number;
}

/**
 * Evaporation of the reference grass, mm d⁻¹ (FAO-56, eq 6, soil heat flux nil over a day).
 * At 50.8° N, 100 m, 6 July, 21.5/12.3 °C, RH 84/63 %, 2.078 m/s, 9.25 h of sun: 3.9 (example 18).
 */
export function referenceEtMm(day: ReferenceDay): number {
  const slope = saturationSlopeKPaPerK(day.tmeanC);
  const gamma = psychrometricKPaPerK(day.elevationM);
  const radiation = 0.408 * slope * day.netRadiationMj;
  const aerodynamic = gamma * (900 / (day.tmeanC + 273)) * day.windMS * (day.esKPa - day.eaKPa);
  return (radiation + aerodynamic) / (slope + gamma * (1 + 0.34 * day.windMS));
}

/** Incoming radiation from the temperature range where nobody counts sunshine, MJ m⁻² d⁻¹ (eq 50, inland k = 0.16). */
export function radiationFromRangeMj(raMj: number, tmaxC: number, tminC: number): number {
  return Math.min(0.75, 0.16 * Math.sqrt(Math.max(0, tmaxC - tminC))) * raMj;
}

/** Net shortwave, MJ m⁻² d⁻¹ (eq 38; the reference crop's albedo is 0.23). */
export function netShortwaveMj(rsMj: number, albedo = 0.23): number {
  return (1 - albedo) * rsMj;
}

/** Wind at 2 m from a mast of another height, m s⁻¹ (eq 47). 3.2 m/s at 10 m is 2.4 m/s at 2 m (example 14). */
export function windAt2m(windMS: number, heightM: number): number {
  return (windMS * 4.87) / Math.log(67.8 * heightM - 5.42);
}

/** Actual vapour pressure from the day's extremes of humidity, kPa (eq 17). */
export function actualVapourFromRhExtremesKPa(
  tmaxC: number,
  tminC: number,
  rhMaxPct: number,
  rhMinPct: number,
): number {
  return (saturationVapourKPa(tminC) * (rhMaxPct / 100) + saturationVapourKPa(tmaxC) * (rhMinPct / 100)) / 2;
}

/** A day of the year taken half a year on, for whoever lives on the other half of the globe. */
export function mirroredDay(day: DayNumber): DayNumber {
  return day + 183;
}
