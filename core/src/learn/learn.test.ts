import { describe, expect, it } from 'vitest';
import { GardenForecast } from '../forecast/forecast.ts';
import type { PlantEvent } from '../garden.ts';
import { garden, outlook, plusDays, roundPot } from '../../test/gardens.ts';
import { findChange } from './change.ts';
import { blur, fromLog, GRID, GRID_SIZE, gridMean, gridQuantile, gridVariance, normalDensity, shifted, spreadMoisture, NODES } from './grid.ts';
import type { Stretch } from './history.ts';
import { habitEvidence, keeperHabit } from './keeper.ts';
import { fingerLikelihood, meterLikelihood, signLikelihood, surfaceLikelihood, weightLikelihood } from './likelihood.ts';
import { Pool } from './pool.ts';
import { POT_SD } from './rate.ts';
import { believedSurface, SURFACE_WET_TRIED } from './surface.ts';

/** A stretch that says ln k is about x, as sharply as sd. */
function stretchAt(x: number, sd = 0.12, checks = 4): Stretch {
  return { endDay: 100, checks, weighed: false, lateness: [], place: 'p', logs: GRID.map((g) => -0.5 * ((g - x) / sd) ** 2) };
}

describe('the grid', () => {
  it('keeps a normal’s mean and spread through a blur and a shift', () => {
    const density = blur(normalDensity(0.2, 0.2), 0.15);
    expect(gridMean(density)).toBeCloseTo(0.2, 3);
    expect(Math.sqrt(gridVariance(density, gridMean(density)))).toBeCloseTo(Math.hypot(0.2, 0.15), 2);
    expect(gridMean(shifted(density, -0.33))).toBeCloseTo(-0.13, 3);
    expect(gridQuantile(density, 0.5)).toBeCloseTo(0.2, 2);
  });
  it('draws moisture smoothly through its nodes', () => {
    const curve = (x: number) => 1 / (1 + Math.exp(2 * x));
    const spread = spreadMoisture(NODES.map(curve));
    for (let i = 0; i < GRID_SIZE; i++) expect(spread[i]!).toBeCloseTo(curve(GRID[i]!), 2);
  });
  it('takes evidence that rules everything out as no evidence', () => {
    expect(fromLog(new Float64Array(5).fill(-Infinity)).every((p) => p === 0.2)).toBe(true);
  });
});

describe('looks', () => {
  it('a finger’s words peak in their bands and never rule anything out', () => {
    for (const m of [0.02, 0.3, 0.9]) expect(fingerLikelihood('wet', m) + fingerLikelihood('damp', m) + fingerLikelihood('dry', m)).toBeCloseTo(1, 6);
    expect(fingerLikelihood('dry', 0.02)).toBeGreaterThan(0.9);
    expect(fingerLikelihood('damp', 0.3)).toBeGreaterThan(0.9);
    expect(fingerLikelihood('wet', 0.9)).toBeGreaterThan(0.9);
    expect(fingerLikelihood('dry', 0.9)).toBeGreaterThan(0.01);
  });
  it('a probe and a scale are sharpest at their reading, with tails', () => {
    expect(meterLikelihood(5.5, 0.5)).toBeGreaterThan(meterLikelihood(5.5, 0.8));
    expect(meterLikelihood(10, 0)).toBeGreaterThan(1e-5);
    expect(weightLikelihood(0, 5)).toBe(1);
    expect(weightLikelihood(60, 5)).toBeGreaterThan(1e-4);
  });
  it('a dry surface says little, a wrinkle says dry, a scar nothing', () => {
    expect(surfaceLikelihood('dry', 0.4) / surfaceLikelihood('dry', 0.05)).toBeGreaterThan(0.8);
    expect(signLikelihood('wrinkled', 2, 0.05)!).toBeGreaterThan(signLikelihood('wrinkled', 2, 0.6)!);
    expect(signLikelihood('corky-blisters', 2, 0.5)).toBeNull();
  });
  it('one misread among many hardly moves the rate', () => {
    const cycle = (start: number): PlantEvent[] => [
      { type: 'watering', date: plusDays('2026-05-20', start), method: 'drench' },
      { type: 'check', date: plusDays('2026-05-20', start + 4), finger: 'damp' },
      { type: 'check', date: plusDays('2026-05-20', start + 12), finger: 'dry' },
    ];
    const events = [...cycle(0), ...cycle(13), ...cycle(26)];
    const wrong: PlantEvent[] = [...events, { type: 'check' as const, date: '2026-06-28', finger: 'wet' as const }].sort((a, b) => (a.date < b.date ? -1 : 1));
    const clean = outlook({ events }).rate.p50;
    expect(Math.abs(Math.log(outlook({ events: wrong }).rate.p50 / clean))).toBeLessThan(0.25);
  });
});

describe('what is shared', () => {
  const said = (x: number) => GRID.map((g) => -0.5 * ((g - x) / 0.1) ** 2);
  it('a new pot on a known bench starts with what the bench has taught', () => {
    const pool = new Pool();
    for (let i = 0; i < 6; i++) pool.set(`old-${i}`, { place: 'bench', mix: 'm', evidence: said(0.4) });
    pool.set('new', { place: 'bench', mix: 'm', evidence: new Float64Array(GRID_SIZE) });
    pool.set('elsewhere', { place: 'sill', mix: 'n', evidence: new Float64Array(GRID_SIZE) });
    pool.compare();
    expect(gridMean(pool.prior('new'))).toBeGreaterThan(0.15);
    expect(gridMean(pool.prior('elsewhere'))).toBeLessThan(gridMean(pool.prior('new')));
    expect(gridMean(pool.prior('elsewhere'))).toBeGreaterThan(0.02);
  });
  it('without evidence it is the plain prior, and a pot never hears its own echo', () => {
    const pool = new Pool();
    pool.set('a', { place: 'bench', mix: 'm', evidence: said(0.8) });
    pool.compare();
    expect(gridMean(pool.prior('a'))).toBeCloseTo(0, 2);
    expect(Math.sqrt(gridVariance(pool.prior('a'), 0))).toBeGreaterThan(POT_SD);
  });
  it('new evidence of one pot replaces its old', () => {
    const pool = new Pool();
    pool.set('a', { place: 'bench', mix: 'm', evidence: said(0.8) });
    pool.set('b', { place: 'bench', mix: 'm', evidence: new Float64Array(GRID_SIZE) });
    pool.compare();
    const before = gridMean(pool.prior('b'));
    pool.set('a', { place: 'bench', mix: 'm', evidence: said(-0.8) });
    pool.compare();
    expect(gridMean(pool.prior('b'))).toBeCloseTo(-before, 2);
  });
  it('an earlier potting with its pot on record still teaches the place', () => {
    const base = garden();
    const small = roundPot(90, 80, 'plastic');
    const dryEarly: PlantEvent[] = [0, 5, 10, 15].flatMap((start) => [
      { type: 'watering' as const, date: plusDays('2026-05-20', start), method: 'drench' as const },
      { type: 'check' as const, date: plusDays('2026-05-20', start + 3), finger: 'dry' as const },
    ]);
    const repotting: PlantEvent = { type: 'repotting', date: '2026-06-20', mix_was: 'damp', before: { pot: small, mix: 'mix' } };
    const neighbour = { ...base.plants[0]!, id: 'neighbour', events: [] };
    const rate = (events: PlantEvent[]) => new GardenForecast({ ...base, plants: [{ ...base.plants[0]!, events }, neighbour] }).outlook('neighbour').rate.p50;
    expect(rate([...dryEarly, repotting])).toBeGreaterThan(rate([...dryEarly, { type: 'repotting', date: '2026-06-20' }]) * 1.02);
  });
});

describe('the keeper', () => {
  const late = (x: number): Stretch => ({ ...stretchAt(0), lateness: [NODES.map((n) => x + 0.8 * n)] });
  it('shows how late they come, from pots that were looked at', () => {
    const pots = Array.from({ length: 12 }, () => ({ stretches: [late(0.6), late(0.7), late(0.65)], checks: 9, rate: normalDensity(0, 0.1) }));
    const habit = keeperHabit(pots);
    expect(habit.lateness).toBeCloseTo(0.6, 1);
    expect(habit.scatter).toBeLessThan(0.35);
  });
  it('then tells the rates of pots nobody looks into, weakly', () => {
    const logs = habitEvidence(Array.from({ length: 20 }, () => late(0.2)), { lateness: 0.6, scatter: 0.3 }, () => 1);
    const told = fromLog(logs.map((l, i) => l - 0.5 * (GRID[i]! / 0.4) ** 2));
    expect(gridMean(told)).toBeGreaterThan(0.15);
    expect(Math.sqrt(gridVariance(told, gridMean(told)))).toBeGreaterThan(0.15);
  });
});

describe('a pot that is no longer itself', () => {
  const prior = normalDensity(0, 0.4);
  it('is flagged when its newest stretch dries half as fast, and says so', () => {
    const change = findChange([stretchAt(0), stretchAt(0.05), stretchAt(-0.02), stretchAt(-0.8)], prior);
    expect(change!.kind).toBe('slower');
    expect(change!.factor).toBeLessThan(0.6);
  });
  it('and when it dries twice as fast', () => {
    expect(findChange([stretchAt(0), stretchAt(0), stretchAt(0.8)], prior)!.kind).toBe('faster');
  });
  it('not for what chance explains, nor for one vague look', () => {
    expect(findChange([stretchAt(0), stretchAt(0.1), stretchAt(-0.15)], prior)).toBeNull();
    expect(findChange([stretchAt(0), stretchAt(-0.8, 0.9, 1)], prior)).toBeNull();
  });
  it('not averaged away: the forecast goes with the new rate', () => {
    const cycle = (start: number, dryAfter: number): PlantEvent[] => [
      { type: 'watering', date: plusDays('2026-05-01', start), method: 'drench' },
      ...Array.from({ length: 4 }, (_, i) => ({ type: 'check' as const, date: plusDays('2026-05-01', start + Math.round(((i + 1) * dryAfter) / 4)), finger: i === 3 ? ('dry' as const) : i < 1 ? ('wet' as const) : ('damp' as const) })),
    ];
    const usual = [0, 9, 18, 27].flatMap((start) => cycle(start, 8));
    const blocked: PlantEvent[] = [
      ...usual,
      { type: 'watering', date: plusDays('2026-05-01', 36), method: 'drench' },
      ...[4, 8, 12, 14].map((day) => ({ type: 'check' as const, date: plusDays('2026-05-01', 36 + day), finger: 'wet' as const })),
    ];
    const today = plusDays('2026-05-01', 51);
    const found = outlook({ events: blocked, today });
    expect(found.change?.kind).toBe('slower');
    expect(found.moisture.p50).toBeGreaterThan(0.3);
    expect(outlook({ events: usual, today: plusDays('2026-05-01', 36) }).change).toBeNull();
  });
});

describe('how surfaces dry', () => {
  it('stays where it starts without evidence and moves with it', () => {
    const start = believedSurface(SURFACE_WET_TRIED.map(() => 0));
    expect(start).toBeCloseTo(0.5, 1);
    expect(believedSurface([0, 0, 0, 40])).toBeCloseTo(1, 2);
    expect(believedSurface([40, 0, 0, 0])).toBeCloseTo(0.35, 2);
  });
});

describe('weights', () => {
  const pot = outlook().model.pot.capacity;
  const weighed = (full: boolean, lost: number): PlantEvent[] => [
    { type: 'watering', date: '2026-06-20', method: 'drench' },
    ...(full ? [{ type: 'weights' as const, date: '2026-06-20', drained_g: 500, dry_g: Math.round(500 - 0.94 * pot.availableMl) }] : []),
    // Without the full weight only differences tell, so the first is taken while the pot is still nearly full.
    { type: 'check', date: '2026-06-21', weight_g: Math.round(500 - 0.25 * lost * pot.availableMl) },
    { type: 'check', date: '2026-06-23', weight_g: Math.round(500 - 0.6 * lost * pot.availableMl) },
    { type: 'check', date: '2026-06-26', weight_g: Math.round(500 - 0.9 * lost * pot.availableMl) },
  ];
  it('tell the rate, with and without the full weight', () => {
    const untaught = outlook({ events: weighed(true, 1).slice(0, 1), today: '2026-06-26' }).rate;
    for (const full of [true, false]) {
      const { rate } = outlook({ events: weighed(full, 1), today: '2026-06-26' });
      expect(rate.p50).toBeGreaterThan(1.2 * outlook({ events: weighed(full, 0.6), today: '2026-06-26' }).rate.p50);
      expect(rate.p90 / rate.p10).toBeLessThan(untaught.p90 / untaught.p10);
    }
  });
});
