/**
 * Whom a plant harms, and how: eaten, on skin, in eyes. What is not known is said to be unknown, never safe.
 *
 * Sources: lists that veterinary and human poison centres publish for house plants, by genus, taken to the cautious side
 * where they differ; sap from general horticulture (Rowley, Caudiciform and Pachycaul Succulents). It is no medical advice.
 */
import type { Caution } from './genera.ts';

export const WHOM = ['people', 'dogs', 'cats', 'others'] as const;
export type Whom = (typeof WHOM)[number];
export type Harms = 'yes' | 'no' | 'unknown';

export interface Poison {
  eaten: Record<Whom, Harms>;
  /** of its sap */
  skin: Harms;
  eyes: Harms;
}

const named = (names: string) => new Set(names.trim().split(/\s+/));
/** Dogs and cats are poisoned by what does people little harm, or of which people know too little. */
const PETS = named(
  'Pelargonium Aloe Aloidendron Crassula Yucca Portulaca Plectranthus Cussonia Dioscorea Tradescantia Agave Furcraea Bulbine',
);
/** Eaten by all three without harm, as far as the lists go; of other animals they say nothing. */
const HARMLESS = named(`
  Haworthia Haworthiopsis Tulista Gasteria Echeveria Sempervivum Jovibarba Graptopetalum Pachyphytum Schlumbergera
  Hatiora Rhipsalis Lepismium Epiphyllum Disocactus Aporocactus Selenicereus Hoya Peperomia Beaucarnea Lithops
  Conophytum Mammillaria Rebutia Echinopsis Gymnocalycium Opuntia Ceropegia
`);
const SAP_ON_SKIN: readonly Caution[] = ['milky-sap', 'irritant-sap', 'poisonous-sap'];
const SAP_EATEN: readonly Caution[] = ['milky-sap', 'poisonous-sap', 'poisonous-eaten'];

/**
 * @param genus as the library names it; null or one that it does not know: nothing is known of it
 * @param cautions of the plant itself, its species' where it has one
 */
export function poisonOf(genus: string | null, cautions: readonly Caution[]): Poison {
  const eats = cautions.some((caution) => SAP_EATEN.includes(caution));
  const sap: Harms = cautions.some((caution) => SAP_ON_SKIN.includes(caution)) ? 'yes' : 'unknown';
  const harmless = genus !== null && HARMLESS.has(genus);
  const rest: Harms = eats ? 'yes' : harmless ? 'no' : 'unknown';
  const pets: Harms = eats || (genus !== null && PETS.has(genus)) ? 'yes' : rest;
  return {
    eaten: { people: rest, dogs: pets, cats: pets, others: eats ? 'yes' : 'unknown' },
    skin: sap === 'unknown' && rest === 'no' ? 'no' : sap,
    eyes: sap,
  };
}
