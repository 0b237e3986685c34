/**
 * How likely each cause is before the sign is looked at closely: what keepers bring to a table of sick plants, by kind of
 * plant, place and season. Weights, not shares: they are brought to one together.
 *
 * Starting values from general horticulture: most losses of succulents in pots are by water (Keen, Hewitt), pests next,
 * and most of what worries a keeper is no illness at all.
 */
import { ramp } from '../numeric/curves.ts';
import { type Cause, CAUSES, type Hypothesis, UNKNOWN } from '../catalogue/causes.ts';
import type { ClinicFacts } from './facts.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

export const USUAL: Record<Hypothesis, { weight: number; why: string }> = {
  thirst: { weight: 10, why: 'every pot dries, and some are forgotten' },
  overwatering: { weight: 8, why: 'the commonest fault of all' },
  'root-rot': { weight: 5, why: 'what too much water ends in' },
  'stem-rot': { weight: 3, why: 'from the roots up, or from a wound or a wet heart' },
  'dead-roots': { weight: 1.5, why: 'only after a very long drought' },
  'natural-rest': { weight: 4, why: 'comes every year, at its time' },
  'natural-ageing': { weight: 6, why: 'old leaves go all year round' },
  'new-leaf': { weight: 2, why: 'seen by those who look closely' },
  normal: { weight: 8, why: 'much of what worries is nothing' },
  'sun-scorch': { weight: 3, why: 'once or twice a year, after a move or a hot day' },
  'too-dark': { weight: 5, why: 'most indoor places are too dim for most succulents' },
  'cold-damage': { weight: 2, why: 'one night a year, for some plants' },
  'heat-stress': { weight: 2, why: 'some weeks a year, under glass' },
  oedema: { weight: 1.8, why: 'now and then, in still damp air' },
  'salt-build-up': { weight: 2, why: 'slow, over years of hard water and food' },
  'hard-water': { weight: 1.8, why: 'where the tap is hard' },
  'root-bound': { weight: 3, why: 'every pot fills up in the end' },
  'compacted-mix': { weight: 1.5, why: 'old mixes with fine organic parts' },
  'water-repellent-mix': { weight: 1.5, why: 'peat that has gone bone dry' },
  'transplant-shock': { weight: 1.2, why: 'only in the weeks after a potting' },
  underfed: { weight: 1.2, why: 'rare: succulents live on little' },
  mealybug: { weight: 4, why: 'the commonest guest' },
  'root-mealybug': { weight: 2, why: 'common, and unseen until the plant is lifted' },
  'spider-mite': { weight: 2, why: 'in warm dry air' },
  scale: { weight: 1.5, why: 'on stems and pads' },
  thrips: { weight: 1, why: 'comes with the flowers' },
  aphid: { weight: 1, why: 'on buds and stalks, in spring' },
  'chewing-pest': { weight: 1.5, why: 'snails, weevils, caterpillars, mostly outdoors' },
  mildew: { weight: 1.5, why: 'on soft leaves in still air' },
  'leaf-spot': { weight: 1.4, why: 'where leaves stay wet' },
  [UNKNOWN]: { weight: 9, why: 'no list is complete' },
};

interface PriorRow {
  when: (f: ClinicFacts) => boolean;
  of: Partial<Record<Cause, number>>;
  why: string;
}

/** By kind of plant, place and season: factors on the usual weights. */
export const PRIOR_ROWS: readonly PriorRow[] = [
  {
    when: ({ traits }) => FORM_TABLE[traits.form].bare,
    of: {
      'stem-rot': 1.4,
      'root-mealybug': 1.5,
      scale: 1.3,
      'natural-ageing': 0.8,
      'new-leaf': 0.1,
      'leaf-spot': 0.5,
      mildew: 0.2,
      aphid: 0.5,
      oedema: 0.8,
    },
    why: 'a stem without leaves: what ails it sits in the stem and the roots',
  },
  {
    when: ({ traits }) => FORM_TABLE[traits.form].leafless,
    of: { 'natural-rest': 2.5, 'spider-mite': 1.5, oedema: 0.5, 'natural-ageing': 0.8 },
    why: 'drops its leaves each year; its thin leaves draw mites',
  },
  {
    when: ({ traits }) => traits.form === 'stemless',
    of: { 'natural-ageing': 1.5, overwatering: 1.3, 'natural-rest': 1.5, scale: 0.3, 'new-leaf': 1.5 },
    why: 'lives by changing its leaf pair, and bursts with a drink too many',
  },
  {
    when: ({ traits }) => traits.form === 'rosette' || traits.form === 'stemmed',
    of: { 'natural-ageing': 1.3, mealybug: 1.2, aphid: 1.3 },
    why: 'sheds its lowest leaves; hearts and axils shelter guests',
  },
  {
    when: ({ traits }) => traits.form === 'stiff-leaf',
    of: { thirst: 0.6, overwatering: 1.3, 'new-leaf': 1.5, aphid: 0.3 },
    why: 'a store below ground: seldom thirsty, easily drowned',
  },
  {
    when: ({ traits }) => traits.store === 'none',
    of: { thirst: 2, overwatering: 0.6, 'root-rot': 0.7 },
    why: 'no store to draw on',
  },
  {
    when: ({ indoors }) => indoors,
    of: {
      'too-dark': 1.6,
      mealybug: 1.2,
      'spider-mite': 1.5,
      'chewing-pest': 0.3,
      'sun-scorch': 0.7,
      'cold-damage': 0.5,
    },
    why: 'dim, dry and still, and safe from frost and snails',
  },
  {
    when: ({ outdoors }) => outdoors,
    of: {
      'chewing-pest': 2,
      'too-dark': 0.3,
      'spider-mite': 0.6,
      'cold-damage': 1.6,
      'sun-scorch': 1.3,
      mealybug: 0.6,
    },
    why: 'under the sky: light enough, open to frost and snails',
  },
  {
    when: ({ placeKind }) => placeKind === 'cold-glass' || placeKind === 'heated-glass',
    of: { 'heat-stress': 1.8, 'sun-scorch': 1.3, 'too-dark': 0.5 },
    why: 'glass heats far above the air outside',
  },
  {
    when: ({ state }) => state === 'resting',
    of: { 'natural-rest': 3, 'new-leaf': 0.2, aphid: 0.5, underfed: 0.2, 'root-bound': 0.5, overwatering: 1.2 },
    why: 'asleep: it may look like that',
  },
  {
    when: ({ state }) => state === 'growing' || state === 'waking',
    of: { 'new-leaf': 1.5, aphid: 1.3, thrips: 1.3 },
    why: 'in growth there is new growth, and what feeds on it',
  },
  {
    when: ({ traits }) => traits.sleeps === 'never',
    of: { 'natural-rest': 0.004 },
    why: 'a kind that never sleeps does not go to rest',
  },
  {
    when: ({ traits, state, restInDays, placeWarm }) =>
      traits.sleeps !== 'never' &&
      state !== 'resting' &&
      state !== 'easing' &&
      (restInDays === null || restInDays > 60) &&
      placeWarm,
    of: { 'natural-rest': 0.15 },
    why: 'months from its rest, and nothing that would bring it on',
  },
  {
    when: ({ traits, restInDays, state }) =>
      traits.habit === 'winter' && state !== 'resting' && (restInDays === null || restInDays > 45),
    of: { 'natural-rest': 0.05 },
    why: 'a winter grower is not put to sleep in winter',
  },
  {
    when: ({ cautions }) => cautions.includes('powdery'),
    of: { mildew: 0.5, normal: 1.2 },
    why: 'its powder is its own',
  },
  {
    when: ({ cautions }) => cautions.includes('milky-sap') || cautions.includes('irritant-sap'),
    of: { mealybug: 0.8, 'root-mealybug': 0.8, 'chewing-pest': 0.3 },
    why: 'few guests like its milk',
  },
  {
    when: ({ slow }) => slow,
    of: { normal: 1.3, underfed: 0.4 },
    why: 'a slow kind: standing still is its way',
  },
];

/** ln of each cause's weight before any sign, for this plant where it stands today. */
export function lnPriors(f: ClinicFacts): Map<Hypothesis, number> {
  const ln = new Map<Hypothesis, number>();
  for (const cause of CAUSES) {
    let weight = USUAL[cause].weight;
    for (const row of PRIOR_ROWS) if (row.of[cause] !== undefined && row.when(f)) weight *= row.of[cause];
    ln.set(cause, Math.log(weight));
  }
  // A stranger's plant may have anything.
  ln.set(
    UNKNOWN,
    Math.log(USUAL[UNKNOWN].weight * (1 + 0.3 * ramp(f.arrivedDays === null ? 99 : 30 - f.arrivedDays, 0, 30))),
  );
  return ln;
}
