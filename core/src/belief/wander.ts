/**
 * How far pots wander from their reckoning: one figure for the whole collection, learned from what probes and scales
 * showed against what was expected of them. It scales the deviation of looks.ts; words tell too little to move it.
 */
import { fromLog } from './grid.ts';
import { LOOK_WEIGHT } from './looks.ts';

/** Scales of the deviation that are tried, and how likely each is before anybody has looked. */
export const WANDERS_TRIED: readonly { wander: number; prior: number }[] = [
  { wander: 0.4, prior: 0.08 },
  { wander: 0.6, prior: 0.17 },
  { wander: 0.8, prior: 0.25 },
  { wander: 1, prior: 0.3 },
  { wander: 1.3, prior: 0.2 },
];
/** To reckon with while nobody has shown otherwise. */
export const USUAL_WANDER = 1;

/** @param evidence of each pot: ln of the chance of its figures under each of {@link WANDERS_TRIED} */
export function believedWander(evidence: Iterable<Float64Array>): number {
  const logs = WANDERS_TRIED.map(({ prior }) => Math.log(prior));
  let told = false;
  for (const own of evidence) {
    for (let i = 0; i < logs.length; i++) {
      logs[i]! += LOOK_WEIGHT * own[i]!;
      if (own[i] !== 0) told = true;
    }
  }
  if (!told) return USUAL_WANDER;
  let ln = 0;
  for (const [i, weight] of fromLog(logs).entries()) ln += weight * Math.log(WANDERS_TRIED[i]!.wander);
  return Math.exp(ln);
}
