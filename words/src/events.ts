/** Lines of the book in words: what was done, seen or measured. */
import { causeWords } from './causes.ts';
import { OUTCOME_WORDS, STEP_WORDS } from './clinic.ts';
import type { JournalEvent } from '@zinc-pail/contract/api';
import { signWords } from './signs.ts';
import { SKIP_WORDS } from './skips.ts';
import { fullDateWords } from './days.ts';
import { amountWords, countWords, doseWords, smallLengthWords, type Units } from './units.ts';
import { WAY_WORDS } from './ways.ts';

export function eventWords(event: JournalEvent, units: Units): string {
  switch (event.type) {
    case 'watering':
      return [
        WAY_WORDS[('way' in event && event.way) || event.method].done,
        ...(event.amount_ml ? [amountWords(event.amount_ml, units)] : []),
        ...(event.water ? [`${event.water} water`] : []),
      ].join(', ');
    case 'check':
      if ('finger' in event) return `Felt ${event.finger}`;
      if ('meter' in event) return `Probe at ${event.meter}`;
      if ('weight_g' in event) return `Weighed ${event.weight_g} g`;
      if ('lift' in event) return `In the hand: ${event.lift}`;
      return `Surface ${event.surface}`;
    case 'weights':
      return `Full weight ${event.drained_g} g${event.dry_g ? `, dry ${event.dry_g} g` : ''}`;
    case 'sign':
      return `Seen: ${signWords(event.sign)}${event.strength > 1 ? `, ${event.strength === 3 ? 'strongly' : 'clearly'}` : ''}`;
    case 'repotting':
      return `Repotted${event.roots_cut ? ', roots cut' : ''}`;
    case 'move':
      return 'Moved';
    case 'feeding':
      return `Fed${event.dose ? `, ${doseWords(event.dose)}` : ''}${'with' in event && event.with ? ', with that drink' : ''}`;
    case 'state':
      return event.state === 'unsure' ? 'Not sure of its season' : `Seen to be ${event.state}`;
    case 'changed':
      return `Dries ${event.pace} since then`;
    case 'verdict':
      return `Taken to be: ${causeWords(event.cause).name.toLowerCase()}${event.hold_until ? `, no water until ${fullDateWords(event.hold_until, units)}` : ''}`;
    case 'case-step':
      return `${STEP_WORDS[event.step].head}${event.found ? `: ${event.found}` : ''}`;
    case 'case-closed':
      return `Case closed, ${causeWords(event.cause).name.toLowerCase()}: ${OUTCOME_WORDS[event.outcome].toLowerCase()}`;
    case 'note':
      return event.text;
    case 'refused':
      return `Skipped: ${SKIP_WORDS[event.reason]}`;
    case 'skip':
      return `Skipped: ${SKIP_WORDS[event.reason]}${event.text ? `. ${event.text}` : ''}`;
    case 'measure':
      return `Measured: ${measureWords(event, units)}`;
    case 'flowering':
      return `Flower: ${event.stage}${event.flowers ? `, ${event.flowers}` : ''}${event.text ? `. ${event.text}` : ''}`;
    case 'drain':
      return `Drained in ${event.seconds} s`;
    case 'sun':
      return `${countWords(event.minutes, 'minute')} of direct sun${event.scorched ? ', scorched' : ''}`;
    case 'review':
      return `Checked again: ${event.answer}`;
    case 'sheltered':
      return SHELTER_WORDS[event.how];
    case 'pot-fits':
      return 'Looked at for a new pot: it fits';
    case 'firmed':
      return event.yes ? 'Firmed up' : 'Did not firm up';
    case 'arrival':
      return (
        `Looked over on arrival: ${event.pests ? 'pests found' : 'no pests'}, roots ` +
        `${event.roots.replace('-', ' ')}${event.hole ? '' : ', no hole'}${event.text ? `. ${event.text}` : ''}`
      );
    case 'picture':
      return 'Picture taken';
    case 'ended':
      return event.how === 'died'
        ? `Died${event.cause ? `: ${event.cause}` : ''}`
        : `Given away${event.cause ? `: ${event.cause}` : ''}`;
  }
}

const SHELTER_WORDS = {
  in: 'Brought in for the night',
  covered: 'Covered for the night',
  left: 'Left out for the night, knowingly',
} as const;

function measureWords(event: Extract<JournalEvent, { type: 'measure' }>, units: Units): string {
  return [
    event.diameter_mm !== undefined && `${smallLengthWords(event.diameter_mm, units)} wide`,
    event.height_mm !== undefined && `${smallLengthWords(event.height_mm, units)} tall`,
    event.caudex_mm !== undefined && `caudex ${smallLengthWords(event.caudex_mm, units)}`,
    event.internode_low_mm !== undefined &&
      `${smallLengthWords(event.internode_low_mm, units)} between leaves at the bottom`,
    event.internode_tip_mm !== undefined &&
      `${smallLengthWords(event.internode_tip_mm, units)} between leaves at the tip`,
    event.heads !== undefined && countWords(event.heads, 'head'),
    event.weight_g !== undefined && `${event.weight_g} g`,
  ]
    .filter(Boolean)
    .join(', ');
}
