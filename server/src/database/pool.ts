import { readFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import mysql, { type Pool, type PoolConnection, type RowDataPacket } from 'mysql2/promise';
import { errandNow, onNobodysErrand } from '../errand.ts';
import { GivenUp, limited } from './limits.ts';

export type { Pool, PoolConnection } from 'mysql2/promise';

/** A row as a query returns it. */
export type Row<T> = T & RowDataPacket;

/**
 * One pool for a process, with limits of time (limits.ts). Days come as text, decimals as numbers, and the session is strict whatever the server's
 * defaults.
 *
 * @param folder of a database of our own: it comes back on another port where its own was taken meanwhile, and is sought
 * there
 */
export function openPool(url: string, { statementMs, folder }: { statementMs?: number; folder?: string } = {}): Pool {
  const pool = mysql.createPool({
    uri: url,
    connectionLimit: 10,
    charset: 'utf8mb4',
    timezone: 'Z',
    dateStrings: ['DATE'],
    decimalNumbers: true,
    supportBigNumbers: true,
    namedPlaceholders: false,
    multipleStatements: false,
    enableKeepAlive: true,
    connectTimeout: CONNECT_MS,
    ...(folder === undefined
      ? {}
      : { stream: () => connect(portNow(url, folder), new URL(url).hostname).setNoDelay() }),
  });
  pool.pool.on('connection', (connection) => {
    connection.query(
      "SET SESSION sql_mode = 'STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION,ONLY_FULL_GROUP_BY', time_zone = '+00:00'," +
        ` innodb_lock_wait_timeout = ${LOCK_WAIT_S}, lock_wait_timeout = ${LOCK_WAIT_S}`,
    );
  });
  return limited(pool, statementMs);
}

/** Where a database is reached, and its folder where it is one of our own. */
export interface DatabaseAt {
  url: string;
  folder?: string;
}

/** The port of a database of our own as its folder tells it now; that of the address where it tells none. */
export function portNow(url: string, folder: string): number {
  const known = Number(new URL(url).port);
  try {
    const { port } = JSON.parse(readFileSync(join(folder, 'server.json'), 'utf8')) as { port?: unknown };
    return Number.isInteger(port) ? (port as number) : known;
  } catch {
    return known;
  }
}

const CONNECT_MS = 5000;
/** One that waits longer for another's lock is told so while its keeper still waits. */
const LOCK_WAIT_S = 8;

const TRIES = 4;

/**
 * Runs an action in a transaction: all of it, or nothing. Two that stand in each other's way are told apart and tried
 * again.
 */
export async function transaction<T>(pool: Pool, action: (connection: PoolConnection) => Promise<T>): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await attempt(pool, action);
    } catch (error) {
      if ((error as { code?: string }).code !== 'ER_LOCK_DEADLOCK' || tried >= TRIES) throw error;
    }
  }
}

async function attempt<T>(pool: Pool, action: (connection: PoolConnection) => Promise<T>): Promise<T> {
  const connection = await pool.getConnection();
  const errand = errandNow();
  try {
    await connection.query('START TRANSACTION');
    const result = await action(connection);
    if (errand?.over) throw new GivenUp('its request was given up');
    if (errand) errand.written = 'unknown';
    await connection.query('COMMIT');
    if (errand) errand.written = 'yes';
    return result;
  } catch (error) {
    // A request that was given up may ask for nothing more, but for this; where it cannot be had, the end of the
    // connection is a rollback too.
    await onNobodysErrand(() => connection.query('ROLLBACK')).catch(() => connection.destroy());
    throw error;
  } finally {
    connection.release();
  }
}

/**
 * Runs an action while no other server on this database runs the one of that name: they wait for each other.
 *
 * @param turn.seconds how long it waits for another
 * @param turn.what what the other is doing then, for the words of the error
 * @throws Error, said without a trace, where the other takes longer
 */
export async function takingTurns<T>(
  pool: Pool,
  { name, seconds, what }: { name: string; seconds: number; what: string },
  action: (connection: PoolConnection) => Promise<T>,
): Promise<T> {
  const connection = await pool.getConnection();
  try {
    const [[lock]] = await connection.query<Row<{ got: number | null }>[]>('SELECT GET_LOCK(?, ?) AS got', [
      name,
      seconds,
    ]);
    if (lock?.got !== 1)
      throw expected(
        `Another server has been ${what} this database for ${seconds} seconds; wait for it to end, then start again.`,
      );
    return await action(connection);
  } finally {
    await connection.query('SELECT RELEASE_LOCK(?)', [name]).catch(() => {});
    connection.release();
  }
}

/** An error that the person at the screen can act on: said without a trace. */
export function expected(message: string): Error {
  return Object.assign(new Error(message), { expected: true });
}
