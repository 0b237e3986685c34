/**
 * The sun's geometry for a whole day.
 * Source: Allen, Pereira, Raes & Smith (1998), Crop evapotranspiration, FAO Irrigation and Drainage Paper 56,
 * chapter 3 (equation numbers at each formula).
 */
import { clamp } from '../numeric/curves.ts';

export const RADIANS_PER_DEGREE = Math.PI / 180;

/** Solar constant, MJ m⁻² min⁻¹ (FAO-56, eq 21). */
const SOLAR_CONSTANT = 0.082;

/** Inverse relative distance earth–sun (eq 23). */
export function inverseRelativeDistance(dayOfYear: number): number {
  return 1 + 0.033 * Math.cos(((2 * Math.PI) / 365) * dayOfYear);
}

/** Solar declination, radians (eq 24). */
export function solarDeclination(dayOfYear: number): number {
  return 0.409 * Math.sin(((2 * Math.PI) / 365) * dayOfYear - 1.39);
}

/** Sunset hour angle, radians (eq 25); 0 in polar night and π in polar day, where the equation has no root. */
export function sunsetHourAngle(latitudeRad: number, declinationRad: number): number {
  return Math.acos(clamp(-Math.tan(latitudeRad) * Math.tan(declinationRad), -1, 1));
}

/** Hours from sunrise to sunset (eq 34). At 20° S on 3 September: 11.7 h (example 9). */
export function dayLengthH(latitudeDeg: number, dayOfYear: number): number {
  const angle = sunsetHourAngle(latitudeDeg * RADIANS_PER_DEGREE, solarDeclination(dayOfYear));
  return (24 / Math.PI) * angle;
}

/** Radiation above the air on level ground, MJ m⁻² d⁻¹ (eq 21). At 20° S on 3 September: 32.2 (example 8). */
export function extraterrestrialRadiationMj(latitudeDeg: number, dayOfYear: number): number {
  const latitude = latitudeDeg * RADIANS_PER_DEGREE;
  const declination = solarDeclination(dayOfYear);
  const sunset = sunsetHourAngle(latitude, declination);
  return (
    ((24 * 60) / Math.PI) *
    SOLAR_CONSTANT *
    inverseRelativeDistance(dayOfYear) *
    (sunset * Math.sin(latitude) * Math.sin(declination) +
      Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset))
  );
}
