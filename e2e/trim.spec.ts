import { expect, test, type Page } from '@playwright/test'
import type { TrimRecord } from '@/core/model/trim-trial'
import { bringInBox, rows, saved, violations, visit } from './helpers'

async function lowEnd(jobId: string): Promise<{ value: string; trial: TrimRecord | null } | null> {
  const [row] = await rows(
    "SELECT value, trial FROM settings WHERE job_id = ? AND setting_id = 'trim'",
    jobId,
  )
  if (!row) return null
  const trial =
    typeof row.trial === 'string' ? (JSON.parse(row.trial) as TrimRecord) : (row.trial as TrimRecord)
  return { value: row.value as string, trial }
}
const press = (page: Page, group: string | RegExp, name: string | RegExp) =>
  page
    .getByRole('group', { name: group })
    .getByRole('button', { name, exact: typeof name === 'string' })
    .click()

test('a low end is found by trial, with a lamp that fails @phone', async ({ page, request }) => {
  const jobId = await bringInBox(request, {
    choice: 'dimmer-led-150-two-wire',
    lamps: [{ kind: 'led', wattsEach: 9, count: 4, dimmable: 'yes' }],
  })
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  // 10 W of 36 W are drawn at 27.8 %: the seventh step.
  await expect(
    page.getByText('Beforehand: it needs 10 W of 36 W, so below 7 (29 %) lamps may well fail.'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Find it by trial' }).click()
  await press(page, 'The first step at which a lamp flickers or goes out', '3')
  await press(page, 'Which lamp failed first at 3?', /no\. 2$/)
  await expect(page.getByText('Save it at 4.')).toBeVisible()
  expect(await violations(page)).toEqual([])
  await press(page, 'Does every lamp start?', /no\. 4 stays dark$/)
  await expect(page.getByText('Save it at 5.')).toBeVisible()
  expect(await lowEnd(jobId)).toBeNull()
  await press(page, 'Does every lamp start?', 'Every lamp starts')
  await expect(page.getByText(/Low end: 5 · started 2 times · .*no\. 2 failed first, at 3$/)).toBeVisible()
  await page.getByRole('button', { name: 'It is set so' }).click()
  await saved(page)
  const kept = (await lowEnd(jobId))!
  expect(kept.value).toBe('5')
  expect(kept.trial!.levels).toEqual([5, 9, 13, 17, 21, 25, 29, 33, 37, 41])
  expect(kept.trial!.seen.map(({ saw }) => saw)).toEqual([
    ...Array.from({ length: 7 }, () => 'all-steady'),
    'fails',
    'stays-dark',
    'all-start',
  ])
  await expect(page.getByText(/^Found by trial: 5/)).toBeVisible()

  // Made to another by hand it is no longer the one that was tried.
  await page
    .getByRole('group', { name: /^Low-end trim/ })
    .getByRole('radio', { name: '6', exact: true })
    .check()
  await saved(page)
  expect(await lowEnd(jobId)).toEqual({ value: '6', trial: null })
})

test('where no step does the ways out are told, and nothing is kept; by keys alone', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {
    choice: 'dimmer-led-150-two-wire',
    lamps: [{ kind: 'led', wattsEach: 5, count: 1, dimmable: 'yes' }],
  })
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await expect(page.getByText('the lamps draw 5 W in full: no step may do')).toBeVisible()
  const key = async (group: string | RegExp, name: string | RegExp) => {
    await page
      .getByRole('group', { name: group })
      .getByRole('button', { name, exact: typeof name === 'string' })
      .focus()
    await page.keyboard.press('Enter')
  }
  await page.getByRole('button', { name: 'Find it by trial' }).focus()
  await page.keyboard.press('Enter')
  await key('The first step at which a lamp flickers or goes out', '10')
  await key('Which lamp failed first at 10?', /./)
  const out = page.getByRole('alert').filter({ hasText: 'No step does for' })
  await expect(out.getByRole('listitem')).toHaveCount(3)
  await expect(out.getByText(/^A bypass .* \d+ USD$/)).toBeVisible()
  expect(await lowEnd(jobId)).toBeNull()
  await page.getByRole('button', { name: 'Begin again' }).click()
  await key('The first step at which a lamp flickers or goes out', 'none, down to the lowest')
  await expect(page.getByText('Save it at 1.')).toBeVisible()
  await page.getByRole('button', { name: 'Leave the trial' }).click()
  await expect(page.getByRole('button', { name: 'Find it by trial' })).toBeVisible()
})
