/**
 * The dry-down: moisture behind with its waterings and checks, the doubt ahead, the rule, the window and the cold
 * nights.
 */
import { units } from '../reader/units.ts';
import { bandOf, dayNumber, isoDay, type OutlookView } from '@zinc-pail/core';
import type { JournalEntry } from '@zinc-pail/contract/api';
import { area, axisBottom, line, scaleLinear, scaleUtc, select } from 'd3';
import { type KeyboardEvent, type PointerEvent, type ReactElement, useEffect, useRef, useState } from 'react';
import { longDay, shortDay } from '../reader/days.ts';
import { useWidth } from '../parts/useWidth.ts';
import { eventWords } from '@zinc-pail/words/events';
import { METHOD_TABLE } from '@zinc-pail/core';
import { WAY_WORDS } from '@zinc-pail/words/ways';

const MS_PER_DAY = 86_400_000;
const HEIGHT = 292;
const MARGIN = { top: 18, right: 14, bottom: 62, left: 54 };
/** Where a finger's word lies on the scale. */
const FELT_M = { wet: 0.8, damp: 0.36, dry: 0.06 } as const;

interface DryCurveProps {
  outlook: OutlookView;
  journal: JournalEntry[];
  today: string;
}

interface Point {
  day: number;
  low: number;
  middle: number;
  high: number;
}

function points(bands: OutlookView['past']): Point[] {
  const from = dayNumber(bands.from);
  return bands.p50.map((middle, i) => ({ day: from + i, middle, low: bands.p10[i]!, high: bands.p90[i]! }));
}

export function DryCurve({ outlook, journal, today }: DryCurveProps) {
  const frame = useRef<HTMLDivElement>(null);
  const axis = useRef<SVGGElement>(null);
  const width = Math.max(300, useWidth(frame, 760));

  const past = points(outlook.past);
  const ahead = points(outlook.ahead);
  const now = dayNumber(today);
  const first = past[0]?.day ?? now;
  const last = ahead.at(-1)?.day ?? now;
  const time = scaleUtc(
    [new Date(first * MS_PER_DAY), new Date(last * MS_PER_DAY)],
    [MARGIN.left, width - MARGIN.right],
  );
  const x = (day: number) => time(new Date(day * MS_PER_DAY));
  const y = scaleLinear([0, 1], [HEIGHT - MARGIN.bottom, MARGIN.top]).clamp(true);
  const base = HEIGHT - MARGIN.bottom;

  useEffect(() => {
    const ticks = axisBottom<Date>(time)
      .ticks(Math.max(3, Math.round(width / 110)))
      .tickSizeOuter(0)
      .tickFormat((date) => shortDay(date.toISOString().slice(0, 10)));
    select(axis.current!)
      .call(ticks)
      .attr('font-family', 'inherit')
      .attr('font-size', 13.5)
      .call((g) => g.selectAll('text').attr('fill', 'var(--ink)'))
      .call((g) => g.selectAll('line, path').attr('stroke', 'var(--rule)'));
  });

  const middle = line<Point>(
    (p) => x(p.day),
    (p) => y(p.middle),
  );
  const doubt = area<Point>()
    .x((p) => x(p.day))
    .y0((p) => y(p.low))
    .y1((p) => y(p.high));
  const seen = journal.filter(({ voided, event }) => !voided && dayNumber(event.date) >= first);
  const [at, setAt] = useState<number | null>(null);
  const read = (day: number) => setAt(Math.min(last, Math.max(first, Math.round(day))));
  const point = (event: PointerEvent<HTMLDivElement>) => {
    const { left } = event.currentTarget.getBoundingClientRect();
    read(time.invert(event.clientX - left).getTime() / MS_PER_DAY);
  };
  const step = (event: KeyboardEvent) => {
    const by = STEPS[event.key];
    if (by === undefined && event.key !== 'Home' && event.key !== 'End') return;
    event.preventDefault();
    event.stopPropagation();
    if (by === undefined) read(event.key === 'Home' ? first : last);
    else read((at ?? now) + by);
  };
  const told = at === null ? null : readingOf(at, [...past, ...ahead], seen);
  const kinds = new Set(seen.map(markKind));
  const clip = (day: number) => Math.min(x(last), Math.max(x(first), x(day)));
  const { water } = outlook;
  return (
    <div
      ref={frame}
      className="w-full overflow-hidden"
      role="slider"
      tabIndex={0}
      aria-label="The pot day by day"
      aria-valuemin={first}
      aria-valuemax={last}
      aria-valuenow={at ?? now}
      aria-valuetext={told ?? curveWords(outlook)}
      onPointerMove={point}
      onPointerDown={point}
      onPointerLeave={(event) => event.pointerType === 'mouse' && setAt(null)}
      onKeyDown={step}
    >
      <svg width={width} height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} aria-hidden="true">
        {[
          ['wet', 0.6, 1],
          ['damp', 0.3, 0.6],
          ['drying', 0.12, 0.3],
          ['dry', 0, 0.12],
        ].map(([word, low, high]) => (
          <g key={word as string}>
            <line
              x1={MARGIN.left}
              x2={width - MARGIN.right}
              y1={y(low as number)}
              y2={y(low as number)}
              stroke="var(--rule)"
            />
            <text
              x={MARGIN.left - 8}
              y={(y(low as number) + y(high as number)) / 2 + 4.5}
              textAnchor="end"
              fontSize={13.5}
              fill="var(--ink-2)"
            >
              {word}
            </text>
          </g>
        ))}
        {outlook.rest.map(({ from, to }) => {
          const a = clip(dayNumber(from));
          const b = clip(dayNumber(to));
          return b > a ? (
            <g key={from}>
              <rect x={a} y={base - 5} width={b - a} height={5} fill="var(--dusk)" />
              <text
                x={(a + b) / 2}
                y={base - 11}
                textAnchor="middle"
                fontSize={13}
                fill="var(--dusk)"
                stroke="var(--paper)"
                strokeWidth={4}
                paintOrder="stroke"
              >
                rest
              </text>
            </g>
          ) : null;
        })}
        <line
          x1={x(now)}
          x2={x(last)}
          y1={y(outlook.due_m)}
          y2={y(outlook.due_m)}
          stroke="var(--clay)"
          strokeWidth={1.4}
          strokeDasharray="2 4"
        />
        <text x={width - MARGIN.right} y={y(outlook.due_m) - 5} textAnchor="end" fontSize={13} fill="var(--clay)">
          its rule
        </text>
        <path d={doubt(past) ?? ''} fill="var(--earth)" opacity={0.16} />
        <path d={middle(past) ?? ''} fill="none" stroke="var(--earth)" strokeWidth={2.2} />
        <path d={doubt(ahead) ?? ''} fill="var(--earth)" opacity={0.2} />
        <path d={middle(ahead) ?? ''} fill="none" stroke="var(--earth)" strokeWidth={1.8} strokeDasharray="5 4" />
        {seen.map((entry) => (
          <Mark key={entry.client_id} entry={entry} x={x} y={y} />
        ))}
        {water && dayNumber(water.earliest) <= last && (
          <g>
            <path
              d={`M${clip(dayNumber(water.earliest))},${base + 24}v7H${clip(dayNumber(water.latest))}${dayNumber(water.latest) <= last ? 'v-7' : ''}`}
              fill="none"
              stroke="var(--clay)"
              strokeWidth={2.4}
            />
            {dayNumber(water.ideal) <= last && (
              <>
                <path d={`M${x(dayNumber(water.ideal)) - 6},${base + 42}l6,-12l6,12z`} fill="var(--clay)" />
                <text
                  x={Math.min(width - 70, x(dayNumber(water.ideal)) + 10)}
                  y={base + 46}
                  fontSize={13.5}
                  fontWeight={600}
                  fill="var(--clay)"
                >
                  best {water.ideal === today ? 'today' : shortDay(water.ideal)}
                </text>
              </>
            )}
          </g>
        )}
        {outlook.cold_nights.map((night) => (
          <path key={night} d={`M${x(dayNumber(night)) - 3},${base + 1}h6l-3,7z`} fill="var(--dusk)" />
        ))}
        <g ref={axis} transform={`translate(0 ${base})`} />
        <line x1={x(now)} x2={x(now)} y1={6} y2={base + 20} stroke="var(--ink)" strokeWidth={2.2} />
        <text x={x(now) + 6} y={14} fontSize={13.5} fontWeight={600} fill="var(--ink)">
          today
        </text>
        {at !== null && (
          <line x1={x(at)} x2={x(at)} y1={MARGIN.top} y2={base} stroke="var(--ink)" strokeDasharray="3 3" />
        )}
      </svg>
      <p className="min-h-6 pl-[54px] text-[0.9375rem] font-semibold" data-testid="read-day">
        {told}
      </p>
      <p className="flex flex-wrap gap-x-5 gap-y-1 pl-[54px] text-[0.875rem] text-[var(--ink-2)]" aria-hidden="true">
        {KEYS.filter(({ of }) => (of === 'cold' ? outlook.cold_nights.length > 0 : kinds.has(of))).map((key) => (
          <span key={key.of}>
            <svg width="14" height="14" viewBox="0 0 14 14" className="inline align-[-2px]">
              {key.mark}
            </svg>{' '}
            {key.words}
          </span>
        ))}
      </p>
    </div>
  );
}

const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 };

type MarkKind = 'watered' | 'felt' | 'probe' | 'weighed';

/** What the marks of the curve mean: told of those that stand on it. */
const KEYS: readonly { of: MarkKind | 'cold'; words: string; mark: ReactElement }[] = [
  { of: 'watered', words: 'watered', mark: <path d="M3,3h8l-4,8z" fill="var(--ink)" /> },
  {
    of: 'felt',
    words: 'felt',
    mark: <path d="M7,2v10M3,12h8" stroke="var(--ink)" strokeWidth="2" fill="none" />,
  },
  {
    of: 'probe',
    words: 'probe',
    mark: <path d="M7,1l5,6l-5,6l-5,-6z" fill="none" stroke="var(--ink)" strokeWidth="1.6" />,
  },
  {
    of: 'weighed',
    words: 'weighed',
    mark: <rect x="2.5" y="3" width="9" height="9" fill="none" stroke="var(--ink)" strokeWidth="1.6" />,
  },
  { of: 'cold', words: 'too cold for a wet pot', mark: <path d="M2,3h9l-4.5,8z" fill="var(--dusk)" /> },
];

function markKind({ event }: JournalEntry): MarkKind | null {
  if (event.type === 'watering') return 'watered';
  if (event.type !== 'check') return null;
  if ('finger' in event) return 'felt';
  if ('meter' in event) return 'probe';
  return 'weight_g' in event ? 'weighed' : null;
}

/** A day of the curve in words: how damp, within which doubt, and what happened on it. */
export function readingOf(
  day: number,
  points: readonly { day: number; low: number; middle: number; high: number }[],
  seen: readonly JournalEntry[],
): string {
  const point = points.findLast((one) => one.day === day);
  const date = isoDay(day);
  const damp = point
    ? `${bandOf(point.middle)}, ${Math.round(100 * point.middle)} % (${Math.round(100 * point.low)} to ${Math.round(100 * point.high)})`
    : 'not known';
  const happened = seen.filter(({ event }) => event.date === date).map(({ event }) => eventWords(event, units()));
  return `${longDay(date)}: ${[damp, ...happened].join('. ')}.`;
}

/** What happened, where it belongs on the curve. */
function Mark({ entry, x, y }: { entry: JournalEntry; x(day: number): number; y(m: number): number }) {
  const { event } = entry;
  const at = x(dayNumber(event.date));
  if (event.type === 'watering')
    return (
      <path
        d={`M${at - 4.5},${MARGIN.top - 14}h9l-4.5,9z`}
        fill={METHOD_TABLE[event.method].whole ? 'var(--ink)' : 'var(--ink-2)'}
      >
        <title>{`${event.date}: ${WAY_WORDS[event.method].done}`}</title>
      </path>
    );
  if (event.type !== 'check') return null;
  if ('finger' in event) {
    const level = y(FELT_M[event.finger]);
    return (
      <path d={`M${at},${level - 9}v9M${at - 4},${level}h8`} stroke="var(--ink)" strokeWidth={2} fill="none">
        <title>{`${event.date}: felt ${event.finger}`}</title>
      </path>
    );
  }
  if ('meter' in event) {
    const level = y((event.meter - 1) / 9);
    return (
      <path d={`M${at},${level - 5.5}l5,5.5l-5,5.5l-5,-5.5z`} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.6}>
        <title>{`${event.date}: probe ${event.meter}`}</title>
      </path>
    );
  }
  if ('weight_g' in event) {
    return (
      <rect x={at - 4} y={y(0) - 12} width={8} height={8} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.6}>
        <title>{`${event.date}: ${event.weight_g} g`}</title>
      </rect>
    );
  }
  return (
    <line x1={at} x2={at} y1={MARGIN.top} y2={MARGIN.top + 6} stroke="var(--ink-2)">
      <title>
        {'lift' in event ? `${event.date}: ${event.lift} in the hand` : `${event.date}: surface ${event.surface}`}
      </title>
    </line>
  );
}

function curveWords(outlook: OutlookView): string {
  const dry = outlook.dry_on;
  return (
    `Moisture of the pot: now ${bandOf(outlook.moisture.p50)}; dry ${dry.p50 ?? 'beyond a year'}, between ` +
    `${dry.p10 ?? 'beyond a year'} and ${dry.p90 ?? 'beyond a year'}`
  );
}
