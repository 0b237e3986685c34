/** A pot that is no longer itself, as its looks show it: said, not averaged away. */
import type { Present } from './present.ts';

export type ChangeKind = 'slower' | 'faster' | 'contradictory';

export interface Change {
  kind: ChangeKind;
  /** its pace against its own before; 1 for a contradiction */
  factor: number;
}

/** A change is told once it is likelier than this. */
const LIKELY = 0.5;
/** So many of the last looks that seem slips contradict the rest. */
const CONTRADICTING_LOOKS = 2;

export function changeOf({ happened, cells }: Present): Change | null {
  const changed = happened.find(
    ({ kind, probability }) => (kind === 'slower' || kind === 'faster') && probability > LIKELY,
  );
  if (changed) {
    let weight = 0;
    let sum = 0;
    for (const { branch, weight: w } of cells) {
      if (branch.lnPace === 0 || branch.lnPace > 0 !== (changed.kind === 'faster')) continue;
      weight += w;
      sum += w * branch.lnPace;
    }
    return { kind: changed.kind as ChangeKind, factor: weight > 0 ? Math.exp(sum / weight) : 1 };
  }
  const slips = happened.filter(({ kind, probability }) => kind === 'slip' && probability > LIKELY);
  return slips.length >= CONTRADICTING_LOOKS ? { kind: 'contradictory', factor: 1 } : null;
}
