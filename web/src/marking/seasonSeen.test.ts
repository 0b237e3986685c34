import { newEntry } from '@zinc-pail/contract/marks';
import { check } from '@zinc-pail/contract/faults';
import { PLANT_STATES } from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import { SEASON_SEEN } from './seasonSeen.ts';

describe('what may be seen of a season', () => {
  it('has an answer for each state that overrules it, and the book takes every one', () => {
    for (const state of PLANT_STATES) {
      const all = SEASON_SEEN[state];
      expect(all.length).toBeGreaterThanOrEqual(2);
      for (const { event } of all) {
        const entry = { ...event('2026-07-05'), client_id: '7f0c2e0a-2f0e-4c4e-9f6e-2b0e5a2d9c11' };
        expect(check(newEntry, entry)).toMatchObject({ faults: [], unknown: [] });
        // Nobody is asked to tell what is held anyway.
        expect(entry).not.toMatchObject({ type: 'state', state });
      }
    }
  });
  it('a sleeper may be found waking, in bud, or merely firm', () =>
    expect(SEASON_SEEN.resting.map(({ label }) => label)).toEqual(['new growth', 'buds', 'firm']));
});
