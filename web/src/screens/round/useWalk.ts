/** The state of a walk through the round, and all that keys and buttons do to it. */
import type { RoundPot, RoundView } from '@zinc-pail/contract/api';
import { useQueries } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { ask } from '../../api/client.ts';
import { benchKey } from '../../api/round.ts';
import { useKeys } from '../../frame/keys.ts';
import { felt, type Felt, marked, wateredAsAdvised, wateredWords } from '../../marking/markEvents.ts';
import { useMarks } from '../../marking/Marks.tsx';
import { addDays, nearDay } from '../../reader/days.ts';
import { dueAt, type Spot, spotsOf, stepFrom, toggled, toggledAll } from './spots.ts';

const NONE: ReadonlySet<number> = new Set();

export function useWalk(round: RoundView) {
  const [open, setOpen] = useState(NONE);
  const [here, setHere] = useState<number | null>(null);
  const [chosen, setChosen] = useState(NONE);
  const [noting, setNoting] = useState<Spot[] | null>(null);
  /** days back for which marks are written: 0 today, 1 yesterday */
  const [back, setBack] = useState(0);
  const benches = useOpenBenches(open);
  const shown = useMemo(() => spotsOf(round, benches), [round, benches]);
  const picked = useMemo(() => shown.filter(({ pot }) => chosen.has(pot.id)), [shown, chosen]);
  const chooseNone = useCallback(() => setChosen(NONE), []);
  const { water, feel } = useDeeds(back, chooseNone);
  const fold = useCallback((placeId: number) => setOpen((before) => toggled(before, placeId)), []);
  const choose = useCallback((id: number) => setChosen((before) => toggled(before, id)), []);
  const chooseDue = useCallback(
    (placeId: number) => setChosen((before) => toggledAll(before, dueAt(shown, placeId))),
    [shown],
  );
  const step = useCallback(
    (by: number) => {
      const next = stepFrom(shown, here, by);
      if (next === null) return;
      setHere(next);
      document.getElementById(`pot-${next}`)?.focus();
    },
    [shown, here],
  );
  const foldAll = useCallback(
    () =>
      setOpen((before) =>
        before.size > 0 ? NONE : new Set(round.sites.flatMap((site) => site.places.map((place) => place.id))),
      ),
    [round],
  );
  const current = shown.find(({ pot }) => pot.id === here) ?? null;
  const target = useMemo(() => (picked.length > 0 ? picked : current ? [current] : []), [picked, current]);
  const navigate = useNavigate();
  useKeys(
    useMemo(
      () => ({
        ArrowDown: () => step(1),
        ArrowUp: () => step(-1),
        w: () => water(target),
        n: () => target.length > 0 && setNoting(target),
        '1': () => feel(target, 'wet'),
        '2': () => feel(target, 'damp'),
        '3': () => feel(target, 'dry'),
        Space: () => current && choose(current.pot.id),
        'Shift+Space': () => current && chooseDue(current.place.id),
        y: () => setBack((before) => (before === 0 ? 1 : 0)),
        l: () => (current ? fold(current.place.id) : foldAll()),
        Enter: (event: KeyboardEvent) => {
          const element = event.target as HTMLElement;
          if (element.closest('button, a')) return element.click();
          if (current) void navigate(`/plants/${current.pot.id}`);
        },
      }),
      [step, current, target, water, feel, fold, foldAll, choose, chooseDue, navigate],
    ),
  );
  return {
    shown,
    open,
    loading: (placeId: number) => open.has(placeId) && !benches.has(placeId),
    here,
    chosen,
    picked,
    noting,
    back,
    writeFor: setBack,
    goTo: setHere,
    water,
    feel,
    note: setNoting,
    fold,
    choose,
    chooseDue,
    chooseNone,
    noted() {
      setNoting(null);
      chooseNone();
    },
  };
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
