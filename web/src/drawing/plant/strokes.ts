/** What drawings of plants are made of: leaves, ribs, spirals, as paths. Lengths in the units of the drawing, up is below 0. */

/** How much is drawn: a blot at 12 px, lines at 60, spines and windows at 400. */
export type Detail = 0 | 1 | 2;

export function detailOf(px: number): Detail {
  return px < 15 ? 0 : px < 70 ? 1 : 2;
}

/** Leaves turn by this from one to the next: the golden angle, by which rosettes and heads are packed. */
export const GOLDEN_RAD = Math.PI * (3 - Math.sqrt(5));

const f = (x: number) => (Math.abs(x) < 0.005 ? '0' : x.toFixed(2));
export const at = (x: number, y: number) => `${f(x)},${f(y)}`;

export type Tip = 'point' | 'round' | 'spoon' | 'blunt' | 'wedge';
const WIDEST: Record<Tip, number> = { point: 0.32, round: 0.5, spoon: 0.72, blunt: 0.6, wedge: 0.05 };

/**
 * A leaf from its foot outward.
 *
 * @param angle from straight up, clockwise, radians
 * @param half half its width
 */
export function leaf(x: number, y: number, angle: number, length: number, half: number, tip: Tip): string {
  const [ux, uy] = [Math.sin(angle), -Math.cos(angle)];
  const [sx, sy] = [-uy, ux];
  const on = (along: number, aside: number) => at(x + ux * along + sx * aside, y + uy * along + sy * aside);
  const foot = tip === 'wedge' ? half : tip === 'spoon' ? half * 0.3 : half * 0.6;
  const wide = WIDEST[tip] * length;
  if (tip === 'point' || tip === 'wedge')
    return `M${on(0, -foot)}Q${on(wide, -half)} ${on(length, 0)}Q${on(wide, half)} ${on(0, foot)}z`;
  const shoulder = tip === 'blunt' ? 1.02 : 0.98;
  return (
    `M${on(0, -foot)}C${on(wide * 0.5, -half)} ${on(wide, -half * 1.1)} ` +
    `${on(length * 0.86, -half * (tip === 'blunt' ? 0.95 : 0.7))}Q${on(length * shoulder, -half * (tip === 'blunt' ? 0.8 : 0.35))} ` +
    `${on(length, 0)}Q${on(length * shoulder, half * (tip === 'blunt' ? 0.8 : 0.35))} ` +
    `${on(length * 0.86, half * (tip === 'blunt' ? 0.95 : 0.7))}C${on(wide, half * 1.1)} ${on(wide * 0.5, half)} ` +
    `${on(0, foot)}z`
  );
}

/** Points packed as a head packs them, from the middle out, within this radius. */
export function packed(
  count: number,
  radius: number,
  from = 0,
): { x: number; y: number; angle: number; share: number }[] {
  return Array.from({ length: count }, (_, i) => {
    const share = Math.sqrt((i + 0.5 + from) / (count + from));
    const angle = i * GOLDEN_RAD;
    return { x: Math.sin(angle) * share * radius, y: -Math.cos(angle) * share * radius, angle, share };
  });
}

/** A star of so many ribs: the outline from above. */
export function star(ribs: number, radius: number, notch: number): string {
  const step = Math.PI / ribs;
  const points = Array.from({ length: ribs * 2 }, (_, i) => {
    const r = i % 2 === 0 ? radius : radius * notch;
    return [Math.sin(i * step) * r, -Math.cos(i * step) * r] as const;
  });
  const [first] = points;
  return `M${at(first![0], first![1])}${points
    .map((_, i) => {
      const [x, y] = points[(i + 1) % points.length]!;
      return `L${at(x, y)}`;
    })
    .join('')}z`;
}

/** The same with round ribs: each swells between two furrows. */
export function lobed(ribs: number, radius: number, notch: number): string {
  const step = (2 * Math.PI) / ribs;
  const on = (angle: number, r: number) => at(Math.sin(angle) * r, -Math.cos(angle) * r);
  const inner = radius * notch;
  return `M${on(-step / 2, inner)}${Array.from({ length: ribs }, (_, i) => {
    const angle = i * step;
    return `C${on(angle - step * 0.42, radius * 1.04)} ${on(angle + step * 0.42, radius * 1.04)} ${on(angle + step / 2, inner)}`;
  }).join('')}z`;
}

/** Rows of dots over a body seen from the side, each row as wide as the body there. */
export function lattice(
  rows: number,
  halfAt: (up: number) => number,
  height: number,
  apart: number,
): { x: number; y: number; share: number }[] {
  return Array.from({ length: rows }, (_, row) => {
    const up = (row + 0.6) / (rows + 0.2);
    const half = halfAt(up) * 0.94;
    const count = Math.max(1, Math.floor((2 * half) / apart));
    return Array.from({ length: count }, (_unused, i) => {
      const across = count === 1 ? 0 : ((i + (row % 2 ? 0.75 : 0.25)) / count) * 2 - 1;
      // Seen from the side the rows bend with the body: those near its edge crowd.
      return { x: Math.sin((across * Math.PI) / 2) * half, y: -up * height, share: Math.abs(across) };
    });
  }).flat();
}

/** Half the width of an egg at a share of its height. */
export const eggHalf = (half: number) => (up: number) => half * Math.sqrt(Math.max(0, 1 - (2 * up - 1) ** 2));
/** Half the width of a pillar with a round head. */
export const pillarHalf = (half: number, height: number) => (up: number) => {
  const left = (1 - up) * height;
  return left >= half ? half : half * Math.sqrt(Math.max(0, 1 - (1 - left / half) ** 2));
};
