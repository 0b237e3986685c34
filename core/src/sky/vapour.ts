/** Water vapour in air. Source: FAO Irrigation and Drainage Paper 56, chapter 3; equation numbers at each formula. */

/** Saturation vapour pressure over water, kPa (eq 11). At 24.5 °C 3.075, at 15 °C 1.705. */
export function saturationVapourKPa(tempC: number): number {
  return 0.6108 * Math.exp((17.27 * tempC) / (tempC + 237.3));
}

/** Mean saturation vapour pressure of a day, kPa (eq 12). For 24.5/15.0 °C: 2.39 (example 3). */
export function meanSaturationVapourKPa(tmaxC: number, tminC: number): number {
  return (saturationVapourKPa(tmaxC) + saturationVapourKPa(tminC)) / 2;
}

/** Actual vapour pressure from the mean relative humidity, kPa (eq 19). */
export function actualVapourFromMeanRhKPa(tmaxC: number, tminC: number, rhPct: number): number {
  return (rhPct / 100) * meanSaturationVapourKPa(tmaxC, tminC);
}

/** Slope of the saturation curve, kPa K⁻¹ (eq 13). */
export function saturationSlopeKPaPerK(tempC: number): number {
  return (4098 * saturationVapourKPa(tempC)) / (tempC + 237.3) ** 2;
}

/** Air pressure at an elevation, kPa (eq 7). */
export function airPressureKPa(elevationM: number): number {
  return 101.3 * ((293 - 0.0065 * elevationM) / 293) ** 5.26;
}

/** Psychrometric constant, kPa K⁻¹ (eq 8). */
export function psychrometricKPaPerK(elevationM: number): number {
  return 0.000665 * airPressureKPa(elevationM);
}
