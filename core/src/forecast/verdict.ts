/** What to do with a pot today, and why, in one line a keeper would say. */
import { type DayNumber, dayNumber } from '../calendar/day.ts';
import type { Change } from '../learn/change.ts';
import { DRY_TO_M } from '../learn/likelihood.ts';
import { bandWord, capital, count, dayWords, isoWords, monthWords, waterWords } from './words.ts';
import { dueMoisture } from './plantModel.ts';
import type { Outlook } from './forecast.ts';

export const VERDICT_KINDS = ['water', 'check', 'soon', 'leave'] as const;
export type VerdictKind = (typeof VERDICT_KINDS)[number];

export interface Verdict {
  kind: VerdictKind;
  /** the deed, a few words */
  head: string;
  /** the reason, a sentence or two */
  reason: string;
}

/** A band wider than this says little about the pot. */
const WIDE_M = 0.28;
/** Nobody looks twice within a few days. */
const FRESH_LOOK_DAYS = 4;
const SOON_DAYS = 3;

export function verdict(outlook: Outlook, today: DayNumber): Verdict {
  const { window, hold } = outlook.advice;
  const { change } = outlook;
  if (change && outlook.state !== 'resting') return { kind: 'check', head: 'Look at it', reason: changeReason(change) };
  if (!window) return held(outlook, today);
  if (hold) return { kind: 'leave', head: 'Leave it', reason: hold.why };
  if (window.ideal <= today) {
    if (wantsALook(outlook, today)) return { kind: 'check', head: 'Feel first', reason: lookReason(outlook, today) };
    return { kind: 'water', head: waterWords(window.method, window.amountMl), reason: dueReason(outlook, today) };
  }
  const sure = spreadWords(outlook, today);
  if (window.ideal - today <= SOON_DAYS) return { kind: 'soon', head: capital(dayWords(window.ideal, today)), reason: `${sure}${nowWords(outlook)}`.trim() };
  return { kind: 'leave', head: `Leave until ${dayWords(window.ideal, today)}`, reason: `${sure}${nowWords(outlook)}`.trim() };
}

function changeReason(change: Change): string {
  if (change.kind === 'contradictory') return 'What was found contradicts itself: feel it once more, at depth.';
  return change.kind === 'slower' ? 'It dries much slower than it did: blocked hole, lost roots?' : 'It dries much faster than it did: roots fill the pot, or water runs past?';
}

function held(outlook: Outlook, today: DayNumber): Verdict {
  const { hold } = outlook.advice;
  if (!hold) return { kind: 'leave', head: 'Leave it', reason: 'No water is due in sight.' };
  if (hold.kind === 'cold') return { kind: 'leave', head: 'Leave it dry', reason: hold.why };
  if (outlook.state !== 'resting') return { kind: 'leave', head: 'Leave it', reason: `Still ${outlook.moisture.p50 > DRY_TO_M ? 'holding water' : 'dry'}, and it goes to rest before its next drink is due.` };
  const far = hold.until - today > 390;
  return { kind: 'leave', head: 'Asleep. Leave it', reason: far ? 'No waking is in sight.' : `Wakes about ${monthWords(hold.until)}.` };
}

function wantsALook(outlook: Outlook, today: DayNumber): boolean {
  const { moisture, plant } = outlook;
  const wide = moisture.p90 - moisture.p10 > WIDE_M && moisture.p90 > dueMoisture(outlook.model.traits) + 0.1;
  const last = plant.events.findLast((event) => event.type === 'check');
  return wide && (!last || today - dayNumber(last.date) > FRESH_LOOK_DAYS);
}

function lookReason(outlook: Outlook, today: DayNumber): string {
  const last = outlook.plant.events.findLast((event) => event.type === 'check');
  const looked = last ? `not looked at for ${count(today - dayNumber(last.date), 'day')}` : 'never looked at';
  return `Reckoned nearly dry, but ${looked}: it may be anywhere from ${bandWord(outlook.moisture.p10)} to ${bandWord(outlook.moisture.p90)}.`;
}

function dueReason(outlook: Outlook, today: DayNumber): string {
  const { dryRule, holdDays } = outlook.model.traits;
  const dry = outlook.dryOn.p50;
  if (outlook.model.traits.dueM !== null) return 'As dry as you want it.';
  if (dryRule === 'keep-damp') return 'It should not dry out, and it begins to.';
  if (dryRule === 'dry-top') return 'The top third is dry.';
  if (dry === null || dry > today) return 'Dry about now.';
  const since = dry === today ? 'Dry today' : `Dry since ${dayWords(dry, today)}`;
  return dryRule === 'dry-and-hold' ? `${since}, and held ${count(holdDays, 'day')} more.` : `${since}${giveOrTake(outlook)}.`;
}

function spreadWords(outlook: Outlook, today: DayNumber): string {
  const { p50 } = outlook.dryOn;
  const { dryRule } = outlook.model.traits;
  if (p50 === null) return 'Wet for a long time yet. ';
  if (dryRule === 'keep-damp' || dryRule === 'dry-top') return `Dry through by ${isoWords(p50)}${giveOrTake(outlook)}. `;
  if (p50 <= today) return `Dry ${p50 === today ? 'today' : `since ${dayWords(p50, today)}`}${giveOrTake(outlook)}. `;
  return `Dry by ${isoWords(p50)}${giveOrTake(outlook)}. `;
}

function giveOrTake(outlook: Outlook): string {
  const { p10, p90 } = outlook.dryOn;
  if (p10 === null || p90 === null) return '';
  const half = Math.round((p90 - p10) / 2);
  return half <= 0 ? '' : `, give or take ${count(half, 'day')}`;
}

function nowWords(outlook: Outlook): string {
  if (outlook.moisture.p50 <= DRY_TO_M) return '';
  return `Now ${bandWord(outlook.moisture.p50)}.`;
}
