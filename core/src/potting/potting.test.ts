/** The potting bench's arithmetic, by worked examples. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import type { Pot, Sign } from '../garden.ts';
import { blendMix } from '../mix/blend.ts';
import { COMPONENTS } from '../mix/components.ts';
import { GRITTY, PEATY, roundPot } from '../../test/gardens.ts';
import { firstDrink, type FirstDrinkFacts } from '../plant/firstDrink.ts';
import { aftercare, type PottedFacts } from './aftercare.ts';
import { type BlockFacts, type NeedFacts, pottingBlocks, pottingNeed } from './need.ts';
import {
  hasSmallHole,
  type MaterialFacts,
  materials,
  mostTimesFor,
  nextPot,
  plantingDepth,
  potSizeMm,
  standOf,
  stepOf,
} from './size.ts';

const TODAY = dayNumber('2026-05-01');
const NEED: NeedFacts = {
  today: TODAY,
  pottedOn: TODAY - 400,
  repotYears: 3,
  fitsOn: null,
  signs: new Map(),
  faster: 1,
  saltsOver: false,
  slowPour: null,
  smallHole: false,
  interim: false,
  organicShare: 0.3,
  diameterMm: 60,
  heightMm: 60,
  potTopMm: 90,
  tips: false,
  tight: false,
};
const need = (over: Partial<NeedFacts>) => pottingNeed({ ...NEED, ...over });
const seen = (...signs: Sign[]) => new Map(signs.map((sign) => [sign, TODAY - 5]));
const codes = (over: Partial<NeedFacts>) => need(over).reasons.map(({ code }) => code);

describe('holes', () => {
  const pot = { ...roundPot(100, 90, 'plastic'), base_mm: 75 };
  it.each([
    [{ hole_mm: 4 }, true],
    [{ hole_count: 1, hole_mm: 10 }, false],
    [{ hole_count: 6, hole_mm: 4 }, false],
    [{ hole_count: 1 }, false],
    [{ hole_mm: 4, holes: false }, false],
    [{ hole_mm: 10, base_mm: 300, shape: 'square' as const }, true],
  ])('%o lets little through: %s', (over, small) => expect(hasSmallHole({ ...pot, ...over })).toBe(small));
});

describe('what is left of the roots', () => {
  it('decides how large a step may be: none lost, any common step; half, hardly one; most, a smaller pot', () => {
    const step = stepOf(roundPot(100, 90, 'plastic'), roundPot(120, 108, 'plastic'));
    expect(step.times).toBeCloseTo(1.73, 2);
    expect(mostTimesFor(0)).toBeGreaterThan(step.times);
    expect(mostTimesFor(0.5)).toBeLessThan(step.times);
    expect(mostTimesFor(0.5)).toBeGreaterThan(1);
    expect(mostTimesFor(0.8)).toBeLessThan(0.5);
    expect(mostTimesFor(1.4)).toBe(0);
  });
});

describe('who wants a new pot', () => {
  it('years alone ask for a look, never for a pot', () => {
    const old = need({ pottedOn: TODAY - 4000, organicShare: 0.9 });
    expect(old.verdict).toBe('look');
    expect(old.reasons.map(({ code }) => code)).toEqual(['mix-tired', 'years']);
    expect(need({}).verdict).toBe('none');
  });
  it('signs make it due, the more the more pressing', () => {
    const one = need({ signs: seen('roots-out') });
    const two = need({ signs: seen('roots-out', 'pot-bulging') });
    expect(one.verdict).toBe('look');
    expect(two.verdict).toBe('due');
    expect(two.score).toBeGreaterThan(one.score);
    expect(two.reasons[0]!.code).toBe('bulging');
  });
  it.each<[Partial<NeedFacts>, string]>([
    [{ faster: 1.8 }, 'dries-faster'],
    [{ saltsOver: true }, 'salts'],
    [{ smallHole: true }, 'small-hole'],
    [{ interim: true }, 'interim'],
    [{ slowPour: { day: TODAY - 9, seconds: 40 } }, 'drains-slowly'],
    [{ diameterMm: 95 }, 'outgrown'],
    [{ tips: true }, 'topples'],
    [{ signs: seen('water-stands') }, 'stands'],
    [{ signs: seen('water-runs-through') }, 'runs-through'],
    [{ pottedOn: TODAY - 3 * 366 }, 'years'],
  ])('%o: %s', (over, code) => expect(codes(over)).toContain(code));
  it('a rescue out of season asks for the final pot, in the weeks that suit', () =>
    expect(need({ interim: true }).verdict).toBe('due'));
  it('a sign of before the last potting says nothing of this pot', () =>
    expect(codes({ signs: seen('roots-out'), pottedOn: TODAY - 2 })).toEqual([]));
  it('one that likes its roots tight waits for more', () => {
    const signs = seen('roots-out', 'topples');
    expect(need({ signs }).verdict).toBe('due');
    expect(need({ signs, tight: true }).verdict).toBe('look');
    expect(need({ signs: seen('roots-out', 'pot-bulging', 'water-runs-through'), tight: true }).verdict).toBe('due');
  });
  it('a peaty mix is tired sooner than a stony one', () => {
    const at = (years: number, organicShare: number) =>
      codes({ pottedOn: TODAY - Math.round(years * 365), organicShare, repotYears: 9 });
    expect(at(2.5, 0.9)).toContain('mix-tired');
    expect(at(2.5, 0.1)).not.toContain('mix-tired');
    expect(at(5.2, 0)).toContain('mix-tired');
  });
});

const FREE: BlockFacts = {
  today: TODAY,
  state: 'growing',
  growsFrom: null,
  movedAsleep: false,
  floweredOn: null,
  warmthAheadC: 18,
  growMinC: 10,
  movedOn: null,
  arrivedOn: null,
  hurtUntil: null,
  pottedOn: null,
  repotYears: 3,
  rootShy: false,
  treatedOn: null,
};
describe('who may not now', () => {
  it.each<[Partial<BlockFacts>, string, number | null]>([
    [{ state: 'resting', growsFrom: TODAY + 60 }, 'resting', 60],
    [{ state: 'easing', growsFrom: null }, 'easing', null],
    [{ floweredOn: TODAY - 10 }, 'in-flower', 20],
    [{ warmthAheadC: 5, growsFrom: TODAY + 30 }, 'cold', 30],
    [{ movedOn: TODAY - 8 }, 'moved', 20],
    [{ arrivedOn: TODAY - 8 }, 'new', 20],
    [{ hurtUntil: TODAY + 4 }, 'hurt', 4],
    [{ rootShy: true, pottedOn: TODAY - 365 }, 'root-shy', 731],
    [{ treatedOn: TODAY - 5 }, 'in-treatment', 16],
  ])('%o: %s', (over, code, days) => {
    const [block] = pottingBlocks({ ...FREE, ...over });
    expect(block).toEqual({ code, until: days === null ? null : TODAY + days });
  });
  it('nothing stands in the way of one in growth', () => expect(pottingBlocks(FREE)).toEqual([]));
});

describe('how big', () => {
  it('10 → 12 cm in one shape holds 1.73 times as much', () => {
    const scaled = (top: number): Pot => ({ ...roundPot(top, top * 0.9, 'plastic'), base_mm: top * 0.75 });
    expect(stepOf(scaled(100), scaled(120))).toEqual({ times: 1.73, tooLarge: false });
    expect(stepOf(scaled(100), scaled(140)).tooLarge).toBe(true);
  });
  it('pots come in steps', () => expect([83, 90, 141, 161].map(potSizeMm)).toEqual([90, 90, 150, 180]));
  it.each([
    ['rosette', 'leaf', 'wide', 0.6],
    ['bulb', 'below', 'deep', 1.0],
    ['globe', 'stem', 'snug', 0.9],
  ] as const)('%s: %s roots want a %s pot', (form, store, rooting, depth) => {
    const next = nextPot(roundPot(90, 80, 'plastic'), { form, store, diameterMm: 70 });
    expect(next.rooting).toBe(rooting);
    expect(next.pot.depth_mm / next.pot.top_mm).toBeCloseTo(depth, 1);
  });
  it('a caudex with room stays in its width, and is raised', () => {
    const next = nextPot(roundPot(140, 100, 'plastic'), { form: 'caudex', store: 'stem', diameterMm: 80 });
    expect(next.pot.top_mm).toBe(140);
    expect(plantingDepth('caudex')).toBe('caudex-third');
    expect(plantingDepth('trailing')).toBe('clump-low');
    expect(plantingDepth('trailing', 'epiphyte')).toBe('same-depth');
  });
  it('property: never narrower, never deeper than it is wide by much, always with a hole', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 400 }),
        fc.integer({ min: 10, max: 500 }),
        fc.constantFrom('globe', 'rosette', 'caudex', 'bulb', 'trailing', 'stiff-leaf' as const),
        (top, diameterMm, form) => {
          const old = { ...roundPot(top, Math.round(top * 0.8), 'plastic'), holes: false };
          const { pot, times } = nextPot(old, { form: form as 'globe', store: 'leaf', diameterMm });
          expect(pot.top_mm).toBeGreaterThanOrEqual(top);
          expect(pot.depth_mm).toBeLessThanOrEqual(1.2 * pot.top_mm);
          expect(pot.holes).toBe(true);
          expect(times).toBeGreaterThan(0);
        },
      ),
      { seed: 3 },
    ));
});

describe('how it stands', () => {
  const grit = blendMix(GRITTY, COMPONENTS);
  const peat = blendMix(PEATY, COMPONENTS);
  const column = { form: 'column' as const, diameterMm: 90, heightMm: 600 };
  it('a tall column in light plastic and peat tips before one in clay and grit', () => {
    const light = standOf(roundPot(120, 110, 'plastic'), peat, column);
    const heavy = standOf(roundPot(120, 110, 'terracotta'), grit, column);
    expect(light.tipsInWindMS).toBeLessThan(heavy.tipsInWindMS);
    expect(light.weightG).toBeLessThan(heavy.weightG);
  });
  it('the taller the plant the sooner it tips', () => {
    const at = (heightMm: number) => standOf(roundPot(120, 110, 'plastic'), grit, { ...column, heightMm });
    expect(at(800).tipsAtDeg).toBeLessThan(at(200).tipsAtDeg);
    expect(at(800).tipsInWindMS).toBeLessThan(at(200).tipsInWindMS);
  });
});

describe('of what', () => {
  const plain: MaterialFacts = {
    heavyHand: false,
    rotProne: 1,
    outdoors: false,
    coldestC: 10,
    windy: false,
    topHeavy: false,
    fierceSun: false,
  };
  const best = (over: Partial<MaterialFacts>) => materials({ ...plain, ...over })[0]!.material;
  const rank = (material: string, over: Partial<MaterialFacts>) =>
    materials({ ...plain, ...over }).findIndex((one) => one.material === material);
  it('clay for a heavy hand and what rots, not where it freezes', () => {
    expect(best({ heavyHand: true })).toBe('terracotta');
    expect(best({ rotProne: 1.6 })).toBe('terracotta');
    expect(rank('terracotta', { rotProne: 1.6, outdoors: true, coldestC: -8 })).toBe(4);
  });
  it('weight against wind, no dark pots in fierce sun', () => {
    expect(['concrete', 'glazed']).toContain(best({ windy: true, outdoors: true }));
    expect(rank('metal', { fierceSun: true, outdoors: true })).toBe(4);
  });
});

const DRINK: FirstDrinkFacts = { rootLoss: 0, mixWas: 'dry', store: 'leaf', cool: false, findings: ['white-firm'] };
describe('the first drink', () => {
  it.each<[Partial<FirstDrinkFacts>, number, string]>([
    [{}, 0, 'whole-roots'],
    [{ rootLoss: 0.4 }, 7, 'roots-cut'],
    [{ findings: ['brown-soft'] }, 10, 'rot-found'],
    [{ findings: ['dry-brittle'] }, 1, 'dry-brittle'],
    [{ store: 'below' }, 2, 'fleshy'],
    [{ mixWas: 'wet' }, 4, 'whole-roots'],
    [{ rootLoss: 0.4, cool: true }, 9, 'roots-cut'],
  ])('%o: after %d days', (over, days, code) => {
    const found = firstDrink({ ...DRINK, ...over });
    expect(found.days).toBe(days);
    expect(found.because[0]).toBe(code);
  });
});

describe('what follows', () => {
  const POTTED: PottedFacts = {
    ...DRINK,
    pottedOn: TODAY,
    divided: false,
    chargedMonths: 0,
  };
  const follows = (over: Partial<PottedFacts> = {}) => aftercare({ ...POTTED, ...over });
  const dayOf = (kind: string, over: Partial<PottedFacts> = {}) =>
    follows(over).find((task) => task.kind === kind)!.day - TODAY;
  it('looks after a day, a week and four, food after six weeks', () => {
    expect(
      follows()
        .filter(({ kind }) => kind === 'look')
        .map(({ day }) => day - TODAY),
    ).toEqual([1, 7, 28]);
    expect(dayOf('food-from')).toBe(42);
    expect(dayOf('food-from', { chargedMonths: 6 })).toBe(183);
  });
  it('longer shade after rough work and division', () => {
    expect(dayOf('shade-ends')).toBe(5);
    expect(dayOf('shade-ends', { rootLoss: 0.5 })).toBe(14);
    expect(dayOf('shade-ends', { divided: true })).toBe(14);
  });
  it('comes in the order of days', () => {
    const days = follows({ rootLoss: 0.5 }).map(({ day }) => day);
    expect(days).toEqual(days.toSorted((a, b) => a - b));
  });
});
