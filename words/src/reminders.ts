/** What a note asks for afterwards, in words. */
import type { ReminderCode } from '@zinc-pail/core';
import { countWords } from './units.ts';

/** @param minutes how long it may stand in water, where that was told */
export function reminderWords(code: ReminderCode, minutes: number | null): string {
  switch (code) {
    case 'saucer':
      return 'Empty the saucer.';
    case 'outer-pot':
      return 'Empty the outer pot.';
    case 'lift':
      return minutes === null
        ? 'Lift it out of the water and let it drain.'
        : `Lift it out of the water after ${countWords(minutes, 'minute')} at most, and let it drain.`;
    case 'lift-now':
      return 'Lift it out of the water now: this kind should not be soaked. Let it drain.';
    case 'fan':
      return 'Turn the fan on until the leaves are dry.';
    case 'blot-heart':
      return 'Tip or blot the water out of its heart, and turn the fan on until it is dry.';
    case 'firm':
      return 'Has it firmed up? If not, and the mix is wet, check the roots.';
  }
}
