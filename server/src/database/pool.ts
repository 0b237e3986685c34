import mysql, { type Pool, type PoolConnection, type RowDataPacket } from 'mysql2/promise';

export type { Pool, PoolConnection } from 'mysql2/promise';

/** A row as a query returns it. */
export type Row<T> = T & RowDataPacket;

/**
 * One pool for a process. Days come as text, decimals as numbers, and the session is strict whatever the server's
 * defaults.
 */
export function openPool(url: string): Pool {
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
  });
  pool.pool.on('connection', (connection) => {
    connection.query(
      "SET SESSION sql_mode = 'STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION,ONLY_FULL_GROUP_BY', time_zone = '+00:00'",
    );
  });
  return pool;
}

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
  try {
    await connection.beginTransaction();
    const result = await action(connection);
    await connection.commit();
    return result;
  } catch (error) {
    await connection.rollback();
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
