/** Plants from the side, standing on the origin and reaching up to -height, as a keeper would sketch them. */
import type { ReactElement } from 'react';
import type { LookName } from './looks.ts';
import { at, eggHalf, lattice, leaf, packed, pillarHalf, type Tip } from './strokes.ts';

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

type Draw = (drawn: Drawn) => ReactElement;

const BY_DETAIL = (few: number, some: number, many: number) => [few, some, many] as const;

/** Every second leaf, or half a body, of a plant that is partly without green. */
const leafFill = ({ fill, light, variegated }: Ink, i: number) => (variegated && i % 2 === 1 ? light : fill);

function Lines({ d, ink, colour = ink.edge, wide = 1 }: { d: string; ink: Ink; colour?: string; wide?: number }) {
  return <path d={d} fill="none" stroke={colour} strokeWidth={ink.pen * wide} strokeLinecap="round" />;
}

/** Spines at points of a body: a dot when small, a star of strokes when large. */
function Spines({ points, ink, long }: { points: readonly { x: number; y: number }[]; ink: Ink; long: number }) {
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

const ribs: Draw = ({ width, height, ink }) => {
  const [rx, ry] = [width / 2, height / 2];
  const count = BY_DETAIL(3, 5, 9)[ink.detail];
  const shares = Array.from({ length: count }, (_, i) => Math.sin(((i + 0.5) / count - 0.5) * Math.PI * 0.94));
  const meridian = (x: number) =>
    `M${at(x * rx * 0.35, -ry * 0.06)}C${at(x * rx * 1.15, -ry * 0.5)} ${at(x * rx * 1.15, -ry * 1.5)} ${at(x * rx * 0.2, -height * 0.985)}`;
  const between = shares.slice(1).map((x, i) => (x + shares[i]!) / 2);
  const areoles = between.flatMap((x) =>
    [0.25, 0.5, 0.75].map((up) => ({ x: x * rx * Math.sqrt(1 - (2 * up - 1) ** 2) * 0.96, y: -up * height })),
  );
  return (
    <g>
      <ellipse cx={0} cy={-ry} rx={rx} ry={ry} fill={ink.fill} />
      {ink.variegated && <path d={`M0,0A${rx},${ry} 0 0 1 0,${-height}z`} fill={ink.light} opacity={0.85} />}
      <Lines ink={ink} d={shares.map(meridian).join('')} />
      <Spines points={areoles} ink={ink} long={width * 0.07} />
    </g>
  );
};

const knobbed =
  (wool: number): Draw =>
  ({ width, height, ink }) => {
    const half = width / 2;
    const rows = BY_DETAIL(3, 5, 10)[ink.detail];
    const size = (height / rows) * 0.52;
    const knobs = lattice(rows, eggHalf(half), height, size * 2);
    return (
      <g>
        <ellipse cx={0} cy={-height / 2} rx={half} ry={height / 2} fill={ink.fill} />
        {ink.variegated && (
          <path d={`M0,0A${half},${height / 2} 0 0 1 0,${-height}z`} fill={ink.light} opacity={0.85} />
        )}
        {ink.detail > 0 && (
          <g fill="none" stroke={ink.edge} strokeWidth={ink.pen * 0.8}>
            {knobs.map(({ x, y, share }, i) => (
              <ellipse key={i} cx={x} cy={y} rx={Math.max(0.3, size * (1 - share * 0.5))} ry={size * 0.9} />
            ))}
          </g>
        )}
        <Spines points={knobs} ink={ink} long={size * (0.7 + wool)} />
        {wool > 0 && (
          <path
            d={`M${-half * 0.55},${-height * 0.86}Q0,${-height * (1.06 + wool * 0.06)} ${half * 0.55},${-height * 0.86}Q0,${-height * 0.94} ${-half * 0.55},${-height * 0.86}z`}
            fill={ink.light}
          />
        )}
      </g>
    );
  };

/** Few broad ribs with flecks, a star from above. */
const starBall: Draw = ({ width, height, ink }) => {
  const [rx, ry] = [width / 2, height / 2];
  const furrow = (x: number) =>
    `M${at(x * rx * 0.5, 0)}C${at(x * rx * 1.2, -ry * 0.6)} ${at(x * rx * 1.2, -ry * 1.4)} 0,${-height}`;
  const flecks = lattice(BY_DETAIL(0, 4, 9)[ink.detail], eggHalf(rx), height, width * 0.13);
  return (
    <g>
      <ellipse cx={0} cy={-ry} rx={rx} ry={ry} fill={ink.fill} />
      <Lines ink={ink} wide={1.4} d={[-0.75, 0, 0.75].map(furrow).join('')} />
      {ink.detail > 0 && (
        <Lines ink={ink} colour={ink.light} wide={1.1} d={flecks.map(({ x, y }) => `M${at(x, y)}h0.01`).join('')} />
      )}
    </g>
  );
};

/** Triangles of stone, a rosette that is a cactus. */
const rockRosette: Draw = ({ width, height, ink }) => {
  const count = BY_DETAIL(5, 7, 11)[ink.detail];
  const leans = Array.from({ length: count }, (_, i) => ((i + 0.5) / count) * 2 - 1).toSorted(
    (a, b) => Math.abs(b) - Math.abs(a),
  );
  return (
    <g fill={ink.fill} stroke={ink.edge} strokeWidth={ink.pen * 0.8}>
      {leans.map((lean) => (
        <path
          key={lean}
          d={leaf(
            lean * width * 0.2,
            0,
            lean * 1.25,
            Math.hypot((lean * width) / 3, height * (1 - 0.4 * Math.abs(lean))),
            width * 0.13,
            'wedge',
          )}
        />
      ))}
      <circle cx={0} cy={-height * 0.82} r={width * 0.07} fill={ink.light} stroke="none" />
    </g>
  );
};

const smoothBall: Draw = ({ width, height, ink }) => (
  <g>
    <ellipse cx={0} cy={-height / 2} rx={width / 2} ry={height / 2} fill={ink.fill} />
    <Lines
      ink={ink}
      d={[-0.55, 0, 0.55]
        .map((x) => `M${at(x * width * 0.1, 0)}Q${at(x * width, -height / 2)} ${at(x * width * 0.05, -height * 0.99)}`)
        .join('')}
    />
    {ink.detail === 2 && (
      <Lines
        ink={ink}
        wide={0.5}
        d={[0.3, 0.45, 0.6, 0.75]
          .map((up) => {
            const half = eggHalf(width / 2)(up) * 0.94;
            return `M${at(-half, -up * height)}Q${at(0, -up * height + height * 0.07)} ${at(half, -up * height)}`;
          })
          .join('')}
      />
    )}
  </g>
);

const columnOf =
  (wool: boolean): Draw =>
  ({ width, height, ink }) => {
    const w = Math.min(width, height * 0.7);
    const half = w / 2;
    const count = BY_DETAIL(1, 3, 5)[ink.detail];
    const xs = Array.from({ length: count }, (_, i) => Math.sin(((i + 0.5) / count - 0.5) * Math.PI * 0.9) * half);
    const rows = Math.min(40, Math.max(3, Math.round(height / (w * 0.34))));
    const halfAt = pillarHalf(half, height);
    const areoles = Array.from({ length: rows }, (_, i) => (i + 0.7) / (rows + 0.4)).flatMap((up) =>
      xs.map((x) => ({ x: Math.max(-halfAt(up), Math.min(halfAt(up), x)), y: -up * height })),
    );
    return (
      <g>
        <path
          d={`M${-half},0V${-height + half}Q${-half},${-height} 0,${-height}Q${half},${-height} ${half},${-height + half}V0z`}
          fill={ink.fill}
        />
        {ink.variegated && (
          <path d={`M0,0V${-height}Q${half},${-height} ${half},${-height + half}V0z`} fill={ink.light} />
        )}
        <Lines
          ink={ink}
          d={xs
            .map((x) => `M${at(x + half / count, 0)}V${-height + half * 0.6}`)
            .slice(0, count - 1)
            .join('')}
        />
        <Spines points={areoles} ink={ink} long={w * 0.13} />
        {wool && (
          <g stroke={ink.light} strokeWidth={ink.pen} strokeLinecap="round">
            {Array.from({ length: rows * 2 }, (_, i) => {
              const up = (i + 0.5) / (rows * 2);
              const edge = halfAt(up);
              return (
                <path
                  key={i}
                  d={`M${at(-edge, -up * height)}l${at(-w * 0.07, -w * 0.09)}M${at(edge, -up * height)}l${at(w * 0.07, -w * 0.09)}M${at(((i % 3) - 1) * edge * 0.5, -up * height)}l${at(w * 0.04, -w * 0.1)}`}
                />
              );
            })}
          </g>
        )}
      </g>
    );
  };

const fingers: Draw = ({ width, height, ink }) => {
  const stems = [-0.38, 0.4, -0.16, 0.2, 0.02];
  const thick = Math.max(width * 0.085, ink.pen);
  return (
    <g>
      {stems.map((lean, i) => {
        const top = -height * (1 - 0.45 * Math.abs(lean) - (i % 2) * 0.1);
        const x = lean * width;
        return (
          <g key={lean}>
            <path
              d={`M${at(lean * width * 0.6 - thick, 0)}Q${at(x * 0.9 - thick, top * 0.6)} ${at(x - thick * 0.9, top)}Q${at(x, top - thick)} ${at(x + thick * 0.9, top)}Q${at(x * 0.9 + thick, top * 0.6)} ${at(lean * width * 0.6 + thick, 0)}z`}
              fill={leafFill(ink, i)}
              stroke={ink.edge}
              strokeWidth={ink.pen * 0.7}
            />
            {ink.detail === 2 &&
              [0.25, 0.45, 0.65, 0.85].map((up) => (
                <path
                  key={up}
                  d={`M${at(x * up - thick, top * up)}l${at(-thick * 0.5, -thick * 0.4)}M${at(x * up + thick, top * up)}l${at(thick * 0.5, -thick * 0.4)}`}
                  stroke={ink.edge}
                  strokeWidth={ink.pen}
                />
              ))}
          </g>
        );
      })}
    </g>
  );
};

const pads: Draw = ({ width, height, ink }) => {
  const each = [
    { x: 0, up: 0.28, rx: 0.24, ry: 0.3, turn: 0 },
    { x: -0.26, up: 0.66, rx: 0.18, ry: 0.24, turn: -24 },
    { x: 0.24, up: 0.74, rx: 0.18, ry: 0.25, turn: 20 },
  ];
  return (
    <g>
      {each.map(({ x, up, rx, ry, turn }, i) => (
        <g key={x} transform={`translate(${x * width} ${-up * height}) rotate(${turn})`}>
          <ellipse
            rx={rx * width}
            ry={ry * height}
            fill={leafFill(ink, i)}
            stroke={ink.edge}
            strokeWidth={ink.pen * 0.8}
          />
          <Spines
            points={packed(BY_DETAIL(0, 5, 14)[ink.detail], 1).map((dot) => ({
              x: dot.x * rx * width * 0.8,
              y: dot.y * ry * height * 0.8,
            }))}
            ink={ink}
            long={width * 0.05}
          />
        </g>
      ))}
    </g>
  );
};

/** Flat stems, notched at their edges, arching out of the pot. */
const straps: Draw = ({ width, height, ink }) => (
  <g>
    {[-0.5, 0.5, -0.28, 0.3, 0.02].map((lean, i) => {
      const [x, top] = [lean * width, -height * (1 - Math.abs(lean) * 0.5)];
      return (
        <g key={lean}>
          <path
            d={`M0,0Q${at(x * 0.35, top * 1.05)} ${at(x, top)}`}
            fill="none"
            stroke={leafFill(ink, i)}
            strokeWidth={Math.max(width * 0.085, ink.pen * 1.5)}
            strokeLinecap="round"
          />
          {ink.detail > 0 && <Lines ink={ink} d={`M0,0Q${at(x * 0.35, top * 1.05)} ${at(x, top)}`} wide={0.8} />}
        </g>
      );
    })}
  </g>
);

/** Short flat links, one out of the other, hanging at their ends. */
const links: Draw = ({ width, height, ink }) => (
  <g fill={ink.fill} stroke={ink.edge} strokeWidth={ink.pen * 0.7}>
    {[-0.46, -0.24, 0, 0.25, 0.46].flatMap((lean, strand) =>
      Array.from({ length: ink.detail === 0 ? 2 : 4 }, (_, i) => {
        const share = (i + 0.6) / (ink.detail === 0 ? 2 : 4);
        const arch = 4 * share * (1 - share * 0.75);
        return (
          <ellipse
            key={`${lean}-${i}`}
            cx={lean * width * share * 1.05}
            cy={-height * 0.62 * arch * (1 - Math.abs(lean) * 0.5)}
            rx={width * 0.055}
            ry={Math.max(0.8, height * 0.11)}
            fill={leafFill(ink, strand + i)}
            transform={`rotate(${lean * 200 * share} ${lean * width * share * 1.05} ${-height * 0.62 * arch * (1 - Math.abs(lean) * 0.5)})`}
          />
        );
      }),
    )}
  </g>
);

const strings: Draw = ({ width, height, ink }) => (
  <g fill="none" stroke={ink.fill} strokeWidth={Math.max(ink.pen * 1.4, width * 0.018)} strokeLinecap="round">
    {[-0.5, -0.36, -0.2, -0.06, 0.1, 0.24, 0.38, 0.5].slice(0, ink.detail === 0 ? 5 : 8).map((lean, i) => (
      <path
        key={lean}
        d={`M${at(lean * width * 0.3, 0)}C${at(lean * width * 0.4, -height * (1.1 - (i % 3) * 0.2))} ${at(lean * width, -height)} ${at(lean * width, -height * (0.2 + (i % 2) * 0.35))}`}
      />
    ))}
  </g>
);

interface RosetteLook {
  leaves: readonly [number, number, number];
  /** half a leaf's width against the plant's */
  half: number;
  tip: Tip;
  /** how far down the outer leaves lie: 1 is flat */
  spread: number;
}

const rosetteOf =
  ({ leaves, half, tip, spread }: RosetteLook, Marks?: (drawn: Drawn & { leans: number[] }) => ReactElement): Draw =>
  (drawn) => {
    const { width, height, ink } = drawn;
    const count = leaves[ink.detail];
    const leans = Array.from({ length: count }, (_, i) => ((i + 0.5) / count) * 2 - 1).toSorted(
      (a, b) => Math.abs(b) - Math.abs(a),
    );
    const reach = (lean: number) => Math.hypot((lean * width) / 2, height * (1 - spread * 0.75 * Math.abs(lean)));
    return (
      <g>
        <g stroke={ink.edge} strokeWidth={ink.pen * 0.7}>
          {leans.map((lean, i) => (
            <path
              key={lean}
              d={leaf(
                lean * width * 0.08,
                0,
                Math.atan2((lean * width) / 2, height * (1 - spread * 0.75 * Math.abs(lean))),
                reach(lean),
                width * half,
                tip,
              )}
              fill={leafFill(ink, i)}
            />
          ))}
        </g>
        {Marks && ink.detail > 0 && <Marks {...drawn} leans={leans} />}
      </g>
    );
  };

/** Marks at a share of each leaf: windows, bands, teeth. */
const onLeaves =
  (spread: number, shares: readonly number[], mark: (x: number, y: number, drawn: Drawn) => string, wide = 1) =>
  ({ leans, ...drawn }: Drawn & { leans: number[] }) => (
    <Lines
      ink={drawn.ink}
      colour={drawn.ink.light}
      wide={wide}
      d={leans
        .flatMap((lean) =>
          shares.map((share) =>
            mark(
              lean * drawn.width * (0.08 + 0.42 * share),
              -drawn.height * (1 - spread * 0.75 * Math.abs(lean)) * share,
              drawn,
            ),
          ),
        )
        .join('')}
    />
  );

const bandMark = (x: number, y: number, { width }: Drawn) => `M${at(x - width * 0.03, y)}h${(width * 0.06).toFixed(2)}`;
const dotMark = (x: number, y: number) => `M${at(x, y)}h0.01`;

const tongues: Draw = ({ width, height, ink }) => (
  <g stroke={ink.edge} strokeWidth={ink.pen * 0.7}>
    {[-1, 1, -0.62, 0.62, -0.26, 0.26].map((lean, i) => (
      <g key={lean}>
        <path
          d={leaf(
            lean * width * 0.06,
            0,
            lean * 1.15,
            Math.hypot((lean * width) / 2, height * (1 - Math.abs(lean) * 0.7)),
            width * 0.085,
            'blunt',
          )}
          fill={leafFill(ink, i)}
        />
        {ink.detail > 0 && (
          <Lines
            ink={ink}
            colour={ink.light}
            wide={0.9}
            d={[0.4, 0.6, 0.8]
              .map((share) => dotMark(lean * width * 0.5 * share, -height * (1 - Math.abs(lean) * 0.7) * share))
              .join('')}
          />
        )}
      </g>
    ))}
  </g>
);

const treeRosette: Draw = ({ width, height, ink }) => {
  const heads =
    height < width * 0.7
      ? [[0, 1]]
      : [
          [-0.27, 0.8],
          [0.28, 0.88],
          [0, 1],
        ];
  return (
    <g>
      {heads.map(([x, up]) => (
        <Lines
          key={x}
          ink={ink}
          colour={ink.bark}
          wide={2.4}
          d={`M0,0Q${at(x! * width * 0.3, -height * 0.5)} ${at(x! * width, -height * up! * 0.82)}`}
        />
      ))}
      {heads.map(([x, up]) => (
        <g key={x} transform={`translate(${x! * width} ${-height * up! * 0.78})`}>
          {spoonRosette({
            width: width * (heads.length === 1 ? 1 : 0.5),
            height: height * 0.22,
            ink: { ...ink, detail: ink.detail === 2 ? 2 : 0 },
            bare: false,
          })}
        </g>
      ))}
    </g>
  );
};

const houseLeeks: Draw = ({ width, height, ink }) => {
  const heads = ink.detail === 0 ? [-0.25, 0.25] : [-0.4, 0.4, -0.2, 0.22, 0];
  return (
    <g>
      {heads.map((x, i) => (
        <g key={x} transform={`translate(${x * width} 0)`}>
          {rosetteOf({ leaves: [3, 5, 9], half: 0.13, tip: 'point', spread: 0.9 })({
            width: width * (0.34 - (i % 2) * 0.06),
            height: height * (1 - Math.abs(x) * 0.7),
            ink,
            bare: false,
          })}
        </g>
      ))}
    </g>
  );
};

interface ShrubLook {
  /** leaves along each branch */
  along: readonly [number, number, number];
  rx: number;
  ry: number;
  thick: number;
}

const BRANCHES = [-0.36, -0.14, 0.1, 0.34];

const shrubOf =
  ({ along, rx, ry, thick }: ShrubLook, thorns = false): Draw =>
  ({ width, height, ink, bare }) => {
    const tops = BRANCHES.map((lean) => ({ x: lean * width * 1.1, y: -height * (1 - Math.abs(lean) * 0.55) }));
    const count = along[ink.detail];
    return (
      <g>
        {tops.map(({ x, y }) => (
          <Lines key={x} ink={ink} colour={ink.bark} wide={thick} d={`M0,0Q${at(x * 0.25, y * 0.55)} ${at(x, y)}`} />
        ))}
        {thorns && ink.detail > 0 && (
          <Lines
            ink={ink}
            wide={0.7}
            d={tops
              .flatMap(({ x, y }) =>
                [0.3, 0.45, 0.6, 0.75, 0.9].map(
                  (up) =>
                    `M${at(x * up * up, y * up)}l${at(width * 0.035, -height * 0.01)}M${at(x * up * up, y * up)}l${at(-width * 0.035, -height * 0.01)}`,
                ),
              )
              .join('')}
          />
        )}
        {!bare && (
          <g stroke={ink.edge} strokeWidth={ink.pen * 0.5}>
            {tops.flatMap(({ x, y }, branch) =>
              Array.from({ length: count }, (_, i) => {
                const up = count === 1 ? 1 : 0.4 + (0.6 * i) / (count - 1);
                const side = i === count - 1 ? 0 : (i % 2 ? 1 : -1) * width * rx * 0.9;
                return (
                  <ellipse
                    key={`${branch}-${i}`}
                    cx={x * up * up + side}
                    cy={y * up}
                    rx={width * rx}
                    ry={Math.max(0.9, height * ry)}
                    fill={leafFill(ink, i + branch)}
                  />
                );
              }),
            )}
          </g>
        )}
      </g>
    );
  };

/** Leaves stacked on their stems like beads on a rod. */
const stacked: Draw = ({ width, height, ink }) => (
  <g stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
    {[-0.34, -0.1, 0.14, 0.36].flatMap((lean, branch) => {
      const top = height * (1 - Math.abs(lean) * 0.6);
      const count = BY_DETAIL(3, 5, 9)[ink.detail];
      return Array.from({ length: count }, (_, i) => {
        const up = (i + 0.5) / count;
        return (
          <ellipse
            key={`${branch}-${i}`}
            cx={lean * width * (0.5 + 0.6 * up)}
            cy={-top * up}
            rx={width * 0.11 * (1.15 - 0.5 * up)}
            ry={(top / count) * 0.42}
            fill={leafFill(ink, i)}
          />
        );
      });
    })}
  </g>
);

interface TrailLook {
  rx: number;
  ry: number;
  beads: readonly [number, number, number];
}

const trailOf =
  ({ rx, ry, beads }: TrailLook): Draw =>
  ({ width, height, ink }) => {
    const strands = [-0.5, -0.36, -0.2, 0, 0.22, 0.38, 0.5];
    const count = beads[ink.detail];
    const point = (lean: number, share: number, i: number) => {
      // Up over the rim, then down beside the pot.
      const drop = height * (0.35 + (i % 3) * 0.3);
      const out = Math.min(1, share * 1.8);
      return {
        x: lean * width * out,
        y:
          share < 0.4
            ? -height * 0.55 * Math.sin((share / 0.4) * (Math.PI / 2))
            : -height * 0.55 + (drop + height * 0.55) * ((share - 0.4) / 0.6),
      };
    };
    return (
      <g>
        {strands.map((lean, i) => (
          <Lines
            key={lean}
            ink={ink}
            wide={0.8}
            d={`M0,0${[0.2, 0.4, 0.7, 1].map((share) => `L${at(point(lean, share, i).x, point(lean, share, i).y)}`).join('')}`}
          />
        ))}
        <g stroke={ink.edge} strokeWidth={ink.pen * 0.4}>
          {strands.flatMap((lean, i) =>
            Array.from({ length: count }, (_, k) => {
              const { x, y } = point(lean, (k + 0.8) / count, i);
              return (
                <ellipse
                  key={`${lean}-${k}`}
                  cx={x + (k % 2 ? 1 : -1) * width * rx * 0.5}
                  cy={y}
                  rx={Math.max(0.6, width * rx)}
                  ry={Math.max(0.6, width * ry)}
                  fill={leafFill(ink, k)}
                />
              );
            }),
          )}
        </g>
      </g>
    );
  };

const swollenOf =
  (skin: 'plain' | 'thorny' | 'plated'): Draw =>
  ({ width, height, ink, bare }) => {
    const swell = Math.min(width * 0.34, height * (skin === 'thorny' ? 0.6 : 0.4));
    const rise = skin === 'thorny' ? 1.9 : skin === 'plated' ? 1.15 : 1.4;
    const body = `M${-swell},0C${-swell * 1.3},${-swell * rise * 0.85} ${-swell * 0.3},${-swell * rise * 1.06} 0,${-swell * rise}C${swell * 0.3},${-swell * rise * 1.06} ${swell * 1.3},${-swell * rise * 0.85} ${swell},0z`;
    const leans = [-0.36, -0.1, 0.2, 0.4];
    return (
      <g>
        {leans.map((lean) => (
          <Lines
            key={lean}
            ink={ink}
            colour={ink.bark}
            wide={skin === 'plated' ? 0.9 : 1.7}
            d={`M${at(lean * swell, -swell * rise * 0.9)}Q${at(lean * width * 0.4, -height * 0.6)} ${at(lean * width * 1.1, -height * 0.86)}`}
          />
        ))}
        {!bare && (
          <g stroke={ink.edge} strokeWidth={ink.pen * 0.5}>
            {leans.flatMap((lean, branch) =>
              Array.from({ length: BY_DETAIL(1, 2, 5)[ink.detail] }, (_, i, all = BY_DETAIL(1, 2, 5)[ink.detail]) => {
                const up = 1 - (i / all) * 0.4;
                return (
                  <path
                    key={`${branch}-${i}`}
                    d={leaf(
                      lean * width * 1.1 * up * up,
                      -height * 0.86 * up,
                      (i % 2 ? 1 : -1) * (0.5 + i * 0.35) + lean,
                      width * 0.2,
                      width * 0.06,
                      skin === 'plated' ? 'spoon' : 'round',
                    )}
                    fill={leafFill(ink, i)}
                  />
                );
              }),
            )}
          </g>
        )}
        <path d={body} fill={ink.bark} stroke={ink.edge} strokeWidth={ink.pen * 0.5} />
        {skin === 'plated' && ink.detail > 0 && (
          <Lines
            ink={ink}
            wide={0.8}
            d={lattice(ink.detail === 2 ? 5 : 3, eggHalf(swell), swell * rise, swell * 0.5)
              .map(
                ({ x, y }) =>
                  `M${at(x - swell * 0.16, y)}l${at(swell * 0.16, -swell * 0.16)}l${at(swell * 0.16, swell * 0.16)}l${at(-swell * 0.16, swell * 0.14)}z`,
              )
              .join('')}
          />
        )}
        {skin === 'thorny' && (
          <Spines
            points={lattice(BY_DETAIL(0, 3, 6)[ink.detail], eggHalf(swell), swell * rise, swell * 0.55)}
            ink={ink}
            long={swell * 0.3}
          />
        )}
      </g>
    );
  };

function Bulb({ width, ink, half = 0.2 }: { width: number; ink: Ink; half?: number }) {
  const rise = width * half * 1.4;
  return (
    <path
      d={`M${-width * half},0Q${-width * half * 0.9},${-rise * 0.8} 0,${-rise}Q${width * half * 0.9},${-rise * 0.8} ${width * half},0z`}
      fill={ink.bark}
      stroke={ink.edge}
      strokeWidth={ink.pen * 0.5}
    />
  );
}

const strapBulb: Draw = ({ width, height, ink, bare }) => (
  <g>
    {!bare && (
      <g stroke={ink.edge} strokeWidth={ink.pen * 0.5}>
        {[-0.9, 0.85, -0.5, 0.45, -0.12].map((lean, i) => (
          <path
            key={lean}
            d={leaf(
              0,
              -width * 0.1,
              lean * 0.95,
              Math.hypot((lean * width) / 2, height * (1 - 0.4 * Math.abs(lean))),
              width * 0.075,
              'point',
            )}
            fill={leafFill(ink, i)}
          />
        ))}
      </g>
    )}
    <Bulb width={width} ink={ink} />
  </g>
);

const curlBulb: Draw = ({ width, height, ink, bare }) => (
  <g>
    {!bare &&
      [-0.42, -0.2, 0, 0.2, 0.42].slice(ink.detail === 0 ? 2 : 0).map((lean) => {
        const [x, y, r] = [lean * width, -height * (0.82 - Math.abs(lean) * 0.4), width * 0.07];
        return (
          <Lines
            key={lean}
            ink={ink}
            colour={ink.fill}
            wide={1.8}
            d={`M0,${-width * 0.1}Q${at(lean * width * 0.3, y)} ${at(x, y)}a${r},${r} 0 1 1 ${at(-r, r * 1.2)}a${r * 0.6},${r * 0.6} 0 1 1 ${at(r * 0.6, -r * 0.8)}`}
          />
        );
      })}
    <Bulb width={width} ink={ink} />
  </g>
);

const flatBulb: Draw = ({ width, height, ink, bare }) => (
  <g>
    {!bare && (
      <g stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
        {[-1, 1].map((side, i) => (
          <path
            key={side}
            d={`M0,${-width * 0.12}C${at(side * width * 0.1, -height)} ${at(side * width * 0.5, -height * 0.9)} ${at(side * width * 0.5, -height * 0.12)}C${at(side * width * 0.4, -height * 0.4)} ${at(side * width * 0.16, -height * 0.3)} 0,${-width * 0.04}z`}
            fill={leafFill(ink, i)}
          />
        ))}
      </g>
    )}
    <Bulb width={width} ink={ink} half={0.24} />
  </g>
);

/** Bodies of two leaves with a cleft; the window on top is lighter. */
const cleftPair: Draw = ({ width, height, ink }) => (
  <g>
    {[-1, 1].map((side, i) => (
      <path
        key={side}
        d={`M${at(side * width * 0.03, 0)}L${at(side * width * 0.02, -height * 0.86)}Q${at(side * width * 0.03, -height)} ${at(side * width * 0.25, -height)}Q${at(side * width * 0.5, -height)} ${at(side * width * 0.49, -height * 0.55)}L${at(side * width * 0.4, 0)}z`}
        fill={leafFill(ink, i)}
        stroke={ink.edge}
        strokeWidth={ink.pen * 0.7}
      />
    ))}
    {ink.detail > 0 &&
      [-1, 1].map((side) => (
        <g key={side}>
          <path
            d={`M${at(side * width * 0.06, -height * 0.9)}Q${at(side * width * 0.25, -height * 1.04)} ${at(side * width * 0.43, -height * 0.84)}Q${at(side * width * 0.25, -height * 0.76)} ${at(side * width * 0.06, -height * 0.9)}z`}
            fill={ink.light}
            opacity={0.75}
          />
          {ink.detail === 2 && (
            <Lines
              ink={ink}
              wide={0.7}
              d={[0.12, 0.2, 0.28, 0.36]
                .map(
                  (x, k) =>
                    `M${at(side * width * x, -height * (0.82 + (k % 2) * 0.03))}l${at(side * width * 0.03, -height * 0.1)}`,
                )
                .join('')}
            />
          )}
        </g>
      ))}
  </g>
);

const bodies: Draw = ({ width, height, ink }) => {
  const heads = ink.detail === 0 ? [-0.25, 0.25] : [-0.4, 0.4, -0.13, 0.15];
  const half = ink.detail === 0 ? 0.23 : 0.15;
  return (
    <g stroke={ink.edge} strokeWidth={ink.pen * 0.7}>
      {heads.map((x, i) => (
        <g key={x}>
          <path
            d={`M${at((x - half) * width * 0.94, 0)}V${-height * 0.5}Q${at((x - half) * width, -height * (1 - Math.abs(x) * 0.3))} ${at(x * width, -height * (1 - Math.abs(x) * 0.3))}Q${at((x + half) * width, -height * (1 - Math.abs(x) * 0.3))} ${at((x + half) * width * 0.94, -height * 0.5)}V0z`}
            fill={leafFill(ink, i)}
          />
          {ink.detail > 0 && (
            <Lines
              ink={ink}
              d={`M${at((x - half * 0.4) * width, -height * (0.9 - Math.abs(x) * 0.3))}h${(half * 0.8 * width).toFixed(2)}`}
            />
          )}
        </g>
      ))}
    </g>
  );
};

const splitRock: Draw = ({ width, height, ink }) => (
  <g stroke={ink.edge} strokeWidth={ink.pen * 0.7} fill={ink.fill}>
    {[-1, 1].map((side) => (
      <path
        key={side}
        d={`M0,${-height * 0.28}L${at(side * width * 0.12, -height)}Q${at(side * width * 0.5, -height * 0.95)} ${at(side * width * 0.5, -height * 0.4)}Q${at(side * width * 0.45, 0)} ${at(side * width * 0.2, 0)}H0z`}
      />
    ))}
    {ink.detail > 0 && (
      <Lines
        ink={ink}
        wide={0.9}
        d={[-1, 1]
          .flatMap((side) =>
            packed(ink.detail === 2 ? 16 : 6, height * 0.3).map(({ x, y }) =>
              dotMark(side * width * 0.31 + x * 0.5, -height * 0.5 + y),
            ),
          )
          .join('')}
      />
    )}
  </g>
);

const clubs: Draw = ({ width, height, ink }) => {
  const count = BY_DETAIL(4, 7, 11)[ink.detail];
  return (
    <g stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
      {Array.from({ length: count }, (_, i) => {
        const lean = ((i + 0.5) / count) * 2 - 1;
        const [x, top, half] = [
          lean * width * 0.45,
          -height * (1 - 0.4 * lean * lean - (i % 2) * 0.12),
          (width / count) * 0.52,
        ];
        return (
          <g key={i}>
            <path
              d={`M${at(x * 0.8 - half * 0.6, 0)}L${at(x - half, top)}Q${at(x, top - half * 1.1)} ${at(x + half, top)}L${at(x * 0.8 + half * 0.6, 0)}z`}
              fill={leafFill(ink, i)}
            />
            <ellipse cx={x} cy={top} rx={half * 0.8} ry={half * 0.45} fill={ink.light} stroke="none" />
          </g>
        );
      })}
    </g>
  );
};

const sickles: Draw = ({ width, height, ink }) => (
  <g stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
    {[-0.46, 0.46, -0.22, 0.24, 0].map((lean, i) => (
      <path
        key={lean}
        d={`M${at(lean * width * 0.3 - width * 0.06, 0)}Q${at(lean * width * 0.5, -height * 0.7)} ${at(lean * width * 0.95, -height * (1 - Math.abs(lean) * 0.5))}Q${at(lean * width * 0.8 + width * 0.05, -height * 0.5)} ${at(lean * width * 0.3 + width * 0.06, 0)}z`}
        fill={leafFill(ink, i)}
      />
    ))}
  </g>
);

const swords: Draw = ({ width, height, ink }) => (
  <g stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
    {[-0.42, 0.4, -0.18, 0.16, 0].map((x, i) => {
      const [foot, tall, half] = [x * width * 0.5, height * (1 - (i % 3) * 0.13), width * 0.065];
      return (
        <g key={x}>
          <path d={leaf(foot, 0, x * 0.35, tall, half, 'point')} fill={ink.fill} />
          {ink.variegated && (
            <path
              d={leaf(foot, 0, x * 0.35, tall, half, 'point')}
              fill="none"
              stroke={ink.light}
              strokeWidth={ink.pen * 1.8}
            />
          )}
          {ink.detail > 0 && (
            <Lines
              ink={ink}
              wide={0.8}
              d={[0.2, 0.35, 0.5, 0.65, 0.8]
                .map(
                  (up) =>
                    `M${at(foot + Math.sin(x * 0.35) * tall * up - half * 0.7, -tall * up * 0.98)}q${at(half * 0.7, -half * 0.6)} ${at(half * 1.4, 0)}`,
                )
                .join('')}
            />
          )}
        </g>
      );
    })}
  </g>
);

/** A crest: the growing point drawn out into a folded fan. */
export const crest: Draw = ({ width, height, ink }) => {
  const folds = BY_DETAIL(3, 5, 9)[ink.detail];
  const wave = Array.from({ length: folds }, (_, i) => {
    const [a, b] = [(i / folds) * Math.PI, ((i + 1) / folds) * Math.PI];
    const on = (angle: number, r: number) =>
      at(-Math.cos(angle) * (width / 2) * r, -height * 0.3 - Math.sin(angle) * height * 0.7 * r);
    return `Q${on((a + b) / 2, 1.12)} ${on(b, 0.94)}`;
  }).join('');
  return (
    <g>
      <path
        d={`M${at(-width * 0.16, 0)}L${at(-width * 0.47, -height * 0.3)}${wave}L${at(width * 0.16, 0)}z`}
        fill={ink.fill}
        stroke={ink.edge}
        strokeWidth={ink.pen * 0.7}
      />
      <Lines
        ink={ink}
        d={Array.from({ length: folds * 2 }, (_, i) => {
          const angle = ((i + 0.5) / (folds * 2)) * Math.PI;
          return `M${at(-Math.cos(angle) * width * 0.12, -height * 0.12)}Q${at(-Math.cos(angle) * width * 0.3, -height * 0.4)} ${at(-Math.cos(angle) * width * 0.42, -height * 0.3 - Math.sin(angle) * height * 0.56)}`;
        }).join('')}
      />
    </g>
  );
};

const spoonRosette = rosetteOf({ leaves: [5, 9, 15], half: 0.1, tip: 'spoon', spread: 1 });

export const FROM_SIDE: Readonly<Record<LookName, Draw>> = {
  ribs,
  tubercles: knobbed(0),
  'wool-ball': knobbed(0.6),
  star: starBall,
  'rock-rosette': rockRosette,
  'smooth-ball': smoothBall,
  pillar: columnOf(false),
  'wool-pillar': columnOf(true),
  fingers,
  pads,
  straps,
  links,
  strings,
  'sword-rosette': rosetteOf(
    { leaves: [5, 7, 11], half: 0.055, tip: 'point', spread: 0.7 },
    onLeaves(0.7, [0.4, 0.7], dotMark),
  ),
  'window-rosette': rosetteOf(
    { leaves: [5, 7, 11], half: 0.085, tip: 'round', spread: 0.85 },
    onLeaves(0.85, [0.88], bandMark, 2),
  ),
  'banded-rosette': rosetteOf(
    { leaves: [5, 7, 11], half: 0.06, tip: 'point', spread: 0.75 },
    onLeaves(0.75, [0.3, 0.45, 0.6, 0.75], bandMark),
  ),
  tongues,
  'spoon-rosette': spoonRosette,
  'tree-rosette': treeRosette,
  'spike-rosette': rosetteOf(
    { leaves: [5, 9, 13], half: 0.07, tip: 'wedge', spread: 0.75 },
    onLeaves(0.75, [0.98], dotMark, 1.6),
  ),
  'house-leeks': houseLeeks,
  'coin-shrub': shrubOf({ along: [1, 3, 6], rx: 0.075, ry: 0.05, thick: 2.2 }),
  stacked,
  'felt-shrub': shrubOf({ along: [1, 2, 4], rx: 0.12, ry: 0.09, thick: 1.6 }),
  'thorn-shrub': shrubOf({ along: [1, 3, 6], rx: 0.05, ry: 0.035, thick: 1.6 }, true),
  'leaf-shrub': shrubOf({ along: [1, 4, 7], rx: 0.1, ry: 0.045, thick: 1.4 }),
  'bead-trail': trailOf({ rx: 0.028, ry: 0.028, beads: [3, 7, 12] }),
  'tail-trail': trailOf({ rx: 0.05, ry: 0.026, beads: [4, 9, 16] }),
  'heart-trail': trailOf({ rx: 0.06, ry: 0.05, beads: [2, 4, 6] }),
  'leaf-trail': trailOf({ rx: 0.035, ry: 0.018, beads: [3, 6, 10] }),
  swollen: swollenOf('plain'),
  'swollen-thorny': swollenOf('thorny'),
  'swollen-plated': swollenOf('plated'),
  'strap-bulb': strapBulb,
  'curl-bulb': curlBulb,
  'flat-bulb': flatBulb,
  'cleft-pair': cleftPair,
  bodies,
  'split-rock': splitRock,
  warty: rosetteOf(
    { leaves: [5, 7, 11], half: 0.1, tip: 'blunt', spread: 0.8 },
    onLeaves(0.8, [0.86, 0.95], dotMark, 1.4),
  ),
  clubs,
  jaws: rosetteOf(
    { leaves: [4, 6, 8], half: 0.11, tip: 'point', spread: 0.7 },
    onLeaves(0.7, [0.55, 0.7, 0.85], bandMark, 0.8),
  ),
  sickles,
  'banded-swords': swords,
};
