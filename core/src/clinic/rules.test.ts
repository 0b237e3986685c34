import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import { LIGHT_BANDS } from '../plant/library.ts';
import { CAUSES, type Cause, type Hypothesis, UNKNOWN } from '../catalogue/causes.ts';
import { CHECK_TABLE, gainOf } from './checks.ts';
import { believe, diagnose, TEMPER } from './diagnose.ts';
import type { ClinicFacts, ClinicSign } from './facts.ts';
import { HISTORY_RULES, type HistoryCode } from './historyRules.ts';
import { PRIOR_ROWS, USUAL } from './priors.ts';
import { type Given, GIVEN, SIGN_RULES, SOUND } from './signRules.ts';
import { SIGNS } from '../garden.ts';

const TODAY = dayNumber('2026-06-20');

/** A rosette in full growth on a sill about which nothing is remarkable. */
const PLAIN: ClinicFacts = {
  today: TODAY,
  signs: [],
  traits: {
    habit: 'summer',
    sleeps: 'cold',
    form: 'rosette',
    store: 'leaf',
    dryRule: 'dry-through',
    holdDays: 0,
    minDryC: 2,
    minWetC: 6,
    growMinC: 10,
    dueM: null,
  },
  cautions: [],
  band: LIGHT_BANDS.bright,
  slow: false,
  placeKind: 'windowsill',
  indoors: true,
  outdoors: false,
  air: 'gentle',
  lit: false,
  arrivedOn: null,
  shelteredOn: null,
  state: 'growing',
  stateDays: 80,
  restInDays: 120,
  placeWarm: true,
  awakeDays: 90,
  m: 0.3,
  chanceWet: 0.2,
  chanceDry: 0.3,
  felt: null,
  wetDays: 0,
  wetColdDays: 0,
  meanM: 0.35,
  wetFeet: 0,
  thirst: 0,
  dryDays: 0,
  dryBefore: 0,
  drankDays: 30,
  drinksIn30: 2,
  pottedDays: 400,
  rootsHurt: false,
  rootsFound: [],
  movedDays: null,
  sprayedDays: null,
  lightStep: 1,
  fedDays: 100,
  doses60: 0,
  coldestC: 12,
  coldK: -10,
  coldOn: TODAY - 5,
  hottestC: 26,
  heatK: -9,
  hotOn: TODAY - 5,
  warmthC: 20,
  dliMol: 9,
  lightShare: 1.8,
  darkDays: 0,
  saltsShare: 0.5,
  salts: { ecMS: 1, limitMS: 2, flush: false, hardDrinks: 0 },
  rhPct: 55,
  mixYears: 1.2,
  organicShare: 0.3,
  rewetDifficulty: 0.3,
  lnPace: 0,
  holes: true,
  fill: 0.8,
  arrivedDays: null,
  neighbours: [],
  cleanDays: null,
};

const saw = (sign: ClinicSign['sign'], more: Partial<ClinicSign> = {}): ClinicSign => ({
  day: TODAY,
  sign,
  strength: 2,
  where: null,
  when: null,
  answered: false,
  ...more,
});

/** ln odds of a cause against none of the known. */
function lnOdds(facts: ClinicFacts, cause: Cause): number {
  const beliefs = believe(facts);
  return Math.log(beliefs.get(cause)! / beliefs.get(UNKNOWN)!);
}

/** What makes each condition hold, and what makes it fail. */
const HOLDS: Record<Given, [Partial<ClinicFacts>, Partial<ClinicFacts>]> = {
  'watered-lately': [{ drankDays: 4 }, { drankDays: 5 }],
  'often-watered': [{ drinksIn30: 5 }, { drinksIn30: 1 }],
  'woody-form': [{ traits: { ...PLAIN.traits, form: 'caudex' } }, {}],
  stemless: [{ traits: { ...PLAIN.traits, form: 'stemless' } }, {}],
  'bulb-or-caudex': [{ traits: { ...PLAIN.traits, form: 'bulb' } }, {}],
  bulb: [{ traits: { ...PLAIN.traits, form: 'bulb' } }, {}],
  powdery: [{ cautions: ['powdery'] }, {}],
  slow: [{ slow: true }, {}],
  resting: [{ state: 'resting' }, {}],
  'going-to-rest': [{ restInDays: 40 }, { restInDays: 46 }],
  'not-near-rest': [{ restInDays: 46 }, { restInDays: 44 }],
  waking: [{ state: 'waking' }, {}],
  cool: [{ warmthC: 9 }, {}],
  dry: [{ chanceDry: 0.61 }, { chanceDry: 0.6 }],
  wet: [{ chanceWet: 0.61 }, { chanceWet: 0.6 }],
  'cold-lately': [{ coldK: -0.9 }, { coldK: -1.1 }],
  'damp-air': [
    { air: 'still', rhPct: 69 },
    { air: 'still', rhPct: 67 },
  ],
  'no-leaves': [{ traits: { ...PLAIN.traits, form: 'globe' } }, {}],
};

describe('each sign rule, by its own reason', () => {
  it.each(
    SIGN_RULES.map(
      (rule) =>
        [
          `${rule.sign}${rule.where ? ` (${rule.where.join(', ')})` : ''}${rule.given ? ` (${rule.given})` : ''}${rule.when ?? ''} ` +
            `→ ${rule.cause}: ${rule.why}`,
          rule,
        ] as const,
    ),
  )('%s', (_, rule) => {
    const { sign, cause, where, when, given, why } = rule;
    expect(why.length).toBeGreaterThan(5);
    const [holds, fails] = given ? HOLDS[given] : [{}, {}];
    if (given) {
      expect(GIVEN[given]({ ...PLAIN, ...holds })).toBe(true);
      expect(GIVEN[given]({ ...PLAIN, ...fails })).toBe(false);
    }
    const told = saw(sign, { where: where?.[0] ?? null, when: when ?? null });
    // A condition's own bearing on the cause, by kind or by history, is taken off: only the rules are looked at.
    const moved = lnOdds({ ...PLAIN, ...holds, signs: [told] }, cause) - lnOdds({ ...PLAIN, ...holds }, cause);
    const applying = SIGN_RULES.filter(
      (other) =>
        other.sign === sign &&
        other.cause === cause &&
        (!other.where || (told.where !== null && other.where.includes(told.where))) &&
        (!other.when || other.when === told.when) &&
        (!other.given || GIVEN[other.given]({ ...PLAIN, ...holds })),
    );
    expect(applying).toContain(rule);
    const wanted = applying.reduce((sum, one) => sum + Math.log(one.times), 0);
    expect(moved).toBeCloseTo(TEMPER * wanted, 6);
    // Without its condition it says nothing.
    if (!where && !when && !given) return;
    const without = lnOdds({ ...PLAIN, ...fails, signs: [saw(sign)] }, cause) - lnOdds({ ...PLAIN, ...fails }, cause);
    expect(Math.abs(moved - without)).toBeGreaterThan(1e-6);
  });
  it('every sign has rules, or is the answer to a check', () => {
    for (const sign of SIGNS)
      expect(
        SIGN_RULES.some((rule) => rule.sign === sign) ||
          sign in SOUND ||
          CHECK_TABLE.some(({ answers }) => (answers as readonly string[]).includes(sign)),
        sign,
      ).toBe(true);
  });
  it('no rule stands twice, and every cause is the best guess of some sign', () => {
    const keys = SIGN_RULES.map(({ sign, cause, where, when, given }) => [sign, cause, where, when, given].join());
    expect(new Set(keys).size).toBe(keys.length);
    const best = new Set(SIGN_RULES.filter(({ times }) => times >= 3).map(({ cause }) => cause));
    expect(CAUSES.filter((cause) => !best.has(cause))).toEqual([]);
  });
});

/** What brings each line of the history to its end. */
const EXTREME: Record<HistoryCode, Partial<ClinicFacts>> = {
  'felt-wet': { felt: { says: 'wet', days: 0 } },
  'felt-damp': { felt: { says: 'damp', days: 0 } },
  'felt-dry': { felt: { says: 'dry', days: 0 } },
  'reckoned-wet': { chanceWet: 0.95 },
  'reckoned-dry': { chanceDry: 1 },
  'wet-days': { wetDays: 45 },
  'wet-cold': { wetColdDays: 30 },
  'wet-feet': { wetFeet: 0.7 },
  'often-wet': { meanM: 0.8 },
  'dry-days': { dryDays: 45 },
  'thirst-index': { thirst: 0.6 },
  'store-full': { drankDays: 6, dryDays: 0, chanceWet: 0.1 },
  'dry-then-drenched': { dryBefore: 80, drankDays: 9 },
  'still-slack': { drankDays: 6, signs: [saw('limp')] },
  'potted-lately': { pottedDays: 4 },
  'not-potted': { pottedDays: 70 },
  'roots-hurt': { rootsHurt: true },
  'moved-to-light': { movedDays: 6, lightStep: 3 },
  'treated-lately': { sprayedDays: 1 },
  'not-moved': { lightShare: 0.9, movedDays: null },
  'light-high': { dliMol: 40, lightShare: 1.8 },
  hot: { heatK: 6 },
  'not-hot': { heatK: -16 },
  'cold-night': { coldK: 5 },
  'no-cold': { coldK: -10 },
  'too-dark': { lightShare: 0.4 },
  'light-enough': { lightShare: 2.5 },
  'salts-high': { saltsShare: 1.5 },
  'salts-low': { saltsShare: 0 },
  'hard-drinks': { salts: { ecMS: 1, limitMS: 2, flush: false, hardDrinks: 20 } },
  'soft-drinks': {},
  'fed-often': { doses60: 5 },
  'fed-lately': { fedDays: 2 },
  'never-fed': { fedDays: null, mixYears: 4 },
  'mix-old': { mixYears: 6, fedDays: 100 },
  'mix-new': { mixYears: 0.1 },
  slower: { lnPace: -0.8 },
  faster: { lnPace: 0.8 },
  'sheds-water': { rewetDifficulty: 0.8 },
  'takes-water': { rewetDifficulty: 0.05 },
  'no-hole': { holes: false },
  resting: { state: 'resting', restInDays: null },
  easing: { state: 'easing', restInDays: 30 },
  'in-growth': { restInDays: 100 },
  'rest-soon': { restInDays: 10 },
  'pot-full': { fill: 1.4 },
  'pot-roomy': { fill: 0.3 },
  'dry-air': { rhPct: 20 },
  'damp-still': { air: 'still', rhPct: 92 },
  'came-lately': { arrivedDays: 5 },
  neighbour: {
    neighbours: (
      ['mealybug', 'root-mealybug', 'spider-mite', 'scale', 'thrips', 'aphid', 'chewing-pest'] as const
    ).flatMap((pest) => [
      { plantId: 'a', pest, on: '2026-06-10' },
      { plantId: 'b', pest, on: '2026-06-10' },
    ]),
  },
  'found-clean': { cleanDays: 1 },
  'roots-found-soft': { rootsFound: ['brown-soft'] },
  'roots-found-dry': { rootsFound: ['dry-brittle'] },
  'roots-found-pests': { rootsFound: ['pests'] },
};

describe('each line of the history, by its own reason', () => {
  it.each(HISTORY_RULES.map((rule) => [`${rule.code}: ${rule.why}`, rule] as const))('%s', (_, rule) => {
    const facts = { ...PLAIN, ...EXTREME[rule.code] };
    const value = rule.value(facts);
    expect(value, rule.code).not.toBeNull();
    expect(value!).toBeGreaterThan(rule.from);
    // In the middle of its run it says half as much in ln, and never the other way.
    for (const [cause, times] of Object.entries(rule.of) as [Cause, number][]) {
      expect(times, `${rule.code} ${cause}`).toBeGreaterThan(0);
      if (times === 1) continue;
      const item = diagnose({ ...facts, signs: [...facts.signs, saw('leaf-drop')] }).causes.find(
        (one) => one.cause === cause,
      );
      if (!item) continue;
      const told = [...item.for, ...item.against].find(({ code }) => code === rule.code);
      // Where it is among the told lines, it stands on its side, unless it moves all others further.
      if (told && (times > 4 || times < 0.2))
        expect(Math.sign(told.weight), `${rule.code} ${cause}`).toBe(Math.sign(Math.log(times)));
    }
    expect(rule.why.length).toBeGreaterThan(5);
  });
  it('has a reason for every usual weight and every row by kind, place and season', () => {
    for (const { weight, why } of Object.values(USUAL)) {
      expect(weight).toBeGreaterThan(0);
      expect(why.length).toBeGreaterThan(5);
    }
    for (const row of PRIOR_ROWS) expect(row.why.length).toBeGreaterThan(5);
  });
  it('a globe has another prior than a rosette, a balcony than a room, rest than growth', () => {
    const prior = (over: Partial<ClinicFacts>, cause: Cause) => lnOdds({ ...PLAIN, ...over }, cause);
    expect(prior({ traits: { ...PLAIN.traits, form: 'globe' } }, 'stem-rot')).toBeGreaterThan(prior({}, 'stem-rot'));
    expect(prior({ indoors: false, outdoors: true, placeKind: 'covered' }, 'chewing-pest')).toBeGreaterThan(
      prior({}, 'chewing-pest'),
    );
    expect(prior({ state: 'resting', restInDays: null }, 'natural-rest')).toBeGreaterThan(prior({}, 'natural-rest'));
  });
});

describe('what a check is worth', () => {
  const certain = (cause: Hypothesis) => new Map<Hypothesis, number>([[cause, 1]]);
  it('every answer row is a share of one', () => {
    for (const { usual, of, answers, why } of CHECK_TABLE) {
      for (const row of [usual, ...Object.values(of)]) {
        expect(row).toHaveLength(answers.length);
        expect(row.reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 6);
      }
      expect(why.length).toBeGreaterThan(10);
    }
  });
  it('nothing where all is known, and most where it splits what is likely', () => {
    const [press, feel] = CHECK_TABLE;
    const each = (h: Hypothesis) => h;
    expect(gainOf(press!, certain('thirst'), each)).toBeCloseTo(0, 9);
    const open = new Map<Hypothesis, number>([
      ['thirst', 0.5],
      ['stem-rot', 0.5],
    ]);
    expect(gainOf(press!, open, each)).toBeGreaterThan(0.5);
    expect(gainOf(feel!, open, each)).toBeGreaterThan(0.1);
    expect(gainOf(press!, open, () => 'one')).toBeLessThan(gainOf(press!, open, each));
  });
  it('presses the base before it unpots, and asks nothing again that was just answered', () => {
    const limpWet = { ...PLAIN, felt: { says: 'wet' as const, days: 0 }, signs: [saw('limp')] };
    expect(diagnose(limpWet).nextCheck?.check).toBe('press-base');
    expect(diagnose({ ...limpWet, signs: [saw('limp'), saw('firm-base')] }).nextCheck?.check).not.toBe('press-base');
  });
});

describe('what goes together is counted once', () => {
  it('limp and wrinkled and shrunken are one finding, not three', () => {
    const one = lnOdds({ ...PLAIN, signs: [saw('limp')] }, 'thirst') - lnOdds(PLAIN, 'thirst');
    const three =
      lnOdds({ ...PLAIN, signs: [saw('limp'), saw('wrinkled'), saw('shrunken')] }, 'thirst') - lnOdds(PLAIN, 'thirst');
    expect(three).toBeGreaterThan(one);
    expect(three).toBeLessThan(0.6 * TEMPER * (2 * Math.log(6) + Math.log(8)));
  });
  it('a strong sign says more than a faint one, and one that was answered less', () => {
    const of = (more: Partial<ClinicSign>) => lnOdds({ ...PLAIN, signs: [saw('limp', more)] }, 'root-rot');
    expect(of({ strength: 3 })).toBeGreaterThan(of({ strength: 1 }));
    expect(of({ answered: true })).toBeLessThan(of({}));
  });
  it.each([
    ['days wet', (x: number) => ({ wetDays: x })],
    ['days wet and cold', (x: number) => ({ wetColdDays: x })],
    ['the index of wet feet', (x: number) => ({ wetFeet: x / 60 })],
    ['how full it was on average', (x: number) => ({ meanM: x / 60 })],
  ])('more %s never lowers the word of rot, whatever else there is', (_, of) => {
    const backgrounds: Partial<ClinicFacts>[] = [
      { signs: [saw('limp')] },
      { signs: [saw('yellow-lower', { where: 'oldest' })] },
      { signs: [saw('mushy')], wetFeet: 0.3, wetDays: 12 },
      { signs: [saw('translucent')], wetColdDays: 9, coldK: 2 },
      { signs: [saw('wrinkled')], felt: { says: 'dry', days: 1 }, dryDays: 0 },
      { signs: [saw('corky-blisters')], rhPct: 85, air: 'still' },
      { signs: [saw('slow-to-dry')], mixYears: 4, lnPace: -0.5 },
    ];
    for (const background of backgrounds) {
      let before = 0;
      for (let x = 0; x <= 60; x += 3) {
        const { rot } = diagnose({ ...PLAIN, ...background, ...of(x) });
        expect(rot).toBeGreaterThanOrEqual(before - 1e-9);
        before = rot;
      }
    }
  });
});
