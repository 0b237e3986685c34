/** Plants with stems from the side: shrubs, stacks, trails, and swollen feet. */
import { BY_DETAIL, leafFill, Lines, Spines, type Draw } from './ink.tsx';
import { at, eggHalf, lattice, leaf } from './strokes.ts';

interface ShrubLook {
  /** leaves along each branch */
  along: readonly [number, number, number];
  rx: number;
  ry: number;
  thick: number;
}

const BRANCHES = [-0.36, -0.14, 0.1, 0.34];

export const shrubOf =
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
export const stacked: Draw = ({ width, height, ink }) => (
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

export const trailOf =
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

export const swollenOf =
  (skin: 'plain' | 'thorny' | 'plated'): Draw =>
  ({ width, height, ink, bare }) => {
    const swell = Math.min(width * 0.34, height * (skin === 'thorny' ? 0.6 : 0.4));
    const rise = skin === 'thorny' ? 1.9 : skin === 'plated' ? 1.15 : 1.4;
    const body =
      `M${-swell},0C${-swell * 1.3},${-swell * rise * 0.85} ${-swell * 0.3},${-swell * rise * 1.06} ` +
      `0,${-swell * rise}C${swell * 0.3},${-swell * rise * 1.06} ${swell * 1.3},${-swell * rise * 0.85} ${swell},0z`;
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
