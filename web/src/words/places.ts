import type { PlaceKind } from '@zinc-pail/core';

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
