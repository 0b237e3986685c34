import { describe, expect, it } from 'vitest';
import { coordinatesOf } from './coordinates.ts';

describe('places on the globe as people write them', () => {
  it.each([
    ["51.5°N, 0°7'W", 51.5, -7 / 60],
    ['51.5 -0.12', 51.5, -0.12],
    ['51.5, -0.12', 51.5, -0.12],
    ['51.5,-0.12', 51.5, -0.12],
    ['47,3 13,1', 47.3, 13.1],
    ['47,3° N 13,1° E', 47.3, 13.1],
    ['34.9 S 138.6 E', -34.9, 138.6],
    ['S 34.9, E 138.6', -34.9, 138.6],
    ['51° 30\' 26" N 0° 7\' 39" W', 51 + 30 / 60 + 26 / 3600, -(7 / 60 + 39 / 3600)],
    ["0°7'W 51°30'N", 51.5, -7 / 60],
    ['−33.9 18.4', -33.9, 18.4],
    ['48°12′N 16°22′O', 48.2, 16 + 22 / 60],
  ])('%s', (written, lat, lon) => {
    const found = coordinatesOf(written)!;
    expect(found.latitudeDeg).toBeCloseTo(lat, 6);
    expect(found.longitudeDeg).toBeCloseTo(lon, 6);
  });
  it.each(['', 'Vienna', '51.5', '95 10', '10 200', '51.5 N', '1 2 3', '12 E 13 W', 'Route 66, exit 4b'])(
    '%s is none',
    (written) => expect(coordinatesOf(written)).toBeNull(),
  );
});
