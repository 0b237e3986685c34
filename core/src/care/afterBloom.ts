/** What is cut when a plant has flowered, by how its kind grows and flowers again. */
import type { Form } from '../garden.ts';

export const BLOOM_CODES = [
  'bloom-body',
  'bloom-stalk',
  'bloom-dies',
  'bloom-stems',
  'bloom-bulb',
  'bloom-spur',
  'bloom-caudex',
] as const;
export type BloomCode = (typeof BLOOM_CODES)[number];

/** Rosettes that flower once and die. */
const DIES = new Set(['Agave', 'Sempervivum', 'Jovibarba', 'Orostachys', 'Furcraea', 'Sinocrassula', 'Aeonium']);
/** Flower again from the spur that has flowered. */
const SPURRED = new Set(['Hoya', 'Dischidia']);
/** Branch and flower again from below a cut. */
const RESPROUTS = new Set(['Kalanchoe', 'Sedum', 'Phedimus', 'Hylotelephium', 'Pelargonium', 'Crassula', 'Cotyledon']);

export function afterBloom(form: Form, genus: string | null): BloomCode {
  if (genus && DIES.has(genus)) return 'bloom-dies';
  if (genus && SPURRED.has(genus)) return 'bloom-spur';
  if (genus && RESPROUTS.has(genus)) return 'bloom-stems';
  switch (form) {
    case 'bulb':
      return 'bloom-bulb';
    case 'caudex':
      return 'bloom-caudex';
    case 'rosette':
    case 'stiff-leaf':
      return 'bloom-stalk';
    case 'stemmed':
      return 'bloom-stems';
    default:
      return 'bloom-body';
  }
}
