/** Names for one and the same: genera that were joined or split, hybrid genera, and names in common use that fit several. */
import { GENERA, type Genus, genusOf } from './genera.ts';

/** Old or other names, each with the genus whose care fits. A name that is a row of the library needs no entry. */
const OTHER_NAMES: Readonly<Record<string, string>> = {
  lobivia: 'Echinopsis', trichocereus: 'Echinopsis', chamaecereus: 'Echinopsis', pseudolobivia: 'Echinopsis',
  soehrensia: 'Echinopsis', chamaelobivia: 'Echinopsis', notocactus: 'Parodia', eriocactus: 'Parodia',
  wigginsia: 'Parodia', brasilicactus: 'Parodia', neoporteria: 'Eriosyce', neochilenia: 'Eriosyce', islaya: 'Eriosyce',
  horridocactus: 'Eriosyce', pyrrhocactus: 'Eriosyce', thelocephala: 'Eriosyce', cochemiea: 'Mammillaria',
  dolichothele: 'Mammillaria', mammilloydia: 'Mammillaria', solisia: 'Mammillaria', bartschella: 'Mammillaria',
  kroenleinia: 'Echinocactus', homalocephala: 'Echinocactus', echinofossulocactus: 'Stenocactus',
  hamatocactus: 'Thelocactus', glandulicactus: 'Sclerocactus', pediocactus: 'Sclerocactus', toumeya: 'Sclerocactus',
  ancistrocactus: 'Sclerocactus', pelecyphora: 'Escobaria', neolloydia: 'Coryphantha', cumarinia: 'Coryphantha',
  mediolobivia: 'Aylostera', borzicactus: 'Matucana', hildewintera: 'Cleistocactus', winterocereus: 'Cleistocactus',
  pseudoespostoa: 'Espostoa', pilocereus: 'Pilosocereus', wilcoxia: 'Echinocereus', morangaya: 'Echinocereus',
  zygocactus: 'Schlumbergera', rhipsalidopsis: 'Hatiora', nopalxochia: 'Disocactus', hylocereus: 'Selenicereus',
  weberocereus: 'Selenicereus', cryptocereus: 'Selenicereus', maihueniopsis: 'Tephrocactus', grusonia: 'Cylindropuntia',
  kumara: 'Aloidendron', aristaloe: 'Aloe', gonialoe: 'Aloe', aloiampelos: 'Aloe', chortolirion: 'Aloe',
  gasteraloe: 'Gasteria', gasterhaworthia: 'Gasteria', astroworthia: 'Haworthia', mangave: 'Agave',
  polianthes: 'Manfreda', graptoveria: 'Echeveria', sedeveria: 'Echeveria', pachyveria: 'Pachyphytum',
  graptosedum: 'Graptopetalum', cremneria: 'Echeveria', cremnosedum: 'Sedum', villadia: 'Sedum', greenovia: 'Aeonium',
  monanthes: 'Aichryson', bryophyllum: 'Kalanchoe', kitchingia: 'Kalanchoe', caputia: 'Senecio', baculellum: 'Senecio',
  notonia: 'Kleinia', urginea: 'Drimia', rhadamanthus: 'Drimia', schizobasis: 'Bowiea', whiteheadia: 'Massonia',
  daubenya: 'Massonia', polyxena: 'Lachenalia', scilla: 'Ledebouria', brunsvigia: 'Boophone', ammocharis: 'Boophone',
  cyrtanthus: 'Haemanthus', testudinaria: 'Dioscorea', merremia: 'Ipomoea', monsonia: 'Sarcocaulon',
  elaeophorbia: 'Euphorbia', pedilanthus: 'Euphorbia', seyrigia: 'Xerosicyos', momordica: 'Kedrostis',
  coccinia: 'Kedrostis', trochomeria: 'Kedrostis', boswellia: 'Commiphora', pachycormus: 'Bursera',
  tromotriche: 'Stapelia', orbeopsis: 'Orbea', stultitia: 'Orbea', apteranthes: 'Caralluma', boucerosia: 'Caralluma',
  desmidorchis: 'Caralluma', trichocaulon: 'Hoodia', lavrania: 'Larryleachia', dischidia: 'Hoya',
  mesembryanthemum: 'Lampranthus', oscularia: 'Lampranthus', aptenia: 'Delosperma', ebracteola: 'Bergeranthus',
  rhombophyllum: 'Hereroa', juttadinteria: 'Dinteranthus', schwantesia: 'Lapidaria', tanquana: 'Pleiospilos',
  didymaotus: 'Pleiospilos', rabiea: 'Nananthus', prepodesma: 'Nananthus', neohenricia: 'Stomatium',
  meyerophytum: 'Monilaria', mitrophyllum: 'Monilaria', dactylopsis: 'Monilaria', avonia: 'Anacampseros',
  ceraria: 'Portulacaria', talinopsis: 'Talinum', prometheum: 'Rosularia', sinocrassula: 'Orostachys',
  meterostachys: 'Orostachys', kungia: 'Orostachys', abromeitiella: 'Deuterocohnia', dasylirion: 'Nolina',
};

/** A common name, and what it may mean. More than one genus: the keeper must say which before any care is loaded. */
export interface CommonName {
  name: string;
  genera: readonly string[];
}

export const COMMON_NAMES: readonly CommonName[] = [
  ['bird’s nest', 'Dracaena', 'Asplenium'], ['hens and chicks', 'Sempervivum', 'Echeveria', 'Jovibarba'],
  ['hen and chicks', 'Sempervivum', 'Echeveria', 'Jovibarba'], ['house leek', 'Sempervivum', 'Jovibarba'],
  ['living stone', 'Lithops', 'Dinteranthus', 'Conophytum'], ['money plant', 'Crassula', 'Portulacaria'],
  ['jade plant', 'Crassula', 'Portulacaria'], ['elephant’s foot', 'Dioscorea', 'Beaucarnea', 'Pachypodium'],
  ['ponytail', 'Beaucarnea'], ['desert rose', 'Adenium', 'Echeveria'], ['string of pearls', 'Curio'],
  ['string of hearts', 'Ceropegia'], ['donkey’s tail', 'Sedum', 'Euphorbia'], ['burro’s tail', 'Sedum'],
  ['christmas cactus', 'Schlumbergera'], ['easter cactus', 'Hatiora', 'Schlumbergera'],
  ['orchid cactus', 'Epiphyllum', 'Disocactus'], ['night queen', 'Selenicereus', 'Epiphyllum'],
  ['rat’s tail', 'Aporocactus', 'Crassula'], ['mother in law’s tongue', 'Dracaena'], ['snake plant', 'Dracaena'],
  ['mother in law’s cushion', 'Echinocactus'], ['golden barrel', 'Echinocactus'],
  ['barrel cactus', 'Ferocactus', 'Echinocactus'], ['prickly pear', 'Opuntia'], ['bunny ears', 'Opuntia'],
  ['old man', 'Cephalocereus', 'Oreocereus', 'Espostoa'], ['bishop’s cap', 'Astrophytum'],
  ['sand dollar', 'Astrophytum'], ['zebra plant', 'Haworthiopsis', 'Haworthia'],
  ['window plant', 'Fenestraria', 'Haworthia', 'Frithia'], ['baby toes', 'Fenestraria', 'Frithia'],
  ['split rock', 'Pleiospilos'], ['tiger jaws', 'Faucaria'], ['ice plant', 'Delosperma', 'Lampranthus', 'Carpobrotus'],
  ['crown of thorns', 'Euphorbia'], ['pencil plant', 'Euphorbia'], ['milk bush', 'Euphorbia', 'Synadenium'],
  ['carrion flower', 'Stapelia', 'Orbea', 'Huernia'], ['starfish flower', 'Stapelia', 'Orbea'],
  ['century plant', 'Agave'], ['torch plant', 'Aloe', 'Echinopsis'], ['ox tongue', 'Gasteria'],
  ['spineless yucca', 'Yucca'], ['elephant bush', 'Portulacaria'], ['ghost plant', 'Graptopetalum'],
  ['moonstones', 'Pachyphytum'], ['flaming katy', 'Kalanchoe'], ['panda plant', 'Kalanchoe'],
  ['zz plant', 'Zamioculcas'], ['wax flower', 'Hoya'], ['corkscrew albuca', 'Albuca'], ['climbing onion', 'Bowiea'],
  ['ant plant', 'Myrmecodia', 'Hydnophytum'], ['air plant', 'Tillandsia'], ['thanksgiving cactus', 'Schlumbergera'],
  ['moon cactus', 'Gymnocalycium'], ['mother of thousands', 'Kalanchoe'], ['string of bananas', 'Curio'],
  ['string of dolphins', 'Curio'], ['old lady cactus', 'Mammillaria'], ['pincushion', 'Mammillaria'],
  ['powder puff', 'Mammillaria'], ['fishbone cactus', 'Epiphyllum', 'Selenicereus'], ['peanut cactus', 'Echinopsis'],
  ['african milk tree', 'Euphorbia'], ['tree houseleek', 'Aeonium'], ['san pedro', 'Echinopsis'],
  ['madagascar palm', 'Pachypodium'], ['jelly bean', 'Sedum'], ['mistletoe cactus', 'Rhipsalis'],
  ['coral cactus', 'Euphorbia', 'Rhipsalis'], ['star cactus', 'Astrophytum'],
  ['lady finger cactus', 'Mammillaria', 'Echinocereus'], ['hedgehog cactus', 'Echinocereus', 'Echinopsis'],
  ['peyote', 'Lophophora', 'Ariocarpus'], ['ocotillo', 'Fouquieria'],
  ['stonecrop', 'Sedum', 'Hylotelephium', 'Phedimus'], ['roseroot', 'Rhodiola'], ['cape aloe', 'Aloe'],
].map(([name, ...genera]) => ({ name: name!, genera }));

/** The genus whose care fits a name, whether it is written by an old, a new or a hybrid name. */
export function genusByAnyName(written: string | null | undefined): Genus | undefined {
  const direct = genusOf(written);
  if (direct || !written) return direct;
  for (const word of written.replace(/[×]/g, ' ').split(/\s+/)) {
    const other = OTHER_NAMES[word.toLowerCase()];
    if (other) return GENERA.get(other.toLowerCase());
  }
  return undefined;
}

/** Every name under which a genus goes, its own first. */
export function namesOfGenus(genus: string): string[] {
  return [genus, ...Object.entries(OTHER_NAMES).filter(([, name]) => name === genus).map(([other]) => other[0]!.toUpperCase() + other.slice(1))];
}

export interface NameSuggestion {
  genus: string;
  /** the name that matched, where it is another than the genus's own */
  by: string | null;
}

const plain = (text: string) => text.toLowerCase().replaceAll('’', "'").replaceAll(/[\s-]+/g, ' ').trim();

/**
 * Genera that fit what is typed so far: genus names first, then other names, then common ones.
 * `suggestGenera('bird')` gives both Dracaena and Asplenium: which is meant is for the keeper to say.
 */
export function suggestGenera(typed: string, most = 8): NameSuggestion[] {
  const start = plain(typed).replace(/^[×x] ?/, '');
  const [first = ''] = start.split(' ');
  if (first === '') return [];
  const found = new Map<string, NameSuggestion>();
  for (const { name } of GENERA.values()) if (name.toLowerCase().startsWith(first)) found.set(name, { genus: name, by: null });
  for (const [other, genus] of Object.entries(OTHER_NAMES)) {
    if (other.startsWith(first) && !found.has(genus)) found.set(genus, { genus, by: other[0]!.toUpperCase() + other.slice(1) });
  }
  for (const { name, genera } of COMMON_NAMES) {
    if (!plain(name).includes(start)) continue;
    for (const genus of genera) if (!found.has(genus)) found.set(genus, { genus, by: name });
  }
  return [...found.values()].slice(0, most);
}

/** What a name in common use may mean; of several that fit, the longest says most: a golden barrel is no barrel cactus. */
function commonMeanings(written: string): readonly string[] {
  if (genusByAnyName(written)) return [];
  const [most] = COMMON_NAMES.filter(({ name }) => plain(written).includes(plain(name))).toSorted((a, b) => b.name.length - a.name.length);
  return most?.genera ?? [];
}

/** The genus that a common name means where it means but one: "Christmas cactus" is a Schlumbergera. Null for any other. */
export function commonGenus(written: string): string | null {
  const meanings = commonMeanings(written);
  return meanings.length === 1 ? meanings[0]! : null;
}

/** Genera between which the keeper must choose, where a name in common use fits more than one. Null where the name is clear. */
export function unclearName(written: string): readonly string[] | null {
  const meanings = commonMeanings(written);
  return meanings.length > 1 ? meanings : null;
}
