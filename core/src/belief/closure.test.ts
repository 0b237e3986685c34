import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { dryStep } from '../drydown/step.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import type { Garden, Plant, PlantEvent } from '../garden.ts';
import { seededRandom, standardNormal } from '../numeric/random.ts';
import { garden, roundPot } from '../../test/gardens.ts';

/**
 * The engine against itself: pots of its own physics with known rates, looked at by a keeper who misreads.
 * What it claims of the rate must be true as often as it claims.
 */
const START = dayNumber('2026-05-20');
const PLACES = ['a', 'b', 'c', 'd'];

interface Truth {
  rate: number;
  /** moisture at the end of each day from START on */
  m: number[];
  waterings: number[];
}

/**
 * 200 pots over four shelves, kept until the cycle after `cycles` is three tenths done; each pot's own today is the
 * garden's.
 */
function closed(cycles: number, look: boolean, seed: number): { errors: number[]; inBounds: number; count: number } {
  const random = seededRandom(seed);
  const base = garden({ today: isoDay(START + 100) });
  const places = PLACES.map((id) => ({ ...base.places[0]!, id }));
  const placeRate = new Map(PLACES.map((id) => [id, Math.exp(0.2 * standardNormal(random))]));
  const truths = new Map<string, Truth>();
  const plants: Plant[] = [];
  const END = START + 70;
  for (let i = 0; i < 200; i++) {
    const place = PLACES[i % PLACES.length]!;
    const plant: Plant = {
      ...base.plants[0]!,
      id: `pot-${i}`,
      place,
      pot: roundPot(
        80 + Math.round(50 * random()),
        70 + Math.round(40 * random()),
        random() < 0.4 ? 'terracotta' : 'plastic',
      ),
      events: [],
    };
    const probe = new GardenForecast(
      { ...base, places, plants: [{ ...plant, events: [{ type: 'state', date: isoDay(START), state: 'growing' }] }] },
      START,
    ).outlook(plant.id);
    const rate = placeRate.get(place)! * Math.exp(0.35 * standardNormal(random));
    const events: PlantEvent[] = [{ type: 'state', date: isoDay(START), state: 'growing' }];
    const truth: Truth = { rate, m: [], waterings: [] };
    let m = 1;
    let done = 0;
    events.push({ type: 'watering', date: isoDay(START), method: 'drench' });
    truth.waterings.push(START);
    for (let day = START; day <= END + 120; day++) {
      const at = day - probe.model.loss.firstDay;
      const { loss } = probe.model;
      if (day <= END && day > START) {
        // Looked at every other day while the cycles last; watered when it feels dry, or, unlooked at, when it is.
        const looks = look && done < cycles && (day - truth.waterings.at(-1)!) % 2 === 0;
        const feel = m + 0.05 * standardNormal(random);
        const finger = random() < 0.05 ? 'damp' : feel > 0.6 ? 'wet' : feel > 0.12 ? 'damp' : 'dry';
        if (looks) events.push({ type: 'check', date: isoDay(day), finger });
        if (looks ? finger === 'dry' : (!look || done >= cycles) && m <= 0.12 && random() < 0.5) {
          events.push({ type: 'watering', date: isoDay(day), method: 'drench' });
          truth.waterings.push(day);
          done++;
          m = 1;
        }
      }
      m = dryStep(m, rate * loss.surface[at]!, rate * loss.wall[at]!, rate * loss.plant[at]!);
      truth.m.push(m);
    }
    truths.set(plant.id, truth);
    plants.push({ ...plant, events });
  }
  const today = isoDay(END);
  const upTo = (events: readonly PlantEvent[]) => events.filter((event) => event.date <= today);
  const whole: Garden = {
    ...base,
    today,
    places,
    plants: plants.map((plant) => ({ ...plant, events: upTo(plant.events) })),
  };
  const errors: number[] = [];
  let inBounds = 0;
  for (const outlook of new GardenForecast(whole).outlooks()) {
    const truth = truths.get(outlook.plant.id)!;
    if (truth.rate >= outlook.rate.p10 && truth.rate <= outlook.rate.p90) inBounds++;
    const last = truth.waterings.filter((day) => day <= END).at(-1)!;
    const index = truth.m.findIndex((m, i) => START + i >= END && m <= 0.12);
    if (truth.m[END - START]! <= 0.12 || index < 0 || outlook.dryOn.p50 === null) continue;
    errors.push(Math.abs(outlook.dryOn.p50 - (START + index)) / (START + index - last));
  }
  return { errors: errors.sort((a, b) => a - b), inBounds, count: whole.plants.length };
}

/** Two collections of four shelves, for the luck of four shelves is not the engine's. */
function pooled(cycles: number, look: boolean): { errors: number[]; share: number } {
  const found = [11, 12].map((seed) => closed(cycles, look, seed));
  const sum = (of: (one: (typeof found)[number]) => number) => found.reduce((total, one) => total + of(one), 0);
  return {
    errors: found.flatMap((one) => one.errors).sort((a, b) => a - b),
    share: sum((one) => one.inBounds) / sum((one) => one.count),
  };
}

describe('closure', () => {
  const looked = pooled(3, true);
  const once = pooled(1, true);
  const never = pooled(3, false);
  it('the rate lies in its bounds as often as claimed: 70 to 90 % of 400 pots', () => {
    for (const { share } of [looked, once, never]) {
      expect(share).toBeGreaterThanOrEqual(0.7);
      expect(share).toBeLessThanOrEqual(0.9);
    }
  });
  it('after three cycles of finger checks the dry day is missed by at most a tenth of the cycle, in the middle', () => {
    expect(looked.errors.length).toBeGreaterThan(120);
    expect(looked.errors[Math.floor(looked.errors.length / 2)]!).toBeLessThanOrEqual(0.1);
  });
  it('never looked at, by at most three tenths', () => {
    expect(never.errors[Math.floor(never.errors.length / 2)]!).toBeLessThanOrEqual(0.3);
  });
});
