/** What stands beside the round, drawn to markup. */
import type { RoundPlace, RoundSite } from '@zinc-pail/contract/api';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import { kitKey } from '../../api/kit.ts';
import { pottingKey } from '../../api/potting.ts';
import { MarksProvider } from '../../marking/Marks.tsx';
import { Sidebar } from './Sidebar.tsx';

const place = (over: Partial<RoundPlace> = {}): RoundPlace => ({
  id: 1,
  name: 'Lean-to',
  kind: 'cold-glass',
  quarantine: false,
  today: { tmin_c: 2, tmax_c: 12, rh_pct: 65 },
  tonight_c: 2.4,
  pots: [],
  left: 3,
  asleep: 1,
  cold: [],
  done: [],
  version: 1,
  ...over,
});
const site = (over: Partial<RoundSite> = {}): RoundSite => ({
  id: 1,
  name: 'Lock',
  today: '2026-06-04',
  latitude_deg: 47,
  nights_c: [8, 9, 10],
  counts: { act: 0, water: 2, look: 0, soon: 1, leave: 3, asleep: 1, watered: 0 },
  can_ml: 5000,
  feeds: [],
  can: [],
  places: [place()],
  load: [3, 2, 0, 0, 1, 0, 0, 4],
  also: [],
  moves: [],
  clinic: { steps: [], raised: [], inspect: null },
  ...over,
});
const shown = (sites: RoundSite[], queries = new QueryClient()) => {
  const markup = renderToStaticMarkup(
    <QueryClientProvider client={queries}>
      <MarksProvider>
        <MemoryRouter>
          <Sidebar sites={sites} />
        </MemoryRouter>
      </MarksProvider>
    </QueryClientProvider>,
  );
  return { markup, text: markup.replaceAll(/<[^>]+>/g, ' ').replaceAll(/\s+/g, ' ') };
};

describe('the can', () => {
  it('says how much of which water, how much feed, and how many fills', () => {
    const { text } = shown([
      site({
        can: [
          {
            water: 'rain',
            pots: 4,
            ml: 6000,
            fills: 2,
            feed: { name: 'Lock feed', strength: 0.5, unit: 'ml', dose: 15 },
          },
          { water: 'soft', pots: 1, ml: 90, fills: 1, feed: null },
        ],
      }),
    ]);
    expect(text).toMatch(/6\.1 l/);
    expect(text).toMatch(/15 ml Lock feed, half the dose/);
    expect(text).toMatch(/90 ml soft water/);
  });
  it('a feed nobody named is asked for rather than guessed', () => {
    const feed = { name: null, strength: 0.25, unit: null, dose: null };
    expect(shown([site({ can: [{ water: 'rain', pots: 1, ml: 100, fills: 1, feed }] })]).text).toContain(
      'name your feed in the shed',
    );
  });
});

describe('tonight', () => {
  it('says that nothing is too cold, or how many are and where they are named', () => {
    expect(shown([site()]).text).toContain('No pot is below its own limit');
    const pot = { near: false, chance: 1, done: null };
    const cold = [
      { ...pot, id: 7, name: 'Hoya kerrii', limit_c: 12 },
      { ...pot, id: 8, name: 'Aloe vera', limit_c: 4, chance: 0.42 },
      { ...pot, id: 9, name: 'Aloe ferox', limit_c: 4, done: 'in' as const },
    ];
    const { markup, text } = shown([site({ places: [place({ cold })] })]);
    expect(text).toContain('2 pots below their limit: see the top');
    expect(markup).toContain('href="#before-dusk-1"');
  });
});

describe('the weeks ahead', () => {
  it('are told to whoever cannot see them, sites together', () => {
    const { markup } = shown([site(), site({ id: 2, name: 'Roof', load: [1, 1, 1, 1, 1, 1, 1, 1] })]);
    expect(markup).toContain('next 8 weeks: 4, 3, 1, 1, 2, 1, 1, 5');
  });
});

describe('what is to pot', () => {
  it('waits for a tap where the bench is large, and is asked for by itself where it is not', () => {
    expect(shown([site({ places: [place({ left: 400 })] })]).text).toMatch(/What is to pot this weekend/);
    expect(shown([site()]).text).not.toMatch(/What is to pot this weekend/);
  });
  it('names those of the coming weekend with their first reason, and none that something stands in the way of', () => {
    const plant = (id: number, over: object) => ({
      id,
      name: `Gasteria carinata ${id}`,
      need: { score: 0.7, verdict: 'due', reasons: [{ code: 'bulging', weight: 0.5, n: {} }] },
      suits: { from: '2026-06-04', to: '2026-07-20' },
      blocks: [],
      ...over,
    });
    const queries = new QueryClient();
    queries.setQueryData(kitKey, { collection: { pots_a_weekend: 1 } });
    queries.setQueryData(pottingKey(1), {
      today: '2026-06-04',
      plants: [
        plant(1, {}),
        plant(2, { blocks: [{ code: 'moved', until: '2026-06-30' }] }),
        plant(3, { need: { score: 0.6, verdict: 'due', reasons: [{ code: 'stands', weight: 0.4, n: {} }] } }),
      ],
    });
    const { text } = shown([site()], queries);
    expect(text).toMatch(/To pot on 6 Jun Gasteria carinata 1 : it bulges\./);
    // One pot a weekend: the next one is for the next, and one that was moved lately waits.
    expect(text).not.toMatch(/carinata [23]/);
  });
});
