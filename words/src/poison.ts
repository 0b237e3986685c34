/** Whom a plant harms, and how. */
import type { Harms, Poison, Whom } from '@zinc-pail/core';
import { capital } from './units.ts';

const WHOM_WORDS: Record<Whom, string> = { people: 'people', dogs: 'dogs', cats: 'cats', others: 'other animals' };

/** "If eaten: harms dogs and cats. Not known for people and other animals." and what its sap does; no medical advice. */
export function poisonWords({ eaten, skin, eyes }: Poison): string[] {
  const whom = (harms: Harms) => (Object.keys(WHOM_WORDS) as Whom[]).filter((one) => eaten[one] === harms);
  const said = (
    [
      ['harms', whom('yes')],
      ['no harm known to', whom('no')],
      ['not known for', whom('unknown')],
    ] as const
  )
    .filter(([, some]) => some.length > 0)
    .map(([words, some], i) => (i === 0 ? `${words} ${listed(some)}` : capital(`${words} ${listed(some)}`)));
  return [`If eaten: ${said.join('. ')}.`, `Its sap: ${sapWords(skin, 'skin')}, ${sapWords(eyes, 'eyes')}.`];
}

function sapWords(harms: Harms, where: 'skin' | 'eyes'): string {
  if (harms === 'yes') return where === 'skin' ? 'irritates skin' : 'harms eyes';
  return harms === 'no' ? `no harm known to ${where}` : `not known for ${where}`;
}

const listed = (some: readonly Whom[]) =>
  some
    .map((one) => WHOM_WORDS[one])
    .join(', ')
    .replace(/, ([^,]*)$/, ' and $1');
