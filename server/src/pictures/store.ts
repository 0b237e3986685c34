import type { ResultSetHeader } from 'mysql2';
import type { Pool, PoolConnection, Row } from '../database/pool.ts';
import { addEntry } from '../journal/store.ts';

export interface NewPicture {
  plantId: number;
  collectionId: number;
  clientId: string;
  day: string;
  caption: string | null;
  widthPx: number;
  heightPx: number;
  large: Buffer;
  small: Buffer;
  by: string;
}

/** Keeps a picture and writes it into the plant's book. */
export async function insertPicture(connection: PoolConnection, picture: NewPicture): Promise<number> {
  const [made] = await connection.query<ResultSetHeader>('INSERT INTO picture SET ?', [
    {
      plant_id: picture.plantId,
      day: picture.day,
      caption: picture.caption,
      width_px: picture.widthPx,
      height_px: picture.heightPx,
      large: picture.large,
      small: picture.small,
    },
  ]);
  const { collectionId, plantId, clientId, day, by } = picture;
  const detail = { picture: made.insertId };
  await addEntry(connection, { collectionId, plantId, clientId, day, type: 'picture', detail, by });
  return made.insertId;
}

export async function pictureData(pool: Pool, id: number, size: 'large' | 'small'): Promise<Buffer | null> {
  const [[row]] = await pool.query<Row<{ data: Buffer }>[]>(
    'SELECT ?? AS data FROM picture WHERE id = ? AND removed_at IS NULL',
    [size, id],
  );
  return row?.data ?? null;
}

/** Taken off the page; its line in the book is struck out. */
export async function removePicture(connection: PoolConnection, id: number, by: string): Promise<boolean> {
  const [result] = await connection.query<ResultSetHeader>(
    'UPDATE picture SET removed_at = UTC_TIMESTAMP(3) WHERE id = ? AND removed_at IS NULL',
    [id],
  );
  if (result.affectedRows === 0) return false;
  await connection.query(
    `UPDATE journal SET voided_at = UTC_TIMESTAMP(3), voided_by = ? WHERE plant_id = (SELECT plant_id FROM picture
       WHERE id = ?) AND type = 'picture' AND JSON_VALUE(detail, '$.picture') = ? AND voided_at IS NULL`,
    [by, id, id],
  );
  return true;
}
