/** The list's columns, what their cells say, and by what they are sorted and filtered. */
import {
  type ColumnSpec,
  TABLE_COLUMNS,
  TABLE_FIELDS,
  type TableColumn,
  type TableRow,
} from '@zinc-pail/contract/table';
import { shortDay } from '../../reader/days.ts';
import { MM_PER_INCH, shownTemperature, units } from '../../reader/units.ts';

const USUAL_WIDTH_PX = 120;

/** Codes that a cell says otherwise. */
const CELL_WORDS: Partial<Record<TableColumn, Readonly<Record<string, string>>>> = {
  light: { 'too-dim': 'too dim', 'gets-by': 'just enough', well: 'well', 'too-bright': 'too bright' },
  verdict: { act: 'act', water: 'water', look: 'look first', soon: 'soon', leave: 'leave' },
  state: { growing: 'growing', easing: 'slowing', resting: 'asleep', waking: 'waking' },
};

/** The columns that have a head, in their order. */
export const COLUMNS = TABLE_FIELDS.flatMap((id) => {
  const { kind, head, widthPx, usual }: ColumnSpec = TABLE_COLUMNS[id];
  return head === undefined ? [] : [{ id, kind, head, size: widthPx ?? USUAL_WIDTH_PX, usual: usual === true }];
});
/** Days of long ago want their year. */
const WITH_YEAR = new Set<TableColumn>(['acquired_on']);

/** Lengths and warmth are kept in mm and °C; the list says and filters them in the keeper's units. */
const LENGTHS = new Set<TableColumn>(['diameter_mm', 'height_mm', 'pot_mm']);

export function headWords(id: TableColumn, head: string): string {
  if (units().length !== 'in' || !LENGTHS.has(id)) return head;
  return head.replace(', mm', ', in');
}

/** A number as it is shown; the same where it has no unit. */
function shownNumber(id: TableColumn, value: number): number {
  if (LENGTHS.has(id) && units().length === 'in') return Math.round((10 * value) / MM_PER_INCH) / 10;
  return id === 'min_wet_c' ? Math.round(shownTemperature(value)) : value;
}

/** "round 7×8 terracotta": the server says it in cm. */
const potWords = (text: string) =>
  units().length === 'in'
    ? text.replaceAll(/\d+(?:\.\d+)?(?=×|\s)/g, (cm) => String(Math.round((100 * Number(cm)) / MM_PER_INCH) / 10))
    : text;

export function cellWords(id: TableColumn, value: string | number | null | undefined): string {
  if (value === null || value === undefined) return '';
  if (typeof value === 'number') return String(shownNumber(id, value));
  if (id === 'pot') return potWords(value);
  const text = value;
  const words = CELL_WORDS[id];
  if (words) return words[text] ?? '';
  if ((TABLE_COLUMNS[id] as ColumnSpec).kind !== 'day') return text;
  return WITH_YEAR.has(id) ? `${shortDay(text)} ${text.slice(0, 4)}` : shortDay(text);
}

/** What a filter takes, shown in its box. */
export function filterHint(id: TableColumn): string {
  const { kind } = TABLE_COLUMNS[id] as ColumnSpec;
  if (kind === 'number') return '>40 or <40';
  if (kind === 'day') return 'Nov, 27';
  if (id === 'state') return 'e.g. resting';
  const words = CELL_WORDS[id];
  return words ? `e.g. ${Object.values(words)[1]}` : 'words';
}

const COMPARED = /^\s*([<>])\s*(-?\d+(?:[.,]\d+)?)\s*$/;

const eachWordIn = (text: string, filter: string) =>
  filter
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word));

/** Every word of the filter must stand somewhere in what the cell shows; "> 40" and "< 40" compare numbers. */
export function passes(id: TableColumn, value: string | number | null, filter: string): boolean {
  const compared = COMPARED.exec(filter);
  if (compared && typeof value === 'number') {
    const bound = Number(compared[2]!.replace(',', '.'));
    const shown = shownNumber(id, value);
    return compared[1] === '<' ? shown < bound : shown > bound;
  }
  return eachWordIn(`${cellWords(id, value)} ${value ?? ''}`, filter);
}

/** Whether a plant is meant by words of its name, number, bench or other names. */
export function isMeant({ name, number, place, other_names: others }: TableRow, words: string): boolean {
  return eachWordIn(`${name} ${number} ${place} ${others ?? ''}`, words);
}

/** Numbers by size, texts as people sort them, what is empty last. */
export function compared(a: string | number | null, b: string | number | null): number {
  if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1;
  return typeof a === 'number' && typeof b === 'number'
    ? a - b
    : String(a).localeCompare(String(b), 'en', { numeric: true });
}
