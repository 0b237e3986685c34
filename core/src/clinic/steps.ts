/** What is done in a case, what it finds, and what a case may be closed with. */

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
