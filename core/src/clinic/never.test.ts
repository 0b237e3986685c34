import { runs } from '../../test/cases.ts';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../numeric/random.ts';
import { PLACE_KINDS, type Sign, SIGN_PLACES, SIGNS } from '../garden.ts';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { diagnosed, kind, Story } from '../../test/clinic.ts';
import { GRITTY, PEATY, roundPot } from '../../test/gardens.ts';
import { ROT_THRESHOLD } from './diagnose.ts';
import { WATCH_CODES, watch } from './watch.ts';
import type { ClinicFacts } from './facts.ts';

const KINDS = [
  'Echeveria elegans',
  'Lithops lesliei',
  'Adenium obesum',
  'Echinopsis oxygona',
  'Albuca spiralis',
  'Zamioculcas zamiifolia',
  'Rhipsalis pilocarpa',
  'Crassula ovata',
  'Melocactus azureus',
];

/** A plant with any history and any signs. */
function anything(seed: number) {
  const random = seededRandom(seed);
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const between = (low: number, high: number) => Math.round(low + random() * (high - low));
  const today = isoDay(dayNumber('2026-01-01') + between(0, 364));
  const story = new Story(today);
  for (let day = between(60, 150); day > 0; day -= between(4, 30)) {
    if (random() < 0.5) story.felt(one(['wet', 'damp', 'dry'] as const), day);
    if (random() < 0.8) story.drench(day);
  }
  if (random() < 0.4) story.felt(one(['wet', 'damp', 'dry'] as const));
  if (random() < 0.25) story.state(one(['resting', 'growing', 'easing'] as const), between(5, 60));
  for (let n = between(1, 3); n > 0; n--)
    story.saw(one(SIGNS), between(1, 3), random() < 0.5 ? one(SIGN_PLACES) : undefined, between(0, 12));
  const holes = random() < 0.85;
  return {
    holes,
    pressed: story.events.some(
      (event) => event.type === 'sign' && (['firm-base', 'roots-firm'] as Sign[]).includes(event.sign),
    ),
    found: diagnosed(story, {
      plant: kind(one(KINDS), { diameter_mm: between(30, 160), height_mm: between(20, 200) }),
      place: { id: 'place', kind: one(PLACE_KINDS), air: one(['still', 'gentle', 'breezy'] as const), aspect_deg: 180 },
      mix: one([GRITTY, PEATY]),
      pot: {
        ...roundPot(between(60, 160), between(60, 140), one(['plastic', 'terracotta', 'glazed'] as const)),
        holes,
      },
    }),
  };
}

describe('never, whatever was seen', () => {
  const all = Array.from({ length: 160 }, (_, i) => anything(i + 1));
  it('water where rot is likelier than the threshold and the base was not felt', () => {
    const likely = all.filter(({ found: { diagnosis } }) => diagnosis!.rot >= ROT_THRESHOLD && !diagnosis!.baseFelt);
    expect(likely.length).toBeGreaterThan(20);
    for (const { found } of likely) expect(found.answer.water, JSON.stringify(found.judgement.deeds)).not.toBe('now');
  });
  it('a flood for a resting plant', () => {
    const asleep = all.filter(({ found }) => found.outlook.state === 'resting');
    expect(asleep.length).toBeGreaterThan(20);
    for (const { found } of asleep) {
      for (const deed of found.judgement.deeds) {
        expect(deed.deed).not.toBe('water');
        if (deed.deed === 'sip')
          expect(deed.amount_ml).toBeLessThanOrEqual(0.06 * found.outlook.model.pot.capacity.volumeMl);
      }
    }
  });
  it('more for a pot without a hole than it may hold', () => {
    const shut = all.filter(({ holes }) => !holes);
    expect(shut.length).toBeGreaterThan(8);
    for (const { found } of shut) {
      const { drink } = found.answer;
      if (drink)
        expect(drink.amount_ml).toBeLessThanOrEqual(
          found.outlook.model.pot.capacity.availableMl * (1 - found.outlook.moisture.p10) + 1,
        );
      for (const { action } of found.answer.actions) expect(action).not.toBe('flush');
    }
  });
  it('says water now only where the judge says so, and never beside a hold', () => {
    for (const { found } of all) {
      const [first] = found.judgement.deeds;
      expect(found.answer.water === 'now').toBe(first.deed === 'water' || first.deed === 'sip');
      const actions = found.answer.actions.map(({ action }) => action);
      expect(actions.includes('water') && actions.includes('hold')).toBe(false);
      if (found.answer.water === 'now') expect(actions).toContain('water');
      if (found.answer.water === 'after-check') expect(found.answer.check).not.toBeNull();
    }
  });
  it('probabilities are shares: each between nought and one, and all with the unknown no more than one', () => {
    for (const { found } of all) {
      const { causes, unknown } = found.diagnosis!;
      const sum = causes.reduce((total, { probability }) => total + probability, unknown);
      expect(sum).toBeLessThanOrEqual(1 + 1e-9);
      expect(sum).toBeGreaterThan(0.6);
      for (const { probability } of causes) expect(probability).toBeGreaterThan(0);
    }
  });
  it('a pot without a hole is never watered by the clock: it is looked into first', () => {
    const story = new Story('2026-06-20').cared(14, 18, 120);
    const found = diagnosed(story, {
      pot: { ...roundPot(90, 80, 'glazed'), holes: false },
      own: { trigger: 'calendar', everyDays: Array.from({ length: 12 }, () => 10) },
    } as never);
    expect(found.judgement.deeds[0]).toMatchObject({ deed: 'look', what: 'depth' });
  });
});

describe('hands raised by the record alone', () => {
  const raised = (story: Story, scene: Parameters<typeof diagnosed>[1] = {}) =>
    diagnosed(story, scene).clinic.raised.map(({ code }) => code);
  const fine = () => new Story('2026-06-20').cared(14, 5);
  it('none for a plant that is well', () =>
    expect(raised(fine(), { place: { id: 'place', kind: 'windowsill', aspect_deg: 180, air: 'gentle' } })).toEqual([]));
  it('wet for weeks in the cold', () => {
    const story = new Story('2026-01-20').cared(20, 60, 200).drench(28).felt('wet', 14).felt('wet', 2);
    expect(raised(story, { mix: PEATY, place: { id: 'place', kind: 'cold-glass', air: 'still' } })).toContain(
      'wet-in-cold',
    );
    expect(raised(new Story('2026-06-20').cared(14, 2), { mix: PEATY })).not.toContain('wet-in-cold');
  });
  it('too dark for months', () =>
    expect(
      raised(new Story('2026-02-20').cared(25, 10, 200), {
        place: { id: 'place', kind: 'room', air: 'still' },
        plant: { habit: 'evergreen' },
      }),
    ).toContain('too-dark-long'));
  it('awake for weeks, and no growth on record; growth seen answers it', () => {
    const woken = (more: (story: Story) => Story) =>
      raised(more(new Story('2026-06-20').state('waking', 60).cared(14, 5)));
    expect(woken((story) => story)).toContain('no-growth-awake');
    expect(woken((story) => story.saw('new-growth', 2, undefined, 20))).not.toContain('no-growth-awake');
    expect(woken((story) => story.state('growing', 30))).not.toContain('no-growth-awake');
  });
  it('shrinking in a warm rest', () => {
    const story = new Story('2026-01-20').state('resting', 50).cared(20, 60, 200).saw('shrunken');
    const at = (kindOf: 'room' | 'cold-glass') => raised(story, { place: { id: 'place', kind: kindOf, air: 'still' } });
    expect(at('room')).toContain('shrinking-warm-rest');
    expect(at('cold-glass')).not.toContain('shrinking-warm-rest');
  });
  it('crust due after many hard drinks', () => {
    const story = new Story('2026-06-20');
    for (let day = 330; day >= 5; day -= 11) story.felt('dry', day).drench(day, 'hard');
    expect(raised(story, { plant: kind('Haworthia cooperi') })).toContain('crust-due');
  });
  it('slower and faster than it did, by the pace of its pot', () => {
    const facts = { ...PLAIN_WATCH, lnPace: -0.5 } as ClinicFacts;
    expect(watch(facts, []).map(({ code }) => code)).toEqual(['not-drying']);
    expect(watch({ ...facts, lnPace: 0.5 }, []).map(({ code }) => code)).toEqual(['drying-fast']);
    expect(watch({ ...facts, lnPace: 0.1 }, [])).toEqual([]);
  });
  it('knows no other codes than these, and each is taken for a sign that is weighed', () => {
    expect(new Set(WATCH_CODES).size).toBe(7);
    const story = new Story('2026-02-20').cared(25, 10, 200);
    const { diagnosis, answer } = diagnosed(story, {
      place: { id: 'place', kind: 'room', air: 'still' },
      plant: { habit: 'evergreen' },
    });
    expect(diagnosis!.causes[0]!.cause).toBe('too-dark');
    // Nobody saw anything: it is looked into, and nothing is cut or potted on the strength of the record.
    expect(answer.actions.map(({ action }) => action)).not.toContain('unpot');
  });
});

const PLAIN_WATCH: Partial<ClinicFacts> = {
  wetColdDays: 0,
  wetFeet: 0,
  state: 'growing',
  indoors: true,
  warmthC: 20,
  thirst: 0,
  signs: [],
  darkDays: 0,
  saltsShare: 0,
  salts: { ecMS: 0, limitMS: 2, flush: false, hardDrinks: 0 },
  today: dayNumber('2026-06-20'),
  slow: false,
};

describe('before the look that may rule it out', () => {
  it('nothing is cut, unpotted or planned beyond, whatever is likeliest', () => {
    for (let seed = 500; seed < runs(560, 520); seed++) {
      const { answer } = anything(seed).found;
      if (answer.water !== 'after-check') continue;
      const actions = answer.actions.map(({ action }) => action);
      for (const knife of ['unpot', 'cut', 'take-tips', 'repot', 'pot-dry', 'first-water', 'dry-wound'] as const)
        expect(actions).not.toContain(knife);
      expect(actions[0]).toBe('check');
    }
  });
});
