/**
 * Six weeks of a pot as a line: two behind, today a post, four ahead; the watering window a bracket with its ideal day
 * pegged and named, cold nights as teeth below, rest as a thick low bar. Once a pot is dry the line says for how long.
 */
import {
  LINE_AHEAD_DAYS as STRIP_AHEAD,
  LINE_BEHIND_DAYS as STRIP_BEHIND,
  type LineOutlook,
} from '@zinc-pail/contract/line';
import { dayNumber } from '@zinc-pail/core';
import { area, line, scaleLinear } from 'd3';
import { shortDay } from '../reader/days.ts';

export const STRIP_WIDTH = 324;
const HEIGHT = 64;
const BASE = 44;
const TOP = 8;

export function stripX(dayFromToday: number, width = STRIP_WIDTH): number {
  return 4 + ((dayFromToday + STRIP_BEHIND) * (width - 8)) / (STRIP_BEHIND + STRIP_AHEAD);
}

interface StripProps {
  outlook: LineOutlook;
  today: string;
  label: string;
}

export function Strip({ outlook, today, label }: StripProps) {
  const now = dayNumber(today);
  const x = (day: number) => stripX(day - now);
  const y = scaleLinear([0, 1], [BASE, TOP]).clamp(true);
  const pastStart = dayNumber(outlook.past.from);
  const past = outlook.past.p50
    .map((m, i) => ({ day: pastStart + i, m }))
    .filter(({ day }) => day >= now - STRIP_BEHIND && day <= now);
  const ahead = outlook.ahead.p50
    .slice(0, STRIP_AHEAD + 1)
    .map((m, i) => ({ day: now + i, m, low: outlook.ahead.p10[i]!, high: outlook.ahead.p90[i]! }));
  const path = line<{ day: number; m: number }>(
    (d) => x(d.day),
    (d) => y(d.m),
  );
  const band = area<(typeof ahead)[number]>()
    .x((d) => x(d.day))
    .y0((d) => y(d.low))
    .y1((d) => y(d.high));
  const water = outlook.water;
  const resting = outlook.state === 'resting';
  const left = x(now - STRIP_BEHIND);
  const right = x(now + STRIP_AHEAD);
  const inView = (day: number) => Math.min(right, Math.max(left, x(day)));
  const dryP50 = outlook.dry_on.p50 === null ? null : dayNumber(outlook.dry_on.p50);
  const dryFor = dryP50 !== null && dryP50 < now ? now - dryP50 : 0;
  return (
    <svg
      viewBox={`0 0 ${STRIP_WIDTH} ${HEIGHT}`}
      width={STRIP_WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={label}
      className="max-w-full max-sm:h-10 max-sm:w-[202px]"
    >
      <line x1={left} x2={right} y1={BASE} y2={BASE} stroke="var(--rule)" />
      {Array.from({ length: STRIP_BEHIND + STRIP_AHEAD + 1 }, (_, i) => i - STRIP_BEHIND).map((d) => (
        <line
          key={d}
          x1={stripX(d)}
          x2={stripX(d)}
          y1={BASE}
          y2={d % 7 === 0 ? BASE + 5 : BASE + 2.5}
          stroke="var(--rule)"
        />
      ))}
      {outlook.rest.map(({ from, to }) => {
        const a = inView(dayNumber(from));
        const b = inView(dayNumber(to));
        return b > a ? <rect key={from} x={a} y={BASE - 4} width={b - a} height={8} rx={1} fill="var(--dusk)" /> : null;
      })}
      {!resting && water && (
        <line
          x1={x(now)}
          x2={right}
          y1={y(outlook.due_m)}
          y2={y(outlook.due_m)}
          stroke="var(--clay)"
          strokeWidth={1}
          strokeDasharray="1.5 3"
        />
      )}
      <path d={path(past) ?? ''} fill="none" stroke="var(--earth)" strokeWidth={1.8} opacity={resting ? 0.6 : 1} />
      <path d={band(ahead) ?? ''} fill="var(--earth)" opacity={0.2} />
      <path
        d={path(ahead) ?? ''}
        fill="none"
        stroke="var(--earth)"
        strokeWidth={1.3}
        strokeDasharray="3 2.5"
        opacity={resting ? 0.6 : 1}
      />
      {dryFor > 0 && !resting && (
        <g>
          <line x1={inView(dryP50!)} x2={x(now)} y1={BASE - 1} y2={BASE - 1} stroke="var(--straw)" strokeWidth={3} />
          <text
            x={Math.max(left, x(now) - 5)}
            y={TOP + 6}
            fontSize={12.5}
            textAnchor="end"
            fill="var(--straw)"
            fontWeight={500}
          >
            {`dry ${dryFor} d`}
          </text>
        </g>
      )}
      {outlook.last_watered && dayNumber(outlook.last_watered) >= now - STRIP_BEHIND && (
        <path d={`M${x(dayNumber(outlook.last_watered)) - 4},${TOP - 6}h8l-4,7z`} fill="var(--ink)" />
      )}
      {outlook.cold_nights
        .filter((night) => dayNumber(night) <= now + STRIP_AHEAD)
        .map((night) => (
          <path key={night} d={`M${x(dayNumber(night)) - 3.2},${BASE + 1}h6.4l-3.2,6z`} fill="var(--dusk)" />
        ))}
      {water && dayNumber(water.earliest) <= now + STRIP_AHEAD && (
        <Window water={water} x={x} now={now} left={left} right={right} />
      )}
      <line x1={x(now)} x2={x(now)} y1={2} y2={HEIGHT - 8} stroke="var(--ink)" strokeWidth={2} />
    </svg>
  );
}

interface WindowProps {
  water: NonNullable<LineOutlook['water']>;
  x(day: number): number;
  now: number;
  left: number;
  right: number;
}

function Window({ water, x, now, left, right }: WindowProps) {
  const from = Math.max(left, x(dayNumber(water.earliest)));
  const latest = dayNumber(water.latest);
  const to = Math.min(right, x(latest));
  const ideal = dayNumber(water.ideal);
  const peg = x(ideal);
  const open = latest > now + STRIP_AHEAD;
  return (
    <g>
      <path d={`M${from},${BASE + 4}v5H${to}${open ? '' : 'v-5'}`} fill="none" stroke="var(--clay)" strokeWidth={2} />
      {peg <= right && (
        <>
          <path d={`M${peg - 4.5},${BASE + 17}l4.5,-9l4.5,9z`} fill="var(--clay)" />
          {ideal !== now && (
            <text
              x={peg > right - 44 ? peg - 7 : peg + 7}
              y={BASE + 18.5}
              fontSize={12}
              textAnchor={peg > right - 44 ? 'end' : 'start'}
              fill="var(--clay)"
              fontWeight={500}
            >
              {shortDay(water.ideal)}
            </text>
          )}
        </>
      )}
    </g>
  );
}

/** The dates above a bench's strips. */
export function StripAxis({ today }: { today: string }) {
  const now = dayNumber(today);
  return (
    <svg viewBox={`0 0 ${STRIP_WIDTH} 16`} width={STRIP_WIDTH} height={16} aria-hidden="true" className="max-w-full">
      {[-14, 0, 7, 14, 21].map((d) => (
        <text
          key={d}
          x={stripX(d)}
          y={12}
          fontSize={12.5}
          textAnchor={d === -14 ? 'start' : 'middle'}
          fill={d === 0 ? 'var(--ink)' : 'var(--ink-2)'}
          fontWeight={d === 0 ? 600 : 400}
        >
          {d === 0 ? 'today' : shortDay(now + d)}
        </text>
      ))}
    </svg>
  );
}
