/** What is done about a cause, one thing a step, each with its day: nothing is stacked that can wait (one change at a time). */
import type { Form, Store } from '../garden.ts';
import type { Caution } from '../plant/genera.ts';
import type { Cause } from '../catalogue/causes.ts';
import type { Step } from './steps.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

export interface PlannedStep {
  step: Step;
  /** days after the case was opened, or after the step that it follows was done */
  after: number;
  follows?: Step;
  /** asked again so many days after it was done, until the plant was found clean twice running */
  every?: number;
  /** a choice, not a must */
  optional?: boolean;
}

export interface PlanFacts {
  form: Form;
  store: Store;
  cautions: readonly Caution[];
  /** thickness of the plant above the soil: how long a cut dries, mm */
  diameterMm: number;
  /** in growth, and warm enough to heal */
  growing: boolean;
  /** asleep or in the cold: water on its skin would stand */
  idle: boolean;
  indoors: boolean;
  holes: boolean;
  /** days until a potting is in season; 0 now, null where nobody can say */
  pottingInDays: number | null;
  neverSoak: boolean;
}

/** Any plant: where only what hangs on the cause is asked of a plan. */
export const ANY_PLANT: PlanFacts = {
  form: 'rosette',
  store: 'leaf',
  cautions: [],
  diameterMm: 80,
  growing: true,
  idle: false,
  indoors: true,
  holes: true,
  pottingInDays: 0,
  neverSoak: false,
};

/** Days that a cut dries before it is set: hours for thin leaf, a week or more for thick stems (propagation handbooks). */
export function woundDays({ form, diameterMm, store }: Pick<PlanFacts, 'form' | 'diameterMm' | 'store'>): number {
  if (store === 'none') return 1;
  if (form === 'globe' || form === 'column' || form === 'caudex')
    return diameterMm > 80 ? 14 : diameterMm > 40 ? 10 : 7;
  if (form === 'pad' || form === 'bulb' || form === 'stiff-leaf') return 5;
  return diameterMm > 150 ? 5 : 3;
}

const again = (after: number): PlannedStep => ({ step: 'look-again', after });
const POWDERY = (f: PlanFacts) => f.cautions.includes('powdery');

/** Unpot, cut to clean tissue, dry, pot dry, wait, first water. */
function rescue(f: PlanFacts): PlannedStep[] {
  const dry = woundDays(f);
  return [
    { step: 'unpot', after: 0 },
    { step: 'cut', after: 0 },
    { step: 'stop-food', after: 0 },
    ...(FORM_TABLE[f.form].cuttable ? [{ step: 'take-tips', after: 0, optional: true } as const] : []),
    { step: 'dry-wound', after: 0, follows: 'cut' },
    { step: 'pot-dry', after: dry, follows: 'cut' },
    { step: 'shade', after: 0, follows: 'pot-dry' },
    { step: 'first-water', after: f.growing ? 7 : 14, follows: 'pot-dry' },
    again(42),
  ];
}

/** Treat, look again, treat again, until it is found clean twice running; the neighbours on days 0, 7 and 14. */
function treated(step: Step, every: number): PlannedStep[] {
  return [
    { step: 'isolate', after: 0 },
    { step, after: 0, every },
    { step: 'neighbours', after: 0 },
    { step: 'neighbours', after: 7 },
    { step: 'neighbours', after: 14 },
    { step: 'look-over', after: every, every },
  ];
}

export const PLANS: Record<Cause, (f: PlanFacts) => PlannedStep[]> = {
  // How much, and whether in stages, says the judgement of the day.
  thirst: () => [{ step: 'water', after: 0 }, again(3)],
  'water-repellent-mix': (f) => [
    { step: f.neverSoak ? 'water' : 'soak', after: 0 },
    again(2),
    { step: 'repot', after: f.pottingInDays ?? 60, optional: true },
  ],
  overwatering: () => [
    { step: 'feel-depth', after: 7 },
    { step: 'drier-air', after: 0 },
    { step: 'stop-food', after: 0 },
    again(21),
  ],
  oedema: () => [{ step: 'drier-air', after: 0 }, { step: 'take-leaf', after: 0, optional: true }, again(28)],
  'root-rot': rescue,
  'stem-rot': rescue,
  'dead-roots': () => [
    { step: 'unpot', after: 0 },
    { step: 'cut', after: 0 },
    { step: 'pot-dry', after: 2, follows: 'cut' },
    { step: 'shade', after: 0, follows: 'pot-dry' },
    { step: 'first-water', after: 4, follows: 'pot-dry' },
    { step: 'stop-food', after: 0 },
    again(28),
  ],
  'natural-rest': () => [{ step: 'press-base', after: 30 }],
  'natural-ageing': () => [again(30)],
  'new-leaf': () => [again(30)],
  normal: () => [again(7)],
  'sun-scorch': () => [{ step: 'shade', after: 0 }, { step: 'light', after: 14, follows: 'shade' }, again(21)],
  'heat-stress': () => [{ step: 'shade', after: 0 }, { step: 'drier-air', after: 0, optional: true }, again(3)],
  'too-dark': () => [{ step: 'light', after: 0 }, { step: 'stop-food', after: 0 }, again(21)],
  'cold-damage': () => [{ step: 'warm', after: 0 }, { step: 'press-base', after: 5 }, again(14)],
  'salt-build-up': (f) => [
    f.holes ? { step: 'flush', after: 0 } : { step: 'repot', after: f.pottingInDays ?? 60 },
    { step: 'stop-food', after: 0 },
    { step: 'softer-water', after: 0 },
    again(42),
  ],
  'hard-water': (f) => [
    { step: 'softer-water', after: 0 },
    ...(f.holes ? [{ step: 'flush', after: 0, optional: true } as const] : []),
    again(60),
  ],
  'root-bound': (f) => [{ step: 'repot', after: f.pottingInDays ?? 60 }, again((f.pottingInDays ?? 60) + 30)],
  'compacted-mix': (f) => [
    { step: 'open-mix', after: f.pottingInDays ?? 60 },
    { step: 'feel-depth', after: 7 },
    again((f.pottingInDays ?? 60) + 30),
  ],
  'transplant-shock': () => [{ step: 'shade', after: 0 }, { step: 'stop-food', after: 0 }, again(10)],
  underfed: () => [{ step: 'feed-once', after: 0 }, again(28)],
  // Alcohol takes the powder off a leaf: there each guest is picked off.
  mealybug: (f) => treated(POWDERY(f) ? 'pick-off' : 'swab', 7),
  'root-mealybug': () => [
    { step: 'isolate', after: 0 },
    { step: 'unpot', after: 0 },
    { step: 'wash-roots', after: 0, follows: 'unpot' },
    { step: 'pot-dry', after: 1, follows: 'wash-roots' },
    { step: 'first-water', after: 5, follows: 'pot-dry' },
    { step: 'soil-drench', after: 14, follows: 'pot-dry', optional: true },
    { step: 'neighbours', after: 0 },
    { step: 'neighbours', after: 14 },
    { step: 'look-over', after: 21, every: 21 },
  ],
  // Powder is not washed off a leaf, nor a sleeper wetted: there the web is brushed away and each spot wiped.
  'spider-mite': (f) => treated(POWDERY(f) || f.idle ? 'wipe' : 'wash', 5),
  scale: () => treated('pick-off', 8),
  thrips: (f) => treated(POWDERY(f) || f.idle ? 'wipe' : 'wash', 7),
  aphid: (f) => treated(POWDERY(f) || f.idle ? 'pick-off' : 'wash', 5),
  'chewing-pest': () => [
    { step: 'pick-off', after: 0, every: 3 },
    { step: 'look-over', after: 3, every: 3 },
  ],
  mildew: () => [
    { step: 'drier-air', after: 0 },
    { step: 'take-leaf', after: 0 },
    { step: 'neighbours', after: 7 },
    { step: 'look-over', after: 7, every: 7 },
  ],
  'leaf-spot': () => [{ step: 'take-leaf', after: 0 }, { step: 'drier-air', after: 0 }, again(14)],
};

/** What a cause taken for true does to the gaps between drinks: a step, or nothing. */
export const GAP_STEP: Partial<Record<Cause, 'earlier' | 'later'>> = {
  thirst: 'earlier',
  overwatering: 'later',
  oedema: 'later',
  'leaf-spot': 'later',
  'too-dark': 'later',
};

/** How its pot dries from then on: lost roots drink nothing, a full pot is soon dry. */
export const PACE: Partial<Record<Cause, 'slower' | 'faster'>> = {
  'root-rot': 'slower',
  'dead-roots': 'slower',
  'root-bound': 'faster',
};

/** No water for so many days, whatever is reckoned, or until the step that ends it. */
export const HOLD_DAYS: Partial<Record<Cause, number>> = {
  overwatering: 7,
  'cold-damage': 10,
  'stem-rot': 21,
  'root-rot': 21,
  'dead-roots': 6,
};
export const HOLDS_UNTIL_WATERED: readonly Cause[] = ['root-rot', 'stem-rot', 'dead-roots', 'root-mealybug'];
