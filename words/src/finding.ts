/** What plants can be found by besides their names: what is asked of them, their season, their light. */

/** In the order in which they are offered. */
export const FOUND_BY = [
  'to-water',
  'to-check',
  'to-act-on',
  'dry-this-week',
  'resting',
  'growing',
  'quarantine',
  'too-dim',
  'too-bright',
  'no-drink-ahead',
] as const;
export type FoundBy = (typeof FOUND_BY)[number];

/** The words that are offered, first, and what else means the same. */
export const FOUND_WORDS: Record<FoundBy, readonly [offered: string, ...also: string[]]> = {
  'to-water': ['to water', 'thirsty', 'water today', 'due today'],
  'to-check': ['to check', 'feel', 'to feel', 'check'],
  'to-act-on': ['to act on', 'in danger', 'act'],
  'dry-this-week': ['dry this week', 'due this week', 'water this week', 'this week'],
  resting: ['resting', 'asleep', 'dormant', 'sleeping'],
  growing: ['growing', 'in growth'],
  quarantine: ['in quarantine', 'quarantine', 'quarantined'],
  'too-dim': ['too dim', 'too dark'],
  'too-bright': ['too bright', 'too much sun'],
  'no-drink-ahead': ['no watering ahead', 'never dry'],
};

/** What these words mean, where they are such words. */
export function foundBy(text: string): FoundBy | null {
  const sought = text.trim().toLowerCase();
  return FOUND_BY.find((id) => FOUND_WORDS[id].includes(sought)) ?? null;
}

/** Those that may be meant by what is typed so far. */
export function offeredFor(text: string): FoundBy[] {
  const sought = text.trim().toLowerCase();
  return FOUND_BY.filter((id) => FOUND_WORDS[id].some((words) => words.includes(sought)));
}
