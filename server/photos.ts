import sharp from 'sharp'
import { fault, good, refused, type Result } from '@/core/model/result'
import { pool } from './database'
import { inTurn } from './in-turn'
import { insertPicture, type Picture, type StoredPhoto } from './pictures'

/** A picture as it comes from a camera, at most. */
export const MOST_PHOTO_BYTES = 15 * 1024 * 1024
/** Before anything is decoded. A JPEG is made smaller while it is read; of the others every pixel is laid out. */
const MOST_PIXELS: Readonly<Record<string, number>> = { jpeg: 120_000_000, png: 25_000_000, webp: 25_000_000 }
/** Longest side as kept, and as shown in a list. */
const PICTURE_PIXELS = 1600
const SMALL_PIXELS = 320
const QUALITY = 80

/** Keeps a picture of a job. Sent twice under one id it is kept once. Refused: what is no picture, or too large. */
export async function storePhoto(jobId: string, id: string, given: Buffer): Promise<Result<StoredPhoto>> {
  const made = await pictureOf(given)
  if (!made.ok) return made
  await insertPicture(pool(), jobId, id, made.value)
  const { widthPixels, heightPixels } = made.value
  return good({ widthPixels, heightPixels })
}

/** Turns a picture upright, makes it smaller, and takes off all that a camera writes beside it, such as where it was taken. */
export async function pictureOf(given: Buffer): Promise<Result<Picture>> {
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
    // One is decoded at a time.
    const [picture, small] = await inTurn('a picture', async () => {
      const large = await made(given, PICTURE_PIXELS)
      return [large, await made(large.data, SMALL_PIXELS)] as const
    })
    const { width: widthPixels, height: heightPixels } = picture.info
    return good({ picture: picture.data, small: small.data, widthPixels, heightPixels })
  } catch {
    return refused(fault('/photo', 'no-picture', 'this is no picture that can be read'))
  }
}
