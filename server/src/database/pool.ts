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
