/**
 * Species that live otherwise than their genus: only what differs stands here. Figures as in genera.ts, from the same handbooks,
 * rounded to the tender side.
 */
import { type Caution, type Genus, type Traits } from './genera.ts';
import { genusByAnyName, namesOfGenus } from './synonyms.ts';

export interface SpeciesTraits extends Partial<Traits> {
  /** hands and housemates, where another than the genus's */
  cautions?: readonly Caution[];
}

const SPECIES: Readonly<Record<string, SpeciesTraits>> = {
  'sedum morganianum': { habit: 'evergreen', minDryC: 4, minWetC: 7, growMinC: 11 },
  'sedum rubrotinctum': { habit: 'evergreen', form: 'stemmed', minDryC: 0, minWetC: 5 },
  'sedum acre': { minDryC: -20, minWetC: -15, growMinC: 3, cautions: ['poisonous-eaten'] },
  'sedum spathulifolium': { minDryC: -15, minWetC: -8, growMinC: 4 },
  'sedum album': { minDryC: -20, minWetC: -15, growMinC: 3 },
  'sedum rupestre': { minDryC: -20, minWetC: -15, growMinC: 3 },
  'sedum reflexum': { minDryC: -20, minWetC: -15, growMinC: 3 },
  'sedum sexangulare': { minDryC: -20, minWetC: -15, growMinC: 3 },
  'sedum spurium': { minDryC: -20, minWetC: -15, growMinC: 4 },
  'sedum kamtschaticum': { minDryC: -20, minWetC: -15, growMinC: 4 },
  'sedum hispanicum': { minDryC: -18, minWetC: -12, growMinC: 3 },
  'sedum dasyphyllum': { minDryC: -15, minWetC: -8, growMinC: 4 },
  'sedum cauticola': { minDryC: -20, minWetC: -12, growMinC: 5 },
  'sedum ewersii': { minDryC: -20, minWetC: -12, growMinC: 4 },
  'sedum telephium': { minDryC: -20, minWetC: -12, growMinC: 5 },
  'sedum spectabile': { minDryC: -20, minWetC: -12, growMinC: 5 },
  'sedum anglicum': { minDryC: -15, minWetC: -10, growMinC: 3 },
  'opuntia microdasys': { minDryC: -2, minWetC: 5, cautions: ['glochids'] },
  'opuntia humifusa': { minDryC: -22, minWetC: -12, growMinC: 8 },
  'opuntia fragilis': { minDryC: -25, minWetC: -12, growMinC: 8 },
  'opuntia polyacantha': { minDryC: -25, minWetC: -12, growMinC: 8 },
  'opuntia phaeacantha': { minDryC: -18, minWetC: -8, growMinC: 8 },
  'opuntia macrorhiza': { minDryC: -20, minWetC: -10, growMinC: 8 },
  'opuntia compressa': { minDryC: -20, minWetC: -10, growMinC: 8 },
  'opuntia ficus-indica': { minDryC: -5, minWetC: 2, growMinC: 9 },
  'cylindropuntia imbricata': { minDryC: -18, minWetC: -8, growMinC: 9 },
  'cylindropuntia whipplei': { minDryC: -18, minWetC: -8, growMinC: 9 },
  'escobaria vivipara': { minDryC: -20, minWetC: -5, growMinC: 8 },
  'escobaria missouriensis': { minDryC: -20, minWetC: -5, growMinC: 8 },
  'euphorbia obesa': { form: 'globe', minDryC: 4, minWetC: 8, cautions: ['milky-sap'] },
  'echeveria elegans': { minDryC: -3, minWetC: 3 },
  'euphorbia milii': { form: 'stemmed', habit: 'evergreen', minDryC: 8, minWetC: 11 },
  'euphorbia tirucalli': { form: 'stemmed', minDryC: 7, minWetC: 10, cautions: ['milky-sap'] },
  'euphorbia trigona': { habit: 'evergreen', minDryC: 8, minWetC: 11 },
  'euphorbia horrida': { minDryC: 0, minWetC: 5 },
  'euphorbia decaryi': { form: 'caudex', minDryC: 10, minWetC: 13, cautions: ['milky-sap'] },
  'euphorbia bupleurifolia': { form: 'caudex', dryRule: 'dry-top', minDryC: 5, minWetC: 9, cautions: ['milky-sap'] },
  'crassula ovata': { habit: 'evergreen', minDryC: 2, minWetC: 6 },
  'crassula helmsii': { habit: 'evergreen', dryRule: 'keep-damp', minDryC: -5, minWetC: -5, growMinC: 5 },
  'crassula capitella': { habit: 'summer', form: 'rosette' },
  'crassula pyramidalis': { habit: 'winter', dryRule: 'dry-and-hold', holdDays: 4 },
  'crassula umbella': { habit: 'winter', store: 'below' },
  'aloe polyphylla': { minDryC: -8, minWetC: -2, growMinC: 6, dryRule: 'dry-top' },
  'aloe aristata': { minDryC: -5, minWetC: 0, growMinC: 8 },
  'aloe vera': { minDryC: 4, minWetC: 8 },
  'aloe plicatilis': { habit: 'winter', form: 'stemmed', minDryC: 1, minWetC: 4 },
  'aloe variegata': { habit: 'spring-autumn', dryRule: 'dry-and-hold', holdDays: 3 },
  'agave parryi': { minDryC: -14, minWetC: -5 },
  'agave attenuata': { minDryC: 3, minWetC: 6, cautions: [] },
  'agave victoriae-reginae': { minDryC: -8, minWetC: 0 },
  'mammillaria plumosa': { dryRule: 'dry-and-hold', holdDays: 3, minDryC: 2, minWetC: 7, cautions: [] },
  'mammillaria luethyi': { store: 'below', dryRule: 'dry-and-hold', holdDays: 4 },
  'gymnocalycium mihanovichii': { minDryC: 6, minWetC: 10, growMinC: 13 },
  'echinocereus reichenbachii': { minDryC: -15, minWetC: -2 },
  'echinocereus triglochidiatus': { minDryC: -18, minWetC: -4 },
  'echinopsis chamaecereus': { form: 'trailing', minDryC: -6, minWetC: 2 },
  'parodia magnifica': { minDryC: 3, minWetC: 7, dryRule: 'dry-top' },
  'cleistocactus winteri': { form: 'trailing', minDryC: 3, minWetC: 8 },
  'kalanchoe beharensis': { minDryC: 6, minWetC: 10, cautions: ['poisonous-eaten', 'powdery'] },
  'kalanchoe blossfeldiana': { dryRule: 'dry-top', minDryC: 8, minWetC: 11 },
  'kalanchoe tomentosa': { dryRule: 'dry-through', minDryC: 5, minWetC: 9, cautions: ['poisonous-eaten', 'powdery'] },
  'echeveria laui': { dryRule: 'dry-and-hold', holdDays: 3, minDryC: 4, minWetC: 8 },
  'echeveria secunda': { minDryC: -3, minWetC: 3 },
  'pelargonium zonale': { form: 'stemmed', habit: 'evergreen', store: 'leaf', dryRule: 'dry-top', minDryC: 3, minWetC: 5 },
  'pelargonium graveolens': { form: 'stemmed', habit: 'evergreen', store: 'leaf', dryRule: 'dry-top', minDryC: 2, minWetC: 4 },
  'senecio rowleyanus': { habit: 'evergreen', form: 'trailing', store: 'leaf', dryRule: 'dry-top', minDryC: 4, minWetC: 8 },
  'curio rowleyanus': { habit: 'evergreen', form: 'trailing', store: 'leaf', dryRule: 'dry-top', minDryC: 4, minWetC: 8 },
  'othonna capensis': { habit: 'evergreen', form: 'trailing', store: 'leaf', minDryC: 0, minWetC: 4 },
  'peperomia caperata': { dryRule: 'dry-top', store: 'none' },
  'dioscorea mexicana': { habit: 'summer', minDryC: 8, minWetC: 12, growMinC: 15 },
  'boophone disticha': { habit: 'summer' },
  'lithops optica': { habit: 'winter', minDryC: 3, minWetC: 7 },
  'yucca elephantipes': { minDryC: 3, minWetC: 7, growMinC: 11, cautions: [] },
  'yucca filamentosa': { minDryC: -20, minWetC: -15, growMinC: 6 },
  'yucca flaccida': { minDryC: -20, minWetC: -15, growMinC: 6 },
  'yucca glauca': { minDryC: -25, minWetC: -12, growMinC: 6 },
  'yucca gloriosa': { minDryC: -15, minWetC: -10, growMinC: 7 },
  'yucca recurvifolia': { minDryC: -15, minWetC: -10, growMinC: 7 },
  'yucca rostrata': { minDryC: -15, minWetC: -6, growMinC: 8 },
  'delosperma cooperi': { minDryC: -15, minWetC: -8, growMinC: 6 },
  'delosperma nubigenum': { minDryC: -18, minWetC: -10, growMinC: 6 },
  'delosperma congestum': { minDryC: -18, minWetC: -10, growMinC: 6 },
  'hesperaloe parviflora': { minDryC: -15, minWetC: -8, growMinC: 8 },
  'dracaena marginata': { form: 'stemmed', store: 'none', dryRule: 'dry-top', minDryC: 10, minWetC: 12 },
  'dracaena reflexa': { form: 'stemmed', store: 'none', dryRule: 'dry-top', minDryC: 12, minWetC: 14 },
  'dracaena deremensis': { form: 'stemmed', store: 'none', dryRule: 'dry-top', minDryC: 12, minWetC: 14 },
  'dracaena sanderiana': { form: 'stemmed', store: 'none', dryRule: 'keep-damp', minDryC: 12, minWetC: 14 },
  'dracaena draco': { form: 'stemmed', store: 'stem', dryRule: 'dry-through', minDryC: 5, minWetC: 8 },
  'dracaena fragrans': { form: 'stemmed', store: 'none', dryRule: 'dry-top', minDryC: 10, minWetC: 12 },
  'tillandsia usneoides': { form: 'trailing', minDryC: 2, minWetC: 6 },
};

const EPITHET = /^[a-z][a-z-]+$/;
const NO_EPITHETS = new Set(['cf.', 'aff.', 'sp.', 'spp.', 'x', 'hybrid', 'unknown']);

/**
 * What is known of the species beyond its genus, under an old or a new genus name; undefined for a name without an epithet, for
 * one that is only likened ("aff."), and for species that live as their genus does.
 */
export function speciesOf(written: string | null | undefined): SpeciesTraits | undefined {
  if (!written || /\baff\./.test(written)) return undefined;
  const words = written.split(/[‘'",]/)[0]!.replaceAll('×', ' ').split(/\s+/).filter((word) => word !== '' && !NO_EPITHETS.has(word));
  const at = words.findIndex((word) => EPITHET.test(word));
  const genus: Genus | undefined = genusByAnyName(written);
  if (at < 1 || !genus) return undefined;
  for (const name of namesOfGenus(genus.name)) {
    const found = SPECIES[`${name.toLowerCase()} ${words[at]}`];
    if (found) return found;
  }
  return SPECIES[`${words[0]!.toLowerCase()} ${words[at]}`];
}

/** The species of the table, small letters all; for whoever goes through it. */
export const SPECIES_NAMES: readonly string[] = Object.keys(SPECIES);
