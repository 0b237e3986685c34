import { describe, expect, it } from 'vitest';
import { ProblemError } from './client.ts';
import { asksAgain } from './retry.ts';

const problem = (type: string) => new ProblemError({ type, title: '', status: 503, detail: '' });

describe('asking again', () => {
  it('goes on while a large collection is still being reckoned', () => {
    for (const times of [0, 1, 40])
      expect(asksAgain(times, problem('urn:zinc-pail:problem:still-reckoning'))).toBe(true);
  });
  it('is done once after any other failure', () => {
    for (const error of [problem('urn:zinc-pail:problem:no-database'), new Error('torn')])
      expect([asksAgain(0, error), asksAgain(1, error)]).toEqual([true, false]);
  });
});
