/**
 * A bench from the side: its pots to one scale in walking order, each plant in its form and state. Those to water have their
 * skewer drawn, those to feel first half drawn; sleepers stand on a blue sill. Rows wrap; nothing collides.
 */
import type { RoundPot } from '@zinc-pail/contract/api';
import { judgedAs, type Judged } from '@zinc-pail/core';
import { litres } from '../words/amounts.ts';
import { wordsFor } from '../words/deeds.ts';
import { PotGlyph } from './PotGlyph.tsx';

interface ShelfProps {
  pots: readonly RoundPot[];
  today: string;
  /** a tap or a key on a pot */
  onPot(pot: RoundPot): void;
}

const WIDEST = 132;
const TALLEST = 210;
/** A thumb wants this much; a name reads in it. */
const LEAST_WIDTH = 104;
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

function ShelfPot({ pot, today, scale, onPot }: Omit<ShelfProps, 'pots'> & { pot: RoundPot; scale: number }) {
  const { outlook, form, diameter_mm: diameter, height_mm: height } = pot;
  const judged = judgedAs(pot.task.judgement, today);
  const asleep = outlook.state === 'resting';
  const { head } = wordsFor(pot, today);
  const wide = Math.max(outlook.pot.top_mm, form === 'trailing' ? outlook.pot.top_mm : diameter) * scale + 6;
  const tall = (outlook.pot.depth_mm + height + 8) * scale + 6;
  const box = Math.max(wide, tall, 24) + 8;
  const width = Math.max(LEAST_WIDTH, wide + 10);
  const drawn = judged === 'water' ? 1 : judged === 'look' ? 0.5 : 0;
  return (
    <li style={{ width }}>
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
            <PotGlyph
              pot={outlook.pot}
              form={form}
              state={outlook.state}
              diameterMm={diameter}
              heightMm={height}
              size={box}
              pxPerMm={scale}
            />
          </span>
          {drawn > 0 && <Skewer drawn={drawn} potPx={outlook.pot.depth_mm * scale} />}
        </span>
        <svg width="100%" height="9" preserveAspectRatio="none" viewBox="0 0 100 9" aria-hidden="true">
          <rect width="100" height="5" fill="var(--color-base-300)" />
          <rect y="5" width="100" height="4" fill={asleep && judged === 'leave' ? 'var(--dusk)' : SILLS[judged]} />
        </svg>
        {/* One height for all, so that the boards of a row are one board. */}
        <span className="flex h-[78px] w-full flex-col items-center overflow-hidden px-0.5 text-center text-[13px] leading-tight">
          <span className="mt-1 text-[var(--ink-2)]">
            {pot.number}
            {pot.quarantine_until && pot.quarantine_until > today && ', apart'}
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

/** The stick in the pot: pulled out as far as it asks for. */
function Skewer({ drawn, potPx }: { drawn: number; potPx: number }) {
  const out = 20 + 26 * drawn;
  return (
    <svg
      width="16"
      height={out + 6}
      viewBox={`0 0 16 ${out + 6}`}
      aria-hidden="true"
      className="absolute right-1"
      style={{ bottom: potPx - 4 }}
    >
      <path d={`M7,2h5l-4,${out}h-4z`} fill="var(--stick-dry)" stroke="var(--wood-edge)" strokeWidth="0.8" />
      <path d={`M4.600,${out - 4}h3.600l-0.600,7h-2.600z`} fill="var(--stick-wet)" />
    </svg>
  );
}

export function ShelfLegend() {
  return (
    <p className="mt-1 text-[14px] text-[var(--ink-2)]">
      To one scale, in walking order. Skewer drawn: to water. Half drawn: feel it first. Blue sill: asleep. Red sill:
      act today.
    </p>
  );
}
