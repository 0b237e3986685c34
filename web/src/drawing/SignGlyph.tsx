/**
 * A sign as it looks, small: a leaf, a base, a pot, roots, or a guest, drawn with the one thing that is to be seen. Colours
 * are the thing's own; none stands for a state.
 */
import type { CheckAnswer } from '@zinc-pail/core';
import type { ReactElement } from 'react';

const LEAF = '#7d9150';
const EDGE = '#4d5f2a';
const YELLOW = '#d8b94a';
const BROWN = '#8a5a33';
const SOFT = '#6b5138';
const PALE = '#e9e6c9';
const RED = '#a3493e';
const MIX = '#6a5440';
const ROOT = '#efe6cf';
const CLAY = '#c07a55';
const WOOL = '#fdfcf6';

const LEAF_PATH = 'M24,44C8,34 8,14 24,4C40,14 40,34 24,44z';

/** A leaf in a colour, with what is on it. */
const leaf = (fill: string, on?: ReactElement, path = LEAF_PATH): ReactElement => (
  <g>
    <path d={path} fill={fill} stroke={EDGE} strokeWidth={1.4} />
    {on}
  </g>
);
const spots = (fill: string, r: number, at: readonly (readonly [number, number])[]): ReactElement => (
  <g fill={fill}>
    {at.map(([x, y]) => (
      <circle key={`${x} ${y}`} cx={x} cy={y} r={r} />
    ))}
  </g>
);
const lines = (stroke: string, d: string, width = 1.4): ReactElement => (
  <path d={d} fill="none" stroke={stroke} strokeWidth={width} strokeLinecap="round" />
);
/** A stem going into the mix. */
const base = (fill: string, on?: ReactElement): ReactElement => (
  <g>
    <path d="M16,6h16v26q0,4 -2,6h-12q-2,-2 -2,-6z" fill={fill} stroke={EDGE} strokeWidth={1.4} />
    <path d="M2,36h44v8h-44z" fill={MIX} />
    {on}
  </g>
);
const pot = (on: ReactElement, sides = 'M8,16h32l-5,28h-22z'): ReactElement => (
  <g>
    <path d={sides} fill={CLAY} />
    {on}
  </g>
);
const roots = (stroke: string, on?: ReactElement, width = 2.2): ReactElement => (
  <g>
    <path d="M12,4h24v10h-24z" fill={LEAF} stroke={EDGE} strokeWidth={1.2} />
    {['M18,14Q16,28 8,42', 'M22,14Q22,30 18,45', 'M26,14Q27,30 30,45', 'M30,14Q33,28 41,41'].map((d) => (
      <path key={d} d={d} fill="none" stroke={stroke} strokeWidth={width} strokeLinecap="round" />
    ))}
    {on}
  </g>
);
const rosette = (colour: (leaf: number) => string): ReactElement => (
  <g stroke={EDGE} strokeWidth={1}>
    {[0, 1, 2, 3, 4, 5].map((i) => (
      <path key={i} d="M24,26Q17,14 24,3Q31,14 24,26z" fill={colour(i)} transform={`rotate(${i * 60 - 90} 24 26)`} />
    ))}
    <circle cx="24" cy="26" r="5" fill={colour(6)} />
  </g>
);

const GLYPHS: Readonly<Record<CheckAnswer, ReactElement>> = {
  taut: leaf(LEAF, lines('#b9c98a', 'M17,14Q14,24 18,34', 2)),
  wrinkled: leaf(LEAF, lines(EDGE, 'M18,12Q21,24 18,36M24,8Q27,24 24,41M30,12Q33,24 30,36')),
  limp: (
    <g>
      {lines(EDGE, 'M24,8V44', 3)}
      {leaf(LEAF, undefined, 'M24,10C36,8 44,20 42,40C34,38 26,26 24,10z')}
      {leaf(LEAF, undefined, 'M24,10C12,8 4,20 6,40C14,38 22,26 24,10z')}
    </g>
  ),
  mushy: leaf(
    SOFT,
    <g>
      <path d="M10,40q14,8 28,0v5h-28z" fill={SOFT} />
      {spots('#9b7d5b', 2, [
        [20, 18],
        [28, 26],
        [19, 32],
      ])}
    </g>,
  ),
  translucent: leaf(
    '#c4d3b4',
    <path d="M16,20Q22,14 26,22T34,24" fill="none" stroke="#fff" strokeWidth={3} opacity={0.9} />,
  ),
  shrunken: (
    <g>
      <path d="M6,36h36v8h-36z" fill={MIX} />
      <path d="M14,36Q12,24 24,22Q36,24 34,36z" fill={LEAF} stroke={EDGE} strokeWidth={1.4} />
      {lines(EDGE, 'M19,35Q18,28 20,25M24,35V24M29,35Q30,28 28,25')}
    </g>
  ),
  'leaf-drop': (
    <g>
      {lines(EDGE, 'M24,4V44', 3)}
      <ellipse cx="33" cy="12" rx="8" ry="4" fill={LEAF} />
      <ellipse cx="13" cy="34" rx="8" ry="4" fill={LEAF} transform="rotate(24 13 34)" />
      <ellipse cx="36" cy="41" rx="8" ry="4" fill={YELLOW} transform="rotate(-12 36 41)" />
    </g>
  ),
  split: leaf(LEAF, <path d="M24,12L20,22L27,27L22,38" fill="none" stroke={PALE} strokeWidth={4} />),
  'yellow-lower': rosette((i) => (i === 0 || i === 3 ? YELLOW : LEAF)),
  'yellow-all': rosette(() => YELLOW),
  'pale-bleached': leaf(LEAF, <path d="M24,4C40,14 40,34 24,44z" fill={PALE} />),
  'brown-scorch': leaf(LEAF, <path d="M28,12C40,16 38,30 28,34Q34,24 28,12z" fill={BROWN} />),
  'crisp-edges': leaf(LEAF, <path d={LEAF_PATH} fill="none" stroke={BROWN} strokeWidth={5} strokeDasharray="6 3" />),
  'dry-tips': leaf(LEAF, <path d="M24,4C30,8 33,12 34,16H14C15,12 18,8 24,4z" fill={BROWN} />),
  'black-spots': leaf(
    LEAF,
    spots('#2c2a25', 2.6, [
      [18, 18],
      [29, 16],
      [24, 27],
      [31, 31],
      [19, 34],
    ]),
  ),
  'corky-blisters': leaf(
    LEAF,
    spots('#b3905f', 3.2, [
      [18, 20],
      [29, 18],
      [24, 30],
      [31, 30],
    ]),
  ),
  'red-stress': leaf(LEAF, <path d="M24,4C40,14 40,34 24,44Q34,24 24,4z" fill={RED} />),
  'dark-base': base(LEAF, <path d="M16,26h16v6q0,4 -2,6h-12q-2,-2 -2,-6z" fill="#4a4334" />),
  stretched: (
    <g>
      {lines(EDGE, 'M24,46Q20,24 30,4', 2.4)}
      {['M26,36', 'M23,24', 'M27,12'].map((d, i) => (
        <ellipse key={d} cx={i % 2 ? 15 : 34} cy={36 - i * 12} rx="7" ry="3.4" fill="#a9b98a" />
      ))}
    </g>
  ),
  'small-new-leaves': rosette((i) => (i < 6 ? LEAF : '#a9b98a')),
  'no-growth': (
    <g>
      {base(LEAF)}
      <path d="M8,8h8M32,8h8" stroke="var(--ink-2)" strokeWidth={2} />
    </g>
  ),
  'new-growth': (
    <g>
      {base(LEAF)}
      <path d="M24,6Q16,2 14,-2M24,6Q32,2 34,-2" stroke="#9fbf52" strokeWidth={4} transform="translate(0 4)" />
    </g>
  ),
  'light-new-leaf': (
    <g>
      {lines(EDGE, 'M14,46Q16,24 10,8', 4)}
      {lines('#cfdca6', 'M26,46Q28,26 34,10', 6)}
    </g>
  ),
  buds: (
    <g>
      {lines(EDGE, 'M24,46V18', 2.4)}
      <circle cx="24" cy="12" r="7" fill="#c9727b" />
      <circle cx="15" cy="22" r="4" fill="#c9727b" />
      <circle cx="33" cy="24" r="4" fill="#c9727b" />
    </g>
  ),
  'leaves-dying-back': (
    <g>
      {lines(BROWN, 'M24,42Q14,26 4,30', 3)}
      {lines(YELLOW, 'M24,42Q22,22 12,12', 3)}
      {lines(LEAF, 'M24,42Q28,22 38,12', 3)}
      {lines(BROWN, 'M24,42Q36,30 44,34', 3)}
      <ellipse cx="24" cy="42" rx="10" ry="5" fill="#b79a6a" />
    </g>
  ),
  leafless: (
    <g>
      <path d="M12,44Q8,26 24,24Q40,26 36,44z" fill="#a58b63" />
      {lines('#8b7a63', 'M20,26L14,6M25,24V4M29,26L36,9', 2.4)}
    </g>
  ),
  'curl-lost': (
    <g>
      {lines(LEAF, 'M12,46V6M20,46V4', 3)}
      {lines(LEAF, 'M34,46Q30,30 36,20Q42,12 36,8Q30,8 33,14', 3)}
    </g>
  ),
  'roots-out': pot(<g>{lines(ROOT, 'M20,44v4M24,44q1,4 5,4M28,44q4,2 8,0', 2.4)}</g>),
  'pot-bulging': pot(
    <path d="M14,22q10,6 20,0" fill="none" stroke={EDGE} strokeWidth={2} />,
    'M8,16h32q6,14 -4,28h-24q-10,-14 -4,-28z',
  ),
  'water-runs-through': pot(
    <g>
      {lines('#5f8fae', 'M24,4V44', 3)}
      {lines('#5f8fae', 'M20,46h8', 3)}
    </g>,
  ),
  'water-stands': pot(<path d="M9,18h30v5h-30z" fill="#5f8fae" />),
  'slow-to-dry': pot(<path d="M10,24h28l-3,20h-22z" fill={MIX} />),
  'salt-crust': pot(<path d="M7,15q6,-5 12,-1t12,0t10,1v4h-34z" fill="#f4f1e6" stroke="#c9c2ac" strokeWidth={1} />),
  'sour-smell': pot(<g>{lines('var(--ink-2)', 'M16,12q-4,-4 0,-8M24,12q-4,-4 0,-8M32,12q-4,-4 0,-8')}</g>),
  topples: <g transform="rotate(34 24 36)">{pot(<ellipse cx="24" cy="9" rx="9" ry="8" fill={LEAF} />)}</g>,
  'firm-base': base(
    LEAF,
    <g>
      <path d="M34,28h10v7h-10q-3,-3 0,-7z" fill="#e2b896" stroke="#a9764f" strokeWidth={1} />
    </g>,
  ),
  'soft-base': base(
    SOFT,
    <g>
      <path d="M26,26h18v8h-18q-4,-4 0,-8z" fill="#e2b896" stroke="#a9764f" strokeWidth={1} />
    </g>,
  ),
  'roots-firm': roots(ROOT),
  'roots-mush': roots('#54402c', undefined, 3.6),
  'roots-brittle': roots('#c8b48a', <path d="M6,30l36,2" stroke="var(--paper)" strokeWidth={2.4} />, 1.2),
  'root-fluff': roots(
    ROOT,
    spots(WOOL, 3.4, [
      [14, 30],
      [22, 38],
      [31, 33],
    ]),
  ),
  'white-fluff': leaf(
    LEAF,
    <g stroke="#c9c2ac" strokeWidth={0.8}>
      {spots(WOOL, 4, [
        [19, 33],
        [28, 36],
        [23, 26],
      ])}
    </g>,
  ),
  webbing: (
    <g>
      {leaf(LEAF)}
      {lines('#8d8f86', 'M6,8L40,40M42,8L8,40M24,2V46M6,24H42', 0.8)}
      {spots(RED, 1.4, [
        [18, 20],
        [30, 28],
        [26, 14],
      ])}
    </g>
  ),
  bumps: leaf(
    LEAF,
    spots('#7a5a3a', 3, [
      [19, 16],
      [28, 22],
      [20, 29],
      [27, 35],
    ]),
  ),
  'clustered-insects': (
    <g>
      {lines(EDGE, 'M24,46V6', 3)}
      {spots('#3f4a2a', 2.2, [
        [20, 10],
        [28, 12],
        [21, 17],
        [27, 20],
        [20, 24],
        [28, 27],
      ])}
    </g>
  ),
  chewed: (
    <path
      d="M24,44C8,34 8,14 24,4C30,8 27,12 33,13C30,18 38,20 37,24C30,24 38,30 33,34C30,32 28,40 24,44z"
      fill={LEAF}
      stroke={EDGE}
      strokeWidth={1.4}
    />
  ),
  'silver-streaks': leaf(LEAF, lines('#dfe5e4', 'M18,14l4,9M27,12l3,12M20,28l3,8M30,29l-2,8', 2.6)),
  'powdery-film': leaf(
    LEAF,
    <g opacity={0.85}>
      {spots(WOOL, 5, [
        [19, 18],
        [29, 22],
        [22, 32],
      ])}
    </g>,
  ),
  wet: pot(<path d="M9,20h30l-4,24h-22z" fill="#3d2f22" />),
  damp: pot(
    <g>
      <path d="M9,20h30l-4,24h-22z" fill="#a08360" />
      <path d="M11,32h26l-2,12h-22z" fill="#5a4633" />
    </g>,
  ),
  dry: pot(<path d="M9,20h30l-4,24h-22z" fill="#cbb592" />),
  clean: leaf(LEAF, <path d="M15,25l6,7l12,-15" fill="none" stroke={WOOL} strokeWidth={3.4} />),
};

export function SignGlyph({ sign, size = 44 }: { sign: CheckAnswer; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 48 48" aria-hidden="true" className="shrink-0">
      {GLYPHS[sign]}
    </svg>
  );
}
