import type { ColdPot, RoundPlace, RoundPot, RoundSite } from '@zinc-pail/contract/api';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { benchKey } from '../../api/round.ts';
import { MarksProvider } from '../../marking/Marks.tsx';
import { Dusk } from './Dusk.tsx';
import type { Walk } from './useWalk.ts';

const cold = (id: number, over: Partial<ColdPot> = {}): ColdPot => ({
  id,
  name: `Hoya ${id}`,
  limit_c: 8,
  near: false,
  chance: 1,
  done: null,
  ...over,
});
const pot = (id: number) =>
  ({
    id,
    number: String(id).padStart(3, '0'),
    name: `Hoya ${id}`,
    form: 'trailing',
    diameter_mm: 90,
    height_mm: 80,
    outlook: {
      state: 'growing',
      moisture: { p10: 0.2, p50: 0.4, p90: 0.6 },
      traits: { minDryC: 2, minWetC: 6 },
      pot: {
        shape: 'round',
        top_mm: 90,
        base_mm: 68,
        depth_mm: 80,
        material: 'plastic',
        holes: true,
        top_dressing_mm: 0,
      },
    },
  }) as unknown as RoundPot;

function shown(over: Partial<RoundPlace>, only: Walk['only'] = null): string {
  const place = {
    id: 1,
    name: 'Balcony',
    kind: 'covered',
    tonight_c: 4,
    night_band_c: [2, 6],
    pots: [pot(1), pot(2), pot(3)],
    cold: [],
    ...over,
  };
  const site = { id: 3, name: 'Lock', today: '2026-11-27', places: [place] } as unknown as RoundSite;
  const client = new QueryClient();
  client.setQueryData(benchKey(place.id), place.pots);
  return renderToStaticMarkup(
    <QueryClientProvider client={client}>
      <MarksProvider>
        <Dusk site={site} walk={{ only } as Walk} />
      </MarksProvider>
    </QueryClientProvider>,
  );
}

describe('before dusk', () => {
  it('is not there on a mild evening, nor for those that are only close or seen to', () => {
    for (const some of [[], [cold(1, { near: true })], [cold(1, { done: 'in' })]])
      expect(shown({ cold: some })).toBe('');
  });
  it('tells the night, and whom it is too cold for, to those who cannot see the rail', () => {
    const markup = shown({ cold: [cold(1), cold(2, { limit_c: 7 })] });
    expect(markup).toContain('Tonight 2° to 6°. Too cold for 2 pots: Hoya 2 to 7°, Hoya 1 to 8°');
  });
  it('sees to all of a place in one press, or to those that are picked', () => {
    const markup = shown({ cold: [cold(1), cold(2)] });
    expect(markup).toContain('Bring all 2 in: Hoya 1, Hoya 2');
    expect(markup).toContain('Cover all 2');
    expect(markup.match(/aria-label="Pick /g)).toHaveLength(2);
  });
  it('offers no cloth indoors', () => {
    expect(shown({ kind: 'heated-glass', cold: [cold(1)] })).not.toContain('Cover');
  });
  it('gives way while the walk shows something else', () => {
    expect(shown({ cold: [cold(1)] }, 'water')).toBe('');
    expect(shown({ cold: [cold(1)] }, 'dusk')).not.toBe('');
  });
});
