/** Feeds at hand, as their labels tell them. */
import { FEED_KINDS } from '@zinc-pail/contract/choices';
import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import { leaning } from '@zinc-pail/core';
import type { Kit } from '../../api/kit.ts';
import { Form } from '../../forms/Form.tsx';
import { KeepOrLeave, Line, OneOf, Typed } from '../../forms/Fields.tsx';
import { type Feed, type FeedForm, feedFormOf, feedOf } from './kitForms.ts';
import { Ledger } from './Ledger.tsx';
import { useKept, useKeptForm } from './useKept.ts';

const LEANINGS = { bloom: 'for bloom', leaf: 'for leaf', even: 'balanced' } as const;

/** "liquid, 3-5-7, for bloom, 2.5 ml a litre". */
function FeedWords({ item }: { item: Feed }) {
  const { kind, n_pct: n, p_pct: p, k_pct: k, per_litre: rate, unit } = item;
  return `${kind}, ${n}-${p}-${k}, ${LEANINGS[leaning({ n, p, k })]}, ${rate} ${unit} a litre`;
}

export function Feeds({ kit }: { kit: Kit }) {
  const { drop } = useKept('feeds');
  return (
    <section aria-labelledby="feeds">
      <h3 id="feeds" className="sr-only">
        Feeds at hand
      </h3>
      <Ledger
        items={kit.feeds}
        another="Another feed"
        goes="Feeds you noted stay on record; rules that use it fall back to the first in the list."
        Words={FeedWords}
        Panel={FeedPanel}
        onDrop={drop.mutateAsync}
      />
      <p className="mt-4 max-w-prose text-[0.875rem] text-[var(--ink-2)]">
        Keep feeds in their own packing, out of reach of children and pets. Follow the label where it asks for less.
      </p>
    </section>
  );
}

function FeedPanel({ item: feed, onDone }: { item: Feed | null; onDone(): void }) {
  const { form, set, error, send, busy } = useKeptForm<FeedForm>('feeds', feed?.id ?? null, {
    first: () => feedFormOf(feed),
    read: feedOf,
    onDone,
  });
  return (
    <div className="border-l-4 border-[var(--rule)] pl-4">
      <Form error={error} onSubmit={send}>
        <Line label="Name" at="name" most={LONGEST_NAME} value={form.name} onChange={(name) => set({ name })} />
        <div className="flex flex-wrap gap-x-6">
          <OneOf
            label="Kind"
            value={form.kind}
            onChange={(kind) => set({ kind: kind as FeedForm['kind'] })}
            options={FEED_KINDS.map((kind) => [kind, kind] as const)}
          />
          {(['n', 'p', 'k'] as const).map((one) => (
            <Typed
              key={one}
              label={`${one.toUpperCase()}, %`}
              at={`${one}_pct`}
              width="w-24"
              value={form[one]}
              onChange={(value) => set({ [one]: value })}
            />
          ))}
        </div>
        <div className="flex flex-wrap gap-x-6">
          <Typed label="Label’s dose a litre" at="per_litre" value={form.rate} onChange={(rate) => set({ rate })} />
          <OneOf
            label="Measured in"
            value={form.unit}
            onChange={(unit) => set({ unit: unit as 'ml' })}
            options={[
              ['ml', 'ml'],
              ['g', 'g'],
            ]}
          />
        </div>
        <KeepOrLeave keep={feed ? 'Save' : 'Add this feed'} busy={busy} onLeave={onDone} />
      </Form>
    </div>
  );
}
