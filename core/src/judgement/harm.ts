/**
 * What each deed may cost, as data with its reason: 1 is the plant lost. Too much water kills, too little delays; a
 * look costs little but not nothing, and is worth what it may change.
 */
import type { Store } from '../garden.ts';

export interface HarmRow {
  harm: number;
  why: string;
}

export const HARM = {
  drinkIntoWet: {
    harm: 0.05,
    why: 'a drink into a mix that is still wet shuts its air out for another cycle: most losses are rot',
  },
  drinkIntoDamp: { harm: 0.008, why: 'a drink a little early costs roots some air' },
  look: { harm: 0.0035, why: 'a finger in the pot takes a minute, and skins crack that are felt every day' },
  dayDry: { harm: 0.002, why: 'a succulent with a full store stands dry for weeks; growth waits' },
  dayThirsty: { harm: 0.012, why: 'once the store is spent fine roots die back, some each day' },
  dayDryKeepDamp: { harm: 0.02, why: 'a kind without a store wilts within days of a dry mix' },
} as const satisfies Record<string, HarmRow>;

/** How rot-prone a kind is by where it keeps its water: a store below ground rots where nobody sees it. */
export const ROT_PRONE: Record<Store, number> = { leaf: 1, stem: 1.1, below: 1.6, none: 0.5 };
/** And how much worse a wet mix is when the plant sleeps, or the mix is cold. */
export const WORSE = {
  asleep: { times: 4, why: 'resting roots take nothing up: the mix stays wet for weeks' },
  cold: { times: 3, why: 'below its growing warmth roots stand still and rot fungi do not' },
  unknownName: { times: 1.5, why: 'nobody knows what it bears: the drier side' },
  hardToReplace: { times: 2.5, why: 'it cannot be had again' },
} as const;

/** Days until somebody would look again, if nothing is done now. */
export const DAYS_TO_NEXT_LOOK = 4;
/** Gap between the best deed and the next, in harm, from which the choice is sure, and fairly sure. */
export const SURE_GAP = 0.02;
export const FAIRLY_SURE_GAP = 0.006;
