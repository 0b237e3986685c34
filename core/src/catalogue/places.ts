/** The kinds of place: one row with all that is asked of one where its keeper says nothing else. */
/** How air moves past its pots. */
export const AIRS = ['still', 'gentle', 'breezy'] as const;
export type Air = (typeof AIRS)[number];

/** What each kind of place is like, where the keeper says nothing else. */
export interface PlaceRow {
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
  /** it matters which way it faces, and its keeper is asked */
  facing: boolean;
  /** how air mostly moves there, until somebody describes it */
  air: Air;
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

const ROWS = {
  open: {
    outdoors: true,
    openSky: true,
    indoors: false,
    glass: false,
    tempered: false,
    facing: false,
    air: 'breezy',
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
    facing: true,
    air: 'breezy',
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
    facing: true,
    air: 'still',
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
    facing: true,
    air: 'still',
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
    facing: true,
    air: 'still',
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
    facing: false,
    air: 'still',
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
    facing: false,
    air: 'still',
    dark: true,
    floorC: null,
    sunShare: 1,
    hardens: 0,
    lightFraction: 0.02,
    rainShare: 0,
    skyShare: 0,
    aspectWeight: 0,
  },
} satisfies Record<string, PlaceRow>;

export type PlaceKind = keyof typeof ROWS;
export const PLACE_KINDS = Object.keys(ROWS) as PlaceKind[];
export const PLACE_TABLE: Readonly<Record<PlaceKind, PlaceRow>> = ROWS;
