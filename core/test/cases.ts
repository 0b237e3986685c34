/**
 * How many cases heavy property tests go through: all of them in `npm run test:long` and in CI, the first few in a
 * keeper's own `npm test`. The first are the same in both, so that what is red here is red there.
 */
export const LONG = process.env.ZINC_LONG === '1';

export const runs = (all: number, few: number): number => (LONG ? all : few);

/** Every n-th, so that what is left spans the whole. */
export const every = <T>(all: readonly T[], nth: number): readonly T[] =>
  LONG ? all : all.filter((_, i) => i % nth === 0);
