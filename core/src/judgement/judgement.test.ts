import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { Place, Plant, PlantEvent, Pot, Sign } from '../garden.ts';
import { HOT_DRY, INLAND, judged, PEATY, roundPot, type Scene } from '../../test/gardens.ts';
import type { OwnRules } from '../care/rules.ts';
import { genusCare } from '../plant/library.ts';
import { drinkOf } from './deeds.ts';
import { HARM, ROT_PRONE, WORSE } from './harm.ts';
import { gather } from './facts.ts';
import { expectedHarm } from './due.ts';

const TODAY = dayNumber('2026-06-20');
const ago = (days: number) => isoDay(TODAY - days);
const drench = (days: number): PlantEvent => ({ type: 'watering', date: ago(days), method: 'drench' });
const felt = (finger: 'wet' | 'damp' | 'dry', days = 0): PlantEvent => ({ type: 'check', date: ago(days), finger });
const sign = (name: Sign, days = 0, strength = 2): PlantEvent => ({
  type: 'sign',
  date: ago(days),
  sign: name,
  strength,
});
/** Felt once, long ago, and found dry: a pot that its keeper knows. */
const KNOWN = felt('dry', 90);
const SILL: Place = { id: 'place', kind: 'windowsill', aspect_deg: 180, air: 'still' };
const named = (name: string): Partial<Plant> => ({
  name,
  taxon: null,
  form: null,
  habit: null,
  store: null,
  dry_rule: null,
});

function answer(events: PlantEvent[], over: Scene & { own?: OwnRules } = {}) {
  return judged({ today: isoDay(TODAY), events: [KNOWN, ...events], ...over });
}
const first = (events: PlantEvent[], over: Scene & { own?: OwnRules } = {}) => answer(events, over).judgement.deeds[0];
const codes = (events: PlantEvent[], over: Scene = {}) =>
  answer(events, over).judgement.because.map(({ code }) => code);

/** In the depth of winter, under cold glass. */
const WINTER = '2026-01-20';
function winter(events: (ago: (days: number) => string) => PlantEvent[], over: Scene = {}) {
  const back = (days: number) => isoDay(dayNumber(WINTER) - days);
  return judged({
    today: WINTER,
    events: [{ type: 'check', date: back(200), finger: 'dry' }, ...events(back)],
    ...over,
  });
}

function factsOf({ outlook, rules, feed, salts }: ReturnType<typeof answer>) {
  return gather({
    outlook,
    today: TODAY,
    rules: rules.rules,
    care: genusCare(undefined, 'globe', 'summer'),
    feed,
    salts,
    water: 'rain',
    placeKind: 'cold-glass',
    arrivedOn: null,
    shelteredOn: null,
    air: 'gentle',
    organicShare: 0,
    neighbours: [],
    indoorsSince: null,
    lit: false,
    nameUnknown: false,
  });
}

describe('a look counts', () => {
  it('a pot reckoned dry and due is not due once it was felt wet, and is looked at again in days that follow from its rate', () => {
    const due = [drench(26), felt('dry', 12)];
    expect(['water', 'look']).toContain(first([drench(26)]).deed);
    const wet = answer([...due.slice(0, 1), felt('wet')]);
    expect(wet.judgement.deeds[0].deed).toBe('wait');
    expect(wet.judgement.because[0]).toMatchObject({ code: 'felt-wet', source: 'seen', on: ago(0) });
    expect(wet.outlook.moisture.p50).toBeGreaterThan(0.5);
    const days = dayNumber(wet.judgement.next_look!) - TODAY;
    expect(days).toBeGreaterThanOrEqual(2);
    expect(days).toBeLessThanOrEqual(21);
  });
  it.each([
    [
      'weighed heavy',
      [
        { type: 'weights', date: ago(80), drained_g: 620, dry_g: 470 },
        drench(26),
        { type: 'check', date: ago(0), weight_g: 595 },
      ] as PlantEvent[],
    ],
    ['probed at 9', [drench(26), { type: 'check', date: ago(0), meter: 9 }] as PlantEvent[]],
    ['lifted and heavy', [drench(26), { type: 'check', date: ago(0), lift: 'heavy' }] as PlantEvent[]],
    ['felt damp', [drench(26), felt('damp')]],
  ])('%s: not due', (_, events) => expect(first(events).deed).toBe('wait'));
  it('felt damp is due for a kind that keeps damp, and for one whose top alone need dry', () => {
    const damp = (dry_rule: Plant['dry_rule']) => first([drench(14), felt('damp')], { plant: { dry_rule } }).deed;
    expect(damp('dry-through')).toBe('wait');
    expect(['water', 'look', 'wait']).toContain(damp('keep-damp'));
    expect(
      answer([drench(14), felt('damp')], { plant: { dry_rule: 'keep-damp' } }).judgement.because.map(
        ({ code }) => code,
      ),
    ).not.toContain('held');
  });
  it('felt dry where the book says wet asks for a second look, not for a drench; the second look settles it', () => {
    const once = answer([drench(2), felt('dry')]);
    expect(drinkOf(once.judgement)).toBeNull();
    // Another witness: what was just felt is not felt again.
    expect(once.judgement.deeds[0]).toMatchObject({ deed: 'look', what: 'weight' });
    const twice = answer([drench(5), felt('dry', 3), felt('dry')]);
    expect(drinkOf(twice.judgement)).not.toBeNull();
  });
  it('a dry top of a deep pot is no dry pot', () => {
    const deep = roundPot(120, 130, 'plastic');
    expect(first([drench(40), { type: 'check', date: ago(0), surface: 'dry' }], { pot: deep })).toMatchObject({
      deed: 'look',
      what: 'depth',
    });
  });
});

describe('what no sum may outvote', () => {
  it.each(['soft-base', 'mushy', 'roots-mush', 'sour-smell'] as const)(
    '%s: no drink anywhere, unpot, until an answer clears it',
    (seen) => {
      for (const events of [
        [drench(40), sign(seen)],
        [drench(40), felt('dry', 1), sign(seen, 2)],
      ]) {
        const { judgement, forecast, due } = answer(events);
        expect(judgement.deeds[0]).toEqual({ deed: 'act', what: 'unpot' });
        expect(judgement.deeds.some(({ deed }) => deed === 'water' || deed === 'sip')).toBe(false);
        expect(forecast.water).toBeNull();
        expect(due).toBeNull();
      }
      const cleared = seen === 'roots-mush' || seen === 'sour-smell' ? 'roots-firm' : 'firm-base';
      expect(first([drench(40), sign(seen, 3), sign(cleared, 1)]).deed).not.toBe('act');
      expect(
        first([drench(40), sign(seen, 3), { type: 'repotting', date: ago(1), mix_was: 'wet', roots_cut: true }]).deed,
      ).not.toBe('act');
    },
  );
  it('slack and wet: the base, then the roots, never water; slack, dry and firm: water, ahead of a calendar', () => {
    expect(first([drench(1), sign('limp')])).toMatchObject({ deed: 'look', what: 'base' });
    expect(first([drench(26), felt('wet'), sign('limp')])).toMatchObject({ deed: 'look', what: 'base' });
    expect(first([drench(2), sign('limp', 1), sign('firm-base')])).toMatchObject({ deed: 'look', what: 'roots' });
    expect(drinkOf(answer([drench(30), felt('dry'), sign('limp')]).judgement)).not.toBeNull();
    const calendar: OwnRules = { trigger: 'calendar', everyDays: Array.from({ length: 12 }, () => 60) };
    expect(first([drench(20), felt('dry'), sign('wrinkled')], { own: calendar }).deed).toBe('water');
    expect(first([drench(20), felt('dry')], { own: calendar }).deed).toBe('wait');
  });
  it('slack and nobody knows how wet: the mix is felt first', () =>
    expect(judged({ today: isoDay(TODAY), events: [sign('limp')] }).judgement.deeds[0]).toMatchObject({
      deed: 'look',
      what: 'depth',
    }));
  it('slack in rest: a leaf succulent in a warm room has its sip, a desert cactus in the cold none', () => {
    const asleep = (back: (days: number) => string): PlantEvent[] => [
      { type: 'state', date: back(20), state: 'resting' },
      { type: 'watering', date: back(70), method: 'drench' },
      { type: 'check', date: back(9), finger: 'dry' },
      { type: 'sign', date: back(1), sign: 'shrunken', strength: 2 },
    ];
    const echeveria = winter(asleep, { place: SILL, plant: named('Echeveria agavoides') });
    expect(echeveria.judgement.deeds[0].deed).toBe('sip');
    const share = echeveria.drink.amount_ml / echeveria.outlook.model.pot.capacity.volumeMl;
    expect(share).toBeGreaterThan(0.01);
    expect(share).toBeLessThan(0.06);
    expect(echeveria.drink.food).toBeNull();
    const cactus = winter(asleep, {
      place: { id: 'place', kind: 'cold-glass', air: 'gentle', floor_c: 3 },
      plant: named('Astrophytum myriostigma'),
    });
    expect(cactus.judgement.deeds.every(({ deed }) => deed !== 'sip' && deed !== 'water')).toBe(true);
  });
  it('a night below its limit comes first, and nothing is poured on its eve', () => {
    const cold = winter(
      (back) => [
        { type: 'state', date: back(40), state: 'resting' },
        { type: 'watering', date: back(80), method: 'drench' },
      ],
      { place: { id: 'place', kind: 'covered', air: 'breezy' }, plant: named('Opuntia microdasys') },
    );
    expect(cold.outlook.model.climate.tminC[dayNumber(WINTER) + 1 - cold.outlook.model.climate.firstDay]!).toBeLessThan(
      -2,
    );
    expect(cold.judgement.deeds[0]).toMatchObject({ deed: 'act', what: 'out-of-frost' });
    expect(cold.judgement.because[0]).toMatchObject({ code: 'below-limit', source: 'forecast' });
    const warm = winter(
      (back) => [
        { type: 'state', date: back(40), state: 'resting' },
        { type: 'watering', date: back(80), method: 'drench' },
      ],
      { place: { id: 'place', kind: 'heated-glass', air: 'gentle', floor_c: 8 }, plant: named('Opuntia microdasys') },
    );
    expect(warm.judgement.deeds[0].deed).not.toBe('act');
  });
  it('where every night is too cold for weeks it is told to stand elsewhere, neither a drench nor merely a wait', () => {
    const bulb = winter(
      (back) => [
        { type: 'state', date: back(10), state: 'growing' },
        { type: 'watering', date: back(30), method: 'drench' },
        { type: 'check', date: back(1), finger: 'dry' },
        { type: 'check', date: back(0), finger: 'dry' },
      ],
      {
        place: { id: 'place', kind: 'cold-glass', air: 'gentle', floor_c: 1 },
        plant: named('Lachenalia aloides'),
      },
    );
    expect(['move', 'act']).toContain(bulb.judgement.deeds[0].deed);
    expect(drinkOf(bulb.judgement)).toBeNull();
  });
  it('wet, cold and long so is said, with what helps; the same pot dry is not', () => {
    const massonia = (dry: boolean) =>
      winter(
        (back) => [
          { type: 'state', date: back(25), state: 'growing' },
          { type: 'watering', date: back(50), method: 'drench' },
          { type: 'check', date: back(20), finger: dry ? 'dry' : 'wet' },
          { type: 'check', date: back(2), finger: dry ? 'dry' : 'wet' },
        ],
        {
          place: { id: 'place', kind: 'cold-glass', air: 'still', floor_c: 4 },
          mix: PEATY,
          pot: roundPot(140, 130, 'plastic'),
          plant: named('Massonia depressa'),
        },
      ).judgement;
    const wet = massonia(false);
    expect(wet.because.some(({ code }) => code === 'roots-in-danger' || code === 'wet-and-cold')).toBe(true);
    expect(wet.deeds.some((deed) => deed.deed === 'move')).toBe(true);
    expect(massonia(true).because.some(({ code }) => code === 'roots-in-danger' || code === 'wet-and-cold')).toBe(
      false,
    );
  });
  it('asleep: no drink, a touch about monthly, and after too long a sleep a trial to wake it', () => {
    const caudex = (asleepDays: number, more: PlantEvent[] = []) =>
      judged({
        today: isoDay(TODAY),
        plant: named('Adenium obesum'),
        place: SILL,
        events: [
          { type: 'watering', date: ago(asleepDays + 20), method: 'drench' },
          { type: 'state', date: ago(asleepDays), state: 'resting' },
          ...more,
          ...Array.from({ length: Math.floor(asleepDays / 25) }, (_, i) => ({
            type: 'state' as const,
            date: ago(asleepDays - 25 * (i + 1)),
            state: 'resting' as const,
          })),
        ],
      }).judgement;
    const touched = caudex(60, [sign('firm-base', 5)]);
    expect(touched.deeds[0].deed).toBe('sleep');
    const until = dayNumber(touched.next_look!) - TODAY;
    expect(until).toBeGreaterThan(14);
    expect(until).toBeLessThan(45);
    const asked = Array.from({ length: 14 }, (_, i) => caudex(60, [sign('firm-base', 30 + i)]).deeds[0]);
    expect(asked.some((deed) => deed.deed === 'look' && deed.what === 'base')).toBe(true);
    expect(caudex(240).deeds[0].deed).toBe('wake');
    for (const judgement of [touched, caudex(240)]) expect(drinkOf(judgement)).toBeNull();
  });
  it('no hole: never a flush and never more than what is missing', () => {
    const pot: Pot = { ...roundPot(90, 80, 'glazed'), holes: false };
    for (const back of [3, 12, 40]) {
      const { drink, outlook } = answer([{ type: 'watering', date: ago(back), method: 'measured', amount_ml: 60 }], {
        pot,
      });
      expect(drink.flush).toBe(false);
      expect(drink.amount_ml).toBeLessThanOrEqual(
        outlook.model.pot.capacity.availableMl * (1 - outlook.moisture.p50) + 1,
      );
    }
  });
  it('a name unknown makes it drier, in rule, measure and warmth', () => {
    const sure = answer([drench(20)], { plant: named('Gasteria carinata') });
    const unknown = answer([drench(20)], { plant: { ...named('Gasteria carinata'), name_unknown: true } });
    expect(unknown.outlook.model.traits.minWetC).toBeGreaterThanOrEqual(sure.outlook.model.traits.minWetC);
    expect(unknown.outlook.model.traits.holdDays).toBeGreaterThanOrEqual(sure.outlook.model.traits.holdDays);
    expect((unknown.due ?? '9999') >= (sure.due ?? '9999')).toBe(true);
    expect(unknown.drink.amount_ml).toBeLessThanOrEqual(sure.drink.amount_ml * 1.01);
    const tuber = answer([drench(20)], { plant: { ...named('Sansevieria cylindrica'), name_unknown: true } });
    expect(tuber.outlook.model.traits.dryRule).toBe('dry-and-hold');
  });
  it('too dark to grow: no food, and a brighter place beside', () => {
    const dim = answer([drench(60)], {
      place: { id: 'place', kind: 'room', air: 'still', light_fraction: 0.004 },
      plant: named('Echeveria agavoides'),
    });
    expect(dim.judgement.because.map(({ code }) => code)).toContain('too-dark');
    expect(dim.judgement.deeds.some((deed) => deed.deed === 'move' && deed.what === 'brighter')).toBe(true);
    expect(drinkOf(dim.judgement)?.food ?? null).toBeNull();
  });
  it('a big store in a big peaty pot gets a fifth to a third of the mix, not sixty in the hundred', () => {
    const { drink, outlook } = answer([drench(70), felt('dry', 3), felt('dry')], {
      mix: { id: 'mix', parts: [{ component: 'potting-soil', parts: 1 }] },
      pot: roundPot(180, 150, 'plastic'),
      plant: named('Zamioculcas zamiifolia'),
      place: SILL,
    });
    const share = drink.amount_ml / outlook.model.pot.capacity.volumeMl;
    expect(share).toBeGreaterThan(0.03);
    expect(share).toBeLessThan(0.34);
  });
  it('food only in growth, and a season’s limit is said before the drink', () => {
    const fed = Array.from({ length: 7 }, (_, i): PlantEvent => ({
      type: 'feeding',
      date: ago(20 + 10 * i),
      dose: 0.5,
    }));
    const { drink, feed } = answer(
      [drench(26), ...fed].sort((a, b) => (a.date < b.date ? -1 : 1)),
      { plant: named('Echeveria agavoides') },
    );
    expect(feed).toMatchObject({ kind: 'plain', why: { code: 'overfed', n: { given: 7, ceiling: 6 } } });
    expect(drink.food).toBeNull();
  });
});

describe('a night that comes close', () => {
  const OPEN: Scene = { place: { id: 'place', kind: 'open', air: 'breezy' } };
  const night = factsOf(answer([drench(3)], OPEN)).nights.tonightC;
  const limits = (aboveNight: number): Scene => ({
    ...OPEN,
    plant: { min_wet_c: Math.floor(night) + aboveNight, min_dry_c: Math.floor(night) + aboveNight },
  });
  const near = (scene: Scene, facts = {}) =>
    judged({ today: isoDay(TODAY), events: [KNOWN, drench(3)], ...scene, facts }).judgement;
  const codesOf = ({ because }: ReturnType<typeof near>) => because.map(({ code }) => code);
  it('is said beside the rest, with its chance; a milder one is not, nor within doors', () => {
    const close = near(limits(-1));
    expect(codesOf(close)).toContain('near-limit');
    expect(codesOf(close)).not.toContain('below-limit');
    expect(close.deeds[0].deed).not.toBe('act');
    const { n } = close.because.find(({ code }) => code === 'near-limit')!;
    expect(n!.chance!).toBeGreaterThanOrEqual(0);
    expect(n!.chance!).toBeLessThan(1);
    expect(codesOf(near(limits(-8)))).not.toContain('near-limit');
    expect(codesOf(near({ ...limits(-1), place: SILL }))).not.toContain('near-limit');
  });
  it('below its limit the chance is the greater the colder it is against it', () => {
    const chance = (above: number) =>
      near(limits(above)).because.find(({ code }) => code === 'below-limit' || code === 'near-limit')?.n!.chance ?? 0;
    const chances = [-2, -1, 1, 3, 6].map(chance);
    expect(chances).toEqual(chances.toSorted((a, b) => a - b));
    expect(chances.at(-1)!).toBeGreaterThan(0.8);
  });
  it('once it was brought in or covered today, neither is said; tomorrow it is again', () => {
    for (const above of [-1, 4]) {
      expect(codesOf(near(limits(above), { shelteredOn: TODAY }))).not.toContain(
        above < 0 ? 'near-limit' : 'below-limit',
      );
      expect(codesOf(near(limits(above), { shelteredOn: TODAY - 1 }))).toContain(
        above < 0 ? 'near-limit' : 'below-limit',
      );
    }
  });
});

describe('heat', () => {
  const HOT: Scene = { normals: HOT_DRY, latitude: 20, place: { id: 'place', kind: 'open', air: 'breezy' } };
  const LARGE = roundPot(200, 180, 'terracotta');
  const heat = (own: OwnRules, over: Scene = {}, events: PlantEvent[] = [drench(1)]) =>
    answer(events, { ...HOT, pot: LARGE, own, ...over }).judgement;
  it('above what it bears asks for shade, with the figures; below says nothing of it', () => {
    const hot = heat({ ceilingC: 33 });
    expect(hot.deeds[0]).toEqual({ deed: 'move', what: 'shadier' });
    expect(hot.because[0]).toMatchObject({ code: 'too-hot', source: 'forecast', n: { limit: 33, small: 0 } });
    expect(hot.because[0]!.n!.high!).toBeGreaterThanOrEqual(33);
    const cool = heat({ ceilingC: 55 });
    expect(cool.deeds.some(({ deed }) => deed === 'move')).toBe(false);
    expect(cool.because.some(({ code }) => code === 'too-hot')).toBe(false);
  });
  it('is told of a small pot in the open first, not of the same within doors', () => {
    const { highC } = factsOf(answer([drench(1)], { ...HOT, pot: LARGE })).heat;
    const just = { ceilingC: highC + 2 };
    expect(heat(just).because.some(({ code }) => code === 'too-hot')).toBe(false);
    const small = heat(just, { pot: roundPot(60, 55, 'plastic') });
    expect(small.because.find(({ code }) => code === 'too-hot')!.n).toMatchObject({ small: 1 });
  });
  it('holds a drink that can wait; a slack plant has its own in the cool of the day', () => {
    const thirsty = [drench(8), felt('dry', 1), felt('dry')];
    const due = heat({ ceilingC: 33 }, {}, thirsty);
    expect(due.deeds.map(({ deed }) => deed)).toEqual(['move', 'wait']);
    expect(due.because[0]).toMatchObject({ code: 'hot-holds' });
    const slack = heat({ ceilingC: 33 }, {}, [...thirsty, sign('wrinkled')]);
    expect(slack.deeds.map(({ deed }) => deed)).toEqual(['water', 'move']);
    expect(slack.mind).toContain('cool-hours');
    expect(heat({ ceilingC: 33 }, { normals: INLAND, latitude: 47 }, thirsty).mind).not.toContain('cool-hours');
  });
  it('does not hide what is more urgent', () => {
    const rotten = heat({ ceilingC: 33 }, {}, [drench(3), sign('soft-base')]);
    expect(rotten.deeds[0]).toMatchObject({ deed: 'act' });
    expect(rotten.deeds).toContainEqual({ deed: 'move', what: 'shadier' });
  });
});

describe('what is not known', () => {
  it('a pot nobody ever looked into is looked at before its drink, and never judged with high sureness', () => {
    for (const back of [10, 20, 30, 45]) {
      const { judgement } = judged({ today: isoDay(TODAY), events: [drench(back)] });
      expect(drinkOf(judgement)).toBeNull();
      expect(judgement.sure).not.toBe('high');
    }
    expect(judged({ today: isoDay(TODAY), events: [drench(30)] }).judgement.deeds[0]).toMatchObject({
      deed: 'look',
      what: 'depth',
    });
  });
  it('a plant just brought in is felt first: nobody knows how wet it came', () => {
    const { judgement } = judged({
      today: isoDay(TODAY),
      events: [],
      plant: named('Adenium obesum'),
      facts: { arrivedOn: TODAY - 1 },
    });
    expect(judgement.deeds[0]).toMatchObject({ deed: 'look', what: 'depth' });
    expect(judgement.because[0]).toMatchObject({ code: 'came-as-it-came' });
  });
  it('one that is hard to replace is felt first, unless it is surely dry', () => {
    const harm = (hardToReplace: boolean) =>
      expectedHarm(factsOf(answer([drench(14), felt('damp', 6)], { own: { hardToReplace } })));
    expect(harm(true).water).toBeGreaterThan(2 * harm(false).water);
    expect(harm(true).wait).toBe(harm(false).wait);
    expect(first([drench(30), felt('dry', 3), felt('dry')], { own: { hardToReplace: true } }).deed).toBe('water');
  });
  it('long dry in growth it comes back in stages: a sip, a wait, then the fuller drink', () => {
    const parched = answer([drench(110), felt('dry', 6), felt('dry')]);
    expect(parched.judgement.deeds[0].deed).toBe('sip');
    const volume = parched.outlook.model.pot.capacity.volumeMl;
    expect(parched.drink.amount_ml).toBeLessThan(0.06 * volume + 1);
    const sip = (back: number): PlantEvent => ({
      type: 'watering',
      date: ago(back),
      method: 'measured',
      amount_ml: parched.drink.amount_ml,
    });
    expect(first([drench(110), felt('dry', 6), sip(1)]).deed).toBe('wait');
    expect(codes([drench(110), felt('dry', 6), sip(1)])).toContain('first-sip');
  });
});

describe('one answer', () => {
  it('the forecast’s water is the judgement: today where a drink is asked for, later or none where not', () => {
    const scenes: PlantEvent[][] = [
      [drench(26)],
      [drench(26), felt('wet')],
      [drench(3)],
      [drench(26), sign('soft-base')],
      [drench(26), sign('limp'), felt('wet')],
      [drench(30), felt('dry', 2), felt('dry')],
    ];
    for (const events of scenes) {
      const { judgement, forecast, due } = answer(events);
      if (drinkOf(judgement)) expect(forecast.water?.ideal).toBe(isoDay(TODAY));
      else if (forecast.water) expect(forecast.water.ideal > isoDay(TODAY)).toBe(true);
      expect(due).toBe(forecast.water?.ideal ?? null);
    }
  });
  it('what the keeper saw is always among the reasons', () => {
    for (const events of [
      [drench(26), felt('wet')],
      [drench(5), felt('damp', 2)],
      [drench(30), felt('dry'), sign('limp')],
      [drench(9), sign('soft-base')],
    ]) {
      expect(answer(events).judgement.because.some(({ source }) => source === 'seen')).toBe(true);
    }
  });
  it('reasons stand strongest first, and every plant has its one thing never to do', () => {
    for (const name of [
      'Lithops lesliei',
      'Melocactus azureus',
      'Echeveria agavoides',
      'Aloe aristata',
      'Rhipsalis pilocarpa',
      'Opuntia microdasys',
      'Sansevieria cylindrica',
      'Crassula ovata',
    ]) {
      const { judgement } = answer([drench(20)], { plant: named(name) });
      expect(judgement.never).toBeTruthy();
      for (const list of [judgement.because, judgement.against])
        for (let i = 1; i < list.length; i++) expect(list[i - 1]!.weight).toBeGreaterThanOrEqual(list[i]!.weight);
    }
    expect(answer([drench(20)], { plant: named('Lithops lesliei') }).judgement.never).toBe('long-soak');
    expect(answer([drench(20)], { plant: named('Melocactus azureus') }).judgement).toMatchObject({
      never: 'frost',
      never_c: 10,
    });
  });
});

describe('the table of harm', () => {
  it('gives a reason at every line, and kills more by wet than by dry', () => {
    for (const row of [...Object.values(HARM), ...Object.values(WORSE)]) expect(row.why.length).toBeGreaterThan(15);
    expect(HARM.drinkIntoWet.harm).toBeGreaterThan(10 * HARM.dayDry.harm);
    expect(ROT_PRONE.below).toBeGreaterThan(ROT_PRONE.leaf);
  });
  it('a wetter look never brings a drink nearer, nor does a pot held to be wetter', () => {
    const due = (look: PlantEvent) => answer([drench(20), look]).due ?? '9999-12-31';
    expect(due(felt('wet')) >= due(felt('damp'))).toBe(true);
    expect(due(felt('damp')) >= due(felt('dry'))).toBe(true);
    const m = (meter: number) => answer([drench(20), { type: 'check', date: ago(0), meter }]).outlook.moisture.p50;
    for (let meter = 1; meter < 10; meter++) expect(m(meter + 1)).toBeGreaterThanOrEqual(m(meter));
  });
  it('a drink costs more the likelier the pot is wet, and in sleep and cold more than in growth', () => {
    const facts = factsOf(answer([drench(8)]));
    const { water } = expectedHarm(facts);
    expect(expectedHarm({ ...facts, chanceWet: Math.min(1, facts.chanceWet + 0.2) }).water).toBeGreaterThan(water);
    expect(expectedHarm({ ...facts, rotTimes: facts.rotTimes * 4 }).water).toBeGreaterThan(water);
    expect(expectedHarm({ ...facts, thirstADay: facts.thirstADay * 5, chanceDue: 0.9 }).wait).toBeGreaterThan(
      expectedHarm({ ...facts, chanceDue: 0.9 }).wait,
    );
  });
  it('a slip never outlives two good looks', () => {
    const clean = answer([drench(16), felt('damp', 6), felt('dry', 1), felt('dry')]);
    const slipped = answer([drench(16), felt('damp', 6), felt('wet', 4), felt('dry', 1), felt('dry')]);
    expect(slipped.judgement.deeds[0].deed).toBe(clean.judgement.deeds[0].deed);
    expect(Math.abs(slipped.outlook.moisture.p50 - clean.outlook.moisture.p50)).toBeLessThan(0.05);
  });
});
