import { BLOCK_CODES, MIX_STEPS, NEED_CODES, ROOT_FINDINGS, SCHOOL_IDS, type NeedReason } from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import {
  aftercareWords,
  blockWords,
  FINDING_WORDS,
  mixStepWords,
  needWords,
  pottingSteps,
  SCHOOL_WORDS,
  suitsWords,
} from './potting.ts';
import { SI } from './units.ts';

const TODAY = '2026-05-01';

describe('the potting bench in words', () => {
  it.each(NEED_CODES)('%s is a clause', (code) => {
    const n = { times: 1.8, years: 4, organic: 0.6, diameter_mm: 90, top_mm: 90, usual: 3, seconds: 40 };
    const words = needWords({ code, weight: 0.3, n } as NeedReason, SI);
    expect(words).toMatch(/^[a-z0-9].*[^.]$/);
    expect(words).not.toMatch(/undefined|NaN/);
  });
  it.each(BLOCK_CODES)('%s is a clause with its end', (code) => {
    expect(blockWords({ code, until: '2026-06-10' }, TODAY, SI)).toMatch(/, until about 10 June$/);
    expect(blockWords({ code, until: null }, TODAY, SI)).not.toMatch(/until/);
  });
  it('weeks that suit', () => {
    expect(suitsWords(null, TODAY)).toBe('Not growing for now: repot only to rescue it.');
    expect(suitsWords({ from: '2026-04-20', to: '2026-06-03' }, TODAY)).toBe('Now, up to early June.');
    expect(suitsWords({ from: '2026-09-12', to: '2026-10-30' }, TODAY)).toBe('Mid-September to late October.');
  });
  it('the steps mind hands, thirst and holes', () => {
    const steps = (over: object) =>
      pottingSteps({ first: 'as-it-is', depth: 'crown-clear', cautions: [], holes: true, ...over }).join(' ');
    expect(steps({ cautions: ['glochids', 'spines'] })).toMatch(/^Barbed hairs/);
    expect(steps({ cautions: ['milky-sap'] })).toMatch(/medical help/);
    expect(steps({ first: 'water-first' })).toMatch(/water it and wait a day/);
    expect(steps({ first: 'look-first' })).toMatch(/no water; check its roots/);
    expect(steps({ holes: false })).toMatch(/drill one[^]*eye cover/);
    expect(steps({})).not.toMatch(/drill/);
  });
  it.each([
    [
      { kind: 'first-drink', day: 20, because: ['roots-cut', 'cool'] },
      'First drink from 21 January: cut roots need to close first, roots start slowly in the cool.',
    ],
    [{ kind: 'shade-ends', day: 20 }, 'Shade until 21 January, then back to its usual light in steps.'],
    [{ kind: 'look', day: 20, n: 2 }, 'Check on 21 January: has the mix sunk?'],
    [{ kind: 'food-from', day: 20 }, 'No food before 21 January.'],
  ] as const)('%o', (task, words) => {
    const iso = (day: number) => new Date(day * 86_400_000).toISOString().slice(0, 10);
    expect(
      aftercareWords({ ...task, because: 'because' in task ? [...task.because] : [] } as never, iso, '1970-01-01', SI),
    ).toBe(words);
  });
  it('every school, finding and step has its words', () => {
    for (const id of SCHOOL_IDS) expect(SCHOOL_WORDS[id].for.length).toBeGreaterThan(10);
    for (const finding of ROOT_FINDINGS) expect(FINDING_WORDS[finding]).toBeTruthy();
    for (const step of MIX_STEPS) expect(mixStepWords(step, [])).toMatch(/[.:]$/);
    expect(mixStepWords('rinse', ['coarse sand', 'lava'])).toMatch(/: coarse sand, lava\.$/);
  });
});
