/** A bagged mix made opener: how much of which component to one part of the bag gives the air that is wanted. */
import type { StockLine } from '@zinc-pail/contract/potting';
import {
  amendToAir,
  type Component,
  mineralShare,
  type MixPart,
  type Pot,
  potCapacity,
  blendMix,
} from '@zinc-pail/core';
import { useState } from 'react';
import { OneOf, SectionHead, Tick, Typed } from '../../forms/Fields.tsx';
import { numberIn } from '@zinc-pail/words/numbers';
import { inWholeParts, litresOf } from './recipes.ts';

interface Props {
  pot: Pot;
  components: ReadonlyMap<string, Component>;
  stock: readonly StockLine[];
  onTake(parts: MixPart[], name: string): void;
}

export function AmendPanel({ pot, components, stock, onTake }: Props) {
  const litres = litresOf(stock);
  const [bag, setBag] = useState('cactus-soil');
  const [air, setAir] = useState('25');
  const [fromStores, setFromStores] = useState(litres.size > 0);
  const wanted = numberIn(air, 5, 60) / 100;
  const bagged = components.get(bag)!;
  const has = potCapacity(pot, blendMix({ id: bag, parts: [{ component: bag, parts: 1 }] }, components));
  const additions = [...components.values()].filter(({ id }) => !fromStores || litres.has(id));
  const ways = Number.isNaN(wanted) ? [] : amendToAir(bagged, additions, pot, wanted);
  const partsOf = (component: string, parts: number): MixPart[] =>
    inWholeParts([
      { component: bag, parts: 1 },
      { component, parts },
    ]);
  return (
    <section aria-labelledby="amend" className="mt-8 max-w-3xl">
      <SectionHead id="amend">Open up a bagged mix</SectionHead>
      <div className="flex flex-wrap gap-x-5">
        <OneOf
          label="The bag"
          value={bag}
          onChange={setBag}
          options={[...components.values()]
            .toSorted((a, b) => b.organicShare - a.organicShare)
            .map(({ id, name }) => [id, name] as const)}
        />
        <Typed label="Air wanted, %" width="w-28" value={air} onChange={setAir} />
      </div>
      <Tick label="Only what lies in the stores" checked={fromStores} onChange={setFromStores} />
      {Number.isNaN(wanted) ? (
        <p>Air wanted: from 5 to 60 %.</p>
      ) : has.airFilledPorosity >= wanted ? (
        <p role="status">
          By itself it has {Math.round(100 * has.airFilledPorosity)} % of air in this pot: nothing need be added.
        </p>
      ) : ways.length === 0 ? (
        <p role="status">Nothing {fromStores ? 'in the stores' : 'at hand'} brings it there with up to four parts.</p>
      ) : (
        <>
          <p role="status">
            By itself {Math.round(100 * has.airFilledPorosity)} % of air in this pot. To one part of the bag:
          </p>
          <ol>
            {ways.slice(0, 5).map(({ component, parts, air: reached, blend }) => (
              <li key={component} className="flex flex-wrap items-center gap-x-4 border-b border-[var(--rule)] py-1">
                <span className="grow">
                  <b>
                    {parts} of {components.get(component)!.name}
                  </b>
                  : air {Math.round(100 * reached)} %, mineral{' '}
                  {Math.round(100 * mineralShare(partsOf(component, parts), (id) => components.get(id)?.organicShare))}{' '}
                  %, pH {blend.ph.toFixed(1)}
                </span>
                <button
                  type="button"
                  className="h-11 px-2 underline"
                  aria-label={`put it beside: ${components.get(component)!.name}`}
                  onClick={() =>
                    onTake(partsOf(component, parts), `${bagged.name} with ${components.get(component)!.name}`)
                  }
                >
                  put it beside
                </button>
              </li>
            ))}
          </ol>
        </>
      )}
    </section>
  );
}
