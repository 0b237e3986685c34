/** Everything the potting bench says of one plant: whether it wants a new pot, whether now, which, and what that does. */
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { CareRules } from '../care/rules.ts';
import { type DaysToDry, daysToDryIn, dryingOf } from '../forecast/drying.ts';
import type { Outlook } from '../forecast/forecast.ts';
import { stateOn } from '../forecast/plantModel.ts';
import { heldBy, openCases } from '../clinic/cases.ts';
import type { Step } from '../clinic/steps.ts';
import { ANY_PLANT } from '../clinic/plan.ts';
import type { Air, Form, PlaceKind, PlantEvent, Pot, Sign } from '../garden.ts';
import { ROT_PRONE } from '../judgement/harm.ts';
import { type Seen, whatWasSeen } from '../judgement/seen.ts';
import { TOO_WET_TO_DRINK_M } from '../moisture.ts';
import type { Blend } from '../mix/blend.ts';
import { asksForOpenerMix } from '../mix/measured.ts';
import { placeDefaults } from '../place/defaults.ts';
import type { Caution } from '../plant/genera.ts';
import { isRootShy, likesTight, pottingBlocks, pottingNeed, type Block, type Need } from './need.ts';
import {
  type Depth,
  GUSTS,
  hasBody,
  hasSmallHole,
  interimPot,
  type MaterialAdvice,
  materials,
  nextPot,
  type Rooting,
  SHAKY_DEG,
  type Stand,
  standOf,
  plantingDepth,
} from './size.ts';

export interface PottingFacts {
  outlook: Outlook;
  today: DayNumber;
  rules: CareRules;
  blend: Blend;
  surfaceWetM: number;
  latitudeDeg: number;
  place: { kind: PlaceKind; air: Air };
  saltsOver: boolean;
  /** the keeper waters before pots are due */
  heavyHand: boolean;
  arrivedOn: DayNumber | null;
  floweredOn: DayNumber | null;
  /** the last pour that was timed, seconds from the surface to the hole */
  poured: { day: DayNumber; seconds: number } | null;
  /** its last potting was a rescue */
  rescued: boolean;
  /** when its roots and pot were last looked at, and it fitted */
  fitsOn: DayNumber | null;
  /** from the potting's own row, where the journal does not tell */
  pottedOn: DayNumber | null;
}

export interface PotBeside {
  pot: Pot;
  stand: Stand;
  days: { now: DaysToDry; winter: DaysToDry };
}

export interface PottingView {
  form: Form;
  cautions: readonly Caution[];
  need: Need;
  blocks: Block[];
  /** first and last day that suit: the first weeks of its growth; null where no growth is in sight */
  suits: { from: DayNumber; to: DayNumber } | null;
  old: PotBeside;
  /** out of season: a pot for the time being */
  interim: Pot;
  next: PotBeside & { rooting: Rooting; times: number; tooLarge: boolean };
  materials: MaterialAdvice[];
  depth: Depth;
  /** a thirsty plant is watered before its roots are touched, one that may rot is not */
  first: 'water-first' | 'look-first' | 'as-it-is';
  tight: boolean;
  rootShy: boolean;
}

/** Roots want so long before their rest, or the cold, to fill a new pot. */
const ROOTS_IN_DAYS = 45;
/** One that never rests may be potted in all of the months ahead that it grows in, as far as is planned. */
const PLANNED_DAYS = 120;
/** Bulbs are moved in the last weeks of their sleep. */
const BULB_DAYS = 42;
/** Over this the new pot stays wet so long in winter that roots are in danger. */
const WINTER_DAYS_TOO_LONG = 60;
const AHEAD_DAYS = 21;

/** A case whose own plan repots it stands in nobody's way. */
const POTS: ReadonlySet<Step> = new Set<Step>(['repot', 'open-mix', 'unpot']);

/** The day on which the newest open case that wants no new pot was opened. */
function treatedOn(events: readonly PlantEvent[]): DayNumber | null {
  const open = openCases(events, ANY_PLANT).filter(({ steps }) => !steps.some(({ step }) => POTS.has(step)));
  const last = open.at(-1);
  return last ? dayNumber(last.openedOn) : null;
}

export function pottingOf(facts: PottingFacts): PottingView {
  const { outlook, today, rules, blend, place, poured } = facts;
  const { model, plant } = outlook;
  const { traits } = model;
  const genus = model.sourced.genus?.name ?? null;
  const seen = whatWasSeen(plant.events, today, null);
  const size = {
    form: traits.form,
    store: traits.store,
    diameterMm: plant.diameter_mm,
    heightMm: plant.height_mm,
    genus,
  };
  const rate = { p10: outlook.rate.p10, p50: outlook.rate.p50, p90: outlook.rate.p90 };
  const drying = dryingOf(model, { today, rate, surfaceWetM: facts.surfaceWetM, latitudeDeg: facts.latitudeDeg });
  const beside = (pot: Pot): PotBeside => ({
    pot,
    stand: standOf(pot, blend, size),
    days: {
      now: daysToDryIn(drying, pot, blend, drying.now),
      winter: daysToDryIn(drying, pot, blend, drying.winter),
    },
  });
  const old = beside(plant.pot);
  const { pot, rooting, times, tooLarge } = nextPot(plant.pot, size);
  const next = beside(pot);
  const tight = likesTight(traits.form, genus);
  const rootShy = isRootShy(genus);
  const outdoors = placeDefaults(place.kind).outdoors;
  const tips = outdoors && old.stand.tipsInWindMS < GUSTS[place.air];
  const growth = growthAhead(outlook, today);
  const pottedOn = model.pottedOn ?? facts.pottedOn;
  const ahead = meanOf(model.climate.tmeanC, today + 1 - model.climate.firstDay, AHEAD_DAYS);
  const lastMove = plant.events.findLast((event) => event.type === 'move');
  return {
    form: traits.form,
    cautions: model.sourced.cautions,
    need: pottingNeed({
      today,
      pottedOn,
      repotYears: rules.repotYears,
      fitsOn: facts.fitsOn,
      signs: lastSigns(outlook),
      faster: outlook.change?.kind === 'faster' ? outlook.change.factor : 1,
      saltsOver: facts.saltsOver,
      interim: facts.rescued && pottedOn !== null && stateOn(model.timeline, pottedOn) !== 'growing',
      smallHole: hasSmallHole(plant.pot),
      slowPour:
        poured && (pottedOn === null || poured.day > pottedOn) && asksForOpenerMix(poured.seconds, plant.pot.depth_mm)
          ? poured
          : null,
      organicShare: blend.organicShare,
      // Shoots that hang over the rim have outgrown nothing.
      diameterMm: hasBody(traits.form) ? plant.diameter_mm : 0,
      heightMm: plant.height_mm,
      potTopMm: plant.pot.top_mm,
      tips,
      tight,
    }),
    blocks: pottingBlocks({
      today,
      state: outlook.state,
      growsFrom: growth?.from ?? null,
      movedAsleep: traits.form === 'bulb' && traits.sleeps !== 'never',
      floweredOn: facts.floweredOn,
      warmthAheadC: ahead,
      growMinC: traits.growMinC,
      movedOn: lastMove ? dayNumber(lastMove.date) : null,
      arrivedOn: facts.arrivedOn,
      hurtUntil: outlook.advice.hold?.kind === 'potted' ? outlook.advice.hold.until : null,
      pottedOn,
      repotYears: rules.repotYears,
      rootShy,
      treatedOn: treatedOn(plant.events),
    }),
    suits: growth,
    old,
    next: {
      ...next,
      rooting,
      times,
      tooLarge: tooLarge || next.days.winter.p50 > Math.max(WINTER_DAYS_TOO_LONG, 2 * old.days.winter.p50),
    },
    materials: materials({
      heavyHand: facts.heavyHand,
      rotProne: ROT_PRONE[traits.store],
      outdoors,
      coldestC: Math.min(...model.climate.tminC.subarray(today - model.climate.firstDay)),
      windy: outdoors && place.air === 'breezy',
      topHeavy: old.stand.tipsAtDeg < SHAKY_DEG,
      fierceSun: rules.light === 'sun' && ahead > 18,
    }),
    depth: plantingDepth(traits.form, model.nature),
    first: firstOf(seen, outlook, heldBy(openCases(plant.events, ANY_PLANT), isoDay(today)) !== null),
    interim: interimPot(plant.pot, plant.root_loss ?? 0),
    tight,
    rootShy,
  };
}

/** Wet at the roots and slack, it may rot: looked at first. Slack and dry, it is thirsty: watered first, unless a case keeps it dry. */
function firstOf(seen: Seen, { moisture, stress }: Outlook, keptDry: boolean): PottingView['first'] {
  const wet = seen.look ? seen.look.says !== 'dry' : moisture.p50 > TOO_WET_TO_DRINK_M;
  if (seen.rot || seen.suspect || seen.tooMuch || (seen.slack && wet)) return 'look-first';
  return !wet && !keptDry && (stress.thirst >= 0.35 || seen.slack) ? 'water-first' : 'as-it-is';
}

/** The time that suits a new pot: its own growth, while enough of it is left; of bulbs the end of their sleep. */
function growthAhead({ model }: Outlook, today: DayNumber): PottingView['suits'] {
  const { changes } = model.timeline;
  const { form, sleeps } = model.traits;
  const ends = (from: DayNumber) =>
    changes.find(({ day, state }) => day > from && (state === 'easing' || state === 'resting'))?.day ?? null;
  if (form === 'bulb' && sleeps !== 'never') {
    const wakes = changes.find(({ day, state }) => day > today && (state === 'waking' || state === 'growing'));
    const resting = stateOn(model.timeline, today) === 'resting';
    if (wakes && (resting || stateOn(model.timeline, wakes.day - 1) === 'resting'))
      return { from: Math.max(today, wakes.day - BULB_DAYS), to: wakes.day };
  }
  const stretch = (from: DayNumber) => {
    const end = ends(from);
    const to = end === null ? from + PLANNED_DAYS : end - ROOTS_IN_DAYS;
    return to >= from ? { from, to } : null;
  };
  const state = stateOn(model.timeline, today);
  if (state === 'growing' || state === 'waking') {
    const now = stretch(today);
    if (now) return now;
  }
  for (const { day, state: begins } of changes) {
    if (day <= today || begins !== 'growing') continue;
    const next = stretch(day);
    if (next) return next;
  }
  return null;
}

function lastSigns({ plant }: Outlook): Map<Sign, DayNumber> {
  return new Map(
    plant.events.flatMap((event) => (event.type === 'sign' ? [[event.sign, dayNumber(event.date)] as const] : [])),
  );
}

function meanOf(values: Float64Array, from: number, count: number): number {
  let sum = 0;
  for (let i = from; i < from + count; i++) sum += values[i] ?? 0;
  return sum / count;
}
