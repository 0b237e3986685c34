import { describe, expect, it } from 'vitest';
import {
  INSTRUMENT_KINDS,
  type InstrumentKind,
  ON_A_SILL,
  type Pushed,
  readingsOf,
} from '../src/devices/instruments.ts';

const FROM = Date.parse('2026-11-01T00:00:00Z');
const HOUR_MS = 3_600_000;
function take(kind: InstrumentKind, count: number, seed = 'a'): (Pushed | null)[] {
  const readings = readingsOf(kind, seed, { fromMs: FROM, everyMs: HOUR_MS });
  return Array.from({ length: count }, () => readings.next().value as Pushed | null);
}
const values = (kind: InstrumentKind, count: number) =>
  take(kind, count).flatMap((one) => (one ? [one.temp_c ?? one.meter ?? one.weight_g!] : []));

describe.each(INSTRUMENT_KINDS)('a %s', (kind) => {
  it('says the same for the same seed, and another thing for another', () => {
    expect(take(kind, 100)).toEqual(take(kind, 100));
    expect(take(kind, 100, 'b')).not.toEqual(take(kind, 100));
  });
  it('falls silent at times', () => {
    const silent = take(kind, 2000).filter((one) => one === null).length / 2000;
    expect(silent).toBeGreaterThan(0.03);
    expect(silent).toBeLessThan(0.1);
  });
  it('says each moment once, hour by hour', () => {
    const said = take(kind, 500).flatMap((one) => (one ? [Date.parse(one.at)] : []));
    expect(new Set(said).size).toBe(said.length);
    expect(said.every((at) => (at - FROM) % HOUR_MS === 0)).toBe(true);
  });
});

describe('what they say', () => {
  it('nonsense now and then: out of all bounds, or no pot’s hour', () => {
    expect(values('thermometer', 2000).filter((c) => c < -60 || c > 80).length).toBeGreaterThan(10);
    expect(values('probe', 2000).filter((meter) => meter < 1 || meter > 10).length).toBeGreaterThan(10);
    expect(values('scale', 2000).filter((g) => g < 10 || g > 60_000).length).toBeGreaterThan(10);
  });
  it('else a day’s warmth, a pot that dries and is filled again', () => {
    const sane = values('thermometer', 48).filter((c) => c > -60 && c < 80);
    expect(Math.min(...sane)).toBeGreaterThan(ON_A_SILL.meanC - ON_A_SILL.swingK - 2);
    expect(Math.max(...sane)).toBeLessThan(ON_A_SILL.meanC + ON_A_SILL.swingK + 2);
    const weights = values('scale', 24 * 11).filter((g) => g > 100 && g < 2000);
    expect(weights[0]).toBeGreaterThan(weights.at(-1)! + 150);
  });
  it('and drift: a probe in the same pot reads lower after months', () => {
    const half = (from: number) => {
      const some = take('probe', 24 * 300).slice(from, from + 24 * 100);
      const sane = some.flatMap((one) => (one && one.meter! >= 1 && one.meter! <= 10 ? [one.meter!] : []));
      return sane.reduce((a, b) => a + b, 0) / sane.length;
    };
    expect(half(0)).toBeGreaterThan(half(24 * 200) + 0.8);
  });
});
