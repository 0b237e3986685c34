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

/** The same as a newcomer is asked: a name, and what it means. */
export const KIND_CHOICES: Record<PlaceKind, { label: string; sense: string }> = {
  windowsill: { label: 'A windowsill', sense: 'indoors, right at the glass' },
  room: { label: 'In the room', sense: 'indoors, off the window' },
  covered: { label: 'A balcony', sense: 'outdoors, rain kept off' },
  open: { label: 'In the open', sense: 'outdoors, sky above' },
  'cold-glass': { label: 'A cold glasshouse', sense: 'no heating' },
  'heated-glass': { label: 'A heated glasshouse', sense: 'kept from frost' },
  'lamp-shelf': { label: 'Under a lamp', sense: 'a shelf with light of its own' },
};

/** What a list calls them. The first that fits counts; a room is what nothing else fits. */
export const KIND_BY_WORD: Record<PlaceKind, RegExp> = {
  windowsill: /sill|window|fenster|bay/i,
  covered: /balcon|porch|veranda|loggia|patio cover/i,
  'cold-glass': /cold frame|lean-?to|cold ?house|frame|conservat/i,
  'heated-glass': /greenhouse|glasshouse|hot ?house|gewächshaus/i,
  open: /garden|outside|outdoor|terrace|roof|yard|rockery|deck|bed$/i,
  'lamp-shelf': /lamp|light|grow|led|tent|rack/i,
  room: /room|indoor|table|shelf/i,
};
