/** Cacti and their like from the side: balls, pillars, fingers, pads, straps, links; and crests. */
import { BY_DETAIL, leafFill, Lines, Spines, type Draw } from './ink.tsx';
import { at, eggHalf, lattice, leaf, packed, pillarHalf } from './strokes.ts';

export const ribs: Draw = ({ width, height, ink }) => {
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

export const knobbed =
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
            d={
              `M${-half * 0.55},${-height * 0.86}Q0,${-height * (1.06 + wool * 0.06)} ` +
              `${half * 0.55},${-height * 0.86}Q0,${-height * 0.94} ${-half * 0.55},${-height * 0.86}z`
            }
            fill={ink.light}
          />
        )}
      </g>
    );
  };

/** Few broad ribs with flecks, a star from above. */
export const starBall: Draw = ({ width, height, ink }) => {
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
export const rockRosette: Draw = ({ width, height, ink }) => {
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

export const smoothBall: Draw = ({ width, height, ink }) => (
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

export const columnOf =
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

export const fingers: Draw = ({ width, height, ink }) => {
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
              d={
                `M${at(lean * width * 0.6 - thick, 0)}Q${at(x * 0.9 - thick, top * 0.6)} ` +
                `${at(x - thick * 0.9, top)}Q${at(x, top - thick)} ${at(x + thick * 0.9, top)}Q${at(x * 0.9 + thick, top * 0.6)} ` +
                `${at(lean * width * 0.6 + thick, 0)}z`
              }
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

export const pads: Draw = ({ width, height, ink }) => {
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
export const straps: Draw = ({ width, height, ink }) => (
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
export const links: Draw = ({ width, height, ink }) => (
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

export const strings: Draw = ({ width, height, ink }) => (
  <g fill="none" stroke={ink.fill} strokeWidth={Math.max(ink.pen * 1.4, width * 0.018)} strokeLinecap="round">
    {[-0.5, -0.36, -0.2, -0.06, 0.1, 0.24, 0.38, 0.5].slice(0, ink.detail === 0 ? 5 : 8).map((lean, i) => (
      <path
        key={lean}
        d={
          `M${at(lean * width * 0.3, 0)}C${at(lean * width * 0.4, -height * (1.1 - (i % 3) * 0.2))} ` +
          `${at(lean * width, -height)} ${at(lean * width, -height * (0.2 + (i % 2) * 0.35))}`
        }
      />
    ))}
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
          return (
            `M${at(-Math.cos(angle) * width * 0.12, -height * 0.12)}Q${at(-Math.cos(angle) * width * 0.3, -height * 0.4)} ` +
            `${at(-Math.cos(angle) * width * 0.42, -height * 0.3 - Math.sin(angle) * height * 0.56)}`
          );
        }).join('')}
      />
    </g>
  );
};
