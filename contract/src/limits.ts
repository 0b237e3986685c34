/** How large, how long, how many: each limit once, for whoever checks it and whoever says it. */

/** Of what is wrong so much is told; nobody reads more, and an answer stays small. */
export const MOST_FAULTS_TOLD = 20;
/** Of a list of plants, which people mend by: all of them, up to a fault a row of the longest. */
export const MOST_FAULTS_OF_LIST = 5000;

export const LARGEST_BODY_MB = 1;
/** The fullest body is one of marks: a megabyte of entries of five fields. */
export const MOST_VALUES_IN_BODY = 80_000;
/** A list as text: some characters take three bytes, line ends two. */
export const LARGEST_LIST_MB = 4;
export const LARGEST_GARDEN_MB = 64;
export const LARGEST_PICTURE_MB = 20;
/** A list of plants or readings, as text in a body of its own. */
export const LONGEST_CSV = 900_000;

export const LONGEST_NAME = 120;
export const LONGEST_PLANT_NAME = 200;
export const LONGEST_NUMBER = 40;
export const LONGEST_TEXT = 500;
export const LONGEST_CAPTION = 300;
export const LONGEST_SEARCH = 100;
export const LONGEST_VIEW_NAME = 80;
export const LONGEST_ADDRESS = 200;
export const LONGEST_REASON = 300;

/** Before it nothing is written of a plant or its weather: an earlier day is a slip of the hand. */
export const OLDEST_DAY = '1950-01-01';

export const MOST_AT_ONCE = 5000;
export const MOST_COPIES = 200;
export const MOST_LABELS = 1000;
/**
 * Labels on a sheet of A4, in mm: to stick on a pot, small to stick, and a stake to cut out. What is printed keeps a margin
 * from the paper's edge that every printer can reach.
 */
export const LABEL_SIZES = {
  usual: { widthMm: 70, heightMm: 36, columns: 3, rows: 8, leftMm: 0, topMm: 4.5 },
  small: { widthMm: 48, heightMm: 25, columns: 4, rows: 11, leftMm: 9, topMm: 11 },
  stake: { widthMm: 95, heightMm: 18, columns: 2, rows: 15, leftMm: 10, topMm: 13.5 },
} as const;
export type LabelSize = keyof typeof LABEL_SIZES;
export const LABEL_SIZE_NAMES = Object.keys(LABEL_SIZES) as LabelSize[];
/** Nothing is printed nearer to the edge of the paper. */
export const LABEL_MARGIN_MM = 6;

export function labelsASheet(size: LabelSize): number {
  return LABEL_SIZES[size].columns * LABEL_SIZES[size].rows;
}

/** Minutes that a saucer may stand full, and that a pot may soak. */
export const MOST_SAUCER_MINUTES = 240;
export { LONGEST_SOAK_MINUTES as MOST_SOAK_MINUTES } from '@zinc-pail/core';

/** Bounds of what is told of a place, alike in a garden file, in the API and in its form. */
export const PLACE_BOUNDS = {
  aspectDeg: { min: 0, max: 360 },
  obstructionDeg: { min: 0, max: 80 },
  lightFraction: { min: 0, max: 1 },
  floorC: { min: -20, max: 40 },
  ventC: { min: 0, max: 60 },
  indoorC: { min: -20, max: 50 },
  lampPpfd: { min: 0, max: 3000 },
  hours: { min: 0, max: 24 },
  benchMm: { min: 50, max: 60_000 },
  rainMm: { min: 0, max: 100 },
} as const;
