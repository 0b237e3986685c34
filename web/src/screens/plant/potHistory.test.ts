import type { PotThatWas } from '@zinc-pail/contract/potting';
import { describe, expect, it } from 'vitest';
import { potLines } from './PotHistory.tsx';

const days = (p50: number) => ({ p10: p50 - 2, p50, p90: p50 + 3 });
const POT: PotThatWas = {
  from: '2025-03-10',
  to: null,
  pot: {
    shape: 'round',
    top_mm: 110,
    base_mm: 82,
    depth_mm: 95,
    material: 'terracotta',
    holes: true,
    top_dressing_mm: 0,
  },
  mix: 'Grit',
  root_loss: 0,
  reckoned: { now: days(9), winter: days(31) },
  drinks: 12,
  median_days: 11,
  against: null,
};
const said = (over: Partial<PotThatWas> = {}) => potLines({ ...POT, ...over }).join(' ');

describe('a pot that was', () => {
  it('says since when, of what, and how it dries', () => {
    expect(said()).toMatch(/^Since Mon, 10 Mar 2025 11 cm × 9.5 cm, terracotta, in Grit/);
    expect(said()).toMatch(/dry in 9 days, 31 in winter\. 12 drinks, 11 days between two\.$/);
    expect(said({ to: '2026-04-01' })).toMatch(/^Mon, 10 Mar 2025 to Wed, 1 Apr 2026/);
  });
  it.each([
    [1.5, /lasts 1\.5 times as long as the pot before/],
    [0.5, /dries 2\.0 times as fast as the pot before/],
    [1.05, /dries as the pot before did/],
  ])('gaps %d times those of before', (times, words) => expect(said({ against: { times, gaps: 4 } })).toMatch(words));
  it('does not compare what was hardly seen', () =>
    expect(said({ drinks: 1, median_days: null })).toMatch(/One drink on its book, too few to compare/));
});
