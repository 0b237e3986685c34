/**
 * A large collection: 5,000 plants with 500,000 lines of journal. Warm answers beside the bare SQL for the same rows,
 * and a mark.
 */
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { PlantEvent } from '@zinc-pail/core';
import { migrate } from '@zinc-pail/server/database/migrate';
import { openPool, type Pool, transaction } from '@zinc-pail/server/database/pool';
import { importGarden } from '@zinc-pail/server/formats/gardenStore';
import { serve } from '@zinc-pail/server/main';
import { plantCards } from '@zinc-pail/server/plants/store';
import { tableCards } from '@zinc-pail/server/table/store';
import { play } from '../demo/play.ts';

const PLANTS = 5000;
const EVENTS_EACH = 100;
const ROUNDS = 15;
const MARKS_TIMED = 60;
const ROOT = process.env.ZINC_ROOT ?? '.';

function middle(times: number[]): number {
  return times.toSorted((a, b) => a - b)[Math.floor(times.length / 2)]!;
}

async function timed(action: () => Promise<unknown>, rounds = ROUNDS): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const start = performance.now();
    await action();
    times.push(performance.now() - start);
  }
  return middle(times);
}

/** The demo's plants again and again, each with the last hundred lines of its book. */
async function fill(pool: Pool): Promise<{ siteId: number; journalRows: number }> {
  const today = new Date().toISOString().slice(0, 10);
  const { garden } = play(() => today)[0]!;
  const withBook = garden.plants.map((plant) => ({ ...plant, events: lengthened(plant.events) }));
  const plants = Array.from({ length: PLANTS }, (_, i) => ({ ...withBook[i % withBook.length]!, id: `plant-${i}` }));
  const { siteId } = await transaction(pool, (connection) =>
    importGarden(connection, { ...garden, plants }, { name: 'Large', timeZone: 'UTC', by: 'bench' }),
  );
  const [[{ n }]] = (await pool.query('SELECT COUNT(*) AS n FROM journal')) as unknown as [[{ n: number }]];
  return { siteId, journalRows: n };
}

/** Exactly so many events: the last ones, or, where there are fewer, more looks on the same days. */
function lengthened(events: readonly PlantEvent[]): PlantEvent[] {
  const last = events.slice(-EVENTS_EACH);
  const [first] = last;
  const more = Array.from({ length: EVENTS_EACH - last.length }, (): PlantEvent => ({
    type: 'feeding',
    date: first?.date ?? '2025-01-01',
    dose: 0,
  }));
  return [...more, ...last];
}

const pool = openPool(process.env.ZINC_BENCH_DATABASE_URL!);
const migrations = join(ROOT, 'server', 'migrations');
await migrate(pool, migrations);
let start = performance.now();
const { siteId, journalRows } = await fill(pool);
console.log(
  `${PLANTS} plants, ${journalRows} lines of journal, written in ${((performance.now() - start) / 1000).toFixed(0)} s`,
);

const running = await serve({
  databaseUrl: process.env.ZINC_BENCH_DATABASE_URL!,
  port: 31_000,
  webFolder: null,
  workerFile: join(ROOT, 'build', 'forecast-worker.mjs'),
  migrationsFolder: migrations,
  tell: () => {},
  fill: null,
});
const url = `http://127.0.0.1:${running.port}/api`;
/** Asks until there is an answer: one that is still being reckoned says so, and when to ask again. */
const get = async (path: string): Promise<ArrayBuffer> => {
  const response = await fetch(url + path);
  if (response.status === 503 && response.headers.has('retry-after')) return get(path);
  if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
  return response.arrayBuffer();
};
try {
  start = performance.now();
  const firstBytes = (await get('/round')).byteLength;
  console.log(
    `first round, everything learned and reckoned: ${((performance.now() - start) / 1000).toFixed(1)} s; ${(firstBytes / 1e6).toFixed(1)} MB of text`,
  );
  const tableBytes = (await get('/plants')).byteLength;

  const cardsMs = await timed(() => plantCards(pool, siteId));
  const roundMs = await timed(() => get('/round'));
  console.log(
    `warm round ${roundMs.toFixed(1)} ms; bare SQL for its ${PLANTS} plants ${cardsMs.toFixed(1)} ms; ratio ` +
      `${(roundMs / cardsMs).toFixed(2)} (3 wanted at most)`,
  );
  const rowsMs = await timed(() => tableCards(pool));
  const tableMs = await timed(() => get('/plants'));
  console.log(
    `warm table ${tableMs.toFixed(1)} ms, ${(tableBytes / 1e6).toFixed(1)} MB of text; bare SQL for its rows ` +
      `${rowsMs.toFixed(1)} ms; ratio ${(tableMs / rowsMs).toFixed(2)} (3 wanted at most)`,
  );

  const today = new Date().toISOString().slice(0, 10);
  const { rows } = JSON.parse(Buffer.from(await get('/plants')).toString()) as { rows: number[][] };
  const times: number[] = [];
  for (let i = 0; i < MARKS_TIMED; i++) {
    const id = rows[(i * 83) % rows.length]![0];
    const from = performance.now();
    const response = await fetch(`${url}/marks`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: new URL(url).origin },
      body: JSON.stringify({
        marks: [{ plant_id: id, entries: [{ client_id: randomUUID(), date: today, type: 'check', finger: 'damp' }] }],
      }),
    });
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`mark: ${response.status}`);
    times.push(performance.now() - from);
  }
  times.sort((a, b) => a - b);
  console.log(
    `a mark: ${middle(times).toFixed(1)} ms in the middle, nine in ten under ` +
      `${times[Math.floor(0.9 * MARKS_TIMED)]!.toFixed(1)} ms, the slowest ${times.at(-1)!.toFixed(1)} ms (50 wanted)`,
  );
  const afterMs = await timed(() => get('/round'), 5);
  console.log(`the round while benches are reckoned anew behind the scenes: ${afterMs.toFixed(1)} ms`);
} finally {
  await running.close();
  await pool.end();
}
