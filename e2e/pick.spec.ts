import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { bringInBox, bringInDemo, rows, violations, visit, toPage, quiet } from './helpers'

const countOf = async (key: string) =>
  Number((await rows('SELECT count FROM van_stock WHERE item_key = ?', key))[0]?.count ?? 0)

test('what is chosen is picked: counted in the van, taken out as a table, printed', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {
    choice: 'dimmer-led-300-neutral',
    box: { volumeCubicInches: 12.5, depthMillimetres: 60 },
    lamps: [{ kind: 'led', wattsEach: 7, count: 6, dimmable: 'no', powerFactor: 0.9 }],
  })
  const key = 'device:dimmer-led-300-neutral'
  await rows('DELETE FROM van_stock WHERE item_key = ?', key)
  await visit(page, `/jobs/${jobId}/pick`)
  const item = page.locator(`[data-item="${key}"]`)
  await expect(item).toContainText('Dimmer, LED 300 W, neutral')
  await expect(item).toContainText('buy 1')
  await expect(page.getByText('Plate, one gang: wide')).toBeVisible()
  await expect(page.getByText('Dimmable lamp, 7 W')).toBeVisible()
  await expect(page.getByText(/extension ring of one gang, ½ in/)).toBeVisible()
  // 58 for the dimmer, 6 for the ring, 6 × 6 for lamps.
  await expect(page.getByText(/left to buy: \d+ pieces, 100 USD and what has no price yet/)).toBeVisible()
  // What its plan uses up, with a spare for each ten begun.
  await expect(page.getByText(/^Lever, \d slots/).first()).toBeVisible()

  await item.getByRole('button', { name: 'One more' }).click()
  await item.getByRole('button', { name: 'One more' }).click()
  await expect(item).toContainText('2 in the van')
  await expect(item).toContainText('nothing to buy')
  await expect.poll(() => countOf(key)).toBe(2)
  await page.getByRole('button', { name: 'Undo the count' }).click()
  await expect(item).toContainText('1 in the van')
  await expect.poll(() => countOf(key)).toBe(1)

  await page.getByRole('radio', { name: /^To buy/ }).check()
  await expect(item).toHaveCount(0)
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Take out as a table' }).click()
  const csv = await readFile(await (await download).path(), 'utf8')
  expect(csv.split('\r\n')[0]).toBe('kind,what,needed,in the van,to buy,price each,where')
  expect(csv).toContain('device,"Dimmer, LED 300 W, neutral",1,1,0,58,"Room, By the door"')

  // Somebody else took it meanwhile.
  await page.getByRole('radio', { name: /^All/ }).check()
  await rows('UPDATE van_stock SET count = 7 WHERE item_key = ?', key)
  await item.getByRole('button', { name: 'One less' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Somebody counted this meanwhile' })).toBeVisible()
  await expect(item).toContainText('7 in the van')
  await rows('DELETE FROM van_stock WHERE item_key = ?', key)
})

test('nothing chosen is said; the list is accessible and within the screen @phone', async ({
  page,
  request,
}) => {
  const empty = await bringInBox(request, {})
  await visit(page, `/jobs/${empty}/pick`)
  await expect(page.getByText('Nothing is chosen yet.', { exact: false })).toBeVisible()
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}`)
  await toPage(page, 'Pick list')
  await expect(page.getByRole('heading', { name: 'Devices' })).toBeVisible()
  await quiet(page)
  expect(await violations(page)).toEqual([])
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
  ).toBeLessThanOrEqual(0)
})
