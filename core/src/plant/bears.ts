/**
 * What a plant takes where it stands: the lowest night, dry or moist, now or on a day to come; how long its pot may
 * stand dry. Asked by Round, page, calendar, Weather, almanac and moves alike, so that one night has one limit.
 */
import type { PlantState } from '../garden.ts';
import { DAMP_FROM_M } from '../moisture.ts';
import type { Traits } from './genera.ts';
import type { Nature } from './nature.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

type Limits = Pick<Traits, 'minDryC' | 'minWetC'>;

/** The lowest night that it takes with so much in its pot, °C: a moist root ball takes less cold than a dry one. */
export function nightItBearsC(traits: Limits, m: number): number {
  return m > DAMP_FROM_M ? traits.minWetC : traits.minDryC;
}

/**
 * The same on a night to come, of which only the season is known: one that sleeps will be dry by then, one that drinks
 * is moist on some night of every week.
 *
 * @param m of that night where it is forecast; null further ahead
 */
export function nightItWillBearC(traits: Limits, state: PlantState, m: number | null): number {
  if (m !== null) return nightItBearsC(traits, m);
  return state === 'resting' ? traits.minDryC : traits.minWetC;
}

/**
 * Days for which a pot may stand dry through before fine roots die back, so that a drench is no longer the answer:
 * by where the plant keeps its water, and by how fast the place draws on it (Nobel 1988, root death and rectification of
 * desert succulents in drying soil: weeks for leaf succulents, months for globes; rounded).
 */
export function longestDryDays(
  { store, form, dryRule }: Pick<Traits, 'store' | 'form' | 'dryRule'>,
  { nature, state, warmthC }: { nature: Nature; state: PlantState; warmthC: number },
): number {
  if (dryRule === 'keep-damp') return 6;
  if (store === 'none') return 10;
  if (nature === 'epiphyte' || nature === 'soft') return 21;
  const { stem } = FORM_TABLE[form];
  const growing = store === 'below' ? 60 : store === 'stem' && stem ? 60 : form === 'stemless' ? 60 : 45;
  if (state === 'growing' || state === 'waking') return growing;
  if (state === 'easing') return Math.round(growing * 1.5);
  // Asleep it spends little, and in the cold next to nothing.
  return Math.round(growing * (warmthC >= WARM_REST_C ? 2 : 4));
}
/** From this warmth on a sleeper spends its store by the week. */
const WARM_REST_C = 15;
