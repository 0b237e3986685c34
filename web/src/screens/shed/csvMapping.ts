/** Which column of a keeper's own table is what, as far as its heads tell. */
import { CSV_FIELDS, type CsvField } from '@zinc-pail/contract/plantFields';
import Papa from 'papaparse';

/** Heads that mostly mean a field, to begin the mapping with. */
const GUESSES: Record<CsvField, RegExp> = {
  name: /^(name|taxon|species|plant|scientific ?name)$/i,
  number: /^(number|no\.?|nr\.?|accession|id)$/i,
  provenance: /^(provenance|origin|locality)$/i,
  place: /^(place|bench|location)$/i,
  mix: /^(mix|substrate|soil)$/i,
  pot_top_mm: /^pot_top_mm$/i,
  pot_depth_mm: /^pot_depth_mm$/i,
  pot_shape: /^pot_shape$/i,
  pot_material: /^pot_material$/i,
  pot_holes: /^pot_holes$/i,
  diameter_mm: /^diameter_mm$/i,
  height_mm: /^height_mm$/i,
  acquired_on: /^(acquired_on|acquired|since|date)$/i,
  last_watered: /^(last_watered|last ?watered|watered)$/i,
  source: /^source$/i,
  other_names: /^other_names$/i,
  name_sure: /^name_sure$/i,
};

export type Mapping = Partial<Record<CsvField, string>>;

/** The heads of a table as they stand. */
export function headsOf(csv: string): string[] {
  const [first = []] = Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), { preview: 1 }).data;
  return first.map((name) => name.trim()).filter(Boolean);
}

/** To begin with; the keeper has the last word. */
export function guessed(heads: readonly string[]): Mapping {
  return Object.fromEntries(
    CSV_FIELDS.flatMap((field) => {
      const found = heads.find((name) => GUESSES[field].test(name));
      return found ? [[field, found]] : [];
    }),
  );
}

/** A field on another column, or on none. */
export function mapped(mapping: Mapping, field: CsvField, column: string): Mapping {
  const { [field]: _old, ...rest } = mapping;
  return column === '' ? rest : { ...rest, [field]: column };
}
