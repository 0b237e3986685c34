/** Every look from the side, standing on the origin and reaching up to -height, as a keeper would sketch it. */
import type { LookName } from './looks.ts';
import { type Draw, dotMark } from './ink.tsx';
import {
  ribs,
  knobbed,
  starBall,
  rockRosette,
  smoothBall,
  columnOf,
  fingers,
  pads,
  straps,
  links,
  strings,
} from './bodies.tsx';
import { rosetteOf, onLeaves, bandMark, tongues, treeRosette, houseLeeks, spoonRosette } from './rosettes.tsx';
import { shrubOf, stacked, trailOf, swollenOf } from './stems.tsx';
import { strapBulb, curlBulb, flatBulb, cleftPair, bodies, splitRock, clubs, sickles, swords } from './stones.tsx';

export const FROM_SIDE: Readonly<Record<LookName, Draw>> = {
  ribs,
  tubercles: knobbed(0),
  'wool-ball': knobbed(0.6),
  star: starBall,
  'rock-rosette': rockRosette,
  'smooth-ball': smoothBall,
  pillar: columnOf(false),
  'wool-pillar': columnOf(true),
  fingers,
  pads,
  straps,
  links,
  strings,
  'sword-rosette': rosetteOf(
    { leaves: [5, 7, 11], half: 0.055, tip: 'point', spread: 0.7 },
    onLeaves(0.7, [0.4, 0.7], dotMark),
  ),
  'window-rosette': rosetteOf(
    { leaves: [5, 7, 11], half: 0.085, tip: 'round', spread: 0.85 },
    onLeaves(0.85, [0.88], bandMark, 2),
  ),
  'banded-rosette': rosetteOf(
    { leaves: [5, 7, 11], half: 0.06, tip: 'point', spread: 0.75 },
    onLeaves(0.75, [0.3, 0.45, 0.6, 0.75], bandMark),
  ),
  tongues,
  'spoon-rosette': spoonRosette,
  'tree-rosette': treeRosette,
  'spike-rosette': rosetteOf(
    { leaves: [5, 9, 13], half: 0.07, tip: 'wedge', spread: 0.75 },
    onLeaves(0.75, [0.98], dotMark, 1.6),
  ),
  'house-leeks': houseLeeks,
  'coin-shrub': shrubOf({ along: [1, 3, 6], rx: 0.075, ry: 0.05, thick: 2.2 }),
  stacked,
  'felt-shrub': shrubOf({ along: [1, 2, 4], rx: 0.12, ry: 0.09, thick: 1.6 }),
  'thorn-shrub': shrubOf({ along: [1, 3, 6], rx: 0.05, ry: 0.035, thick: 1.6 }, true),
  'leaf-shrub': shrubOf({ along: [1, 4, 7], rx: 0.1, ry: 0.045, thick: 1.4 }),
  'bead-trail': trailOf({ rx: 0.028, ry: 0.028, beads: [3, 7, 12] }),
  'tail-trail': trailOf({ rx: 0.05, ry: 0.026, beads: [4, 9, 16] }),
  'heart-trail': trailOf({ rx: 0.06, ry: 0.05, beads: [2, 4, 6] }),
  'leaf-trail': trailOf({ rx: 0.035, ry: 0.018, beads: [3, 6, 10] }),
  swollen: swollenOf('plain'),
  'swollen-thorny': swollenOf('thorny'),
  'swollen-plated': swollenOf('plated'),
  'strap-bulb': strapBulb,
  'curl-bulb': curlBulb,
  'flat-bulb': flatBulb,
  'cleft-pair': cleftPair,
  bodies,
  'split-rock': splitRock,
  warty: rosetteOf(
    { leaves: [5, 7, 11], half: 0.1, tip: 'blunt', spread: 0.8 },
    onLeaves(0.8, [0.86, 0.95], dotMark, 1.4),
  ),
  clubs,
  jaws: rosetteOf(
    { leaves: [4, 6, 8], half: 0.11, tip: 'point', spread: 0.7 },
    onLeaves(0.7, [0.55, 0.7, 0.85], bandMark, 0.8),
  ),
  sickles,
  'banded-swords': swords,
};
