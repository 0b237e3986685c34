/** What can stand in for a component that is not there, and what that changes. */
import type { MixPart, Pot } from '../garden.ts';
import { potCapacity } from '../pot/capacity.ts';
import { blendMix } from './blend.ts';
import type { Component } from './components.ts';

export interface Substitute {
  component: string;
  /** water to give over that of the recipe as it is written, in this pot */
  waterTimes: number;
  air: number;
  airShift: number;
  /** share of the component that was alive, over that of the missing one */
  organicShift: number;
  /** change of the whole recipe's pH */
  phShift: number;
}

/** Farther from the recipe than this, or as much more acid, it is another mix. */
const FARTHEST_TIMES = 1.6;
const PH_A_DOUBLING = 2;

/**
 * The recipe with one part swapped for each component at hand, nearest first: by how far water, air, pH and what rots of it move. What the
 * recipe holds already is no substitute: it would only be more of the same.
 */
export function substitutesFor(
  missing: string,
  parts: readonly MixPart[],
  atHand: readonly string[],
  components: ReadonlyMap<string, Component>,
  pot: Pot,
): Substitute[] {
  const held = (recipe: readonly MixPart[]) => {
    const id = recipe.map((part) => `${part.parts} ${part.component}`).join(' ');
    const blend = blendMix({ id, parts: [...recipe] }, components);
    return { blend, capacity: potCapacity(pot, blend) };
  };
  const as = held(parts);
  return atHand
    .filter((id) => id !== missing && components.has(id) && !parts.some((part) => part.component === id))
    .map((id) => {
      const swapped = held(parts.map((part) => (part.component === missing ? { ...part, component: id } : part)));
      return {
        component: id,
        waterTimes: swapped.capacity.availableMl / as.capacity.availableMl,
        air: swapped.capacity.airFilledPorosity,
        airShift: swapped.capacity.airFilledPorosity - as.capacity.airFilledPorosity,
        organicShift: components.get(id)!.organicShare - (components.get(missing)?.organicShare ?? 0),
        phShift: swapped.blend.ph - as.blend.ph,
      };
    })
    .filter(({ waterTimes }) => waterTimes < FARTHEST_TIMES && waterTimes > 1 / FARTHEST_TIMES)
    .sort((a, b) => distance(a) - distance(b));
}

/** In doublings of the water held: so much air, and a part that rots for one that does not, weigh as much as one. */
const AIR_A_DOUBLING = 0.15;

function distance({ waterTimes, phShift, airShift, organicShift }: Substitute): number {
  return (
    Math.abs(Math.log2(waterTimes)) +
    Math.abs(phShift) / PH_A_DOUBLING +
    Math.abs(airShift) / AIR_A_DOUBLING +
    Math.abs(organicShift)
  );
}
