/**
 * A bench from the side in one row, to one scale: pots that ask for something in full colour, their stick drawn out where
 * water or a finger is due, the others faint. Pressing one opens its line.
 */
import type { RoundPot } from '@zinc-pail/contract/api';
import { judgedAs } from '@zinc-pail/core';
import { memo } from 'react';
import { PotPicture } from '../../drawing/PotPicture.tsx';
import { wordsFor } from '../../reader/deeds.ts';

interface BenchShelfProps {
  pots: readonly RoundPot[];
  today: string;
  /** those that have a line of their own */
  asking: ReadonlySet<number>;
  onPot(id: number): void;
}

export const SHELF_PX = 52;
/** No pot is drawn smaller than this, or the bench would be a row of dots. */
const LEAST_POT_PX = 12;
const MOST_PX_PER_MM = 0.3;
const HEADROOM_PX = 6;
/** So many stand in one row, closer where there is less room; more of them wrap. */
export const ONE_ROW = 34;
/** Of more a bench is a wall of pots, and its lines would stand below the screen: they are looked at on the benches. */
export const MOST_ON_SHELF = 200;

function Row({ pots, today, asking, onPot }: BenchShelfProps) {
  const tallest = Math.max(1, ...pots.map(({ outlook, height_mm: height }) => outlook.pot.depth_mm + height));
  const scale = Math.min(MOST_PX_PER_MM, (SHELF_PX - HEADROOM_PX) / tallest);
  return (
    <ol
      aria-label="From the side"
      className={`flex items-end overflow-x-auto overflow-y-hidden [scrollbar-width:none] sm:overflow-x-clip ${pots.length > ONE_ROW ? 'sm:flex-wrap' : ''}`}
    >
      {pots.map((pot) => (
        <Pot
          key={pot.id}
          pot={pot}
          today={today}
          scale={scale}
          asks={asking.has(pot.id)}
          shrinks={pots.length <= ONE_ROW}
          onPot={onPot}
        />
      ))}
    </ol>
  );
}

function Pot({
  pot,
  today,
  scale,
  asks,
  shrinks,
  onPot,
}: Pick<BenchShelfProps, 'today' | 'onPot'> & { pot: RoundPot; scale: number; asks: boolean; shrinks: boolean }) {
  const { outlook, form, diameter_mm: diameter, height_mm: height } = pot;
  const pxPerMm = Math.max(scale, LEAST_POT_PX / outlook.pot.top_mm);
  const tall = (outlook.pot.depth_mm + height + 8) * pxPerMm;
  const wide = Math.max(outlook.pot.top_mm, form === 'trailing' ? 0 : diameter) * pxPerMm;
  const size = Math.min(SHELF_PX, Math.max(20, tall, wide) + 4);
  const judged = judgedAs(pot.task.judgement, today);
  const { head } = wordsFor(pot, today);
  return (
    <li className={`max-sm:shrink-0 ${shrinks ? 'min-w-0' : 'shrink-0'}`}>
      <button
        type="button"
        data-judged={judged}
        title={`${pot.number} ${pot.name}`}
        aria-label={`${pot.number} ${pot.name}: ${head}`}
        className={`flex items-end justify-center overflow-hidden max-sm:min-w-11 ${asks ? '' : 'opacity-35 hover:opacity-100'}`}
        style={{ height: SHELF_PX, width: Math.max(25, Math.min(wide + 8, size)), maxWidth: '100%' }}
        onClick={() => onPot(pot.id)}
      >
        <span className="shrink-0" style={{ width: size }}>
          <PotPicture pot={pot} size={size} pxPerMm={pxPerMm} />
        </span>
      </button>
    </li>
  );
}

/** Drawn again only when its pots change: a step of the walk must not redraw a wall of them. */
export const BenchShelf = memo(
  Row,
  (before, after) => before.pots === after.pots && before.today === after.today && before.asking === after.asking,
);
