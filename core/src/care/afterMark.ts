/**
 * What a finding means beyond what is judged of the plant: how far a look can be trusted, what a drink or food did.
 * Codes, no words.
 */

import { methodRow } from '../catalogue/ways.ts';
import { dayNumber } from '../calendar/day.ts';
import type { PlantEvent } from '../garden.ts';
import type { OutlookView } from '../forecast/view.ts';
import { saltsOf } from '../feed/salts.ts';
import { BONE_DRY_M, DAMP_FROM_M } from '../moisture.ts';
import { afterBloom, BLOOM_CODES } from './afterBloom.ts';

/** What was just written, as far as it asks for an answer. */
export type Finding =
  | PlantEvent
  | { type: 'firmed'; date: string; yes: boolean }
  | { type: 'flowering'; date: string; stage: 'buds' | 'open' | 'over' | 'seed' };

export interface AfterFacts {
  written: readonly Finding[];
  /** the plant as it stood before the mark */
  before: OutlookView;
  events: readonly PlantEvent[];
  /** mostly coarse grains in its mix, and whether it sheds water once dry */
  coarse: boolean;
  shedsWater: boolean;
  neverSoak: boolean;
  genus: string | null;
}

export const AFTER_CODES = [
  'top-only',
  'probe-coarse',
  'weigh-anew',
  'firmed',
  'still-slack',
  'no-soak',
  'watered-asleep',
  'sheds-water',
  'softened',
  'food-on-dry',
  'crust',
  'ran-through',
  'yellow-after-food',
  'hungry',
  'let-wither',
  'stretched',
  'more-than-fits',
  'before-it-came',
  'drain',
  ...BLOOM_CODES,
] as const;
export interface AfterNote {
  code: (typeof AFTER_CODES)[number];
  n: Readonly<Record<string, number>>;
}

/** A finger on the surface says little of a pot deeper than this, mm. */
const DEEP_MM = 100;
const OVERFED_WITHIN_DAYS = 21;
/** A probe between stones reads dry up to here. */
const PROBE_DRY = 3;
const THICK_DRESSING_MM = 20;

/** One note a finding at most; none where there is nothing to add to the judgement. */
export function afterMark(facts: AfterFacts): AfterNote[] {
  return facts.written.flatMap((event) => note(event, facts) ?? []);
}

function note(event: Finding, facts: AfterFacts): AfterNote | null {
  const { before, events } = facts;
  const { pot, moisture, traits } = before;
  const say = (code: AfterNote['code'], n: AfterNote['n'] = {}): AfterNote => ({ code, n });
  switch (event.type) {
    case 'check':
      if ('surface' in event && event.surface === 'dry' && pot.depth_mm > DEEP_MM)
        return say('top-only', { depth_mm: pot.depth_mm });
      if ('meter' in event && facts.coarse && event.meter <= PROBE_DRY) return say('probe-coarse');
      return 'weight_g' in event && pot.top_dressing_mm > THICK_DRESSING_MM ? say('weigh-anew') : null;
    case 'firmed':
      return say(event.yes ? 'firmed' : 'still-slack');
    case 'sign':
      return signNote(event, facts);
    case 'flowering':
      return event.stage === 'over' ? say(afterBloom(traits.form, facts.genus)) : null;
    case 'watering': {
      if (methodRow(event.method).stands && facts.neverSoak) return say('no-soak');
      if (!pot.holes && event.amount_ml && event.amount_ml > 1.05 * before.available_ml * Math.max(0, 1 - moisture.p10))
        return say('more-than-fits', {
          ml: event.amount_ml,
          fits_ml: Math.round(before.available_ml * Math.max(0, 1 - moisture.p10)),
        });
      if (methodRow(event.method).whole && before.state === 'resting') return say('watered-asleep');
      if (methodRow(event.method).through && facts.shedsWater && moisture.p90 < 0.08) return say('sheds-water');
      return event.water === 'softened' ? say('softened') : null;
    }
    case 'feeding': {
      const drink = events.findLast((one) => one.type === 'watering');
      return traits.dryRule !== 'keep-damp' && moisture.p90 < BONE_DRY_M && (!drink || drink.date !== event.date)
        ? say('food-on-dry')
        : null;
    }
    default:
      return null;
  }
}

function signNote(event: Extract<PlantEvent, { type: 'sign' }>, { before, events }: AfterFacts): AfterNote | null {
  const { sign } = event;
  if (sign === 'salt-crust')
    return {
      code: 'crust',
      n: {
        hard_drinks: saltsOf(events, Math.max(1, before.available_ml), 'usual').hardDrinks,
        holes: before.pot.holes ? 1 : 0,
      },
    };
  if (sign === 'leaves-dying-back') return { code: 'let-wither', n: {} };
  if (sign === 'stretched') return { code: 'stretched', n: { asleep: before.state === 'resting' ? 1 : 0 } };
  if (sign === 'water-runs-through') return { code: 'ran-through', n: {} };
  if (sign === 'yellow-lower' || sign === 'yellow-all') {
    const fed = events.findLast((one) => one.type === 'feeding');
    if (fed && dayNumber(event.date) - dayNumber(fed.date) <= OVERFED_WITHIN_DAYS)
      return { code: 'yellow-after-food', n: {} };
    if (sign === 'yellow-all' && !fed && before.moisture.p50 <= DAMP_FROM_M && before.wet_feet.level < 0.3)
      return { code: 'hungry', n: {} };
  }
  return null;
}
