import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import { garden, HOT_DRY, plusDays, roundPot, type Scene } from '../../test/gardens.ts';
import { GardenForecast } from './forecast.ts';
import { WEEKS_AHEAD, weeklyWaterings } from './load.ts';

const TODAY = '2026-07-05';

function load(scene: Scene = {}, dueIn: number | null = 0, rate = 1): number[] {
  const forecast = new GardenForecast(garden({ today: TODAY, ...scene }));
  const { model } = forecast.outlook('plant');
  const due = dueIn === null ? null : dayNumber(TODAY) + dueIn;
  return weeklyWaterings({ model, rate, surfaceWetM: forecast.surface() }, forecast.climate, due);
}
const sum = (weeks: readonly number[]) => weeks.reduce((all, n) => all + n, 0);

describe('the weeks ahead', () => {
  it('a pot that is left alone is watered in none', () => {
    expect(load({}, null)).toEqual(Array.from({ length: WEEKS_AHEAD }, () => 0));
    expect(sum(load({}, 8 * 7))).toBe(0);
  });
  it('the next drink falls in its own week, in none before it', () => {
    const weeks = load({}, 17);
    expect(weeks.slice(0, 2)).toEqual([0, 0]);
    expect(weeks[2]).toBeGreaterThanOrEqual(1);
  });
  it('a small pot in hot dry air is watered week after week, a large one in peat hardly again', () => {
    const small = load({ normals: HOT_DRY, pot: roundPot(55, 50, 'terracotta') });
    const large = load({
      pot: roundPot(300, 260, 'plastic'),
      mix: { id: 'mix', parts: [{ component: 'peat', parts: 1 }] },
    });
    expect(Math.min(...small)).toBeGreaterThan(0.5);
    expect(sum(large)).toBeLessThan(2.5);
    expect(sum(small)).toBeGreaterThan(2 * sum(large));
  });
  it('a pot that dries twice as fast is watered about twice as often', () => {
    const [usual, fast] = [sum(load()), sum(load({}, 0, 2))];
    expect(fast / usual).toBeGreaterThan(1.4);
    expect(fast / usual).toBeLessThan(2.2);
  });
  it('a rule that holds on after dry makes it fewer', () => {
    const scene = (hold_days: number): Scene => ({ plant: { dry_rule: 'dry-and-hold', hold_days } });
    expect(sum(load(scene(10)))).toBeLessThan(0.85 * sum(load(scene(0))));
  });
  it('once asleep it gets none', () => {
    const asleep = plusDays(TODAY, -20);
    const events = [
      { type: 'watering' as const, date: plusDays(TODAY, -60), method: 'drench' as const },
      { type: 'state' as const, date: asleep, state: 'resting' as const },
      { type: 'state' as const, date: TODAY, state: 'resting' as const },
    ];
    const winter: Scene = { today: '2026-12-05', plant: { habit: 'summer' } };
    const weeks = load(
      { ...winter, events: events.map((event) => ({ ...event, date: plusDays(event.date, 153) })) },
      null,
    );
    expect(sum(weeks)).toBe(0);
  });
  it('agrees with the forecast of a single dry-down', () => {
    const forecast = new GardenForecast(garden({ today: TODAY }));
    const { model, dryOn } = forecast.outlook('plant');
    const days = dryOn.p50! - dayNumber(TODAY);
    const again = weeklyWaterings(
      { model, rate: 1, surfaceWetM: forecast.surface() },
      forecast.climate,
      dayNumber(TODAY),
    );
    // From full today: as many as whole dry-downs fit in, the first of today among them.
    expect(sum(again)).toBeGreaterThan(0.7 * (56 / days));
    expect(sum(again)).toBeLessThan(1.3 * (56 / days) + 1);
  });
});
