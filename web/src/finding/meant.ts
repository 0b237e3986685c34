/** Which plants are meant by what is typed: words of their names and benches, or what is asked of them. */
import type { TableRow } from '@zinc-pail/contract/table';
import { isApart } from '@zinc-pail/core';
import { type FoundBy, foundBy } from '@zinc-pail/words/finding';
import { addDays } from '../reader/days.ts';
import { isMeant } from '../screens/list/rows.ts';

const WEEK = 7;

const MEANT: Record<FoundBy, (row: TableRow, today: string) => boolean> = {
  'to-water': ({ verdict }) => verdict === 'water',
  'to-check': ({ verdict }) => verdict === 'look',
  'to-act-on': ({ verdict }) => verdict === 'act',
  'dry-this-week': ({ due }, today) => due !== null && due < addDays(today, WEEK),
  resting: ({ state }) => state === 'resting',
  growing: ({ state }) => state === 'growing',
  quarantine: ({ quarantine_until: until }, today) => isApart(until, today),
  'too-dim': ({ light }) => light === 'too-dim',
  'too-bright': ({ light }) => light === 'too-bright',
  'no-drink-ahead': ({ due }) => due === null,
};

export function meantBy(row: TableRow, text: string, today: string): boolean {
  const by = foundBy(text);
  return by ? MEANT[by](row, today) : isMeant(row, text);
}
