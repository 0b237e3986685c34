import type { PotThatWas } from '@zinc-pail/contract/potting';
import { describe, expect, it } from 'vitest';
import { movedWords, potLines } from './PotHistory.tsx';

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
    expect(said({ drinks: 1, median_days: null })).toMatch(/One drink on record, too few to compare/));
});

describe('a new pot after an old one', () => {
  const old = { ...POT, pot: { ...POT.pot, top_mm: 90, depth_mm: 80, material: 'plastic' as const }, mix: 'Peat' };
  it('says how far it moved, and by what', () => {
    const words = movedWords({ ...old, reckoned: { now: days(14), winter: days(40) } }, POT);
    expect(words).toMatch(/dries in about 9 days now, 14 before: 11 cm × 9\.5 cm after 9 cm × 8 cm/);
    expect(words).toMatch(/terracotta after plastic, Grit after Peat\. Dry-downs of the old pot no longer count/);
  });
  it('names nothing that stayed', () =>
    expect(movedWords(POT, { ...POT, pot: { ...POT.pot, top_dressing_mm: 8 } })).toBe(
      'As before it dries in about 9 days: its top dressing. Dry-downs of the old pot no longer count.',
    ));
});
