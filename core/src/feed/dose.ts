/** Food in the can: label rate, strength and how much water, to grams or millilitres. */

/** A bought feed as its label says. */
export interface FeedLabel {
  /** percent by weight */
  n: number;
  p: number;
  k: number;
  /** how it is measured out */
  unit: 'ml' | 'g';
  /** the label's dose for a litre of water */
  perLitre: number;
}

/**
 * What to measure out for a can: `doseFor(5, 0.5, 3000)` is 7.5: 5 ml a litre at half strength in 3 l.
 *
 * @param perLitre label rate, ml or g a litre
 * @param strength share of the label's dose, 0 to 2
 * @param waterMl water in the can, ml
 */
export function doseFor(perLitre: number, strength: number, waterMl: number): number {
  return (perLitre * strength * waterMl) / 1000;
}

/**
 * "Half and half": equal parts of ready feed water and plain water halve a strength; parts feed to parts plain in
 * general.
 */
export function dilutedStrength(strength: number, feedParts: number, plainParts: number): number {
  if (!(feedParts > 0) || plainParts < 0)
    throw new RangeError(`parts of feed and plain water must be above 0 and not below 0: ${feedParts}, ${plainParts}`);
  return (strength * feedParts) / (feedParts + plainParts);
}

/** What a feed leans to by its N-P-K: for bloom where potassium leads, for leaf where nitrogen does. */
export function leaning({ n, p, k }: Pick<FeedLabel, 'n' | 'p' | 'k'>): 'bloom' | 'leaf' | 'even' {
  if (k >= 1.5 * n && k >= p) return 'bloom';
  if (n >= 1.5 * k) return 'leaf';
  return 'even';
}
