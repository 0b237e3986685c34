/** Why there is food with the next drink, or none. */
import type { FeedAdvice } from '@zinc-pail/core';
import { dateWords } from './days.ts';
import { signWords } from './signs.ts';
import { ordinal } from './units.ts';

/** A sentence; the day until which it holds stands in it. */
export function feedWords(feed: FeedAdvice, today: string): string {
  const { code, n, of } = feed.why;
  const until = feed.kind === 'plain' && feed.until ? dateWords(feed.until, today) : null;
  switch (code) {
    case 'never':
      return 'You feed it never.';
    case 'held':
      return `You hold its food${until ? ` until ${until}` : ''}.`;
    case 'sick':
      return `You saw ${signWords(of ?? '')} lately: food would harm.`;
    case 'settles':
      return `It came lately and settles first${until ? `, until ${until}` : ''}.`;
    case 'roots-form':
      return `Newly potted: its roots fill the mix first${until ? `, until ${until}` : ''}.`;
    case 'mix-feeds':
      return `Its mix feeds it${until ? ` until ${until}` : ' still'}.`;
    case 'season-full':
      return `Fed ${n.given} of ${n.ceiling} this season, its limit: no more${until ? ` until ${until}` : ''}.`;
    case 'overfed':
      return `Overfed this season, ${n.given} of at most ${n.ceiling}: none${until ? ` until ${until}` : ''}.`;
    case 'asleep':
      return 'Asleep: no food.';
    case 'fed-today':
      return 'Fed today.';
    case 'waking-dose':
      return 'The first drink on waking: a weak feed, as you chose.';
    case 'waking':
      return 'Food once it grows.';
    case 'last-half-dose':
      return 'The last before rest: half a dose, as you chose.';
    case 'easing':
      return 'It slows: none this season.';
    case 'bone-dry':
      return 'Food is due, but its roots are bone dry: a plain drink first, food with the next.';
    case 'dark-months':
      return `Days too short for food without a lamp${until ? `: none until ${until}` : ''}.`;
    case 'salts':
      return 'Salts have built up: none before a flush.';
    case 'nth':
      return n.drink! >= n.every!
        ? `Every ${ordinal(n.every!)} drink, and this is it.`
        : `Drink ${n.drink} of ${n.every} since the last food.`;
    case 'weeks-first':
      return 'Not fed yet this season.';
    case 'weeks':
      return n.days! >= 7 * n.weeks!
        ? `${n.days} days since the last food.`
        : `Fed ${n.days} days ago; every ${n.weeks} weeks is enough.`;
    case 'not-its-months':
      return 'Not one of its feeding months.';
    case 'months-full':
      return n.given! > n.times!
        ? `Fed ${n.given} times this season, and ${n.times} are enough.`
        : `Fed ${n.given} of ${n.times} for its season: enough.`;
    case 'months':
      return `Dose ${n.dose} of ${n.times} for its season.`;
    case 'months-later':
      return `Fed ${n.given} of ${n.times}; the next comes later in its season.`;
  }
}
