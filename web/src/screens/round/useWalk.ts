/** The state of a walk through the round, and all that keys and buttons do to it. */
import type { RoundPot, RoundView } from '@zinc-pail/contract/api';
import { useQueries } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { ask } from '../../api/client.ts';
import { benchKey } from '../../api/round.ts';
import { useKeys } from '../../frame/keys.ts';
import { felt, type Felt, marked, wateredAsAdvised, wateredWords } from '../../marking/markEvents.ts';
import { useMarks } from '../../marking/Marks.tsx';
import { useWritingFor, writeFor } from '../../marking/writingFor.ts';
import { addDays, nearDay } from '../../reader/days.ts';
import { type Count, type Line, linesOf, shownOf, tally } from './lines.ts';
import { dueAt, type Spot, stepFrom, toggled, toggledAll } from './spots.ts';
import { useAnswers } from './useAnswers.ts';

const NONE: ReadonlySet<number> = new Set();
/** Where the walk stood, for whoever comes back to it from a plant. */
let left: { here: number | null; only: Count | null } = { here: null, only: null };

export function useWalk(round: RoundView) {
  const [open, setOpen] = useState(NONE);
  const [here, setHere] = useState<number | null>(left.here);
  const [only, setOnly] = useState<Count | null>(left.only);
  const [more, setMore] = useState(NONE);
  const [noting, setNoting] = useState<Spot[] | null>(null);
  const back = useWritingFor();
  useEffect(() => void (left = { here, only }), [here, only]);
  const answers = useAnswers(back);
  const benches = useOpenBenches(open);
  const lines = useMemo(() => linesOf(round, benches, answers.settled), [round, benches, answers.settled]);
  const shown = useMemo(() => shownOf(lines, only, open), [lines, only, open]);
  const counts = useMemo(() => tally(lines), [lines]);
  const { chosen, picked, choose, chooseAll, chooseNone } = useChosen(lines);
  const { water, feel } = useDeeds(back, chooseNone);
  const fold = useCallback((placeId: number) => setOpen((before) => toggled(before, placeId)), []);
  const unfold = useCallback((id: number) => setMore((before) => toggled(before, id)), []);
  /** Narrows the walk to one count, and takes its first line in hand; the same again shows all. */
  const narrow = useCallback(
    (count: Count) => {
      const next = only === count ? null : count;
      setOnly(next);
      const first = next && lines.find(({ counts: under }) => under.has(next));
      if (first) setHere(first.pot.id);
    },
    [only, lines],
  );
  const current = shown.find(({ pot }) => pot.id === here) ?? null;
  /** Comes to the line of a pot, which is unfolded where it asks for nothing. */
  const come = useCallback(
    (id: number, placeId: number) => {
      setHere(id);
      if (shown.some(({ pot }) => pot.id === id)) return focusLine(id);
      setOnly(null);
      setOpen((before) => new Set(before).add(placeId));
    },
    [shown],
  );
  useFocusWhenThere(here, shown);
  const target = useMemo(() => (picked.length > 0 ? picked : current ? [current] : []), [picked, current]);
  useWalkKeys({
    round,
    shown,
    here,
    current,
    target,
    setHere,
    setOpen,
    back,
    setNoting,
    water,
    feel,
    choose,
    fold,
    chooseAll,
  });
  return {
    ...answers,
    lines,
    shown,
    counts,
    only,
    narrow,
    open,
    loading: (placeId: number) => open.has(placeId) && !benches.has(placeId),
    here,
    more,
    unfold,
    chosen,
    picked,
    noting,
    back,
    writeFor,
    goTo: setHere,
    come,
    water,
    feel,
    note: setNoting,
    fold,
    choose,
    chooseAll,
    chooseNone,
    noted() {
      setNoting(null);
      chooseNone();
    },
  };
}

export type Walk = ReturnType<typeof useWalk>;

/** The lines that are selected: what is written on one is written on all of them. */
function useChosen(lines: readonly Line[]) {
  const [chosen, setChosen] = useState(NONE);
  const picked = useMemo(() => lines.filter(({ pot }) => chosen.has(pot.id)), [lines, chosen]);
  return {
    chosen,
    picked,
    choose: useCallback((id: number) => setChosen((before) => toggled(before, id)), []),
    chooseAll: useCallback((ids: readonly number[]) => setChosen((before) => toggledAll(before, ids)), []),
    chooseNone: useCallback(() => setChosen(NONE), []),
  };
}

function focusLine(id: number): void {
  document.getElementById(`pot-${id}`)?.focus();
}

/** A line that was asked for is there once its bench has come: then it gets the focus. */
function useFocusWhenThere(here: number | null, shown: readonly Spot[]): void {
  const asked = useRef<number | null>(null);
  const there = here !== null && shown.some(({ pot }) => pot.id === here);
  useEffect(() => {
    if (!there || asked.current === here) return;
    asked.current = here;
    if (document.activeElement?.closest(`#pot-${here}`) === null) focusLine(here!);
  }, [here, there]);
}

interface KeyedWalk {
  round: RoundView;
  shown: readonly Spot[];
  here: number | null;
  current: Spot | null;
  target: Spot[];
  setHere(id: number): void;
  setOpen(change: (before: ReadonlySet<number>) => ReadonlySet<number>): void;
  back: number;
  setNoting(spots: Spot[]): void;
  water(spots: readonly Spot[]): void;
  feel(spots: readonly Spot[], how: Felt): void;
  choose(id: number): void;
  fold(placeId: number): void;
  chooseAll(ids: readonly number[]): void;
}

/** The keys stay the same; each does what it does to the walk as it stands when it is pressed. */
function useWalkKeys(walk: KeyedWalk): void {
  const navigate = useNavigate();
  const latest = useRef(walk);
  useEffect(() => void (latest.current = walk));
  useKeys(
    useMemo(() => {
      const now = () => latest.current;
      const step = (by: number) => {
        const next = stepFrom(now().shown, now().here, by);
        if (next === null) return;
        now().setHere(next);
        focusLine(next);
      };
      const foldAll = () =>
        now().setOpen((before) =>
          before.size > 0 ? NONE : new Set(now().round.sites.flatMap(({ places }) => places.map(({ id }) => id))),
        );
      return {
        ArrowDown: () => step(1),
        ArrowUp: () => step(-1),
        w: () => now().water(now().target),
        n: () => now().target.length > 0 && now().setNoting(now().target),
        '1': () => now().feel(now().target, 'wet'),
        '2': () => now().feel(now().target, 'damp'),
        '3': () => now().feel(now().target, 'dry'),
        Space: () => now().current && now().choose(now().current!.pot.id),
        'Shift+Space': () => now().current && now().chooseAll(dueAt(now().shown, now().current!.place.id)),
        y: () => writeFor(now().back === 0 ? 1 : 0),
        l: () => (now().current ? now().fold(now().current!.place.id) : foldAll()),
        Enter: (event: KeyboardEvent) => {
          const element = event.target as HTMLElement;
          if (element.closest('button, a')) return element.click();
          if (now().current) void navigate(`/plants/${now().current!.pot.id}`);
        },
      };
    }, [navigate]),
  );
}

/** All pots of the open benches, as they come. */
function useOpenBenches(open: ReadonlySet<number>): ReadonlyMap<number, RoundPot[]> {
  const opened = useMemo(() => [...open], [open]);
  return useQueries({
    queries: opened.map((placeId) => ({
      queryKey: benchKey(placeId),
      queryFn: async () => (await ask<{ pots: RoundPot[] }>(`/places/${placeId}/pots`)).pots,
    })),
    combine: useCallback(
      (answers: { data?: RoundPot[] | undefined }[]) =>
        new Map(answers.flatMap(({ data }, i) => (data ? [[opened[i]!, data] as const] : []))),
      [opened],
    ),
  });
}

/** Marks of one key on one pot or many, for today or so many days back; what was chosen is let go once they are written. */
function useDeeds(back: number, done: () => void) {
  const { mark } = useMarks();
  const water = useCallback(
    (spots: readonly Spot[]) => {
      const [first] = spots;
      if (!first) return;
      const { today } = first.site;
      const said = spots.length === 1 ? wateredWords(first.pot) : 'watered as advised';
      void mark(
        spots.map(({ pot, site }) => marked(pot, site.today)),
        (pot) => wateredAsAdvised(pot.before, addDays(pot.today, -back)),
        back === 0 ? said : `${said}, ${nearDay(addDays(today, -back), today)}`,
      ).then((written) => written && done());
    },
    [mark, back, done],
  );
  const feel = useCallback(
    (spots: readonly Spot[], how: Felt) => {
      if (spots.length === 0) return;
      void mark(
        spots.map(({ pot, site }) => marked(pot, site.today)),
        (pot) => felt(how, addDays(pot.today, -back)),
        `felt ${how}`,
      ).then((written) => written && done());
    },
    [mark, back, done],
  );
  return { water, feel };
}
