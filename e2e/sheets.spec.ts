import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { bringInBox, bringInDemo, visit } from './helpers'

test('a page for the wall: drawing in words, where everything lands, steps and cautions', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'switch-plain-15' })
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await page.getByRole('link', { name: 'A page for the wall' }).click()
  const sheet = page.getByRole('article', { name: 'Room, By the door' })
  await expect(sheet.getByText('breaker 7', { exact: true })).toBeVisible()
  await expect(sheet.getByText('black: line')).toBeVisible()
  await expect(sheet.getByRole('row', { name: /Upper dark screw A black/ })).toBeVisible()
  await expect(sheet.getByText(/take out the old device/)).toBeVisible()
  await expect(sheet.getByText(/^Nothing bare is touched before/)).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(sheet.getByText('black: line')).toBeVisible()
})

test('the drawing as a file of its own: nothing of the page in it, and nothing to fetch', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'switch-plain-15' })
  await visit(page, `/jobs/${jobId}/sheets?box=box`)
  const waiting = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Drawing as SVG' }).click()
  const download = await waiting
  expect(download.suggestedFilename()).toBe('one-box-room-by-the-door.svg')
  const text = await readFile(await download.path(), 'utf8')
  expect(text).toContain('<svg')
  expect(text).toContain('black: line')
  expect(text).not.toMatch(/class=|style=|var\(|<script|href=/)
  // It stands by itself: its colours are said in it.
  expect(text).toMatch(/fill="rgb\(/)
})

test('every box with a device, a page each', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/sheets`)
  expect(await page.getByRole('article').count()).toBeGreaterThan(3)
})
