/** Pots taken in hand and set elsewhere, on their bench or on another; what was done can be put back. */
import type { PlaceView } from '@zinc-pail/contract/keeping';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import { placesKey } from '../../api/places.ts';
import { count } from '../../words/amounts.ts';
import { benchOf } from './BenchPlan.tsx';
import { movedBy, type Spot } from './benchPlan.ts';

const NONE: ReadonlySet<number> = new Set();

export interface SettingTold {
  words: string;
  back: (() => Promise<void>) | null;
}

export function useSetting(places: readonly PlaceView[], today: (place: PlaceView) => string) {
  const [setting, setSetting] = useState(false);
  const [inHand, setInHand] = useState(NONE);
  const [told, setTold] = useState<SettingTold | null>(null);
  const queries = useQueryClient();
  const placeOf = useCallback((id: number) => places.find(({ pots }) => pots.some((pot) => pot.id === id)), [places]);

  /** Drawn at once; put back where it could not be written. */
  const writeSpots = useCallback(
    async (place: PlaceView, spots: ReadonlyMap<number, Spot>) => {
      const before = queries.getQueryData<PlaceView[]>(placesKey);
      queries.setQueryData<PlaceView[]>(placesKey, (all) =>
        all?.map((one) =>
          one.id === place.id
            ? {
                ...one,
                pots: one.pots.map((pot) => {
                  const spot = spots.get(pot.id);
                  return spot ? { ...pot, x_mm: spot.x, y_mm: spot.y } : pot;
                }),
              }
            : one,
        ),
      );
      try {
        const body = { spots: [...spots].map(([id, { x, y }]) => ({ plant_id: id, x_mm: x, y_mm: y })) };
        await ask(`/places/${place.id}/spots`, { method: 'POST', body });
      } catch (error) {
        queries.setQueryData(placesKey, before);
        throw error;
      }
    },
    [queries],
  );
  const tell = useCallback((words: string, back: SettingTold['back'] = null) => setTold({ words, back }), []);
  const failed = useCallback((error: unknown) => tell(wordsOf(error)), [tell]);

  /** Those in hand on the same bench go with the one that is moved. */
  const together = useCallback(
    (id: number, place: PlaceView) =>
      inHand.has(id) ? new Set(place.pots.map((pot) => pot.id).filter((one) => inHand.has(one))) : new Set([id]),
    [inHand],
  );

  const nudge = useCallback(
    (id: number, by: Spot) => {
      const place = placeOf(id);
      if (!place) return;
      const { spots, ...bench } = benchOf(place);
      const next = movedBy(place.pots, spots, together(id, place), by, bench);
      void writeSpots(place, next)
        .then(() => setTold(null))
        .catch(failed);
    },
    [placeOf, together, writeSpots, failed],
  );

  /** To another bench, on today's page of their books; where they are put down there, when that is known. */
  const moveTo = useCallback(
    async (ids: readonly number[], to: PlaceView, at: Spot | null) => {
      const from = placeOf(ids[0]!);
      try {
        const body = { plant_ids: ids, place_id: to.id, date: today(to) };
        const { hardening } = await ask<{ hardening: unknown[] }>('/plants/move', { method: 'POST', body });
        if (at) {
          const spots = ids.map((id, i) => ({
            plant_id: id,
            x_mm: Math.max(0, at.x + i * 30),
            y_mm: Math.max(0, at.y),
          }));
          await ask(`/places/${to.id}/spots`, { method: 'POST', body: { spots } });
        }
        await queries.invalidateQueries();
        setInHand(NONE);
        const sun = hardening.length > 0 ? ` Into sun by steps: ${count(hardening.length, 'plan')} on the round.` : '';
        tell(
          `${count(ids.length, 'pot')} moved to ${to.name}.${sun}`,
          from
            ? async () => {
                const back = { plant_ids: ids, place_id: from.id, date: today(from) };
                await ask('/plants/move', { method: 'POST', body: back }).catch(failed);
                await queries.invalidateQueries();
                tell(`Back on ${from.name}.`);
              }
            : null,
        );
      } catch (error) {
        failed(error);
      }
    },
    [placeOf, queries, today, tell, failed],
  );

  const toggle = useCallback(
    (id: number) =>
      setInHand((before) => {
        const next = new Set(before);
        if (!next.delete(id)) next.add(id);
        return next;
      }),
    [],
  );
  const turn = useCallback(() => {
    setSetting((before) => !before);
    setInHand(NONE);
    setTold(null);
  }, []);
  return { setting, turn, inHand, toggle, together, nudge, moveTo, told, placeOf };
}
