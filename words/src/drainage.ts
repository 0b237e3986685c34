/** The drain test in words: seconds from the top to the hole, and what they say of the mix. */
import { asksForOpenerMix, drainVerdict } from '@zinc-pail/core';

const SOILY_FROM = 0.35;

/**
 * @param seconds from the first pour to the first drop
 * @param depthMm of mix
 * @param organic how hard the mix is to wet again, 0 to 1: peat and coir, not grit
 */
export function drainWords(seconds: number, depthMm: number, organic = 0): string {
  switch (drainVerdict(seconds, depthMm, organic)) {
    case 'ran-past':
      return (
        'Through at once: weigh it. If it is still light, the ball has shrunk and the water ran past: soak it from ' +
        'below. This was no test of its drainage.'
      );
    case 'passes':
      return organic > SOILY_FROM ? 'It drains freely, for a soil.' : 'It drains as a gritty mix should.';
    case 'slow':
      return asksForOpenerMix(seconds, depthMm)
        ? 'Slow: fines have settled, or much soil. It wants a fresh, opener mix: it is on the potting bench.'
        : 'A little slow: look for a hole half shut, and time it again next year.';
    case 'blocked':
      return 'Hardly through: look whether the hole is shut by roots or clay before the next drink.';
  }
}
