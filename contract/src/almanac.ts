import type { Garden } from '@zinc-pail/core';

/** What the year ahead of a site is reckoned from. */
export interface AlmanacInput {
  site: { id: number; name: string };
  garden: Garden;
  /** in walking order */
  places: { id: string; name: string }[];
  /** in walking order; `due`: the day of the next drink as judged, or null; `ceiling_c`: the height of a day that it bears */
  plants: { id: string; number: string; name: string; due: string | null; ceiling_c: number }[];
}
