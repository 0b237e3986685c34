import type { Pool, Row } from '../database/pool.ts';

export interface Found {
  id: number;
  number: string;
  name: string;
  place: string;
  ended: string | null;
  ended_on: string | null;
  ended_why: string | null;
}

const MOST = 30;
const MOST_GONE = 1000;

/** Plants that died or were given away, the last first. */
export async function gonePlants(pool: Pool): Promise<Found[]> {
  const [rows] = await pool.query<Row<Found>[]>(
    `SELECT p.id, p.number, p.name, pl.name AS place, p.ended, p.ended_on, p.ended_why FROM plant p
       JOIN stay s ON s.id = (SELECT MAX(last.id) FROM stay last WHERE last.plant_id = p.id)
       JOIN place pl ON pl.id = s.place_id
     WHERE p.ended IS NOT NULL ORDER BY p.ended_on DESC, p.id DESC LIMIT ?`,
    [MOST_GONE],
  );
  return rows;
}

/**
 * Plants whose name, number, other names, provenance or place hold all of these words. Genus names stand for each
 * other, old and new: whoever calls passes them as alternatives of a word.
 */
export async function findPlants(pool: Pool, words: readonly (readonly string[])[]): Promise<Found[]> {
  const like = (word: string) => `%${word.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const one =
    '(p.name LIKE ? OR p.number LIKE ? OR p.other_names LIKE ? OR p.taxon LIKE ? OR pl.name LIKE ? OR p.provenance LIKE ?)';
  const conditions = words.map((alternatives) => `(${alternatives.map(() => one).join(' OR ')})`);
  const values = words.flatMap((alternatives) =>
    alternatives.flatMap((word) => Array.from({ length: 6 }, () => like(word))),
  );
  const [first = ['']] = words;
  const [rows] = await pool.query<Row<Found>[]>(
    `SELECT p.id, p.number, p.name, pl.name AS place, p.ended, p.ended_on, p.ended_why FROM plant p
       JOIN stay s ON s.id = (SELECT MAX(last.id) FROM stay last WHERE last.plant_id = p.id)
       JOIN place pl ON pl.id = s.place_id
     WHERE ${conditions.join(' AND ')} ORDER BY p.ended IS NOT NULL, p.number = ? DESC, p.name LIKE ? DESC, p.name,
     p.number LIMIT ?`,
    [...values, first[0], `${first[0]!.replaceAll(/[\\%_]/g, (c) => `\\${c}`)}%`, MOST],
  );
  return rows;
}

/** Every word of a name or a place that a plant can be found by, small letters. */
export async function knownWords(pool: Pool): Promise<string[]> {
  const [rows] = await pool.query<Row<{ words: string }>[]>(
    `SELECT DISTINCT p.name AS words FROM plant p UNION SELECT DISTINCT IFNULL(p.other_names, '') FROM plant p
       UNION SELECT name FROM place`,
  );
  return [...new Set(rows.flatMap(({ words }) => words.toLowerCase().split(/[^\p{L}\p{N}]+/u)))].filter(Boolean);
}
