/** What to mind in a mix, in codes with their numbers. One list for the bench and the command line. */
import type { Pot } from '../garden.ts';
import type { Traits } from '../plant/genera.ts';
import type { Capacity } from '../pot/capacity.ts';
import type { Blend } from './blend.ts';
import { SHEDS_FROM } from './character.ts';
import { phBand } from './phBand.ts';
import { mineralBand } from './recipes.ts';

export const MIX_WARNINGS = [
  'too-organic',
  'too-lean',
  'too-acid',
  'too-limy',
  'little-air',
  'wet-layer',
  'crocks',
  'sheds',
  'sea-salt',
  'dusty',
  'no-hole',
] as const;
export interface MixWarning {
  code: (typeof MIX_WARNINGS)[number];
  n: Readonly<Record<string, number>>;
  /** components concerned, as a keeper says them */
  of?: readonly string[];
}

/** A mix's pH is known no better than this. */
const PH_UNSURE = 0.2;
/** Less air than this after a drench, and roots of succulents suffer (Bunt 1988); 0.2 and more is wanted. */
const LITTLE_AIR = 0.12;
/** More of the mix than this in the wet layer: hardly any of it is aired. */
const MOSTLY_WET = 0.4;

interface MixFacts {
  blend: Blend;
  pot: Pot;
  capacity: Capacity;
  crockMm: number;
  /** share of it that is mineral, of loose volume */
  mineral: number;
  /** of the plant it is meant for, where there is one */
  traits: Traits | null;
}

export function mixWarnings({ blend, pot, capacity, crockMm, mineral, traits }: MixFacts): MixWarning[] {
  const found: MixWarning[] = [];
  const warn = (code: MixWarning['code'], n: MixWarning['n'] = {}, of?: readonly string[]) =>
    found.push({ code, n, ...(of ? { of } : {}) });
  const all = blend.fractions.map(({ component }) => component);
  const worked = (work: 'sea-salt' | 'dust') => all.filter((one) => one.work.includes(work)).map(({ name }) => name);
  if (traits) {
    const [least, most] = mineralBand(traits.form, traits.store);
    if (mineral < least) warn('too-organic', { mineral, least });
    if (mineral > most) warn('too-lean', { mineral, most });
    const acid = phBand(traits);
    if (acid && blend.ph < acid[0] - PH_UNSURE) warn('too-acid', { ph: blend.ph, from: acid[0] });
    if (acid && blend.ph > acid[1] + PH_UNSURE) warn('too-limy', { ph: blend.ph, to: acid[1] });
  }
  if (capacity.airFilledPorosity < LITTLE_AIR) warn('little-air', { air: capacity.airFilledPorosity });
  const mixMm = pot.depth_mm - crockMm;
  const wetMm = capacity.saturatedLayerMm;
  if (mixMm > 0 && wetMm > MOSTLY_WET * mixMm) warn('wet-layer', { wet_mm: wetMm, mix_mm: mixMm });
  if (crockMm > 0) warn('crocks', { wet_mm: wetMm, crock_mm: crockMm });
  if (blend.rewetDifficulty >= SHEDS_FROM) warn('sheds');
  const [salty, dusty] = [worked('sea-salt'), worked('dust')];
  if (salty.length > 0) warn('sea-salt', {}, salty);
  if (dusty.length > 0) warn('dusty', {}, dusty);
  if (!pot.holes) warn('no-hole');
  return found;
}
