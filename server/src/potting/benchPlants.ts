/** The plants of a site as the potting bench sees them: who wants a new pot and why, the most pressing first. */
import type { BenchPlant } from '@zinc-pail/contract/potting';
import { isoDay, type PottingView } from '@zinc-pail/core';
import type { App } from '../context.ts';
import type { SiteRow } from '../garden/store.ts';
import { placeRecords } from '../places/store.ts';
import { plantCards } from '../plants/store.ts';
import { pottingBooks } from './store.ts';

/** @param only those that are asked for; all where it is left out */
export async function benchPlants(app: App, site: SiteRow, only?: ReadonlySet<number>): Promise<BenchPlant[]> {
  const [cards, books, places] = await Promise.all([
    plantCards(app.pool, site.id),
    pottingBooks(app.pool, site.id),
    placeRecords(app.pool),
  ]);
  const views = await app.outlooks.pottingOf(
    site,
    [...books]
      .filter(([id]) => only?.has(id) ?? true)
      .map(([id, { floweredOn, pottedOn, poured, rescued, fitsOn }]) => [
        String(id),
        { floweredOn, pottedOn, poured, rescued, fitsOn },
      ]),
  );
  const placeName = new Map(places.map(({ id, name }) => [id, name]));
  return cards
    .flatMap((card): BenchPlant[] => {
      const view = views.get(card.id);
      return view ? [benchPlant(card, view, placeName.get(card.place_id) ?? '', books.get(card.id)!)] : [];
    })
    .sort((a, b) => b.need.score - a.need.score);
}

function benchPlant(
  card: Awaited<ReturnType<typeof plantCards>>[number],
  view: PottingView,
  place: string,
  book: { mixId: number; version: number },
): BenchPlant {
  return {
    ...view,
    id: card.id,
    number: card.number,
    name: card.name,
    place,
    diameter_mm: card.diameter_mm,
    height_mm: card.height_mm,
    mix_id: book.mixId,
    version: book.version,
    suits: view.suits && { from: isoDay(view.suits.from), to: isoDay(view.suits.to) },
    blocks: view.blocks.map(({ code, until }) => ({ code, until: until === null ? null : isoDay(until) })),
  };
}
