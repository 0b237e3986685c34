/** What this keeper's looks are worth: how often each kind has been a slip, learned from all pots together. */
import type { History } from './history.ts';
import { type LookKind, USUAL_SLIPS } from './looks.ts';

/** The usual rate counts for so many looks. */
const PRIOR_LOOKS = 60;
const LEAST_SLIPS = 0.01;
const MOST_SLIPS = 0.4;
/** Rates are told apart in such steps, so that tables can be kept. */
const STEP = 0.005;

export function slipRates(histories: Iterable<Pick<History, 'trust'>>): Record<LookKind, number> {
  const looks = { finger: 0, surface: 0, meter: 0, weight: 0, lift: 0 };
  const slips = { ...looks };
  for (const { trust } of histories) {
    for (const kind of Object.keys(looks) as LookKind[]) {
      looks[kind] += trust[kind].looks;
      slips[kind] += trust[kind].slips;
    }
  }
  const rates = { ...USUAL_SLIPS };
  for (const kind of Object.keys(rates) as LookKind[]) {
    const rate = (slips[kind] + PRIOR_LOOKS * USUAL_SLIPS[kind]) / (looks[kind] + PRIOR_LOOKS);
    rates[kind] = Math.min(MOST_SLIPS, Math.max(LEAST_SLIPS, Math.round(rate / STEP) * STEP));
  }
  return rates;
}
