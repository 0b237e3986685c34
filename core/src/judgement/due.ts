/** The rule calls: the drink, a look, or waiting, whichever is likely to do least harm. */
import { dayNumber, type DayNumber } from '../calendar/day.ts';
import {
  type Answer,
  coldNight,
  coldWeeks,
  DEPTH_ANSWERS,
  reckoned,
  tenth,
  unsure,
  eased,
  refusedReason,
} from './answer.ts';
import { isAsLightAsItGets } from './beside.ts';
import { type Facts, iso } from './facts.ts';
import { DAYS_TO_NEXT_LOOK, HARM, SURE_GAP } from './harm.ts';
import { rainComing } from './rain.ts';
import { drinkNow, isParched } from './thirst.ts';
import type { Why } from './weights.ts';

/** Why it is due, for whatever comes of it. */
function reasonsOf(facts: Facts, rule: Why): Why[] {
  const { seen, salts, dryDays } = facts;
  const salty: Why = { code: 'salts', source: 'reckoned', n: { ec: tenth(salts.ecMS), limit: salts.limitMS } };
  const parched: Why = { code: 'dry-for-long', source: 'reckoned', n: { days: dryDays } };
  return [
    rule,
    reckoned(facts),
    ...(drinkNow(facts).drink.flush ? [salty] : []),
    ...(seen.look ? [seen.look.reason] : []),
    ...(isParched(facts) ? [parched] : []),
    ...eased(facts),
  ];
}

/** What stands in the way of a drink that is due, in the order in which it is asked. */
const IN_THE_WAY: readonly ((facts: Facts) => Answer | null)[] = [
  coldEve,
  shutNow,
  rainSoon,
  noRoom,
  dryOnTop,
  leftOut,
];

export function due(facts: Facts, rule: Why): Answer {
  const because = reasonsOf(facts, rule);
  for (const inTheWay of IN_THE_WAY) {
    const answer = inTheWay(facts);
    if (answer) return { ...answer, because: [...answer.because, ...because] };
  }
  return leastHarm(facts, because);
}

/** Never on the eve of a cold night; where no night is mild for weeks the place is wrong, not the day. */
function coldEve(facts: Facts): Answer | null {
  const { nights, today, state } = facts;
  if (nights.mildOn === today) return null;
  if (nights.mildOn !== null) return waitUntil(iso(nights.mildOn), coldNight(facts));
  // A house that waits for its spring is no wrong place for what has hardly begun to stir.
  if (state !== 'growing' && nights.mildLaterOn !== null)
    return { ...waitUntil(iso(nights.mildLaterOn), coldNight(facts)), nextLook: iso(today + 14) };
  return {
    deeds: [
      { deed: 'move', what: 'warmer' },
      { deed: 'wait', until: null },
    ],
    because: [coldWeeks(facts)],
    until: null,
    nextLook: iso(today + 7),
    gap: SURE_GAP,
  };
}

/** Rain will water it. */
function rainSoon(facts: Facts): Answer | null {
  const rain = isParched(facts) ? null : rainComing(facts);
  return rain && waitUntil(iso(facts.today + RAIN_DAYS), rain);
}
/** Rain is waited for so long. */
const RAIN_DAYS = 2;

/** A pot without a hole that has no room for a drink yet. */
function noRoom(facts: Facts): Answer | null {
  if (drinkNow(facts).drink.amount_ml > 0) return null;
  return { ...waitUntil(iso(facts.today + 3), { code: 'no-hole', source: 'rule' }), gap: 0 };
}

/** A top that is dry says little of a deep pot. */
function dryOnTop({ seen, outlook, today }: Facts): Answer | null {
  if (seen.surface?.says !== 'dry' || outlook.plant.pot.depth_mm <= DEEP_MM || seen.look) return null;
  return feel(today, { code: 'surface-dry', source: 'seen', on: iso(seen.surface.day) });
}
/** A finger on the top says little of a pot deeper than this. */
const DEEP_MM = 100;

/** Its keeper left the drink out twice running: felt first. */
function leftOut(facts: Facts): Answer | null {
  const refused = facts.seen.look ? [] : refusedReason(facts);
  return refused.length > 0 ? feel(facts.today, ...refused) : null;
}

function leastHarm(facts: Facts, because: Why[]): Answer {
  const { today, seen } = facts;
  const { kind, drink } = drinkNow(facts);
  const harms = expectedHarm(facts);
  const sorted = (Object.entries(harms) as [keyof typeof harms, number][]).sort((a, b) => a[1] - b[1]);
  const gap = sorted[1]![1] - sorted[0]![1];
  if (sorted[0]![0] === 'water')
    return {
      deeds: [{ deed: kind, ...drink, food: null }],
      because,
      nextLook: isParched(facts) ? iso(today + 4) : null,
      gap,
    };
  const precious: Why[] = [
    ...(facts.rules.hardToReplace ? [{ code: 'hard-to-replace', source: 'rule' } as const] : []),
    ...(facts.nameUnknown ? [{ code: 'name-unknown', source: 'rule' } as const] : []),
  ];
  const unlooked: Why[] = seen.look || facts.neverLooked ? [] : lookAge(facts);
  return { ...feel(today, unsure(facts), ...precious, ...unlooked, ...because), gap };
}

function waitUntil(until: string, why: Why): Answer {
  return { deeds: [{ deed: 'wait', until }], because: [why], until, nextLook: until, gap: SURE_GAP };
}

/** The finger knows: a dry pot is watered, any other waits. */
function feel(today: DayNumber, ...because: Why[]): Answer {
  return {
    deeds: [{ deed: 'look', what: 'depth', then: DEPTH_ANSWERS }],
    because,
    nextLook: iso(today),
    gap: 0,
  };
}

/** In the heat a shut plant waits so long for its drink, in the dark so long, and no longer. */
const HOT_PATIENCE_DAYS = 10;
const DARK_PATIENCE_DAYS = 14;
const GROWS_DAYS = 42;

/** Too hot or too dark to use a drink: the place is seen to first, and the drink waits while nothing is lost by it. */
function shutNow(facts: Facts): Answer | null {
  const { outlook, today, heat, hotWeek, tooDark, dryDays, dliMol } = facts;
  if (outlook.model.soaked || facts.seen.slack) return null;
  if (hotWeek && heat.highC >= heat.limitC && dryDays < HOT_PATIENCE_DAYS) {
    const until = iso(today + 3);
    return {
      deeds: [
        { deed: 'move', what: 'shadier' },
        { deed: 'wait', until },
      ],
      because: [{ code: 'hot-holds', source: 'forecast', n: { high: tenth(heat.highC), limit: heat.limitC } }],
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
    because: [{ code: 'dim-holds', source: 'reckoned', on: until, n: { light: tenth(dliMol) } }],
    until,
    nextLook: until,
    gap: SURE_GAP,
  };
}

function lookAge({ outlook, today }: Facts): Why[] {
  const last = outlook.plant.events.findLast((event) => event.type === 'check');
  if (!last) return [];
  const days = today - dayNumber(last.date);
  return days > DAYS_TO_NEXT_LOOK ? [{ code: 'long-unlooked', source: 'seen', on: last.date, n: { days } }] : [];
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
