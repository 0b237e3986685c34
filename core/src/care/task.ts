/** What to do with one plant now: the forecast, seen through the rules of this plant. */
import { type DayNumber, dayNumber, isoDay } from '../calendar/day.ts';
import type { Component } from '../mix/components.ts';
import type { Mix, PlaceKind, PlantEvent } from '../garden.ts';
import type { OutlookView } from '../forecast/view.ts';
import type { Verdict } from '../forecast/verdict.ts';
import { type FeedAdvice, feedAdvice } from '../feed/schedule.ts';
import { flushMl, type Salts, saltsOf } from '../feed/salts.ts';
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
}

export interface CareTask {
  verdict: Verdict;
  water: WaterTask;
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
  const { verdict, due } = byTrigger(rules, outlook, today, events);
  const amount = amountOf(rules, outlook);
  const way = amount.way;
  return {
    verdict: { ...verdict, head: verdict.kind === 'water' ? waterHead(way, amount.ml) : verdict.head },
    water: { way, method: METHOD_OF[way], amountMl: amount.ml, water, feed: salts.flush && feed.kind === 'feed' ? { kind: 'plain', why: 'Salts have built up: flush first, no food.', until: null, given: feed.given, ceiling: feed.ceiling } : feed },
    due,
    mind: mindWords(rules, outlook, salts, water),
    salts,
    rules: sourced,
  };
}

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

function waterHead(way: Way, ml: number): string {
  const amount = ml >= 1000 ? `${(ml / 1000).toFixed(1)} l` : `${ml} ml`;
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
    const sign = events.findLast((event) => event.type === 'sign' && today - dayNumber(event.date) <= 7 && (event.sign === 'wrinkled' || event.sign === 'limp' || event.sign === 'shrunken'));
    const watered = outlook.last_watered;
    if (sign && (!watered || watered <= sign.date)) {
      // Limp in a wet pot is not thirst.
      if (outlook.moisture.p50 > 0.3) return { verdict: { kind: 'check', head: 'Press the base', reason: 'Slack, but its pot is reckoned wet: roots may not drink. No water before a look.' }, due: isoDay(today) };
      return { verdict: { kind: 'water', head: '', reason: `You saw it ${sign.type === 'sign' ? sign.sign : 'slack'}, and its pot is dry: by the plant’s sign, now.` }, due: isoDay(today) };
    }
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
  if (salts.flush) words.push(`Salts have built up (about ${salts.ecMS.toFixed(1)} mS/cm, its limit ${salts.limitMS}): flush with ${(flushMl(volumeMl) / 1000).toFixed(1)} l of plain soft water and let it run out.`);
  if (water === 'softened') words.push('Softened water carries sodium: only for want of other.');
  else if (!rules.waters.includes(water)) words.push(`${water[0]!.toUpperCase()}${water.slice(1)} water is not among its kinds: an occasional drink does no harm.`);
  if (water === 'hard' && rules.salts !== 'hardy' && salts.hardDrinks >= 6) words.push(`${salts.hardDrinks} hard drinks since its potting: look for a white crust.`);
  return words;
}
