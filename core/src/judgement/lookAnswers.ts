/**
 * What each answer to a look writes into the book: a look that is asked has no answer but these, so that every one can
 * be given, and what a line promises of it can be held to what follows.
 */
import type { PlantEvent, Sign, SignPlace } from '../garden.ts';
import type { LookAt } from './deeds.ts';

type Written = (date: string) => PlantEvent[];

const sign =
  (name: Sign, strength = 2, where: SignPlace | null = null): Written =>
  (date) => [{ type: 'sign', date, sign: name, strength, ...(where ? { where } : {}) }];
const check =
  (reading: { finger: 'wet' | 'damp' | 'dry' } | { lift: 'heavy' | 'middling' | 'light' }): Written =>
  (date) => [{ type: 'check', date, ...reading }];

export const LOOK_ANSWERS = {
  depth: { wet: check({ finger: 'wet' }), damp: check({ finger: 'damp' }), dry: check({ finger: 'dry' }) },
  weight: { heavy: check({ lift: 'heavy' }), middling: check({ lift: 'middling' }), light: check({ lift: 'light' }) },
  base: {
    firm: sign('firm-base', 2, 'base'),
    'a little soft': sign('soft-base', 1, 'base'),
    soft: sign('soft-base', 2, 'base'),
  },
  roots: {
    firm: sign('roots-firm', 2, 'roots'),
    mush: sign('roots-mush', 2, 'roots'),
    brittle: sign('roots-brittle', 2, 'roots'),
    woolly: sign('root-fluff', 2, 'roots'),
    circling: (date: string): PlantEvent[] => [...sign('roots-firm', 2, 'roots')(date), ...sign('roots-out')(date)],
  },
  // Guests are told by what they are, with the note; a clean look is nothing to write.
  underside: {},
  growth: {
    firm: sign('taut'),
    taut: sign('taut'),
    wrinkled: sign('wrinkled'),
    limp: sign('limp'),
    glassy: sign('translucent', 2, 'newest'),
    'old leaves plump': sign('taut', 2, 'oldest'),
    'old leaves paper': sign('leaves-dying-back', 2, 'oldest'),
  },
} as const satisfies Record<LookAt, Readonly<Record<string, Written>>>;

/** The answers that a look leads on from, in the order of the table; those that cannot be written are left out. */
export function answersTo(what: LookAt, then: Readonly<Record<string, unknown>>): { answer: string; write: Written }[] {
  const all = Object.entries<Written>(LOOK_ANSWERS[what]);
  return all.flatMap(([answer, write]) => (answer in then ? [{ answer, write }] : []));
}
