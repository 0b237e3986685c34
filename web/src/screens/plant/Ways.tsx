import type { PlantView } from '@zinc-pail/contract/api';
import { restPlace, type Traits, type TraitSource } from '@zinc-pail/core';
import { useState } from 'react';
import { wordsOf } from '../../api/client.ts';
import { degrees } from '../../reader/amounts.ts';
import { Wrong } from '../../forms/Fields.tsx';
import { useChange } from './useChange.ts';
import { HABITS, ruleWords, STORES } from './waysForm.ts';
import { WaysPanel } from './WaysPanel.tsx';

const SOURCES: Record<TraitSource, string> = {
  keeper: 'yours',
  species: 'species',
  genus: 'genus',
  form: 'form',
  cautious: 'name unknown, dry side',
};

const REST_LIGHT = {
  light: 'in the light',
  shade: 'out of the worst sun',
  dark: 'and can be kept in the dark',
} as const;

/** How this plant lives, and where each line comes from. */
export function Ways({ plant }: { plant: PlantView }) {
  const { traits, trait_sources: sources } = plant.outlook;
  const { doubt } = plant.record;
  const [open, setOpen] = useState(false);
  const change = useChange(plant);
  const rows: [string, string, keyof Traits, string][] = [
    ['Year', HABITS[traits.habit], 'habit', 'habit'],
    ['Water', ruleWords(traits), 'dryRule', 'dry_rule'],
    ['Store', STORES[traits.store], 'store', 'store'],
    ['Nights', `down to ${degrees(traits.minDryC)} dry, ${degrees(traits.minWetC)} moist`, 'minWetC', 'min_wet_c'],
    ['Grows', `from ${degrees(traits.growMinC)} on average`, 'growMinC', 'grow_min_c'],
  ];
  const rest = restPlace(traits);
  return (
    <section aria-labelledby="ways">
      <h2 id="ways" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[1.0625rem] font-semibold">
        How it grows
      </h2>
      <dl className="grid grid-cols-[4rem_minmax(0,1fr)_auto] gap-x-2 gap-y-1 text-[0.9375rem]">
        {rows.map(([term, words, trait, column]) => (
          <div key={term} className="contents">
            <dt className="text-[var(--ink-2)]">{term}</dt>
            <dd>{words}</dd>
            <dd className="text-[0.875rem] text-[var(--ink-2)]">
              {SOURCES[sources[trait]]}
              {sources[trait] === 'keeper' && (
                <button
                  type="button"
                  className="ml-1 h-6 underline"
                  aria-label={`Reset: ${term}`}
                  onClick={() =>
                    change.mutate({
                      [column]: null,
                      ...(column === 'min_wet_c'
                        ? { min_dry_c: null }
                        : column === 'dry_rule'
                          ? { hold_days: null }
                          : {}),
                    })
                  }
                >
                  reset
                </button>
              )}
            </dd>
          </div>
        ))}
      </dl>
      {rest && (
        <p className="mt-1 text-[0.9375rem]">
          Rests dry {REST_LIGHT[rest.light]}, at {degrees(rest.fromC)} to {degrees(rest.toC)}.
        </p>
      )}
      {doubt && <p className="mt-1 border-l-4 border-[var(--straw)] pl-2 text-[0.9375rem]">{doubt}</p>}
      {change.isError && <Wrong words={wordsOf(change.error)} />}
      <button type="button" className="btn mt-2 h-11" onClick={() => setOpen(true)}>
        Change how it grows…
      </button>
      {open && <WaysPanel plant={plant} onClose={() => setOpen(false)} />}
    </section>
  );
}
