import {
  CAUSES,
  CHECK_TABLE,
  dayNumber,
  type Evidence,
  HISTORY_CODES,
  OUTCOMES,
  SIGN_PLACES,
  SIGNS,
  STEPS,
  WATCH_CODES,
  type Case,
} from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import { diagnosed, kind, ROOM, Story, SUMMER } from '../../core/test/clinic.ts';
import { garden } from '../../core/test/gardens.ts';
import { causeWords } from './causes.ts';
import {
  actionWords,
  ANSWER_WORDS,
  caseStateWords,
  cautionWords,
  changeWords,
  CHECK_WORDS,
  evidenceWords,
  OUTCOME_WORDS,
  raisedWords,
  STEP_WORDS,
  workedWords,
  worthWords,
} from './clinic.ts';
import { diagnosisFile } from './files.ts';
import { signPlaceWords, signWords } from './signs.ts';
import { SI } from './units.ts';

const SPEAKING = { units: SI, today: SUMMER };
/** Whatever a code's sentence may ask for. */
const N = {
  days: 3,
  m: 0.4,
  warmth: 4,
  index: 0.3,
  share: 0.4,
  ago: 9,
  times: 2.2,
  light: 3.1,
  high: 41,
  low: -2,
  gets_by: 5,
  ec: 1.8,
  limit: 1.2,
  drinks: 14,
  doses: 2,
  years: 2.4,
  factor: 0.6,
  rh: 40,
  plants: 2,
  thirst: 0.6,
};
const ENGLISH = /^[^{}]*$/;
const sound = (text: string) => {
  expect(text).toMatch(ENGLISH);
  expect(text).not.toMatch(/undefined|NaN|null|\b1 (days|drinks|neighbours|cases)\b|\.\./);
  expect(text.length).toBeGreaterThan(2);
};

it('what nobody saw is not told as seen', () => {
  const evidence: Evidence = { kind: 'sign', code: 'salt-crust', strength: 1, unseen: true, n: {}, weight: 1 };
  expect(evidenceWords(evidence, SPEAKING)).toMatch(/^likely from its notes, not seen yet: /);
  expect(evidenceWords({ ...evidence, unseen: undefined }, SPEAKING)).not.toMatch(/not seen/);
});
it('no sleeper is flushed for its crust', () => {
  const say = (grows: number) => raisedWords({ code: 'crust-due', n: { ...N, grows } }, SPEAKING).say;
  expect(say(0)).toMatch(/once it is growing/);
  expect(say(1)).toMatch(/flush it\.$/);
});

describe('every code of the clinic has its words', () => {
  it.each(HISTORY_CODES)('history: %s', (code) => {
    const evidence: Evidence = { kind: 'history', code, n: N, weight: 1 };
    sound(evidenceWords(evidence, SPEAKING));
    sound(evidenceWords({ ...evidence, n: { ...N, days: 1, drinks: 1, plants: 1 } }, SPEAKING));
  });
  it.each(WATCH_CODES)('hand raised: %s', (code) => {
    const { head, say } = raisedWords({ code, n: N }, SPEAKING);
    sound(head);
    sound(say);
    expect(say).toMatch(/[.?]$/);
  });
  it.each([...CAUSES, 'unknown'])('cause: %s', (cause) => {
    sound(causeWords(cause).name);
    expect(causeWords(cause).sense).toMatch(/\.$/);
  });
  it.each(STEPS)('step: %s', (step) => {
    sound(STEP_WORDS[step].head);
    expect(STEP_WORDS[step].how).toMatch(/[.?]$/);
    sound(actionWords({ action: step, urgency: 'today', on: null, optional: false }, SPEAKING, '90 ml'));
  });
  it('signs and places read as words, never as ids', () => {
    for (const sign of SIGNS) expect(signWords(sign)).not.toMatch(/-/);
    for (const place of SIGN_PLACES) sound(signPlaceWords(place));
  });
  it('every check asks, says why, and names what each answer looks like', () => {
    for (const { id, answers } of CHECK_TABLE) {
      expect(CHECK_WORDS[id].ask).toMatch(/\?$/);
      for (const answer of answers) sound(`${ANSWER_WORDS[answer]!.label}: ${ANSWER_WORDS[answer]!.look}`);
    }
  });
  it.each(OUTCOMES)('outcome: %s', (outcome) => sound(OUTCOME_WORDS[outcome]));
});

describe('sentences', () => {
  it('a sign is told with its strength and its place', () => {
    expect(
      evidenceWords(
        { kind: 'sign', code: 'limp', strength: 2, where: 'one-stem', when: 'midday', n: {}, weight: 1 },
        SPEAKING,
      ),
    ).toBe('limp (2), on one stem, at midday');
    expect(evidenceWords({ kind: 'history', code: 'dry-days', n: { days: 11 }, weight: 1 }, SPEAKING)).toBe(
      'pot dry for 11 days',
    );
  });
  it('changes are told with what they do and when it is judged', () => {
    expect(changeWords({ change: 'interval', of: 'later' }, SPEAKING)).toMatch(/a step later/);
    expect(changeWords({ change: 'hold', on: '2026-06-30' }, SPEAKING)).toBe('No water until 30 June.');
    expect(changeWords({ change: 'food', days: 30 }, SPEAKING)).toBe('No food for 30 days.');
    expect(changeWords({ change: 'repeat', days: 7 }, SPEAKING)).toMatch(
      /every 7 days until it is clean twice in a row/,
    );
  });
  it('cautions come with what hands do: sap and blades with a cut, flame with alcohol, the label with a soil drench', () => {
    expect(cautionWords(['milky-sap'], ['cut']).join(' ')).toMatch(/gloves.*Blades/);
    expect(cautionWords([], ['swab']).join(' ')).toMatch(/no flame/);
    expect(cautionWords([], ['soil-drench']).join(' ')).toMatch(/approved.*label is the law/);
    expect(cautionWords([], ['look-again'])).toEqual([]);
  });
  it('no remedy is named beyond its kind', () => {
    const all = STEPS.map((step) => `${STEP_WORDS[step].head} ${STEP_WORDS[step].how}`).join(' ');
    expect(all).not.toMatch(/imidacloprid|neem|malathion|pyrethr|acetamiprid|abamectin|copper|sulphur|sulfur/i);
    expect(all).toMatch(/approved where you live/);
  });
  it('a case tells its next step and its hold; a closed one how it ended', () => {
    const step = {
      step: 'cut',
      due: '2026-06-20',
      doneOn: null,
      found: null,
      optional: false,
      time: 1,
      waits: null,
    } as const;
    const one: Case = {
      cause: 'root-rot',
      openedOn: '2026-06-18',
      steps: [step],
      holdUntil: '2026-07-09',
      gap: null,
      cleanRun: 0,
      ready: false,
      closed: null,
    };
    expect(caseStateWords(one, SPEAKING)).toBe('No water until 9 July. Next: cut to clean tissue.');
    expect(caseStateWords({ ...one, closed: { on: '2026-06-19', outcome: 'cured' } }, SPEAKING)).toMatch(/^Cured/);
    expect(
      workedWords({ cause: 'mealybug', closed: 3, helped: 2, lost: 1, steps: [{ step: 'swab', cases: 3, helped: 2 }] }),
    ).toBe('Mealybugs: 3 cases closed, 2 cured or better, 1 lost. Dab each pest with alcohol: helped in 2 of 3.');
  });
});

describe('zinc diagnose', () => {
  const story = new Story(SUMMER).cared(14, 20).drench(5).felt('wet').saw('limp');
  const file = garden({
    today: SUMMER,
    events: story.events.toSorted((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0)),
  });
  it('prints causes, the next check, the water, what is done; all sums to one at most', () => {
    const told = diagnosisFile(file, 'plant');
    expect(told).toMatchObject({
      format: 'zinc-pail/diagnosis',
      version: 1,
      today: SUMMER,
      plant: 'plant',
      water: 'after-check',
    });
    const sum = told.causes.reduce((all, { probability }) => all + probability, 0);
    expect(sum + told.unknown).toBeLessThanOrEqual(1.001);
    expect(told.causes.map(({ probability }) => probability)).toEqual(
      told.causes.map(({ probability }) => probability).toSorted((a, b) => b - a),
    );
    expect(told.next_check).toMatchObject({ check: 'press the base of the stem', answers: ['firm-base', 'soft-base'] });
    for (const { text } of [...told.advice, ...told.schedule]) sound(text);
  });
  it('without a sign in three weeks the ranking is empty, and nothing changes', () => {
    const quiet = garden({
      today: SUMMER,
      events: new Story(SUMMER)
        .cared(14, 6)
        .saw('limp', 2, undefined, 30)
        .events.toSorted((a, b) => (a.date < b.date ? -1 : 1)),
    });
    expect(diagnosisFile(quiet, 'plant')).toMatchObject({
      causes: [],
      next_check: null,
      water: 'no-change',
      advice: [],
      schedule: [],
    });
  });
  it('a plant that is not there is refused by those that are', () => {
    expect(() => diagnosisFile(file, 'other')).toThrow('no plant "other"; there is plant');
  });
  it('says nothing of a past that was answered', () => {
    const { diagnosis } = diagnosed(
      new Story(SUMMER).cared(14, 6).saw('limp', 2, undefined, 9).saw('taut', 2, undefined, 2),
      { plant: kind('Echeveria elegans'), place: ROOM },
    );
    expect(diagnosis!.signs.map(({ sign }) => sign)).toEqual(['taut']);
    expect(dayNumber(SUMMER)).toBeGreaterThan(0);
  });
});

describe('what a badly hurt plant is worth', () => {
  it.each([
    ['let-go', 1, false, /there is 1 other of its kind here: throwing it away/],
    ['let-go', 3, false, /there are 3 others of its kind here/],
    ['parts', 0, false, /the only one of its kind here: take healthy cuttings/],
    ['parts', 3, true, /hard to replace: take healthy cuttings/],
    ['keep', 2, false, /2 others of its kind here. You can keep it/],
  ] as const)('%s, %i others', (worth, others, hardToReplace, words) =>
    expect(worthWords(worth, { others, hardToReplace })).toMatch(words),
  );
});
