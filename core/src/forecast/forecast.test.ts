import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import { garden, outlook, plusDays, roundPot, type Scene, judged } from '../../test/gardens.ts';
import { GardenForecast } from './forecast.ts';
import { outlookView } from './view.ts';

const TODAY = '2026-07-05';

describe('the forecast', () => {
  it('is in order: early before middle before late, and the window from earliest to latest', () => {
    const asleep = judged({
      today: '2026-01-10',
      events: [{ type: 'state', date: '2026-01-01', state: 'resting' }],
    }).forecast;
    expect(asleep.water).toBeNull();
    expect(asleep.hold).toMatchObject({ kind: 'rest' });
    expect(asleep.hold!.until > '2026-01-10').toBe(true);
    expect(asleep.dry_on.p50).not.toBeNull();
    expect(judged().forecast.hold).toBeUndefined();
  });
  it('adds its reasons up to the whole difference', () => {
    const { why } = outlook({ pot: roundPot(120, 100, 'terracotta', 10) });
    const sum = why.reasons.reduce((total, reason) => total + reason.days, 0);
    expect(Math.abs(sum - (why.cycleDays - why.referenceDays))).toBeLessThanOrEqual(0.1001);
    expect(Math.abs(why.reasons[0]!.days)).toBeGreaterThanOrEqual(Math.abs(why.reasons.at(-1)!.days));
  });
  it('knows nothing of days to come: a clock set back leaves lines in the book that are not true yet', () => {
    const now = garden({ events: [{ type: 'watering', date: plusDays(TODAY, -20), method: 'drench' }] });
    const [plant] = now.plants;
    const ahead = {
      ...plant!,
      events: [
        ...plant!.events,
        { type: 'move' as const, date: plusDays(TODAY, 400), place: plant!.place },
        { type: 'watering' as const, date: plusDays(TODAY, 500), method: 'drench' as const },
      ],
    };
    const one = new GardenForecast(now).outlook(plant!.id);
    const other = new GardenForecast({ ...now, plants: [ahead] });
    expect(other.outlook(plant!.id).moisture).toEqual(one.moisture);
    other.replacePlant(ahead);
    expect(other.outlook(plant!.id).moisture).toEqual(one.moisture);
  });
  it('learns from checks: a pot found dry early dries faster than reckoned', () => {
    const drench = (date: string) => ({ type: 'watering' as const, date, method: 'drench' as const });
    const felt = (date: string, finger: 'wet' | 'damp' | 'dry') => ({ type: 'check' as const, date, finger });
    const cycle = (start: number, dryAfter: number) => [
      drench(plusDays(TODAY, start)),
      felt(plusDays(TODAY, start + Math.floor(dryAfter / 2)), 'damp'),
      felt(plusDays(TODAY, start + dryAfter), 'dry'),
    ];
    const quick = outlook({
      today: plusDays(TODAY, 30),
      events: [...cycle(0, 4), ...cycle(5, 4), ...cycle(10, 4), drench(plusDays(TODAY, 30))],
    });
    const slow = outlook({
      today: plusDays(TODAY, 40),
      events: [
        drench(TODAY),
        felt(plusDays(TODAY, 9), 'wet'),
        felt(plusDays(TODAY, 18), 'damp'),
        drench(plusDays(TODAY, 40)),
      ],
    });
    expect(quick.rate.p50).toBeGreaterThan(1.15);
    expect(slow.rate.p50).toBeLessThan(0.8);
    const untaught = outlook();
    expect(quick.rate.p90 / quick.rate.p10).toBeLessThan(untaught.rate.p90 / untaught.rate.p10);
  });
  it('hides no plant behind another: replacing one leaves the others alone', () => {
    const whole = garden();
    const two = { ...whole, plants: [whole.plants[0]!, { ...whole.plants[0]!, id: 'other' }] };
    const forecast = new GardenForecast(two);
    const before = forecast.outlook('other');
    forecast.replacePlant({ ...two.plants[0]!, events: [] });
    expect(forecast.outlook('other').moisture).toEqual(before.moisture);
    expect(forecast.outlook('plant').moisture).not.toEqual(before.moisture);
  });
  it('a plant taken anew is as it would be in a garden made anew, whatever was new of it', () => {
    const base = garden({ today: plusDays(TODAY, 20) });
    const plant = {
      ...base.plants[0]!,
      events: [{ type: 'watering' as const, date: TODAY, method: 'drench' as const }],
    };
    const changes: Partial<typeof plant>[] = [
      {
        events: [
          ...plant.events,
          { type: 'check', date: plusDays(TODAY, 3), finger: 'damp' },
        ] as unknown as typeof plant.events,
      },
      {
        events: [
          ...plant.events,
          { type: 'state', date: plusDays(TODAY, 3), state: 'resting' },
        ] as unknown as typeof plant.events,
      },
      {
        events: [
          ...plant.events,
          { type: 'sign', date: plusDays(TODAY, 3), sign: 'leaves-dying-back', strength: 2 },
        ] as unknown as typeof plant.events,
      },
      { dry_rule: 'keep-damp' },
      { pot: roundPot(140, 120, 'plastic') },
      { diameter_mm: 90 },
      { leafless: true },
    ];
    for (const change of changes) {
      const changed = { ...plant, ...change };
      const kept = new GardenForecast({ ...base, plants: [plant] });
      kept.outlook('plant');
      kept.replacePlant(changed);
      const [replaced, made] = [
        kept.outlook('plant'),
        new GardenForecast({ ...base, plants: [changed] }).outlook('plant'),
      ];
      expect(replaced.state).toBe(made.state);
      expect(replaced.moisture.p50).toBeCloseTo(made.moisture.p50, 6);
      expect(replaced.advice.window?.ideal).toBe(made.advice.window?.ideal);
      expect(replaced.model.pot.capacity.availableMl).toBe(made.model.pot.capacity.availableMl);
    }
  });
  it('forgets a plant that has gone, and what it taught its bench', () => {
    const whole = garden();
    const taught = {
      ...whole.plants[0]!,
      id: 'taught',
      events: [
        { type: 'watering' as const, date: TODAY, method: 'drench' as const },
        { type: 'check' as const, date: TODAY, finger: 'damp' as const },
      ],
    };
    const forecast = new GardenForecast({ ...whole, plants: [whole.plants[0]!, taught] });
    forecast.outlook('taught');
    forecast.removePlant('taught');
    expect(() => forecast.outlook('taught')).toThrow(RangeError);
    expect(forecast.plantsAt(taught.place)).toEqual(['plant']);
    expect(forecast.placeFactor(taught.place).p50).toBeCloseTo(
      new GardenForecast(whole).placeFactor(taught.place).p50,
      2,
    );
  });
  it('shows itself as a view with a past and a future', () => {
    const { outlook: seen, forecast } = judged({
      today: plusDays(TODAY, 40),
      events: [
        { type: 'state', date: plusDays(TODAY, 30), state: 'growing' },
        { type: 'watering', date: TODAY, method: 'drench' },
      ] as Scene['events'],
    });
    const view = outlookView(seen, forecast, dayNumber(plusDays(TODAY, 40)));
    expect(view.past.p50.at(-1)!).toBeLessThan(0.12);
    expect(view.ahead.p50).toHaveLength(43);
    expect(view.trait_sources.habit).toBe('keeper');
  });
});
