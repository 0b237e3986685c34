/** Thermometer readings from a table: a keeper's own, or what a logger writes, many a day. */
import { isIsoDay } from '@zinc-pail/core';
import { OLDEST_DAY } from '@zinc-pail/contract/limits';
import { readCsv } from '../formats/readCsv.ts';
import type { Reading } from '@zinc-pail/contract/keeping';
import { groupBy } from '../grouping.ts';

export interface ReadingFault {
  row: number;
  column: string;
  got: string;
  wanted: string;
}

const HEADERS = {
  date: /^(date|day|time|timestamp|datetime|date.?time)/i,
  min: /^(t?_?min|lowest|low|night)/i,
  max: /^(t?_?max|highest|high)/i,
  one: /^(temp|t$|t_c|°c|celsius)/i,
  humidity: /^(rh|hum|humidity)/i,
};
const MOST_FAULTS = 20;

const LONGEST_TOLD = 200;

export interface ReadReadings {
  readings: Reading[];
  faults: ReadingFault[];
}

/** Degrees as written with comma or point; NaN where it is none. */
function numberOf(text: string): number {
  return /^\s*[-−]?\d+([.,]\d+)?\s*$/.test(text) ? Number(text.replace('−', '-').replace(',', '.')) : NaN;
}

/**
 * Reads a table with a header. Either a row a day with lowest and highest, or many rows a day with one temperature, of
 * which the day's lowest and highest are taken. All rows are read or none: faults come with the row of the file, the
 * header being 1.
 */
export function* readReadings(csv: string, today: string): Generator<void, ReadReadings> {
  const { data, fields } = yield* readCsv(csv);
  const find = (pattern: RegExp) => fields.find((name) => pattern.test(name));
  const [date, min, max, one, humidity] = [
    find(HEADERS.date),
    find(HEADERS.min),
    find(HEADERS.max),
    find(HEADERS.one),
    find(HEADERS.humidity),
  ];
  if (!date || !((min && max) || one)) {
    return {
      readings: [],
      faults: [
        {
          row: 1,
          column: '',
          got: fields.join(', ').slice(0, LONGEST_TOLD),
          wanted: 'a header with date, min and max (or date and temperature), and humidity if it was read',
        },
      ],
    };
  }
  const faults: ReadingFault[] = [];
  const raw: (Reading & { row: number })[] = [];
  for (const [i, row] of data.entries()) {
    const line = i + 2;
    const day = (row[date] ?? '').trim().slice(0, 10).replaceAll('/', '-');
    if (!isIsoDay(day) || day > today || day < OLDEST_DAY)
      faults.push({
        row: line,
        column: date,
        got: row[date] ?? '',
        wanted: `a day YYYY-MM-DD from ${OLDEST_DAY} to ${today}`,
      });
    const low = numberOf(row[min ?? one!] ?? '');
    const high = numberOf(row[max ?? one!] ?? '');
    for (const [column, value] of [
      [min ?? one!, low],
      [max ?? one!, high],
    ] as const)
      if (!(value >= -60 && value <= 80))
        faults.push({ row: line, column, got: row[column] ?? '', wanted: 'degrees Celsius from -60 to 80' });
    if (low > high)
      faults.push({ row: line, column: min ?? one!, got: String(low), wanted: `no more than the highest, ${high}` });
    const rh = humidity && row[humidity]?.trim() ? numberOf(row[humidity]) : null;
    if (rh !== null && !(rh >= 0 && rh <= 100))
      faults.push({
        row: line,
        column: humidity!,
        got: row[humidity!] ?? '',
        wanted: 'percent from 0 to 100, or nothing',
      });
    raw.push({ row: line, date: day, tmin_c: low, tmax_c: high, rh_pct: rh });
    if (faults.length >= MOST_FAULTS) break;
    yield;
  }
  if (raw.length === 0)
    faults.push({ row: 2, column: '', got: 'nothing', wanted: 'at least one row below the header' });
  if (faults.length > 0) return { readings: [], faults };
  return { readings: [...groupBy(raw, ({ date: on }) => on).values()].map(ofDay), faults };
}

/** A day's rows as one: the lowest, the highest, the mean of what was read of humidity. */
function ofDay(rows: readonly Reading[]): Reading {
  const humid = rows.flatMap(({ rh_pct: rh }) => (rh == null ? [] : [rh]));
  const mean = humid.reduce((sum, value) => sum + value, 0) / humid.length;
  return {
    date: rows[0]!.date,
    tmin_c: Math.min(...rows.map((row) => row.tmin_c)),
    tmax_c: Math.max(...rows.map((row) => row.tmax_c)),
    rh_pct: humid.length > 0 ? Math.round(mean * 10) / 10 : null,
  };
}
