import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { PlantEvent, WeatherDay } from '../garden.ts';
import { garden, judged, outlook, plusDays } from '../../test/gardens.ts';
import { GardenForecast } from './forecast.ts';
import { usualWeekdays, weekday } from './weekdays.ts';

describe('the window', () => {
  const dry: PlantEvent[] = [
    { type: 'state', date: '2026-04-20', state: 'growing' },
    { type: 'watering', date: '2026-04-01', method: 'drench' },
  ].sort((a, b) => (a.date < b.date ? -1 : 1)) as PlantEvent[];
  const forecast = (lows: number[]): WeatherDay[] =>
    lows.map((tmin_c, i) => ({
      date: plusDays('2026-05-01', i + 1),
      tmin_c,
      tmax_c: 16,
      rh_pct: 60,
      sunshine_h: 6,
      rain_mm: 0,
      wind_m_s: 1,
      source: 'forecast',
    }));
  const ideal = (lows: number[]) => {
    const base = garden({
      today: '2026-05-01',
      events: dry,
      place: { id: 'place', kind: 'covered', air: 'gentle' },
      plant: { min_wet_c: 5, grow_min_c: 4 },
    });
    return new GardenForecast({ ...base, weather: forecast(lows) }).outlook('plant').advice.window!.ideal;
  };
  it('leaves out the eve of cold nights', () => {
    expect(ideal([12, 12, 12, 12, 12, 12])).toBeLessThanOrEqual(dayNumber('2026-05-02'));
    expect(ideal([1, 1, 1, 11, 11, 11])).toBeGreaterThanOrEqual(dayNumber('2026-05-04'));
  });
  it('takes a hold of part of a day as it is written, and still names whole days', () => {
    for (const hold_days of [0, 0.3, 4.5, 1e-9]) {
      const { window } = outlook({ plant: { dry_rule: 'dry-and-hold', hold_days } }).advice;
      expect(Number.isInteger(window!.ideal)).toBe(true);
    }
  });
  it('waits a week after roots were cut', () => {
    const today = '2026-07-05';
    const cut = outlook({
      today,
      plant: { root_loss: 0.4 },
      events: [{ type: 'repotting', date: plusDays(today, -2), mix_was: 'dry', roots_cut: true }],
    });
    expect(isoDay(cut.advice.hold!.until)).toBe(plusDays(today, 5));
    expect(cut.advice.window!.earliest).toBeGreaterThanOrEqual(cut.advice.hold!.until);
    expect(
      judged({
        today,
        plant: { root_loss: 0.4 },
        events: [{ type: 'repotting', date: plusDays(today, -2), mix_was: 'dry', roots_cut: true }],
      }).judgement.deeds[0].deed,
    ).toBe('wait');
  });
  it('holds an evergreen below its growing minimum', () => {
    const cold = outlook({
      today: '2026-01-10',
      place: { id: 'place', kind: 'cold-glass', air: 'gentle', floor_c: 3 },
      plant: { habit: 'evergreen', grow_min_c: 10 },
      events: [],
    });
    expect(cold.advice.window).toBeNull();
    expect(cold.advice.hold!.kind).toBe('cold');
    expect(cold.state).not.toBe('resting');
  });
  it('asks for a look where it cannot know', () => {
    const today = '2026-07-05';
    const unknown = judged({ today, events: [{ type: 'state', date: today, state: 'growing' }] });
    expect(unknown.judgement.deeds[0]).toMatchObject({ deed: 'look', what: 'depth' });
    expect(unknown.judgement.deeds[0]).toHaveProperty('then.dry', 'water');
  });
});

describe('watering days', () => {
  const on = (weekdayWanted: number, weeks: number): PlantEvent[] =>
    Array.from({ length: weeks }, (_, i) => {
      const start = dayNumber('2025-06-01') + i * 7;
      const day = start + ((weekdayWanted - weekday(start) + 7) % 7);
      return { type: 'watering', date: isoDay(day), method: 'drench' } as PlantEvent;
    });
  const plant = (events: PlantEvent[]) => ({ ...garden().plants[0]!, events });
  it('are seen where a keeper has them', () => {
    expect([...usualWeekdays([plant(on(2, 60))])]).toEqual([2]);
    expect(usualWeekdays([plant(on(2, 10))]).size).toBe(0);
    expect(usualWeekdays([0, 1, 2, 3, 4, 5, 6].map((day) => plant(on(day, 10)))).size).toBe(0);
  });
});

describe('three schools', () => {
  it('stand side by side, and say when they are far apart', () => {
    const fresh = outlook().schools;
    expect(fresh.pot).not.toBeNull();
    expect(fresh.intervalFrom).toBe('the books');
    // A first wrinkle that is weeks off says nothing against a pot and a calendar that agree.
    if (fresh.plant !== null && Math.abs(fresh.pot! - fresh.calendar!) <= 7)
      expect(fresh.disagree).toBe(fresh.plant < fresh.pot! - 7);
    const weekly = Array.from({ length: 8 }, (_, i) => ({
      type: 'watering' as const,
      date: plusDays('2026-05-10', i * 8),
      method: 'drench' as const,
    }));
    const own = outlook({ events: weekly }).schools;
    expect(own.intervalFrom).toBe('this pot');
    expect(own.intervalDays).toBe(8);
    const asleep = outlook({
      today: '2026-01-10',
      events: [{ type: 'state', date: '2026-01-01', state: 'resting' }],
    }).schools;
    expect(asleep.calendar).toBeNull();
  });
});
