/**
 * What the genus library says besides the engine's own traits: light, warmth at its best, food, years in a pot, who must not
 * eat it, and where its answers are in doubt.
 *
 * Starting values for cultivated plants from general horticulture (the handbooks cited in genera.ts; for poisons the
 * plant lists of public poison centres). A genus takes its form's and habit's usual answer unless it is named here.
 */
import { poisonOf } from './poison.ts';
import type { Form, Habit } from '../garden.ts';
import { GENERA, type Genus } from './genera.ts';

export const LIGHTS = ['shade', 'filtered', 'bright', 'sun'] as const;
export type Light = (typeof LIGHTS)[number];
export const APPETITES = ['sparse', 'light', 'usual'] as const;
/** How much food it wants: one or two doses a season, three or four, or with every few waterings. */
export type Appetite = (typeof APPETITES)[number];

/** Daily light at the plant, mol m⁻² d⁻¹: from where it gets by, and the band in which it does well. */
export interface LightBand {
  getsBy: number;
  wellFrom: number;
  wellTo: number;
}

/**
 * Faust, Ball Redbook (2011), DLI requirements of ornamentals: low 3–6, medium 6–12, high 12–18, very high over 18;
 * widened for succulents, which bear less in winter and more once hardened.
 */
export const LIGHT_BANDS: Record<Light, LightBand> = {
  shade: { getsBy: 1.5, wellFrom: 3, wellTo: 9 },
  filtered: { getsBy: 3, wellFrom: 5, wellTo: 16 },
  bright: { getsBy: 5, wellFrom: 9, wellTo: 28 },
  // The brightest day on earth brings some 68: no sun is too strong for skins that are made for it.
  sun: { getsBy: 8, wellFrom: 14, wellTo: 70 },
};

/** Relative humidity in which a kind does well, %. */
export interface AirBand {
  fromPct: number;
  toPct: number;
}

export interface GenusCare {
  light: Light;
  appetite: Appetite;
  repotYears: number;
  /** day means between which it does best, and the day's height above which it suffers, °C */
  idealFromC: number;
  idealToC: number;
  ceilingC: number;
  poisonous: { people: boolean; pets: boolean };
  /** never stood in water for long: stone plants rot from the neck */
  neverSoak: boolean;
  /** minds salts in its water */
  saltSensitive: boolean;
  air: AirBand;
  /** lives outdoors: under a roof it grows long and dies within a season or two */
  failsIndoors: boolean;
  /** a year without new growth is nothing to worry about */
  slow: boolean;
  /** where keepers and books differ, or null */
  doubt: string | null;
}

const LIGHT_BY_FORM: Record<Form, Light> = {
  globe: 'sun', column: 'sun', pad: 'sun', rosette: 'bright', stemmed: 'bright', trailing: 'bright', caudex: 'bright',
  bulb: 'bright', stemless: 'sun', 'stiff-leaf': 'filtered',
};
const APPETITE_BY_FORM: Record<Form, Appetite> = {
  globe: 'light', column: 'usual', pad: 'usual', rosette: 'light', stemmed: 'light', trailing: 'usual', caudex: 'usual',
  bulb: 'light', stemless: 'sparse', 'stiff-leaf': 'sparse',
};
const YEARS_BY_FORM: Record<Form, number> = {
  globe: 3, column: 3, pad: 2, rosette: 2, stemmed: 2, trailing: 2, caudex: 3, bulb: 3, stemless: 4, 'stiff-leaf': 3,
};
const IDEAL_BY_HABIT: Record<Habit, readonly [number, number, number]> = {
  summer: [18, 30, 40], winter: [10, 21, 31], 'spring-autumn': [14, 25, 35], evergreen: [16, 27, 35],
  opportunist: [14, 29, 38],
};

const named = (names: string) => new Set(names.trim().split(/\s+/));
const SHADE = named('Asplenium Hydnophytum Myrmecodia Rhipsalis Lepismium Zamioculcas Sinningia Peperomia Umbilicus');
const FILTERED = named(`
  Haworthia Haworthiopsis Tulista Gasteria Hoya Epiphyllum Disocactus Aporocactus Schlumbergera Hatiora Selenicereus
  Ceropegia Ledebouria Phyllanthus Dorstenia Stephania Dioscorea Tradescantia Plectranthus Gerrardanthus Petopentia
  Huernia Stapelianthus Blossfeldia Frailea Haemanthus Pseudolithos
`);
const SUN = named(`
  Agave Yucca Hesperaloe Dudleya Sempervivum Jovibarba Fouquieria Hechtia Dyckia Delosperma Lampranthus Portulaca
  Carpobrotus Opuntia Welwitschia Puya Nolina Didierea Alluaudia Adenium Pachypodium
`);
const SPARSE = named(`
  Ariocarpus Aztekium Strombocactus Geohintonia Blossfeldia Yavia Copiapoa Boophone Zamioculcas Welwitschia
  Fouquieria Pseudolithos Ortegocactus Sempervivum Turbinicarpus Lophophora Obregonia Haworthia
`);
const USUAL = named('Epiphyllum Schlumbergera Adenium Pelargonium Echinopsis Cereus Aeonium Hoya Kalanchoe');
const SLOW = named(`
  Ariocarpus Aztekium Geohintonia Strombocactus Blossfeldia Copiapoa Welwitschia Operculicarya Beaucarnea Boophone
  Sclerocactus Uebelmannia Obregonia Yavia Cyphostemma Fockea Zamioculcas Conophytum Lithops Lapidaria Dinteranthus
`);
const SALT_SENSITIVE = named(`
  Rhipsalis Lepismium Hatiora Schlumbergera Epiphyllum Disocactus Aporocactus Selenicereus Hoya Tillandsia
  Hydnophytum Myrmecodia Asplenium Blossfeldia Frailea Uebelmannia Sulcorebutia Rebutia Haworthia Conophytum Lithops
`);
const EACH_YEAR = named('Epiphyllum Schlumbergera Tradescantia Plectranthus Portulaca Oxalis');

const DOUBTS: Readonly<Record<string, string>> = {
  Aeonium: 'Some grow on through a cool summer; others shut their hearts from May.',
  Aloe: 'Small South African kinds rest in deep winter, some of the winter-rain coast in summer.',
  Adromischus: 'Grows whenever it is neither hot nor cold; rests differ from keeper to keeper.',
  Anacampseros: 'Called a summer grower by some; it slows in the worst heat.',
  Bowiea: 'Grows when it is watered after rest, in either half of the year.',
  Boophone: 'Two growing seasons within the genus: B. disticha often grows in summer.',
  Bulbine: 'Leafy kinds hardly rest; caudex-forming ones sleep all summer.',
  Ceropegia: 'Stem-succulent kinds want a drier rest than the tuberous vines.',
  Crassula: 'Winter, summer and opportunist growers in one genus: watch the new leaves of yours.',
  Cotyledon: 'Grows in spring and autumn for most; some keepers see none but a winter pause.',
  Cyphostemma: 'Leaf fall is no guide in a warm room: it may stay in leaf all winter.',
  Delosperma: 'Hardiness differs by 15 degrees within the genus.',
  Dioscorea: 'D. elephantipes may turn to summer growth in the north; follow the vine.',
  Dorstenia: 'Leafy kinds want more water than the fat ones.',
  Dracaena: 'Trees of this genus want other care; this row is for those known as Sansevieria.',
  Dudleya: 'Bears summer water worse in heat than in the cool of a coast.',
  Echeveria: 'Mexican highland kinds bear light frost dry; soft hybrids do not.',
  Eriosyce: 'Coastal kinds rest in summer and drink in winter fog; this row is for the inland ones.',
  Euphorbia: 'Hundreds of succulents of every form: check form and season of yours.',
  Fouquieria: 'Leafs and drops several times a year with rain.',
  Haworthia: 'Slows in high summer and in deep winter; keepers differ on which is the rest.',
  Ipomoea: 'Few of the genus are caudex plants; this row is for these.',
  Jatropha: 'Some evergreen in warmth.',
  Kalanchoe: 'Leafy florist kinds want more water than the felted ones.',
  Kleinia: 'East African kinds grow in summer.',
  Lithops: 'A summer pause in hot houses is held against the growing season by some.',
  Ledebouria: 'Evergreen in a warm room, leafless after a cold winter.',
  Nananthus: 'Called winter or summer grower; the root decides.',
  Ornithogalum: 'Summer growers exist in the genus.',
  Othonna: 'O. capensis and other leafy trailers hardly rest.',
  Oxalis: 'Winter growers here; summer-growing kinds exist.',
  Pelargonium: 'Caudex and tuber kinds here; the bedding plants want other care.',
  Peperomia: 'Only the succulent kinds; leafy ones want steady damp.',
  Portulacaria: 'Takes rain at any season and stops when it is cold.',
  Sansevieria: 'Now placed in Dracaena; the care is the same under both names.',
  Sarcocaulon: 'Now often placed in Monsonia.',
  Sedum: 'Mexican tender kinds and hardy northern ones in one genus: mind the lowest night.',
  Senecio: 'Of many habits; succulent ones are split into Curio, Kleinia, Caputia and others.',
  Sinningia: 'Tubers may rest dry or slow in leaf.',
  Tillandsia: 'Lives without mix: a soak or a mist counts, the pot does not.',
  Asplenium: 'A fern, sold under a name that Sansevieria bears too.',
  Trichodiadema: 'Evergreen where winters are mild.',
  Tylecodon: 'The leaf drop, not the date, tells when to stop.',
  Yucca: 'From hard frost to none, by species.',
};

/** Forest epiphytes and their like want moist air. */
const MOIST_AIR = named(`
  Asplenium Hydnophytum Myrmecodia Rhipsalis Lepismium Hoya Epiphyllum Disocactus Aporocactus Schlumbergera Hatiora
  Selenicereus Sinningia Peperomia Tillandsia Dorstenia Plectranthus Tradescantia Begonia Dischidia
`);
/** Of mountains and steppes: they want frost, wind and the open sky. */
const OUTDOORS = named(
  'Sempervivum Jovibarba Orostachys Rosularia Delosperma Lewisia Maihuenia Chiastophyllum Prometheum Rhodiola Hylotelephium Umbilicus',
);
/** Desert kinds bear the driest rooms and mind wet air; the others lie between (greenhouse practice, rounded). */
const DRY_AIR: AirBand = { fromPct: 15, toPct: 65 };
const USUAL_AIR: AirBand = { fromPct: 20, toPct: 70 };
const FOREST_AIR: AirBand = { fromPct: 50, toPct: 90 };

function airOf(name: string, form: Form): AirBand {
  if (MOIST_AIR.has(name)) return FOREST_AIR;
  return form === 'globe' || form === 'column' || form === 'pad' || form === 'stemless' ? DRY_AIR : USUAL_AIR;
}

function careOf(genus: Genus): GenusCare {
  const { name, form, habit } = genus;
  const [idealFromC, idealToC, ceilingC] = IDEAL_BY_HABIT[habit];
  const { eaten } = poisonOf(name, genus.cautions);
  return {
    light: SHADE.has(name) ? 'shade' : FILTERED.has(name) ? 'filtered' : SUN.has(name) ? 'sun' : LIGHT_BY_FORM[form],
    appetite: SPARSE.has(name) ? 'sparse' : USUAL.has(name) ? 'usual' : APPETITE_BY_FORM[form],
    repotYears: EACH_YEAR.has(name) ? 1 : SLOW.has(name) ? YEARS_BY_FORM[form] + 1 : YEARS_BY_FORM[form],
    idealFromC: Math.max(idealFromC, genus.growMinC), idealToC, ceilingC,
    poisonous: { people: eaten.people === 'yes', pets: eaten.dogs === 'yes' || eaten.cats === 'yes' || eaten.others === 'yes' },
    neverSoak: form === 'stemless',
    saltSensitive: SALT_SENSITIVE.has(name),
    air: airOf(name, form),
    failsIndoors: OUTDOORS.has(name),
    slow: SLOW.has(name),
    doubt: DOUBTS[name] ?? null,
  };
}

const CARE: ReadonlyMap<string, GenusCare> = new Map([...GENERA].map(([key, genus]) => [key, careOf(genus)]));

/** For a plant whose genus the library does not know: light for its form, hardly any food, taken for poisonous. */
export function genusCare(genus: Genus | undefined, form: Form, habit: Habit): GenusCare {
  const known = genus && CARE.get(genus.name.toLowerCase());
  if (known) return known;
  const [idealFromC, idealToC, ceilingC] = IDEAL_BY_HABIT[habit];
  return {
    light: LIGHT_BY_FORM[form], appetite: 'sparse', repotYears: YEARS_BY_FORM[form], idealFromC, idealToC, ceilingC: Math.min(ceilingC, 35),
    poisonous: { people: true, pets: true }, neverSoak: form === 'stemless', saltSensitive: true,
    air: airOf('', form), failsIndoors: false, slow: false, doubt: null,
  };
}
