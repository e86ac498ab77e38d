import { expect, test } from '@playwright/test'
import { bringInDemo, rows, saved, visit, toPage } from './helpers'

test('the day: fewer walks than box by box, a crew, what must be kept, and all of it in the record @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}`)
  await toPage(page, 'Day')
  await expect(page.getByRole('heading', { name: 'Day', exact: true })).toBeVisible()
  const walks = page.getByRole('table', { name: /^Walks to the panel/ })
  const count = async (row: string) =>
    Number(
      (
        await walks
          .getByRole('row', { name: new RegExp(`^${row}`) })
          .getByRole('cell')
          .first()
          .innerText()
      ).trim(),
    )
  const least = await count('This order')
  expect(least).toBeLessThan(await count('Box by box'))
  await expect(page.getByText('Walk 1', { exact: true })).toBeVisible()
  // On the house: every box by its number in the day; of a stretch what is dark meanwhile as well.
  const first = (
    await page
      .locator('section')
      .filter({ has: page.getByRole('heading', { name: 'Walk by walk' }) })
      .getByRole('link')
      .first()
      .innerText()
  ).split(',')[0]!
  const room = (of: string) =>
    page.getByRole('region', { name: of }).getByRole('listitem').filter({ hasText: first })
  await expect(room('The boxes by their number in the day')).toHaveText(/\D1\b/)
  await expect(room('The boxes by their number in the day')).not.toHaveText(/dark/)
  await page
    .getByRole('group', { name: 'The day on the house' })
    .getByRole('radio', { name: /^1: .* off$/ })
    .check()
  await expect(room('What is dark and which boxes are worked at')).toHaveText(/dark, 1\b/)

  await page.getByLabel('Somebody else').fill('Wren')
  await page.getByLabel('Somebody else').press('Enter')
  await page.getByLabel('Somebody else').fill('Ash')
  await page.getByRole('button', { name: 'Add', exact: true }).first().click()
  const ash = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: 'Remove Ash' }) })
  await ash.getByRole('checkbox', { name: 'May take live readings' }).uncheck()
  await saved(page)
  expect(await rows('SELECT name, reads_live FROM crew WHERE job_id = ? ORDER BY name', jobId)).toEqual([
    { name: 'Ash', reads_live: 0 },
    { name: 'Ines Talbot-Roe', reads_live: 1 },
    { name: 'Kofi Marsh', reads_live: 0 },
    { name: 'Wren', reads_live: 1 },
  ])
  await expect(page.getByText(/Read live · (Wren|Ines)/).first()).toBeVisible()
  await expect(page.getByText(/Read live · Ash/)).toHaveCount(0)

  await page.getByLabel('Circuit that may be off for a while only').selectOption({ index: 1 })
  await page.getByLabel('Minutes at most').fill('20')
  await page.getByLabel('Minutes at most').press('Enter')
  await expect(page.getByRole('button', { name: /Remove: .*off for 20 min at most/ })).toBeVisible()
  await saved(page)
  expect(
    await rows('SELECT minutes FROM keeps WHERE job_id = ? AND minutes IS NOT NULL ORDER BY minutes', jobId),
  ).toEqual([{ minutes: 20 }, { minutes: 30 }])
})

test('boxes ordered by hand: what it costs is said, and the least order comes back', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/day`)
  await page.getByRole('button', { name: 'Order by hand' }).click()
  const boxes = page.getByRole('list', { name: 'Order of the boxes' }).getByRole('listitem')
  const first = await boxes.first().innerText()
  await boxes
    .first()
    .getByRole('button', { name: /^Later/ })
    .click()
  await expect(boxes.nth(1)).toContainText(first.split('\n')[0]!)
  await saved(page)
  const stored = await rows('SELECT position FROM turns WHERE job_id = ? ORDER BY position', jobId)
  expect(stored.length).toBeGreaterThan(10)
  // By the keyboard: lifted, moved down, put down.
  await boxes.first().getByRole('button', { name: /^Move/ }).focus()
  const top = (await boxes.first().innerText()).split('\n')[0]!
  await page.keyboard.press('Space')
  await expect(page.getByText(`${top} is at place 1 of `)).toBeAttached()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByText(/ is at place 2 of /)).toBeAttached()
  await page.keyboard.press('Space')
  await expect(boxes.nth(1)).toContainText(top)
  await page.getByRole('button', { name: 'The least order' }).click()
  await saved(page)
  expect(await rows('SELECT position FROM turns WHERE job_id = ?', jobId)).toEqual([])
})

test('the day as a calendar file; a time that is none is refused with its field', async ({ request }) => {
  const jobId = await bringInDemo(request)
  const answer = await request.get(`/api/jobs/${jobId}/day?date=2026-03-02&start=09:30`)
  expect(answer.headers()['content-type']).toContain('text/calendar')
  const text = await answer.text()
  expect(text).toContain('BEGIN:VCALENDAR')
  expect(text).toContain('DTSTART:20260302T093000')
  expect(text).toMatch(/SUMMARY:Walk 1: breaker .* off/)
  // What was off to the end comes on again, at a walk of its own.
  expect(text).toMatch(/SUMMARY:Last walk: breaker .* on/)
  // Files are named after the house.
  expect(answer.headers()['content-disposition']).toContain('filename="quillback-road-27-day.ics"')
  for (const [path, name] of [
    ['file', 'quillback-road-27.everyroom.json'],
    ['pick', 'quillback-road-27-pick-list.csv'],
  ] as const)
    expect((await request.get(`/api/jobs/${jobId}/${path}`)).headers()['content-disposition']).toContain(
      `filename="${name}"`,
    )
  const refused = await request.get(`/api/jobs/${jobId}/day?start=25:00`)
  expect(refused.status()).toBe(422)
  expect((await refused.json()).faults[0].path).toBe('/start')
  expect((await request.get('/api/jobs/none/day')).status()).toBe(404)
})
