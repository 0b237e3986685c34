/** What hands and housemates must know of a kind: one wording each, short for a line, long where hands go in. No medical advice. */
import type { Caution } from '@zinc-pail/core';

interface CautionWords {
  short: string;
  long: string;
}

export const CAUTION_WORDS: Readonly<Record<Caution, CautionWords>> = {
  spines: {
    short: 'Spines: gloves or tongs.',
    long: 'Spines: thick gloves, tongs or a folded towel; mind your eyes.',
  },
  glochids: {
    short: 'Barbed hairs: tongs and thick gloves.',
    long: 'Barbed hairs that look soft and are not: tongs and thick gloves; tape lifts them off skin.',
  },
  'milky-sap': {
    short: 'Milky sap burns: gloves and eye cover.',
    long: 'Milky sap burns skin and eyes: gloves, eye cover, wash it off. Sap in the eye: rinse for long and get medical help.',
  },
  'irritant-sap': {
    short: 'Its sap irritates: gloves, wash your hands.',
    long: 'Its sap irritates skin: gloves for cutting and unpotting, and wash your hands.',
  },
  'poisonous-sap': {
    short: 'Poisonous sap: gloves, wash your hands.',
    long: 'Poisonous sap: gloves, never near mouth or wounds; wash hands and blade.',
  },
  'poisonous-eaten': {
    short: 'Poisonous if eaten.',
    long: 'Poisonous if eaten: keep it from children and pets. If swallowed, call a poison line or a vet.',
  },
  powdery: {
    short: 'Powdery: do not touch or splash it.',
    long: 'Powder on its leaves: do not touch, splash, spray or oil it; marks stay.',
  },
  'dry-heart': {
    short: 'No water into its heart.',
    long: 'Keep water out of its heart: water the mix, or stand it in water.',
  },
};
