import { expect, test } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import { bringIn, bringInBox, rows, saved, stage, violations, visit } from './helpers'

test('one control goes for good: its light is always on, or left dead', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await page.getByRole('button', { name: 'No control here any more' }).click()
  const part = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: /no control here any more$/ }) })
    .last()
  await expect(part).toContainText('blank plate')
  await expect(page.getByRole('article')).toHaveCount(0)
  await saved(page)
  expect(await rows('SELECT retired FROM places WHERE job_id = ?', jobId)).toEqual([{ retired: 1 }])

  // Not said in Choose, it is asked where the wiring is planned.
  await stage(page, 'Wire')
  const asked = page.getByRole('group', { name: /^Nothing works .* any more\. It is to be$/ })
  await expect(asked).toBeVisible()
  await expect(page.getByText(/blank plate on/)).toHaveCount(0)
  await asked.getByRole('radio', { name: 'Always on' }).click()
  await expect(page.getByText(/blank plate on/)).toBeVisible()
  await expect(page.getByText(/^Proven/).first()).toBeVisible()
  await saved(page)
  expect(await rows('SELECT unworked FROM `groups` WHERE job_id = ?', jobId)).toEqual([
    { unworked: 'always-on' },
  ])

  await stage(page, 'Choose')
  await part.getByRole('radio', { name: 'Left dead' }).check()
  expect(await violations(page)).toEqual([])
  await saved(page)
  await stage(page, 'Prove')
  await expect(page.getByText('It stays dark')).toBeVisible()

  await stage(page, 'Choose')
  await part.getByRole('button', { name: 'Put a control here after all' }).click()
  await expect(page.getByRole('article').first()).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(part).toBeVisible()
  await saved(page)
  expect(await rows('SELECT retired FROM places WHERE job_id = ?', jobId)).toEqual([{ retired: 1 }])
})

test('one of two places goes: the other works the light alone', async ({ page, request }) => {
  const record = quillbackRoad()
  const jobId = await bringIn(request, record)
  const places = Object.values(record.places)
  const pair = Object.keys(record.groups)
    .map(id => places.filter(({ groupId }) => groupId === id))
    .find(found => found.length === 2)!
  const [gone, left] = pair as [(typeof places)[number], (typeof places)[number]]
  await visit(page, `/jobs/${jobId}/boxes/${gone.boxId}/choose`)
  const gangs = page.getByRole('group', { name: 'Control', exact: true }).getByRole('radio')
  if ((await gangs.count()) > 0) await gangs.nth(gone.gang - 1).check()
  await page.getByRole('button', { name: 'No control here any more' }).click()
  await expect(page.getByText('One other place works the light.')).toBeVisible()
  await saved(page)
  await visit(page, `/jobs/${jobId}/boxes/${left.boxId}/choose`)
  await expect(page.getByRole('article', { name: 'Dimmer, LED 150 W, neutral', exact: true })).toBeVisible()
  await expect(page.getByRole('article', { name: /two-place/ })).toHaveCount(0)
})
