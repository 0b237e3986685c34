/** What goes into the can today: one line for each kind of water with each feed at each strength, so that one can does for its pots. */
import { drinkOf } from '../judgement/deeds.ts';
import type { Judgement } from '../judgement/deeds.ts';
import { doseFor } from './dose.ts';

export interface CanPot {
  task: { judgement: Judgement; water: string; amount_ml: number; food: number | null; feed_id: number | null };
}

export interface CanFeed {
  id: number;
  name: string;
  unit: 'ml' | 'g';
  /** of a full dose, in a litre */
  per_litre: number;
}

export interface CanLine {
  water: string;
  pots: number;
  ml: number;
  fills: number;
  feed: { name: string | null; strength: number; unit: 'ml' | 'g' | null; dose: number | null } | null;
}

/** @param feeds of the collection; a pot whose rules name none takes the first */
export function canLines(
  pots: readonly CanPot[],
  { feeds, canMl }: { feeds: readonly CanFeed[]; canMl: number },
): CanLine[] {
  const alike = new Map<string, CanPot[]>();
  for (const pot of pots) {
    const { judgement, water, food, feed_id: feedId } = pot.task;
    if (drinkOf(judgement) === null) continue;
    const key = `${water} ${food === null ? '' : `${feedId ?? ''}/${food}`}`;
    alike.set(key, [...(alike.get(key) ?? []), pot]);
  }
  return [...alike.values()].map((some): CanLine => {
    const ml = some.reduce((sum, { task }) => sum + task.amount_ml, 0);
    const { food, feed_id: feedId, water } = some[0]!.task;
    const product = feeds.find(({ id }) => id === feedId) ?? (feedId === null ? feeds[0] : undefined);
    const feed = food === null ? null : feedLine(food, product, ml);
    return { water, pots: some.length, ml, fills: Math.max(1, Math.ceil(ml / canMl)), feed };
  });
}

function feedLine(strength: number, product: CanFeed | undefined, ml: number): CanLine['feed'] {
  return {
    name: product?.name ?? null,
    strength,
    unit: product?.unit ?? null,
    dose: product ? Math.round(doseFor(product.per_litre, strength, ml) * 10) / 10 : null,
  };
}
