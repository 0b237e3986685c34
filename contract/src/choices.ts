/** Lists of choices that screens show too: kept apart from the schemas, so that no browser carries these. */
export const SOURCES = ['nursery', 'swap', 'seed', 'cutting', 'gift', 'found', 'other'] as const;

/** What a column of a list of plants may be. */
export const CSV_FIELDS = [
  'name',
  'number',
  'provenance',
  'place',
  'mix',
  'pot_top_mm',
  'pot_depth_mm',
  'pot_shape',
  'pot_material',
  'pot_holes',
  'diameter_mm',
  'height_mm',
  'acquired_on',
  'last_watered',
  'source',
  'other_names',
  'name_sure',
] as const;
export type CsvField = (typeof CSV_FIELDS)[number];
