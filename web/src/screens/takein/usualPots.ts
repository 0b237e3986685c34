/** Pots as they are sold: measures inside, depth of mix a finger below the rim. */
import type { Pot } from '@zinc-pail/core';
import { shownBench, typed } from '../../reader/units.ts';

export interface UsualPot {
  id: string;
  pot: Pot;
}

/** "square 7 cm, plastic", in the keeper's measure. */
export function usualPotWords({ pot: { shape, top_mm: top, material } }: UsualPot): string {
  return `${shape} ${Math.round(shownBench(top) * 10) / 10} ${typed.bench()}, ${material}`;
}

const pot = (shape: Pot['shape'], top_mm: number, depth_mm: number, material: Pot['material']): Pot => ({
  shape,
  top_mm,
  base_mm: Math.round(top_mm * { round: 0.74, square: 0.78, bowl: 0.45 }[shape]),
  depth_mm,
  material,
  holes: true,
  top_dressing_mm: 0,
});

/** What most are sold in: reckoned with where nobody knows. */
export const FIRST_POT = 'round-85-plastic';

export const USUAL_POTS: readonly UsualPot[] = (
  [
    ['square', 55, 50, 'plastic'],
    ['square', 70, 65, 'plastic'],
    ['square', 80, 72, 'plastic'],
    ['square', 90, 85, 'plastic'],
    ['square', 110, 105, 'plastic'],
    ['round', 55, 48, 'plastic'],
    ['round', 85, 62, 'plastic'],
    ['round', 105, 85, 'plastic'],
    ['round', 120, 95, 'plastic'],
    ['round', 140, 110, 'plastic'],
    ['round', 170, 130, 'plastic'],
    ['round', 55, 50, 'terracotta'],
    ['round', 70, 62, 'terracotta'],
    ['round', 90, 80, 'terracotta'],
    ['round', 110, 98, 'terracotta'],
    ['round', 130, 115, 'terracotta'],
    ['round', 160, 140, 'terracotta'],
    ['round', 200, 175, 'terracotta'],
    ['bowl', 150, 60, 'terracotta'],
    ['bowl', 200, 75, 'terracotta'],
    ['bowl', 250, 90, 'terracotta'],
    ['round', 90, 80, 'glazed'],
    ['round', 120, 110, 'glazed'],
  ] as const
).map(([shape, top, depth, material]) => ({
  id: `${shape}-${top}-${material}`,
  pot: pot(shape, top, depth, material),
}));
