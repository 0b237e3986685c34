/** The pot's own profile, from its measures, in its material, with its plant. */
import type { PlantState, Pot } from '@zinc-pail/core';
import { MATERIALS } from './materials.ts';
import { isBare, PlantFromSide } from './plant/Plant.tsx';
import { usePhotographs } from './photographs.ts';

interface PotGlyphProps {
  pot: Pot;
  /** as written: its looks go by it; empty for the pot alone */
  name: string;
  form: string;
  state: PlantState;
  diameterMm: number;
  heightMm: number;
  /** the box it must fit */
  size: number;
  /** pixels for a millimetre, where it fits: pots in one list then compare by eye */
  pxPerMm: number;
  /** the newest photograph, which may stand in the pot instead of the drawing */
  pictureId?: number | null;
  /** the stick in the pot, pulled out by so much of its length; none where nothing is to be felt or poured */
  stick?: 'out' | 'half' | null;
  label?: string;
}

export function PotGlyph({
  pot,
  name,
  form,
  state,
  diameterMm,
  heightMm,
  size,
  pxPerMm,
  pictureId = null,
  stick = null,
  label,
}: PotGlyphProps) {
  const [photographs] = usePhotographs();
  const photograph = photographs ? pictureId : null;
  const widest = Math.max(pot.top_mm, pot.base_mm, form === 'trailing' ? 0 : diameterMm);
  const tallest = pot.depth_mm + heightMm + 6;
  const scale = Math.min(pxPerMm, (size - 4) / widest, (size - 4) / tallest);
  const top = pot.top_mm * scale;
  const base = pot.base_mm * scale;
  const depth = pot.depth_mm * scale;
  const { fill } = MATERIALS[pot.material];
  const centre = size / 2;
  const soil = size - 2 - depth;
  const rimHeight = Math.max(2, Math.min(5, depth * 0.14));
  const bowl = pot.shape === 'bowl';
  const body = bowl
    ? `M${centre - top / 2},${soil}C${centre - top / 2},${soil + depth * 0.7} ${centre - base / 2},${size - 2} ` +
      `${centre - base / 2},${size - 2}H${centre + base / 2}C${centre + base / 2},${size - 2} ` +
      `${centre + top / 2},${soil + depth * 0.7} ${centre + top / 2},${soil}z`
    : `M${centre - top / 2},${soil}L${centre - base / 2},${size - 2}H${centre + base / 2}L${centre + top / 2},${soil}z`;
  const plantWidth = Math.max(4, Math.min(diameterMm * scale, size - 2));
  const hangs = form === 'trailing' && photograph === null;
  const plant = name !== '' && (
    <g transform={`translate(${centre} ${soil})`}>
      {photograph === null ? (
        <PlantFromSide
          name={name}
          form={form}
          state={state}
          bare={isBare(form, state)}
          width={plantWidth}
          // What hangs ends above the board, where numbers stand.
          height={hangs ? Math.max(5, Math.min(heightMm * scale, depth)) : Math.max(3, heightMm * scale)}
        />
      ) : (
        <Photograph id={photograph} width={Math.max(top, plantWidth)} height={Math.max(size * 0.3, heightMm * scale)} />
      )}
    </g>
  );
  return (
    <svg
      width={size}
      height={size}
      viewBox={`0 0 ${size} ${size}`}
      role={label ? 'img' : undefined}
      aria-label={label}
      aria-hidden={label ? undefined : true}
      className="shrink-0"
    >
      {!hangs && plant}
      {stick && <StickInPot x={centre + top * 0.28} soil={soil} depth={depth} out={stick === 'out'} />}
      <path d={body} fill={fill} />
      <Finish pot={pot} at={{ centre, soil, top, base, rimHeight, foot: size }} />
      {hangs && plant}
    </svg>
  );
}

interface Outline {
  centre: number;
  soil: number;
  top: number;
  base: number;
  rimHeight: number;
  foot: number;
}

/** Rim, glaze, top dressing, and a red foot where there is no hole. */
function Finish({ pot, at: { centre, soil, top, base, rimHeight, foot } }: { pot: Pot; at: Outline }) {
  const { rim } = MATERIALS[pot.material];
  return (
    <>
      {pot.shape === 'square' ? (
        <path d={`M${centre - top / 2 - 1},${soil}h${top + 2}v${rimHeight * 0.7}h${-top - 2}z`} fill={rim} />
      ) : (
        pot.shape !== 'bowl' && (
          <rect x={centre - top / 2 - 1.5} y={soil - 0.5} width={top + 3} height={rimHeight} rx={0.8} fill={rim} />
        )
      )}
      {pot.material === 'glazed' && (
        <path
          d={`M${centre - top * 0.3},${soil + rimHeight + 2}L${centre - base * 0.32},${foot - 5}`}
          stroke="#fff"
          strokeOpacity={0.4}
          strokeWidth={1.6}
        />
      )}
      {pot.top_dressing_mm > 0 &&
        Array.from({ length: Math.max(3, Math.floor(top / 4)) }, (_, i) => (
          <circle
            key={i}
            cx={centre - top / 2 + 2 + i * 4}
            cy={soil - 0.6 - (i % 2) * 0.8}
            r={1.3}
            fill="var(--grit)"
          />
        ))}
      {!pot.holes && <path d={`M${centre - base / 2},${foot - 1}h${base}`} stroke="var(--rust)" strokeWidth={2} />}
    </>
  );
}

/** The stick pushed into the mix, its damp end hidden in it; half drawn where it is to be felt. */
function StickInPot({ x, soil, depth, out }: { x: number; soil: number; depth: number; out: boolean }) {
  const length = Math.min(soil - 1, Math.max(12, depth * (out ? 0.9 : 0.55)));
  return (
    <path
      d={`M${x},${soil + 2}L${x + 2},${soil - length}h3L${x + 3},${soil + 2}z`}
      fill="var(--stick-dry)"
      stroke="var(--wood-edge)"
      strokeWidth="0.8"
    />
  );
}

/** A photograph where the plant would stand, its foot at the soil. */
function Photograph({ id, width, height }: { id: number; width: number; height: number }) {
  return (
    <image
      href={`/api/pictures/${id}/small`}
      x={-width / 2}
      y={-height}
      width={width}
      height={height}
      preserveAspectRatio="xMidYMid slice"
      style={{ clipPath: 'inset(0 round 2px)' }}
    />
  );
}
