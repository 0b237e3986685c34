import { describe, expect, it } from 'vitest';
import type { Case, CaseStep } from './cases.ts';
import { isBad, worthOf } from './worth.ts';

const step = (over: Partial<CaseStep>): CaseStep => ({
  step: 'swab',
  due: null,
  doneOn: '2026-05-01',
  found: null,
  optional: false,
  time: 1,
  waits: null,
  ...over,
});
const of = (cause: Case['cause'], steps: CaseStep[] = [], cleanRun = 0) => ({ cause, steps, cleanRun });
const VAIN = [1, 2, 3].map((time) => step({ time }));

describe('badly damaged', () => {
  it.each([
    ['rot in the stem', of('stem-rot'), true],
    ['thirst', of('thirst'), false],
    ['worse at the look after', of('sun-scorch', [step({ step: 'look-again', found: 'worse' })]), true],
    ['better at the look after', of('sun-scorch', [step({ step: 'look-again', found: 'better' })]), false],
    ['guests after three treatments', of('mealybug', VAIN), true],
    ['guests after two', of('mealybug', VAIN.slice(1)), false],
    ['guests found clean since', of('mealybug', VAIN, 1), false],
    [
      'looks are no treatments',
      of(
        'mealybug',
        VAIN.map((one) => ({ ...one, step: 'look-over' as const })),
      ),
      false,
    ],
  ])('%s: %s', (_, one, bad) => expect(isBad(one)).toBe(bad));
});

describe('what it is worth', () => {
  it.each([
    ['guests, one of several', of('mealybug', VAIN), 3, false, 'let-go'],
    ['guests, the only one, to be had again', of('mealybug', VAIN), 0, false, 'keep'],
    ['guests, hard to replace', of('mealybug', VAIN), 3, true, 'parts'],
    ['rot, one of several', of('stem-rot'), 2, false, 'let-go'],
    ['rot, the only one', of('stem-rot'), 0, false, 'parts'],
    ['rot, hard to replace though there are others', of('stem-rot'), 2, true, 'parts'],
    ['worse, one of several', of('sun-scorch', [step({ step: 'look-again', found: 'worse' })]), 2, false, 'keep'],
    ['not that bad', of('thirst'), 5, false, null],
  ] as const)('%s', (_, one, others, hardToReplace, worth) =>
    expect(worthOf({ one, others, hardToReplace })).toBe(worth),
  );
});
