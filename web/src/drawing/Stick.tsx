/**
 * The skewer out of the pot: dark up to the damp, the doubtful stretch hatched, a notch where this plant's rule bites.
 */
import type { Band } from '@zinc-pail/core';
import { useId } from 'react';

interface StickProps {
  moisture: Band;
  dueM: number;
  height: number;
  /** said aloud: "damp, 0.4" */
  label: string;
}

const WIDTH = 26;
const TOP = 3;
const POINT = 7;

export function Stick({ moisture, dueM, height, label }: StickProps) {
  const hatch = useId();
  const bottom = height - POINT - 1;
  const y = (m: number) => TOP + (bottom - TOP) * (1 - Math.min(1, Math.max(0, m)));
  const { p10, p90 } = moisture;
  return (
    <svg
      width={WIDTH}
      height={height}
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={label}
      className="shrink-0"
    >
      <defs>
        <pattern id={hatch} width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(-35)">
          <rect width="4" height="4" fill="var(--stick-dry)" />
          <rect width="4" height="1.8" fill="var(--stick-wet)" />
        </pattern>
      </defs>
      <path
        d={`M10,${TOP}h8v${bottom - TOP}l-4,${POINT}l-4,${-POINT}z`}
        fill="var(--stick-dry)"
        stroke="var(--wood-edge)"
        strokeWidth={1}
      />
      <rect x={10.5} y={y(p90)} width={7} height={Math.max(0, y(p10) - y(p90))} fill={`url(#${hatch})`} />
      <rect x={10.5} y={y(p10)} width={7} height={Math.max(0, bottom - y(p10))} fill="var(--stick-wet)" />
      {p90 > 0.06 && <path d={`M10,${bottom}h8l-4,${POINT}z`} fill="var(--stick-wet)" />}
      <path d={`M3,${y(dueM) - 3.5}L9.5,${y(dueM)}L3,${y(dueM) + 3.5}z`} fill="var(--clay)" />
    </svg>
  );
}
