import { describe, expect, it } from 'vitest';
import { dayNumber } from '../src/calendar/day.ts';
import { GardenForecast } from '../src/forecast/forecast.ts';
import { gardenTasks } from '../src/judgement/garden.ts';
import { drinkOf } from '../src/judgement/deeds.ts';
import { INLAND, mirrored } from './gardens.ts';
import { live, type Upset, UPSETS } from './world.ts';

/**
 * What comes of a look that contradicts the book, in a world that is not the engine's own: strangers' waterings,
 * drenches that ran past, lost roots, blocked pots, and slips. Of the pots of a collection those count whose book,
 * without the looks, was wrong by more than a quarter of the pot.
 */
function tried(kinds: readonly Upset[], looksAgo: readonly number[], seeds: readonly number[]) {
  const misses: number[] = [];
  let inside = 0;
  let wet = 0;
  let drinksIntoWet = 0;
  const slip = kinds.includes('slip');
  for (const seed of seeds) {
    const south = seed % 2 === 1;
    const world = live({
      seed,
      normals: south ? mirrored(INLAND) : INLAND,
      latitude: south ? -44 : 47,
      firstDay: dayNumber(south ? '2025-11-10' : '2025-05-10'),
      days: 95,
      beyond: 0,
      pots: 40,
      checks: 'mixed',
      every: 3,
      upset: { kinds, daysAgo: [6, 16], looksAgo },
    });
    const isLook = (date: string) => looksAgo.includes(world.today - dayNumber(date));
    const bare = {
      ...world.garden,
      plants: world.garden.plants.map((plant) => ({
        ...plant,
        events: plant.events.filter((event) => event.type !== 'check' || !isLook(event.date)),
      })),
    };
    const book = new GardenForecast(bare);
    for (const { outlook, task } of gardenTasks(world.garden)) {
      const m = world.moisture.get(outlook.plant.id)![world.today - world.firstDay]!;
      if (!slip && Math.abs(book.outlook(outlook.plant.id).moisture.p50 - m) <= 0.25) continue;
      misses.push(Math.abs(outlook.moisture.p50 - m));
      if (m >= outlook.moisture.p10 - 1e-9 && m <= outlook.moisture.p90 + 1e-9) inside++;
      if (m > 0.35) {
        wet++;
        if (drinkOf(task.judgement)) drinksIntoWet++;
      }
    }
  }
  misses.sort((a, b) => a - b);
  return {
    count: misses.length,
    miss: misses[Math.floor(misses.length / 2)]!,
    inside: inside / misses.length,
    wet,
    drinksIntoWet,
  };
}

describe('in another world, with upsets that no book tells', () => {
  it('after one truthful look that contradicts the book it is believed, and after two firmly', () => {
    const one = tried(UPSETS, [0], [1, 2, 3]);
    const two = tried(UPSETS, [3, 0], [1, 2, 3]);
    console.log('one look', one, 'two looks', two);
    expect(one.count).toBeGreaterThan(15);
    expect(one.miss).toBeLessThan(0.1);
    expect(one.inside).toBeGreaterThan(0.6);
    expect(two.miss).toBeLessThan(0.07);
    expect(two.inside).toBeGreaterThan(0.68);
    expect(one.drinksIntoWet + two.drinksIntoWet).toBeLessThanOrEqual(0.03 * (one.wet + two.wet));
  });
  it('a slip followed by one good look is forgotten', () => {
    const slipped = tried(['slip'], [3, 0], [4, 5]);
    console.log('slip', slipped);
    expect(slipped.miss).toBeLessThan(0.1);
    expect(slipped.drinksIntoWet).toBeLessThanOrEqual(0.03 * slipped.wet);
  });
});
