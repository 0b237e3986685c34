/** What hands should mind while they do it, and the one thing never to do with a kind. */
import { ROOT_FREE_M } from '../moisture.ts';
import { DRINKS } from './answer.ts';
import type { Deed, Judgement, Mind, Never } from './deeds.ts';
import type { Facts } from './facts.ts';
import { clayInFrost, darkInHeat } from './rain.ts';
import { isParched } from './thirst.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

export function mindful(facts: Facts, deeds: readonly Deed[]): Pick<Judgement, 'mind' | 'never' | 'never_c'> {
  const { outlook, rules, salts, water } = facts;
  const { cautions } = outlook.model.sourced;
  const { pot } = outlook.plant;
  const drinking = deeds.some(({ deed }) => DRINKS.has(deed) || deed === 'look');
  const hands = deeds.some(({ deed }) => deed === 'act' || deed === 'look' || deed === 'move');
  const mind: Mind[] = [];
  if (drinking) {
    if (cautions.includes('powdery')) mind.push('not-on-powder');
    if (cautions.includes('dry-heart')) mind.push('not-into-rosette');
    if (!pot.holes) mind.push('no-hole-measure');
    if (water === 'softened') mind.push('softened-sodium');
    else if (!rules.waters.includes(water)) mind.push('water-not-its-kind');
    if (water === 'hard' && rules.salts !== 'hardy' && salts.hardDrinks >= 6) mind.push('hard-crust');
    if (facts.heat.highC >= COOL_HOURS_C) mind.push('cool-hours');
    if (deeds[0]?.deed === 'sip' && isParched(facts)) mind.push('long-dry-sip');
  }
  if (clayInFrost(facts)) mind.push('clay-frost');
  if (darkInHeat(facts)) mind.push('dark-heat');
  if (salts.flush) mind.push(pot.holes ? 'salts-flush' : 'salts-stay');
  if (hands)
    for (const caution of ['spines', 'glochids', 'milky-sap', 'irritant-sap', 'poisonous-sap'] as const)
      if (cautions.includes(caution)) mind.push(caution);
  return { mind, ...neverOf(facts) };
}

/** On hotter days water is given in the cool: at noon it scalds roots and stands on hot leaves. */
const COOL_HOURS_C = 32;
const FROST_TENDER_C = 8;

function neverOf({ outlook, care, state, m, nature }: Facts): { never: Never; never_c: number | null } {
  const { traits, sourced, plant } = { ...outlook.model, plant: outlook.plant };
  const of = (never: Never, c: number | null = null) => ({ never, never_c: c });
  if (care.neverSoak) return of('long-soak');
  if (state === 'resting' && FORM_TABLE[traits.form].leafless) return of('full-drink-leafless');
  if (traits.minDryC >= FROST_TENDER_C) return of('frost', traits.minDryC);
  if (!plant.pot.holes) return of('second-drink-while-wet');
  if (sourced.cautions.includes('dry-heart')) return of('water-into-rosette');
  if (sourced.cautions.includes('powdery')) return of('oil-on-powder');
  if (traits.dryRule === 'keep-damp') return of('dry-out');
  if (FORM_TABLE[traits.form].bare) return of('wet-and-cold', traits.minWetC);
  if (traits.store === 'below') return of('second-drink-while-wet');
  if (traits.sleeps === 'never' || nature === 'hardy') return of('standing-in-water');
  return m.p50 > ROOT_FREE_M || state === 'resting' ? of('full-drink-asleep') : of('standing-in-water');
}
