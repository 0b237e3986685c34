/**
 * The usual weather of a place of which only its whereabouts are known: a first guess until better figures are brought
 * in. Zonal means at sea level (Hartmann, Global Physical Climatology, 2nd ed., ch. 1: about 27 °C at the equator, 11
 * at 47°, 1 at 60°), a lapse of 6.5 K a kilometre (US Standard Atmosphere), a yearly swing that grows with latitude.
 * Coasts swing less, inland places more; rain and wind are mere middles.
 */
import type { Normals } from '../garden.ts';
import { dayLengthH } from './solar.ts';

const EQUATOR_C = 27;
const LOSS_PER_DEG2 = 0.0073;
const LAPSE_K_PER_M = 0.0065;
const SWING_PER_DEG = 0.21;
const HALF_DAILY_RANGE_K = 5;
const SUNNY_SHARE = 0.45;
const RAIN_MM = 60;
const WIND_M_S = 2;
/** the middle of the warmest month, July in the north */
const WARMEST_MONTH = 6;
const MID_MONTH_DAYS = [15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349];

/** `roughNormals(47, 400).tmax_c[6]` is about 23: a July day inland at 47° north and 400 m. */
export function roughNormals(latitudeDeg: number, elevationM: number): Normals {
  const annualC = EQUATOR_C - LOSS_PER_DEG2 * latitudeDeg ** 2 - LAPSE_K_PER_M * Math.max(0, elevationM);
  const swingK = SWING_PER_DEG * Math.abs(latitudeDeg) * Math.sign(latitudeDeg || 1);
  const months = Array.from(
    { length: 12 },
    (_, month) => annualC + swingK * Math.cos((2 * Math.PI * (month - WARMEST_MONTH)) / 12),
  );
  const tenth = (value: number) => Math.round(value * 10) / 10;
  return {
    tmin_c: months.map((mean) => tenth(mean - HALF_DAILY_RANGE_K)),
    tmax_c: months.map((mean) => tenth(mean + HALF_DAILY_RANGE_K)),
    // Cool air is nearer to saturation.
    rh_pct: months.map((mean) => Math.round(Math.min(85, Math.max(55, 80 - 0.6 * mean)))),
    sunshine_h: MID_MONTH_DAYS.map((day) => tenth(SUNNY_SHARE * dayLengthH(latitudeDeg, day))),
    rain_mm: months.map(() => RAIN_MM),
    wind_m_s: months.map(() => WIND_M_S),
  };
}
