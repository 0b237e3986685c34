/** Measurements drawn over time, and the record of its flowers. */
import type { JournalEvent, PlantView } from '@zinc-pail/contract/api';
import { dayNumber } from '@zinc-pail/core';
import { extent, group, line, scaleLinear } from 'd3';
import { useState } from 'react';
import { fullDay, shortDay } from '../../reader/days.ts';
import { SectionHead } from '../../forms/Fields.tsx';
import { shownLength, typed } from '../../reader/units.ts';

type Measure = Extract<JournalEvent, { type: 'measure' }>;
const KINDS = [
  ['diameter_mm', 'width', 'mm'],
  ['height_mm', 'height', 'mm'],
  ['caudex_mm', 'caudex', 'mm'],
  ['heads', 'heads', ''],
  ['weight_g', 'weight', 'g'],
] as const;
/** In the keeper's own units, so that an axis has whole ones. */
const shownOf = ([, , unit]: (typeof KINDS)[number], value: number) =>
  unit === 'mm' ? Number(shownLength(String(value))) : value;
const W = 420;
const H = 150;

function events<T extends JournalEvent['type']>(plant: PlantView, type: T): Extract<JournalEvent, { type: T }>[] {
  return plant.journal
    .filter((entry) => !entry.voided && entry.event.type === type)
    .map((entry) => entry.event as Extract<JournalEvent, { type: T }>)
    .toSorted((a, b) => (a.date < b.date ? -1 : 1));
}

export function Growth({ plant }: { plant: PlantView }) {
  const measures = events(plant, 'measure') as Measure[];
  const kinds = KINDS.filter(([key]) => measures.some((measure) => measure[key] !== undefined));
  const [chosen, setChosen] = useState<string | null>(null);
  const kind = kinds.find(([key]) => key === chosen) ?? kinds[0];
  return (
    <section aria-labelledby="growth">
      <SectionHead id="growth">Growth</SectionHead>
      {!kind ? (
        <p className="text-[0.9375rem]">
          Not measured yet. Note its width or height now and then, and its pace is drawn here.
        </p>
      ) : (
        <>
          {kinds.length > 1 && (
            <div role="group" aria-label="What is drawn" className="flex gap-2">
              {kinds.map(([key, label]) => (
                <button
                  key={key}
                  type="button"
                  aria-pressed={key === kind[0]}
                  className={`h-11 px-2 ${key === kind[0] ? 'border-b-4 border-[var(--lichen)] font-semibold' : 'underline'}`}
                  onClick={() => setChosen(key)}
                >
                  {label}
                </button>
              ))}
            </div>
          )}
          <Curve
            points={measures.flatMap((measure) =>
              measure[kind[0]] === undefined ? [] : [{ date: measure.date, value: shownOf(kind, measure[kind[0]]!) }],
            )}
            label={kind[1]}
            unit={kind[2] === 'mm' ? typed.length() : kind[2]}
          />
        </>
      )}
    </section>
  );
}

function Curve({ points, label, unit }: { points: { date: string; value: number }[]; label: string; unit: string }) {
  const [first, last] = [points[0]!, points.at(-1)!];
  const days = points.map((point) => dayNumber(point.date));
  const [low = 0, high = 1] = extent(points, (point) => point.value);
  const pad = Math.max(high * 0.02, (high - low) * 0.15);
  const x = scaleLinear([days[0]!, Math.max(days[0]! + 1, days.at(-1)!)], [44, W - 10]);
  const y = scaleLinear([Math.max(0, low - pad), high + pad], [H - 24, 10]).nice(4);
  const years = (days.at(-1)! - days[0]!) / 365;
  const pace = years > 0.2 ? Math.round(((last.value - first.value) / years) * 10) / 10 : null;
  return (
    <figure>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="w-full"
        role="img"
        aria-label={`${label} from ${first.value} ${unit} on ${fullDay(first.date)} to ${last.value} ${unit} on ${fullDay(last.date)}`}
      >
        {y.ticks(4).map((tick) => (
          <g key={tick}>
            <line x1="40" x2={W - 6} y1={y(tick)} y2={y(tick)} stroke="var(--rule)" />
            <text x="36" y={y(tick) + 4} textAnchor="end" fontSize="12.5" fill="var(--ink-2)">
              {tick}
            </text>
          </g>
        ))}
        <path
          d={
            line<{ date: string; value: number }>(
              (point) => x(dayNumber(point.date)),
              (point) => y(point.value),
            )(points) ?? ''
          }
          fill="none"
          stroke="var(--lichen)"
          strokeWidth="2.5"
        />
        {points.map((point) => (
          <circle
            key={point.date}
            cx={x(dayNumber(point.date))}
            cy={y(point.value)}
            r="4"
            fill="var(--paper)"
            stroke="var(--lichen)"
            strokeWidth="2"
          />
        ))}
        <text x="44" y={H - 6} fontSize="12.5" fill="var(--ink-2)">
          {shortDay(first.date)} {first.date.slice(0, 4)}
        </text>
        <text x={W - 10} y={H - 6} textAnchor="end" fontSize="12.5" fill="var(--ink-2)">
          {shortDay(last.date)} {last.date.slice(0, 4)}
        </text>
      </svg>
      <figcaption className="text-[0.9375rem]">
        {label}: {last.value} {unit} now
        {pace !== null && `, ${pace >= 0 ? 'up' : 'down'} ${Math.abs(pace)} ${unit} a year`}.
      </figcaption>
    </figure>
  );
}

/** Year under year, so that the eye sees whether it flowers at its time. */
export function Flowering({ plant }: { plant: PlantView }) {
  const flowers = events(plant, 'flowering');
  const x = scaleLinear([0, 365], [44, W - 10]);
  const years = [...group(flowers, (event) => event.date.slice(0, 4))].toSorted(([a], [b]) => (a < b ? -1 : 1));
  return (
    <section aria-labelledby="flowering">
      <SectionHead id="flowering">Flowers</SectionHead>
      {years.length === 0 ? (
        <p className="text-[0.9375rem]">None on record yet.</p>
      ) : (
        <svg
          viewBox={`0 0 ${W} ${years.length * 26 + 26}`}
          className="w-full"
          role="img"
          aria-label={flowers.map((event) => `${event.stage} ${fullDay(event.date)}`).join(', ')}
        >
          {years.map(([year, some], row) => {
            const dayOf = (date: string) => dayNumber(date) - dayNumber(`${year}-01-01`);
            const stages = new Map(some.map((event) => [event.stage, event]));
            const [buds, open, over] = [stages.get('buds'), stages.get('open'), stages.get('over')];
            const y = 14 + row * 26;
            return (
              <g key={year}>
                <text x="36" y={y + 5} textAnchor="end" fontSize="13" fill="var(--ink-2)">
                  {year}
                </text>
                <line x1="44" x2={W - 10} y1={y} y2={y} stroke="var(--rule)" />
                {buds && open && (
                  <line
                    x1={x(dayOf(buds.date))}
                    x2={x(dayOf(open.date))}
                    y1={y}
                    y2={y}
                    stroke="var(--lichen)"
                    strokeWidth="4"
                  />
                )}
                {open && (
                  <rect
                    x={x(dayOf(open.date))}
                    y={y - 6}
                    width={Math.max(5, over ? x(dayOf(over.date)) - x(dayOf(open.date)) : 5)}
                    height="12"
                    fill="var(--clay)"
                  />
                )}
                {open?.flowers && (
                  <text x={x(dayOf((over ?? open).date)) + 8} y={y + 5} fontSize="13" fill="var(--ink)">
                    {open.flowers}
                  </text>
                )}
              </g>
            );
          })}
          {['Jan', 'Apr', 'Jul', 'Oct'].map((month, i) => (
            <text
              key={month}
              x={x([0, 90, 181, 273][i]!)}
              y={years.length * 26 + 20}
              fontSize="12.5"
              fill="var(--ink-2)"
            >
              {month}
            </text>
          ))}
        </svg>
      )}
    </section>
  );
}
