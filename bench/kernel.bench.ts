/**
 * The year kernel in JavaScript beside the same loop in C, its memory, its growth with the number of pots, and one
 * plant's learning in its pot-days.
 */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  type Garden,
  GardenForecast,
  kernelPots,
  type KernelPots,
  kernelWeather,
  type KernelWeather,
  putPot,
  yearKernel,
} from '@zinc-pail/core';
import { play } from '../demo/play.ts';

const TODAY = '2026-06-15';
const DAYS = 365;
const MEMBERS = 64;
/** A shared machine stutters: the best of several is what the code can do. */
const ROUNDS = 7;

const garden: Garden = play(() => TODAY)[0]!.garden;
const forecast = new GardenForecast(garden);
const models = forecast.outlooks().map((outlook) => ({ model: outlook.model, rate: outlook.rate.p50 }));
const placeIds = garden.places.map((place) => place.id);

/** The demo's pots again and again, as the product hands them to the kernel. */
function potsOf(count: number): KernelPots {
  const pots = kernelPots(count, DAYS);
  for (let i = 0; i < count; i++) {
    const { model, rate } = models[i % models.length]!;
    putPot(pots, i, { model, rate, surfaceWetM: 0.5, place: placeIds.indexOf(model.plant.place), from: 0, m: 0.8 });
  }
  return pots;
}

function best(action: () => void, rounds = ROUNDS): number {
  let least = Infinity;
  for (let i = 0; i < rounds; i++) {
    const start = performance.now();
    action();
    least = Math.min(least, performance.now() - start);
  }
  return least;
}

/** Compiles and runs the C twin on the same numbers; null where there is no compiler. */
function inC(pots: KernelPots, weather: KernelWeather): { ms: number; waterings: number } | null {
  const folder = mkdtempSync(join(tmpdir(), 'zinc-kernel-'));
  try {
    const binary = join(folder, 'kernel');
    const compiled = spawnSync('cc', [
      '-O3',
      '-march=native',
      '-o',
      binary,
      join(process.env.ZINC_ROOT ?? '.', 'bench', 'kernel.c'),
      '-lm',
    ]);
    if (compiled.status !== 0) return null;
    const bytes = (array: ArrayBufferView) => Buffer.from(array.buffer, array.byteOffset, array.byteLength);
    const data = join(folder, 'data');
    writeFileSync(
      data,
      Buffer.concat(
        [
          new Int32Array([pots.count, weather.days, weather.members, weather.places]),
          pots.place,
          pots.from,
          pots.holdDays,
          pots.surfacePerMm,
          pots.wallPerMm,
          pots.plantPerMm,
          pots.rainPerMm,
          pots.surfaceWetM,
          pots.dueM,
          pots.m,
          pots.drinking,
          weather.surfaceMm,
          weather.wallMm,
          weather.rainMm,
        ].map(bytes),
      ),
    );
    const [ms, waterings] = spawnSync(binary, [data, String(ROUNDS)], { encoding: 'utf8' })
      .stdout.trim()
      .split(' ')
      .map(Number) as [number, number];
    return { ms, waterings };
  } finally {
    rmSync(folder, { recursive: true });
  }
}

const weather = kernelWeather(forecast.climate, placeIds, DAYS);
const thousand = potsOf(1000);
const gc = (globalThis as { gc?: () => void }).gc ?? (() => {});
gc();
const before = process.memoryUsage();
const watered = new Uint16Array(1000 * DAYS);
const ms = best(() => {
  watered.fill(0);
  yearKernel(thousand, weather, watered);
});
const after = process.memoryUsage();
const waterings = watered.reduce((sum, n) => sum + n, 0);
const potDayNs = (ms * 1e6) / (1000 * DAYS * MEMBERS);
console.log(
  `year kernel, 1,000 pots × ${DAYS} days × ${MEMBERS} members: ${ms.toFixed(0)} ms, ${potDayNs.toFixed(1)} ns a day of one pot in one weather`,
);
console.log(
  `memory while it ran: ${((after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers) / 1e6).toFixed(1)} MB more`,
);
const c = inC(thousand, weather);
if (c)
  console.log(
    `the same in C (cc -O3): ${c.ms.toFixed(0)} ms; ratio ${(ms / c.ms).toFixed(2)}; waterings ${waterings} here, ${c.waterings} there`,
  );
else console.log('no C compiler here: nothing to compare with');

for (const count of [10, 100, 1000, 10_000]) {
  const pots = potsOf(count);
  const out = new Uint16Array(count * DAYS);
  const members = count > 1000 ? 8 : MEMBERS;
  const took = best(() => yearKernel(pots, { ...weather, members }, out), count < 1000 ? 5 : 1);
  console.log(
    `${String(count).padStart(7)} pots: ${((took * 1e6) / (count * DAYS * members)).toFixed(1)} ns a day of one pot in one weather`,
  );
}

/** All learned and forecast anew for one plant after another; `changed` says what is new of it. */
function onePlantMs(changed: (plant: Garden['plants'][number]) => Garden['plants'][number]): number {
  const plants = garden.plants.slice(0, 40);
  const all = () => {
    for (const plant of plants) {
      forecast.replacePlant(changed(plant));
      forecast.outlook(plant.id);
    }
  };
  for (let i = 0; i < 3; i++) all();
  return best(all) / plants.length;
}

// Each pot-day of the kernel is a pot's day in all its 64 weathers, as in the first line; one weather's day is the
// smallest unit there is.
let turn = 0;
const cases: [string, (plant: Garden['plants'][number]) => Garden['plants'][number]][] = [
  ['anew, season and pot too', (plant) => ({ ...plant, leafless: turn++ % 2 === 0 ? null : undefined })],
  [
    'after a mark',
    (plant) => ({ ...plant, events: [...plant.events, { type: 'check', date: TODAY, finger: 'damp' }] }),
  ],
];
for (const [name, changed] of cases) {
  const ms = onePlantMs(changed);
  const memberDays = (ms * 1e6) / potDayNs;
  console.log(
    `learning and forecasting one plant with two years of journal, ${name}: ${ms.toFixed(2)} ms = ` +
      `${(memberDays / MEMBERS).toFixed(0)} pot-days of ${MEMBERS} members (5,000 wanted at most), ` +
      `${memberDays.toFixed(0)} days of a single member`,
  );
}
