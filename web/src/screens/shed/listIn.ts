/**
 * A list of plants that comes in, before it is sent: which column is what, what must still be asked of it, and the body
 * that is sent. Nothing is guessed that the keeper cannot see and change.
 */
import { KIND_BY_WORD } from '@zinc-pail/words/places';
import {
  type CsvImport,
  LENGTH_FIELDS,
  type LengthField,
  type MeantField,
  type NewBench,
} from '@zinc-pail/contract/keeping';
import { NAME_SURE, SOURCES } from '@zinc-pail/contract/choices';
import {
  asksDayOrder,
  asksUnit,
  dayOrders,
  type DayOrder,
  type LengthUnit,
  materialOf,
  namedSo,
  readDay,
  shapeOf,
  unitInHead,
} from '@zinc-pail/contract/listCells';
import { CSV_FIELDS, type CsvField } from '@zinc-pail/contract/plantFields';
import {
  commonGenus,
  genusByAnyName,
  type PlaceKind,
  type Pot,
  POT_MATERIALS,
  POT_SHAPES,
  unclearName,
} from '@zinc-pail/core';
import { distance } from 'fastest-levenshtein';
import Papa from 'papaparse';

export interface Table {
  heads: string[];
  rows: Record<string, string>[];
}

/** A list as it stands: whatever cuts its cells, whatever marks the file. */
export function readTable(csv: string): Table {
  const { data, meta } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim(),
  });
  return { heads: (meta.fields ?? []).filter(Boolean), rows: data };
}

/** What a column may be, in a keeper's words, in the order in which they are offered. */
export const FIELD_WORDS: Record<CsvField, string> = {
  name: 'Name, or genus',
  name_more: 'Rest of the name: species, cultivar',
  common_name: 'Common name',
  number: 'Number',
  place: 'Bench',
  mix: 'Soil, mix',
  pot_top_mm: 'Pot, width',
  pot_depth_mm: 'Pot, depth of mix',
  pot_shape: 'Pot, shape',
  pot_material: 'Pot, made of',
  pot_holes: 'Pot, has a hole',
  diameter_mm: 'Plant, width',
  height_mm: 'Plant, height',
  acquired_on: 'Here since',
  last_watered: 'Last watered',
  source: 'Came by',
  provenance: 'Origin, locality',
  price: 'Price',
  other_names: 'Other names',
  name_sure: 'How sure the name is',
  note: 'Notes',
};

/** Heads that mostly mean a field, units and marks taken off. */
const GUESSES: Record<CsvField, RegExp> = {
  name: /^(name|full name|taxon|genus|gattung|plant|plant name|plants|scientific name|botanical name|latin name|latin|pflanze|pflanzenname|nombre|plante)$/,
  name_more: /^(species|species cultivar|epithet|cultivar|variety|sorte|name more|especie)$/,
  common_name: /^(common name|common|vernacular|trivial name|deutscher name|nom commun|nickname)$/,
  number: /^(number|no|nr|accession|accession no|accession number|id|code|tag|nummer|label|plant id)$/,
  provenance: /^(provenance|origin|locality|habitat|herkunft|field number|feldnummer|collector|fundort)$/,
  place: /^(place|bench|location|room|where|where is it|stands|site|spot|position|ort|standort|platz|shelf|lieu)$/,
  mix: /^(mix|substrate|soil|soil mix|substrat|erde|medium|potting mix|compost)$/,
  pot_top_mm: /^(pot|pot size|pot top|pot width|pot diameter|topf|topfgr(o|oe|ö)(ss|ß)e|container|pot o|pot ø)$/,
  pot_depth_mm: /^(pot depth|depth|pot height|topftiefe)$/,
  pot_shape: /^(pot shape|shape|topfform)$/,
  pot_material: /^(pot material|material|pot type|pot kind|topfmaterial|topfart)$/,
  pot_holes: /^(pot holes|holes|hole|drainage|drainage hole|has hole|loch)$/,
  diameter_mm: /^(diameter|plant diameter|plant width|width|plant size|durchmesser)$/,
  height_mm: /^(height|plant height|h(o|oe|ö)he)$/,
  acquired_on:
    /^(acquired on|acquired|since|date|bought|purchased|date acquired|purchase date|date bought|got|gekauft|datum|seit|arrived|in collection since)$/,
  last_watered: /^(last watered|watered|last water|last watering|zuletzt gegossen|gegossen)$/,
  source: /^(source|from|got from|how|origin type|quelle|came by)$/,
  price: /^(price|cost|paid|preis|prix|price paid)$/,
  other_names: /^(other names|synonym|synonyms|aka|also)$/,
  name_sure: /^(name sure|certainty|sure|id certainty|confidence)$/,
  note: /^(note|notes|remark|remarks|comment|comments|bemerkung|bemerkungen|notizen)$/,
};

const UNIT_WORDS = /\b(mm|cm|in|inch|inches|zoll|millimet(er|re)s?|centimet(er|re)s?)\b|[()[\]"″]/g;

const plainHead = (head: string) =>
  head
    .toLowerCase()
    .replaceAll('_', ' ')
    .replaceAll(UNIT_WORDS, ' ')
    .replaceAll(/[.,:;#?!/-]+/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();

export type Mapping = Partial<Record<CsvField, string>>;

/** Which column is what, as far as the heads tell; the keeper has the last word. Each column is taken once. */
export function guessed(heads: readonly string[]): Mapping {
  const taken = new Set<string>();
  const mapping: Mapping = {};
  // A head that is our own is that field whatever it may mean besides.
  const own = (field: CsvField) => heads.find((head) => head.toLowerCase() === field);
  for (const field of CSV_FIELDS) {
    const found = own(field) ?? heads.find((head) => !taken.has(head) && GUESSES[field].test(plainHead(head)));
    if (found === undefined || taken.has(found)) continue;
    mapping[field] = found;
    taken.add(found);
  }
  // "Species" alone is the whole name; beside a genus it is its rest.
  if (mapping.name_more && !mapping.name) {
    mapping.name = mapping.name_more;
    delete mapping.name_more;
  }
  return mapping;
}

/** A column made something else, or left out; a field stands on one column at most. */
export function mapped(mapping: Mapping, head: string, field: CsvField | null): Mapping {
  const rest = Object.fromEntries(
    Object.entries(mapping).filter(([one, on]) => on !== head && one !== field),
  ) as Mapping;
  return field === null ? rest : { ...rest, [field]: head };
}

export interface Answers {
  dayOrder: DayOrder | null;
  units: Partial<Record<LengthField, LengthUnit>>;
  /** by field and the list's own word: an id, a name, a genus, a choice; null: not known */
  meanings: Partial<Record<MeantField, Record<string, number | string | null>>>;
  newPlaces: NewBench[];
  place: number | null;
  mix: number | null;
  pot: Pot | null;
  leftOut: readonly number[];
}

export const NO_ANSWERS: Answers = {
  dayOrder: null,
  units: {},
  meanings: {},
  newPlaces: [],
  place: null,
  mix: null,
  pot: null,
  leftOut: [],
};

export type Question =
  | { kind: 'day-order'; cells: string[] }
  | { kind: 'unit'; field: LengthField; cells: string[] }
  /** words of the list that fit none of ours, each with the nearest of ours, and how many rows have it */
  | { kind: 'meaning'; field: MeantField; words: { word: string; rows: number; near: string | null }[] }
  /** rows that say nothing */
  | { kind: 'missing'; field: 'place' | 'mix' | 'pot'; rows: number };

interface Known {
  places: readonly { id: number; name: string }[];
  mixes: readonly { id: number; name: string }[];
  thisYear: number;
}

const DAY_FIELDS = ['acquired_on', 'last_watered'] as const;

/** All that must be asked before the list can be read; what was answered stays in it, so that it can be changed. */
export function questionsOf(table: Table, mapping: Mapping, known: Known): Question[] {
  const cellsOf = (field: CsvField): string[] => {
    const head = mapping[field];
    return head === undefined ? [] : table.rows.map((row) => (row[head] ?? '').trim()).filter(Boolean);
  };
  const empty = (field: CsvField) => table.rows.length - cellsOf(field).length;
  const questions: Question[] = [];
  const days = DAY_FIELDS.flatMap(cellsOf);
  if (asksDayOrder(days, known.thisYear))
    questions.push({ kind: 'day-order', cells: sample(days.filter((day) => /\d\D+\d/.test(day))) });
  for (const field of LENGTH_FIELDS)
    if (asksUnit(cellsOf(field)) && unitInHead(mapping[field]!) === null)
      questions.push({ kind: 'unit', field, cells: sample(cellsOf(field)) });
  const ask = (field: MeantField, fits: (word: string) => boolean, ours: readonly string[]) => {
    const words = [...counted(cellsOf(field))].filter(([word]) => !fits(word));
    if (words.length > 0)
      questions.push({
        kind: 'meaning',
        field,
        words: words.map(([word, rows]) => ({ word, rows, near: nearest(word, ours) })),
      });
  };
  ask(
    'place',
    (word) => namedSo(word, known.places) !== null,
    known.places.map(({ name }) => name),
  );
  ask(
    'mix',
    (word) => namedSo(word, known.mixes) !== null,
    known.mixes.map(({ name }) => name),
  );
  ask('pot_material', (word) => materialOf(word) !== null, POT_MATERIALS);
  ask('pot_shape', (word) => shapeOf(word) !== null, POT_SHAPES);
  ask('source', (word) => (SOURCES as readonly string[]).includes(word.toLowerCase()), SOURCES);
  ask('name_sure', (word) => (NAME_SURE as readonly string[]).includes(word.toLowerCase()), NAME_SURE);
  const unclear = [...counted(namesOf(table, mapping))].filter(
    ([name]) => !genusByAnyName(name) && commonGenus(name) === null && unclearName(name) !== null,
  );
  if (unclear.length > 0)
    questions.push({
      kind: 'meaning',
      field: 'name',
      words: unclear.map(([word, rows]) => ({ word, rows, near: null })),
    });
  const missing = [
    ['place', empty('place')],
    ['mix', empty('mix')],
    ['pot', empty('pot_top_mm')],
  ] as const;
  for (const [field, rows] of missing) if (rows > 0) questions.push({ kind: 'missing', field, rows });
  return questions;
}

/** Names as the server will put them together. */
export function namesOf({ rows }: Table, mapping: Mapping): string[] {
  const cell = (row: Record<string, string>, field: CsvField) =>
    mapping[field] ? (row[mapping[field]] ?? '').trim() : '';
  return rows
    .map((row) => [cell(row, 'name'), cell(row, 'name_more')].filter(Boolean).join(' ') || cell(row, 'common_name'))
    .filter(Boolean);
}

const SAMPLED = 4;
const sample = (cells: readonly string[]) => [...new Set(cells)].slice(0, SAMPLED);

function counted(cells: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const cell of cells) counts.set(cell, (counts.get(cell) ?? 0) + 1);
  return counts;
}

/** Ours that is spelt most like it, if it is somewhat like it: offered, never taken by itself. */
function nearest(word: string, ours: readonly string[]): string | null {
  const low = word.toLowerCase();
  const [best] = ours
    .map((name) => {
      const other = name.toLowerCase();
      const within = other.includes(low) || low.includes(other);
      return { name, apart: within ? 0.2 : distance(low, other) / Math.max(low.length, other.length) };
    })
    .toSorted((a, b) => a.apart - b.apart);
  return best && best.apart < 0.6 ? best.name : null;
}

/** Whether a question has all its answers. */
export function isAnswered(question: Question, answers: Answers): boolean {
  switch (question.kind) {
    case 'day-order':
      return answers.dayOrder !== null;
    case 'unit':
      return answers.units[question.field] !== undefined;
    case 'meaning':
      return question.words.every(({ word }) => Object.hasOwn(answers.meanings[question.field] ?? {}, word));
    case 'missing':
      return answers[question.field] !== null;
  }
}

/** Whether a fault goes once one of these questions has its answer: it is not told beside the question. */
export function waitsFor(fault: { column: string; got: string }, open: readonly Question[], mapping: Mapping): boolean {
  const on = (field: CsvField) => fault.column === (mapping[field] ?? field.replaceAll('_', ' '));
  return open.some((question) => {
    switch (question.kind) {
      case 'day-order':
        return DAY_FIELDS.some(on) && readDay(fault.got, 'dmy', MOST_YEAR) !== null;
      case 'unit':
        return on(question.field);
      case 'meaning':
        return on(question.field) && question.words.some(({ word }) => word === fault.got);
      case 'missing':
        return fault.got === '' && on(question.field === 'pot' ? 'pot_top_mm' : question.field);
    }
  });
}
/** Two figures are read as a year of this century up to here, where only the order matters. */
export const MOST_YEAR = 2050;

/** Numbers below this are centimetres or inches: no pot is 14 mm wide. What is usual there is offered first. */
const LEAST_MM = 40;

/** The unit that bare numbers most likely have; the keeper says it. */
export function likelyUnit(cells: readonly string[]): LengthUnit {
  const figures = cells.map((cell) => Number.parseFloat(cell.replace(',', '.'))).filter(Number.isFinite);
  const middle = figures.toSorted((a, b) => a - b)[Math.floor(figures.length / 2)] ?? 0;
  return middle >= LEAST_MM ? 'mm' : 'cm';
}

export interface ListFile {
  name: string;
  csv: string;
}

/** What is sent. Orders and units that the cells or the heads tell are said too, so that both sides read alike. */
export function bodyOf(
  file: ListFile,
  table: Table,
  mapping: Mapping,
  answers: Answers,
  { dry, thisYear }: { dry: boolean; thisYear: number },
): CsvImport {
  const days = DAY_FIELDS.flatMap((field) =>
    mapping[field] ? table.rows.map((row) => row[mapping[field]!] ?? '') : [],
  );
  const [only, more] = dayOrders(days, thisYear);
  const units = Object.fromEntries(
    LENGTH_FIELDS.flatMap((field) => {
      const unit = mapping[field] && (unitInHead(mapping[field]) ?? answers.units[field]);
      return unit ? [[field, unit]] : [];
    }),
  );
  return {
    name: file.name,
    csv: file.csv,
    columns: mapping,
    defaults: { place_id: answers.place, mix_id: answers.mix, pot: answers.pot },
    units,
    day_order: answers.dayOrder ?? (more === undefined ? (only ?? null) : null),
    new_places: answers.newPlaces,
    meanings: answers.meanings,
    left_out: [...answers.leftOut],
    dry_run: dry,
  };
}

/** A bench that is to be made for a word of the list. */
export function withNewPlace(answers: Answers, word: string, kind: PlaceKind, siteId: number): Answers {
  const others = answers.newPlaces.filter(({ name }) => name !== word);
  return {
    ...answers,
    newPlaces: [...others, { name: word, kind, site_id: siteId }],
    meanings: { ...answers.meanings, place: { ...answers.meanings.place, [word]: word } },
  };
}

/** What a room is called tells mostly what kind of place it is. */
export function likelyKind(word: string): PlaceKind {
  const kinds = Object.keys(KIND_BY_WORD) as PlaceKind[];
  return kinds.find((kind) => KIND_BY_WORD[kind].test(word)) ?? 'room';
}
