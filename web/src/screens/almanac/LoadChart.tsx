import { type WeekLoad } from '@zinc-pail/core';
import { axisBottom, brushX, type D3BrushEvent, max, scaleLinear, scaleUtc, select, utcMonth } from 'd3';
import { useEffect, useRef } from 'react';
import { MONTHS } from '../../reader/days.ts';

const HEIGHT = 96;
const MARGIN = { top: 8, bottom: 22 };
const DAYS_A_WEEK = 7;
const MS_A_DAY = 86_400_000;

interface Props {
  loads: readonly WeekLoad[];
  tried: readonly WeekLoad[] | null;
  /** the first day of the year that is shown */
  start: Date;
  width: number;
  week: number;
  onZoom(weeks: [from: number, to: number] | null): void;
  onWeek(week: number): void;
}

/** Pots that want water in each week of the year; a stretch of it may be drawn out to be looked at closely. */
export function LoadChart({ loads, tried, start, width, week, onZoom, onWeek }: Props) {
  const axis = useRef<SVGGElement>(null);
  const brush = useRef<SVGGElement>(null);
  const most = Math.max(1, max([...loads, ...(tried ?? [])], (load) => load.pots) ?? 1);
  const x = scaleLinear([0, loads.length], [0, width]);
  const y = scaleLinear([0, most], [HEIGHT - MARGIN.bottom, MARGIN.top]);
  const zoom = useRef(onZoom);
  useEffect(() => {
    zoom.current = onZoom;
  });
  useEffect(() => {
    const end = new Date(start.getTime() + loads.length * DAYS_A_WEEK * MS_A_DAY);
    const time = scaleUtc([start, end], [0, width]);
    const every = width < 500 ? utcMonth.every(2)! : utcMonth.every(1)!;
    select(axis.current!).call(
      axisBottom<Date>(time)
        .ticks(every)
        .tickFormat((date) => MONTHS[date.getUTCMonth()]!)
        .tickSizeOuter(0),
    );
    select(axis.current!).attr('font-size', 13).attr('font-family', null);
  }, [start, width, loads.length]);
  useEffect(() => {
    const weeks = scaleLinear([0, width], [0, loads.length]);
    const made = brushX<unknown>()
      .extent([
        [0, 0],
        [width, HEIGHT - MARGIN.bottom],
      ])
      .on('end', ({ selection }: D3BrushEvent<unknown>) => {
        if (!selection) return zoom.current(null);
        const [from, to] = (selection as [number, number]).map(weeks) as [number, number];
        zoom.current(to - from < 1 ? null : [Math.floor(from), Math.ceil(to)]);
      });
    select<SVGGElement, unknown>(brush.current!).call(made);
  }, [width, loads.length]);
  const shown = tried ?? loads;
  const wide = Math.max(1, x(1) - x(0) - 1);
  return (
    <svg
      width={width}
      height={HEIGHT}
      role="img"
      aria-label={`Pots to water week by week, at most ${Math.round(most)}`}
      className="block touch-none overflow-visible"
      onPointerMove={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        onWeek(Math.min(loads.length - 1, Math.max(0, Math.floor(x.invert(event.clientX - box.left)))));
      }}
    >
      {shown.map(({ pots }, i) => (
        <rect key={i} x={x(i)} y={y(pots)} width={wide} height={y(0) - y(pots)} fill="var(--clay)" />
      ))}
      {tried &&
        loads.map(({ pots }, i) => (
          <rect
            key={`was ${i}`}
            x={x(i) + 0.5}
            y={y(pots)}
            width={Math.max(1, wide - 1)}
            height={y(0) - y(pots)}
            fill="none"
            stroke="var(--ink)"
            strokeOpacity="0.55"
          />
        ))}
      <line x1={x(week + 0.5)} x2={x(week + 0.5)} y1={0} y2={y(0)} stroke="var(--ink)" strokeDasharray="2 2" />
      <text x={4} y={MARGIN.top + 4} fontSize={13} fill="var(--ink-2)">
        {Math.round(most)}
      </text>
      <line x1={0} x2={width} y1={y(most)} y2={y(most)} stroke="var(--rule)" />
      <g ref={axis} transform={`translate(0,${HEIGHT - MARGIN.bottom})`} />
      <g ref={brush} />
    </svg>
  );
}
