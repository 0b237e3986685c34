/** A plant's record as a form has it, texts all, and back again; from the list of fields (contract/plantFields.ts). */
import type { PlantView } from '@zinc-pail/contract/api';
import type { PlantChange } from '@zinc-pail/contract/keeping';
import {
  type FieldSpec,
  FORM_FIELDS,
  type FormField,
  PLANT_FIELDS,
  type PlantValues,
} from '@zinc-pail/contract/plantFields';
import { numberIn } from '@zinc-pail/words/numbers';
import { mmText, shownLength, typed as units } from '../../reader/units.ts';

export type RecordForm = Record<FormField, string>;

const COIN = 100;
const USUAL_CURRENCY = 'EUR';

export const specOf = (field: FormField): FieldSpec => PLANT_FIELDS[field];

const isLength = (spec: FieldSpec) => spec.kind === 'whole' && spec.unit === 'mm';
/** With the unit in which it is typed. */
export const labelOf = (spec: FieldSpec): string => (isLength(spec) ? `${spec.label}, ${units.length()}` : spec.label);

export function formOf(plant: PlantView): RecordForm {
  const values: PlantValues<FormField> = { ...plant.record, ...plant };
  return Object.fromEntries(FORM_FIELDS.map((field) => [field, shown(specOf(field), values[field])])) as RecordForm;
}

function shown(spec: FieldSpec, value: string | number | boolean | null): string {
  const { kind } = spec;
  if (value === null) return kind === 'currency' ? USUAL_CURRENCY : '';
  if (isLength(spec)) return shownLength(String(value));
  return kind === 'money' ? (Number(value) / COIN).toFixed(2) : String(value);
}

/** What is to be sent, or what is wrong with what was typed. */
export function changeOf(form: RecordForm): { body: PlantChange } | { wrong: string } {
  const body: Record<string, unknown> = {};
  for (const field of FORM_FIELDS) {
    const value = typed(specOf(field), form[field].trim());
    if (Number.isNaN(value)) return { wrong: `${specOf(field).label}: a number is wanted.` };
    body[field] = value;
  }
  // A currency says nothing without a price.
  if (body.price_minor === null) body.price_currency = null;
  return { body: body as PlantChange };
}

function typed(spec: FieldSpec, text: string): string | number | null {
  if (text === '' && !spec.must) return null;
  switch (spec.kind) {
    case 'whole':
      return Math.round(numberIn(isLength(spec) ? mmText(text) : text, spec.min, spec.max));
    case 'number':
      return numberIn(text, spec.min, spec.max);
    case 'money':
      return Math.round(numberIn(text, 0, spec.max / COIN) * COIN);
    case 'currency':
      return text.toUpperCase();
    default:
      return text;
  }
}
