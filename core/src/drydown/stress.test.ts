import { describe, expect, it } from 'vitest';
import { outlook, plusDays } from '../../test/gardens.ts';
import {
  FIRST_WRINKLE,
  type Stress,
  type StressDay,
  stressStep,
  THIRST_HARMS,
  thirstWord,
  WET_FEET_HARM,
  wetFeetWord,
} from './stress.ts';

const LEAFY = { storeMl: 40, store: 'leaf' as const, minWetC: 6, growMinC: 10 };
const FRESH: Stress = { thirst: 0, wetFeet: 0 };
function after(
  days: number,
  day: Partial<StressDay>,
  plant: { storeMl: number; store: 'leaf' | 'below'; minWetC: number; growMinC: number } = LEAFY,
  start = FRESH,
): Stress {
  let now = start;
  for (let i = 0; i < days; i++)
    now = stressStep(now, { m: 0, demandMl: 6, tminC: 14, tmeanC: 20, resting: false, ...day }, plant);
  return now;
}

describe('thirst', () => {
  it('does not come while the mix pays, comes when it is dry, and goes again slowly', () => {
    expect(after(30, { m: 0.5 }).thirst).toBe(0);
    const dry = after(20, { m: 0 });
    expect(dry.thirst).toBeGreaterThan(FIRST_WRINKLE.leaf);
    const drunk = after(1, { m: 1 }, LEAFY, dry);
    expect(drunk.thirst).toBeLessThan(dry.thirst);
    expect(drunk.thirst).toBeGreaterThan(dry.thirst - 0.15);
  });
  it('comes later with a larger store and in rest', () => {
    expect(after(20, {}, { ...LEAFY, storeMl: 200 }).thirst).toBeLessThan(after(20, {}).thirst / 3);
    expect(after(20, { demandMl: 0.5 }).thirst).toBeLessThan(after(20, {}).thirst / 3);
  });
  it('stays between nothing and all', () => {
    expect(after(900, {}).thirst).toBe(1);
    expect(thirstWord(1, 'leaf')).toBe('harmed');
    expect(thirstWord(0, 'leaf')).toBe('full');
    expect(THIRST_HARMS).toBeLessThan(1);
  });
});

describe('wet feet', () => {
  it('come of wet and cold together, not of wet in growth nor of cold when dry', () => {
    const cold = { tminC: 2, tmeanC: 6 };
    expect(after(21, { m: 0.9, ...cold }).wetFeet).toBeGreaterThan(WET_FEET_HARM);
    expect(after(10, { m: 0.9 }).wetFeet).toBeLessThan(0.1);
    expect(after(60, { m: 0.05, ...cold }).wetFeet).toBe(0);
  });
  it('are worse below ground and in rest, and heal when dry', () => {
    const wet = { m: 0.8, tminC: 9, tmeanC: 11 };
    expect(after(10, wet, { ...LEAFY, store: 'below' }).wetFeet).toBeGreaterThan(after(10, wet).wetFeet);
    expect(after(10, { ...wet, tmeanC: 20, resting: true }).wetFeet).toBeGreaterThan(
      after(10, { ...wet, tmeanC: 20 }).wetFeet,
    );
    expect(after(30, { m: 0.05 }, LEAFY, { thirst: 0, wetFeet: 0.6 }).wetFeet).toBeLessThan(0.1);
    expect(wetFeetWord(0.7)).toBe('in-danger');
  });
});

describe('both, for a plant', () => {
  it('a pot dry for weeks says thirst in words and days; a sign seen counts', () => {
    const today = plusDays('2026-07-05', 40);
    const dry = outlook({
      today,
      events: [{ type: 'watering', date: '2026-07-05', method: 'drench' }],
      plant: { form: 'rosette', diameter_mm: 80 },
    }).stress;
    expect(dry.thirst).toBeGreaterThan(0.1);
    expect(dry.wetFeet).toBeLessThan(0.01);
    const seen = outlook({
      today,
      events: [
        { type: 'watering', date: '2026-07-05', method: 'drench' },
        { type: 'sign', date: today, sign: 'shrunken', strength: 2 },
      ],
      plant: { form: 'rosette', diameter_mm: 80 },
    }).stress;
    expect(seen.thirst).toBeGreaterThanOrEqual(0.6);
    expect(seen.wrinklesInDays).toBe(0);
  });
});
