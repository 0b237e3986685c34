/** Plants from a table: columns as the keeper maps them, every row checked before any is written. */
import { type CsvField, SOURCES } from '@zinc-pail/contract/choices';
import type { CsvImport, CsvReport } from '@zinc-pail/contract/keeping';
import { isIsoDay, type Pot, POT_MATERIALS, POT_SHAPES } from '@zinc-pail/core';
import Papa from 'papaparse';

export interface CsvContext {
  today: string;
  places: readonly { id: number; name: string }[];
  mixes: readonly { id: number; name: string }[];
  numbersTaken: ReadonlySet<string>;
}

export interface CsvPlant {
  row: number;
  name: string;
  number: string | null;
  place_id: number;
  mix_id: number;
  pot: Pot;
  last_watered: string | null;
  columns: Record<string, unknown>;
}

const MOST_ROWS = 5000;
const MOST_FAULTS = 200;
const SAMPLE = 5;
const LIMITS: Partial<Record<CsvField, number>> = { name: 200, number: 40, provenance: 500, other_names: 500 };
const USUAL_POT: Pot = {
  shape: 'round',
  top_mm: 90,
  base_mm: 67,
  depth_mm: 80,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const YES = /^(yes|y|true|1|ja|x)$/i;
const NO = /^(no|n|false|0|nein)$/i;
const BASE_SHARE = { round: 0.74, square: 0.78, bowl: 0.45 } as const;

const norm = (text: string) => text.trim().toLowerCase();

/** The header's names as they stand, for the keeper to map. */
export function headerOf(csv: string): string[] {
  return Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), { preview: 1 }).data[0]?.map((name) => name.trim()) ?? [];
}

/** Reads all rows; nothing is guessed that the keeper did not map or give as a default. */
export function readPlants(
  { csv, columns, defaults }: Pick<CsvImport, 'csv' | 'columns' | 'defaults'>,
  context: CsvContext,
): { plants: CsvPlant[]; faults: CsvReport['faults']; rows: number } {
  const { data, meta, errors } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim(),
  });
  const faults: CsvReport['faults'] = [];
  const header = new Set(meta.fields ?? []);
  for (const [field, column] of Object.entries(columns))
    if (!header.has(column))
      faults.push({
        row: 1,
        column,
        got: [...header].join(', '),
        wanted: `a column of that name for ${field.replaceAll('_', ' ')}`,
      });
  if (!columns.name)
    faults.push({ row: 1, column: '', got: Object.keys(columns).join(', '), wanted: 'a column mapped to name' });
  if (data.length > MOST_ROWS)
    faults.push({
      row: MOST_ROWS + 2,
      column: '',
      got: `${data.length} rows`,
      wanted: `at most ${MOST_ROWS} rows; cut the file in parts`,
    });
  if (data.length === 0)
    faults.push({ row: 2, column: '', got: 'nothing', wanted: 'at least one row below the header' });
  for (const error of errors)
    if (error.type === 'Quotes')
      faults.push({
        row: (error.row ?? 0) + 2,
        column: '',
        got: 'a quotation mark without its other',
        wanted: 'text whose quotation marks are paired, or doubled within',
      });
  if (faults.length > 0) return { plants: [], faults, rows: data.length };

  const placeIds = new Map(context.places.map((place) => [norm(place.name), place.id]));
  const mixIds = new Map(context.mixes.map((mix) => [norm(mix.name), mix.id]));
  const numbers = new Set([...context.numbersTaken].map(norm));
  const plants: CsvPlant[] = [];
  for (const [i, raw] of data.entries()) {
    const row = i + 2;
    const before = faults.length;
    const fault = (field: CsvField, got: string, wanted: string) =>
      faults.push({ row, column: columns[field] ?? field, got: got.slice(0, 80), wanted });
    const value = (field: CsvField): string | null => {
      const column = columns[field];
      const text = column === undefined ? '' : (raw[column] ?? '').trim();
      const most = LIMITS[field];
      if (most && text.length > most) fault(field, text, `a text of up to ${most} characters`);
      return text === '' ? null : text;
    };
    const measure = (field: CsvField, min: number, max: number): number | null => {
      const text = value(field);
      if (text === null) return null;
      const number = /^\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : NaN;
      if (!(number >= min && number <= max)) fault(field, text, `a number from ${min} to ${max}`);
      return number;
    };
    const among = <T extends string>(field: CsvField, allowed: readonly T[]): T | null => {
      const text = value(field);
      if (text === null) return null;
      const found = allowed.find((one) => one === norm(text));
      if (!found) fault(field, text, `one of ${allowed.join(', ')}`);
      return found ?? null;
    };
    const known = (
      field: 'place' | 'mix',
      ids: ReadonlyMap<string, number>,
      fallback: number | null | undefined,
    ): number => {
      const text = value(field);
      if (text === null) {
        if (fallback == null) fault(field, '', `a ${field}, or one chosen for rows without`);
        return fallback ?? 0;
      }
      const id = ids.get(norm(text));
      if (id === undefined)
        fault(
          field,
          text,
          `the name of one of your ${field === 'mix' ? 'mixes' : 'places'}: ${[...ids.keys()].slice(0, 6).join(', ')}`,
        );
      return id ?? 0;
    };
    const name = value('name');
    if (name === null) fault('name', '', 'a name');
    const number = value('number');
    if (number !== null) {
      if (numbers.has(norm(number))) fault('number', number, 'a number that no other plant bears');
      numbers.add(norm(number));
    }
    const acquired = value('acquired_on');
    if (acquired !== null && (!isIsoDay(acquired) || acquired > context.today))
      fault('acquired_on', acquired, `a day YYYY-MM-DD up to ${context.today}`);
    const watered = value('last_watered');
    if (watered !== null && (!isIsoDay(watered) || watered > context.today))
      fault('last_watered', watered, `a day YYYY-MM-DD up to ${context.today}`);
    const holes = value('pot_holes');
    if (holes !== null && !YES.test(holes) && !NO.test(holes)) fault('pot_holes', holes, 'yes or no');
    const usual = defaults.pot ?? USUAL_POT;
    const shape = among('pot_shape', POT_SHAPES) ?? usual.shape;
    const top = measure('pot_top_mm', 10, 3000) ?? usual.top_mm;
    const pot: Pot = {
      ...usual,
      shape,
      top_mm: top,
      base_mm: top === usual.top_mm && shape === usual.shape ? usual.base_mm : Math.round(top * BASE_SHARE[shape]),
      depth_mm: measure('pot_depth_mm', 10, 3000) ?? (top === usual.top_mm ? usual.depth_mm : Math.round(top * 0.85)),
      material: among('pot_material', POT_MATERIALS) ?? usual.material,
      holes: holes === null ? usual.holes : YES.test(holes),
    };
    const diameter = measure('diameter_mm', 0, 10_000);
    const height = measure('height_mm', 0, 20_000);
    const columnsOut = {
      provenance: value('provenance'),
      acquired_on: acquired,
      source: among('source', SOURCES),
      other_names: value('other_names'),
      name_sure: among('name_sure', ['sure', 'likely', 'unknown']) ?? 'sure',
      ...(diameter === null ? {} : { diameter_mm: diameter }),
      ...(height === null ? {} : { height_mm: height }),
    };
    const placeId = known('place', placeIds, defaults.place_id);
    const mixId = known('mix', mixIds, defaults.mix_id);
    if (faults.length === before)
      plants.push({
        row,
        name: name!,
        number,
        place_id: placeId,
        mix_id: mixId,
        pot,
        last_watered: watered,
        columns: columnsOut,
      });
    if (faults.length >= MOST_FAULTS) break;
  }
  return { plants, faults, rows: data.length };
}

export function sampleOf(plants: readonly CsvPlant[], context: CsvContext): CsvReport['sample'] {
  return plants.slice(0, SAMPLE).map((plant) => ({
    name: plant.name,
    number: plant.number ?? 'by your scheme',
    place: context.places.find(({ id }) => id === plant.place_id)?.name ?? '',
    mix: context.mixes.find(({ id }) => id === plant.mix_id)?.name ?? '',
  }));
}

/** Text that a spreadsheet would take for a formula is quoted, so that opening a list runs nothing. */
export function toCsv(rows: readonly object[]): string {
  return `${Papa.unparse(rows as object[], { newline: '\r\n', escapeFormulae: /^[=+@\t\r]/ })}\r\n`;
}
