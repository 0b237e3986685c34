/** A walk goes on from where it stood this morning: the same, to the last digit, for a small part of the work. */
import { dayNumber } from '../calendar/day.ts';
import type { HistoryInput } from './history.ts';
import { copied, type Walk, type WalkState } from './state.ts';

/** Where a walk stood at the start of today: of use while the book is the same but for today's lines. */
export interface Morning {
  /** what the walk hangs on besides the lines before today */
  input: HistoryInput;
  /** what was read from the whole book: where the walk begins, which days are of old, the scale */
  frame: string;
  /** the lines before today */
  book: string;
  state: WalkState;
}

/** Whether it must be the same in both walks; the book and where it begins are looked at by themselves. */
const MUST_BE_SAME: Record<keyof HistoryInput, boolean> = {
  pot: true,
  loss: true,
  events: false,
  fromDay: false,
  today: true,
  dueM: true,
  holdDays: true,
  surfaceWetM: true,
  upsets: true,
  openSky: true,
  slips: true,
  wander: true,
  tellsWander: true,
  // By the moves of the book.
  placeOn: false,
};
const HELD = (Object.keys(MUST_BE_SAME) as (keyof HistoryInput)[]).filter((key) => MUST_BE_SAME[key]);

/** The state of this morning, if the walk would come to it too: to be written into. */
export function stateOf(morning: Morning, walk: Walk): WalkState | null {
  const same =
    HELD.every((key) => morning.input[key] === walk.input[key]) &&
    morning.frame === frameOf(walk) &&
    morning.book === bookBeforeToday(walk);
  return same ? copied(morning.state) : null;
}

/** How the walk stands, to be gone on from later. */
export function morningOf(walk: Walk, now: WalkState): Morning {
  return { input: walk.input, frame: frameOf(walk), book: bookBeforeToday(walk), state: copied(now) };
}

function frameOf({ fromDay, fineFrom, lastDrink, traceFrom, scale }: Walk): string {
  return JSON.stringify([fromDay, String(fineFrom), String(lastDrink), traceFrom, scale]);
}

function bookBeforeToday({ input: { events, today } }: Walk): string {
  return JSON.stringify(events.filter((event) => dayNumber(event.date) < today));
}
