import { readdirSync } from 'node:fs';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { migrate, splitStatements } from '../src/database/migrate.ts';
import { hasRun, partsOf } from '../src/database/resume.ts';
import { freshDatabase, MIGRATIONS, oneShelf } from './harness.ts';

let database: Awaited<ReturnType<typeof freshDatabase>>;
beforeEach(async () => {
  database = await freshDatabase();
});
afterEach(() => database.drop());

const tables = async () => {
  const [rows] = await database.pool.query<any[]>('SHOW TABLES');
  return rows.map((row) => Object.values(row)[0]);
};

const FILES = readdirSync(MIGRATIONS).filter((file) => file.endsWith('.sql')).length;

describe('migrations', () => {
  it('run once, in order', async () => {
    expect(await migrate(database.pool, MIGRATIONS)).toBe(FILES);
    expect(await migrate(database.pool, MIGRATIONS)).toBe(0);
    expect(await tables()).toEqual(
      expect.arrayContaining([
        'journal',
        'plant',
        'potting',
        'stay',
        'weather_day',
        'thermometer_reading',
        'component',
        'mix_part',
      ]),
    );
  });
  it('are safe when two servers start together', async () => {
    const ran = await Promise.all([migrate(database.pool, MIGRATIONS), migrate(database.pool, MIGRATIONS)]);
    expect(ran.sort()).toEqual([0, FILES]);
  });
  it('go on where a killed start stopped', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'zinc-migrations-'));
    try {
      await writeFile(
        join(folder, '0001-a.sql'),
        'CREATE TABLE a (id INT);\nCREATE TABLE b (id INT) ENGINE=Nonsense;\n',
      );
      await expect(migrate(database.pool, folder)).rejects.toThrow();
      expect(await tables()).toContain('a');
      // The same file, its engine now there: as if the start had been killed between the two statements.
      await writeFile(join(folder, '0001-a.sql'), 'CREATE TABLE a (id INT);\nCREATE TABLE b (id INT);\n');
      await database.pool.query('UPDATE migration SET checksum = ?', [await checksum(join(folder, '0001-a.sql'))]);
      expect(await migrate(database.pool, folder)).toBe(1);
      expect(await tables()).toContain('b');
    } finally {
      await rm(folder, { recursive: true });
    }
  });
  it('go on from each of their statements, whether it was counted before the kill or not', async () => {
    const { pool } = database;
    const files = readdirSync(MIGRATIONS)
      .filter((file) => file.endsWith('.sql'))
      .sort();
    const schema = async () => {
      const made = await Promise.all(
        (await tables()).map(async (name) => (await pool.query<any[]>(`SHOW CREATE TABLE \`${name}\``))[0][0]),
      );
      return made.map((row) => String(row['Create Table']).replace(/ AUTO_INCREMENT=\d+/, ''));
    };
    for (const file of files)
      for (const statement of splitStatements(await readFile(join(MIGRATIONS, file), 'utf8'))) {
        // Before it ran nothing says that it did.
        expect(await hasRun(pool, statement), statement).toBe(false);
        await pool.query(statement);
        // After it either that is seen, or doing it again changes nothing.
        if (await hasRun(pool, statement)) continue;
        const before = await schema();
        await pool.query(statement);
        expect(await schema()).toEqual(before);
      }
  });
  it.each(['0005-keeping.sql', '0006-one-judge.sql', '0007-one-fact-one-place.sql', '0016-spots.sql'])(
    'one whose end was not counted is not run again: %s',
    async (file) => {
      await migrate(database.pool, MIGRATIONS);
      await database.pool.query('UPDATE migration SET done = done - 1, ended_at = NULL WHERE name = ?', [file]);
      expect(await migrate(database.pool, MIGRATIONS)).toBe(1);
      const [[row]] = await database.pool.query<any[]>(
        'SELECT statements = done AS whole, ended_at FROM migration WHERE name = ?',
        [file],
      );
      expect(row).toMatchObject({ whole: 1, ended_at: expect.any(Date) });
    },
  );
  it('are taken apart at their commas, not at those in brackets or text', () =>
    expect(
      partsOf("ADD a ENUM('x, y', 'it''s') COMMENT 'a, (b', ADD CONSTRAINT c CHECK (a IN (1, 2)), DROP d"),
    ).toEqual(["ADD a ENUM('x, y', 'it''s') COMMENT 'a, (b'", 'ADD CONSTRAINT c CHECK (a IN (1, 2))', 'DROP d']));
  it('refuse a file that was changed after it ran', async () => {
    await migrate(database.pool, MIGRATIONS);
    await database.pool.query("UPDATE migration SET checksum = 'other' WHERE name LIKE '0002%'");
    await expect(migrate(database.pool, MIGRATIONS)).rejects.toThrow('changed since');
  });
  it('are split at semicolons that end a line, comments left out', () => {
    expect(splitStatements("-- a; b\nSELECT ';';\n\nSELECT 2;\n")).toEqual(["SELECT ';'", 'SELECT 2']);
  });
});

async function checksum(file: string): Promise<string> {
  const { createHash } = await import('node:crypto');
  return createHash('sha256')
    .update(await readFile(file))
    .digest('hex');
}

describe('the database checks rows itself', () => {
  beforeEach(async () => {
    await migrate(database.pool, MIGRATIONS);
    await oneShelf(database.pool);
  });
  /** By the constraint that is meant, not by whatever else is wrong with it. */
  const refuses = (sql: string, constraint: string) =>
    expect(database.pool.query(sql)).rejects.toThrow(new RegExp(constraint));
  const entry = (type: string, detail: string) =>
    `INSERT INTO journal (collection_id, plant_id, client_id, day, type, detail, written_by)
       VALUES (1, 1, UUID(), '2026-01-01', '${type}', '${detail}', 'x')`;

  it('a latitude off the globe', () => refuses('UPDATE site SET latitude_deg = 91', 'site_latitude'));
  it('a night warmer than its day', () =>
    refuses(
      "INSERT INTO weather_day VALUES (1, '2026-01-01', 9, 3, 50, 1, 0, 1, 'observed', 'file', NULL)",
      'weather_low_to_high',
    ));
  it('half a lamp', () => refuses('UPDATE place SET lamp_hours = 12', 'place_lamp_whole'));
  it('an unknown place for a stay', () => refuses('UPDATE stay SET place_id = 99', 'stay_at'));
  it('a second open potting for a plant', () =>
    refuses(
      `INSERT INTO potting (plant_id, mix_id, from_day, shape, top_mm, base_mm, depth_mm, material, holes)
         VALUES (1, 1, '2026-01-01', 'round', 90, 68, 80, 'plastic', 1)`,
      'one_open_potting',
    ));
  it('a watering without its way', () => refuses(entry('watering', '{}'), 'journal_watering'));
  it('a measure of nothing', () => refuses(entry('watering', '{"method":"measured"}'), 'journal_measured'));
  it('a check of two things at once', () => refuses(entry('check', '{"finger":"dry","meter":3}'), 'journal_check'));
  it('a detail that is no JSON', () => refuses(entry('note', '{'), 'detail'));
  it('a plant without a name', () => refuses("UPDATE plant SET name = ' '", 'plant_name_not_blank'));
  it('but takes what is sound', async () => {
    await database.pool.query(entry('check', '{"finger":"dry"}'));
    await database.pool.query(entry('watering', '{"method":"measured","amount_ml":40}'));
    const [rows] = await database.pool.query<any[]>("SELECT type FROM journal WHERE day = '2026-01-01' ORDER BY id");
    expect(rows.map((row) => row.type)).toEqual(['check', 'watering']);
  });
  it('reads a plant’s journal by its index', async () => {
    const [plan] = await database.pool.query<any[]>(
      'EXPLAIN SELECT client_id FROM journal WHERE plant_id = 1 ORDER BY day DESC, id DESC LIMIT 500',
    );
    expect(plan[0].key).toBe('journal_of_plant_by_day');
  });
});
