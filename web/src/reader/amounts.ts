/** Figures in this keeper's units: the words workspace does the wording, the choice is this device's. */
import { amountWords, countWords, cupWords, degreeWords, doseWords, lengthWords } from '@zinc-pail/words/units';
import { units } from './units.ts';

/** A volume as this keeper reads it: ml and litres, or cups. */
export const litres = (ml: number): string => amountWords(ml, units());
/** A temperature with a true minus sign. */
export const degrees = (celsius: number): string => degreeWords(celsius, units());
/** "18–23°", with true minus signs where there are any: "−5 to 4°". */
export function degreeRange(lowC: number, highC: number): string {
  const [low, high] = [degrees(lowC).replace('°', ''), degrees(highC)];
  if (`${low}°` === high) return high;
  return low.startsWith('−') || high.startsWith('−') ? `${low} to ${high}` : `${low}–${high}`;
}
/** A length as this keeper reads it. */
export const centimetres = (mm: number): string => lengthWords(mm, units());
export const count = countWords;
export const shareWords = doseWords;
export const cups = cupWords;
