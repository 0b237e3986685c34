/**
 * How long one request, however large, holds up another: while it is answered, a small one is asked again and again on a
 * line of its own, and the worst of its answers is what counts.
 */
import { randomUUID } from 'node:crypto';
import { Agent } from 'node:http';
import { gzipSync } from 'node:zlib';
import { type Ask, ask, markOn, plantIds, POT, quantile, sleep } from './ask.ts';
import { type Home, memoryOf, threadCpuMs } from './home.ts';
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
    defaults: { place_id: place!.id, mix_id: mix!.id, pot: POT },
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
    ...unknownOf(place!, listOf).map(([name, path, body]) => post(name, path, { body })),
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

/** Tables that are wide, strange or long. */
function unknownOf(
  place: { id: number; site_id: number },
  listOf: (csv: string) => object,
): [name: string, path: string, body: object][] {
  const wide = (columns: number) => `${Array.from({ length: columns }, (_, i) => i).join(',')}\n1\n`;
  const strange = Array.from({ length: 5000 }, (_, i) => `Unheard of ${i},9 cm,nowhere ${i},nothing ${i}`);
  const list = (csv: string) => ({
    ...listOf(csv),
    columns: { name: 'name', pot_top_mm: 'top', place: 'bench', mix: 'mix' },
  });
  const days = Array.from({ length: 27_000 }, (_, i) =>
    [new Date(-631_152_000_000 + i * 86_400_000).toISOString().slice(0, 10), 3, 12, 70, 4, 0, 2].join(','),
  );
  return [
    ['readings of 449,000 columns', `/api/places/${place.id}/readings.csv`, { csv: wide(449_000) }],
    ['a list of 449,000 columns', '/api/import/csv', list(wide(449_000))],
    ['weather of 300,000 columns', `/api/sites/${place.site_id}/weather.csv`, { csv: wide(300_000) }],
    ['5,000 plants that nobody knows', '/api/import/csv', list(['name,top,bench,mix', ...strange].join('\n'))],
    [
      'weather of every day since 1950',
      `/api/sites/${place.site_id}/weather.csv`,
      { csv: ['date,min,max,rh,sunshine,rain,wind', ...days].join('\n') },
    ],
    ['a list of 900,000 quotes', '/api/import/csv', list(`name\n${'"'.repeat(900_000)}\n`)],
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
  /** CPU of the server's one thread while a small request waited, at most: what a loaded machine neither hides nor makes */
  worstCpuMs: number;
  mb: number;
}

/** Sends everything heavy, one after the other; for a proof of the check the first ones are enough. */
export async function holdUps(url: string, pid: number, told: (one: HeldUp) => void, most = Infinity): Promise<void> {
  for (const heavy of (await heavies(url)).slice(0, most)) {
    const agent = new Agent({ keepAlive: true, maxSockets: 1 });
    await ask(url, '/api/timers', { agent });
    const state = { done: false };
    let mb = 0;
    let worstCpuMs = 0;
    const times: number[] = [];
    const probing = (async () => {
      while (!state.done) {
        const before = threadCpuMs(pid);
        const { status, ms } = await ask(url, '/api/timers', { agent });
        worstCpuMs = Math.max(worstCpuMs, threadCpuMs(pid) - before);
        times.push(status === 200 ? ms : Infinity);
        mb = Math.max(mb, memoryOf(pid));
        await sleep(PAUSE_MS);
      }
    })();
    const { status, ms } = await ask(url, heavy.path, heavy.ask);
    state.done = true;
    await probing;
    agent.destroy();
    told({ name: heavy.name, status, ms, worstMs: quantile(times, 1), worstCpuMs, mb });
  }
}

/** So long a mark waits for what is written of thousands. */
const MOST_MARK_MS = 5000;

/** What is written of thousands of plants at once, and how long a mark waits for the books meanwhile. */
async function ofThousands(url: string, table: Table): Promise<void> {
  const all = await plantIds(url);
  const ids = all.slice(0, 5000);
  const places = (await ask(url, '/api/places')).body.places as { id: number }[];
  const date = today();
  const writings: [name: string, path: string, body: object][] = [
    ['moved', '/api/plants/move', { plant_ids: ids, place_id: places[1]!.id, date }],
    ['given rules', '/api/plants/rules', { plant_ids: ids, rules: { light: 'shade' } }],
    ['ended', '/api/plants/end', { plant_ids: ids.slice(0, -1), how: 'given', date }],
  ];
  for (const [name, path, body] of writings) {
    const writing = ask(url, path, { body });
    await sleep(PAUSE_MS);
    const mark = markOn(ids.at(-1)!);
    const marked = await ask(url, mark.path, { body: mark.body });
    const { status, ms } = await writing;
    table.hold(
      `thousands of plants ${name} at once: a mark waits at most ${MOST_MARK_MS / 1000} s`,
      status === 200 && marked.status === 201 && marked.ms <= MOST_MARK_MS,
      `${ids.length} plants: ${status} in ${ms.toFixed(0)} ms; the mark ${marked.status} in ${marked.ms.toFixed(0)} ms`,
    );
  }
}

export async function holdUp(home: Home, table: Table, most?: number): Promise<void> {
  const server = await home.start();
  await ask(server.url, '/api/round');
  const told = ({ name, status, ms, worstMs, worstCpuMs, mb }: HeldUp) =>
    table.hold(
      `${name}: nobody waits for more than ${MOST_MS} ms of work, in ${MOST_MB} MB`,
      worstCpuMs <= MOST_MS && mb <= MOST_MB && status > 0 && status < 500,
      `${status} in ${ms.toFixed(0)} ms; another waited ${worstCpuMs.toFixed(0)} ms of its work, ${worstMs.toFixed(0)} ms by the clock; ${mb.toFixed(0)} MB`,
    );
  await holdUps(server.url, server.pid, told, most);
  await ofThousands(server.url, table);
  await server.stop();
}
