/**
 * A pot's last sixty days as one picture: how wet, how cold and hot, what was given, and the signs pinned where they were
 * seen. That alone often answers.
 */
import type { ClinicSheet } from '@zinc-pail/contract/clinic';
import { bandOf, dayNumber, type PlantEvent } from '@zinc-pail/core';
import { signWords } from '@zinc-pail/words/signs';
import { degreeWords } from '@zinc-pail/words/units';
import { area, line, scaleLinear } from 'd3';
import { useState } from 'react';
import { longDay, shortDay } from '../../reader/days.ts';
import { units } from '../../reader/units.ts';

const WIDTH = 1000;
const LEFT = 56;
const RIGHT = 12;
const PINS = 26;
const WET_TOP = 44;
const WET_BASE = 132;
const GIVEN = 148;
const COLD_TOP = 172;
const COLD_BASE = 236;
const HEIGHT = 258;

type Sighting = Extract<PlantEvent, { type: 'sign' }>;

const DID: Partial<Record<PlantEvent['type'], string>> = {
  feeding: 'fed',
  repotting: 'potted',
  move: 'moved',
  verdict: 'verdict',
  'case-step': 'treated',
};

export function TwoMonths({ strip, today }: { strip: ClinicSheet['strip']; today: string }) {
  const [at, setAt] = useState<number | null>(null);
  const from = dayNumber(strip.from);
  const to = dayNumber(today);
  const days = to - from;
  const x = scaleLinear([0, Math.max(1, days)], [LEFT, WIDTH - RIGHT]);
  const wet = scaleLinear([0, 1], [WET_BASE, WET_TOP]).clamp(true);
  const coldest = Math.min(strip.limits.dryC - 2, ...strip.tminC);
  const hottest = Math.max(strip.limits.wetC + 6, ...strip.tmaxC);
  const warm = scaleLinear([coldest, hottest], [COLD_BASE, COLD_TOP]);
  const every = strip.m.p50.map((_, i) => i);
  const band = area<number>()
    .x((i) => x(i))
    .y0((i) => wet(strip.m.p10[i]!))
    .y1((i) => wet(strip.m.p90[i]!));
  const middle = line<number>(
    (i) => x(i),
    (i) => wet(strip.m.p50[i]!),
  );
  const temperatures = area<number>()
    .x((i) => x(i))
    .y0((i) => warm(strip.tminC[i]!))
    .y1((i) => warm(strip.tmaxC[i]!));
  const on = (event: PlantEvent) => x(dayNumber(event.date) - from);
  const signs = strip.events.filter((event): event is Sighting => event.type === 'sign');
  const drinks = strip.events.filter((event) => event.type === 'watering' && event.method !== 'mist');
  const looks = strip.events.filter((event) => event.type === 'check');
  const others = [
    ...new Map(
      strip.events.flatMap((event) => {
        const word = DID[event.type];
        return word === undefined ? [] : [[`${event.date} ${word}`, { event, word }] as const];
      }),
    ).values(),
  ];
  const cold = every.filter((i) => strip.tminC[i]! < strip.limits.dryC);
  const coldWet = every.filter((i) => strip.m.p50[i]! > 0.35 && strip.tminC[i]! < strip.limits.wetC);
  const told = at === null ? null : tellDay(strip, at, from);
  const move = (by: number) => setAt((before) => Math.max(0, Math.min(days, (before ?? days) + by)));
  return (
    <figure className="m-0">
      <div className="overflow-x-auto" ref={toToday}>
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          className="block w-full min-w-[720px]"
          role="slider"
          tabIndex={0}
          aria-label="The last two months, day by day"
          aria-valuemin={0}
          aria-valuemax={days}
          aria-valuenow={at ?? days}
          aria-valuetext={told ?? tellDay(strip, days, from)}
          onKeyDown={(event) => {
            const by = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 }[event.key];
            if (by === undefined) return;
            event.preventDefault();
            move(by);
          }}
          onPointerMove={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            const at = ((event.clientX - box.left) / box.width) * WIDTH;
            setAt(Math.max(0, Math.min(days, Math.round(x.invert(at)))));
          }}
          onPointerLeave={() => setAt(null)}
        >
          {[0, 0.12, 0.3, 0.6, 1].map((m) => (
            <line
              key={m}
              x1={LEFT}
              x2={WIDTH - RIGHT}
              y1={wet(m)}
              y2={wet(m)}
              stroke="var(--rule)"
              strokeDasharray={m === 0 ? '' : '2 4'}
            />
          ))}
          {(['wet', 'damp', 'dry'] as const).map((word) => (
            <text
              key={word}
              x={LEFT - 8}
              y={wet({ wet: 0.8, damp: 0.42, dry: 0.03 }[word])}
              fontSize={14}
              textAnchor="end"
              fill="var(--ink-2)"
            >
              {word}
            </text>
          ))}
          <path d={band(every) ?? ''} fill="var(--earth)" opacity={0.25} />
          <path d={middle(every) ?? ''} fill="none" stroke="var(--earth)" strokeWidth={2.4} />
          {coldWet.map((i) => (
            <rect key={i} x={x(i) - 4} y={WET_BASE + 1} width={8} height={5} fill="var(--dusk)" />
          ))}
          {drinks.map((event) => (
            <path key={`${event.date} drink`} d={`M${on(event) - 6},${GIVEN - 3}h12l-6,10z`} fill="var(--ink)" />
          ))}
          {looks.map((event, i) => (
            <circle
              key={`${event.date} ${i}`}
              cx={on(event)}
              cy={'finger' in event ? wet({ wet: 0.8, damp: 0.42, dry: 0.05 }[event.finger]) : WET_BASE}
              r={4.5}
              fill="var(--paper)"
              stroke="var(--earth)"
              strokeWidth={2}
            />
          ))}
          {others.map(({ event, word }) => (
            <text
              key={`${event.date} ${word}`}
              x={on(event)}
              y={GIVEN + 14}
              fontSize={13}
              textAnchor="middle"
              fill="var(--lichen)"
              fontWeight={600}
            >
              {word}
            </text>
          ))}
          <path d={temperatures(every) ?? ''} fill="var(--straw)" opacity={0.3} />
          <line
            x1={LEFT}
            x2={WIDTH - RIGHT}
            y1={warm(strip.limits.dryC)}
            y2={warm(strip.limits.dryC)}
            stroke="var(--dusk)"
            strokeDasharray="5 3"
            strokeWidth={1.4}
          />
          <text x={LEFT - 8} y={warm(strip.limits.dryC) + 5} fontSize={14} textAnchor="end" fill="var(--dusk)">
            {degreeWords(strip.limits.dryC, units())}
          </text>
          <text x={LEFT - 8} y={COLD_TOP + 8} fontSize={14} textAnchor="end" fill="var(--ink-2)">
            {degreeWords(Math.round(hottest), units())}
          </text>
          {cold.map((i) => (
            <path key={i} d={`M${x(i) - 4},${COLD_BASE + 2}h8l-4,8z`} fill="var(--dusk)" />
          ))}
          {every
            .filter((i) => (days - i) % 14 === 0)
            .map((i) => (
              <text
                key={i}
                x={x(i)}
                y={HEIGHT - 3}
                fontSize={14}
                textAnchor={i === days ? 'end' : i === 0 ? 'start' : 'middle'}
                fill="var(--ink-2)"
              >
                {i === days ? 'today' : shortDay(from + i)}
              </text>
            ))}
          {pinned(signs).map(({ date, words, row }) => {
            const px = x(dayNumber(date) - from);
            const end = px > WIDTH - 220;
            return (
              <g key={`${date} ${words}`}>
                <line x1={px} x2={px} y1={row * 17 + 14} y2={COLD_BASE} stroke="var(--rust)" strokeWidth={1.2} />
                <circle cx={px} cy={row * 17 + 12} r={4} fill="var(--rust)" />
                <text
                  x={end ? px - 8 : px + 8}
                  y={row * 17 + 16}
                  fontSize={14.5}
                  fontWeight={600}
                  textAnchor={end ? 'end' : 'start'}
                  fill="var(--rust)"
                >
                  {words}
                </text>
              </g>
            );
          })}
          {at !== null && <line x1={x(at)} x2={x(at)} y1={PINS} y2={COLD_BASE} stroke="var(--ink)" strokeWidth={1} />}
        </svg>
      </div>
      <figcaption className="mt-1 flex flex-wrap gap-x-5 text-[0.875rem] text-[var(--ink-2)]">
        <span aria-live="polite" className="basis-full text-[var(--ink)]">
          {told ?? 'Point at a day, or walk it with the arrow keys.'}
        </span>
        <span>brown line: how wet, with its doubt</span>
        {looks.length > 0 && <span>ring: a look</span>}
        {drinks.length > 0 && <span>triangle: a drink</span>}
        {coldWet.length > 0 && <span>blue under the line: wet and too cold for it</span>}
        <span>yellow band: coldest to warmest, dashed its limit</span>
        {cold.length > 0 && <span>blue tooth: a night below it</span>}
      </figcaption>
    </figure>
  );
}

/** On a narrow screen the latest days are what is looked at first. */
function toToday(box: HTMLDivElement | null): void {
  if (box) box.scrollLeft = box.scrollWidth;
}

/** Signs of one day on one pin; pins that are near one another stand at other heights. */
function pinned(signs: readonly Sighting[]): { date: string; words: string; row: number }[] {
  const days = new Map<string, Sighting[]>();
  for (const sign of signs) days.set(sign.date, [...(days.get(sign.date) ?? []), sign]);
  return [...days].slice(-4).map(([date, some], i) => ({
    date,
    words: [...new Set(some.map(({ sign }) => signWords(sign)))].slice(0, 3).join(', '),
    row: i % 2,
  }));
}

function tellDay(strip: ClinicSheet['strip'], i: number, from: number): string {
  const m = strip.m.p50[i]!;
  const events = strip.events.filter(({ date }) => dayNumber(date) === from + i);
  const done = events.map((event) =>
    event.type === 'sign'
      ? signWords(event.sign)
      : event.type === 'watering'
        ? 'watered'
        : event.type === 'check'
          ? 'finger' in event
            ? `felt ${event.finger}`
            : 'looked'
          : (DID[event.type] ?? event.type),
  );
  return (
    `${longDay(from + i)}: ${bandOf(m)}, ${Math.round(m * 100)} % left; ${degreeWords(strip.tminC[i]!, units())} to ` +
    `${degreeWords(strip.tmaxC[i]!, units())}${done.length > 0 ? `; ${[...new Set(done)].join(', ')}` : ''}.`
  );
}
