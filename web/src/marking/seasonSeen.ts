/** What a keeper may see of a plant's season, by what it is held to do: one tap each. */
import type { JournalEvent } from '@zinc-pail/contract/api';
import type { PlantState } from '@zinc-pail/core';

export interface SeasonSeen {
  /** on the button */
  label: string;
  /** in the answer after it */
  said: string;
  event(date: string): JournalEvent;
}

const state = (label: string, said: string, now: PlantState): SeasonSeen => ({
  label,
  said,
  event: (date) => ({ type: 'state', date, state: now }),
});
const sign = (label: string, seen: 'new-growth' | 'buds' | 'leaves-dying-back' | 'firm-base'): SeasonSeen => ({
  label,
  said: label,
  event: (date) => ({ type: 'sign', date, sign: seen, strength: 1 }),
});

/** In the order in which they matter: what would overrule it first. */
export const SEASON_SEEN: Record<PlantState, readonly SeasonSeen[]> = {
  growing: [sign('leaves dying back', 'leaves-dying-back'), state('leafless', 'leafless: asleep', 'resting')],
  easing: [state('I see: dormant', 'dormant', 'resting'), state('I see: growing', 'growing', 'growing')],
  resting: [sign('new growth', 'new-growth'), sign('buds', 'buds'), sign('firm', 'firm-base')],
  waking: [state('I see: growing', 'growing', 'growing'), state('I see: dormant', 'dormant', 'resting')],
};
