/** Feeds at hand, as their labels tell them. */
import { FEED_KINDS } from '@zinc-pail/contract/choices';
import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import { leaning } from '@zinc-pail/core';
import { useState } from 'react';
import { notSent } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { Form } from '../../forms/Form.tsx';
import { Field, KeepOrLeave, OneOf, Typed } from '../../forms/Fields.tsx';
import { type Feed, type FeedForm, feedFormOf, feedOf } from './kitForms.ts';
import { LedgerLine } from './Ledger.tsx';
import { useKept } from './useKept.ts';

const LEANINGS = { bloom: 'for bloom', leaf: 'for leaf', even: 'balanced' } as const;

export function Feeds({ kit }: { kit: Kit }) {
  const { drop } = useKept('feeds');
  const [open, setOpen] = useState<Feed | 'new' | null>(kit.feeds.length === 0 ? 'new' : null);
  return (
    <section aria-labelledby="feeds">
      <h3 id="feeds" className="sr-only">
        Feeds at hand
      </h3>
      <ul className="mb-4 border-t border-[var(--rule)]">
        {kit.feeds.map((feed) => (
          <LedgerLine
            key={feed.id}
            name={feed.name}
            goes="Food that was noted stays in the books; rules that name it fall back to the first in the list."
            onChange={() => setOpen(feed)}
            onDrop={() => drop.mutateAsync(feed.id)}
          >
            {feed.kind}, {feed.n_pct}-{feed.p_pct}-{feed.k_pct},{' '}
            {LEANINGS[leaning({ n: feed.n_pct, p: feed.p_pct, k: feed.k_pct })]}, {feed.per_litre} {feed.unit} a litre
          </LedgerLine>
        ))}
      </ul>
      {open === null ? (
        <button type="button" className="btn h-11" onClick={() => setOpen('new')}>
          Another feed
        </button>
      ) : (
        <FeedPanel
          key={open === 'new' ? 'new' : open.id}
          feed={open === 'new' ? null : open}
          onDone={() => setOpen(null)}
        />
      )}
      <p className="mt-4 max-w-prose text-[0.875rem] text-[var(--ink-2)]">
        Keep feeds in their own packing, out of reach of children and pets, and follow the label where it asks for less.
      </p>
    </section>
  );
}

function FeedPanel({ feed, onDone }: { feed: Feed | null; onDone(): void }) {
  const { add, change } = useKept('feeds');
  const [form, setForm] = useState<FeedForm>(() => feedFormOf(feed));
  const [error, setError] = useState<unknown>(null);
  const set = (more: Partial<FeedForm>) => setForm((before) => ({ ...before, ...more }));
  const send = async () => {
    const given = feedOf(form);
    if (given.kind === 'wrong') return setError(notSent(given.at));
    try {
      if (feed) await change.mutateAsync({ id: feed.id, body: given.value });
      else await add.mutateAsync(given.value);
      onDone();
    } catch (failed) {
      setError(failed);
    }
  };
  return (
    <div className="border-l-4 border-[var(--rule)] pl-4">
      <Form error={error} onSubmit={() => void send()}>
        <Field label="Name" at="name">
          {(id) => (
            <input
              id={id}
              maxLength={LONGEST_NAME}
              className="input h-11 w-full"
              value={form.name}
              onChange={(event) => set({ name: event.target.value })}
            />
          )}
        </Field>
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
        <KeepOrLeave
          keep={feed ? 'Keep it so' : 'Add this feed'}
          busy={add.isPending || change.isPending}
          onLeave={onDone}
        />
      </Form>
    </div>
  );
}
