/** The light of a bench against what its plants want, on one scale: what comes is the stroke, what each group does well in a bar. */
import type { PlaceView } from '@zinc-pail/contract/keeping';
import { scaleSqrt } from 'd3';
import { Link } from 'react-router';
import { count } from '../../reader/amounts.ts';
import { lightRows } from './benchPlan.ts';

const FARES: Record<PlaceView['pots'][number]['light'], { words: string; colour: string }> = {
  'too-dim': { words: 'too little', colour: 'var(--rust)' },
  'gets-by': { words: 'just enough', colour: 'var(--straw)' },
  well: { words: 'enough', colour: 'var(--lichen)' },
  'too-bright': { words: 'too much', colour: 'var(--straw)' },
};
/** Full summer sun in the open: beyond it no bench and no wish goes. */
const MOST_MOL = 50;
const NAMED = 3;

export function LightDrawing({ place }: { place: PlaceView }) {
  const rows = lightRows(place.pots);
  const { dli_mol: given } = place.today;
  // A dim corner matters more than a bright one: roots spread the low end.
  const x = scaleSqrt([0, MOST_MOL], [0, 100]).clamp(true);
  if (rows.length === 0) return null;
  return (
    <figure className="mt-2" aria-label={`Light on ${place.name}`}>
      <figcaption className="text-[0.9375rem] text-[var(--ink-2)]">
        Light, {given} mol a day: the stroke. The bars: where each does well.
      </figcaption>
      <ul>
        {rows.map(({ from, to, light, pots }) => (
          <li
            key={`${from}-${to}-${light}`}
            className="grid items-center gap-x-3 border-b border-[var(--rule)] sm:grid-cols-[minmax(8rem,18rem)_minmax(0,1fr)]"
          >
            <svg viewBox="0 0 100 14" preserveAspectRatio="none" className="h-4 w-full" aria-hidden="true">
              <rect y="6" width="100" height="2" fill="var(--rule)" />
              <rect
                x={x(from)}
                y="3"
                width={Math.max(1, x(Math.min(to, MOST_MOL)) - x(from))}
                height="8"
                fill={FARES[light].colour}
                opacity={light === 'well' ? 0.55 : 0.85}
              />
              <rect x={x(given) - 0.5} width="1" height="14" fill="var(--ink)" />
            </svg>
            <span className="text-[0.9375rem]">
              <strong className="font-semibold" style={{ color: FARES[light].colour }}>
                {count(pots.length, 'pot')} {FARES[light].words}
              </strong>
              {light !== 'well' && ': '}
              {light !== 'well' &&
                pots.map((pot, i) => (
                  <span key={pot.id}>
                    {i > 0 && ', '}
                    <Link to={`/plants/${pot.id}`} className="-my-2 inline-block py-2 hover:underline">
                      {pot.name}
                    </Link>
                  </span>
                ))}
              {light === 'well' && pots.length <= NAMED && `: ${pots.map(({ name }) => name).join(', ')}`}
            </span>
          </li>
        ))}
      </ul>
    </figure>
  );
}
