/**
 * What grit, bark and soil are made of, per unit of loose volume of the grade that the garden file means.
 *
 * Sources for the orders of size: De Boodt & Verdonck (1972), Acta Horticulturae 26 (organic media);
 * Bunt (1988), Media and Mixes for Container-Grown Plants, tables 3–5; Raviv & Lieth (2008), Soilless Culture, ch. 3
 * (perlite, pumice, tuff, zeolite); Carsel & Parrish (1988) (sand, loam). Each figure is a starting value of one grade.
 */
import type { OwnComponent } from '../garden.ts';

export interface Component {
  id: string;
  /** as a keeper says it */
  name: string;
  /** pore space, share of loose volume */
  totalPorosity: number;
  /** water held against 10 cm of suction */
  waterAt10cm: number;
  /** water left in balance with room air */
  waterAirDry: number;
  bulkDensityGMl: number;
  /** middle of the grain sizes */
  grainMm: number;
  /**
   * Shape of the retention curve (van Genuchten's n). Sand lets go at once (2); a porous grain keeps its inner
   * water over a long pull (1.2): chosen so that the water at 50 cm is right.
   */
  shapeN: number;
  ph: number;
  /** share of it that was alive */
  organicShare: number;
  /** how hard it is to wet again once bone dry, 0 never, 1 as pure peat */
  rewetDifficulty: number;
  /** carries feed when bought */
  fertilised: boolean;
  /** what is done with it before it is mixed, and what to mind */
  work: readonly Work[];
}

/**
 * Rinsed of its fines; harms lungs as dust; sieved; damped the day before, because dry it repels water; may be from a
 * beach or a building site and bring salts.
 */
export const WORKS = ['rinse', 'dust', 'sieve', 'damp', 'sea-salt'] as const;
export type Work = (typeof WORKS)[number];
const worksIn = (text: string): Work[] => WORKS.filter((work) => text.split(' ').includes(work));

type Row = [
  id: string,
  name: string,
  porosity: number,
  at10: number,
  airDry: number,
  density: number,
  grainMm: number,
  n: number,
  ph: number,
  organic: number,
  rewet: number,
  /** of {@link WORKS}, with blanks between */
  work: string,
  fertilised?: 'fed',
];

const ROWS: Row[] = [
  ['pumice', 'pumice 3–6 mm', 0.7, 0.28, 0.04, 0.5, 4.5, 1.19, 7.0, 0, 0, 'dust sieve'],
  ['perlite', 'perlite, coarse', 0.78, 0.3, 0.02, 0.11, 4.5, 1.21, 7.0, 0, 0, 'dust'],
  ['lava', 'lava 3–8 mm', 0.62, 0.2, 0.03, 0.75, 5.5, 1.22, 7.2, 0, 0, 'rinse dust sieve'],
  ['calcined-clay', 'calcined clay 1–3 mm', 0.73, 0.4, 0.05, 0.62, 2, 1.18, 6.5, 0, 0, 'dust sieve'],
  ['zeolite', 'zeolite 1–3 mm', 0.6, 0.32, 0.06, 0.85, 2, 1.15, 7.5, 0, 0, 'dust sieve'],
  ['granite-grit', 'granite grit 2–5 mm', 0.43, 0.06, 0.01, 1.5, 3.5, 1.57, 7.0, 0, 0, 'rinse'],
  ['limestone-grit', 'limestone grit 2–5 mm', 0.44, 0.07, 0.01, 1.45, 3.5, 1.55, 8.0, 0, 0, 'rinse'],
  ['coarse-sand', 'coarse sand, washed', 0.42, 0.16, 0.01, 1.5, 1.2, 2.0, 7.0, 0, 0, 'rinse sea-salt'],
  ['fine-sand', 'fine sand', 0.4, 0.32, 0.02, 1.55, 0.25, 2.2, 7.0, 0, 0, 'rinse sea-salt'],
  ['vermiculite', 'vermiculite', 0.82, 0.52, 0.06, 0.13, 3, 1.25, 7.2, 0, 0, 'dust'],
  ['peat', 'peat', 0.92, 0.7, 0.12, 0.1, 0.5, 1.6, 4.0, 1, 1, 'damp'],
  ['coir', 'coir', 0.93, 0.66, 0.09, 0.08, 0.7, 1.55, 6.0, 1, 0.45, 'damp'],
  ['bark-fine', 'fine bark, composted', 0.78, 0.42, 0.08, 0.25, 5, 1.25, 5.5, 1, 0.35, 'sieve damp'],
  ['bark-chunky', 'chunky bark', 0.8, 0.2, 0.06, 0.2, 11, 1.15, 5.3, 1, 0.3, 'damp'],
  ['loam', 'loam, sterilised', 0.52, 0.42, 0.06, 1.1, 0.1, 1.25, 6.6, 0.05, 0.05, ''],
  ['compost', 'garden compost', 0.74, 0.6, 0.12, 0.5, 0.8, 1.4, 7.2, 0.6, 0.3, '', 'fed'],
  ['worm-castings', 'worm castings', 0.7, 0.6, 0.12, 0.6, 0.6, 1.4, 7.0, 0.6, 0.2, '', 'fed'],
  ['crushed-pot', 'crushed pot 3–6 mm', 0.55, 0.2, 0.03, 1.0, 4.5, 1.2, 7.0, 0, 0, 'rinse sieve'],
  ['charcoal', 'charcoal', 0.72, 0.3, 0.05, 0.25, 5, 1.2, 8.0, 0, 0.1, 'dust sieve'],
  ['potting-soil', 'potting soil', 0.86, 0.64, 0.11, 0.22, 0.6, 1.5, 6.0, 0.9, 0.7, 'damp', 'fed'],
  ['cactus-soil', 'cactus soil', 0.72, 0.42, 0.07, 0.55, 0.9, 1.4, 6.2, 0.5, 0.4, '', 'fed'],
];

/** The built-in components by id. */
export const COMPONENTS: ReadonlyMap<string, Component> = new Map(
  ROWS.map(
    ([
      id,
      name,
      totalPorosity,
      waterAt10cm,
      waterAirDry,
      bulkDensityGMl,
      grainMm,
      shapeN,
      ph,
      organicShare,
      rewetDifficulty,
      work,
      fed,
    ]) => [
      id,
      {
        id,
        name,
        totalPorosity,
        waterAt10cm,
        waterAirDry,
        bulkDensityGMl,
        grainMm,
        shapeN,
        ph,
        organicShare,
        rewetDifficulty,
        fertilised: fed === 'fed',
        work: worksIn(work),
      },
    ],
  ),
);

/** Mineral grains are as heavy as quartz; what is lighter than its pores allow must be partly organic. */
const MINERAL_GRAIN_G_ML = 2.65;
const ORGANIC_GRAIN_G_ML = 1.5;

/**
 * A keeper's own component in full. What its five figures don't say is judged from them: the heavier its solids,
 * the less organic; the more water it holds at 10 cm of its pores, the finer.
 */
export function componentFromOwn(own: OwnComponent): Component {
  const known = COMPONENTS.get(own.id);
  if (known) return weighed(known, own);
  const solids = 1 - own.total_porosity;
  const grainDensity = solids > 0 ? own.bulk_density_g_ml / solids : ORGANIC_GRAIN_G_ML;
  const organicShare = Math.min(
    1,
    Math.max(0, (MINERAL_GRAIN_G_ML - grainDensity) / (MINERAL_GRAIN_G_ML - ORGANIC_GRAIN_G_ML)),
  );
  const held = (own.water_at_10cm - own.water_air_dry) / (own.total_porosity - own.water_air_dry);
  const fine = held > 0.6;
  return {
    id: own.id,
    name: own.id.replaceAll('-', ' '),
    totalPorosity: own.total_porosity,
    waterAt10cm: own.water_at_10cm,
    waterAirDry: own.water_air_dry,
    bulkDensityGMl: own.bulk_density_g_ml,
    grainMm: fine ? 0.8 : 4,
    shapeN: fine ? 1.45 : 1.22,
    ph: own.ph ?? 6.5,
    organicShare: fine ? organicShare : 0,
    rewetDifficulty: fine ? 0.5 * organicShare : 0,
    fertilised: false,
    // Nobody says how it is worked: what is mostly organic is damped, as peat is.
    work: fine && organicShare > 0.5 ? ['damp'] : [],
  };
}

/** A bag of a known kind, weighed: its figures are the bag's own, and it is still made of what it was made of. */
function weighed(known: Component, own: OwnComponent): Component {
  return {
    ...known,
    totalPorosity: own.total_porosity,
    waterAt10cm: own.water_at_10cm,
    waterAirDry: own.water_air_dry,
    bulkDensityGMl: own.bulk_density_g_ml,
    ph: own.ph ?? known.ph,
  };
}

/** All components of a garden: the built-in ones and its own, which win over a built-in of the same id. */
export function componentsOf(own: readonly OwnComponent[] | null | undefined): Map<string, Component> {
  const all = new Map(COMPONENTS);
  for (const component of own ?? []) all.set(component.id, componentFromOwn(component));
  return all;
}
