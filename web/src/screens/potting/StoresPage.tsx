/** What lies in the stores: counted, bought, priced; what runs low is told of. */
import type { Kit } from '@zinc-pail/contract/keeping';
import { STOCK_KINDS, type StockKind, type StockLine } from '@zinc-pail/contract/potting';
import { COMPONENTS, type Pot, POT_MATERIALS } from '@zinc-pail/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import { kitKey, useKit } from '../../api/kit.ts';
import { stockKey, useStock } from '../../api/potting.ts';
import { OneOf, SectionHead, Typed, TypedLength, Wrong } from '../../forms/Fields.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { numberIn } from '@zinc-pail/words/numbers';
import { moneyWords } from '@zinc-pail/words/money';
import { centimetres } from '../../reader/amounts.ts';
import { lengthBounds } from '../../reader/units.ts';

const KIND_WORDS: Record<StockKind, string> = {
  component: 'Components and bags',
  pot: 'Pots',
  feed: 'Feeds',
  label: 'Labels',
};
const UNIT: Record<StockKind, string> = { component: 'l', pot: '', feed: 'ml or g', label: '' };
const PER: Record<StockKind, string> = { component: 'a litre', pot: 'each', feed: 'a hundred', label: 'each' };

export function StoresPage() {
  const kit = useKit();
  const stock = useStock();
  if (stock.isError) return <Failed error={stock.error} again={() => void stock.refetch()} />;
  if (!stock.data || !kit.data) return <Waiting what="the stores" />;
  const low = stock.data.filter((line) => line.low !== null && line.amount <= line.low);
  const { currency } = kit.data.collection;
  return (
    <div className="max-w-3xl">
      {low.length > 0 && (
        <p className="mb-3 border-l-4 border-[var(--straw)] pl-2">
          Runs low: {low.map((line) => `${line.name} (${amountWords(line)})`).join(', ')}.
        </p>
      )}
      {STOCK_KINDS.map((kind) => {
        const lines = stock.data.filter((line) => line.kind === kind);
        return lines.length === 0 ? null : (
          <section key={kind} className="mb-5">
            <SectionHead>{KIND_WORDS[kind]}</SectionHead>
            <ul>
              {lines.map((line) => (
                <Line key={line.id} line={line} currency={currency} />
              ))}
            </ul>
          </section>
        );
      })}
      {stock.data.length === 0 && (
        <p className="mb-3 max-w-prose">Nothing in your stores yet. Mixing uses what you enter here.</p>
      )}
      <NewThing />
      <Money collection={kit.data.collection} />
    </div>
  );
}

function amountWords({ kind, amount }: StockLine): string {
  return `${Math.round(amount * 100) / 100} ${UNIT[kind]}`.trim();
}

function Line({ line, currency }: { line: StockLine; currency: string | null }) {
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const queries = useQueryClient();
  const after = {
    onSuccess: ({ stock }: { stock: StockLine[] }) => {
      setTyped('');
      setWrong(null);
      queries.setQueryData(stockKey, stock);
    },
    onError: (error: unknown) => setWrong(wordsOf(error)),
  };
  const move = useMutation({
    mutationFn: ({ why, amount }: { why: 'counted' | 'bought'; amount: number }) =>
      ask<{ stock: StockLine[] }>('/stock/moves', {
        method: 'POST',
        body: { client_id: crypto.randomUUID(), why, lines: [{ stock_id: line.id, amount }] },
      }),
    ...after,
  });
  const drop = useMutation({
    mutationFn: () => ask<{ stock: StockLine[] }>(`/stock/${line.id}`, { method: 'DELETE', body: {} }),
    ...after,
  });
  const write = (why: 'counted' | 'bought') => {
    const amount = numberIn(typed, 0, 1e6);
    if (Number.isNaN(amount)) return setWrong('A number is wanted.');
    move.mutate({ why, amount });
  };
  return (
    <li className="border-b border-[var(--rule)] py-1">
      <div className="flex flex-wrap items-center gap-x-3">
        <span className="grow">
          <b>{line.name}</b>: {amountWords(line)}
          {line.pot && `, ${centimetres(line.pot.top_mm)} × ${centimetres(line.pot.depth_mm)}, ${line.pot.material}`}
          {line.component_ref &&
            line.component_ref !== line.name &&
            ` of ${COMPONENTS.get(line.component_ref)?.name ?? line.component_ref}`}
          {line.price_minor !== null && `, ${moneyWords(line.price_minor, currency)} ${PER[line.kind]}`}
          {line.low !== null && line.amount <= line.low && <b className="text-[var(--straw)]"> low</b>}
        </span>
        <input
          aria-label={`Amount of ${line.name}`}
          inputMode="decimal"
          className="input h-11 w-24"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        {(['bought', 'counted'] as const).map((why) => (
          <button
            key={why}
            type="button"
            className="h-11 px-1 underline"
            aria-label={`${WRITES[why]} ${line.name}`}
            onClick={() => write(why)}
          >
            {WRITES[why]}
          </button>
        ))}
        <button
          type="button"
          className="h-11 px-1 underline"
          aria-label={`Remove ${line.name}`}
          onClick={() => drop.mutate()}
        >
          remove
        </button>
      </div>
      <Wrong words={wrong} />
    </li>
  );
}

/** What a number typed beside a line does to it. */
const WRITES = { bought: 'add', counted: 'set to' } as const;

interface Draft {
  kind: StockKind;
  name: string;
  component: string;
  top: string;
  depth: string;
  material: Pot['material'];
  amount: string;
  low: string;
  price: string;
}
const EMPTY: Draft = {
  kind: 'component',
  name: '',
  component: 'pumice',
  top: '90',
  depth: '80',
  material: 'plastic',
  amount: '',
  low: '',
  price: '',
};

/** What is sent of a new thing, or what is wrong with it. */
export function thingOf(draft: Draft): Record<string, unknown> | string {
  const maybe = (text: string, most: number) => (text.trim() === '' ? null : numberIn(text, 0, most));
  const [amount, low, price] = [numberIn(draft.amount, 0, 1e6), maybe(draft.low, 1e6), maybe(draft.price, 1e6)];
  const [top, depth] = [numberIn(draft.top, 10, 3000), numberIn(draft.depth, 10, 3000)];
  if (!draft.name.trim()) return 'A name is wanted.';
  if (Number.isNaN(amount)) return 'How much there is: a number.';
  if (Number.isNaN(low) || Number.isNaN(price)) return 'Low level and price: a number, or nothing.';
  if (draft.kind === 'pot' && (Number.isNaN(top) || Number.isNaN(depth)))
    return `Width and depth of the pot: ${lengthBounds(10, 3000)}.`;
  return {
    kind: draft.kind,
    name: draft.name.trim(),
    component_ref: draft.kind === 'component' ? draft.component : null,
    pot:
      draft.kind === 'pot'
        ? {
            shape: 'round',
            top_mm: top,
            base_mm: Math.round(0.75 * top),
            depth_mm: depth,
            material: draft.material,
            holes: true,
            top_dressing_mm: 0,
          }
        : null,
    amount,
    low,
    price_minor: price === null ? null : Math.round(price * 100),
  };
}

function NewThing() {
  const [draft, setDraft] = useState(EMPTY);
  const [wrong, setWrong] = useState<string | null>(null);
  const queries = useQueryClient();
  const set = (some: Partial<Draft>) => setDraft((before) => ({ ...before, ...some }));
  const add = useMutation({
    mutationFn: (body: Record<string, unknown>) => ask('/stock', { method: 'POST', body }),
    onSuccess: () => {
      setDraft({ ...EMPTY, kind: draft.kind });
      return queries.invalidateQueries({ queryKey: stockKey });
    },
    onError: (error) => setWrong(wordsOf(error)),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const body = thingOf(draft);
    if (typeof body === 'string') return setWrong(body);
    setWrong(null);
    add.mutate(body);
  };
  return (
    <form noValidate onSubmit={submit} className="mt-4">
      <SectionHead>Something new</SectionHead>
      <div className="flex flex-wrap gap-x-5">
        <OneOf
          label="What"
          value={draft.kind}
          onChange={(kind) => set({ kind: kind as StockKind })}
          options={STOCK_KINDS.map((kind) => [kind, KIND_WORDS[kind].toLowerCase()] as const)}
        />
        <Typed label="Name" width="w-56" value={draft.name} onChange={(name) => set({ name })} />
        {draft.kind === 'component' && (
          <OneOf
            label="It is"
            value={draft.component}
            onChange={(component) => set({ component })}
            options={[...COMPONENTS.values()].map(({ id, name }) => [id, name] as const)}
          />
        )}
        {draft.kind === 'pot' && (
          <>
            <TypedLength label="Width" width="w-24" value={draft.top} onChange={(top) => set({ top })} />
            <TypedLength label="Depth" width="w-24" value={draft.depth} onChange={(depth) => set({ depth })} />
            <OneOf
              label="Of"
              value={draft.material}
              onChange={(material) => set({ material: material as Pot['material'] })}
              options={POT_MATERIALS.map((material) => [material, material] as const)}
            />
          </>
        )}
        <Typed
          label={`How much${UNIT[draft.kind] ? `, ${UNIT[draft.kind]}` : ''}`}
          width="w-28"
          value={draft.amount}
          onChange={(amount) => set({ amount })}
        />
        <Typed label="Low from" width="w-24" value={draft.low} onChange={(low) => set({ low })} />
        <Typed
          label={`Price ${PER[draft.kind]}`}
          width="w-28"
          value={draft.price}
          onChange={(price) => set({ price })}
        />
      </div>
      <Wrong words={wrong} />
      <button type="submit" className="btn h-11" disabled={add.isPending}>
        Add to the stores
      </button>
    </form>
  );
}

function Money({ collection }: { collection: Kit['collection'] }) {
  const [currency, setCurrency] = useState(collection.currency ?? '');
  const [weekend, setWeekend] = useState(String(collection.pots_a_weekend));
  const [wrong, setWrong] = useState<string | null>(null);
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: (body: object) => ask('/settings', { method: 'PATCH', body }),
    onSuccess: () => queries.invalidateQueries({ queryKey: kitKey }),
    onError: (error) => setWrong(wordsOf(error)),
  });
  return (
    <form
      noValidate
      className="mt-6 flex flex-wrap items-end gap-x-5"
      onSubmit={(event) => {
        event.preventDefault();
        const pots = numberIn(weekend, 1, 500);
        if (Number.isNaN(pots)) return setWrong('Pots a weekend: from 1 to 500.');
        setWrong(null);
        save.mutate({ currency: currency.trim().toUpperCase() || null, pots_a_weekend: Math.round(pots) });
      }}
    >
      <Typed label="Currency of prices" width="w-28" value={currency} onChange={setCurrency} placeholder="EUR" />
      <Typed label="Pots a free weekend" width="w-28" value={weekend} onChange={setWeekend} />
      <button type="submit" className="btn mb-4 h-11">
        Keep
      </button>
      <Wrong words={wrong} />
    </form>
  );
}
