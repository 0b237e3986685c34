import type { RoundPot, RoundSite, RoundView } from '@zinc-pail/contract/api';
import { describe, expect, it } from 'vitest';
import { withPots } from './round.ts';

const TODAY = '2026-06-04';
const drink = {
  deed: 'water',
  way: 'drench',
  method: 'drench',
  amount_ml: 200,
  water: 'rain',
  food: null,
  flush: false,
};
const pot = (id: number, due: boolean, watered = false): RoundPot =>
  ({
    id,
    outlook: { state: 'growing', last_watered: watered ? TODAY : '2026-05-20' },
    task: {
      judgement: { deeds: [due ? drink : { deed: 'wait', until: '2026-07-01' }] },
      water: 'rain',
      food: null,
      amount_ml: 200,
    },
  }) as unknown as RoundPot;
const round = (pots: RoundPot[]): RoundView => ({
  collection: '',
  sites: [
    {
      today: TODAY,
      can_ml: 300,
      feeds: [],
      counts: { act: 0, water: 2, look: 0, soon: 0, leave: 4, asleep: 0, watered: 1 },
      can: [{ water: 'rain', pots: 2, ml: 400, fills: 2, feed: null }],
      places: [{ pots }],
    } as unknown as RoundSite,
  ],
});

describe('a mark on the round', () => {
  const before = round([pot(1, true), pot(2, true)]);
  it('takes the pot off the head, fills the count of what is done, and empties the can', () => {
    const [site] = withPots(before, new Map([[1, pot(1, false, true)]])).sites;
    expect(site!.counts).toMatchObject({ water: 1, leave: 5, watered: 2 });
    expect(site!.can).toEqual([{ water: 'rain', pots: 1, ml: 200, fills: 1, feed: null }]);
  });
  it('the last of a water takes its line away, and a mark taken back brings all of it again', () => {
    const none = withPots(
      before,
      new Map([
        [1, pot(1, false, true)],
        [2, pot(2, false, true)],
      ]),
    );
    expect(none.sites[0]!.can).toEqual([]);
    const again = withPots(
      none,
      new Map([
        [1, pot(1, true)],
        [2, pot(2, true)],
      ]),
    );
    expect(again.sites[0]!.counts).toEqual(before.sites[0]!.counts);
    expect(again.sites[0]!.can[0]).toMatchObject({ pots: 2, ml: 400 });
  });
  it('counts who sleeps, and what food the can wants, as the server does', () => {
    const fed = { ...pot(1, true), task: { ...pot(1, true).task, food: 0.5, feed_id: null } } as RoundPot;
    const asleep = { ...pot(2, false), outlook: { ...pot(2, false).outlook, state: 'resting' } } as RoundPot;
    const feeds = [{ id: 4, name: 'Bloom', unit: 'ml' as const, per_litre: 5 }];
    const kept = { ...before, sites: before.sites.map((site) => ({ ...site, feeds })) };
    const [site] = withPots(
      kept,
      new Map([
        [1, fed],
        [2, asleep],
      ]),
    ).sites;
    expect(site!.counts.asleep).toBe(1);
    expect(site!.can).toEqual([
      { water: 'rain', pots: 1, ml: 200, fills: 1, feed: { name: 'Bloom', strength: 0.5, unit: 'ml', dose: 0.5 } },
    ]);
  });
  it('pots of another round change nothing', () =>
    expect(withPots(before, new Map([[99, pot(99, true)]]))).toEqual(before));
});
