/**
 * What is written of a plant itself, each field once: its kind and bounds, its label, and where it goes. The schema of a
 * change, the columns that are read and written, the record, its form, and the lists that go out and come in are all made
 * from here, so a new field is an entry here and a column of its name (a migration).
 *
 * Plain data without Joi: the browser carries it too.
 */
import { DRY_RULES, FORMS, HABITS, STORES } from '@zinc-pail/core';
import { NAME_SURE, SOURCES } from './choices.ts';
import { LONGEST_NUMBER, LONGEST_PLANT_NAME, LONGEST_TEXT } from './limits.ts';

export type FieldKind =
  | { kind: 'text'; max: number }
  | { kind: 'whole'; min: number; max: number; unit?: string }
  | { kind: 'number'; min: number; max: number; unit: string }
  | { kind: 'day' }
  | { kind: 'yes-no' }
  | { kind: 'choice'; of: readonly string[] }
  /** in the smallest coin */
  | { kind: 'money'; max: number }
  | { kind: 'currency' }
  /** another plant of the collection */
  | { kind: 'plant' };

export type FieldSpec = FieldKind & {
  /** as forms say it */
  label: string;
  hint?: string;
  /** never empty */
  must?: true;
  /** told in the plant's record, as it is written */
  record?: true;
  /** set in its record's form */
  form?: true;
  /** goes out with lists of plants */
  exported?: true;
  /** may come in with a list of plants */
  imported?: true;
};

// prettier-ignore
export const PLANT_FIELDS = {
  name: { kind: 'text', max: LONGEST_PLANT_NAME, must: true, form: true, exported: true, imported: true, label: 'Name',
    hint: 'cf., aff., × and ‘cultivar’ as they are written.' },
  name_sure: { kind: 'choice', of: NAME_SURE, must: true, record: true, form: true, exported: true, imported: true, label: 'The name is' },
  source: { kind: 'choice', of: SOURCES, record: true, form: true, exported: true, imported: true, label: 'Came by' },
  taxon: { kind: 'text', max: LONGEST_PLANT_NAME, label: 'Taxon' },
  other_names: { kind: 'text', max: LONGEST_TEXT, record: true, form: true, exported: true, imported: true, label: 'Other names' },
  number: { kind: 'text', max: LONGEST_NUMBER, must: true, form: true, exported: true, imported: true, label: 'Number' },
  acquired_on: { kind: 'day', record: true, form: true, exported: true, imported: true, label: 'Here since' },
  diameter_mm: { kind: 'whole', min: 0, max: 10_000, unit: 'mm', must: true, form: true, exported: true, imported: true, label: 'Width' },
  height_mm: { kind: 'whole', min: 0, max: 20_000, unit: 'mm', must: true, form: true, exported: true, imported: true, label: 'Height' },
  price_minor: { kind: 'money', max: 4_000_000_000, record: true, form: true, exported: true, label: 'Price' },
  price_currency: { kind: 'currency', record: true, form: true, exported: true, label: 'Currency' },
  provenance: { kind: 'text', max: LONGEST_TEXT, form: true, exported: true, imported: true, label: 'Provenance' },
  used_to: { kind: 'text', max: 300, record: true, form: true, label: 'Used to, before', hint: 'Mix, wetness and light it was kept in.' },
  companions: { kind: 'text', max: 300, record: true, form: true, label: 'Others in its pot' },
  mother_id: { kind: 'plant', label: 'Mother' },
  quarantine_until: { kind: 'day', record: true, label: 'Apart until' },
  own_words: { kind: 'text', max: LONGEST_TEXT, record: true, label: 'Your own words' },
  habit: { kind: 'choice', of: HABITS, label: 'Year' },
  form: { kind: 'choice', of: FORMS, label: 'Form' },
  dry_rule: { kind: 'choice', of: DRY_RULES, label: 'Rule' },
  hold_days: { kind: 'whole', min: 0, max: 120, unit: 'days', label: 'Days held dry' },
  store: { kind: 'choice', of: STORES, label: 'Store' },
  min_dry_c: { kind: 'number', min: -50, max: 40, unit: '°C', label: 'Lowest night, dry' },
  min_wet_c: { kind: 'number', min: -50, max: 40, unit: '°C', label: 'Lowest night, moist' },
  grow_min_c: { kind: 'number', min: -20, max: 40, unit: '°C', label: 'Grows from' },
  leafless: { kind: 'yes-no', label: 'Leafless' },
} as const satisfies Record<string, FieldSpec>;

type Specs = typeof PLANT_FIELDS;
export type PlantField = keyof Specs;

type Written<S> = S extends { kind: 'choice'; of: readonly (infer V)[] }
  ? V
  : S extends { kind: 'whole' | 'number' | 'money' | 'plant' }
    ? number
    : S extends { kind: 'yes-no' }
      ? boolean
      : string;

/** A field's value; null where it may be empty and is. */
export type FieldValue<F extends PlantField> = Written<Specs[F]> | (Specs[F] extends { must: true } ? never : null);
/** Names of fields with a mark. */
type Marked<M extends keyof FieldSpec> = {
  [F in PlantField]: Specs[F] extends Record<M, true> ? F : never;
}[PlantField];

export type RecordField = Marked<'record'>;
export type FormField = Marked<'form'>;
export type ExportedField = Marked<'exported'>;
export type ImportedField = Marked<'imported'>;
export type PlantValues<F extends PlantField = PlantField> = { [K in F]: FieldValue<K> };

export const PLANT_FIELD_NAMES = Object.keys(PLANT_FIELDS) as PlantField[];
const marked = <M extends 'record' | 'form' | 'exported' | 'imported'>(mark: M) =>
  PLANT_FIELD_NAMES.filter((name) => (PLANT_FIELDS[name] as FieldSpec)[mark]) as Marked<M>[];
export const RECORD_FIELDS: readonly RecordField[] = marked('record');
export const FORM_FIELDS: readonly FormField[] = marked('form');
export const EXPORTED_FIELDS: readonly ExportedField[] = marked('exported');
export const IMPORTED_FIELDS: readonly ImportedField[] = marked('imported');

/** What a column of a list of plants may be: fields of the plant, and where and in what it stands. */
export const CSV_FIELDS = [
  ...IMPORTED_FIELDS,
  'place',
  'mix',
  'pot_top_mm',
  'pot_depth_mm',
  'pot_shape',
  'pot_material',
  'pot_holes',
  'last_watered',
  'name_more',
  'common_name',
  'price',
  'note',
] as const;
export type CsvField = (typeof CSV_FIELDS)[number];
