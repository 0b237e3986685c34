import { psychrometricKPaPerK, saturationSlopeKPaPerK } from './vapour.ts';

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
