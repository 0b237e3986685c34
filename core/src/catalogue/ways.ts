/**
 * How water comes to a pot: one row for each method that stands in the book, one for each way a keeper may choose. What
 * another file asks of a method it asks here.
 */

interface MethodRow {
  /** a drink of the mix; a mist only wets its skin */
  waters: boolean;
  /** fills the pot, as far as the mix lets it */
  whole: boolean;
  /** poured through: carries salts out of a hole, and may run past a dry ball */
  through: boolean;
  /** the pot stands in it, and must be lifted out */
  stands: boolean;
  /** an amount belongs to it; counts for no full drink */
  measured: boolean;
  /** how much likelier than a pour it is to have wetted a part only */
  ranPast: number;
}

export const METHOD_TABLE = {
  drench: { waters: true, whole: true, through: true, stands: false, measured: false, ranPast: 1 },
  measured: { waters: true, whole: false, through: false, stands: false, measured: true, ranPast: 0 },
  bottom: { waters: true, whole: true, through: false, stands: true, measured: false, ranPast: 0.5 },
  mist: { waters: false, whole: false, through: false, stands: false, measured: true, ranPast: 0 },
} as const satisfies Record<string, MethodRow>;
export type MethodId = keyof typeof METHOD_TABLE;
export const METHODS = Object.keys(METHOD_TABLE) as MethodId[];

interface WayRow {
  method: MethodId;
  /** the way it becomes where a keeper's own measure is poured */
  byMeasure: string;
}

/** `base`: from above, but onto the mix only. */
export const WAY_TABLE = {
  drench: { method: 'drench', byMeasure: 'measured' },
  base: { method: 'drench', byMeasure: 'measured' },
  bottom: { method: 'bottom', byMeasure: 'bottom' },
  measured: { method: 'measured', byMeasure: 'measured' },
  mist: { method: 'mist', byMeasure: 'mist' },
} as const satisfies Record<string, WayRow>;
export type Way = keyof typeof WAY_TABLE;
export const WAYS = Object.keys(WAY_TABLE) as Way[];

export const methodRow = (method: MethodId): MethodRow => METHOD_TABLE[method];

/** Did this line of the book bring water to the mix? */
export const isDrink = <Event extends { type: string }>(event: Event): event is Extract<Event, { type: 'watering' }> =>
  event.type === 'watering' && METHOD_TABLE[(event as unknown as { method: MethodId }).method].waters;
