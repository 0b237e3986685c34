/**
 * Six weeks of a place: outside a pale stroke a day from lowest to highest, among the plants a strong one; ahead the doubt
 * hatched; the lowest nights that its plants bear as lines across, and teeth below on nights that fall under one of them.
 */
import type { PlaceWeather, SiteWeather } from '@zinc-pail/contract/weather';
import { dayNumber } from '@zinc-pail/core';
import { axisLeft, max, min, scaleLinear, select } from 'd3';
import { useEffect, useId, useRef } from 'react';
import { degrees } from '../../reader/amounts.ts';
import { shortDay } from '../../reader/days.ts';
import { shownTemperature } from '../../reader/units.ts';

const HEIGHT = 260;
const MARGIN = { left: 34, right: 8, top: 10, bottom: 40 };
const RAIN_HEIGHT = 36;
const MOST_LIMITS = 4;

interface Props {
  site: SiteWeather;
  place: PlaceWeather;
  width: number;
  /** the day that is told in words, ISO */
  day: string;
  onDay(day: string): void;
}

/** Limits of those that live there, as dry or moist as they stand, each degree once: the most tender first. */
export function limitsOf({ plants }: Pick<PlaceWeather, 'plants'>): { c: number; plants: number }[] {
  const limits = new Map<number, number>();
  for (const { limit_c: c } of plants) limits.set(c, (limits.get(c) ?? 0) + 1);
  return [...limits].map(([c, count]) => ({ c, plants: count })).sort((a, b) => b.c - a.c);
}

export function PlaceDays({ site, place, width, day, onDay }: Props) {
  const axis = useRef<SVGGElement>(null);
  const hatch = useId();
  const first = dayNumber(site.outside[0]!.date);
  const today = dayNumber(site.today);
  const count = site.outside.length;
  const x = scaleLinear([0, count], [MARGIN.left, width - MARGIN.right]);
  const limits = limitsOf(place).slice(0, MOST_LIMITS);
  const lows = [
    ...site.outside.map((one) => one.tmin_c),
    ...place.past.map((one) => one.tmin_c),
    ...place.ahead.map((one) => one.low_c.p10),
    ...limits.map(({ c }) => c),
  ];
  const highs = [
    ...site.outside.map((one) => one.tmax_c),
    ...place.past.map((one) => one.tmax_c),
    ...place.ahead.map((one) => one.high_c.p90),
  ];
  const y = scaleLinear([min(lows)! - 1, max(highs)! + 1], [HEIGHT - MARGIN.bottom, MARGIN.top]).nice();
  const wettest = max(site.outside, (one) => one.rain_mm) ?? 0;
  const rain = scaleLinear([0, Math.max(10, wettest)], [0, RAIN_HEIGHT]);
  useEffect(() => {
    const shown = scaleLinear(
      y.domain().map((c) => shownTemperature(c)),
      y.range(),
    );
    select(axis.current!).call(axisLeft(shown).ticks(6).tickSizeOuter(0));
    select(axis.current!).attr('font-size', 13).attr('font-family', null);
  });
  const at = (date: string) => x(dayNumber(date) - first);
  const step = x(1) - x(0);
  const middle = (date: string) => at(date) + step / 2;
  const tender = limits[0]?.c ?? null;
  const cold = [
    ...place.past.map(({ date, tmin_c: low }) => ({ date, low })),
    ...place.ahead.map(({ date, low_c: low }) => ({ date, low: low.p10 })),
  ].filter(({ low }) => tender !== null && low < tender);
  const foot = HEIGHT - MARGIN.bottom;
  const chosen = middle(day);
  return (
    <svg
      width={width}
      height={HEIGHT}
      role="img"
      aria-label={`${place.name}: lowest and highest of each day from ${shortDay(first)} to ${shortDay(first + count - 1)}, against outside`}
      className="block touch-pan-y"
      onPointerMove={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const i = Math.floor(x.invert(event.clientX - box.left));
        onDay(site.outside[Math.min(count - 1, Math.max(0, i))]!.date);
      }}
    >
      <defs>
        <pattern id={hatch} width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="4" stroke="var(--lichen)" strokeWidth="2" />
        </pattern>
      </defs>
      {limits.map(({ c }) => (
        <line
          key={c}
          x1={MARGIN.left}
          x2={width - MARGIN.right}
          y1={y(c)}
          y2={y(c)}
          stroke="var(--rust)"
          strokeDasharray="1 4"
        />
      ))}
      {site.outside.map((one) => (
        <g key={one.date}>
          <line
            x1={middle(one.date)}
            x2={middle(one.date)}
            y1={y(one.tmin_c)}
            y2={y(one.tmax_c)}
            stroke="var(--grit)"
            strokeWidth={Math.max(2, step * 0.6)}
            strokeOpacity={one.source === 'usual' ? 0.25 : 0.5}
          />
          {one.rain_mm >= 0.5 && (
            <rect
              x={at(one.date) + step * 0.2}
              width={Math.max(1, step * 0.6)}
              y={foot - rain(one.rain_mm)}
              height={rain(one.rain_mm)}
              fill="var(--dusk)"
              fillOpacity={one.source === 'usual' ? 0.3 : 0.75}
            />
          )}
        </g>
      ))}
      {place.past.map((one) => (
        <line
          key={one.date}
          x1={middle(one.date)}
          x2={middle(one.date)}
          y1={y(one.tmin_c)}
          y2={y(one.tmax_c)}
          stroke="var(--lichen)"
          strokeWidth={Math.max(1.5, step * 0.28)}
        />
      ))}
      {place.past
        .filter(({ source }) => source === 'read')
        .map((one) => (
          <g key={one.date}>
            <circle cx={middle(one.date)} cy={y(one.tmin_c)} r={2.6} fill="var(--paper)" stroke="var(--ink)" />
            <circle cx={middle(one.date)} cy={y(one.tmax_c)} r={2.6} fill="var(--paper)" stroke="var(--ink)" />
          </g>
        ))}
      {place.ahead.map((one) => (
        <g key={one.date}>
          {([one.low_c, one.high_c] as const).map((spread, i) => (
            <g key={i}>
              <rect
                x={at(one.date) + step * 0.15}
                width={Math.max(2, step * 0.7)}
                y={y(spread.p90)}
                height={Math.max(1, y(spread.p10) - y(spread.p90))}
                fill={`url(#${hatch})`}
                fillOpacity={0.8}
              />
              <line
                x1={at(one.date)}
                x2={at(one.date) + step}
                y1={y(spread.p50)}
                y2={y(spread.p50)}
                stroke="var(--ink)"
                strokeWidth={1.5}
              />
            </g>
          ))}
        </g>
      ))}
      <line x1={MARGIN.left} x2={width - MARGIN.right} y1={foot} y2={foot} stroke="var(--ink)" />
      {cold.map(({ date }) => (
        <path
          key={date}
          d={`M${middle(date) - step * 0.35} ${foot + 2} h${step * 0.7} l${-step * 0.35} 9 z`}
          fill="var(--dusk)"
        />
      ))}
      <line
        x1={x(today - first + 1)}
        x2={x(today - first + 1)}
        y1={MARGIN.top}
        y2={foot}
        stroke="var(--clay)"
        strokeWidth={2}
      />
      <text x={x(today - first + 1) + 4} y={MARGIN.top + 10} fontSize={13} fill="var(--clay)">
        from tonight on
      </text>
      <line x1={chosen} x2={chosen} y1={MARGIN.top} y2={foot} stroke="var(--ink)" strokeDasharray="2 3" />
      {site.outside
        .filter((_, i) => i % 7 === 2)
        .map((one) => (
          <text
            key={one.date}
            x={middle(one.date)}
            y={HEIGHT - 12}
            fontSize={13}
            textAnchor="middle"
            fill="var(--ink-2)"
          >
            {shortDay(one.date)}
          </text>
        ))}
      {limits.map(({ c, plants }, i) => (
        <g key={c}>
          {(i === 0 || Math.abs(y(c) - y(limits[i - 1]!.c)) > 14) && (
            <text
              x={width - MARGIN.right}
              y={y(c) - 3}
              textAnchor="end"
              fontSize={12}
              fill="var(--rust)"
              stroke="var(--paper)"
              strokeWidth={4}
              paintOrder="stroke"
            >
              {degrees(c)} borne by {plants}
            </text>
          )}
        </g>
      ))}
      <g ref={axis} transform={`translate(${MARGIN.left},0)`} />
    </svg>
  );
}
