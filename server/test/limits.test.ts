/** Limits of time: a database that hangs, a statement without end, a request that nobody waits for any more. */
import { randomUUID } from 'node:crypto';
import { connect, createServer, type Socket } from 'node:net';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openPool, transaction } from '../src/database/pool.ts';
import { type Errand, onErrand } from '../src/errand.ts';
import { migrate } from '../src/database/migrate.ts';
import { type Running, serve } from '../src/main.ts';
import { databaseUrl, freshDatabase, MIGRATIONS, oneShelf, ROOT, today } from './harness.ts';

const STATEMENT_MS = 700;

/** A line to the database that can be made to hang: what is sent waits until it goes on. */
class Line {
  readonly port: Promise<number>;
  /** answers are held back from the moment that this is seen on its way to the database */
  hangsAfter: string | null = null;
  private hanging = false;
  private readonly held: (() => void)[] = [];
  private readonly sockets = new Set<Socket>();
  private readonly server = createServer((socket) => this.join(socket));

  constructor(private readonly to: number) {
    this.port = new Promise((resolve) =>
      this.server.listen(0, '127.0.0.1', () => resolve((this.server.address() as { port: number }).port)),
    );
  }

  hang(): void {
    this.hanging = true;
  }

  goOn(): void {
    this.hanging = false;
    this.hangsAfter = null;
    for (const send of this.held.splice(0)) send();
  }

  close(): Promise<unknown> {
    for (const socket of this.sockets) socket.destroy();
    return new Promise((resolve) => this.server.close(resolve));
  }

  private join(socket: Socket): void {
    const onward = connect(this.to, '127.0.0.1');
    for (const end of [socket, onward]) {
      this.sockets.add(end);
      end.on('error', () => {});
    }
    const pass = (to: Socket, bytes: Buffer) => {
      if (this.hanging) this.held.push(() => to.write(bytes));
      else to.write(bytes);
    };
    socket.on('data', (bytes) => {
      pass(onward, bytes);
      if (this.hangsAfter !== null && bytes.includes(this.hangsAfter)) this.hanging = true;
    });
    onward.on('data', (bytes) => pass(socket, bytes));
    // A hanging database notices an end only once it goes on.
    socket.on('close', () => (this.hanging ? this.held.push(() => onward.destroy()) : onward.destroy()));
    onward.on('close', () => socket.destroy());
  }
}

let database: Awaited<ReturnType<typeof freshDatabase>>;
let line: Line;
let running: Running;
let url: string;

beforeAll(async () => {
  database = await freshDatabase();
  await migrate(database.pool, MIGRATIONS);
  await oneShelf(database.pool);
  const direct = new URL(databaseUrl(database.name));
  line = new Line(Number(direct.port));
  direct.port = String(await line.port);
  running = await serve({
    databaseUrl: direct.toString(),
    port: 21_000 + Math.floor(Math.random() * 20_000),
    webFolder: null,
    workerFile: join(ROOT, 'build', 'forecast-worker.mjs'),
    migrationsFolder: MIGRATIONS,
    tell: () => {},
    fill: null,
    holdAnswers: true,
    statementMs: STATEMENT_MS,
  });
  url = `http://127.0.0.1:${running.port}`;
  await ask('/api/round');
});
afterAll(async () => {
  line.goOn();
  await running.close();
  await line.close();
  await database.drop();
});

async function ask(path: string, body?: unknown) {
  const response = await fetch(url + path, {
    ...(body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) }),
    headers: { Origin: url, 'Content-Type': 'application/json' },
  });
  return { status: response.status, headers: response.headers, body: (await response.json()) as any };
}

const markOf = (id = randomUUID()) => ({
  marks: [{ plant_id: 1, entries: [{ client_id: id, date: today(), type: 'check', finger: 'damp' }] }],
});
const standing = async (body: ReturnType<typeof markOf>) => {
  const [[row]] = await database.pool.query<any[]>('SELECT COUNT(*) AS n FROM journal WHERE client_id = ?', [
    body.marks[0]!.entries[0]!.client_id,
  ]);
  return Number(row.n);
};
const errand = (ms: number): Errand => ({ until: performance.now() + ms, written: 'no', over: false });

describe('a database that hangs', () => {
  it('is told to whoever asks, in time and in words, and all goes on with it', async () => {
    line.hang();
    const from = performance.now();
    // The address that a calendar program reads lies beside the API, and has its limit too.
    const calendar = `/calendar/${'x'.repeat(32)}.ics`;
    const answers = await Promise.all(
      ['/api/round', '/api/plants/1', '/api/timers', calendar].map((path) => ask(path)),
    );
    expect(performance.now() - from).toBeLessThan(10_000);
    for (const { status, headers, body } of answers) {
      expect(status).toBe(503);
      expect(headers.get('retry-after')).toMatch(/^\d+$/);
      expect(body.detail).toMatch(/hangs|does not answer/);
      expect(body.written).toBeUndefined();
    }
    line.goOn();
    expect((await ask('/api/round')).status).toBe(200);
  });
  it('writes nothing of a mark that was given up before its end, and says so', async () => {
    const mark = markOf();
    line.hangsAfter = 'INSERT INTO journal';
    const given = await ask('/api/marks', mark);
    expect(given.status).toBe(503);
    expect(given.body.written).toBe('no');
    expect(given.body.detail).toContain('Nothing was written');
    line.goOn();
    await expect.poll(() => standing(mark)).toBe(0);
    expect((await ask('/api/marks', mark)).status).toBe(201);
    expect(await standing(mark)).toBe(1);
  });
  it('that hangs at the last word may have written: so it says, and the second try writes nothing twice', async () => {
    const mark = markOf();
    line.hangsAfter = 'COMMIT';
    const given = await ask('/api/marks', mark);
    expect(given.status).toBe(503);
    expect(given.body.written).toBe('unknown');
    expect(given.body.detail).toContain('may have been written');
    line.goOn();
    expect((await ask('/api/marks', mark)).status).toBe(200);
    expect(await standing(mark)).toBe(1);
  });
});

describe('a statement without end', () => {
  it('is given up on in the database too', async () => {
    const pool = openPool(databaseUrl(database.name), { statementMs: 300 });
    const slow = onErrand(errand(60_000), () => pool.query('SELECT SLEEP(40) AS endless'));
    await expect(slow).rejects.toMatchObject({ code: 'ZINC_GIVEN_UP' });
    await expect
      .poll(async () => {
        const [rows] = await database.pool.query<any[]>(
          "SELECT id FROM information_schema.processlist WHERE info LIKE 'SELECT SLEEP(40)%'",
        );
        return rows.length;
      })
      .toBe(0);
    expect((await pool.query<any[]>('SELECT 1 AS one'))[0]).toEqual([{ one: 1 }]);
    await pool.end();
  });
  it('outside a request has more time', async () => {
    const pool = openPool(databaseUrl(database.name), { statementMs: 100 });
    expect((await pool.query<any[]>('SELECT SLEEP(0.4) AS slept'))[0]).toEqual([{ slept: 0 }]);
    await pool.end();
  });
});

describe('a request that was given up', () => {
  it('begins no statement and no commit any more', async () => {
    const over = errand(60_000);
    await database.pool.query('CREATE TABLE jug (id INT PRIMARY KEY) ENGINE=InnoDB');
    await expect(
      onErrand(over, () =>
        transaction(database.pool, async (connection) => {
          await connection.query('INSERT INTO jug VALUES (1)');
          over.over = true;
        }),
      ),
    ).rejects.toMatchObject({ code: 'ZINC_GIVEN_UP' });
    await expect(onErrand(over, () => database.pool.query('INSERT INTO jug VALUES (2)'))).rejects.toMatchObject({
      code: 'ZINC_GIVEN_UP',
    });
    expect((await database.pool.query<any[]>('SELECT * FROM jug'))[0]).toEqual([]);
    expect(over.written).toBe('no');
  });
  it('knows what it wrote', async () => {
    const done = errand(60_000);
    await onErrand(done, () =>
      transaction(database.pool, (connection) => connection.query('INSERT INTO jug VALUES (3)')),
    );
    expect(done.written).toBe('yes');
  });
  it('leaves all connections to others, however many were abandoned', async () => {
    const pool = openPool(databaseUrl(database.name), { statementMs: 150 });
    const slow = () => onErrand(errand(60_000), () => pool.query('SELECT SLEEP(20)'));
    for (let round = 0; round < 3; round++)
      await Promise.all(Array.from({ length: 10 }, () => expect(slow()).rejects.toThrow('longer than')));
    expect((await pool.query<any[]>('SELECT 1 AS one'))[0]).toEqual([{ one: 1 }]);
    await pool.end();
  });
});
