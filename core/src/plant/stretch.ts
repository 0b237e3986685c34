/** Stem between leaves, low down and near the tip: grown long for want of light. */
import type { PlantEvent } from '../garden.ts';

const USUAL_FROM = 1.7;
/** From here on, in steps over the limit, it is plain and then gross. */
const PLAIN = 1.3;
const GROSS = 1.8;

/**
 * The sign that two measured lengths amount to, or null: a ratio below `from`, or no two lengths.
 * `stretchSign('2026-05-01', 6, 15)` is a stretched tip of strength 2: two and a half times the foot.
 */
export function stretchSign(date: string, lowMm: number, tipMm: number, from = USUAL_FROM): PlantEvent | null {
  if (!(lowMm > 0) || !(tipMm > 0)) return null;
  const over = tipMm / lowMm / from;
  if (over < 1) return null;
  return { type: 'sign', date, sign: 'stretched', strength: over >= GROSS ? 3 : over >= PLAIN ? 2 : 1, where: 'tips' };
}
