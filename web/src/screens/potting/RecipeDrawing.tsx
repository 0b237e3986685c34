/** A recipe drawn: the wet layer in the pot's own profile, and water held against suction beside the other recipes'. */
import { type Blend, halfWidthMm, type Pot } from '@zinc-pail/core';
import { axisBottom, axisLeft, line, scaleLinear, scaleLog, select } from 'd3';
import { useEffect, useRef } from 'react';
import { smallLength } from '../../reader/units.ts';

const SLICES = 24;

/** The pot cut through: dark where pores stay full of water, paler the more air there is. */
interface WetPotProps {
  pot: Pot;
  blend: Blend;
  wetMm: number;
  crockMm: number;
  size: number;
}

export function WetPot({ pot, blend, wetMm, crockMm, size }: WetPotProps) {
  const scale = (size - 12) / Math.max(pot.top_mm, pot.depth_mm);
  const centre = size / 2;
  const foot = size - 6;
  const slices = Array.from({ length: SLICES }, (_, i) => {
    const low = crockMm + (i / SLICES) * (pot.depth_mm - crockMm);
    const high = crockMm + ((i + 1) / SLICES) * (pot.depth_mm - crockMm);
    const fill = blend.waterAt(((low + high) / 2 - crockMm) / 10) / blend.totalPorosity;
    const [a, b] = [halfWidthMm(pot, low) * scale, halfWidthMm(pot, high) * scale];
    return {
      fill,
      path: `M${centre - a} ${foot - low * scale}H${centre + a}L${centre + b} ${foot - high * scale}H${centre - b}z`,
    };
  });
  return (
    <svg
      width={size}
      height={size}
      className="shrink-0"
      role="img"
      aria-label={
        `The pot cut through after a drench: ${crockMm > 0 ? `over ${smallLength(crockMm)} of crocks ` : ''}its lowest ` +
        `${smallLength(wetMm)} stay full of water`
      }
    >
      {slices.map(({ fill, path }, i) => (
        <path key={i} d={path} fill="var(--dusk)" fillOpacity={0.12 + 0.78 * fill} />
      ))}
      <path
        d={
          `M${centre - (pot.top_mm / 2) * scale} ${foot - pot.depth_mm * scale}L${centre - (pot.base_mm / 2) * scale} ` +
          `${foot}H${centre + (pot.base_mm / 2) * scale}L${centre + (pot.top_mm / 2) * scale} ` +
          `${foot - pot.depth_mm * scale}`
        }
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.8}
      />
      <line
        x1={centre - (pot.top_mm / 2) * scale - 5}
        x2={centre + (pot.top_mm / 2) * scale + 5}
        y1={foot - (crockMm + wetMm) * scale}
        y2={foot - (crockMm + wetMm) * scale}
        stroke="var(--clay)"
        strokeDasharray="3 3"
      />
    </svg>
  );
}

const HEIGHT = 210;
const MARGIN = { left: 40, right: 12, top: 10, bottom: 36 };
export const STROKES = [
  { stroke: 'var(--clay)', dash: undefined },
  { stroke: 'var(--lichen)', dash: '6 3' },
  { stroke: 'var(--dusk)', dash: '2 3' },
] as const;

/** Water by volume against the pull of height, from a centimetre to three metres. */
export function Curves({
  blends,
  depthMm,
  width,
}: {
  blends: readonly (Blend | null)[];
  depthMm: number;
  width: number;
}) {
  const bottom = useRef<SVGGElement>(null);
  const left = useRef<SVGGElement>(null);
  const x = scaleLog([1, 300], [MARGIN.left, width - MARGIN.right]);
  const y = scaleLinear([0, 0.9], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  useEffect(() => {
    select(bottom.current!).call(
      axisBottom(x).tickValues([1, 3, 10, 30, 100, 300]).tickFormat(String).tickSizeOuter(0),
    );
    select(left.current!).call(
      axisLeft(y)
        .ticks(5)
        .tickFormat((share) => `${Math.round(100 * Number(share))}`)
        .tickSizeOuter(0),
    );
    for (const axis of [bottom.current!, left.current!]) select(axis).attr('font-size', 13).attr('font-family', null);
  });
  const steps = Array.from({ length: 61 }, (_, i) => 300 ** (i / 60));
  const top = depthMm / 10;
  return (
    <svg
      width={width}
      height={HEIGHT}
      role="img"
      aria-label="How tightly each recipe holds its water, one line each"
      className="block"
    >
      <rect
        x={x(1)}
        width={Math.max(0, x(Math.min(300, Math.max(1, top))) - x(1))}
        y={MARGIN.top}
        height={HEIGHT - MARGIN.top - MARGIN.bottom}
        fill="var(--frame)"
      />
      {blends.map(
        (blend, i) =>
          blend && (
            <path
              key={i}
              d={
                line<number>(
                  (cm) => x(cm),
                  (cm) => y(blend.waterAt(cm)),
                )(steps) ?? ''
              }
              fill="none"
              stroke={STROKES[i % STROKES.length]!.stroke}
              strokeDasharray={STROKES[i % STROKES.length]!.dash}
              strokeWidth={2}
            />
          ),
      )}
      <g ref={bottom} transform={`translate(0,${HEIGHT - MARGIN.bottom})`} />
      <g ref={left} transform={`translate(${MARGIN.left},0)`} />
      <text x={width - MARGIN.right} y={HEIGHT - 4} textAnchor="end" fontSize={13} fill="var(--ink-2)">
        cm of suction; grey: within this pot
      </text>
      <text x={4} y={MARGIN.top + 4} fontSize={13} fill="var(--ink-2)">
        %
      </text>
    </svg>
  );
}
