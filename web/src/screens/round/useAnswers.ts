/** Writes the answers of lines, and keeps which asks were answered until the round that knows of it comes. */
import type { PlantView, RoundPot, RoundSite } from '@zinc-pail/contract/api';
import type { Shelter } from '@zinc-pail/contract/marks';
import { foundIn } from '@zinc-pail/core';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { ask as request, wordsOf } from '../../api/client.ts';
import { benchKey, roundKey } from '../../api/round.ts';
import { marked } from '../../marking/markEvents.ts';
import { type Marked, useMarks } from '../../marking/Marks.tsx';
import { addDays, nearDay } from '../../reader/days.ts';
import { stepEvents } from '../clinic/stepAnswers.ts';
import { type AnswerDeed, type AskAnswer, SHELTER_WORDS } from './askAnswers.ts';
import { type Ask, askId, type Line } from './lines.ts';

export interface Answering {
  answer(line: Line, ask: Ask, answer: AskAnswer): void;
  /** the plants of a place in danger, seen to in one press */
  shelter(site: RoundSite, pots: readonly RoundPot[], how: Shelter): void;
  /** a whole bench looked over and no pests found */
  allClean(site: RoundSite, placeId: number): void;
  /** answered asks, by `askId` */
  settled: ReadonlySet<string>;
  /** why the last answer was not written */
  wrong: string | null;
}

type Deeds = { [K in AnswerDeed['kind']]: (deed: Extract<AnswerDeed, { kind: K }>, line: Line) => Promise<boolean> };

/** @param back days back for which marks are written */
export function useAnswers(back: number): Answering {
  const { mark } = useMarks();
  const queries = useQueryClient();
  const deeds = useDeedsOfAnswers(back);
  const [settled, setSettled] = useState<ReadonlySet<string>>(new Set());
  const [wrong, setWrong] = useState<string | null>(null);
  const tried = useCallback(async (act: () => Promise<boolean>) => {
    try {
      setWrong(null);
      return await act();
    } catch (error) {
      setWrong(wordsOf(error));
      return false;
    }
  }, []);
  const answer = useCallback(
    (line: Line, ask: Ask, { does }: AskAnswer) =>
      void tried(() => (deeds[does.kind] as (deed: AnswerDeed, line: Line) => Promise<boolean>)(does, line)).then(
        async (written) => {
          if (!written || does.kind === 'link' || ask.kind === 'judged') return;
          const id = askId(line.pot.id, ask);
          setSettled((before) => new Set(before).add(id));
          await queries.invalidateQueries({ queryKey: roundKey });
          // The round knows now: taken back, it asks again.
          setSettled((before) => new Set([...before].filter((one) => one !== id)));
        },
      ),
    [deeds, queries, tried],
  );
  const shelter = useCallback(
    (site: RoundSite, pots: readonly RoundPot[], how: Shelter) =>
      void tried(async () => {
        const written = await mark(
          pots.map((pot) => ({ ...marked(pot, site.today), seen: null })),
          () => [{ type: 'sheltered', date: site.today, how }],
          SHELTER_WORDS[how].told,
        );
        if (written) await queries.invalidateQueries({ queryKey: roundKey });
        return written;
      }),
    [mark, queries, tried],
  );
  const allClean = useCallback(
    (site: RoundSite, placeId: number) =>
      void tried(async () => {
        const { pots } = await request<{ pots: RoundPot[] }>(`/places/${placeId}/pots`);
        const written = await mark(
          pots.map((pot) => ({ ...marked(pot, site.today), seen: null })),
          () => stepEvents(foundIn('axils'), 'look-over', 'clean', site.today),
          'checked, no pests',
        );
        if (written) await queries.invalidateQueries({ queryKey: roundKey });
        return written;
      }),
    [mark, queries, tried],
  );
  return useMemo(() => ({ answer, shelter, allClean, settled, wrong }), [answer, shelter, allClean, settled, wrong]);
}

function ofPlant(before: PlantView, today: string): Marked {
  return { plantId: before.id, name: before.name, today, seen: null, before };
}

function useDeedsOfAnswers(back: number): Deeds {
  const { mark, say } = useMarks();
  const queries = useQueryClient();
  const navigate = useNavigate();
  return useMemo((): Deeds => {
    const on = (today: string) => addDays(today, -back);
    const plantOf = ({ pot }: Line) => request<PlantView>(`/plants/${pot.id}`);
    /** Of the pot as it stands: a move or a new pot changes more than marks do. */
    const changed = async ({ pot }: Line, words: string) => {
      say(pot.name, words);
      await Promise.all([
        queries.invalidateQueries({ queryKey: roundKey }),
        queries.invalidateQueries({ queryKey: benchKey() }),
        queries.invalidateQueries({ queryKey: ['places'] }),
      ]);
      return true;
    };
    return {
      mark: ({ events, told }, { pot, site }) =>
        mark(
          [marked(pot, site.today)],
          ({ today }) => events(on(today)),
          back === 0 ? told : `${told}, ${nearDay(on(site.today), site.today)}`,
        ),
      async record({ event, told }, line) {
        const plant = await plantOf(line);
        return mark([ofPlant(plant, line.site.today)], ({ today }) => [event(plant, today)], told);
      },
      async shelter({ how }, { pot, site }) {
        const date = site.today;
        const written = await mark(
          [{ ...marked(pot, date), seen: null }],
          () => [{ type: 'sheltered', date, how }],
          SHELTER_WORDS[how].told,
        );
        if (written) await queries.invalidateQueries({ queryKey: roundKey });
        return written;
      },
      async moveTo({ placeId, place }, line) {
        const body = { plant_ids: [line.pot.id], place_id: placeId, date: on(line.site.today) };
        await request('/plants/move', { method: 'POST', body });
        return changed(line, `moved to ${place}.`);
      },
      async holed(_, line) {
        const { version, outlook, mix } = await plantOf(line);
        const pot = { ...outlook.pot, holes: true };
        const body = { client_id: crypto.randomUUID(), kind: 'set-right', pot, mix_id: mix.id };
        await request(`/plants/${line.pot.id}/pottings`, { method: 'POST', version, body });
        return changed(line, 'its pot has a hole now.');
      },
      async join(_, line) {
        const { version } = await plantOf(line);
        await request(`/plants/${line.pot.id}`, { method: 'PATCH', version, body: { quarantine_until: null } });
        return changed(line, 'may join the others.');
      },
      async link({ to }) {
        await navigate(to);
        return true;
      },
    };
  }, [mark, say, queries, navigate, back]);
}
