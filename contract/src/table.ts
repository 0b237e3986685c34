/**
 * The table of all plants, each column once: what kind of value it is, its head, its width and whether it is shown at
 * first. A column without a head travels for other columns' sake. The server fills rows of this type, the list draws these.
 */
export type ColumnKind = 'text' | 'number' | 'day';

export interface ColumnSpec {
  kind: ColumnKind;
  /** null where it may be empty */
  empty?: true;
  head?: string;
  widthPx?: number;
  /** shown before the keeper chose */
  usual?: true;
}

/** In the order in which they are shown. */
export const TABLE_COLUMNS = {
  id: { kind: 'number' },
  place_id: { kind: 'number' },
  picture_id: { kind: 'number', empty: true },
  name: { kind: 'text', head: 'Name', widthPx: 250, usual: true },
  number: { kind: 'text', head: 'Number', widthPx: 96, usual: true },
  place: { kind: 'text', head: 'Bench', widthPx: 190, usual: true },
  verdict: { kind: 'text', head: 'Today', widthPx: 90, usual: true },
  due: { kind: 'day', empty: true, head: 'Next drink', widthPx: 100, usual: true },
  moisture: { kind: 'number', head: 'Wet, %', widthPx: 70, usual: true },
  state: { kind: 'text', head: 'Season', widthPx: 90, usual: true },
  pot: { kind: 'text', head: 'Pot', widthPx: 150, usual: true },
  mix: { kind: 'text', head: 'Mix', widthPx: 140 },
  light: { kind: 'text', head: 'Light', widthPx: 90, usual: true },
  genus: { kind: 'text', head: 'Genus', widthPx: 130 },
  form: { kind: 'text', head: 'Form', widthPx: 100 },
  habit: { kind: 'text', head: 'Year', widthPx: 120 },
  rate: { kind: 'number', head: 'Dries ×', widthPx: 76 },
  checks: { kind: 'number', head: 'Looks', widthPx: 70 },
  last_watered: { kind: 'day', empty: true, head: 'Watered', widthPx: 100 },
  min_wet_c: { kind: 'number', head: 'Lowest night', widthPx: 100 },
  diameter_mm: { kind: 'number', head: 'Width, mm', widthPx: 90 },
  height_mm: { kind: 'number', head: 'Height, mm', widthPx: 90 },
  acquired_on: { kind: 'day', empty: true, head: 'Since', widthPx: 100 },
  source: { kind: 'text', empty: true, head: 'Came by', widthPx: 90 },
  quarantine_until: { kind: 'day', empty: true, head: 'Apart until', widthPx: 110 },
  name_sure: { kind: 'text', head: 'Name is', widthPx: 80 },
  other_names: { kind: 'text', empty: true, head: 'Other names', widthPx: 160 },
  site: { kind: 'text', head: 'Site', widthPx: 160 },
  pot_mm: { kind: 'number', head: 'Pot, mm', widthPx: 80 },
} as const satisfies Record<string, ColumnSpec>;

type Specs = typeof TABLE_COLUMNS;
export type TableColumn = keyof Specs;
type ValueOf<S> = (S extends { kind: 'number' } ? number : string) | (S extends { empty: true } ? null : never);
export type TableRow = { [C in TableColumn]: ValueOf<Specs[C]> };
export const TABLE_FIELDS = Object.keys(TABLE_COLUMNS) as TableColumn[];
