/**
 * Whether a statement of a migration that was cut off has run all the same. MariaDB finishes what a dead client sent, and
 * each CREATE or ALTER is done wholly or not at all; so one part of it that stands, or is gone, tells of the whole. What
 * stands is looked up in information_schema.
 */
import type { PoolConnection, Row } from './pool.ts';

type Asking = Pick<PoolConnection, 'query'>;

const NAME = '`?(\\w+)`?';
const CREATE_TABLE = new RegExp(`^CREATE TABLE (?:IF NOT EXISTS )?${NAME}`, 'i');
const ALTER_TABLE = new RegExp(`^ALTER TABLE ${NAME}\\s+([\\s\\S]*)$`, 'i');
/** What part of an ALTER leaves behind, or takes away, most particular first. */
const PARTS: readonly { pattern: RegExp; of: 'constraint' | 'key' | 'column'; adds: boolean }[] = [
  { pattern: new RegExp(`^ADD CONSTRAINT ${NAME}`, 'i'), of: 'constraint', adds: true },
  { pattern: new RegExp(`^DROP (?:CONSTRAINT|FOREIGN KEY) ${NAME}`, 'i'), of: 'constraint', adds: false },
  { pattern: new RegExp(`^ADD (?:UNIQUE )?(?:KEY|INDEX) ${NAME}`, 'i'), of: 'key', adds: true },
  { pattern: new RegExp(`^DROP (?:KEY|INDEX) ${NAME}`, 'i'), of: 'key', adds: false },
  { pattern: new RegExp(`^ADD (?:COLUMN )?${NAME}`, 'i'), of: 'column', adds: true },
  { pattern: new RegExp(`^DROP (?:COLUMN )?${NAME}`, 'i'), of: 'column', adds: false },
];
const LOOK_UP = {
  constraint: `SELECT COUNT(*) AS n FROM information_schema.TABLE_CONSTRAINTS
    WHERE CONSTRAINT_SCHEMA = DATABASE() AND TABLE_NAME = ? AND CONSTRAINT_NAME = ?`,
  key: `SELECT COUNT(*) AS n FROM information_schema.STATISTICS
    WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? AND INDEX_NAME = ?`,
  column: `SELECT COUNT(*) AS n FROM information_schema.COLUMNS
    WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? AND COLUMN_NAME = ?`,
} as const;
const TABLE = 'SELECT COUNT(*) AS n FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ?';

/** Statements that change rows are written in one transaction with their count, and so are never in doubt. */
export function changesRows(statement: string): boolean {
  return /^(INSERT|UPDATE|DELETE|REPLACE)\b/i.test(statement);
}

/**
 * @param statement the next one by the count that was kept
 * @returns false also for what may be done twice without harm: a column's type set again
 */
export async function hasRun(connection: Asking, statement: string): Promise<boolean> {
  const created = CREATE_TABLE.exec(statement)?.[1];
  if (created) return stands(connection, TABLE, [created]);
  const [, table, body] = ALTER_TABLE.exec(statement) ?? [];
  if (!table || body === undefined) return false;
  for (const part of partsOf(body)) {
    const told = PARTS.map((one) => ({ ...one, name: one.pattern.exec(part)?.[1] })).find(({ name }) => name);
    if (told) return (await stands(connection, LOOK_UP[told.of], [table, told.name!])) === told.adds;
  }
  return false;
}

async function stands(connection: Asking, sql: string, names: readonly string[]): Promise<boolean> {
  const [[row]] = await connection.query<Row<{ n: number }>[]>(sql, [...names]);
  return Number(row!.n) > 0;
}

/** The parts of an ALTER: at its commas, but not at those in brackets or in text. */
export function partsOf(body: string): string[] {
  const parts: string[] = [];
  let depth = 0;
  let inText = false;
  let from = 0;
  for (let i = 0; i < body.length; i++) {
    const sign = body[i];
    if (sign === "'") inText = !inText;
    else if (inText) continue;
    else if (sign === '(') depth++;
    else if (sign === ')') depth--;
    else if (sign === ',' && depth === 0) {
      parts.push(body.slice(from, i).trim());
      from = i + 1;
    }
  }
  return [...parts, body.slice(from).trim()];
}
