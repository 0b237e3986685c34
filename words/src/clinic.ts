/** The clinic in words: causes, what speaks for and against, the next check, steps, hands raised. One code, one wording. */
import { stepsShown, type Worth } from '@zinc-pail/core';
import type {
  Action,
  Case,
  Cause,
  CaseStep,
  Caution,
  Change,
  CheckAnswer,
  CheckId,
  Evidence,
  HistoryCode,
  Outcome,
  Raised,
  Spot,
  Step,
  WatchCode,
  Worked,
} from '@zinc-pail/core';
import { CAUSE_WORDS, causeWords } from './causes.ts';
import { CAUTION_WORDS } from './cautions.ts';
import { dateWords, onDay } from './days.ts';
import type { Speaking } from './reasons.ts';
import { signPlaceWords, signWords } from './signs.ts';
import { countWords, degreeWords } from './units.ts';

const days = (n: number | undefined) => countWords(Math.round(n ?? 0), 'day');
const percent = (share: number | undefined) => `${Math.round((share ?? 0) * 100)} %`;
const daysAgo = (n: number | undefined) => {
  const count = Math.round(n ?? 0);
  return count === 0 ? 'today' : count === 1 ? 'yesterday' : `${count} days ago`;
};

type Numbers = Readonly<Record<string, number>>;
const HISTORY: Readonly<Record<HistoryCode, (n: Numbers, speaking: Speaking) => string>> = {
  'felt-wet': (n) => `mix felt wet ${daysAgo(n.days)}`,
  'felt-damp': (n) => `mix felt damp ${daysAgo(n.days)}`,
  'felt-dry': (n) => `mix felt dry ${daysAgo(n.days)}`,
  'reckoned-wet': (n) => `mix probably wet, ${percent(n.m)} of its water left`,
  'reckoned-dry': () => 'mix probably dry',
  'wet-days': (n) => `wet for ${days(n.days)} without a break`,
  'wet-cold': (n, { units }) => `${days(n.days)} wet and cold, ${degreeWords(n.warmth!, units)} on average`,
  'wet-feet': (n) => `its roots an estimated ${percent(n.index)} of the way to rot`,
  'often-wet': (n) => `seldom dry in two months, ${percent(n.m)} full on average`,
  'dry-days': (n) => `pot dry for ${days(n.days)}`,
  'thirst-index': (n) => `an estimated ${percent(n.share)} of its reserves used up`,
  'store-full': (n) => (n.days === undefined ? 'it has not been dry for long' : `it drank ${daysAgo(n.days)}`),
  'dry-then-drenched': (n) => `stood dry for ${days(n.days)} before the drink of ${days(n.ago)} ago`,
  'still-slack': (n) => `still slack ${days(n.days)} after its drink`,
  'potted-lately': (n) => `potted ${daysAgo(n.days)}`,
  'not-potted': () => 'not potted of late',
  'roots-hurt': (n) => `roots cut ${daysAgo(n.days)}`,
  'moved-to-light': (n) => `moved to ${(n.times ?? 1).toFixed(1)} times the light ${daysAgo(n.days)}`,
  'treated-lately': (n) => `a remedy on its skin ${daysAgo(n.days)}`,
  'not-moved': () => 'no more light than it is used to',
  'light-high': (n) => `more light than its kind does well with, ${Math.round(n.light!)} mol a day`,
  hot: (n, { units }) => `up to ${degreeWords(n.high!, units)} in the last three weeks`,
  'not-hot': (n, { units }) => `never hotter than ${degreeWords(n.high!, units)} in the last three weeks`,
  'cold-night': (n, { units }) => `a night of ${degreeWords(n.low!, units)} ${daysAgo(n.days)}`,
  'no-cold': (n, { units }) => `no night colder than ${degreeWords(n.low!, units)} in the last three weeks`,
  'too-dark': (n) => `${n.light!.toFixed(1)} mol of light a day, and it needs at least ${n.gets_by}`,
  'light-enough': (n) => `light enough, ${n.light!.toFixed(0)} mol a day`,
  'salts-high': (n) => `salts estimated at ${n.ec!.toFixed(1)} mS/cm, its limit ${n.limit!.toFixed(1)}`,
  'salts-low': (n) => `few salts expected, ${n.ec!.toFixed(1)} mS/cm`,
  'hard-drinks': (n) => `${countWords(n.drinks!, 'drink')} of hard water since the last flush`,
  'soft-drinks': () => 'no hard water on record',
  'fed-often': (n) =>
    `${n.doses === 1 ? '1 dose' : `${n.doses!.toFixed(1).replace('.0', '')} doses`} of food in two months`,
  'fed-lately': (n) => `fed ${daysAgo(n.days)}`,
  'never-fed': (n) => `no food on record in ${n.years!.toFixed(1)} years`,
  'mix-old': (n) => `${n.years!.toFixed(1)} years in this mix`,
  'mix-new': (n) => `a mix of ${days((n.years ?? 0) * 365)}`,
  slower: (n) => `dries ${percent(1 - n.factor!)} slower than before`,
  faster: (n) => `dries ${percent(n.factor! - 1)} faster than before`,
  'sheds-water': () => 'its mix sheds water once dry',
  'takes-water': () => 'its mix takes water at once',
  'no-hole': () => 'a pot without a hole',
  resting: (n) => `asleep for ${days(n.days)}`,
  easing: (n) => `on its way to rest for ${days(n.days)}`,
  'in-growth': () => 'far from its rest',
  'rest-soon': (n) => `its rest begins in about ${days(n.days)}`,
  'pot-full': (n) => `${percent(n.share)} as wide as its pot`,
  'pot-roomy': (n) => `only ${percent(n.share)} as wide as its pot`,
  'dry-air': (n) => `dry air, about ${Math.round(n.rh!)} %`,
  'damp-still': (n) => `damp air with little movement, about ${Math.round(n.rh!)} %`,
  'came-lately': (n) => `came ${daysAgo(n.days)}`,
  neighbour: (n) => `seen on ${countWords(n.plants!, 'neighbour')}`,
  'found-clean': (n) => `looked over and found clean ${daysAgo(n.days)}`,
  'roots-found-soft': (n) => `soft roots found at the repotting ${daysAgo(n.days)}`,
  'roots-found-dry': (n) => `brittle roots found at the repotting ${daysAgo(n.days)}`,
  'roots-found-pests': (n) => `pests found on the roots at the repotting ${daysAgo(n.days)}`,
};

/** "limp (2), at midday", "pot dry for 11 days". */
export function evidenceWords({ kind, code, strength, where, when, unseen, n }: Evidence, speaking: Speaking): string {
  if (kind === 'sign' && unseen) return `likely from its notes, not seen yet: ${signWords(code)}`;
  if (kind === 'sign')
    return [
      `${signWords(code)}${strength === undefined ? '' : ` (${strength})`}`,
      ...(where ? [signPlaceWords(where)] : []),
      ...(when === 'midday' ? ['at midday'] : []),
    ].join(', ');
  return HISTORY[code as HistoryCode](n, speaking);
}

interface CheckWords {
  /** the command-line and calendar name of it */
  name: string;
  ask: string;
  why: string;
}

export const CHECK_WORDS: Readonly<Record<CheckId, CheckWords>> = {
  'press-base': {
    name: 'press the base of the stem',
    ask: 'Press the base with your thumb. Firm, or does it give?',
    why: 'tells thirst from rot: drought leaves the base firm, rot makes it soft',
  },
  'feel-depth': {
    name: 'feel the mix at depth',
    ask: 'Push a finger or a skewer to the bottom. How is the mix down there?',
    why: 'wet and dry ask for opposite things, and the top says little of the core',
  },
  'look-roots': {
    name: 'lift it out and look at the roots',
    ask: 'Tip it out gently. What are the roots like?',
    why: 'the roots show it; worth the trouble only if the rest leaves it open',
  },
  'look-axils': {
    name: 'look into axils and folds with a lens',
    ask: 'Look into axils, between ribs, along stalks. Any pests?',
    why: 'finds pests while they are few, or rules them out',
  },
  'look-underside': {
    name: 'look under the leaves, tap it over white paper',
    ask: 'Tap it over white paper, look at the undersides. What do you see?',
    why: 'mites and thrips leave the same pallor as sun and hunger',
  },
  'look-evening': {
    name: 'look again in the evening',
    ask: 'Look again when it is cool. Firm again, or still limp?',
    why: 'wilting from heat is gone by the evening; from thirst or lost roots it is not',
  },
};

export const ANSWER_WORDS: Readonly<Partial<Record<CheckAnswer, { label: string; look: string }>>> = {
  'firm-base': { label: 'Firm', look: 'hard as a raw potato, whatever its colour' },
  'soft-base': { label: 'Soft', look: 'gives under the thumb, wet or brown inside' },
  wet: { label: 'Wet', look: 'cold, sticks to the finger, the skewer comes out dark' },
  damp: { label: 'Damp', look: 'cool, crumbs cling' },
  dry: { label: 'Dry', look: 'dusty, nothing clings' },
  'roots-firm': { label: 'White and firm', look: 'pale tips, will not strip' },
  'roots-mush': { label: 'Brown and soft', look: 'the skin slides off a thread, it smells' },
  'roots-brittle': { label: 'Dry and brittle', look: 'thin, breaks like hay' },
  'root-fluff': { label: 'White wool', look: 'waxy tufts between roots and wall' },
  'white-fluff': { label: 'White wool', look: 'tufts in axils, crushed they leave colour' },
  bumps: { label: 'Fixed bumps', look: 'brown shields that a nail lifts off' },
  'clustered-insects': { label: 'A crowd', look: 'green or black, on the tender parts' },
  webbing: { label: 'Fine webs', look: 'dots that walk on the paper' },
  'silver-streaks': { label: 'Silver streaks', look: 'with dark specks, slim insects' },
  clean: { label: 'No pests', look: 'no wool, no shields, nothing that moves' },
  taut: { label: 'Firm again', look: 'as it was in the morning' },
  limp: { label: 'Still limp', look: 'no better in the cool' },
};

interface StepWords {
  head: string;
  how: string;
}

export const STEP_WORDS: Readonly<Record<Step, StepWords>> = {
  'press-base': { head: 'Press the base', how: 'Firm, or does it give?' },
  'feel-depth': { head: 'Feel the mix at depth', how: 'Still wet a week on means lost roots: then unpot.' },
  unpot: { head: 'Unpot it', how: 'Shake off the wet mix. It is not used again.' },
  cut: {
    head: 'Cut to clean tissue',
    how: 'With a clean blade, away from the hand, slice by slice until the cut is one colour. Clean the blade before each slice.',
  },
  'dry-wound': { head: 'Let the cut dry', how: 'Airy, shaded, no water, until the wound is a dry skin.' },
  'pot-dry': {
    head: 'Pot it into fresh dry mix',
    how: 'A gritty mix, a pot no larger than the roots left. No water yet.',
  },
  'first-water': { head: 'First water', how: 'A small measured drink, in the morning.' },
  water: { head: 'Water it', how: 'As today’s advice says.' },
  soak: { head: 'Stand it in water', how: 'Until the top darkens, two hours at the most; then let it drain.' },
  flush: {
    head: 'Flush it',
    how: 'Twice the volume of the pot, plain soft water, let it run out and empty the saucer.',
  },
  'stop-food': { head: 'No food', how: 'Until it grows again.' },
  'feed-once': { head: 'One weak feed', how: 'Half of what the label says, with a drink that is due.' },
  shade: { head: 'Move it into bright shade', how: 'Out of the direct sun. Leave marked leaves on: they still work.' },
  light: {
    head: 'More light, in steps',
    how: 'A quarter of an hour of sun on the first day, half an hour more each day.',
  },
  warm: {
    head: 'Move it somewhere warmer',
    how: 'Keep it dry and not hot: let it thaw slowly. Cut nothing until you can see what is lost.',
  },
  'drier-air': { head: 'More air around it', how: 'A fan or an open vent, more room between pots, no wet leaves.' },
  isolate: {
    head: 'Quarantine it',
    how: 'Keep it two arm lengths from the others. Work on it last; wash hands and tools afterwards.',
  },
  swab: {
    head: 'Dab each pest with alcohol',
    how: 'A cotton bud, rubbing alcohol; try one leaf first, in shade. It burns easily: no flame, open window.',
  },
  wash: {
    head: 'Wash it',
    how: 'Tepid water with a little mild soap on tough smooth leaves, rinse, dry it in moving air and shade.',
  },
  'wash-roots': {
    head: 'Wash the roots',
    how: 'Rinse off all of the old mix under running water, every fold of the root; let them dry a day.',
  },
  wipe: { head: 'Wipe each spot', how: 'A soft brush or a damp cotton bud, never over the whole powder.' },
  'soil-drench': {
    head: 'Treat the mix',
    how: 'With an insecticide for root pests that is approved where you live: the label is the law.',
  },
  'pick-off': {
    head: 'Take them off by hand',
    how: 'With a fingernail or a toothbrush; by torchlight for pests that feed at night.',
  },
  'look-over': { head: 'Check it for pests', how: 'Axils, folds, undersides, stalks. Any pests?' },
  neighbours: { head: 'Check its neighbours', how: 'Every pot on its bench, axils and undersides.' },
  repot: { head: 'Repot it', how: 'At the potting bench.' },
  'open-mix': { head: 'A fresh, airier mix', how: 'At the potting bench: more grit, less of what rots.' },
  'softer-water': {
    head: 'Softer water from now on',
    how: 'Rain or filtered water where you can; hard water now and then is fine.',
  },
  'take-tips': {
    head: 'Take sound tips as insurance',
    how: 'Clean cuttings from healthy parts, dried before they are set.',
  },
  'take-leaf': { head: 'Take off the marked leaves', how: 'Only if you like: those marks never heal. No spray.' },
  'look-again': { head: 'Check again', how: 'Check the new growth and how firm it is. Old marks never heal.' },
};

const WATCH_WORDS: Readonly<Record<WatchCode, { head: string; say: (n: Numbers, speaking: Speaking) => string }>> = {
  'wet-in-cold': {
    head: 'Wet in the cold',
    say: (n, { units }) =>
      `Wet for ${days(n.days)} at ${degreeWords(n.warmth!, units)}: press the base, give it air or warmth.`,
  },
  'not-drying': {
    head: 'Not drying any more',
    say: (n) => `It dries ${percent(1 - n.factor!)} slower than before: dead roots, or a blocked hole.`,
  },
  'drying-fast': {
    head: 'Drying far faster',
    say: (n) =>
      `It dries ${percent(n.factor! - 1)} faster than before: roots fill the pot, or water runs past the root ball.`,
  },
  'shrinking-warm-rest': {
    head: 'Shrinking in a warm rest',
    say: (n, { units }) =>
      `Asleep at ${degreeWords(n.warmth!, units)} it uses up its reserves: move it somewhere cooler, or give a small drink.`,
  },
  'no-growth-awake': {
    head: 'Awake, and not growing',
    say: (n) => `It woke ${days(n.days)} ago and shows no growth: are its roots alive?`,
  },
  'too-dark-long': {
    head: 'Too dark for months',
    say: (n) => `${days(n.days)} on ${n.light!.toFixed(1)} mol of light a day, and it needs at least ${n.gets_by}.`,
  },
  'crust-due': {
    head: 'Salts may have built up',
    say: (n) =>
      `${countWords(n.drinks!, 'watering')} with hard water since the last flush: look for a white crust${n.grows === 0 ? '; flush it once it is growing.' : ' and flush it.'}`,
  },
};

export function raisedWords({ code, n }: Raised, speaking: Speaking): { head: string; say: string } {
  return { head: WATCH_WORDS[code].head, say: WATCH_WORDS[code].say(n, speaking) };
}

const SPOT_WORDS: Readonly<Record<Spot, string>> = {
  hearts: 'hearts',
  axils: 'leaf axils',
  ribs: 'between the ribs',
  pads: 'where pads join',
  undersides: 'undersides of leaves',
  stalks: 'flower stalks',
  necks: 'at the necks',
  stems: 'cracks of the stems',
};

/** "Check all 13 for pests: leaf axils, hearts, flower stalks. Last on 4 October." */
export function inspectWords(
  { plants, last, spots, close }: { plants: number; last: string | null; spots: readonly Spot[]; close: boolean },
  { today, units }: Speaking,
): string {
  return (
    `Check ${plants === 1 ? 'it' : `all ${plants}`} for pests: ` +
    `${spots.map((spot) => SPOT_WORDS[spot]).join(', ')}. ${last ? `Last done ${onDay(last, today, units)}.` : 'Not done yet.'}` +
    (close ? ' They are crowded and the air is still: thin them out.' : '')
  );
}

export const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  cured: 'Cured',
  better: 'Better',
  same: 'No better',
  lost: 'Lost',
  mistaken: 'It was something else',
  nothing: 'Nothing was wrong',
  unknown: 'Never found out',
};

const MOVED: Readonly<Record<string, string>> = {
  warmer: 'Move it somewhere warmer.',
  drier: 'Move it somewhere drier and airier.',
  brighter: 'Move it somewhere brighter, in steps.',
  shadier: 'Move it into bright shade.',
  apart: 'Keep it away from the others.',
  cover: 'Cover it tonight.',
  'out-of-frost': 'Out of the frost tonight.',
  'out-of-water': 'Out of the water now.',
};

/** An action as the command line and the case tell it. @param drink "90 ml, drench" where it is to be watered */
export function actionWords(
  { action, of, on, optional }: Action,
  { today, units }: Speaking,
  drink: string | null,
): string {
  const day = on && on > today ? ` From ${dateWords(on, today, units)}.` : '';
  switch (action) {
    case 'check':
      return `${capitalised(CHECK_WORDS[of as CheckId].name)} before anything else.`;
    case 'hold':
      return on && on > today
        ? `No water until ${dateWords(on, today, units)}.`
        : 'No water until you know what it is.';
    case 'wake':
      return (
        'Wake it: bright, warm (over about 20 °C) and a little moister air. Press it once more, then give the first drink by ' +
        'its waking rule. Check in three weeks.'
      );
    case 'leave':
      return `Nothing to do: ${CAUSE_WORDS[of as Cause].sense.replace(/^./, (c) => c.toLowerCase())}`;
    case 'move':
      return MOVED[of ?? ''] ?? 'Move it.';
    case 'water':
      return `Water it${drink ? `: ${drink}` : ''}.`;
    default: {
      const { head, how } = STEP_WORDS[action];
      return `${head}${optional ? ', if you like' : ''}. ${how}${day}`;
    }
  }
}

export function changeWords({ change, of, on, days: n }: Change, { today, units }: Speaking): string {
  switch (change) {
    case 'interval':
      return of === 'earlier'
        ? 'It is watered a step earlier from now on; next season you will see whether that helped.'
        : 'It is watered a step later from now on; next season you will see whether that helped.';
    case 'hold':
      return `No water until ${dateWords(on!, today, units)}.`;
    case 'food':
      return `No food for ${days(n)}.`;
    case 'look':
      return `Check it again ${onDay(on!, today, units)}.`;
    case 'store':
      return 'Its reserves are now assumed to be smaller than its size suggests.';
    case 'rate':
      return of === 'slower'
        ? 'Its pot is expected to dry more slowly from now on: fewer roots take up water.'
        : 'Its pot is expected to dry faster from now on.';
    case 'air':
      return of === 'moister'
        ? 'Dry air brings them: moister air and more room between the pots, never wet leaves.'
        : 'Damp still air brings it: a fan or a vent, more room between the pots.';
    case 'repeat':
      return `Repeat every ${days(n)} until it is clean twice in a row.`;
  }
}

const TREATS: ReadonlySet<string> = new Set<Step>(['swab', 'wash', 'wipe', 'soil-drench']);
const CUTS: ReadonlySet<string> = new Set<Step>([
  'cut',
  'unpot',
  'take-tips',
  'take-leaf',
  'pot-dry',
  'repot',
  'open-mix',
]);

/** Said where hands come near it: the kind's own first, then what the treatment brings. */
export function cautionWords(cautions: readonly Caution[], steps: readonly string[]): string[] {
  const own = cautions.map((caution) => CAUTION_WORDS[caution].long);
  return [
    ...own,
    ...(steps.some((step) => CUTS.has(step))
      ? ['Blades: clean, and away from the hand. Dry mix dusts: damp it, or a mask.']
      : []),
    ...(steps.includes('swab') ? ['Alcohol burns easily: no flame, open a window.'] : []),
    ...(steps.some((step) => TREATS.has(step))
      ? ['Try one leaf first, and keep it out of the sun until it is dry.']
      : []),
    ...(steps.includes('soil-drench') ? ['Only what is approved for this where you live; the label is the law.'] : []),
  ];
}

/** What a badly damaged plant is worth here, and why. */
export function worthWords(
  worth: Worth,
  { others, hardToReplace }: { others: number; hardToReplace: boolean },
): string {
  const kin = others === 0 ? 'the only one of its kind here' : `${countWords(others, 'other')} of its kind here`;
  switch (worth) {
    case 'let-go':
      return `Badly hurt, and there ${others === 1 ? 'is' : 'are'} ${kin}: throwing it away, mix and all, costs least and puts no other plant at risk.`;
    case 'parts':
      return `Badly hurt, and ${hardToReplace ? 'hard to replace' : kin}: take healthy cuttings while there are some, and root them away from the others.`;
    case 'keep':
      return `Badly hurt; ${kin}. You can keep it, away from the others, as long as it gets no worse.`;
  }
}

/** Where a case stands, one line. */
export function caseStateWords(
  { cause, steps, closed, cleanRun, ready, holdUntil }: Case,
  { today, units }: Speaking,
): string {
  if (closed) return `${OUTCOME_WORDS[closed.outcome]}, ${onDay(closed.on, today, units)}.`;
  const next = nextStep(stepsShown({ steps }, today));
  const parts = [
    ...(holdUntil && holdUntil > today ? [`No water until ${dateWords(holdUntil, today, units)}.`] : []),
    ...(cleanRun > 0 ? [`Found clean ${cleanRun === 1 ? 'once' : 'twice in a row'}.`] : []),
    ...(ready
      ? ['All done: close the case.']
      : next
        ? [
            `Next: ${STEP_WORDS[next.step].head.toLowerCase()}${next.due && next.due > today ? `, ${dateWords(next.due, today, units)}` : ''}.`,
          ]
        : []),
  ];
  return parts.length > 0 ? parts.join(' ') : causeWords(cause).sense;
}

export function nextStep(steps: readonly CaseStep[]): CaseStep | undefined {
  return steps.find(({ doneOn, due, optional }) => doneOn === null && due !== null && !optional);
}

/** "Mealybugs: 3 cases, 2 got better. Dabbed with alcohol in 2 of them." Counts, no shares of a handful. */
export function workedWords({ cause, closed, helped, lost, steps }: Worked): string {
  const best = steps.filter(({ helped: good }) => good > 0).slice(0, 2);
  return [
    `${causeWords(cause).name}: ${countWords(closed, 'case')} closed, ${helped} cured or better${lost > 0 ? `, ${lost} lost` : ''}.`,
    ...best.map(({ step, cases, helped: good }) => `${STEP_WORDS[step].head}: helped in ${good} of ${cases}.`),
  ].join(' ');
}

function capitalised(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
