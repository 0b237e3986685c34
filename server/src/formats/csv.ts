/** Plants from a table: columns as the keeper maps them, every row checked before any is written. */
import { CAN_BE_SEEN } from '@zinc-pail/contract/fields';
import type { CsvImport, CsvReport, LengthField, MeantField } from '@zinc-pail/contract/keeping';
import { MOST_FAULTS_OF_LIST, MOST_FAULTS_TOLD, OLDEST_DAY } from '@zinc-pail/contract/limits';
import {
  materialOf,
  namedSo,
  readDay,
  readLengthMm,
  readPriceMinor,
  shapeOf,
  yesOrNo,
} from '@zinc-pail/contract/listCells';
import {
  type CsvField,
  type FieldSpec,
  IMPORTED_FIELDS,
  type ImportedField,
  PLANT_FIELDS,
  type PlantValues,
} from '@zinc-pail/contract/plantFields';
import { commonGenus, GENERA, genusByAnyName, type Pot, POT_MATERIALS, POT_SHAPES, unclearName } from '@zinc-pail/core';
import Papa from 'papaparse';
import { alike } from '../plants/numbering.ts';
import { readCsv } from './readCsv.ts';

export interface CsvContext {
  today: string;
  /** those to be made on the way have ids below 0 */
  places: readonly { id: number; name: string }[];
  mixes: readonly { id: number; name: string }[];
  /** the recipe that stands for not knowing; 0 where it has yet to be made */
  unknownMixId: number;
  numbersTaken: ReadonlySet<string>;
  /** of prices */
  currency: string;
}

export interface CsvPlant {
  row: number;
  name: string;
  /** the genus that the keeper, or a common name, says */
  taxon: string | null;
  number: string | null;
  place_id: number;
  mix_id: number;
  pot: Pot;
  last_watered: string | null;
  note: string | null;
  /** further fields of the plant, those that the table leaves empty left out */
  columns: Partial<PlantValues<Exclude<ImportedField, 'name' | 'number'> | 'price_minor' | 'price_currency'>>;
}

type CsvFault = CsvReport['faults'][number];
type CsvNote = CsvReport['notes'][number];
type Given = Pick<CsvImport, 'csv' | 'columns' | 'defaults' | 'units' | 'day_order' | 'meanings' | 'left_out'>;

const MOST_ROWS = 5000;
const SAMPLE = 5;
const LONGEST_TOLD = 80;
const LONGEST_NOTE = 4000;
const POT_MM = { least: 10, most: 3000 };
/** A usual pot for rows that have none: used only where the keeper has said so. */
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
const BASE_SHARE = { round: 0.74, square: 0.78, bowl: 0.45 } as const;

export interface ReadPlants {
  plants: CsvPlant[];
  faults: CsvFault[];
  notes: CsvNote[];
  rows: number;
  leftOut: number;
}

/** Reads all rows, one at each step; nothing is guessed that the keeper did not map, answer or give as a default. */
export function* readPlants(given: Given, context: CsvContext): Generator<void, ReadPlants> {
  const { data, fields, errors } = yield* readCsv(given.csv);
  const rows = data.length;
  const faults = [
    ...faultsOfHeader(given.columns, new Set(fields)),
    ...faultsOfLength(rows),
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
  if (faults.length > 0) return { plants: [], faults: told(faults), notes: [], rows, leftOut: 0 };
  const reader = new RowReader(given, context);
  const out = new Set(given.left_out ?? []);
  const plants: CsvPlant[] = [];
  let leftOut = 0;
  for (const [i, raw] of data.entries()) {
    if (out.has(i + 2)) leftOut++;
    else {
      const plant = reader.read(raw, i + 2);
      if (plant) plants.push(plant);
    }
    if (reader.faults.length > MOST_FAULTS_OF_LIST) break;
    yield;
  }
  return { plants, faults: told(reader.faults), notes: reader.notes.map(short), rows, leftOut };
}

/** Texts cut short: a name of a column may be as long as the file. */
function short<T extends { column: string; got: string }>(line: T): T {
  return { ...line, column: line.column.slice(0, LONGEST_TOLD), got: line.got.slice(0, LONGEST_TOLD) };
}

function told(faults: readonly CsvFault[]): CsvFault[] {
  return faults.slice(0, MOST_FAULTS_OF_LIST).map(short);
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
  if (!columns.name && !columns.common_name)
    faults.push({ row: 1, column: '', got: Object.keys(columns).join(', '), wanted: 'a column mapped to name' });
  return faults;
}

function faultsOfLength(rows: number): CsvFault[] {
  if (rows === 0) return [{ row: 2, column: '', got: 'nothing', wanted: 'at least one row below the header' }];
  if (rows <= MOST_ROWS) return [];
  const wanted = `at most ${MOST_ROWS} rows; cut the file in parts`;
  return [{ row: MOST_ROWS + 2, column: '', got: `${rows} rows`, wanted }];
}

/** Reads a row after the other; what is wrong gathers in `faults`, what was taken otherwise than written in `notes`. */
class RowReader {
  readonly faults: CsvFault[] = [];
  readonly notes: CsvNote[] = [];
  private readonly columns: CsvImport['columns'];
  private readonly numbers: Set<string>;
  private readonly thisYear: number;
  private raw: Record<string, string> = {};
  private row = 0;

  constructor(
    private readonly given: Given,
    private readonly context: CsvContext,
  ) {
    this.columns = given.columns;
    this.numbers = new Set([...context.numbersTaken].map(alike));
    this.thisYear = Number(context.today.slice(0, 4));
  }

  /** The plant of a row, or null where something of it is wrong. */
  read(raw: Record<string, string>, row: number): CsvPlant | null {
    this.raw = raw;
    this.row = row;
    const before = this.faults.length;
    const { name: _name, number, ...columns } = this.fieldsOfPlant();
    const { name, otherNames } = this.names(columns.other_names ?? null);
    const plant: CsvPlant = {
      row,
      name,
      taxon: this.taxonOf(name),
      number: this.ownNumber(number),
      place_id: this.placeId(),
      mix_id: this.mixId(),
      pot: this.pot(),
      last_watered: this.day('last_watered'),
      note: this.note(),
      columns: { ...columns, ...(otherNames ? { other_names: otherNames } : {}), ...this.price() },
    };
    return this.faults.length === before ? plant : null;
  }

  private fault(field: CsvField, got: string, wanted: string): void {
    this.faults.push({ row: this.row, column: this.columns[field] ?? field.replaceAll('_', ' '), got, wanted });
  }

  private noted(field: CsvField, got: string, taken: string): void {
    this.notes.push({ row: this.row, column: this.columns[field] ?? field.replaceAll('_', ' '), got, taken });
  }

  private text(field: CsvField): string | null {
    const column = this.columns[field];
    const text = column === undefined ? '' : (this.raw[column] ?? '').trim();
    return text === '' ? null : text;
  }

  /** What the keeper said that a word of the list means; undefined where nothing was said. */
  private meaning(field: MeantField, word: string): number | string | null | undefined {
    const said = this.given.meanings?.[field];
    return said && Object.hasOwn(said, word) ? said[word] : undefined;
  }

  /** Genus and species may stand in two columns; a common name stands in for a name that is missing. */
  private names(others: string | null): { name: string; otherNames: string | null } {
    const [name, more, common] = [this.text('name'), this.text('name_more'), this.text('common_name')];
    const written = [name, more].filter(Boolean).join(' ');
    const most = PLANT_FIELDS.name.max;
    const whole = written || common || '';
    if (whole === '') this.fault('name', '', 'a name');
    if (whole !== '' && !CAN_BE_SEEN.test(whole)) this.fault('name', whole, 'a name that can be seen');
    if (whole.length > most) this.fault('name', whole, `a text of up to ${most} characters`);
    if (written === '' || !common) return { name: whole, otherNames: null };
    const all = [others, common].filter(Boolean).join(', ');
    const mostOthers = PLANT_FIELDS.other_names.max;
    if (all.length > mostOthers)
      this.fault('other_names', all, `with the common name a text of up to ${mostOthers} characters`);
    return { name: whole, otherNames: all };
  }

  private taxonOf(name: string): string | null {
    if (name === '' || genusByAnyName(name)) return null;
    const said = this.meaning('name', name);
    if (typeof said === 'string') {
      if (GENERA.has(said.toLowerCase())) return said;
      this.fault('name', name, `a genus that the library knows, not ${said}`);
      return null;
    }
    const clear = commonGenus(name);
    if (clear) {
      this.noted('name', name, `kept as a ${clear}`);
      return clear;
    }
    const several = unclearName(name);
    if (several && said === undefined) this.fault('name', name, `which is meant: ${several.join(', ')}`);
    else this.noted('name', name, 'a name that the library does not know: kept to the dry side');
    return null;
  }

  private fieldsOfPlant(): Partial<PlantValues<ImportedField>> {
    return Object.fromEntries(
      IMPORTED_FIELDS.flatMap((field) => {
        const value = field === 'name' ? null : this.ofKind(field, PLANT_FIELDS[field] as FieldSpec);
        return value === null ? [] : [[field, value]];
      }),
    ) as Partial<PlantValues<ImportedField>>;
  }

  /** A cell read as a kind of field; null where it is empty, or wrong and told. */
  private ofKind(field: ImportedField, spec: Omit<FieldSpec, 'label'>): unknown {
    const text = this.text(field);
    if (text === null) return null;
    const kind = spec as FieldSpec;
    switch (kind.kind) {
      case 'text':
        if (text.length > kind.max || !CAN_BE_SEEN.test(text))
          this.fault(field, text, `a text of up to ${kind.max} characters that can be seen`);
        return text;
      case 'whole': {
        const mm = this.length(field as LengthField, kind.min, kind.max);
        return mm === null ? null : Math.round(mm);
      }
      case 'day':
        return this.day(field as 'acquired_on');
      case 'choice':
        return this.among(field as MeantField, kind.of, () => null);
      case 'yes-no':
        return this.yesNo(field);
      default:
        throw new Error(`no ${kind.kind} can be read from a table`);
    }
  }

  private day(field: 'acquired_on' | 'last_watered'): string | null {
    const text = this.text(field);
    if (text === null) return null;
    const read = readDay(text, this.given.day_order ?? null, this.thisYear);
    const { today } = this.context;
    if (!read) {
      const either = readDay(text, 'dmy', this.thisYear) !== null && readDay(text, 'mdy', this.thisYear) !== null;
      this.fault(
        field,
        text,
        either ? 'whether the day or the month comes first' : 'a day, as 2024-05-31, 31.5.2024 or May 2024',
      );
      return null;
    }
    if ((read.day > today && !(read.about && read.day.slice(0, 4) === today.slice(0, 4))) || read.day < OLDEST_DAY) {
      this.fault(field, text, `a day from ${OLDEST_DAY} to ${today}`);
      return null;
    }
    const day = read.day > today ? today : read.day;
    if (read.about) {
      // Of a drink, about is not good enough: the pot would be reckoned from a guess.
      if (field === 'last_watered') {
        this.noted(field, text, 'no day: felt before its first drink');
        return null;
      }
      this.noted(field, text, `about then: ${day}`);
    }
    return day;
  }

  private length(field: LengthField, min: number, max: number): number | null {
    const text = this.text(field);
    if (text === null) return null;
    const unit = this.given.units?.[field] ?? 'mm';
    const mm = readLengthMm(text, unit);
    if (mm === null || mm < min || mm > max) {
      this.fault(field, text, `a length from ${min} to ${max} mm, read in ${unit}`);
      return null;
    }
    return mm;
  }

  private among<T extends string>(
    field: MeantField,
    allowed: readonly T[],
    read: (cell: string) => T | null,
  ): T | null {
    const text = this.text(field);
    if (text === null) return null;
    const said = this.meaning(field, text);
    if (said === null) return null;
    const found =
      allowed.find((one) => one === (said ?? text.trim().toLowerCase())) ?? (said === undefined ? read(text) : null);
    if (!found) this.fault(field, text, `one of ${allowed.join(', ')}`);
    return found ?? null;
  }

  private yesNo(field: CsvField): boolean | null {
    const text = this.text(field);
    if (text === null) return null;
    const said = yesOrNo(text);
    if (said === null) this.fault(field, text, 'yes or no');
    return said;
  }

  private ownNumber(number: string | undefined): string | null {
    if (number === undefined) return null;
    if (this.numbers.has(alike(number))) this.fault('number', number, 'a number that no other plant has');
    this.numbers.add(alike(number));
    return number;
  }

  private placeId(): number {
    const text = this.text('place');
    const { places } = this.context;
    const fallback = this.given.defaults.place_id;
    if (text === null) {
      if (fallback != null) return fallback;
      this.fault('place', '', 'a place, or one chosen for rows without');
      return 0;
    }
    const said = this.meaning('place', text);
    const found = places.find(({ id, name }) => id === said || (typeof said === 'string' && name === said));
    const id = found?.id ?? (said === undefined ? namedSo(text, places)?.id : undefined);
    if (id === undefined) {
      const some = places.slice(0, 6).map(({ name }) => name.toLowerCase());
      this.fault('place', text, `the name of one of your places: ${some.join(', ')}`);
    }
    return id ?? 0;
  }

  private mixId(): number {
    const text = this.text('mix');
    const { mixes, unknownMixId } = this.context;
    const fallback = this.given.defaults.mix_id;
    if (text === null) {
      if (fallback != null) return fallback;
      this.fault('mix', '', 'a mix, or one chosen for rows without');
      return 0;
    }
    const said = this.meaning('mix', text);
    if (said === null) {
      this.noted('mix', text, 'not known: taken as bagged potting soil');
      return unknownMixId;
    }
    const id = mixes.find((mix) => mix.id === said)?.id ?? (said === undefined ? namedSo(text, mixes)?.id : undefined);
    if (id === undefined) {
      const some = mixes.slice(0, 6).map(({ name }) => name.toLowerCase());
      this.fault('mix', text, `the name of one of your mixes: ${some.join(', ')}`);
    }
    return id ?? 0;
  }

  private price(): Partial<PlantValues<'price_minor' | 'price_currency'>> {
    const text = this.text('price');
    if (text === null) return {};
    const minor = readPriceMinor(text);
    if (minor === null) {
      this.fault('price', text, 'a price, as 12.50');
      return {};
    }
    return { price_minor: minor, price_currency: currencyIn(text) ?? this.context.currency };
  }

  private note(): string | null {
    const text = this.text('note');
    if (text !== null && text.length > LONGEST_NOTE)
      this.fault('note', text, `a text of up to ${LONGEST_NOTE} characters`);
    return text;
  }

  /** A pot as far as it is told; the rest as the pot chosen for rows without, or in proportion to its width. */
  private pot(): Pot {
    const chosen = this.given.defaults.pot;
    const usual = chosen ?? USUAL_POT;
    const toldTop = this.length('pot_top_mm', POT_MM.least, POT_MM.most);
    const before = this.faults.length;
    if (toldTop === null && this.text('pot_top_mm') === null && !chosen)
      this.fault('pot_top_mm', '', 'the width of its pot, or a pot chosen for rows without');
    const shape = this.among('pot_shape', POT_SHAPES, shapeOf) ?? usual.shape;
    const top = toldTop ?? usual.top_mm;
    const depth = this.length('pot_depth_mm', POT_MM.least, POT_MM.most);
    const material = this.among('pot_material', POT_MATERIALS, materialOf) ?? usual.material;
    const holes = this.yesNo('pot_holes') ?? usual.holes;
    const asUsual = top === usual.top_mm;
    if (toldTop !== null && this.faults.length === before) {
      const missing = [
        depth === null && !asUsual && 'depth in proportion',
        this.text('pot_material') === null && material,
        this.text('pot_holes') === null && (holes ? 'with a hole' : 'without a hole'),
      ].filter(Boolean);
      if (missing.length > 0)
        this.noted('pot_top_mm', this.text('pot_top_mm')!, `${shape} ${top} mm: ${missing.join(', ')}`);
    }
    return {
      ...usual,
      shape,
      top_mm: top,
      base_mm: asUsual && shape === usual.shape ? usual.base_mm : Math.round(top * BASE_SHARE[shape]),
      depth_mm: depth ?? (asUsual ? usual.depth_mm : Math.round(top * USUAL_DEPTH_SHARE)),
      material,
      holes,
    };
  }
}

const CURRENCY_SIGNS: readonly (readonly [RegExp, string])[] = [
  [/€|eur/i, 'EUR'],
  [/£|gbp/i, 'GBP'],
  [/chf|fr\./i, 'CHF'],
  [/\$|usd/i, 'USD'],
];

function currencyIn(text: string): string | null {
  return CURRENCY_SIGNS.find(([sign]) => sign.test(text))?.[1] ?? null;
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
