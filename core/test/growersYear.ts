/**
 * A year of forty plants as a good grower would keep them: where each stands, what it does month by month, how often it
 * is watered, and what is never done to it. Written from general horticulture, for pots of ten centimetres in a gritty
 * mix; no row was set by what the engine says.
 *
 * States: R rests · E slows · G grows or wakes · r rests or slows · g grows, wakes or slows · ? on the way.
 * Drinks: least and most a month, January first; a sip counts as one.
 */
import type { Garden, Normals, Place } from '../src/garden.ts';
import { INLAND } from './gardens.ts';

/** A mild coast at 34° south: dry warm summers, wet cool winters without frost. */
export const MILD_COAST: Normals = {
  tmin_c: [16.9, 17.0, 15.2, 12.4, 10.1, 8.0, 7.4, 7.9, 9.4, 11.2, 13.6, 15.4],
  tmax_c: [28.6, 28.5, 26.1, 22.6, 18.9, 16.1, 15.3, 16.6, 19.1, 21.9, 25.1, 27.0],
  rh_pct: [47, 49, 52, 57, 66, 71, 71, 66, 61, 54, 49, 48],
  sunshine_h: [10.2, 9.6, 8.4, 7.1, 5.4, 4.7, 4.9, 5.9, 6.7, 8.0, 9.2, 9.8],
  rain_mm: [19, 16, 25, 38, 58, 75, 70, 62, 52, 41, 28, 26],
  wind_m_s: [3.6, 3.4, 3.2, 2.9, 2.8, 3.0, 3.1, 3.3, 3.5, 3.6, 3.7, 3.7],
};

const twelve = (value: number) => Array.from({ length: 12 }, () => value);

export const GROWERS_PLACES = {
  /** a glass house kept just free of frost */
  cold: { id: 'cold', kind: 'cold-glass', air: 'gentle', floor_c: 3 },
  /** a sill over a radiator, facing south */
  sill: { id: 'sill', kind: 'windowsill', aspect_deg: 180, air: 'still' },
  /** a metre and more from a window */
  room: { id: 'room', kind: 'room', air: 'still', light_fraction: 0.07 },
  /** a bench over a cable, under glass */
  bench: { id: 'bench', kind: 'heated-glass', air: 'gentle', floor_c: 14 },
  lamp: {
    id: 'lamp',
    kind: 'lamp-shelf',
    air: 'gentle',
    lamp: { ppfd_umol_m2_s: 220, hours: 13 },
    indoor_c: twelve(21),
  },
  open: { id: 'open', kind: 'open', air: 'breezy' },
  /** no light, no frost */
  cellar: {
    id: 'cellar',
    kind: 'room',
    air: 'still',
    light_fraction: 0.005,
    indoor_c: [7, 7, 8, 10, 12, 14, 15, 15, 14, 12, 10, 8],
  },
  roof: { id: 'roof', kind: 'open', air: 'breezy' },
} as const satisfies Record<string, Place>;
export type GrowersPlace = keyof typeof GROWERS_PLACES;

/** What may never be asked: of the first deed, or of any deed beside it. */
export type NeverAsked = 'drink' | 'drench' | 'warmer' | 'brighter' | 'shadier' | 'cover' | 'wake' | 'sleep' | 'unpot';

export interface GrowersYear {
  kind: string;
  place: GrowersPlace;
  states: string;
  drinks: string;
  /** what is never asked, in which months; all of them where none is named */
  never: readonly (readonly [NeverAsked, ...number[]])[];
  source: string;
}

const ANDERSON = 'Anderson, The Cactus Family: cultivation';
const EGGLI = 'Eggli, Illustrated Handbook of Succulent Plants';
const ROWLEY = 'Rowley, Caudiciform and Pachycaul Succulents';
const MESEMBS = 'Smith et al., Mesembs of the World: cultivation';
const HARDY = 'hardy rock plants as nurseries of the alpine trade keep them';
const HOUSE = 'house plant practice: RHS leaflets on succulents indoors';
const BULBS = 'Duncan, The Genus Lachenalia; Du Plessis & Duncan, Bulbous Plants of Southern Africa';
const WINTER = [11, 12, 1, 2] as const;

const row = (
  kind: string,
  place: GrowersPlace,
  states: string,
  drinks: string,
  source: string,
  ...never: GrowersYear['never']
): GrowersYear => ({ kind, place, states, drinks, never, source });

const COLD_CACTUS = 'RR??gGGGg?rR';
const WARM_LEAF = 'EgggGGGGGggE';
const EVER_WARM = 'ggGGGGGGGGgg';
const COLD_DRINKS = '0 0 0-1 0-2 1-4 1-6 2-6 1-6 0-4 0-2 0 0';

export const GROWERS_YEAR: readonly GrowersYear[] = [
  // Stone plants: the new pair drinks the old one, and nobody helps it.
  row(
    'Lithops lesliei',
    'cold',
    COLD_CACTUS,
    '0 0 0 0-1 0-2 0-3 0-3 0-4 0-3 0-1 0 0',
    MESEMBS,
    ['drink', 11, 12, 1, 2, 3],
    ['wake', ...WINTER],
    ['shadier', ...WINTER],
  ),
  row(
    'Lithops lesliei',
    'sill',
    'R??gGGGGGg?R',
    '0 0 0 0-1 0-2 0-4 0-4 0-4 0-4 0-2 0-1 0',
    MESEMBS,
    ['drink', 12, 1, 2, 3],
    ['wake', 12, 1],
  ),
  row('Conophytum bilobum', 'cold', 'gggg?RR??ggg', '0-2 0-2 0-2 0-2 0-2 0-1 0-1 0-2 0-4 0-3 0-2 0-2', MESEMBS, [
    'drench',
    6,
    7,
  ]),
  row('Pleiospilos nelii', 'sill', 'R?gGGggGGg?R', '0-1 0-1 0-2 0-3 0-4 0-3 0-3 0-4 0-4 0-3 0-1 0-1', MESEMBS, [
    'drench',
    12,
    1,
  ]),
  row('Monilaria moniliformis', 'lamp', 'GGG?rRR??GGG', '1-6 1-6 0-6 0-4 0-2 0 0 0-2 0-4 1-6 1-6 1-6', MESEMBS, [
    'drench',
    6,
    7,
  ]),
  row('Lithops lesliei', 'lamp', 'GGGGGGGGGGGG', '0 0 0-3 1-5 1-5 1-5 0-5 1-5 1-5 1-4 0-3 0-2', MESEMBS, [
    'drink',
    1,
    2,
  ]),
  // Desert cacti: dry and cool, and dry in a warm room too.
  row(
    'Mammillaria hahniana',
    'cold',
    COLD_CACTUS,
    COLD_DRINKS,
    ANDERSON,
    ['drink', ...WINTER],
    ['wake', 11, 12, 1],
    ['warmer', 3, 4, 5, 6, 7, 8, 9, 10],
  ),
  row('Mammillaria hahniana', 'sill', 'RR?gGGGGGgrR', '0-1 0-1 0-2 0-4 1-6 1-6 1-6 1-6 0-5 0-3 0-1 0-1', ANDERSON, [
    'drench',
    12,
    1,
  ]),
  row('Gymnocalycium baldianum', 'cold', COLD_CACTUS, COLD_DRINKS, ANDERSON, ['drink', ...WINTER], ['wake', 11, 12, 1]),
  row('Rebutia minuscula', 'cold', 'RR?gGGGGg?rR', COLD_DRINKS, ANDERSON, ['drink', ...WINTER], ['warmer']),
  row('Astrophytum asterias', 'cold', COLD_CACTUS, COLD_DRINKS, ANDERSON, ['drink', ...WINTER], ['wake', 11, 12, 1, 2]),
  row('Ferocactus glaucescens', 'cold', COLD_CACTUS, COLD_DRINKS, ANDERSON, ['drink', ...WINTER], ['warmer']),
  row('Melocactus azureus', 'bench', 'rr??gGGGg?rr', '0-2 0-2 0-3 1-4 1-6 2-8 2-8 2-8 1-6 0-4 0-3 0-2', ANDERSON, [
    'sleep',
    6,
    7,
    8,
  ]),
  // Hardy in the open: frost and rain are theirs.
  row(
    'Opuntia humifusa',
    'open',
    'RR?gGGGGg?RR',
    '0 0 0 0-2 0-4 0-5 0-6 0-5 0-3 0-1 0 0',
    HARDY,
    ['warmer'],
    ['cover'],
    ['drink', ...WINTER, 3],
    ['unpot'],
  ),
  row(
    'Sempervivum tectorum',
    'open',
    'RRg?GGGGg?rR',
    '0 0 0-1 0-2 0-4 0-6 0-6 0-6 0-3 0-2 0 0',
    HARDY,
    ['warmer'],
    ['cover'],
    ['drink', ...WINTER],
    ['unpot'],
    ['brighter'],
  ),
  row(
    'Sedum acre',
    'open',
    'RRg?GGGGg?rR',
    '0 0 0-1 0-2 0-4 0-6 0-6 0-6 0-3 0-2 0 0',
    HARDY,
    ['warmer'],
    ['cover'],
    ['drink', ...WINTER],
    ['unpot'],
  ),
  row(
    'Yucca filamentosa',
    'open',
    'RR?gGGGGg?rR',
    '0 0 0-1 0-3 0-4 0-6 0-6 0-6 0-3 0-2 0 0',
    HARDY,
    ['warmer'],
    ['cover'],
    ['drink', ...WINTER],
    ['unpot'],
  ),
  // Leaf succulents.
  row(
    'Echeveria agavoides',
    'cold',
    COLD_CACTUS,
    '0 0 0-1 0-3 1-5 1-6 1-7 1-6 0-5 0-2 0 0',
    EGGLI,
    ['drench', 12, 1, 2],
    ['warmer', 3, 4, 5, 6, 7, 8, 9, 10],
  ),
  row(
    'Echeveria agavoides',
    'sill',
    WARM_LEAF,
    '0-2 0-2 0-3 1-5 1-6 1-7 1-7 1-7 1-6 0-4 0-3 0-2',
    EGGLI,
    ['warmer'],
    ['cover'],
  ),
  row(
    'Crassula ovata',
    'sill',
    EVER_WARM,
    '0-2 0-2 0-4 1-5 1-6 1-7 1-7 1-7 1-6 0-4 0-3 0-2',
    HOUSE,
    ['warmer'],
    ['sleep'],
  ),
  row('Aloe vera', 'sill', WARM_LEAF, '0-2 0-2 0-4 1-5 1-6 1-7 1-7 1-7 1-6 0-4 0-3 0-2', HOUSE, ['warmer']),
  row(
    'Haworthia cooperi',
    'sill',
    EVER_WARM,
    '0-3 0-3 0-4 1-5 1-6 1-7 1-7 1-7 1-6 1-5 0-4 0-3',
    EGGLI,
    ['warmer'],
    ['sleep'],
  ),
  row(
    'Gasteria batesiana',
    'sill',
    EVER_WARM,
    '0-3 0-3 0-4 1-5 1-6 1-7 1-7 1-7 1-6 1-5 0-4 0-3',
    EGGLI,
    ['warmer'],
    ['sleep'],
  ),
  row('Kalanchoe tomentosa', 'sill', EVER_WARM, '0-2 0-2 0-4 1-5 1-6 1-7 1-7 1-7 1-6 0-5 0-3 0-2', HOUSE, ['sleep']),
  row(
    'Haworthiopsis attenuata',
    'lamp',
    'GGGGGGGGGGGG',
    '1-6 1-6 1-6 1-6 1-6 1-6 1-6 1-6 1-6 1-6 1-6 1-6',
    HOUSE,
    ['sleep'],
    ['brighter'],
    ['warmer'],
  ),
  // Big stores in a dim room: a drink in five to eight weeks.
  row(
    'Sansevieria trifasciata',
    'room',
    'EE?gGGGGg?EE',
    '0-1 0-1 0-1 0-2 0-2 0-3 0-3 0-3 0-2 0-2 0-1 0-1',
    HOUSE,
    ['sleep'],
    ['warmer'],
  ),
  row(
    'Zamioculcas zamiifolia',
    'room',
    'EE?gGGGGg?EE',
    '0-1 0-1 0-1 0-2 0-2 0-3 0-3 0-3 0-2 0-2 0-1 0-1',
    HOUSE,
    ['sleep'],
    ['warmer'],
  ),
  // Forest cacti and soft leaves: never through dry, never asleep.
  row(
    'Schlumbergera truncata',
    'sill',
    EVER_WARM,
    '1-6 1-6 1-7 2-8 2-9 2-10 2-10 2-10 2-9 1-8 1-7 1-6',
    ANDERSON,
    ['sleep'],
    ['wake'],
  ),
  row(
    'Rhipsalis baccifera',
    'sill',
    EVER_WARM,
    '2-10 2-10 2-12 3-12 3-14 3-15 3-15 3-15 3-14 2-12 2-10 2-10',
    ANDERSON,
    ['sleep'],
    ['wake'],
  ),
  row(
    'Hoya kerrii',
    'sill',
    EVER_WARM,
    '0-4 0-4 1-6 1-8 1-9 2-10 2-10 2-10 1-9 1-7 0-5 0-4',
    HOUSE,
    ['sleep'],
    ['wake'],
  ),
  // Those of winter rain.
  row(
    'Aeonium arboreum',
    'cold',
    'gggg??rr?ggg',
    '0-2 0-2 0-4 0-5 0-5 0-3 0-2 0-3 0-5 0-5 0-3 0-2',
    EGGLI,
    ['drench', 7],
    ['wake', 12, 1],
  ),
  row('Dioscorea elephantipes', 'sill', 'GGGgrRR??gGG', '0-4 0-4 0-5 0-4 0-2 0 0 0-2 0-4 0-5 0-5 0-4', ROWLEY, [
    'drink',
    6,
    7,
  ]),
  row('Albuca spiralis', 'cold', 'ggGg?RR??ggg', '0-3 0-3 0-4 0-4 0-2 0 0 0-1 0-3 0-4 0-3 0-3', BULBS, ['drink', 6, 7]),
  row('Lachenalia aloides', 'cold', 'ggGg?RR??ggg', '0-3 0-3 0-5 0-5 0-2 0 0 0-1 0-4 0-5 0-4 0-3', BULBS, [
    'drink',
    6,
    7,
  ]),
  // Those that drop their leaves.
  row(
    'Adenium obesum',
    'sill',
    'RR?gGGGGGg?R',
    '0 0 0-2 0-5 1-7 2-8 2-8 2-8 1-6 0-4 0-1 0',
    ROWLEY,
    ['drench', 12, 1],
    ['wake', 12, 1],
  ),
  row(
    'Adenium obesum',
    'cellar',
    'RRRR????rRRR',
    '0 0 0 0-1 0-2 0-2 0-2 0-2 0-1 0-1 0 0',
    ROWLEY,
    ['drink', ...WINTER, 3],
    ['wake', ...WINTER],
  ),
  row('Cyphostemma juttae', 'sill', 'RR?gGGGGGg?R', '0 0 0-2 0-5 1-7 1-8 1-8 1-8 0-6 0-4 0-1 0', ROWLEY, [
    'drench',
    12,
    1,
  ]),
  row('Stapelia grandiflora', 'cold', COLD_CACTUS, '0-1 0-1 0-1 0-3 1-5 1-7 1-7 1-7 0-5 0-2 0-1 0-1', EGGLI, [
    'drench',
    12,
    1,
    2,
  ]),
  row(
    'Euphorbia milii',
    'sill',
    EVER_WARM,
    '0-3 0-3 0-5 1-6 1-8 1-9 1-9 1-9 1-8 0-6 0-4 0-3',
    HOUSE,
    ['sleep'],
    ['warmer'],
  ),
  row(
    'Ceropegia woodii',
    'sill',
    EVER_WARM,
    '0-3 0-3 0-4 1-6 1-7 1-8 1-8 1-8 1-7 0-5 0-4 0-3',
    HOUSE,
    ['sleep'],
    ['warmer'],
  ),
  // On a roof in the south: all the sun there is, and winter rain.
  row(
    'Opuntia ficus-indica',
    'roof',
    'GGGg??r??gGG',
    '0-6 0-6 0-5 0-4 0-2 0-1 0-1 0-2 0-3 0-4 0-5 0-6',
    ANDERSON,
    ['shadier', 3, 4, 5, 6, 7, 8, 9, 10, 11],
    ['warmer'],
    ['sleep', 12, 1, 2],
  ),
  row(
    'Portulacaria afra',
    'roof',
    'GGGggggggGGG',
    '0-7 0-7 0-6 0-4 0-3 0-2 0-2 0-2 0-4 0-5 0-6 0-7',
    EGGLI,
    ['warmer'],
    ['shadier', 4, 5, 6, 7, 8, 9, 10],
  ),
];

const INLAND_SITE: Garden['site'] = { latitude_deg: 47, longitude_deg: 8, elevation_m: 400, normals: INLAND };
const COAST_SITE: Garden['site'] = { latitude_deg: -34, longitude_deg: 18, elevation_m: 60, normals: MILD_COAST };

/** Where a place lies: the roof in the south, all else inland at 47° north. */
export function growersSite(place: GrowersPlace): Garden['site'] {
  return place === 'roof' ? COAST_SITE : INLAND_SITE;
}
