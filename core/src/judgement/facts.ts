/**
 * Everything that is known of a plant today, gathered once: what is in the pot, what was seen, the nights, the season,
 * the rules.
 */
import { type DayNumber, dayNumber, dayOfYear, isoDay } from '../calendar/day.ts';
import { dayLengthH } from '../sky/solar.ts';
import type { CareRules } from '../care/rules.ts';
import type { FeedAdvice } from '../feed/schedule.ts';
import type { Salts } from '../feed/salts.ts';
import type { Outlook } from '../forecast/forecast.ts';
import { dueMoisture } from '../forecast/plantModel.ts';
import { type Case, heldBy, openCases } from '../clinic/cases.ts';
import { type Diagnosis, diagnose } from '../clinic/diagnose.ts';
import { clinicFacts, type ClinicFacts } from '../clinic/facts.ts';
import type { PlanFacts } from '../clinic/plan.ts';
import { asSigns, type Raised, watch } from '../clinic/watch.ts';
import type { PlantEvent, PlantState } from '../garden.ts';
import type { Bench } from './benches.ts';
import { DRY_TO_M, TOO_WET_TO_DRINK_M } from '../moisture.ts';
import { type BookPace, bookPace } from '../forecast/bookPace.ts';
import { isHot } from '../forecast/window.ts';
import { longestDryDays, nightItBearsC } from '../plant/bears.ts';
import type { Nature } from '../plant/nature.ts';
import { chanceAbove } from '../belief/present.ts';
import { placeDefaults } from '../place/defaults.ts';
import { heatLimitC, isHotPot } from '../plant/heat.ts';
import type { GenusCare } from '../plant/library.ts';
import { LIGHT_BANDS } from '../plant/library.ts';
import type { WaterKind } from '../watering.ts';
import type { Standing } from '../plant/standing.ts';
import { HARM, ROT_PRONE, WORSE } from './harm.ts';
import { type Seen, whatWasSeen } from './seen.ts';

export interface JudgeInput extends Standing {
  outlook: Outlook;
  today: DayNumber;
  rules: CareRules;
  care: GenusCare;
  feed: FeedAdvice;
  salts: Salts;
  /** the water that would be taken */
  water: WaterKind;
  /** the last day on which it came under a roof, of one that stands there; null: it stands outside */
  indoorsSince: DayNumber | null;
  /** nobody knows what it is */
  nameUnknown: boolean;
  /** the other places of its site, where it could stand instead */
  benches?: readonly Bench[];
}

/** What the clinic makes of a plant: its hands raised, its open cases, and what its signs mean, where there are any. */
export interface ClinicView {
  facts: ClinicFacts;
  plan: PlanFacts;
  raised: Raised[];
  /** null where nothing was seen and nothing looks wrong */
  diagnosis: Diagnosis | null;
  cases: Case[];
  /** the open case that holds the water */
  held: Case | null;
}

export interface Nights {
  /** lowest of the coming night */
  tonightC: number;
  /** lowest of the coming week, and its day */
  weekC: number;
  weekOn: DayNumber;
  /** lowest night the plant bears as it stands: with a dry, or a moist root ball */
  limitC: number;
  /** share of the possible weathers in which tonight is below it */
  chance: number;
  /** nights of the coming week below what it bears as it stands */
  coldNights: number;
  /** the first day from today on with two nights on which a drink does no harm; null within three weeks */
  mildOn: DayNumber | null;
  /** the same within two months: a house that only waits for its spring */
  mildLaterOn: DayNumber | null;
  /** of the next three weeks' nights, those below the limit with a moist root ball */
  coldShare: number;
}

/** A night below what it took, or a day above, of the last weeks: as measured, or by the weather on record. */
export interface Hurt {
  on: DayNumber;
  /** °C */
  reached: number;
  limit: number;
  source: 'read' | 'observed';
}

export interface Facts extends JudgeInput {
  state: PlantState;
  stateSince: DayNumber;
  seen: Seen;
  /** moisture held likely */
  m: { p10: number; p50: number; p90: number };
  /** chance that the pot is wetter than a drink allows, and that its dry rule is met */
  chanceWet: number;
  chanceDue: number;
  nights: Nights;
  /** highest of today and the next two days at the plant, its day, and what it bears here without shade */
  heat: { highC: number; on: DayNumber; limitC: number; smallPot: boolean };
  /** mean of the last two weeks at the plant */
  warmthC: number;
  dliMol: number;
  tooDark: boolean;
  /** less light than it gets by with */
  tooDim: boolean;
  /** warm and indoors: a sleeper may shrink there */
  warmRoom: boolean;
  /** how much harm a drink into a wet mix does to this plant here */
  rotTimes: number;
  /** a day's thirst */
  thirstADay: number;
  /** days for which it has been dry through, as far as reckoned; 0 where it is not */
  dryDays: number;
  /** days of the last weeks on which its mix was wet, and those on which it was also cold for it */
  wetDays: number;
  wetColdDays: number;
  neverLooked: boolean;
  nature: Nature;
  /** days for which it may stand dry, as it is now, before fine roots die */
  longDryDays: number;
  /** the worst of the last fortnight's nights below what it took, and of the last week's days above */
  frost: Hurt | null;
  scorch: Hurt | null;
  /** too little light even to sleep in with its leaves on */
  inTheDark: boolean;
  /** most days of this week hotter than it takes */
  hotWeek: boolean;
  /** its pot is not itself, by what is on record */
  pace: BookPace | null;
  /** the time of the year in which its kind is awake, by the sun outside */
  inItsSeason: boolean;
  /** days until its season lets it wake, as expected; 0 while it is awake, null where no waking is in sight */
  wakesInDays: number | null;
  /** felt, weighed or probed today: what was just found is not asked again */
  feltToday: boolean;
  clinic: ClinicView;
}

/** A night so little above the limit may be below it: forecasts of a low are wrong by so much, and pots radiate. */
export const NEAR_MARGIN_C = 2.5;
const NIGHTS_AHEAD = 21;
const SPRING_DAYS = 60;
const WEEK = 7;
const WINDOW_DAYS = 14;
const WARM_ROOM_C = 15;

export function gather(input: JudgeInput): Facts {
  const { outlook, today, care, rules } = input;
  const { model, history } = outlook;
  const { traits, climate } = model;
  const { nature } = model;
  const i = today - climate.firstDay;
  const warmthC = meanOf(climate.tmeanC, i - WINDOW_DAYS + 1, i);
  const dliMol = meanOf(climate.dliMol, i - WINDOW_DAYS + 1, i);
  const change = model.timeline.changes.findLast(({ day }) => day <= today);
  const { state } = outlook;
  const chanceWet = chanceAbove(outlook.present, TOO_WET_TO_DRINK_M);
  const seen = weighedSeen(whatWasSeen(model.plant.events, today, scaleOf(input)), { outlook, today, chanceWet });
  const cold = warmthC < traits.growMinC;
  const rotTimes =
    ROT_PRONE[traits.store] *
    (state === 'resting' ? WORSE.asleep.times : 1) *
    (cold ? WORSE.cold.times : 1) *
    (input.nameUnknown ? WORSE.unknownName.times : 1) *
    (rules.hardToReplace ? WORSE.hardToReplace.times : 1);
  const thirsty = outlook.stress.thirst >= 0.35 || seen.slack !== null;
  const keepsDamp = traits.dryRule === 'keep-damp' || traits.store === 'none';
  const dry = outlook.dryOn.p50;
  const { wetDays, wetColdDays } = wetSpell(outlook, today);
  const facts: Omit<Facts, 'clinic'> = {
    ...input,
    state,
    stateSince: change?.day ?? today,
    seen,
    m: outlook.moisture,
    chanceWet,
    chanceDue: 1 - chanceAbove(outlook.present, Math.max(dueMoisture(traits), DRY_TO_M) + 0.03),
    nights: nightsOf(input),
    heat: heatOf(input),
    warmthC,
    dliMol,
    tooDark: state !== 'resting' && dliMol < LIGHT_BANDS[care.light].getsBy * DARK_SHARE,
    tooDim: dliMol < LIGHT_BANDS[care.light].getsBy,
    warmRoom: placeDefaults(input.placeKind).indoors && warmthC >= WARM_ROOM_C,
    rotTimes,
    thirstADay: keepsDamp ? HARM.dayDryKeepDamp.harm : thirsty ? HARM.dayThirsty.harm : HARM.dayDry.harm,
    dryDays: dry !== null && dry <= today && outlook.moisture.p50 <= DRY_TO_M ? today - dry : 0,
    wetDays,
    wetColdDays,
    neverLooked: !seen.everLooked && history.checks === 0,
    nature,
    longDryDays: longestDryDays(traits, { nature, state, warmthC }),
    frost: frostOf(input),
    scorch: scorchOf(input),
    inTheDark: dliMol < LIGHT_BANDS[care.light].getsBy * SLEEPS_DARK_SHARE,
    hotWeek: isHot(model, today),
    pace: bookPace(sincePotting(model.plant.events), today, outlook.why.untaughtDays),
    wakesInDays: wakesIn(outlook, today),
    inItsSeason: inItsSeason(outlook, today),
    feltToday: seen.look?.day === today,
  };
  return { ...facts, clinic: clinicOf(facts) };
}

/** Only what was seen, or what the record shows to be wrong, is weighed: most plants have neither. */
function clinicOf(facts: Omit<Facts, 'clinic'>): ClinicView {
  const { outlook, care, rules, today } = facts;
  const { events } = outlook.plant;
  const { traits, sourced } = outlook.model;
  const found = clinicFacts({
    ...facts,
    band: LIGHT_BANDS[rules.light],
    ceilingC: rules.ceilingC,
    chanceDry: 1 - chanceAbove(outlook.present, DRY_TO_M + 0.03),
  });
  const raised = watch(found, events);
  const weighed = found.signs.length > 0 ? found : { ...found, signs: asSigns(raised, today) };
  const plan: PlanFacts = {
    form: traits.form,
    store: traits.store,
    cautions: sourced.cautions,
    diameterMm: outlook.plant.diameter_mm,
    growing: facts.state === 'growing' || facts.state === 'waking',
    idle: facts.state === 'resting' || facts.warmthC < traits.growMinC,
    indoors: found.indoors,
    holes: outlook.plant.pot.holes,
    pottingInDays: facts.state === 'growing' || facts.state === 'waking' ? 0 : null,
    neverSoak: care.neverSoak,
  };
  const cases = openCases(events, plan);
  return {
    facts: found,
    plan,
    raised,
    diagnosis: weighed.signs.length > 0 ? diagnose(weighed) : null,
    cases,
    held: heldBy(cases, isoDay(today)),
  };
}

/** Below so much of the light by which it just gets by a plant does not grow, whatever the season. */
const DARK_SHARE = 0.6;
/** And below so much of it leaves and green stems starve, asleep or not. */
const SLEEPS_DARK_SHARE = 0.1;

/**
 * What was seen, with what the pot's own past says of it: a slack plant above a mix that was wet that day is suspect
 * though somebody watered it since, and a base that gives a little is rot where it is awake, or wet.
 */
function weighedSeen(
  seen: Seen,
  { outlook, today, chanceWet }: { outlook: Outlook; today: DayNumber; chanceWet: number },
): Seen {
  const out = { ...seen };
  const wasWet = (day: DayNumber) => {
    const { mean } = outlook.past;
    return (mean[mean.length - 1 - (today - day)] ?? 0) > WAS_WET_M;
  };
  const { lastSlack } = seen;
  if (!seen.suspect && lastSlack && seen.slack === null && lastSlack.when !== 'midday' && wasWet(lastSlack.day - 1))
    out.suspect = lastSlack;
  // Days in which it dried as it should speak for its roots.
  if (out.suspect && today - out.suspect.day >= DRIED_DAYS && outlook.moisture.p90 <= DRY_TO_M + 0.1 && !outlook.change)
    out.suspect = null;
  if (seen.softish && (outlook.state !== 'resting' || chanceWet > 0.3)) out.rot = seen.rot ?? seen.softish;
  return out;
}
const WAS_WET_M = 0.5;
const DRIED_DAYS = 6;

/** So far back a cold night still decides what is done. */
const FROST_DAYS = 14;
const SCORCH_DAYS = 7;
/** A night must have been so much below the limit to have done anything, K. */
const HURTS_K = 0.5;

function frostOf({ outlook, today, shelteredOn }: JudgeInput): Hurt | null {
  const { traits } = outlook.model;
  let worst: Hurt | null = null;
  for (const { day, lowC, m, source } of outlook.lately) {
    if (today - day >= FROST_DAYS || shelteredOn === day - 1) continue;
    const limit = nightItBearsC(traits, m);
    if (lowC > limit - HURTS_K || (worst && limit - lowC <= worst.limit - worst.reached)) continue;
    worst = { on: day, reached: lowC, limit, source };
  }
  return worst;
}

function scorchOf({ outlook, today, rules, placeKind }: JudgeInput): Hurt | null {
  const limit = heatLimitC(
    rules.ceilingC,
    isHotPot(outlook.model.pot.capacity.volumeMl, placeDefaults(placeKind).indoors),
    outlook.state === 'resting',
  );
  let worst: Hurt | null = null;
  for (const { day, highC, source } of outlook.lately)
    if (today - day < SCORCH_DAYS && highC >= limit + HURTS_K && highC > (worst?.reached ?? -Infinity))
      worst = { on: day, reached: highC, limit, source };
  return worst;
}

function sincePotting(events: readonly PlantEvent[]): readonly PlantEvent[] {
  const potted = events.findLastIndex((event) => event.type === 'repotting');
  return potted < 0 ? events : events.slice(potted);
}

/** Day lengths between which kinds are awake: the summer growers above, the winter growers below, hours. */
const SUMMER_FROM_H = 10.8;
const WINTER_TO_H = 13.2;

function inItsSeason({ model }: Outlook, today: DayNumber): boolean {
  const hours = dayLengthH(model.climate.latitudeDeg, dayOfYear(today));
  return model.traits.habit === 'winter' ? hours <= WINTER_TO_H : hours >= SUMMER_FROM_H;
}

function wakesIn({ state, model }: Outlook, today: DayNumber): number | null {
  if (state !== 'resting') return 0;
  const wakes = model.timeline.changes.find(
    (change) => change.day > today && (change.state === 'waking' || change.state === 'growing'),
  );
  return wakes ? wakes.day - today : null;
}

function scaleOf({ outlook }: JudgeInput): { drainedG: number; rangeG: number } | null {
  const weights = outlook.plant.events.findLast((event) => event.type === 'weights');
  if (!weights) return null;
  const full = weights.drained_g;
  const dry = outlook.plant.events.findLast((event) => event.type === 'weights' && event.dry_g != null);
  const dryG = dry?.type === 'weights' ? dry.dry_g : null;
  const rangeG =
    dryG != null && dryG < full ? (full - dryG) / (1 - DRY_TO_M / 2) : outlook.model.pot.capacity.availableMl;
  return rangeG > 0 ? { drainedG: full, rangeG } : null;
}

function meanOf(values: Float64Array, from: number, to: number): number {
  const start = Math.max(0, from);
  let sum = 0;
  for (let i = start; i <= to; i++) sum += values[i]!;
  return sum / Math.max(1, to - start + 1);
}

function nightsOf({ outlook, today }: JudgeInput): Nights {
  const { climate, traits } = outlook.model;
  const night = (day: DayNumber) => climate.tminC[Math.min(climate.days - 1, day - climate.firstDay)]!;
  const limitC = nightItBearsC(traits, outlook.moisture.p50);
  const mildFromC = traits.minWetC + outlook.model.eveMarginC;
  let coldNights = 0;
  let weekOn = today + 1;
  let colder = 0;
  let mildOn: DayNumber | null = null;
  let mildLaterOn: DayNumber | null = null;
  for (let ahead = 1; ahead <= NIGHTS_AHEAD; ahead++) {
    const day = today + ahead;
    if (ahead <= WEEK && night(day) < night(weekOn)) weekOn = day;
    if (night(day) < traits.minWetC) colder++;
    if (ahead <= WEEK && night(day) < limitC) coldNights++;
    if (mildOn === null && night(day) >= mildFromC && night(day + 1) >= mildFromC) mildOn = day - 1;
  }
  for (let ahead = 1; mildLaterOn === null && ahead <= SPRING_DAYS; ahead++)
    if (night(today + ahead) >= mildFromC && night(today + ahead + 1) >= mildFromC) mildLaterOn = today + ahead - 1;
  const below = outlook.tonightC.filter((low) => low < limitC).length;
  return {
    tonightC: night(today + 1),
    chance: below / outlook.tonightC.length,
    weekC: night(weekOn),
    weekOn,
    limitC,
    coldNights,
    mildOn,
    mildLaterOn,
    coldShare: colder / NIGHTS_AHEAD,
  };
}

const HOT_DAYS_AHEAD = 2;
function heatOf({ outlook, today, rules, placeKind }: JudgeInput): Facts['heat'] {
  const { climate, pot } = outlook.model;
  let on = today;
  const high = (day: DayNumber) => climate.tmaxC[Math.min(climate.days - 1, day - climate.firstDay)]!;
  for (let day = today + 1; day <= today + HOT_DAYS_AHEAD; day++) if (high(day) > high(on)) on = day;
  const smallPot = isHotPot(pot.capacity.volumeMl, placeDefaults(placeKind).indoors);
  return {
    highC: high(on),
    on,
    limitC: heatLimitC(rules.ceilingC, smallPot, outlook.state === 'resting'),
    smallPot,
  };
}

/** Days of the last weeks without a break up to today on which the mix was wet, and how many of them were cold. */
function wetSpell(outlook: Outlook, today: DayNumber): { wetDays: number; wetColdDays: number } {
  const { climate, traits } = outlook.model;
  const past = outlook.past.mean;
  let wetDays = 0;
  let wetColdDays = 0;
  for (let back = 0; back < past.length; back++) {
    if (past[past.length - 1 - back]! < TOO_WET_TO_DRINK_M) break;
    wetDays++;
    if (climate.tmeanC[today - back - climate.firstDay]! < traits.growMinC + 1) wetColdDays++;
  }
  return { wetDays, wetColdDays };
}

export const iso = isoDay;
export const dayOf = dayNumber;
