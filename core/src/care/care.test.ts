import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { PlantEvent, Pot } from '../garden.ts';
import { GENERA } from '../plant/genera.ts';
import { judged, roundPot } from '../../test/gardens.ts';
import { directSunUsedTo, hardeningPlan, minutesReached, stepBack, sunBorneH } from './hardening.ts';
import { CROWDED_FROM, crowding, lampHoursShort, lightVerdict } from './light.ts';
import { remindersFor } from './reminders.ts';
import { careRules, growingMonths, nameTellsColour, type OwnRules } from './rules.ts';
import { type CareFacts, isCharged } from './task.ts';
import { COMPONENTS } from '../mix/components.ts';

const TODAY = dayNumber('2026-06-20');
const TODAYS = isoDay(TODAY);
/** Every plant here has been felt at least once, long ago. */
const KNOWN: PlantEvent = { type: 'check', date: isoDay(TODAY - 200), finger: 'dry' };

function taskOf(
  own: OwnRules = {},
  over: { name?: string; holes?: boolean; events?: PlantEvent[]; facts?: Partial<CareFacts>; pot?: Pot } = {},
) {
  const pot = { ...(over.pot ?? roundPot(90, 80, 'terracotta')), holes: over.holes ?? true };
  const events = over.events ?? [{ type: 'watering' as const, date: isoDay(TODAY - 30), method: 'drench' as const }];
  return judged({
    today: TODAYS,
    pot,
    own,
    facts: over.facts,
    plant: {
      name: over.name ?? 'Mammillaria hahniana',
      taxon: null,
      form: null,
      habit: null,
      store: null,
      dry_rule: null,
    },
    events: [KNOWN, ...events],
  });
}

describe('rules', () => {
  it('come from genus, form, pot and place, and the keeper’s own win and are told apart', () => {
    const { outlook } = taskOf();
    const base = {
      traits: outlook.model.traits,
      genus: GENERA.get('mammillaria'),
      cautions: outlook.model.sourced.cautions,
      pot: outlook.plant.pot,
      placeKind: 'windowsill' as const,
      south: false,
      coloured: false,
      potVolumeMl: 400,
    };
    const plain = careRules(base);
    expect(plain.rules.stand).toBe('saucer');
    expect(plain.sources.stand).toBe('place');
    const mine = careRules(base, { trigger: 'calendar', saucerMinutes: 15 });
    expect(mine.rules).toMatchObject({ trigger: 'calendar', saucerMinutes: 15 });
    expect(mine.sources).toMatchObject({ trigger: 'keeper', saucerMinutes: 'keeper', stand: 'place' });
    expect(careRules({ ...base, coloured: true }).rules.sunCeilingHours).toBe(3);
  });
  it('a rosette is watered at the base, a pot without a hole by the measure, a stone plant never soaked', () => {
    expect(taskOf({}, { name: 'Echeveria agavoides' }).drink.way).toBe('base');
    const closed = taskOf({}, { holes: false });
    expect(closed.drink.way).toBe('measured');
    expect(closed.judgement.mind).toContain('no-hole-measure');
    expect(taskOf({}, { name: 'Lithops lesliei' }).rules.rules.ways).not.toContain('bottom');
    expect(taskOf({ ways: ['bottom', 'measured'] }, { name: 'Lithops lesliei' }).drink.way).toBe('measured');
  });
  it('feeding months turn with habit and hemisphere', () => {
    expect(growingMonths('summer', false)).toContain(6);
    expect(growingMonths('summer', true)).toContain(12);
    expect(growingMonths('winter', false)).not.toContain(7);
  });
  it('a name may tell of colour', () => {
    expect(nameTellsColour('Agave americana variegata')).toBe(true);
    expect(nameTellsColour('Haworthia cooperi')).toBe(false);
  });
});

describe('the task', () => {
  it('takes the keeper’s amount: fixed, or a share of the pot (6 l, 3 % is 180 ml)', () => {
    expect(taskOf({ amount: { by: 'fixed', ml: 42 } }).drink).toMatchObject({ way: 'measured', amount_ml: 42 });
    const big = taskOf({ amount: { by: 'share', share: 0.03 } }, { pot: roundPot(220, 200, 'plastic') });
    expect(big.drink.amount_ml / (0.03 * big.outlook.model.pot.capacity.volumeMl)).toBeCloseTo(1, 1);
  });
  it('never pours more into a closed pot than there is room', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), (ml) => {
        const { drink, outlook } = taskOf({ amount: { by: 'fixed', ml } }, { holes: false });
        return drink.amount_ml <= outlook.model.pot.capacity.availableMl;
      }),
      { numRuns: 25 },
    );
  });
  const drench = (back: number): PlantEvent => ({ type: 'watering', date: isoDay(TODAY - back), method: 'drench' });
  it('by the calendar: due after its days, none in a month without, and a look where the pot is still wet', () => {
    const every = Array.from({ length: 12 }, () => 10 as number | null);
    const first = (events: PlantEvent[], days: (number | null)[] = every) =>
      taskOf({ trigger: 'calendar', everyDays: days }, { events });
    expect(['water', 'look']).toContain(first([drench(12)]).judgement.deeds[0].deed);
    expect(first([drench(3)]).due).toBe(isoDay(TODAY + 7));
    expect(
      first(
        [drench(30)],
        every.map(() => null),
      ).judgement.deeds[0],
    ).toEqual({ deed: 'wait', until: null });
    expect(
      first(
        [drench(1)],
        every.map(() => 1),
      ).judgement.deeds[0],
    ).toMatchObject({ deed: 'look', what: 'depth' });
  });
  it('by the plant: water when it was seen slack and dry, a look at the base when slack and wet', () => {
    const slack = (sign: 'wrinkled' | 'limp'): PlantEvent => ({ type: 'sign', date: TODAYS, sign, strength: 2 });
    expect(taskOf({ trigger: 'plant' }, { events: [drench(16), slack('wrinkled')] }).judgement.deeds[0].deed).toBe(
      'water',
    );
    expect(
      taskOf({ trigger: 'plant' }, { events: [drench(1), slack('limp')], pot: roundPot(110, 100, 'plastic') }).judgement
        .deeds[0],
    ).toMatchObject({ deed: 'look', what: 'base' });
  });
  it('takes the best water at hand, and warns of softened', () => {
    // Nobody has told of any: the tap, on the safe side, and it says that it is not its kind.
    expect(taskOf({}, { facts: { watersAtHand: [] } }).drink.water).toBe('hard');
    expect(taskOf({ salts: 'sensitive' }, { facts: { watersAtHand: [] } }).judgement.mind).toContain(
      'water-not-its-kind',
    );
    expect(taskOf({}, { facts: { watersAtHand: [{ kind: 'rain', saltsMgL: null }] } }).drink.water).toBe('rain');
    expect(taskOf({}, { facts: { watersAtHand: [{ kind: 'hard', saltsMgL: null }] } }).drink.water).toBe('hard');
    expect(
      taskOf({ salts: 'sensitive' }, { facts: { watersAtHand: [{ kind: 'softened', saltsMgL: null }] } }).judgement
        .mind,
    ).toContain('softened-sodium');
  });
  it('flushes salts out of a growing plant with twice what the mix fills, and feeds none meanwhile', () => {
    const salty: PlantEvent[] = Array.from(
      { length: 14 },
      (_, i) =>
        ({
          type: 'watering',
          date: isoDay(TODAY - 160 + 10 * i),
          method: 'measured',
          amount_ml: 200,
          water: 'hard',
        }) as PlantEvent,
    );
    const feed = {
      rhythm: { mode: 'weeks' as const, weeks: 1 },
      strength: 1,
      chargeMonths: 0,
      lastBeforeRest: false,
      firstOnWaking: false,
      ceiling: null,
    };
    const dry: PlantEvent[] = [
      { type: 'check', date: isoDay(TODAY - 2), finger: 'dry' },
      { type: 'check', date: TODAYS, finger: 'dry' },
    ];
    const task = taskOf({ salts: 'sensitive', feed }, { events: [...salty, ...dry] });
    expect(task.salts.flush).toBe(true);
    expect(task.judgement.deeds[0]).toMatchObject({ deed: 'water', flush: true, food: null });
    expect(task.drink.amount_ml).toBeGreaterThan(1.9 * task.outlook.model.pot.capacity.volumeMl);
    expect(task.judgement.because.map(({ code }) => code)).toContain('salts');
    // A pot without a hole is never flushed: salts cannot leave it.
    const closed = taskOf({ salts: 'sensitive', feed }, { events: [...salty, ...dry], holes: false });
    expect(closed.drink.flush).toBe(false);
    expect(closed.judgement.mind).toContain('salts-stay');
    // Marked out of turn it is an ordinary drink: no flush is written that nobody gave.
    const wet = taskOf({ salts: 'sensitive' }, { events: [...salty, { ...drench(0), water: 'hard' } as PlantEvent] });
    expect(wet.salts.flush).toBe(true);
    expect(wet.judgement.deeds[0].deed).not.toBe('water');
  });
  it('a mix with a tenth of compost feeds', () => {
    expect(
      isCharged(
        {
          id: 'a',
          parts: [
            { component: 'pumice', parts: 9 },
            { component: 'compost', parts: 1 },
          ],
        },
        COMPONENTS,
      ),
    ).toBe(true);
    expect(isCharged({ id: 'a', parts: [{ component: 'pumice', parts: 9 }] }, COMPONENTS)).toBe(false);
    expect(isCharged(undefined, COMPONENTS)).toBe(false);
  });
});

describe('reminders', () => {
  const rules = { stand: 'saucer' as const, saucerMinutes: 20, soakMinutes: 30 };
  const mark = {
    way: 'drench' as const,
    wetLeaves: false,
    rules,
    placeKind: 'room' as const,
    holes: true,
    cautions: [],
    slack: false,
  };
  it('a kind that is not for soaking is lifted out at once', () => {
    const [lift] = remindersFor({ ...mark, way: 'bottom', neverSoak: true });
    expect(lift).toMatchObject({ kind: 'lift', afterMinutes: 0 });
    expect(lift!.code).toBe('lift-now');
    expect(remindersFor({ ...mark, way: 'bottom' })[0]!.afterMinutes).toBeGreaterThan(0);
  });
  it('a saucer after a drench; none where there is none', () => {
    expect(remindersFor(mark)).toMatchObject([{ kind: 'saucer', afterMinutes: 20 }]);
    expect(remindersFor({ ...mark, rules: { ...rules, stand: 'none' } })).toEqual([]);
    expect(remindersFor({ ...mark, way: 'measured' })).toEqual([]);
  });
  it('out of the soak after its minutes, two hours at the very most', () => {
    expect(remindersFor({ ...mark, way: 'bottom' })).toMatchObject([{ kind: 'lift', afterMinutes: 30 }]);
    expect(remindersFor({ ...mark, way: 'bottom', rules: { ...rules, soakMinutes: 600 } })[0]!.afterMinutes).toBe(120);
  });
  it('a fan for wet leaves indoors, no alarm in the open', () => {
    expect(remindersFor({ ...mark, way: 'measured', wetLeaves: true }).map((r) => r.kind)).toEqual(['fan']);
    expect(remindersFor({ ...mark, way: 'measured', wetLeaves: true, placeKind: 'open' })).toEqual([]);
  });
  it('asks after two days whether a slack plant has firmed up', () =>
    expect(remindersFor({ ...mark, slack: true }).at(-1)).toMatchObject({ kind: 'firm', afterMinutes: 2880 }));
});

describe('hardening', () => {
  it('starts at twenty minutes, has two hours within a week, and ends at the new sun', () => {
    const plan = hardeningPlan(TODAY, 0, 7);
    expect(plan[0]).toEqual({ date: '2026-06-20', minutes: 20 });
    expect(plan[6]!.minutes).toBeGreaterThanOrEqual(120);
    expect(plan.at(-1)!.minutes).toBe(420);
    for (const [i, step] of plan.entries()) if (i > 0) expect(step.minutes).toBeGreaterThan(plan[i - 1]!.minutes);
    expect(plan.map((step) => step.date)).toEqual(plan.map((_, i) => isoDay(TODAY + i)));
  });
  it('begins anew from behind panes, and goes on from where skins were made in the open', () => {
    const behind = (kind: 'windowsill' | 'open' | 'covered', days = 21) => ({ kind, sunH: 8, days });
    expect(sunBorneH([behind('windowsill')], 'open')).toBe(0);
    expect(hardeningPlan(TODAY, sunBorneH([behind('windowsill')], 'open'), 8)[0]!.minutes).toBe(20);
    expect(sunBorneH([behind('windowsill')], 'windowsill')).toBe(8);
    expect(sunBorneH([behind('open')], 'open')).toBe(8);
    // Out and back within the week: the skin is still the one that was made before.
    expect(sunBorneH([behind('open'), { kind: 'room', sunH: 0, days: 2 }], 'open')).toBe(8);
    // Three days in the open make none.
    expect(sunBorneH([{ kind: 'room', sunH: 0, days: 18 }, behind('open', 3)], 'open')).toBe(0);
    expect(sunBorneH([], 'open')).toBe(0);
  });
  it('had come to the step of the day before', () => {
    const plan = hardeningPlan(TODAY, 0, 8);
    expect(minutesReached(plan, TODAY)).toBe(0);
    expect(minutesReached(plan, TODAY + 3)).toBe(plan[2]!.minutes);
    expect(minutesReached(plan, TODAY + 90)).toBe(480);
  });
  it.each([
    ['a shady corner of the garden', 'room'],
    ['bark, wet, on a windowsill', 'windowsill'],
    ['full sun in the open', 'open'],
    ['peat, kept moist', null],
  ])('reads the light that “%s” tells of', (words, kind) => expect(directSunUsedTo(words)).toBe(kind));
  it('is not wanted where the sun hardly grows', () => expect(hardeningPlan(TODAY, 5, 5.5)).toEqual([]));
  it('goes back two steps after a scorch mark', () => {
    const plan = hardeningPlan(TODAY, 0, 7);
    const back = stepBack(plan, TODAY + 5);
    expect(back.find((step) => step.date === isoDay(TODAY + 5))!.minutes).toBe(plan[3]!.minutes);
    expect(back.at(-1)!.minutes).toBe(420);
  });
});

describe('light and room', () => {
  it('tells bearing from liking', () => {
    expect(lightVerdict(4, 'sun')).toBe('too-dim');
    expect(lightVerdict(10, 'sun')).toBe('gets-by');
    expect(lightVerdict(20, 'sun')).toBe('well');
    expect(lightVerdict(20, 'shade')).toBe('too-bright');
    expect(lightVerdict(0.5, 'sun', 'resting')).toBe('well');
    expect(lightVerdict(8, 'sun', 'easing')).toBe('well');
  });
  it('says how many lamp hours are short', () => {
    // 14 − 7 mol at 200 µmol: 7 / 0.72 h
    expect(lampHoursShort(7, 'sun', 200)).toBeCloseTo(9.7, 1);
    expect(lampHoursShort(20, 'sun', 200)).toBe(0);
  });
  it('counts ground against the bench', () => {
    expect(crowding([100, 100, 200], 0.06)).toBeCloseTo(1);
    expect(crowding([100], 0)).toBe(0);
    // Nine pots of 10 cm on a third of a metre by three: the air passes no more from the eighth on.
    const set = (pots: number) =>
      crowding(
        Array.from({ length: pots }, () => 100),
        0.1,
      );
    expect(set(7)).toBeLessThan(CROWDED_FROM);
    expect(set(8)).toBeGreaterThanOrEqual(CROWDED_FROM - 1e-9);
  });
});
