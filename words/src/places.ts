import type { PlaceKind } from '@zinc-pail/core';

/** Points of the compass, each 45° on from north. */
export const COMPASS: readonly { label: string; deg: number }[] = [
  'north',
  'north-east',
  'east',
  'south-east',
  'south',
  'south-west',
  'west',
  'north-west',
].map((label, i) => ({ label, deg: 45 * i }));

/** The point of the compass nearest to a bearing. */
export const compassWord = (deg: number): string => COMPASS[Math.round(deg / 45) % COMPASS.length]!.label;

/** Kinds of places as a keeper says them. */
export const KIND_WORDS: Record<PlaceKind, string> = {
  open: 'outdoors, open sky',
  covered: 'outdoors, under cover',
  'cold-glass': 'cold glass',
  'heated-glass': 'heated glass',
  windowsill: 'window sill',
  room: 'in the room',
  'lamp-shelf': 'under a lamp',
};
