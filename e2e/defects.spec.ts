import { expect, test } from '@playwright/test'
import { bringInBox, bringInDemo, rows, saved, visit, toPage } from './helpers'

test('defects of the house: mended, struck off, and the rest handed over in writing @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}`)
  await toPage(page, 'Defects')
  await expect(page.getByRole('radio', { name: /^Open \d+$/ })).toBeChecked()
  const count = await page.locator('main ul > li').count()
  await expect(page.getByRole('radio', { name: `Open ${count}` })).toBeChecked()
  expect(count).toBeGreaterThan(10)
  // The worst comes first, and each says why, what is done, with what, in how long.
  const first = page.locator('main ul > li').first()
  await expect(first).toContainText('Danger.')
  const ground = page.locator('main ul > li').filter({ hasText: 'Metal box without a ground' })
  await ground.locator('summary').click()
  for (const part of ['Why', 'Usual cure', 'Parts', 'Time'])
    await expect(ground.getByText(part, { exact: true })).toBeVisible()
  await ground.getByRole('button', { name: 'Mended in this visit' }).click()
  await expect(page.getByRole('radio', { name: 'Mended in this visit 1' })).toBeVisible()
  await saved(page)

  await page.getByRole('button', { name: 'Hand over in writing' }).click()
  const letter = page.getByRole('article', { name: 'What is handed over' })
  await expect(letter).toContainText('To Odalys and Wim Farrow-Beck')
  await expect(letter).not.toContainText('Metal box without a ground')
  await expect(letter.getByRole('listitem')).toHaveCount(count - 1)
  // One is kept back, and goes from the paper as well.
  const aluminium = page.getByRole('checkbox', { name: /Aluminum conductors/ }).first()
  await aluminium.uncheck()
  await expect(letter).not.toContainText('Aluminum conductors')
  await page.getByLabel('Handed to').fill('W. Farrow-Beck')
  await page.getByLabel('Handed to').press('Enter')
  await page.getByRole('button', { name: 'It was handed over' }).click()
  await expect(page.getByRole('radio', { name: `Handed over in writing ${count - 2}` })).toBeChecked()
  await expect(page.locator('main ul > li').first()).toContainText('handed over to W. Farrow-Beck')
  await saved(page)
  const found = await rows(
    'SELECT state, handed_to, handed_on, COUNT(*) AS n FROM defects WHERE job_id = ? GROUP BY state, handed_to, handed_on ORDER BY state',
    jobId,
  )
  expect(found).toEqual([
    {
      state: 'deferred',
      handed_to: 'W. Farrow-Beck',
      handed_on: expect.stringMatching(/^\d{4}-\d\d-\d\d$/),
      n: count - 2,
    },
    { state: 'mended', handed_to: '', handed_on: null, n: 1 },
  ])

  // All of it is one step back.
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.getByRole('radio', { name: `Open ${count - 1}` })).toBeVisible()
  await saved(page)
  expect(await rows("SELECT id FROM defects WHERE job_id = ? AND state = 'deferred'", jobId)).toEqual([])
})

test('what is printed is the paper alone', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/defects`)
  await page.getByRole('button', { name: 'Hand over in writing' }).click()
  await expect(page.getByRole('article', { name: 'What is handed over' })).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('article', { name: 'What is handed over' })).toBeVisible()
  await expect(page.getByLabel('Handed to')).toBeHidden()
  await expect(page.getByRole('button', { name: 'Print it' })).toBeHidden()

  // From a dark room too the ink is dark: pale on white would be an empty page.
  await page.evaluate(() => document.documentElement.setAttribute('data-theme', 'dark'))
  const ink = await page
    .getByRole('article', { name: 'What is handed over' })
    .getByRole('heading')
    .first()
    .evaluate(element => getComputedStyle(element).color)
  expect(Math.max(...ink.match(/\d+/g)!.map(Number))).toBeLessThan(64)
})

test('a ground that does not read as one is raised, and proves nothing', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/test`)
  // In one and the same part: the card of the next reading comes later and has such a field too.
  const part = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Make it dead' }) })
    .last()
  await part.getByRole('button', { name: 'It read 120 V' }).click()
  await part.getByLabel('A bare: another voltage (V)').fill('2')
  await part.getByLabel('A bare: another voltage (V)').press('Enter')
  await expect
    .poll(
      async () =>
        (await rows("SELECT value FROM readings WHERE job_id = ? AND purpose = 'reference'", jobId)).length,
    )
    .toBe(1)
  // It does not count as proved.
  await expect(page.getByRole('button', { name: /^Live point to/ }).first()).toBeVisible()
  await saved(page)
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await expect(page.getByText('A bare read 2 V from a live point: this ground leads nowhere')).toBeVisible()
})
