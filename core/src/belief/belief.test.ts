import { describe, expect, it } from 'vitest';
import { GardenForecast } from '../forecast/forecast.ts';
import { dayNumber } from '../calendar/day.ts';
import type { PlantEvent, Pot } from '../garden.ts';
import { garden, outlook, PEATY, plusDays, roundPot } from '../../test/gardens.ts';
import {
  blur,
  fromLog,
  GRID,
  GRID_SIZE,
  gridMean,
  gridQuantile,
  gridVariance,
  normalDensity,
  shifted,
  spreadMoisture,
  NODES,
} from './grid.ts';
import type { Stretch } from './history.ts';
import { retrace } from './walk.ts';
import { comesEarly, keeperTiming, timingEvidence } from './keeper.ts';
import {
  deviationSd,
  meterFigure,
  normalAt,
  signLikelihood,
  tableIndex,
  USUAL_SLIPS,
  weightFigure,
  wordTable,
} from './looks.ts';
import { Pool } from './pool.ts';
import { driveShift, POT_SD, potEvidence, REFERENCE_LN_DRIVE, USUAL_BENT } from './rate.ts';
import { slipRates } from './trust.ts';
import { believedSurface, SURFACE_WET_TRIED } from './surface.ts';
import { believedBent, BENTS_TRIED } from './bent.ts';
import { believedWander, USUAL_WANDER, WANDERS_TRIED } from './wander.ts';
import { dryStep, SURFACE_WET_M } from '../drydown/step.ts';

const TODAY = '2026-07-05';
const back = (days: number) => plusDays(TODAY, -days);

/** A stretch that says ln k is about x, as sharply as sd. */
function stretchAt(x: number, sd = 0.12, checks = 4): Stretch {
  return {
    endDay: 100,
    checks,
    weighed: false,
    lateness: [],
    place: 'p',
    lnDrive: REFERENCE_LN_DRIVE,
    logs: GRID.map((g) => -0.5 * ((g - x) / sd) ** 2),
  };
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
  const chance = (says: 'wet' | 'damp' | 'dry', m: number, zVar = 0) =>
    wordTable({ kind: 'finger', says }, zVar, USUAL_SLIPS.finger).chance[tableIndex(m)]!;
  it('a finger’s words peak in their bands and never rule anything out', () => {
    for (const m of [0.02, 0.3, 0.9]) expect(chance('wet', m) + chance('damp', m) + chance('dry', m)).toBeCloseTo(1, 6);
    expect(chance('dry', 0.02)).toBeGreaterThan(0.9);
    expect(chance('damp', 0.3)).toBeGreaterThan(0.9);
    expect(chance('wet', 0.9)).toBeGreaterThan(0.9);
    expect(chance('dry', 0.9)).toBeGreaterThan(0.005);
  });
  it('where the pot may stray from its reckoning the edges of words are softer', () => {
    expect(chance('wet', 0.5, 4)).toBeGreaterThan(chance('wet', 0.5, 0));
    expect(chance('damp', 0.5, 4)).toBeLessThan(chance('damp', 0.5, 0));
    expect(deviationSd(0.5)).toBeGreaterThan(4 * deviationSd(0));
  });
  it('a scale is sharper than a probe, a fresh full weight sharper than an old one, and both beat a hand that lifts', () => {
    const scale = (days: number) => weightFigure(550, 600, 150, true, days, 0.02);
    expect(scale(0).m).toBeCloseTo(1 - 50 / 150, 6);
    expect(scale(0).sd).toBeLessThan(meterFigure(6, 0.03).sd / 2);
    expect(scale(300).sd).toBeGreaterThan(scale(0).sd * 1.5);
    expect(weightFigure(550, 600, 150, false, 0, 0.02).sd).toBeGreaterThan(scale(0).sd);
    const lift = (says: 'heavy' | 'light', m: number) =>
      wordTable({ kind: 'lift', says }, 0, USUAL_SLIPS.lift).chance[tableIndex(m)]!;
    expect(lift('heavy', 0.9)).toBeGreaterThan(lift('heavy', 0.2) * 5);
    expect(lift('light', 0.05)).toBeGreaterThan(lift('light', 0.7) * 5);
    expect(normalAt(0)).toBeCloseTo(1 / Math.sqrt(2 * Math.PI), 6);
  });
  it('a dry surface says little, a wrinkle says dry, a scar nothing', () => {
    const dryTop = (m: number) =>
      wordTable({ kind: 'surface', says: 'dry' }, 0, USUAL_SLIPS.surface).chance[tableIndex(m)]!;
    expect(dryTop(0.4) / dryTop(0.05)).toBeGreaterThan(0.8);
    expect(signLikelihood('wrinkled', 2, 0.05)!).toBeGreaterThan(signLikelihood('wrinkled', 2, 0.6)!);
    expect(signLikelihood('corky-blisters', 2, 0.5)).toBeNull();
  });
  it('what a keeper’s looks are worth is learned, slowly, and kept within reason', () => {
    const none = { looks: 0, slips: 0 };
    const trust = (looks: number, slips: number) => ({
      trust: { finger: { looks, slips }, surface: none, meter: none, weight: none, lift: none },
    });
    expect(slipRates([trust(0, 0)]).finger).toBeCloseTo(USUAL_SLIPS.finger, 2);
    expect(slipRates([trust(400, 80)]).finger).toBeGreaterThan(0.15);
    expect(slipRates([trust(400, 80)]).meter).toBe(USUAL_SLIPS.meter);
    expect(slipRates([trust(5, 5)]).finger).toBeLessThan(0.15);
    expect(slipRates([trust(10_000, 10_000)]).finger).toBeLessThanOrEqual(0.4);
  });
  it('one misread among many hardly moves the rate', () => {
    const cycle = (start: number): PlantEvent[] => [
      { type: 'watering', date: plusDays('2026-05-20', start), method: 'drench' },
      { type: 'check', date: plusDays('2026-05-20', start + 4), finger: 'damp' },
      { type: 'check', date: plusDays('2026-05-20', start + 12), finger: 'dry' },
    ];
    const events = [...cycle(0), ...cycle(13), ...cycle(26)];
    const wrong: PlantEvent[] = [
      ...events,
      { type: 'check' as const, date: '2026-06-28', finger: 'wet' as const },
    ].sort((a, b) => (a.date < b.date ? -1 : 1));
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
    const repotting: PlantEvent = {
      type: 'repotting',
      date: '2026-06-20',
      mix_was: 'damp',
      before: { pot: small, mix: 'mix' },
    };
    const neighbour = { ...base.plants[0]!, id: 'neighbour', events: [] };
    const rate = (events: PlantEvent[]) =>
      new GardenForecast({ ...base, plants: [{ ...base.plants[0]!, events }, neighbour] }).outlook('neighbour').rate
        .p50;
    expect(rate([...dryEarly, repotting])).toBeGreaterThan(
      rate([...dryEarly, { type: 'repotting', date: '2026-06-20' }]) * 1.02,
    );
  });
});

describe('the keeper', () => {
  const late = (x: number): Stretch => ({ ...stretchAt(0), lateness: [NODES.map((n) => x + 0.8 * n)] });
  it('shows how late they come, from pots that were looked at', () => {
    const pots = Array.from({ length: 12 }, () => ({
      stretches: [late(0.6), late(0.7), late(0.65)],
      checks: 9,
      rate: () => normalDensity(0, 0.1),
    }));
    const habit = keeperTiming(pots);
    // Twelve pots outweigh what is taken to begin with, nearly.
    expect(habit.lateness).toBeGreaterThan(0.5);
    expect(habit.lateness).toBeLessThan(0.65);
    expect(habit.scatter).toBeLessThan(0.35);
  });
  it('has a heavy hand if they come early on the whole; nobody has before anything is seen', () => {
    const pots = (x: number) =>
      Array.from({ length: 12 }, () => ({
        stretches: [late(x), late(x)],
        checks: 9,
        rate: () => normalDensity(0, 0.1),
      }));
    expect(comesEarly(keeperTiming(pots(-0.5)))).toBe(true);
    expect(comesEarly(keeperTiming(pots(0.1)))).toBe(false);
    expect(comesEarly(keeperTiming([]))).toBe(false);
  });
  it('then tells the rates of pots nobody looks into, weakly', () => {
    const logs = timingEvidence(
      Array.from({ length: 20 }, () => late(0.2)),
      { lateness: 0.6, scatter: 0.3 },
      () => 1,
    );
    const told = fromLog(logs.map((l, i) => l - 0.5 * (GRID[i]! / 0.4) ** 2));
    expect(gridMean(told)).toBeGreaterThan(0.15);
    expect(Math.sqrt(gridVariance(told, gridMean(told)))).toBeGreaterThan(0.15);
  });
});

describe('how the reckoning errs with the season', () => {
  /** A pot of high summer and of the dark months, whose rate there stands `off` below the one in summer. */
  const yearOf = (off: number, checks = 4) => [
    stretchAt(0, 0.08, checks),
    { ...stretchAt(-off, 0.08, checks), lnDrive: REFERENCE_LN_DRIVE - 2 },
  ];
  const pots = (off: number) => Array.from({ length: 12 }, () => yearOf(off));
  it('is learned from pots that were looked at in different air', () => {
    expect(believedBent(pots(0.5))).toBeGreaterThan(0.2);
    expect(believedBent(pots(0))).toBeLessThan(0.05);
    expect(believedBent(pots(-0.24))).toBeLessThan(0);
  });
  it('is as usual while nobody has looked, or only in one season', () => {
    expect(believedBent([yearOf(0.5, 0)])).toBe(USUAL_BENT);
    expect(believedBent([[stretchAt(0), stretchAt(-0.5)]])).toBe(USUAL_BENT);
    const prior = BENTS_TRIED.reduce((sum, { bent, prior }) => sum + bent * prior, 0);
    expect(prior).toBeCloseTo(USUAL_BENT, 2);
  });
  it('one pot tells a little, many tell more', () => {
    const one = believedBent([yearOf(0.6)]);
    expect(one).toBeGreaterThan(USUAL_BENT);
    expect(one).toBeLessThan(believedBent(pots(0.6)));
  });
});

describe('how far pots wander from their reckoning', () => {
  const told = (likely: number) =>
    Float64Array.from(WANDERS_TRIED, ({ wander }) => -2 * Math.abs(Math.log(wander / likely)));
  it('is learned from what probes and scales showed, and as usual without', () => {
    expect(believedWander([])).toBe(USUAL_WANDER);
    expect(believedWander([new Float64Array(WANDERS_TRIED.length)])).toBe(USUAL_WANDER);
    const calm = believedWander(Array.from({ length: 10 }, () => told(0.4)));
    expect(calm).toBeLessThan(0.55);
    expect(believedWander([told(0.4)])).toBeGreaterThan(calm);
    expect(believedWander(Array.from({ length: 10 }, () => told(1.3)))).toBeGreaterThan(1.15);
  });
  it('weights that keep to the reckoning say little, weights that stray say much', () => {
    /** A pot weighed every two days: on its reckoned way, or by turns above and below it. */
    const wanders = (strayG: number) => {
      const base = garden({ today: TODAY });
      const forecast = new GardenForecast(base, dayNumber(back(60)));
      const { model } = forecast.outlook(base.plants[0]!.id);
      const store = model.pot.capacity.availableMl;
      const { loss } = model;
      let m = 1;
      const events: PlantEvent[] = [
        { type: 'weights', date: back(40), drained_g: 800, dry_g: 800 - 0.94 * store },
        { type: 'watering', date: back(40), method: 'drench' },
      ];
      for (let ago = 40; ago > 0; ago--) {
        const i = dayNumber(back(ago)) - loss.firstDay;
        const dry = (share: number) =>
          dryStep(m, share * loss.surface[i]!, share * loss.wall[i]!, share * loss.plant[i]!);
        const early = loss.earlyShare[i]!;
        if (ago < 40) m = dry(early);
        const stray = strayG * (ago % 4 < 2 ? 1 : -1);
        if (ago < 40 && ago % 2 === 0)
          events.push({ type: 'check', date: back(ago), weight_g: 800 - store * (1 - m) + stray });
        m = dry(1 - early);
      }
      const { wanders: told } = retrace({
        pot: model.pot,
        loss,
        events,
        fromDay: dayNumber(back(40)),
        today: dayNumber(TODAY),
        dueM: 0.12,
        holdDays: 0,
        surfaceWetM: SURFACE_WET_M,
        upsets: true,
        openSky: false,
        tellsWander: true,
        placeOn: () => model.plant.place,
      });
      return believedWander(Array.from({ length: 4 }, () => told));
    };
    expect(wanders(0)).toBeLessThan(0.8);
    expect(wanders(12)).toBeGreaterThan(wanders(0));
  });
});

describe('a rate learned in other air', () => {
  it('says less the further that air is from the present, and slow losses are slower than reckoned', () => {
    const spread = (lnDrive: number) => {
      const density = fromLog(potEvidence([{ ...stretchAt(0, 0.05), lnDrive }], 100, REFERENCE_LN_DRIVE, USUAL_BENT));
      return Math.sqrt(gridVariance(density, gridMean(density)));
    };
    expect(spread(REFERENCE_LN_DRIVE - 2)).toBeGreaterThan(1.5 * spread(REFERENCE_LN_DRIVE));
    expect(driveShift(REFERENCE_LN_DRIVE - 2, USUAL_BENT)).toBeLessThan(0);
    expect(driveShift(REFERENCE_LN_DRIVE, USUAL_BENT)).toBeCloseTo(0, 9);
  });
});

describe('a pot that is no longer itself', () => {
  it('not averaged away: the forecast goes with the new rate', () => {
    const cycle = (start: number, dryAfter: number): PlantEvent[] => [
      { type: 'watering', date: plusDays('2026-05-01', start), method: 'drench' },
      ...Array.from({ length: 4 }, (_, i) => ({
        type: 'check' as const,
        date: plusDays('2026-05-01', start + Math.round(((i + 1) * dryAfter) / 4)),
        finger: i === 3 ? ('dry' as const) : i < 1 ? ('wet' as const) : ('damp' as const),
      })),
    ];
    const usual = [0, 9, 18, 27].flatMap((start) => cycle(start, 8));
    const blocked: PlantEvent[] = [
      ...usual,
      { type: 'watering', date: plusDays('2026-05-01', 36), method: 'drench' },
      ...[4, 8, 12, 14, 17, 20].map((day) => ({
        type: 'check' as const,
        date: plusDays('2026-05-01', 36 + day),
        finger: 'wet' as const,
      })),
    ];
    const today = plusDays('2026-05-01', 57);
    const found = outlook({ events: blocked, today });
    expect(found.change?.kind).toBe('slower');
    expect(found.moisture.p50).toBeGreaterThan(0.3);
    expect(outlook({ events: usual, today: plusDays('2026-05-01', 36) }).change).toBeNull();
  });
  it('goes on at the pace that the keeper says it has now', () => {
    const drench: PlantEvent[] = [{ type: 'watering', date: '2026-06-20', method: 'drench' }];
    const told = outlook({ events: [...drench, { type: 'changed', date: '2026-06-20', pace: 'slower' }] });
    expect(told.dryOn.p50!).toBeGreaterThan(outlook({ events: drench }).dryOn.p50!);
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
    ...(full
      ? [
          {
            type: 'weights' as const,
            date: '2026-06-20',
            drained_g: 500,
            dry_g: Math.round(500 - 0.94 * pot.availableMl),
          },
        ]
      : []),
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

describe('what the book does not tell', () => {
  const drench = (date: string): PlantEvent => ({ type: 'watering', date, method: 'drench' });
  const felt = (date: string, finger: 'wet' | 'damp' | 'dry'): PlantEvent => ({ type: 'check', date, finger });
  /** Two cycles that show when the pot is dry, then a drench. */
  const learned = (since: number) =>
    [48, 24]
      .flatMap((start) => [
        drench(back(since + start)),
        felt(back(since + start - 6), 'damp'),
        felt(back(since + start - 16), 'dry'),
      ])
      .concat(drench(back(since)));
  it('somebody watered it: a wet finger on a pot that should be dry is believed, and when it was is told', () => {
    const { moisture, present } = outlook({
      today: TODAY,
      events: [...learned(22), felt(back(2), 'dry'), felt(TODAY, 'wet')],
    });
    expect(moisture.p50).toBeGreaterThan(0.6);
    const stranger = present.happened.find(({ kind }) => kind === 'stranger')!;
    expect(stranger.probability).toBeGreaterThan(0.5);
    expect(stranger.from).toBeGreaterThanOrEqual(dayNumber(back(3)));
    expect(stranger.to).toBeLessThanOrEqual(dayNumber(TODAY));
  });
  it('the drench ran past: two dry fingers soon after it are believed', () => {
    const { moisture, present } = outlook({
      today: TODAY,
      mix: PEATY,
      events: [...learned(4), felt(back(2), 'dry'), felt(TODAY, 'dry')],
    });
    expect(moisture.p50).toBeLessThan(0.2);
    expect(present.happened.some(({ kind }) => kind === 'ran-past' || kind === 'faster')).toBe(true);
  });
  it.each([1, 3, 8, 20, 45])(
    '%s days after a drench a wetter finger never means less water, and each is followed',
    (days) => {
      const middle = (finger: 'wet' | 'damp' | 'dry') =>
        outlook({ today: TODAY, events: [...learned(days), felt(TODAY, finger)] }).moisture.p50;
      const [wet, damp, dry] = [middle('wet'), middle('damp'), middle('dry')];
      expect(wet).toBeGreaterThan(damp);
      expect(damp).toBeGreaterThan(dry);
      expect(wet).toBeGreaterThan(0.5);
      expect(dry).toBeLessThan(0.15);
    },
  );
  it('a damp finger on a pot that should long be dry: some of somebody’s water is still there', () => {
    const { p50 } = outlook({
      today: TODAY,
      events: [...learned(70), felt(back(1), 'damp'), felt(TODAY, 'damp')],
    }).moisture;
    expect(p50).toBeGreaterThan(0.12);
    expect(p50).toBeLessThan(0.6);
  });
  it('a slip: one odd look among looks that agree is told as such and forgotten', () => {
    const events = (odd: boolean) => [
      ...learned(14),
      felt(back(10), 'damp'),
      ...(odd ? [felt(back(5), 'wet')] : []),
      felt(back(2), 'dry'),
      felt(TODAY, 'dry'),
    ];
    const [clean, slipped] = [
      outlook({ today: TODAY, events: events(false) }),
      outlook({ today: TODAY, events: events(true) }),
    ];
    expect(Math.abs(slipped.moisture.p50 - clean.moisture.p50)).toBeLessThan(0.05);
    expect(
      slipped.present.happened.find(({ kind, from }) => kind === 'slip' && from === dayNumber(back(5)))!.probability,
    ).toBeGreaterThan(0.4);
  });
  it('one look leaves the belief wide, a second that agrees makes it firm', () => {
    const once = outlook({ today: TODAY, events: [...learned(22), felt(TODAY, 'wet')] }).moisture;
    const twice = outlook({
      today: TODAY,
      events: [...learned(22), felt(back(1), 'wet'), felt(TODAY, 'wet')],
    }).moisture;
    expect(twice.p90 - twice.p10).toBeLessThan(once.p90 - once.p10);
  });
  it('a pot without a hole learns too', () => {
    const blind: Pot = { ...roundPot(90, 80, 'glazed'), holes: false };
    const cycle = (start: number, days: number): PlantEvent[] => [
      { type: 'watering', date: back(start), method: 'measured', amount_ml: 90 },
      felt(back(start - Math.round(days / 2)), 'damp'),
      felt(back(start - days), 'dry'),
    ];
    const rate = (days: number) =>
      outlook({ today: TODAY, pot: blind, events: [90, 75, 60, 45, 30].flatMap((start) => cycle(start, days)) }).rate;
    expect(rate(5).p50).toBeGreaterThan(1.3 * rate(14).p50);
    expect(rate(5).p90 / rate(5).p10).toBeLessThan(3);
  });
  it('cells sum to one, fastest first, and nothing happens for certain without a look', () => {
    const { present } = outlook({ today: TODAY, events: learned(10) });
    expect(present.cells.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 3);
    for (let i = 1; i < present.cells.length; i++)
      expect(present.cells[i]!.lnRate).toBeLessThanOrEqual(present.cells[i - 1]!.lnRate);
    for (const { probability } of present.happened) expect(probability).toBeLessThan(0.35);
  });
});
