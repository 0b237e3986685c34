/** Thirst, and the drink that answers it: one way of drinking for a plant as it is, whoever asks for it. */
import { isDrink } from '../catalogue/ways.ts';
import { dayNumber } from '../calendar/day.ts';
import { placeDefaults } from '../place/defaults.ts';
import { type Answer, coldNight, DEPTH_ANSWERS, likeliest, mixOf, mixReason, pressBase, sign } from './answer.ts';
import type { Drink } from './deeds.ts';
import { type Facts, iso } from './facts.ts';
import { fullDrink, SIP_SHARE, sipDrink } from './measure.ts';
import { lookFor } from './rot.ts';
import type { Why } from './weights.ts';
import { ACTS_FROM } from '../clinic/diagnose.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

/** Drinking less than this of its best, a plant on its way to rest takes a small drink, no drench. */
const SLOWED_BELOW = 0.6;
/** What one that slows still uses, and a big store in the dark, as shares of the mix. */
const SLOWED_SHARE = 0.055;
const DARK_STORE_SHARE = 0.15;
/** Has not had its first full drink since it began to wake. */
const FRESH_BELOW = 0.6;

function activityOf({ outlook, today }: Facts): number {
  const { timeline } = outlook.model;
  return timeline.activity[today - timeline.firstDay] ?? 1;
}

/** Dry for longer than its fine roots last: it comes back in stages. */
export function isParched({ dryDays, longDryDays, outlook }: Facts): boolean {
  return dryDays >= longDryDays && !outlook.model.soaked;
}

/** On its way to a rest that it takes, and slowed by it. */
function isSlowed(facts: Facts): boolean {
  return (
    facts.state === 'easing' &&
    facts.outlook.model.traits.sleeps !== 'never' &&
    !facts.outlook.model.soaked &&
    activityOf(facts) < SLOWED_BELOW
  );
}

/** Too dark to grow, and no kind of the short days: it uses little. */
function isInTheDark({ tooDark, inTheDark, outlook, seen, placeKind }: Facts): boolean {
  if (!tooDark || outlook.model.soaked || seen.grewOn !== null) return false;
  const { indoors } = placeDefaults(placeKind);
  return indoors && (outlook.model.traits.habit !== 'winter' || inTheDark);
}

function isFreshlyAwake(facts: Facts): boolean {
  return (
    facts.state === 'waking' &&
    facts.rules.firstDrink === 'staged' &&
    !facts.outlook.model.soaked &&
    activityOf(facts) < FRESH_BELOW
  );
}

/** The drink it would get as it is now, thirsty or only due. */
export function drinkNow(facts: Facts): { kind: 'water' | 'sip'; drink: Omit<Drink, 'food'> } {
  if (isParched(facts) || isFreshlyAwake(facts)) return { kind: 'sip', drink: sipDrink(facts) };
  if (isSlowed(facts)) return { kind: 'sip', drink: sipDrink(facts, SLOWED_SHARE) };
  if (isInTheDark(facts))
    return {
      kind: 'sip',
      drink: sipDrink(facts, facts.outlook.model.traits.store === 'below' ? DARK_STORE_SHARE : SLOWED_SHARE),
    };
  const drink = soaked(facts, fullDrink(facts));
  return { kind: drink.amount_ml <= sipDrink(facts).amount_ml && drink.way !== 'mist' ? 'sip' : 'water', drink };
}

/** A ball that sheds its drink, or one that must never dry and did, is stood in water where its kind takes that. */
export function soaked(facts: Facts, drink: Omit<Drink, 'food'>): Omit<Drink, 'food'> {
  const top = facts.clinic.diagnosis?.causes[0];
  const ranThrough = facts.clinic.facts.signs.some(({ sign: name }) => name === 'water-runs-through');
  const sheds = ranThrough || (top?.cause === 'water-repellent-mix' && top.probability >= ACTS_FROM);
  const dryTooLong = facts.outlook.model.soaked && facts.dryDays >= facts.longDryDays;
  if (!sheds && !dryTooLong) return drink;
  if (facts.care.neverSoak || !facts.outlook.plant.pot.holes || drink.way === 'measured' || drink.way === 'mist')
    return drink;
  return { ...drink, way: 'bottom', method: 'bottom' };
}

/** Slack, and nobody knows how wet: the mix is felt before anything. */
export function slackAndUnknown(facts: Facts): Answer | null {
  const { seen, state } = facts;
  if (!seen.slack || state === 'resting' || mixOf(facts) !== 'unknown') return null;
  return {
    deeds: [{ deed: 'look', what: 'depth', then: { ...DEPTH_ANSWERS, wet: 'look', damp: 'look' } }],
    because: [sign('slack-seen', seen.slack), mixReason(facts)],
    nextLook: iso(facts.today),
  };
}

/** A small drink is given so long to show, and counts for so long. */
const SHOWS_DAYS = 3;
const COUNTS_DAYS = 14;
/** Up to so much of the mix a drink is a sip. */
export const SMALL_SHARE = SIP_SHARE * 2.2;

function lastDrinkOf({ outlook }: Facts): { day: number; small: boolean } | null {
  const last = outlook.plant.events.findLast(isDrink);
  if (last?.type !== 'watering') return null;
  const small =
    last.method === 'measured' && (last.amount_ml ?? 0) <= SMALL_SHARE * outlook.model.pot.capacity.volumeMl;
  return { day: dayNumber(last.date), small };
}

/**
 * A drink that did not firm it: more of the same would stand unused. Base and roots are looked at; found sound, it gets
 * another small one.
 */
export function notFirmed(facts: Facts): Answer | null {
  const { seen, today, state } = facts;
  const last = lastDrinkOf(facts);
  if (!seen.slack || !last || state === 'resting' || mixOf(facts) === 'wet') return null;
  if (seen.slack.day - last.day < SHOWS_DAYS || today - last.day > COUNTS_DAYS) return null;
  // A full drink that is used up again is thirst anew.
  if (!last.small && mixOf(facts) === 'dry' && today - last.day > SHOWS_DAYS * 2) return null;
  const felt = seen.firmBase !== null && seen.firmBase >= last.day;
  const rooted = seen.firmRoots !== null && seen.firmRoots >= last.day;
  const because: Why[] = [
    { code: 'not-firmed', source: 'seen', on: iso(last.day), of: seen.slack.sign },
    sign('slack-seen', seen.slack),
  ];
  if (felt || rooted) {
    const drink = sipDrink(facts);
    if (drink.amount_ml > 0 && facts.nights.mildOn === today)
      return { deeds: [{ deed: 'sip', ...drink, food: null }], because, nextLook: iso(today + SHOWS_DAYS) };
  }
  return {
    deeds: [felt ? lookFor('look-roots') : pressBase('sip'), { deed: 'wait', until: null }],
    because,
    until: null,
    nextLook: iso(today),
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
  // A stem on its way to rest shrinks, as it should; a drink now would only be left standing.
  if (isSlowed(facts) && FORM_TABLE[facts.outlook.model.traits.form].bare && seen.slack.strength < 3)
    return {
      deeds: [{ deed: 'wait', until: null }],
      because: [sign('shrinking-cold', seen.slack), mixReason(facts)],
      until: null,
      nextLook: iso(today + 21),
    };
  const { kind, drink } = drinkNow(facts);
  if (drink.amount_ml <= 0) return null;
  return {
    deeds: [{ deed: kind, ...drink, food: null }],
    because,
    nextLook: iso(today + (kind === 'sip' ? SHOWS_DAYS : 2)),
  };
}

/** The first small drink after a long drought is given time to show. */
export function afterFirstSip(facts: Facts): Answer | null {
  const { outlook, today, state, longDryDays } = facts;
  const last = lastDrinkOf(facts);
  if (state === 'resting' || !last?.small || today - last.day >= SHOWS_DAYS) return null;
  const before = outlook.plant.events.findLast((event) => isDrink(event) && dayNumber(event.date) < last.day);
  if (before && last.day - dayNumber(before.date) <= longDryDays) return null;
  const look = iso(last.day + SHOWS_DAYS);
  return {
    deeds: [{ deed: 'wait', until: look }],
    because: [{ code: 'first-sip', source: 'rule', on: iso(last.day) }],
    until: look,
    nextLook: look,
  };
}
