/** Rot: seen, suspected, or in the making. Too much water kills, and a drink on rot is the last one. */
import type { CheckId } from '../clinic/checks.ts';
import { WET_FEET_HARM } from '../drydown/stress.ts';
import { placeDefaults } from '../place/defaults.ts';
import {
  type Answer,
  asleep,
  DEPTH_ANSWERS,
  hundredth,
  likeliest,
  mixOf,
  mixReason,
  pressBase,
  reckoned,
  sign,
  tenth,
} from './answer.ts';
import type { Deed } from './deeds.ts';
import { type Facts, iso } from './facts.ts';
import type { SeenSign } from './seen.ts';
import { LEADS, type Why } from './weights.ts';
import { ACTS_FROM } from '../clinic/diagnose.ts';

/** Mush that a frost left on the tender parts is no rot yet. */
export function isFrostMush({ seen, frost, clinic }: Pick<Facts, 'seen' | 'frost' | 'clinic'>): boolean {
  const { rot } = seen;
  if (!rot || !frost || rot.sign !== 'mushy' || rot.where === 'base' || rot.where === 'roots') return false;
  if (rot.day < frost.on) return false;
  const cold = clinic.diagnosis?.causes.find(({ cause }) => cause === 'cold-damage')?.probability ?? 0;
  return cold >= ACTS_FROM;
}

/**
 * Soft base, mush or a sour smell, until a look answers it: no drink anywhere, unpot. Rot does not wait for a forecast.
 */
export function rot(facts: Facts): Answer | null {
  const { seen, today } = facts;
  if (!seen.rot || isFrostMush(facts)) return null;
  return {
    deeds: [
      { deed: 'act', what: 'unpot' },
      { deed: 'look', what: 'roots', then: { firm: 'wait', mush: 'act' } },
    ],
    because: [sign('rot-seen', seen.rot)],
    nextLook: iso(today),
  };
}

/** A check of the clinic as a look of the judgement. */
export function lookFor(check: CheckId): Deed {
  switch (check) {
    case 'press-base':
      return pressBase();
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
    because: [...(why ? [{ ...why, weight: LEADS }] : []), reckoned(facts)],
    until: null,
    nextLook: iso(today),
  };
}

/** Wax and wool on the roots: out, washed and into a fresh mix; a drink before that only feeds its guests. */
export function rootGuests(facts: Facts): Answer | null {
  const { clinic, today } = facts;
  const top = clinic.diagnosis?.causes[0];
  const found = clinic.facts.signs.some(({ sign: name }) => name === 'root-fluff');
  if (!found || top?.cause !== 'root-mealybug' || top.probability < ACTS_FROM) return null;
  const why = likeliest(facts);
  return {
    deeds: [
      { deed: 'act', what: 'unpot' },
      { deed: 'wait', until: null },
    ],
    because: [...(why ? [{ ...why, weight: LEADS }] : []), reckoned(facts)],
    until: null,
    nextLook: iso(today),
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

/** Rot that was likely stays likely until something speaks against it, whatever was poured since. */
export function suspected(facts: Facts): Answer | null {
  const { seen, today } = facts;
  if (!seen.suspect) return null;
  const why = likeliest(facts);
  return {
    deeds: [pressBase(), { deed: 'wait', until: null }],
    because: [
      sign('suspect', seen.suspect),
      ...(seen.lastDrink !== null && seen.lastDrink >= seen.suspect.day
        ? [{ code: 'drink-on-suspicion', source: 'seen', on: iso(seen.lastDrink) } as const]
        : []),
      ...(why ? [why] : []),
    ],
    until: null,
    nextLook: iso(today),
  };
}

/** Leaves that fade on a plant that never sleeps, above a mix that was felt wet: its base before anything else. */
export function fadesAndWet(facts: Facts): Answer | null {
  const { seen, today, outlook } = facts;
  if (!seen.fading || outlook.model.traits.sleeps !== 'never') return null;
  if (seen.look?.says !== 'wet' || (seen.firmBase !== null && seen.firmBase >= seen.fading.day)) return null;
  return {
    deeds: [pressBase(), { deed: 'wait', until: null }],
    because: [sign('too-much-seen', seen.fading), seen.look.reason],
    until: null,
    nextLook: iso(today),
  };
}

/** A mix this long wet and cold is told of, whatever the index. */
const WET_COLD_DAYS = 16;
const FELT_FIRM_DAYS = 7;

/** Wet, cold and long so: roots are in danger, and nothing is gained by leaving it. The hardy are at home in it. */
export function wetAndCold(facts: Facts): Answer | null {
  const { outlook, wetDays, wetColdDays, today, state, seen, nature, placeKind } = facts;
  const { wetFeet, rotInDays } = outlook.stress;
  const wet = facts.chanceWet > 0.5;
  if (
    !wet ||
    (wetFeet < WET_FEET_HARM &&
      !(wetFeet >= 0.3 && rotInDays !== null && rotInDays <= 14) &&
      !(wetColdDays >= WET_COLD_DAYS && wetFeet >= 0.15))
  )
    return null;
  if (nature === 'hardy' && outlook.plant.pot.holes && !placeDefaults(placeKind).indoors) return null;
  const n = { days: wetDays, cold_days: wetColdDays, index: hundredth(wetFeet), warmth: tenth(facts.warmthC) };
  const harm = wetFeet >= WET_FEET_HARM;
  const looked = seen.firmBase !== null && today - seen.firmBase <= FELT_FIRM_DAYS;
  const { traits } = outlook.model;
  // What takes the cold wants only a roof against the rain.
  const roof = placeDefaults(placeKind).openSky && facts.nights.weekC >= traits.minDryC;
  const move: Deed = { deed: 'move', what: roof ? 'cover' : facts.warmthC < traits.growMinC + 2 ? 'warmer' : 'drier' };
  const base = pressBase(state === 'resting' ? 'sleep' : 'wait');
  const rest: Deed = state === 'resting' ? { deed: 'sleep', next_look: iso(today + 5) } : { deed: 'wait', until: null };
  return {
    deeds: harm && !looked ? [base, move, rest] : [move, ...(looked ? [] : [base]), rest],
    because: [
      { code: harm ? 'roots-in-danger' : 'wet-and-cold', source: 'reckoned', n },
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
    deeds: [pressBase(), { deed: 'wait', until: null }],
    because: [sign('too-much-seen', seen.tooMuch), reckoned(facts)],
    nextLook: iso(today),
    until: null,
  };
}

/** A dark base on a sleeper is pressed: nobody sees the rot of a plant that stands still. */
export function darkBase({ seen, today, state }: Facts): Answer | null {
  if (state !== 'resting' || seen.tooMuch?.sign !== 'dark-base') return null;
  if (seen.firmBase !== null && seen.firmBase >= seen.tooMuch.day) return null;
  return {
    deeds: [pressBase('sleep'), { deed: 'sleep', next_look: iso(today) }],
    because: [sign('too-much-seen', seen.tooMuch)],
    nextLook: iso(today),
  };
}

/** Water stands on the mix, or the pot holds more than it can: it is tipped out before roots drown. */
export function outOfWater({ seen, outlook, m, today }: Facts): Answer | null {
  const flooded = !outlook.plant.pot.holes && m.p50 > FLOODED_M;
  if (seen.standing === null && !flooded) return null;
  const reason: Why =
    seen.standing === null
      ? { code: 'flooded', source: 'reckoned', n: { share: hundredth(m.p50) } }
      : { code: 'water-stands', source: 'seen', on: iso(seen.standing) };
  return {
    deeds: [
      { deed: 'act', what: 'out-of-water' },
      { deed: 'wait', until: null },
    ],
    because: [reason],
    until: null,
    nextLook: iso(today + 1),
  };
}
/** Without a hole a pot holds more than its mix can from here on. */
const FLOODED_M = 1.05;
