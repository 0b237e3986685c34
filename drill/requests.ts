/**
 * Hostile requests over all routes, made from their own schemas: mostly sound, and then broken in one place or three. Seeded,
 * so that what broke once can be sent again.
 */
import { gzipSync } from 'node:zlib';
import { pushBody } from '@zinc-pail/contract/devices';
import { allRoutes } from '@zinc-pail/server/app';
import type { App } from '@zinc-pail/server/context';
import type { Route } from '@zinc-pail/server/http/route';
import { type Ask, ask, plantIds, sleep } from './ask.ts';
import type { Chance } from './chance.ts';
import { type Described, HOSTILE, Maker } from './maker.ts';
import type { Home } from './home.ts';
import type { Table } from './table.ts';

const AT_ONCE = 4;
const MOST_MB = 600;
const LARGEST_ANSWER = 64_000;

const ODD_PATHS = ['0', '-1', 'x', '99999999', '1e3', '%00', '..%2f', '4294967296', '1.5', ''];

/** As it can stand in an address: half a character, which no program sends, as the sign for one. */
const inAddress = (text: string) => encodeURIComponent(text.replaceAll(/\p{Surrogate}/gu, '\uFFFD'));

function pathOf(route: Route, maker: Maker, chance: Chance, ids: readonly number[]): string {
  const path = route.path.replaceAll(/:(\w+)|\{[^}]*\}/g, () =>
    chance.is(0.8) ? String(chance.of(ids)) : chance.of(ODD_PATHS),
  );
  if (!route.query || chance.is(0.3)) return path;
  const query = maker.value(route.query.describe() as Described) as Record<string, unknown>;
  const asked = chance.is(0.3) ? (maker.broken(query) as Record<string, unknown>) : query;
  const pairs = Object.entries(asked ?? {}).map(([key, value]) => {
    const text = typeof value === 'object' ? JSON.stringify(value) : String(value);
    return `${inAddress(key)}=${inAddress(text.slice(0, 1500))}`;
  });
  return `${path}?${pairs.join('&')}`;
}

/** A picture of one point. */
const PICTURE = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

/** What lies beside the API: instruments push there, and calendar programs read. */
function besideOf(token: string, maker: Maker, chance: Chance): { path: string; request: Ask } {
  if (chance.is(0.2)) return { path: `/calendar/${chance.of([...ODD_PATHS, 'x'.repeat(32)])}.ics`, request: {} };
  let body: unknown = maker.value(pushBody.describe() as Described);
  if (chance.is(0.6)) body = maker.broken(body);
  const shown = chance.is(0.8) ? token : chance.of(['', 'x', 'Bearer', '%00']);
  return {
    path: '/devices/readings',
    request: { method: 'POST', headers: { Authorization: `Bearer ${shown}` }, raw: JSON.stringify(body) ?? '' },
  };
}

const ODD_HEADERS: readonly Record<string, string>[] = [
  { Origin: 'null' },
  { Origin: 'http://evil.example' },
  { Origin: 'foo' },
  { 'Content-Type': 'text/plain' },
  { 'Content-Type': 'application/json; charset=utf-7' },
  { 'If-Match': '"x"' },
  { 'If-Match': '99999999999999999999' },
  { 'X-Keeper': '%E0%A4%A' },
  { 'X-Keeper': encodeURIComponent('\r\nSet-Cookie: a=1') },
  { 'Sec-Fetch-Site': 'cross-site' },
  { 'Accept-Encoding': 'br;q=1, *;q=0' },
  { Range: 'bytes=0-,-1' },
];

function requestOf(route: Route, maker: Maker, chance: Chance): Ask {
  const headers: Record<string, string> = {
    'If-Match': `"${chance.between(1, 6)}"`,
    ...(chance.is(0.1) ? chance.of(ODD_HEADERS) : {}),
  };
  const method = (chance.is(0.02) ? chance.of(['get', 'put', 'delete', 'post', 'patch']) : route.method).toUpperCase();
  if (method === 'GET') return { method, headers };
  if (route.file) {
    const raw = chance.of([
      PICTURE,
      Buffer.from('no picture'),
      Buffer.alloc(3000, 7),
      Buffer.from('<svg onload="1"/>'),
      Buffer.alloc(0),
    ]);
    return {
      method,
      headers: { ...headers, 'Content-Type': chance.of(['image/jpeg', 'image/png', 'text/html']) },
      raw,
    };
  }
  const schema = route.body ? (route.body.describe() as Described) : null;
  let body = schema ? maker.value(schema) : chance.of(HOSTILE);
  if (chance.is(0.6)) for (let n = chance.of([1, 1, 3]); n > 0; n--) body = maker.broken(body);
  const text = JSON.stringify(body) ?? '';
  if (chance.is(0.02)) return { method, headers: { ...headers, 'Content-Encoding': 'gzip' }, raw: gzipSync(text) };
  if (chance.is(0.02)) return { method, headers: { ...headers, 'Content-Encoding': 'gzip' }, raw: text };
  if (chance.is(0.03)) return { method, headers, raw: text.slice(0, chance.between(0, text.length)) };
  return { method, headers, raw: text };
}

export async function requests(home: Home, table: Table, times: number, chance: Chance): Promise<void> {
  const server = await home.start();
  const { url } = server;
  await ask(url, '/api/round');
  const known = { ids: (await plantIds(url)).slice(0, 30), uuids: [] as string[] };
  const maker = new Maker(chance, known);
  const routes = allRoutes({} as App);
  const statuses = new Map<string, number>();
  const failed: string[] = [];
  const wordless: string[] = [];
  let largest = 0;
  let mb = 0;
  // Made one after the other, so that the seed decides them all; sent some at a time.
  let made = 0;
  const { token } = (await ask(url, '/api/devices', { body: { name: 'drill', kind: 'probe', plant_id: known.ids[0] } }))
    .body as { token: string };
  const next = () => {
    if (chance.is(0.02)) return { ...besideOf(token, maker, chance), n: made++ };
    const route = chance.of(routes);
    return {
      path: `/api${pathOf(route, maker, chance, known.ids)}`,
      request: requestOf(route, maker, chance),
      n: made++,
    };
  };
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      for (let one = next(); one.n < times; one = next()) {
        const { path, request, n } = one;
        const answer = await ask(url, path, request);
        const { status, type, bytes } = answer;
        const group = status === 503 ? '503' : status === 0 ? 'no answer' : `${Math.floor(status / 100)}xx`;
        statuses.set(group, (statuses.get(group) ?? 0) + 1);
        const what = `${n}: ${request.method} ${path.slice(0, 120)} ${String(request.raw ?? '').slice(0, 200)} → ${status}`;
        if (status === 0 || (status >= 500 && status !== 503)) failed.push(what);
        if (status >= 400) {
          largest = Math.max(largest, bytes);
          const problem = answer.body as { title?: string; detail?: string; status?: number } | null;
          if (!type.includes('problem+json') || !problem?.title || !problem.detail || problem.status !== status)
            wordless.push(what);
        }
        mb = Math.max(mb, server.memoryMb());
      }
    }),
  );
  const told = [...statuses].map(([group, n]) => `${group}: ${n}`).join(', ');
  table.hold(
    `${times} requests: none is answered by a failure of ours, none is left without`,
    failed.length === 0,
    told,
  );
  for (const what of failed.slice(0, 10)) console.log(`        ${what}`);
  table.hold('every refusal has its words, as problem+json', wordless.length === 0, `${wordless.length} without`);
  for (const what of wordless.slice(0, 5)) console.log(`        ${what}`);
  table.hold('a refusal is small', largest <= LARGEST_ANSWER, `${(largest / 1000).toFixed(0)} kB the largest`);
  table.hold(`memory stays under ${MOST_MB} MB`, mb <= MOST_MB, `${mb.toFixed(0)} MB`);
  await sleep(500);
  const after = await Promise.all(['/api/round', '/api/plants', '/api/kit'].map((path) => ask(url, path)));
  table.hold(
    'the screens are there afterwards',
    after.every(({ status }) => status === 200),
    after.map(({ status }) => status).join(', '),
  );
  const [count] = await home.rows<{ n: number }>('SELECT COUNT(*) AS n FROM plant');
  console.log(`        ${count!.n} plants stand there by now`);
  const homeless = await home.rows(
    `SELECT p.id FROM plant p LEFT JOIN stay s ON s.open_plant_id = p.id LEFT JOIN potting po ON po.open_plant_id = p.id
       WHERE p.ended IS NULL AND (s.id IS NULL OR po.id IS NULL)`,
  );
  table.hold(
    'no plant is written in part: each stands somewhere, in a pot',
    homeless.length === 0,
    `${homeless.length}`,
  );
  await server.stop();
}
