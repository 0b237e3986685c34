/** What a step of a case that was done is in the book: a drink is a drink, whoever asked for it. */
import type { PlantEvent } from '../garden.ts';
import type { WaterKind } from '../watering.ts';
import type { MethodId } from '../catalogue/ways.ts';
import type { Found, Step } from './steps.ts';

/** The drink that the plant would get as it is judged. */
export interface StepDrink {
  method: MethodId;
  amount_ml: number;
  water: WaterKind;
  /** what a flush of its pot takes, ml */
  flush_ml: number;
}

const WEAK_DOSE = 0.5;

/** Steps that are a potting into fresh mix. */
export const POTTING_STEPS: ReadonlySet<Step> = new Set<Step>(['pot-dry', 'repot', 'open-mix']);

/** The events that a step stands for; none for one that changes nothing in the pot. */
export function eventsOfStep(
  { step, found, date }: { step: Step; found?: Found | null; date: string },
  drink: StepDrink,
): PlantEvent[] {
  const { method, amount_ml, water } = drink;
  switch (step) {
    case 'water':
    case 'first-water':
      return [{ type: 'watering', date, method, amount_ml: Math.max(1, amount_ml), water }];
    case 'soak':
      return [{ type: 'watering', date, method: 'bottom', water }];
    case 'flush':
      return [{ type: 'watering', date, method: 'drench', amount_ml: drink.flush_ml, water }];
    case 'feed-once':
      return [{ type: 'feeding', date, dose: WEAK_DOSE }];
    case 'press-base':
      return found === 'firm' || found === 'soft'
        ? [{ type: 'sign', date, sign: found === 'firm' ? 'firm-base' : 'soft-base', strength: 2, where: 'base' }]
        : [];
    default:
      return [];
  }
}
