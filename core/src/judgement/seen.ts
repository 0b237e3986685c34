/**
 * What the keeper has seen that still counts: looks into the pot since its last drink, signs until something answers
 * them.
 */
import { SIGN_TABLE, signsThat } from '../catalogue/signs.ts';
import { isDrink } from '../catalogue/ways.ts';
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import { type PlantEvent, type Sign } from '../garden.ts';
import { WET_FROM_M, DRY_TO_M } from '../moisture.ts';
import type { Why } from './weights.ts';

export type Says = 'wet' | 'damp' | 'dry';

/** A look at depth. */
export interface SeenLook {
  day: DayNumber;
  says: Says;
  /** what told */
  kind: 'finger' | 'lift' | 'meter' | 'weight';
  reason: Why;
}

export interface SeenSign {
  day: DayNumber;
  sign: Sign;
  strength: number;
  where: string | null;
  when: string | null;
}

export interface Seen {
  /** the last look at depth since the last drink */
  look: SeenLook | null;
  /** the last look at the top only, since the last drink and after the last look at depth */
  surface: { day: DayNumber; says: 'wet' | 'dry' } | null;
  /** looks at depth since the last drink that say other than the one before them are settled by a second */
  looksSinceDrink: number;
  /** rot that nothing has answered yet */
  rot: SeenSign | null;
  /** slack, and no drink and no "taut" since */
  slack: SeenSign | null;
  /** slack when it was seen last, whatever was poured since; null once it was found firm */
  lastSlack: SeenSign | null;
  taut: DayNumber | null;
  /** rot that was likely, until something speaks against it: a firm base, a mix that dried; no drink answers it */
  suspect: SeenSign | null;
  /** a little soft in its sleep: no rot, and no full store */
  softish: SeenSign | null;
  /** water stood on the mix or in the saucer, and nothing has run out since */
  standing: DayNumber | null;
  /** the old pair of leaves is paper: the new one may drink */
  paper: DayNumber | null;
  /** it was seen to grow, or said to */
  grewOn: DayNumber | null;
  /** yellow leaves, or leaves that die back */
  fading: SeenSign | null;
  /** signs of too much water in the last weeks that nothing has answered */
  tooMuch: SeenSign | null;
  /** grown long between its leaves, and no move to more light since */
  stretched: SeenSign | null;
  /** new growth or buds on a sleeper */
  woken: SeenSign | null;
  /** the base was found firm, the roots firm */
  firmBase: DayNumber | null;
  firmRoots: DayNumber | null;
  /** the last day on which anybody looked at or touched the plant */
  touched: DayNumber | null;
  lastDrink: DayNumber | null;
  everLooked: boolean;
}

const ROT = signsThat('rot');
const TOO_MUCH = signsThat('too-much');
const WAKING = signsThat('wakes');
const FADING = signsThat('fades');
/** What was found sound where rot would have been. */
const SOUND = signsThat('sound');
/** A base that gives a little is no rot yet: a sleeper that spent its store is no harder. */
const SOFT_FROM = 2;
const SIGN_DAYS = 21;
/** A wet look so near a slack plant makes its roots suspect. */
const BESIDE_DAYS = 2;
/** Suspicion that nothing fed or answered for so long is laid aside: roots that rot show it by then. */
const SUSPECT_DAYS = 42;
/** Water that stood is gone after so many days, into the mix or the air. */
const STANDING_DAYS = 7;
/** Older looks have no say of their own: the belief has carried them on to today. */
const LOOK_DAYS = 21;
const SLACK_DAYS = 14;
/** What has grown long stays so; after a season it is looked at anew. */
const STRETCHED_DAYS = 120;
/** Rot that nobody answers stays a case for half a year. */
const ROT_DAYS = 180;

/** @param scale full and bone dry weight, where known: what a weight says */
export function whatWasSeen(
  events: readonly PlantEvent[],
  today: DayNumber,
  scale: { drainedG: number; rangeG: number } | null,
): Seen {
  const seen: Seen = {
    look: null,
    surface: null,
    looksSinceDrink: 0,
    rot: null,
    slack: null,
    lastSlack: null,
    taut: null,
    suspect: null,
    softish: null,
    standing: null,
    paper: null,
    grewOn: null,
    fading: null,
    tooMuch: null,
    stretched: null,
    woken: null,
    firmBase: null,
    firmRoots: null,
    touched: null,
    lastDrink: null,
    everLooked: false,
  };
  // Its reason is put into words once, for the last of them.
  let last: { day: DayNumber; says: Says; event: Check } | null = null;
  for (const day of byDay(events)) {
    for (const event of day.events) {
      if (event.type === 'check' && 'surface' in event) seen.surface = { day: day.day, says: event.surface };
      else if (event.type === 'check') {
        const says = saidBy(event, scale);
        if (says !== null) {
          seen.looksSinceDrink = last?.says === says ? seen.looksSinceDrink + 1 : 1;
          last = { day: day.day, says, event };
          seen.surface = null;
          seen.everLooked = true;
          // Whoever feels it has tipped out what stood on it.
          seen.standing = null;
          // A mix that dried is one that roots drank from.
          if (says === 'dry' && seen.suspect && day.day > seen.suspect.day) seen.suspect = null;
        }
      } else if (event.type === 'sign') readSign(seen, event, day.day);
      else if (event.type === 'state' && event.state === 'growing') seen.grewOn = day.day;
      if (seen.slack && last && last.says !== 'dry' && Math.abs(seen.slack.day - last.day) <= BESIDE_DAYS)
        seen.suspect = { ...seen.slack, day: Math.max(seen.slack.day, last.day) };
      if (event.type === 'check' || event.type === 'sign' || event.type === 'weights') seen.touched = day.day;
    }
    for (const event of day.events) {
      if (isDrink(event)) {
        seen.lastDrink = day.day;
        last = null;
        seen.surface = null;
        seen.looksSinceDrink = 0;
        seen.slack = null;
        seen.taut = null;
      } else if (event.type === 'case-step') {
        // Out of the pot and in hand: what was seen of it is being seen to.
        if (event.step === 'unpot' || event.step === 'cut' || event.step === 'pot-dry')
          Object.assign(seen, { rot: null, suspect: null });
      } else if (event.type === 'case-closed') {
        Object.assign(seen, { rot: null, slack: null, lastSlack: null, suspect: null, tooMuch: null, fading: null });
      } else if (event.type === 'move') {
        // What grows now, grows there: it is looked at again.
        seen.stretched = null;
      } else if (event.type === 'repotting') {
        last = null;
        Object.assign(seen, {
          surface: null,
          looksSinceDrink: 0,
          rot: null,
          slack: null,
          lastSlack: null,
          suspect: null,
          softish: null,
          standing: null,
          tooMuch: null,
          everLooked: false,
        });
      }
    }
  }
  if (last && today - last.day > LOOK_DAYS) seen.looksSinceDrink = 0;
  else if (last)
    seen.look = { day: last.day, says: last.says, kind: kindOf(last.event), reason: reasonOf(last.event, scale) };
  if (seen.rot && today - seen.rot.day > ROT_DAYS) seen.rot = null;
  if (seen.slack && today - seen.slack.day > SLACK_DAYS) seen.slack = null;
  if (seen.tooMuch && today - seen.tooMuch.day > SIGN_DAYS) seen.tooMuch = null;
  if (seen.lastSlack && today - seen.lastSlack.day > SIGN_DAYS) seen.lastSlack = null;
  if (seen.suspect && today - seen.suspect.day > SUSPECT_DAYS) seen.suspect = null;
  if (seen.softish && today - seen.softish.day > SIGN_DAYS) seen.softish = null;
  if (seen.fading && today - seen.fading.day > SIGN_DAYS) seen.fading = null;
  if (seen.standing !== null && today - seen.standing > STANDING_DAYS) seen.standing = null;
  if (seen.stretched && today - seen.stretched.day > STRETCHED_DAYS) seen.stretched = null;
  if (seen.woken && today - seen.woken.day > SIGN_DAYS * 2) seen.woken = null;
  return seen;
}

/** Checks and signs of a day come before its drinks (docs/formats.md). */
function byDay(events: readonly PlantEvent[]): { day: DayNumber; events: PlantEvent[] }[] {
  const days: { day: DayNumber; events: PlantEvent[] }[] = [];
  for (const event of events) {
    const day = dayNumber(event.date);
    if (days.at(-1)?.day === day) days.at(-1)!.events.push(event);
    else days.push({ day, events: [event] });
  }
  return days;
}

function kindOf(event: Check): SeenLook['kind'] {
  if ('finger' in event) return 'finger';
  return 'lift' in event ? 'lift' : 'meter' in event ? 'meter' : 'weight';
}

function saysOf(m: number): Says {
  return m > WET_FROM_M ? 'wet' : m > DRY_TO_M + 0.03 ? 'damp' : 'dry';
}

type Check = Extract<PlantEvent, { type: 'check' }>;
type Scale = { drainedG: number; rangeG: number } | null;

/** What a look at depth says of the water; null where it says nothing, as a weight without its scale. */
function saidBy(event: Check, scale: Scale): Says | null {
  if ('finger' in event) return event.finger;
  if ('lift' in event) return event.lift === 'heavy' ? 'wet' : event.lift === 'middling' ? 'damp' : 'dry';
  if ('meter' in event) return saysOf((event.meter - 1) / 9);
  return 'weight_g' in event && scale ? saysOf(weighedM(event.weight_g, scale)) : null;
}

function weighedM(weightG: number, { drainedG, rangeG }: NonNullable<Scale>): number {
  return Math.min(1, Math.max(0, 1 - (drainedG - weightG) / rangeG));
}

function reasonOf(event: Check, scale: Scale): Why {
  const seen = { source: 'seen', on: event.date } as const;
  if ('finger' in event) return { code: FELT[event.finger], ...seen };
  if ('lift' in event) return { code: 'lifted', of: event.lift, ...seen };
  if ('meter' in event) return { code: 'probed', n: { reading: event.meter }, ...seen };
  const m = 'weight_g' in event && scale ? weighedM(event.weight_g, scale) : 0;
  return { code: 'weighed', n: { share: Math.round(m * 100) / 100 }, ...seen };
}

const FELT = { wet: 'felt-wet', damp: 'felt-damp', dry: 'felt-dry' } as const;

function readSign(seen: Seen, event: Extract<PlantEvent, { type: 'sign' }>, day: DayNumber): void {
  const { sign } = event;
  const sighting: SeenSign = {
    day,
    sign,
    strength: event.strength,
    where: event.where ?? null,
    when: event.when ?? null,
  };
  if (sign === 'firm-base') {
    seen.firmBase = day;
    seen.softish = null;
  }
  if (sign === 'roots-firm') seen.firmRoots = day;
  if (seen.suspect && SOUND.has(sign)) seen.suspect = null;
  if (sign === 'water-stands') seen.standing = day;
  if (sign === 'leaves-dying-back' && event.where === 'oldest') seen.paper = day;
  if (FADING.has(sign)) seen.fading = sighting;
  if (sign === 'new-growth' || sign === 'light-new-leaf') seen.grewOn = day;
  if (seen.rot && SIGN_TABLE[seen.rot.sign].clearedBy?.includes(sign)) seen.rot = null;
  if (seen.tooMuch && (SIGN_TABLE[seen.tooMuch.sign].clearedBy?.includes(sign) || sign === 'taut')) seen.tooMuch = null;
  if (sign === 'taut') {
    seen.taut = day;
    seen.slack = null;
    seen.lastSlack = null;
    seen.softish = null;
  }
  if (sign === 'soft-base' && event.strength < SOFT_FROM) seen.softish = sighting;
  else if (ROT.has(sign)) seen.rot = sighting;
  else if (signsThat('slack').has(sign)) {
    seen.slack = sighting;
    seen.lastSlack = sighting;
    seen.taut = null;
  } else if (TOO_MUCH.has(sign)) seen.tooMuch = sighting;
  else if (WAKING.has(sign)) seen.woken = sighting;
  else if (sign === 'stretched') seen.stretched = sighting;
}
