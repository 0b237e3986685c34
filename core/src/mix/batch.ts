/** A batch: litres of each part for some pots, scoops, what the stores lack, what it costs. */
import type { MixPart, Pot } from '../garden.ts';
import { crockFloorMm, volumeMl } from '../pot/shape.ts';

export interface BatchPot {
  pot: Pot;
  /** share of the pot that the root ball fills */
  rootBall: number;
  /** floor of crocks, mm */
  crockMm?: number;
}

export interface BatchInput {
  parts: readonly MixPart[];
  /** loose volume lost on mixing (blend.ts) */
  shrink: number;
  pots: readonly BatchPot[];
  /** share that is spilled or left over */
  spill: number;
  /** the keeper's own measure, ml, or null */
  scoopMl: number | null;
  /** litres at hand, and the price of a litre, by component */
  stock: ReadonlyMap<string, { litres: number; priceMinor: number | null }>;
}

export interface BatchLine {
  component: string;
  litres: number;
  /** of the keeper's measure, to the half */
  scoops: number | null;
  /** litres that the stores lack */
  lacks: number;
  costMinor: number | null;
}

export interface Batch {
  /** mix that goes into the pots, l */
  mixLitres: number;
  lines: BatchLine[];
  /** what is to be bought, with its price where that is known */
  shopping: { component: string; litres: number; costMinor: number | null }[];
  costMinor: number | null;
}

const ML_A_LITRE = 1000;
const SHOPPING_STEP_L = 0.5;

/**
 * `batchOf({ parts: 2 : 1, shrink: 0, one pot of 1.5 l, … })` asks for 1.0 l and 0.5 l.
 *
 * @throws RangeError when the parts sum to nothing
 */
export function batchOf({ parts, shrink, pots, spill, scoopMl, stock }: BatchInput): Batch {
  const total = parts.reduce((sum, part) => sum + part.parts, 0);
  if (!(total > 0)) throw new RangeError('the parts sum to nothing');
  const mixMl = pots.reduce(
    (sum, { pot, rootBall, crockMm = crockFloorMm(pot) }) => sum + volumeMl(pot, crockMm) * (1 - rootBall),
    0,
  );
  const looseL = (mixMl * (1 + spill)) / (1 - shrink) / ML_A_LITRE;
  const lines = parts
    .filter((part) => part.parts > 0)
    .map(({ component, parts: count }): BatchLine => {
      const litres = (looseL * count) / total;
      const kept = stock.get(component);
      const price = kept?.priceMinor ?? null;
      return {
        component,
        litres,
        scoops: scoopMl === null ? null : Math.round((2 * litres * ML_A_LITRE) / scoopMl) / 2,
        lacks: Math.max(0, litres - (kept?.litres ?? 0)),
        costMinor: price === null ? null : Math.round(price * litres),
      };
    });
  return {
    mixLitres: mixMl / ML_A_LITRE,
    lines,
    shopping: lines
      .filter(({ lacks }) => lacks > 1e-9)
      .map(({ component, lacks }) => {
        // Shops sell by halves of a litre at best.
        const litres = Math.ceil(lacks / SHOPPING_STEP_L) * SHOPPING_STEP_L;
        const price = stock.get(component)?.priceMinor ?? null;
        return { component, litres, costMinor: price === null ? null : Math.round(price * litres) };
      }),
    costMinor: lines.some(({ costMinor }) => costMinor === null)
      ? null
      : lines.reduce((sum, { costMinor }) => sum + costMinor!, 0),
  };
}
