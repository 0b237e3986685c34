/** How much water, and how: never more than a plant of its kind should get. */
import { isoDay } from '../calendar/day.ts';
import { stepsAsked } from '../clinic/cases.ts';
import type { Drink } from './deeds.ts';
import type { Facts } from './facts.ts';
import { methodRow, type Way, WAY_TABLE } from '../catalogue/ways.ts';
import { flushMl } from '../feed/salts.ts';
import { LIGHT_BANDS } from '../plant/library.ts';

/** A sip, as a share of the mix (docs/model.md). */
export const SIP_SHARE = 0.05;
/** What a drench adds to run out. */
const RUN_OUT = 1.1;
/**
 * A big store in a big peaty pot gets this share of the mix at a time, and again once it is dry; never sixty in the
 * hundred.
 */
const BIG_POT_SHARE = 0.27;
const BIG_POT_ML = 900;
/** A mix that can give this share of its volume is a peaty one. */
const PEATY_FROM = 0.33;
/** No drench is told as more than this share of the mix, but for kinds that must stay damp. */
const LARGEST_SHARE = 0.35;

/** An open case has a flush to come. */
function flushAsked({ clinic, today }: Facts): boolean {
  return clinic.cases.some((one) => stepsAsked(one, isoDay(today)).some(({ step }) => step === 'flush'));
}

/** A full drink by the plant's rules. */
export function fullDrink(facts: Facts): Omit<Drink, 'food'> {
  const { rules, outlook, salts, state, nameUnknown, water } = facts;
  const { pot: model, plant } = outlook.model;
  const { holes } = plant.pot;
  const available = model.capacity.availableMl;
  const volume = model.capacity.volumeMl;
  const missing = available * Math.max(0.05, 1 - facts.m.p50);
  const drink = (way: Way, ml: number, flush = false) => ({
    way,
    method: WAY_TABLE[way].method,
    amount_ml: toStep(ml),
    water,
    flush,
  });
  if (!holes) {
    // What it may hold besides what it surely holds.
    const room = Math.max(0, available * (1 - facts.m.p90));
    const wanted =
      rules.amount.by === 'fixed'
        ? rules.amount.ml
        : rules.amount.by === 'share'
          ? rules.amount.share * volume
          : 0.6 * available;
    return { ...drink('measured', 0), amount_ml: downToStep(Math.min(wanted, room)) };
  }
  const liked =
    rules.ways.find((way) => !(facts.care.neverSoak && methodRow(WAY_TABLE[way].method).stands)) ?? 'measured';
  const { byMeasure } = WAY_TABLE[liked];
  // The keeper's own measure is poured as they said it.
  if (rules.amount.by !== 'drench')
    return {
      ...drink(byMeasure, 0),
      amount_ml: Math.max(1, Math.round(rules.amount.by === 'fixed' ? rules.amount.ml : rules.amount.share * volume)),
    };
  if (liked === 'measured') return drink('measured', SIP_SHARE * volume);
  if (liked === 'mist') return drink('mist', Math.min(10, 0.02 * volume));
  const keepsDamp = outlook.model.traits.dryRule === 'keep-damp';
  // Salts go with a drink that is due, in growth and good light that dries it again; an unknown plant is not flooded on
  // a guess.
  if (
    (salts.flush || flushAsked(facts)) &&
    state === 'growing' &&
    methodRow(WAY_TABLE[liked].method).through &&
    !nameUnknown &&
    facts.dliMol >= LIGHT_BANDS[facts.care.light].wellFrom
  )
    return drink(liked, flushMl(volume), true);
  if (!keepsDamp && outlook.model.traits.store !== 'none' && volume >= BIG_POT_ML && available / volume >= PEATY_FROM)
    return drink('measured', Math.min(RUN_OUT * missing, BIG_POT_SHARE * volume));
  const most = keepsDamp ? Infinity : LARGEST_SHARE * volume;
  return drink(liked, Math.min(RUN_OUT * missing, most));
}

/** A small measured drink. */
export function sipDrink(facts: Facts, share = SIP_SHARE): Omit<Drink, 'food'> {
  const { outlook, water } = facts;
  const { pot: model, plant } = outlook.model;
  const sip = share * model.capacity.volumeMl;
  const ml = plant.pot.holes
    ? toStep(sip)
    : downToStep(Math.min(sip, model.capacity.availableMl * Math.max(0, 1 - facts.m.p90)));
  return { way: 'measured', method: 'measured', amount_ml: ml, water, flush: false };
}

function pouringStep(ml: number): number {
  return ml < 20 ? 1 : ml < 100 ? 5 : ml < 1000 ? 10 : 50;
}

function toStep(ml: number): number {
  const step = pouringStep(ml);
  return Math.max(1, Math.round(ml / step) * step);
}

/** Never more than the pot can hold. */
function downToStep(ml: number): number {
  const step = pouringStep(ml);
  return Math.floor(ml / step) * step;
}
