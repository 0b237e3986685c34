/** What to do with one plant now: the forecast, seen through the rules of this plant. */
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { Component } from '../mix/components.ts';
import type { Mix, PlaceKind, PlantEvent } from '../garden.ts';
import { amountWords } from '../forecast/words.ts';
import type { OutlookView } from '../forecast/view.ts';
import type { Verdict } from '../forecast/verdict.ts';
import { type FeedAdvice, feedAdvice } from '../feed/schedule.ts';
import { flushMl, type Salts, saltsOf } from '../feed/salts.ts';
import type { Genus } from '../plant/genera.ts';
import { genusCare } from '../plant/library.ts';
import { genusByAnyName } from '../plant/synonyms.ts';
import type { MethodId, WaterKind } from '../watering.ts';
import { careRules, nameTellsColour, type CareRules, type OwnRules, type SourcedRules, type Way } from './rules.ts';

export interface CareFacts {
  name: string;
  taxon: string | null;
  own: OwnRules;
  outlook: OutlookView;
  events: readonly PlantEvent[];
  today: DayNumber;
  placeKind: PlaceKind;
  south: boolean;
  mixIsCharged: boolean;
  arrivedOn: DayNumber | null;
  /** the water at hand, best first, where the keeper named any; salts where they measured them */
  watersAtHand: readonly { kind: WaterKind; saltsMgL: number | null }[];
}

export interface WaterTask {
  way: Way;
  method: MethodId;
  amountMl: number;
  water: WaterKind;
  feed: FeedAdvice;
  /** so much that it washes salts out */
  flush: boolean;
}

/** From the width of the band of moisture that is held likely. */
export type Sureness = 'high' | 'medium' | 'low';

export interface CareTask {
  verdict: Verdict;
  water: WaterTask;
  /** how sure the reckoning is of the pot's state */
  sure: Sureness;
  /** the day on which the rules next call for water, ISO; null where held */
  due: string | null;
  /** what hands should mind while watering */
  mind: string[];
  salts: Salts;
  rules: SourcedRules;
}

const METHOD_OF: Record<Way, MethodId> = { drench: 'drench', base: 'drench', bottom: 'bottom', measured: 'measured', mist: 'mist' };
const SIP_SHARE = 0.05;
const RECENT_SIGN_DAYS = 21;
const SOON_DAYS = 3;

/** From this share on, compost, castings or a bagged soil feed a plant for months. */
const CHARGED_FROM = 0.1;

/** Whether a mix brings food of its own. */
export function isCharged(mix: Mix | undefined, components: ReadonlyMap<string, Component>): boolean {
  const total = (mix?.parts ?? []).reduce((sum, part) => sum + part.parts, 0);
  const rich = (mix?.parts ?? []).reduce((sum, part) => sum + (components.get(part.component)?.fertilised ? part.parts : 0), 0);
  return total > 0 && rich / total >= CHARGED_FROM;
}

export function careTask(facts: CareFacts): CareTask {
  const { outlook, today, events } = facts;
  const genus = genusByAnyName(facts.taxon ?? facts.name);
  const sourced = careRules(
    {
      traits: outlook.traits, genus, cautions: outlook.cautions, pot: outlook.pot, placeKind: facts.placeKind, south: facts.south,
      coloured: nameTellsColour(facts.name), potVolumeMl: outlook.volume_ml,
    },
    facts.own,
  );
  const { rules } = sourced;
  const potted = events.findLast((event) => event.type === 'repotting');
  const pottedOn = potted ? dayNumber(potted.date) : null;
  const sincePotted = pottedOn === null ? events : events.filter((event) => dayNumber(event.date) >= pottedOn);
  const measured = Object.fromEntries(facts.watersAtHand.flatMap(({ kind, saltsMgL }) => (saltsMgL === null ? [] : [[kind, saltsMgL]])));
  const water = chooseWater(rules, facts.watersAtHand.map(({ kind }) => kind));
  const salts = saltsOf(sincePotted, Math.max(outlook.available_ml, 1), rules.salts, water, measured);
  const signs = events.flatMap((event) => (event.type === 'sign' && today - dayNumber(event.date) <= RECENT_SIGN_DAYS ? [event.sign] : []));
  const feed = feedAdvice(rules.feed, {
    events, today, state: outlook.state, stateSince: dayNumber(outlook.state_since), habit: outlook.traits.habit, south: facts.south, mixIsCharged: facts.mixIsCharged,
    pottedOn, dry: outlook.moisture.p90 <= 0.05 && (outlook.thirst.level ?? 0) > 0.3, arrivedOn: facts.arrivedOn, signs,
  });
  const called = byTrigger(rules, outlook, today, events);
  const staged = stagedReturn(outlook, today, events);
  const { verdict, due } = safer(called, rules, outlook, today, events, staged);
  const plain = staged === 'sip' ? { way: 'measured' as const, ml: Math.max(1, Math.round(SIP_SHARE * outlook.volume_ml)) } : amountOf(rules, outlook);
  // Only with a drink that is due, and not where a plant comes back from a drought or slows: a mark out of turn is no flush.
  const flush = salts.flush && verdict.kind === 'water' && outlook.state === 'growing' && outlook.pot.holes && (plain.way === 'drench' || plain.way === 'base');
  const amount = flush ? { way: plain.way, ml: flushMl(outlook.volume_ml) } : plain;
  const way = amount.way;
  return {
    verdict: { ...verdict, head: verdict.kind === 'water' ? waterHead(way, amount.ml, flush) : verdict.head },
    water: { way, method: METHOD_OF[way], amountMl: amount.ml, water, flush, feed: salts.flush && feed.kind === 'feed' ? { kind: 'plain', why: 'Salts have built up: flush first, no food.', until: null, given: feed.given, ceiling: feed.ceiling } : feed },
    sure: sureness(outlook),
    due,
    mind: [...(staged === 'sip' ? ['It has been dry for long: a small drink first, then a look in three to seven days, and the fuller drink once it has firmed up.'] : []), ...mindWords(rules, outlook, salts, water), ...neverLine(genus, outlook)],
    salts,
    rules: sourced,
  };
}

const SURE_M = 0.15;
const UNSURE_M = 0.3;

function sureness({ moisture }: OutlookView): Sureness {
  const width = moisture.p90 - moisture.p10;
  return width < SURE_M ? 'high' : width < UNSURE_M ? 'medium' : 'low';
}

type Called = { verdict: Verdict; due: string | null };

/** A pot dry for so long in growth has lost its fine roots: it comes back in stages. */
const LONG_DRY_DAYS = 45;
const PARCHED = 0.95;
const PARCHED_DRY_DAYS = 30;
const LOOK_AFTER_SIP_DAYS = 3;
const SIP_COUNTS_DAYS = 7;
const SMALL_SIP_SHARE = 0.08;

/** Where a parched plant stands in its return: before its first sip, waiting to be looked at after it, or not at all. */
function stagedReturn(outlook: OutlookView, today: DayNumber, events: readonly PlantEvent[]): 'sip' | 'wait' | null {
  if (outlook.state === 'resting') return null;
  const drinks = events.filter((event) => event.type === 'watering');
  const last = drinks.at(-1);
  const before = drinks.at(-2);
  const lastDay = last ? dayNumber(last.date) : null;
  const small = last && last.method === 'measured' && (last.amount_ml ?? 0) <= SMALL_SIP_SHARE * outlook.volume_ml;
  if (small && lastDay !== null && today - lastDay < SIP_COUNTS_DAYS && (!before || lastDay - dayNumber(before.date) > LONG_DRY_DAYS)) return today - lastDay < LOOK_AFTER_SIP_DAYS ? 'wait' : null;
  const dry = outlook.dry_on.p50;
  const dryDays = dry === null ? 0 : today - dayNumber(dry);
  return dryDays >= LONG_DRY_DAYS || (outlook.thirst.level >= PARCHED && dryDays >= PARCHED_DRY_DAYS) ? 'sip' : null;
}

/** What must be seen before any rule counts: a slack plant in a wet pot, a night too cold for a drink, a doubt on one that cannot be replaced. */
function safer(called: Called, rules: CareRules, outlook: OutlookView, today: DayNumber, events: readonly PlantEvent[], staged: 'sip' | 'wait' | null): Called {
  const { verdict } = called;
  const { moisture } = outlook;
  if (slackSince(outlook, today, events) && moisture.p50 > WET_M && outlook.state !== 'resting') {
    return { verdict: { kind: 'check', head: 'Press the base', reason: 'Slack, but its pot is reckoned wet: roots may not drink. No water before a look.' }, due: isoDay(today) };
  }
  if (staged === 'wait') return { verdict: { kind: 'leave', head: 'Leave it', reason: 'Its first small drink after a long drought: look in a few days whether it has firmed up.' }, due: called.due };
  const tomorrow = isoDay(today + 1);
  const dueByNow = outlook.water !== null && outlook.water.earliest <= isoDay(today);
  if (verdict.kind !== 'water' && verdict.kind !== 'check' && dueByNow && outlook.cold_nights.includes(tomorrow) && rules.trigger === 'pot') {
    return { verdict: { kind: 'leave', head: 'Leave it, cold tonight', reason: `Dry enough, but the night falls below the ${Math.round(outlook.traits.minWetC)} °C it bears with moist roots. ${verdict.reason}`.trim() }, due: called.due };
  }
  if (verdict.kind === 'water' && rules.hardToReplace && moisture.p90 > outlook.due_m + 0.03) {
    return { verdict: { kind: 'check', head: 'Feel first', reason: `Hard to replace, and not surely dry: ${verdict.reason[0]!.toLowerCase()}${verdict.reason.slice(1)}` }, due: called.due };
  }
  return called;
}

const SLACK_SIGNS = new Set<string>(['limp', 'wrinkled', 'shrunken']);
const SLACK_SEEN_DAYS = 7;

/** The sign by which the plant was lately seen slack, if it has not drunk since. */
function slackSince(outlook: OutlookView, today: DayNumber, events: readonly PlantEvent[]): string | null {
  const seen = events.findLast((event) => event.type === 'sign' && SLACK_SIGNS.has(event.sign) && today - dayNumber(event.date) <= SLACK_SEEN_DAYS);
  if (seen?.type !== 'sign' || (outlook.last_watered !== null && outlook.last_watered > seen.date)) return null;
  return seen.sign;
}

/** Moisture above which slackness is not thirst: damp or wet to a finger. */
const WET_M = 0.3;

/** One thing that is never done to this kind. */
function neverLine(genus: Genus | undefined, { traits, state }: OutlookView): string[] {
  if (genusCare(genus, traits.form, traits.habit).neverSoak) return ['Never: a long soak.'];
  if (state === 'resting' && (traits.form === 'caudex' || traits.form === 'bulb')) return ['Never: a full drink while leafless.'];
  return traits.minDryC >= FROST_TENDER_C ? [`Never: nights below ${Math.round(traits.minDryC)} °C.`] : [];
}
const FROST_TENDER_C = 8;

function chooseWater(rules: CareRules, atHand: readonly WaterKind[]): WaterKind {
  const [first = 'rain'] = rules.waters;
  if (atHand.length === 0) return first;
  return rules.waters.find((kind) => atHand.includes(kind)) ?? atHand[0]!;
}

/** Method and amount by the keeper's rule; a pot without a hole never gets more than it can hold, a waking plant its sip. */
function amountOf(rules: CareRules, outlook: OutlookView): { way: Way; ml: number } {
  const advice = outlook.water;
  const advised = advice?.amount_ml ?? Math.max(5, Math.round(outlook.available_ml / 2));
  const [liked = 'measured'] = rules.ways;
  const closed = !outlook.pot.holes;
  const roomMl = Math.max(0, Math.round(outlook.available_ml * (1 - outlook.moisture.p50)));
  const capped = (ml: number) => (closed ? Math.min(ml, Math.max(1, roomMl)) : ml);
  if (rules.amount.by === 'fixed') return { way: closed || liked === 'drench' || liked === 'base' ? 'measured' : liked, ml: capped(Math.round(rules.amount.ml)) };
  if (rules.amount.by === 'share') return { way: closed || liked === 'drench' || liked === 'base' ? 'measured' : liked, ml: capped(Math.round(rules.amount.share * outlook.volume_ml)) };
  if (closed || advice?.method === 'measured') return { way: 'measured', ml: closed ? advised : Math.round(advised) };
  if (liked === 'measured') return { way: 'measured', ml: Math.max(1, Math.round(SIP_SHARE * outlook.volume_ml)) };
  return { way: liked, ml: advised };
}

function waterHead(way: Way, ml: number, flush: boolean): string {
  const amount = amountWords(ml);
  if (flush) return `Flush, ${amount}`;
  switch (way) {
    case 'drench':
      return `Drench, ${amount}`;
    case 'base':
      return `Drench at the base, ${amount}`;
    case 'bottom':
      return `Stand in water, ${amount}`;
    case 'measured':
      return `Measure out ${amount}`;
    case 'mist':
      return 'Mist';
  }
}

/** The pot's own day stands as forecast; by the plant's sign or the calendar the day is another, but never in rest or under a hold. */
function byTrigger(rules: CareRules, outlook: OutlookView, today: DayNumber, events: readonly PlantEvent[]): { verdict: Verdict; due: string | null } {
  const ideal = outlook.water?.ideal ?? null;
  if (rules.trigger === 'pot' || !outlook.water || outlook.alarm || outlook.hold) return { verdict: outlook.verdict, due: ideal };
  if (rules.trigger === 'plant') {
    const day = outlook.schools.plant;
    const sign = slackSince(outlook, today, events);
    // In a wet pot it is not thirst; safer() has that looked at.
    if (sign) return { verdict: { kind: 'water', head: '', reason: `You saw it ${sign}, and its pot is dry: by the plant’s sign, now.` }, due: isoDay(today) };
    if (day === null) return { verdict: { kind: 'leave', head: 'Leave it', reason: 'By the plant’s sign: no wrinkle is in sight.' }, due: null };
    return until(dayNumber(day), today, 'the first wrinkle is reckoned then', 'Look for its first wrinkles: reckoned about now.', true);
  }
  const last = outlook.last_watered;
  const month = Number(isoDay(today).slice(5, 7)) - 1;
  const every = rules.everyDays[month] ?? null;
  if (every === null) return { verdict: { kind: 'leave', head: 'Leave it', reason: 'Your calendar has no water for it this month.' }, due: null };
  const day = last === null ? today : dayNumber(last) + every;
  if (day <= today && outlook.moisture.p50 > Math.max(0.45, outlook.due_m + 0.15)) {
    return { verdict: { kind: 'check', head: 'Feel first', reason: `Your calendar calls (every ${every} days), but the pot is reckoned still wet.` }, due: isoDay(today) };
  }
  return until(day, today, `every ${every} days by your calendar`, `Every ${every} days by your calendar.`, false);
}

function until(day: DayNumber, today: DayNumber, whyLater: string, whyNow: string, look: boolean): { verdict: Verdict; due: string } {
  const due = isoDay(Math.max(day, today));
  if (day <= today) return { verdict: look ? { kind: 'check', head: 'Look at it', reason: whyNow } : { kind: 'water', head: '', reason: whyNow }, due };
  const days = day - today;
  return { verdict: { kind: days <= SOON_DAYS ? 'soon' : 'leave', head: days <= SOON_DAYS ? `In ${days} ${days === 1 ? 'day' : 'days'}` : `Leave for ${days} days`, reason: `${whyLater[0]!.toUpperCase()}${whyLater.slice(1)}.` }, due };
}

function mindWords(rules: CareRules, outlook: OutlookView, salts: Salts, water: WaterKind): string[] {
  const words: string[] = [];
  const { cautions, pot, volume_ml: volumeMl } = outlook;
  if (cautions.includes('powdery')) words.push('To the mix only: drops mark its powder.');
  if (cautions.includes('dry-heart')) words.push('Not into the rosette: pour at the rim or stand it in water.');
  if (!pot.holes) words.push('No hole: never more than the measure.');
  if (salts.flush) words.push(`Salts have built up (about ${salts.ecMS.toFixed(1)} mS/cm, its limit ${salts.limitMS}): flush with ${amountWords(flushMl(volumeMl))} of plain soft water and let it run out${outlook.state === 'growing' ? '' : ', once it grows'}.`);
  if (water === 'softened') words.push('Softened water carries sodium: only for want of other.');
  else if (!rules.waters.includes(water)) words.push(`${water[0]!.toUpperCase()}${water.slice(1)} water is not among its kinds: an occasional drink does no harm.`);
  if (water === 'hard' && rules.salts !== 'hardy' && salts.hardDrinks >= 6) words.push(`${salts.hardDrinks} hard drinks since its potting: look for a white crust.`);
  return words;
}
