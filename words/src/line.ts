/**
 * A line of the round: the deed and as many of its reasons as a glance takes in, verb first. Everything else stands
 * under it when it is asked for, and on the plant's page.
 */
import type { AlsoToday } from './round.ts';
import { spanWords } from './round.ts';
import { needWords } from './potting.ts';
import type { Cause, DeedName, Judgement, LookAt, NeedReason, Reason, Step } from '@zinc-pail/core';
import { causeWords } from './causes.ts';
import { STEP_WORDS } from './clinic.ts';
import { dateWords, dayWords, onDay } from './days.ts';
import { deedWords } from './judgement.ts';
import { reasonWords, type Speaking } from './reasons.ts';
import { signWords } from './signs.ts';
import { aOr, degreeWords } from './units.ts';

export interface LineWords {
  /** what to do, without a full stop */
  head: string;
  /** why, one or two sentences; empty where none is short enough */
  reason: string;
}

/** So many words a line has at most, head and reason together. */
export const LINE_WORDS = 14;
/** So many reasons at most; a second only where both are short, so that a line is one row of a screen. */
const TOLD = 2;
const SHORT_CHARS = 58;

export const wordsIn = (text: string): number => text.split(/\s+/).filter(Boolean).length;

export function lineWords(judgement: Pick<Judgement, 'deeds' | 'because'>, speaking: Speaking): LineWords {
  const head = deedWords(judgement.deeds[0], speaking);
  const told: string[] = [];
  let left = LINE_WORDS - wordsIn(head);
  for (const reason of judgement.because) {
    if (told.length === TOLD) break;
    const fits = [briefly(reason, speaking), reasonWords(reason, speaking)].find(
      (words) => words !== null && wordsIn(words) <= left && !told.includes(words),
    );
    if (!fits) continue;
    if (told.length > 0 && [head, ...told, fits].join(' ').length > SHORT_CHARS) break;
    told.push(fits);
    left -= wordsIn(fits);
  }
  return { head, reason: told.join(' ') };
}

/** The same reason in a few words, where its sentence is long; null where there is no shorter one. */
function briefly({ code, n = {}, on, of = '' }: Reason, { units, today }: Speaking): string | null {
  const degrees = (celsius: number) => degreeWords(celsius, units);
  const day = on ? onDay(on, today, units) : '';
  switch (code) {
    case 'below-limit':
    case 'near-limit':
      return `${degrees(n.tonight!)} tonight, safe to ${degrees(n.limit!)}.`;
    case 'cold-for-weeks':
      return `Nights here stay below ${degrees(n.limit!)}.`;
    case 'frosted':
      return `It had ${degrees(n.low!)}${on ? ` before ${dateWords(on, today, units)}` : ''}.`;
    case 'frost-shown':
      return `Probably frost: ${signWords(of)}.`;
    case 'scorched':
    case 'too-hot':
      return `${degrees(n.high!)} in the sun.`;
    case 'changed-pace':
      if (of === 'contradictory') return 'Your checks disagree.';
      if (n.norm !== undefined)
        return of === 'slower'
          ? `Wet for ${aOr(n.days!, 'day')}, ${n.norm} are usual.`
          : `Dry in ${aOr(n.days!, 'day')}, ${n.norm} are usual.`;
      return of === 'slower' ? 'It dries slower than before.' : 'It dries faster than before.';
    case 'likeliest':
      return `Most likely ${causeWords(of).name.toLowerCase()}.`;
    case 'rot-unfelt':
      return `Rot is ${Math.round((n.chance ?? 0) * 100)} % likely.`;
    case 'slack-seen':
      return `You saw it ${signWords(of)} ${day}.`;
    case 'rot-seen':
    case 'too-much-seen':
    case 'suspect':
    case 'stretched-seen':
    case 'woken-seen':
      return `You saw ${signWords(of)} ${day}.`;
    case 'wet-and-cold':
    case 'roots-in-danger':
      return n.warmth === undefined
        ? 'Wet and cold for too long.'
        : `Wet for ${aOr(n.days!, 'day')} at ${degrees(n.warmth)}.`;
    case 'too-cold-to-drink':
      return 'Too cold for water.';
    case 'contradicts-book':
      return of === 'ran-past' || of === 'faster' ? 'It should still be wet.' : 'Its notes disagree.';
    case 'touch-due':
      return 'Not checked for a month.';
    case 'slept-too-long':
      return `Asleep for ${Math.round(n.days! / 30)} months.`;
    case 'salts':
      return 'Salts have built up.';
    case 'long-rain':
      return `Wet for ${aOr(n.days!, 'day')} of rain.`;
    case 'not-firmed':
      return 'Watered, and not firmed up.';
    case 'leaves-going':
      return 'Its leaves are dying back.';
    case 'dry-for-long':
      return `Dry for ${aOr(n.days!, 'day')}.`;
    case 'cut-roots':
      return on ? `Potted ${onDay(on, today, units)}.` : null;
    default:
      return null;
  }
}

/** What an answer leads to, on its button: never more than three words. */
export function leadWords(what: LookAt, deed: DeedName): string {
  if (deed === 'act') return what === 'roots' || what === 'base' ? 'rot: unpot' : 'unpot it';
  return LEADS[deed];
}

const LEADS: Record<Exclude<DeedName, 'act'>, string> = {
  move: 'move it',
  look: 'check again',
  water: 'water it',
  sip: 'small drink',
  wait: 'no water',
  sleep: 'keep dry',
  wake: 'wake it',
};

/** A step of a treatment: "Wash it: spider mite, due since Monday". */
export function stepLineWords(
  { step, cause, due }: { step: Step; cause: Cause; due: string },
  { units, today }: Speaking,
): LineWords {
  const late = due < today ? `, due since ${dayWords(due, today, units)}` : '';
  return { head: STEP_WORDS[step].head, reason: `For ${causeWords(cause).name.toLowerCase()}${late}.` };
}

/** Who is to be potted: "Repot it on Saturday. Roots are coming out of it." */
export function pottingLineWords(
  { on, reason }: { on: string; reason: NeedReason },
  { units, today }: Speaking,
): LineWords {
  const why = needWords(reason, units);
  return {
    head: on <= today ? 'Repot it today' : `Repot it ${onDay(on, today, units)}`,
    reason: `${why.charAt(0).toUpperCase()}${why.slice(1)}.`,
  };
}

/** A further task of today, verb first. */
export function alsoLineWords({ kind, day, minutes }: AlsoToday, { units, today }: Speaking): LineWords {
  const when = dateWords(day, today, units);
  switch (kind) {
    case 'sun':
      return { head: `Give it ${spanWords(minutes ?? 0)} of sun`, reason: 'Then back to shade.' };
    case 'review':
      return { head: 'Check its new growth', reason: `Moved on ${when}.` };
    case 'potted-look':
      return { head: 'Check how it stands', reason: `Potted on ${when}.` };
    case 'shade-ends':
      return { head: 'Bring it out of the shade, in steps', reason: `Potted on ${when}.` };
    case 'quarantine':
      return { head: 'Check it once more for pests', reason: 'Its quarantine ends.' };
    case 'arrival':
      return { head: 'Look it over', reason: 'New here: sleeve, hole, pests, roots?' };
    case 'sleeve':
      return { head: 'Take off its sleeve or foil', reason: 'It traps water.' };
    case 'hole':
      return { head: 'Give its pot a hole, or repot it', reason: 'Until then only small measures.' };
    case 'peat':
      return { head: 'Repot it out of its peat', reason: 'Let that dry a little first.' };
    case 'pests':
      return { head: 'Find out which pests it has', reason: 'They were found when it came.' };
  }
}
