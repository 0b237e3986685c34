/** Transactions: all or nothing, and two that stand in each other's way. */
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { transaction } from '../src/database/pool.ts';
import { freshDatabase } from './harness.ts';

let database: Awaited<ReturnType<typeof freshDatabase>>;
const amounts = async () =>
  ((await database.pool.query<any[]>('SELECT amount FROM jar ORDER BY id'))[0] as { amount: number }[]).map(
    (row) => row.amount,
  );

beforeAll(async () => {
  database = await freshDatabase();
  await database.pool.query('CREATE TABLE jar (id INT PRIMARY KEY, amount INT NOT NULL) ENGINE=InnoDB');
});
beforeEach(async () => {
  await database.pool.query('DELETE FROM jar');
  await database.pool.query('INSERT INTO jar VALUES (1, 0), (2, 0)');
});
afterAll(() => database.drop());

describe('a transaction', () => {
  it('writes all and gives back what its action made', async () => {
    const made = await transaction(database.pool, async (connection) => {
      await connection.query('UPDATE jar SET amount = 5');
      return 'made';
    });
    expect(made).toBe('made');
    expect(await amounts()).toEqual([5, 5]);
  });
  it('that fails half way writes nothing, and gives its connection back', async () => {
    for (let i = 0; i < 15; i++)
      await expect(
        transaction(database.pool, async (connection) => {
          await connection.query('UPDATE jar SET amount = 5 WHERE id = 1');
          throw new Error('no more water');
        }),
      ).rejects.toThrow('no more water');
    expect(await amounts()).toEqual([0, 0]);
  });
  it('two that lock each other out are both done: the one that is thrown out tries again', async () => {
    let tries = 0;
    let meet!: () => void;
    const met = new Promise<void>((resolve) => (meet = resolve));
    let inside = 0;
    const pour = (first: number, second: number) =>
      transaction(database.pool, async (connection) => {
        tries++;
        await connection.query('UPDATE jar SET amount = amount + 1 WHERE id = ?', [first]);
        // The first time, each waits until the other holds its own row.
        if (++inside === 2) meet();
        await met;
        await connection.query('UPDATE jar SET amount = amount + 1 WHERE id = ?', [second]);
      });
    await Promise.all([pour(1, 2), pour(2, 1)]);
    expect(tries).toBe(3);
    expect(await amounts()).toEqual([2, 2]);
  });
  it('one that is thrown out again and again gives up after four times and says why', async () => {
    let tries = 0;
    const locked = Object.assign(new Error('Deadlock found'), { code: 'ER_LOCK_DEADLOCK' });
    await expect(
      transaction(database.pool, async () => {
        tries++;
        throw locked;
      }),
    ).rejects.toBe(locked);
    expect(tries).toBe(4);
  });
  it('any other failure is not tried again', async () => {
    let tries = 0;
    await expect(
      transaction(database.pool, async (connection) => {
        tries++;
        await connection.query('INSERT INTO jar VALUES (1, 1)');
      }),
    ).rejects.toMatchObject({ code: 'ER_DUP_ENTRY' });
    expect(tries).toBe(1);
  });
});

describe('a session', () => {
  it('is strict and keeps UTC, whatever the server thinks', async () => {
    const [[row]] = await database.pool.query<any[]>('SELECT @@sql_mode AS mode, @@time_zone AS zone');
    expect(row.mode).toContain('STRICT_ALL_TABLES');
    expect(row.zone).toBe('+00:00');
    await expect(database.pool.query("INSERT INTO jar VALUES (9, 'much')")).rejects.toMatchObject({
      code: 'ER_TRUNCATED_WRONG_VALUE_FOR_FIELD',
    });
  });
  it('hands days over as they are written and decimals as numbers', async () => {
    const [[row]] = await database.pool.query<any[]>(
      "SELECT DATE('2026-06-04') AS day, CAST(1.25 AS DECIMAL(4,2)) AS n",
    );
    expect(row).toEqual({ day: '2026-06-04', n: 1.25 });
  });
});
