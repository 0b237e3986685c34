/** Daily records of weather from a table, as stations and clubs write them. */
import { dayNumber, isIsoDay, normalDay, type Normals } from '@zinc-pail/core';
import { OLDEST_DAY } from '@zinc-pail/contract/limits';
import { readCsv } from '../formats/readCsv.ts';
import type { ReadingFault } from '../places/readings.ts';
import type { DayRow } from './store.ts';

const COLUMNS = {
  date: /^(date|day)/i,
  tmin_c: /^(t?_?min|lowest|low|night)/i,
  tmax_c: /^(t?_?max|highest|high)/i,
  rh_pct: /^(rh|hum|humidity)/i,
  sunshine_h: /^(sun|sunshine)/i,
  rain_mm: /^(rain|precip|fall)/i,
  wind_m_s: /^wind/i,
} as const;
type Column = Exclude<keyof typeof COLUMNS, 'date'>;
const BOUNDS: Record<Column, readonly [number, number, string]> = {
  tmin_c: [-90, 60, 'degrees Celsius'],
  tmax_c: [-90, 60, 'degrees Celsius'],
  rh_pct: [0, 100, 'percent'],
  sunshine_h: [0, 24, 'hours'],
  rain_mm: [0, 2000, 'mm'],
  wind_m_s: [0, 80, 'm/s'],
};
const NEEDED = new Set<Column>(['tmin_c', 'tmax_c']);
const LONGEST_TOLD = 200;
const MOST_FAULTS = 20;

export interface Records {
  days: DayRow[];
  /** columns that the table has not: the usual weather of each day stands for them */
  usualFor: Column[];
  faults: ReadingFault[];
}

/**
 * Reads a table with a header. All rows are read or none; a column may be missing, a cell of one that is there may not.
 *
 * @param normals what stands for a column that is missing
 */
export function* readRecords(csv: string, today: string, normals: Normals): Generator<void, Records> {
  const { data, fields } = yield* readCsv(csv);
  const find = (pattern: RegExp) => fields.find((name) => pattern.test(name.trim()));
  const dateColumn = find(COLUMNS.date);
  const columns = (Object.keys(BOUNDS) as Column[]).map((column) => ({ column, header: find(COLUMNS[column]) }));
  if (!dateColumn || columns.some(({ column, header }) => NEEDED.has(column) && !header))
    return {
      days: [],
      usualFor: [],
      faults: [
        {
          row: 1,
          column: '',
          got: fields.join(', ').slice(0, LONGEST_TOLD),
          wanted: 'a header with date, min and max, and as far as recorded rh, sunshine (hours), rain (mm), wind (m/s)',
        },
      ],
    };
  const faults: ReadingFault[] = [];
  const days = new Map<string, DayRow>();
  for (const [i, row] of data.entries()) {
    if (faults.length >= MOST_FAULTS) break;
    yield;
    const line = i + 2;
    const date = (row[dateColumn] ?? '').trim().slice(0, 10).replaceAll('/', '-');
    if (!isIsoDay(date) || date > today || date < OLDEST_DAY || days.has(date)) {
      const wanted = days.has(date) ? 'each day once' : `a day YYYY-MM-DD from ${OLDEST_DAY} to ${today}`;
      faults.push({ row: line, column: dateColumn, got: row[dateColumn] ?? '', wanted });
      continue;
    }
    const usual = usualOf(normals, date);
    const values = { ...usual };
    for (const { column, header } of columns) {
      if (!header) continue;
      const [least, most, unit] = BOUNDS[column];
      const text = (row[header] ?? '').trim().replace('−', '-').replace(',', '.');
      // Number alone would read 0x10, and 1e2.
      const value = /^-?\d+(\.\d+)?$/.test(text) ? Number(text) : NaN;
      if (value >= least && value <= most) values[column] = value;
      else
        faults.push({ row: line, column: header, got: row[header] ?? '', wanted: `${unit} from ${least} to ${most}` });
    }
    if (values.tmin_c > values.tmax_c)
      faults.push({ row: line, column: 'min', got: String(values.tmin_c), wanted: `no more than ${values.tmax_c}` });
    days.set(date, { date, ...values, source: 'observed', origin: 'table', issued: null });
  }
  if (data.length === 0)
    faults.push({ row: 2, column: '', got: 'nothing', wanted: 'at least one row below the header' });
  return {
    days: faults.length > 0 ? [] : [...days.values()],
    usualFor: columns.flatMap(({ column, header }) => (header ? [] : [column])),
    faults,
  };
}

function usualOf(normals: Normals, date: string): Record<Column, number> {
  const usual = normalDay(normals, dayNumber(date));
  const tenth = (value: number) => Math.round(value * 10) / 10;
  return {
    tmin_c: usual.tminC,
    tmax_c: usual.tmaxC,
    rh_pct: Math.round(usual.rhPct),
    sunshine_h: tenth(usual.sunshineH),
    rain_mm: tenth(usual.wetChance * usual.wetDayRainMm),
    wind_m_s: tenth(usual.windMS),
  };
}
