/** Bulbs, stone plants and stiff leaves from the side. */
import { BY_DETAIL, leafFill, Lines, dotMark, type Draw, type Ink } from './ink.tsx';
import { at, leaf, packed } from './strokes.ts';

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

export const strapBulb: Draw = ({ width, height, ink, bare }) => (
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

export const curlBulb: Draw = ({ width, height, ink, bare }) => (
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
            d={
              `M0,${-width * 0.1}Q${at(lean * width * 0.3, y)} ${at(x, y)}a${r},${r} 0 1 1 ` +
              `${at(-r, r * 1.2)}a${r * 0.6},${r * 0.6} 0 1 1 ${at(r * 0.6, -r * 0.8)}`
            }
          />
        );
      })}
    <Bulb width={width} ink={ink} />
  </g>
);

export const flatBulb: Draw = ({ width, height, ink, bare }) => (
  <g>
    {!bare && (
      <g stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
        {[-1, 1].map((side, i) => (
          <path
            key={side}
            d={
              `M0,${-width * 0.12}C${at(side * width * 0.1, -height)} ${at(side * width * 0.5, -height * 0.9)} ` +
              `${at(side * width * 0.5, -height * 0.12)}C${at(side * width * 0.4, -height * 0.4)} ` +
              `${at(side * width * 0.16, -height * 0.3)} 0,${-width * 0.04}z`
            }
            fill={leafFill(ink, i)}
          />
        ))}
      </g>
    )}
    <Bulb width={width} ink={ink} half={0.24} />
  </g>
);

/** Bodies of two leaves with a cleft; the window on top is lighter. */
export const cleftPair: Draw = ({ width, height, ink }) => (
  <g>
    {[-1, 1].map((side, i) => (
      <path
        key={side}
        d={
          `M${at(side * width * 0.03, 0)}L${at(side * width * 0.02, -height * 0.86)}Q${at(side * width * 0.03, -height)} ` +
          `${at(side * width * 0.25, -height)}Q${at(side * width * 0.5, -height)} ` +
          `${at(side * width * 0.49, -height * 0.55)}L${at(side * width * 0.4, 0)}z`
        }
        fill={leafFill(ink, i)}
        stroke={ink.edge}
        strokeWidth={ink.pen * 0.7}
      />
    ))}
    {ink.detail > 0 &&
      [-1, 1].map((side) => (
        <g key={side}>
          <path
            d={
              `M${at(side * width * 0.06, -height * 0.9)}Q${at(side * width * 0.25, -height * 1.04)} ` +
              `${at(side * width * 0.43, -height * 0.84)}Q${at(side * width * 0.25, -height * 0.76)} ` +
              `${at(side * width * 0.06, -height * 0.9)}z`
            }
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

export const bodies: Draw = ({ width, height, ink }) => {
  const heads = ink.detail === 0 ? [-0.25, 0.25] : [-0.4, 0.4, -0.13, 0.15];
  const half = ink.detail === 0 ? 0.23 : 0.15;
  return (
    <g stroke={ink.edge} strokeWidth={ink.pen * 0.7}>
      {heads.map((x, i) => (
        <g key={x}>
          <path
            d={
              `M${at((x - half) * width * 0.94, 0)}V${-height * 0.5}Q${at((x - half) * width, -height * (1 - Math.abs(x) * 0.3))} ` +
              `${at(x * width, -height * (1 - Math.abs(x) * 0.3))}Q${at((x + half) * width, -height * (1 - Math.abs(x) * 0.3))} ` +
              `${at((x + half) * width * 0.94, -height * 0.5)}V0z`
            }
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

export const splitRock: Draw = ({ width, height, ink }) => (
  <g stroke={ink.edge} strokeWidth={ink.pen * 0.7} fill={ink.fill}>
    {[-1, 1].map((side) => (
      <path
        key={side}
        d={
          `M0,${-height * 0.28}L${at(side * width * 0.12, -height)}Q${at(side * width * 0.5, -height * 0.95)} ` +
          `${at(side * width * 0.5, -height * 0.4)}Q${at(side * width * 0.45, 0)} ${at(side * width * 0.2, 0)}H0z`
        }
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

export const clubs: Draw = ({ width, height, ink }) => {
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

export const sickles: Draw = ({ width, height, ink }) => (
  <g stroke={ink.edge} strokeWidth={ink.pen * 0.6}>
    {[-0.46, 0.46, -0.22, 0.24, 0].map((lean, i) => (
      <path
        key={lean}
        d={
          `M${at(lean * width * 0.3 - width * 0.06, 0)}Q${at(lean * width * 0.5, -height * 0.7)} ` +
          `${at(lean * width * 0.95, -height * (1 - Math.abs(lean) * 0.5))}Q${at(lean * width * 0.8 + width * 0.05, -height * 0.5)} ` +
          `${at(lean * width * 0.3 + width * 0.06, 0)}z`
        }
        fill={leafFill(ink, i)}
      />
    ))}
  </g>
);

export const swords: Draw = ({ width, height, ink }) => (
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
