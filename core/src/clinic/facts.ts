/**
 * What the pot's own history says beside a sign: how long wet, how long dry, how cold, what was done lately, what stands
 * next to it. Numbers only; what each is worth stands in historyRules.ts.
 */
import { SIGN_TABLE, signsThat } from '../catalogue/signs.ts';
import { isDrink } from '../catalogue/ways.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { Plant, PlantEvent, PlantState, Sign, SignPlace } from '../garden.ts';
import type { Salts } from '../feed/salts.ts';
import type { Outlook } from '../forecast/forecast.ts';
import { DRY_TO_M } from '../moisture.ts';
import { nightItBearsC } from '../plant/bears.ts';
import { placeDefaults } from '../place/defaults.ts';
import type { GenusCare, LightBand } from '../plant/library.ts';
import type { Caution } from '../plant/genera.ts';
import type { Traits } from '../plant/traits.ts';
import type { Says } from '../judgement/seen.ts';
import { meanSaturationVapourKPa } from '../sky/vapour.ts';
import { type Pest, PESTS } from '../catalogue/causes.ts';
import { type Step } from './steps.ts';
import { type NeighbourPest, type Standing, standingOf } from '../plant/standing.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

export interface ClinicSign {
  day: DayNumber;
  sign: Sign;
  strength: number;
  where: SignPlace | null;
  when: 'always' | 'midday' | null;
  /** something was done since that may have answered it: it counts for less */
  answered: boolean;
  /** the record tells it, and nobody saw it */
  unseen?: boolean;
}

export interface ClinicFacts extends Standing {
  today: DayNumber;
  signs: ClinicSign[];
  traits: Traits;
  cautions: readonly Caution[];
  band: LightBand;
  slow: boolean;
  indoors: boolean;
  outdoors: boolean;
  state: PlantState;
  stateDays: number;
  /** days until its rest begins, as reckoned; null beyond the look ahead */
  restInDays: number | null;
  /** since it began to grow again, days; null where it rests or never rested */
  awakeDays: number | null;
  /** warm enough to grow where it stands */
  placeWarm: boolean;
  m: number;
  chanceWet: number;
  chanceDry: number;
  felt: { says: Says; days: number } | null;
  wetDays: number;
  wetColdDays: number;
  meanM: number;
  wetFeet: number;
  /** thirst as reckoned, without what was seen of it */
  thirst: number;
  dryDays: number;
  /** days it stood dry before its last drink; 0 where it did not */
  dryBefore: number;
  drankDays: number | null;
  drinksIn30: number;
  pottedDays: number | null;
  rootsHurt: boolean;
  /** roots as they were found at a potting of the last weeks */
  rootsFound: readonly string[];
  movedDays: number | null;
  /** since a remedy wetted its leaves */
  sprayedDays: number | null;
  /** light since the last move of the last weeks over that before it */
  lightStep: number;
  fedDays: number | null;
  doses60: number;
  /** coldest night of the last three weeks, and by how much it was below what the plant bears so wet */
  coldestC: number;
  coldK: number;
  coldOn: DayNumber;
  hottestC: number;
  heatK: number;
  hotOn: DayNumber;
  warmthC: number;
  dliMol: number;
  /** light given over the least it gets by with */
  lightShare: number;
  darkDays: number;
  saltsShare: number;
  salts: Salts;
  rhPct: number;
  mixYears: number | null;
  rewetDifficulty: number;
  /** ln of its pace of late against its own before: below 0 slower */
  lnPace: number;
  holes: boolean;
  fill: number;
  arrivedDays: number | null;
  /** looked over and found clean, days ago */
  cleanDays: number | null;
}

/** What a diagnosis needs beside the outlook. */
export interface ClinicInput extends Standing {
  outlook: Outlook;
  today: DayNumber;
  care: GenusCare;
  band: LightBand;
  ceilingC: number;
  salts: Salts;
  seen: { look: { day: DayNumber; says: Says } | null };
  chanceWet: number;
  chanceDry: number;
  wetDays: number;
  wetColdDays: number;
  warmthC: number;
  dliMol: number;
  dryDays: number;
}

/** By so much a night is taken to be milder that was only drawn from what is usual. */
const UNKNOWN_NIGHT_K = 1;
/** Signs older than this say nothing of today (docs/formats.md). */
export const SIGN_DAYS = 21;
/** Days over which nights, noons and changes count. */
const WEEKS_DAYS = 21;
const LATELY_DAYS = 42;

export function clinicFacts(input: ClinicInput): ClinicFacts {
  const { outlook, today, care } = input;
  const { model, past, stress } = outlook;
  const { traits, climate, timeline } = model;
  const { events } = outlook.plant;
  const at = (day: DayNumber) => Math.min(climate.days - 1, Math.max(0, day - climate.firstDay));
  let coldOn = today;
  let hotOn = today;
  for (let day = today - WEEKS_DAYS + 1; day <= today; day++) {
    if (day < climate.firstDay) continue;
    if (climate.tminC[at(day)]! < climate.tminC[at(coldOn)]!) coldOn = day;
    if (climate.tmaxC[at(day)]! > climate.tmaxC[at(hotOn)]!) hotOn = day;
  }
  const coldestC = climate.tminC[at(coldOn)]!;
  const mThen = past.mean[past.mean.length - 1 - (today - coldOn)] ?? outlook.moisture.p50;
  const limitC = nightItBearsC(traits, mThen);
  const hottestC = climate.tmaxC[at(hotOn)]!;
  const drinks = daysOf(events, isDrink);
  const fed = daysOf(events, (event) => event.type === 'feeding');
  const moved = daysOf(events, (event) => event.type === 'move').at(-1) ?? null;
  const potting = events.findLast((event) => event.type === 'repotting');
  const pottedOn = potting ? dayNumber(potting.date) : null;
  const change = timeline.changes.findLast(({ day }) => day <= today);
  const rest = timeline.changes.find(({ day, state }) => day > today && state === 'resting');
  const woke = timeline.changes.findLast(({ day, state }) => day <= today && state === 'waking');
  const sleeping = sleepsOn(outlook.plant, traits, today);
  const known = pottedOn ?? input.arrivedOn ?? (events[0] ? dayNumber(events[0].date) : null);
  return {
    today,
    signs: signsOf(events, today),
    traits,
    cautions: model.sourced.cautions,
    band: input.band,
    slow: care.slow,
    ...standingOf(input),
    indoors: placeDefaults(input.placeKind).indoors,
    outdoors: placeDefaults(input.placeKind).outdoors,
    state: sleeping === null ? outlook.state : 'resting',
    stateDays: sleeping ?? today - (change?.day ?? today),
    restInDays: rest && sleeping === null ? rest.day - today : null,
    awakeDays: sleeping !== null || outlook.state === 'resting' || !woke ? null : today - woke.day,
    placeWarm: input.warmthC >= traits.growMinC,
    m: outlook.moisture.p50,
    chanceWet: input.chanceWet,
    chanceDry: input.chanceDry,
    felt: input.seen.look ? { says: input.seen.look.says, days: today - input.seen.look.day } : null,
    wetDays: input.wetDays,
    wetColdDays: input.wetColdDays,
    meanM: past.mean.length > 0 ? past.mean.reduce((sum, m) => sum + m, 0) / past.mean.length : outlook.moisture.p50,
    wetFeet: stress.wetFeet,
    thirst: stress.reckonedThirst,
    dryDays: input.dryDays,
    dryBefore: dryBeforeDrink(past.mean, drinks, today),
    drankDays: ago(drinks.at(-1), today),
    drinksIn30: drinks.filter((day) => today - day <= 30).length,
    pottedDays: pottedOn === null ? null : today - pottedOn,
    rootsHurt:
      pottedOn !== null &&
      today - pottedOn <= LATELY_DAYS &&
      (potting!.roots_cut === true || (outlook.plant.root_loss ?? 0) > 0.1),
    rootsFound: pottedOn !== null && today - pottedOn <= WEEKS_DAYS ? (potting!.findings ?? []) : [],
    movedDays: ago(moved ?? undefined, today),
    sprayedDays: ago(daysOf(events, (event) => event.type === 'case-step' && SPRAYS.has(event.step)).at(-1), today),
    lightStep: lightStep(climate.dliMol, moved, today, at),
    fedDays: ago(fed.at(-1), today),
    doses60: events.reduce(
      (sum, event) => sum + (event.type === 'feeding' && today - dayNumber(event.date) <= 60 ? (event.dose ?? 1) : 0),
      0,
    ),
    coldestC,
    // A night that nobody measured and no record tells of may have been milder.
    coldK: limitC - coldestC - (outlook.lately.some(({ day }) => day === coldOn) ? 0 : UNKNOWN_NIGHT_K),
    coldOn,
    hottestC,
    heatK: hottestC - input.ceilingC,
    hotOn,
    warmthC: input.warmthC,
    dliMol: input.dliMol,
    lightShare: input.dliMol / input.band.getsBy,
    darkDays: darkDays(climate.dliMol, input.band, today, at, climate.firstDay),
    saltsShare: input.salts.limitMS > 0 ? input.salts.ecMS / input.salts.limitMS : 0,
    salts: input.salts,
    rhPct: meanRh(climate, today, at),
    mixYears: known === null ? null : (today - known) / 365.25,
    rewetDifficulty: model.pot.rewetDifficulty,
    lnPace: outlook.change && outlook.change.kind !== 'contradictory' ? Math.log(outlook.change.factor) : 0,
    holes: outlook.plant.pot.holes,
    fill: outlook.plant.diameter_mm / Math.max(1, outlook.plant.pot.top_mm),
    arrivedDays: input.arrivedOn === null ? null : today - input.arrivedOn,
    cleanDays: ago(
      daysOf(
        events,
        (event) => event.type === 'case-step' && event.step !== 'neighbours' && event.found === 'clean',
      ).at(-1),
      today,
    ),
  };
}

/**
 * Days for which a plant sleeps on by what was seen of it, whatever its season: told to be at rest, without leaves, and no
 * growth seen since. Null where it was not told so.
 */
export function sleepsOn({ events, leafless }: Plant, { form }: Traits, today: DayNumber): number | null {
  if (!FORM_TABLE[form].leafless) return null;
  const told = events.findLast((event) => event.type === 'state');
  if (told?.type !== 'state' || told.state !== 'resting') return null;
  const since = dayNumber(told.date);
  const bare =
    leafless === true ||
    events.some(
      (event) => event.type === 'sign' && event.sign === 'leafless' && today - dayNumber(event.date) <= SIGN_DAYS,
    );
  const grew = events.some((event) => event.type === 'sign' && GROWTH.has(event.sign) && dayNumber(event.date) > since);
  return bare && !grew ? today - since : null;
}
const GROWTH = signsThat('grows');

const SPRAYS: ReadonlySet<Step> = new Set<Step>(['swab', 'wash', 'wipe']);

/** What a new pot does not answer: guests above the mix, and marks that stay. */
const OUTLIVES_POTTING = signsThat('outlives-potting');
const OF_THIRST = signsThat('thirst');

/** The signs that still stand: of one kind at one place the last counts; what was answered since falls out. */
export function signsOf(events: readonly PlantEvent[], today: DayNumber): ClinicSign[] {
  let standing: ClinicSign[] = [];
  for (const event of events) {
    const day = dayNumber(event.date);
    if (today - day > SIGN_DAYS || day > today) continue;
    if (event.type === 'repotting') {
      standing = standing.filter(({ sign }) => OUTLIVES_POTTING.has(sign));
      // What was found on the roots is a sign like any other.
      if (event.findings?.includes('pests'))
        standing.push({ day, sign: 'root-fluff', strength: 2, where: 'roots', when: null, answered: false });
    } else if (isDrink(event)) {
      standing = standing.map((sign) => (OF_THIRST.has(sign.sign) ? { ...sign, answered: true } : sign));
    } else if (event.type === 'sign') {
      const where = event.where ?? null;
      standing = standing.filter(
        (other) =>
          !(other.sign === event.sign && other.where === where) &&
          !SIGN_TABLE[event.sign].answers?.includes(other.sign),
      );
      standing.push({
        day,
        sign: event.sign,
        strength: event.strength,
        where,
        when: event.when ?? null,
        answered: false,
      });
    } else if (event.type === 'case-closed') {
      standing = standing.filter((sign) => sign.day > day);
    }
  }
  return standing;
}

function daysOf(events: readonly PlantEvent[], wanted: (event: PlantEvent) => boolean): DayNumber[] {
  return events.filter(wanted).map(({ date }) => dayNumber(date));
}

function ago(day: DayNumber | undefined, today: DayNumber): number | null {
  return day === undefined ? null : today - day;
}

/** Days the pot stood dry through just before its last drink. The trace is nine weeks long: beyond it, the gap tells. */
function dryBeforeDrink(mean: readonly number[], drinks: readonly DayNumber[], today: DayNumber): number {
  const last = drinks.at(-1);
  if (last === undefined) return 0;
  const before = drinks.findLast((day) => day < last);
  // The day itself ends wet.
  const at = mean.length - 1 - (today - last) - 1;
  let days = 0;
  while (at - days >= 0 && mean[at - days]! <= DRY_TO_M) days++;
  const traceEnds = at - days < 0;
  if (!traceEnds || before === undefined) return days;
  // As long again as it took to dry is what the trace does not show, at most: the gap less a month is dry for sure.
  return Math.max(days, last - before - USUALLY_DRY_AFTER_DAYS);
}
const USUALLY_DRY_AFTER_DAYS = 30;

function lightStep(
  dliMol: Float64Array,
  moved: DayNumber | null,
  today: DayNumber,
  at: (day: DayNumber) => number,
): number {
  if (moved === null || today - moved > LATELY_DAYS) return 1;
  const mean = (from: DayNumber, days: number) => {
    let sum = 0;
    for (let day = from; day < from + days; day++) sum += dliMol[at(day)]!;
    return sum / days;
  };
  const before = mean(moved - 14, 14);
  return before > 0.01 ? mean(moved, Math.max(1, Math.min(14, today - moved + 1))) / before : 1;
}

/** Days without a break on which its light was below what it gets by with, by fortnightly means. */
function darkDays(
  dliMol: Float64Array,
  { getsBy }: LightBand,
  today: DayNumber,
  at: (day: DayNumber) => number,
  firstDay: DayNumber,
): number {
  const days = 14;
  let dark = 0;
  for (let end = today; end - days >= firstDay; end -= days) {
    let sum = 0;
    for (let day = end - days + 1; day <= end; day++) sum += dliMol[at(day)]!;
    if (sum / days >= getsBy * 0.8) break;
    dark += days;
  }
  return dark;
}

function meanRh(
  climate: { tmaxC: Float64Array; tminC: Float64Array; eaKPa: Float64Array },
  today: DayNumber,
  at: (day: DayNumber) => number,
): number {
  let sum = 0;
  for (let day = today - 13; day <= today; day++) {
    const i = at(day);
    sum += Math.min(1, climate.eaKPa[i]! / meanSaturationVapourKPa(climate.tmaxC[i]!, climate.tminC[i]!));
  }
  return (sum / 14) * 100;
}

/** The guests on other plants of a bench, by kind. */
export function pestsNear(neighbours: readonly NeighbourPest[]): Map<Pest, number> {
  const found = new Map<Pest, number>();
  for (const { pest } of neighbours)
    if ((PESTS as readonly string[]).includes(pest)) found.set(pest as Pest, (found.get(pest as Pest) ?? 0) + 1);
  return found;
}
