/** Frost and cold: the coming night, and the night that has been. One cold night undoes ten years. */
import { signsThat } from '../catalogue/signs.ts';
import { placeDefaults } from '../place/defaults.ts';
import { type Answer, hundredth, pressBase, sign, tenth } from './answer.ts';
import type { Deed } from './deeds.ts';
import { type Facts, iso, NEAR_MARGIN_C } from './facts.ts';
import { isFrostMush } from './rot.ts';
import type { Why } from './weights.ts';

/** A cloth does for so many cold nights of a week. */
const BRIEF_NIGHTS = 2;
/** Above this a moist root ball is cold, not frozen: what grows in the cool only wants to dry. */
const COOL_C = 1;

/** A night below what it takes: in, covered or warmer before anything else. Cold undoes in hours what took years. */
export function frostTonight(facts: Facts): Answer | null {
  const { nights, outlook, placeKind, care } = facts;
  const { traits } = outlook.model;
  const { tonightC, limitC } = nights;
  if (tonightC >= limitC || facts.shelteredOn === facts.today) return null;
  const n = {
    tonight: tenth(tonightC),
    limit: limitC,
    moist: limitC === traits.minWetC ? 1 : 0,
    chance: hundredth(nights.chance),
  };
  const { outdoors, indoors } = placeDefaults(placeKind);
  // A light brief frost on a kind that nearly takes it: a cloth does. Night after night it does not.
  const cover =
    outdoors &&
    nights.coldNights <= BRIEF_NIGHTS &&
    tonightC > -3 &&
    limitC - tonightC <= 1.5 &&
    limitC <= 0 &&
    care.light === 'sun';
  const below = tonightC < traits.minDryC || tonightC < 0;
  // Below what it takes even dry, or frost on a moist ball: now. Above that the cold harms by days, not by the night.
  const what: Deed = cover
    ? { deed: 'move', what: 'cover' }
    : below && !indoors
      ? { deed: 'act', what: 'out-of-frost' }
      : traits.habit === 'winter' && !below && tonightC >= COOL_C
        ? { deed: 'move', what: 'drier' }
        : { deed: 'move', what: 'warmer' };
  return {
    deeds: [what],
    because: [{ code: 'below-limit', source: 'forecast', on: iso(facts.today + 1), n }],
    nextLook: iso(facts.today),
  };
}

/** Tonight comes close to what it takes: said beside whatever else is said, for a forecast may be wrong by as much. */
export function nearLimit({ nights, today, placeKind, shelteredOn, outlook }: Facts): Why | null {
  const { tonightC, limitC } = nights;
  if (tonightC < limitC || tonightC >= limitC + NEAR_MARGIN_C || shelteredOn === today) return null;
  // A house that holds its nights, by walls or by a heater, does not fall by chance.
  if (placeDefaults(placeKind).indoors || outlook.model.eveMarginC === 0) return null;
  return {
    code: 'near-limit',
    source: 'forecast',
    on: iso(today + 1),
    n: { tonight: tenth(tonightC), limit: limitC, chance: hundredth(nights.chance) },
  };
}

/** What frost shows as in the days after. */
const OF_FROST = signsThat('of-frost');
/** A frost is looked after within so many days; then what it did has shown. */
const LOOKED_AFTER_DAYS = 7;
/** Nothing is poured on a frozen plant for so long, and nothing is cut. */
const KEPT_DRY_DAYS = 10;

function frostReason({ frost, today }: Facts): Why {
  const { on, reached, limit, source } = frost!;
  return {
    code: 'frosted',
    source: source === 'read' ? 'seen' : 'reckoned',
    on: iso(on),
    n: { low: tenth(reached), limit, days: today - on, read: source === 'read' ? 1 : 0 },
  };
}

/**
 * After a night below what it took: limp or glassy is frost first, and wants warmth and no water; unlooked at, a look
 * tells.
 */
export function afterFrost(facts: Facts): Answer | null {
  const { frost, seen, today, state, clinic } = facts;
  if (!frost) return null;
  const idle: Deed = state === 'resting' ? { deed: 'sleep', next_look: iso(today + 5) } : { deed: 'wait', until: null };
  const shown = clinic.facts.signs.findLast(
    (one) => one.day >= frost.on && (OF_FROST.has(one.sign) || (one.sign === 'mushy' && isFrostMush(facts))),
  );
  if (shown) {
    if (today - frost.on > KEPT_DRY_DAYS && !seen.suspect) return null;
    const felt = seen.firmBase !== null && seen.firmBase >= shown.day;
    return {
      deeds: felt ? [idle] : [pressBase(state === 'resting' ? 'sleep' : 'wait'), idle],
      because: [frostReason(facts), sign('frost-shown', { ...shown, where: shown.where, when: shown.when })],
      until: null,
      nextLook: iso(felt ? today + 5 : today),
    };
  }
  const since = seen.touched !== null && seen.touched >= frost.on;
  if (since || today - frost.on > LOOKED_AFTER_DAYS) return null;
  return {
    deeds: [{ deed: 'look', what: 'growth', then: { firm: 'wait', limp: 'wait', glassy: 'wait' } }, idle],
    because: [frostReason(facts)],
    until: null,
    nextLook: iso(today),
  };
}
