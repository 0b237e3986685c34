import { LOOKS_AT, NEED_CODES, STEPS } from '@zinc-pail/core';
import { ALSO_KINDS } from '@zinc-pail/contract/choices';
import { describe, expect, it } from 'vitest';
import { alsoLineWords, leadWords, LINE_WORDS, lineWords, pottingLineWords, stepLineWords, wordsIn } from './line.ts';
import { SI, type Units } from './units.ts';

const SPEAKING = { units: SI, today: '2026-12-01' };
const IMPERIAL: Units = { temperature: 'F', length: 'in', volume: 'cups', dates: 'month-first' };
const fits = ({ head, reason }: { head: string; reason: string }) => {
  expect(head).toMatch(/^[A-Z].*[^.]$/);
  if (reason !== '') expect(reason).toMatch(/[.?]$/);
  expect(wordsIn(`${head} ${reason}`)).toBeLessThanOrEqual(LINE_WORDS);
};

describe('a line', () => {
  it('says what to do, then why in a few words, and leaves out what does not fit', () => {
    const because = [
      { code: 'below-limit', source: 'forecast', weight: 1, n: { tonight: -4, limit: 2, moist: 1 } },
      { code: 'long-rain', source: 'reckoned', weight: 0.5, n: { days: 12, rain_days: 7, hole: 0 } },
    ] as const;
    const cold = {
      deeds: [{ deed: 'act', what: 'out-of-frost', to: { id: '1', name: 'Attic sill, south' } }],
    } as const;
    const said = lineWords({ deeds: [...cold.deeds], because: [...because] }, SPEAKING);
    expect(said).toEqual({ head: 'Bring it in tonight: Attic sill, south', reason: '−4° tonight, safe to 2°.' });
    const american = lineWords({ deeds: [...cold.deeds], because: [...because] }, { ...SPEAKING, units: IMPERIAL });
    expect(american.reason).toBe('25° tonight, safe to 36°.');
  });
  it.each(STEPS)('of the step %s fits', (step) =>
    fits(stepLineWords({ step, cause: 'mealybug', due: '2026-11-20' }, SPEAKING)),
  );
  it.each(ALSO_KINDS)('of a further task, %s, fits', (kind) =>
    fits(alsoLineWords({ kind, day: '2026-11-20', minutes: 45, n: 2 }, SPEAKING)),
  );
  it.each(NEED_CODES)('of a potting for %s says when and why', (code) => {
    const n = { years: 4, usual: 3, times: 1.4, seconds: 90, organic: 0.4, diameter_mm: 110, top_mm: 90 };
    const { head, reason } = pottingLineWords({ on: '2026-12-05', reason: { code, weight: 1, n } }, SPEAKING);
    expect(head).toBe('Repot it on Saturday');
    expect(reason).toMatch(/^[A-Z\d].*\.$/);
    expect(reason).not.toMatch(/undefined|NaN/);
  });
  it.each(LOOKS_AT)('what an answer to a look at %s leads to is three words at most', (what) => {
    for (const deed of ['act', 'move', 'look', 'water', 'sip', 'wait', 'sleep', 'wake'] as const)
      expect(wordsIn(leadWords(what, deed))).toBeLessThanOrEqual(3);
  });
});
