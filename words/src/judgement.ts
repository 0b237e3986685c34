/**
 * A judgement in words: the deed, its reason, what each answer leads to, what to mind, what never to do, what may have
 * happened.
 */
import type { Deed, DeedName, Happened, Judgement, Mind, Never } from '@zinc-pail/core';
import { dateWords, dayWords, daysBetween } from './days.ts';
import { reasonWords, type Speaking } from './reasons.ts';
import { amountWords, capital, degreeWords, doseWords } from './units.ts';

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

const SURE = { high: 'Sure.', medium: 'Fairly sure.', low: 'Not sure: a look tells more.' } as const;

const ACTS = {
  unpot: 'Unpot it today, no water',
  'out-of-frost': 'Bring it in tonight',
  'out-of-water': 'Tip out the water that stands in it',
} as const;
const MOVES = {
  warmer: 'To a warmer place',
  drier: 'To an airier, drier place',
  brighter: 'To a brighter place',
  shadier: 'Into shade',
  apart: 'Keep it apart',
  cover: 'Cover it',
} as const;
const LOOKS = {
  depth: 'Feel it first',
  weight: 'Weigh it first',
  base: 'Press the base',
  roots: 'Look at its roots',
  underside: 'Look under its leaves',
  growth: 'Look at its growth',
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
      return ahead <= 3 ? capital(dayWords(deed.until, today)) : `Leave until ${dayWords(deed.until, today)}`;
    }
    case 'sleep':
      return deed.next_look !== null && deed.next_look > today
        ? `Asleep. Leave it, and touch it about ${dayWords(deed.next_look, today)}`
        : 'Asleep. Leave it';
    case 'wake':
      return 'Try to wake it';
  }
}

/** How water comes to it, with its amount. */
export function drinkWords(
  way: 'drench' | 'base' | 'bottom' | 'measured' | 'mist',
  ml: number,
  flush: boolean,
  { units }: Speaking,
): string {
  const amount = amountWords(ml, units);
  if (flush) return `Flush, ${amount}`;
  switch (way) {
    case 'drench':
      return `Drench, ${amount}`;
    case 'base':
      return `Drench at the base, ${amount}`;
    case 'bottom':
      return `Stand in water, ${amount}`;
    case 'measured':
      return `Measure out ${amount}`;
    case 'mist':
      return 'Mist';
  }
}

/** What is done beside the first deed; a wait beside a look or a move says only that no water comes. */
function besideWords(deed: Deed, first: Deed, speaking: Speaking): string | null {
  if (deed.deed === 'wait')
    return deed.until === null
      ? first.deed === 'act'
        ? null
        : 'No water meanwhile.'
      : `No water before ${dayWords(deed.until, speaking.today)}.`;
  if (deed.deed === 'sleep') return 'No water: it is asleep.';
  return `${deedWords(deed, speaking)}.`;
}

const LEADS: Record<DeedName, string> = {
  act: 'rot: unpot it',
  move: 'move it',
  look: 'press the base, look at the roots',
  water: 'water it',
  sip: 'a small drink',
  wait: 'leave it',
  sleep: 'leave it asleep',
  wake: 'wake it',
};

/** "Wet or damp: leave it. Dry: water it." */
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

const MINDS: Record<Mind, string> = {
  'not-on-powder': 'To the mix only: drops mark its powder.',
  'not-into-rosette': 'Not into the rosette: pour at the rim.',
  'no-hole-measure': 'No hole: never more than the measure.',
  'softened-sodium': 'Softened water carries sodium: only for want of other.',
  'water-not-its-kind': 'This water is not among its kinds: an occasional drink does no harm.',
  'hard-crust': 'Many hard drinks: look for a white crust.',
  'salts-flush': 'Salts have built up: flush with soft water at a drink in growth, and let it run out.',
  'salts-stay': 'Salts cannot leave a pot without a hole: no food; drill it, or repot.',
  'cool-hours': 'Early in the morning or after sunset, not into the heat of the day.',
  'clay-frost': 'Wet fired clay bursts in frost: keep it dry, or stand it where it does not freeze.',
  'dark-heat': 'Its dark pot heats up in the sun, and roots cook before leaves do: shade the pot.',
  'long-dry-sip': 'Then a look in three to seven days, and the fuller drink once it has firmed up.',
  spines: 'Spines: gloves or tongs.',
  glochids: 'Barbed hairs: thick gloves, tape takes them off.',
  'milky-sap': 'Milky sap burns: gloves, and nothing near the eyes.',
  'irritant-sap': 'Its sap irritates: gloves, wash your hands.',
  'poisonous-sap': 'Its sap is poison: gloves, wash your hands.',
};

export function mindWords(mind: Mind): string {
  return MINDS[mind];
}

const NEVERS: Record<Exclude<Never, 'frost' | 'wet-and-cold'>, string> = {
  'long-soak': 'Never: a long soak.',
  'full-drink-leafless': 'Never: a full drink while leafless.',
  'water-into-rosette': 'Never: water left standing in its heart.',
  'oil-on-powder': 'Never: oil or soap on its powder.',
  'full-drink-asleep': 'Never: a full drink while it sleeps.',
  'standing-in-water': 'Never: left standing in a full saucer.',
  'dry-out': 'Never: dried right through.',
  'bury-neck': 'Never: its neck buried.',
  'second-drink-while-wet': 'Never: a second drink while the first is still there.',
};

export function neverWords(
  { never, never_c: c }: Pick<Judgement, 'never' | 'never_c'>,
  { units }: Pick<Speaking, 'units'>,
): string {
  if (never === 'frost') return `Never: nights below ${degreeWords(c ?? 0, units)}.`;
  if (never === 'wet-and-cold') return `Never: wet roots below ${degreeWords(c ?? 0, units)}.`;
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
export function happenedWords({ kind, from, to, look }: Happened, today: string): string {
  const when =
    from === to ? `on ${dateWords(from, today)}` : `between ${dateWords(from, today)} and ${dateWords(to, today)}`;
  switch (kind) {
    case 'stranger':
      return `Somebody may have watered it ${when}, or a note was forgotten.`;
    case 'ran-past':
      return `The drench ${when} may have run past a dry ball.`;
    case 'slower':
      return `It may dry more slowly since about ${dateWords(from, today)}: lost roots, a blocked hole?`;
    case 'faster':
      return `It may dry faster since about ${dateWords(from, today)}: roots that fill the pot?`;
    case 'slip':
      return `The ${LOOK_NAMES[look ?? 'finger']} ${when} may have been a slip.`;
  }
}

export { doseWords };
