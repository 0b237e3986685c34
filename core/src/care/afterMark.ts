/** What a keeper should know right after a mark: what the finding means for this plant, before the next deed. */
import type { PlantEvent } from '../garden.ts';
import type { OutlookView } from '../forecast/view.ts';
import { saltsOf } from '../feed/salts.ts';
import type { Way } from './rules.ts';

/** What was just written, as far as it asks for an answer. */
export type Finding = PlantEvent | { type: 'firmed'; date: string; yes: boolean };

export interface AfterFacts {
  written: readonly (Finding & { way?: Way | null })[];
  /** the plant as it stood before the mark */
  before: OutlookView;
  events: readonly PlantEvent[];
  /** share of coarse grains in its mix, and whether it sheds water once dry */
  coarse: boolean;
  shedsWater: boolean;
  neverSoak: boolean;
}

/** A finger on the surface says little of a pot deeper than this, mm. */
const DEEP_MM = 100;
const WET_FROM_M = 0.3;
const OVERFED_WITHIN_DAYS = 21;
const SLACK = new Set(['limp', 'wrinkled', 'shrunken']);
const DAY_MS = 86_400_000;

function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
}

/** One sentence a finding; none where there is nothing to add. */
export function afterMark(facts: AfterFacts): string[] {
  return facts.written.flatMap((event) => answer(event, facts) ?? []);
}

function answer(event: Finding & { way?: Way | null }, facts: AfterFacts): string | null {
  const { before, events } = facts;
  const { pot, moisture, traits } = before;
  const wet = moisture.p50 > WET_FROM_M;
  switch (event.type) {
    case 'check':
      if ('surface' in event && event.surface === 'dry' && pot.depth_mm > DEEP_MM) return `Only the top is known, and the mix is ${Math.round(pot.depth_mm / 10)} cm deep: check deeper, with a stick or at the hole, before any water.`;
      if ('meter' in event && facts.coarse && event.meter <= 3) return 'Its mix is coarse: a probe between stones reads drier than it is. Weigh the pot or use a stick before you trust it.';
      if ('weight_g' in event && pot.top_dressing_mm > 20) return 'It has a thick dressing of stones: take its full weight anew if that was added since.';
      return null;
    case 'firmed':
      if (event.yes) return 'Good: its roots drink. The fuller drink may follow at its day.';
      return wet ? 'Slack in a wet mix: its roots may not drink. No water; press the base, and unpot it if that is soft or the mix is no drier in three days.' : 'Still slack and dry: give the next small drink, and look again in three days.';
    case 'sign':
      return signAnswer(event, wet, facts);
    case 'watering': {
      if (event.method === 'bottom' && facts.neverSoak) return 'This kind is not for soaking: lift it out now, and let it drain.';
      if ((event.method === 'drench' || event.method === 'bottom') && before.state === 'resting') return 'It is asleep: keep it warm and airy until the mix is dry again.';
      if (event.method === 'drench' && facts.shedsWater && moisture.p90 < 0.08) return 'A dry peaty ball sheds water: weigh it now. If it is still light, the water ran past; soak it from below or pour small and often, and strike this out.';
      const softened = event.water === 'softened';
      return softened ? 'Softened water leaves sodium behind: flush with rain or soft water at one of its next drinks.' : null;
    }
    case 'feeding': {
      const drink = events.findLast((one) => one.type === 'watering');
      return traits.dryRule !== 'keep-damp' && moisture.p90 < 0.05 && (!drink || drink.date !== event.date) ? 'Food on bone-dry roots burns them: give plain water at once.' : null;
    }
    default:
      return null;
  }
}

function signAnswer(event: Extract<PlantEvent, { type: 'sign' }>, wet: boolean, { before, events }: AfterFacts): string | null {
  const { traits, moisture } = before;
  const { sign } = event;
  if (SLACK.has(sign)) {
    if (wet) return 'Slack, and the pot is reckoned wet: do not water. Press the base and look at the roots; feel the mix at depth to be sure.';
    if (before.state === 'resting') return sign === 'wrinkled' ? 'Asleep and a little wrinkled is as it should be. Only if it shrinks on: a small drink, no more.' : 'Asleep: press the base. Firm: a small drink at most. Soft: rot, act today.';
    return 'Slack and dry: water it, and look in one to three days whether it has firmed up.';
  }
  if (sign === 'taut' && moisture.p50 <= 0.12) return traits.store === 'below' || traits.dryRule === 'dry-and-hold' ? 'Dry but taut: it draws on its store. Wait for the first wrinkles, or about a week.' : null;
  if (sign === 'taut' && wet) return 'Taut and wet: leave it.';
  if (sign === 'mushy' || sign === 'soft-base' || sign === 'roots-mush') return 'Soft tissue is rot until shown otherwise: no water, unpot today, cut to clean flesh with a clean blade, and let it dry.';
  if (sign === 'salt-crust') {
    const salts = saltsOf(events, Math.max(1, before.available_ml), 'usual');
    return `A white crust is salt: flush with plain rain or soft water at its next drink, or change the mix${salts.hardDrinks > 0 ? `; ${salts.hardDrinks} hard drinks are on record` : ''}. Look again after six more.`;
  }
  if (sign === 'water-runs-through') return 'Water that runs straight through was no drink: soak the pot from below or pour small and often, and weigh it after.';
  if (sign === 'yellow-lower' || sign === 'yellow-all' || sign === 'stretched') {
    const fed = events.findLast((one) => one.type === 'feeding');
    if (fed && sign !== 'stretched' && daysBetween(fed.date, event.date) <= OVERFED_WITHIN_DAYS) return 'Yellow so soon after food: stop feeding, flush once, then half as much.';
    if (sign === 'yellow-all' && !fed && !wet && before.wet_feet.level < 0.3) return 'Pale all over, never fed, roots and water sound as far as known: one weak feed, then look in a month.';
  }
  return null;
}
