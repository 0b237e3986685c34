import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { changesRows, hasRun } from './resume.ts';
import { expected, type Pool, type PoolConnection, type Row, takingTurns } from './pool.ts';

const LOCK_NAME = 'zinc-pail-migrations';
const LOCK_SECONDS = 120;
const OLDEST_MARIADB = [10, 6] as const;

/**
 * Brings the schema up to date: each file of the folder once, in the order of its number.
 *
 * MariaDB commits every CREATE and ALTER on its own, so a start killed half way leaves half a file done. The count of
 * statements done is kept beside the name: the next start goes on with the next statement, unless what stands in the
 * schema says that it ran already (resume.ts). Two servers that start together take turns through a named lock, which
 * MariaDB holds until it has finished what a dead one sent.
 * @throws Error when the server is too old, or a file that has run was changed since.
 */
export async function migrate(pool: Pool, folder: string, tell: (text: string) => void = () => {}): Promise<number> {
  await checkVersion(pool);
  const turn = { name: LOCK_NAME, seconds: LOCK_SECONDS, what: 'migrating' };
  return takingTurns(pool, turn, async (connection) => {
    let ran = 0;
    await connection.query(
      `CREATE TABLE IF NOT EXISTS migration (
         name VARCHAR(200) NOT NULL PRIMARY KEY, checksum CHAR(64) NOT NULL, statements INT UNSIGNED NOT NULL,
         done INT UNSIGNED NOT NULL DEFAULT 0, ended_at DATETIME(3) NULL
       ) ENGINE=InnoDB`,
    );
    for (const name of (await readdir(folder)).filter((file) => file.endsWith('.sql')).sort()) {
      const text = await readFile(join(folder, name), 'utf8');
      const checksum = createHash('sha256').update(text).digest('hex');
      const statements = splitStatements(text);
      const [[row]] = await connection.query<Row<{ checksum: string; done: number; ended_at: Date | null }>[]>(
        'SELECT checksum, done, ended_at FROM migration WHERE name = ?',
        [name],
      );
      if (row && row.checksum !== checksum)
        throw expected(
          `Migration ${name} has run here and was changed since. Undo the change and write a new migration.`,
        );
      if (row?.ended_at) continue;
      if (!row)
        await connection.query('INSERT INTO migration (name, checksum, statements) VALUES (?, ?, ?)', [
          name,
          checksum,
          statements.length,
        ]);
      tell(`migrating: ${name}`);
      for (let i = row?.done ?? 0; i < statements.length; i++) {
        const inDoubt = row !== undefined && i === row.done;
        await runCounted(connection, statements[i]!, { name, done: i + 1, inDoubt });
      }
      await connection.query('UPDATE migration SET ended_at = UTC_TIMESTAMP(3) WHERE name = ?', [name]);
      ran++;
    }
    return ran;
  });
}

/** @param counted.inDoubt it may have run before its count was kept */
async function runCounted(
  connection: PoolConnection,
  statement: string,
  { name, done, inDoubt }: { name: string; done: number; inDoubt: boolean },
): Promise<void> {
  const count = () => connection.query('UPDATE migration SET done = ? WHERE name = ?', [done, name]);
  if (changesRows(statement)) {
    await connection.query('START TRANSACTION');
    try {
      await connection.query(statement);
      await count();
      await connection.query('COMMIT');
    } catch (error) {
      await connection.query('ROLLBACK').catch(() => connection.destroy());
      throw error;
    }
    return;
  }
  if (!inDoubt || !(await hasRun(connection, statement))) await connection.query(statement);
  await count();
}

/** Statements end with a semicolon at the end of a line; comment lines fall away. */
export function splitStatements(sql: string): string[] {
  return sql
    .split('\n')
    .filter((line) => !line.trimStart().startsWith('--'))
    .join('\n')
    .split(/;\s*(?:\n|$)/)
    .map((statement) => statement.trim())
    .filter(Boolean);
}

async function checkVersion(pool: Pool): Promise<void> {
  const [[row]] = await pool.query<Row<{ version: string }>[]>('SELECT VERSION() AS version');
  const version = row?.version ?? '';
  const [major = 0, minor = 0] = version.split('.').map(Number);
  const old = major < OLDEST_MARIADB[0] || (major === OLDEST_MARIADB[0] && minor < OLDEST_MARIADB[1]);
  if (!/mariadb/i.test(version) || old)
    throw expected(`The database is ${version}; MariaDB ${OLDEST_MARIADB.join('.')} or newer is wanted.`);
}
