/**
 * What one plant's book teaches the others: all that a thread needs of a plant that another thread has read. A large
 * garden is read in shares; each thread then joins what all of them teach, and comes to the same priors.
 */
import type { Stretch } from './history.ts';

/** A stretch as far as it tells of the keeper's timing. */
export type TimedStretch = Pick<Stretch, 'endDay' | 'lateness'>;

/** What a pot showed before it was repotted: it still teaches its place and its mix. */
export interface EarlierPot {
  id: string;
  place: string;
  mix: string;
  /** logs on the grid of ln k */
  evidence: Float64Array;
}

export interface Teaching {
  id: string;
  place: string;
  mix: string;
  /** logs on the grid of ln k, by looks */
  looks: Float64Array;
  /** looks at the pot */
  checks: number;
  stretches: TimedStretch[];
  /** the stretch that is still open */
  current: TimedStretch;
  before: EarlierPot[];
}

/** Every `of`-th plant of a garden, in its order, from the `from`-th on. */
export interface Share {
  of: number;
  from: number;
}

export const WHOLE: Share = { of: 1, from: 0 };

export function inShare(index: number, { of, from }: Share): boolean {
  return index % of === from;
}
