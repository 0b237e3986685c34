/**
 * How long one request, however large, holds up another: while it is answered, a small one is asked again and again on a
 * line of its own, and the worst of its answers is what counts.
 */
import { randomUUID } from 'node:crypto';
import { Agent } from 'node:http';
import { gzipSync } from 'node:zlib';
import { type Ask, ask, plantIds, quantile, sleep } from './ask.ts';
import type { Home } from './home.ts';
import type { Table } from './table.ts';

const MOST_MS = 200;
const MOST_MB = 600;
const PAUSE_MS = 5;
const MB = 1024 * 1024;

interface Heavy {
  name: string;
  path: string;
  ask: Ask;
}

const today = () => new Date().toISOString().slice(0, 10);

/** Marks that the contract takes, up to the size of a body. */
function goodMarks(ids: readonly number[], entriesEach: number): object {
  const size = 150;
  const marks = ids.slice(0, Math.floor((0.95 * MB) / (40 + size * entriesEach))).map((plant_id) => ({
    plant_id,
    entries: Array.from({ length: entriesEach }, () => ({
      client_id: randomUUID(),
      date: today(),
      type: 'check',
      finger: 'damp',
    })),
  }));
  return { marks };
}

/** A garden file of so many plants with a long book each, made from one that the server gives out. */
function largeGarden(garden: any, plants: number, events: number): string {
  const [pattern] = garden.plants as { events: object[] }[];
  const first = Date.parse('2020-01-01');
  const book = Array.from({ length: events }, (_, i) => ({
    type: 'check',
    date: new Date(first + Math.floor(i / 2) * 86_400_000).toISOString().slice(0, 10),
    finger: 'damp',
  }));
  return JSON.stringify({
    ...garden,
    plants: Array.from({ length: plants }, (_, i) => ({ ...pattern, id: `p${i}`, events: book })),
  });
}

function largeList(rows: number): string {
  const lines = Array.from(
    { length: rows },
    (_, i) => `Echeveria agavoides,90,80,terracotta,H${i},a note of some length for row ${i}`,
  );
  return ['name,top,depth,material,number,provenance', ...lines].join('\n');
}

/** Everything that is taken here at about its largest, sound and unsound. */
async function heavies(url: string): Promise<Heavy[]> {
  const ids = await plantIds(url);
  const [place] = (await ask(url, '/api/places')).body.places as { id: number; site_id: number }[];
  const [mix] = (await ask(url, '/api/kit')).body.mixes as { id: number }[];
  const garden = (await ask(url, `/api/export/garden/${place!.site_id}`)).body;
  const strangers = Array.from({ length: 20_000 }, (_, i) => 1_000_000 + i);
  const columns = {
    name: 'name',
    pot_top_mm: 'top',
    pot_depth_mm: 'depth',
    pot_material: 'material',
    number: 'number',
    provenance: 'provenance',
  };
  const listOf = (csv: string) => ({
    name: 'list.csv',
    csv,
    columns,
    defaults: { place_id: place!.id, mix_id: mix!.id, pot: USUAL_POT },
    dry_run: true,
  });
  const zeros = `{"plants":[${'0,'.repeat(29_000_000)}0]}`;
  const objects = `{"plants":[${'{},'.repeat(19_000_000)}{}]}`;
  const wrongMarks = { marks: Array.from({ length: 300 }, () => ({ plant_id: 1, entries: Array(1500).fill(0) })) };
  // Made into bytes beforehand, so that it is not we who hold up.
  const post = (name: string, path: string, { body, raw, ...rest }: Ask): Heavy => {
    const text = raw ?? (body === undefined ? undefined : JSON.stringify(body));
    return { name, path, ask: { ...rest, ...(text === undefined ? {} : { raw: Buffer.from(text) }) } };
  };
  return [
    post('marks on all plants', '/api/marks', { body: goodMarks(ids, 1) }),
    post('marks on strangers, as many as fit', '/api/marks', { body: goodMarks(strangers, 1) }),
    post('marks of many entries, as many as fit', '/api/marks', { body: goodMarks(strangers, 20) }),
    post('a list of zeros for marks', '/api/marks', { raw: `{"marks":[${'0,'.repeat(490_000)}0]}` }),
    post('wrong entries', '/api/marks', { body: wrongMarks }),
    post('zeros, packed', '/api/marks', {
      raw: gzipSync(`{"marks":[${'0,'.repeat(490_000)}0]}`),
      headers: { 'Content-Encoding': 'gzip' },
    }),
    post('90,000 fields', '/api/marks', {
      body: { marks: [], ...Object.fromEntries(Array.from({ length: 80_000 }, (_, i) => [`k${i}`, 0])) },
    }),
    post('five thousand levels', '/api/marks', { raw: `{"marks":${'['.repeat(5000)}${']'.repeat(5000)}}` }),
    post('a garden of zeros', '/api/import/garden', { raw: zeros }),
    post('a garden of empty objects', '/api/import/garden', { raw: objects }),
    post('a garden of zeros, packed', '/api/import/garden', {
      raw: gzipSync(zeros, { level: 1 }),
      headers: { 'Content-Encoding': 'gzip' },
    }),
    post('a sound garden of 40 MB, tried', '/api/import/garden?dry_run=true', { raw: largeGarden(garden, 1500, 500) }),
    post('a sound garden of 300 plants, taken in', '/api/import/garden?name=Large', {
      raw: largeGarden(garden, 300, 150),
    }),
    post('a list of 5,000 plants, tried', '/api/import/csv', { body: listOf(largeList(5000)) }),
    post('a list of quotes', '/api/import/csv', { body: listOf('"'.repeat(600_000)) }),
    post('a thousand labels', `/api/labels.pdf?ids=${(await thousand(ids)).join(',')}`, {}),
    post('the list of plants', '/api/plants', {}),
    post('the round', '/api/round', {}),
    post('all plants as a list', '/api/export/plants.csv', {}),
    post('what the almanac is reckoned from', `/api/almanac/${place!.site_id}`, {}),
    post('the potting bench', `/api/potting/${place!.site_id}`, {}),
    post('the clinic', '/api/clinic', {}),
    post('a garden file', `/api/export/garden/${place!.site_id}`, {}),
    post('a list of 5,000 plants, taken in', '/api/import/csv', {
      body: { ...listOf(largeList(5000)), dry_run: false },
    }),
  ];
}

async function thousand(ids: readonly number[]): Promise<number[]> {
  return Array.from({ length: 1000 }, (_, i) => ids[i % ids.length]!);
}

export interface HeldUp {
  name: string;
  status: number;
  ms: number;
  /** the slowest answer to the small request meanwhile */
  worstMs: number;
  mb: number;
}

/** Sends everything heavy, one after the other. */
/** For the rows of a list, which tell none. */
const USUAL_POT = {
  shape: 'round',
  top_mm: 90,
  base_mm: 67,
  depth_mm: 80,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};

export async function holdUps(url: string, memoryMb: () => number, told: (one: HeldUp) => void): Promise<void> {
  for (const heavy of await heavies(url)) {
    const agent = new Agent({ keepAlive: true, maxSockets: 1 });
    await ask(url, '/api/timers', { agent });
    const state = { done: false };
    let mb = 0;
    const times: number[] = [];
    const probing = (async () => {
      while (!state.done) {
        const { status, ms } = await ask(url, '/api/timers', { agent });
        times.push(status === 200 ? ms : Infinity);
        mb = Math.max(mb, memoryMb());
        await sleep(PAUSE_MS);
      }
    })();
    const { status, ms } = await ask(url, heavy.path, heavy.ask);
    state.done = true;
    await probing;
    agent.destroy();
    told({ name: heavy.name, status, ms, worstMs: quantile(times, 1), mb });
  }
}

export async function holdUp(home: Home, table: Table): Promise<void> {
  const server = await home.start();
  await ask(server.url, '/api/round');
  await holdUps(server.url, server.memoryMb, ({ name, status, ms, worstMs, mb }) =>
    table.hold(
      `${name}: nobody waits longer than ${MOST_MS} ms, in ${MOST_MB} MB`,
      worstMs <= MOST_MS && mb <= MOST_MB && status > 0 && status < 500,
      `${status} in ${ms.toFixed(0)} ms; another waited ${worstMs.toFixed(0)} ms; ${mb.toFixed(0)} MB`,
    ),
  );
  await server.stop();
}
