import type { PoolConnection, RowDataPacket } from 'mysql2/promise'
import { pool } from './database'

export interface StoredPhoto {
  readonly widthPixels: number
  readonly heightPixels: number
}

/** A picture as it is kept, and as it is shown in a list. */
export interface Picture extends StoredPhoto {
  readonly picture: Uint8Array
  readonly small: Uint8Array
}

/** Kept once, however often it is sent under one id. */
export async function insertPicture(
  db: Pick<PoolConnection, 'execute'>,
  jobId: string,
  id: string,
  { picture, small }: Picture,
): Promise<void> {
  await db.execute(
    'INSERT INTO photo_files (job_id, id, picture, small) VALUES (?, ?, ?, ?) ON DUPLICATE KEY UPDATE id = id',
    [jobId, id, Buffer.from(picture), Buffer.from(small)],
  )
}

/** A picture as it is kept, or null where there is none. */
export async function loadPicture(
  jobId: string,
  id: string,
  size: 'picture' | 'small',
): Promise<Buffer | null> {
  const column = size === 'small' ? 'small' : 'picture'
  const [rows] = await pool().execute<RowDataPacket[]>(
    `SELECT ${column} AS bytes FROM photo_files WHERE job_id = ? AND id = ?`,
    [jobId, id],
  )
  return (rows[0]?.bytes as Buffer | undefined) ?? null
}
