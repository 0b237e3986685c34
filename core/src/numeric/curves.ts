/** Small shapes of numbers that the formulas share. */

export function clamp(value: number, low: number, high: number): number {
  return value < low ? low : value > high ? high : value;
}

/** 0 below `from`, 1 above `to`, straight between. */
export function ramp(value: number, from: number, to: number): number {
  return clamp((value - from) / (to - from), 0, 1);
}

/** 1 / (1 + e^-x). */
export function logistic(x: number): number {
  return 1 / (1 + Math.exp(-x));
}

/** The value below which a share `p` of the sorted values lies (type 7: linear between order statistics). */
export function quantileSorted(sorted: ArrayLike<number>, p: number): number {
  const position = p * (sorted.length - 1);
  const low = Math.floor(position);
  const high = Math.ceil(position);
  if (low === high) return sorted[low]!;
  const a = sorted[low]!;
  const b = sorted[high]!;
  return Number.isFinite(a) && Number.isFinite(b) ? a + (position - low) * (b - a) : b;
}

export function mean(values: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]!;
  return sum / values.length;
}

/**
 * Puts `order`, indices into `values`, by rising value, in place. Quick where it nearly is so already: what belongs to
 * one day hardly changes its order by the next.
 */
export function reorder(order: Uint16Array, values: ArrayLike<number>): void {
  for (let i = 1; i < order.length; i++) {
    const index = order[i]!;
    const value = values[index]!;
    let j = i - 1;
    for (; j >= 0 && values[order[j]!]! > value; j--) order[j + 1] = order[j]!;
    order[j + 1] = index;
  }
}

/** The upper of the two middle values where there is an even count; of none, undefined. */
export function median(values: readonly number[]): number {
  return values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;
}
