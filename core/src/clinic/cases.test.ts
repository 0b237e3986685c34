import { describe, expect, it } from 'vitest';
import { isoDay, dayNumber } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import { diagnosed, kind, SILL, Story, SUMMER } from '../../test/clinic.ts';
import { judged } from '../../test/gardens.ts';
import { intervalSteps } from '../plant/interval.ts';
import { dueMoisture } from '../forecast/plantModel.ts';
import { CAUSES, type Cause, HARMLESS, PESTS } from '../catalogue/causes.ts';
import { type Step } from './steps.ts';
import {
  type Case,
  casesOf,
  closesAtOnce,
  heldBy,
  openCases,
  stepsAsked,
  stepsShown,
  verdictFor,
  whatWorked,
} from './cases.ts';
import { ANY_PLANT, GAP_STEP, type PlanFacts, PLANS, woundDays } from './plan.ts';

const FACTS: PlanFacts = ANY_PLANT;
const on = (days: number) => isoDay(dayNumber(SUMMER) + days);
const verdict = (cause: Cause, days = 0): PlantEvent => ({ ...verdictFor(cause, on(days)) });
const did = (cause: Cause, step: Step, days: number, found: 'clean' | 'guests' | null = null): PlantEvent => ({
  type: 'case-step',
  date: on(days),
  cause,
  step,
  found,
});
const single = (events: PlantEvent[], facts = FACTS): Case => {
  const cases = casesOf(events, facts);
  expect(cases).toHaveLength(1);
  return cases[0]!;
};
const stepOf = (one: Case, step: Step, time = 1) =>
  one.steps.find((found) => found.step === step && found.time === time)!;

describe('plans', () => {
  it.each(CAUSES)('%s: something is done or looked at, and no step comes before what it follows', (cause) => {
    const plan = PLANS[cause](FACTS);
    expect(plan.length).toBeGreaterThan(0);
    for (const { follows, step } of plan)
      if (follows)
        expect(
          plan.some((other) => other.step === follows),
          `${step} follows ${follows}`,
        ).toBe(true);
    expect(plan.some(({ optional }) => !optional)).toBe(true);
  });
  it('powder is never washed, and a pot without a hole never flushed', () => {
    for (const cause of PESTS)
      expect(
        PLANS[cause]({ ...FACTS, cautions: ['powdery'] })
          .map(({ step }) => step)
          .filter((step) => step === 'wash' && cause !== 'root-mealybug'),
      ).toEqual([]);
    expect(PLANS['salt-build-up']({ ...FACTS, holes: false }).map(({ step }) => step)).not.toContain('flush');
    expect(PLANS['water-repellent-mix']({ ...FACTS, neverSoak: true }).map(({ step }) => step)).not.toContain('soak');
  });
  it('a thick stem dries for a week or more, a thin leaf for days, a kind without a store a day', () => {
    expect(woundDays({ ...FACTS, form: 'column', diameterMm: 100 })).toBeGreaterThanOrEqual(7);
    expect(woundDays(FACTS)).toBeLessThan(7);
    expect(woundDays({ ...FACTS, store: 'none' })).toBe(1);
  });
});

describe('a rescue', () => {
  it('unpot and cut today, pot once the wound is dry, first water days later; the hold ends with it', () => {
    const opened = single([verdict('root-rot')]);
    expect(
      stepsAsked(opened, SUMMER)
        .filter(({ optional }) => !optional)
        .map(({ step }) => step),
    ).toEqual(['unpot', 'cut', 'stop-food']);
    expect(stepOf(opened, 'pot-dry').due).toBeNull();
    expect(opened.holdUntil! > SUMMER).toBe(true);
    const cut = single([verdict('root-rot'), did('root-rot', 'cut', 1)]);
    expect(stepOf(cut, 'unpot').doneOn).toBe(on(1));
    expect(stepOf(cut, 'pot-dry').due).toBe(on(1 + woundDays(FACTS)));
    const potted = single([verdict('root-rot'), did('root-rot', 'cut', 1), did('root-rot', 'pot-dry', 5)]);
    expect(stepOf(potted, 'dry-wound').doneOn).toBe(on(5));
    expect(potted.holdUntil).toBe(on(12));
    expect(
      single([verdict('root-rot'), did('root-rot', 'pot-dry', 5), did('root-rot', 'first-water', 12)]).holdUntil,
    ).toBeNull();
  });
  it('other lines of the book tell steps as well: a potting, a drink near its day, a look at the base', () => {
    const one = single([
      verdict('root-rot'),
      { type: 'repotting', date: on(4), mix_was: 'dry', roots_cut: true },
      { type: 'watering', date: on(5), method: 'drench' },
    ]);
    expect(stepOf(one, 'pot-dry').doneOn).toBe(on(4));
    // A drink a day after the potting is not the first water of the plan.
    expect(stepOf(one, 'first-water').doneOn).toBeNull();
    expect(
      stepOf(
        single([verdict('cold-damage'), { type: 'sign', date: on(5), sign: 'soft-base', strength: 2 }]),
        'press-base',
      ),
    ).toMatchObject({ doneOn: on(5), found: 'soft' });
  });
});

describe('guests', () => {
  it('are treated again every some days until two looks running found none; a look that finds them starts anew', () => {
    const treated = single([verdict('mealybug'), did('mealybug', 'swab', 0)]);
    expect(stepOf(treated, 'swab', 2).due).toBe(on(7));
    const again = single([
      verdict('mealybug'),
      did('mealybug', 'swab', 0),
      did('mealybug', 'look-over', 7, 'clean'),
      did('mealybug', 'look-over', 14, 'guests'),
    ]);
    expect(again.cleanRun).toBe(0);
    expect(again.ready).toBe(false);
    const clean = single([
      verdict('mealybug'),
      did('mealybug', 'swab', 0),
      did('mealybug', 'look-over', 7, 'clean'),
      did('mealybug', 'look-over', 14, 'clean'),
    ]);
    expect(clean).toMatchObject({ cleanRun: 2, ready: true });
    expect(stepsAsked(clean, on(30)).map(({ step }) => step)).not.toContain('swab');
  });
  it('two looks on one day are one', () =>
    expect(
      single([verdict('scale'), did('scale', 'look-over', 8, 'clean'), did('scale', 'look-over', 8, 'clean')]).cleanRun,
    ).toBe(1));
  it.each([
    ['spider-mite', 'spider-mite', 2],
    ['thrips', 'spider-mite', 2],
    ['scale', 'mealybug', 2],
    ['spider-mite', 'mealybug', 0],
    ['mildew', 'mealybug', 0],
  ] as const)('%s: clean looks for %s count as %i', (cause, looked, run) =>
    expect(
      single([verdict(cause), did(looked, 'look-over', 8, 'clean'), did(looked, 'look-over', 15, 'clean')]).cleanRun,
    ).toBe(run),
  );
  it('the neighbours are asked for on days 0, 7 and 14; one look covers those that went before', () => {
    const open = single([verdict('aphid')]);
    expect(open.steps.filter(({ step }) => step === 'neighbours').map(({ due }) => due)).toEqual([
      on(0),
      on(7),
      on(14),
    ]);
    expect(stepsAsked(open, on(20)).filter(({ step }) => step === 'neighbours')).toHaveLength(1);
    expect(stepsShown(open, on(20)).filter(({ step }) => step === 'neighbours')).toHaveLength(1);
    const looked = single([verdict('aphid'), did('aphid', 'neighbours', 14, 'clean')]);
    expect(looked.steps.filter(({ step }) => step === 'neighbours').every(({ doneOn }) => doneOn !== null)).toBe(true);
  });
});

describe('opening and closing', () => {
  it('said twice it is one case; closed and said again it is two', () => {
    expect(casesOf([verdict('scale'), verdict('scale', 3)], FACTS)).toHaveLength(1);
    const events: PlantEvent[] = [
      verdict('scale'),
      { type: 'case-closed', date: on(9), cause: 'scale', outcome: 'cured' },
      verdict('scale', 40),
    ];
    expect(casesOf(events, FACTS)).toHaveLength(2);
    expect(openCases(events, FACTS).map(({ openedOn }) => openedOn)).toEqual([on(40)]);
  });
  it('what is nothing closes at once; all else stays open', () => {
    for (const cause of CAUSES) expect(closesAtOnce(cause)).toBe((HARMLESS as readonly Cause[]).includes(cause));
  });
  it('what worked is counted by cause and by step, without mistakes and without nothing', () => {
    const end = (cause: Cause, outcome: 'cured' | 'lost' | 'mistaken' | 'nothing'): Case => ({
      ...single([verdict(cause), did(cause, cause === 'mealybug' ? 'swab' : 'shade', 0)]),
      closed: { on: on(20), outcome },
    });
    const worked = whatWorked([
      end('mealybug', 'cured'),
      end('mealybug', 'lost'),
      end('sun-scorch', 'mistaken'),
      end('normal', 'nothing'),
    ]);
    expect(worked).toHaveLength(1);
    expect(worked[0]).toMatchObject({ cause: 'mealybug', closed: 2, helped: 1, lost: 1 });
    expect(worked[0]!.steps.find(({ step }) => step === 'swab')).toEqual({ step: 'swab', cases: 2, helped: 1 });
  });
  it('of several cases the longest hold counts, and only while it lasts', () => {
    const cases = casesOf([verdict('cold-damage'), verdict('root-rot')], FACTS);
    expect(heldBy(cases, SUMMER)!.cause).toBe('root-rot');
    expect(heldBy(cases, on(60))).toBeNull();
  });
});

describe('what was seen of a case', () => {
  const rotten = (...more: PlantEvent[]) =>
    diagnosed(
      new Story(SUMMER)
        .cared(14, 20)
        .drench(9)
        .saw('soft-base', 2, 'base', 6)
        .add({ ...verdictFor('stem-rot', on(-6)) }, ...more),
      { plant: kind('Echeveria elegans', { diameter_mm: 90, height_mm: 50 }) },
    );
  it('asks to be unpotted until that is done, then only waits; closed, it is as any other', () => {
    expect(rotten().judgement.deeds[0]).toEqual({ deed: 'act', what: 'unpot' });
    const cut = rotten(did('stem-rot', 'cut', -5)).judgement.deeds;
    expect(cut[0]).toMatchObject({ deed: 'wait' });
    expect(cut.some(({ deed }) => deed === 'act')).toBe(false);
    const closed = rotten(did('stem-rot', 'cut', -5), {
      type: 'case-closed',
      date: on(-1),
      cause: 'stem-rot',
      outcome: 'cured',
    });
    expect(closed.judgement.deeds[0].deed).not.toBe('act');
    expect(closed.judgement.because.map(({ code }) => code)).not.toContain('rot-seen');
  });
  it('a soft base found anew after the case was closed is rot again', () => {
    const again = rotten(
      { type: 'case-closed', date: on(-3), cause: 'stem-rot', outcome: 'cured' },
      { type: 'sign', date: on(0), sign: 'soft-base', strength: 2 },
    );
    expect(again.judgement.deeds[0]).toEqual({ deed: 'act', what: 'unpot' });
  });
});

describe('a verdict acts', () => {
  const ECHEVERIA = kind('Echeveria elegans', { diameter_mm: 90, height_mm: 50 });
  const dry = () => new Story(SUMMER).cared(14, 21).felt('dry');
  it('holds the water of a pot that is due, until the day it says', () => {
    const free = diagnosed(dry(), { plant: ECHEVERIA });
    expect(free.judgement.deeds[0].deed).toBe('water');
    const held = diagnosed(dry().add({ ...verdictFor('cold-damage', SUMMER) }), { plant: ECHEVERIA });
    expect(held.judgement.deeds[0]).toMatchObject({ deed: 'wait', until: on(10) });
    expect(held.answer.water).toBe('hold');
    expect(held.forecast.water === null || held.forecast.water.ideal >= on(10)).toBe(true);
    const over = diagnosed(
      dry().add(
        { ...verdictFor('cold-damage', SUMMER) },
        { type: 'case-closed', date: SUMMER, cause: 'cold-damage', outcome: 'mistaken' },
      ),
      { plant: ECHEVERIA },
    );
    expect(over.judgement.deeds[0].deed).toBe('water');
  });
  it.each(Object.entries(GAP_STEP) as [Cause, 'earlier' | 'later'][])(
    '%s moves the gap a step %s, dated, and says so',
    (cause, way) => {
      const story = new Story(SUMMER).cared(14, 6).add({ type: 'verdict', date: SUMMER, cause, gap: way });
      expect(intervalSteps(story.events, dayNumber(SUMMER))).toEqual([{ on: SUMMER, way, sign: cause, helped: null }]);
      const { outlook } = judged({
        today: SUMMER,
        place: SILL,
        plant: { ...ECHEVERIA, dry_rule: 'dry-top' },
        events: story.events,
      });
      const before = dueMoisture(outlook.model.unstepped);
      const after = dueMoisture(outlook.model.traits);
      expect(Math.sign(after - before)).toBe(way === 'earlier' ? 1 : -1);
      expect(Math.abs(after - before)).toBeLessThanOrEqual(0.081);
    },
  );
  it('thirst taken for true where little was reckoned spent makes its store smaller, half of the way', () => {
    const story = () => new Story(SUMMER).cared(14, 34).felt('dry', 2);
    const plain = diagnosed(story().saw('taut', 1, undefined, 1), { plant: ECHEVERIA }).outlook.stress;
    const told = diagnosed(
      story()
        .add({ type: 'verdict', date: on(-8), cause: 'thirst' })
        .saw('taut', 1, undefined, 1),
      { plant: ECHEVERIA },
    ).outlook.stress;
    expect(told.reckonedThirst).toBeGreaterThan(plain.reckonedThirst);
  });
  it('no food while a case is open, and none on a sick plant', () => {
    const story = () => new Story(SUMMER).cared(14, 21).felt('dry');
    for (const events of [
      [verdict('mealybug')],
      [{ type: 'sign', date: SUMMER, sign: 'webbing', strength: 2 } as PlantEvent],
    ]) {
      const found = diagnosed(story().add(...events), { plant: ECHEVERIA });
      for (const deed of found.judgement.deeds) if (deed.deed === 'water') expect(deed.food).toBeNull();
    }
  });
});
