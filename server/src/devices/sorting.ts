/**
 * What an instrument says against what can be: every reading is kept as it came; one that cannot be, that no pot jumps
 * to, that has not moved for a day, or whose clock is wrong, is doubted and decides nothing.
 */
import type { DeviceKind, Doubt } from '@zinc-pail/contract/devices';

export interface RawReading {
  atMs: number;
  value: number;
  rhPct: number | null;
}
export interface SortedReading extends RawReading {
  doubt: Doubt | null;
}

const MINUTE_MS = 60_000;
const HOUR_MS = 60 * MINUTE_MS;
const DAY_MS = 24 * HOUR_MS;
/** A clock may run ahead by so much; older than this nothing is brought any more. */
const AHEAD_MS = 10 * MINUTE_MS;
const OLDEST_MS = 400 * DAY_MS;

/** What instruments of each kind can read. 85 °C is what a common sensor says that has just got its current. */
const RANGE: Record<DeviceKind, readonly [number, number]> = {
  thermometer: [-45, 70],
  probe: [1, 10],
  scale: [5, 60_000],
};
/** Under glass the sun moves a thermometer by so much at once, and by so much an hour besides. */
const JUMP_K = 9;
const JUMP_K_AN_HOUR = 6;
/** A drench or a finger on the scale: a pot is never so much lighter or heavier than it was. */
const LIGHTER = 0.45;
const HEAVIER = 2.2;
/** So many in a row that agree with each other are believed after all: the pot was changed, the sensor was moved. */
const AGREE = 3;
/** Air that stays within a tenth of a degree all day and night is no air. */
const STUCK_READINGS = 24;
const STUCK_MS = DAY_MS;
const REMEMBERED = 30;

function jumps(kind: DeviceKind, from: RawReading, to: RawReading): boolean {
  if (kind === 'thermometer') {
    const hours = Math.abs(to.atMs - from.atMs) / HOUR_MS;
    return Math.abs(to.value - from.value) > JUMP_K + JUMP_K_AN_HOUR * hours;
  }
  // A probe goes from dry to wet at one drench.
  return kind === 'scale' && (to.value < LIGHTER * from.value || to.value > HEAVIER * from.value);
}

/**
 * Sorts readings in the order of their moments.
 *
 * @param before readings of the same instrument from before, oldest first, as they were sorted then
 */
export function sortOut(
  kind: DeviceKind,
  readings: readonly RawReading[],
  before: readonly SortedReading[],
  nowMs: number,
): SortedReading[] {
  const past = before.slice(-REMEMBERED);
  return readings
    .toSorted((a, b) => a.atMs - b.atMs)
    .map((reading) => {
      const sorted = { ...reading, rhPct: soundHumidity(reading.rhPct), doubt: doubtOf(kind, reading, past, nowMs) };
      past.push(sorted);
      return sorted;
    });
}

function soundHumidity(rhPct: number | null): number | null {
  return rhPct !== null && rhPct > 0 && rhPct <= 100 ? rhPct : null;
}

function doubtOf(kind: DeviceKind, reading: RawReading, past: readonly SortedReading[], nowMs: number): Doubt | null {
  if (reading.atMs > nowMs + AHEAD_MS || reading.atMs < nowMs - OLDEST_MS) return 'clock';
  const [least, most] = RANGE[kind];
  if (reading.value < least || reading.value > most) return 'out-of-range';
  if (kind === 'thermometer' && isStuck(reading, past)) return 'stuck';
  const last = past.findLast(({ doubt }) => doubt === null);
  if (last && jumps(kind, last, reading) && !isConfirmed(kind, reading, past)) return 'jump';
  return null;
}

/** The last ones were doubted as jumps and say what this one says. */
function isConfirmed(kind: DeviceKind, reading: RawReading, past: readonly SortedReading[]): boolean {
  const last = past.filter(({ doubt }) => doubt === null || doubt === 'jump').slice(-(AGREE - 1));
  return last.length === AGREE - 1 && last.every((one) => one.doubt === 'jump' && !jumps(kind, one, reading));
}

function isStuck(reading: RawReading, past: readonly SortedReading[]): boolean {
  let since = reading.atMs;
  let same = 1;
  for (const one of past.toReversed()) {
    if (one.doubt === 'out-of-range' || one.doubt === 'clock') continue;
    if (one.value !== reading.value) break;
    since = one.atMs;
    same++;
  }
  return same >= STUCK_READINGS && reading.atMs - since >= STUCK_MS;
}

/** A day whose readings leave a longer gap than this may have had its lowest or highest in it. */
const LONGEST_GAP_MS = 6 * HOUR_MS;

/**
 * The day's lowest and highest, where the believed readings cover it; else null.
 *
 * @param fromMs the first moment of the day at the site, and the first of the next: 23 to 25 hours
 */
export function dayOf(
  readings: readonly SortedReading[],
  fromMs: number,
  toMs: number,
): { tmin_c: number; tmax_c: number; rh_pct: number | null } | null {
  const sound = readings
    .filter(({ atMs, doubt }) => doubt === null && atMs >= fromMs && atMs < toMs)
    .toSorted((a, b) => a.atMs - b.atMs);
  const edges = [fromMs, ...sound.map(({ atMs }) => atMs), toMs];
  if (sound.length === 0 || edges.some((at, i) => i > 0 && at - edges[i - 1]! > LONGEST_GAP_MS)) return null;
  const humid = sound.flatMap(({ rhPct }) => (rhPct === null ? [] : [rhPct]));
  return {
    tmin_c: Math.min(...sound.map(({ value }) => value)),
    tmax_c: Math.max(...sound.map(({ value }) => value)),
    rh_pct: humid.length > 0 ? Math.round(humid.reduce((a, b) => a + b, 0) / humid.length) : null,
  };
}

const LOOKED_AT_HOUR = 9;
const FARTHEST_HOURS = 8;

/** The believed reading nearest to nine in the morning: one look a day. Null where none comes near. */
export function lookOf(readings: readonly SortedReading[], fromMs: number, toMs: number): SortedReading | null {
  const nine = fromMs + LOOKED_AT_HOUR * HOUR_MS;
  const far = ({ atMs }: RawReading) => Math.abs(atMs - nine);
  const [nearest] = readings
    .filter(({ atMs, doubt }) => doubt === null && atMs >= fromMs && atMs < toMs)
    .toSorted((a, b) => far(a) - far(b));
  return nearest && far(nearest) <= FARTHEST_HOURS * HOUR_MS ? nearest : null;
}
