/** Recipes of the main schools to start from, in parts by loose volume; what each is for is said in words/. */
import type { MixPart } from '../garden.ts';
import { COMPONENTS, type Work } from './components.ts';

export const SCHOOL_IDS = ['mineral', 'half', 'loam', 'bark', 'seed', 'cutting', 'epiphyte'] as const;
export type SchoolId = (typeof SCHOOL_IDS)[number];

const parts = (text: string): MixPart[] =>
  text.split(', ').map((part) => {
    const [count, component] = part.split(' ') as [string, string];
    return { component, parts: Number(count) };
  });

export const SCHOOLS: Readonly<Record<SchoolId, readonly MixPart[]>> = {
  mineral: parts('5 pumice, 2 lava, 2 granite-grit, 1 loam'),
  half: parts('2 cactus-soil, 1 pumice, 1 granite-grit'),
  loam: parts('3 loam, 2 granite-grit, 2 pumice, 1 coir'),
  bark: parts('3 bark-fine, 2 pumice, 2 perlite, 1 coir'),
  seed: parts('2 coir, 2 coarse-sand, 1 perlite, 1 calcined-clay'),
  cutting: parts('3 pumice, 2 perlite, 1 coarse-sand'),
  epiphyte: parts('4 bark-chunky, 2 coir, 2 perlite, 1 charcoal'),
};

export const MIX_STEPS = ['rinse', 'sieve', 'mask', 'damp', 'measure', 'mix', 'rest'] as const;
export type MixStep = (typeof MIX_STEPS)[number];

/** The steps that a recipe asks for, in order, each with the components that it concerns. */
export function mixSteps(recipe: readonly MixPart[]): { step: MixStep; components: string[] }[] {
  const used = recipe.filter(({ parts: count }) => count > 0).map(({ component }) => component);
  const of = (work: Work) => used.filter((component) => COMPONENTS.get(component)?.work.includes(work));
  const all: { step: MixStep; components: string[] }[] = [
    { step: 'rinse', components: of('rinse') },
    { step: 'mask', components: of('dust') },
    { step: 'sieve', components: of('sieve') },
    { step: 'damp', components: of('damp') },
  ];
  return [
    ...all.filter(({ components }) => components.length > 0),
    { step: 'measure', components: used },
    { step: 'mix', components: [] },
    { step: 'rest', components: [] },
  ];
}

const MINERAL_FROM = 0.3;

/** Share of a recipe that never was alive, by loose volume: grit, sand, clay, and what of a soil is mineral. */
export function mineralShare(
  recipe: readonly MixPart[],
  organicShareOf: (component: string) => number | undefined,
): number {
  const total = recipe.reduce((sum, part) => sum + part.parts, 0);
  if (!(total > 0)) return 0;
  const mineral = recipe.reduce((sum, part) => sum + part.parts * (1 - (organicShareOf(part.component) ?? 1)), 0);
  return mineral / total;
}

/** The band of mineral share that suits a kind, by how it roots and rots: [least, most]. */
export function mineralBand(form: string, store: string): readonly [number, number] {
  if (form === 'stemless') return [0.7, 1];
  if (form === 'globe' || form === 'column') return [0.55, 1];
  if (store === 'none' || form === 'trailing') return [MINERAL_FROM, 0.7];
  if (store === 'below' || form === 'caudex') return [0.5, 0.9];
  return [0.4, 0.85];
}
