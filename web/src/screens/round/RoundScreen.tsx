import type { RoundSite, RoundSoFar, RoundView } from '@zinc-pail/contract/api';
import { ListOrdered } from 'lucide-react';
import { Link } from 'react-router';
import { useRound, useRoundSoFar } from '../../api/round.ts';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { marked } from '../../marking/markEvents.ts';
import { NotePanel } from '../../marking/NotePanel.tsx';
import { count, degrees, litres } from '../../reader/amounts.ts';
import { addDays, longDay } from '../../reader/days.ts';
import { useKit } from '../../api/kit.ts';
import { BeginScreen } from '../begin/BeginScreen.tsx';
import { Also } from './Also.tsx';
import { ClinicToday } from './ClinicToday.tsx';
import { usePhotographs } from '../../drawing/photographs.ts';
import { Explained } from '../../parts/Legend.tsx';
import { BeforeDusk } from './BeforeDusk.tsx';
import { Bench } from './Bench.tsx';
import { ChosenBar } from './ChosenBar.tsx';
import { MOST_AT_ONCE } from './shelves.ts';
import { Sidebar } from './Sidebar.tsx';
import { useWalk } from './useWalk.ts';

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

/** What is reckoned already may be worked through; the rest comes. */
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
        <Link to="/take-in" className="underline">
          take a plant in
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

/** Everything of a walk that a hand can do: where it stands, what is chosen, which benches are open. */
function Round({ round }: { round: RoundView }) {
  const walk = useWalk(round);
  const { shown, open, loading, here, chosen, picked, back, noting } = walk;
  const atOnce =
    round.sites.flatMap((site) => site.places).reduce((sum, { pots, left }) => sum + pots.length + left, 0) <=
    MOST_AT_ONCE;
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)] print:block lg:grid-cols-[minmax(0,1fr)_318px]">
      <div className="px-3 pb-10 pt-4 sm:px-6">
        <h1 className="sr-only">Round</h1>
        {back > 0 && <ForYesterday today={round.sites[0]!.today} back={back} onToday={() => walk.writeFor(0)} />}
        {round.sites.map((site, i) => (
          <section
            key={site.id}
            aria-labelledby={`site-${site.id}`}
            className={i > 0 ? 'mt-12 border-t-4 border-double border-[var(--rule)] pt-5' : ''}
          >
            <SiteHead
              site={site}
              many={round.sites.length > 1}
              tools={i === 0 && <DaySwitch back={back} onChange={walk.writeFor} />}
            />
            <BeforeDusk site={site} />
            {i === 0 && <Explained of={ROUND_DRAWINGS} />}
            <div className="xl:flex xl:items-start xl:gap-6 [&>section]:min-w-0 [&>section]:flex-1">
              <ClinicToday site={site} />
              <Also site={site} />
            </div>
            {site.places.map((place) => (
              <Bench
                key={place.id}
                site={site}
                place={place}
                pots={shown.filter((spot) => spot.place.id === place.id).map(({ pot }) => pot)}
                atOnce={atOnce}
                open={open.has(place.id)}
                loading={loading(place.id)}
                here={here}
                chosen={chosen}
                back={back}
                onFold={() => walk.fold(place.id)}
                onHere={walk.goTo}
                onWater={(pot) => walk.water([{ site, place, pot }])}
                onFeel={(pot, how) => walk.feel([{ site, place, pot }], how)}
                onNote={(pot) => walk.note([{ site, place, pot }])}
                onChoose={(pot) => walk.choose(pot.id)}
                onChooseDue={() => walk.chooseDue(place.id)}
              />
            ))}
          </section>
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

const ROUND_DRAWINGS = ['shelf', 'pot', 'stick', 'strip', 'weather'] as const;

/** Stays in sight while the walk scrolls: a mark for another day must not surprise. */
function ForYesterday({ today, back, onToday }: { today: string; back: number; onToday(): void }) {
  return (
    <p
      role="status"
      className="sticky top-0 z-10 -mx-3 mb-2 flex h-11 flex-wrap items-center gap-x-4 border-b-2 border-[var(--straw)] bg-[var(--paper)] px-3 sm:-mx-6 sm:px-6"
    >
      <strong className="font-semibold text-[var(--straw)]">Notes for {longDay(addDays(today, -back))}.</strong>
      <button type="button" className="h-11 underline" onClick={onToday}>
        back to today
      </button>
    </p>
  );
}

function DaySwitch({ back, onChange }: { back: number; onChange(back: number): void }) {
  const [photographs, showPhotographs] = usePhotographs();
  return (
    <div
      role="group"
      aria-label="Marks are written for"
      className="flex flex-wrap items-center gap-1 text-[0.9375rem] print:hidden"
    >
      <span className="text-[var(--ink-2)]">Date</span>
      {['today', 'yesterday'].map((label, i) => (
        <button
          key={label}
          type="button"
          aria-pressed={back === i}
          className={`h-11 px-2 ${back === i ? 'border-b-4 border-[var(--clay)] font-semibold' : 'underline'}`}
          onClick={() => onChange(i)}
        >
          {label}
        </button>
      ))}
      <button type="button" className="ml-2 h-11 underline" onClick={() => showPhotographs(!photographs)}>
        {photographs ? 'drawings' : 'photographs'}
      </button>
      <Link to="/walk" className="ml-2 flex h-11 items-center gap-1 underline">
        <ListOrdered aria-hidden="true" size={18} /> change the walk
      </Link>
    </div>
  );
}

function SiteHead({ site, many, tools }: { site: RoundSite; many: boolean; tools: React.ReactNode }) {
  const { act, water, look, soon, leave, asleep, watered } = site.counts;
  const canMl = site.can.reduce((sum, line) => sum + line.ml, 0);
  const coldest = Math.min(...site.nights_c);
  return (
    <header>
      <div className="flex flex-wrap items-center justify-between gap-x-6">
        <h2 id={`site-${site.id}`} className="text-[1.625rem] font-semibold leading-tight">
          {longDay(site.today)}
          {many && <span className="font-normal text-[var(--ink-2)]">, {site.name}</span>}
        </h2>
        {tools}
      </div>
      <p className="mb-2 mt-1 text-[1.0625rem]">
        {act > 0 && (
          <>
            <strong className="font-semibold text-[var(--rust)]">{act} to act on</strong>,{' '}
          </>
        )}
        <strong className="font-semibold">
          {watered > 0 ? `${watered} of ${watered + water} watered` : `${count(water, 'pot')} to water`}
        </strong>
        {look > 0 && `, ${look} to check`}
        {soon > 0 && `, ${soon} soon`}, {leave} to leave alone
        {asleep > 0 && `, ${asleep} of them asleep`}.{' '}
        {canMl > 0 && <span className="lg:hidden print:inline">Carry {litres(canMl)}. </span>}Nights outside stay above{' '}
        {degrees(Math.floor(coldest))} this week.
      </p>
    </header>
  );
}
