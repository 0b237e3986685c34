/**
 * One answer a plant: what to do with it today, and why. Nothing else in the product decides.
 *
 * First what no sum may outvote (rot.ts, cold.ts, rest.ts, thirst.ts, looks.ts), most urgent first; then, where the rules call for water, the deed of
 * least expected harm under what may be in the pot (harm.ts). Where a drink and waiting lie near one another, a look
 * wins.
 */
import { refusedLately } from '../plant/refusals.ts';
import { DRY_TO_M, ROOT_FREE_M } from '../moisture.ts';
import { type Hypothesis, isHarmless, spreads, type Step } from '../clinic/causes.ts';
import type { Deed, Happened, Judgement, Mind, Move, Never, Reason, Sureness } from './deeds.ts';
import { judgedAs } from './deeds.ts';
import {
  type Answer,
  coldNight,
  coldWeeks,
  DEPTH_ANSWERS,
  giveOrTake,
  hundredth,
  likeliest,
  reckoned,
  tenth,
  unsure,
} from './answer.ts';
import { benchFor, type Stands } from './benches.ts';
import { afterFrost, frostTonight, nearLimit } from './cold.ts';
import { heatAhead } from './heat.ts';
import { held } from './held.ts';
import { changedPace, contradictsBook, driesFast, lookSaysWait, neverLooked, staysWet } from './looks.ts';
import { asleepStill, goesToSleep, newPair, sleepsTooLong } from './rest.ts';
import {
  darkBase,
  deadRoots,
  fadesAndWet,
  outOfWater,
  rootGuests,
  rot,
  slackAndWet,
  suspected,
  tooMuch,
  wetAndCold,
} from './rot.ts';
import { afterFirstSip, drinkNow, isParched, notFirmed, slackAndDry, slackAndUnknown } from './thirst.ts';
import { inTreatment } from './treatment.ts';
import { WEANING_DAYS } from '../potting/weaning.ts';
import { actedOn } from '../clinic/remedy.ts';
import { ROT_THRESHOLD } from '../clinic/diagnose.ts';
import { type Facts, gather, iso, type JudgeInput } from './facts.ts';
import { DAYS_TO_NEXT_LOOK, FAIRLY_SURE_GAP, HARM, SURE_GAP } from './harm.ts';
import { clayInFrost, darkInHeat, longRain, rainComing, rainCounted } from './rain.ts';
import { rampAhead } from '../forecast/ramp.ts';
import { dayNumber } from '../calendar/day.ts';
import { LIGHT_BANDS } from '../plant/library.ts';
import { placeDefaults } from '../place/defaults.ts';

/** The order is the order of urgency. */
const DANGERS: readonly ((facts: Facts) => Answer | null)[] = [
  rot,
  inTreatment,
  outOfWater,
  deadRoots,
  rootGuests,
  afterFrost,
  slackAndWet,
  suspected,
  fadesAndWet,
  staysWet,
  wetAndCold,
  longRain,
  tooMuch,
  darkBase,
  sleepsTooLong,
  asleepStill,
  goesToSleep,
  notFirmed,
  slackAndDry,
  slackAndUnknown,
  afterFirstSip,
  newPair,
  held,
  lookSaysWait,
  contradictsBook,
  changedPace,
  neverLooked,
];

export function judge(input: JudgeInput): Judgement {
  return judgeFacts(gather(input));
}

export function judgeFacts(facts: Facts): Judgement {
  const answer = baseFirst(firstAnswer(facts), facts);
  const cold = frostTonight(facts);
  const merged =
    cold && answer.deeds[0].deed !== 'act'
      ? overruledByCold(answer, cold)
      : cold
        ? {
            ...answer,
            deeds: [...answer.deeds, ...cold.deeds] as Answer['deeds'],
            because: [...answer.because, ...cold.because],
          }
        : answer;
  const shaded = withWeaning(withShade(merged, heatAhead(facts), facts), facts);
  const fast = driesFast(facts);
  const deeds = dress(facts, shaded.deeds, fast?.deed ?? null);
  const { because, against } = weighed(fast ? { ...shaded, because: [...shaded.because, fast.reason] } : shaded, facts);
  return {
    deeds,
    until: shaded.until ?? null,
    next_look: shaded.nextLook ?? null,
    because,
    against,
    happened: happenedOf(facts),
    ...mindful(facts, deeds),
    sure: surenessOf(facts, answer),
  };
}

/**
 * No water where rot is likelier than a stated threshold and nobody felt the base: a thumb on it takes a moment, and a drink
 * on rot is the last one.
 */
function baseFirst(answer: Answer & { gap?: number }, { clinic, today }: Facts): Answer & { gap?: number } {
  const { diagnosis } = clinic;
  if (!diagnosis || diagnosis.rot < ROT_THRESHOLD || diagnosis.baseFelt || !DRINKS.has(answer.deeds[0].deed))
    return answer;
  return {
    ...answer,
    deeds: [{ deed: 'look', what: 'base', then: { firm: 'water', soft: 'act' } }],
    because: [
      { code: 'rot-unfelt', source: 'reckoned', weight: 1, n: { chance: hundredth(diagnosis.rot) } },
      ...answer.because,
    ],
    until: null,
    nextLook: iso(today),
  };
}

function firstAnswer(facts: Facts): Answer & { gap?: number } {
  for (const danger of DANGERS) {
    const answer = danger(facts);
    if (answer) return answer;
  }
  return byRule(facts);
}

/** So much above what it bears, heat is more than a thing to mind. */
const WELL_ABOVE_K = 3;

/** Heat beside whatever else there is: first only where it is great and nothing else is to be done. */
function withShade(answer: Answer, hot: Answer | null, { heat }: Facts): Answer {
  if (!hot || answer.deeds.some(({ deed }) => deed === 'move')) return answer;
  const idle =
    (answer.deeds[0].deed === 'wait' || answer.deeds[0].deed === 'sleep') && heat.highC >= heat.limitC + WELL_ABOVE_K;
  return {
    ...answer,
    deeds: (idle ? [...hot.deeds, ...answer.deeds] : [...answer.deeds, ...hot.deeds]) as Answer['deeds'],
    because: idle ? [...hot.because, ...answer.because] : [...answer.because, ...hot.because],
    nextLook: idle ? hot.nextLook : answer.nextLook,
  };
}

/** A night below its limit says first what to do; nothing is poured on its eve. */
function overruledByCold(answer: Answer, cold: Answer): Answer {
  const rest = answer.deeds.filter(({ deed }) => deed !== 'water' && deed !== 'sip' && deed !== 'move');
  const thirsty = answer.deeds.some(({ deed }) => deed === 'water' || deed === 'sip');
  return {
    deeds: [...cold.deeds, ...(thirsty ? [{ deed: 'wait', until: null } as const] : rest)] as Answer['deeds'],
    because: [...cold.because, ...answer.because],
    against: answer.against,
    until: thirsty ? null : answer.until,
    nextLook: cold.nextLook,
  };
}

/** What the keeper's rule calls for: the pot gone dry, the plant's sign, the calendar. */
function byRule(facts: Facts): Answer & { gap?: number } {
  const { rules, outlook, today } = facts;
  const window = outlook.advice.window!;
  if (rules.trigger === 'calendar') return byCalendar(facts);
  if (rules.trigger === 'plant') {
    const day = outlook.schools.plant;
    if (day === null) return wait(facts, null, { code: 'no-sign', source: 'rule', weight: 0.6 });
    if (day > today) return wait(facts, iso(day), { code: 'plant-sign', source: 'rule', on: iso(day), weight: 0.6 });
    return {
      deeds: [{ deed: 'look', what: 'growth', then: { wrinkled: 'water', taut: 'wait' } }],
      because: [{ code: 'plant-sign', source: 'rule', on: iso(today), weight: 0.6 }, reckoned(facts)],
      nextLook: iso(today),
    };
  }
  // Lately found taut, it draws on a store that nobody sees: the first wrinkles, or about a week.
  const { traits } = outlook.model;
  const tautDry =
    facts.seen.taut !== null &&
    (traits.store === 'below' || traits.dryRule === 'dry-and-hold') &&
    facts.m.p50 <= DRY_TO_M;
  const day = Math.max(window.ideal, tautDry ? Math.min(facts.seen.taut! + 7, window.latest) : 0);
  if (day > today && (tautDry || !perhapsDue(facts)))
    return wait(
      facts,
      iso(day),
      ...(tautDry ? [{ code: 'taut-seen', source: 'seen', on: iso(facts.seen.taut!), weight: 0.6 } as const] : []),
      ...eased(facts),
    );
  return due(facts, {
    code: 'due',
    source: 'rule',
    weight: 0.7,
    of: traits.dueM === null ? traits.dryRule : 'own',
    n: { hold_days: traits.holdDays },
  });
}

/** Likelier due than not, and yet so much of the belief is wet that the rule's day lies ahead: a finger knows. */
const PERHAPS_WET = 0.1;
const LIKELIER_THAN_NOT = 0.5;

function perhapsDue({ chanceDue, chanceWet, state, outlook, today }: Facts): boolean {
  const { earliest } = outlook.advice.window!;
  return (
    state === 'growing' &&
    earliest + outlook.model.traits.holdDays <= today &&
    chanceDue > LIKELIER_THAN_NOT &&
    chanceWet > PERHAPS_WET
  );
}

function byCalendar(facts: Facts): Answer & { gap?: number } {
  const { rules, outlook, today } = facts;
  const month = Number(iso(today).slice(5, 7)) - 1;
  const every = rules.everyDays[month] ?? null;
  if (every === null) return wait(facts, null, { code: 'calendar-none', source: 'rule', weight: 0.7 });
  const last = outlook.history.lastWatered;
  const day = last === null ? today : last + every;
  const reason: Reason = { code: 'calendar', source: 'rule', weight: 0.6, n: { every } };
  if (day > today) return wait(facts, iso(day), reason);
  // A pot that nothing runs out of is never watered by the clock alone.
  const shut = !outlook.plant.pot.holes && (facts.seen.look === null || facts.seen.look.says !== 'dry');
  if (shut || facts.m.p50 > Math.max(0.45, outlook.model.traits.dueM ?? 0) || facts.chanceWet > 0.3) {
    return {
      deeds: [{ deed: 'look', what: 'depth', then: { wet: 'wait', damp: 'wait', dry: 'water' } }],
      because: [reason, reckoned(facts)],
      nextLook: iso(today),
    };
  }
  return due(facts, reason);
}

/** Its roots grew in wet: moister than its rule for some weeks, and whatever is said of its water says so. */
function withWeaning(answer: Answer, { outlook, today }: Facts): Answer {
  const { weaning: left, pottedOn } = outlook.model;
  const [first] = answer.deeds;
  const ofWater = first.deed === 'wait' || DRINKS.has(first.deed) || (first.deed === 'look' && first.what === 'depth');
  if (left <= 0 || pottedOn === null || !ofWater) return answer;
  const reason: Reason = {
    code: 'weaning',
    source: 'rule',
    on: iso(today + Math.round(left * WEANING_DAYS)),
    weight: 0.6,
    n: { left: hundredth(left) },
  };
  return { ...answer, because: [...answer.because, reason] };
}

/** How its drinks come further apart, or closer together, from here on. */
function eased({ state, outlook, today }: Facts): Reason[] {
  if (state !== 'easing' && state !== 'waking') return [];
  const from = Math.max(today, outlook.advice.window?.ideal ?? today);
  const { gaps, thenRests } = rampAhead(outlook.model, {
    from,
    rate: outlook.rate.p50,
    surfaceWetM: outlook.surfaceWetM,
  });
  return [
    {
      code: state,
      source: 'reckoned',
      weight: 0.3,
      n: {
        share: hundredth(outlook.model.timeline.activity[today - outlook.model.timeline.firstDay] ?? 1),
        ...(outlook.history.lastWatered === null ? {} : { now: Math.max(0, from - outlook.history.lastWatered) }),
        ...Object.fromEntries(gaps.map((days, i) => [`gap${i + 1}`, days])),
        ...(thenRests ? { rests: 1 } : {}),
      },
    },
  ];
}

/** What put the day off, where that is the reason and not the pot. */
function putOff(facts: Facts): Reason[] {
  const { outlook, dliMol, heat } = facts;
  const window = outlook.advice.window;
  const on = window === null ? {} : { on: iso(window.ideal) };
  switch (window?.putOff ?? null) {
    case 'weekday':
      return [{ code: 'usual-day', source: 'rule', weight: 0.75, ...on }];
    case 'cold-eve':
      return [{ ...coldNight(facts), weight: 0.75 }];
    case 'dim':
      return [{ code: 'dim-holds', source: 'reckoned', weight: 0.75, ...on, n: { light: tenth(dliMol) } }];
    case 'hot':
      return [
        { code: 'hot-holds', source: 'forecast', weight: 0.75, n: { high: tenth(heat.highC), limit: heat.limitC } },
      ];
    case 'refused':
      return refusedReason(facts);
    case null:
      return [];
  }
}

/** Its keeper left it out twice running: what they see that the book does not is asked before the drink. */
function refusedReason({ outlook, today }: Facts): Reason[] {
  const refused = refusedLately(outlook.plant.events, today);
  return refused ? [{ code: 'refused-twice', source: 'seen', on: refused.date, of: refused.reason, weight: 0.75 }] : [];
}

function wait(facts: Facts, until: string | null, ...more: Reason[]): Answer {
  const { outlook, today } = facts;
  const dry = outlook.dryOn;
  const dates: Reason = {
    code: 'not-due',
    source: 'reckoned',
    weight: 0.4,
    ...(dry.p50 === null ? {} : { on: iso(dry.p50) }),
    of: outlook.model.traits.dryRule,
    n: { p50: hundredth(facts.m.p50), ...giveOrTake(dry) },
  };
  const rain = rainCounted(facts);
  return {
    deeds: [{ deed: 'wait', until }],
    because: [
      ...more,
      ...putOff(facts),
      ...(rain ? [rain] : []),
      dates,
      ...(facts.seen.look ? [facts.seen.look.reason] : []),
    ],
    until,
    nextLook: until ?? iso(today + 21),
  };
}

/** The rule calls: the drink, a look, or waiting, whichever is likely to do least harm. */
function due(facts: Facts, rule: Reason): Answer & { gap: number } {
  const { today, nights, seen } = facts;
  const { kind, drink } = drinkNow(facts);
  const parched = isParched(facts);
  const salty: Reason[] = drink.flush
    ? [
        {
          code: 'salts',
          source: 'reckoned',
          weight: 0.6,
          n: { ec: tenth(facts.salts.ecMS), limit: facts.salts.limitMS },
        },
      ]
    : [];
  const because = [
    rule,
    reckoned(facts),
    ...salty,
    ...(seen.look ? [seen.look.reason] : []),
    ...(parched
      ? [{ code: 'dry-for-long', source: 'reckoned', weight: 0.7, n: { days: facts.dryDays } } as const]
      : []),
    ...eased(facts),
  ];
  // Never on the eve of a cold night; where no night is mild for weeks the place is wrong, not the day.
  if (nights.mildOn !== today) {
    // A house that waits for its spring is no wrong place for what has hardly begun to stir.
    if (nights.mildOn === null && facts.state !== 'growing' && nights.mildLaterOn !== null) {
      const spring = iso(nights.mildLaterOn);
      return {
        deeds: [{ deed: 'wait', until: spring }],
        because: [coldNight(facts), ...because],
        until: spring,
        nextLook: iso(today + 14),
        gap: SURE_GAP,
      };
    }
    if (nights.mildOn === null) {
      return {
        deeds: [
          { deed: 'move', what: 'warmer' },
          { deed: 'wait', until: null },
        ],
        because: [coldWeeks(facts), ...because],
        until: null,
        nextLook: iso(today + 7),
        gap: SURE_GAP,
      };
    }
    const until = iso(nights.mildOn);
    return {
      deeds: [{ deed: 'wait', until }],
      because: [coldNight(facts), ...because],
      until,
      nextLook: until,
      gap: SURE_GAP,
    };
  }
  const shut = shutNow(facts, because);
  if (shut) return shut;
  const rain = parched ? null : rainComing(facts);
  if (rain) {
    const until = iso(today + RAIN_DAYS);
    return {
      deeds: [{ deed: 'wait', until }],
      because: [rain, ...because],
      until,
      nextLook: until,
      gap: SURE_GAP,
    };
  }
  if (drink.amount_ml <= 0)
    return {
      deeds: [{ deed: 'wait', until: iso(today + 3) }],
      because: [{ code: 'no-hole', source: 'rule', weight: 0.8 }, ...because],
      until: iso(today + 3),
      nextLook: iso(today + 3),
      gap: 0,
    };
  // A top that is dry says little of a deep pot.
  if (seen.surface?.says === 'dry' && facts.outlook.plant.pot.depth_mm > DEEP_MM && !seen.look) {
    return {
      deeds: [{ deed: 'look', what: 'depth', then: { wet: 'wait', damp: 'wait', dry: 'water' } }],
      because: [{ code: 'surface-dry', source: 'seen', on: iso(seen.surface.day), weight: 0.5 }, ...because],
      nextLook: iso(today),
      gap: 0,
    };
  }
  const refused = seen.look ? [] : refusedReason(facts);
  if (refused.length > 0)
    return {
      deeds: [{ deed: 'look', what: 'depth', then: DEPTH_ANSWERS }],
      because: [...refused, ...because],
      nextLook: iso(today),
      gap: 0,
    };
  const harms = expectedHarm(facts);
  const sorted = (Object.entries(harms) as ['water' | 'wait' | 'look', number][]).sort((a, b) => a[1] - b[1]);
  const [best] = sorted[0]!;
  const gap = sorted[1]![1] - sorted[0]![1];
  if (best === 'water')
    return {
      deeds: [{ deed: kind, ...drink, food: null }],
      because,
      nextLook: parched ? iso(today + 4) : null,
      gap,
    };
  const precious: Reason[] = [
    ...(facts.rules.hardToReplace ? [{ code: 'hard-to-replace', source: 'rule', weight: 0.5 } as const] : []),
    ...(facts.nameUnknown ? [{ code: 'name-unknown', source: 'rule', weight: 0.3 } as const] : []),
  ];
  const unlooked: Reason[] = seen.look || facts.neverLooked ? [] : lookAge(facts);
  return {
    deeds: [{ deed: 'look', what: 'depth', then: DEPTH_ANSWERS }],
    because: [unsure(facts), ...precious, ...unlooked, ...because],
    nextLook: iso(today),
    gap,
  };
}

/** Rain is waited for so long. */
const RAIN_DAYS = 2;
/** A finger on the top says little of a pot deeper than this. */
const DEEP_MM = 100;

/** In the heat a shut plant waits so long for its drink, in the dark so long, and no longer. */
const HOT_PATIENCE_DAYS = 10;
const DARK_PATIENCE_DAYS = 14;
const GROWS_DAYS = 42;

/** Too hot or too dark to use a drink: the place is seen to first, and the drink waits while nothing is lost by it. */
function shutNow(facts: Facts, because: readonly Reason[]): (Answer & { gap: number }) | null {
  const { outlook, today, heat, hotWeek, tooDark, dryDays, dliMol } = facts;
  if (outlook.model.soaked || facts.seen.slack) return null;
  if (hotWeek && heat.highC >= heat.limitC && dryDays < HOT_PATIENCE_DAYS) {
    const until = iso(today + 3);
    return {
      deeds: [
        { deed: 'move', what: 'shadier' },
        { deed: 'wait', until },
      ],
      because: [
        { code: 'hot-holds', source: 'forecast', weight: 0.8, n: { high: tenth(heat.highC), limit: heat.limitC } },
        ...because,
      ],
      until,
      nextLook: until,
      gap: SURE_GAP,
    };
  }
  // What is seen to grow has light enough to grow in.
  const grows = facts.seen.grewOn !== null && today - facts.seen.grewOn <= GROWS_DAYS;
  const usedToIt = outlook.model.traits.habit === 'winter' && !facts.inTheDark;
  if (!tooDark || grows || usedToIt || dryDays >= DARK_PATIENCE_DAYS) return null;
  const until = iso(today + Math.max(3, DARK_PATIENCE_DAYS - dryDays));
  return {
    deeds: [
      { deed: 'wait', until },
      ...(isAsLightAsItGets(facts) ? [] : [{ deed: 'move', what: 'brighter' } as const]),
    ],
    because: [
      { code: 'dim-holds', source: 'reckoned', weight: 0.8, on: until, n: { light: tenth(dliMol) } },
      ...because,
    ],
    until,
    nextLook: until,
    gap: SURE_GAP,
  };
}

function lookAge({ outlook, today }: Facts): Reason[] {
  const last = outlook.plant.events.findLast((event) => event.type === 'check');
  if (!last) return [];
  const days = today - dayNumber(last.date);
  return days > DAYS_TO_NEXT_LOOK
    ? [{ code: 'long-unlooked', source: 'seen', on: last.date, weight: 0.3, n: { days } }]
    : [];
}

/** Expected harm of a drink, of waiting, and of a look that decides between them. */
export function expectedHarm(facts: Facts): { water: number; wait: number; look: number } {
  const damp = Math.max(0, 1 - facts.chanceWet - facts.chanceDue);
  const water = facts.rotTimes * (facts.chanceWet * HARM.drinkIntoWet.harm + damp * HARM.drinkIntoDamp.harm);
  const wait = DAYS_TO_NEXT_LOOK * (facts.chanceDue * facts.thirstADay + HARM.dayDry.harm);
  // A look is right nine times in ten, and then the better of the two is done.
  const look = HARM.look.harm + 0.1 * Math.min(water, wait);
  return { water, wait: Math.max(wait, HARM.look.harm * 2), look };
}

const DRINKS = new Set<Deed['deed']>(['water', 'sip']);

/** Food with the drink, light and company beside it, and where each move could lead. */
function dress(facts: Facts, deeds: Answer['deeds'], alarm: Deed | null): Judgement['deeds'] {
  const { feed, tooDark, state, nature } = facts;
  const out = deeds.map((deed): Deed => {
    if (deed.deed !== 'water') return deed;
    const fed =
      feed.kind === 'feed' &&
      !deed.flush &&
      !tooDark &&
      facts.dryDays < 14 &&
      !facts.seen.slack &&
      !facts.seen.tooMuch &&
      !sick(facts);
    return { ...deed, food: fed ? feed.strength : null };
  });
  const has = (name: Deed['deed']) => out.some(({ deed }) => deed === name);
  const moved = () => out.some((deed) => deed.deed === 'move' && deed.what !== 'apart');
  const wantsLight =
    (tooDark && state !== 'resting' && !isAsLightAsItGets(facts)) ||
    facts.seen.stretched !== null ||
    longIndoors(facts) !== null;
  const elsewhere = ofItsSigns(facts);
  const saved = out.some((deed) => deed.deed === 'act' && deed.what === 'out-of-frost');
  // Kept apart is no place of its own: it stands beside whatever else it is moved for.
  if (elsewhere === 'apart') out.push({ deed: 'move', what: 'apart' });
  else if (elsewhere && !moved() && !saved) out.push({ deed: 'move', what: elsewhere });
  if (wantsLight && !has('act') && !moved() && !inItsShade(facts)) out.push({ deed: 'move', what: 'brighter' });
  if (nearLimit(facts) && !moved() && !has('act') && nature !== 'hardy' && facts.outlook.model.traits.minDryC > 0)
    out.push({ deed: 'move', what: 'warmer' });
  if (alarm && !has('look') && !has('act')) out.push(alarm);
  return withPlaces(out, facts) as Judgement['deeds'];
}

/** Under the sky or under glass a dark month is the year's own: no place is brighter but a lamp. */
function isAsLightAsItGets({ placeKind }: Facts): boolean {
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

/** Every move names a place that fits and has room, where the keeper has one. */
function withPlaces(deeds: readonly Deed[], facts: Facts): Deed[] {
  const { benches, outlook, rules, care, nature, state, m } = facts;
  if (!benches) return [...deeds];
  const plant: Stands = {
    traits: outlook.model.traits,
    nature,
    state,
    light: rules.light,
    ceilingC: rules.ceilingC,
    m: m.p50,
    failsIndoors: care.failsIndoors,
  };
  return deeds.map((deed): Deed => {
    const what = deed.deed === 'move' ? deed.what : deed.deed === 'act' && deed.what === 'out-of-frost' ? 'in' : null;
    if (what === null || (deed.deed !== 'move' && deed.deed !== 'act')) return deed;
    const bench = benchFor(what, plant, outlook.plant.place, benches);
    return bench ? { ...deed, to: { id: bench.id, name: bench.name } } : deed;
  });
}

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

/** Something ails it that food would feed, or burn. */
function sick({ clinic }: Facts): boolean {
  if (clinic.cases.some(({ cause }) => cause !== 'underfed' && !isHarmless(cause))) return true;
  const top = actedOn(clinic.diagnosis);
  return top !== null && top.cause !== 'underfed' && !isHarmless(top.cause);
}

/** Strongest first; what the keeper saw is always among them. */
function weighed({ because, against = [], deeds }: Answer, facts: Facts): { because: Reason[]; against: Reason[] } {
  const all = [...because];
  const add = (reason: Reason) => {
    if (!all.some(({ code }) => code === reason.code) && !against.some(({ code }) => code === reason.code))
      all.push(reason);
  };
  if (facts.seen.look && !all.some(({ source }) => source === 'seen')) add({ ...facts.seen.look.reason, weight: 0.35 });
  if (facts.seen.slack)
    add({
      code: 'slack-seen',
      source: 'seen',
      on: iso(facts.seen.slack.day),
      weight: 0.35,
      of: facts.seen.slack.sign,
      n: { strength: facts.seen.slack.strength },
    });
  const { stretched } = facts.seen;
  if (stretched)
    add({
      code: 'stretched-seen',
      source: 'seen',
      on: iso(stretched.day),
      weight: 0.32,
      of: stretched.sign,
      n: { strength: stretched.strength },
    });
  const indoors = longIndoors(facts);
  if (indoors) add(indoors);
  const off = offIdeal(facts);
  if (off) add(off);
  if (facts.tooDark && !inItsShade(facts))
    add({ code: 'too-dark', source: 'reckoned', weight: 0.3, n: { light: tenth(facts.dliMol) } });
  const near = nearLimit(facts);
  if (near) add(near);
  const sense = likeliest(facts);
  if (sense && facts.clinic.raised.length === 0 && deeds[0].deed !== 'wake')
    add({ ...sense, weight: Math.min(sense.weight, 0.34) });
  const first = deeds[0].deed;
  const counter = [...against];
  if (DRINKS.has(first) && facts.chanceWet > 0.05)
    counter.push({
      code: 'reckoned-damp',
      source: 'reckoned',
      weight: hundredth(facts.chanceWet),
      n: { chance_wet: hundredth(facts.chanceWet) },
    });
  if (first === 'wait' && facts.chanceDue > 0.3 && facts.seen.look && facts.seen.look.says !== 'dry')
    counter.push({ code: 'reckoned-dry', source: 'reckoned', weight: hundredth(facts.chanceDue) });
  return { because: all.sort((a, b) => b.weight - a.weight), against: counter.sort((a, b) => b.weight - a.weight) };
}

/** A kind that fails indoors, too long under a roof without a lamp or a very bright window. */
function longIndoors({ care, rules, indoorsSince, lit, today, dliMol }: Facts): Reason | null {
  if (!care.failsIndoors || indoorsSince === null || lit || dliMol >= LIGHT_BANDS[rules.light].wellFrom) return null;
  const days = today - indoorsSince;
  if (days < rules.indoorDays) return null;
  return { code: 'long-indoors', source: 'rule', on: iso(indoorsSince), weight: 0.5, n: { days } };
}

/** So far outside the band in which it does best, a growing plant's drinks come at other gaps: that is said. */
const OFF_IDEAL_K = 2;

function offIdeal({ rules, warmthC, state }: Facts): Reason | null {
  if (state !== 'growing') return null;
  const { idealFromC: from, idealToC: to } = rules;
  if (warmthC >= from - OFF_IDEAL_K && warmthC <= to + OFF_IDEAL_K) return null;
  return { code: 'off-ideal', source: 'reckoned', weight: 0.28, n: { warmth: tenth(warmthC), from, to } };
}

function happenedOf({ outlook }: Facts): Happened[] {
  return outlook.present.happened.map(({ kind, probability, from, to, look }) => ({
    kind,
    probability: hundredth(probability),
    from: iso(from),
    to: iso(to),
    ...(look ? { look } : {}),
  }));
}

function surenessOf(facts: Facts, answer: Answer & { gap?: number }): Sureness {
  const width = facts.m.p90 - facts.m.p10;
  const gap =
    answer.gap ??
    (facts.seen.rot || facts.seen.slack ? SURE_GAP : width < 0.15 ? SURE_GAP : width < 0.3 ? FAIRLY_SURE_GAP : 0);
  const sure: Sureness =
    gap >= SURE_GAP && width < 0.3 ? 'high' : gap >= FAIRLY_SURE_GAP || width < 0.2 ? 'medium' : 'low';
  if (facts.neverLooked) return sure === 'high' ? 'medium' : 'low';
  return sure;
}

/** What to mind with it, and the one thing never to do with this kind. */
function mindful(facts: Facts, deeds: readonly Deed[]): Pick<Judgement, 'mind' | 'never' | 'never_c'> {
  const { outlook, rules, salts, water } = facts;
  const { cautions } = outlook.model.sourced;
  const { pot } = outlook.plant;
  const drinking = deeds.some(({ deed }) => DRINKS.has(deed) || deed === 'look');
  const hands = deeds.some(({ deed }) => deed === 'act' || deed === 'look' || deed === 'move');
  const mind: Mind[] = [];
  if (drinking) {
    if (cautions.includes('powdery')) mind.push('not-on-powder');
    if (cautions.includes('dry-heart')) mind.push('not-into-rosette');
    if (!pot.holes) mind.push('no-hole-measure');
    if (water === 'softened') mind.push('softened-sodium');
    else if (!rules.waters.includes(water)) mind.push('water-not-its-kind');
    if (water === 'hard' && rules.salts !== 'hardy' && salts.hardDrinks >= 6) mind.push('hard-crust');
    if (facts.heat.highC >= COOL_HOURS_C) mind.push('cool-hours');
    if (deeds[0]?.deed === 'sip' && isParched(facts)) mind.push('long-dry-sip');
  }
  if (clayInFrost(facts)) mind.push('clay-frost');
  if (darkInHeat(facts)) mind.push('dark-heat');
  if (salts.flush) mind.push(pot.holes ? 'salts-flush' : 'salts-stay');
  if (hands)
    for (const caution of ['spines', 'glochids', 'milky-sap', 'irritant-sap', 'poisonous-sap'] as const)
      if (cautions.includes(caution)) mind.push(caution);
  return { mind, ...neverOf(facts) };
}

/** On hotter days water is given in the cool: at noon it scalds roots and stands on hot leaves. */
const COOL_HOURS_C = 32;
const FROST_TENDER_C = 8;

function neverOf({ outlook, care, state, m, nature }: Facts): { never: Never; never_c: number | null } {
  const { traits, sourced, plant } = { ...outlook.model, plant: outlook.plant };
  const of = (never: Never, c: number | null = null) => ({ never, never_c: c });
  if (care.neverSoak) return of('long-soak');
  if (state === 'resting' && (traits.form === 'caudex' || traits.form === 'bulb')) return of('full-drink-leafless');
  if (traits.minDryC >= FROST_TENDER_C) return of('frost', traits.minDryC);
  if (!plant.pot.holes) return of('second-drink-while-wet');
  if (sourced.cautions.includes('dry-heart')) return of('water-into-rosette');
  if (sourced.cautions.includes('powdery')) return of('oil-on-powder');
  if (traits.dryRule === 'keep-damp') return of('dry-out');
  if (traits.form === 'globe' || traits.form === 'column' || traits.form === 'pad')
    return of('wet-and-cold', traits.minWetC);
  if (traits.store === 'below') return of('second-drink-while-wet');
  if (traits.sleeps === 'never' || nature === 'hardy') return of('standing-in-water');
  return m.p50 > ROOT_FREE_M || state === 'resting' ? of('full-drink-asleep') : of('standing-in-water');
}

export { judgedAs };
