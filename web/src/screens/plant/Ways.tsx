import type { OutlookView, TraitSource, Traits } from '@zinc-pail/core';

const HABITS: Record<Traits['habit'], string> = {
  summer: 'grows in summer, rests in winter', winter: 'grows in winter, rests in summer', 'spring-autumn': 'grows in spring and autumn, rests in heat and cold',
  evergreen: 'slows, never rests',
};
const STORES: Record<Traits['store'], string> = { leaf: 'in its leaves', stem: 'in its stem', below: 'below ground', none: 'hardly anywhere' };
const SOURCES: Record<TraitSource, string> = { keeper: 'yours', genus: 'genus', form: 'form', cautious: 'name unknown, dry side' };

function ruleWords({ dryRule, holdDays }: Traits): string {
  switch (dryRule) {
    case 'keep-damp':
      return 'never quite dry';
    case 'dry-top':
      return 'when the top third is dry';
    case 'dry-through':
      return 'when dry to the bottom';
    case 'dry-and-hold':
      return `dry to the bottom, then ${holdDays} days more`;
  }
}

/** How this plant lives, and where each line comes from. */
export function Ways({ outlook: { traits, trait_sources: sources }, doubt }: { outlook: OutlookView; doubt: string | null }) {
  const rows: [string, string, TraitSource][] = [
    ['Year', HABITS[traits.habit], sources.habit],
    ['Water', ruleWords(traits), sources.dryRule],
    ['Store', STORES[traits.store], sources.store],
    ['Nights', `down to ${traits.minDryC}° dry, ${traits.minWetC}° moist`, sources.minWetC],
    ['Grows', `from ${traits.growMinC}° on average`, sources.growMinC],
  ];
  return (
    <section aria-labelledby="ways">
      <h2 id="ways" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[17px] font-semibold">Its ways</h2>
      <dl className="grid grid-cols-[4rem_minmax(0,1fr)_auto] gap-x-2 gap-y-1 text-[15px]">
        {rows.map(([term, words, source]) => (
          <div key={term} className="contents">
            <dt className="text-[var(--ink-2)]">{term}</dt>
            <dd>{words}</dd>
            <dd className="text-[14px] text-[var(--ink-2)]">{SOURCES[source]}</dd>
          </div>
        ))}
      </dl>
      {doubt && <p className="mt-1 border-l-4 border-[var(--straw)] pl-2 text-[15px]">{doubt}</p>}
    </section>
  );
}
