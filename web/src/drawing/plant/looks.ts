/**
 * What a plant looks like, as far as its name tells: a look for each group of genera that a keeper tells apart at a glance,
 * crests and variegation by name; the form decides where the name says nothing.
 */

/** Told apart by ribs, spines, windows, tubercles, ranks of leaves; each has a drawing from the side and from above. */
export const LOOKS = [
  'ribs',
  'tubercles',
  'wool-ball',
  'star',
  'rock-rosette',
  'smooth-ball',
  'pillar',
  'wool-pillar',
  'fingers',
  'pads',
  'straps',
  'links',
  'strings',
  'sword-rosette',
  'window-rosette',
  'banded-rosette',
  'tongues',
  'spoon-rosette',
  'tree-rosette',
  'spike-rosette',
  'house-leeks',
  'coin-shrub',
  'stacked',
  'felt-shrub',
  'thorn-shrub',
  'leaf-shrub',
  'bead-trail',
  'tail-trail',
  'heart-trail',
  'leaf-trail',
  'swollen',
  'swollen-thorny',
  'swollen-plated',
  'strap-bulb',
  'curl-bulb',
  'flat-bulb',
  'cleft-pair',
  'bodies',
  'split-rock',
  'warty',
  'clubs',
  'jaws',
  'sickles',
  'banded-swords',
] as const;
export type LookName = (typeof LOOKS)[number];

export type Tint = 'blue' | 'grey' | 'red' | 'brown' | 'yellow' | 'pale';

export interface PlantLook {
  look: LookName;
  tint: Tint | null;
  /** grown into a crest */
  crested: boolean;
  /** leaves or ribs partly without green */
  variegated: boolean;
}

const BY_FORM: Readonly<Record<string, LookName>> = {
  globe: 'ribs',
  column: 'pillar',
  pad: 'pads',
  rosette: 'spoon-rosette',
  stemmed: 'leaf-shrub',
  trailing: 'leaf-trail',
  caudex: 'swollen',
  bulb: 'strap-bulb',
  stemless: 'bodies',
  'stiff-leaf': 'banded-swords',
};

/** Genera by what they look like; those that look as their form does are not named. */
const BY_GENUS: Partial<Record<LookName, string>> = {
  tubercles:
    'mammillaria coryphantha escobaria rebutia aylostera sulcorebutia weingartia turbinicarpus thelocactus neolloydia pelecyphora frailea ortegocactus',
  'wool-ball': 'epithelantha copiapoa discocactus melocactus lophophora yavia',
  star: 'astrophytum aztekium geohintonia',
  'rock-rosette': 'ariocarpus obregonia strombocactus leuchtenbergia',
  'smooth-ball': 'pseudolithos larryleachia blossfeldia',
  'wool-pillar': 'espostoa oreocereus cephalocereus cleistocactus micranthocereus arrojadoa',
  fingers:
    'huernia stapelia duvalia caralluma echidnopsis edithcolea orbea piaranthus quaqua stapelianthus tavaresia hoodia monadenium aporocactus',
  straps: 'epiphyllum disocactus lepismium',
  links: 'schlumbergera hatiora',
  strings: 'rhipsalis selenicereus',
  'sword-rosette':
    'aloe bulbine dyckia hechtia deuterocohnia puya nolina hesperaloe beaucarnea tillandsia asplenium calibanus',
  'window-rosette': 'haworthia tulista',
  'banded-rosette': 'haworthiopsis',
  tongues: 'gasteria',
  'tree-rosette': 'aeonium aichryson aloidendron',
  'spike-rosette': 'agave yucca furcraea manfreda',
  'house-leeks': 'sempervivum jovibarba rosularia orostachys umbilicus',
  'coin-shrub': 'portulacaria adromischus peperomia zamioculcas pachyphytum cotyledon hylotelephium rhodiola',
  'felt-shrub': 'kalanchoe plectranthus',
  'thorn-shrub': 'alluaudia didierea fouquieria pereskia leuenbergeria',
  'bead-trail': 'curio',
  'tail-trail': 'sedum',
  'heart-trail': 'ceropegia hoya xerosicyos',
  'swollen-thorny': 'pachypodium sarcocaulon trichodiadema mestoklema myrmecodia hydnophytum',
  'swollen-plated': 'dioscorea fockea petopentia stephania',
  'curl-bulb': 'ornithogalum',
  'flat-bulb': 'haemanthus massonia brunsvigia boophone eriospermum',
  'cleft-pair': 'lithops dinteranthus argyroderma lapidaria gibbaeum',
  'split-rock': 'pleiospilos',
  warty: 'titanopsis aloinopsis nananthus',
  clubs: 'fenestraria frithia',
  jaws: 'faucaria stomatium bergeranthus hereroa',
  sickles: 'cheiridopsis glottiphyllum cephalophyllum carpobrotus malephora',
  'banded-swords': 'sansevieria',
};

/** Kinds that look otherwise than their genus. */
const BY_SPECIES: readonly (readonly [RegExp, LookName])[] = [
  [/^mammillaria (hahniana|plumosa|bocasana|bombycina|elongata)/, 'wool-ball'],
  [/^euphorbia (obesa|meloformis|symmetrica|valida)/, 'smooth-ball'],
  [/^euphorbia milii/, 'thorn-shrub'],
  [/^euphorbia (tirucalli|caput-medusae|flanaganii)/, 'strings'],
  [/^crassula (ovata|arborescens|portulacea)/, 'coin-shrub'],
  [/^crassula (perforata|rupestris|pyramidalis|columnaris|mesembryanthemopsis|.*buddha)/, 'stacked'],
  [/^sedum (morganianum|burrito)/, 'tail-trail'],
  [/^sedum (?!morganianum|burrito)/, 'stacked'],
  [/^echinopsis (pachanoi|peruviana|candicans)/, 'pillar'],
  [/^echinopsis chamaecereus/, 'fingers'],
  [/^albuca (spiralis|namaquensis|concordiana)/, 'curl-bulb'],
  [/^senecio rowleyanus/, 'bead-trail'],
  [/^aloe (plicatilis)/, 'tongues'],
  [/^aloe (variegata|aristata)/, 'banded-rosette'],
];

const TINTS: readonly (readonly [RegExp, Tint])[] = [
  [
    /^(pilosocereus|dudleya|agave (parryi|titanota)|echeveria (laui|lilacina|runyonii)|pachyphytum|graptopetalum)|glauc/,
    'blue',
  ],
  [/^(titanopsis|aloinopsis|fenestraria|conophytum|argyroderma|dinteranthus|ariocarpus)/, 'grey'],
  [/(rubr|‘[^’]*(red|night|ruby|black|wine)|zwartkop|arboreum.*night)/i, 'red'],
  [/^(lithops|pleiospilos|pseudolithos)/, 'brown'],
  [/^(sedum.*(gold|aureum)|mammillaria elongata|cleistocactus winteri|parodia leninghausii)/, 'yellow'],
  [/^(mammillaria (plumosa|hahniana)|espostoa|oreocereus|cephalocereus|tillandsia|copiapoa)/, 'pale'],
];

const lookByGenus = new Map(
  Object.entries(BY_GENUS).flatMap(([look, genera]) => genera.split(' ').map((genus) => [genus, look as LookName])),
);

/** Words after genus and species, or in quotes: "Aloe variegata" is a species, "Agave americana variegata" is not green all over. */
const VARIEGATED = /variegat|marginat|mediopict|medio-pict|aureo|albo-?(marg|var)/i;
const CRESTED = /crist|crest|monstr/i;

const known = new Map<string, PlantLook>();
/** As many as the largest collection has names; then it begins anew. */
const MOST_KNOWN = 20_000;

/** The look of a plant by its name as written and its form; the same is not read twice. */
export function lookOf(name: string, form: string): PlantLook {
  const key = `${form} ${name}`;
  const before = known.get(key);
  if (before) return before;
  if (known.size >= MOST_KNOWN) known.clear();
  const look = readLook(name, form);
  known.set(key, look);
  return look;
}

function readLook(name: string, form: string): PlantLook {
  const plain = name
    .trim()
    .toLowerCase()
    .replace(/^[^a-z‘'"]+/, '')
    .replaceAll(/\b(cf|aff)\.\s*/g, '')
    .replaceAll('×', '')
    .replaceAll(/\s+/g, ' ');
  const [genus = ''] = plain.split(' ');
  const further = plain.split(' ').slice(2).join(' ');
  const look =
    BY_SPECIES.find(([words]) => words.test(plain))?.[1] ?? ofGenus(genus, form) ?? BY_FORM[form] ?? 'spoon-rosette';
  return {
    look,
    tint: TINTS.find(([words]) => words.test(plain))?.[1] ?? null,
    crested: CRESTED.test(further) || /^\S+ ‘[^’]*crest/.test(plain),
    variegated: VARIEGATED.test(further),
  };
}

/** A genus that was put into another form by its keeper looks as the form: a trailing Euphorbia is no pillar. */
function ofGenus(genus: string, form: string): LookName | null {
  const look = lookByGenus.get(genus);
  return look === undefined || (form === 'globe' && look === 'wool-pillar') ? null : look;
}
