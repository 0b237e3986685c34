/** What rain does to a pot that stands under it: counted where it fell, waited for where it comes, kept off where it is too much. */
import { MATERIAL_TABLE } from '../catalogue/materials.ts';
import { placeDefaults } from '../place/defaults.ts';
import { TOO_WET_TO_DRINK_M } from '../moisture.ts';
import { type Answer, hundredth, tenth } from './answer.ts';
import { type Facts, iso } from './facts.ts';
import type { Why } from './weights.ts';

/** Rain that came within so many days is told as a drink. */
const TOLD_DAYS = 6;
/** A fall wets a pot in earnest from this share of what it holds on. */
const TELLING_SHARE = 0.12;
/** A due drink waits for rain that is this likely to bring at least half of it. */
const LIKELY = 0.6;
const HALF = 0.5;
/** So long wet under the sky, by so many wet days, is a spell that rots. */
const SPELL_DAYS = 10;
const SPELL_RAIN_DAYS = 6;
const RAIN_DAY_MM = 1;
/** A kind that is so rot-prone is covered; a tougher one stands through it. */
const COVERED_FROM = 1;

/** The share of its store that this much rain brings to the pot. */
function shareOf({ outlook }: Facts, mm: number): number {
  const { pot } = outlook.model;
  return (mm * pot.rainMlPerMm) / Math.max(1, pot.capacity.availableMl);
}

/** Millimetres that reached the pot on a day, as far as they count there. */
function fellOn({ outlook }: Facts, day: number): number {
  const { climate } = outlook.model;
  return climate.rainMm[day - climate.firstDay] ?? 0;
}

/** Rain of the last days that was a drink to this pot, the largest fall of them. */
export function rainCounted(facts: Facts): Why | null {
  if (!placeDefaults(facts.placeKind).openSky) return null;
  let mm = 0;
  let on = facts.today;
  for (let day = facts.today - TOLD_DAYS; day <= facts.today; day++) {
    if (fellOn(facts, day) < mm) continue;
    mm = fellOn(facts, day);
    on = day;
  }
  if (shareOf(facts, mm) < TELLING_SHARE) return null;
  return { code: 'rain-counted', source: 'reckoned', on: iso(on), n: { mm: tenth(mm) } };
}

/** Rain likely within two days that would bring half of the drink, or more: it is waited for. */
export function rainComing(facts: Facts): Why | null {
  const { outlook, today, placeKind, seen, m } = facts;
  if (!placeDefaults(placeKind).openSky || seen.slack) return null;
  const wanted = HALF * Math.max(0, 1 - m.p50);
  const bring = outlook.rainSoonMm.filter((mm) => shareOf(facts, mm) >= wanted);
  const chance = bring.length / Math.max(1, outlook.rainSoonMm.length);
  if (chance < LIKELY) return null;
  const middle = outlook.rainSoonMm.toSorted((a, b) => a - b)[Math.floor(outlook.rainSoonMm.length / 2)]!;
  return {
    code: 'rain-coming',
    source: 'forecast',
    on: iso(today + 1),
    n: { chance: hundredth(chance), mm: tenth(middle) },
  };
}

/** Wet for many days under a sky that keeps raining: covered, if it is a kind or a mix that rots. */
export function longRain(facts: Facts): Answer | null {
  const { placeKind, wetDays, today, outlook, rotTimes, chanceWet } = facts;
  if (!placeDefaults(placeKind).openSky || wetDays < SPELL_DAYS || chanceWet < 0.5) return null;
  // Rain is no harm to those that live in it, as long as it runs out.
  if (facts.nature === 'hardy' && outlook.plant.pot.holes) return null;
  let mm = 0;
  let days = 0;
  for (let back = 0; back < SPELL_DAYS; back++) {
    const fell = fellOn(facts, today - back);
    mm += fell;
    if (fell >= RAIN_DAY_MM) days++;
  }
  if (days < SPELL_RAIN_DAYS || rotTimes < COVERED_FROM) return null;
  return {
    deeds: [
      { deed: 'move', what: 'cover' },
      { deed: 'wait', until: null },
    ],
    because: [
      {
        code: 'long-rain',
        source: 'reckoned',
        n: { days: wetDays, rain_days: days, mm: Math.round(mm), hole: outlook.plant.pot.holes ? 1 : 0 },
      },
    ],
    until: null,
    nextLook: iso(today + 3),
  };
}

/** Fired clay that is full of water bursts in frost. */
export function clayInFrost({ outlook, nights, placeKind, m }: Facts): boolean {
  const { indoors } = placeDefaults(placeKind);
  return (
    MATERIAL_TABLE[outlook.plant.pot.material].bursts && !indoors && nights.weekC < 0 && m.p50 > TOO_WET_TO_DRINK_M
  );
}

/** From such a day on sun on a dark wall takes the roots behind it over what they bear. */
const DARK_HOT_C = 27;

/** A dark pot in the sun of hot days: a room and a lamp have no such sun. */
export function darkInHeat({ outlook, placeKind, heat }: Facts): boolean {
  return (
    Boolean(outlook.plant.pot.dark) && placeKind !== 'room' && placeKind !== 'lamp-shelf' && heat.highC >= DARK_HOT_C
  );
}
