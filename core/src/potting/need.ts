/**
 * Who wants a new pot, and why: signs count, years alone only ask for a look. Who may not now, and until when.
 */
import { SIGN_TABLE } from '../catalogue/signs.ts';
import type { DayNumber } from '../calendar/day.ts';
import type { Form, PlantState, Sign } from '../garden.ts';

export const NEED_CODES = [
  'interim',
  'roots-out',
  'bulging',
  'runs-through',
  'stands',
  'drains-slowly',
  'small-hole',
  'dries-faster',
  'salts',
  'topples',
  'mix-tired',
  'outgrown',
  'years',
] as const;
export type NeedCode = (typeof NEED_CODES)[number];

export interface NeedReason {
  code: NeedCode;
  /** share of a pressing need that it is by itself */
  weight: number;
  n: Readonly<Record<string, number>>;
}

export interface NeedFacts {
  today: DayNumber;
  /** days since when it stands in this pot; null where nobody knows */
  pottedOn: DayNumber | null;
  repotYears: number;
  /** the day on which it was looked at and fitted its pot; null where it never was */
  fitsOn: DayNumber | null;
  /** signs of the last months with the day they were seen last */
  signs: ReadonlyMap<Sign, DayNumber>;
  /** pace against what this potting was at first, or 1 */
  faster: number;
  saltsOver: boolean;
  /** the last pour that was timed in this pot asked for an opener mix */
  slowPour: { day: DayNumber; seconds: number } | null;
  /** its holes let little through (hasSmallHole) */
  smallHole: boolean;
  /** rescued out of its season: the pot it has was for the time being */
  interim: boolean;
  /** share of the mix that was alive: it rots, and holds more and more water */
  organicShare: number;
  diameterMm: number;
  heightMm: number;
  potTopMm: number;
  /** a wind tips it (stability.ts) */
  tips: boolean;
  /** likes its roots tight: only strong signs count */
  tight: boolean;
}

/** What each finding is worth; half a pressing need is worth a pot this season. */
const WORTH: Record<NeedCode, number> = {
  interim: 0.5,
  'roots-out': 0.35,
  bulging: 0.5,
  'runs-through': 0.35,
  stands: 0.4,
  'drains-slowly': 0.35,
  'small-hole': 0.2,
  'dries-faster': 0.4,
  salts: 0.2,
  topples: 0.35,
  'mix-tired': 0.3,
  outgrown: 0.3,
  years: 0.15,
};
/** Dries in so much less than at first: roots fill it. */
const FASTER_FROM = 1.5;
const DAYS_A_YEAR = 365.25;
/** Years after which a mix is tired: five if nothing of it was ever alive, one and a half if all of it was. */
const TIRED_YEARS = { mineral: 5, organic: 1.5 };
const OUTGROWN = 0.98;
/** A look that found it fitting answers for a year. */
const FITS_DAYS = 330;
/** A sign seen longer ago than this says nothing of today's pot. */
const SIGN_DAYS = 200;
/** From here on a pot is due; up to here it is looked at. */
const DUE_FROM = 0.5;
const LOOK_FROM = 0.15;
/** Kinds that like tight roots wait for more. */
const TIGHT_FROM = 0.75;

export interface Need {
  /** 0 to 1: how pressing */
  score: number;
  verdict: 'due' | 'look' | 'none';
  /** strongest first */
  reasons: NeedReason[];
}

export function pottingNeed(facts: NeedFacts): Need {
  const { today, pottedOn, fitsOn } = facts;
  // What was looked at, and fitted, is looked at again after a season; what is seen since counts.
  const fitted = fitsOn !== null && today - fitsOn <= FITS_DAYS;
  const reasons: NeedReason[] = [];
  const add = (code: NeedCode, n: NeedReason['n'] = {}, weight = WORTH[code]) => {
    if (!reasons.some((reason) => reason.code === code)) reasons.push({ code, weight, n });
  };
  for (const [sign, day] of facts.signs) {
    const code = SIGN_TABLE[sign].need;
    const old = (pottedOn !== null && day <= pottedOn) || (fitsOn !== null && day <= fitsOn);
    if (code && today - day <= SIGN_DAYS && !old) add(code, { days: today - day });
  }
  if (facts.faster >= FASTER_FROM) add('dries-faster', { times: hundredth(facts.faster) });
  if (facts.slowPour) add('drains-slowly', { seconds: facts.slowPour.seconds });
  if (facts.interim) add('interim');
  if (facts.smallHole) add('small-hole');
  if (facts.saltsOver) add('salts');
  if (facts.tips) add('topples', {}, WORTH.topples * 0.7);
  const years = pottedOn === null ? null : (today - pottedOn) / DAYS_A_YEAR;
  const tiredYears =
    TIRED_YEARS.mineral - (TIRED_YEARS.mineral - TIRED_YEARS.organic) * Math.min(1, facts.organicShare);
  if (years !== null && years >= tiredYears)
    add('mix-tired', { years: tenth(years), organic: hundredth(facts.organicShare) });
  if (!fitted && facts.diameterMm >= OUTGROWN * facts.potTopMm)
    add('outgrown', { diameter_mm: facts.diameterMm, top_mm: facts.potTopMm });
  if (!fitted && years !== null && years >= facts.repotYears)
    add('years', { years: tenth(years), usual: facts.repotYears });
  // Findings that each leave a doubt: together they leave less.
  const score = 1 - reasons.reduce((doubt, reason) => doubt * (1 - reason.weight), 1);
  const dueFrom = facts.tight ? TIGHT_FROM : DUE_FROM;
  const onlyYears = reasons.every(({ code }) => code === 'years' || code === 'mix-tired');
  return {
    score: hundredth(score),
    verdict: score >= dueFrom && !onlyYears ? 'due' : score >= LOOK_FROM - 1e-9 ? 'look' : 'none',
    reasons: reasons.sort((a, b) => b.weight - a.weight),
  };
}

export const BLOCK_CODES = [
  'resting',
  'easing',
  'in-growth',
  'in-flower',
  'cold',
  'moved',
  'hurt',
  'new',
  'root-shy',
  'in-treatment',
] as const;
export type BlockCode = (typeof BLOCK_CODES)[number];

export interface Block {
  code: BlockCode;
  /** day from which it no longer stands in the way; null: until something changes */
  until: DayNumber | null;
}

export interface BlockFacts {
  today: DayNumber;
  state: PlantState;
  /** first day of its next growth, or null where none is in sight */
  growsFrom: DayNumber | null;
  /** a bulb, moved in its sleep */
  movedAsleep: boolean;
  /** last day on which buds or open flowers were seen */
  floweredOn: DayNumber | null;
  /** mean of the weeks ahead at its place, and the mean below which it stands still, °C */
  warmthAheadC: number;
  growMinC: number;
  movedOn: DayNumber | null;
  arrivedOn: DayNumber | null;
  /** roots cut lately, or a case of rot that is open */
  hurtUntil: DayNumber | null;
  pottedOn: DayNumber | null;
  repotYears: number;
  rootShy: boolean;
  /** when an open case that wants no new pot was opened: one change at a time, and a look at what it did */
  treatedOn: DayNumber | null;
}

/** Two changes within these weeks, and nobody knows which of them helped. */
const ONE_CHANGE_DAYS = 21;
const SETTLES_DAYS = 28;
const FLOWER_DAYS = 30;

/** What stands in the way of potting it now, the longest first. A rescue goes before all of it. */
export function pottingBlocks(facts: BlockFacts): Block[] {
  const { today } = facts;
  const blocks: Block[] = [];
  const after = (code: BlockCode, day: DayNumber | null, days: number) => {
    if (day !== null && today - day < days) blocks.push({ code, until: day + days });
  };
  if (facts.state === 'resting' && !facts.movedAsleep) blocks.push({ code: 'resting', until: facts.growsFrom });
  if (facts.movedAsleep && (facts.state === 'growing' || facts.state === 'waking') && facts.growsFrom !== today)
    blocks.push({ code: 'in-growth', until: facts.growsFrom });
  if (facts.state === 'easing' && !facts.movedAsleep) blocks.push({ code: 'easing', until: facts.growsFrom });
  if (facts.warmthAheadC < facts.growMinC && !facts.movedAsleep) blocks.push({ code: 'cold', until: facts.growsFrom });
  after('in-flower', facts.floweredOn, FLOWER_DAYS);
  after('moved', facts.movedOn, SETTLES_DAYS);
  after('new', facts.arrivedOn, SETTLES_DAYS);
  if (facts.hurtUntil !== null && facts.hurtUntil > today) blocks.push({ code: 'hurt', until: facts.hurtUntil });
  if (facts.rootShy && facts.pottedOn !== null) {
    const again = facts.pottedOn + Math.round(facts.repotYears * DAYS_A_YEAR);
    if (again > today) blocks.push({ code: 'root-shy', until: again });
  }
  after('in-treatment', facts.treatedOn, ONE_CHANGE_DAYS);
  return blocks.sort((a, b) => (b.until ?? Infinity) - (a.until ?? Infinity));
}

/** Forms that like their roots tight, besides genera that do (library). */
export function likesTight(form: Form, genus: string | null): boolean {
  return form === 'stiff-leaf' || TIGHT_GENERA.has(genus ?? '');
}
const TIGHT_GENERA = new Set(['Zamioculcas', 'Sansevieria', 'Dracaena', 'Crassula', 'Euphorbia', 'Hoya', 'Clivia']);

/** Kinds that take root work badly. */
export function isRootShy(genus: string | null): boolean {
  return ROOT_SHY.has(genus ?? '');
}
const ROOT_SHY = new Set([
  'Pseudolithos',
  'Aztekium',
  'Blossfeldia',
  'Welwitschia',
  'Fouquieria',
  'Hoodia',
  'Larryleachia',
]);

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}
function hundredth(value: number): number {
  return Math.round(value * 100) / 100;
}
