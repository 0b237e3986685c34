/** A batch of a recipe: for how many pots, how much of what, in scoops, what lacks, the steps. */
import type { Kit } from '@zinc-pail/contract/keeping';
import type { StockLine } from '@zinc-pail/contract/potting';
import { batchOf, type Component, mixSteps, type Pot, substitutesFor } from '@zinc-pail/core';
import { mixStepWords } from '@zinc-pail/words/potting';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { ask, ProblemError, wordsOf } from '../../api/client.ts';
import { kitKey } from '../../api/kit.ts';
import { stockKey, usePottingOf } from '../../api/potting.ts';
import { Choice, SectionHead, Tick, Typed, TypedLength, Wrong } from '../../forms/Fields.tsx';
import { count } from '../../reader/amounts.ts';
import { numberIn } from '@zinc-pail/words/numbers';
import { moneyWords } from '@zinc-pail/words/money';
import { fromStores, type Held, improvised, insteadWords, litresOf, pricesOf, type Recipe } from './recipes.ts';

interface Props {
  recipe: Recipe;
  held: Held | null;
  stock: readonly StockLine[];
  kit: Kit;
  components: ReadonlyMap<string, Component>;
  pot: Pot;
  /** of crocks below, mm: they take the place of mix */
  crockMm: number;
  onChange(recipe: Recipe): void;
}

const USUAL_SPILL = 0.1;
/** A root ball that keeps its mix fills about this much of the next pot. */
const ROOT_BALL = 0.3;

export function BatchPanel({ recipe, held, stock, kit, components, pot, crockMm, onChange }: Props) {
  const [by, setBy] = useState<'size' | 'due'>('size');
  const [pots, setPots] = useState('6');
  const [top, setTop] = useState('100');
  const [depth, setDepth] = useState('90');
  const [ball, setBall] = useState(String(100 * ROOT_BALL));
  const [scoop, setScoop] = useState(kit.collection.scoop_ml === null ? '' : String(kit.collection.scoop_ml));
  const siteIds = useMemo(() => kit.sites.map(({ id }) => id), [kit.sites]);
  const bench = usePottingOf(siteIds, by === 'due');
  const [sameMix, setSameMix] = useState(recipe.mixId !== null);
  const queries = useQueryClient();
  const scoopMl = scoop.trim() === '' ? null : numberIn(scoop, 5, 20_000);
  const keepScoop = useMutation({
    mutationFn: () =>
      ask('/settings', { method: 'PATCH', body: { scoop_ml: scoopMl === null ? null : Math.round(scoopMl) } }),
    onSuccess: () => queries.invalidateQueries({ queryKey: kitKey }),
  });
  const rootBall = numberIn(ball, 0, 95) / 100;
  const due = bench.filter(
    ({ need, mix_id: mix }) => need.verdict === 'due' && !(sameMix && recipe.mixId !== null && mix !== recipe.mixId),
  );
  const many = by === 'due' ? due.length : Math.round(numberIn(pots, 1, 1000));
  const shape = (topMm: number, depthMm: number): Pot => ({
    shape: 'round',
    top_mm: topMm,
    base_mm: 0.75 * topMm,
    depth_mm: depthMm,
    material: 'plastic',
    holes: true,
    top_dressing_mm: 0,
  });
  const typed = [numberIn(top, 20, 2000), numberIn(depth, 20, 2000), rootBall, many, scoopMl ?? 0];
  const sound = held !== null && typed.every((value) => !Number.isNaN(value));
  const prices = pricesOf(stock);
  const litres = litresOf(stock);
  const batch = sound
    ? batchOf({
        parts: recipe.parts,
        shrink: held.shrink,
        pots:
          by === 'due'
            ? due.map((plant) => ({ pot: plant.next.pot, rootBall, crockMm }))
            : Array.from({ length: many }, () => ({ pot: shape(typed[0]!, typed[1]!), rootBall, crockMm })),
        spill: USUAL_SPILL,
        scoopMl: scoopMl === null || Number.isNaN(scoopMl) ? null : scoopMl,
        stock: new Map(
          recipe.parts.map(({ component }) => [
            component,
            { litres: litres.get(component) ?? 0, priceMinor: prices.get(component) ?? null },
          ]),
        ),
      })
    : null;
  const nameOf = (id: string) => components.get(id)?.name ?? id;
  return (
    <section aria-labelledby="batch" className="mt-8 max-w-3xl">
      <SectionHead id="batch">A batch of {recipe.name}</SectionHead>
      <Choice
        legend="For"
        name="batch-by"
        value={by}
        onChange={(value) => setBy(value as 'size' | 'due')}
        options={[
          { id: 'size', label: 'a number of pots of one size' },
          { id: 'due', label: 'the plants that are due' },
        ]}
      />
      {by === 'due' && recipe.mixId !== null && (
        <Tick label="only those that grow in this mix now" checked={sameMix} onChange={setSameMix} />
      )}
      <div className="flex flex-wrap gap-x-5">
        {by === 'size' && (
          <>
            <Typed label="Pots" width="w-24" value={pots} onChange={setPots} />
            <TypedLength label="Width" width="w-24" value={top} onChange={setTop} />
            <TypedLength label="Depth of mix" width="w-28" value={depth} onChange={setDepth} />
          </>
        )}
        <Typed label="Root balls fill, %" width="w-28" value={ball} onChange={setBall} />
        <Typed label="Your measure, ml" width="w-28" value={scoop} onChange={setScoop} />
        <button type="button" className="btn mb-4 h-11 self-end" onClick={() => keepScoop.mutate()}>
          Remember the measure
        </button>
      </div>
      {!batch && <p>Numbers are wanted in all fields; the measure may be empty.</p>}
      {batch && (
        <>
          <p className="font-semibold">
            {batch.mixLitres.toFixed(1)} l of mix for {count(many, 'pot')}; a tenth more for what is spilled, and{' '}
            {Math.round(100 * held!.shrink)} % for settling.
          </p>
          <table className="mt-1 w-full max-w-2xl text-[0.9375rem]">
            <thead>
              <tr className="border-b border-[var(--rule)] text-left text-[var(--ink-2)]">
                <th className="font-normal">part</th>
                <th className="font-normal">litres, loose</th>
                <th className="font-normal">measures</th>
                <th className="font-normal">lacks</th>
                <th className="font-normal">cost</th>
              </tr>
            </thead>
            <tbody>
              {batch.lines.map((line) => (
                <tr key={line.component} className="border-b border-[var(--rule)]">
                  <td>{nameOf(line.component)}</td>
                  <td>{line.litres.toFixed(2)}</td>
                  <td>{line.scoops ?? ''}</td>
                  <td className={line.lacks > 0 ? 'font-semibold text-[var(--straw)]' : ''}>
                    {line.lacks > 0 ? `${line.lacks.toFixed(2)} l` : ''}
                  </td>
                  <td>{line.costMinor === null ? '' : moneyWords(line.costMinor, kit.collection.currency)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {batch.shopping.length > 0 && (
            <p className="mt-2">
              <b>To buy:</b>{' '}
              {batch.shopping
                .map(
                  (one) =>
                    `${one.litres} l ${nameOf(one.component)}${one.costMinor === null ? '' : ` (${moneyWords(one.costMinor, kit.collection.currency)})`}`,
                )
                .join(', ')}
              .
            </p>
          )}
          {batch.lines
            .filter(({ lacks }) => lacks > 0)
            .map(({ component, litres: wanted }) => (
              <Instead
                key={component}
                missing={component}
                recipe={recipe}
                atHand={[...litres].flatMap(([id, there]) => (there >= wanted ? [id] : []))}
                components={components}
                pot={pot}
                onChange={onChange}
              />
            ))}
          <ol className="my-2 list-decimal pl-5 text-[0.9375rem]">
            {mixSteps(recipe.parts).map(({ step, components: of }) => (
              <li key={step}>{mixStepWords(step, of.map(nameOf))}</li>
            ))}
          </ol>
          <Mixed stock={stock} lines={batch.lines} />
        </>
      )}
    </section>
  );
}

const INSTEAD_SHOWN = 3;

interface InsteadProps {
  missing: string;
  recipe: Recipe;
  atHand: readonly string[];
  components: ReadonlyMap<string, Component>;
  pot: Pot;
  onChange(recipe: Recipe): void;
}

/** What of the stores could stand in for a part that is not there; the recipe then says that it is improvised. */
function Instead({ missing, recipe, atHand, components, pot, onChange }: InsteadProps) {
  const ways = substitutesFor(missing, recipe.parts, atHand, components, pot).slice(0, INSTEAD_SHOWN);
  const nameOf = (id: string) => components.get(id)?.name ?? id;
  if (ways.length === 0) return null;
  return (
    <div className="mt-2 text-[0.9375rem]">
      <b>Instead of {nameOf(missing)}</b>, of what there is enough:
      <ul>
        {ways.map((way) => (
          <li key={way.component} className="flex flex-wrap items-center gap-x-4 border-b border-[var(--rule)]">
            <span className="grow">
              {nameOf(way.component)}: {insteadWords(way)}
            </span>
            <button
              type="button"
              className="h-11 px-2 underline"
              aria-label={`take it: ${nameOf(way.component)}`}
              onClick={() => onChange(improvised(recipe, missing, way.component))}
            >
              take it
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Once it is mixed, the stores go down. */
function Mixed({
  stock,
  lines,
}: {
  stock: readonly StockLine[];
  lines: readonly { component: string; litres: number }[];
}) {
  const queries = useQueryClient();
  const [clientId, setClientId] = useState(() => crypto.randomUUID());
  const moves = fromStores(stock, lines);
  const use = useMutation({
    mutationFn: (anyway: boolean) =>
      ask<{ stock: StockLine[] }>('/stock/moves', {
        method: 'POST',
        body: { client_id: clientId, why: 'batch', lines: moves, anyway },
      }),
    onSuccess: ({ stock: now }) => {
      queries.setQueryData(stockKey, now);
      setClientId(crypto.randomUUID());
    },
  });
  if (moves.length === 0)
    return <p className="text-[0.9375rem] text-[var(--ink-2)]">None of its ingredients are in the stores.</p>;
  const short = use.error instanceof ProblemError && use.error.problem.type.endsWith(':not-so-much');
  return (
    <>
      <button type="button" className="btn h-11" disabled={use.isPending} onClick={() => use.mutate(false)}>
        Mixed it: take it from the stores
      </button>
      <Wrong words={use.isError ? wordsOf(use.error) : null} />
      {short && (
        <button type="button" className="btn h-11" onClick={() => use.mutate(true)}>
          Take what is there all the same
        </button>
      )}
      {use.isSuccess && <p role="status">Taken from the stores.</p>}
    </>
  );
}
