/**
 * A start is killed at any moment: while it brings a schema of five migrations and its data up to date, or while it is the
 * first of all. The next start must open, with every row, and leave one MariaDB.
 */
import { createHash, randomUUID } from 'node:crypto';
import { cpSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { splitStatements } from '@zinc-pail/server/database/migrate';
import { sleep } from './ask.ts';
import type { Chance } from './chance.ts';
import type { Home } from './home.ts';
import type { Table } from './table.ts';

const MIGRATIONS = join(process.env.ZINC_ROOT!, 'server', 'migrations');
/** The schema that the first keepers had. */
const OLD = 5;
const PLANTS = 60;
const ENTRIES = 4000;
/** A start that was interrupted may take longer than a whole one by the recovery of the database. */
const USUAL_TIMES = 4;
const COUNTED = ['collection', 'site', 'place', 'mix', 'plant', 'potting', 'stay', 'journal'] as const;

/** The oldest schema with data in it, and nothing that runs. */
async function oldHome(home: Home): Promise<Record<string, number>> {
  const server = await home.start({ empty: true });
  server.kill('SIGKILL');
  await server.ended;
  const files = readdirSync(MIGRATIONS)
    .filter((file) => file.endsWith('.sql'))
    .sort()
    .slice(0, OLD);
  await home.rows('DROP DATABASE zinc');
  await home.rows('CREATE DATABASE zinc CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci', [], { database: false });
  await home.rows(
    `CREATE TABLE migration (name VARCHAR(200) NOT NULL PRIMARY KEY, checksum CHAR(64) NOT NULL,
       statements INT UNSIGNED NOT NULL, done INT UNSIGNED NOT NULL DEFAULT 0, ended_at DATETIME(3) NULL) ENGINE=InnoDB`,
  );
  for (const name of files) {
    const text = readFileSync(join(MIGRATIONS, name), 'utf8');
    const statements = splitStatements(text);
    for (const statement of statements) await home.rows(statement);
    await home.rows('INSERT INTO migration VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3))', [
      name,
      createHash('sha256').update(text).digest('hex'),
      statements.length,
      statements.length,
    ]);
  }
  await fill(home);
  const counts = await countsOf(home);
  await home.endDatabases('SIGTERM');
  return counts;
}

async function fill(home: Home): Promise<void> {
  const twelve = (value: number) => Array.from({ length: 12 }, () => value);
  const normals = {
    tmin_c: twelve(5),
    tmax_c: twelve(15),
    rh_pct: twelve(60),
    sunshine_h: twelve(5),
    rain_mm: twelve(50),
    wind_m_s: twelve(2),
  };
  await home.rows("INSERT INTO collection (name) VALUES ('Drill')");
  await home.rows(
    `INSERT INTO site (collection_id, name, latitude_deg, longitude_deg, elevation_m, time_zone, normals)
       VALUES (1, 'Lock', 47, 8, 400, 'UTC', ?)`,
    [JSON.stringify(normals)],
  );
  await home.rows(
    "INSERT INTO place (collection_id, site_id, ref, name, kind, air) VALUES (1, 1, 'p', 'Sill', 'windowsill', 'still')",
  );
  await home.rows("INSERT INTO mix (collection_id, ref, name) VALUES (1, 'm', 'Grit')");
  await home.rows("INSERT INTO mix_part (mix_id, position, component_ref, parts) VALUES (1, 0, 'pumice', 1)");
  for (let i = 1; i <= PLANTS; i++) {
    await home.rows(
      `INSERT INTO plant (collection_id, ref, number, name, diameter_mm, height_mm) VALUES (1, ?, ?, 'Aloe variegata', 80, 90)`,
      [`r${i}`, String(i)],
    );
    await home.rows(
      `INSERT INTO potting (plant_id, mix_id, from_day, shape, top_mm, base_mm, depth_mm, material, holes)
         VALUES (?, 1, '2025-01-01', 'round', 90, 67, 80, 'plastic', 1)`,
      [i],
    );
    await home.rows("INSERT INTO stay (plant_id, place_id, from_day) VALUES (?, 1, '2025-01-01')", [i]);
  }
  const entries = Array.from({ length: ENTRIES }, (_, i) => [
    1,
    1 + (i % PLANTS),
    randomUUID(),
    `2025-${String(1 + (i % 12)).padStart(2, '0')}-${String(1 + (i % 28)).padStart(2, '0')}`,
    'note',
    JSON.stringify({ text: `note ${i}` }),
    'keeper',
  ]);
  await home.rows('INSERT INTO journal (collection_id, plant_id, client_id, day, type, detail, written_by) VALUES ?', [
    entries,
  ]);
}

async function countsOf(home: Home): Promise<Record<string, number>> {
  const counts: Record<string, number> = {};
  for (const table of COUNTED)
    counts[table] = Number((await home.rows<{ n: number }>(`SELECT COUNT(*) AS n FROM ${table}`))[0]!.n);
  return counts;
}

const KILLED = ['server', 'database', 'both'] as const;

/** Kills a start some time after it began. */
async function interrupted(home: Home, what: (typeof KILLED)[number], afterMs: number): Promise<void> {
  const child = home.launch({ empty: true });
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  await sleep(afterMs);
  if (what !== 'database') child.kill('SIGKILL');
  if (what !== 'server') for (const pid of home.databases()) process.kill(pid, 'SIGKILL');
  // One whose database died brings it back, or gives up; either may be stopped then.
  if (what === 'database') await Promise.race([ended, sleep(1500)]);
  child.kill('SIGKILL');
  await ended;
}

export async function migrations(home: Home, table: Table, times: number, chance: Chance): Promise<void> {
  const counts = await oldHome(home);
  const database = join(home.data, 'database');
  const kept = join(home.folder, 'old-database');
  cpSync(database, kept, { recursive: true });
  const reset = (first: boolean) => {
    rmSync(database, { recursive: true, force: true });
    if (!first) cpSync(kept, database, { recursive: true });
  };
  const whole = { first: 0, old: 0 };
  for (const kind of ['first', 'old'] as const) {
    reset(kind === 'first');
    const from = performance.now();
    const server = await home.start({ empty: true });
    whole[kind] = performance.now() - from;
    await server.stop();
  }
  let opened = 0;
  let late = 0;
  let slowest = 0;
  let orphans = 0;
  const lost: string[] = [];
  const shut: string[] = [];
  for (let i = 0; i < times; i++) {
    const kind = i % 2 === 0 ? 'old' : 'first';
    reset(kind === 'first');
    const what = chance.of(KILLED);
    const afterMs = chance.between(50, Math.round(whole[kind]));
    await interrupted(home, what, afterMs);
    const from = performance.now();
    try {
      const server = await home.start({ empty: true });
      const ms = performance.now() - from;
      opened++;
      slowest = Math.max(slowest, ms);
      if (ms > USUAL_TIMES * whole[kind]) late++;
      if (home.databases().length !== 1) orphans++;
      if (kind === 'old') {
        const now = await countsOf(home);
        if (JSON.stringify(now) !== JSON.stringify(counts)) lost.push(`${i}: ${JSON.stringify(now)}`);
      }
      await server.stop();
      if (home.databases().length > 0) orphans++;
    } catch (error) {
      shut.push(`${i}: ${what} killed ${afterMs} ms after the start: ${String(error).slice(0, 600)}`);
    }
    await home.endDatabases('SIGKILL');
  }
  for (const one of [...shut, ...lost].slice(0, 5)) console.log(`        ${one}`);
  table.hold(`${times} starts killed at any moment: the next opens`, opened === times, `${opened} of ${times}`);
  table.hold(
    `and within ${USUAL_TIMES} times as long as a whole one`,
    late === 0,
    `the slowest in ${(slowest / 1000).toFixed(1)} s, a whole one in ${(whole.first / 1000).toFixed(1)} and ${(whole.old / 1000).toFixed(1)} s`,
  );
  table.hold('no row is lost on the way', lost.length === 0, `${lost.length} of ${Math.ceil(times / 2)}`);
  table.hold('one MariaDB runs then, and none after the stop', orphans === 0, `${orphans}`);
}
