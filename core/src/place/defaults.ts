import type { Air, Place, PlaceKind } from '../garden.ts';

/** What each kind of place is like, where the keeper says nothing else. */
export interface PlaceDefaults {
  /** as a keeper says it */
  name: string;
  outdoors: boolean;
  glass: boolean;
  /** light at the plants over outdoor light on level ground */
  lightFraction: number;
  /** share of the rain that falls on the pots */
  rainShare: number;
  /** share of the longwave loss to the open sky that the pots feel */
  skyShare: number;
  /** how fully the wall's aspect shapes the light: a window wholly, a glass roof half, the open not at all */
  aspectWeight: number;
}

const KINDS: Record<PlaceKind, PlaceDefaults> = {
  open: {
    name: 'open to the sky',
    outdoors: true,
    glass: false,
    lightFraction: 0.9,
    rainShare: 1,
    skyShare: 0.9,
    aspectWeight: 0.25,
  },
  covered: {
    name: 'outdoors under cover',
    outdoors: true,
    glass: false,
    lightFraction: 0.5,
    rainShare: 0,
    skyShare: 0.4,
    aspectWeight: 0.6,
  },
  'cold-glass': {
    name: 'cold glass',
    outdoors: false,
    glass: true,
    lightFraction: 0.55,
    rainShare: 0,
    skyShare: 0.2,
    aspectWeight: 0.4,
  },
  'heated-glass': {
    name: 'heated glass',
    outdoors: false,
    glass: true,
    lightFraction: 0.55,
    rainShare: 0,
    skyShare: 0.2,
    aspectWeight: 0.4,
  },
  windowsill: {
    name: 'windowsill',
    outdoors: false,
    glass: false,
    lightFraction: 0.3,
    rainShare: 0,
    skyShare: 0.1,
    aspectWeight: 1,
  },
  room: {
    name: 'room',
    outdoors: false,
    glass: false,
    lightFraction: 0.05,
    rainShare: 0,
    skyShare: 0,
    aspectWeight: 0.5,
  },
  'lamp-shelf': {
    name: 'lamp shelf',
    outdoors: false,
    glass: false,
    lightFraction: 0.02,
    rainShare: 0,
    skyShare: 0,
    aspectWeight: 0,
  },
};

/** Under a dwelling's roof: no open air to dry a wet leaf, and a room's warmth. */
export function isIndoors(kind: PlaceKind): boolean {
  return kind === 'room' || kind === 'windowsill' || kind === 'lamp-shelf';
}

export function placeDefaults(kind: PlaceKind): PlaceDefaults {
  return KINDS[kind];
}

/** Glass is aired from this warmth on unless told otherwise, °C. */
export const DEFAULT_VENT_C = 24;
/** Heated glass is kept frost-free. */
const HEATED_GLASS_FLOOR_C = 6;

export function floorC(place: Place): number | null {
  return place.floor_c ?? (place.kind === 'heated-glass' ? HEATED_GLASS_FLOOR_C : null);
}

/** Air past the pots under a roof or indoors, m/s. */
const STILL_AIR_M_S: Record<Air, number> = { still: 0.05, gentle: 0.25, breezy: 0.7 };
/** Share of the wind at 2 m that reaches pots outdoors. */
const WIND_SHARE: Record<Air, number> = { still: 0.15, gentle: 0.35, breezy: 0.7 };

export function airSpeedMS(place: Place, windMS: number): number {
  return placeDefaults(place.kind).outdoors ? WIND_SHARE[place.air] * windMS : STILL_AIR_M_S[place.air];
}
