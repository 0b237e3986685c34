/**
 * A judgement in words: the deed, its reason, what each answer leads to, what to mind, what never to do, what may have
 * happened.
 */
import type { Caution, Deed, DeedName, Happened, Judgement, Mind, Never, Way } from '@zinc-pail/core';
import { CAUTION_WORDS } from './cautions.ts';
import { dateWords, dayWords, daysBetween } from './days.ts';
import { reasonWords, type Speaking } from './reasons.ts';
import { WAY_WORDS } from './ways.ts';
import { amountWords, capital, degreeWords } from './units.ts';

export interface JudgementWords {
  /** the deed, without a full stop */
  head: string;
  /** one to three sentences */
  reason: string;
  /** what stands beside the first deed, a sentence each */
  beside: string[];
  /** for a look: what each answer leads to */
  then: string | null;
  mind: string[];
  never: string;
  sure: string;
}

/** So many of the strongest reasons are told on a line. */
const REASONS_TOLD = 2;

export function judgementWords(judgement: Judgement, speaking: Speaking): JudgementWords {
  const { deeds, because, mind } = judgement;
  const [first, ...others] = deeds;
  const strongest = because.slice(0, REASONS_TOLD);
  // What the keeper saw is always told.
  const seen = because.find(({ source }) => source === 'seen');
  const told = [...strongest, ...(seen && !strongest.includes(seen) ? [seen] : [])].map((reason) =>
    reasonWords(reason, speaking),
  );
  return {
    head: deedWords(first, speaking),
    reason: [...new Set(told)].join(' '),
    beside: others.flatMap((deed) => besideWords(deed, first, speaking) ?? []),
    then: first.deed === 'look' ? thenWords(first.what, first.then) : null,
    mind: mind.map((code) => mindWords(code)),
    never: neverWords(judgement, speaking),
    sure: SURE[judgement.sure],
  };
}

const SURE = { high: 'Sure.', medium: 'Fairly sure.', low: 'Not sure: a check would tell more.' } as const;

const ACTS = {
  unpot: 'Unpot it today, no water',
  'out-of-frost': 'Bring it in tonight',
  'out-of-water': 'Tip out the water left in it',
} as const;
const MOVES = {
  warmer: 'Move it somewhere warmer',
  drier: 'Move it somewhere drier and airier',
  brighter: 'Move it somewhere brighter',
  shadier: 'Move it into shade',
  apart: 'Quarantine it',
  cover: 'Cover it',
} as const;
const LOOKS = {
  depth: 'Feel it first',
  weight: 'Weigh it first',
  base: 'Press the base',
  roots: 'Check its roots',
  underside: 'Check under its leaves',
  growth: 'Check its growth',
} as const;

/** The deed, a few words. */
export function deedWords(deed: Deed, { units, today }: Speaking): string {
  switch (deed.deed) {
    case 'act':
      return deed.to ? `${ACTS[deed.what]}: ${deed.to.name}` : ACTS[deed.what];
    case 'move':
      return deed.to ? `${MOVES[deed.what]}: ${deed.to.name}` : MOVES[deed.what];
    case 'look':
      return LOOKS[deed.what];
    case 'sip':
      return `Measure out ${amountWords(deed.amount_ml, units)}`;
    case 'water':
      return drinkWords(deed.way, deed.amount_ml, deed.flush, { units, today });
    case 'wait': {
      if (deed.until === null) return 'No water';
      const ahead = daysBetween(today, deed.until);
      return ahead <= 0 ? 'No water' : `Wait until ${dayWords(deed.until, today, units)}`;
    }
    case 'sleep':
      return deed.next_look !== null && deed.next_look > today
        ? `Asleep: no water. Check it around ${dayWords(deed.next_look, today, units)}`
        : 'Asleep: no water';
    case 'wake':
      return 'Try to wake it';
  }
}

/** How water comes to it, with its amount. */
export function drinkWords(way: Way, ml: number, flush: boolean, { units }: Speaking): string {
  const amount = amountWords(ml, units);
  if (flush) return `Flush, ${amount}`;
  return WAY_WORDS[way].advised(amount);
}

/** What is done beside the first deed; a wait beside a look or a move says only that no water comes. */
function besideWords(deed: Deed, first: Deed, speaking: Speaking): string | null {
  if (deed.deed === 'wait')
    return deed.until === null
      ? first.deed === 'act'
        ? null
        : 'No water for now.'
      : `No water before ${dayWords(deed.until, speaking.today, speaking.units)}.`;
  if (deed.deed === 'sleep') return 'No water: it is asleep.';
  return `${deedWords(deed, speaking)}.`;
}

const LEADS: Record<DeedName, string> = {
  act: 'rot: unpot it',
  move: 'move it',
  look: 'press the base, check the roots',
  water: 'water it',
  sip: 'a small drink',
  wait: 'no water',
  sleep: 'leave it dry',
  wake: 'wake it',
};

/** "Wet or damp: no water. Dry: water it." */
function thenWords(what: string, then: Readonly<Record<string, DeedName>>): string {
  const byDeed = new Map<DeedName, string[]>();
  for (const [answer, deed] of Object.entries(then)) byDeed.set(deed, [...(byDeed.get(deed) ?? []), answer]);
  return [...byDeed]
    .map(
      ([deed, answers]) =>
        `${capital(answers.join(' or '))}: ${deed === 'act' && what !== 'base' && what !== 'roots' ? 'unpot it' : LEADS[deed]}.`,
    )
    .join(' ');
}

const isCaution = (mind: Mind): mind is Mind & Caution => mind in CAUTION_WORDS;
const MINDS: Record<Exclude<Mind, Caution>, string> = {
  'not-on-powder': 'Water the mix only: drops mark its powder.',
  'not-into-rosette': 'Not into the rosette: pour at the rim.',
  'no-hole-measure': 'No hole: never more than the measure.',
  'softened-sodium': 'Softened water carries sodium: use it only if there is nothing else.',
  'water-not-its-kind': 'This is not the water it likes best; now and then is fine.',
  'hard-crust': 'Many waterings with hard water: look for a white crust.',
  'salts-flush': 'Salts have built up: flush with soft water while it is growing, and let it run through.',
  'salts-stay': 'Salts cannot leave a pot without a hole: no food; drill it, or repot.',
  'cool-hours': 'Early in the morning or after sunset, not into the heat of the day.',
  'clay-frost': 'Wet fired clay bursts in frost: keep it dry, or move it where it does not freeze.',
  'dark-heat': 'Its dark pot heats up in the sun and can cook the roots: shade the pot.',
  'long-dry-sip': 'Check it in three to seven days, and water fully once it has firmed up.',
};

export function mindWords(mind: Mind): string {
  return isCaution(mind) ? CAUTION_WORDS[mind].short : MINDS[mind];
}

const NEVERS: Record<Exclude<Never, 'frost' | 'wet-and-cold'>, string> = {
  'long-soak': 'Never soak it for long.',
  'full-drink-leafless': 'Never water it fully while it is leafless.',
  'water-into-rosette': 'Never leave water standing in its heart.',
  'oil-on-powder': 'Never put oil or soap on its powder.',
  'full-drink-asleep': 'Never water it fully while it is dormant.',
  'standing-in-water': 'Never leave it standing in a full saucer.',
  'dry-out': 'Never let it dry out completely.',
  'second-drink-while-wet': 'Never water it again while it is still wet.',
};

export function neverWords(
  { never, never_c: c }: Pick<Judgement, 'never' | 'never_c'>,
  { units }: Pick<Speaking, 'units'>,
): string {
  if (never === 'frost') return `Never below ${degreeWords(c ?? 0, units)} at night.`;
  if (never === 'wet-and-cold') return `Never wet roots below ${degreeWords(c ?? 0, units)}.`;
  return NEVERS[never];
}

const LOOK_NAMES = {
  finger: 'finger',
  surface: 'look at the top',
  meter: 'probe',
  weight: 'weighing',
  lift: 'lift',
} as const;

/** What may have happened, as a question a keeper can answer. */
export function happenedWords({ kind, from, to, look }: Happened, { today, units }: Speaking): string {
  const when =
    from === to
      ? `on ${dateWords(from, today, units)}`
      : `between ${dateWords(from, today, units)} and ${dateWords(to, today, units)}`;
  switch (kind) {
    case 'stranger':
      return `Somebody may have watered it ${when} without a note.`;
    case 'ran-past':
      return `The water given ${when} may have run past a dry root ball.`;
    case 'slower':
      return `It may dry more slowly since about ${dateWords(from, today, units)}: lost roots, or a blocked hole?`;
    case 'faster':
      return `It may dry faster since about ${dateWords(from, today, units)}: roots that fill the pot?`;
    case 'slip':
      return `The ${LOOK_NAMES[look ?? 'finger']} ${when} may have been a mistake.`;
  }
}
