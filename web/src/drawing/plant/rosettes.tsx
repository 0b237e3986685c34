/** Rosettes from the side: swords, windows, tongues, spoons, on stems and in mats. */
import type { ReactElement } from 'react';
import { leafFill, Lines, dotMark, type Draw, type Drawn } from './ink.tsx';
import { at, leaf, type Tip } from './strokes.ts';

interface RosetteLook {
  leaves: readonly [number, number, number];
  /** half a leaf's width against the plant's */
  half: number;
  tip: Tip;
  /** how far down the outer leaves lie: 1 is flat */
  spread: number;
}

export const rosetteOf =
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
export const onLeaves =
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

export const bandMark = (x: number, y: number, { width }: Drawn) =>
  `M${at(x - width * 0.03, y)}h${(width * 0.06).toFixed(2)}`;

export const spoonRosette = rosetteOf({ leaves: [5, 9, 15], half: 0.1, tip: 'spoon', spread: 1 });

export const tongues: Draw = ({ width, height, ink }) => (
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

export const treeRosette: Draw = ({ width, height, ink }) => {
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

export const houseLeeks: Draw = ({ width, height, ink }) => {
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
