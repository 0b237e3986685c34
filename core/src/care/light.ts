/** Light given against light wanted, and how tightly a bench is set. */
import type { PlantState } from '../garden.ts';
import { type Light, LIGHT_BANDS } from '../plant/library.ts';
import type { RestPlace } from '../season/restPlace.ts';

export type LightVerdict = 'too-dim' | 'gets-by' | 'well' | 'too-bright';

/** Light that a plant wants in each state, against growth: asleep it wants none. */
const WANTED: Record<PlantState, number> = { growing: 1, waking: 0.7, easing: 0.5, resting: 0 };

/** Leaves and green stems in the cool live on so much of what they get by with; roots and bare stems on none. */
const SLEEPS_ON: Record<RestPlace['light'], number> = { light: 0.1, shade: 0.05, dark: 0 };

/**
 * The spot's daily light (mol m⁻² d⁻¹) held against both bands of a plant: bearing shade is not liking it.
 *
 * @param rests where it sleeps, for one that sleeps: a dark cellar is for roots and bare stems; left out: any light does
 */
export function lightVerdict(
  dliMol: number,
  light: Light,
  state: PlantState = 'growing',
  rests: RestPlace | null = null,
): LightVerdict {
  const band = LIGHT_BANDS[light];
  const share = state === 'resting' ? (rests ? SLEEPS_ON[rests.light] : 0) : WANTED[state];
  if (dliMol < band.getsBy * share) return 'too-dim';
  if (dliMol < band.wellFrom * share) return 'gets-by';
  return dliMol > band.wellTo ? 'too-bright' : 'well';
}

/** The band (mol m⁻² d⁻¹) in which a plant does well in its state: from nothing while it sleeps. */
export function wantedLight(light: Light, state: PlantState): { from: number; to: number } {
  const { wellFrom, wellTo } = LIGHT_BANDS[light];
  return { from: wellFrom * WANTED[state], to: wellTo };
}

/** Lamp hours that would bring a dim spot to the light a plant does well in; 0.0036 turns µmol s⁻¹ hours into mol. */
export function lampHoursShort(dliMol: number, light: Light, ppfd: number): number {
  const short = LIGHT_BANDS[light].wellFrom - dliMol;
  return short <= 0 || ppfd <= 0 ? 0 : Math.round((10 * short) / (ppfd * 0.0036)) / 10;
}

/** Ground that pots and crowns take, as squares, against the bench's own area; above 0.8 air no longer passes. */
export function crowding(widthsMm: readonly number[], benchM2: number): number {
  if (!(benchM2 > 0)) return 0;
  return widthsMm.reduce((sum, width) => sum + (width / 1000) ** 2, 0) / benchM2;
}
export const CROWDED_FROM = 0.8;
