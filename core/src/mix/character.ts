/** What a mix is like under the hand: whether a probe can be trusted in it, whether it takes water once dry. */
import { COMPONENTS } from './components.ts';

/** Grains from this size on leave gaps that a probe reads as dry. */
const COARSE_MM = 3;
const MOSTLY = 0.6;
/** From this difficulty on a ball that went dry sheds water. */
export const SHEDS_FROM = 0.35;

export interface MixCharacter {
  /** mostly grains with gaps between */
  coarse: boolean;
  shedsWater: boolean;
  /** 0 takes water at once, 1 sheds it like dust-dry peat; by parts, to a hundredth */
  rewetDifficulty: number;
}

/** @param parts components unknown here count for nothing in either */
export function mixCharacter(parts: readonly { component: string; parts: number }[]): MixCharacter {
  const total = parts.reduce((sum, part) => sum + part.parts, 0) || 1;
  let coarse = 0;
  let rewet = 0;
  for (const part of parts) {
    const component = COMPONENTS.get(part.component);
    if (!component) continue;
    if (component.grainMm >= COARSE_MM) coarse += part.parts / total;
    rewet += (part.parts / total) * component.rewetDifficulty;
  }
  return { coarse: coarse > MOSTLY, shedsWater: rewet >= SHEDS_FROM, rewetDifficulty: Math.round(rewet * 100) / 100 };
}
