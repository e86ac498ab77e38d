import { expect, test } from '@playwright/test'
import { bringInBox, rows, saved, violations, visit } from './helpers'

test('jobs are found by words of name and address, and stand by when they were last worked on or by name @phone', async ({
  page,
  request,
}) => {
  const mark = `Reed${Date.now().toString(36)}`
  const ids = [await bringInBox(request, {}), await bringInBox(request, {})] as const
  await rows('UPDATE jobs SET name = ?, address = ? WHERE id = ?', `A ${mark}`, 'Low Lane 4', ids[0])
  await rows('UPDATE jobs SET name = ?, address = ? WHERE id = ?', `B ${mark}`, 'High Lane 7', ids[1])
  await page.goto('/')
  const names = page.getByRole('listitem').getByRole('link', { name: new RegExp(`^[AB] ${mark}`) })
  await expect(names).toHaveText([new RegExp(`^B ${mark}`), new RegExp(`^A ${mark}`)])
  await page.getByLabel('Order').selectOption('By name')
  await expect(names).toHaveText([new RegExp(`^A ${mark}`), new RegExp(`^B ${mark}`)])
  await page.getByLabel('Find a job').fill(`lane low ${mark.toLowerCase()}`)
  await expect(names).toHaveText([new RegExp(`^A ${mark}`)])
  await page.getByLabel('Find a job').fill('nowhere at all')
  await expect(page.getByText('No job has all of these words in its name or address.')).toBeVisible()
  expect(await violations(page)).toEqual([])

  // What is worked on comes first.
  await visit(page, `/jobs/${ids[0]}/boxes/box/look`)
  await page.getByLabel('Notes').fill('Seen again')
  await page.getByLabel('Notes').blur()
  await saved(page)
  await page.goto('/')
  await expect(names.first()).toHaveText(new RegExp(`^A ${mark}`))
})

test('a job says what waits in which stage; it is put away, found again, and taken out @phone', async ({
  page,
  request,
}) => {
  const mark = `Sedge${Date.now().toString(36)}`
  const id = await bringInBox(request, {})
  await rows('UPDATE jobs SET name = ?, created_at = ? WHERE id = ?', mark, '2026-02-11 12:00:00', id)
  await page.goto('/')
  await page.getByLabel('Find a job').fill(mark)
  const job = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('link', { name: new RegExp(`^${mark}`) }) })
  await expect(job.getByRole('list', { name: 'What waits' }).getByRole('listitem').first()).toHaveText(
    /^1 [A-Z]\S+, since Feb 11, 2026$/,
  )
  // Once something is recorded of the box it waits from then on.
  await visit(page, `/jobs/${id}/boxes/box/look`)
  await page.getByLabel('Notes').fill('Seen')
  await page.getByLabel('Notes').blur()
  await saved(page)
  await rows('UPDATE command_log SET applied_at = ? WHERE job_id = ?', '2026-03-05 12:00:00.000', id)
  await page.goto('/')
  await page.getByLabel('Find a job').fill(mark)
  await expect(job.getByRole('list', { name: 'What waits' }).getByRole('listitem').first()).toHaveText(
    /^1 [A-Z]\S+, since Mar 5, 2026$/,
  )
  // Without an answer nothing came of it, and that is said.
  await page.context().setOffline(true)
  await page.getByRole('button', { name: `Put away ${mark}` }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was changed' })).toBeVisible()
  await page.context().setOffline(false)
  expect(await rows('SELECT put_away IS NULL AS here FROM jobs WHERE id = ?', id)).toEqual([{ here: 1 }])
  await page.getByRole('button', { name: `Put away ${mark}` }).click()
  await expect(job).toHaveCount(0)
  expect(await rows('SELECT put_away IS NOT NULL AS away FROM jobs WHERE id = ?', id)).toEqual([{ away: 1 }])
  await page.getByRole('button', { name: '1 job is put away' }).click()
  await expect(job).toHaveCount(1)
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: `Take out ${mark}` }).click()
  await expect(page.getByRole('button', { name: `Put away ${mark}` })).toBeVisible()
  expect(await rows('SELECT put_away FROM jobs WHERE id = ?', id)).toEqual([{ put_away: null }])
  // What makes no sense is refused by name, and nothing is stored.
  const odd = await request.post(`/api/jobs/${id}/put-away`, { data: { away: 'perhaps' } })
  expect(odd.status()).toBe(422)
  expect(JSON.stringify(await odd.json())).toContain('away')
  expect((await request.post('/api/jobs/nowhere/put-away', { data: { away: true } })).status()).toBe(404)
  expect((await request.get('/api/jobs/nowhere/waits')).status()).toBe(404)
})
