/** Radiation that reaches the ground and leaves it. Source: FAO-56, chapter 3; equation numbers at each formula. */

/** Stefan–Boltzmann constant, MJ K⁻⁴ m⁻² d⁻¹ (eq 39). */
const STEFAN_BOLTZMANN = 4.903e-9;
const KELVIN = 273.16;

/** Incoming radiation from sunshine hours, MJ m⁻² d⁻¹ (eq 35, a = 0.25, b = 0.50). */
export function radiationFromSunshineMj(raMj: number, sunshineH: number, dayLengthH: number): number {
  const relative = dayLengthH > 0 ? Math.min(1, sunshineH / dayLengthH) : 0;
  return (0.25 + 0.5 * relative) * raMj;
}

/** Clear-sky radiation, MJ m⁻² d⁻¹ (eq 37). */
export function clearSkyRadiationMj(raMj: number, elevationM: number): number {
  return (0.75 + 2e-5 * elevationM) * raMj;
}

/** Net outgoing longwave, MJ m⁻² d⁻¹ (eq 39). */
export function netLongwaveMj(tmaxC: number, tminC: number, eaKPa: number, rsMj: number, rsoMj: number): number {
  const meanFourth = ((tmaxC + KELVIN) ** 4 + (tminC + KELVIN) ** 4) / 2;
  const cloud = rsoMj > 0 ? Math.min(1, rsMj / rsoMj) : 0.7;
  return STEFAN_BOLTZMANN * meanFourth * (0.34 - 0.14 * Math.sqrt(Math.max(0, eaKPa))) * (1.35 * cloud - 0.35);
}

/**
 * Photosynthetic light of a day from its radiation, mol m⁻² d⁻¹:
 * 45 % of the energy lies in 400–700 nm, at 4.57 µmol J⁻¹ (McCree 1972; Thimijan & Heins 1983).
 */
export function dailyLightIntegralMol(rsMj: number): number {
  return 0.45 * 4.57 * rsMj;
}
