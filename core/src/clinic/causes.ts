/** What may ail a plant, or not ail it at all; ids are those of files (docs/formats.md). */
export const CAUSES = [
  'thirst',
  'overwatering',
  'root-rot',
  'stem-rot',
  'dead-roots',
  'natural-rest',
  'natural-ageing',
  'new-leaf',
  'normal',
  'sun-scorch',
  'too-dark',
  'cold-damage',
  'heat-stress',
  'oedema',
  'salt-build-up',
  'hard-water',
  'root-bound',
  'compacted-mix',
  'water-repellent-mix',
  'transplant-shock',
  'underfed',
  'mealybug',
  'root-mealybug',
  'spider-mite',
  'scale',
  'thrips',
  'aphid',
  'chewing-pest',
  'mildew',
  'leaf-spot',
] as const;
export type Cause = (typeof CAUSES)[number];

/** What is left when none of them fits. */
export const UNKNOWN = 'unknown';
export type Hypothesis = Cause | typeof UNKNOWN;
export const HYPOTHESES: readonly Hypothesis[] = [...CAUSES, UNKNOWN];

export const ROTS = ['root-rot', 'stem-rot'] as const satisfies readonly Cause[];
/** A full answer by themselves: nothing is wrong. */
export const HARMLESS = ['natural-rest', 'natural-ageing', 'new-leaf', 'normal'] as const satisfies readonly Cause[];
export const PESTS = [
  'mealybug',
  'root-mealybug',
  'spider-mite',
  'scale',
  'thrips',
  'aphid',
  'chewing-pest',
] as const satisfies readonly Cause[];
export type Pest = (typeof PESTS)[number];
/** What one look finds or rules out together: in axils and along ribs, and on the undersides over white paper. */
export const IN_AXILS = ['mealybug', 'scale', 'aphid'] as const satisfies readonly Cause[];
export const ON_UNDERSIDES = ['spider-mite', 'thrips'] as const satisfies readonly Cause[];
/** Whether a look that was clean of the one was clean of the other. */
export function clearedTogether(looked: Cause, other: Cause): boolean {
  return (
    looked === other ||
    [IN_AXILS, ON_UNDERSIDES].some((some: readonly Cause[]) => some.includes(looked) && some.includes(other))
  );
}
export const FUNGI = ['mildew', 'leaf-spot'] as const satisfies readonly Cause[];
/** What spreads from pot to pot. */
export const SPREADS: readonly Cause[] = [...PESTS.filter((pest) => pest !== 'chewing-pest'), 'mildew'];

const among = (list: readonly Cause[]) => {
  const set = new Set<Hypothesis>(list);
  return (cause: Hypothesis) => set.has(cause);
};
export const isRot = among(ROTS);
export const isHarmless = among(HARMLESS);
export const isPest = among(PESTS);
export const spreads = among(SPREADS);

/**
 * What a cause makes one do, in broad kinds: two causes of one kind need not be told apart before anything is done.
 * A check is worth what it tells of the kind, and a little of what it tells of the cause.
 */
export const REMEDY: Record<Hypothesis, string> = {
  thirst: 'water',
  'water-repellent-mix': 'soak',
  overwatering: 'keep-dry',
  oedema: 'keep-dry',
  'root-rot': 'unpot',
  'stem-rot': 'unpot',
  'dead-roots': 're-root',
  'natural-rest': 'leave',
  'natural-ageing': 'leave',
  'new-leaf': 'leave',
  normal: 'leave',
  'sun-scorch': 'shade',
  'heat-stress': 'shade',
  'too-dark': 'light',
  'cold-damage': 'warmth',
  'salt-build-up': 'flush',
  'hard-water': 'flush',
  'root-bound': 'repot',
  'compacted-mix': 'repot',
  'transplant-shock': 'settle',
  underfed: 'feed',
  mealybug: 'treat',
  'spider-mite': 'treat',
  scale: 'treat',
  thrips: 'treat',
  aphid: 'treat',
  'root-mealybug': 'treat-roots',
  'chewing-pest': 'catch',
  mildew: 'air',
  'leaf-spot': 'air',
  unknown: 'unknown',
};

/** What a case may be closed with. */
export const OUTCOMES = ['cured', 'better', 'same', 'lost', 'mistaken', 'nothing', 'unknown'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** What is done in a case, one thing a step. */
export const STEPS = [
  'press-base',
  'feel-depth',
  'unpot',
  'cut',
  'dry-wound',
  'pot-dry',
  'first-water',
  'water',
  'soak',
  'flush',
  'stop-food',
  'feed-once',
  'shade',
  'light',
  'warm',
  'drier-air',
  'isolate',
  'swab',
  'wash',
  'wash-roots',
  'wipe',
  'soil-drench',
  'pick-off',
  'look-over',
  'neighbours',
  'repot',
  'open-mix',
  'softer-water',
  'take-tips',
  'take-leaf',
  'look-again',
] as const;
export type Step = (typeof STEPS)[number];

/** What a step found, where it looks for something. */
export const FOUND = ['clean', 'guests', 'firm', 'soft', 'better', 'same', 'worse'] as const;
export type Found = (typeof FOUND)[number];
