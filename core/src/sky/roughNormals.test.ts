import { describe, expect, it } from 'vitest';
import { roughNormals } from './roughNormals.ts';

describe('the usual weather of nowhere in particular', () => {
  it('is warm in July in the north and in January in the south', () => {
    const north = roughNormals(47, 400);
    const south = roughNormals(-47, 400);
    expect(north.tmax_c[6]).toBeGreaterThan(20);
    expect(north.tmin_c[0]).toBeLessThan(-3);
    expect(south.tmax_c[0]).toBeCloseTo(north.tmax_c[6]!, 5);
    expect(south.sunshine_h[0]).toBeCloseTo(north.sunshine_h[6]!, 0);
  });
  it('cools with height and toward the poles, and hardly swings at the equator', () => {
    expect(roughNormals(10, 2500).tmax_c[5]!).toBeLessThan(roughNormals(10, 0).tmax_c[5]! - 14);
    expect(roughNormals(60, 0).tmax_c[6]!).toBeLessThan(roughNormals(40, 0).tmax_c[6]!);
    const equator = roughNormals(0, 0).tmin_c;
    expect(Math.max(...equator) - Math.min(...equator)).toBe(0);
  });
  it('is a climate that the format takes', () => {
    for (const latitude of [-78, -34, 0, 23, 47, 69]) {
      const normals = roughNormals(latitude, 300);
      for (const [month, low] of normals.tmin_c.entries()) expect(low).toBeLessThan(normals.tmax_c[month]!);
      for (const rh of normals.rh_pct) expect(rh).toBeGreaterThanOrEqual(55);
      for (const hours of normals.sunshine_h) expect(hours).toBeGreaterThanOrEqual(0);
    }
  });
});
