/** What the keeper's rule calls for: the pot gone dry, the plant's sign, the calendar. */
import { DRY_TO_M } from '../moisture.ts';
import { coldNight, giveOrTake, type Answer, hundredth, reckoned, tenth, eased, refusedReason } from './answer.ts';
import { due } from './due.ts';
import { type Facts, iso } from './facts.ts';
import { rainCounted } from './rain.ts';
import type { Why } from './weights.ts';

export function byRule(facts: Facts): Answer {
  const { rules, outlook, today } = facts;
  const window = outlook.advice.window!;
  if (rules.trigger === 'calendar') return byCalendar(facts);
  if (rules.trigger === 'plant') {
    const day = outlook.schools.plant;
    if (day === null) return wait(facts, null, { code: 'no-sign', source: 'rule' });
    if (day > today) return wait(facts, iso(day), { code: 'plant-sign', source: 'rule', on: iso(day) });
    return {
      deeds: [{ deed: 'look', what: 'growth', then: { wrinkled: 'water', taut: 'wait' } }],
      because: [{ code: 'plant-sign', source: 'rule', on: iso(today) }, reckoned(facts)],
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
      ...(tautDry ? [{ code: 'taut-seen', source: 'seen', on: iso(facts.seen.taut!) } as const] : []),
      ...eased(facts),
    );
  return due(facts, {
    code: 'due',
    source: 'rule',
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

function byCalendar(facts: Facts): Answer {
  const { rules, outlook, today } = facts;
  const month = Number(iso(today).slice(5, 7)) - 1;
  const every = rules.everyDays[month] ?? null;
  if (every === null) return wait(facts, null, { code: 'calendar-none', source: 'rule' });
  const last = outlook.history.lastWatered;
  const day = last === null ? today : last + every;
  const reason: Why = { code: 'calendar', source: 'rule', n: { every } };
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

/** What put the day off, where that is the reason and not the pot. */
function putOff(facts: Facts): Why[] {
  const { outlook, dliMol, heat } = facts;
  const window = outlook.advice.window;
  const on = window === null ? {} : { on: iso(window.ideal) };
  switch (window?.putOff ?? null) {
    case 'weekday':
      return [{ code: 'usual-day', source: 'rule', ...on }];
    case 'cold-eve':
      return [{ ...coldNight(facts), weight: 0.75 }];
    case 'dim':
      return [{ code: 'dim-holds', source: 'reckoned', ...on, n: { light: tenth(dliMol) } }];
    case 'hot':
      return [{ code: 'hot-holds', source: 'forecast', n: { high: tenth(heat.highC), limit: heat.limitC } }];
    case 'refused':
      return refusedReason(facts);
    case null:
      return [];
  }
}

function wait(facts: Facts, until: string | null, ...more: Why[]): Answer {
  const { outlook, today } = facts;
  const dry = outlook.dryOn;
  const dates: Why = {
    code: 'not-due',
    source: 'reckoned',
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
