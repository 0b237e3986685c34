/** Who wants a new pot, the most pressing first: why, whether now, on which weekend, in which pot. */
import { weekendsOfBench } from '@zinc-pail/contract/weekends';
import type { Kit } from '@zinc-pail/contract/keeping';
import type { BenchPlant } from '@zinc-pail/contract/potting';
import { isoDay, potsFromShelf } from '@zinc-pail/core';
import { blockWords, needWords, suitsWords } from '@zinc-pail/words/potting';
import { useEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useKit } from '../../api/kit.ts';
import { usePotting, useStock } from '../../api/potting.ts';
import { OneOf, SectionHead } from '../../forms/Fields.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { Name } from '../../naming/Name.tsx';
import { centimetres, count } from '../../reader/amounts.ts';
import { shortDay } from '../../reader/days.ts';
import { units } from '../../reader/units.ts';
import { BenchDetail } from './BenchDetail.tsx';

export function QueuePage() {
  const kit = useKit();
  const [chosen, setChosen] = useState<number | null>(null);
  const siteId = chosen ?? kit.data?.sites[0]?.id;
  const bench = usePotting(siteId);
  if (kit.isError) return <Failed error={kit.error} again={() => void kit.refetch()} />;
  if (bench.isError) return <Failed error={bench.error} again={() => void bench.refetch()} />;
  if (kit.data?.sites.length === 0) return <p>No site yet; say in the shed where your garden lies.</p>;
  if (!kit.data || !bench.data) return <Waiting what="every pot against its roots" />;
  return (
    <>
      {kit.data.sites.length > 1 && (
        <OneOf
          label="Where"
          value={String(siteId)}
          onChange={(id) => setChosen(Number(id))}
          options={kit.data.sites.map(({ id, name }) => [String(id), name] as const)}
        />
      )}
      <Queue kit={kit.data} today={bench.data.today} plants={bench.data.plants} />
    </>
  );
}

const VERDICTS = [
  ['due', 'Due'],
  ['look', 'To check'],
] as const;
const SHOWN = 12;
const WIDE_PX = 1024;

function Queue({ kit, today, plants }: { kit: Kit; today: string; plants: readonly BenchPlant[] }) {
  const [search, setSearch] = useSearchParams();
  const stock = useStock();
  const detail = useRef<HTMLDivElement>(null);
  const open = plants.find(({ id }) => String(id) === search.get('plant')) ?? null;
  // On a phone the plant opens below the list.
  const openId = open?.id ?? null;
  useEffect(() => {
    if (openId !== null && window.innerWidth < WIDE_PX) detail.current?.scrollIntoView();
  }, [openId]);
  const weekends = weekendsOfBench(plants, today, kit.collection.pots_a_weekend);
  const due = plants.filter(({ need }) => need.verdict === 'due');
  const shelf = (stock.data ?? []).flatMap(({ id, pot, amount }) => (pot ? [{ id, pot, amount }] : []));
  const shelved = potsFromShelf(
    due.map(({ id, next }) => ({ id, pot: next.pot })),
    shelf,
  );
  const shelfName = new Map((stock.data ?? []).map(({ id, name }) => [id, name]));
  const quiet = plants.filter(({ need }) => need.verdict === 'none').length;
  return (
    <div className="grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <div>
        {VERDICTS.map(([verdict, head]) => (
          <Group
            key={verdict}
            head={head}
            plants={plants.filter(({ need }) => need.verdict === verdict)}
            today={today}
            weekends={weekends}
            openId={openId}
            onOpen={(id) => setSearch({ plant: String(id) })}
            potOf={(id) => shelfName.get(shelved.from.get(id) ?? -1) ?? null}
          />
        ))}
        {stock.data && shelved.buy.length > 0 && (
          <p className="mt-2">
            <b>Pots to buy:</b>{' '}
            {shelved.buy
              .map(
                ({ top_mm: top, depth_mm: depth, ids }) =>
                  `${ids.length} of about ${centimetres(top)} × ${centimetres(depth)}`,
              )
              .join(', ')}
            .{' '}
            <Link to="/potting/mixing" className="underline">
              What mix they want
            </Link>
          </p>
        )}
        <p className="mt-3 text-[0.9375rem] text-[var(--ink-2)]">
          {count(quiet, 'other pot')} {quiet === 1 ? 'gives' : 'give'} no reason.{' '}
          {count(kit.collection.pots_a_weekend, 'pot')} a weekend, as set in the stores.
        </p>
        <Another plants={plants} onOpen={(id) => setSearch({ plant: String(id) })} />
      </div>
      <div ref={detail}>
        {open ? (
          <BenchDetail key={open.id} plant={open} kit={kit} today={today} />
        ) : (
          <p>Choose a plant to see its next pot.</p>
        )}
      </div>
    </div>
  );
}

interface GroupProps {
  head: string;
  plants: readonly BenchPlant[];
  today: string;
  weekends: ReadonlyMap<number, number>;
  openId: number | null;
  onOpen(id: number): void;
  /** of the stores, by plant */
  potOf(id: number): string | null;
}

function Group({ head, plants, today, weekends, openId, onOpen, potOf }: GroupProps) {
  const [all, setAll] = useState(false);
  return (
    <section className="mb-5">
      <SectionHead>{`${head}: ${plants.length}`}</SectionHead>
      {plants.length === 0 && <p className="text-[0.9375rem]">None.</p>}
      <ul>
        {plants.slice(0, all ? undefined : SHOWN).map((plant) => {
          const weekend = weekends.get(plant.id);
          return (
            <li
              key={plant.id}
              className={`border-b border-[var(--rule)] ${plant.id === openId ? 'bg-[var(--frame)]' : ''}`}
            >
              <button
                type="button"
                aria-pressed={plant.id === openId}
                className="block min-h-11 w-full px-1 py-1.5 text-left"
                onClick={() => onOpen(plant.id)}
              >
                <span className="flex flex-wrap items-baseline justify-between gap-x-3">
                  <span className="slab text-[1.0625rem]">
                    <Name written={plant.name} />
                  </span>
                  <span className="text-[0.9375rem]">
                    {weekend === undefined ? '' : `weekend of ${shortDay(isoDay(weekend))}`}
                  </span>
                </span>
                <span className="block text-[0.9375rem] text-[var(--ink-2)]">
                  {plant.need.reasons.map((reason) => needWords(reason, units())).join('; ')}.
                  {plant.blocks[0] && <> Not now: {blockWords(plant.blocks[0], today, units())}.</>}
                  {!plant.blocks[0] && <> {suitsWords(plant.suits, today)}</>}
                  {potOf(plant.id) && <> Its pot is on the shelf: {potOf(plant.id)}.</>}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      {plants.length > SHOWN && !all && (
        <button type="button" className="h-11 underline" onClick={() => setAll(true)}>
          and {plants.length - SHOWN} more
        </button>
      )}
    </section>
  );
}

/** Whatever the reasons say, a keeper may pot any plant. */
function Another({ plants, onOpen }: { plants: readonly BenchPlant[]; onOpen(id: number): void }) {
  return (
    <OneOf
      label="Another plant"
      value=""
      onChange={(id) => id && onOpen(Number(id))}
      options={[['', 'choose…'], ...plants.map(({ id, number, name }) => [String(id), `${number} ${name}`] as const)]}
      width="w-full max-w-md"
    />
  );
}
