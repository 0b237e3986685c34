/** One bench of the walk: its name and climate, its shelf, and the lines of those that ask for something. */
import type { RoundPlace, RoundSite } from '@zinc-pail/contract/api';
import { inspectWords } from '@zinc-pail/words/clinic';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useBench } from '../../api/round.ts';
import { EmptyShelf } from '../../drawing/Shelf.tsx';
import { degreeRange } from '../../reader/amounts.ts';
import { units } from '../../reader/units.ts';
import { BenchShelf, MOST_ON_SHELF, ONE_ROW, SHELF_PX } from './BenchShelf.tsx';
import type { Line } from './lines.ts';
import { type LineHandlers, PotLine } from './PotLine.tsx';
import { useNear } from './shelves.ts';
import type { Walk } from './useWalk.ts';

interface BenchWalkProps {
  site: RoundSite;
  place: RoundPlace;
  /** its lines that are shown */
  lines: readonly Line[];
  walk: Walk;
  on: LineHandlers;
  /** its shelf is fetched before it is near */
  atOnce: boolean;
}

export function BenchWalk({ site, place, lines, walk, on, atOnce }: BenchWalkProps) {
  const [near, ref] = useNear<HTMLElement>(atOnce);
  const all = place.pots.length + place.left;
  const inspect = walk.only === null && site.clinic.inspect?.place_id === place.id ? site.clinic.inspect : null;
  const asks = lines.length > 0 || inspect !== null;
  if (!asks && walk.only !== null) return null;
  // What wraps would cover the lines that scroll under it.
  const stays = asks && all <= ONE_ROW ? `sticky z-[5] ${walk.back > 0 ? 'top-11' : 'top-0'}` : '';
  const rule = asks ? 'border-b-2 border-[var(--ink)] max-sm:flex-wrap' : 'border-b border-[var(--rule)]';
  return (
    <section ref={ref} aria-labelledby={`place-${place.id}`} className={asks ? 'mt-2 max-sm:mt-0' : ''}>
      <div className={`flex items-end gap-x-4 bg-[var(--paper)] ${stays} ${rule}`}>
        <Head place={place} asks={asks} />
        {asks && near && all <= MOST_ON_SHELF && <Shelf place={place} lines={lines} site={site} walk={walk} />}
        {walk.only === null && <Rest place={place} walk={walk} />}
      </div>
      {all === 0 && <EmptyShelf placeId={place.id} />}
      {lines.length > 0 && (
        <ul>
          {lines.map((line) => (
            <PotLine
              key={line.pot.id}
              line={line}
              current={walk.here === line.pot.id}
              chosen={walk.chosen.has(line.pot.id)}
              choosing={walk.picked.length > 0 || walk.only !== null}
              back={walk.back}
              more={walk.more.has(line.pot.id)}
              far={!atOnce}
              {...on}
            />
          ))}
        </ul>
      )}
      {inspect && <Inspect inspect={inspect} site={site} walk={walk} />}
    </section>
  );
}

function Head({ place, asks }: { place: RoundPlace; asks: boolean }) {
  const borderline = place.cold.filter(({ near, done }) => near && done === null).length;
  return (
    <div
      className={`shrink-0 ${asks ? 'pb-0.5 max-sm:flex-1 sm:w-[176px]' : 'flex min-h-11 flex-wrap items-center gap-x-3'}`}
    >
      <h3 id={`place-${place.id}`} className="text-[1.0625rem] font-semibold leading-tight">
        {place.name}
      </h3>
      <p className={`text-[0.9375rem] leading-tight text-[var(--ink-2)] ${asks ? 'max-sm:sr-only' : ''}`}>
        <span title="Today's lowest and highest">{degreeRange(place.today.tmin_c, place.today.tmax_c)}</span>
        {borderline > 0 && `, cold tonight for ${borderline}`}
        {place.quarantine && <span className="font-semibold text-[var(--straw)]">, quarantine</span>}
      </p>
    </div>
  );
}

/** Room is kept until its pots come, so that nothing moves under a thumb. */
function Shelf({ place, lines, site, walk }: Pick<BenchWalkProps, 'place' | 'lines' | 'site' | 'walk'>) {
  const pots = useBench(place.id, true).data;
  const key = lines.map(({ pot }) => pot.id).join(' ');
  const asking = useMemo(() => new Set(key.split(' ').map(Number)), [key]);
  return (
    <div className="min-w-0 flex-1 max-sm:order-last max-sm:basis-full" style={{ minHeight: SHELF_PX }}>
      {pots && <BenchShelf pots={pots} today={site.today} asking={asking} onPot={(id) => walk.come(id, place.id)} />}
    </div>
  );
}

/** How many more stand there, and why nothing is asked of them. */
function Rest({ place, walk }: { place: RoundPlace; walk: Walk }) {
  const all = place.pots.length + place.left;
  const asking = walk.lines.filter((line) => line.place.id === place.id && line.asks.length > 0);
  const others = all - asking.length;
  if (others <= 0) return null;
  const open = walk.open.has(place.id);
  const asleep = place.asleep - asking.filter(({ pot }) => pot.outlook.state === 'resting').length;
  return (
    <button
      type="button"
      aria-expanded={open}
      aria-label={open ? `hide the others on ${place.name}` : `${others} more on ${place.name}`}
      title={asleep > 0 ? `${others} to leave alone, ${asleep} asleep` : `${others} to leave alone`}
      className="ml-auto flex min-h-11 shrink-0 items-center gap-1 text-[0.9375rem] text-[var(--ink-2)] hover:text-[var(--ink)] print:hidden"
      onClick={() => walk.fold(place.id)}
    >
      {open ? <ChevronUp aria-hidden="true" size={16} /> : <ChevronDown aria-hidden="true" size={16} />}
      {walk.loading(place.id) ? '…' : open ? 'hide' : `${others} more`}
    </button>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const INSPECTED =
  'flex h-11 items-center justify-center border border-[var(--rule)] px-3 text-[0.9375rem] font-semibold ' +
  'hover:border-[var(--ink)] max-sm:flex-1';

/** A bench whose plants have waited longest for a look at all of them. */
function Inspect({
  inspect,
  site,
  walk,
}: {
  inspect: NonNullable<RoundSite['clinic']['inspect']>;
  site: RoundSite;
  walk: Walk;
}) {
  const [head, ...rest] = inspectWords(inspect, { units: units(), today: site.today }).split(':');
  return (
    <div className="flex min-h-14 flex-wrap items-center gap-x-3 border-b border-[var(--rule)] py-1 sm:pl-[68px]">
      <p className="min-w-0 flex-1 text-[0.9375rem]">
        <strong className="font-semibold text-[var(--straw)]">{head}.</strong>{' '}
        <span className="text-[var(--ink-2)]">{capital(rest.join(':').trim())}</span>
      </p>
      <span className="flex gap-1.5 max-sm:w-full print:hidden">
        <button type="button" className={INSPECTED} onClick={() => walk.allClean(site, inspect.place_id)}>
          No pests
        </button>
        <Link to="/clinic" className={INSPECTED}>
          Pests found
        </Link>
      </span>
    </div>
  );
}
