/** Lines of the book in words: what was done, seen or measured. */
import { causeWords } from '@zinc-pail/words/causes';
import { OUTCOME_WORDS, STEP_WORDS } from '@zinc-pail/words/clinic';
import type { JournalEvent } from '@zinc-pail/contract/api';
import { signWords } from '@zinc-pail/words/signs';
import { SKIP_WORDS } from '@zinc-pail/words/skips';
import { countWords, doseWords } from '@zinc-pail/words/units';
import { WAY_WORDS } from '@zinc-pail/words/ways';
import { litres } from './amounts.ts';
import { fullDay } from './days.ts';
import { smallLength } from './units.ts';

export function eventWords(event: JournalEvent): string {
  switch (event.type) {
    case 'watering':
      return [
        WAY_WORDS[('way' in event && event.way) || event.method].done,
        ...(event.amount_ml ? [litres(event.amount_ml)] : []),
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
      return `Taken to be: ${causeWords(event.cause).name.toLowerCase()}${event.hold_until ? `, no water until ${fullDay(event.hold_until)}` : ''}`;
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
      return `Measured: ${measureWords(event)}`;
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

function measureWords(event: Extract<JournalEvent, { type: 'measure' }>): string {
  return [
    event.diameter_mm !== undefined && `${smallLength(event.diameter_mm)} wide`,
    event.height_mm !== undefined && `${smallLength(event.height_mm)} tall`,
    event.caudex_mm !== undefined && `caudex ${smallLength(event.caudex_mm)}`,
    event.internode_low_mm !== undefined && `${smallLength(event.internode_low_mm)} between leaves at the bottom`,
    event.internode_tip_mm !== undefined && `${smallLength(event.internode_tip_mm)} between leaves at the tip`,
    event.heads !== undefined && countWords(event.heads, 'head'),
    event.weight_g !== undefined && `${event.weight_g} g`,
  ]
    .filter(Boolean)
    .join(', ');
}
