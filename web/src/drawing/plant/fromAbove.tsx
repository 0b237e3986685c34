/** Plants from above, about the origin, in a circle of this width. */
import type { ReactElement } from 'react';
import { type Ink, leafFill } from './ink.tsx';
import type { LookName } from './looks.ts';
import { at, GOLDEN_RAD, leaf, lobed, packed, star, type Tip } from './strokes.ts';

export interface DrawnAbove {
  radius: number;
  ink: Ink;
  bare: boolean;
}

type Draw = (drawn: DrawnAbove) => ReactElement;

const some = <T,>(ink: Ink, few: T, more: T, many: T): T => [few, more, many][ink.detail]!;

function Dots({ points, ink, size = 1.2 }: { points: readonly { x: number; y: number }[]; ink: Ink; size?: number }) {
  return (
    <path
      d={points.map(({ x, y }) => `M${at(x, y)}h0.01`).join('')}
      fill="none"
      stroke={ink.light}
      strokeWidth={ink.pen * size}
      strokeLinecap="round"
    />
  );
}

/** A body of so many ribs, spines on their crests. */
const ribbed =
  (few: number, more: number, many: number, wool = false): Draw =>
  ({ radius, ink }) => {
    const ribs = some(ink, few, more, many);
    const areoles = Array.from({ length: ribs }, (_, i) => (i / ribs) * 2 * Math.PI).flatMap((angle) =>
      some(ink, [], [0.8], [0.45, 0.65, 0.85]).map((r) => ({
        x: Math.sin(angle) * r * radius,
        y: -Math.cos(angle) * r * radius,
      })),
    );
    const furrows = Array.from({ length: ribs }, (_, i) => {
      const angle = ((i + 0.5) / ribs) * 2 * Math.PI;
      const on = (r: number) => at(Math.sin(angle) * radius * r, -Math.cos(angle) * radius * r);
      return `M${on(0.16)}L${on(0.88)}`;
    }).join('');
    return (
      <g>
        <path d={lobed(ribs, radius, 0.9)} fill={ink.fill} stroke={ink.edge} strokeWidth={ink.pen * 0.6} />
        {ink.variegated && (
          <path d={`M0,${-radius * 0.9}A${radius * 0.9},${radius * 0.9} 0 0 1 0,${radius * 0.9}z`} fill={ink.light} />
        )}
        <path d={furrows} stroke={ink.edge} strokeWidth={ink.pen} fill="none" />
        <Dots points={areoles} ink={ink} size={wool ? 2.6 : 1.4} />
        {wool && <circle r={radius * 0.3} fill={ink.light} />}
      </g>
    );
  };

const knobbed =
  (wool: boolean): Draw =>
  ({ radius, ink }) => {
    const knobs = packed(some(ink, 7, 24, 70), radius * 0.95);
    const size = radius * some(ink, 0.3, 0.17, 0.1);
    return (
      <g>
        <circle r={radius} fill={ink.fill} />
        {ink.variegated && <path d={`M0,${-radius}A${radius},${radius} 0 0 1 0,${radius}z`} fill={ink.light} />}
        {ink.detail > 0 && (
          <g fill="none" stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
            {knobs.map(({ x, y }, i) => (
              <circle key={i} cx={x} cy={y} r={size} />
            ))}
          </g>
        )}
        <Dots points={knobs} ink={ink} size={wool ? 2.6 : 1.3} />
        {wool && <circle r={radius * 0.24} fill={ink.light} />}
      </g>
    );
  };

const starBall: Draw = ({ radius, ink }) => (
  <g>
    <path d={star(some(ink, 5, 6, 6), radius, 0.62)} fill={ink.fill} stroke={ink.edge} strokeWidth={ink.pen * 0.7} />
    {ink.detail > 0 && <Dots points={packed(some(ink, 0, 14, 60), radius * 0.7)} ink={ink} size={0.9} />}
  </g>
);

const smooth: Draw = ({ radius, ink }) => (
  <g>
    <path d={lobed(8, radius, 0.95)} fill={ink.fill} stroke={ink.edge} strokeWidth={ink.pen * 0.5} />
    {ink.detail > 0 && (
      <g fill="none" stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
        <circle r={radius * 0.62} />
        <circle r={radius * 0.3} />
      </g>
    )}
  </g>
);

interface RosetteAbove {
  leaves: readonly [number, number, number];
  half: number;
  tip: Tip;
  /** what each leaf bears: a window at its tip, bands, teeth, a dot */
  mark?: 'window' | 'bands' | 'tip' | 'dots';
}

/** Leaves by the golden angle, the outer ones first, so that the young lie on top. */
const rosette =
  ({ leaves, half, tip, mark }: RosetteAbove): Draw =>
  ({ radius, ink }) => {
    const count = some(ink, ...leaves);
    const each = Array.from({ length: count }, (_, i) => ({
      angle: i * GOLDEN_RAD,
      reach: radius * (1 - 0.75 * (i / count) ** 1.5),
    }));
    return (
      <g>
        {each.map(({ angle, reach }, i) => (
          <g key={i} transform={`rotate(${((angle * 180) / Math.PI).toFixed(1)})`}>
            <path
              d={leaf(0, 0, 0, reach, Math.max(reach * half, radius * 0.06), tip)}
              fill={leafFill(ink, i)}
              stroke={ink.edge}
              strokeWidth={ink.pen * 0.6}
            />
            {ink.detail > 0 && mark === 'window' && (
              <ellipse
                cx={0}
                cy={-reach * 0.78}
                rx={reach * half * 0.5}
                ry={reach * 0.14}
                fill={ink.light}
                opacity={0.7}
              />
            )}
            {ink.detail > 0 && mark === 'bands' && (
              <path
                d={[0.4, 0.55, 0.7, 0.85]
                  .map((r) => `M${at(-reach * half * (1 - r), -reach * r)}h${(2 * reach * half * (1 - r)).toFixed(2)}`)
                  .join('')}
                stroke={ink.light}
                strokeWidth={ink.pen}
              />
            )}
            {ink.detail > 0 && mark === 'tip' && <circle cx={0} cy={-reach * 0.97} r={ink.pen} fill={ink.light} />}
            {ink.detail > 0 && mark === 'dots' && (
              <Dots
                points={[0.7, 0.8, 0.9].flatMap((r) =>
                  [-0.4, 0.4].map((x) => ({ x: x * reach * half, y: -reach * r })),
                )}
                ink={ink}
              />
            )}
          </g>
        ))}
      </g>
    );
  };

const tongues: Draw = ({ radius, ink }) => (
  <g stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
    {[1, 0.72, 0.44].flatMap((reach, row) =>
      [-1, 1].map((side, i) => (
        <path
          key={`${reach}${side}`}
          d={leaf(0, 0, side * (Math.PI / 2) + row * 0.13 * side, radius * reach, radius * 0.2, 'blunt')}
          fill={leafFill(ink, i + row)}
        />
      )),
    )}
  </g>
);

/** Heads of one kind over the pot. */
const heads =
  (places: readonly (readonly [x: number, y: number, r: number])[], one: Draw): Draw =>
  ({ radius, ink, bare }) => (
    <g>
      {places.map(([x, y, r]) => (
        <g key={`${x},${y}`} transform={`translate(${(x * radius).toFixed(2)} ${(y * radius).toFixed(2)})`}>
          {one({
            radius: r * radius,
            ink: { ...ink, detail: ink.detail === 2 && r > 0.3 ? 2 : ink.detail === 0 ? 0 : 1 },
            bare,
          })}
        </g>
      ))}
    </g>
  );

const FIVE = [
  [0, -0.56, 0.4],
  [0.55, -0.12, 0.38],
  [0.33, 0.55, 0.4],
  [-0.36, 0.5, 0.36],
  [-0.55, -0.15, 0.4],
  [0, 0.02, 0.3],
] as const;

const pads: Draw = ({ radius, ink }) => (
  <g stroke={ink.edge} strokeWidth={ink.pen * 0.8}>
    {[20, 75, 140].map((turn, i) => (
      <ellipse
        key={turn}
        rx={radius * (0.98 - i * 0.2)}
        ry={radius * 0.2}
        fill={leafFill(ink, i)}
        transform={`rotate(${turn}) translate(${radius * 0.08 * i} 0)`}
      />
    ))}
  </g>
);

/** Stems that lie outward, with what they bear. */
const sprawl =
  (bear: 'none' | 'beads' | 'links' | 'leaves' | 'hearts', thick: number): Draw =>
  ({ radius, ink }) => {
    const strands = some(ink, 5, 8, 11);
    const along = some(ink, [0.9], [0.55, 0.95], [0.35, 0.55, 0.75, 0.95]);
    const size = { none: 0, beads: 0.09, links: 0.13, leaves: 0.11, hearts: 0.15 }[bear];
    return (
      <g>
        {Array.from({ length: strands }, (_, i) => {
          const angle = i * GOLDEN_RAD;
          const reach = radius * (0.82 + ((i * 7) % 5) * 0.045);
          const on = (r: number, turn = 0) =>
            [Math.sin(angle + turn * r) * reach * r, -Math.cos(angle + turn * r) * reach * r] as const;
          return (
            <g key={i}>
              <path
                d={`M0,0Q${at(...on(0.5, 0.5))} ${at(...on(1, 0.25))}`}
                fill="none"
                stroke={bear === 'none' ? ink.fill : ink.edge}
                strokeWidth={Math.max(ink.pen, radius * thick)}
                strokeLinecap="round"
              />
              {bear !== 'none' &&
                along.map((r, k) => {
                  const [x, y] = on(r, 0.28);
                  return (
                    <ellipse
                      key={r}
                      cx={x}
                      cy={y}
                      rx={radius * size}
                      ry={radius * size * (bear === 'leaves' ? 0.55 : bear === 'links' ? 0.6 : 0.95)}
                      transform={`rotate(${((angle * 180) / Math.PI + 90).toFixed(0)} ${at(x, y).replace(',', ' ')})`}
                      fill={leafFill(ink, i + k)}
                      stroke={ink.edge}
                      strokeWidth={ink.pen * 0.5}
                    />
                  );
                })}
            </g>
          );
        })}
      </g>
    );
  };

const shrub =
  (leafR: number, slim: number, thorns = false): Draw =>
  ({ radius, ink, bare }) => {
    const leaves = packed(some(ink, 6, 16, 34), radius * 0.88);
    return (
      <g>
        <path
          d={[0.3, 1.6, 2.9, 4.2, 5.4]
            .map((a) => `M0,0L${at(Math.sin(a) * radius * 0.75, -Math.cos(a) * radius * 0.75)}`)
            .join('')}
          stroke={ink.bark}
          strokeWidth={ink.pen * 2}
        />
        {thorns && ink.detail > 0 && <Dots points={packed(26, radius * 0.7)} ink={ink} size={0.9} />}
        {!bare &&
          leaves.map(({ x, y, angle }, i) => (
            <ellipse
              key={i}
              cx={x}
              cy={y}
              rx={radius * leafR * slim}
              ry={radius * leafR}
              transform={`rotate(${((angle * 180) / Math.PI).toFixed(0)} ${at(x, y).replace(',', ' ')})`}
              fill={leafFill(ink, i)}
              stroke={ink.edge}
              strokeWidth={ink.pen * 0.5}
            />
          ))}
      </g>
    );
  };

const swollen =
  (skin: 'plain' | 'thorny' | 'plated'): Draw =>
  ({ radius, ink, bare }) => (
    <g>
      {!bare &&
        Array.from({ length: some(ink, 5, 8, 13) }, (_, i) => (
          <g key={i} transform={`rotate(${(i * GOLDEN_RAD * 180) / Math.PI})`}>
            <path
              d={leaf(0, -radius * 0.42, 0, radius * 0.56, radius * 0.15, skin === 'plated' ? 'spoon' : 'round')}
              fill={leafFill(ink, i)}
              stroke={ink.edge}
              strokeWidth={ink.pen * 0.5}
            />
          </g>
        ))}
      <circle r={radius * 0.46} fill={ink.bark} stroke={ink.edge} strokeWidth={ink.pen * 0.7} />
      {skin === 'plated' && ink.detail > 0 && (
        <g fill="none" stroke={ink.edge} strokeWidth={ink.pen * 0.8}>
          {packed(some(ink, 0, 7, 19), radius * 0.38).map(({ x, y }, i) => (
            <path
              key={i}
              d={star(3, radius * some(ink, 0, 0.12, 0.08), 0.8)}
              transform={`translate(${at(x, y).replace(',', ' ')})`}
            />
          ))}
        </g>
      )}
      {skin === 'thorny' && <Dots points={packed(some(ink, 3, 9, 26), radius * 0.4)} ink={ink} />}
      {skin === 'plain' && <circle r={radius * 0.1} fill={ink.edge} />}
    </g>
  );

const bulb =
  (leaves: 'straps' | 'curls' | 'flat'): Draw =>
  ({ radius, ink, bare }) => (
    <g>
      {!bare &&
        leaves === 'straps' &&
        Array.from({ length: some(ink, 4, 6, 8) }, (_, i) => (
          <g key={i} transform={`rotate(${(i * GOLDEN_RAD * 180) / Math.PI})`}>
            <path
              d={leaf(0, 0, 0, radius, radius * 0.13, 'point')}
              fill={leafFill(ink, i)}
              stroke={ink.edge}
              strokeWidth={ink.pen * 0.5}
            />
          </g>
        ))}
      {!bare &&
        leaves === 'curls' &&
        Array.from({ length: some(ink, 4, 6, 9) }, (_, i, r = radius * 0.16) => (
          <path
            key={i}
            transform={`rotate(${(i * GOLDEN_RAD * 180) / Math.PI})`}
            d={`M0,0V${-radius * 0.72}a${r},${r} 0 1 1 ${at(r, r)}a${r * 0.6},${r * 0.6} 0 1 1 ${at(-r * 0.6, -r * 0.5)}`}
            fill="none"
            stroke={ink.fill}
            strokeWidth={ink.pen * 1.8}
            strokeLinecap="round"
          />
        ))}
      {!bare &&
        leaves === 'flat' &&
        [90, 270].map((turn, i) => (
          <g key={turn} transform={`rotate(${turn + 20})`}>
            <path
              d={leaf(0, 0, 0, radius, radius * 0.5, 'round')}
              fill={leafFill(ink, i)}
              stroke={ink.edge}
              strokeWidth={ink.pen * 0.7}
            />
          </g>
        ))}
      <circle r={radius * 0.24} fill={ink.bark} stroke={ink.edge} strokeWidth={ink.pen * 0.7} />
    </g>
  );

/** Two halves with a cleft, a window on each. */
const pair: Draw = ({ radius, ink }) => (
  <g>
    {[-1, 1].map((side, i) => (
      <path
        key={side}
        d={
          `M${at(-radius * 0.92, side * radius * 0.06)}Q${at(-radius * 0.8, side * radius * 0.92)} ` +
          `${at(0, side * radius * 0.92)}Q${at(radius * 0.8, side * radius * 0.92)} ` +
          `${at(radius * 0.92, side * radius * 0.06)}z`
        }
        fill={leafFill(ink, i)}
        stroke={ink.edge}
        strokeWidth={ink.pen * 0.7}
      />
    ))}
    {ink.detail > 0 &&
      [-1, 1].map((side) => (
        <g key={side}>
          <ellipse
            cx={0}
            cy={side * radius * 0.46}
            rx={radius * 0.58}
            ry={radius * 0.28}
            fill={ink.light}
            opacity={0.7}
          />
          {ink.detail === 2 && (
            <path
              d={packed(9, radius * 0.24)
                .map(
                  ({ x, y, angle }) =>
                    `M${at(x * 1.9, side * radius * 0.46 + y)}l${at(Math.sin(angle) * radius * 0.12, Math.cos(angle) * radius * 0.07)}`,
                )
                .join('')}
              stroke={ink.edge}
              strokeWidth={ink.pen * 0.8}
            />
          )}
        </g>
      ))}
  </g>
);

const button: Draw = ({ radius, ink }) => (
  <g>
    <ellipse rx={radius} ry={radius * 0.86} fill={ink.fill} stroke={ink.edge} strokeWidth={ink.pen * 0.7} />
    {ink.detail > 0 && <path d={`M${-radius * 0.4},0h${radius * 0.8}`} stroke={ink.edge} strokeWidth={ink.pen} />}
  </g>
);

const clubTip: Draw = ({ radius, ink }) => (
  <g>
    <circle r={radius} fill={ink.fill} stroke={ink.edge} strokeWidth={ink.pen * 0.6} />
    <circle r={radius * 0.6} fill={ink.light} />
  </g>
);

/** Two ranks at right angles, thick leaves. */
const crossed =
  (half: number, tip: Tip, mark?: 'dots' | 'teeth'): Draw =>
  ({ radius, ink }) => (
    <g stroke={ink.edge} strokeWidth={ink.pen * 0.7}>
      {[0, 180, 90, 270].map((turn, i) => {
        const reach = radius * (i < 2 ? 1 : 0.66);
        return (
          <g key={turn} transform={`rotate(${turn + 25})`}>
            <path d={leaf(0, 0, 0, reach, reach * half, tip)} fill={leafFill(ink, i)} />
            {ink.detail > 0 && mark === 'teeth' && (
              <path
                d={[0.35, 0.5, 0.65, 0.8]
                  .map(
                    (r) =>
                      `M${at(-reach * half * (1.05 - r * 0.7), -reach * r)}l${at(-reach * 0.07, -reach * 0.05)}M${at(reach * half * (1.05 - r * 0.7), -reach * r)}l${at(reach * 0.07, -reach * 0.05)}`,
                  )
                  .join('')}
              />
            )}
            {ink.detail > 0 && mark === 'dots' && (
              <Dots points={packed(9, reach * 0.22).map(({ x, y }) => ({ x, y: y - reach * 0.6 }))} ink={ink} />
            )}
          </g>
        );
      })}
    </g>
  );

export const crestAbove: Draw = ({ radius, ink }) => {
  const folds = some(ink, 4, 7, 12);
  const line = (aside: number) =>
    `M${at(-radius, aside)}${Array.from({ length: folds }, (_, i) => {
      const x = -radius + ((i + 1) / folds) * 2 * radius;
      return `Q${at(x - radius / folds, aside + (i % 2 ? 1 : -1) * radius * 0.4)} ${at(x, aside)}`;
    }).join('')}`;
  return (
    <g fill="none" strokeLinecap="round">
      <path d={line(0)} stroke={ink.fill} strokeWidth={radius * 0.62} />
      <path d={line(0)} stroke={ink.edge} strokeWidth={ink.pen} />
    </g>
  );
};

const spoon = rosette({ leaves: [7, 14, 26], half: 0.3, tip: 'spoon' });

export const FROM_ABOVE: Readonly<Record<LookName, Draw>> = {
  ribs: ribbed(8, 13, 18),
  tubercles: knobbed(false),
  'wool-ball': knobbed(true),
  star: starBall,
  'rock-rosette': rosette({ leaves: [6, 11, 18], half: 0.34, tip: 'wedge' }),
  'smooth-ball': smooth,
  pillar: ribbed(5, 7, 9),
  'wool-pillar': ribbed(9, 14, 18, true),
  fingers: heads(FIVE, ({ radius, ink }) => (
    <path d={star(5, radius, 0.55)} fill={ink.fill} stroke={ink.edge} strokeWidth={ink.pen * 0.7} />
  )),
  pads,
  straps: sprawl('none', 0.16),
  links: sprawl('links', 0.02),
  strings: sprawl('none', 0.05),
  'sword-rosette': rosette({ leaves: [6, 11, 16], half: 0.18, tip: 'point', mark: 'dots' }),
  'window-rosette': rosette({ leaves: [7, 12, 20], half: 0.32, tip: 'point', mark: 'window' }),
  'banded-rosette': rosette({ leaves: [7, 12, 20], half: 0.22, tip: 'point', mark: 'bands' }),
  tongues,
  'spoon-rosette': spoon,
  'tree-rosette': heads(
    [
      [0, -0.5, 0.48],
      [0.5, 0.3, 0.46],
      [-0.5, 0.32, 0.46],
    ],
    rosette({ leaves: [6, 12, 18], half: 0.26, tip: 'spoon' }),
  ),
  'spike-rosette': rosette({ leaves: [6, 11, 20], half: 0.24, tip: 'wedge', mark: 'tip' }),
  'house-leeks': heads(FIVE, rosette({ leaves: [7, 11, 16], half: 0.36, tip: 'point' })),
  'coin-shrub': shrub(0.15, 0.9),
  stacked: heads(FIVE, crossed(0.42, 'point')),
  'felt-shrub': shrub(0.22, 0.75),
  'thorn-shrub': shrub(0.1, 0.6, true),
  'leaf-shrub': shrub(0.17, 0.5),
  'bead-trail': sprawl('beads', 0.02),
  'tail-trail': sprawl('leaves', 0.06),
  'heart-trail': sprawl('hearts', 0.02),
  'leaf-trail': sprawl('leaves', 0.02),
  swollen: swollen('plain'),
  'swollen-thorny': swollen('thorny'),
  'swollen-plated': swollen('plated'),
  'strap-bulb': bulb('straps'),
  'curl-bulb': bulb('curls'),
  'flat-bulb': bulb('flat'),
  'cleft-pair': pair,
  bodies: heads(FIVE, button),
  'split-rock': crossed(0.5, 'round', 'dots'),
  warty: rosette({ leaves: [6, 9, 13], half: 0.3, tip: 'blunt', mark: 'dots' }),
  clubs: heads(
    [...FIVE, [0.8, 0.25, 0.22], [-0.1, -0.98, 0.22], [-0.85, 0.3, 0.22], [0.75, -0.55, 0.22], [-0.7, -0.65, 0.22]],
    clubTip,
  ),
  jaws: crossed(0.36, 'point', 'teeth'),
  sickles: crossed(0.2, 'round'),
  'banded-swords': rosette({ leaves: [4, 6, 8], half: 0.12, tip: 'point', mark: 'bands' }),
};
