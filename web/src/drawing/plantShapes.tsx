/** Plants as a keeper would sketch them, one for each form, standing on the origin and reaching up to -height. */
import type { ReactElement } from 'react';

export interface ShapeProps {
  width: number;
  height: number;
  /** growing green, or faded in rest */
  fill: string;
  edge: string;
  /** no leaves today */
  bare: boolean;
}

type Shape = (props: ShapeProps) => ReactElement;

const globe: Shape = ({ width, height, fill, edge }) => {
  const rx = width / 2;
  const ry = height / 2;
  return (
    <g>
      <ellipse cx={0} cy={-ry} rx={rx} ry={ry} fill={fill} />
      {[-0.6, -0.2, 0.2, 0.6].map((x) => (
        <path
          key={x}
          d={`M${x * rx * 0.3},0Q${x * rx * 1.5},${-ry} ${x * rx * 0.3},${-height}`}
          fill="none"
          stroke={edge}
          strokeWidth={0.7}
        />
      ))}
    </g>
  );
};

const column: Shape = ({ width, height, fill, edge }) => {
  const w = Math.min(width, height * 0.7);
  return (
    <g>
      <path
        d={`M${-w / 2},0V${-height + w / 2}Q${-w / 2},${-height} 0,${-height}Q${w / 2},${-height} ${w / 2},${-height + w / 2}V0z`}
        fill={fill}
      />
      {[-0.25, 0, 0.25].map((x) => (
        <path key={x} d={`M${x * w},0V${-height + w * 0.25}`} stroke={edge} strokeWidth={0.7} />
      ))}
    </g>
  );
};

const pad: Shape = ({ width, height, fill, edge }) => (
  <g fill={fill} stroke={edge} strokeWidth={0.6}>
    <ellipse cx={0} cy={-height * 0.28} rx={width * 0.24} ry={height * 0.3} />
    <ellipse
      cx={-width * 0.26}
      cy={-height * 0.66}
      rx={width * 0.18}
      ry={height * 0.24}
      transform={`rotate(-24 ${-width * 0.26} ${-height * 0.66})`}
    />
    <ellipse
      cx={width * 0.24}
      cy={-height * 0.74}
      rx={width * 0.18}
      ry={height * 0.25}
      transform={`rotate(20 ${width * 0.24} ${-height * 0.74})`}
    />
  </g>
);

const rosette: Shape = ({ width, height, fill, edge }) => (
  <g fill={fill} stroke={edge} strokeWidth={0.6}>
    {[-1, 1, -0.68, 0.68, -0.34, 0.34, 0].map((lean) => {
      const tip = (lean * width) / 2;
      const top = -height * (1 - 0.55 * Math.abs(lean));
      const side = width * 0.09;
      return (
        <path
          key={lean}
          d={`M${-side * 0.6},0Q${tip * 0.6 - side},${top * 0.75} ${tip},${top}Q${tip * 0.6 + side},${top * 0.5} ${side * 0.6},0z`}
        />
      );
    })}
  </g>
);

const stemmed: Shape = ({ width, height, fill, edge, bare }) => (
  <g>
    {[-0.26, 0, 0.26].map((lean) => (
      <path
        key={lean}
        d={`M0,0Q${lean * width * 0.3},${-height * 0.5} ${lean * width},${-height * (0.92 - Math.abs(lean))}`}
        fill="none"
        stroke={edge}
        strokeWidth={1.4}
      />
    ))}
    {!bare &&
      [-0.3, 0, 0.3].flatMap((lean) =>
        [0.45, 0.65, 0.85, 1].map((up) => (
          <ellipse
            key={`${lean}/${up}`}
            cx={lean * width * up + ((up * 10) % 2)}
            cy={-height * up * (0.95 - 0.4 * Math.abs(lean))}
            rx={width * 0.11}
            ry={Math.max(1.2, height * 0.05)}
            fill={fill}
          />
        )),
      )}
  </g>
);

const trailing: Shape = ({ width, height, fill, edge }) => (
  <g fill="none" stroke={fill} strokeWidth={1.6} strokeLinecap="round">
    {[-0.5, -0.37, -0.2, 0.26, 0.4, 0.5].map((lean, i) => (
      <path
        key={lean}
        d={`M${lean * width * 0.5},-1C${lean * width * 0.6},${-height * (0.6 + (i % 3) * 0.2)} ${lean * width},${-height * 0.7} ${lean * width},${height * (0.2 + (i % 2) * 0.5)}`}
      />
    ))}
    {[-0.16, 0, 0.12].map((lean) => (
      <path
        key={lean}
        d={`M${lean * width},-1Q${lean * width},${-height * 0.7} ${lean * width * 2},${-height}`}
        stroke={edge}
        strokeWidth={1.3}
      />
    ))}
  </g>
);

const caudex: Shape = ({ width, height, fill, edge, bare }) => {
  const swell = Math.min(width * 0.34, height * 0.4);
  return (
    <g>
      {[-0.3, -0.08, 0.2].map((lean) => (
        <path
          key={lean}
          d={`M${lean * swell},${-swell * 0.9}Q${lean * width * 0.4},${-height * 0.6} ${lean * width * 1.3},${-height}`}
          fill="none"
          stroke="#8b7a63"
          strokeWidth={1.4}
        />
      ))}
      {!bare &&
        [-0.3, -0.08, 0.2].map((lean) => (
          <ellipse
            key={lean}
            cx={lean * width * 1.3}
            cy={-height + 1}
            rx={width * 0.16}
            ry={Math.max(2, height * 0.09)}
            fill={fill}
          />
        ))}
      <path
        d={`M${-swell},0C${-swell * 1.3},${-swell * 1.2} ${-swell * 0.3},${-swell * 1.5} 0,${-swell * 1.4}C${swell * 0.3},${-swell * 1.5} ${swell * 1.3},${-swell * 1.2} ${swell},0z`}
        fill="#a99a80"
        stroke={edge}
        strokeWidth={0.5}
      />
    </g>
  );
};

const bulb: Shape = ({ width, height, fill, edge, bare }) => (
  <g>
    {!bare &&
      [-0.5, -0.25, 0.1, 0.4].map((lean) => (
        <path
          key={lean}
          d={`M${lean * 2},-1Q${lean * width * 0.4},${-height} ${lean * width},${-height * (0.75 - Math.abs(lean) * 0.5)}Q${lean * width * 0.5},${-height * 0.7} ${lean * 2 + 2.4},-1z`}
          fill={fill}
        />
      ))}
    <path
      d={`M${-width * 0.2},0Q${-width * 0.16},${-Math.min(6, width * 0.25)} 0,${-Math.min(8, width * 0.32)}Q${width * 0.16},${-Math.min(6, width * 0.25)} ${width * 0.2},0z`}
      fill="#b7a47f"
      stroke={edge}
      strokeWidth={0.5}
    />
  </g>
);

const stemless: Shape = ({ width, height, fill, edge }) => (
  <g fill={fill} stroke={edge} strokeWidth={0.6}>
    {[-0.25, 0.25].map((x) => (
      <path
        key={x}
        d={`M${(x - 0.23) * width},0V${-height * 0.55}Q${(x - 0.2) * width},${-height} ${x * width},${-height}Q${(x + 0.2) * width},${-height} ${(x + 0.23) * width},${-height * 0.55}V0z`}
      />
    ))}
  </g>
);

const stiffLeaf: Shape = ({ width, height, fill, edge }) => (
  <g fill={fill} stroke={edge} strokeWidth={0.6}>
    {[-0.4, -0.15, 0.12, 0.38].map((x, i) => (
      <path
        key={x}
        d={`M${x * width * 0.6 - 2},0L${x * width},${-height * (1 - (i % 2) * 0.18)}L${x * width * 0.6 + 2},0z`}
      />
    ))}
  </g>
);

const SHAPES: Record<string, Shape> = {
  globe,
  column,
  pad,
  rosette,
  stemmed,
  trailing,
  caudex,
  bulb,
  stemless,
  'stiff-leaf': stiffLeaf,
};

export function PlantShape({ form, ...props }: ShapeProps & { form: string }) {
  const Draw = SHAPES[form] ?? rosette;
  return <Draw {...props} />;
}
