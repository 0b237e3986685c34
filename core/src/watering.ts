/** The kinds of water, as the garden file names them; the ways it reaches a pot stand in the catalogue. */
export const WATER_KINDS = ['rain', 'soft', 'hard', 'softened', 'filtered', 'distilled'] as const;
export type WaterKind = (typeof WATER_KINDS)[number];
