/** How long it takes to forecast 1,000 pots, and how the time grows with their number. */
import { dayNumber, type Garden, GardenForecast, isoDay } from '@zinc-pail/core';
import { play } from '../demo/play.ts';

const TODAY = '2026-06-15';

/** The demo's first site with its plants repeated until there are enough. */
function gardenOf(pots: number): Garden {
  const { garden } = play(() => TODAY)[0]!;
  const plants = Array.from({ length: pots }, (_, i) => ({
    ...garden.plants[i % garden.plants.length]!,
    id: `pot-${i}`,
  }));
  return { ...garden, plants };
}

function time(action: () => void): number {
  const start = performance.now();
  action();
  return performance.now() - start;
}

console.log(`two years of journal a pot, 64 members, today ${isoDay(dayNumber(TODAY))}`);
const whole = gardenOf(1000);
for (const pots of [10, 100, 1000]) {
  const garden = { ...whole, plants: whole.plants.slice(0, pots) };
  let events = 0;
  for (const plant of garden.plants) events += plant.events.length;
  const ms = time(() => new GardenForecast(garden).outlooks());
  console.log(
    `${String(pots).padStart(6)} pots, ${events} events: ${ms.toFixed(0)} ms, ${(ms / pots).toFixed(2)} ms a pot`,
  );
}
const forecast = new GardenForecast(whole);
forecast.outlooks();
const again = time(() => {
  for (let i = 0; i < 100; i++) {
    forecast.replacePlant(whole.plants[i]!);
    forecast.outlook(whole.plants[i]!.id);
  }
});
console.log(`one pot anew beside 999 others: ${(again / 100).toFixed(2)} ms`);
