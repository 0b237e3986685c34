/**
 * Whether a badly damaged plant is worth keeping whole, in parts, or not at all: by how many of its kind there are, how hard
 * it is to replace, and whether what ails it spreads.
 */
import type { Case } from './cases.ts';
import { spreads } from '../catalogue/causes.ts';

export type Worth = 'keep' | 'parts' | 'let-go';

/** Treatments after which guests that are still there are more than a nuisance. */
const TREATED_IN_VAIN = 3;

/** Badly damaged: rot in the stem, worse at the look after, or guests that three treatments have not moved. */
export function isBad({ cause, steps, cleanRun }: Pick<Case, 'cause' | 'steps' | 'cleanRun'>): boolean {
  if (cause === 'stem-rot') return true;
  if (steps.some(({ step, found }) => step === 'look-again' && found === 'worse')) return true;
  const treated = steps.filter(({ step, doneOn }) => doneOn !== null && !LOOKS.has(step)).length;
  return spreads(cause) && cleanRun === 0 && treated >= TREATED_IN_VAIN;
}

/** Steps that look, and treat nothing. */
const LOOKS: ReadonlySet<string> = new Set(['look-over', 'neighbours', 'press-base', 'look-again', 'isolate']);

interface Standing {
  one: Pick<Case, 'cause' | 'steps' | 'cleanRun'>;
  /** others of its kind in the collection */
  others: number;
  hardToReplace: boolean;
}

/**
 * What a keeper with many benches would do with it; null where it is not that bad.
 *
 * A plant whose guests spread endangers all beside it: only the one that cannot be had again is kept through that. Where
 * nothing spreads, healthy parts of an only one are the surer way on.
 */
export function worthOf({ one, others, hardToReplace }: Standing): Worth | null {
  if (!isBad(one)) return null;
  if (spreads(one.cause)) return hardToReplace ? 'parts' : others > 0 ? 'let-go' : 'keep';
  if (hardToReplace || others === 0) return 'parts';
  return one.cause === 'stem-rot' ? 'let-go' : 'keep';
}
