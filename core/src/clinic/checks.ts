/**
 * The further look that tells causes apart: what each answer is likely to be under each cause, and what the look costs in
 * trouble and harm. What an answer is worth once given comes from the same table.
 */
import { signsThat } from '../catalogue/signs.ts';
import type { Sign } from '../garden.ts';
import { CAUSES, type Cause, type Hypothesis, HYPOTHESES } from '../catalogue/causes.ts';
import type { ClinicFacts } from './facts.ts';

export const CHECKS = [
  'press-base',
  'feel-depth',
  'look-roots',
  'look-axils',
  'look-underside',
  'look-evening',
] as const;
export type CheckId = (typeof CHECKS)[number];
/** Answers that are no signs: of the mix, of a look that finds nothing, of the evening. */
export const PLAIN_ANSWERS = ['wet', 'damp', 'dry', 'clean', 'taut', 'limp'] as const;
export type Answer = Sign | (typeof PLAIN_ANSWERS)[number];

export interface Check {
  id: CheckId;
  answers: readonly Answer[];
  /** chance of each answer under a cause; left out: `usual` */
  of: Partial<Record<Cause, readonly number[]>>;
  usual: readonly number[];
  /** bits of knowledge that it must be worth: trouble, and the harm it does */
  cost: (f: ClinicFacts) => number;
  /** whether it can be asked for at all, and has not just been answered */
  open: (f: ClinicFacts) => boolean;
  why: string;
}

const seenSince = (f: ClinicFacts, signs: readonly Sign[], days: number) =>
  f.signs.some(({ sign, day }) => signs.includes(sign) && f.today - day <= days);

export const CHECK_TABLE: readonly Check[] = [
  {
    id: 'press-base',
    answers: ['firm-base', 'soft-base'],
    of: {
      'stem-rot': [0.12, 0.88],
      'root-rot': [0.5, 0.5],
      overwatering: [0.88, 0.12],
      'cold-damage': [0.7, 0.3],
      'dead-roots': [0.93, 0.07],
      // A sleeper and a sound plant are firm: what gives there is no sleep.
      'natural-rest': [0.9996, 0.0004],
      normal: [0.9996, 0.0004],
      'natural-ageing': [0.9996, 0.0004],
    },
    usual: [0.985, 0.015],
    cost: () => 0.02,
    open: (f) => !seenSince(f, ['firm-base', 'soft-base'], 4),
    why: 'a thumb on the base takes a moment and hurts nothing: rot is soft, drought is firm',
  },
  {
    id: 'feel-depth',
    answers: ['wet', 'damp', 'dry'],
    of: {
      thirst: [0.02, 0.1, 0.88],
      overwatering: [0.62, 0.3, 0.08],
      'root-rot': [0.55, 0.3, 0.15],
      'stem-rot': [0.42, 0.32, 0.26],
      'dead-roots': [0.5, 0.3, 0.2],
      'water-repellent-mix': [0.05, 0.15, 0.8],
      'root-bound': [0.12, 0.23, 0.65],
      oedema: [0.4, 0.4, 0.2],
      'compacted-mix': [0.45, 0.35, 0.2],
      'natural-rest': [0.15, 0.25, 0.6],
    },
    usual: [0.28, 0.32, 0.4],
    cost: () => 0.03,
    open: (f) => f.felt === null || f.felt.days > 3,
    why: 'a finger or a skewer to the bottom takes a minute: wet and dry ask for opposite things',
  },
  {
    id: 'look-roots',
    answers: ['roots-firm', 'roots-mush', 'roots-brittle', 'root-fluff'],
    of: {
      'root-rot': [0.06, 0.88, 0.04, 0.02],
      'stem-rot': [0.4, 0.5, 0.06, 0.04],
      'dead-roots': [0.06, 0.06, 0.86, 0.02],
      'root-mealybug': [0.06, 0.02, 0.02, 0.9],
      overwatering: [0.78, 0.14, 0.06, 0.02],
      'transplant-shock': [0.8, 0.05, 0.13, 0.02],
      thirst: [0.84, 0.02, 0.12, 0.02],
      'root-bound': [0.92, 0.02, 0.04, 0.02],
      'salt-build-up': [0.8, 0.06, 0.12, 0.02],
      'natural-rest': [0.9, 0.02, 0.06, 0.02],
    },
    usual: [0.91, 0.04, 0.03, 0.02],
    // Lifting a plant tears fine roots, and more so asleep, freshly potted or in the cold; a thumb on the base comes first.
    cost: (f) =>
      0.3 +
      (seenSince(f, ['firm-base', 'soft-base'], 10) ? 0 : 0.3) +
      (f.state === 'resting' ? 0.25 : 0) +
      ((f.pottedDays ?? 99) < 14 ? 0.6 : (f.pottedDays ?? 99) < 30 ? 0.15 : 0) +
      (f.traits.form === 'stemless' ? 0.1 : 0),
    open: (f) => !seenSince(f, ['roots-firm', 'roots-mush', 'roots-brittle', 'root-fluff'], 14),
    why: 'out of the pot the roots themselves say it: white and firm, brown and soft, dry and brittle, or woolly',
  },
  {
    id: 'look-axils',
    answers: ['white-fluff', 'bumps', 'clustered-insects', 'clean'],
    of: {
      mealybug: [0.9, 0.02, 0.01, 0.07],
      scale: [0.03, 0.88, 0.01, 0.08],
      aphid: [0.02, 0.02, 0.88, 0.08],
      'root-mealybug': [0.2, 0.01, 0.01, 0.78],
    },
    usual: [0.015, 0.015, 0.01, 0.96],
    cost: () => 0.05,
    open: (f) =>
      !seenSince(f, ['white-fluff', 'bumps', 'clustered-insects'], 7) && (f.cleanDays === null || f.cleanDays > 7),
    why: 'a lens in the axils and along the ribs finds guests while they are few',
  },
  {
    id: 'look-underside',
    answers: ['webbing', 'silver-streaks', 'clean'],
    of: { 'spider-mite': [0.72, 0.16, 0.12], thrips: [0.03, 0.82, 0.15] },
    usual: [0.01, 0.015, 0.975],
    cost: () => 0.05,
    open: (f) => !seenSince(f, ['webbing', 'silver-streaks'], 7) && (f.cleanDays === null || f.cleanDays > 7),
    why: 'tap it over white paper: dots that walk are mites, slim ones thrips',
  },
  {
    id: 'look-evening',
    answers: ['taut', 'limp'],
    of: {
      'heat-stress': [0.88, 0.12],
      thirst: [0.06, 0.94],
      'root-rot': [0.06, 0.94],
      'dead-roots': [0.04, 0.96],
      'stem-rot': [0.08, 0.92],
    },
    usual: [0.4, 0.6],
    cost: () => 0.12,
    open: (f) =>
      f.signs.some(({ sign, day, when }) => sign === 'limp' && when !== 'always' && f.today - day <= 2) && f.heatK > -8,
    why: 'what is limp at noon and firm in the evening suffers from heat, not from thirst',
  },
];

export const checkOf = (id: CheckId): Check => CHECK_TABLE.find((check) => check.id === id)!;

export function chanceOf(check: Check, cause: Hypothesis, answer: number): number {
  return ((cause === 'unknown' ? undefined : check.of[cause]) ?? check.usual)[answer]!;
}

/** What a sign found on checking is worth: its chance under the cause against the usual chance. */
export function answerTimes(sign: Sign): Partial<Record<Cause, number>> | null {
  for (const check of CHECK_TABLE) {
    const answer = (check.answers as readonly string[]).indexOf(sign);
    if (answer < 0 || !FOUND_ON_CHECK.has(sign)) continue;
    return Object.fromEntries(
      CAUSES.map((cause) => [cause, (check.of[cause] ?? check.usual)[answer]! / check.usual[answer]!]),
    ) as Partial<Record<Cause, number>>;
  }
  return null;
}
/** Signs that are found by these checks alone; the others have rules of their own. */
export const FOUND_ON_CHECK = signsThat('checked');

/**
 * Expected gain in bits: of what to do (the kind of remedy), and a little of the cause itself.
 *
 * @param beliefs probability of each hypothesis, summing to 1
 * @param kindOf the remedy of a hypothesis
 */
export function gainOf(
  check: Check,
  beliefs: ReadonlyMap<Hypothesis, number>,
  kindOf: (h: Hypothesis) => string,
): number {
  const before = entropies(beliefs, kindOf);
  let kinds = 0;
  let causes = 0;
  for (const answer of check.answers.keys()) {
    let chance = 0;
    const after = new Map<Hypothesis, number>();
    for (const h of HYPOTHESES) {
      const joint = (beliefs.get(h) ?? 0) * chanceOf(check, h, answer);
      chance += joint;
      after.set(h, joint);
    }
    if (chance <= 0) continue;
    for (const [h, joint] of after) after.set(h, joint / chance);
    const entropy = entropies(after, kindOf);
    kinds += chance * entropy.kinds;
    causes += chance * entropy.causes;
  }
  return before.kinds - kinds + CAUSE_SHARE * (before.causes - causes);
}
/** To know the cause is worth this much of knowing what to do. */
const CAUSE_SHARE = 0.25;

function entropies(beliefs: ReadonlyMap<Hypothesis, number>, kindOf: (h: Hypothesis) => string) {
  const kinds = new Map<string, number>();
  for (const [h, p] of beliefs) kinds.set(kindOf(h), (kinds.get(kindOf(h)) ?? 0) + p);
  return { kinds: entropy([...kinds.values()]), causes: entropy([...beliefs.values()]) };
}

function entropy(shares: readonly number[]): number {
  return shares.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);
}
