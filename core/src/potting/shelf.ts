/** Which of the pots on the shelf each plant of the queue gets, the most pressing first; and what is to be bought. */
import type { Pot } from '../garden.ts';

export interface ShelfPot {
  id: number;
  pot: Pot;
  amount: number;
}

export interface Shelved {
  /** plant to the line of the stores whose pot it gets */
  from: Map<number, number>;
  /** sizes that lack, the plants that wait for them */
  buy: { top_mm: number; depth_mm: number; ids: number[] }[];
}

/** A pot this near in width and depth will do; one much deeper stays wet below the roots. */
const NEAR = { top: 0.12, deeper: 0.25, shallower: 0.25 };

/** @param wanted next pots, the most pressing first */
export function potsFromShelf(wanted: readonly { id: number; pot: Pot }[], shelf: readonly ShelfPot[]): Shelved {
  const left = new Map(shelf.map(({ id, amount }) => [id, Math.floor(amount)]));
  const out: Shelved = { from: new Map(), buy: [] };
  for (const { id, pot } of wanted) {
    const fit = shelf
      .filter((one) => (left.get(one.id) ?? 0) > 0 && one.pot.holes && isNear(one.pot, pot))
      .toSorted((a, b) => farFrom(a.pot, pot) - farFrom(b.pot, pot))[0];
    if (fit) {
      left.set(fit.id, left.get(fit.id)! - 1);
      out.from.set(id, fit.id);
      continue;
    }
    const same = out.buy.find((one) => one.top_mm === pot.top_mm && one.depth_mm === pot.depth_mm);
    if (same) same.ids.push(id);
    else out.buy.push({ top_mm: pot.top_mm, depth_mm: pot.depth_mm, ids: [id] });
  }
  return out;
}

function isNear(pot: Pot, wanted: Pot): boolean {
  const depth = pot.depth_mm / wanted.depth_mm - 1;
  return Math.abs(pot.top_mm / wanted.top_mm - 1) <= NEAR.top && depth <= NEAR.deeper && depth >= -NEAR.shallower;
}

function farFrom(pot: Pot, wanted: Pot): number {
  return Math.abs(Math.log(pot.top_mm / wanted.top_mm)) + 0.5 * Math.abs(Math.log(pot.depth_mm / wanted.depth_mm));
}
