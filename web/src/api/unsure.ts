/**
 * Marks of which nobody knows whether they were written: the answer got lost, or the server failed. The second try goes
 * out under the ids of the first, so that what was written all the same is not written twice.
 */
import type { JournalEvent, NewEntry } from '@zinc-pail/contract/api';

interface Mark {
  plantId: number;
  events: readonly JournalEvent[];
}

export class Unsure {
  private readonly tried = new Map<string, NewEntry[]>();

  /** Each entry under an id: its own from before where the same was tried in vain; a feed is tied to its drink. */
  entriesOf(mark: Mark): NewEntry[] {
    return this.tried.get(keyOf(mark)) ?? withIds(mark.events);
  }

  /** Nothing came back: a try of the same is the same. */
  keep(mark: Mark, entries: NewEntry[]): void {
    this.tried.set(keyOf(mark), entries);
  }

  /** They were written after all, and taken back: the next of the same is another. */
  forget(clientIds: readonly string[]): void {
    for (const [key, entries] of this.tried)
      if (entries.some((entry) => clientIds.includes(entry.client_id))) this.tried.delete(key);
  }

  /** It was written or refused: the next of the same is another. */
  settle(mark: Mark): void {
    this.tried.delete(keyOf(mark));
  }
}

const keyOf = ({ plantId, events }: Mark) => JSON.stringify([plantId, events]);

function withIds(events: readonly JournalEvent[]): NewEntry[] {
  const entries = events.map((event) => ({ ...event, client_id: crypto.randomUUID() }) as NewEntry);
  const drink = entries.find((entry) => entry.type === 'watering');
  return entries.map((entry) => (entry.type === 'feeding' && drink ? { ...entry, with: drink.client_id } : entry));
}
