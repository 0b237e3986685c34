/** The drain test: seconds from the top to the hole, and what they say of the mix. */
export interface DrainFinding {
  word: 'fast' | 'right' | 'slow' | 'blocked';
  words: string;
}

/** An open mix passes in this time for a hand's depth. */
const OPEN_S_PER_DM = 14;
const SOILY_FROM = 0.35;

/**
 * A drench in an open mix shows at the hole within some ten seconds for a hand's depth; loam takes up to a minute.
 * Longer, and fines have settled or the hole is shut; at once and light afterwards, and it ran down the sides of a
 * shrunken ball.
 *
 * @param seconds from the first pour to the first drop
 * @param depthMm of mix
 * @param organic how hard the mix is to wet again, 0 to 1: peat and coir, not grit
 */
export function drainFinding(seconds: number, depthMm: number, organic = 0): DrainFinding {
  const perDm = seconds / Math.max(0.3, depthMm / 100);
  if (perDm < 2)
    return {
      word: 'fast',
      words:
        'Through at once: weigh it. If it is still light, the ball has shrunk and the water ran past; soak it from below.',
    };
  if (perDm <= OPEN_S_PER_DM)
    return {
      word: 'right',
      words: organic > SOILY_FROM ? 'It drains freely, for a soil.' : 'It drains as a gritty mix should.',
    };
  if (perDm <= 30)
    return {
      word: 'slow',
      words: 'A little slow: open the mix with grit at the next repotting, and look for a hole half shut.',
    };
  if (perDm <= 120)
    return {
      word: 'slow',
      words: 'Slow: fines have settled, or much soil. Plan a fresh, grittier mix at the next repotting.',
    };
  return {
    word: 'blocked',
    words: 'Hardly through: look whether the hole is shut by roots or clay before the next drink.',
  };
}
