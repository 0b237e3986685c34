/** The mixing bench: two or three recipes side by side for one pot and one plant, here and now. */
import type { Kit } from '@zinc-pail/contract/keeping';
import type { OwnComponentFields, StockLine } from '@zinc-pail/contract/potting';
import { type Component, type Pot, SCHOOL_IDS, SCHOOLS, type SchoolId } from '@zinc-pail/core';
import { SCHOOL_WORDS } from '@zinc-pail/words/potting';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useRef, useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import { useKit } from '../../api/kit.ts';
import { useDrying, useOwnComponents, usePottingOf, useStock } from '../../api/potting.ts';
import { OneOf, SectionHead, Tick, TypedLength, Wrong } from '../../forms/Fields.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { useWidth } from '../../parts/useWidth.ts';
import { centimetres, litres } from '../../reader/amounts.ts';
import { numberIn } from '@zinc-pail/words/numbers';
import { moneyWords } from '@zinc-pail/words/money';
import { AimPanel } from './AimPanel.tsx';
import { AmendPanel } from './AmendPanel.tsx';
import { BatchPanel } from './BatchPanel.tsx';
import { Curves, STROKES, WetPot } from './RecipeDrawing.tsx';
import { allComponents, type Held, heldOf, litresOf, pricesOf, type Recipe, withPart } from './recipes.ts';
import { ScalePanel } from './ScalePanel.tsx';
import { lengthBounds, smallLength } from '../../reader/units.ts';

/** A pot to begin with, where no plant is chosen. */
const PLAIN_POT: Pot = {
  shape: 'round',
  top_mm: 100,
  base_mm: 75,
  depth_mm: 90,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const MOST_RECIPES = 3;
const MOST_PARTS = 12;

export default function MixingPage() {
  const kit = useKit();
  const stock = useStock();
  const own = useOwnComponents();
  const failed = [kit, stock, own].find((query) => query.isError);
  if (failed) return <Failed error={failed.error} again={() => void failed.refetch()} />;
  if (!kit.data || !stock.data || !own.data) return <Waiting what="the mixing bench" />;
  return <Bench kit={kit.data} stock={stock.data} own={own.data} />;
}

const school = (id: SchoolId): Recipe => ({
  key: id,
  name: SCHOOL_WORDS[id].name,
  mixId: null,
  parts: [...SCHOOLS[id]],
});

function Bench({ kit, stock, own }: { kit: Kit; stock: readonly StockLine[]; own: readonly OwnComponentFields[] }) {
  const [plantId, setPlantId] = useState<number | null>(null);
  const drying = useDrying(plantId);
  const [recipes, setRecipes] = useState<Recipe[]>(() => [school('mineral'), school('half')]);
  const components = useMemo(() => allComponents(own), [own]);
  const prices = useMemo(() => pricesOf(stock), [stock]);
  const [inNext, setInNext] = useState(false);
  const siteIds = useMemo(() => kit.sites.map(({ id }) => id), [kit.sites]);
  const next = usePottingOf(siteIds, plantId !== null).find(({ id }) => id === plantId)?.next.pot ?? null;
  const pot = (inNext ? next : null) ?? drying.data?.pot ?? PLAIN_POT;
  const [crocks, setCrocks] = useState('');
  const typedMm = crocks.trim() === '' ? 0 : numberIn(crocks, 0, pot.depth_mm / 2);
  const crockMm = Number.isNaN(typedMm) ? 0 : typedMm;
  const held = recipes.map((recipe) =>
    heldOf(recipe.parts, pot, components, drying.data?.drying ?? null, prices, crockMm),
  );
  const [chosen, setBatched] = useState(0);
  const batched = Math.min(chosen, recipes.length - 1);
  const box = useRef<HTMLDivElement>(null);
  const width = Math.floor(useWidth(box, 0));
  const set = (i: number, recipe: Recipe) => setRecipes(recipes.with(i, recipe));
  const add = (recipe: Recipe) =>
    setRecipes([...recipes.slice(0, MOST_RECIPES - 1), { ...recipe, key: `${recipe.key} ${crypto.randomUUID()}` }]);
  return (
    <>
      <div className="flex flex-wrap gap-x-5">
        <PlantChoice plantId={plantId} onChoose={setPlantId} />
        {next && <Tick label="in its next pot" checked={inNext} onChange={setInNext} />}
        <TypedLength label="Crocks below" width="w-32" value={crocks} onChange={setCrocks} />
      </div>
      {Number.isNaN(typedMm) && <Wrong words={`Crocks: ${lengthBounds(0, pot.depth_mm / 2)}, half of this pot.`} />}
      <p className="mb-2 text-[0.9375rem] text-[var(--ink-2)]">
        {drying.data
          ? `For ${drying.data.name} in its place, in ${pot === next ? 'its next pot' : 'its pot'} of ${centimetres(pot.top_mm)} × ${centimetres(pot.depth_mm)}.`
          : `For a plastic pot of ${centimetres(pot.top_mm)} × ${centimetres(pot.depth_mm)}; choose a plant to see the days to dry as well.`}
      </p>
      <div className="grid gap-5 md:grid-cols-2 xl:grid-cols-3">
        {recipes.map((recipe, i) => (
          <RecipeColumn
            key={recipe.key}
            recipe={recipe}
            held={held[i]!}
            pot={pot}
            components={components}
            currency={kit.collection.currency}
            stroke={i}
            onChange={(next) => set(i, next)}
            onDrop={recipes.length > 1 ? () => setRecipes(recipes.filter((_, at) => at !== i)) : null}
          />
        ))}
      </div>
      {recipes.length < MOST_RECIPES && <Beside kit={kit} onAdd={add} />}
      <section aria-labelledby="curves" className="mt-6" ref={box}>
        <SectionHead id="curves">How tightly it holds water</SectionHead>
        {width > 0 && (
          <Curves blends={held.map((one) => one?.blend ?? null)} depthMm={pot.depth_mm} width={Math.min(760, width)} />
        )}
      </section>
      <AimPanel
        pot={pot}
        drying={drying.data?.drying ?? null}
        components={components}
        prices={prices}
        litres={litresOf(stock)}
        currency={kit.collection.currency}
        onTake={(parts, name) => add({ key: 'aim', name, mixId: null, parts })}
      />
      <AmendPanel
        pot={pot}
        components={components}
        stock={stock}
        onTake={(parts, name) => add({ key: 'amend', name, mixId: null, parts })}
      />
      {recipes.length > 1 && (
        <div className="mt-8">
          <OneOf
            label="A batch of which"
            value={String(batched)}
            onChange={(i) => setBatched(Number(i))}
            options={recipes.map(({ name }, i) => [String(i), name] as const)}
            width="w-full max-w-md"
          />
        </div>
      )}
      <BatchPanel
        key={recipes[batched]!.key}
        recipe={recipes[batched]!}
        held={held[batched]!}
        crockMm={crockMm}
        stock={stock}
        kit={kit}
        components={components}
        pot={pot}
        onChange={(changed) => set(batched, changed)}
      />
      <ScalePanel components={components} weighed={new Set(own.map(({ id }) => id))} />
    </>
  );
}

function PlantChoice({ plantId, onChoose }: { plantId: number | null; onChoose(id: number | null): void }) {
  const plants = useQuery({
    queryKey: ['plants-by-name'],
    queryFn: () => ask<{ fields: string[]; rows: unknown[][] }>('/plants'),
  });
  const field = (of: string) => plants.data?.fields.indexOf(of) ?? -1;
  const options: (readonly [string, string])[] = (plants.data?.rows ?? []).map((row) => [
    String(row[field('id')]),
    `${String(row[field('number')])} ${String(row[field('name')])}`,
  ]);
  return (
    <OneOf
      label="For which plant"
      value={plantId === null ? '' : String(plantId)}
      onChange={(value) => onChoose(value === '' ? null : Number(value))}
      options={[['', 'no plant: a plain pot'], ...options]}
      width="w-full max-w-md"
    />
  );
}

interface ColumnProps {
  recipe: Recipe;
  held: Held | null;
  pot: Pot;
  components: ReadonlyMap<string, Component>;
  currency: string | null;
  stroke: number;
  onChange(recipe: Recipe): void;
  onDrop: (() => void) | null;
}

function RecipeColumn({ recipe, held, pot, components, currency, stroke, onChange, onDrop }: ColumnProps) {
  const { stroke: colour, dash } = STROKES[stroke % STROKES.length]!;
  const nameOf = (id: string) => components.get(id)?.name ?? id;
  const rest = [...components.keys()].filter((id) => !recipe.parts.some((part) => part.component === id));
  return (
    <section aria-label={recipe.name} className="border-t-2 border-[var(--ink)] pt-2">
      <div className="flex items-center gap-2">
        <svg width="26" height="8" aria-hidden="true">
          <line x1="0" x2="26" y1="4" y2="4" stroke={colour} strokeDasharray={dash} strokeWidth="3" />
        </svg>
        <input
          aria-label="Name of the recipe"
          className="input h-11 min-w-0 grow font-semibold"
          maxLength={120}
          value={recipe.name}
          onChange={(event) => onChange({ ...recipe, name: event.target.value })}
        />
        {onDrop && (
          <button
            type="button"
            className="h-11 px-2 whitespace-nowrap underline"
            aria-label={`put away ${recipe.name}`}
            onClick={onDrop}
          >
            put away
          </button>
        )}
      </div>
      <ul className="mt-1">
        {recipe.parts.map(({ component, parts }) => (
          <li key={component} className="grid grid-cols-[minmax(0,1fr)_minmax(80px,1fr)_64px] items-center gap-2">
            <span className="truncate text-[0.9375rem]">{nameOf(component)}</span>
            <input
              type="range"
              aria-label={`Parts of ${nameOf(component)}, to draw`}
              className="h-11 w-full accent-[var(--clay)]"
              min={0}
              max={MOST_PARTS}
              step={1}
              value={parts}
              onChange={(event) =>
                onChange({ ...recipe, parts: withPart(recipe.parts, component, Number(event.target.value)) })
              }
            />
            <input
              inputMode="decimal"
              aria-label={`Parts of ${nameOf(component)}`}
              className="input h-11 w-full px-2"
              defaultValue={parts}
              key={parts}
              onBlur={(event) => {
                const typed = Number(event.target.value.replace(',', '.'));
                if (Number.isFinite(typed) && typed >= 0)
                  onChange({ ...recipe, parts: withPart(recipe.parts, component, typed) });
              }}
            />
          </li>
        ))}
      </ul>
      <select
        aria-label={`Another part for ${recipe.name}`}
        className="select mt-1 h-11 w-full"
        value=""
        onChange={(event) => onChange({ ...recipe, parts: withPart(recipe.parts, event.target.value, 1) })}
      >
        <option value="">another part…</option>
        {rest.map((id) => (
          <option key={id} value={id}>
            {nameOf(id)}
          </option>
        ))}
      </select>
      {held ? <Figures held={held} pot={pot} currency={currency} /> : <p className="my-2">No parts yet.</p>}
      <Keep recipe={recipe} onKept={(mixId) => onChange({ ...recipe, mixId })} />
    </section>
  );
}

function daysWords({ p10, p50, p90 }: { p10: number; p50: number; p90: number }): string {
  return `${Math.round(p50)} (${Math.round(p10)} to ${Math.round(p90)})`;
}

function Figures({ held, pot, currency }: { held: Held; pot: Pot; currency: string | null }) {
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  const rows: [string, string][] = [
    ...(held.days
      ? ([
          ['days to dry now', daysWords(held.days.now)],
          ['days to dry in winter', daysWords(held.days.winter)],
        ] as [string, string][])
      : []),
    ['pores', percent(held.porosity)],
    ['air after a drench', percent(held.air)],
    ['water held', `${percent(held.held)}, ${litres(held.availableMl)} of it for the plant`],
    [
      'wet layer',
      held.crockMm > 0
        ? `${smallLength(held.wetLayerMm)}, ${smallLength(held.crockMm)} up`
        : `${smallLength(held.wetLayerMm)} of ${smallLength(pot.depth_mm)}`,
    ],
    ['weight, drained', `${Math.round(held.weightG)} g`],
    ['pH about', held.ph.toFixed(1)],
    ['mineral', percent(held.mineral)],
    ['settles by', percent(held.shrink)],
    ['cost of this pot', moneyWords(held.costMinor, currency)],
  ];
  return (
    <div className="mt-2 flex gap-3">
      <WetPot pot={pot} blend={held.blend} wetMm={held.wetLayerMm} crockMm={held.crockMm} size={112} />
      <div className="min-w-0 grow">
        <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-3 text-[0.9375rem]">
          {rows.map(([term, words]) => (
            <div key={term} className="contents">
              <dt className="text-[var(--ink-2)]">{term}</dt>
              <dd>{words}</dd>
            </div>
          ))}
        </dl>
        {held.warnings.map((words) => (
          <p key={words} className="mt-1 border-l-4 border-[var(--straw)] pl-2 text-[0.9375rem]">
            {words}
          </p>
        ))}
      </div>
    </div>
  );
}

/** Kept under its name, a recipe can be potted in. */
function Keep({ recipe, onKept }: { recipe: Recipe; onKept(mixId: number): void }) {
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => {
      const body = { name: recipe.name.trim(), for_what: null, parts: recipe.parts };
      return recipe.mixId === null
        ? ask<{ id: number }>('/mixes', { method: 'POST', body })
        : ask<{ id: number }>(`/mixes/${recipe.mixId}`, { method: 'PUT', body });
    },
    onSuccess: async ({ id }) => {
      onKept(id);
      await queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'plants-by-name' });
    },
  });
  return (
    <>
      <button
        type="button"
        className="btn mt-2 h-11"
        disabled={save.isPending || recipe.parts.length === 0 || !recipe.name.trim()}
        onClick={() => save.mutate()}
      >
        {recipe.mixId === null ? 'Keep this recipe' : 'Keep the change'}
      </button>
      <Wrong words={save.isError ? wordsOf(save.error) : null} />
      {save.isSuccess && (
        <p role="status" className="text-[0.9375rem]">
          Saved; you can choose it wherever a mix is asked for.
        </p>
      )}
    </>
  );
}

function Beside({ kit, onAdd }: { kit: Kit; onAdd(recipe: Recipe): void }) {
  return (
    <div className="mt-3 max-w-md">
      <OneOf
        label="Compare with"
        value=""
        onChange={(value) => {
          const id = SCHOOL_IDS.find((one) => one === value);
          const mix = kit.mixes.find((one) => `mix ${one.id}` === value);
          if (id) onAdd(school(id));
          else if (mix) onAdd({ key: value, name: mix.name, mixId: mix.id, parts: mix.parts });
        }}
        options={[
          ['', 'choose…'],
          ...SCHOOL_IDS.map((id) => [id, `${SCHOOL_WORDS[id].name}: ${SCHOOL_WORDS[id].for}`] as const),
          ...kit.mixes.map((mix) => [`mix ${mix.id}`, `yours: ${mix.name}`] as const),
        ]}
        width="w-full"
      />
    </div>
  );
}
