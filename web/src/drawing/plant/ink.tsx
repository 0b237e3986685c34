/** The pen that all drawings of plants share: its colours, its lines, its dots and spines. */
import type { ReactElement } from 'react';
import { at } from './strokes.ts';

export interface Ink {
  /** growing green, or faded in rest */
  fill: string;
  edge: string;
  /** windows, wool, spines, parts without green */
  light: string;
  bark: string;
  variegated: boolean;
  /** of a line */
  pen: number;
  detail: 0 | 1 | 2;
}

export interface Drawn {
  width: number;
  height: number;
  ink: Ink;
  /** no leaves today */
  bare: boolean;
}

export type Draw = (drawn: Drawn) => ReactElement;

export const BY_DETAIL = (few: number, some: number, many: number) => [few, some, many] as const;

/** Every second leaf, or half a body, of a plant that is partly without green. */
export const leafFill = ({ fill, light, variegated }: Ink, i: number) => (variegated && i % 2 === 1 ? light : fill);

export function Lines({
  d,
  ink,
  colour = ink.edge,
  wide = 1,
}: {
  d: string;
  ink: Ink;
  colour?: string;
  wide?: number;
}) {
  return <path d={d} fill="none" stroke={colour} strokeWidth={ink.pen * wide} strokeLinecap="round" />;
}

/** Spines at points of a body: a dot when small, a star of strokes when large. */
export function Spines({ points, ink, long }: { points: readonly { x: number; y: number }[]; ink: Ink; long: number }) {
  if (ink.detail === 0) return null;
  if (ink.detail === 1)
    return <Lines ink={ink} colour={ink.light} wide={1.3} d={points.map(({ x, y }) => `M${at(x, y)}h0.01`).join('')} />;
  const rays = [-1.1, -0.4, 0.4, 1.1, 2.4, 3.9];
  return (
    <Lines
      ink={ink}
      colour={ink.light}
      wide={0.7}
      d={points
        .flatMap(({ x, y }) => rays.map((a) => `M${at(x, y)}l${at(Math.sin(a) * long, -Math.cos(a) * long)}`))
        .join('')}
    />
  );
}

/** One dot of a pen. */
export const dotMark = (x: number, y: number) => `M${at(x, y)}h0.01`;
