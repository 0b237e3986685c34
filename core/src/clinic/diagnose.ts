/**
 * What a sign means in this pot: prior odds, what each sign and each piece of the pot's history is worth, joined so that
 * what goes together is counted once, and brought to shares.
 *
 * Bayes' rule in odds form (Spiegelhalter & Knill-Jones 1984, weights of evidence): ln of a cause's weight is its prior
 * plus the ln of each factor. Signs that come together: the strongest for and the strongest against count, the rest by a
 * third. Lines of the history that tell of one thing are counted in part (GROUPS in historyRules.ts).
 */
import { SIGN_TABLE, signsThat } from '../catalogue/signs.ts';
import type { Sign, SignPlace } from '../garden.ts';
import { ramp } from '../numeric/curves.ts';
import {
  type Cause,
  CAUSES,
  type Hypothesis,
  HYPOTHESES,
  isRot,
  remedyFor,
  ROTS,
  UNKNOWN,
} from '../catalogue/causes.ts';
import { answerTimes, CHECK_TABLE, type CheckId, gainOf } from './checks.ts';
import { type ClinicFacts, type ClinicSign } from './facts.ts';
import { GROUPS, HISTORY_RULES, type HistoryCode } from './historyRules.ts';
import { lnPriors } from './priors.ts';
import { BY_STRENGTH, GIVEN, SIGN_RULES, SOUND, UNRELATED } from './signRules.ts';

/** One thing that speaks for or against a cause: a sign as it was seen, or a line of the pot's history. */
export interface Evidence {
  kind: 'sign' | 'history';
  code: Sign | HistoryCode;
  /** of a sign */
  strength?: number;
  where?: SignPlace | null;
  when?: 'always' | 'midday' | null;
  /** of a sign that the record tells and nobody saw */
  unseen?: boolean;
  n: Readonly<Record<string, number>>;
  /** ln of how much it moved this cause against the others */
  weight: number;
}

export interface RankedCause {
  cause: Cause;
  probability: number;
  for: Evidence[];
  against: Evidence[];
}

export interface Diagnosis {
  /** likeliest first; sum to at most 1 with `unknown` as the rest */
  causes: RankedCause[];
  unknown: number;
  /** root rot and stem rot together */
  rot: number;
  /** the base or the roots were felt since the sign came: rot can be told from the rest */
  baseFelt: boolean;
  nextCheck: { check: CheckId; gain: number } | null;
  /** no cause is likely enough to act on */
  cantTell: boolean;
  signs: ClinicSign[];
}

/** Of signs that come together the strongest counts in full, the rest by what is left. */
const STRONGEST = 0.67;
/** Brings what is said to what is so in simulated plants (calibration.test.ts). */
export const TEMPER = 1.1;
/** Below this a cause is not worth a line. */
const TOLD_FROM = 0.01;
/** No cause as likely as this: it can't be told. */
export const TELLS_FROM = 0.4;
/** A remedy as likely as this is acted on. */
export const ACTS_FROM = 0.45;
/** Rot likelier than this, and a base that nobody felt: no water on any reckoning. */
export const ROT_THRESHOLD = 0.2;
/** A look must be worth this many bits above its cost. */
const WORTH_BITS = 0.06;
/** A sign that something since may have answered counts so much. */
const ANSWERED = 0.5;
const SPEAKS_FROM = 0.2;

interface Item {
  group: string;
  evidence: Omit<Evidence, 'weight'>;
  ln: Map<Hypothesis, number>;
}

export function diagnose(f: ClinicFacts): Diagnosis {
  const items = [...f.signs.map((sign) => signItem(sign, f)), ...historyItems(f)];
  const beliefs = believed(f, items);
  const causes = CAUSES.map((cause) => ({
    cause,
    probability: beliefs.get(cause)!,
    ...speaking(cause, items, beliefs),
  }))
    .filter(({ probability }) => probability >= TOLD_FROM)
    .sort((a, b) => b.probability - a.probability);
  const rot = ROTS.reduce((sum, cause) => sum + beliefs.get(cause)!, 0);
  return {
    causes,
    unknown: beliefs.get(UNKNOWN)!,
    rot,
    baseFelt: baseFelt(f),
    nextCheck: nextCheck(f, beliefs),
    cantTell: tellable(causes) < TELLS_FROM,
    signs: f.signs,
  };
}

/** The chance of the likeliest remedy: two causes that are answered alike need not be told apart. */
function tellable(causes: readonly { cause: Cause; probability: number }[]): number {
  const sums = new Map<string, number>();
  for (const { cause, probability } of causes)
    sums.set(remedyFor(cause), (sums.get(remedyFor(cause)) ?? 0) + probability);
  return Math.max(0, ...sums.values());
}

/** The probability of each hypothesis, summing to 1. */
export function believe(f: ClinicFacts): Map<Hypothesis, number> {
  return believed(f, [...f.signs.map((sign) => signItem(sign, f)), ...historyItems(f)]);
}

function believed(f: ClinicFacts, items: readonly Item[]): Map<Hypothesis, number> {
  const groups = new Map<string, Item[]>();
  for (const item of items) groups.set(item.group, [...(groups.get(item.group) ?? []), item]);
  const ln = lnPriors(f);
  // Found firm, and nothing else seen: somebody looked and all was well.
  if (f.signs.length > 0 && f.signs.every(({ sign }) => FOUND_SOUND.has(sign)))
    ln.set('normal', ln.get('normal')! + Math.log(ALL_WELL));
  for (const h of HYPOTHESES) {
    let sum = ln.get(h)!;
    for (const group of groups.values()) {
      const values = group.map((item) => item.ln.get(h) ?? 0);
      sum += group[0]!.evidence.kind === 'sign' ? joined(values) : values.reduce((all, value) => all + value, 0);
    }
    ln.set(h, sum * TEMPER);
  }
  const top = Math.max(...ln.values());
  let total = 0;
  for (const [h, value] of ln) {
    const weight = Math.exp(value - top);
    ln.set(h, weight);
    total += weight;
  }
  for (const [h, weight] of ln) ln.set(h, weight / total);
  return ln;
}

const FOUND_SOUND = signsThat('sound');
/** So many times likelier than by its usual weight nothing is wrong, where all that was seen is sound. */
const ALL_WELL = 20;

/** What comes together is counted once, and the more of it there is the more, a little. */
function joined(values: readonly number[]): number {
  let most = 0;
  let least = 0;
  let sum = 0;
  for (const value of values) {
    most = Math.max(most, value);
    least = Math.min(least, value);
    sum += value;
  }
  return STRONGEST * (most + least) + (1 - STRONGEST) * sum;
}

const rulesOf = new Map<Sign, typeof SIGN_RULES>();
for (const rule of SIGN_RULES) rulesOf.set(rule.sign, [...(rulesOf.get(rule.sign) ?? []), rule]);

function signItem(seen: ClinicSign, f: ClinicFacts): Item {
  const ln = new Map<Hypothesis, number>();
  const power = BY_STRENGTH[Math.min(3, Math.max(1, Math.round(seen.strength))) - 1]! * (seen.answered ? ANSWERED : 1);
  // A base that gives a little in its sleep is a store that is spent, as often as anything.
  const sleepsSoft = seen.sign === 'soft-base' && seen.strength < 2 && f.state === 'resting';
  const sound = sleepsSoft ? {} : (answerTimes(seen.sign) ?? SOUND[seen.sign]?.of ?? null);
  if (sound) for (const cause of CAUSES) ln.set(cause, Math.log(sound[cause] ?? 1));
  else {
    for (const cause of CAUSES) ln.set(cause, Math.log(UNRELATED) * power);
    const factors = new Map<Cause, number>();
    for (const { cause, times, where, when, given } of rulesOf.get(seen.sign) ?? []) {
      if (where && (seen.where === null || !where.includes(seen.where))) continue;
      if (when && seen.when !== when) continue;
      if (given && !GIVEN[given](f)) continue;
      factors.set(cause, (factors.get(cause) ?? 1) * times);
    }
    for (const [cause, times] of factors) ln.set(cause, Math.log(times) * power);
  }
  ln.set(UNKNOWN, 0);
  return {
    group: `sign ${SIGN_TABLE[seen.sign].group}`,
    evidence: {
      kind: 'sign',
      code: seen.sign,
      strength: seen.strength,
      where: seen.where,
      when: seen.when,
      ...(seen.unseen ? { unseen: true } : {}),
      n: {},
    },
    ln,
  };
}

function historyItems(f: ClinicFacts): Item[] {
  return HISTORY_RULES.flatMap(({ code, group, value, from, to, of, n }) => {
    const x = value(f);
    const share = x === null ? 0 : ramp(x, from, to);
    if (share <= 0) return [];
    const ln = new Map<Hypothesis, number>();
    for (const [cause, times] of Object.entries(of)) ln.set(cause as Cause, Math.log(times) * share * GROUPS[group]);
    return [{ group, evidence: { kind: 'history' as const, code, n: n?.(f) ?? {} }, ln }];
  });
}

/** What speaks for and against a cause: how much each item moved it against all the others. */
function speaking(
  cause: Cause,
  items: readonly Item[],
  beliefs: ReadonlyMap<Hypothesis, number>,
): { for: Evidence[]; against: Evidence[] } {
  const told = items.map(({ evidence, ln }) => {
    let others = 0;
    let share = 0;
    for (const h of HYPOTHESES) {
      if (h === cause) continue;
      const p = beliefs.get(h)!;
      others += p * Math.exp(ln.get(h) ?? 0);
      share += p;
    }
    const weight = (ln.get(cause) ?? 0) - Math.log(share > 0 ? others / share : 1);
    // A line of the history that says nothing of this cause is not told of it.
    return { ...evidence, weight: evidence.kind === 'history' && !ln.has(cause) ? 0 : weight };
  });
  const by = (sign: 1 | -1) =>
    told
      .filter(({ weight }) => weight * sign > SPEAKS_FROM)
      .sort((a, b) => sign * (b.weight - a.weight))
      .slice(0, MOST_LINES)
      .map((evidence) => ({ ...evidence, weight: Math.round(evidence.weight * 100) / 100 }));
  return { for: by(1), against: by(-1) };
}
const MOST_LINES = 6;

const TELLS_OF_BASE = signsThat('of-base');
const WORRIES = signsThat('worries');

function baseFelt({ signs }: ClinicFacts): boolean {
  const worry = signs.filter(({ sign }) => WORRIES.has(sign)).at(-1);
  return signs.some(({ sign, day }) => TELLS_OF_BASE.has(sign) && (!worry || day >= worry.day));
}

/** The look that tells most for its trouble, or none that is worth it. */
function nextCheck(f: ClinicFacts, beliefs: ReadonlyMap<Hypothesis, number>): Diagnosis['nextCheck'] {
  let best: Diagnosis['nextCheck'] = null;
  let most = WORTH_BITS;
  for (const check of CHECK_TABLE) {
    if (!check.open(f)) continue;
    const gain = gainOf(check, beliefs, (h) => remedyFor(h));
    const worth = gain - check.cost(f) + (check.id === 'press-base' ? rotFirst(beliefs, f) : 0);
    if (worth <= most) continue;
    most = worth;
    best = { check: check.id, gain: Math.round(gain * 1000) / 1000 };
  }
  return best;
}

/** Rot does not wait: what tells of it comes before what tells of drought. */
function rotFirst(beliefs: ReadonlyMap<Hypothesis, number>, { signs }: ClinicFacts): number {
  let rot = 0;
  for (const [h, p] of beliefs) if (isRot(h)) rot += p;
  return 0.15 * ramp(rot, 0.05, 0.35) * (signs.some(({ sign }) => WORRIES.has(sign)) ? 1 : 0);
}
