/** The ways water comes to a pot, in a keeper's words: one row each. */
import type { MethodId, Way } from '@zinc-pail/core';

interface WayWords {
  /** advised: "Drench, 250 ml" */
  advised(amount: string): string;
  /** done: "Watered until it ran" */
  done: string;
  /** said after a mark: "watered until it ran" */
  said(amount: string): string;
  /** in a rule or a choice */
  rule: string;
  /** "Its next drink is …" */
  next: string;
}

export const WAY_WORDS: Readonly<Record<Way, WayWords>> = {
  drench: {
    advised: (amount) => `Drench, ${amount}`,
    done: 'Watered until it ran',
    said: () => 'watered until it ran',
    rule: 'drench',
    next: 'a drench from above',
  },
  base: {
    advised: (amount) => `Drench at the base, ${amount}`,
    done: 'Watered at the base',
    said: () => 'watered until it ran',
    rule: 'drench at the base',
    next: 'a drench at the base, onto the mix only',
  },
  bottom: {
    advised: (amount) => `Stand in water, ${amount}`,
    done: 'Stood in water',
    said: () => 'stood in water',
    rule: 'stand in water',
    next: 'standing in water',
  },
  measured: {
    advised: (amount) => `Measure out ${amount}`,
    done: 'Watered by measure',
    said: (amount) => `watered, ${amount}`,
    rule: 'small measure',
    next: 'a measure',
  },
  mist: { advised: () => 'Mist', done: 'Misted', said: () => 'misted', rule: 'mist', next: 'a mist' },
};

/** As the book has it, where no way was told beside the method. */
export const methodWords = (method: MethodId): WayWords => WAY_WORDS[method];
