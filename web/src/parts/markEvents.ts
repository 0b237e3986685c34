/** The quick marks: what one key or thumb writes. */
import type { JournalEvent } from '@zinc-pail/contract/api';
import { type OutlookView } from '@zinc-pail/core';
import { litres } from './amounts.ts';

/** As advised; for a pot that is not due, a drench where there is a hole and half a fill where there is none. */
export function wateredAsAdvised(outlook: OutlookView, today: string): { events: JournalEvent[]; said: string } {
  const advice = outlook.water ?? null;
  if (advice?.method === 'measured' || !outlook.pot.holes) {
    const amount_ml = advice?.amount_ml ?? Math.max(5, Math.round(outlook.available_ml / 2));
    return { events: [{ type: 'watering', date: today, method: 'measured', amount_ml }], said: `watered, ${litres(amount_ml)}` };
  }
  const method = advice?.method ?? 'drench';
  return { events: [{ type: 'watering', date: today, method }], said: method === 'bottom' ? 'stood in water' : 'watered until it ran' };
}

export type Felt = 'wet' | 'damp' | 'dry';

export function felt(finger: Felt, today: string): { events: JournalEvent[]; said: string } {
  return { events: [{ type: 'check', date: today, finger }], said: `felt ${finger}` };
}
