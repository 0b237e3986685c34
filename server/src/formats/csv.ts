/** Plants from a table: columns as the keeper maps them, every row checked before any is written. */
import type { CsvImport, CsvReport } from '@zinc-pail/contract/keeping';
import { MOST_FAULTS_TOLD, OLDEST_DAY } from '@zinc-pail/contract/limits';
import {
  type CsvField,
  type FieldSpec,
  IMPORTED_FIELDS,
  type ImportedField,
  PLANT_FIELDS,
  type PlantValues,
} from '@zinc-pail/contract/plantFields';
import { isIsoDay, type Pot, POT_MATERIALS, POT_SHAPES } from '@zinc-pail/core';
import Papa from 'papaparse';
import { alike } from '../plants/numbering.ts';
import { readCsv } from './readCsv.ts';

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
  /** further fields of the plant, those that the table leaves empty left out */
  columns: Partial<PlantValues<Exclude<ImportedField, 'name' | 'number'>>>;
}

type CsvFault = CsvReport['faults'][number];

const MOST_ROWS = 5000;
const SAMPLE = 5;
const LONGEST_TOLD = 80;
const POT_MM = { least: 10, most: 3000 };
const USUAL_POT: Pot = {
  shape: 'round',
  top_mm: 90,
  base_mm: 67,
  depth_mm: 80,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const USUAL_DEPTH_SHARE = 0.85;
const YES = /^(yes|y|true|1|ja|x)$/i;
const NO = /^(no|n|false|0|nein)$/i;
const BASE_SHARE = { round: 0.74, square: 0.78, bowl: 0.45 } as const;

const norm = (text: string) => text.trim().toLowerCase();

/** Reads all rows; nothing is guessed that the keeper did not map or give as a default. */
export function readPlants(
  given: Pick<CsvImport, 'csv' | 'columns' | 'defaults'>,
  context: CsvContext,
): { plants: CsvPlant[]; faults: CsvFault[]; rows: number } {
  const { data, meta, errors } = readCsv(given.csv);
  const faults = [
    ...faultsOfHeader(given.columns, new Set(meta.fields ?? [])),
    ...faultsOfLength(data.length),
    ...errors.slice(0, MOST_FAULTS_TOLD).flatMap((error): CsvFault[] =>
      error.type === 'Quotes'
        ? [
            {
              row: (error.row ?? 0) + 2,
              column: '',
              got: 'a quotation mark without its other',
              wanted: 'text whose quotation marks are paired, or doubled within',
            },
          ]
        : [],
    ),
  ];
  if (faults.length > 0) return { plants: [], faults: told(faults), rows: data.length };
  const reader = new RowReader(given, context);
  const plants: CsvPlant[] = [];
  for (const [i, raw] of data.entries()) {
    const plant = reader.read(raw, i + 2);
    if (plant) plants.push(plant);
    if (reader.faults.length > MOST_FAULTS_TOLD) break;
  }
  return { plants, faults: told(reader.faults), rows: data.length };
}

/** The first faults, their texts cut short: a name of a column may be as long as the file. */
function told(faults: readonly CsvFault[]): CsvFault[] {
  return faults.slice(0, MOST_FAULTS_TOLD).map(({ row, column, got, wanted }) => ({
    row,
    column: column.slice(0, LONGEST_TOLD),
    got: got.slice(0, LONGEST_TOLD),
    wanted,
  }));
}

function faultsOfHeader(columns: CsvImport['columns'], header: ReadonlySet<string>): CsvFault[] {
  const faults = Object.entries(columns)
    .filter(([, column]) => !header.has(column))
    .map(([field, column]) => ({
      row: 1,
      column,
      got: [...header].join(', '),
      wanted: `a column of that name for ${field.replaceAll('_', ' ')}`,
    }));
  if (!columns.name)
    faults.push({ row: 1, column: '', got: Object.keys(columns).join(', '), wanted: 'a column mapped to name' });
  return faults;
}

function faultsOfLength(rows: number): CsvFault[] {
  if (rows === 0) return [{ row: 2, column: '', got: 'nothing', wanted: 'at least one row below the header' }];
  if (rows <= MOST_ROWS) return [];
  const wanted = `at most ${MOST_ROWS} rows; cut the file in parts`;
  return [{ row: MOST_ROWS + 2, column: '', got: `${rows} rows`, wanted }];
}

/** Reads a row after the other; what is wrong gathers in `faults`. */
class RowReader {
  readonly faults: CsvFault[] = [];
  private readonly columns: CsvImport['columns'];
  private readonly defaults: CsvImport['defaults'];
  private readonly ids: Record<'place' | 'mix', ReadonlyMap<string, number>>;
  private readonly numbers: Set<string>;
  private raw: Record<string, string> = {};
  private row = 0;

  constructor(
    { columns, defaults }: Pick<CsvImport, 'columns' | 'defaults'>,
    private readonly context: CsvContext,
  ) {
    this.columns = columns;
    this.defaults = defaults;
    const byName = (all: CsvContext['places']) => new Map(all.map(({ name, id }) => [norm(name), id]));
    this.ids = { place: byName(context.places), mix: byName(context.mixes) };
    this.numbers = new Set([...context.numbersTaken].map(alike));
  }

  /** The plant of a row, or null where something of it is wrong. */
  read(raw: Record<string, string>, row: number): CsvPlant | null {
    this.raw = raw;
    this.row = row;
    const before = this.faults.length;
    const { name, number, ...columns } = this.fieldsOfPlant();
    if (name == null) this.fault('name', '', 'a name');
    const plant = {
      row,
      name: String(name),
      number: this.ownNumber(number),
      place_id: this.idOf('place', this.defaults.place_id),
      mix_id: this.idOf('mix', this.defaults.mix_id),
      pot: this.pot(),
      last_watered: this.ofKind('last_watered', { kind: 'day' }) as string | null,
      columns,
    };
    return this.faults.length === before ? plant : null;
  }

  private fault(field: CsvField, got: string, wanted: string): void {
    this.faults.push({ row: this.row, column: this.columns[field] ?? field, got, wanted });
  }

  private text(field: CsvField): string | null {
    const column = this.columns[field];
    const text = column === undefined ? '' : (this.raw[column] ?? '').trim();
    return text === '' ? null : text;
  }

  private fieldsOfPlant(): Partial<PlantValues<ImportedField>> {
    return Object.fromEntries(
      IMPORTED_FIELDS.flatMap((field) => {
        const value = this.ofKind(field, PLANT_FIELDS[field] as FieldSpec);
        return value === null ? [] : [[field, value]];
      }),
    ) as Partial<PlantValues<ImportedField>>;
  }

  /** A cell read as a kind of field; null where it is empty, or wrong and told. */
  private ofKind(field: CsvField, spec: Omit<FieldSpec, 'label'>): unknown {
    const text = this.text(field);
    if (text === null) return null;
    const kind = spec as FieldSpec;
    switch (kind.kind) {
      case 'text':
        if (text.length > kind.max) this.fault(field, text, `a text of up to ${kind.max} characters`);
        return text;
      case 'whole':
      case 'number':
        return this.measure(field, kind.min, kind.max);
      case 'day':
        if (!isIsoDay(text) || text > this.context.today || text < OLDEST_DAY)
          this.fault(field, text, `a day YYYY-MM-DD from ${OLDEST_DAY} to ${this.context.today}`);
        return text;
      case 'choice':
        return this.among(field, kind.of);
      case 'yes-no':
        return this.yesNo(field);
      default:
        throw new Error(`no ${kind.kind} can be read from a table`);
    }
  }

  private measure(field: CsvField, min: number, max: number): number | null {
    const text = this.text(field);
    if (text === null) return null;
    const number = /^\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : NaN;
    if (!(number >= min && number <= max)) this.fault(field, text, `a number from ${min} to ${max}`);
    return number;
  }

  private among<T extends string>(field: CsvField, allowed: readonly T[]): T | null {
    const text = this.text(field);
    if (text === null) return null;
    const found = allowed.find((one) => one === norm(text));
    if (!found) this.fault(field, text, `one of ${allowed.join(', ')}`);
    return found ?? null;
  }

  private yesNo(field: CsvField): boolean | null {
    const text = this.text(field);
    if (text === null) return null;
    if (!YES.test(text) && !NO.test(text)) this.fault(field, text, 'yes or no');
    return YES.test(text);
  }

  private ownNumber(number: string | undefined): string | null {
    if (number === undefined) return null;
    if (this.numbers.has(alike(number))) this.fault('number', number, 'a number that no other plant bears');
    this.numbers.add(alike(number));
    return number;
  }

  private idOf(field: 'place' | 'mix', fallback: number | null | undefined): number {
    const text = this.text(field);
    const ids = this.ids[field];
    const id = text === null ? fallback : ids.get(norm(text));
    if (id != null) return id;
    const some = [...ids.keys()].slice(0, 6).join(', ');
    if (text === null) this.fault(field, '', `a ${field}, or one chosen for rows without`);
    else this.fault(field, text, `the name of one of your ${field === 'mix' ? 'mixes' : 'places'}: ${some}`);
    return 0;
  }

  /** A pot as far as it is told, the rest as the keeper's usual one, or in proportion. */
  private pot(): Pot {
    const usual = this.defaults.pot ?? USUAL_POT;
    const shape = this.among('pot_shape', POT_SHAPES) ?? usual.shape;
    const top = this.measure('pot_top_mm', POT_MM.least, POT_MM.most) ?? usual.top_mm;
    const depth = this.measure('pot_depth_mm', POT_MM.least, POT_MM.most);
    const asUsual = top === usual.top_mm;
    return {
      ...usual,
      shape,
      top_mm: top,
      base_mm: asUsual && shape === usual.shape ? usual.base_mm : Math.round(top * BASE_SHARE[shape]),
      depth_mm: depth ?? (asUsual ? usual.depth_mm : Math.round(top * USUAL_DEPTH_SHARE)),
      material: this.among('pot_material', POT_MATERIALS) ?? usual.material,
      holes: this.yesNo('pot_holes') ?? usual.holes,
    };
  }
}

export function sampleOf(plants: readonly CsvPlant[], context: CsvContext): CsvReport['sample'] {
  return plants.slice(0, SAMPLE).map((plant) => ({
    name: plant.name,
    number: plant.number ?? 'by your scheme',
    place: context.places.find(({ id }) => id === plant.place_id)?.name ?? '',
    mix: context.mixes.find(({ id }) => id === plant.mix_id)?.name ?? '',
  }));
}

/** A number below nothing is a number, not a formula. */
const FORMULA = /^(?:[=+@\t\r]|-(?!\d+(?:[.,]\d+)?$))/;

/** Text that a spreadsheet would take for a formula is quoted, so that opening a list runs nothing. */
export function toCsv(rows: readonly object[]): string {
  return `${Papa.unparse(rows as object[], { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`;
}
