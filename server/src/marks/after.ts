/** What a mark asks for afterwards: saucers to empty, and what a finding means beyond the judgement. */
import type { NewEntry, NewMark, WholePot } from '@zinc-pail/contract/api';
import {
  type AfterNote,
  afterMark,
  asksAboutSlack,
  type Finding,
  genusCare,
  genusOf,
  mixCharacter,
  type PlantEvent,
  remindersFor,
  type Way,
} from '@zinc-pail/core';
import type { App } from '../context.ts';
import { todayAt } from '../garden/clock.ts';
import { loadPlants } from '../garden/store.ts';
import type { PlantHome } from '../plants/store.ts';
import type { NewTimer } from './store.ts';

/** Reminders that a plant's drinks of today bring. */
export function timersOf(mark: NewMark, pot: WholePot | undefined, home: PlantHome): NewTimer[] {
  if (!pot) return [];
  const today = todayAt(home.time_zone);
  const { stand, saucer_minutes: saucerMinutes, soak_minutes: soakMinutes, judgement } = pot.task;
  return mark.entries.flatMap((entry) => {
    // What was done yesterday has no saucer left to empty.
    if (entry.type !== 'watering' || entry.date !== today) return [];
    const { way, wet_leaves: wetLeaves } = entry as { way?: Way | null; wet_leaves?: boolean | null };
    const reminders = remindersFor({
      way: way ?? entry.method,
      wetLeaves: wetLeaves ?? false,
      rules: { stand, saucerMinutes, soakMinutes },
      placeKind: home.place_kind,
      holes: pot.outlook.pot.holes,
      cautions: pot.outlook.cautions,
      neverSoak: neverSoaked(pot),
      slack: asksAboutSlack(pot.outlook.thirst.level, judgement),
    });
    const whose = { collectionId: home.collection_id, plantId: mark.plant_id, clientId: entry.client_id };
    return reminders.map((reminder) => ({ ...whose, ...reminder }));
  });
}

const neverSoaked = ({ outlook: { genus, traits } }: WholePot): boolean =>
  genusCare(genusOf(genus), traits.form, traits.habit).neverSoak;

/** What the marks mean for the plant; for many at once only what is urgent is worth a sentence each. */
export function adviceOn(mark: NewMark, pot: WholePot, home: PlantHome, events: readonly PlantEvent[]): AfterNote[] {
  const { genus } = pot.outlook;
  const { coarse, shedsWater, rewetDifficulty } = mixCharacter(home.mix);
  return [
    ...mark.entries.flatMap((entry) => drainNote(entry, pot.outlook.pot.depth_mm, rewetDifficulty)),
    ...(mark.entries.some((entry) => isBefore(entry, home.acquired_on))
      ? [{ code: 'before-it-came' as const, n: {} }]
      : []),
    ...afterMark({
      written: mark.entries as unknown as Finding[],
      before: pot.outlook,
      events,
      coarse,
      shedsWater,
      neverSoak: neverSoaked(pot),
      genus,
    }),
  ];
}

function drainNote(entry: NewEntry, depthMm: number, organic: number): AfterNote[] {
  return entry.type === 'drain' ? [{ code: 'drain', n: { seconds: entry.seconds, depth_mm: depthMm, organic } }] : [];
}

function isBefore(entry: NewEntry, acquiredOn: string | null): boolean {
  return acquiredOn !== null && entry.type === 'watering' && entry.date < acquiredOn;
}

/** More plants than this, marked alike, get no notes that hang on their books. */
const FEW = 5;

/** The books as the reckoning has just read them; read again only where it had no need to. */
export async function booksOf(app: App, plantIds: readonly number[]): Promise<Map<number, readonly PlantEvent[]>> {
  if (plantIds.length > FEW) return new Map();
  const books = new Map<number, readonly PlantEvent[]>();
  const unread: number[] = [];
  for (const id of plantIds) {
    const events = app.outlooks.lastBookOf(id);
    if (events) books.set(id, events);
    else unread.push(id);
  }
  if (unread.length > 0)
    for (const { plant } of await loadPlants(app.pool, { plantIds: unread })) books.set(Number(plant.id), plant.events);
  return books;
}
