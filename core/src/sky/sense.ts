/** Whether usual weather that somebody typed makes sense where it is said to be. */
import type { Normals } from '../garden.ts';
import { dayLengthH } from './solar.ts';

export interface Oddity {
  /** month, 0 January; null: the year as a whole */
  month: number | null;
  field: keyof Normals;
  /** cannot be, or is only unlikely */
  sort: 'impossible' | 'odd';
  code: 'min-above-max' | 'more-sun-than-day' | 'wrong-hemisphere' | 'jump' | 'wide-day' | 'saturated';
}

const MID_MONTH_DAYS = [15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349];
const TROPICS_DEG = 15;
/** Months beside each other differ by less, even inland in Siberia. */
const LARGEST_JUMP_K = 14;
const WIDEST_DAY_K = 25;

const meanOf = (normals: Normals, month: number) => (normals.tmin_c[month]! + normals.tmax_c[month]!) / 2;

/** @returns what cannot be first, then what is odd */
export function oddities(normals: Normals, latitudeDeg: number): Oddity[] {
  const out: Oddity[] = [];
  for (let month = 0; month < 12; month++) {
    const low = normals.tmin_c[month]!;
    const high = normals.tmax_c[month]!;
    if (low > high) out.push({ month, field: 'tmin_c', sort: 'impossible', code: 'min-above-max' });
    else if (high - low > WIDEST_DAY_K) out.push({ month, field: 'tmax_c', sort: 'odd', code: 'wide-day' });
    if (normals.sunshine_h[month]! > dayLengthH(latitudeDeg, MID_MONTH_DAYS[month]!) + 0.1)
      out.push({ month, field: 'sunshine_h', sort: 'impossible', code: 'more-sun-than-day' });
    if (Math.abs(meanOf(normals, month) - meanOf(normals, (month + 1) % 12)) > LARGEST_JUMP_K)
      out.push({ month, field: 'tmax_c', sort: 'odd', code: 'jump' });
    if (normals.rh_pct[month]! >= 99) out.push({ month, field: 'rh_pct', sort: 'odd', code: 'saturated' });
  }
  const summer = meanOf(normals, 5) + meanOf(normals, 6) + meanOf(normals, 7);
  const winter = meanOf(normals, 11) + meanOf(normals, 0) + meanOf(normals, 1);
  if (Math.abs(latitudeDeg) > TROPICS_DEG && Math.sign(latitudeDeg) * (summer - winter) < 0)
    out.push({ month: null, field: 'tmax_c', sort: 'odd', code: 'wrong-hemisphere' });
  return out.sort((a, b) => Number(a.sort === 'odd') - Number(b.sort === 'odd'));
}
