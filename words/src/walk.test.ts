/**
 * Every plant of the demo, as it is and after every single mark, in words: nothing contradicts a law or another
 * sentence, and all of it reads.
 */
import { every } from '../../core/test/cases.ts';
import {
  answersTo,
  drinkOf,
  type Garden,
  gardenTasks,
  isoDay,
  dayNumber,
  type Judgement,
  type PlantEvent,
  type Sign,
} from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import { play } from '../../demo/play.ts';
import { judgementWords } from './judgement.ts';
import { LINE_WORDS, lineWords, wordsIn } from './line.ts';
import { SI, type Units } from './units.ts';

const TODAYS = ['2026-11-26', '2026-06-10'];
const IMPERIAL: Units = { temperature: 'F', length: 'in', volume: 'cups', dates: 'day-first' };

function marksOn(date: string): { name: string; events: PlantEvent[]; law?(judgement: Judgement): void }[] {
  const check = (reading: object): PlantEvent => ({ type: 'check', date, ...reading }) as PlantEvent;
  const sign = (name: Sign): PlantEvent => ({ type: 'sign', date, sign: name, strength: 2 });
  const noDrink = (judgement: Judgement) => expect(drinkOf(judgement)).toBeNull();
  const unpots = (judgement: Judgement) => expect(judgement.deeds[0]).toMatchObject({ deed: 'act', what: 'unpot' });
  return [
    { name: 'felt wet', events: [check({ finger: 'wet' })], law: noDrink },
    { name: 'felt damp', events: [check({ finger: 'damp' })] },
    { name: 'felt dry', events: [check({ finger: 'dry' })] },
    { name: 'probe 9', events: [check({ meter: 9 })], law: noDrink },
    { name: 'heavy', events: [check({ lift: 'heavy' })], law: noDrink },
    { name: 'watered', events: [{ type: 'watering', date, method: 'drench' }] },
    { name: 'fed', events: [{ type: 'feeding', date, dose: 0.5 }] },
    { name: 'limp and wet', events: [check({ finger: 'wet' }), sign('limp')], law: noDrink },
    { name: 'shrunken', events: [sign('shrunken')] },
    { name: 'soft base', events: [sign('soft-base')], law: unpots },
    { name: 'mush', events: [sign('roots-mush')], law: unpots },
    { name: 'taut', events: [sign('taut')] },
    { name: 'buds', events: [sign('buds')] },
    {
      name: 'asleep',
      events: [{ type: 'state', date, state: 'resting' }],
      law: (judgement) => expect(judgement.deeds.every(({ deed }) => deed !== 'water')).toBe(true),
    },
    { name: 'as it is', events: [] },
  ];
}

/** What a careless sentence gives away. */
const CARELESS =
  /undefined|NaN|null|\[object|\$\{| {2}|\.\.|,,| ,| \.|\b1 (times|days|pots|weeks|months)\b|every \d\. |no food: no|-\d+°/;

function reads(words: string[]): void {
  for (const sentence of words) {
    expect(sentence).not.toMatch(CARELESS);
    expect(sentence).toMatch(/^[A-Z0-9−½¼¾“‘]/);
    expect(sentence).toMatch(/[.?]$/);
  }
}

function holds(judgement: Judgement, closed: boolean): void {
  const [first] = judgement.deeds;
  const drink = drinkOf(judgement);
  // One deed first; no drink stands beside it.
  for (const other of judgement.deeds.slice(1)) expect(['water', 'sip']).not.toContain(other.deed);
  expect(judgement.because.length).toBeGreaterThan(0);
  if (drink) {
    expect(drink.amount_ml).toBeGreaterThan(0);
    if (closed) expect(drink).toMatchObject({ flush: false, method: 'measured' });
    expect(
      judgement.because.some(({ code }) => code === 'below-limit' || code === 'rot-seen' || code === 'felt-wet'),
    ).toBe(false);
    if (judgement.because.some(({ code }) => code === 'asleep')) expect(first.deed).toBe('sip');
  }
  if (judgement.because.some(({ code }) => code === 'below-limit')) expect(['act', 'move']).toContain(first.deed);
  if (judgement.because.some(({ code }) => code === 'too-dark') && drink) expect(drink.food).toBeNull();
}

describe.each(every(TODAYS, 2))('the demo on %s, mark by mark', (today) => {
  const gardens = play(() => today).map(({ garden }) => garden);
  it.each(marksOn(today).map((mark) => [mark.name, mark] as const))(
    '%s',
    (_, { events, law }) => {
      for (const garden of gardens) {
        const marked: Garden = {
          ...garden,
          plants: garden.plants.map((plant) => ({ ...plant, events: [...plant.events, ...events] })),
        };
        for (const { outlook, task } of gardenTasks(marked)) {
          const { judgement, forecast, due } = task;
          law?.(judgement);
          holds(judgement, !outlook.plant.pot.holes);
          // The same judgement everywhere: forecast, due day, line.
          if (drinkOf(judgement)) expect(forecast.water?.ideal).toBe(today);
          else if (forecast.water) expect(forecast.water.ideal > today).toBe(true);
          expect(due).toBe(drinkOf(judgement) ? today : (forecast.water?.ideal ?? null));
          const words = judgementWords(judgement, { units: SI, today });
          reads([
            `${words.head}.`,
            words.reason,
            ...words.beside,
            ...words.mind,
            words.never,
            ...(words.then ? [words.then] : []),
          ]);
          const line = lineWords(judgement, { units: SI, today });
          reads([`${line.head}.`, ...(line.reason === '' ? [] : [line.reason])]);
          expect(wordsIn(`${line.head} ${line.reason}`), `${line.head}. ${line.reason}`).toBeLessThanOrEqual(
            LINE_WORDS,
          );
          const imperial = judgementWords(judgement, { units: IMPERIAL, today });
          expect([imperial.head, imperial.reason, ...imperial.mind].join(' ')).not.toMatch(/\d ?(°C|cm)\b/);
        }
      }
    },
    120_000,
  );
  it('whatever a look is answered, what follows is what the line said', () => {
    const looks = gardens.flatMap((garden) =>
      gardenTasks(garden).flatMap(({ outlook, task }) => {
        const [first] = task.judgement.deeds;
        if (first.deed !== 'look') return [];
        return answersTo(first.what, first.then).map(({ answer, write }) => ({
          garden,
          id: outlook.plant.id,
          answer,
          events: write(today),
          said: (first.then as Record<string, string>)[answer],
        }));
      }),
    );
    expect(looks.length).toBeGreaterThan(1);
    for (const { garden, id, answer, events, said } of every(looks, 3)) {
      const after = {
        ...garden,
        plants: garden.plants.map((plant) =>
          plant.id === id ? { ...plant, events: [...plant.events, ...events] } : plant,
        ),
      };
      const [only] = gardenTasks(after, id);
      expect(only!.task.judgement.deeds[0].deed, `${id}: ${answer}`).toBe(said);
    }
  });
  it('asks on any day for some pots to be felt, pressed or weighed before anything is poured', () => {
    const asked = gardens
      .flatMap((garden) => gardenTasks(garden))
      .filter(({ task }) => task.judgement.deeds[0].deed === 'look');
    expect(asked.length).toBeGreaterThan(0);
  });
});

describe('days and dates', () => {
  it('a date of another year says its year', () => {
    const garden = play(() => TODAYS[0]!)[0]!.garden;
    const far = isoDay(dayNumber(garden.today) + 300);
    expect(
      judgementWords(
        {
          deeds: [{ deed: 'wait', until: far }],
          until: far,
          next_look: null,
          because: [{ code: 'no-sign', source: 'rule', weight: 1 }],
          against: [],
          happened: [],
          mind: [],
          never: 'long-soak',
          never_c: null,
          sure: 'low',
        },
        { units: SI, today: garden.today },
      ).head,
    ).toMatch(/2027$/);
  });
});
