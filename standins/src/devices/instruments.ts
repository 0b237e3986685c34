/**
 * Instruments among the plants that do not exist: a minimum–maximum thermometer, a moisture probe and a pot scale. Each
 * has a truth of its own, drifts away from it as cheap ones do, falls silent at times and now and then says nonsense.
 */
import { type Random, seededRandom, seedFrom, standardNormal } from '@zinc-pail/core';

export const INSTRUMENT_KINDS = ['thermometer', 'probe', 'scale'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

export interface Pushed {
  /** its moment: a reading sent twice bears the same */
  at: string;
  temp_c?: number;
  rh_pct?: number;
  meter?: number;
  weight_g?: number;
}

const HOURS_A_DAY = 24;
const MS_A_DAY = 86_400_000;
/** A battery or a bad contact, in the share of readings. */
const SILENT = 0.06;
const NONSENSE = 0.03;
/** What a broken sensor says, by kind: out of all bounds, or a value that no pot jumps to within the hour. */
const NONSENSE_VALUES: Record<InstrumentKind, readonly number[]> = {
  thermometer: [-127, 85, 999],
  probe: [0, 255, 14],
  scale: [-4, 65_535, 1],
};
const PROBE_DRIFT_A_DAY = 0.01;
const SCALE_DRIFT_G_A_DAY = 0.15;
const THERMOMETER_DRIFT_K_A_DAY = 0.004;

/** Where the instrument stands: the middle of the day's warmth, and the pot it is in. */
export interface Standing {
  meanC: number;
  swingK: number;
  drainedG: number;
  dryG: number;
  /** days from a drench to dry */
  cycleDays: number;
}

export const ON_A_SILL: Standing = { meanC: 17, swingK: 6, drainedG: 640, dryG: 430, cycleDays: 12 };

/** Readings of an instrument from `fromMs` on, one every `everyMs`; the same seed gives the same. */
export function* readingsOf(
  kind: InstrumentKind,
  seed: string,
  { fromMs, everyMs, standing = ON_A_SILL }: { fromMs: number; everyMs: number; standing?: Standing },
): Generator<Pushed | null> {
  const random = seededRandom(seedFrom(`${kind} ${seed}`));
  for (let count = 0; ; count++) {
    const atMs = fromMs + count * everyMs;
    const days = (atMs - fromMs) / MS_A_DAY;
    if (random() < SILENT) {
      yield null;
      continue;
    }
    const wrong = random() < NONSENSE;
    const value = wrong
      ? NONSENSE_VALUES[kind][Math.floor(random() * NONSENSE_VALUES[kind].length)]!
      : trueReading(kind, days, atMs, standing, random);
    const at = new Date(atMs).toISOString();
    if (kind === 'thermometer') yield { at, temp_c: value, rh_pct: Math.round(55 + 8 * standardNormal(random)) };
    else if (kind === 'probe') yield { at, meter: value };
    else yield { at, weight_g: value };
  }
}

function trueReading(kind: InstrumentKind, days: number, atMs: number, standing: Standing, random: Random): number {
  const m = Math.max(0, 1 - (days % standing.cycleDays) / standing.cycleDays);
  switch (kind) {
    case 'thermometer': {
      const hour = (atMs % MS_A_DAY) / 3_600_000;
      // Warmest at three in the afternoon.
      const swing = standing.swingK * Math.cos(((hour - 15) * 2 * Math.PI) / HOURS_A_DAY);
      return tenth(standing.meanC + swing + THERMOMETER_DRIFT_K_A_DAY * days + 0.2 * standardNormal(random));
    }
    case 'probe':
      return Math.min(10, Math.max(1, Math.round(1 + 9 * m - PROBE_DRIFT_A_DAY * days + 0.5 * standardNormal(random))));
    case 'scale':
      return Math.round(
        standing.dryG +
          m * (standing.drainedG - standing.dryG) +
          SCALE_DRIFT_G_A_DAY * days +
          1.5 * standardNormal(random),
      );
  }
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}
