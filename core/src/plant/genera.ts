/**
 * The genus library: what a keeper may assume of a plant when only its genus is known.
 *
 * Figures are starting values for cultivated plants from general horticulture (Eggli, Illustrated Handbook of
 * Succulent Plants; Anderson, The Cactus Family; Rowley, Caudiciform and Pachycaul Succulents), rounded to whole
 * degrees and to the tender side where sources differ. Every one can be overridden for a single plant.
 */
import type { DryRule, Form, Habit, Sleeps, Store } from '../garden.ts';

/** What hands and housemates must know. */
export type Caution =
  | 'spines'
  | 'glochids'
  | 'milky-sap'
  | 'irritant-sap'
  | 'poisonous-sap'
  | 'poisonous-eaten'
  | 'powdery'
  | 'dry-heart';

/** Everything the engine must know of a plant, with nothing left out. */
export interface Traits {
  habit: Habit;
  sleeps: Sleeps;
  form: Form;
  store: Store;
  dryRule: DryRule;
  holdDays: number;
  /** lowest night it bears with a dry, and with a moist root ball */
  minDryC: number;
  minWetC: number;
  /** day mean below which it stands still */
  growMinC: number;
  /** moisture at which it asks for water, where that is another than the dry rule's */
  dueM: number | null;
}

export interface Genus extends Traits {
  name: string;
  cautions: readonly Caution[];
}

type Row = readonly [
  name: string, habit: Habit, form: Form, store: Store, rule: DryRule, hold: number,
  minDry: number, minWet: number, growMin: number, ...cautions: Caution[],
];

const ROWS: readonly Row[] = [
  ['Adenia', 'summer', 'caudex', 'stem', 'dry-through', 0, 10, 14, 16, 'poisonous-sap'],
  ['Adenium', 'summer', 'caudex', 'stem', 'dry-through', 0, 8, 13, 16, 'poisonous-sap'],
  ['Adromischus', 'spring-autumn', 'rosette', 'leaf', 'dry-and-hold', 3, 2, 6, 9],
  ['Aeonium', 'winter', 'rosette', 'leaf', 'dry-through', 0, 2, 4, 7, 'dry-heart'],
  ['Agave', 'summer', 'rosette', 'leaf', 'dry-through', 0, -4, 2, 10, 'spines'],
  ['Aichryson', 'winter', 'rosette', 'leaf', 'dry-top', 0, 3, 5, 7],
  ['Albuca', 'winter', 'bulb', 'below', 'dry-through', 0, 0, 4, 7],
  ['Aloe', 'summer', 'rosette', 'leaf', 'dry-through', 0, 3, 7, 10],
  ['Aloidendron', 'summer', 'stemmed', 'leaf', 'dry-through', 0, 0, 5, 10],
  ['Aloinopsis', 'spring-autumn', 'stemless', 'leaf', 'dry-and-hold', 4, -4, 2, 8],
  ['Anacampseros', 'opportunist', 'stemmed', 'leaf', 'dry-through', 0, 0, 5, 9],
  ['Argyroderma', 'winter', 'stemless', 'leaf', 'dry-and-hold', 5, 0, 4, 8],
  ['Ariocarpus', 'summer', 'globe', 'below', 'dry-and-hold', 5, 0, 7, 12],
  ['Astrophytum', 'summer', 'globe', 'stem', 'dry-through', 0, 0, 6, 12],
  ['Aylostera', 'summer', 'globe', 'stem', 'dry-through', 0, -4, 3, 9, 'spines'],
  ['Aztekium', 'summer', 'globe', 'stem', 'dry-through', 0, 2, 7, 12],
  ['Beaucarnea', 'summer', 'caudex', 'stem', 'dry-through', 0, 2, 7, 12],
  ['Blossfeldia', 'summer', 'globe', 'stem', 'dry-top', 0, 1, 6, 11],
  ['Boophone', 'winter', 'bulb', 'below', 'dry-and-hold', 7, 1, 5, 9, 'poisonous-sap', 'poisonous-eaten'],
  ['Bowiea', 'opportunist', 'bulb', 'below', 'dry-through', 0, 3, 8, 10, 'poisonous-eaten'],
  ['Brasiliopuntia', 'summer', 'pad', 'stem', 'dry-through', 0, 5, 9, 13, 'glochids', 'spines'],
  ['Bursera', 'summer', 'caudex', 'stem', 'dry-through', 0, 8, 12, 15],
  ['Carnegiea', 'summer', 'column', 'stem', 'dry-through', 0, -3, 4, 12, 'spines'],
  ['Cephalocereus', 'summer', 'column', 'stem', 'dry-through', 0, 4, 9, 13, 'spines'],
  ['Cereus', 'summer', 'column', 'stem', 'dry-through', 0, 0, 5, 11, 'spines'],
  ['Ceropegia', 'evergreen', 'trailing', 'below', 'dry-through', 0, 8, 11, 12],
  ['Cheiridopsis', 'winter', 'stemless', 'leaf', 'dry-through', 0, -3, 1, 7],
  ['Cleistocactus', 'summer', 'column', 'stem', 'dry-through', 0, -2, 4, 10, 'spines'],
  ['Commiphora', 'summer', 'caudex', 'stem', 'dry-through', 0, 9, 13, 16],
  ['Conophytum', 'winter', 'stemless', 'leaf', 'dry-and-hold', 4, -2, 2, 7],
  ['Copiapoa', 'summer', 'globe', 'stem', 'dry-and-hold', 4, 1, 6, 11, 'spines', 'powdery'],
  ['Coryphantha', 'summer', 'globe', 'stem', 'dry-through', 0, -3, 4, 11, 'spines'],
  ['Cotyledon', 'spring-autumn', 'stemmed', 'leaf', 'dry-through', 0, 1, 5, 9, 'powdery', 'poisonous-eaten'],
  ['Crassula', 'spring-autumn', 'stemmed', 'leaf', 'dry-through', 0, 1, 6, 9],
  ['Cussonia', 'summer', 'caudex', 'below', 'dry-top', 0, 3, 7, 11],
  ['Cyphostemma', 'summer', 'caudex', 'stem', 'dry-through', 0, 8, 12, 15, 'poisonous-eaten'],
  ['Delosperma', 'summer', 'trailing', 'leaf', 'dry-through', 0, -8, 0, 8],
  ['Dinteranthus', 'summer', 'stemless', 'leaf', 'dry-and-hold', 7, 3, 7, 12],
  ['Dioscorea', 'winter', 'caudex', 'below', 'dry-through', 0, 4, 8, 10, 'poisonous-eaten'],
  ['Discocactus', 'summer', 'globe', 'stem', 'dry-through', 0, 11, 14, 16, 'spines'],
  ['Dorstenia', 'summer', 'caudex', 'stem', 'dry-top', 0, 10, 13, 15, 'milky-sap'],
  ['Drimia', 'winter', 'bulb', 'below', 'dry-through', 0, 2, 6, 8, 'poisonous-eaten'],
  ['Drosanthemum', 'winter', 'trailing', 'leaf', 'dry-through', 0, -3, 2, 7],
  ['Dudleya', 'winter', 'rosette', 'leaf', 'dry-through', 0, 0, 4, 7, 'powdery', 'dry-heart'],
  ['Duvalia', 'summer', 'stemmed', 'stem', 'dry-through', 0, 4, 8, 12],
  ['Echeveria', 'summer', 'rosette', 'leaf', 'dry-through', 0, 1, 5, 9, 'powdery', 'dry-heart'],
  ['Echinocactus', 'summer', 'globe', 'stem', 'dry-through', 0, 3, 8, 12, 'spines'],
  ['Echinocereus', 'summer', 'column', 'stem', 'dry-through', 0, -8, 1, 10, 'spines'],
  ['Echinopsis', 'summer', 'globe', 'stem', 'dry-through', 0, -3, 4, 10, 'spines'],
  ['Epiphyllum', 'evergreen', 'pad', 'stem', 'dry-top', 0, 5, 8, 11],
  ['Epithelantha', 'summer', 'globe', 'stem', 'dry-and-hold', 3, -4, 4, 11],
  ['Eriosyce', 'summer', 'globe', 'below', 'dry-and-hold', 3, -2, 4, 10, 'spines'],
  ['Escobaria', 'summer', 'globe', 'stem', 'dry-through', 0, -10, 1, 10, 'spines'],
  ['Espostoa', 'summer', 'column', 'stem', 'dry-through', 0, 2, 7, 12, 'spines'],
  ['Euphorbia', 'summer', 'column', 'stem', 'dry-through', 0, 5, 9, 13, 'milky-sap', 'spines'],
  ['Faucaria', 'spring-autumn', 'rosette', 'leaf', 'dry-through', 0, -1, 4, 8],
  ['Fenestraria', 'winter', 'stemless', 'leaf', 'dry-and-hold', 4, 2, 6, 8],
  ['Ferocactus', 'summer', 'globe', 'stem', 'dry-through', 0, -2, 4, 11, 'spines'],
  ['Fockea', 'summer', 'caudex', 'below', 'dry-through', 0, 4, 8, 12, 'irritant-sap'],
  ['Fouquieria', 'opportunist', 'caudex', 'stem', 'dry-through', 0, 3, 8, 12, 'spines'],
  ['Frailea', 'summer', 'globe', 'stem', 'dry-top', 0, 2, 6, 11],
  ['Frithia', 'summer', 'stemless', 'leaf', 'dry-through', 0, 3, 7, 11],
  ['Gasteria', 'evergreen', 'rosette', 'leaf', 'dry-through', 0, 3, 6, 9],
  ['Gibbaeum', 'winter', 'stemless', 'leaf', 'dry-and-hold', 3, -2, 3, 7],
  ['Glottiphyllum', 'winter', 'stemless', 'leaf', 'dry-and-hold', 3, 0, 4, 8],
  ['Graptopetalum', 'evergreen', 'rosette', 'leaf', 'dry-through', 0, -2, 3, 9, 'powdery'],
  ['Gymnocalycium', 'summer', 'globe', 'stem', 'dry-through', 0, -1, 5, 10, 'spines'],
  ['Haemanthus', 'evergreen', 'bulb', 'below', 'dry-through', 0, 4, 7, 9, 'poisonous-eaten'],
  ['Hatiora', 'evergreen', 'trailing', 'stem', 'keep-damp', 0, 6, 9, 11],
  ['Haworthia', 'evergreen', 'rosette', 'leaf', 'dry-through', 0, 2, 6, 8],
  ['Haworthiopsis', 'evergreen', 'rosette', 'leaf', 'dry-through', 0, 2, 6, 8],
  ['Hoodia', 'summer', 'column', 'stem', 'dry-and-hold', 3, 5, 10, 14, 'spines'],
  ['Hoya', 'evergreen', 'trailing', 'leaf', 'dry-top', 0, 10, 12, 14, 'irritant-sap'],
  ['Huernia', 'summer', 'stemmed', 'stem', 'dry-through', 0, 5, 9, 12],
  ['Ipomoea', 'summer', 'caudex', 'below', 'dry-through', 0, 8, 12, 15],
  ['Jatropha', 'summer', 'caudex', 'stem', 'dry-through', 0, 9, 13, 16, 'poisonous-sap', 'poisonous-eaten'],
  ['Kalanchoe', 'evergreen', 'stemmed', 'leaf', 'dry-through', 0, 4, 7, 11, 'poisonous-eaten'],
  ['Lachenalia', 'winter', 'bulb', 'below', 'dry-top', 0, 0, 3, 6],
  ['Ledebouria', 'evergreen', 'bulb', 'below', 'dry-through', 0, 2, 6, 9, 'poisonous-eaten'],
  ['Lepismium', 'evergreen', 'trailing', 'stem', 'keep-damp', 0, 5, 8, 10],
  ['Lithops', 'summer', 'stemless', 'leaf', 'dry-and-hold', 7, 1, 6, 11],
  ['Lophocereus', 'summer', 'column', 'stem', 'dry-through', 0, 1, 7, 12, 'spines'],
  ['Lophophora', 'summer', 'globe', 'below', 'dry-and-hold', 4, 0, 6, 12, 'poisonous-eaten'],
  ['Mammillaria', 'summer', 'globe', 'stem', 'dry-through', 0, 0, 5, 11, 'spines'],
  ['Massonia', 'winter', 'bulb', 'below', 'dry-top', 0, 0, 3, 6],
  ['Matucana', 'summer', 'globe', 'stem', 'dry-through', 0, 3, 7, 11, 'spines'],
  ['Melocactus', 'summer', 'globe', 'stem', 'dry-top', 0, 10, 12, 16, 'spines'],
  ['Monadenium', 'summer', 'caudex', 'stem', 'dry-through', 0, 8, 12, 14, 'milky-sap'],
  ['Monilaria', 'winter', 'stemmed', 'stem', 'dry-and-hold', 4, 3, 6, 8],
  ['Myrtillocactus', 'summer', 'column', 'stem', 'dry-through', 0, 3, 8, 12, 'spines'],
  ['Obregonia', 'summer', 'globe', 'below', 'dry-and-hold', 3, 2, 7, 12],
  ['Operculicarya', 'summer', 'caudex', 'stem', 'dry-through', 0, 7, 11, 14],
  ['Opuntia', 'summer', 'pad', 'stem', 'dry-through', 0, -6, 1, 9, 'glochids', 'spines'],
  ['Oreocereus', 'summer', 'column', 'stem', 'dry-through', 0, -6, 2, 10, 'spines'],
  ['Orostachys', 'summer', 'rosette', 'leaf', 'dry-through', 0, -18, -8, 5],
  ['Othonna', 'winter', 'caudex', 'stem', 'dry-through', 0, 2, 6, 8],
  ['Oxalis', 'winter', 'bulb', 'below', 'dry-top', 0, 1, 4, 7],
  ['Pachycereus', 'summer', 'column', 'stem', 'dry-through', 0, 1, 6, 12, 'spines'],
  ['Pachyphytum', 'evergreen', 'rosette', 'leaf', 'dry-through', 0, 2, 6, 9, 'powdery'],
  ['Pachypodium', 'summer', 'caudex', 'stem', 'dry-through', 0, 8, 13, 16, 'spines', 'poisonous-sap'],
  ['Parodia', 'summer', 'globe', 'stem', 'dry-through', 0, 1, 6, 10, 'spines'],
  ['Pelargonium', 'winter', 'caudex', 'stem', 'dry-through', 0, 2, 6, 8],
  ['Peperomia', 'evergreen', 'stemmed', 'leaf', 'dry-through', 0, 9, 11, 13],
  ['Phyllanthus', 'summer', 'caudex', 'below', 'dry-top', 0, 13, 16, 18],
  ['Pilosocereus', 'summer', 'column', 'stem', 'dry-through', 0, 8, 12, 15, 'spines', 'powdery'],
  ['Pleiospilos', 'spring-autumn', 'stemless', 'leaf', 'dry-and-hold', 7, 0, 5, 10],
  ['Portulacaria', 'opportunist', 'stemmed', 'leaf', 'dry-through', 0, 0, 4, 9],
  ['Pseudolithos', 'summer', 'globe', 'stem', 'dry-and-hold', 5, 11, 15, 17],
  ['Puna', 'summer', 'pad', 'below', 'dry-through', 0, -8, 1, 9, 'glochids'],
  ['Rebutia', 'summer', 'globe', 'stem', 'dry-through', 0, -4, 3, 9],
  ['Rhipsalis', 'evergreen', 'trailing', 'stem', 'keep-damp', 0, 7, 9, 11],
  ['Sansevieria', 'evergreen', 'stiff-leaf', 'below', 'dry-and-hold', 7, 8, 11, 14, 'poisonous-eaten'],
  ['Dracaena', 'evergreen', 'stiff-leaf', 'below', 'dry-and-hold', 7, 8, 11, 14, 'poisonous-eaten'],
  ['Schlumbergera', 'evergreen', 'pad', 'stem', 'dry-top', 0, 7, 9, 11],
  ['Sclerocactus', 'spring-autumn', 'globe', 'stem', 'dry-and-hold', 3, -12, 0, 10, 'spines'],
  ['Sedum', 'summer', 'trailing', 'leaf', 'dry-through', 0, -2, 3, 8],
  ['Selenicereus', 'evergreen', 'trailing', 'stem', 'dry-top', 0, 5, 8, 12],
  ['Sempervivum', 'summer', 'rosette', 'leaf', 'dry-through', 0, -20, -15, 3],
  ['Curio', 'evergreen', 'trailing', 'leaf', 'dry-through', 0, 3, 7, 9, 'poisonous-eaten'],
  ['Senecio', 'spring-autumn', 'stemmed', 'stem', 'dry-through', 0, 3, 7, 9, 'poisonous-eaten'],
  ['Stapelia', 'summer', 'stemmed', 'stem', 'dry-through', 0, 4, 8, 12],
  ['Stenocactus', 'summer', 'globe', 'stem', 'dry-through', 0, -2, 4, 10, 'spines'],
  ['Stephania', 'summer', 'caudex', 'below', 'dry-through', 0, 12, 15, 17, 'poisonous-eaten'],
  ['Strombocactus', 'summer', 'globe', 'stem', 'dry-through', 0, 0, 6, 12],
  ['Sulcorebutia', 'summer', 'globe', 'below', 'dry-through', 0, -5, 3, 9],
  ['Tephrocactus', 'summer', 'pad', 'stem', 'dry-through', 0, -6, 1, 10, 'glochids'],
  ['Thelocactus', 'summer', 'globe', 'stem', 'dry-through', 0, -2, 5, 11, 'spines'],
  ['Titanopsis', 'spring-autumn', 'stemless', 'leaf', 'dry-and-hold', 3, -3, 3, 8],
  ['Trichodiadema', 'spring-autumn', 'caudex', 'below', 'dry-through', 0, -1, 4, 8],
  ['Turbinicarpus', 'summer', 'globe', 'below', 'dry-and-hold', 3, -2, 5, 11],
  ['Tylecodon', 'winter', 'caudex', 'stem', 'dry-through', 0, 2, 6, 8, 'poisonous-eaten'],
  ['Uebelmannia', 'summer', 'globe', 'stem', 'dry-top', 0, 10, 13, 15, 'spines'],
  ['Veltheimia', 'winter', 'bulb', 'below', 'dry-top', 0, 2, 5, 8],
  ['Weberbauerocereus', 'summer', 'column', 'stem', 'dry-through', 0, 1, 6, 11, 'spines'],
  ['Welwitschia', 'summer', 'stiff-leaf', 'below', 'dry-top', 0, 6, 10, 15],
  ['Xerosicyos', 'evergreen', 'trailing', 'leaf', 'dry-through', 0, 7, 10, 13],
  ['Yavia', 'summer', 'globe', 'below', 'dry-through', 0, -3, 4, 10],
  ['Yucca', 'summer', 'rosette', 'leaf', 'dry-through', 0, -8, 0, 9, 'spines'],
  ['Zamioculcas', 'evergreen', 'stiff-leaf', 'below', 'dry-and-hold', 7, 10, 13, 15, 'poisonous-eaten', 'irritant-sap'],
  ['Acanthocalycium', 'summer', 'globe', 'stem', 'dry-through', 0, -2, 4, 10, 'spines'],
  ['Alluaudia', 'summer', 'column', 'stem', 'dry-through', 0, 7, 11, 15, 'spines'],
  ['Aporocactus', 'evergreen', 'trailing', 'stem', 'dry-top', 0, 5, 8, 11, 'spines'],
  ['Armatocereus', 'summer', 'column', 'stem', 'dry-through', 0, 4, 9, 13, 'spines'],
  ['Arrojadoa', 'summer', 'column', 'stem', 'dry-through', 0, 8, 12, 15, 'spines'],
  ['Austrocylindropuntia', 'summer', 'column', 'stem', 'dry-through', 0, -4, 3, 9, 'glochids', 'spines'],
  ['Bergeranthus', 'spring-autumn', 'rosette', 'leaf', 'dry-through', 0, -4, 2, 7],
  ['Brachystelma', 'summer', 'bulb', 'below', 'dry-and-hold', 5, 8, 12, 15],
  ['Browningia', 'summer', 'column', 'stem', 'dry-through', 0, 4, 8, 12, 'spines'],
  ['Bulbine', 'winter', 'rosette', 'leaf', 'dry-through', 0, 0, 4, 7],
  ['Calibanus', 'summer', 'caudex', 'stem', 'dry-through', 0, 2, 7, 12],
  ['Caralluma', 'summer', 'stemmed', 'stem', 'dry-through', 0, 5, 9, 13],
  ['Carpobrotus', 'spring-autumn', 'trailing', 'leaf', 'dry-through', 0, -4, 1, 7],
  ['Cephalophyllum', 'winter', 'trailing', 'leaf', 'dry-through', 0, -1, 3, 7],
  ['Cissus', 'summer', 'caudex', 'below', 'dry-through', 0, 9, 12, 15, 'poisonous-eaten'],
  ['Consolea', 'summer', 'pad', 'stem', 'dry-through', 0, 7, 10, 14, 'glochids', 'spines'],
  ['Cumulopuntia', 'summer', 'pad', 'below', 'dry-through', 0, -8, 1, 9, 'glochids', 'spines'],
  ['Cylindropuntia', 'summer', 'column', 'stem', 'dry-through', 0, -10, 0, 10, 'glochids', 'spines'],
  ['Deuterocohnia', 'summer', 'rosette', 'leaf', 'dry-through', 0, -2, 3, 9, 'spines'],
  ['Didierea', 'summer', 'column', 'stem', 'dry-through', 0, 8, 12, 15, 'spines'],
  ['Disocactus', 'evergreen', 'trailing', 'stem', 'dry-top', 0, 5, 8, 11],
  ['Disphyma', 'spring-autumn', 'trailing', 'leaf', 'dry-through', 0, -3, 2, 7],
  ['Dyckia', 'summer', 'rosette', 'leaf', 'dry-through', 0, -4, 2, 9, 'spines'],
  ['Echidnopsis', 'summer', 'stemmed', 'stem', 'dry-through', 0, 6, 10, 13],
  ['Edithcolea', 'summer', 'stemmed', 'stem', 'dry-and-hold', 3, 11, 15, 17],
  ['Erepsia', 'winter', 'stemmed', 'leaf', 'dry-through', 0, 0, 4, 7],
  ['Eriospermum', 'winter', 'bulb', 'below', 'dry-and-hold', 5, 1, 4, 7],
  ['Eulychnia', 'summer', 'column', 'stem', 'dry-through', 0, 0, 6, 11, 'spines'],
  ['Furcraea', 'summer', 'rosette', 'leaf', 'dry-through', 0, 2, 6, 11, 'spines'],
  ['Geohintonia', 'summer', 'globe', 'stem', 'dry-and-hold', 3, 2, 7, 12],
  ['Gerrardanthus', 'summer', 'caudex', 'stem', 'dry-top', 0, 8, 12, 14],
  ['Harrisia', 'summer', 'column', 'stem', 'dry-through', 0, 3, 8, 12, 'spines'],
  ['Hechtia', 'summer', 'rosette', 'leaf', 'dry-through', 0, 0, 5, 10, 'spines'],
  ['Hereroa', 'spring-autumn', 'rosette', 'leaf', 'dry-through', 0, -2, 3, 7],
  ['Hesperaloe', 'summer', 'rosette', 'leaf', 'dry-through', 0, -10, -2, 9],
  ['Hydnophytum', 'evergreen', 'caudex', 'stem', 'keep-damp', 0, 12, 15, 17],
  ['Hylotelephium', 'summer', 'stemmed', 'leaf', 'dry-top', 0, -20, -12, 6],
  ['Ibervillea', 'summer', 'caudex', 'stem', 'dry-through', 0, 5, 9, 14],
  ['Jovibarba', 'summer', 'rosette', 'leaf', 'dry-through', 0, -20, -15, 3],
  ['Kedrostis', 'summer', 'caudex', 'stem', 'dry-through', 0, 4, 8, 12, 'poisonous-eaten'],
  ['Kleinia', 'winter', 'stemmed', 'stem', 'dry-through', 0, 4, 8, 9, 'poisonous-eaten'],
  ['Lampranthus', 'spring-autumn', 'trailing', 'leaf', 'dry-through', 0, -2, 3, 7],
  ['Lapidaria', 'spring-autumn', 'stemless', 'leaf', 'dry-and-hold', 7, 1, 6, 10],
  ['Larryleachia', 'winter', 'globe', 'stem', 'dry-and-hold', 5, 6, 10, 12],
  ['Leuchtenbergia', 'summer', 'rosette', 'below', 'dry-through', 0, -1, 5, 11],
  ['Leuenbergeria', 'summer', 'stemmed', 'leaf', 'dry-top', 0, 9, 12, 14, 'spines'],
  ['Malephora', 'spring-autumn', 'trailing', 'leaf', 'dry-through', 0, -3, 2, 7],
  ['Manfreda', 'summer', 'rosette', 'below', 'dry-through', 0, -2, 3, 9],
  ['Mestoklema', 'spring-autumn', 'caudex', 'below', 'dry-through', 0, -1, 4, 8],
  ['Micranthocereus', 'summer', 'column', 'stem', 'dry-through', 0, 8, 12, 15, 'spines'],
  ['Myrmecodia', 'evergreen', 'caudex', 'stem', 'keep-damp', 0, 12, 15, 17, 'spines'],
  ['Nananthus', 'spring-autumn', 'stemless', 'below', 'dry-and-hold', 4, -6, 1, 8],
  ['Neobuxbaumia', 'summer', 'column', 'stem', 'dry-through', 0, 4, 9, 13, 'spines'],
  ['Nolina', 'summer', 'rosette', 'stem', 'dry-through', 0, -4, 2, 10],
  ['Oophytum', 'winter', 'stemless', 'leaf', 'dry-and-hold', 5, 1, 4, 7],
  ['Ophthalmophyllum', 'winter', 'stemless', 'leaf', 'dry-and-hold', 5, 1, 5, 8],
  ['Ornithogalum', 'winter', 'bulb', 'below', 'dry-top', 0, -1, 3, 6, 'poisonous-eaten'],
  ['Orbea', 'summer', 'stemmed', 'stem', 'dry-through', 0, 4, 8, 12],
  ['Ortegocactus', 'summer', 'globe', 'stem', 'dry-and-hold', 3, 3, 8, 12],
  ['Pereskia', 'summer', 'stemmed', 'leaf', 'dry-top', 0, 8, 11, 14, 'spines'],
  ['Petopentia', 'summer', 'caudex', 'stem', 'dry-top', 0, 8, 11, 14, 'milky-sap'],
  ['Phedimus', 'summer', 'trailing', 'leaf', 'dry-top', 0, -20, -12, 5],
  ['Piaranthus', 'spring-autumn', 'stemmed', 'stem', 'dry-through', 0, 4, 8, 11],
  ['Plectranthus', 'summer', 'stemmed', 'leaf', 'dry-top', 0, 5, 8, 11],
  ['Polaskia', 'summer', 'column', 'stem', 'dry-through', 0, 2, 7, 12, 'spines'],
  ['Portulaca', 'summer', 'trailing', 'leaf', 'dry-through', 0, 5, 8, 13],
  ['Pseudobombax', 'summer', 'caudex', 'stem', 'dry-through', 0, 8, 12, 15],
  ['Pterocactus', 'summer', 'pad', 'below', 'dry-through', 0, -10, 0, 9, 'glochids'],
  ['Puya', 'summer', 'rosette', 'leaf', 'dry-through', 0, -5, 1, 8, 'spines'],
  ['Quaqua', 'winter', 'stemmed', 'stem', 'dry-through', 0, 5, 8, 10],
  ['Raphionacme', 'summer', 'bulb', 'below', 'dry-and-hold', 5, 7, 11, 14, 'milky-sap'],
  ['Rhodiola', 'summer', 'stemmed', 'below', 'dry-top', 0, -20, -12, 5],
  ['Rosularia', 'summer', 'rosette', 'leaf', 'dry-through', 0, -15, -8, 4],
  ['Ruschia', 'winter', 'stemmed', 'leaf', 'dry-through', 0, -3, 2, 7],
  ['Sarcocaulon', 'winter', 'caudex', 'stem', 'dry-through', 0, 3, 7, 9, 'spines'],
  ['Sinningia', 'summer', 'caudex', 'below', 'dry-top', 0, 5, 9, 13],
  ['Stapelianthus', 'summer', 'stemmed', 'stem', 'dry-through', 0, 8, 11, 14],
  ['Stenocereus', 'summer', 'column', 'stem', 'dry-through', 0, 5, 9, 13, 'spines'],
  ['Stetsonia', 'summer', 'column', 'stem', 'dry-through', 0, 1, 6, 11, 'spines'],
  ['Stomatium', 'spring-autumn', 'rosette', 'leaf', 'dry-through', 0, -6, 1, 7],
  ['Synadenium', 'summer', 'stemmed', 'stem', 'dry-through', 0, 7, 10, 13, 'milky-sap', 'poisonous-eaten'],
  ['Tacitus', 'evergreen', 'rosette', 'leaf', 'dry-through', 0, -2, 4, 9],
  ['Talinum', 'summer', 'stemmed', 'leaf', 'dry-top', 0, 4, 8, 12],
  ['Tavaresia', 'summer', 'stemmed', 'stem', 'dry-through', 0, 6, 10, 13],
  ['Tradescantia', 'evergreen', 'trailing', 'leaf', 'dry-top', 0, 3, 7, 10],
  ['Tulista', 'evergreen', 'rosette', 'leaf', 'dry-through', 0, 1, 5, 8],
  ['Umbilicus', 'winter', 'rosette', 'below', 'dry-top', 0, -6, 0, 6],
  ['Weingartia', 'summer', 'globe', 'below', 'dry-through', 0, -3, 4, 9, 'spines'],
  ['Tillandsia', 'evergreen', 'rosette', 'none', 'keep-damp', 0, 5, 7, 9],
  ['Asplenium', 'evergreen', 'rosette', 'none', 'keep-damp', 0, 8, 10, 12],
  ['Zygosicyos', 'summer', 'caudex', 'stem', 'dry-through', 0, 8, 12, 15],
];

const named = (names: string) => new Set(names.trim().split(/\s+/));
/**
 * In a warm room these slow down in their poor season and do not sleep: evergreen stems, tropical cacti, stapeliads, caudex
 * plants that keep their leaves. Leaf succulents do so too, but for those that draw back into a bud or a root.
 */
const SLOW_IN_WARMTH = named(`
  Euphorbia Monadenium Synadenium Dorstenia Melocactus Discocactus Uebelmannia Arrojadoa Micranthocereus
  Pilosocereus Consolea Brasiliopuntia Pereskia Leuenbergeria Stapelia Huernia Orbea Duvalia Caralluma Echidnopsis
  Tavaresia Edithcolea Pseudolithos Stapelianthus Piaranthus Senecio Beaucarnea Calibanus Nolina Cussonia Fockea
  Petopentia Welwitschia
`);
const DRAWN_BACK = named('Orostachys Hylotelephium Phedimus Rhodiola Rosularia Sempervivum Jovibarba Portulaca Talinum Manfreda');
const LEAFY_FORMS: ReadonlySet<Form> = new Set<Form>(['rosette', 'stemmed', 'trailing']);

/** When a kind sleeps, by its genus, habit, form and where it keeps its water. */
export function sleepsOf(name: string, habit: Habit, form: Form, store: Store): Sleeps {
  if (habit === 'evergreen') return 'never';
  if (habit === 'winter') return 'season';
  if (habit === 'opportunist') return 'cold';
  if (SLOW_IN_WARMTH.has(name)) return 'cold';
  return store === 'leaf' && LEAFY_FORMS.has(form) && !DRAWN_BACK.has(name) ? 'cold' : 'season';
}

export const GENERA: ReadonlyMap<string, Genus> = new Map(
  ROWS.map(([name, habit, form, store, dryRule, holdDays, minDryC, minWetC, growMinC, ...cautions]) => [
    name.toLowerCase(),
    { name, habit, sleeps: sleepsOf(name, habit, form, store), form, store, dryRule, holdDays, minDryC, minWetC, growMinC, dueM: null, cautions },
  ]),
);

/** The genus of a taxon as written, whatever stands before it (×, "cf."), or undefined where the library has none. */
export function genusOf(taxon: string | null | undefined): Genus | undefined {
  if (!taxon) return undefined;
  for (const word of taxon.replace(/[×]/g, ' ').split(/\s+/)) {
    const found = GENERA.get(word.toLowerCase());
    if (found) return found;
  }
  return undefined;
}
