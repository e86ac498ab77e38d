import sharp from 'sharp'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { closePool } from './database'
import { storeJobFile } from './jobs'
import { migrate } from './migrate'
import { MOST_PHOTO_BYTES, storePhoto } from './photos'
import { loadPicture } from './pictures'

const jobId = `photos-${process.pid}-${Date.now().toString(36)}`

/** A picture as a phone writes it: large, on its side, with where it was taken. */
const fromCamera = () =>
  sharp({ create: { width: 3000, height: 2000, channels: 3, background: '#b08050' } })
    .withExif({ IFD0: { Make: 'camera' }, IFD3: { GPSLatitude: '52/1 30/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer()

beforeAll(async () => {
  await migrate(path.join(import.meta.dirname, 'migrations'))
  await storeJobFile({ record: usualBox().record, extra: {} }, { jobId, demo: null })
})
afterAll(closePool)

describe('photos', () => {
  it('are kept smaller, upright, and without the place they were taken', async () => {
    const given = await fromCamera()
    expect((await sharp(given).metadata()).exif).toBeDefined()
    const stored = await storePhoto(jobId, 'one', given)
    expect(stored).toEqual({ ok: true, value: { widthPixels: 1067, heightPixels: 1600 } })
    const kept = (await loadPicture(jobId, 'one', 'picture'))!
    const about = await sharp(kept).metadata()
    expect(about).toMatchObject({ format: 'jpeg', width: 1067, height: 1600 })
    expect(about.exif).toBeUndefined()
    expect(kept.includes('GPS')).toBe(false)
    const small = await sharp((await loadPicture(jobId, 'one', 'small'))!).metadata()
    expect(Math.max(small.width, small.height)).toBe(320)
  })

  it('sent twice under one id are kept once', async () => {
    const other = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#000' } })
      .png()
      .toBuffer()
    await storePhoto(jobId, 'twice', await fromCamera())
    const first = await loadPicture(jobId, 'twice', 'picture')
    expect((await storePhoto(jobId, 'twice', other)).ok).toBe(true)
    expect(await loadPicture(jobId, 'twice', 'picture')).toEqual(first)
  })

  it('are told by what is in them: anything else is refused, and nothing kept', async () => {
    const codes = async (given: Buffer) => {
      const stored = await storePhoto(jobId, 'bad', given)
      return stored.ok ? [] : stored.faults.map(({ code }) => code)
    }
    expect(await codes(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'))).toEqual(['no-picture'])
    expect(await codes(Buffer.from('no picture at all'))).toEqual(['no-picture'])
    expect(await codes((await fromCamera()).subarray(0, 400))).toEqual(['no-picture'])
    expect(await codes(Buffer.alloc(MOST_PHOTO_BYTES + 1))).toEqual(['too-large'])
    // Small as a file, and a hundred million pixels once it is laid out.
    const vast = await sharp({ create: { width: 10_000, height: 10_000, channels: 3, background: '#000' } })
      .png({ compressionLevel: 9 })
      .toBuffer()
    expect(vast.length).toBeLessThan(2_000_000)
    expect(await codes(vast)).toEqual(['too-large'])
    expect(await loadPicture(jobId, 'bad', 'picture')).toBeNull()
  })
})
