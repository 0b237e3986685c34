/** How a kind lives beyond its season: what of the usual care of succulents does not hold for it. */
import type { Traits } from './genera.ts';

/**
 * `hardy`: at home in the open through frost and rain, asks for nothing but drainage · `epiphyte`: roots in air and
 * moss, soaked and never dry for long · `soft`: leaves or stems that hold hardly a week's water · `stone`: one pair of
 * leaves that feeds the next · `succulent`: the rest
 */
export const NATURES = ['succulent', 'hardy', 'epiphyte', 'soft', 'stone'] as const;
export type Nature = (typeof NATURES)[number];

const named = (names: string) => new Set(names.trim().split(/\s+/));
const EPIPHYTES = named(`
  Rhipsalis Lepismium Hatiora Schlumbergera Epiphyllum Disocactus Aporocactus Selenicereus Hoya Hydnophytum Myrmecodia
  Asplenium Tillandsia
`);
/** Those whose new pair of leaves drinks up the old one (Smith et al., Mesembs of the World). */
const STONES = named(`
  Lithops Dinteranthus Lapidaria Argyroderma Pleiospilos Conophytum Ophthalmophyllum Oophytum Gibbaeum Cheiridopsis
  Monilaria
`);

/**
 * A moist root ball that bears this, °C, has nothing to fear from a winter in the open (USDA zone 7 and colder, as the
 * alpine trade sells them).
 */
const HARDY_WET_C = -8;

/** @param genus name of the library's genus, or null where it knows none */
export function natureOf(traits: Pick<Traits, 'minWetC' | 'dryRule' | 'store' | 'form'>, genus: string | null): Nature {
  if (traits.minWetC <= HARDY_WET_C) return 'hardy';
  if (genus !== null && EPIPHYTES.has(genus)) return 'epiphyte';
  if (genus !== null && STONES.has(genus)) return 'stone';
  if (traits.store === 'none' || traits.dryRule === 'keep-damp') return 'soft';
  const thin = traits.form === 'stemmed' || traits.form === 'trailing';
  return thin && traits.store === 'leaf' && traits.dryRule === 'dry-top' ? 'soft' : 'succulent';
}

/** Soaked through at each drink, and never put off with a sip. */
export function isSoaked(nature: Nature): boolean {
  return nature === 'epiphyte' || nature === 'soft';
}
