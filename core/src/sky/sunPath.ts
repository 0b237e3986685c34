/**
 * The sun against a wall: how much of the day's direct light a window of some aspect gets.
 * Source: Duffie & Beckman (2013), Solar Engineering of Thermal Processes, eqs 1.6.2–1.6.6 (incidence, altitude,
 * azimuth); beam and diffuse parted by the daily clearness index after Erbs, Klein & Duffie (1982), summer branch.
 */
import { clamp } from '../numeric/curves.ts';
import { RADIANS_PER_DEGREE, solarDeclination } from './solar.ts';

export interface SunPosition {
  /** above the horizon, radians */
  altitudeRad: number;
  /** from north, eastward, radians */
  azimuthRad: number;
}

export function sunPosition(latitudeDeg: number, dayOfYear: number, solarHour: number): SunPosition {
  const latitude = latitudeDeg * RADIANS_PER_DEGREE;
  const declination = solarDeclination(dayOfYear);
  const hourAngle = (solarHour - 12) * 15 * RADIANS_PER_DEGREE;
  const up =
    Math.sin(latitude) * Math.sin(declination) + Math.cos(latitude) * Math.cos(declination) * Math.cos(hourAngle);
  const east = -Math.cos(declination) * Math.sin(hourAngle);
  const north =
    Math.cos(latitude) * Math.sin(declination) - Math.sin(latitude) * Math.cos(declination) * Math.cos(hourAngle);
  return { altitudeRad: Math.asin(clamp(up, -1, 1)), azimuthRad: Math.atan2(east, north) };
}

const STEPS_A_DAY = 96;

export interface WindowSun {
  /** hours in which the sun strikes the pane */
  directH: number;
  /** of them before solar noon */
  morningH: number;
  /** beam on the pane for each unit of beam on level ground, over the day */
  beamRatio: number;
}

/**
 * The sun on an upright pane facing `aspectDeg` (0 north, 90 east), with everything below `obstructionDeg` hidden.
 * A window to the south at 47° N has its sun all day in winter and loses the early and late hours in summer.
 */
export function windowSun(latitudeDeg: number, dayOfYear: number, aspectDeg: number, obstructionDeg = 0): WindowSun {
  const aspect = aspectDeg * RADIANS_PER_DEGREE;
  const lowest = Math.max(0, obstructionDeg * RADIANS_PER_DEGREE);
  let directSteps = 0;
  let morningSteps = 0;
  let pane = 0;
  let level = 0;
  for (let step = 0; step < STEPS_A_DAY; step++) {
    const hour = ((step + 0.5) * 24) / STEPS_A_DAY;
    const sun = sunPosition(latitudeDeg, dayOfYear, hour);
    if (sun.altitudeRad <= 0) continue;
    level += Math.sin(sun.altitudeRad);
    const incidence = Math.cos(sun.altitudeRad) * Math.cos(sun.azimuthRad - aspect);
    if (incidence <= 0 || sun.altitudeRad < lowest) continue;
    pane += incidence;
    directSteps++;
    if (hour < 12) morningSteps++;
  }
  const stepH = 24 / STEPS_A_DAY;
  return { directH: directSteps * stepH, morningH: morningSteps * stepH, beamRatio: level > 0 ? pane / level : 0 };
}

/** Share of the day's light that comes from the whole sky rather than from the sun, by clearness index Rs/Ra. */
export function diffuseShare(clearness: number): number {
  const k = clamp(clearness, 0, 0.8);
  return clamp(1 + 0.2832 * k - 2.5557 * k * k + 0.8448 * k * k * k, 0.2, 1);
}

const COMPASS_POINTS = 16;

/**
 * Beam ratio of a pane against the mean of all directions: `[own, mean]`.
 * The two are kept apart because the day's clouds decide how much the beam counts (see {@link aspectFactor}).
 */
export function beamRatios(latitudeDeg: number, dayOfYear: number, aspectDeg: number): [own: number, mean: number] {
  let sum = 0;
  for (let point = 0; point < COMPASS_POINTS; point++) {
    sum += windowSun(latitudeDeg, dayOfYear, (360 / COMPASS_POINTS) * point).beamRatio;
  }
  return [windowSun(latitudeDeg, dayOfYear, aspectDeg).beamRatio, sum / COMPASS_POINTS];
}

/**
 * Light on a pane over the mean of all directions, for a day of this clearness: above 1 toward the sun, below 1 away.
 */
export function aspectFactor([own, mean]: readonly [number, number], clearness: number): number {
  const diffuse = diffuseShare(clearness);
  // An upright pane sees half the sky and, reflected, half the ground (albedo 0.2).
  const base = 0.5 * diffuse + 0.1;
  return ((1 - diffuse) * own + base) / ((1 - diffuse) * mean + base);
}
