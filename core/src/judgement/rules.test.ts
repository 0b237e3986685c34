/** The table of rules: asked in its order, each resting on what it says, and weighed by one scale. */
import { describe, expect, it } from 'vitest';
import { play } from '../../../demo/play.ts';
import { gardenTasks } from './garden.ts';
import { REASON_CODES, type ReasonCode } from './deeds.ts';
import { BESIDE, RULES, TONIGHT } from './rules.ts';
import { WEIGHTS, weighed } from './weights.ts';

/** Runs with every rule watched: which answered first for each plant, and on what. */
function watched(run: () => void): { row: number; codes: ReasonCode[]; asked: number }[] {
  const found: { row: number; codes: ReasonCode[]; asked: number }[] = [];
  const asks = RULES.map((rule) => rule.asks);
  let asked = 0;
  for (const [row, rule] of RULES.entries())
    (rule as { asks: (typeof asks)[number] }).asks = (facts) => {
      asked = row === 0 ? 1 : asked + 1;
      const answer = asks[row]!(facts);
      if (answer) found.push({ row, codes: answer.because.map(({ code }) => code), asked });
      return answer;
    };
  try {
    run();
  } finally {
    for (const [row, rule] of RULES.entries()) (rule as { asks: (typeof asks)[number] }).asks = asks[row]!;
  }
  return found;
}

describe('the rules', () => {
  const answers = watched(() => {
    for (const day of ['2026-01-15', '2026-05-10', '2026-07-25', '2026-09-14'])
      for (const { garden } of play(() => day)) gardenTasks(garden);
  });
  it('are asked in their order, and the first that has an answer ends it', () => {
    expect(answers.length).toBeGreaterThan(300);
    for (const { row, asked } of answers) expect(asked).toBe(row + 1);
    expect(new Set(answers.map(({ row }) => row)).size).toBeGreaterThan(6);
  });
  it('rest on one of the reasons that they name', () => {
    const others = answers.filter(({ row, codes }) => !RULES[row]!.codes.some((code) => codes.includes(code)));
    expect(others).toEqual([]);
  });
  it('the last has an answer for whoever none before has one for', () =>
    expect(RULES.at(-1)!.codes).toContain('not-due'));
});

describe('weights', () => {
  it.each(REASON_CODES)('%s has its place between a remark and what decides', (code) => {
    expect(WEIGHTS[code]).toBeGreaterThanOrEqual(WEIGHTS['off-ideal']);
    expect(WEIGHTS[code]).toBeLessThanOrEqual(WEIGHTS['rot-seen']);
  });
  it('what a rule rests on stands above what is only said beside it', () => {
    for (const { weight } of [TONIGHT, ...RULES]) expect(weight).toBeGreaterThan(WEIGHTS['near-limit']);
    for (const { code, weight } of BESIDE) expect(weight).toBe(WEIGHTS[code]);
  });
  it('sort reasons, the strongest first, those that weigh the same as they came', () => {
    const why = (code: ReasonCode, weight?: number) =>
      ({ code, source: 'seen', ...(weight === undefined ? {} : { weight }) }) as const;
    const told = weighed([why('too-dark'), why('cold-night'), why('asleep'), why('rot-seen'), why('due', 0.31)]);
    expect(told.map(({ code }) => code)).toEqual(['rot-seen', 'cold-night', 'asleep', 'due', 'too-dark']);
    expect(told.map(({ weight }) => weight)).toEqual([1, 0.8, 0.8, 0.31, 0.3]);
  });
});
