/** The quick marks: what one key or thumb writes. */
import type { JournalEvent, RoundPot } from '@zinc-pail/contract/api';
import { drinkOf } from '@zinc-pail/core';
import { WAY_WORDS } from '@zinc-pail/words/ways';
import type { Marked } from './Marks.tsx';
import { litres } from '../reader/amounts.ts';

/** As advised: the way, the measure, the water, and the food if it is due with this drink. */
export function wateredAsAdvised({ outlook, task }: Pick<RoundPot, 'outlook' | 'task'>, date: string): JournalEvent[] {
  const closed = !outlook.pot.holes;
  const method = closed ? 'measured' : task.method;
  const drink = {
    type: 'watering',
    date,
    method,
    way: closed ? 'measured' : task.way,
    water: task.water,
    ...(method === 'measured' || task.flush ? { amount_ml: Math.max(1, task.amount_ml) } : {}),
  } as JournalEvent;
  return task.food !== null && drinkOf(task.judgement)
    ? [drink, { type: 'feeding', date, dose: task.food, feed_id: task.feed_id } as JournalEvent]
    : [drink];
}

export function wateredWords({ outlook, task }: Pick<RoundPot, 'outlook' | 'task'>): string {
  const fed = task.food !== null && drinkOf(task.judgement) ? ', fed' : '';
  if (task.flush && outlook.pot.holes) return `flushed with ${litres(task.amount_ml)}`;
  const way = outlook.pot.holes ? task.way : 'measured';
  return `${WAY_WORDS[way].said(litres(task.amount_ml))}${fed}`;
}

export type Felt = 'wet' | 'damp' | 'dry';

export function felt(finger: Felt, date: string): JournalEvent[] {
  return [{ type: 'check', date, finger }];
}

export function marked(pot: RoundPot, today: string): Marked {
  return { plantId: pot.id, name: pot.name, today, seen: pot.revision, before: pot };
}
