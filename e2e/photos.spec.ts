import { expect, test, type Page } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { deflateSync } from 'node:zlib'
import { bringInBox, rows, saved, visit } from './helpers'

/** A small grey PNG, byte by byte, so that no picture lies about in the tests. */
function greyPng(side: number): Buffer {
  const chunk = (type: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(type), data])
    const length = Buffer.alloc(4)
    length.writeUInt32BE(data.length)
    const sum = Buffer.alloc(4)
    sum.writeUInt32BE(crc(body))
    return Buffer.concat([length, body, sum])
  }
  const header = Buffer.alloc(13)
  header.writeUInt32BE(side, 0)
  header.writeUInt32BE(side, 4)
  header.set([8, 0, 0, 0, 0], 8)
  const pixels = Buffer.alloc((side + 1) * side, 128)
  for (let row = 0; row < side; row++) pixels[row * (side + 1)] = 0
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(pixels)),
    chunk('IEND', Buffer.alloc(0)),
  ])
}

function crc(bytes: Buffer): number {
  let sum = 0xffffffff
  for (const byte of bytes) {
    sum ^= byte
    for (let bit = 0; bit < 8; bit++) sum = sum & 1 ? (sum >>> 1) ^ 0xedb88320 : sum >>> 1
  }
  return (sum ^ 0xffffffff) >>> 0
}

const choose = (page: Page, name: string, mimeType: string, buffer: Buffer) =>
  page.getByLabel('Take a photo').setInputFiles({ name, mimeType, buffer })

test('a photo before anything is moved, a note pinned to a conductor @phone', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look#photos`)
  await page.locator('#photos').scrollIntoViewIfNeeded()
  await expect(page.getByRole('heading', { name: 'Photos: none yet of how it was' })).toBeVisible()
  await expect(page.getByRole('radio', { name: 'Before anything is moved' })).toBeChecked()

  await choose(page, 'notes.png', 'image/png', Buffer.from('this is no picture'))
  await expect(page.getByText('Not stored: JPEG, PNG or WebP of at most 15 MB.')).toBeVisible()

  await choose(page, 'box.png', 'image/png', greyPng(64))
  const shown = page.getByRole('link', { name: 'Before anything is moved: open the photo' })
  await expect(shown).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Photos', exact: true })).toBeVisible()
  await saved(page)
  const kept = await rows('SELECT kind, width_pixels AS width FROM photos WHERE job_id = ?', jobId)
  expect(kept).toEqual([{ kind: 'before', width: 64 }])
  const picture = await request.get((await shown.getAttribute('href'))!)
  expect(picture.headers()['content-type']).toBe('image/jpeg')
  expect(picture.headers()['x-content-type-options']).toBe('nosniff')

  await page.getByRole('button', { name: /^Remove the photo/ }).click()
  await expect(shown).toHaveCount(0)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(shown).toBeVisible()

  const black = page.getByRole('button', { name: /^Cable A, black/ }).first()
  await black.scrollIntoViewIfNeeded()
  await black.press('Enter')
  await page.getByLabel('Note pinned to it').fill('nicked where it enters')
  await page.getByLabel('Note pinned to it').press('Enter')
  await saved(page)
  await expect(page.getByRole('button', { name: /Note: nicked where it enters/ })).toBeVisible()
  expect(await rows('SELECT end_id, text FROM notes WHERE job_id = ?', jobId)).toEqual([
    { end_id: 'box-a-black-1-end', text: 'nicked where it enters' },
  ])
})

test('a photo that cannot be stored now is kept until it can', async ({ page, request, context }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await page.locator('#photos').scrollIntoViewIfNeeded()
  await expect(page.getByText('Take a photo')).toBeVisible()
  await context.route('**/photos/**', route => route.abort())
  await choose(page, 'box.png', 'image/png', greyPng(32))
  await expect(page.getByText('The photo is not stored yet; it is kept here.')).toBeVisible()
  expect(await rows('SELECT id FROM photos WHERE job_id = ?', jobId)).toEqual([])
  await context.unroute('**/photos/**')
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('link', { name: /open the photo/ })).toBeVisible()
  await saved(page)
  expect(await rows('SELECT id FROM photos WHERE job_id = ?', jobId)).toHaveLength(1)
})

test('a job is taken out with its photos, and comes in with them beside the one that is there', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: 'The house' }).click()
  await expect(page.getByRole('link', { name: 'Take out the job file' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Take it out with its photos' })).toHaveCount(0)
  await visit(page, `/jobs/${jobId}/boxes/box/look#photos`)
  await page.locator('#photos').scrollIntoViewIfNeeded()
  await choose(page, 'box.png', 'image/png', greyPng(64))
  await expect(page.getByRole('link', { name: 'Before anything is moved: open the photo' })).toBeVisible()
  await saved(page)

  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: 'The house' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Take it out with its photos' }).click(),
  ])
  expect(download.suggestedFilename()).toMatch(/\.everyroom\.zip$/)
  const file = await download.path()

  await visit(page, '/')
  await page.getByLabel('Job file', { exact: true }).setInputFiles({
    ...{ name: 'house.everyroom.zip', mimeType: 'application/zip' },
    buffer: await readFile(file),
  })
  await page.waitForURL(/\/jobs\/[\da-f-]{36}$/)
  const id = new URL(page.url()).pathname.split('/').at(-1)!
  const photos = await rows('SELECT id FROM photos WHERE job_id = ?', id)
  expect(photos).toHaveLength(1)
  const picture = await request.get(`/api/jobs/${id}/photos/${String(photos[0]!.id)}`)
  expect(picture.headers()['content-type']).toBe('image/jpeg')

  // Cut short it is refused, and nothing of it is there.
  await visit(page, '/')
  await page.getByLabel('Job file', { exact: true }).setInputFiles({
    ...{ name: 'half.everyroom.zip', mimeType: 'application/zip' },
    buffer: (await readFile(file)).subarray(0, 900),
  })
  await expect(page.getByRole('alert').filter({ hasText: 'was not brought in' })).toContainText(
    'it cannot be unpacked to its end',
  )
})
