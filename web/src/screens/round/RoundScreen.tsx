import type { RoundSite, RoundSoFar, RoundView } from '@zinc-pail/contract/api';
import { useEffect, useMemo, useRef } from 'react';
import { Link } from 'react-router';
import { useKit } from '../../api/kit.ts';
import { useRound, useRoundSoFar } from '../../api/round.ts';
import { Wrong } from '../../forms/Fields.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { marked } from '../../marking/markEvents.ts';
import { ForYesterday } from '../../marking/ForYesterday.tsx';
import { NotePanel } from '../../marking/NotePanel.tsx';
import { count } from '../../reader/amounts.ts';
import { addDays, longDay } from '../../reader/days.ts';
import { BeginScreen } from '../begin/BeginScreen.tsx';
import { BenchWalk } from './BenchWalk.tsx';
import { ChosenBar } from './ChosenBar.tsx';
import { DayHead } from './DayHead.tsx';
import { Dusk } from './Dusk.tsx';
import type { LineHandlers } from './PotLine.tsx';
import { MOST_AT_ONCE } from './shelves.ts';
import { Sidebar } from './Sidebar.tsx';
import { useWalk, type Walk } from './useWalk.ts';

export function RoundScreen() {
  const round = useRound();
  const soFar = useRoundSoFar(round.isPending);
  if (round.isPending)
    return soFar.data && soFar.data.coming.length > 0 ? <SoFar round={soFar.data} /> : <Waiting what="the round" />;
  if (round.isError && !round.data) return <Failed error={round.error} again={() => void round.refetch()} />;
  if (round.data.sites.every((site) => site.places.every((place) => place.pots.length + place.left === 0)))
    return <Empty begun={round.data.sites.length > 0} />;
  return <Round round={round.data} />;
}

/** What is worked out already may be walked through; the rest comes. */
function SoFar({ round }: { round: RoundSoFar }) {
  return (
    <>
      <div role="status" className="border-b border-[var(--rule)] px-3 py-3 sm:px-6">
        {round.coming.map(({ id, name, stage, done, of }) => (
          <label key={id} className="flex flex-wrap items-center gap-x-3 text-[0.9375rem]">
            <progress
              className="progress w-48"
              value={stage === 'reading' ? done : of + done}
              max={Math.max(1, 2 * of)}
            />
            <span>
              {name}:{' '}
              {stage === 'reading'
                ? `${done} of ${count(of, 'pot')} read`
                : `${done} of ${count(of, 'pot')} worked out; those are below`}
            </span>
          </label>
        ))}
      </div>
      {round.sites.length > 0 && <Round round={round} />}
    </>
  );
}

/** No site yet: the beginning. A site without plants: the next step, and the other ways in. */
function Empty({ begun }: { begun: boolean }) {
  const kit = useKit();
  if (kit.isError && !kit.data) return <Failed error={kit.error} again={() => void kit.refetch()} />;
  if (!kit.data) return <Waiting what="the shelves" />;
  if (!begun) return <BeginScreen kit={kit.data} />;
  return (
    <div className="p-6">
      <h1 className="text-2xl font-semibold">Nothing on the benches yet</h1>
      <p className="my-2 max-w-prose">
        Make a{' '}
        <Link to="/benches" className="underline">
          bench
        </Link>{' '}
        if there is none, and{' '}
        <Link to="/add" className="underline">
          add a plant
        </Link>
        ; or bring a list or a garden file in through the{' '}
        <Link to="/shed" className="underline">
          shed
        </Link>
        .
      </p>
    </div>
  );
}

/** What a line's buttons do: the same for every line, whatever the walk has become meanwhile. */
function useLineHandlers(walk: Walk): LineHandlers {
  const now = useRef(walk);
  useEffect(() => void (now.current = walk));
  return useMemo(
    () => ({
      onHere: (id) => now.current.goTo(id),
      onAnswer: (...asked) => now.current.answer(...asked),
      onNote: (line) => now.current.note([line]),
      onChoose: (id) => now.current.choose(id),
      onMore: (id) => now.current.unfold(id),
    }),
    [],
  );
}

function Round({ round }: { round: RoundView }) {
  const walk = useWalk(round);
  const { picked, back, noting } = walk;
  const pots = round.sites
    .flatMap(({ places }) => places)
    .reduce((sum, place) => sum + place.pots.length + place.left, 0);
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)] print:block lg:grid-cols-[minmax(0,1fr)_290px] 2xl:grid-cols-[minmax(0,1fr)_340px]">
      <div className="px-3 pb-10 pt-2 sm:px-6">
        <ForYesterday today={round.sites[0]!.today} />
        <DayHead sites={round.sites} walk={walk} />
        <Wrong words={walk.wrong} />
        {round.sites.map((site, i) => (
          <SiteWalk key={site.id} site={site} walk={walk} first={i === 0} atOnce={pots <= MOST_AT_ONCE} />
        ))}
      </div>
      <Sidebar sites={round.sites} />
      {picked.length > 0 && (
        <ChosenBar
          back={back}
          spots={picked}
          onWater={() => walk.water(picked)}
          onFeel={(how) => walk.feel(picked, how)}
          onNote={() => walk.note(picked)}
          onNone={walk.chooseNone}
        />
      )}
      {noting && (
        <NotePanel
          pots={noting.map(({ pot, site }) => marked(pot, site.today))}
          date={addDays(noting[0]!.site.today, -back)}
          onClose={walk.noted}
        />
      )}
    </div>
  );
}

interface SiteWalkProps {
  site: RoundSite;
  walk: Walk;
  first: boolean;
  /** few enough that every shelf is fetched before it is near */
  atOnce: boolean;
}

function SiteWalk({ site, walk, first, atOnce }: SiteWalkProps) {
  const on = useLineHandlers(walk);
  const lines = walk.shown.filter((line) => line.site.id === site.id);
  if (walk.only !== null && lines.length === 0) return null;
  return (
    <section aria-label={site.name} className={first ? '' : 'mt-6 border-t-4 border-double border-[var(--rule)] pt-2'}>
      {first ? (
        <h2 className="sr-only">{site.name}</h2>
      ) : (
        <h2 className="text-[1.25rem]">
          {site.name} <span className="text-[1rem] text-[var(--ink-2)]">{longDay(site.today)}</span>
        </h2>
      )}
      <Dusk site={site} walk={walk} />
      {site.places.map((place) => (
        <BenchWalk
          key={place.id}
          site={site}
          place={place}
          lines={lines.filter((line) => line.place.id === place.id)}
          walk={walk}
          on={on}
          atOnce={atOnce}
        />
      ))}
    </section>
  );
}
