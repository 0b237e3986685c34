/** What pots are made of: one row with all that is asked of a material. */

interface MaterialRow {
  /**
   * vapour through its wet wall against free water under the same air. Fired clay of 6 mm passes about a quarter (field
   * figure: a terracotta pot dries up to twice as fast as a plastic one of its size; Bunt 1988, ch. 2)
   */
  wall: number;
  /** of wall and floor, g/cm² */
  gCm2: number;
  /** full of water it bursts in frost */
  bursts: boolean;
  /** how far its weight steadies a pot in wind; below 0 it blows over */
  steady: number;
  /** how it takes hard sun, where it cooks roots: a penalty in the open sun, and elsewhere */
  cooks: { sun: number; shade: number } | null;
  /** keeps a mix damp longer than bare clay: what that is worth to a heavy hand, and to another */
  keepsDamp: { heavyHand: number; light: number } | null;
  holdsWarmth: number;
}

const ROWS = {
  terracotta: { wall: 0.27, gCm2: 1.3, bursts: true, steady: 0.6, cooks: null, keepsDamp: null, holdsWarmth: 0 },
  glazed: {
    wall: 0,
    gCm2: 1.5,
    bursts: false,
    steady: 1,
    cooks: null,
    keepsDamp: { heavyHand: -0.3, light: 0.1 },
    holdsWarmth: 0,
  },
  plastic: {
    wall: 0,
    gCm2: 0.12,
    bursts: false,
    steady: -1,
    cooks: { sun: -0.5, shade: 0 },
    keepsDamp: { heavyHand: -0.3, light: 0.2 },
    holdsWarmth: 0,
  },
  concrete: { wall: 0.07, gCm2: 2.6, bursts: false, steady: 1.2, cooks: null, keepsDamp: null, holdsWarmth: 0.05 },
  metal: {
    wall: 0,
    gCm2: 0.5,
    bursts: false,
    steady: -0.5,
    cooks: { sun: -0.9, shade: -0.2 },
    keepsDamp: null,
    holdsWarmth: 0,
  },
} as const satisfies Record<string, MaterialRow>;

export type PotMaterial = keyof typeof ROWS;
export const POT_MATERIALS = Object.keys(ROWS) as PotMaterial[];
export const MATERIAL_TABLE: Readonly<Record<PotMaterial, MaterialRow>> = ROWS;
/** A wall that passes this much of what free water gives breathes. */
export const BREATHES_FROM = 0.2;
