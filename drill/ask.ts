/** Asking a server as its own pages do. */
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import type { Chance } from './chance.ts';
import { answerSeen } from './faults.ts';
import type { Answer } from './answer.ts';

const AGENT = new Agent({ keepAlive: true, maxSockets: 200 });
/** Longer than the server gives itself for the longest of its answers. */
const SILENT_MS = 130_000;

export interface Ask {
  method?: string;
  body?: unknown;
  /** as it is, in place of a body of JSON */
  raw?: string | Buffer;
  headers?: Record<string, string>;
  /** by an agent of its own */
  agent?: Agent;
}

export async function ask(url: string, path: string, request: Ask = {}): Promise<Answer> {
  const { body, raw } = request;
  const sent = raw ?? (body === undefined ? undefined : JSON.stringify(body));
  const from = performance.now();
  const answer = await answerSeen(path, await answerTo(url, path, { ...request, raw: sent }), String(sent ?? ''));
  answer.ms = performance.now() - from;
  return answer;
}

function answerTo(
  url: string,
  path: string,
  { method, raw: sent, headers = {}, agent }: Omit<Ask, 'raw'> & { raw: string | Buffer | undefined },
): Promise<Answer> {
  const from = performance.now();
  return new Promise((resolve) => {
    const fail = () =>
      resolve({ status: 0, type: '', body: null, bytes: 0, ms: performance.now() - from, retryAfter: undefined });
    const asked = request(
      url + path,
      {
        method: method ?? (sent === undefined ? 'GET' : 'POST'),
        agent: agent ?? AGENT,
        timeout: SILENT_MS,
        headers: {
          Origin: new URL(url).origin,
          ...(sent === undefined
            ? {}
            : { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(sent) }),
          ...headers,
        },
      },
      (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('error', fail);
        response.on('end', () => {
          const all = Buffer.concat(chunks);
          const type = response.headers['content-type'] ?? '';
          resolve({
            status: response.statusCode!,
            type,
            get body() {
              return parsed(type, all);
            },
            bytes: all.length,
            ms: performance.now() - from,
            retryAfter: response.headers['retry-after'],
          });
        });
      },
    );
    asked.on('timeout', () => asked.destroy());
    asked.on('error', (error: NodeJS.ErrnoException) => {
      // A line that was kept open and is closed by the other end at this very moment: nothing was asked yet, and every
      // browser asks again (nodejs.org, request.reusedSocket).
      const nothingAsked = asked.reusedSocket && error.code === 'ECONNRESET' && sent === undefined;
      if (nothingAsked) resolve(answerTo(url, path, { method, raw: sent, headers, agent }));
      else fail();
    });
    asked.end(sent);
  });
}

function parsed(type: string, bytes: Buffer): unknown {
  if (!type.includes('json')) return null;
  try {
    return JSON.parse(String(bytes));
  } catch {
    return null;
  }
}

/** Something sent that must stand once, whole, or not at all. */
export interface Mark {
  path: string;
  body: object;
  /** where its rows stand, and the ids that they bear there */
  table: 'journal' | 'plant' | 'stock_move';
  ids: readonly string[];
}

/** A look at a plant, under an id of its own. */
export function markOn(plantId: number, date = new Date().toISOString().slice(0, 10)): Mark {
  return entriesOn(plantId, date, [{ type: 'check', finger: 'damp' }]);
}

function entriesOn(plantId: number, date: string, events: readonly object[]): Mark {
  const entries = events.map((event) => ({ client_id: randomUUID(), date, ...event }));
  return {
    path: '/api/marks',
    // What a keeper would be asked about is meant: the drill waters often.
    body: { marks: [{ plant_id: plantId, entries }], anyway: true },
    table: 'journal',
    ids: entries.map(({ client_id: id }) => id),
  };
}

const DAY_MS = 86_400_000;
/** A usual pot. */
export const POT = {
  shape: 'round',
  top_mm: 90,
  base_mm: 67,
  depth_mm: 80,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
/** New plants of the drill bear it. */
export const DRILLED = 'Aloe variegata, of the drill';

/** What a keeper may write at any time: a drink with its food, a sip, looks, a verdict, a new plant, what was bought, a move. */
export function writingOn(
  plantId: number,
  { placeIds, mixId, stockId }: { placeIds: readonly number[]; mixId: number; stockId: number },
  chance: Chance,
): Mark {
  const date = new Date(Date.now() - chance.between(0, 3) * DAY_MS).toISOString().slice(0, 10);
  const id = randomUUID();
  const kind = chance.between(0, 8);
  if (kind === 0)
    return {
      path: '/api/plants',
      body: { client_id: id, name: DRILLED, pot: POT, mix_id: mixId, place_id: chance.of(placeIds), date },
      table: 'plant',
      ids: [id],
    };
  if (kind === 1)
    return {
      path: '/api/stock/moves',
      body: { client_id: id, why: 'bought', lines: [{ stock_id: stockId, amount: 1 }] },
      table: 'stock_move',
      ids: [id],
    };
  return entriesOn(
    plantId,
    date,
    chance.of([
      [
        { type: 'watering', method: 'drench' },
        { type: 'feeding', dose: 0.5 },
      ],
      [{ type: 'watering', method: 'measured', amount_ml: 5 }],
      [{ type: 'check', finger: 'dry' }],
      [
        { type: 'check', meter: 4 },
        { type: 'sign', sign: 'firm-base', strength: 1 },
        { type: 'note', text: 'drilled' },
      ],
      [{ type: 'verdict', cause: 'thirst' }],
    ]),
  );
}

/** So long a collection of thousands may take to be worked out. */
const WORKED_OUT_MS = 300_000;

export async function plantIds(url: string): Promise<number[]> {
  const until = performance.now() + WORKED_OUT_MS;
  let { status, body } = await ask(url, '/api/plants');
  while (status === 503 && performance.now() < until) {
    await sleep(1000);
    ({ status, body } = await ask(url, '/api/plants'));
  }
  if (status !== 200) throw new Error(`/api/plants answered ${status}`);
  const { fields, rows } = body as { fields: string[]; rows: unknown[][] };
  return rows.map((row) => row[fields.indexOf('id')] as number);
}

export function quantile(values: readonly number[], p: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))] ?? NaN;
}

export const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
