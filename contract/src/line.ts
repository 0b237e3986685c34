/** What the line of a pot carries. Apart from the schemas, so that a browser need not load those. */
import type { OutlookView } from '@zinc-pail/core';

/** A line is drawn from so many days back to so many days ahead. */
export const LINE_BEHIND_DAYS = 14;
export const LINE_AHEAD_DAYS = 28;
/** What a line says and draws of an outlook: a round of thousands carries no more. */
export const LINE_FIELDS = [
  'id',
  'state',
  'moisture',
  'dry_on',
  'water',
  'hold',
  'due_m',
  'pot',
  'ahead',
  'cold_nights',
  'rest',
  'last_watered',
  'traits',
] as const;
export type LineOutlook = Pick<OutlookView, (typeof LINE_FIELDS)[number]> & {
  past: Pick<OutlookView['past'], 'from' | 'p50'>;
};
