/** Heat: into shade. */
import { type Answer, tenth } from './answer.ts';
import { type Facts, iso } from './facts.ts';

/** Hotter than it takes, today or in the next two days: into shade. Small pots in the open first: their roots cook. */
export function heatAhead({ heat, scorch, today }: Facts): Answer | null {
  const { highC, limitC, on, smallPot } = heat;
  if (highC < limitC) {
    // It has been so hot already: what read it stands there still.
    if (!scorch || today - scorch.on > 3) return null;
    return {
      deeds: [{ deed: 'move', what: 'shadier' }],
      because: [
        {
          code: 'scorched',
          source: scorch.source === 'read' ? 'seen' : 'reckoned',
          on: iso(scorch.on),
          n: { high: tenth(scorch.reached), limit: scorch.limit },
        },
      ],
      nextLook: iso(today + 1),
    };
  }
  return {
    deeds: [{ deed: 'move', what: 'shadier' }],
    because: [
      {
        code: 'too-hot',
        source: 'forecast',
        on: iso(on),
        n: { high: tenth(highC), limit: limitC, small: smallPot ? 1 : 0, days: on - today },
      },
    ],
    nextLook: iso(today + 1),
  };
}
