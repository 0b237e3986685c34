/** When a plant has its first drink after a potting, by what its roots went through. */
import type { RootFinding, Store } from '../garden.ts';

export interface FirstDrinkFacts {
  /** share of the roots cut or lost */
  rootLoss: number;
  mixWas: 'dry' | 'damp' | 'wet' | null;
  store: Store;
  /** the days at its place are below its growing warmth */
  cool: boolean;
  findings: readonly RootFinding[];
}

export const FIRST_DRINK_CODES = [
  'roots-cut',
  'rot-found',
  'fleshy',
  'damp-mix',
  'cool',
  'asleep',
  'whole-roots',
  'dry-brittle',
] as const;

export interface FirstDrink {
  /** days after the potting */
  days: number;
  /** what decided, strongest first */
  because: (typeof FIRST_DRINK_CODES)[number][];
}

/** Roots cut by more than this have wounds that dry before they are wetted. */
export const WHOLE_ROOTS_LIMIT = 0.15;
const WOUND_DAYS = 7;
const FLESHY_DAYS = 2;
const COOL_DAYS = 2;
const ROT_DAYS = 10;

/** At once, the next day, or in three to ten days. */
export function firstDrink({ rootLoss, mixWas, store, cool, findings }: FirstDrinkFacts): FirstDrink {
  const because: FirstDrink['because'] = [];
  let days = 0;
  if (findings.includes('brown-soft')) {
    days = ROT_DAYS;
    because.push('rot-found');
  } else if (rootLoss > WHOLE_ROOTS_LIMIT) {
    days = WOUND_DAYS;
    because.push('roots-cut');
  } else if (findings.includes('dry-brittle')) {
    days = 1;
    because.push('dry-brittle');
  } else if (store === 'below' || store === 'stem') {
    days = FLESHY_DAYS;
    because.push('fleshy');
  } else because.push('whole-roots');
  if (days > 0 && cool) {
    days += COOL_DAYS;
    because.push('cool');
  }
  if (mixWas === 'damp' || mixWas === 'wet') {
    days = Math.max(days, mixWas === 'wet' ? 4 : 2);
    because.push('damp-mix');
  }
  return { days, because };
}
