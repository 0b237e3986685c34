/** The aim instead of the mix: the best recipes in whole parts, by trying every one of the components at hand. */
import type { PlantDrying } from '@zinc-pail/contract/potting';
import { type Component, countRecipes, type MixFound, type MixPart, MOST_PARTS, type Pot } from '@zinc-pail/core';
import { useEffect, useRef, useState } from 'react';
import { Choice, SectionHead, Tick, Typed, Wrong } from '../../forms/Fields.tsx';
import { type NotSent, notSent } from '../../api/client.ts';
import { Form } from '../../forms/Form.tsx';
import { numberIn } from '@zinc-pail/words/numbers';
import type { AimNews, AimTask } from './aimWorker.ts';
import { moneyWords } from '@zinc-pail/words/money';

interface Props {
  pot: Pot;
  drying: PlantDrying['drying'] | null;
  components: ReadonlyMap<string, Component>;
  prices: ReadonlyMap<string, number>;
  litres: ReadonlyMap<string, number>;
  currency: string | null;
  onTake(parts: MixPart[], name: string): void;
}

interface Search {
  share: number | null;
  found: MixFound[] | null;
  tried: number;
  /** the days that were asked for */
  days: number | null;
  failed: string | null;
}
const NOTHING: Search = { share: null, found: null, tried: 0, days: null, failed: null };

const BOUNDS = {
  days: 'Days from 1 to 400, or nothing.',
  air: 'From 0 to 80 %, or nothing.',
  ph: 'From 3 to 9, or nothing.',
  kinds: 'Kinds from 1 to 6.',
} as const;

export function AimPanel({ pot, drying, components, prices, litres, currency, onTake }: Props) {
  const [days, setDays] = useState('');
  const [air, setAir] = useState('25');
  const [ph, setPh] = useState('');
  const [kinds, setKinds] = useState('4');
  const [when, setWhen] = useState<'now' | 'winter'>('now');
  const [fromStores, setFromStores] = useState(litres.size > 0);
  const [search, setSearch] = useState<Search>(NOTHING);
  const [wrong, setWrong] = useState<NotSent | null>(null);
  const worker = useRef<Worker | null>(null);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const begin = () => {
    const typed = (text: string, least: number, most: number) =>
      text.trim() === '' ? null : numberIn(text, least, most);
    const aim = {
      days: typed(days, 1, 400),
      air: typed(air, 0, 80),
      ph: typed(ph, 3, 9),
      kinds: numberIn(kinds, 1, 6),
    };
    const at = Object.fromEntries(
      Object.entries(aim).flatMap(([field, value]) =>
        value !== null && Number.isNaN(value) ? [[field, BOUNDS[field as keyof typeof BOUNDS]]] : [],
      ),
    );
    if (Object.keys(at).length > 0) return setWrong(notSent(at));
    if (aim.days !== null && !drying) return setWrong(notSent({ days: 'Days to dry want a plant: choose one above.' }));
    setWrong(null);
    stop();
    const made = new Worker(new URL('./aimWorker.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    setSearch({ ...NOTHING, share: 0 });
    made.addEventListener('message', ({ data }: MessageEvent<AimNews>) => {
      if (data.kind === 'share') setSearch((before) => ({ ...before, share: data.share }));
      else if (data.kind === 'found') setSearch({ ...NOTHING, found: data.found, tried: data.tried, days: aim.days });
      else setSearch({ ...NOTHING, failed: data.words });
    });
    made.addEventListener('error', () => setSearch({ ...NOTHING, failed: 'The search could not be run here.' }));
    const task: AimTask = {
      components: [...components.values()].filter(({ id }) => !fromStores || litres.has(id)),
      pot,
      aim: {
        days: aim.days,
        airFrom: aim.air === null ? null : aim.air / 100,
        ph: aim.ph,
        mostKinds: Math.round(aim.kinds),
      },
      drying,
      drive: drying && drying[when],
      priceMinor: [...prices],
      litres: fromStores ? [...litres] : null,
    };
    if (task.components.length === 0) {
      stop();
      return setSearch({ ...NOTHING, failed: 'There are no mix ingredients in the stores.' });
    }
    made.postMessage(task);
  };
  const hand = fromStores ? litres.size : components.size;
  return (
    <section aria-labelledby="aim" className="mt-8 max-w-3xl">
      <SectionHead id="aim">Or tell us what you want</SectionHead>
      <Form error={wrong} onSubmit={begin}>
        <div className="flex flex-wrap gap-x-5">
          <Typed label="Dries in about, days" at="days" width="w-32" value={days} onChange={setDays} />
          <Typed label="Air at least, %" at="air" width="w-32" value={air} onChange={setAir} />
          <Typed label="pH about" at="ph" width="w-32" value={ph} onChange={setPh} />
          <Typed label="Ingredients at most" at="kinds" width="w-32" value={kinds} onChange={setKinds} />
        </div>
        <Choice
          legend="Days"
          name="when"
          value={when}
          onChange={(value) => setWhen(value as 'now' | 'winter')}
          options={[
            { id: 'now', label: 'of this month' },
            { id: 'winter', label: 'of winter' },
          ]}
        />
        <Tick label="Only what lies in the stores" checked={fromStores} onChange={setFromStores} />
        <div className="flex flex-wrap items-center gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6">
            Look for it
          </button>
          {search.share !== null && (
            <>
              <progress className="progress w-48" value={search.share} max={1} aria-label="Recipes tried" />
              <button
                type="button"
                className="btn h-11"
                onClick={() => {
                  stop();
                  setSearch(NOTHING);
                }}
              >
                Stop
              </button>
            </>
          )}
          <span className="text-[0.875rem] text-[var(--ink-2)]">
            Every recipe of up to {MOST_PARTS} parts is tried: at most{' '}
            {countRecipes(hand, MOST_PARTS, Math.max(1, Math.round(Number(kinds)) || 1)).toLocaleString('en')} here.
          </span>
        </div>
      </Form>
      <Wrong words={search.failed} />
      {search.found && <Found {...{ search, components, currency, onTake }} />}
    </section>
  );
}

/** An aim that no recipe of what is there comes to. */
export function missWords(asked: number, nearest: number | null): string {
  if (nearest === null || Math.abs(nearest - asked) < Math.max(1, 0.1 * asked)) return '';
  return ` None comes to ${asked} days here; the nearest is dry in ${Math.round(nearest)}.`;
}

function Found({
  search,
  components,
  currency,
  onTake,
}: Pick<Props, 'components' | 'currency' | 'onTake'> & { search: Search }) {
  const nameOf = (id: string) => components.get(id)?.name ?? id;
  if (search.found!.length === 0)
    return <p role="status">None of {search.tried.toLocaleString('en')} recipes can be made of what is there.</p>;
  return (
    <>
      <p role="status" className="mt-3">
        The best of {search.tried.toLocaleString('en')} recipes that were tried, each unlike the others:
        {search.days !== null && missWords(search.days, search.found![0]!.days)}
      </p>
      <ol>
        {search.found!.map((one) => {
          const words = one.parts.map((part) => `${part.parts} ${nameOf(part.component)}`).join(', ');
          return (
            <li key={words} className="flex flex-wrap items-center gap-x-4 border-b border-[var(--rule)] py-1">
              <span className="grow">
                <b>{words}</b>:{' '}
                {[
                  one.days === null ? null : `dry in ${Math.round(one.days)} days`,
                  `air ${Math.round(100 * one.air)} %`,
                  `pH ${one.ph.toFixed(1)}`,
                  `${Math.round(one.weightDrainedG)} g`,
                  one.costMinor === null ? null : moneyWords(one.costMinor, currency),
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
              <button
                type="button"
                className="h-11 px-2 underline"
                onClick={() => onTake(one.parts, `For ${words}`.slice(0, 60))}
              >
                put it beside
              </button>
            </li>
          );
        })}
      </ol>
    </>
  );
}
