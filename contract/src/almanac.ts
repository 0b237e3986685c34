import type { FeedRule, Garden } from '@zinc-pail/core';

/** What the year ahead of a site is reckoned from. */
export interface AlmanacInput {
  site: { id: number; name: string };
  garden: Garden;
  /** in walking order */
  places: { id: string; name: string }[];
  /** in walking order; `due`: the day of the next drink as judged, or null; `ceiling_c`: the height of a day that it bears */
  plants: {
    id: string;
    number: string;
    name: string;
    due: string | null;
    ceiling_c: number;
    feed: FeedRule;
    repot_years: number;
    /** since when it stands in its pot, as far as known */
    potted_on: string | null;
    /** days on which it was seen in flower */
    flowered: string[];
  }[];
}
