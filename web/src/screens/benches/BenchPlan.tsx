/**
 * A bench from above: every pot to scale where it stands, its plant by its look, with number and today's state. Set out, the
 * pots are moved by drag, by thumb or by arrow keys, those in hand together, to another bench too.
 */
import type { PlacePot, PlaceView } from '@zinc-pail/contract/keeping';
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { isApart, type Judged } from '@zinc-pail/core';
import { type KeyboardEvent, useRef } from 'react';
import { useNavigate } from 'react-router';
import { MATERIALS } from '../../drawing/materials.ts';
import { isBare, PlantFromAbove } from '../../drawing/plant/Plant.tsx';
import { VERDICT_COLOURS, VerdictGlyph } from '../../drawing/VerdictGlyph.tsx';
import { useWidth } from '../../parts/useWidth.ts';
import { layOut, overlapping, type Spot, USUAL_WIDTH_MM } from './benchPlan.ts';

const VERDICT_WORDS: Record<Judged, string> = {
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
  today: string;
  /** the others are faint; null where all are meant */
  meant: ReadonlySet<number> | null;
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

export function BenchPlan(props: BenchPlanProps) {
  if (props.place.pots.length === 0 && !props.setting)
    return <p className="py-2 text-[0.9375rem] text-[var(--ink-2)]">No pots here.</p>;
  return <Ground {...props} />;
}

function Ground({ place, today, meant, setting, inHand, onHand, onNudge }: BenchPlanProps) {
  const { widthMm, depthMm, spots, overMm } = benchOf(place);
  const { setNodeRef, isOver } = useDroppable({ id: `bench-${place.id}`, data: { placeId: place.id } });
  const ref = useRef<HTMLDivElement | null>(null);
  const pxPerMm = useWidth(ref, widthMm * LEAST_PX_PER_MM) / widthMm;
  const tight = overlapping(place.pots, spots);
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
            today={today}
            meant={meant}
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

function PlanPot({
  pot,
  placeId,
  today,
  meant,
  spot,
  of,
  pxPerMm,
  tight,
  setting,
  chosen,
  onHand,
  onNudge,
}: PlanPotProps) {
  const faint = meant !== null && !meant.has(pot.id);
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
      className={`absolute -translate-x-1/2 -translate-y-1/2 ${setting ? 'cursor-grab touch-none' : 'cursor-pointer'} ${isDragging ? 'z-10 cursor-grabbing' : ''} ${faint ? 'opacity-25' : ''} after:absolute after:-inset-2 after:content-['']`}
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
        <PotFromAbove
          pot={pot}
          unitsPerPx={1 / pxPerMm}
          apart={isApart(pot.quarantine_until, today)}
          chosen={chosen}
          tight={tight}
        />
      </svg>
    </button>
  );
}

/** Rim, mix, plant, number, and what it asks for today. */
function PotFromAbove({
  pot,
  unitsPerPx,
  apart,
  chosen,
  tight,
}: {
  pot: PlacePot;
  unitsPerPx: number;
  apart: boolean;
  chosen: boolean;
  tight: boolean;
}) {
  const r = pot.width_mm / 2;
  const ring = pot.verdict === 'leave' ? null : VERDICT_COLOURS[pot.verdict];
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
      {shape(0, { fill: MATERIALS[pot.material].fill })}
      {shape(rim, { fill: 'var(--earth)' })}
      <PlantFromAbove
        name={pot.name}
        form={pot.form}
        state={pot.state}
        bare={isBare(pot.form, pot.state)}
        unitsPerPx={px}
        width={Math.min(Math.max(pot.crown_mm, r * 0.6), r * 2.4)}
      />
      {apart &&
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

/** A mark beside the ring, so that colour does not tell alone. */
function VerdictMark({ verdict, at, px }: { verdict: Judged; at: number; px: number }) {
  if (verdict === 'leave' || verdict === 'soon') return null;
  return (
    <g transform={`translate(${at} ${-at}) scale(${px})`}>
      <circle r="8" fill="var(--paper)" stroke="var(--ink)" />
      <g transform="translate(-6 -6)">
        <VerdictGlyph verdict={verdict} />
      </g>
    </g>
  );
}
