/** Asking a server as its own pages do. */
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

export interface Answer {
  /** 0: the connection broke, or nothing came in time */
  status: number;
  type: string;
  /** parsed only where somebody looks */
  readonly body: any;
  bytes: number;
  ms: number;
  retryAfter: string | undefined;
}

const AGENT = new Agent({ keepAlive: true, maxSockets: 200 });
const SILENT_MS = 60_000;

export interface Ask {
  method?: string;
  body?: unknown;
  /** as it is, in place of a body of JSON */
  raw?: string | Buffer;
  headers?: Record<string, string>;
  /** by an agent of its own */
  agent?: Agent;
}

export function ask(url: string, path: string, { method, body, raw, headers = {}, agent }: Ask = {}): Promise<Answer> {
  const from = performance.now();
  const sent = raw ?? (body === undefined ? undefined : JSON.stringify(body));
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
    asked.on('error', fail);
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

export interface Mark {
  plantId: number;
  clientId: string;
  body: object;
}

/** A look at a plant, under an id of its own. */
export function markOn(plantId: number, date = new Date().toISOString().slice(0, 10)): Mark {
  const clientId = randomUUID();
  const entries = [{ client_id: clientId, date, type: 'check', finger: 'damp' }];
  return { plantId, clientId, body: { marks: [{ plant_id: plantId, entries }] } };
}

export async function plantIds(url: string): Promise<number[]> {
  const { status, body } = await ask(url, '/api/plants');
  if (status !== 200) throw new Error(`/api/plants answered ${status}`);
  const { fields, rows } = body as { fields: string[]; rows: unknown[][] };
  return rows.map((row) => row[fields.indexOf('id')] as number);
}

export function quantile(values: readonly number[], p: number): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))] ?? NaN;
}

export const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
