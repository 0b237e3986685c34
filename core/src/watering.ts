/** The ways water reaches a pot, and the kinds of water, as the garden file names them. */
export const METHODS = ['drench', 'measured', 'bottom', 'mist'] as const;
export type MethodId = (typeof METHODS)[number];
export const WATER_KINDS = ['rain', 'soft', 'hard', 'softened', 'filtered', 'distilled'] as const;
export type WaterKind = (typeof WATER_KINDS)[number];
