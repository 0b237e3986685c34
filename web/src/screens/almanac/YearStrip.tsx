import type { AlmanacRow, PlantState, YearDeeds } from '@zinc-pail/core';
import type { ScaleLinear } from 'd3';

const HEIGHT = 32;
const DAYS_A_WEEK = 7;
const BASE = 26;
const TALLEST = 17;
/** A week in which it is watered so often fills its column. */
const FULL_TIMES = 1;
const TOOTH_FROM = 0.15;

interface Props {
  row: AlmanacRow;
  /** as it would be: drawn full, and what is today's as outlines */
  tried: AlmanacRow | null;
  deeds: YearDeeds;
  /** days from tomorrow on, to pixels */
  x: ScaleLinear<number, number>;
  width: number;
  /** the week that is looked at */
  week: number;
}

/**
 * A plant's year on one line: what it does below, how often it drinks as columns, nights too cold as teeth from above;
 * under the line food as dots, the weeks for a new pot as its outline; flowers on top.
 */
export function YearStrip({ row, tried, deeds, x, width, week }: Props) {
  const shown = tried ?? row;
  const weeks = shown.waterings.map((_, i) => i);
  const left = (i: number) => x(i * DAYS_A_WEEK);
  const wide = Math.max(1, left(1) - left(0) - 1);
  const tall = (times: number) => TALLEST * Math.min(1, times / FULL_TIMES);
  return (
    <svg width={width} height={HEIGHT} aria-hidden="true" className="block">
      <line x1={0} x2={width} y1={BASE + 0.5} y2={BASE + 0.5} stroke="var(--rule)" />
      {shown.states.map(({ state, from, to }) => (
        <StateBand key={from} state={state} from={x(from)} to={x(to)} />
      ))}
      {weeks.map((i) => {
        const height = tall(shown.waterings[i]!);
        return height < 0.3 ? null : (
          <rect key={i} x={left(i)} y={BASE - height} width={wide} height={height} fill="var(--clay)" />
        );
      })}
      {tried &&
        weeks.map((i) => {
          const height = tall(row.waterings[i]!);
          return height < 0.3 ? null : (
            <rect
              key={`was ${i}`}
              x={left(i) + 0.5}
              y={BASE - height}
              width={Math.max(1, wide - 1)}
              height={height}
              fill="none"
              stroke="var(--ink)"
              strokeOpacity="0.55"
            />
          );
        })}
      {weeks.map((i) => {
        const cold = shown.cold[i]!;
        return cold < TOOTH_FROM ? null : (
          <path
            key={`cold ${i}`}
            d={`M${left(i)} 0h${wide}l${-wide / 2} ${7 * cold}z`}
            fill="var(--dusk)"
            fillOpacity={0.35 + 0.65 * cold}
          />
        );
      })}
      {weeks.map((i) => {
        const heat = shown.heat[i]!;
        return heat < TOOTH_FROM ? null : (
          <circle key={`heat ${i}`} cx={left(i) + wide / 2} cy={4} r={1 + 2 * heat} fill="var(--rust)" />
        );
      })}
      {deeds.feeds.map((doses, i) =>
        doses < 0.08 ? null : (
          <circle
            key={`food ${i}`}
            cx={left(i) + wide / 2}
            cy={HEIGHT - 2}
            r={0.8 + Math.min(1, 2 * doses)}
            fill="var(--lichen)"
          />
        ),
      )}
      {deeds.repot && (
        <path
          d={
            `M${left(deeds.repot.from)} ${BASE - 12}h${left(deeds.repot.to + 1) - left(deeds.repot.from)}l-3 ` +
            `11h${6 - (left(deeds.repot.to + 1) - left(deeds.repot.from))}z`
          }
          fill="none"
          stroke="var(--earth)"
          strokeWidth="1.4"
        />
      )}
      {deeds.flowers.map((open, i) =>
        open ? <path key={`flower ${i}`} d={flowerAt(left(i) + wide / 2, 5)} fill="var(--straw)" /> : null,
      )}
      <line
        x1={left(week) + wide / 2}
        x2={left(week) + wide / 2}
        y1={0}
        y2={HEIGHT}
        stroke="var(--ink)"
        strokeOpacity="0.35"
        strokeDasharray="2 2"
      />
    </svg>
  );
}

/** Four petals. */
function flowerAt(cx: number, cy: number): string {
  const petal = (dx: number, dy: number) => `M${cx + dx - 1.6} ${cy + dy}a1.6 1.6 0 1 0 3.2 0a1.6 1.6 0 1 0 -3.2 0`;
  return [petal(0, -2.2), petal(0, 2.2), petal(-2.2, 0), petal(2.2, 0)].join('');
}

/** Sleep is a bar, slowing and waking are its ramps; growth leaves the line as it is. */
function StateBand({ state, from, to }: { state: PlantState; from: number; to: number }) {
  if (state === 'growing') return null;
  const thick = 6;
  const y = BASE - thick;
  if (state === 'resting')
    return <rect x={from} y={y} width={Math.max(0, to - from)} height={thick} fill="var(--dusk)" />;
  const path = state === 'easing' ? `M${from} ${BASE}L${to} ${y}V${BASE}z` : `M${from} ${y}V${BASE}H${to}z`;
  return <path d={path} fill="var(--dusk)" fillOpacity="0.45" />;
}
