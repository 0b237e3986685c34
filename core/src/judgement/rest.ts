/** Sleep and waking. Rest is mistaken for death, and death for rest: a thumb at the base tells, and waking never beats cold. */
import { sleepsOn } from '../clinic/facts.ts';
import type { Plant } from '../garden.ts';
import { pairKnown } from '../forecast/plantModel.ts';
import { TOO_WET_TO_DRINK_M } from '../moisture.ts';
import { placeDefaults } from '../place/defaults.ts';
import { restPlace } from '../season/restPlace.ts';
import { changesInSpring, newPairUntil } from '../season/newPair.ts';
import { type Answer, asleep, hundredth, likeliest, pressBase, reckoned, sign, tenth, unsure } from './answer.ts';
import type { Deed } from './deeds.ts';
import { type Facts, iso } from './facts.ts';
import { sipDrink } from './measure.ts';
import { LEADS, type Why } from './weights.ts';
import { ACTS_FROM } from '../clinic/diagnose.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

const TOUCH_EVERY_DAYS = 30;
/** A touch asked for and not given is asked for again a month later, not every day. */
const TOUCH_ASKED_DAYS = 7;
/** The longest usual rest. */
const LONGEST_REST_DAYS = 185;
/** Most summer growers wake above this, °C. */
const WAKES_FROM_C = 18;
/** What stirs so near to its season, or after so long a sleep, wakes. */
const NEAR_SEASON_DAYS = 45;
const SLEPT_ENOUGH_DAYS = 150;

const sleep = (nextLook: string): Deed => ({ deed: 'sleep', next_look: nextLook });

/** Its season has come, and it sleeps on without leaves: warmth and light first, then the waking drink; no drink on a guess. */
export function sleepsTooLong(facts: Facts): Answer | null {
  const { outlook, today, state } = facts;
  if (state === 'resting') return null;
  const days = sleepsOn(outlook.plant, outlook.model.traits, today);
  if (days === null) return null;
  return wakes(facts, days);
}

/** The steps of waking, each when the one before it is done: a firm base, warmth and light, and then the first drink. */
function wakes(facts: Facts, days: number): Answer {
  const { seen, today, warmthC } = facts;
  const felt = seen.firmBase !== null && today - seen.firmBase <= TOUCH_EVERY_DAYS;
  const why: Why = { code: 'slept-too-long', source: 'seen', on: iso(today - days), n: { days } };
  return {
    deeds: felt
      ? [{ deed: 'wake' }, { deed: 'move', what: warmthC < WAKES_FROM_C ? 'warmer' : 'brighter' }]
      : [pressBase('wake'), { deed: 'wait', until: null }],
    because: [why],
    until: null,
    nextLook: iso(today + (felt ? 21 : 0)),
  };
}

/**
 * It goes to sleep at its time, if its leaves say so: a firm base settles it. Asked of kinds that sleep, when their rest is
 * near; one yellow leaf in full season is another matter.
 */
export function goesToSleep(facts: Facts): Answer | null {
  const { clinic, today, state, seen } = facts;
  const { traits } = facts.outlook.model;
  const top = clinic.diagnosis?.causes[0];
  if (state === 'resting' || traits.sleeps === 'never') return null;
  if (top?.cause !== 'natural-rest' || top.probability < ACTS_FROM) return null;
  const why = likeliest(facts);
  const since = seen.fading?.day ?? today;
  const felt = seen.firmBase !== null && seen.firmBase >= since;
  const until = clinic.facts.restInDays === null ? null : iso(today + clinic.facts.restInDays);
  return {
    deeds: felt ? [{ deed: 'wait', until: null }] : [{ deed: 'wait', until: null }, pressBase('wait')],
    because: [
      ...(why ? [{ ...why, weight: LEADS }] : []),
      { code: 'leaves-going', source: 'seen', ...(until ? { on: until } : {}), n: { felt: felt ? 1 : 0 } },
      reckoned(facts),
    ],
    until: null,
    nextLook: iso(today + (felt ? 14 : 0)),
  };
}

/** A stone plant's new pair lives on the old one: dry until the old is paper, and that is asked. */
export function newPair(facts: Facts): Answer | null {
  const { outlook, today, nature, seen } = facts;
  const until = newPairUntil(outlook.model.traits, nature, pairKnown(outlook.model));
  if (until === null || facts.state === 'resting') return null;
  const looked = seen.touched !== null && today - seen.touched < PAIR_LOOK_DAYS;
  const why: Why = { code: 'new-pair', source: 'rule', on: iso(until) };
  return {
    deeds: looked
      ? [{ deed: 'wait', until: iso(until) }]
      : [
          { deed: 'look', what: 'growth', then: { 'old leaves plump': 'wait', 'old leaves paper': 'water' } },
          { deed: 'wait', until: iso(until) },
        ],
    because: [why, reckoned(facts)],
    until: looked ? iso(until) : null,
    nextLook: iso(looked ? today + PAIR_LOOK_DAYS : today),
  };
}
const PAIR_LOOK_DAYS = 14;

/** Asleep: no drink but the sip of its kind, a touch about monthly, and a trial to wake it once it has slept too long. */
export function asleepStill(facts: Facts): Answer | null {
  if (facts.state !== 'resting') return null;
  return (
    cameAsleep(facts) ??
    stirs(facts) ??
    shrinks(facts) ??
    wetAsleep(facts) ??
    sleptTooLong(facts) ??
    spendsItsStore(facts) ??
    touched(facts)
  );
}

/** Nobody knows how wet it came: a sleeper in wet peat rots, so it is felt first. */
function cameAsleep(facts: Facts): Answer | null {
  const { neverLooked, arrivedOn, today, seen, m } = facts;
  if (!neverLooked || seen.lastDrink !== null || m.p90 - m.p10 <= 0.25) return null;
  if (arrivedOn !== null && today - arrivedOn > 60) return null;
  return {
    deeds: [{ deed: 'look', what: 'depth', then: { wet: 'move', damp: 'sleep', dry: 'sleep' } }],
    because: [
      {
        code: 'came-as-it-came',
        source: 'reckoned',
        ...(arrivedOn === null ? {} : { on: iso(arrivedOn) }),
      },
      unsure(facts),
      asleep(facts),
    ],
    nextLook: iso(today),
  };
}

/** Buds or leaf tips on a sleeper: what they mean hangs on the kind, the month, the warmth and the light. */
function stirs(facts: Facts): Answer | null {
  const { seen, stateSince, today, outlook, warmthC, inTheDark, tooDim, nature, wakesInDays } = facts;
  const { traits } = outlook.model;
  const { woken } = seen;
  if (!woken || woken.day < stateSince) return null;
  const leafBud = woken.sign === 'new-growth' || FORM_TABLE[traits.form].leafless;
  // A flower bud is the plant's own affair: it neither wakes for it nor drinks.
  if (!leafBud) return null;
  const rests = (code: Why['code'], beside: Deed[] = [], n: Why['n'] = {}): Answer => ({
    deeds: [sleep(iso(today + 14)), ...beside],
    because: [{ ...sign(code, woken), n: { strength: woken.strength, ...n } }, asleep(facts)],
    nextLook: iso(today + 14),
  });
  const light: Deed = { deed: 'move', what: 'brighter' };
  const { glass, outdoors } = placeDefaults(facts.placeKind);
  const dim = tooDim && !glass && !outdoors;
  if (inTheDark) return { ...rests('drawn-by-dark'), deeds: [light, sleep(iso(today + 14))] };
  if (warmthC < traits.growMinC)
    return rests('woken-cold', dim ? [light] : [], { warmth: tenth(warmthC), grows_from: traits.growMinC });
  if (changesInSpring(traits.habit, nature)) return rests('woken-pair');
  const inSeason = (wakesInDays !== null && wakesInDays <= NEAR_SEASON_DAYS) || today - stateSince >= SLEPT_ENOUGH_DAYS;
  if (!inSeason) return rests('woken-early', dim ? [light] : []);
  return { deeds: [{ deed: 'wake' }], because: [sign('woken-seen', woken), asleep(facts)], nextLook: iso(today + 7) };
}

const SHARE_ASLEEP = 0.04;
/** Shrunken so far in its sleep, the base is felt: a store that is spent and a rot look alike. */
const MUCH_SHRUNK = 3;
const FELT_DAYS = 14;

/** It shrinks: as sleepers do, or thirsty in a warm room, or rotting. */
function shrinks(facts: Facts): Answer | null {
  const { seen, today, outlook } = facts;
  const { slack } = seen;
  if (!slack && !seen.softish) return null;
  const shown = slack ?? seen.softish!;
  const felt = seen.firmBase !== null && today - seen.firmBase <= FELT_DAYS && seen.firmBase >= shown.day;
  if (takesASip(facts) && facts.chanceWet < 0.2) {
    const drink = sipDrink(facts, SHARE_ASLEEP);
    if (drink.amount_ml > 0)
      return {
        deeds: [{ deed: 'sip', ...drink, food: null }],
        because: [sign('shrinking-warm', shown), asleep(facts)],
        nextLook: iso(today + 8),
      };
  }
  const worries = shown.sign === 'limp' || shown.strength >= MUCH_SHRUNK || facts.dryDays >= facts.longDryDays;
  if (worries && !felt && outlook.model.nature !== 'stone')
    return {
      deeds: [pressBase('sleep'), sleep(iso(today))],
      because: [sign('slack-seen', shown), asleep(facts)],
      nextLook: iso(today),
    };
  return {
    deeds: [sleep(nextTouch(facts))],
    because: [sign('shrinking-cold', shown), asleep(facts)],
    nextLook: nextTouch(facts),
  };
}

/** A leaf succulent dry in a warm room: the only sleeper that is given a sip. */
function takesASip({ outlook, warmRoom, nights, today, nature }: Facts): boolean {
  return outlook.model.traits.store === 'leaf' && nature !== 'stone' && warmRoom && nights.mildOn === today;
}

/** Water that was poured into its sleep, and stays: warmth and air dry it, and a thumb tells what came of it. */
function wetAsleep(facts: Facts): Answer | null {
  const { seen, today, chanceWet, stateSince, nature, warmthC, outlook, m } = facts;
  const { lastDrink } = seen;
  if (lastDrink === null || lastDrink < stateSince || chanceWet < 0.5 || nature === 'hardy') return null;
  const looked = seen.firmBase !== null && seen.firmBase > lastDrink && today - seen.firmBase <= FELT_DAYS;
  const cold = warmthC < outlook.model.traits.growMinC;
  const dry: Deed = { deed: 'move', what: cold ? 'warmer' : 'drier' };
  const waited = today - lastDrink >= SHOWS_ROT_DAYS;
  return {
    deeds: waited && !looked ? [pressBase('sleep'), dry, sleep(iso(today))] : [dry, sleep(iso(today + 5))],
    because: [
      { code: 'drunk-asleep', source: 'seen', on: iso(lastDrink), n: { share: hundredth(m.p50) } },
      asleep(facts),
    ],
    nextLook: iso(waited && !looked ? today : today + 5),
  };
}
/** Rot from a drink asleep can be felt from then on. */
const SHOWS_ROT_DAYS = 7;

/** Past the longest usual rest, in the season in which its kind is awake: it is woken, if it is firm. */
function sleptTooLong(facts: Facts): Answer | null {
  const { today, stateSince, outlook } = facts;
  const days = today - stateSince;
  if (days < LONGEST_REST_DAYS) return null;
  // In the dark half of its year only a warm bright place can wake it: it is not hurried.
  if (!facts.inItsSeason && (facts.tooDim || facts.warmthC < WAKES_FROM_C)) return null;
  if (outlook.model.nature === 'hardy') return null;
  const woken = wakes(facts, days);
  // It is firm as far as anybody knows: the trial begins, and a thumb comes before the drink.
  return woken.deeds[0].deed === 'wake'
    ? woken
    : { ...woken, deeds: [{ deed: 'wake' }, pressBase('wake')], nextLook: iso(today) };
}

/** A leaf succulent dry in a warm room spends its store: a small drink before harm. */
function spendsItsStore(facts: Facts): Answer | null {
  const { outlook, today } = facts;
  if (!takesASip(facts) || facts.chanceWet >= 0.1 || outlook.stress.thirst < 0.6) return null;
  const drink = sipDrink(facts, SHARE_ASLEEP);
  if (drink.amount_ml <= 0) return null;
  return {
    deeds: [{ deed: 'sip', ...drink, food: null }],
    because: [
      {
        code: 'small-store',
        source: 'reckoned',
        n: { thirst: hundredth(outlook.stress.thirst), days: facts.dryDays },
      },
      asleep(facts),
    ],
    nextLook: iso(today + 8),
  };
}

/** A thumb about once a month; stone plants are soft by nature in their sleep, and the hardy look after themselves. */
function touched(facts: Facts): Answer {
  const { today, seen, stateSince, outlook, warmRoom, nature } = facts;
  const why = asleep(facts);
  const since = today - Math.max(stateSince, seen.touched ?? -Infinity);
  const phase = since - touchPhase(outlook.plant) - TOUCH_EVERY_DAYS;
  const asks = nature !== 'stone' && nature !== 'hardy';
  if (asks && phase >= 0 && phase % TOUCH_EVERY_DAYS < TOUCH_ASKED_DAYS) {
    const sips = outlook.model.traits.store === 'leaf' && warmRoom;
    return {
      deeds: [
        { deed: 'look', what: 'base', then: { firm: 'sleep', 'a little soft': sips ? 'sip' : 'sleep', soft: 'act' } },
        sleep(iso(today)),
      ],
      because: [{ code: 'touch-due', source: 'rule', n: { days: since } }, why],
      nextLook: iso(today),
    };
  }
  const wrongPlace = restsWrong(facts);
  return {
    deeds: [sleep(nextTouch(facts)), ...(wrongPlace ? [wrongPlace] : [])],
    because: [why],
    nextLook: nextTouch(facts),
  };
}

/** A dark cellar is for roots and bare stems: leaves and green stems starve there, asleep or not. */
function restsWrong({ outlook, inTheDark }: Facts): Deed | null {
  const rests = restPlace(outlook.model.traits);
  return inTheDark && rests !== null && rests.light !== 'dark' ? { deed: 'move', what: 'brighter' } : null;
}

/** Sleepers are not all touched on one day. */
function touchPhase({ ref, id: own }: Pick<Plant, 'id' | 'ref'>): number {
  const id = ref ?? own;
  let sum = 0;
  for (let i = 0; i < id.length; i++) sum = (sum * 31 + id.charCodeAt(i)) % 997;
  return sum % 12;
}

function nextTouch({ today, seen, stateSince, outlook }: Facts): string {
  const first = Math.max(stateSince, seen.touched ?? -Infinity) + TOUCH_EVERY_DAYS + touchPhase(outlook.plant);
  const missed = Math.max(0, Math.ceil((today + 1 - first) / TOUCH_EVERY_DAYS));
  return iso(first + missed * TOUCH_EVERY_DAYS);
}

/** Wetter than a sleeper should stand. */
export function isWetAsleep({ state, m }: Pick<Facts, 'state' | 'm'>): boolean {
  return state === 'resting' && m.p50 > TOO_WET_TO_DRINK_M;
}
