/** The day, and one line of counts that are buttons: press one and only those lines stay. */
import type { RoundSite } from '@zinc-pail/contract/api';
import { Ellipsis } from 'lucide-react';
import { Link } from 'react-router';
import { usePhotographs } from '../../drawing/photographs.ts';
import { litres } from '../../reader/amounts.ts';
import { longDay } from '../../reader/days.ts';
import { type Count, COUNTS } from './lines.ts';
import type { Walk } from './useWalk.ts';

const COUNT_WORDS: Record<Count, (n: number) => string> = {
  dusk: (n) => `${n} before dusk`,
  act: (n) => `${n} to act on`,
  water: (n) => `${n} to water`,
  look: (n) => `${n} to check`,
  treat: (n) => `${n} in treatment`,
  other: (n) => `${n} other`,
  soon: (n) => `${n} soon`,
};
const TONES: Record<Count, string> = {
  dusk: 'border-[var(--rust)] text-[var(--rust)]',
  act: 'border-[var(--rust)] text-[var(--rust)]',
  water: 'border-[var(--clay)] text-[var(--clay)]',
  look: 'border-[var(--straw)] text-[var(--straw)]',
  treat: 'border-[var(--rule)]',
  other: 'border-[var(--rule)]',
  soon: 'border-[var(--rule)]',
};
const PRESSED = 'border-[var(--clay)] bg-[var(--clay)] text-[var(--color-primary-content)]';

export function DayHead({ sites, walk }: { sites: readonly RoundSite[]; walk: Walk }) {
  // Of several sites no one can carries the sum.
  const ml = sites.length > 1 ? 0 : sites[0]!.can.reduce((sum, line) => sum + line.ml, 0);
  const sum = (of: (counts: RoundSite['counts']) => number) => sites.reduce((all, { counts }) => all + of(counts), 0);
  const watered = sum((counts) => counts.watered);
  return (
    <header>
      <div className="flex items-center justify-between gap-x-4">
        <h1 className="text-[1.75rem] leading-tight max-sm:text-[1.3125rem] max-sm:whitespace-nowrap">
          {longDay(sites[0]!.today)}{' '}
          <span className="ml-1 font-[family-name:var(--font-sans)] text-[1rem] text-[var(--ink-2)] max-sm:hidden">
            {sites[0]!.name}
          </span>
        </h1>
        <Tools walk={walk} ml={ml} />
      </div>
      <div className="mt-1 flex items-center gap-2 max-sm:mt-0 max-sm:overflow-x-auto max-sm:[scrollbar-width:none] sm:flex-wrap">
        {COUNTS.filter((count) => walk.counts[count] > 0).map((count) => (
          <button
            key={count}
            type="button"
            aria-pressed={walk.only === count}
            className={`h-11 shrink-0 border px-3 text-[1rem] font-semibold whitespace-nowrap ${walk.only === count ? PRESSED : TONES[count]}`}
            onClick={() => walk.narrow(count)}
          >
            {COUNT_WORDS[count](walk.counts[count])}
            {count === 'water' && ml > 0 && <span className="max-sm:hidden">, {litres(ml)}</span>}
          </button>
        ))}
        <p className="shrink-0 text-[0.9375rem] text-[var(--ink-2)]">
          {watered > 0 && `${watered} watered, `}
          <LeftAlone walk={walk} sites={sites} />
        </p>
        {walk.only !== null && walk.shown.length > 1 && (
          <button
            type="button"
            className="h-11 shrink-0 px-2 underline"
            onClick={() => walk.chooseAll(walk.shown.map(({ pot }) => pot.id))}
          >
            select {walk.shown.length === 2 ? 'both' : `all ${walk.shown.length}`}
          </button>
        )}
      </div>
    </header>
  );
}

/** Those of whom nothing is asked today; how many of these sleep. */
function LeftAlone({ walk, sites }: { walk: Walk; sites: readonly RoundSite[] }) {
  const all = sites.flatMap(({ places }) => places).reduce((n, { pots, left }) => n + pots.length + left, 0);
  const asking = walk.lines.filter(({ asks }) => asks.length > 0);
  const asleep =
    sites.reduce((n, { counts }) => n + counts.asleep, 0) -
    asking.filter(({ pot }) => pot.outlook.state === 'resting').length;
  const left = all - asking.length;
  return (
    <>
      {left} to leave alone{asleep > 0 && `, ${asleep} asleep`}
    </>
  );
}

function Tools({ walk, ml }: { walk: Walk; ml: number }) {
  const [photographs, showPhotographs] = usePhotographs();
  return (
    <div className="flex items-center gap-1 text-[0.9375rem] max-sm:-my-2 print:hidden">
      {ml > 0 && <span className="mr-1 whitespace-nowrap text-[var(--ink-2)] sm:hidden">{litres(ml)} in the can</span>}
      <details className="relative">
        <summary className="flex h-11 cursor-pointer list-none items-center px-2 underline">
          <span className="max-sm:sr-only">{walk.back > 0 ? 'yesterday' : 'Options'}</span>
          <Ellipsis aria-hidden="true" size={20} className="sm:hidden" />
        </summary>
        <div className="absolute right-0 z-20 grid w-60 border border-[var(--ink)] bg-[var(--paper)] px-3 py-1">
          <button
            type="button"
            aria-pressed={walk.back > 0}
            className="min-h-11 text-left underline"
            onClick={() => walk.writeFor(walk.back > 0 ? 0 : 1)}
          >
            {walk.back > 0 ? 'Note for today again' : 'Note for yesterday'}
          </button>
          <button type="button" className="min-h-11 text-left underline" onClick={() => showPhotographs(!photographs)}>
            {photographs ? 'Show drawings' : 'Show photographs'}
          </button>
          <Link to="/walk" className="flex min-h-11 items-center underline">
            Change the order of the walk
          </Link>
        </div>
      </details>
    </div>
  );
}
