import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import { DRY_TO_M } from '../learn/likelihood.ts';
import { garden, outlook, plusDays, roundPot, type Scene } from '../../test/gardens.ts';
import { forecastFile, GardenForecast } from './forecast.ts';
import { outlookView } from './view.ts';

const TODAY = '2026-07-05';

describe('the forecast', () => {
  it('is in order: early before middle before late, and the window from earliest to latest', () => {
    const [plant] = forecastFile(garden()).plants;
    expect(plant!.moisture.p10).toBeLessThanOrEqual(plant!.moisture.p50);
    expect(plant!.dry_on.p10! <= plant!.dry_on.p50! && plant!.dry_on.p50! <= plant!.dry_on.p90!).toBe(true);
    expect(plant!.water!.earliest <= plant!.water!.ideal && plant!.water!.ideal <= plant!.water!.latest).toBe(true);
    expect(plant!.water!.method).toBe('drench');
  });
  it('is the same when asked again', () => {
    expect(forecastFile(garden())).toEqual(forecastFile(garden()));
  });
  it('moves by nothing but the weather when today is a day later', () => {
    const events: Scene['events'] = [{ type: 'state', date: TODAY, state: 'growing' }, { type: 'watering', date: TODAY, method: 'drench' }];
    const now = outlook({ events });
    const later = outlook({ events, today: plusDays(TODAY, 1) });
    expect(Math.abs(now.dryOn.p50! - later.dryOn.p50!)).toBeLessThanOrEqual(1);
    expect(later.rate).toEqual(now.rate);
  });
  it('a plant that nobody ever watered on record gets an answer with wide bounds', () => {
    const unknown = outlook({ events: [] });
    expect(unknown.moisture.p90 - unknown.moisture.p10).toBeGreaterThan(0.4);
  });
  it('a dry pot says on which day since its last wetting it became so', () => {
    const dry = outlook({ today: plusDays(TODAY, 40), events: [{ type: 'watering', date: TODAY, method: 'drench' }] });
    expect(dry.dryOn.p50!).toBeLessThan(dayNumber(plusDays(TODAY, 40)));
    expect(dry.dryOn.p50!).toBeGreaterThan(dayNumber(TODAY));
    expect(dry.moisture.p50).toBeLessThanOrEqual(DRY_TO_M);
  });
  it('rules ask in their order: damp, top, through, hold', () => {
    const ideal = (dry_rule: 'keep-damp' | 'dry-top' | 'dry-through' | 'dry-and-hold') => outlook({ plant: { dry_rule, hold_days: 5 } }).advice.window!.ideal;
    expect(ideal('dry-top')).toBeLessThanOrEqual(ideal('keep-damp'));
    expect(ideal('keep-damp')).toBeLessThanOrEqual(ideal('dry-through'));
    expect(ideal('dry-and-hold') - ideal('dry-through')).toBe(5);
  });
  it('a pot without a hole gets a measure that it can hold', () => {
    const blind = outlook({ pot: { ...roundPot(120, 100, 'metal'), holes: false } });
    expect(blind.advice.window!.method).toBe('measured');
    expect(blind.advice.window!.amountMl).toBeLessThanOrEqual(blind.model.pot.capacity.availableMl);
  });
  it('a resting plant has no window, and a hold that says why', () => {
    const [plant] = forecastFile(garden({ today: '2026-01-10' })).plants.slice();
    const asleep = forecastFile(garden({ today: '2026-01-10', events: [{ type: 'state', date: '2026-01-01', state: 'resting' }] })).plants[0]!;
    expect(plant).toBeDefined();
    expect(asleep.water).toBeNull();
    expect(asleep.hold!.until > '2026-01-10').toBe(true);
    expect(asleep.dry_on).toBeDefined();
  });
  it('adds its reasons up to the whole difference', () => {
    const { why } = outlook({ pot: roundPot(120, 100, 'terracotta', 10) });
    const sum = why.reasons.reduce((total, reason) => total + reason.days, 0);
    expect(Math.abs(sum - (why.cycleDays - why.referenceDays))).toBeLessThanOrEqual(0.1001);
    expect(Math.abs(why.reasons[0]!.days)).toBeGreaterThanOrEqual(Math.abs(why.reasons.at(-1)!.days));
  });
  it('learns from checks: a pot found dry early dries faster than reckoned', () => {
    const drench = (date: string) => ({ type: 'watering' as const, date, method: 'drench' as const });
    const felt = (date: string, finger: 'wet' | 'damp' | 'dry') => ({ type: 'check' as const, date, finger });
    const cycle = (start: number, dryAfter: number) => [drench(plusDays(TODAY, start)), felt(plusDays(TODAY, start + Math.floor(dryAfter / 2)), 'damp'), felt(plusDays(TODAY, start + dryAfter), 'dry')];
    const quick = outlook({ today: plusDays(TODAY, 30), events: [...cycle(0, 4), ...cycle(5, 4), ...cycle(10, 4), drench(plusDays(TODAY, 30))] });
    const slow = outlook({ today: plusDays(TODAY, 40), events: [drench(TODAY), felt(plusDays(TODAY, 9), 'wet'), felt(plusDays(TODAY, 18), 'damp'), drench(plusDays(TODAY, 40))] });
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
    const plant = { ...base.plants[0]!, events: [{ type: 'watering' as const, date: TODAY, method: 'drench' as const }] };
    const changes: Partial<typeof plant>[] = [
      { events: [...plant.events, { type: 'check', date: plusDays(TODAY, 3), finger: 'damp' }] as unknown as typeof plant.events },
      { events: [...plant.events, { type: 'state', date: plusDays(TODAY, 3), state: 'resting' }] as unknown as typeof plant.events },
      { events: [...plant.events, { type: 'sign', date: plusDays(TODAY, 3), sign: 'leaves-dying-back', strength: 2 }] as unknown as typeof plant.events },
      { dry_rule: 'keep-damp' }, { pot: roundPot(140, 120, 'plastic') }, { diameter_mm: 90 }, { leafless: true },
    ];
    for (const change of changes) {
      const changed = { ...plant, ...change };
      const kept = new GardenForecast({ ...base, plants: [plant] });
      kept.outlook('plant');
      kept.replacePlant(changed);
      const [replaced, made] = [kept.outlook('plant'), new GardenForecast({ ...base, plants: [changed] }).outlook('plant')];
      expect(replaced.state).toBe(made.state);
      expect(replaced.moisture.p50).toBeCloseTo(made.moisture.p50, 6);
      expect(replaced.advice.window?.ideal).toBe(made.advice.window?.ideal);
      expect(replaced.model.pot.capacity.availableMl).toBe(made.model.pot.capacity.availableMl);
    }
  });
  it('forgets a plant that has gone, and what it taught its bench', () => {
    const whole = garden();
    const taught = { ...whole.plants[0]!, id: 'taught', events: [{ type: 'watering' as const, date: TODAY, method: 'drench' as const }, { type: 'check' as const, date: TODAY, finger: 'damp' as const }] };
    const forecast = new GardenForecast({ ...whole, plants: [whole.plants[0]!, taught] });
    forecast.outlook('taught');
    forecast.removePlant('taught');
    expect(() => forecast.outlook('taught')).toThrow(RangeError);
    expect(forecast.plantsAt(taught.place)).toEqual(['plant']);
    expect(forecast.placeFactor(taught.place).p50).toBeCloseTo(new GardenForecast(whole).placeFactor(taught.place).p50, 2);
  });
  it('shows itself as a view with a past, a future and a verdict', () => {
    const view = outlookView(outlook({ today: plusDays(TODAY, 40), events: [{ type: 'state', date: plusDays(TODAY, 30), state: 'growing' }, { type: 'watering', date: TODAY, method: 'drench' }].sort((a, b) => (a.date < b.date ? -1 : 1)) as Scene['events'] }), dayNumber(plusDays(TODAY, 40)));
    expect(view.verdict.kind).toBe('water');
    expect(view.past.p50.at(-1)!).toBeLessThan(0.12);
    expect(view.ahead.p50).toHaveLength(43);
    expect(view.trait_sources.habit).toBe('keeper');
  });
});
