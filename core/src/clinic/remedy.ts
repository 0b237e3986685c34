/**
 * Remedies decide, not names: where causes share a remedy their chances add up, and it is done though nobody can say which
 * of them it is.
 */
import { type Cause, type Hypothesis, isHarmless, remedyFor } from '../catalogue/causes.ts';
import { ACTS_FROM, type Diagnosis } from './diagnose.ts';

export interface Remedy {
  /** the broad kind of what is done (catalogue/causes.ts) */
  kind: string;
  probability: number;
  /** the likeliest of the causes that share it */
  cause: Cause;
}

/** The likeliest remedy; null where nothing is ranked. */
export function remedyOf({ causes }: Pick<Diagnosis, 'causes'>): Remedy | null {
  const kinds = new Map<string, Remedy>();
  for (const { cause, probability } of causes) {
    const kind = remedyFor(cause);
    const found = kinds.get(kind);
    // Causes stand likeliest first: the first of a kind gives its name.
    if (found) found.probability += probability;
    else kinds.set(kind, { kind, probability, cause });
  }
  let best: Remedy | null = null;
  for (const remedy of kinds.values()) if (!best || remedy.probability > best.probability) best = remedy;
  return best;
}

/** The cause whose remedy is likely enough to be done, or null. */
export function actedOn(diagnosis: Pick<Diagnosis, 'causes'> | null): Remedy | null {
  const remedy = diagnosis && remedyOf(diagnosis);
  return remedy && remedy.probability >= ACTS_FROM ? remedy : null;
}

/** Nothing is wrong, likely enough, whichever of the harmless it is. */
export function isLeftAlone(diagnosis: Pick<Diagnosis, 'causes'> | null): boolean {
  const remedy = actedOn(diagnosis);
  return remedy !== null && isHarmless(remedy.cause);
}

export function sharesRemedy(a: Hypothesis, b: Hypothesis): boolean {
  return remedyFor(a) === remedyFor(b);
}
