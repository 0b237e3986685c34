/** What a place does to its plants, in sentences; names are the caller's. */
import type { Hazard, PlaceAdvice } from '@zinc-pail/core';
import { countWords } from './units.ts';

export const HAZARD_WORDS: Record<Hazard, string> = {
  draught: 'cold draughts',
  'air-conditioning': 'air conditioning',
  'cold-pane': 'leaves against a cold pane',
  splashes: 'splashes of household products',
};

const HAZARD_HARMS: Record<Hazard, string> = {
  draught: 'A cold draught hurts',
  'air-conditioning': 'The air conditioning hurts',
  'cold-pane': 'Against the cold pane suffers',
  splashes: 'A splash marks',
};

/**
 * @param names of the plants concerned, as a list in words
 * @param place name of another place, where one is meant
 */
export function placeAdviceWords(advice: PlaceAdvice, names: string, place: string | null): string {
  const likes = advice.plants.length === 1 ? 'likes' : 'like';
  const plants = countWords(advice.plants.length, 'plant');
  switch (advice.code) {
    case 'air-dry':
      return (
        `Air of ${advice.rhPct} % is too dry for ${plants} that ${likes} ${advice.band.fromPct} to ${advice.band.toPct} %: a ` +
        `humidifier, a tray of wet pebbles or a cover helps; wetting the leaves does not. ${names}.`
      );
    case 'air-wet':
      return `Air of ${advice.rhPct} % in the cool is too wet for ${plants} that ${likes} up to ${advice.band.toPct} %: give them air and space. ${names}.`;
    case 'morning-sun':
      return place === null
        ? `Hot, with ${Math.round(advice.afternoonH)} hours of afternoon sun: give ${plants} that scorch some shade after noon. ${names}.`
        : `Hot, with ${Math.round(advice.afternoonH)} hours of afternoon sun: ${plants} that scorch would do better at ` +
            `${place}, where the sun leaves at noon. ${names}.`;
    case 'hazard':
      return `${HAZARD_HARMS[advice.hazard]} ${plants} here: ${names}.`;
  }
}
