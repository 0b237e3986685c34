import type { Air, Place, PlaceKind } from '../garden.ts';

/** What each kind of place is like, where the keeper says nothing else. */
export interface PlaceDefaults {
  /** in the open air */
  outdoors: boolean;
  /** rain and sun come straight down */
  openSky: boolean;
  /** under a dwelling's roof: no open air to dry a wet leaf, and a room's warmth */
  indoors: boolean;
  /** a glass house, vented by hand or by warmth */
  glass: boolean;
  /** has a warmth of its own that the keeper may tell */
  tempered: boolean;
  /** no window that counts: the sun never shines in */
  dark: boolean;
  /** what its keeper's heating holds against frost unless told otherwise, °C */
  floorC: number | null;
  /** share of the hours of direct sun that come through unbroken */
  sunShare: number;
  /**
   * how far an hour of its sun makes skins fit for an hour of the open sky: panes keep back the UV-B that wax and
   * pigment answer to, and the night sky's cold; a roof of glass lets more of the hours be whole
   */
  hardens: number;
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
    outdoors: true,
    openSky: true,
    indoors: false,
    glass: false,
    tempered: false,
    dark: false,
    floorC: null,
    sunShare: 1,
    hardens: 1,
    lightFraction: 0.9,
    rainShare: 1,
    skyShare: 0.9,
    aspectWeight: 0.25,
  },
  covered: {
    outdoors: true,
    openSky: false,
    indoors: false,
    glass: false,
    tempered: false,
    dark: false,
    floorC: null,
    sunShare: 0.5,
    hardens: 1,
    lightFraction: 0.5,
    rainShare: 0,
    skyShare: 0.4,
    aspectWeight: 0.6,
  },
  'cold-glass': {
    outdoors: false,
    openSky: false,
    indoors: false,
    glass: true,
    tempered: true,
    dark: false,
    floorC: null,
    sunShare: 1,
    hardens: 0.15,
    lightFraction: 0.55,
    rainShare: 0,
    skyShare: 0.2,
    aspectWeight: 0.4,
  },
  'heated-glass': {
    outdoors: false,
    openSky: false,
    indoors: false,
    glass: true,
    tempered: true,
    dark: false,
    floorC: 6,
    sunShare: 1,
    hardens: 0.15,
    lightFraction: 0.55,
    rainShare: 0,
    skyShare: 0.2,
    aspectWeight: 0.4,
  },
  windowsill: {
    outdoors: false,
    openSky: false,
    indoors: true,
    glass: false,
    tempered: true,
    dark: false,
    floorC: null,
    sunShare: 1,
    hardens: 0,
    lightFraction: 0.3,
    rainShare: 0,
    skyShare: 0.1,
    aspectWeight: 1,
  },
  room: {
    outdoors: false,
    openSky: false,
    indoors: true,
    glass: false,
    tempered: true,
    dark: true,
    floorC: null,
    sunShare: 1,
    hardens: 0,
    lightFraction: 0.05,
    rainShare: 0,
    skyShare: 0,
    aspectWeight: 0.5,
  },
  'lamp-shelf': {
    outdoors: false,
    openSky: false,
    indoors: true,
    glass: false,
    tempered: false,
    dark: true,
    floorC: null,
    sunShare: 1,
    hardens: 0,
    lightFraction: 0.02,
    rainShare: 0,
    skyShare: 0,
    aspectWeight: 0,
  },
};

export function placeDefaults(kind: PlaceKind): PlaceDefaults {
  return KINDS[kind];
}

/** Glass is aired from this warmth on unless told otherwise, °C. */
export const DEFAULT_VENT_C = 24;

export function floorC(place: Place): number | null {
  return place.floor_c ?? placeDefaults(place.kind).floorC;
}

/** How air mostly moves at a place of a kind, until somebody describes it. */
export function usualAir(kind: PlaceKind): Air {
  return placeDefaults(kind).outdoors ? 'breezy' : 'still';
}

/** Air past the pots under a roof or indoors, m/s. */
const STILL_AIR_M_S: Record<Air, number> = { still: 0.05, gentle: 0.25, breezy: 0.7 };
/** Share of the wind at 2 m that reaches pots outdoors. */
const WIND_SHARE: Record<Air, number> = { still: 0.15, gentle: 0.35, breezy: 0.7 };

export function airSpeedMS(place: Place, windMS: number): number {
  return placeDefaults(place.kind).outdoors ? WIND_SHARE[place.air] * windMS : STILL_AIR_M_S[place.air];
}
