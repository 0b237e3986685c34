/**
 * The demo collection: what a retired bridge keeper grows at the river lock of Brackwehr, a made-up inland town at 47° north,
 * and the small garden that his niece's school keeps on its roof in made-up Port Alder at 34° south.
 * Everyone and everywhere in it is invented.
 */
import type {
  Cause, Found, Mix, Normals, Outcome, Place, Plant, PlantEvent, Pot, PotMaterial, Sign, SignPlace, Step,
} from '@zinc-pail/core';
import { BRACKWEHR, PORT_ALDER } from '@zinc-pail/standins/weather/climates';

export interface DemoSite {
  name: string;
  timeZone: string;
  latitudeDeg: number;
  longitudeDeg: number;
  elevationM: number;
  normals: Normals;
  places: (Place & { name: string; benchMm?: [width: number, depth: number] })[];
}

export const COLLECTION_NAME = 'The lock garden';

export const SITES: DemoSite[] = [
  {
    name: 'Brackwehr lock', timeZone: 'Europe/Vienna', latitudeDeg: 47.3, longitudeDeg: 13.1, elevationM: 430,
    normals: BRACKWEHR,
    places: [
      { id: 'lamp', name: 'Lamp shelf on the stairs', kind: 'lamp-shelf', air: 'still', lamp: { ppfd_umol_m2_s: 210, hours: 13 } },
      { id: 'sill', name: 'Attic sill, south', kind: 'windowsill', aspect_deg: 180, air: 'still', benchMm: [1400, 220] },
      { id: 'bench', name: 'Heated bench', kind: 'heated-glass', air: 'gentle', floor_c: 14, vent_c: 24, light_fraction: 0.5, benchMm: [1600, 500] },
      { id: 'lean-to', name: 'Lean-to on the lock wall', kind: 'cold-glass', aspect_deg: 160, air: 'breezy', vent_c: 20, floor_c: 7, light_fraction: 0.62, benchMm: [2400, 600] },
      { id: 'balcony', name: 'Covered balcony', kind: 'covered', aspect_deg: 200, air: 'gentle', light_fraction: 0.5, benchMm: [1800, 450] },
      { id: 'cellar', name: 'Cellar for sleepers', kind: 'room', air: 'still', light_fraction: 0.01, indoor_c: [10, 10, 10, 11, 13, 15, 16, 16, 15, 14, 13, 11] },
    ],
  },
  {
    name: 'School roof, Port Alder', timeZone: 'Australia/Adelaide', latitudeDeg: -34.4, longitudeDeg: 138.2, elevationM: 60,
    normals: PORT_ALDER,
    places: [{ id: 'roof', name: 'Roof tables', kind: 'covered', air: 'breezy', light_fraction: 0.8 }],
  },
];

export const MIXES: (Mix & { name: string })[] = [
  { id: 'grit', name: 'Lock grit', parts: [{ component: 'pumice', parts: 4 }, { component: 'granite-grit', parts: 2 },
    { component: 'loam', parts: 2 }, { component: 'coarse-sand', parts: 1 }] },
  { id: 'bare', name: 'Bare stone', parts: [{ component: 'pumice', parts: 5 }, { component: 'lava', parts: 3 }, { component: 'zeolite', parts: 1 }] },
  { id: 'house', name: 'House mix', parts: [{ component: 'cactus-soil', parts: 2 }, { component: 'pumice', parts: 1 }] },
  { id: 'leaf', name: 'Rosette mix', parts: [{ component: 'potting-soil', parts: 2 }, { component: 'pumice', parts: 2 }, { component: 'perlite', parts: 1 }] },
  { id: 'bark', name: 'Bark and moss work', parts: [{ component: 'bark-fine', parts: 3 }, { component: 'coir', parts: 2 },
    { component: 'perlite', parts: 1 }, { component: 'charcoal', parts: 0.5 }] },
  { id: 'root', name: 'Caudex mix', parts: [{ component: 'calcined-clay', parts: 3 }, { component: 'pumice', parts: 3 }, { component: 'loam', parts: 2 }] },
  { id: 'bulb', name: 'Bulb sand', parts: [{ component: 'coarse-sand', parts: 3 }, { component: 'loam', parts: 2 }, { component: 'granite-grit', parts: 1 }] },
  { id: 'lime', name: 'Limestone mix', parts: [{ component: 'limestone-grit', parts: 3 }, { component: 'pumice', parts: 2 }, { component: 'loam', parts: 2 }] },
  { id: 'shop', name: 'Shop peat, as it came', parts: [{ component: 'peat', parts: 4 }, { component: 'perlite', parts: 1 }] },
  { id: 'roof', name: 'Roof mix', parts: [{ component: 'crushed-pot', parts: 3 }, { component: 'compost', parts: 1 }, { component: 'coarse-sand', parts: 1 }] },
];

type PotWords = `${'round' | 'square' | 'bowl'} ${number}x${number} ${PotMaterial}`;

/** A usual pot from its shape, width and depth in cm. */
function potOf(words: PotWords, dressingMm: number): Pot {
  const [shape, size, material] = words.split(' ') as [Pot['shape'], string, PotMaterial];
  const [width, depth] = size.split('x').map((cm) => Number(cm) * 10) as [number, number];
  const base = shape === 'bowl' ? 0.45 : shape === 'square' ? 0.78 : 0.74;
  return { shape, top_mm: width, base_mm: Math.round(width * base), depth_mm: depth, material, holes: true, top_dressing_mm: dressingMm };
}

/** A line of a book without its day, and how many days ago it was written. */
type Undated = PlantEvent extends infer E ? (E extends PlantEvent ? Omit<E, 'date'> : never) : never;
export type Ill = readonly [ago: number, line: Undated];

const sick = (sign: Sign, strength = 2, where: SignPlace | null = null): Undated => ({ type: 'sign', sign, strength, where });
const verdict = (cause: Cause, gap: 'earlier' | 'later' | null = null): Undated => ({ type: 'verdict', cause, gap });
const done = (cause: Cause, step: Step, found: Found | null = null): Undated => ({ type: 'case-step', cause, step, found });
const over = (cause: Cause, outcome: Outcome): Undated => ({ type: 'case-closed', cause, outcome });

/** Wool found in the axils, dabbed, found again, dabbed, and clean once. */
const WOOL: readonly Ill[] = [
  [23, sick('white-fluff')], [23, verdict('mealybug')], [23, done('mealybug', 'isolate')], [23, done('mealybug', 'swab')],
  [16, done('mealybug', 'look-over', 'guests')], [16, done('mealybug', 'swab')], [9, done('mealybug', 'look-over', 'clean')],
];
/** Rotten roots, caught in time. */
const SAVED: readonly Ill[] = [
  [150, sick('limp')], [150, sick('soft-base', 2, 'base')], [150, verdict('root-rot')], [149, done('root-rot', 'cut')], [142, done('root-rot', 'pot-dry')],
  [130, done('root-rot', 'first-water')], [104, sick('taut')], [104, over('root-rot', 'cured')],
];
const MITES: readonly Ill[] = [
  [118, sick('webbing')], [118, verdict('spider-mite')], [118, done('spider-mite', 'wash')], [112, done('spider-mite', 'wash')],
  [106, done('spider-mite', 'look-over', 'clean')], [99, done('spider-mite', 'look-over', 'clean')], [99, over('spider-mite', 'cured')],
];

/** A drench that ran past, somebody else's water, a sleeper whose waking was seen late. */
export type Story = 'ran-past' | 'stranger' | 'late';

export interface DemoPlant {
  number: string;
  name: string;
  provenance: string;
  site: number;
  plant: Omit<Plant, 'events' | 'id'>;
  /** where it spends the cold months, and the hot ones, where that is another place */
  winter: string | null;
  summer: string | null;
  /** what happened to it that its book does not say, or says late */
  story: Story | null;
  /** what its pot was seen to do, days ago */
  seen: readonly (readonly [Sign, number])[];
  /** what ailed it and what was done: days ago, and the line of its book */
  ill: readonly Ill[];
  /** how this pot really dries against the reckoned, hidden from the engine */
  truth: { checks: 'finger' | 'meter' | 'weight' | 'none' };
}

type Row = [
  name: string, place: string, mix: string, pot: PotWords, diameterCm: number, heightCm: number, provenance: string,
  more?: { dressing?: number; winter?: string; summer?: string; story?: Story; checks?: DemoPlant['truth']['checks']; noHole?: boolean;
    seen?: DemoPlant['seen']; ill?: readonly Ill[]; extra?: Partial<Plant> },
];

const NORTH: Row[] = [
  ['Lithops karasmontana', 'lean-to', 'bare', 'square 7x9 plastic', 3, 2, 'seed, raised on the lock, third sowing', { dressing: 8 }],
  ['Lithops lesliei ‘Slate Step’', 'lean-to', 'bare', 'round 7x8 terracotta', 4, 2, 'swap with a ferryman', { dressing: 8, checks: 'weight' }],
  ['Pleiospilos nelii', 'lean-to', 'bare', 'round 9x10 terracotta', 6, 5, 'market at Brackwehr', { dressing: 10, summer: 'balcony' }],
  ['Titanopsis calcarea', 'lean-to', 'lime', 'square 8x7 plastic', 6, 3, 'seed, raised on the lock', { dressing: 5, summer: 'balcony' }],
  ['Gymnocalycium cf. horstii', 'lean-to', 'grit', 'round 9.5x8.5 terracotta', 8, 6, 'estate of a schoolmaster; label lost'],
  ['Gymnocalycium baldianum', 'lean-to', 'grit', 'square 8x7.5 plastic', 7, 5, 'seed, raised on the lock', { checks: 'meter' }],
  ['Rebutia × hybrida ‘Signal Lamp’', 'lean-to', 'grit', 'round 8x7.5 plastic', 7, 5, 'own cross'],
  ['Rebutia minuscula', 'lean-to', 'grit', 'bowl 14x6 terracotta', 10, 4, 'offset from the parsonage'],
  ['Sulcorebutia rauschii', 'lean-to', 'grit', 'square 7x8 plastic', 5, 4, 'swap, autumn meeting'],
  ['Mammillaria plumosa', 'lean-to', 'lime', 'round 10x8 terracotta', 9, 6, 'market at Brackwehr', { checks: 'weight' }],
  ['Mammillaria hahniana', 'lean-to', 'grit', 'round 12x10 plastic', 11, 10, 'from his mother'],
  ['Echinocereus rigidissimus', 'lean-to', 'bare', 'round 10x9 terracotta', 6, 12, 'swap, spring meeting'],
  ['Turbinicarpus alonsoi', 'lean-to', 'lime', 'square 7x9 plastic', 4, 3, 'seed, raised on the lock', { checks: 'none' }],
  ['Ariocarpus retusus', 'lean-to', 'lime', 'round 11x12 terracotta', 10, 6, 'nursery seedling, papers kept', { dressing: 10 }],
  ['Astrophytum myriostigma', 'lean-to', 'lime', 'round 10x9 terracotta', 8, 9, 'seed, raised on the lock'],
  ['Ferocactus glaucescens', 'lean-to', 'grit', 'round 18x15 terracotta', 15, 15, 'the old bridge house'],
  ['Oreocereus trollii', 'lean-to', 'grit', 'round 13x12 plastic', 8, 22, 'market at Brackwehr'],
  ['Sempervivum ‘Wet Slate’', 'lean-to', 'grit', 'bowl 20x7 terracotta', 16, 4, 'own cross'],
  ['Agave victoriae-reginae', 'lean-to', 'grit', 'round 16x14 terracotta', 14, 10, 'swap with a ferryman'],
  ['Conophytum bilobum', 'lean-to', 'bare', 'square 7x7 plastic', 4, 4, 'seed, raised on the lock', { dressing: 6, summer: 'balcony' }],
  ['Conophytum × marnierianum', 'lean-to', 'bare', 'round 6x5.5 terracotta', 4, 2, 'autumn meeting', { dressing: 5, summer: 'balcony' }],
  ['Cheiridopsis denticulata', 'lean-to', 'bare', 'round 9x8 terracotta', 8, 5, 'seed, raised on the lock', { summer: 'balcony' }],
  ['Albuca spiralis', 'lean-to', 'bulb', 'round 10x11 plastic', 8, 14, 'bulb from a swap', { summer: 'balcony' }],
  ['Lachenalia aloides', 'lean-to', 'bulb', 'round 12x11 terracotta', 10, 16, 'bulbs from a swap', { checks: 'meter', summer: 'balcony' }],
  ['Massonia depressa', 'lean-to', 'bulb', 'round 11x11 plastic', 12, 2, 'seed, raised on the lock', { summer: 'balcony' }],
  ['Haworthiopsis limifolia', 'sill', 'leaf', 'round 8x6.2 plastic', 8, 5, 'offset from the parsonage'],
  ['Haworthia cooperi var. truncata', 'sill', 'leaf', 'round 8x8 glazed', 7, 4, 'autumn meeting',
    { checks: 'weight', seen: [['roots-out', 19], ['pot-bulging', 6]] }],
  ['Gasteria carinata', 'sill', 'leaf', 'round 10x9 plastic', 12, 9, 'market at Brackwehr', { story: 'ran-past' }],
  ['Gasteria ‘Tow Path’', 'sill', 'leaf', 'round 12x10 terracotta', 15, 10, 'own cross', { ill: SAVED }],
  ['Echeveria agavoides', 'sill', 'leaf', 'round 11x9 terracotta', 13, 8, 'market at Brackwehr',
    { ill: [[6, { type: 'watering', method: 'drench', water: 'hard' }], [1, { type: 'check', finger: 'wet' }], [1, sick('limp')]] }],
  ['Echeveria ‘Morning Barge’', 'sill', 'house', 'round 12x9 plastic', 14, 7, 'own cross', { checks: 'meter' }],
  ['Crassula ovata', 'sill', 'house', 'round 16x14 glazed', 25, 30, 'from his mother', { story: 'stranger' }],
  ['Crassula ‘Lantern’', 'sill', 'house', 'square 8x8 plastic', 7, 8, 'market at Brackwehr', { ill: [[4, sick('red-stress')], [4, sick('taut')]] }],
  ['Sansevieria cylindrica', 'sill', 'house', 'round 14x13 glazed', 14, 45, 'the old bridge house', { checks: 'none' }],
  ['Curio rowleyanus', 'sill', 'leaf', 'round 12x8 plastic', 16, 5, 'cutting from the post office'],
  ['Ceropegia woodii', 'sill', 'leaf', 'round 11x8 terracotta', 14, 6, 'tubers from a swap'],
  ['Zamioculcas zamiifolia', 'sill', 'shop', 'round 17x15 plastic', 40, 55, 'retirement present, as it came'],
  ['Pachyphytum oviferum', 'sill', 'house', 'round 10x9 terracotta', 10, 8, 'cutting, parsonage'],
  ['Agave potatorum', 'balcony', 'grit', 'round 17x14 terracotta', 22, 14, 'nursery, papers kept', { winter: 'cellar' }],
  ['Aloe aristata', 'balcony', 'house', 'round 12x10.5 plastic', 13, 8, 'offset, school garden', { winter: 'lean-to' }],
  ['Aloe ‘Tin Roof’', 'balcony', 'house', 'round 12x10.5 plastic', 14, 10, 'own cross', { checks: 'meter', winter: 'lean-to' }],
  ['Opuntia microdasys', 'balcony', 'grit', 'round 16x14 terracotta', 20, 28, 'pad from the chapel wall', { winter: 'lean-to' }],
  ['Sedum morganianum', 'sill', 'leaf', 'round 13x10 plastic', 20, 6, 'cutting from the post office'],
  ['Delosperma cooperi', 'balcony', 'grit', 'bowl 22x8 terracotta', 24, 6, 'market at Brackwehr'],
  ['Aeonium arboreum ‘Night Lock’', 'balcony', 'leaf', 'round 18x16 plastic', 24, 40, 'cutting, spring meeting', { winter: 'lean-to' }],
  ['Euphorbia obesa', 'bench', 'root', 'round 10x10 terracotta', 8, 8, 'seed, raised on the lock', { checks: 'weight', story: 'late' }],
  ['Euphorbia milii', 'bench', 'house', 'round 14x13 plastic', 18, 30, 'the old bridge house', { ill: [[3, sick('white-fluff', 1)]] }],
  ['Adenium obesum', 'bench', 'root', 'bowl 20x9 terracotta', 18, 28, 'seed, raised on the lock'],
  ['Pachypodium saundersii', 'bench', 'root', 'round 14x12 glazed', 12, 20, 'autumn meeting'],
  ['Cyphostemma juttae', 'bench', 'root', 'round 16x15 terracotta', 14, 22, 'seed, raised on the lock'],
  ['Fockea edulis', 'bench', 'root', 'round 13x10 glazed', 12, 25, 'swap with a ferryman'],
  ['Stapelia sp., lock-side form', 'bench', 'house', 'bowl 14x7 terracotta', 12, 9, 'found on the compost', { checks: 'none' }],
  ['Huernia zebrina', 'bench', 'house', 'round 9x7 plastic', 9, 7, 'autumn meeting', { ill: WOOL }],
  ['Melocactus azureus', 'bench', 'grit', 'round 13x11 plastic', 12, 13, 'nursery, papers kept'],
  ['Myrtillocactus geometrizans', 'bench', 'grit', 'round 14x13 terracotta', 8, 35, 'market at Brackwehr'],
  ['Rhipsalis pilocarpa', 'bench', 'bark', 'round 13x9 plastic', 22, 10, 'cutting, parsonage', { summer: 'balcony' }],
  ['Epiphyllum ‘Weir Song’', 'bench', 'bark', 'round 15x13 plastic', 25, 40, 'own cross', { checks: 'meter', summer: 'balcony' }],
  ['Hoya kerrii', 'bench', 'bark', 'round 12x11 plastic', 18, 20, 'cutting from the post office', { ill: MITES, summer: 'balcony' }],
  ['Lepismium bolivianum', 'lean-to', 'bark', 'round 12x9 plastic', 22, 10, 'cutting, parsonage', { summer: 'balcony' }],
  ['Dorstenia foetida', 'lamp', 'house', 'round 8x7 plastic', 7, 10, 'seed, flung from a neighbour pot'],
  ['Frithia pulchra', 'lamp', 'bare', 'square 7x7 plastic', 5, 3, 'seed, raised on the lock', { dressing: 6 }],
  ['Fenestraria rhopalophylla', 'lamp', 'bare', 'round 8x8 terracotta', 6, 3, 'market at Brackwehr', { dressing: 6 }],
  ['Monilaria moniliformis', 'lamp', 'bare', 'square 7x7 plastic', 4, 6, 'seed, raised on the lock', { dressing: 4 }],
  ['Euphorbia suzannae', 'lamp', 'house', 'round 8x7 plastic', 6, 6, 'offset, autumn meeting', { checks: 'weight' }],
  ['Pseudolithos migiurtinus', 'lamp', 'bare', 'round 7x7 terracotta', 4, 4, 'nursery seedling, papers kept'],
  ['Dioscorea elephantipes', 'sill', 'root', 'round 16x13 terracotta', 14, 30, 'seed, raised on the lock', { checks: 'weight' }],
  ['Tylecodon buchholzianus', 'lean-to', 'root', 'round 9x9 terracotta', 8, 10, 'autumn meeting', { summer: 'balcony' }],
  ['Othonna euphorbioides', 'lean-to', 'root', 'round 9x8 terracotta', 9, 9, 'swap, spring meeting', { summer: 'balcony' }],
  ['Pelargonium carnosum', 'lean-to', 'root', 'round 11x10 terracotta', 12, 16, 'seed, raised on the lock', { summer: 'balcony' }],
  ['Ipomoea platensis', 'bench', 'root', 'round 13x11 plastic', 12, 30, 'tuber from a swap', { winter: 'cellar' }],
  ['Cussonia paniculata', 'balcony', 'root', 'round 15x14 plastic', 22, 40, 'seed, raised on the lock', { winter: 'bench' }],
  ['Boophone disticha', 'sill', 'bulb', 'round 15x14 terracotta', 14, 16, 'bulb from an estate'],
  ['Kalanchoe orgyalis', 'sill', 'house', 'round 12x11 metal', 16, 20, 'present, in its tin', { noHole: true }],
];

const SOUTH: Row[] = [
  ['Aloe maculata', 'roof', 'roof', 'round 20x18 terracotta', 26, 18, 'school yard, always there'],
  ['Cotyledon orbiculata', 'roof', 'roof', 'round 18x16 terracotta', 24, 25, 'cutting, class 4'],
  ['Portulacaria afra', 'roof', 'roof', 'round 17x15 plastic', 25, 30, 'cutting, class 5'],
  ['Agave attenuata', 'roof', 'roof', 'round 26x22 concrete', 40, 35, 'gate of the school'],
  ['Echinopsis oxygona', 'roof', 'roof', 'round 15x13 terracotta', 12, 14, 'offsets, class 4',
    { checks: 'meter', seen: [['roots-out', 8], ['pot-bulging', 8]] }],
  ['Haworthiopsis attenuata', 'roof', 'roof', 'bowl 20x9 terracotta', 15, 8, 'offsets, class 6'],
  ['Drosanthemum floribundum', 'roof', 'roof', 'bowl 24x9 terracotta', 26, 6, 'cutting, the sea wall'],
  ['Opuntia ficus-indica', 'roof', 'roof', 'round 28x25 plastic', 45, 70, 'pad, class 5'],
];

function plantsOf(rows: Row[], site: number, firstNumber: number): DemoPlant[] {
  return rows.map(([name, place, mix, pot, diameterCm, heightCm, provenance, more = {}], i) => ({
    number: String(firstNumber + i).padStart(3, '0'),
    name, provenance, site,
    winter: more.winter ?? null,
    summer: more.summer ?? null,
    story: more.story ?? null,
    seen: more.seen ?? [],
    ill: more.ill ?? [],
    truth: { checks: more.checks ?? 'finger' },
    plant: {
      name, taxon: name, diameter_mm: diameterCm * 10, height_mm: heightCm * 10, place, mix,
      pot: { ...potOf(pot, more.dressing ?? 0), holes: !more.noHole },
      ...more.extra,
    },
  }));
}

export const PLANTS: DemoPlant[] = [...plantsOf(NORTH, 0, 1), ...plantsOf(SOUTH, 1, 201)];

/** The waters of the lock, the liked ones first. */
export const WATERS = [
  { name: 'Butt under the lock roof', kind: 'rain', hardness_dh: 0.5, salts_mg_l: 20 },
  { name: 'Town tap', kind: 'hard', hardness_dh: 19, salts_mg_l: 430 },
] as const;

/** Feeds of made-up make. */
export const FEEDS = [
  { name: 'Weirkeeper’s bloom', kind: 'liquid', n_pct: 4, p_pct: 6, k_pct: 9, unit: 'ml', per_litre: 5 },
  { name: 'Sluice grey, grains', kind: 'grain', n_pct: 7, p_pct: 7, k_pct: 7, unit: 'g', per_litre: 1 },
] as const;

/** Whose offset or seedling is whose, by the names of the demo plants. */
export const MOTHERS: readonly (readonly [child: string, mother: string])[] = [
  ['Rebutia × hybrida ‘Signal Lamp’', 'Rebutia minuscula'],
  ['Gasteria ‘Tow Path’', 'Gasteria carinata'], ['Lithops lesliei ‘Slate Step’', 'Lithops karasmontana'],
];

const bag = (name: string, component_ref: string, amount: number, price_minor: number, low: number | null = null) => ({
  kind: 'component', name, component_ref, pot: null, amount, price_minor, low,
});
const shelved = (name: string, top_mm: number, depth_mm: number, material: PotMaterial, amount: number, price_minor: number) => ({
  kind: 'pot', name, component_ref: null, amount, price_minor, low: 2,
  pot: { shape: 'round', top_mm, base_mm: Math.round(0.75 * top_mm), depth_mm, material, holes: true, top_dressing_mm: 0 } satisfies Pot,
});

/** What lies in the lock shed. */
export const STORES = [
  bag('Pumice from the quarry', 'pumice', 32, 95, 10),
  bag('Lava, half a sack', 'lava', 11, 80, 5),
  bag('Granite grit', 'granite-grit', 18, 60, 5),
  bag('Loam, sterilised', 'loam', 9, 110, 4),
  bag('Coir, two bricks soaked', 'coir', 6, 70, 4),
  bag('Perlite', 'perlite', 3, 55, 5),
  bag('Fine bark', 'bark-fine', 14, 90),
  bag('Cactus soil, the open bag', 'cactus-soil', 7, 130),
  shelved('Clay, 9 cm', 90, 80, 'terracotta', 14, 180),
  shelved('Clay, 11 cm', 110, 95, 'terracotta', 6, 240),
  shelved('Clay bowl, 18 cm', 180, 80, 'terracotta', 2, 690),
  shelved('Plastic, 10 cm', 100, 90, 'plastic', 40, 25),
  shelved('Plastic, long, 12 cm', 120, 160, 'plastic', 9, 60),
  { kind: 'label', name: 'Zinc labels', component_ref: null, pot: null, amount: 65, price_minor: 40, low: 20 },
];
