/** What may ail a plant, or not ail it at all: one row with all that is asked of a cause. Ids are those of files (docs/formats.md). */

interface CauseRow {
  /** how it was kept, rot, a pest, a fungus, or nothing that is wrong */
  kind: 'culture' | 'rot' | 'pest' | 'fungus' | 'harmless';
  /**
   * what it makes one do, in broad kinds: two causes of one kind need not be told apart before anything is done. A check is
   * worth what it tells of the kind, and a little of what it tells of the cause
   */
  remedy: string;
  /** from pot to pot */
  spreads?: true;
  /** where one look finds it, or rules it out: in axils and along ribs, or on the undersides over white paper */
  sits?: 'axils' | 'undersides';
}

const ROWS = {
  thirst: { kind: 'culture', remedy: 'water' },
  overwatering: { kind: 'culture', remedy: 'keep-dry' },
  'root-rot': { kind: 'rot', remedy: 'unpot' },
  'stem-rot': { kind: 'rot', remedy: 'unpot' },
  'dead-roots': { kind: 'culture', remedy: 're-root' },
  'natural-rest': { kind: 'harmless', remedy: 'leave' },
  'natural-ageing': { kind: 'harmless', remedy: 'leave' },
  'new-leaf': { kind: 'harmless', remedy: 'leave' },
  normal: { kind: 'harmless', remedy: 'leave' },
  'sun-scorch': { kind: 'culture', remedy: 'shade' },
  'too-dark': { kind: 'culture', remedy: 'light' },
  'cold-damage': { kind: 'culture', remedy: 'warmth' },
  'heat-stress': { kind: 'culture', remedy: 'shade' },
  oedema: { kind: 'culture', remedy: 'keep-dry' },
  'salt-build-up': { kind: 'culture', remedy: 'flush' },
  'hard-water': { kind: 'culture', remedy: 'flush' },
  'root-bound': { kind: 'culture', remedy: 'repot' },
  'compacted-mix': { kind: 'culture', remedy: 'repot' },
  'water-repellent-mix': { kind: 'culture', remedy: 'soak' },
  'transplant-shock': { kind: 'culture', remedy: 'settle' },
  underfed: { kind: 'culture', remedy: 'feed' },
  mealybug: { kind: 'pest', remedy: 'treat', spreads: true, sits: 'axils' },
  'root-mealybug': { kind: 'pest', remedy: 'treat-roots', spreads: true },
  'spider-mite': { kind: 'pest', remedy: 'treat', spreads: true, sits: 'undersides' },
  scale: { kind: 'pest', remedy: 'treat', spreads: true, sits: 'axils' },
  thrips: { kind: 'pest', remedy: 'treat', spreads: true, sits: 'undersides' },
  aphid: { kind: 'pest', remedy: 'treat', spreads: true, sits: 'axils' },
  'chewing-pest': { kind: 'pest', remedy: 'catch' },
  mildew: { kind: 'fungus', remedy: 'air', spreads: true },
  'leaf-spot': { kind: 'fungus', remedy: 'air' },
} satisfies Record<string, CauseRow>;

export type Cause = keyof typeof ROWS;
export const CAUSES = Object.keys(ROWS) as Cause[];
export const CAUSE_TABLE: Readonly<Record<Cause, CauseRow>> = ROWS;

/** What is left when none of them fits. */
export const UNKNOWN = 'unknown';
export type Hypothesis = Cause | typeof UNKNOWN;
export const HYPOTHESES: readonly Hypothesis[] = [...CAUSES, UNKNOWN];

type OfKind<K extends CauseRow['kind']> = {
  [C in Cause]: (typeof ROWS)[C]['kind'] extends K ? C : never;
}[Cause];
const ofKind = <K extends CauseRow['kind']>(kind: K) =>
  CAUSES.filter((cause): cause is OfKind<K> => CAUSE_TABLE[cause].kind === kind);

export const ROTS = ofKind('rot');
/** A full answer by themselves: nothing is wrong. */
export const HARMLESS = ofKind('harmless');
export const PESTS = ofKind('pest');
export type Pest = OfKind<'pest'>;

const rowOf = (cause: Hypothesis): CauseRow | null => (cause === UNKNOWN ? null : CAUSE_TABLE[cause]);
export const isRot = (cause: Hypothesis) => rowOf(cause)?.kind === 'rot';
export const isHarmless = (cause: Hypothesis) => rowOf(cause)?.kind === 'harmless';
export const isPest = (cause: Hypothesis) => rowOf(cause)?.kind === 'pest';
export const isFungus = (cause: Hypothesis) => rowOf(cause)?.kind === 'fungus';
export const spreads = (cause: Hypothesis) => rowOf(cause)?.spreads === true;
export const remedyFor = (cause: Hypothesis) => rowOf(cause)?.remedy ?? UNKNOWN;

/** The first that such a look finds. */
export const foundIn = (sits: NonNullable<CauseRow['sits']>) =>
  CAUSES.find((cause) => CAUSE_TABLE[cause].sits === sits)!;

/** Whether a look that was clean of the one was clean of the other. */
export function clearedTogether(looked: Cause, other: Cause): boolean {
  const { sits } = CAUSE_TABLE[looked];
  return looked === other || (sits !== undefined && sits === CAUSE_TABLE[other].sits);
}
