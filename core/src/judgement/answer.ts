/** What one danger asks for, and the reasons that several of them give. */
import { DRY_TO_M, TOO_WET_TO_DRINK_M } from '../moisture.ts';
import type { Deed } from './deeds.ts';
import { type Facts, iso } from './facts.ts';
import type { Says, SeenLook, SeenSign } from './seen.ts';
import { WEIGHTS, type Why } from './weights.ts';
import { rampAhead } from '../forecast/ramp.ts';
import { refusedLately } from '../plant/refusals.ts';

export interface Answer {
  deeds: [Deed, ...Deed[]];
  because: Why[];
  against?: Why[];
  until?: string | null;
  nextLook?: string | null;
  /** how much more harm the next best deed would do: how sure it is */
  gap?: number;
}

export const DRINKS = new Set<Deed['deed']>(['water', 'sip']);

export const DEPTH_ANSWERS = { wet: 'wait', damp: 'wait', dry: 'water' } as const;

/** A thumb at the base: what a firm one leads to is the asker's, a soft one is rot. */
export function pressBase(firm: 'wait' | 'water' | 'sip' | 'sleep' | 'wake' | 'look' = 'wait'): Deed {
  return { deed: 'look', what: 'base', then: { firm, soft: 'act' } };
}

export function sign(code: Why['code'], seen: SeenSign): Why {
  return { code, source: 'seen', on: iso(seen.day), of: seen.sign, n: { strength: seen.strength } };
}

/** The last look at depth, while it is as new as the slackness beside it: an older one is carried on in the belief. */
function tellingLook({ seen }: Facts): SeenLook | null {
  return seen.look && (!seen.slack || seen.look.day >= seen.slack.day - 2) ? seen.look : null;
}

/** What tells of the mix beside a slack plant, as a reason. */
export function mixReason(facts: Facts): Why {
  return tellingLook(facts)?.reason ?? reckoned(facts);
}

/** What is known of the mix beside a slack plant: what was felt counts before what is reckoned. */
export function mixOf(facts: Facts): Says | 'unknown' {
  const { m, chanceWet, neverLooked } = facts;
  const look = tellingLook(facts);
  if (look) return look.says;
  if (chanceWet > 0.5 || m.p50 > TOO_WET_TO_DRINK_M) return 'wet';
  if (
    (!neverLooked || (facts.outlook.model.soaked && m.p90 <= DRY_TO_M)) &&
    m.p50 <= DRY_TO_M + 0.03 &&
    chanceWet < 0.1
  )
    return 'dry';
  return 'unknown';
}

/** What its signs mean most likely, as a reason. */
export function likeliest({ clinic }: Facts): Why | null {
  const { diagnosis } = clinic;
  const top = diagnosis?.causes[0];
  if (!top || diagnosis.cantTell) return null;
  return {
    code: 'likeliest',
    source: 'reckoned',
    weight: hundredth(WEIGHTS.likeliest * top.probability),
    of: top.cause,
    n: { chance: hundredth(top.probability) },
  };
}

export function reckoned({ m, outlook, today, seen }: Facts): Why {
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
      n: { ...n, ...giveOrTake(outlook.dryOn) },
    };
  }
  return { code: m.p50 > 0.6 ? 'reckoned-wet' : 'reckoned-damp', source: 'reckoned', n };
}

export function giveOrTake(dryOn: { p10: number | null; p90: number | null }): Record<string, number> {
  return dryOn.p10 === null || dryOn.p90 === null ? {} : { give_or_take: Math.round((dryOn.p90 - dryOn.p10) / 2) };
}

export function unsure({ m }: Facts): Why {
  return { code: 'unsure', source: 'reckoned', n: { p10: hundredth(m.p10), p90: hundredth(m.p90) } };
}

/** From so many days on a plant's own way is worth a word. */
const OWN_WAY_DAYS = 3;

export function asleep({ stateSince, outlook, today, wakesInDays }: Facts): Why {
  const { own } = outlook.model.timeline;
  return {
    code: 'asleep',
    source: 'reckoned',
    on: iso(stateSince),
    n: {
      days: today - stateSince,
      ...(wakesInDays ? { wakes_in_days: wakesInDays } : {}),
      ...(own.turns > 0 && Math.abs(own.days) >= OWN_WAY_DAYS ? { own_days: own.days, turns: own.turns } : {}),
    },
  };
}

export function coldNight({ nights, outlook }: Facts): Why {
  return {
    code: 'cold-night',
    source: 'forecast',
    n: {
      tonight: tenth(nights.tonightC),
      limit: outlook.model.traits.minWetC,
      margin: outlook.model.eveMarginC,
    },
  };
}

export function coldWeeks({ nights, outlook }: Facts): Why {
  return {
    code: 'cold-for-weeks',
    source: 'forecast',
    n: { share: hundredth(nights.coldShare), limit: outlook.model.traits.minWetC },
  };
}

/** How its drinks come further apart, or closer together, from here on. */
export function eased({ state, outlook, today }: Facts): Why[] {
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
      n: {
        share: hundredth(outlook.model.timeline.activity[today - outlook.model.timeline.firstDay] ?? 1),
        ...(outlook.history.lastWatered === null ? {} : { now: Math.max(0, from - outlook.history.lastWatered) }),
        ...Object.fromEntries(gaps.map((days, i) => [`gap${i + 1}`, days])),
        ...(thenRests ? { rests: 1 } : {}),
      },
    },
  ];
}

/** Its keeper left it out twice running: what they see that the book does not is asked before the drink. */
export function refusedReason({ outlook, today }: Facts): Why[] {
  const refused = refusedLately(outlook.plant.events, today);
  return refused ? [{ code: 'refused-twice', source: 'seen', on: refused.date, of: refused.reason }] : [];
}

export function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}

export function hundredth(value: number): number {
  return Math.round(value * 100) / 100;
}
