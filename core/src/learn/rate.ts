/**
 * From evidence to rate: each potting has a hidden ln k about its place's, each place about zero, and each stretch from
 * drench to drench strays a little about the potting's own. All on the grid, all exact but for its step.
 */
import type { DayNumber } from '../calendar/day.ts';
import { blur, fromLog, GRID_SIZE, gridMean, gridVariance, normalDensity, normalise, shifted, spreadNodes } from './grid.ts';
import type { Stretch } from './history.ts';

/** Spread of pottings within a place, of places, and of a pot's store against the reckoned one (joined: both scale time). */
export const POT_SD = Math.hypot(0.35, 0.08);
export const PLACE_SD = 0.2;
/** A stretch strays from its potting's rate: states ill guessed, weather not as measured, a plant that grew. */
export const STRETCH_SD = 0.14;
/** Old looks fade: roots fill a pot and mixes settle. */
const HALF_LIFE_DAYS = 200;

/** How much a stretch still says today. */
export function fade(stretch: Stretch, today: DayNumber): number {
  return 2 ** (-(today - stretch.endDay) / HALF_LIFE_DAYS);
}

/** What a pot's own looks say of its ln k, before any prior: logs on the grid. */
export function potEvidence(stretches: readonly Stretch[], today: DayNumber): Float64Array {
  const logs = new Float64Array(GRID_SIZE);
  for (const stretch of stretches) {
    if (!hasShape(stretch.logs)) continue;
    const own = blur(fromLog(spreadNodes(stretch.logs)), STRETCH_SD);
    const weight = fade(stretch, today);
    for (let i = 0; i < GRID_SIZE; i++) logs[i]! += weight * Math.log(own[i]! + LEAST_CHANCE);
  }
  return logs;
}

function hasShape(logs: Float64Array): boolean {
  return logs.some((value) => value !== logs[0]);
}

/** A pot's evidence and what it shares with others. */
export interface PooledPot {
  evidence: Float64Array;
  place: string;
  mix: string;
}

/** What all pots of a collection have in common: the reckoning's own bias in this climate, under this keeper. */
export const GARDEN_SD = 0.25;
/** What pots of one mix have in common beyond their places. */
const MIX_SD = 0.12;

/**
 * For each pot, what the others teach: a prior for its ln k without its own evidence. Without evidence anywhere it is
 * the plain prior. Garden over places over pots is exact on the grid; the mix's small factor is added as a shift,
 * from the pots' residuals about their places (one step of a normal approximation).
 */
export function pooledPriors(pots: readonly PooledPot[]): Float64Array[] {
  const messages = pots.map(({ evidence }) => (hasShape(evidence) ? lnOf(blur(fromLog(evidence), POT_SD)) : null));
  const byPlace = new Map<string, Float64Array>();
  for (const [i, { place }] of pots.entries()) {
    const sum = byPlace.get(place) ?? new Float64Array(GRID_SIZE);
    byPlace.set(place, sum);
    if (messages[i]) addTo(sum, messages[i], 1);
  }
  const upward = new Map([...byPlace].map(([place, sum]) => [place, hasShape(sum) ? lnOf(blur(fromLog(sum), PLACE_SD)) : null]));
  const garden = lnOf(normalDensity(0, GARDEN_SD));
  for (const message of upward.values()) if (message) addTo(garden, message, 1);

  const shared = [...byPlace].map(([place, sum]) => {
    const others = garden.slice();
    const own = upward.get(place);
    if (own) addTo(others, own, -1);
    return [place, { above: lnOf(blur(fromLog(others), PLACE_SD)), sum }] as const;
  });
  const places = new Map(shared);
  const centres = pots.map(({ place }, i) => {
    const { above, sum } = places.get(place)!;
    const logs = above.slice();
    addTo(logs, sum, 1);
    if (messages[i]) addTo(logs, messages[i], -1);
    return fromLog(logs);
  });
  const shifts = mixShifts(pots, messages, centres);
  return centres.map((centre, i) => shifted(blur(centre, Math.hypot(POT_SD, MIX_SD)), shifts[i]!));
}

/** Each pot's mix factor as the other pots of the mix show it. */
function mixShifts(pots: readonly PooledPot[], messages: readonly (Float64Array | null)[], centres: readonly Float64Array[]): number[] {
  const residuals = pots.map((_, i) => {
    const message = messages[i];
    if (!message) return null;
    const own = fromLog(message);
    const meanX = gridMean(own);
    return { value: meanX - gridMean(centres[i]!), weight: 1 / (gridVariance(own, meanX) + PLACE_SD ** 2) };
  });
  const totals = new Map<string, { weight: number; sum: number }>();
  for (const [i, { mix }] of pots.entries()) {
    const residual = residuals[i];
    if (!residual) continue;
    const total = totals.get(mix) ?? { weight: 0, sum: 0 };
    totals.set(mix, { weight: total.weight + residual.weight, sum: total.sum + residual.weight * residual.value });
  }
  return pots.map(({ mix }, i) => {
    const total = totals.get(mix);
    if (!total) return 0;
    const own = residuals[i];
    const weight = total.weight - (own?.weight ?? 0);
    const sum = total.sum - (own ? own.weight * own.value : 0);
    return sum / (weight + 1 / MIX_SD ** 2);
  });
}

/** The factor that the pots of a place share, for showing. */
export function sharedFactor(pots: readonly PooledPot[]): Float64Array {
  const logs = lnOf(normalDensity(0, Math.hypot(PLACE_SD, GARDEN_SD)));
  for (const { evidence } of pots) if (hasShape(evidence)) addTo(logs, lnOf(blur(fromLog(evidence), POT_SD)), 1);
  return fromLog(logs);
}

/** Evidence that vanishes somewhere must not rule it out for ever. */
const LEAST_CHANCE = 1e-12;

export function lnOf(density: Float64Array): Float64Array {
  return density.map((p) => Math.log(p + LEAST_CHANCE));
}

export function addTo(sum: Float64Array, logs: Float64Array, times: number): void {
  for (let i = 0; i < GRID_SIZE; i++) sum[i]! += times * logs[i]!;
}

/** Prior times evidence. */
export function posterior(prior: Float64Array, logs: ArrayLike<number>): Float64Array {
  let top = -Infinity;
  for (let i = 0; i < GRID_SIZE; i++) if (logs[i]! > top) top = logs[i]!;
  const out = new Float64Array(GRID_SIZE);
  for (let i = 0; i < GRID_SIZE; i++) out[i] = prior[i]! * Math.exp(logs[i]! - top);
  return normalise(out);
}
