/**
 * What no sum may outvote, most urgent first: each a short function with its reason that says what to do, or nothing.
 * `judge` (judge.ts) asks them in this order and takes the first answer.
 */
import type { Form } from '../garden.ts';
import { sleepsOn } from '../clinic/facts.ts';
import type { CheckId } from '../clinic/checks.ts';
import { placeDefaults } from '../place/defaults.ts';
import { DRY_TO_M, TOO_WET_TO_DRINK_M } from '../moisture.ts';
import { WET_FEET_HARM } from '../drydown/stress.ts';
import type { Deed, Drink, Reason } from './deeds.ts';
import { EVE_MARGIN_C, type Facts, iso, NEAR_MARGIN_C } from './facts.ts';
import { fullDrink, sipDrink } from './measure.ts';
import type { Says, SeenLook, SeenSign } from './seen.ts';

/** What one danger asks for. */
export interface Answer {
  deeds: [Deed, ...Deed[]];
  because: Reason[];
  against?: Reason[];
  until?: string | null;
  nextLook?: string | null;
}

const BASE_ANSWERS = { firm: 'wait', soft: 'act' } as const;
const DEPTH_ANSWERS = { wet: 'wait', damp: 'wait', dry: 'water' } as const;

function sign(code: Reason['code'], seen: SeenSign, weight = 0.9): Reason {
  return { code, source: 'seen', on: iso(seen.day), weight, of: seen.sign, n: { strength: seen.strength } };
}

/**
 * Soft base, mush or a sour smell, until a look answers it: no drink anywhere, unpot. Rot does not wait for a forecast.
 */
export function rot({ seen, today }: Facts): Answer | null {
  if (!seen.rot) return null;
  return {
    deeds: [
      { deed: 'act', what: 'unpot' },
      { deed: 'look', what: 'roots', then: { firm: 'wait', mush: 'act' } },
    ],
    because: [sign('rot-seen', seen.rot, 1)],
    nextLook: iso(today),
  };
}

/** A cloth does for so many cold nights of a week. */
const BRIEF_NIGHTS = 2;

/** A night below what it bears: in, covered or warmer before anything else. Cold undoes in hours what took years. */
export function frostTonight(facts: Facts): Answer | null {
  const { nights, outlook, placeKind, care } = facts;
  const { tonightC, limitC } = nights;
  if (tonightC >= limitC || facts.shelteredOn === facts.today) return null;
  const n = {
    tonight: tenth(tonightC),
    limit: limitC,
    moist: limitC === outlook.model.traits.minWetC ? 1 : 0,
    chance: hundredth(nights.chance),
  };
  const { outdoors } = placeDefaults(placeKind);
  // A light brief frost on a kind that nearly bears it: a cloth does. Night after night it does not.
  const cover =
    outdoors &&
    nights.coldNights <= BRIEF_NIGHTS &&
    tonightC > -3 &&
    limitC - tonightC <= 1.5 &&
    limitC <= 0 &&
    care.light === 'sun';
  // Below what it bears even dry, or frost on a moist ball: now. Above that the cold harms by days, not by the night.
  const what: Deed = cover
    ? { deed: 'move', what: 'cover' }
    : tonightC < outlook.model.traits.minDryC || tonightC < 0
      ? { deed: 'act', what: 'out-of-frost' }
      : { deed: 'move', what: 'warmer' };
  return {
    deeds: [what],
    because: [{ code: 'below-limit', source: 'forecast', on: iso(facts.today + 1), weight: 1, n }],
    nextLook: iso(facts.today),
  };
}

/** Tonight comes close to what it bears: said beside whatever else is said, for a forecast may be wrong by as much. */
export function nearLimit({ nights, today, placeKind, shelteredOn }: Facts): Reason | null {
  const { tonightC, limitC } = nights;
  if (tonightC < limitC || tonightC >= limitC + NEAR_MARGIN_C || shelteredOn === today) return null;
  if (placeDefaults(placeKind).indoors) return null;
  return {
    code: 'near-limit',
    source: 'forecast',
    on: iso(today + 1),
    weight: 0.35,
    n: { tonight: tenth(tonightC), limit: limitC, chance: hundredth(nights.chance) },
  };
}

/** Hotter than it bears, today or in the next two days: into shade. Small pots in the open first: their roots cook. */
export function heatAhead({ heat, today }: Facts): Answer | null {
  const { highC, limitC, on, smallPot } = heat;
  if (highC < limitC) return null;
  return {
    deeds: [{ deed: 'move', what: 'shadier' }],
    because: [
      {
        code: 'too-hot',
        source: 'forecast',
        on: iso(on),
        weight: 0.75,
        n: { high: tenth(highC), limit: limitC, small: smallPot ? 1 : 0, days: on - today },
      },
    ],
    nextLook: iso(today + 1),
  };
}

/** The last look at depth, while it is as new as the slackness beside it: an older one is carried on in the belief. */
function tellingLook({ seen }: Facts): SeenLook | null {
  return seen.look && (!seen.slack || seen.look.day >= seen.slack.day - 2) ? seen.look : null;
}

/** What tells of the mix beside a slack plant, as a reason. */
function mixReason(facts: Facts): Reason {
  return tellingLook(facts)?.reason ?? reckoned(facts);
}

/** What is known of the mix beside a slack plant: what was felt counts before what is reckoned. */
function mixOf(facts: Facts): Says | 'unknown' {
  const { m, chanceWet, neverLooked } = facts;
  const look = tellingLook(facts);
  if (look) return look.says;
  if (chanceWet > 0.5 || m.p50 > TOO_WET_TO_DRINK_M) return 'wet';
  if (!neverLooked && m.p50 <= DRY_TO_M + 0.03 && chanceWet < 0.1) return 'dry';
  return 'unknown';
}

/** An open case that holds the water, until its day or until the step that ends it. */
export function inTreatment({ clinic, today }: Facts): Answer | null {
  const { held: one } = clinic;
  if (!one) return null;
  const next = one.steps.find(({ doneOn, due, optional }) => !optional && doneOn === null && due !== null);
  const unpots = next?.step === 'unpot' && next.due! <= iso(today);
  return {
    deeds: unpots
      ? [
          { deed: 'act', what: 'unpot' },
          { deed: 'wait', until: one.holdUntil },
        ]
      : [{ deed: 'wait', until: one.holdUntil }],
    because: [{ code: 'in-treatment', source: 'rule', on: one.openedOn, weight: 1, of: one.cause }],
    until: one.holdUntil,
    nextLook: next?.due && next.due > iso(today) && next.due < one.holdUntil! ? next.due : one.holdUntil,
  };
}

/** What its signs mean most likely, as a reason. */
export function likeliest({ clinic }: Facts): Reason | null {
  const { diagnosis } = clinic;
  const top = diagnosis?.causes[0];
  if (!top || diagnosis.cantTell) return null;
  return {
    code: 'likeliest',
    source: 'reckoned',
    weight: hundredth(0.6 * top.probability),
    of: top.cause,
    n: { chance: hundredth(top.probability) },
  };
}

/** A check of the clinic as a look of the judgement. */
export function lookFor(check: CheckId): Deed {
  switch (check) {
    case 'press-base':
      return { deed: 'look', what: 'base', then: BASE_ANSWERS };
    case 'look-roots':
      return { deed: 'look', what: 'roots', then: { firm: 'wait', mush: 'act', brittle: 'act', woolly: 'act' } };
    case 'feel-depth':
      return { deed: 'look', what: 'depth', then: DEPTH_ANSWERS };
    case 'look-axils':
    case 'look-underside':
      return { deed: 'look', what: 'underside', then: { clean: 'wait', guests: 'move' } };
    case 'look-evening':
      return { deed: 'look', what: 'growth', then: { taut: 'wait', limp: 'water' } };
  }
}

/**
 * Roots that dried up in a long drought and cannot drink what was poured since: out of the pot, trimmed, and rooted anew.
 * To wait would only let them drown.
 */
export function deadRoots(facts: Facts): Answer | null {
  const { clinic, today } = facts;
  const top = clinic.diagnosis?.causes[0];
  if (top?.cause !== 'dead-roots' || top.probability < ACTS_FROM) return null;
  const found = facts.clinic.facts.signs.some(({ sign: name }) => name === 'roots-brittle');
  const why = likeliest(facts);
  return {
    deeds: found
      ? [
          { deed: 'act', what: 'unpot' },
          { deed: 'wait', until: null },
        ]
      : [lookFor('look-roots'), { deed: 'wait', until: null }],
    because: [...(why ? [{ ...why, weight: 0.9 }] : []), reckoned(facts)],
    until: null,
    nextLook: iso(today),
  };
}
/** A cause as likely as this is acted on. */
export const ACTS_FROM = 0.45;

/** Its season has come, and it sleeps on without leaves: warmth and light first, then the waking drink; no drink on a guess. */
export function sleepsTooLong(facts: Facts): Answer | null {
  const { outlook, today, state } = facts;
  if (state === 'resting') return null;
  const days = sleepsOn(outlook.plant, outlook.model.traits, today);
  if (days === null) return null;
  const felt = facts.seen.firmBase !== null && today - facts.seen.firmBase <= TOUCH_EVERY_DAYS;
  const why: Reason = {
    code: 'slept-too-long',
    source: 'seen',
    on: iso(today - days),
    weight: 0.9,
    n: { days },
  };
  return {
    deeds: felt
      ? [{ deed: 'wake' }, { deed: 'move', what: facts.warmthC < WAKES_FROM_C ? 'warmer' : 'brighter' }]
      : [
          { deed: 'look', what: 'base', then: { firm: 'wake', mush: 'act' } },
          { deed: 'wait', until: null },
        ],
    because: [why],
    until: null,
    nextLook: iso(today + (felt ? 21 : 0)),
  };
}
/** Most summer growers wake above this. */
const WAKES_FROM_C = 20;

/** It goes to sleep at its time: leaves are drawn down, and water would only keep it awake or rot it. */
export function goesToSleep(facts: Facts): Answer | null {
  const { clinic, today, state } = facts;
  const top = clinic.diagnosis?.causes[0];
  if (state === 'resting' || top?.cause !== 'natural-rest' || top.probability < ACTS_FROM) return null;
  const why = likeliest(facts);
  return {
    deeds: [{ deed: 'wait', until: null }],
    because: [...(why ? [{ ...why, weight: 0.8 }] : []), reckoned(facts)],
    until: null,
    nextLook: iso(today + 14),
  };
}

/** Slack and wet: roots that cannot drink are drowning; water would finish them. */
export function slackAndWet(facts: Facts): Answer | null {
  const { seen, today } = facts;
  if (!seen.slack) return null;
  const mix = mixOf(facts);
  if (mix !== 'wet' && mix !== 'damp') return null;
  const firm = seen.firmBase !== null && seen.firmBase >= seen.slack.day;
  const why = likeliest(facts);
  const because = [sign('slack-seen', seen.slack), mixReason(facts), ...(why ? [why] : [])];
  const settled = settles(facts);
  if (settled) return { deeds: settled, because, until: null, nextLook: iso(today + 3) };
  return {
    deeds: [firm ? lookFor('look-roots') : lookFor('press-base'), { deed: 'wait', until: null }],
    because,
    nextLook: iso(today),
    until: null,
  };
}

/** So soon after a potting roots that were found sound have not rotted yet. */
const SETTLES_DAYS = 14;

/** Slack and wet, and yet nothing to lift it for: sound roots, roots just potted, or the heat of noon. */
function settles({ clinic, seen, heat }: Facts): Answer['deeds'] | null {
  const { signs } = clinic.facts;
  const since = (name: SeenSign['sign']) => signs.some((one) => one.sign === name && one.day >= seen.slack!.day);
  const top = clinic.diagnosis?.causes[0];
  const likely = top !== undefined && top.probability >= ACTS_FROM;
  if (top?.cause === 'heat-stress' && (likely || seen.slack!.when === 'midday'))
    return [
      { deed: 'move', what: 'shadier' },
      { deed: 'wait', until: null },
    ];
  const { pottedDays } = clinic.facts;
  const settling = (likely && top.cause === 'transplant-shock') || (pottedDays !== null && pottedDays <= SETTLES_DAYS);
  const potted = settling && since('firm-base');
  if (!since('roots-firm') && !potted) return null;
  return heat.highC >= heat.limitC
    ? [
        { deed: 'move', what: 'shadier' },
        { deed: 'wait', until: null },
      ]
    : [{ deed: 'wait', until: null }];
}

/** Slack, and nobody knows how wet: the mix is felt before anything. */
export function slackAndUnknown(facts: Facts): Answer | null {
  const { seen, state } = facts;
  if (!seen.slack || state === 'resting' || mixOf(facts) !== 'unknown') return null;
  return {
    deeds: [{ deed: 'look', what: 'depth', then: { wet: 'look', damp: 'look', dry: 'water' } }],
    because: [sign('slack-seen', seen.slack), reckoned(facts)],
    nextLook: iso(facts.today),
  };
}

/** Slack, dry and firm, in growth: thirst. Water now, ahead of any hold or calendar, but on the eve of a cold night. */
export function slackAndDry(facts: Facts): Answer | null {
  const { seen, state, nights, today } = facts;
  if (!seen.slack || state === 'resting' || mixOf(facts) !== 'dry') return null;
  if (seen.slack.when === 'midday' && seen.slack.sign === 'limp') return null;
  const why = likeliest(facts);
  const because = [sign('slack-seen', seen.slack), mixReason(facts), ...(why ? [why] : [])];
  if (nights.mildOn !== today) {
    return {
      deeds: [
        { deed: 'move', what: 'warmer' },
        { deed: 'wait', until: nights.mildOn === null ? null : iso(nights.mildOn) },
      ],
      because: [...because, coldNight(facts)],
      until: nights.mildOn === null ? null : iso(nights.mildOn),
      nextLook: iso(today + 1),
    };
  }
  const slowed = facts.state === 'easing' && activityOf(facts) < SLOWED_BELOW;
  // A stem on its way to rest shrinks, as it should; a drink now would only be left standing.
  if (slowed && STEMS.has(facts.outlook.model.traits.form) && seen.slack.strength < 3)
    return {
      deeds: [{ deed: 'wait', until: null }],
      because: [sign('shrinking-cold', seen.slack, 0.8), mixReason(facts)],
      until: null,
      nextLook: iso(today + 21),
    };
  const small = parched(facts) || slowed;
  const drink = soaked(facts, small ? sipDrink(facts) : fullDrink(facts));
  if (drink.amount_ml <= 0) return null;
  return {
    deeds: [{ deed: small ? 'sip' : 'water', ...drink, food: null }],
    because,
    nextLook: iso(today + (slowed ? 8 : 2)),
  };
}

const STEMS: ReadonlySet<Form> = new Set<Form>(['globe', 'column', 'pad']);
/** Drinking less than this of its best, a plant on its way to rest takes a sip, no drench. */
const SLOWED_BELOW = 0.6;

function activityOf({ outlook, today }: Facts): number {
  const { timeline } = outlook.model;
  return timeline.activity[today - timeline.firstDay] ?? 1;
}

function parched({ dryDays }: Facts): boolean {
  return dryDays >= LONG_DRY_DAYS;
}

/** A ball that sheds its drink is stood in water instead, where its kind bears that. */
export function soaked(facts: Facts, drink: Omit<Drink, 'food'>): Omit<Drink, 'food'> {
  const top = facts.clinic.diagnosis?.causes[0];
  const ranThrough = facts.clinic.facts.signs.some(({ sign: name }) => name === 'water-runs-through');
  if (!ranThrough && (top?.cause !== 'water-repellent-mix' || top.probability < ACTS_FROM)) return drink;
  if (facts.care.neverSoak || !facts.outlook.plant.pot.holes || drink.way === 'measured') return drink;
  return { ...drink, way: 'bottom', method: 'bottom' };
}

/** Dry so long in growth that fine roots have died: it comes back in stages. */
export const LONG_DRY_DAYS = 45;

/** A mix this long wet and cold is told of, whatever the index. */
const WET_COLD_DAYS = 16;

/** Wet, cold and long so: roots are in danger, and nothing is gained by leaving it. */
export function wetAndCold(facts: Facts): Answer | null {
  const { outlook, wetDays, wetColdDays, today, state, seen } = facts;
  const { wetFeet, rotInDays } = outlook.stress;
  const wet = facts.chanceWet > 0.5;
  if (
    !wet ||
    (wetFeet < WET_FEET_HARM &&
      !(wetFeet >= 0.3 && rotInDays !== null && rotInDays <= 14) &&
      !(wetColdDays >= WET_COLD_DAYS && wetFeet >= 0.15))
  )
    return null;
  const n = { days: wetDays, cold_days: wetColdDays, index: hundredth(wetFeet), warmth: tenth(facts.warmthC) };
  const harm = wetFeet >= WET_FEET_HARM;
  const looked = seen.firmBase !== null && today - seen.firmBase <= 7;
  const move: Deed = { deed: 'move', what: facts.warmthC < outlook.model.traits.growMinC + 2 ? 'warmer' : 'drier' };
  const base: Deed = { deed: 'look', what: 'base', then: BASE_ANSWERS };
  return {
    deeds:
      harm && !looked
        ? [base, move, { deed: 'wait', until: null }]
        : [move, ...(looked ? [] : [base]), { deed: 'wait', until: null }],
    because: [
      { code: harm ? 'roots-in-danger' : 'wet-and-cold', source: 'reckoned', weight: 0.9, n },
      ...(seen.look && seen.look.says !== 'dry' ? [seen.look.reason] : []),
      ...(state === 'resting' ? [asleep(facts)] : []),
    ],
    until: null,
    nextLook: iso(today + (harm ? 3 : 5)),
  };
}

/** Marks of too much water on a pot that is still wet: the base is looked at. */
export function tooMuch(facts: Facts): Answer | null {
  const { seen, today } = facts;
  if (!seen.tooMuch || facts.chanceWet < 0.4) return null;
  if (seen.firmBase !== null && seen.firmBase >= seen.tooMuch.day) return null;
  if (seen.tooMuch.sign === 'yellow-lower' && facts.wetDays < 14) return null;
  return {
    deeds: [
      { deed: 'look', what: 'base', then: BASE_ANSWERS },
      { deed: 'wait', until: null },
    ],
    because: [sign('too-much-seen', seen.tooMuch, 0.7), reckoned(facts)],
    nextLook: iso(today),
    until: null,
  };
}

const TOUCH_EVERY_DAYS = 30;
/** A touch asked for and not given is asked for again a month later, not every day. */
const TOUCH_ASKED_DAYS = 7;
const SLEPT_TOO_LONG_DAYS = 190;

/**
 * Asleep: no drink but the sip of its kind, a touch about monthly, and a trial to wake it once it has slept too long.
 */
export function asleepStill(facts: Facts): Answer | null {
  const { state, seen, today, stateSince, outlook, warmRoom } = facts;
  if (state !== 'resting') return null;
  const { traits } = outlook.model;
  const why = asleep(facts);
  if (seen.woken && seen.woken.day >= stateSince) {
    return { deeds: [{ deed: 'wake' }], because: [sign('woken-seen', seen.woken), why], nextLook: iso(today + 7) };
  }
  const shrinking = seen.slack && seen.slack.sign !== 'limp' ? seen.slack : seen.slack;
  const leafInWarmth = traits.store === 'leaf' && warmRoom;
  if (shrinking) {
    if (leafInWarmth && facts.chanceWet < 0.2 && facts.nights.mildOn === today) {
      const drink = sipDrink(facts, 0.04);
      if (drink.amount_ml > 0)
        return {
          deeds: [{ deed: 'sip', ...drink, food: null }],
          because: [sign('shrinking-warm', shrinking), why],
          nextLook: iso(today + 8),
        };
    }
    return {
      deeds: [{ deed: 'sleep', next_look: nextTouch(facts) }],
      because: [sign('shrinking-cold', shrinking, 0.5), why],
      nextLook: nextTouch(facts),
    };
  }
  if (today - stateSince >= SLEPT_TOO_LONG_DAYS && today - (seen.touched ?? -Infinity) > 10) {
    return {
      deeds: [{ deed: 'wake' }],
      because: [
        {
          code: 'slept-too-long',
          source: 'reckoned',
          on: iso(stateSince),
          weight: 0.8,
          n: { days: today - stateSince },
        },
      ],
      nextLook: iso(today + 14),
    };
  }
  // A leaf succulent dry in a warm room spends its store: a small drink before harm.
  if (leafInWarmth && facts.chanceWet < 0.1 && outlook.stress.thirst >= 0.6 && facts.nights.mildOn === today) {
    const drink = sipDrink(facts, 0.04);
    if (drink.amount_ml > 0)
      return {
        deeds: [{ deed: 'sip', ...drink, food: null }],
        because: [
          {
            code: 'small-store',
            source: 'reckoned',
            weight: 0.6,
            n: { thirst: hundredth(outlook.stress.thirst), days: facts.dryDays },
          },
          why,
        ],
        nextLook: iso(today + 8),
      };
  }
  const since = today - Math.max(stateSince, seen.touched ?? -Infinity);
  const phase = since - touchPhase(outlook.plant.id) - TOUCH_EVERY_DAYS;
  if (phase >= 0 && phase % TOUCH_EVERY_DAYS < TOUCH_ASKED_DAYS) {
    return {
      deeds: [
        {
          deed: 'look',
          what: 'base',
          then: { firm: 'sleep', 'a little soft': traits.store === 'leaf' && warmRoom ? 'sip' : 'sleep', mush: 'act' },
        },
        { deed: 'sleep', next_look: iso(today) },
      ],
      because: [{ code: 'touch-due', source: 'rule', weight: 0.4, n: { days: since } }, why],
      nextLook: iso(today),
    };
  }
  return { deeds: [{ deed: 'sleep', next_look: nextTouch(facts) }], because: [why], nextLook: nextTouch(facts) };
}

/** Sleepers are not all touched on one day. */
function touchPhase(id: string): number {
  let sum = 0;
  for (let i = 0; i < id.length; i++) sum = (sum * 31 + id.charCodeAt(i)) % 997;
  return sum % 12;
}

function nextTouch({ today, seen, stateSince, outlook }: Facts): string {
  const first = Math.max(stateSince, seen.touched ?? -Infinity) + TOUCH_EVERY_DAYS + touchPhase(outlook.plant.id);
  const missed = Math.max(0, Math.ceil((today + 1 - first) / TOUCH_EVERY_DAYS));
  return iso(first + missed * TOUCH_EVERY_DAYS);
}

/**
 * Felt wet, weighed heavy or left as "still wet": not due, whatever was reckoned. Damp: due only where the rule is to
 * keep damp, or the top alone need dry.
 */
export function lookSaysWait(facts: Facts): Answer | null {
  const { seen, today, outlook } = facts;
  const { look } = seen;
  if (!look || look.says === 'dry') return null;
  const { dryRule } = outlook.model.traits;
  const damp = look.says === 'damp';
  if (damp && (dryRule === 'keep-damp' || dryRule === 'dry-top')) return null;
  const ideal = outlook.advice.window?.ideal ?? null;
  // From what was found the rate says when to look again: half of the way, no sooner than two days, no later than three
  // weeks.
  const way = ideal === null ? 14 : Math.max(0, ideal - look.day);
  const again = look.day + Math.min(21, Math.max(damp ? 2 : 3, Math.round(0.6 * way)));
  if (today >= again) return null;
  const until = ideal === null ? null : iso(Math.max(ideal, again));
  return {
    deeds: [{ deed: 'wait', until }],
    because: [look.reason, reckonedOrNone(facts, look.says)],
    until,
    nextLook: iso(again),
    against: bookAgainst(facts, look.says),
  };
}

/** Too cold to drink, roots cut lately, or its rest so near that no drink is due before it. */
export function held(facts: Facts): Answer | null {
  const { outlook, nights, today, m } = facts;
  const { hold } = outlook.advice;
  if (!hold) return null;
  const until = iso(hold.until);
  if (hold.kind === 'cold') {
    const because: Reason[] = [
      {
        code: 'too-cold-to-drink',
        source: 'reckoned',
        weight: 0.8,
        n: { warmth: tenth(facts.warmthC), grows_from: outlook.model.traits.growMinC },
      },
      reckoned(facts),
    ];
    // Not this night alone: no drink can come for weeks, and it would want to grow.
    if (nights.coldShare > 0.6 && (facts.state === 'growing' || facts.state === 'waking')) {
      return {
        deeds: [
          { deed: 'move', what: 'warmer' },
          { deed: 'wait', until },
        ],
        because: [coldWeeks(facts), ...because],
        until,
        nextLook: iso(today + 7),
      };
    }
    return {
      deeds: [
        { deed: 'wait', until },
        ...(m.p50 > TOO_WET_TO_DRINK_M ? [{ deed: 'move', what: 'warmer' } as const] : []),
      ],
      because,
      until,
      nextLook: iso(today + 14),
    };
  }
  if (hold.kind === 'potted')
    return {
      deeds: [{ deed: 'wait', until }],
      because: [
        {
          code: 'cut-roots',
          source: 'rule',
          on: iso(outlook.model.pottedOn ?? today),
          weight: 0.9,
          of: hold.of ?? 'roots-cut',
        },
      ],
      until,
      nextLook: until,
    };
  return {
    deeds: [{ deed: 'wait', until: null }],
    because: [{ code: 'goes-to-rest', source: 'reckoned', on: until, weight: 0.6 }, reckoned(facts)],
    until: null,
    nextLook: iso(today + 21),
  };
}

/**
 * One look that contradicts the book is believed, but no drench is given on the strength of it: a second settles it.
 */
export function contradictsBook(facts: Facts): Answer | null {
  const { seen, outlook, today } = facts;
  if (!seen.look || seen.look.says !== 'dry' || seen.looksSinceDrink > 1 || seen.slack) return null;
  const upset = outlook.present.happened.find(({ kind, probability, from }) =>
    kind === 'slip'
      ? probability >= 0.12 && from === seen.look!.day
      : (kind === 'ran-past' || kind === 'faster') && probability >= 0.35,
  );
  if (!upset) return null;
  return {
    deeds: [{ deed: 'look', what: 'depth', then: DEPTH_ANSWERS }],
    because: [
      seen.look.reason,
      {
        code: 'contradicts-book',
        source: 'reckoned',
        weight: 0.6,
        of: upset.kind,
        n: { chance: hundredth(upset.probability) },
      },
    ],
    nextLook: iso(Math.max(today, seen.look.day + 2)),
  };
}

/** Much slower or faster than its own norm, and nobody has looked at the base since: roots, hole or ball. */
export function changedPace(facts: Facts): Answer | null {
  const { outlook, seen, today, state } = facts;
  const { change } = outlook;
  if (!change || state === 'resting') return null;
  if (change.kind === 'slower' && seen.firmBase !== null && today - seen.firmBase <= 14) return null;
  if (change.kind === 'faster' && facts.chanceWet < 0.1) return null;
  return {
    deeds: [
      {
        deed: 'look',
        what: change.kind === 'slower' ? 'base' : change.kind === 'faster' ? 'roots' : 'depth',
        then:
          change.kind === 'slower'
            ? BASE_ANSWERS
            : change.kind === 'faster'
              ? { firm: 'wait', mush: 'act' }
              : DEPTH_ANSWERS,
      },
      { deed: 'wait', until: facts.outlook.advice.window ? iso(facts.outlook.advice.window.ideal) : null },
    ],
    because: [
      {
        code: 'changed-pace',
        source: 'reckoned',
        weight: 0.7,
        of: change.kind,
        n: { factor: hundredth(change.factor) },
      },
      ...(seen.look ? [seen.look.reason] : []),
    ],
    nextLook: iso(today),
  };
}

/** Nobody knows how wet it came, or nobody has ever looked into this pot: looked at before its first drink. */
export function neverLooked(facts: Facts): Answer | null {
  const { outlook, today, arrivedOn, seen, state } = facts;
  if (!facts.neverLooked || state === 'resting') return null;
  const came = (arrivedOn === null || today - arrivedOn <= 60) && seen.lastDrink === null;
  const window = outlook.advice.window;
  const near = window !== null && Math.min(window.ideal, window.earliest) <= today;
  if (!came && !near) return null;
  const fresh = came && facts.m.p90 - facts.m.p10 > 0.25;
  if (!fresh && !near) return null;
  return {
    deeds: [{ deed: 'look', what: 'depth', then: DEPTH_ANSWERS }],
    because: [
      {
        code: came ? 'came-as-it-came' : 'never-looked',
        source: 'reckoned',
        ...(came && arrivedOn !== null ? { on: iso(arrivedOn) } : {}),
        weight: 0.7,
      },
      unsure(facts),
    ],
    nextLook: iso(today),
  };
}

// Reasons that several dangers give.

export function reckoned({ m, outlook, today, seen }: Facts): Reason {
  const n = { p10: hundredth(m.p10), p50: hundredth(m.p50), p90: hundredth(m.p90) };
  if (m.p50 <= DRY_TO_M) {
    // Not dry yet on the day on which it was felt damp.
    const found = outlook.dryOn.p50;
    const since =
      found !== null && seen.look && seen.look.says !== 'dry'
        ? Math.min(today, Math.max(found, seen.look.day + 1))
        : found;
    return {
      code: 'reckoned-dry',
      source: 'reckoned',
      ...(since !== null && since <= today ? { on: iso(since) } : {}),
      weight: 0.5,
      n: { ...n, ...giveOrTake(outlook.dryOn) },
    };
  }
  return { code: m.p50 > 0.6 ? 'reckoned-wet' : 'reckoned-damp', source: 'reckoned', weight: 0.5, n };
}

export function giveOrTake(dryOn: { p10: number | null; p90: number | null }): Record<string, number> {
  return dryOn.p10 === null || dryOn.p90 === null ? {} : { give_or_take: Math.round((dryOn.p90 - dryOn.p10) / 2) };
}

export function unsure({ m }: Facts): Reason {
  return { code: 'unsure', source: 'reckoned', weight: 0.4, n: { p10: hundredth(m.p10), p90: hundredth(m.p90) } };
}

function reckonedOrNone(facts: Facts, says: Says): Reason {
  return { ...reckoned(facts), weight: says === 'wet' ? 0.3 : 0.4 };
}

/** Where the book alone would have it otherwise, that stands against. */
function bookAgainst(facts: Facts, says: Says): Reason[] {
  const { happened } = facts.outlook.present;
  const other = happened.find(({ kind }) => kind === 'stranger' || kind === 'slip' || kind === 'slower');
  return other && says !== 'dry'
    ? [
        {
          code: 'contradicts-book',
          source: 'reckoned',
          weight: 0.3,
          of: other.kind,
          n: { chance: hundredth(other.probability) },
        },
      ]
    : [];
}

/** From so many days on a plant's own way is worth a word. */
const OWN_WAY_DAYS = 3;

function asleep({ stateSince, outlook, today }: Facts): Reason {
  const { own } = outlook.model.timeline;
  const wakes = outlook.model.timeline.changes.find(
    ({ day, state }) => day > today && (state === 'waking' || state === 'growing'),
  );
  return {
    code: 'asleep',
    source: 'reckoned',
    on: iso(stateSince),
    weight: 0.8,
    n: {
      days: today - stateSince,
      ...(wakes ? { wakes_in_days: wakes.day - today } : {}),
      ...(own.turns > 0 && Math.abs(own.days) >= OWN_WAY_DAYS ? { own_days: own.days, turns: own.turns } : {}),
    },
  };
}

export function coldNight({ nights, outlook }: Facts): Reason {
  return {
    code: 'cold-night',
    source: 'forecast',
    weight: 0.8,
    n: { tonight: tenth(nights.tonightC), limit: outlook.model.traits.minWetC, margin: EVE_MARGIN_C },
  };
}

export function coldWeeks({ nights, outlook }: Facts): Reason {
  return {
    code: 'cold-for-weeks',
    source: 'forecast',
    weight: 0.9,
    n: { share: hundredth(nights.coldShare), limit: outlook.model.traits.minWetC },
  };
}

export function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}

export function hundredth(value: number): number {
  return Math.round(value * 100) / 100;
}
