/**
 * Six weeks of a pot as a line: two behind, today a post, four ahead; the watering window a bracket with its ideal day
 * pegged, cold nights as teeth below, rest as a thick low bar. Its words are its label: the line beside it says the rest.
 */
import {
  LINE_AHEAD_DAYS as STRIP_AHEAD,
  LINE_BEHIND_DAYS as STRIP_BEHIND,
  type LineOutlook,
} from '@zinc-pail/contract/line';
import { dayNumber } from '@zinc-pail/core';
import { area, line, scaleLinear } from 'd3';

export const STRIP_WIDTH = 180;
const HEIGHT = 46;
const BASE = 31;
const TOP = 8;
const LEFT = stripX(-STRIP_BEHIND);
const RIGHT = stripX(STRIP_AHEAD);
const y = scaleLinear([0, 1], [BASE, TOP]).clamp(true);

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
  const inView = (day: number) => Math.min(RIGHT, Math.max(LEFT, x(day)));
  const { water } = outlook;
  const drunk = outlook.last_watered === null ? null : dayNumber(outlook.last_watered);
  return (
    <svg
      viewBox={`0 0 ${STRIP_WIDTH} ${HEIGHT}`}
      width={STRIP_WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={label}
      className="max-w-full"
    >
      <path d={`M${LEFT},${BASE}H${RIGHT}${WEEKS}`} fill="none" stroke="var(--rule)" />
      {outlook.rest.map(({ from, to }) => {
        const [a, b] = [inView(dayNumber(from)), inView(dayNumber(to))];
        return b > a ? <rect key={from} x={a} y={BASE - 4} width={b - a} height={8} rx={1} fill="var(--dusk)" /> : null;
      })}
      <Curve outlook={outlook} now={now} x={x} />
      {drunk !== null && drunk >= now - STRIP_BEHIND && <path d={`M${x(drunk) - 4},2h8l-4,7z`} fill="var(--ink)" />}
      {outlook.cold_nights
        .map(dayNumber)
        .filter((night) => night <= now + STRIP_AHEAD)
        .map((night) => (
          <path key={night} d={`M${x(night) - 2.6},${BASE + 1}h5.2l-2.6,6z`} fill="var(--dusk)" />
        ))}
      {water && dayNumber(water.earliest) <= now + STRIP_AHEAD && <Window water={water} x={x} now={now} />}
      <path d={`M${x(now)},1V${HEIGHT - 4}`} stroke="var(--ink)" strokeWidth={2} />
    </svg>
  );
}

/** A short stroke under each week. */
const WEEKS = Array.from(
  { length: (STRIP_BEHIND + STRIP_AHEAD) / 7 + 1 },
  (_, week) => `M${stripX(7 * week - STRIP_BEHIND)},${BASE}v4`,
).join('');

interface Day {
  day: number;
  m: number;
}

/** How damp it was and will be, with its doubt; the dotted line is as dry as this plant's rule asks. */
function Curve({ outlook, now, x }: { outlook: LineOutlook; now: number; x(day: number): number }) {
  const { past, ahead, water, due_m: due } = outlook;
  const resting = outlook.state === 'resting';
  const first = dayNumber(past.from);
  const behind = past.p50
    .map((m, i): Day => ({ day: first + i, m }))
    .filter(({ day }) => day >= now - STRIP_BEHIND && day <= now);
  const coming = ahead.p50
    .slice(0, STRIP_AHEAD + 1)
    .map((m, i) => ({ day: now + i, m, low: ahead.p10[i]!, high: ahead.p90[i]! }));
  const path = line<Day>(
    (d) => x(d.day),
    (d) => y(d.m),
  );
  const band = area<(typeof coming)[number]>()
    .x((d) => x(d.day))
    .y0((d) => y(d.low))
    .y1((d) => y(d.high));
  return (
    <g>
      {!resting && water && (
        <path d={`M${x(now)},${y(due)}H${RIGHT}`} stroke="var(--clay)" strokeWidth={1} strokeDasharray="1.5 3" />
      )}
      <path d={path(behind) ?? ''} fill="none" stroke="var(--earth)" strokeWidth={1.8} opacity={resting ? 0.6 : 1} />
      <path d={band(coming) ?? ''} fill="var(--earth)" opacity={0.2} />
      <path
        d={path(coming) ?? ''}
        fill="none"
        stroke="var(--earth)"
        strokeWidth={1.3}
        strokeDasharray="3 2.5"
        opacity={resting ? 0.6 : 1}
      />
    </g>
  );
}

interface WindowProps {
  water: NonNullable<LineOutlook['water']>;
  x(day: number): number;
  now: number;
}

/** The bracket from the first day to the last, open where that lies beyond; its peg the best day. */
function Window({ water, x, now }: WindowProps) {
  const from = Math.max(LEFT, x(dayNumber(water.earliest)));
  const latest = dayNumber(water.latest);
  const to = Math.min(RIGHT, x(latest));
  const peg = x(dayNumber(water.ideal));
  const open = latest > now + STRIP_AHEAD;
  return (
    <g fill="var(--clay)">
      <path d={`M${from},${BASE + 3}v5H${to}${open ? '' : 'v-5'}`} fill="none" stroke="var(--clay)" strokeWidth={2} />
      {peg <= RIGHT && <path d={`M${peg - 4.5},${BASE + 15}l4.5,-7l4.5,7z`} />}
    </g>
  );
}
