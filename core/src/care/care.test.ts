import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import { outlookView, type OutlookView } from '../forecast/view.ts';
import type { PlantEvent } from '../garden.ts';
import { GENERA } from '../plant/genera.ts';
import { garden, roundPot } from '../../test/gardens.ts';
import { companionClashes } from './companions.ts';
import { drainFinding } from './drainTest.ts';
import { hardeningPlan, stepBack } from './hardening.ts';
import { CROWDED_FROM, crowding, lampHoursShort, lightVerdict } from './light.ts';
import { remindersFor } from './reminders.ts';
import { careRules, growingMonths, nameTellsColour, type OwnRules } from './rules.ts';
import { type CareFacts, careTask, isCharged } from './task.ts';
import { COMPONENTS } from '../mix/components.ts';

const TODAY = dayNumber('2026-06-20');

function outlook(over: { name?: string; holes?: boolean; events?: PlantEvent[] } = {}): OutlookView {
  const base = garden({ today: isoDay(TODAY) });
  const events: PlantEvent[] = over.events ?? [{ type: 'watering', date: isoDay(TODAY - 30), method: 'drench' }];
  const plant = { ...base.plants[0]!, name: over.name ?? 'Mammillaria hahniana', taxon: null, form: null, habit: null, store: null, dry_rule: null, pot: { ...roundPot(90, 80, 'terracotta'), holes: over.holes ?? true }, events };
  const forecast = new GardenForecast({ ...base, plants: [plant] });
  return outlookView(forecast.outlook(plant.id), TODAY);
}

function facts(own: OwnRules = {}, over: Partial<CareFacts> & { name?: string; holes?: boolean; events?: PlantEvent[] } = {}): CareFacts {
  const view = outlook(over);
  return {
    name: over.name ?? 'Mammillaria hahniana', taxon: null, own, outlook: view, events: over.events ?? [{ type: 'watering', date: isoDay(TODAY - 30), method: 'drench' }], today: TODAY, placeKind: 'cold-glass',
    south: false, mixIsCharged: false, arrivedOn: null, watersAtHand: [], ...(over.watersAtHand ? { watersAtHand: over.watersAtHand } : {}), ...(over.placeKind ? { placeKind: over.placeKind } : {}),
  };
}

describe('rules', () => {
  it('come from genus, form, pot and place, and the keeper’s own win and are told apart', () => {
    const view = outlook();
    const base = { traits: view.traits, genus: GENERA.get('mammillaria'), cautions: view.cautions, pot: view.pot, placeKind: 'windowsill' as const, south: false, coloured: false, potVolumeMl: 400 };
    const plain = careRules(base);
    expect(plain.rules.stand).toBe('saucer');
    expect(plain.sources.stand).toBe('place');
    const mine = careRules(base, { trigger: 'calendar', saucerMinutes: 15 });
    expect(mine.rules).toMatchObject({ trigger: 'calendar', saucerMinutes: 15 });
    expect(mine.sources).toMatchObject({ trigger: 'keeper', saucerMinutes: 'keeper', stand: 'place' });
    expect(careRules({ ...base, coloured: true }).rules.sunCeilingHours).toBe(3);
  });
  it('a rosette is watered at the base, a pot without a hole by the measure, a stone plant never soaked', () => {
    expect(careTask(facts({}, { name: 'Echeveria agavoides' })).water.way).toBe('base');
    const closed = careTask(facts({}, { holes: false }));
    expect(closed.water.way).toBe('measured');
    expect(closed.mind.join(' ')).toMatch(/No hole/);
    expect(careTask(facts({}, { name: 'Lithops lesliei' })).rules.rules.ways).not.toContain('bottom');
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
    expect(careTask(facts({ amount: { by: 'fixed', ml: 42 } })).water).toMatchObject({ way: 'measured', amountMl: 42 });
    const view = { ...outlook(), volume_ml: 6000 };
    expect(careTask({ ...facts({ amount: { by: 'share', share: 0.03 } }), outlook: view }).water.amountMl).toBe(180);
  });
  it('never pours more into a closed pot than there is room', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), (ml) => {
        const task = careTask({ ...CLOSED, own: { amount: { by: 'fixed', ml } } });
        return task.water.amountMl <= Math.max(1, Math.round(CLOSED.outlook.available_ml));
      }),
      { numRuns: 25 },
    );
  });
  const CLOSED = facts({}, { holes: false });
  it('by the calendar: due after its days, none in a month without, and a look where the pot is still wet', () => {
    const every = Array.from({ length: 12 }, () => 10 as number | null);
    const due = careTask(facts({ trigger: 'calendar', everyDays: every }, { events: [{ type: 'watering', date: isoDay(TODAY - 12), method: 'drench' }] }));
    expect(['water', 'check']).toContain(due.verdict.kind);
    const later = careTask(facts({ trigger: 'calendar', everyDays: every }, { events: [{ type: 'watering', date: isoDay(TODAY - 3), method: 'drench' }] }));
    expect(later.due).toBe(isoDay(TODAY + 7));
    const none = careTask(facts({ trigger: 'calendar', everyDays: every.map(() => null) }));
    expect(none.verdict).toMatchObject({ kind: 'leave' });
    const wet = careTask(facts({ trigger: 'calendar', everyDays: every.map(() => 1) }, { events: [{ type: 'watering', date: isoDay(TODAY - 1), method: 'drench' }] }));
    expect(wet.verdict).toMatchObject({ kind: 'check' });
  });
  it('by the plant: water when it was seen slack and dry, a look at the base when slack and wet', () => {
    const dry = careTask(facts({ trigger: 'plant' }, { events: [{ type: 'watering', date: isoDay(TODAY - 40), method: 'drench' }, { type: 'sign', date: isoDay(TODAY), sign: 'wrinkled', strength: 2 }] }));
    expect(dry.verdict.kind).toBe('water');
    const wet = careTask(facts({ trigger: 'plant' }, { events: [{ type: 'watering', date: isoDay(TODAY - 1), method: 'drench' }, { type: 'sign', date: isoDay(TODAY), sign: 'limp', strength: 2 }] }));
    expect(wet.verdict.head).toBe('Press the base');
  });
  it('takes the best water at hand, and warns of softened', () => {
    expect(careTask(facts()).water.water).toBe('rain');
    expect(careTask(facts({}, { watersAtHand: [{ kind: 'hard', saltsMgL: null }] })).water.water).toBe('hard');
    const soft = careTask(facts({ salts: 'sensitive' }, { watersAtHand: [{ kind: 'softened', saltsMgL: null }] }));
    expect(soft.mind.join(' ')).toMatch(/sodium/);
  });
  it('flushes salts out of a growing plant with twice what the mix fills, and feeds none meanwhile', () => {
    const salty: PlantEvent[] = Array.from({ length: 14 }, (_, i) => ({ type: 'watering', date: isoDay(TODAY - 150 + 10 * i), method: 'measured', amount_ml: 200, water: 'hard' }) as PlantEvent);
    const task = careTask(facts({ salts: 'sensitive', feed: { rhythm: { mode: 'weeks', weeks: 1 }, strength: 1, chargeMonths: 0, lastBeforeRest: false, firstOnWaking: false, ceiling: null } }, { events: salty }));
    expect(task.salts.flush).toBe(true);
    expect(task.water.feed.kind).toBe('plain');
    expect(task.water.flush).toBe(true);
    expect(task.water.amountMl).toBeGreaterThan(1.9 * facts().outlook.volume_ml);
    expect(task.mind.join(' ')).toMatch(/Salts have built up/);
    // What the head asks for is what the reason says.
    const asked = /^Flush, (.+ m?l)/.exec(task.verdict.head)![1]!;
    expect(task.mind.join(' ')).toContain(`flush with ${asked} of plain soft water`);
    // Marked out of turn it is an ordinary drink: no flush is written that nobody gave.
    const wet = careTask(facts({ salts: 'sensitive' }, { events: [...salty, { type: 'watering', date: isoDay(TODAY), method: 'drench', water: 'hard' }] }));
    expect(wet.salts.flush).toBe(true);
    expect(wet.verdict.kind).not.toBe('water');
    expect(wet.water.flush).toBe(false);
    expect(wet.water.amountMl).toBeLessThan(1.5 * facts().outlook.volume_ml);
  });
  it('a mix with a tenth of compost feeds', () => {
    expect(isCharged({ id: 'a', parts: [{ component: 'pumice', parts: 9 }, { component: 'compost', parts: 1 }] }, COMPONENTS)).toBe(true);
    expect(isCharged({ id: 'a', parts: [{ component: 'pumice', parts: 9 }] }, COMPONENTS)).toBe(false);
    expect(isCharged(undefined, COMPONENTS)).toBe(false);
  });
});

describe('reminders', () => {
  const rules = { stand: 'saucer' as const, saucerMinutes: 20, soakMinutes: 30 };
  const mark = { way: 'drench' as const, wetLeaves: false, rules, placeKind: 'room' as const, holes: true, cautions: [], slack: false };
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
  it('asks after two days whether a slack plant has firmed up', () => expect(remindersFor({ ...mark, slack: true }).at(-1)).toMatchObject({ kind: 'firm', afterMinutes: 2880 }));
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
    expect(CROWDED_FROM).toBeLessThan(1);
  });
});

describe('companions in one pot', () => {
  const summer = { habit: 'summer' as const, dryRule: 'dry-through' as const };
  it('clash by season or by how damp they want it', () => {
    expect(companionClashes(summer, 'Conophytum bilobum')[0]).toMatch(/grows in winter, this one in summer/);
    expect(companionClashes(summer, 'Rhipsalis baccifera; Haworthia cooperi')).toEqual(['Rhipsalis baccifera wants to stay damper than this one.']);
    expect(companionClashes({ habit: 'evergreen', dryRule: 'keep-damp' }, 'Echeveria elegans')[0]).toMatch(/wants to be drier/);
  });
  it('say nothing where they agree, or where nobody knows them', () => {
    expect(companionClashes(summer, 'Mammillaria hahniana, Rebutia minuscula')).toEqual([]);
    expect(companionClashes(summer, 'a little fern from the moss')).toEqual([]);
    expect(companionClashes(summer, null)).toEqual([]);
  });
});

describe('the drain test', () => {
  it.each([[0.5, 'fast'], [10, 'right'], [60, 'slow'], [200, 'blocked']] as const)('%d s through 10 cm is %s', (seconds, word) => expect(drainFinding(seconds, 100).word).toBe(word));
});
