/**
 * A bench from the side: its pots to one scale in walking order, each plant in its form and state. Those to water have their
 * skewer drawn, those to feel first half drawn; sleepers stand on a blue sill. Rows wrap; nothing collides.
 */
import type { RoundPot } from '@zinc-pail/contract/api';
import { isApart, judgedAs, type Judged } from '@zinc-pail/core';
import { litres } from '../reader/amounts.ts';
import { Link } from 'react-router';
import { wordsFor } from '../reader/deeds.ts';
import { PotPicture } from './PotPicture.tsx';
import { weatherDanger, WeatherGlyph } from './WeatherMark.tsx';

interface ShelfProps {
  pots: readonly RoundPot[];
  today: string;
  /** a tap or a key on a pot */
  onPot(pot: RoundPot): void;
}

const WIDEST = 132;
const TALLEST = 210;
/** A name reads in this. */
const NAME_WIDTH = 104;
/** Leaves and skewers reach above what was measured. */
const HEADROOM = 14;
const LEAST_PX_PER_MM = 0.28;
const MOST_PX_PER_MM = 0.75;

/** Pixels for a millimetre: one scale for the bench, by which its largest pot still fits. */
export function shelfScale(pots: readonly Pick<RoundPot, 'outlook' | 'diameter_mm' | 'height_mm'>[]): number {
  const widest = Math.max(1, ...pots.map(({ outlook, diameter_mm: d }) => Math.max(outlook.pot.top_mm, d)));
  const tallest = Math.max(1, ...pots.map(({ outlook, height_mm: h }) => outlook.pot.depth_mm + h));
  return Math.max(LEAST_PX_PER_MM, Math.min(MOST_PX_PER_MM, WIDEST / widest, TALLEST / tallest));
}

const SILLS: Record<Judged, string> = {
  act: 'var(--rust)',
  water: 'var(--clay)',
  look: 'var(--straw)',
  soon: 'var(--rule)',
  leave: 'var(--rule)',
};

export function Shelf({ pots, today, onPot }: ShelfProps) {
  const scale = shelfScale(pots);
  return (
    <ol className="flex flex-wrap items-end gap-y-3 overflow-x-clip" aria-label="From the side">
      {pots.map((pot) => (
        <ShelfPot key={pot.id} pot={pot} today={today} scale={scale} onPot={onPot} />
      ))}
    </ol>
  );
}

/** Pots far below are not laid out: two hundred on a bench scroll smoothly. */
const FAR = { contentVisibility: 'auto', containIntrinsicSize: 'auto 150px' } as const;

function ShelfPot({ pot, today, scale, onPot }: Omit<ShelfProps, 'pots'> & { pot: RoundPot; scale: number }) {
  const { outlook, form, diameter_mm: diameter, height_mm: height } = pot;
  const judged = judgedAs(pot.task.judgement, today);
  const asleep = outlook.state === 'resting';
  const { head } = wordsFor(pot, today);
  const wide = Math.max(outlook.pot.top_mm, form === 'trailing' ? outlook.pot.top_mm : diameter) * scale + 6;
  const tall = (outlook.pot.depth_mm + height + 8) * scale + 6;
  const box = Math.max(wide, tall, 24) + 8;
  const width = Math.max(NAME_WIDTH, wide + 10);
  const danger = weatherDanger(pot);
  return (
    <li style={{ width, ...FAR }} className="shrink-0">
      <button
        type="button"
        className="flex w-full flex-col items-center"
        data-judged={judged}
        onClick={() => onPot(pot)}
      >
        <span
          className="relative flex items-end justify-center overflow-visible"
          style={{ height: tall + HEADROOM, width: wide }}
        >
          <span className="[&>svg]:overflow-visible" style={{ margin: `0 ${(wide - box) / 2}px` }}>
            <PotPicture pot={pot} size={box} pxPerMm={scale} />
          </span>
          {danger && (
            <span className="absolute left-0 top-0">
              <WeatherGlyph danger={danger} />
            </span>
          )}
        </span>
        <svg width="100%" height="9" preserveAspectRatio="none" viewBox="0 0 100 9" aria-hidden="true">
          <rect width="100" height="5" fill="var(--color-base-300)" />
          <rect y="5" width="100" height="4" fill={asleep && judged === 'leave' ? 'var(--dusk)' : SILLS[judged]} />
        </svg>
        {/* One height for all, so that the boards of a row are one board. */}
        <span
          className={`flex w-full flex-col items-center overflow-hidden px-0.5 text-center text-[0.8125rem] leading-tight h-[4.9rem]`}
        >
          <span className="mt-1 text-[var(--ink-2)]">
            {pot.number}
            {isApart(pot.quarantine_until, today) && ', apart'}
          </span>
          <span className="slab line-clamp-2 w-full break-words italic">{pot.name}</span>
          {judged === 'water' && (
            <strong className="font-semibold text-[var(--clay)]">{litres(pot.task.amount_ml)}</strong>
          )}
          {judged === 'look' && <span className="font-semibold text-[var(--straw)]">{head.toLowerCase()}</span>}
          {judged === 'act' && (
            <span className="line-clamp-1 font-semibold text-[var(--rust)]">{head.split(',')[0]}</span>
          )}
        </span>
        <span className="sr-only">: {head}</span>
      </button>
    </li>
  );
}

/** A bench on which nothing stands yet, with its first pot to come. */
export function EmptyShelf({ placeId }: { placeId: number }) {
  return (
    <Link to={`/add?bench=${placeId}`} className="mt-3 inline-flex w-40 flex-col items-center hover:underline">
      <svg width="64" height="70" viewBox="0 0 64 70" aria-hidden="true">
        <g fill="none" stroke="var(--ink-2)" strokeWidth="1.5" strokeDasharray="4 3">
          <path d="M10,30h44M13,30l5,38h28l5,-38" />
          <ellipse cx="32" cy="18" rx="14" ry="12" />
        </g>
      </svg>
      <span className="h-2 w-full bg-[var(--color-base-300)]" />
      <span className="flex min-h-11 items-center text-[0.875rem]">its first pot: take it in</span>
    </Link>
  );
}
