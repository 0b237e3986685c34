/**
 * How the reckoning errs with the season: one figure for the whole collection, learned from pots that were looked at in
 * different drying power (rate.ts, driveShift). A few values are tried; each is believed by how well the stretches of
 * one pot, high summer and dark of winter, agree on one rate under it.
 */
import { lnEvidence } from './evidence.ts';
import { fromLog } from './grid.ts';
import type { Stretch } from './history.ts';
import { driveShift, USUAL_BENT } from './rate.ts';

/** Values tried, and how likely each is before anybody has looked; their mean is {@link USUAL_BENT}. */
export const BENTS_TRIED: readonly { bent: number; prior: number }[] = [
  { bent: -0.12, prior: 0.1 },
  { bent: 0, prior: 0.32 },
  { bent: 0.1, prior: 0.32 },
  { bent: 0.2, prior: 0.2 },
  { bent: 0.35, prior: 0.06 },
];
/** More pots than this would only take time. */
const MOST_POTS_ASKED = 40;
/** Stretches of one pot that differ by less in ln drive do not tell. */
const LEAST_APART = 0.35;

export function believedBent(pots: readonly (readonly Stretch[])[]): number {
  const telling = pots.filter(tells);
  if (telling.length === 0) return USUAL_BENT;
  const every = Math.max(1, Math.floor(telling.length / MOST_POTS_ASKED));
  const asked = telling.filter((_, i) => i % every === 0).slice(0, MOST_POTS_ASKED);
  const logs = BENTS_TRIED.map(({ bent, prior }) =>
    asked.reduce(
      (sum, stretches) => sum + lnEvidence(stretches, (lnDrive) => driveShift(lnDrive, bent)),
      Math.log(prior),
    ),
  );
  return fromLog(logs).reduce((sum, weight, i) => sum + weight * BENTS_TRIED[i]!.bent, 0);
}

function tells(stretches: readonly Stretch[]): boolean {
  let least = Infinity;
  let most = -Infinity;
  for (const { checks, lnDrive } of stretches) {
    if (checks === 0) continue;
    least = Math.min(least, lnDrive);
    most = Math.max(most, lnDrive);
  }
  return most - least >= LEAST_APART;
}
