/** Pots taken in hand and set elsewhere, on their bench or on another; what was done can be put back. */
import type { PlaceView } from '@zinc-pail/contract/keeping';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import { placesKey } from '../../api/places.ts';
import { count } from '../../reader/amounts.ts';
import { benchOf } from './BenchPlan.tsx';
import { movedBy, originsOf, type Spot } from './benchPlan.ts';

const NONE: ReadonlySet<number> = new Set();
/** Pots that are set down together stand so far apart, until each is moved to its own spot. */
const BESIDE_MM = 30;

export interface SettingTold {
  words: string;
  back: (() => Promise<void>) | null;
}

export function useSetting(places: readonly PlaceView[], today: (place: Pick<PlaceView, 'site_id'>) => string) {
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
      const from = originsOf(places, ids, to.id);
      const moving = from.flatMap((origin) => origin.ids);
      if (moving.length === 0) return tell(`On ${to.name} already.`);
      const putBack = async () => {
        try {
          for (const { place, ids: some, spots } of from) {
            await ask('/plants/move', {
              method: 'POST',
              body: { plant_ids: some, place_id: place.id, date: today(place) },
            });
            if (spots.length > 0) await ask(`/places/${place.id}/spots`, { method: 'POST', body: { spots } });
          }
          tell(`Back on ${from.map(({ place }) => place.name).join(' and ')}.`);
        } catch (error) {
          failed(error);
        }
        await queries.invalidateQueries();
      };
      try {
        const body = { plant_ids: moving, place_id: to.id, date: today(to) };
        const { hardening } = await ask<{ hardening: unknown[] }>('/plants/move', { method: 'POST', body });
        if (at) {
          const spots = moving.map((id, i) => ({
            plant_id: id,
            x_mm: Math.max(0, at.x + i * BESIDE_MM),
            y_mm: Math.max(0, at.y),
          }));
          await ask(`/places/${to.id}/spots`, { method: 'POST', body: { spots } });
        }
        await queries.invalidateQueries();
        setInHand(NONE);
        const sun = hardening.length > 0 ? ` Into sun by steps: ${count(hardening.length, 'plan')} on the round.` : '';
        tell(`${count(moving.length, 'pot')} moved to ${to.name}.${sun}`, putBack);
      } catch (error) {
        failed(error);
      }
    },
    [places, queries, today, tell, failed],
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
