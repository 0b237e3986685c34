/**
 * Time limits on all that is asked of the database: a wait for a connection, a statement. What is given up on is given up
 * on there too: the connection is closed, which rolls back what was not committed, and its statement is killed.
 */
import type { Pool, PoolConnection } from 'mysql2/promise';
import { type Errand, errandNow } from '../errand.ts';

/** Of a statement or a connection on someone's errand. The slowest statement of a large collection takes a second. */
const HURRIED_MS = 10_000;
/** At the start, for migrations and for what several wait for. */
const UNHURRIED_MS = 120_000;
const KILL_MS = 2000;

/** The database did not answer in time. */
export class GivenUp extends Error {
  readonly code = 'ZINC_GIVEN_UP';
}

function patience(errand: Errand | undefined, hurriedMs: number): number {
  if (!errand) return UNHURRIED_MS;
  if (errand.over) throw new GivenUp('its request was given up');
  return Math.max(1, Math.min(hurriedMs, errand.until - performance.now()));
}

/**
 * @param late what to do with an answer that comes after all
 * @throws GivenUp once the time is over
 */
async function within<T>(ms: number, what: string, asked: Promise<T>, late: (answer: T) => void): Promise<T> {
  let over = false;
  let timer: NodeJS.Timeout | undefined;
  asked.then(
    (answer) => over && late(answer),
    () => {},
  );
  try {
    return await Promise.race([
      asked,
      new Promise<never>((_, reject) => {
        timer = setTimeout(() => {
          over = true;
          reject(new GivenUp(`${what} took longer than ${Math.round(ms)} ms`));
        }, ms);
      }),
    ]);
  } finally {
    clearTimeout(timer);
  }
}

const CHANGES = /^\s*(insert|update|delete|replace)\b/i;

/**
 * Puts limits on everything that is asked through a pool.
 *
 * @param hurriedMs how long a statement may take on someone's errand
 */
export function limited(pool: Pool, hurriedMs = HURRIED_MS): Pool {
  const ask = pool.getConnection.bind(pool);
  pool.getConnection = async () => {
    const connection = await within(patience(errandNow(), hurriedMs), 'a connection', ask(), (late) => late.release());
    return withLimits(connection, pool, hurriedMs);
  };
  const query = async (...args: unknown[]) => {
    const connection = await pool.getConnection();
    const errand = errandNow();
    const changes = CHANGES.test(String(args[0]));
    try {
      // Outside a transaction a change stands as soon as it is done.
      if (errand && changes) errand.written = 'unknown';
      const answer = await (connection.query as (...all: unknown[]) => Promise<unknown>)(...args);
      if (errand && changes) errand.written = 'yes';
      return answer;
    } finally {
      connection.release();
    }
  };
  pool.query = query as unknown as Pool['query'];
  return pool;
}

function withLimits(connection: PoolConnection, pool: Pool, hurriedMs: number): PoolConnection {
  const ask = connection.query.bind(connection) as (...args: unknown[]) => Promise<unknown>;
  const query = async (...args: unknown[]) => {
    const ms = patience(errandNow(), hurriedMs);
    try {
      return await within(ms, 'a statement', ask(...args), () => {});
    } catch (error) {
      if (error instanceof GivenUp) abandon(connection, pool);
      throw error;
    }
  };
  connection.query = query as unknown as PoolConnection['query'];
  return connection;
}

/** Ends a connection and what it was doing. Where the database hangs whole, its closed end does so once it goes on. */
function abandon(connection: PoolConnection, pool: Pool): void {
  const { threadId } = connection;
  connection.destroy();
  const killed = pool.pool.promise().getConnection();
  within(KILL_MS, 'a connection', killed, (late) => late.release())
    .then((another) =>
      within(KILL_MS, 'a kill', another.query('KILL ?', [threadId]), () => {})
        .catch(() => another.destroy())
        .finally(() => another.release()),
    )
    .catch(() => {});
}
