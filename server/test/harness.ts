/** A server over a database of its own, filled with a small collection, on the MariaDB that `npm test` started. */
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { check } from '@zinc-pail/contract/faults';
import type { Garden } from '@zinc-pail/core';
import type Joi from 'joi';
import { expect } from 'vitest';
import { migrate } from '../src/database/migrate.ts';
import { openPool, type Pool } from '../src/database/pool.ts';
import { type Running, serve, type ServeOptions } from '../src/main.ts';
// @ts-expect-error plain JavaScript, so that it runs on a bare checkout
import { commandKey } from '../../scripts/lib.mjs';

export const ROOT = join(import.meta.dirname, '..', '..');
export const MIGRATIONS = join(ROOT, 'server', 'migrations');

export function databaseUrl(name: string): string {
  const base = process.env.ZINC_TEST_DATABASE_URL;
  if (!base) throw new Error('ZINC_TEST_DATABASE_URL is not set: run the tests with npm test');
  const url = new URL(base);
  url.pathname = `/${name}`;
  return url.toString();
}

export interface Served {
  pool: Pool;
  url: string;
  running: Running;
  ask(
    path: string,
    init?: { method?: string; body?: unknown; headers?: Record<string, string> },
  ): Promise<{ status: number; type: string; body: any }>;
  /** another server on the same database, in its place */
  restart(): Promise<void>;
  drop(): Promise<void>;
}

/** An empty database of its own name. */
export async function freshDatabase(): Promise<{ name: string; pool: Pool; drop(): Promise<void> }> {
  const name = `zinc_${randomUUID().replaceAll('-', '').slice(0, 16)}`;
  const admin = openPool(process.env.ZINC_TEST_DATABASE_URL!);
  await admin.query('CREATE DATABASE ?? CHARACTER SET utf8mb4', [name]);
  const pool = openPool(databaseUrl(name));
  return {
    name,
    pool,
    async drop() {
      await pool.end();
      await admin.query('DROP DATABASE ??', [name]);
      await admin.end();
    },
  };
}

export async function served(
  fill: ((pool: Pool) => Promise<void>) | null = oneShelf,
  more: Partial<ServeOptions> = {},
): Promise<Served> {
  const database = await freshDatabase();
  await migrate(database.pool, MIGRATIONS);
  if (fill) await fill(database.pool);
  const start = () =>
    serve({
      databaseUrl: databaseUrl(database.name),
      port: 21_000 + Math.floor(Math.random() * 20_000),
      webFolder: null,
      workerFile: join(ROOT, 'build', 'forecast-worker.mjs'),
      migrationsFolder: MIGRATIONS,
      tell: () => {},
      fill: null,
      commandKey: commandKey(),
      holdAnswers: true,
      ...more,
    });
  let running = await start();
  let url = `http://127.0.0.1:${running.port}`;
  const here: Served = {
    pool: database.pool,
    get url() {
      return url;
    },
    get running() {
      return running;
    },
    async ask(path, init = {}) {
      const response = await fetch(url + path, {
        method: init.method ?? 'GET',
        headers: {
          Origin: url,
          ...(init.body === undefined ? {} : { 'Content-Type': 'application/json' }),
          ...init.headers,
        },
        ...(init.body === undefined
          ? {}
          : { body: typeof init.body === 'string' ? init.body : JSON.stringify(init.body) }),
      });
      const text = await response.text();
      const type = response.headers.get('content-type') ?? '';
      // As screens do it: a slow machine reckons longer than one request waits.
      if (response.status === 503 && text.includes(':still-reckoning')) return here.ask(path, init);
      return {
        status: response.status,
        type,
        body: text === '' ? null : type.includes('json') ? JSON.parse(text) : text,
      };
    },
    async restart() {
      await running.close();
      running = await start();
      url = `http://127.0.0.1:${running.port}`;
    },
    async drop() {
      await running.close();
      await database.drop();
    },
  };
  return here;
}

const year = (value: number) => Array.from({ length: 12 }, () => value);
export const MILD: Garden['site']['normals'] = {
  tmin_c: year(14),
  tmax_c: year(24),
  rh_pct: year(60),
  sunshine_h: year(7),
  rain_mm: year(40),
  wind_m_s: year(2),
};

/** Two pots on one mild shelf, drenched twenty days ago. */
export async function oneShelf(pool: Pool): Promise<void> {
  await pool.query("INSERT INTO collection (id, name) VALUES (1, 'Test shelf')");
  await pool.query(
    `INSERT INTO site (id, collection_id, name, latitude_deg, longitude_deg, elevation_m, time_zone, normals)
       VALUES (1, 1, 'Here', 47, 8, 400, 'UTC', ?)`,
    [JSON.stringify(MILD)],
  );
  await pool.query(
    `INSERT INTO place (id, collection_id, site_id, ref, name, kind, air)
       VALUES (1, 1, 1, 'shelf', 'Shelf', 'cold-glass', 'gentle')`,
  );
  await pool.query("INSERT INTO mix (id, collection_id, ref, name) VALUES (1, 1, 'grit', 'Grit')");
  await pool.query(
    "INSERT INTO mix_part (mix_id, position, component_ref, parts) VALUES (1, 0, 'pumice', 2), (1, 1, 'loam', 1)",
  );
  const long = new Date(Date.now() - 90 * 86_400_000).toISOString().slice(0, 10);
  const watered = new Date(Date.now() - 20 * 86_400_000).toISOString().slice(0, 10);
  for (const [id, name] of [
    [1, 'Mammillaria hahniana'],
    [2, 'Echeveria agavoides'],
  ] as const) {
    await pool.query(
      `INSERT INTO plant (id, collection_id, ref, number, name, habit, grow_min_c, diameter_mm, height_mm)
         VALUES (?, 1, ?, ?, ?, 'evergreen', 8, 60, 50)`,
      [id, `p${id}`, `00${id}`, name],
    );
    await pool.query(
      `INSERT INTO potting (plant_id, mix_id, from_day, shape, top_mm, base_mm, depth_mm, material, holes)
         VALUES (?, 1, ?, 'round', 90, 68, 80, 'terracotta', 1)`,
      [id, long],
    );
    await pool.query('INSERT INTO stay (plant_id, place_id, from_day, walk_order) VALUES (?, 1, ?, ?)', [id, long, id]);
    await pool.query(
      `INSERT INTO journal (collection_id, plant_id, client_id, day, type, detail, written_by)
         VALUES (1, ?, ?, ?, 'watering', '{"method":"drench"}', 'keeper')`,
      [id, randomUUID(), watered],
    );
  }
}

/** What the server sends is held to its contract, field by field. */
export function keeps(schema: Joi.Schema, body: unknown): void {
  const { faults, unknown } = check(schema, body);
  expect(faults).toEqual([]);
  expect(unknown).toEqual([]);
}

export function today(): string {
  return new Date().toISOString().slice(0, 10);
}

/** Work that could be interrupted, done in one go. */
export const atOnce =
  <A extends unknown[], T>(work: (...args: A) => Generator<void, T>) =>
  (...args: A): T => {
    const steps = work(...args);
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
    }
  };
