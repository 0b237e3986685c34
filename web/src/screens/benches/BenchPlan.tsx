/**
 * A bench from above: every pot to scale where it stands, its plant by its look, with number and today's state. Set out, the
 * pots are moved by drag, by thumb or by arrow keys, those in hand together, to another bench too.
 */
import type { PlacePot, PlaceView } from '@zinc-pail/contract/keeping';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { isBare, PlantFromAbove } from '../../drawing/plant/Plant.tsx';
import { layOut, overlapping, type Spot, USUAL_WIDTH_MM } from './benchPlan.ts';

const MATERIALS: Record<string, string> = {
  terracotta: '#c07a55',
  plastic: '#66716f',
  glazed: '#557a80',
  concrete: '#a5a59c',
  metal: '#9fabae',
};
/** What a pot asks for today: a ring in its colour, and a letterless mark of its own. */
const RINGS: Record<string, string | null> = {
  act: 'var(--rust)',
  water: 'var(--clay)',
  look: 'var(--straw)',
  soon: 'var(--lichen)',
  leave: null,
};
export const VERDICT_WORDS: Record<string, string> = {
  act: 'act today',
  water: 'to water',
  look: 'look first',
  soon: 'soon',
  leave: 'leave alone',
};

/** So much of a millimetre at least, in pixels: a thumb must find a pot of 7 cm. The rest scrolls sideways. */
const LEAST_PX_PER_MM = 0.45;
const MOST_PX_PER_MM = 0.62;

interface BenchPlanProps {
  place: PlaceView;
  /** pots may be moved */
  setting: boolean;
  inHand: ReadonlySet<number>;
  onHand(id: number): void;
  /** moved by keys, in mm */
  onNudge(id: number, by: Spot): void;
}

export function benchOf(place: PlaceView): {
  widthMm: number;
  depthMm: number;
  spots: Map<number, Spot>;
  overMm: number;
} {
  const widthMm = place.width_mm ?? USUAL_WIDTH_MM;
  const { spots, depthMm } = layOut(place.pots, widthMm);
  return { widthMm, depthMm: Math.max(place.depth_mm ?? depthMm, depthMm), spots, overMm: place.depth_mm ?? depthMm };
}

export function BenchPlan({ place, setting, inHand, onHand, onNudge }: BenchPlanProps) {
  const { widthMm, depthMm, spots, overMm } = benchOf(place);
  const { setNodeRef, isOver } = useDroppable({ id: `bench-${place.id}`, data: { placeId: place.id } });
  const [ref, pxPerMm] = useScale(widthMm);
  const tight = overlapping(place.pots, spots);
  if (place.pots.length === 0 && !setting)
    return <p className="py-2 text-[0.9375rem] text-[var(--ink-2)]">Nothing stands here.</p>;
  const depth = Math.max(depthMm, 180);
  return (
    <div className="mt-2 overflow-x-auto pb-1">
      <div
        ref={(node) => {
          setNodeRef(node);
          ref.current = node;
        }}
        data-bench={place.id}
        role="group"
        aria-label={`${place.name} from above: ${place.pots.length} pots to scale`}
        className={`relative border-2 bg-[var(--frame)] ${isOver && setting ? 'border-[var(--clay)]' : 'border-[var(--ink-2)]'}`}
        style={{
          minWidth: widthMm * LEAST_PX_PER_MM,
          maxWidth: widthMm * MOST_PX_PER_MM,
          aspectRatio: `${widthMm} / ${depth}`,
        }}
      >
        {place.pots.map((pot) => (
          <PlanPot
            key={pot.id}
            pot={pot}
            placeId={place.id}
            spot={spots.get(pot.id)!}
            of={{ widthMm, depthMm: depth }}
            pxPerMm={pxPerMm}
            tight={tight.has(pot.id)}
            setting={setting}
            chosen={inHand.has(pot.id)}
            onHand={onHand}
            onNudge={onNudge}
          />
        ))}
        {depthMm > overMm && (
          <div
            className="pointer-events-none absolute inset-x-0 border-t-4 border-[var(--rust)]"
            style={{ top: `${(overMm / depth) * 100}%` }}
          />
        )}
      </div>
    </div>
  );
}

/** Pixels for a millimetre as the plan is drawn now. */
function useScale(widthMm: number) {
  const ref = useRef<HTMLDivElement | null>(null);
  const [px, setPx] = useState(LEAST_PX_PER_MM);
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => setPx(entry!.contentRect.width / widthMm));
    watch.observe(element);
    return () => watch.disconnect();
  }, [widthMm]);
  return [ref, px] as const;
}

/** Arrow keys move by this; with shift by the larger. */
const NUDGE_MM = { step: 10, leap: 50 };
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface PlanPotProps extends Omit<BenchPlanProps, 'place' | 'inHand'> {
  pot: PlacePot;
  placeId: number;
  spot: Spot;
  of: { widthMm: number; depthMm: number };
  pxPerMm: number;
  tight: boolean;
  chosen: boolean;
}

function PlanPot({ pot, placeId, spot, of, pxPerMm, tight, setting, chosen, onHand, onNudge }: PlanPotProps) {
  const navigate = useNavigate();
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: pot.id,
    data: { placeId },
    disabled: !setting,
  });
  const r = pot.width_mm / 2;
  const label = `${pot.number}, ${pot.name}: ${VERDICT_WORDS[pot.verdict]}`;
  const press = () => (setting ? onHand(pot.id) : void navigate(`/plants/${pot.id}`));
  const keys = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key];
    if (!setting || !arrow) return;
    event.preventDefault();
    event.stopPropagation();
    const mm = event.shiftKey ? NUDGE_MM.leap : NUDGE_MM.step;
    onNudge(pot.id, { x: arrow[0] * mm, y: arrow[1] * mm });
  };
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...(setting ? { ...listeners, 'aria-roledescription': attributes['aria-roledescription'] } : {})}
      aria-pressed={setting ? chosen : undefined}
      aria-label={label}
      title={label}
      data-pot={pot.id}
      className={`absolute -translate-x-1/2 -translate-y-1/2 ${setting ? 'cursor-grab touch-none' : 'cursor-pointer'} ${isDragging ? 'z-10 cursor-grabbing' : ''} after:absolute after:-inset-2 after:content-['']`}
      style={{
        left: `${(spot.x / of.widthMm) * 100}%`,
        top: `${(spot.y / of.depthMm) * 100}%`,
        width: `${(pot.width_mm / of.widthMm) * 100}%`,
        ...(transform ? { translate: `${transform.x}px ${transform.y}px` } : {}),
      }}
      onClick={press}
      onKeyDown={keys}
    >
      <svg viewBox={`${-r} ${-r} ${2 * r} ${2 * r}`} className="block w-full overflow-visible" aria-hidden="true">
        <PotFromAbove pot={pot} unitsPerPx={1 / pxPerMm} chosen={chosen} tight={tight} />
      </svg>
    </button>
  );
}

/** Rim, mix, plant, number, and what it asks for today. */
function PotFromAbove({
  pot,
  unitsPerPx,
  chosen,
  tight,
}: {
  pot: PlacePot;
  unitsPerPx: number;
  chosen: boolean;
  tight: boolean;
}) {
  const r = pot.width_mm / 2;
  const ring = RINGS[pot.verdict] ?? null;
  const rim = Math.max(3, r * 0.1);
  const px = unitsPerPx;
  const square = pot.shape === 'square';
  const shape = (inset: number, props: object) =>
    square ? (
      <rect x={-r + inset} y={-r + inset} width={2 * (r - inset)} height={2 * (r - inset)} rx={r * 0.08} {...props} />
    ) : (
      <circle r={Math.max(1, r - inset)} {...props} />
    );
  return (
    <>
      {ring && shape(-2.5 * px, { fill: 'none', stroke: ring, strokeWidth: 3.5 * px })}
      {shape(0, { fill: MATERIALS[pot.material] ?? 'var(--ink-2)' })}
      {shape(rim, { fill: 'var(--earth)' })}
      <PlantFromAbove
        name={pot.name}
        form={pot.form}
        state={pot.state}
        bare={isBare(pot.form, pot.state)}
        unitsPerPx={px}
        width={Math.min(Math.max(pot.crown_mm, r * 0.6), r * 2.4)}
      />
      {pot.quarantine_until &&
        shape(-6 * px, {
          fill: 'none',
          stroke: 'var(--straw)',
          strokeWidth: 2 * px,
          strokeDasharray: `${6 * px} ${4 * px}`,
        })}
      {chosen && shape(-5 * px, { fill: 'none', stroke: 'var(--ink)', strokeWidth: 3 * px })}
      {tight && shape(-3 * px, { fill: 'none', stroke: 'var(--rust)', strokeWidth: 1.5 * px })}
      <VerdictMark verdict={pot.verdict} at={r * (square ? 0.85 : 0.7)} px={px} />
      <text
        y={r + 1 * px}
        textAnchor="middle"
        fontSize={11.5 * px}
        fill="var(--ink)"
        stroke="var(--frame)"
        strokeWidth={3 * px}
        paintOrder="stroke"
        fontWeight={600}
      >
        {pot.number}
      </text>
    </>
  );
}

/** A mark beside the ring, so that colour does not tell alone: a drop, a question, a blow. */
function VerdictMark({ verdict, at, px }: { verdict: string; at: number; px: number }) {
  if (verdict === 'leave' || verdict === 'soon') return null;
  const size = 6 * px;
  const place = `translate(${at} ${-at}) scale(${size})`;
  const ring = { fill: 'var(--paper)', stroke: 'var(--ink)', strokeWidth: 0.18 };
  return (
    <g transform={place}>
      <circle r="1.25" {...ring} />
      {verdict === 'water' && (
        <path
          d="M0,-0.85C0.5,-0.2 0.6,0.1 0.55,0.3A0.56,0.56 0 0 1 -0.55,0.3C-0.6,0.1 -0.5,-0.2 0,-0.85z"
          fill="var(--clay)"
        />
      )}
      {verdict === 'look' && (
        <path d="M-0.7,0Q0,-0.75 0.7,0Q0,0.75 -0.7,0z" fill="none" stroke="var(--straw)" strokeWidth="0.28" />
      )}
      {verdict === 'act' && (
        <path d="M0,-0.8V0.25M0,0.6V0.75" stroke="var(--rust)" strokeWidth="0.4" strokeLinecap="round" />
      )}
    </g>
  );
}
