import type { RowDataPacket } from 'mysql2/promise'
import sharp from 'sharp'
import { fault, good, refused, type Result } from '@/core/model/result'
import { pool } from './database'

/** A picture as it comes from a camera, at most. */
export const MOST_PHOTO_BYTES = 15 * 1024 * 1024
const MOST_PIXELS = 80_000_000
/** Longest side as kept, and as shown in a list. */
const PICTURE_PIXELS = 1600
const SMALL_PIXELS = 320
const QUALITY = 80
/** Told by what is in the file, never by its name. */
const TAKEN: readonly (string | undefined)[] = ['jpeg', 'png', 'webp']

export interface StoredPhoto {
  readonly widthPixels: number
  readonly heightPixels: number
}

/**
 * Keeps a picture of a job: turned upright, made smaller, and without anything a camera writes beside it, such as
 * where it was taken. Sent twice under one id it is kept once. Refused: what is no picture, or too large.
 */
export async function storePhoto(jobId: string, id: string, given: Buffer): Promise<Result<StoredPhoto>> {
  if (given.length > MOST_PHOTO_BYTES) return refused(fault('/photo', 'too-large', 'at most 15 MB'))
  const read = () => sharp(given, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
  try {
    const { format } = await read().metadata()
    if (!TAKEN.includes(format)) return refused(fault('/photo', 'no-picture', 'JPEG, PNG or WebP is taken'))
    // Nothing is written beside the picture unless it is asked for: place, camera and time stay behind.
    const made = (side: number) =>
      read()
        .rotate()
        .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: QUALITY, mozjpeg: true })
        .toBuffer({ resolveWithObject: true })
    const [picture, small] = await Promise.all([made(PICTURE_PIXELS), made(SMALL_PIXELS)])
    await pool().execute(
      'INSERT INTO photo_files (job_id, id, picture, small) VALUES (?, ?, ?, ?) ON DUPLICATE KEY UPDATE id = id',
      [jobId, id, picture.data, small.data],
    )
    return good({ widthPixels: picture.info.width, heightPixels: picture.info.height })
  } catch (error) {
    if (isDatabase(error)) throw error
    return refused(fault('/photo', 'no-picture', 'this is no picture that can be read'))
  }
}

const isDatabase = (error: unknown) => typeof (error as { errno?: unknown } | null)?.errno === 'number'

/** A picture as it is kept, or null where there is none. */
export async function loadPhoto(
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
