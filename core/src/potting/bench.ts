/** Everything the potting bench says of one plant: whether it wants a new pot, whether now, which, and what that does. */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { CareRules } from '../care/rules.ts';
import { type DaysToDry, daysToDryIn, dryingOf } from '../forecast/drying.ts';
import type { Outlook } from '../forecast/forecast.ts';
import { stateOn } from '../forecast/plantModel.ts';
import { openCases } from '../clinic/cases.ts';
import type { Step } from '../clinic/causes.ts';
import { ANY_PLANT } from '../clinic/plan.ts';
import type { Air, Form, PlaceKind, PlantEvent, Pot, Sign } from '../garden.ts';
import { ROT_PRONE } from '../judgement/harm.ts';
import { whatWasSeen } from '../judgement/seen.ts';
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
  next: PotBeside & { rooting: Rooting; times: number; tooLarge: boolean };
  materials: MaterialAdvice[];
  depth: Depth;
  /** a thirsty plant is watered before its roots are touched, one that may rot is not */
  first: 'water-first' | 'look-first' | 'as-it-is';
  tight: boolean;
  rootShy: boolean;
}

const GROWS_WEEKS_DAYS = 56;
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
  const size = { form: traits.form, store: traits.store, diameterMm: plant.diameter_mm, heightMm: plant.height_mm };
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
    depth: plantingDepth(traits.form),
    first:
      seen.rot || seen.tooMuch
        ? 'look-first'
        : outlook.stress.thirst >= 0.35 || seen.slack
          ? 'water-first'
          : 'as-it-is',
    tight,
    rootShy,
  };
}

/** The first weeks of the growth that is, or that comes next. */
function growthAhead({ model }: Outlook, today: DayNumber): PottingView['suits'] {
  const { changes } = model.timeline;
  const now = changes.findLast(({ day }) => day <= today);
  if (now?.state === 'growing' && now.day + GROWS_WEEKS_DAYS > today)
    return { from: today, to: now.day + GROWS_WEEKS_DAYS };
  const next = changes.find(({ day, state }) => day > today && state === 'growing');
  if (next) return { from: next.day, to: next.day + GROWS_WEEKS_DAYS };
  // One that never rests may be potted while days are long enough; that is now, if it grows.
  return now?.state === 'growing' && changes.every(({ state }) => state !== 'resting')
    ? { from: today, to: today + GROWS_WEEKS_DAYS }
    : null;
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
