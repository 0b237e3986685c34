import type { RoundSite } from '@zinc-pail/contract/api';
import { dayNumber, isoDay } from '@zinc-pail/core';
import { needWords } from '@zinc-pail/words/potting';
import { moveWords } from '@zinc-pail/words/round';
import { scaleLinear } from 'd3';
import { useState } from 'react';
import { Link } from 'react-router';
import { useKit } from '../../api/kit.ts';
import { usePotting } from '../../api/potting.ts';
import { Name } from '../../naming/Name.tsx';
import { count, degrees, litres } from '../../reader/amounts.ts';
import { addDays, shortDay } from '../../reader/days.ts';
import { shareWords } from '../../reader/amounts.ts';
import { units } from '../../reader/units.ts';
import { weekendsOfBench } from '../potting/weekends.ts';
import { Explained } from '../../parts/Legend.tsx';
import { beforeDuskId } from './BeforeDusk.tsx';

/**
 * What to carry, what the night brings, and how full the coming weeks are: for the first site, where the walk begins.
 */
export function Sidebar({ sites }: { sites: RoundSite[] }) {
  return (
    <aside
      aria-label="For today"
      className="border-[var(--rule)] bg-[var(--frame)] px-4 print:hidden py-4 max-lg:border-t lg:border-l lg:px-5"
    >
      {/* Beside a long walk it stays in sight. */}
      <div className="grid gap-6 max-lg:sm:grid-cols-3 lg:sticky lg:top-4 lg:max-h-[calc(100dvh-2rem)] lg:content-start lg:overflow-y-auto">
        <Can site={sites[0]!} others={sites.slice(1)} />
        <Tonight sites={sites} />
        <Moves sites={sites} />
        {sites.map((site) => (
          <ThisWeekend key={site.id} site={site} />
        ))}
        <Weeks
          site={sites[0]!}
          load={sites.reduce<number[]>((sum, site) => site.load.map((n, i) => n + (sum[i] ?? 0)), [])}
        />
      </div>
    </aside>
  );
}

function SideHead({ children }: { children: string }) {
  return <h2 className="mb-2 border-b-2 border-[var(--ink)] pb-1 text-base font-semibold">{children}</h2>;
}

function Can({ site, others }: { site: RoundSite; others: RoundSite[] }) {
  const totalMl = site.can.reduce((sum, line) => sum + line.ml, 0);
  const fills = site.can.reduce((sum, line) => sum + line.fills, 0);
  const lastMl = totalMl === 0 ? 0 : totalMl % site.can_ml || site.can_ml;
  const level = scaleLinear([0, site.can_ml], [86, 22]).clamp(true)(lastMl);
  const side = (y: number) => 12 + (y - 14) * 0.16;
  return (
    <section>
      <SideHead>For the can</SideHead>
      {totalMl === 0 ? (
        <p>Nothing to carry today.</p>
      ) : (
        <>
          <div className="flex items-center gap-4 max-sm:gap-3">
            <svg width="132" height="92" viewBox="0 0 132 92" aria-hidden="true" className="shrink-0">
              <path d="M12,14H102L90,88H24z" fill="var(--paper)" stroke="var(--ink)" strokeWidth="1.8" />
              <path d={`M${side(level)},${level}H${114 - side(level)}L90,88H24z`} fill="var(--dusk)" opacity="0.45" />
              <path d="M12,14C16,-2 98,-2 102,14" fill="none" stroke="var(--ink)" strokeWidth="1.6" />
              {[1, 2, 3, 4].map((l) => {
                const y = scaleLinear([0, 5], [86, 22])(l);
                return <path key={l} d={`M${114 - side(y) - 5},${y}h10`} stroke="var(--ink)" strokeWidth="1.2" />;
              })}
            </svg>
            <p>
              <strong className="slab block text-2xl font-semibold">{litres(totalMl)}</strong>
              for {count(site.counts.water, 'pot')}, {fills === 1 ? 'one fill' : `${fills} fills`} of a{' '}
              {litres(site.can_ml)} can.
            </p>
          </div>
          <ul className="mt-2 text-[0.9375rem]">
            {site.can.map((line) => (
              <li
                key={`${line.water}-${line.feed?.name}-${line.feed?.strength}`}
                className="border-t border-[var(--rule)] py-1"
              >
                {litres(line.ml)} {line.water} water, {count(line.pots, 'pot')}
                {line.feed ? <FeedWords feed={line.feed} /> : ', plain'}
              </li>
            ))}
          </ul>
        </>
      )}
      {others.map((other) => {
        const ml = other.can.reduce((sum, line) => sum + line.ml, 0);
        return (
          ml > 0 && (
            <p key={other.id} className="mt-2 text-[0.9375rem]">
              {other.name}: {litres(ml)} for {count(other.counts.water, 'pot')}.
            </p>
          )
        );
      })}
    </section>
  );
}

function FeedWords({ feed }: { feed: NonNullable<RoundSite['can'][number]['feed']> }) {
  if (feed.dose === null) return <>, food at {shareWords(feed.strength)} (name your feed in the shed)</>;
  return (
    <>
      :{' '}
      <strong className="font-semibold">
        {feed.dose} {feed.unit}
      </strong>{' '}
      {feed.name}, {shareWords(feed.strength)}
    </>
  );
}

const NAMES_SHOWN = 4;

/** Moves that the nights of the coming weeks ask for; a move into more sun lays out its steps by itself. */
function Moves({ sites }: { sites: RoundSite[] }) {
  const moves = sites.flatMap((site) => site.moves.map((move) => ({ ...move, today: site.today })));
  if (moves.length === 0) return null;
  return (
    <section>
      <SideHead>In and out</SideHead>
      <ul className="text-[0.9375rem]">
        {moves.map((move) => (
          <li key={`${move.kind}-${move.place_id}`} className="border-b border-[var(--rule)] py-1">
            <b>{moveWords(move, move.today, units())}</b>:{' '}
            {move.plants.slice(0, NAMES_SHOWN).map((plant, i) => (
              <span key={plant.id}>
                {i > 0 && ', '}
                <Link to={`/plants/${plant.id}`} className="-my-3 inline-block py-3 underline">
                  <Name written={plant.name} />
                </Link>
              </span>
            ))}
            {move.plants.length > NAMES_SHOWN && ` and ${move.plants.length - NAMES_SHOWN} more`}.{' '}
            {move.kind === 'out' && 'Into sun by steps: the move lays them out.'}
          </li>
        ))}
      </ul>
      <p className="text-[0.875rem]">
        <Link to="/list" className="inline-flex min-h-11 items-center underline">
          Move several in the list
        </Link>
      </p>
    </section>
  );
}

const WEEK = 7;
/** A bench of more pots takes seconds to reckon: it waits for a tap. */
const MOST_UNASKED = 300;

/** Pots that the bench has given to the coming weekend. */
function ThisWeekend({ site }: { site: RoundSite }) {
  const kit = useKit();
  const [asked, setAsked] = useState(false);
  const few = site.places.reduce((sum, place) => sum + place.pots.length + place.left, 0) <= MOST_UNASKED;
  const bench = usePotting(site.id, few || asked);
  if (!few && !asked)
    return (
      <button type="button" className="h-11 text-left underline" onClick={() => setAsked(true)}>
        What is to pot this weekend
      </button>
    );
  if (!kit.data || !bench.data) return null;
  const weekends = weekendsOfBench(bench.data.plants, site.today, kit.data.collection.pots_a_weekend);
  const until = dayNumber(site.today) + WEEK;
  const pots = bench.data.plants.filter(
    ({ id, need }) => need.verdict === 'due' && (weekends.get(id) ?? until) < until,
  );
  if (pots.length === 0) return null;
  return (
    <section>
      <SideHead>{`To pot on ${shortDay(isoDay(weekends.get(pots[0]!.id)!))}`}</SideHead>
      <ul className="text-[0.9375rem]">
        {pots.map(({ id, name, need }) => (
          <li key={id} className="border-b border-[var(--rule)] py-1">
            <Link to={`/potting?plant=${id}`} className="-my-3 inline-block py-3 underline">
              <Name written={name} />
            </Link>
            : {needWords(need.reasons[0]!, units())}.
          </li>
        ))}
      </ul>
    </section>
  );
}

const RULER = ['ruler'] as const;

function Tonight({ sites }: { sites: RoundSite[] }) {
  const rows = sites.flatMap((site) => site.places.map((place) => ({ site, place })));
  const left = rows.flatMap(({ place }) => place.cold.filter(({ done, near }) => done === null && !near));
  const low = Math.min(-2, ...rows.map(({ place }) => place.tonight_c));
  const x = scaleLinear([low, 22], [0, 100]).clamp(true);
  return (
    <section>
      <SideHead>Tonight</SideHead>
      <ul className="mb-2">
        {rows.map(({ place }) => (
          <li key={place.id} className="grid grid-cols-[minmax(0,1fr)_90px_36px] items-center gap-2 text-[0.9375rem]">
            <span className="truncate">{place.name}</span>
            <svg width="90" height="14" viewBox="0 0 100 14" preserveAspectRatio="none" aria-hidden="true">
              <line x1="0" x2="100" y1="7" y2="7" stroke="var(--rule)" strokeWidth="2" />
              <line x1={x(0)} x2={x(0)} y1="0" y2="14" stroke="var(--dusk)" strokeWidth="1.5" />
              <rect
                x={Math.max(0, x(place.tonight_c) - 3)}
                y="1.5"
                width="6"
                height="11"
                fill={place.tonight_c < 3 ? 'var(--dusk)' : 'var(--ink-2)'}
              />
            </svg>
            <span className="text-right">{degrees(place.tonight_c)}</span>
          </li>
        ))}
      </ul>
      {left.length > 0 ? (
        <a
          href={`#${beforeDuskId(sites.find((site) => site.places.some(({ cold }) => cold.length > 0))!.id)}`}
          className="flex min-h-11 items-center font-semibold text-[var(--rust)] underline"
        >
          {count(left.length, 'pot')} below {left.length === 1 ? 'its' : 'their'} limit: see the top
        </a>
      ) : (
        <p>No pot is below its own limit.</p>
      )}
      <Explained of={RULER} />
    </section>
  );
}

function Weeks({ site, load }: { site: RoundSite; load: number[] }) {
  const y = scaleLinear([0, Math.max(1, ...load)], [0, 56]);
  return (
    <section>
      <SideHead>The weeks ahead</SideHead>
      <svg
        viewBox="0 0 276 92"
        className="w-full max-w-[276px]"
        role="img"
        aria-label={`Waterings to expect in each of the next ${load.length} weeks: ${load.join(', ')}`}
      >
        {load.map((n, i) => (
          <g key={i} transform={`translate(${4 + i * 34} 0)`}>
            <rect
              y={72 - y(n)}
              width="25"
              height={y(n)}
              fill={i === 0 ? 'var(--clay)' : 'var(--ink-2)'}
              opacity={i === 0 ? 1 : 0.6}
            />
            <text x="12.5" y={67 - y(n)} textAnchor="middle" fontSize="13" fill="var(--ink)">
              {n}
            </text>
            <text x="12.5" y="87" textAnchor="middle" fontSize="12.5" fill="var(--ink)">
              {i === 0 ? 'week' : i % 2 === 0 ? shortDay(addDays(site.today, i * 7)) : ''}
            </text>
          </g>
        ))}
      </svg>
      <p className="text-[0.9375rem]">
        Waterings to expect in each week, this one first; a pot that dries fast counts each time.
      </p>
    </section>
  );
}
