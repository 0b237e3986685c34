/** A garden read in shares comes to what it comes to when it is read by one. */
import { describe, expect, it } from 'vitest';
import { play } from '../../../demo/play.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import { inShare, type Share } from './teaching.ts';

const { garden } = play(() => '2026-07-20')[0]!;
const told = (forecast: GardenForecast, id: string) => {
  const { moisture, dryOn, rate, advice, present } = forecast.outlook(id);
  return { moisture, dryOn, rate, window: advice.window, happened: present.happened };
};
const halves: Share[] = [
  { of: 2, from: 0 },
  { of: 2, from: 1 },
];

describe('a garden read in two shares', () => {
  const whole = new GardenForecast(garden);
  const [even, odd] = [new GardenForecast(garden), new GardenForecast(garden)];
  const progress: number[] = [];
  const teachings = [even.readShare(halves[0]!, (read) => progress.push(read)), odd.readShare(halves[1]!)];
  // As they come over a port: copies, in no order of the garden's.
  even.join([...teachings[0]!, ...structuredClone(teachings[1]!)]);
  odd.join([...teachings[1]!, ...structuredClone(teachings[0]!)]);

  it('each plant is read by one of them, and told as it goes', () => {
    expect(new Set(teachings.flat().map(({ id }) => id)).size).toBe(garden.plants.length);
    expect(progress.at(-1)).toBe(teachings[0]!.length);
    expect(progress).toEqual(progress.toSorted((a, b) => a - b));
  });
  it('says of every plant what the garden says that was read whole, to the last digit', () => {
    for (const [i, { id }] of garden.plants.entries())
      expect(told(inShare(i, halves[0]!) ? even : odd, id)).toEqual(told(whole, id));
  });
  it('knows the plants that the other has read when they are asked for', () => {
    for (const [i, { id, place }] of garden.plants.entries()) {
      if (inShare(i, halves[0]!)) continue;
      expect(even.plantsAt(place)).toContain(id);
      expect(told(even, id)).toEqual(told(whole, id));
    }
    for (const { id } of garden.places) expect(even.plantsAt(id).toSorted()).toEqual(whole.plantsAt(id).toSorted());
  });
  it('takes a mark on a plant that the other has read, and lets one go', () => {
    const index = garden.plants.findIndex((plant, i) => !inShare(i, halves[0]!) && plant.pot.holes);
    const plant = garden.plants[index]!;
    const drenched = {
      ...plant,
      events: [...plant.events, { type: 'watering' as const, date: garden.today, method: 'drench' as const }],
    };
    const fresh = new GardenForecast(garden);
    const others = new GardenForecast(garden);
    fresh.join([...fresh.readShare(halves[0]!), ...others.readShare(halves[1]!)]);
    fresh.replacePlant(drenched);
    expect(fresh.outlook(plant.id).moisture.p50).toBeGreaterThan(0.7);
    fresh.removePlant(plant.id);
    expect(() => fresh.outlook(plant.id)).toThrow('no plant');
    const other = garden.plants.find((_, i) => !inShare(i, halves[0]!) && i !== index)!;
    fresh.removePlant(other.id);
    expect(() => fresh.outlook(other.id)).toThrow('no plant');
  });
  it('does not begin before every share is there', () => {
    const alone = new GardenForecast(garden);
    const own = alone.readShare(halves[0]!);
    expect(() => alone.join(own)).toThrow('no plant');
  });
});
