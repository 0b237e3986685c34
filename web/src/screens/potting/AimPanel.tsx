/** The aim instead of the mix: the best recipes in whole parts, by trying every one of the components at hand. */
import type { PlantDrying } from '@zinc-pail/contract/potting';
import { type Component, countRecipes, type MixFound, type MixPart, MOST_PARTS, type Pot } from '@zinc-pail/core';
import { type FormEvent, useEffect, useRef, useState } from 'react';
import { Choice, SectionHead, Tick, Typed, Wrong } from '../../forms/Fields.tsx';
import { numberIn } from '../../words/numbers.ts';
import type { AimNews, AimTask } from './aimWorker.ts';
import { moneyWords } from '../../words/money.ts';

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
  failed: string | null;
}
const NOTHING: Search = { share: null, found: null, tried: 0, failed: null };

export function AimPanel({ pot, drying, components, prices, litres, currency, onTake }: Props) {
  const [days, setDays] = useState('');
  const [air, setAir] = useState('25');
  const [ph, setPh] = useState('');
  const [kinds, setKinds] = useState('4');
  const [when, setWhen] = useState<'now' | 'winter'>('now');
  const [fromStores, setFromStores] = useState(litres.size > 0);
  const [search, setSearch] = useState<Search>(NOTHING);
  const [wrong, setWrong] = useState<string | null>(null);
  const worker = useRef<Worker | null>(null);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const begin = (event: FormEvent) => {
    event.preventDefault();
    const typed = (text: string, least: number, most: number) =>
      text.trim() === '' ? null : numberIn(text, least, most);
    const aim = {
      days: typed(days, 1, 400),
      air: typed(air, 0, 80),
      ph: typed(ph, 3, 9),
      kinds: numberIn(kinds, 1, 6),
    };
    if (Object.values(aim).some((value) => value !== null && Number.isNaN(value)))
      return setWrong('Days from 1 to 400, air from 0 to 80 %, pH from 3 to 9, kinds from 1 to 6; or empty.');
    if (aim.days !== null && !drying) return setWrong('Days to dry want a plant: choose one above.');
    setWrong(null);
    stop();
    const made = new Worker(new URL('./aimWorker.ts', import.meta.url), { type: 'module' });
    worker.current = made;
    setSearch({ ...NOTHING, share: 0 });
    made.addEventListener('message', ({ data }: MessageEvent<AimNews>) => {
      if (data.kind === 'share') setSearch((before) => ({ ...before, share: data.share }));
      else if (data.kind === 'found') setSearch({ ...NOTHING, found: data.found, tried: data.tried });
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
      return setSearch({ ...NOTHING, failed: 'Nothing that a mix is made of lies in the stores.' });
    }
    made.postMessage(task);
  };
  const hand = fromStores ? litres.size : components.size;
  return (
    <section aria-labelledby="aim" className="mt-8 max-w-3xl">
      <SectionHead id="aim">Say the aim instead</SectionHead>
      <form noValidate onSubmit={begin}>
        <div className="flex flex-wrap gap-x-5">
          <Typed label="Dries in about, days" width="w-32" value={days} onChange={setDays} />
          <Typed label="Air at least, %" width="w-32" value={air} onChange={setAir} />
          <Typed label="pH about" width="w-32" value={ph} onChange={setPh} />
          <Typed label="At most so many kinds" width="w-32" value={kinds} onChange={setKinds} />
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
        <Wrong words={wrong} />
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
      </form>
      <Wrong words={search.failed} />
      {search.found && <Found {...{ search, components, currency, onTake }} />}
    </section>
  );
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
        The best of {search.tried.toLocaleString('en')} recipes that were tried:
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
