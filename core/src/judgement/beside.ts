/** What is said and done beside the answer: into shade, into light, out of the cold, a look at roots. */
import { dayNumber } from '../calendar/day.ts';
import { type Hypothesis, spreads } from '../catalogue/causes.ts';
import { type Step } from '../clinic/steps.ts';
import { actedOn } from '../clinic/remedy.ts';
import { placeDefaults } from '../place/defaults.ts';
import { LIGHT_BANDS } from '../plant/library.ts';
import { WEANING_DAYS } from '../potting/weaning.ts';
import { type Answer, DRINKS, hundredth, tenth } from './answer.ts';
import { nearLimit } from './cold.ts';
import type { Deed, Move } from './deeds.ts';
import { type Facts, iso } from './facts.ts';
import { heatAhead } from './heat.ts';
import { driesFast } from './looks.ts';
import type { Why } from './weights.ts';

type Beside = (answer: Answer, facts: Facts) => Answer;

const has = ({ deeds }: Answer, name: Deed['deed']) => deeds.some(({ deed }) => deed === name);
/** Quarantine is no place of its own: it stands beside whatever else it is moved for. */
const isMoved = ({ deeds }: Answer) => deeds.some((deed) => deed.deed === 'move' && deed.what !== 'apart');

function alsoMoved(answer: Answer, what: Move): Answer {
  return { ...answer, deeds: [...answer.deeds, { deed: 'move', what }] };
}

/** So much above what it bears, heat is more than a thing to mind. */
const WELL_ABOVE_K = 3;

/** Heat beside whatever else there is: first only where it is great and nothing else is to be done. */
export const intoShade: Beside = (answer, facts) => {
  const { heat } = facts;
  const hot = heatAhead(facts);
  if (!hot || answer.deeds.some(({ deed }) => deed === 'move')) return answer;
  const idle =
    (answer.deeds[0].deed === 'wait' || answer.deeds[0].deed === 'sleep') && heat.highC >= heat.limitC + WELL_ABOVE_K;
  return {
    ...answer,
    deeds: (idle ? [...hot.deeds, ...answer.deeds] : [...answer.deeds, ...hot.deeds]) as Answer['deeds'],
    because: idle ? [...hot.because, ...answer.because] : [...answer.because, ...hot.because],
    nextLook: idle ? hot.nextLook : answer.nextLook,
  };
};

/** Its roots grew in wet: moister than its rule for some weeks, and whatever is said of its water says so. */
export const weaned: Beside = (answer, { outlook, today }) => {
  const { weaning: left, pottedOn } = outlook.model;
  const [first] = answer.deeds;
  const ofWater = first.deed === 'wait' || DRINKS.has(first.deed) || (first.deed === 'look' && first.what === 'depth');
  if (left <= 0 || pottedOn === null || !ofWater) return answer;
  const reason: Why = {
    code: 'weaning',
    source: 'rule',
    on: iso(today + Math.round(left * WEANING_DAYS)),
    n: { left: hundredth(left) },
  };
  return { ...answer, because: [...answer.because, reason] };
};

/** Away from the others, out of the sun that burnt it, to where its signs send it. */
export const whereItsSignsSend: Beside = (answer, facts) => {
  const elsewhere = ofItsSigns(facts);
  if (elsewhere === null) return answer;
  if (elsewhere === 'apart') return alsoMoved(answer, elsewhere);
  const saved = answer.deeds.some((deed) => deed.deed === 'act' && deed.what === 'out-of-frost');
  return isMoved(answer) || saved ? answer : alsoMoved(answer, elsewhere);
};

/** A dim place, a stretched shoot, a kind too long indoors. */
export const towardsLight: Beside = (answer, facts) => {
  const { tooDark, state, seen, dliMol } = facts;
  const shaded = inItsShade(facts);
  const told: Why = { code: 'too-dark', source: 'reckoned', n: { light: tenth(dliMol) } };
  const said = tooDark && !shaded ? { ...answer, because: [...answer.because, told] } : answer;
  const wanted =
    (tooDark && state !== 'resting' && !isAsLightAsItGets(facts)) ||
    seen.stretched !== null ||
    longIndoors(facts) !== null;
  return wanted && !has(answer, 'act') && !isMoved(answer) && !shaded ? alsoMoved(said, 'brighter') : said;
};

/** Tonight comes close to what it takes: warmer, if frost would harm it. */
export const outOfTheCold: Beside = (answer, facts) => {
  const near = nearLimit(facts);
  if (!near) return answer;
  const said = { ...answer, because: [...answer.because, near] };
  const tender = facts.nature !== 'hardy' && facts.outlook.model.traits.minDryC > 0;
  return tender && !isMoved(answer) && !has(answer, 'act') ? alsoMoved(said, 'warmer') : said;
};

/** Dry in half of its norm, drink after drink: its roots are looked at. */
export const rootsWhereFast: Beside = (answer, facts) => {
  const fast = driesFast(facts);
  if (!fast) return answer;
  const said = { ...answer, because: [...answer.because, fast.reason] };
  return has(answer, 'look') || has(answer, 'act') ? said : { ...said, deeds: [...said.deeds, fast.deed] };
};

/** Under the sky or under glass a dark month is the year's own: no place is brighter but a lamp. */
export function isAsLightAsItGets({ placeKind }: Facts): boolean {
  const { outdoors, glass } = placeDefaults(placeKind);
  return outdoors || glass;
}

/** Lately potted or burnt, it is kept out of the sun: its light comes back by steps. */
function inItsShade({ clinic, today }: Facts): boolean {
  const { pottedDays } = clinic.facts;
  const shaded = clinic.cases.some(({ steps }) =>
    steps.some(({ step, doneOn }) => step === 'shade' && doneOn !== null && today - dayNumber(doneOn) <= SHADE_DAYS),
  );
  return shaded || (pottedDays !== null && pottedDays <= SHADE_DAYS && clinic.facts.rootsHurt);
}
const SHADE_DAYS = 14;

/** Where a sick plant should stand: apart from the others, out of the sun that burnt it, out of the cold, into light. */
const STANDS_FOR: Partial<Record<Hypothesis, Move>> = {
  'sun-scorch': 'shadier',
  'heat-stress': 'shadier',
  'cold-damage': 'warmer',
  'too-dark': 'brighter',
  oedema: 'drier',
  mildew: 'drier',
};

function ofItsSigns({ clinic, state, today }: Facts): Move | null {
  const top = actedOn(clinic.diagnosis);
  if (!top || clinic.raised.length > 0) return null;
  // A case that saw it moved has asked for it once, and was answered.
  const open = clinic.cases.find(({ cause }) => cause === top.cause);
  if (open?.steps.some(({ step, doneOn }) => PLACES.has(step) && doneOn !== null)) return null;
  if (clinic.facts.movedDays !== null && clinic.facts.signs.every(({ day }) => today - day >= clinic.facts.movedDays!))
    return null;
  if (spreads(top.cause)) return 'apart';
  if (top.cause === 'too-dark' && state === 'resting') return null;
  return STANDS_FOR[top.cause] ?? null;
}
const PLACES: ReadonlySet<Step> = new Set<Step>(['isolate', 'shade', 'light', 'warm', 'drier-air']);

/** A kind that fails indoors, too long under a roof without a lamp or a very bright window. */
export function longIndoors({ care, rules, indoorsSince, lit, today, dliMol }: Facts): Why | null {
  if (!care.failsIndoors || indoorsSince === null || lit || dliMol >= LIGHT_BANDS[rules.light].wellFrom) return null;
  const days = today - indoorsSince;
  if (days < rules.indoorDays) return null;
  return { code: 'long-indoors', source: 'rule', on: iso(indoorsSince), n: { days } };
}
