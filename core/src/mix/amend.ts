/** A bagged mix made opener: how much of what to add to each of its parts to reach an aim. */
import type { Pot } from '../garden.ts';
import { potCapacity } from '../pot/capacity.ts';
import { type Blend, blendMix } from './blend.ts';
import type { Component } from './components.ts';

export interface Amendment {
  component: string;
  /** parts of it to one part of the bag */
  parts: number;
  blend: Blend;
  air: number;
}

/** Nobody adds more than this to one part. */
const MOST_PARTS = 4;
const STEP = 0.25;

/**
 * The least of each component that brings a bag to so much air in a pot; those that cannot are left out.
 * Least first: what is added costs, and what is in the bag is paid for.
 */
export function amendToAir(bag: Component, additions: readonly Component[], pot: Pot, airFrom: number): Amendment[] {
  const components = new Map([bag, ...additions].map((component) => [component.id, component]));
  const reach = (component: Component): Amendment | null => {
    for (let parts = STEP; parts <= MOST_PARTS; parts += STEP) {
      const blend = blendMix(
        {
          id: `${bag.id} and ${component.id}`,
          parts: [
            { component: bag.id, parts: 1 },
            { component: component.id, parts },
          ],
        },
        components,
      );
      const air = potCapacity(pot, blend).airFilledPorosity;
      if (air >= airFrom) return { component: component.id, parts, blend, air };
    }
    return null;
  };
  return additions
    .flatMap((component) => (component.id === bag.id ? [] : (reach(component) ?? [])))
    .sort((a, b) => a.parts - b.parts || b.air - a.air);
}
