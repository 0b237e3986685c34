/** Rain, warmth and frost at the pot: each line with its mirror. */
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { Place, PlantEvent, WeatherDay } from '../garden.ts';
import { INLAND, judged, roundPot, type Scene } from '../../test/gardens.ts';
import { rampAhead } from '../forecast/ramp.ts';

const TODAY = dayNumber('2026-06-20');
const day = (offset: number) => isoDay(TODAY + offset);
const OPEN: Place = { id: 'place', kind: 'open', air: 'gentle' };
const ROOF: Place = { id: 'place', kind: 'covered', air: 'gentle' };
const KNOWN: PlantEvent = { type: 'check', date: day(-90), finger: 'dry' };
const drench = (offset: number): PlantEvent => ({ type: 'watering', date: day(offset), method: 'drench' });

function weather(rainMm: (offset: number) => number, over: Partial<WeatherDay> = {}): WeatherDay[] {
  return Array.from({ length: 48 }, (_, i) => i - 40).map((offset) => ({
    date: day(offset),
    tmin_c: 11,
    tmax_c: 23,
    rh_pct: 65,
    sunshine_h: 7,
    rain_mm: rainMm(offset),
    wind_m_s: 2,
    source: offset > 0 ? 'forecast' : 'observed',
    ...over,
  }));
}
const under = (place: Place, sky: WeatherDay[], over: Scene = {}, events: PlantEvent[] = [KNOWN, drench(-30)]) =>
  judged({ today: isoDay(TODAY), place, weather: sky, events, ...over }).judgement;
const codes = ({ because }: ReturnType<typeof under>) => because.map(({ code }) => code);

describe('rain that fell', () => {
  const yesterday = weather((offset) => (offset === -1 ? 25 : 0));
  it('was a drink in the open, and is told as one; under a roof it was none', () => {
    const open = under(OPEN, yesterday);
    expect(open.deeds[0].deed).toBe('wait');
    expect(open.because.find(({ code }) => code === 'rain-counted')).toMatchObject({ on: day(-1), n: { mm: 25 } });
    expect(['water', 'look']).toContain(under(ROOF, yesterday).deeds[0].deed);
    expect(codes(under(ROOF, yesterday))).not.toContain('rain-counted');
  });
  it('below the depth from which it counts there it was none', () => {
    expect(codes(under({ ...OPEN, rain_counts_mm: 30 }, yesterday))).not.toContain('rain-counted');
    expect(under({ ...OPEN, rain_counts_mm: 30 }, yesterday).deeds[0].deed).not.toBe('wait');
  });
});

describe('rain that comes', () => {
  const tomorrow = weather((offset) => (offset === 1 || offset === 2 ? 30 : 0));
  it('puts a due drink off in the open, and under a roof nothing', () => {
    const open = under(OPEN, tomorrow);
    expect(open.deeds[0]).toMatchObject({ deed: 'wait', until: day(2) });
    expect(open.because[0]).toMatchObject({ code: 'rain-coming', source: 'forecast' });
    expect(codes(under(ROOF, tomorrow))).not.toContain('rain-coming');
  });
  it('does not keep a thirsty plant waiting, nor is a drizzle waited for', () => {
    const limp: PlantEvent[] = [KNOWN, drench(-30), { type: 'sign', date: day(0), sign: 'wrinkled', strength: 2 }];
    expect(codes(under(OPEN, tomorrow, {}, limp))).not.toContain('rain-coming');
    expect(
      codes(
        under(
          OPEN,
          weather((offset) => (offset > 0 ? 0.4 : 0)),
        ),
      ),
    ).not.toContain('rain-coming');
  });
});

describe('a pot likelier dry than not, which somebody may have watered all the same', () => {
  const dry = weather(() => 0);
  const felt = (finger: 'wet' | 'dry'): PlantEvent => ({ type: 'check', date: day(0), finger });
  it('is felt first: neither watered nor told that it is not due', () => {
    const { deeds, sure } = under(OPEN, dry, {}, [KNOWN, drench(-34)]);
    expect(deeds[0]).toMatchObject({ deed: 'look', what: 'depth', then: { wet: 'wait', dry: 'water' } });
    expect(sure).not.toBe('high');
  });
  it('a finger settles it either way', () => {
    expect(under(OPEN, dry, {}, [KNOWN, drench(-34), felt('dry')]).deeds[0].deed).toBe('water');
    expect(under(OPEN, dry, {}, [KNOWN, drench(-34), felt('wet')]).deeds[0].deed).toBe('wait');
  });
  it('nor is one asked for that has only just been drenched', () => {
    expect(under(OPEN, dry, {}, [KNOWN, drench(-1)]).deeds[0].deed).toBe('wait');
  });
});

describe('a sky that keeps raining', () => {
  const wet = weather((offset) => (offset > -14 ? 9 : 0), { sunshine_h: 1, rh_pct: 92, tmax_c: 15 });
  it('a pot that stays wet under it is covered; under a roof it is not told of', () => {
    const open = under(OPEN, wet);
    expect(open.deeds[0]).toEqual({ deed: 'move', what: 'cover' });
    expect(open.because[0]!.n!.rain_days).toBeGreaterThanOrEqual(8);
    expect(codes(under(ROOF, wet))).not.toContain('long-rain');
  });
  it('a kind without a store, that likes to be damp, stands through it', () =>
    expect(codes(under(OPEN, wet, { plant: { store: 'none', dry_rule: 'keep-damp' } }))).not.toContain('long-rain'));
});

describe('frost', () => {
  const cold = weather(() => 0, { tmin_c: -2, tmax_c: 6 });
  const clay: Scene = { plant: { pot: roundPot(90, 80, 'terracotta'), min_dry_c: -8, min_wet_c: -8, grow_min_c: 2 } };
  it('bursts wet clay, not dry clay and not plastic', () => {
    const wet = [KNOWN, drench(-1)];
    expect(under(OPEN, cold, clay, wet).mind).toContain('clay-frost');
    expect(under(OPEN, cold, clay, [KNOWN, drench(-90)]).mind).not.toContain('clay-frost');
    const plastic = { plant: { ...clay.plant, pot: roundPot(90, 80, 'plastic') } };
    expect(under(OPEN, cold, plastic, wet).mind).not.toContain('clay-frost');
  });
  it('a dark pot heats up on hot days in the sun, a pale one not, and none under a lamp', () => {
    const hot = weather(() => 0, { tmin_c: 17, tmax_c: 33, sunshine_h: 12 });
    const of = (dark: boolean): Scene => ({ plant: { pot: { ...roundPot(90, 80, 'plastic'), dark } } });
    expect(under(OPEN, hot, of(true)).mind).toContain('dark-heat');
    expect(under(OPEN, hot, of(false)).mind).not.toContain('dark-heat');
    expect(under({ ...OPEN, kind: 'room' }, hot, of(true)).mind).not.toContain('dark-heat');
    expect(under(OPEN, cold, of(true)).mind).not.toContain('dark-heat');
  });
  it('one light night is for a cloth, a week of them for the house', () => {
    const hardy: Scene = { plant: { name: 'Agave parryi', taxon: null, form: null, min_dry_c: 0, min_wet_c: 0 } };
    const nights = (later: number) =>
      weather(() => 0, { tmin_c: 9, tmax_c: 16 }).map((one) =>
        one.date <= isoDay(TODAY) ? one : { ...one, tmin_c: one.date === day(1) ? -1.3 : later, tmax_c: 8 },
      );
    const deed = (later: number) => under(OPEN, nights(later), hardy, [KNOWN, drench(-60)]).deeds[0];
    expect(deed(9)).toEqual({ deed: 'move', what: 'cover' });
    expect(deed(-12)).toEqual({ deed: 'act', what: 'out-of-frost' });
  });
});

describe('the band in which it does best', () => {
  const cool = weather(() => 0, { tmin_c: 9, tmax_c: 15 });
  const grows: Scene = { plant: { grow_min_c: 4, habit: 'evergreen' } };
  it('a growing plant below it is said to be, one inside it is not', () => {
    expect(codes(under(ROOF, cool, grows))).toContain('off-ideal');
    expect(
      codes(
        under(
          ROOF,
          weather(() => 0, { tmin_c: 17, tmax_c: 26 }),
          grows,
        ),
      ),
    ).not.toContain('off-ideal');
  });
  it('as its keeper has it, it moves how much it drinks: best only in warmth dries slower in the cool', () => {
    const dry = (ideal_from_c: number | null) =>
      judged({
        today: isoDay(TODAY),
        place: ROOF,
        weather: cool,
        events: [KNOWN, drench(-2)],
        plant: { ...grows.plant, ideal_from_c, diameter_mm: 90, height_mm: 90 },
      }).outlook.dryOn.p50!;
    expect(dry(28)).toBeGreaterThan(dry(null));
    expect(dry(6)).toBeLessThanOrEqual(dry(28));
  });
  it('as its keeper has it, the heat from which it shuts down makes the pot last longer', () => {
    const hot = weather(() => 0, { tmin_c: 22, tmax_c: 38 });
    const dry = (heat_from_c: number | null) =>
      judged({
        today: isoDay(TODAY),
        place: ROOF,
        weather: hot,
        events: [KNOWN, drench(-1)],
        plant: { diameter_mm: 120, height_mm: 120, heat_from_c, pot: roundPot(150, 140, 'plastic') },
      }).outlook.dryOn.p50!;
    expect(dry(27)).toBeGreaterThanOrEqual(dry(45));
  });
});

describe('steps into rest', () => {
  const autumn = (today: string) =>
    judged({
      today,
      place: { id: 'place', kind: 'cold-glass', air: 'gentle' },
      weather: [],
      events: [{ type: 'watering', date: isoDay(dayNumber(today) - 4), method: 'drench' }],
      plant: { habit: 'summer', sleeps: 'season', diameter_mm: 80, height_mm: 80 },
    });
  it('drinks come further apart, and then none', () => {
    const { outlook } = autumn('2026-09-05');
    const { gaps, thenRests } = rampAhead(outlook.model, {
      from: dayNumber('2026-09-28'),
      rate: 1.6,
      surfaceWetM: 0.5,
    });
    expect(gaps.length).toBeGreaterThan(0);
    expect(gaps).toEqual(gaps.toSorted((a, b) => a - b));
    expect(thenRests).toBe(true);
  });
  it('are told with the reason, as long as it eases', () => {
    const easing = ['2026-09-20', '2026-10-01', '2026-10-10', '2026-10-20']
      .map(autumn)
      .find(({ outlook }) => outlook.state === 'easing');
    expect(easing).toBeDefined();
    const reason = easing!.judgement.because.find(({ code }) => code === 'easing');
    if (reason) expect(Object.keys(reason.n!).some((key) => key === 'rests' || key === 'gap1')).toBe(true);
    expect(INLAND.tmin_c).toHaveLength(12);
  });
});
