/** Why there is food with the next drink, or none. */
import type { FeedAdvice } from '@zinc-pail/core';
import { type DateOrder, dateWords } from './days.ts';
import { signWords } from './signs.ts';
import { capital, countWords, ordinal } from './units.ts';

/** A sentence; the day until which it holds stands in it. */
export function feedWords(feed: FeedAdvice, today: string, units: DateOrder): string {
  const { code, n, of } = feed.why;
  const until = feed.kind === 'plain' && feed.until ? dateWords(feed.until, today, units) : null;
  switch (code) {
    case 'never':
      return 'You never feed it.';
    case 'held':
      return `You have paused feeding${until ? ` until ${until}` : ''}.`;
    case 'sick':
      return `You saw ${signWords(of!)} lately: food would do harm.`;
    case 'settles':
      return `It came lately and needs to settle first${until ? `, until ${until}` : ''}.`;
    case 'roots-form':
      return `Newly potted: let its roots fill the mix first${until ? `, until ${until}` : ''}.`;
    case 'mix-feeds':
      return `Its mix ${until ? `feeds it until ${until}` : 'still feeds it'}.`;
    case 'season-full':
      return `Fed ${n.given} of ${countWords(n.ceiling!, 'time')} this season: no more${until ? ` until ${until}` : ''}.`;
    case 'overfed':
      return `Overfed this season, ${countWords(n.given!, 'time')} of at most ${n.ceiling}: no food${until ? ` until ${until}` : ''}.`;
    case 'asleep':
      return 'Dormant: no food.';
    case 'fed-today':
      return 'Fed today.';
    case 'waking-dose':
      return 'First watering after rest: a weak feed, as you chose.';
    case 'waking':
      return 'Feed it once it is growing.';
    case 'last-half-dose':
      return 'Last watering before rest: half a dose, as you chose.';
    case 'easing':
      return 'It is slowing down: no more food this season.';
    case 'bone-dry':
      return 'Food is due, but its roots are bone dry: plain water first, food with the next.';
    case 'dark-months':
      return `The days are too short for food without a lamp${until ? `: none until ${until}` : ''}.`;
    case 'salts':
      return 'Salts have built up: no food before a flush.';
    case 'nth':
      return n.drink! >= n.every!
        ? `Every ${ordinal(n.every!)} watering, and this is one.`
        : `Watering ${n.drink} of ${n.every} since the last feed.`;
    case 'weeks-first':
      return 'Not fed yet this season.';
    case 'weeks':
      return n.days! >= 7 * n.weeks!
        ? `${capital(countWords(n.days!, 'day'))} since the last feed.`
        : `Fed ${n.days === 0 ? 'today' : n.days === 1 ? 'yesterday' : `${n.days} days ago`}; every ${n.weeks === 1 ? 'week' : `${n.weeks} weeks`} is enough.`;
    case 'not-its-months':
      return 'Not one of its feeding months.';
    case 'months-full':
      return n.given! > n.times!
        ? `Fed ${countWords(n.given!, 'time')} this season, and ${n.times} ${n.times === 1 ? 'is' : 'are'} enough.`
        : `Fed ${n.given} of ${n.times} for its season: enough.`;
    case 'months':
      return `Dose ${n.dose} of ${n.times} for its season.`;
    case 'months-later':
      return `Fed ${n.given} of ${n.times}; the next comes later in its season.`;
  }
}
