import { drinkOf } from '@zinc-pail/core';
import type { RoundPlace, RoundPot, RoundSite, RoundSoFar, RoundView } from '@zinc-pail/contract/api';
import { useQueries } from '@tanstack/react-query';
import { ListOrdered } from 'lucide-react';
import { useCallback, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ask } from '../../api/client.ts';
import { benchKey, useRound, useRoundSoFar } from '../../api/round.ts';
import { count, degrees, litres } from '../../words/amounts.ts';
import { addDays, longDay, nearDay } from '../../words/days.ts';
import { useKeys } from '../../frame/keys.ts';
import { felt, type Felt, marked, wateredAsAdvised, wateredWords } from '../../marking/markEvents.ts';
import { useMarks } from '../../marking/Marks.tsx';
import { NotePanel } from '../../marking/NotePanel.tsx';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { Also } from './Also.tsx';
import { Bench } from './Bench.tsx';
import { ChosenBar } from './ChosenBar.tsx';
import { Sidebar } from './Sidebar.tsx';

export interface Spot {
  site: RoundSite;
  place: RoundPlace;
  pot: RoundPot;
}

export function RoundScreen() {
  const round = useRound();
  const soFar = useRoundSoFar(round.isPending);
  if (round.isPending)
    return soFar.data && soFar.data.coming.length > 0 ? <SoFar round={soFar.data} /> : <Waiting what="the round" />;
  if (round.isError && !round.data) return <Failed error={round.error} again={() => void round.refetch()} />;
  if (round.data.sites.every((site) => site.places.every((place) => place.pots.length + place.left === 0)))
    return <Empty />;
  return <Round round={round.data} />;
}

/** What is reckoned already may be worked through; the rest comes. */
function SoFar({ round }: { round: RoundSoFar }) {
  return (
    <>
      <div role="status" className="border-b border-[var(--rule)] px-3 py-3 sm:px-6">
        {round.coming.map(({ id, name, stage, done, of }) => (
          <label key={id} className="flex flex-wrap items-center gap-x-3 text-[15px]">
            <progress
              className="progress w-48"
              value={stage === 'reading' ? done : of + done}
              max={Math.max(1, 2 * of)}
            />
            <span>
              {name}:{' '}
              {stage === 'reading'
                ? `the book is read for ${done} of ${count(of, 'pot')}`
                : `${done} of ${count(of, 'pot')} reckoned; those stand below`}
            </span>
          </label>
        ))}
      </div>
      {round.sites.length > 0 && <Round round={round} />}
    </>
  );
}

function Empty() {
  return (
    <div className="p-6">
      <h1 className="text-2xl font-semibold">Nothing on the benches yet</h1>
      <p className="my-2 max-w-prose">
        Say where your garden lies in the{' '}
        <Link to="/shed" className="underline">
          shed
        </Link>
        , make a{' '}
        <Link to="/benches" className="underline">
          bench
        </Link>
        , and{' '}
        <Link to="/take-in" className="underline">
          take a plant in
        </Link>
        ; or bring a list or a garden file in through the{' '}
        <Link to="/shed" className="underline">
          shed
        </Link>
        . Started once without <code>--empty</code>, Zinc Pail shows the demo collection.
      </p>
    </div>
  );
}

function Round({ round }: { round: RoundView }) {
  const [open, setOpen] = useState<ReadonlySet<number>>(new Set());
  const [here, setHere] = useState<number | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [noting, setNoting] = useState<Spot[] | null>(null);
  /** days back for which marks are written: 0 today, 1 yesterday */
  const [back, setBack] = useState(0);
  const { mark } = useMarks();
  const navigate = useNavigate();

  const opened = useMemo(() => [...open], [open]);
  const benches = useQueries({
    queries: opened.map((placeId) => ({
      queryKey: benchKey(placeId),
      queryFn: async () => (await ask<{ pots: RoundPot[] }>(`/places/${placeId}/pots`)).pots,
    })),
    combine: (answers) =>
      new Map(answers.flatMap((answer, i) => (answer.data ? [[opened[i]!, answer.data] as const] : []))),
  });
  const shown = useMemo(
    () =>
      round.sites.flatMap((site) =>
        site.places.flatMap((place) =>
          (open.has(place.id) ? (benches.get(place.id) ?? place.pots) : place.pots).map((pot): Spot => ({
            site,
            place,
            pot,
          })),
        ),
      ),
    [round, open, benches],
  );
  const current = shown.find(({ pot }) => pot.id === here) ?? null;
  const picked = useMemo(() => shown.filter(({ pot }) => chosen.has(pot.id)), [shown, chosen]);
  const dayFor = useCallback((site: RoundSite) => addDays(site.today, -back), [back]);

  const water = useCallback(
    (spots: Spot[]) => {
      const [first] = spots;
      if (!first) return;
      const said = spots.length === 1 ? wateredWords(first.pot) : 'watered as advised';
      void mark(
        spots.map(({ pot, site }) => marked(pot, site.today)),
        (pot) => wateredAsAdvised(pot.before, addDays(pot.today, -back)),
        back === 0 ? said : `${said}, ${nearDay(dayFor(first.site), first.site.today)}`,
      ).then((done) => done && setChosen(new Set()));
    },
    [mark, back, dayFor],
  );
  const feel = useCallback(
    (spots: Spot[], how: Felt) => {
      if (spots.length === 0) return;
      void mark(
        spots.map(({ pot, site }) => marked(pot, site.today)),
        (pot) => felt(how, addDays(pot.today, -back)),
        `felt ${how}`,
      ).then((done) => done && setChosen(new Set()));
    },
    [mark, back],
  );
  const step = useCallback(
    (by: number) => {
      const at = shown.findIndex(({ pot }) => pot.id === here);
      const next = shown[at < 0 ? (by > 0 ? 0 : shown.length - 1) : Math.min(shown.length - 1, Math.max(0, at + by))];
      if (!next) return;
      setHere(next.pot.id);
      document.getElementById(`pot-${next.pot.id}`)?.focus();
    },
    [shown, here],
  );
  const fold = useCallback((placeId: number) => setOpen((before) => toggled(before, placeId)), []);
  const choose = useCallback((id: number) => setChosen((before) => toggled(before, id)), []);
  const chooseDue = useCallback(
    (placeId: number) => {
      const due = shown
        .filter(({ place, pot }) => place.id === placeId && drinkOf(pot.task.judgement) !== null)
        .map(({ pot }) => pot.id);
      setChosen((before) => {
        const all = due.every((id) => before.has(id));
        const after = new Set(before);
        for (const id of due)
          if (all) after.delete(id);
          else after.add(id);
        return after;
      });
    },
    [shown],
  );

  const target = useMemo(() => (picked.length > 0 ? picked : current ? [current] : []), [picked, current]);
  useKeys(
    useMemo(
      () => ({
        j: () => step(1),
        ArrowDown: () => step(1),
        k: () => step(-1),
        ArrowUp: () => step(-1),
        w: () => water(target),
        n: () => target.length > 0 && setNoting(target),
        '1': () => feel(target, 'wet'),
        '2': () => feel(target, 'damp'),
        '3': () => feel(target, 'dry'),
        x: () => current && choose(current.pot.id),
        X: () => current && chooseDue(current.place.id),
        y: () => setBack((before) => (before === 0 ? 1 : 0)),
        l: () =>
          current
            ? fold(current.place.id)
            : setOpen((before) =>
                before.size > 0
                  ? new Set()
                  : new Set(round.sites.flatMap((site) => site.places.map((place) => place.id))),
              ),
        Enter: (event: KeyboardEvent) => {
          const element = event.target as HTMLElement;
          if (element.closest('button, a')) return element.click();
          if (current) void navigate(`/plants/${current.pot.id}`);
        },
      }),
      [step, current, target, water, feel, fold, choose, chooseDue, round, navigate],
    ),
  );

  return (
    <div className="grid min-h-full lg:grid-cols-[minmax(0,1fr)_318px]">
      <div className="px-3 pb-10 pt-4 sm:px-6">
        <h1 className="sr-only">Round</h1>
        {round.sites.map((site, i) => (
          <section
            key={site.id}
            aria-labelledby={`site-${site.id}`}
            className={i > 0 ? 'mt-12 border-t-4 border-double border-[var(--rule)] pt-5' : ''}
          >
            <SiteHead
              site={site}
              many={round.sites.length > 1}
              tools={i === 0 && <DaySwitch back={back} onChange={setBack} />}
            />
            <Also site={site} />
            {site.places.map((place) => (
              <Bench
                key={place.id}
                site={site}
                place={place}
                pots={shown.filter((spot) => spot.place.id === place.id).map(({ pot }) => pot)}
                open={open.has(place.id)}
                loading={open.has(place.id) && !benches.has(place.id)}
                here={here}
                chosen={chosen}
                onFold={() => fold(place.id)}
                onHere={setHere}
                onWater={(pot) => water([{ site, place, pot }])}
                onFeel={(pot, how) => feel([{ site, place, pot }], how)}
                onNote={(pot) => setNoting([{ site, place, pot }])}
                onChoose={(pot) => choose(pot.id)}
                onChooseDue={() => chooseDue(place.id)}
              />
            ))}
          </section>
        ))}
      </div>
      <Sidebar sites={round.sites} />
      {picked.length > 0 && (
        <ChosenBar
          spots={picked}
          onWater={() => water(picked)}
          onFeel={(how) => feel(picked, how)}
          onNote={() => setNoting(picked)}
          onNone={() => setChosen(new Set())}
        />
      )}
      {noting && (
        <NotePanel
          pots={noting.map(({ pot, site }) => marked(pot, site.today))}
          date={dayFor(noting[0]!.site)}
          onClose={() => {
            setNoting(null);
            setChosen(new Set());
          }}
        />
      )}
    </div>
  );
}

function toggled(before: ReadonlySet<number>, id: number): ReadonlySet<number> {
  const after = new Set(before);
  if (!after.delete(id)) after.add(id);
  return after;
}

function DaySwitch({ back, onChange }: { back: number; onChange(back: number): void }) {
  return (
    <div role="group" aria-label="Marks are written for" className="flex items-center gap-1 text-[15px]">
      <span className="text-[var(--ink-2)]">Writing for</span>
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
      <Link to="/walk" className="ml-2 flex h-11 items-center gap-1 underline">
        <ListOrdered aria-hidden="true" size={18} /> change the walk
      </Link>
    </div>
  );
}

function SiteHead({ site, many, tools }: { site: RoundSite; many: boolean; tools: React.ReactNode }) {
  const { act, water, look, soon, leave, asleep } = site.counts;
  const canMl = site.can.reduce((sum, line) => sum + line.ml, 0);
  const coldest = Math.min(...site.nights_c);
  return (
    <header>
      <div className="flex flex-wrap items-center justify-between gap-x-6">
        <h2 id={`site-${site.id}`} className="text-[26px] font-semibold leading-tight">
          {longDay(site.today)}
          {many && <span className="font-normal text-[var(--ink-2)]">, {site.name}</span>}
        </h2>
        {tools}
      </div>
      <p className="mb-2 mt-1 text-[17px]">
        {act > 0 && (
          <>
            <strong className="font-semibold text-[var(--rust)]">{act} to act on</strong>,{' '}
          </>
        )}
        <strong className="font-semibold">{count(water, 'pot')} to water</strong>
        {look > 0 && `, ${look} to look at`}
        {soon > 0 && `, ${soon} soon`}, {leave} to leave alone
        {asleep > 0 && `, ${asleep} of them asleep`}.{' '}
        {canMl > 0 && <span className="lg:hidden">Carry {litres(canMl)}. </span>}Nights outside stay above{' '}
        {degrees(Math.floor(coldest))} this week.
      </p>
    </header>
  );
}
