/** What is left of a plant that has ended: its book, and what it tells of why. */
import type { Story } from '@zinc-pail/contract/keeping';
import { dayNumber, lastMonths, nightAtC, type PlantEvent, traitsOf } from '@zinc-pail/core';
import type { App } from '../context.ts';
import { notFound, Refused } from '../http/refusals.ts';
import { journalOf } from '../journal/store.ts';
import { nightsAt, plantDetail, plantRecord } from './store.ts';

const MOST_ENTRIES_TOLD = 5000;
const NIGHTS_BACK = 60;

export async function storyOf(app: App, plantId: number): Promise<Story> {
  const row = await plantDetail(app.pool, plantId);
  if (!row) throw notFound('plant');
  const record = await plantRecord(app.pool, plantId);
  if (!record.ended) throw new Refused('not-ended', 'This plant is alive; its page tells more.');
  const endedOn = record.ended_on!;
  const journal = await journalOf(app.pool, plantId, MOST_ENTRIES_TOLD);
  const events = journal
    .filter((entry) => !entry.voided)
    .map((entry) => entry.event as PlantEvent)
    .toReversed();
  const nights = (await nightsAt(app.pool, row.place_id, row.site_id, endedOn, NIGHTS_BACK)).map(
    ({ date, readC, outsideC }) => ({ date, tminC: readC ?? nightAtC(row.place_kind, outsideC) }),
  );
  const { minWetC, minDryC } = traitsOf({ name: row.name, taxon: row.taxon }).traits;
  const { id, number, name, provenance } = row;
  return {
    id,
    number,
    name,
    provenance,
    place: row.place_name,
    ended: record.ended,
    ended_on: endedOn,
    ended_why: record.ended_why,
    kept_days: Math.max(0, dayNumber(endedOn) - dayNumber(record.acquired_on ?? row.potted_on)),
    last: lastMonths({ events, endedOn, nights, minWetC, minDryC }),
    journal,
  };
}
