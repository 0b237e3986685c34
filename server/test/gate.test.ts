/** Who is let in: every declared route is walked, with what each kind of page and program sends. */
import { type RequestOptions, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import pino from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { allRoutes, buildApp } from '../src/app.ts';
import type { App } from '../src/context.ts';

const KEY = 'k'.repeat(64);
/** An application with nothing behind it: who gets past the gate fails there, with any other status than 403. */
const app = { log: pino({ level: 'silent' }) } as App;
const changes = allRoutes(app).filter(({ method }) => method !== 'get');

type Headers = Record<string, string>;
let port: number;
let close: () => void;
beforeAll(async () => {
  const running = buildApp(app, { webFolder: null, commandKey: KEY, holdAnswers: false }).listen(0, '127.0.0.1');
  await new Promise((resolve) => running.once('listening', resolve));
  port = (running.address() as AddressInfo).port;
  close = () => running.close();
});
afterAll(() => close());

const ask = (method: string, path: string, headers: Headers, body?: string) =>
  new Promise<{ status: number; headers: Headers; body: string }>((resolve, reject) => {
    // Node itself tells no length for a DELETE with a body.
    const length = body === undefined ? {} : { 'Content-Length': String(body.length) };
    const options: RequestOptions = { host: '127.0.0.1', port, path, method, headers: { ...headers, ...length } };
    const asked = request(options, (response) => {
      let text = '';
      response.on('data', (chunk: Buffer) => (text += chunk));
      response.on('end', () =>
        resolve({ status: response.statusCode!, headers: response.headers as Headers, body: text }),
      );
    });
    asked.on('error', reject);
    asked.end(body);
  });
const own = () => `http://127.0.0.1:${port}`;

describe('reading', () => {
  it.each<[Headers, number]>([
    [{ Host: 'garden.example' }, 403],
    [{ Host: '127.0.0.1.garden.example' }, 403],
    [{ Host: 'localhost', Origin: 'http://garden.example' }, 403],
    [{ Host: 'localhost', Origin: 'null' }, 403],
    [{ Host: 'localhost', Origin: 'foo' }, 403],
    [{ Host: 'localhost', Origin: '' }, 403],
    [{ Host: 'localhost', Origin: 'https://localhost' }, 403],
    [{ Host: 'localhost', 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'no-cors' }, 403],
    [{ Host: 'localhost', 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'navigate' }, 404],
    [{ Host: 'localhost', 'Sec-Fetch-Site': 'none' }, 404],
    [{ Host: 'localhost' }, 404],
    [{ Host: '[::1]:4780' }, 404],
    [{ Host: 'localhost:4780', Origin: 'http://localhost:4780' }, 404],
  ])('%o gets %d', async (headers, status) => expect((await ask('GET', '/api/no-such', headers)).status).toBe(status));
});

/** What a page that is not ours, or no page at all, sends. */
const STRANGERS: [string, () => Headers][] = [
  ['no Origin', () => ({})],
  ['a sandboxed frame', () => ({ Origin: 'null', 'Content-Type': 'text/plain' })],
  ['a sandboxed frame that a browser tells of', () => ({ Origin: 'null', 'Sec-Fetch-Site': 'cross-site' })],
  ['another origin', () => ({ Origin: 'http://garden.example' })],
  ['another port', () => ({ Origin: `http://127.0.0.1:${port + 1}` })],
  ['another name of this machine', () => ({ Origin: `http://localhost:${port}` })],
  ['another scheme', () => ({ Origin: `foo://127.0.0.1:${port}` })],
  ['our host by another scheme', () => ({ Origin: `https://127.0.0.1:${port}` })],
  ['no address', () => ({ Origin: 'foo' })],
  ['an empty Origin', () => ({ Origin: '' })],
  ['more than an origin', () => ({ Origin: `${own()}/x` })],
  ['our Origin from elsewhere', () => ({ Origin: own(), 'Sec-Fetch-Site': 'cross-site' })],
  ['our Origin from a neighbour', () => ({ Origin: own(), 'Sec-Fetch-Site': 'same-site' })],
  ['only the fetch metadata', () => ({ 'Sec-Fetch-Site': 'same-origin' })],
  ['a wrong key', () => ({ Authorization: `Bearer ${'x'.repeat(64)}` })],
  ['half a key', () => ({ Authorization: `Bearer ${KEY.slice(1)}` })],
  ['the key of nothing', () => ({ Authorization: '' })],
];

describe('a change', () => {
  it('is what most routes are', () => expect(changes.length).toBeGreaterThan(30));
  describe.each(STRANGERS)('from %s', (_name, headers) => {
    it.each(changes.map(({ method, path }) => [method.toUpperCase(), `/api${path.replaceAll(/:\w+/g, '1')}`] as const))(
      '%s %s is refused, with a body and without',
      async (method, path) => {
        for (const body of [undefined, '{}']) {
          const { status, body: text } = await ask(method, path, headers(), body);
          expect(status).toBe(403);
          expect(JSON.parse(text)).toMatchObject({ type: 'urn:zinc-pail:problem:foreign', status: 403 });
        }
      },
    );
  });
  it.each(['POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS', 'PROPFIND'])(
    '%s is refused wherever it goes, also where no route is',
    async (method) => {
      for (const path of ['/', '/api/no-such', '/assets/x.js', '/calendar/x.ics'])
        expect((await ask(method, path, { Origin: 'null' })).status).toBe(403);
    },
  );
  it.each<[string, () => Headers]>([
    ['our own page', () => ({ Origin: own(), 'Sec-Fetch-Site': 'same-origin' })],
    ['our own page in a browser that sends no metadata', () => ({ Origin: own() })],
    ['the command line with its key', () => ({ Authorization: `Bearer ${KEY}` })],
  ])('%s gets in', async (_name, headers) => {
    for (const { method, path } of changes) {
      const address = `/api${path.replaceAll(/:\w+/g, 'x')}`;
      expect((await ask(method.toUpperCase(), address, headers())).status, address).not.toBe(403);
    }
  });
  it('no key lets anyone in where the server was given none', async () => {
    const bare = buildApp(app, { webFolder: null, commandKey: null, holdAnswers: false }).listen(0, '127.0.0.1');
    await new Promise((resolve) => bare.once('listening', resolve));
    const { port: there } = bare.address() as AddressInfo;
    for (const shown of ['Bearer null', 'Bearer ', 'Bearer undefined']) {
      const answer = await fetch(`http://127.0.0.1:${there}/api/marks`, {
        method: 'POST',
        headers: { Authorization: shown },
      });
      expect(answer.status).toBe(403);
    }
    bare.close();
  });
});

describe('every answer', () => {
  it.each<[string, string, Headers]>([
    ['good', '/api/no-such', {}],
    ['refused', '/api/no-such', { Origin: 'null' }],
  ])('%s keeps foreign pages from framing, showing and redirecting it', async (_name, path, headers) => {
    const { headers: sent } = await ask('GET', path, headers);
    expect(sent['cross-origin-resource-policy']).toBe('same-origin');
    for (const rule of ["default-src 'self'", "base-uri 'none'", "form-action 'self'", "frame-ancestors 'none'"])
      expect(sent['content-security-policy']).toContain(rule);
  });
});
