import type { RowDataPacket } from 'mysql2/promise'
import sharp from 'sharp'
import { fault, good, refused, type Result } from '@/core/model/result'
import { pool } from './database'

/** A picture as it comes from a camera, at most. */
export const MOST_PHOTO_BYTES = 15 * 1024 * 1024
/** Before anything is decoded. A JPEG is made smaller while it is read; of the others every pixel is laid out. */
const MOST_PIXELS: Readonly<Record<string, number>> = { jpeg: 120_000_000, png: 25_000_000, webp: 25_000_000 }
/** Longest side as kept, and as shown in a list. */
const PICTURE_PIXELS = 1600
const SMALL_PIXELS = 320
const QUALITY = 80

/** One picture is decoded at a time, whoever sends how many. */
let last: Promise<unknown> = Promise.resolve()
function inTurn<Value>(work: () => Promise<Value>): Promise<Value> {
  const done = last.then(work, work)
  last = done.catch(() => undefined)
  return done
}

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
  try {
    const { format, width, height } = await sharp(given).metadata()
    // Told by what is in the file, never by its name.
    const most = MOST_PIXELS[format]
    if (most === undefined) return refused(fault('/photo', 'no-picture', 'JPEG, PNG or WebP is taken'))
    if (width * height > most)
      return refused(fault('/photo', 'too-large', `at most ${most / 1_000_000} million pixels of its kind`))
    // Nothing is written beside the picture unless it is asked for: place, camera and time stay behind.
    const made = (of: Buffer, side: number) =>
      sharp(of, { limitInputPixels: most, failOn: 'error', sequentialRead: true })
        .rotate()
        .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
        .jpeg({ quality: QUALITY, mozjpeg: true })
        .toBuffer({ resolveWithObject: true })
    const [picture, small] = await inTurn(async () => {
      const large = await made(given, PICTURE_PIXELS)
      return [large, await made(large.data, SMALL_PIXELS)] as const
    })
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
