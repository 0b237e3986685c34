import { units } from '../../reader/units.ts';
import type { AlmanacInput } from '@zinc-pail/contract/almanac';
import type { Kit } from '@zinc-pail/contract/keeping';
import { type AlmanacRow, dayNumber, isoDay, weekLoads } from '@zinc-pail/core';
import { standsWords } from '@zinc-pail/words/stands';
import { scaleLinear } from 'd3';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useAlmanac } from '../../api/almanac.ts';
import { useKit } from '../../api/kit.ts';
import { Failed, Waiting } from '../../frame/Waiting.tsx';
import { usePrinting } from '../../parts/media.ts';
import { DoorTabs, YEAR_TABS } from '../../parts/DoorTabs.tsx';
import { useWidth } from '../../parts/useWidth.ts';
import { count, litres } from '../../reader/amounts.ts';
import { shortDay } from '../../reader/days.ts';
import { LoadChart } from './LoadChart.tsx';
import { useYear } from './useYear.ts';
import { WhatIfPanel } from './WhatIfPanel.tsx';
import { YearStrip } from './YearStrip.tsx';
import {
  type Grouping,
  GROUPING_WORDS,
  GROUPINGS,
  stateOnDay,
  type YearLine,
  yearLines,
  type YearPlant,
  type YearSum,
  yearSum,
} from './yearRows.ts';

const LINE_PX = 38;
const WIDE_NAMES_PX = 236;
const NARROW_NAMES_PX = 124;
const NARROW_PX = 640;
const DAYS_A_WEEK = 7;
const STATE_WORDS = { growing: 'grows', easing: 'slows', resting: 'sleeps', waking: 'wakes' } as const;

export default function AlmanacScreen() {
  const kit = useKit();
  const [chosen, setChosen] = useState<number | null>(null);
  const [round, setRound] = useState(0);
  const siteId = chosen ?? kit.data?.sites[0]?.id;
  const input = useAlmanac(siteId);
  if (kit.isPending) return <Waiting what="the almanac" />;
  if (kit.isError) return <Failed error={kit.error} again={() => void kit.refetch()} />;
  if (siteId === undefined)
    return (
      <p className="p-6">
        Nothing to show yet: say where your garden is in the{' '}
        <Link to="/shed" className="underline">
          shed
        </Link>
        .
      </p>
    );
  if (input.isPending) return <Waiting what="the almanac" />;
  if (input.isError) return <Failed error={input.error} again={() => void input.refetch()} />;
  return (
    <SiteYear
      key={`${siteId} ${round}`}
      input={input.data}
      kit={kit.data}
      onSite={setChosen}
      onAgain={() => setRound(round + 1)}
    />
  );
}

interface SiteProps {
  input: AlmanacInput;
  kit: Kit;
  onSite(id: number): void;
  onAgain(): void;
}

function SiteYear({ input, kit, onSite, onAgain }: SiteProps) {
  const { year, tryOut, stop } = useYear(input);
  const [by, setBy] = useState<Grouping>('place');
  const [span, setSpan] = useState<[number, number] | null>(null);
  const [week, setWeek] = useState(0);
  const lines = useMemo(
    () => (year.rows ? yearLines(input, year.rows, year.tried, by) : []),
    [input, year.rows, year.tried, by],
  );
  return (
    <div className="px-3 pb-12 pt-4 sm:px-6">
      <div className="mb-2 flex flex-wrap items-end gap-x-6 gap-y-2">
        <h1 className="text-2xl font-semibold">Almanac</h1>
        <DoorTabs label="Year" tabs={YEAR_TABS} />
        {kit.sites.length > 1 && (
          <select
            aria-label="Site"
            className="select h-11 w-56 print:hidden"
            value={input.site.id}
            onChange={(event) => onSite(Number(event.target.value))}
          >
            {kit.sites.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
        <label className="flex h-11 items-center gap-2 print:hidden">
          Grouped by
          <select className="select h-11 w-32" value={by} onChange={(event) => setBy(event.target.value as Grouping)}>
            {GROUPINGS.map((id) => (
              <option key={id} value={id}>
                {GROUPING_WORDS[id]}
              </option>
            ))}
          </select>
        </label>
        <button type="button" className="btn h-11 print:hidden" disabled={!year.rows} onClick={() => window.print()}>
          Print
        </button>
      </div>
      {year.reading && <Reading {...year.reading} onStop={stop} />}
      {year.stopped && (
        <p className="my-4">
          Stopped.{' '}
          <button type="button" className="btn h-11" onClick={onAgain}>
            Work it out anyway
          </button>
        </p>
      )}
      {year.failed && <p role="alert">{year.failed}</p>}
      {year.rows && (
        <>
          <YearTable
            lines={lines}
            rows={year.rows}
            tried={year.tried}
            today={input.garden.today}
            span={span}
            onSpan={setSpan}
            week={week}
            onWeek={setWeek}
          />
          <p className="my-3 max-w-prose text-[0.9375rem] text-[var(--ink-2)]">
            Columns: how often it drinks, week by week, over all weathers that may come. Bar: asleep, its ends slowing
            and waking. Teeth: how likely a night is too cold for it; red dots, a day too hot. Green dots below: food.
            The outline of a pot: weeks that suit a new one. Four petals: it was in flower then.
          </p>
          {year.tried && <Difference was={yearSum(year.rows)} is={yearSum(year.tried)} />}
          <WhatIfPanel input={input} mixes={kit.mixes} busy={year.trying} tried={year.tried !== null} onTry={tryOut} />
        </>
      )}
    </div>
  );
}

function Reading({ done, of, onStop }: { done: number; of: number; onStop(): void }) {
  return (
    <div role="status" className="my-4 flex flex-wrap items-center gap-4">
      <progress className="progress w-56" value={done} max={Math.max(1, of)} />
      <span>
        {done} of {count(of, 'record')} read
      </span>
      <button type="button" className="btn h-11" onClick={onStop}>
        Stop
      </button>
    </div>
  );
}

interface TableProps {
  lines: readonly YearLine[];
  rows: readonly AlmanacRow[];
  tried: readonly AlmanacRow[] | null;
  today: string;
  span: [number, number] | null;
  onSpan(span: [number, number] | null): void;
  week: number;
  onWeek(week: number): void;
}

function YearTable({ lines, rows, tried, today, span, onSpan, week, onWeek }: TableProps) {
  const box = useRef<HTMLDivElement>(null);
  const scroller = useRef<HTMLDivElement>(null);
  const whole = useWidth(box, 900);
  const printing = usePrinting();
  const names = whole < NARROW_PX ? NARROW_NAMES_PX : WIDE_NAMES_PX;
  const width = Math.max(120, whole - names - 14);
  const loads = useMemo(() => weekLoads(rows), [rows]);
  const triedLoads = useMemo(() => tried && weekLoads(tried), [tried]);
  const [from, to] = span ?? [0, loads.length];
  const x = scaleLinear([from * DAYS_A_WEEK, to * DAYS_A_WEEK], [0, width]);
  const first = dayNumber(today) + 1;
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => LINE_PX,
    overscan: 8,
  });
  const shown = printing
    ? lines.map((_, index) => ({ index, start: index * LINE_PX }))
    : virtual.getVirtualItems().map(({ index, start }) => ({ index, start }));
  const load = (triedLoads ?? loads)[week]!;
  return (
    <div ref={box}>
      <p aria-live="polite" className="mb-1 min-h-6">
        <b>Week from {shortDay(first + week * DAYS_A_WEEK)}</b>: some {count(Math.round(load.pots), 'pot')} to water,{' '}
        {litres(load.litres * 1000)}, {count(Math.round(load.minutes), 'minute')}.
      </p>
      <div className="flex">
        <div className="shrink-0 pr-2 text-[0.875rem] text-[var(--ink-2)] print:hidden" style={{ width: names }}>
          Pots a week. Drag to zoom in.
          {span && (
            <button type="button" className="btn btn-sm mt-1 h-9" onClick={() => onSpan(null)}>
              The whole year
            </button>
          )}
        </div>
        <div>
          <LoadChart
            loads={loads}
            tried={triedLoads}
            start={new Date(`${isoDay(first)}T00:00:00Z`)}
            width={width}
            week={week}
            onZoom={onSpan}
            onWeek={onWeek}
          />
          <input
            type="range"
            aria-label="Week"
            className="range range-xs block print:hidden"
            style={{ width }}
            min={0}
            max={loads.length - 1}
            value={week}
            onChange={(event) => onWeek(Number(event.target.value))}
          />
        </div>
      </div>
      <div
        ref={scroller}
        className={`mt-2 border-y border-[var(--rule)] ${printing ? '' : 'h-[calc(100dvh-330px)] min-h-[300px] overflow-y-auto'}`}
        onPointerMove={(event) => {
          const at = event.clientX - event.currentTarget.getBoundingClientRect().left - names;
          if (at >= 0 && at <= width)
            onWeek(Math.min(loads.length - 1, Math.max(0, Math.floor(x.invert(at) / DAYS_A_WEEK))));
        }}
      >
        <ul className="relative" style={{ height: printing ? 'auto' : virtual.getTotalSize() }}>
          {shown.map(({ index, start }) => {
            const line = lines[index]!;
            return (
              <li
                key={line.kind === 'plant' ? line.id : `group ${line.words}`}
                className={printing ? 'break-inside-avoid' : 'absolute inset-x-0'}
                style={{ height: LINE_PX, ...(printing ? {} : { transform: `translateY(${start}px)` }) }}
              >
                {line.kind === 'heading' ? (
                  <h2 className="flex h-full items-end border-b border-[var(--rule)] bg-[var(--frame)] px-1 pb-1 font-semibold">
                    {line.words}
                    <span className="ml-2 font-normal text-[var(--ink-2)]">{count(line.pots, 'pot')}</span>
                  </h2>
                ) : (
                  <PlantLine plant={line} names={names} x={x} width={width} week={week} first={first} />
                )}
              </li>
            );
          })}
        </ul>
      </div>
    </div>
  );
}

interface LineProps {
  plant: YearPlant;
  names: number;
  x: ReturnType<typeof scaleLinear<number, number>>;
  width: number;
  week: number;
  /** the first day of the year that is shown */
  first: number;
}

function PlantLine({ plant, names, x, width, week, first }: LineProps) {
  const row = plant.tried ?? plant.row;
  const state = stateOnDay(row, week * DAYS_A_WEEK);
  return (
    <div className="flex h-full items-center overflow-hidden">
      <div className="shrink-0 overflow-hidden pr-2 leading-tight" style={{ width: names }}>
        <Link to={`/plants/${plant.id}`} className="block truncate">
          <i>{plant.name}</i>
        </Link>
        <span className="block truncate text-[0.8125rem] text-[var(--ink-2)]">
          {STATE_WORDS[state]}
          {row.waterings[week]! >= 0.05 ? `, ${count(Math.round(row.waterings[week]! * 10) / 10, 'drink')}` : ''}
          {plant.deeds.feeds[week]! >= 0.08 ? `, ${Math.round(plant.deeds.feeds[week]! * 10) / 10} of food` : ''}
          {plant.deeds.repot && week >= plant.deeds.repot.from && week <= plant.deeds.repot.to
            ? ', a new pot suits'
            : ''}
          {plant.deeds.flowers[week] ? ', was in flower' : ''}
          {row.cold[week]! >= 0.05 ? `, too cold ${Math.round(row.cold[week]! * 100)} %` : ''}
          {plant.tried && `; ${standsWords(plant.tried.stands, isoDay(first - 1), units())}`}
        </span>
      </div>
      <YearStrip row={plant.row} tried={plant.tried} deeds={plant.deeds} x={x} width={width} week={week} />
    </div>
  );
}

const SUMS: [keyof YearSum, string][] = [
  ['drinks', 'drinks'],
  ['litres', 'litres'],
  ['coldWeeks', 'weeks too cold'],
  ['hotWeeks', 'weeks too hot'],
  ['asleepWeeks', 'weeks asleep'],
];

/** What the year would come to, against what it comes to. */
function Difference({ was, is }: { was: YearSum; is: YearSum }) {
  return (
    <table className="my-3 text-[0.9375rem]">
      <caption className="text-left font-semibold">The year</caption>
      <thead>
        <tr className="text-left">
          <th className="pr-6 font-normal">of all pots</th>
          <th className="pr-6 font-normal">as it is</th>
          <th className="pr-6 font-normal">as it would be</th>
          <th className="font-normal">more or fewer</th>
        </tr>
      </thead>
      <tbody>
        {SUMS.map(([key, words]) => {
          const more = Math.round(is[key]) - Math.round(was[key]);
          return (
            <tr key={key}>
              <th className="pr-6 text-left font-normal">{words}</th>
              <td className="pr-6 text-right">{Math.round(was[key])}</td>
              <td className="pr-6 text-right">{Math.round(is[key])}</td>
              <td className="text-right">{more === 0 ? 'the same' : more > 0 ? `+${more}` : `−${-more}`}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
