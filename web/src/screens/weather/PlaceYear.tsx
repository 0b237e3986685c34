/**
 * A year of light at a place: hours of direct sun as it faces, beside what they would be if it faced elsewhere; light as
 * the plants get it as a filled shape; humidity as a line of its own.
 */
import type { PlaceWeather } from '@zinc-pail/contract/weather';
import { area, curveMonotoneX, line, max, scaleLinear } from 'd3';
import { MONTHS } from '../../reader/days.ts';

const HEIGHT = 190;
const MARGIN = { left: 30, right: 34, top: 12, bottom: 22 };
const FACES: Record<number, string> = { 0: 'north', 90: 'east', 180: 'south', 270: 'west' };
const DASHES: Record<number, string> = { 0: '2 3', 90: '6 3', 180: '1 2', 270: '6 3 1 3' };

export function PlaceYear({ place, width }: { place: PlaceWeather; width: number }) {
  const weeks = place.year;
  const x = scaleLinear([0, weeks.length - 1], [MARGIN.left, width - MARGIN.right]);
  const foot = HEIGHT - MARGIN.bottom;
  const hours = scaleLinear([0, 16], [foot, MARGIN.top]);
  const brightest = Math.max(4, max(weeks, (week) => week.dli_mol) ?? 4);
  const light = scaleLinear([0, brightest * 1.1], [foot, MARGIN.top]);
  const wet = scaleLinear([0, 100], [foot, MARGIN.top]);
  const along = (of: (i: number) => number) =>
    line<unknown>(
      (_, i) => x(i),
      (_, i) => of(i),
    ).curve(curveMonotoneX)(weeks) ?? '';
  const lit = area<(typeof weeks)[number]>()
    .x((_, i) => x(i))
    .y0(foot)
    .y1((week) => light(week.dli_mol))
    .curve(curveMonotoneX);
  return (
    <figure>
      <svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={`${place.name}: light, direct sun and humidity week by week over the year`}
        className="block"
      >
        <path d={lit(weeks) ?? ''} fill="var(--wood)" />
        {[0, 4, 8, 12, 16].map((h) => (
          <g key={h}>
            <line x1={MARGIN.left} x2={width - MARGIN.right} y1={hours(h)} y2={hours(h)} stroke="var(--rule)" />
            <text x={MARGIN.left - 5} y={hours(h) + 4} fontSize={13} textAnchor="end" fill="var(--ink-2)">
              {h}
            </text>
          </g>
        ))}
        {(place.sun_by_aspect ?? []).map(({ aspect_deg: aspect, hours: byWeek }) => (
          <path
            key={aspect}
            d={along((i) => hours(byWeek[i]!))}
            fill="none"
            stroke="var(--ink-2)"
            strokeDasharray={DASHES[aspect]}
          />
        ))}
        <path d={along((i) => wet(weeks[i]!.rh_pct))} fill="none" stroke="var(--dusk)" strokeWidth={1.5} />
        <path d={along((i) => hours(weeks[i]!.sun_h))} fill="none" stroke="var(--clay)" strokeWidth={2.5} />
        {weeks.map(({ date }, i) =>
          date.slice(8) <= '07' ? (
            <text key={date} x={x(i)} y={HEIGHT - 5} fontSize={13} textAnchor="middle" fill="var(--ink-2)">
              {MONTHS[Number(date.slice(5, 7)) - 1]}
            </text>
          ) : null,
        )}
        <text x={width - MARGIN.right + 4} y={light(brightest) + 4} fontSize={13} fill="var(--ink-2)">
          {Math.round(brightest)}
        </text>
      </svg>
      <figcaption className="flex flex-wrap gap-x-5 text-[0.875rem] text-[var(--ink-2)]">
        <Key stroke="var(--clay)" wide>
          direct sun on a clear day, hours
        </Key>
        {(place.sun_by_aspect ?? []).map(({ aspect_deg: aspect }) => (
          <Key key={aspect} stroke="var(--ink-2)" dashes={DASHES[aspect]}>
            if it faced {FACES[aspect]}
          </Key>
        ))}
        <span className="flex items-center gap-2">
          <span className="inline-block h-3 w-5 bg-[var(--wood)]" aria-hidden="true" /> light a day, up to{' '}
          {Math.round(brightest)} mol/m²
        </span>
        <Key stroke="var(--dusk)">humidity, foot 0, top 100 %</Key>
      </figcaption>
    </figure>
  );
}

function Key({
  stroke,
  dashes,
  wide,
  children,
}: {
  stroke: string;
  dashes?: string | undefined;
  wide?: boolean;
  children: React.ReactNode;
}) {
  return (
    <span className="flex items-center gap-2">
      <svg width="22" height="6" aria-hidden="true">
        <line x1="0" x2="22" y1="3" y2="3" stroke={stroke} strokeWidth={wide ? 2.5 : 1.5} strokeDasharray={dashes} />
      </svg>
      {children}
    </span>
  );
}
