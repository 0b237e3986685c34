/** Usual weather of the made-up towns in which the demo collection stands, so that its sky goes on as it began. */
import type { Normals } from '@zinc-pail/core';

export interface TownClimate {
  latitudeDeg: number;
  longitudeDeg: number;
  normals: Normals;
}

const year = (values: string): number[] => values.split(' ').map(Number);

export const BRACKWEHR: Normals = {
  tmin_c: year('-4.2 -3.4 0.3 4.1 8.7 12.1 13.9 13.5 9.6 5.1 0.6 -3.1'),
  tmax_c: year('1.8 4.2 9.8 15.1 19.8 23.2 25.3 24.8 20.1 14.1 6.8 2.4'),
  rh_pct: year('83 78 72 67 69 70 70 73 78 82 85 86'),
  sunshine_h: year('2.1 3.3 4.5 5.6 6.3 6.9 7.6 7.1 5.5 3.9 2.2 1.7'),
  rain_mm: year('52 48 58 66 98 118 124 116 82 60 58 60'),
  wind_m_s: year('1.9 2.0 2.1 2.1 1.9 1.8 1.7 1.6 1.6 1.6 1.8 1.9'),
};

export const PORT_ALDER: Normals = {
  tmin_c: year('16.9 17.0 15.2 12.4 10.1 8.0 7.4 7.9 9.4 11.2 13.6 15.4'),
  tmax_c: year('28.6 28.5 26.1 22.6 18.9 16.1 15.3 16.6 19.1 21.9 25.1 27.0'),
  rh_pct: year('47 49 52 57 66 71 71 66 61 54 49 48'),
  sunshine_h: year('10.2 9.6 8.4 7.1 5.4 4.7 4.9 5.9 6.7 8.0 9.2 9.8'),
  rain_mm: year('19 16 25 38 58 75 70 62 52 41 28 26'),
  wind_m_s: year('3.6 3.4 3.2 2.9 2.8 3.0 3.1 3.3 3.5 3.6 3.7 3.7'),
};

export const CLIMATES: readonly TownClimate[] = [
  { latitudeDeg: 47.3, longitudeDeg: 13.1, normals: BRACKWEHR },
  { latitudeDeg: -34.4, longitudeDeg: 138.2, normals: PORT_ALDER },
];
