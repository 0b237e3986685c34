/** What a plant asks for today, as a mark in its colour: a blow, a drop, an eye, an arrow ahead, a dash. */
import type { Judged } from '@zinc-pail/core';

export const VERDICT_COLOURS: Record<Judged, string> = {
  act: 'var(--rust)',
  water: 'var(--clay)',
  look: 'var(--straw)',
  soon: 'var(--lichen)',
  leave: 'var(--rule)',
};

const PATHS: Record<Judged, string> = {
  act: 'M6,1V7.500M6,10V11',
  water: 'M6,1C8.500,4.500 9.500,6 9.200,7.800A3.200,3.200 0 0 1 2.800,7.800C2.500,6 3.500,4.500 6,1z',
  look: 'M1,6Q6,1 11,6Q6,11 1,6z',
  soon: 'M2,6H10M7,3L10,6L7,9',
  leave: 'M4,6H8',
};

/** Within a square of twelve. */
export function VerdictGlyph({ verdict }: { verdict: Judged }) {
  const colour = VERDICT_COLOURS[verdict];
  return (
    <path
      d={PATHS[verdict]}
      fill={verdict === 'water' ? colour : 'none'}
      stroke={colour}
      strokeWidth={verdict === 'act' ? 2.2 : 1.7}
      strokeLinecap="round"
    />
  );
}
