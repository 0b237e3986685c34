/** The rail of a cold night: degrees from left to right, tonight's likely band, each plant at the coldest it takes. */
import { scaleLinear } from 'd3';

export interface RailPlant {
  id: number;
  limitC: number;
  danger: boolean;
}

export interface Rail<P extends RailPlant> {
  /** pixels from the left of a temperature */
  x(celsius: number): number;
  ticks: number[];
  /** from left to right: where each is drawn, and where it belongs. Those in danger stand clear of one another. */
  plants: { plant: P; at: number; foot: number }[];
}

/** Those that are safe may overlap so far. */
const CROWDED = 3;
/** Room at both ends, so that the outermost plants are whole, in pixels. */
const END_PX = 22;
/** A scale of fewer degrees would make a tenth of one look like a danger. */
const LEAST_SPAN_C = 8;
/** What takes far more cold than comes tells nothing: it stands at the end of the rail. */
const MOST_BELOW_C = 10;

/**
 * @param bandC the coldest and the warmest that tonight is likely to be, °C
 * @param width of the rail, pixels
 * @param gap between two plants, pixels
 */
export function railOf<P extends RailPlant>(
  plants: readonly P[],
  { bandC: [low, high], width, gap }: { bandC: readonly [number, number]; width: number; gap: number },
): Rail<P> {
  const limits = plants.map(({ limitC }) => Math.max(limitC, low - MOST_BELOW_C));
  const from = Math.min(low, ...limits) - 1;
  const to = Math.max(high, from + LEAST_SPAN_C, ...limits) + 1;
  const scale = scaleLinear([from, to], [END_PX, width - END_PX]).clamp(true);
  const sorted = plants
    .map((plant, i) => ({ plant, foot: scale(limits[i]!) }))
    .sort((a, b) => a.foot - b.foot || a.plant.id - b.plant.id);
  const apart = (danger: boolean, least: number) => {
    const some = sorted.filter(({ plant }) => plant.danger === danger);
    const at = spread(
      some.map(({ foot }) => foot),
      { from: END_PX, to: width - END_PX, gap: least },
    );
    return some.map((one, i) => ({ ...one, at: at[i]! }));
  };
  return {
    x: scale,
    ticks: scale.ticks(Math.max(2, Math.floor(width / 80))),
    plants: [...apart(false, gap / CROWDED), ...apart(true, gap)],
  };
}

/** Moves sorted points apart until none is closer to its neighbour than the gap, as little as need be. */
export function spread(
  points: readonly number[],
  { from, to, gap }: { from: number; to: number; gap: number },
): number[] {
  const apart = Math.min(gap, points.length > 1 ? (to - from) / (points.length - 1) : gap);
  const out: number[] = [];
  for (const point of points) out.push(Math.max(point, out.length > 0 ? out.at(-1)! + apart : from));
  let limit = to;
  for (let i = out.length - 1; i >= 0; i--) {
    out[i] = Math.min(out[i]!, limit);
    limit = out[i]! - apart;
  }
  return out;
}
