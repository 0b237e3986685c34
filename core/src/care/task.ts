/**
 * What to do with one plant now, with all that hands need beside it: the judgement, its next drink, food, salts and the
 * rules behind.
 */
import { BONE_DRY_M } from '../moisture.ts';
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { Component } from '../mix/components.ts';
import type { ClinicLine } from '../clinic/answer.ts';
import type { Mix, PlantEvent } from '../garden.ts';
import type { Outlook } from '../forecast/forecast.ts';
import { type FeedAdvice, feedAdvice, type FeedFacts } from '../feed/schedule.ts';
import { type Salts, saltsOf } from '../feed/salts.ts';
import { type Drink, drinkOf, type Judgement } from '../judgement/deeds.ts';
import { judgeFacts } from '../judgement/judge.ts';
import { type ClinicView, type Facts, gather, type JudgeInput } from '../judgement/facts.ts';
import type { Bench } from '../judgement/benches.ts';
import { onDay } from '../clinic/cases.ts';
import type { StepDay } from '../clinic/waits.ts';
import { drinkNow } from '../judgement/thirst.ts';
import { type PlantForecast, plantForecast } from '../judgement/plantForecast.ts';
import { genusCare } from '../plant/library.ts';
import { placeDefaults } from '../place/defaults.ts';
import { genusByAnyName } from '../plant/synonyms.ts';
import type { WaterKind } from '../watering.ts';
import { type Standing, standingOf } from '../plant/standing.ts';
import {
  type CareRules,
  careRules,
  growingMonths,
  nameTellsColour,
  type OwnRules,
  type SourcedRules,
} from './rules.ts';

export interface CareFacts extends Standing {
  name: string;
  taxon: string | null;
  /** nobody knows what it is: the drier side, in everything */
  nameUnknown: boolean;
  own: OwnRules;
  outlook: Outlook;
  today: DayNumber;
  south: boolean;
  mixIsCharged: boolean;
  /** the water at hand, best first, where the keeper named any; salts where they measured them */
  watersAtHand: readonly { kind: WaterKind; saltsMgL: number | null }[];
  /** all places of its site, where it could stand instead */
  benches?: readonly Bench[];
}

export interface CareTask {
  judgement: Judgement;
  forecast: PlantForecast;
  /** the drink it gets now, or would get on its day */
  drink: Drink;
  feed: FeedAdvice;
  /** the day on which water next comes, ISO; null where none is in sight */
  due: string | null;
  salts: Salts;
  rules: SourcedRules;
  clinic: ClinicView;
}

/** A task as it is kept for thousands: of the clinic only its line. */
export type KeptTask = Omit<CareTask, 'clinic'> & { clinic: ClinicLine | null };

const RECENT_SIGN_DAYS = 21;
/** From this share on, compost, castings or a bagged soil feed a plant for months. */
const CHARGED_FROM = 0.1;

/** Whether a mix brings food of its own. */
export function isCharged(mix: Mix | undefined, components: ReadonlyMap<string, Component>): boolean {
  const total = (mix?.parts ?? []).reduce((sum, part) => sum + part.parts, 0);
  const rich = (mix?.parts ?? []).reduce(
    (sum, part) => sum + (components.get(part.component)?.fertilised ? part.parts : 0),
    0,
  );
  return total > 0 && rich / total >= CHARGED_FROM;
}

export function careTask(facts: CareFacts): CareTask {
  const { outlook, today } = facts;
  const { events } = outlook.plant;
  const { traits, sourced: from } = outlook.model;
  const genus = genusByAnyName(facts.taxon ?? facts.name);
  const { capacity } = outlook.model.pot;
  const sourced = careRules(
    {
      traits,
      genus,
      cautions: from.cautions,
      pot: outlook.plant.pot,
      placeKind: facts.placeKind,
      south: facts.south,
      coloured: nameTellsColour(facts.name),
      potVolumeMl: capacity.volumeMl,
    },
    facts.own,
  );
  const { rules } = sourced;
  const measured = Object.fromEntries(
    facts.watersAtHand.flatMap(({ kind, saltsMgL }) => (saltsMgL === null ? [] : [[kind, saltsMgL]])),
  );
  const water = chooseWater(
    rules,
    facts.watersAtHand.map(({ kind }) => kind),
  );
  // An unknown plant's limit is a guess: its salts call for no flood.
  const salts = saltsOf(
    sincePotting(events),
    Math.max(capacity.availableMl, 1),
    facts.nameUnknown ? 'usual' : rules.salts,
    water,
    measured,
  );
  const feed = saltsFirst(
    salts,
    feedAdvice(rules.feed, {
      ...feedFacts(facts, events),
      heldUntil: rules.noFoodUntil === null ? null : dayNumber(rules.noFoodUntil),
    }),
  );
  const input: JudgeInput = {
    outlook,
    today,
    rules,
    care: genusCare(genus, traits.form, traits.habit),
    feed,
    salts,
    water,
    ...standingOf(facts),
    indoorsSince: indoorsSince(facts),
    nameUnknown: facts.nameUnknown,
    benches: facts.benches,
  };
  const found = gather(input);
  const judgement = judgeFacts(found);
  const next = drinkNow(found).drink;
  const forecast = plantForecast(outlook, judgement, next, isoDay(today));
  const now = drinkOf(judgement);
  return {
    judgement,
    forecast,
    drink: now ?? { ...next, food: feed.kind === 'feed' && !next.flush ? feed.strength : null },
    feed,
    due: now ? isoDay(today) : (forecast.water?.ideal ?? null),
    salts,
    rules: sourced,
    clinic: { ...found.clinic, cases: onDay(found.clinic.cases, stepDay(found, judgement)) },
  };
}

/** The plant as a step of a plan meets it today. */
function stepDay(facts: Facts, judgement: Judgement): StepDay {
  const { outlook, today, seen, state, wakesInDays } = facts;
  return {
    state,
    form: outlook.model.traits.form,
    warm: facts.warmthC >= outlook.model.traits.growMinC - 1.5,
    mildTonight: facts.nights.mildOn === today,
    wet: facts.chanceWet > 0.35,
    rot: seen.rot !== null || seen.suspect !== null,
    tooDark: facts.tooDark,
    judgement,
    wakesOn: state === 'resting' && wakesInDays !== null ? isoDay(today + wakesInDays) : null,
  };
}

/** Since when it stands under the roof under which it stands now; null outdoors and under glass. */
function indoorsSince({ placeKind, outlook, arrivedOn }: CareFacts): DayNumber | null {
  if (!placeDefaults(placeKind).indoors) return null;
  return Math.max(outlook.model.stays.at(-1)!.from, arrivedOn ?? -Infinity);
}

function sincePotting(events: readonly PlantEvent[]): readonly PlantEvent[] {
  const potted = events.findLast((event) => event.type === 'repotting');
  return potted ? events.filter((event) => event.date >= potted.date) : events;
}

function feedFacts(facts: CareFacts, events: readonly PlantEvent[]): Omit<FeedFacts, 'heldUntil'> {
  const { outlook, today, south } = facts;
  const { traits, timeline } = outlook.model;
  const potted = events.findLast((event) => event.type === 'repotting');
  const since = timeline.changes.findLast(({ day }) => day <= today);
  return {
    events,
    today,
    state: outlook.state,
    stateSince: since?.day ?? today,
    habit: traits.habit,
    south,
    mixIsCharged: facts.mixIsCharged,
    pottedOn: potted ? dayNumber(potted.date) : null,
    dry: outlook.moisture.p90 <= BONE_DRY_M && outlook.stress.thirst > 0.3,
    arrivedOn: facts.arrivedOn,
    signs: events.flatMap((event) =>
      event.type === 'sign' && today - dayNumber(event.date) <= RECENT_SIGN_DAYS ? [event.sign] : [],
    ),
    lightMonths: facts.lit || traits.habit !== 'evergreen' ? null : growingMonths('evergreen', south),
  };
}

function saltsFirst(salts: Salts, feed: FeedAdvice): FeedAdvice {
  return salts.flush && feed.kind === 'feed'
    ? {
        kind: 'plain',
        why: { code: 'salts', n: { ec: Math.round(salts.ecMS * 10) / 10, limit: salts.limitMS } },
        until: null,
        given: feed.given,
        ceiling: feed.ceiling,
      }
    : feed;
}

/** Poured where nobody has told of any water: tap water on the safe side, never rain that may not be there. */
const UNTOLD_WATER: WaterKind = 'hard';

function chooseWater(rules: CareRules, atHand: readonly WaterKind[]): WaterKind {
  if (atHand.length === 0) return UNTOLD_WATER;
  return rules.waters.find((kind) => atHand.includes(kind)) ?? atHand[0]!;
}
