import { expect, test, type Page } from '@playwright/test'
import { chainOf } from '@/testing/route/chain'
import { bringIn, rows, saved, shownOf, visit, opened } from './helpers'

const NONE = [null, null, null]

const chain = (count: 2 | 3) =>
  chainOf({ count, fed: 0, lit: count - 1, neutrals: true, spares: 0, choices: NONE.slice(0, count) })[0]!
    .record

const set = (page: Page, name: string | RegExp) => page.getByRole('article', { name })
const choices = (jobId: string) =>
  rows('SELECT place_id, model_id FROM choices WHERE job_id = ? ORDER BY place_id', jobId)

test('a light of three places: one press chooses for all, it proves, is tried by hand, and is let go again @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, chain(3))
  await visit(page, `/jobs/${jobId}/boxes/box1/choose`)
  await expect(page.getByRole('heading', { name: 'Light: 3 places at once' })).toBeVisible()
  const dimmer = set(page, /^Dimmer, LED 150 W, no neutral, .*; Companion .*; Companion /)
  await shownOf(set(page, /Dimmer, LED 150 W, no neutral/).first(), dimmer, /^Box 0/)
  await opened(dimmer)
  await expect(dimmer.getByText('The conductors that are there reach every place').first()).toBeVisible()
  await dimmer.getByRole('button', { name: 'Choose' }).click()
  await expect(dimmer.getByRole('button', { name: 'Chosen' })).toBeVisible()
  await saved(page)
  expect(await choices(jobId)).toEqual([
    { place_id: 'box0-1', model_id: 'dimmer-led-150-two-wire' },
    { place_id: 'box1-1', model_id: 'companion-oak' },
    { place_id: 'box2-1', model_id: 'companion-oak' },
  ])

  // The whole light is drawn as it will be, and can be worked there.
  await page.getByRole('radio', { name: 'The whole light' }).check()
  await expect(page.getByRole('group', { name: 'Panel, boxes and lamps' })).toBeVisible()
  // Every box of the light can be looked at as it will be, and the whole of it proves.
  await page.getByRole('radio', { name: 'Box 0', exact: true }).check()
  await expect(page.getByText(/Dimmer, LED 150 W/).first()).toBeVisible()
  await page.getByRole('link', { name: /^Wire/ }).first().click()
  await expect(page.getByText('Proven.')).toBeVisible()
  await page.getByRole('link', { name: 'Try by hand' }).click()
  await page.getByRole('radio', { name: 'As planned' }).check()
  await expect(page.getByText('Dark').first()).toBeVisible()
  const drawing = page.getByRole('group', { name: 'Panel, boxes and lamps' })
  for (const box of ['Box 0', 'Box 1', 'Box 2']) await expect(drawing.getByText(box).first()).toBeVisible()

  await visit(page, `/jobs/${jobId}/boxes/box2/choose`)
  // The row shows what is chosen of it.
  await dimmer.getByRole('button', { name: 'Chosen' }).click()
  await expect(dimmer.getByRole('button', { name: 'Choose' })).toBeVisible()
  await saved(page)
  expect(await choices(jobId)).toEqual([])
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  expect(await choices(jobId)).toHaveLength(3)
})

test('an old switch stays at the other place: nothing is bought for it, and its box has its plan', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, chain(2))
  await visit(page, `/jobs/${jobId}/boxes/box0/choose`)
  const kept = set(page, 'Dimmer, LED 150 W, no neutral, with companion terminal; the old one stays')
  await expect(kept.getByText('One main, an old switch stays')).toBeVisible()
  await kept.getByRole('button', { name: 'Choose' }).click()
  await saved(page)
  expect(await choices(jobId)).toEqual([{ place_id: 'box0-1', model_id: 'dimmer-led-150-two-wire' }])
  await visit(page, `/jobs/${jobId}/boxes/box1/wire`)
  await expect(page.getByText('Proven.')).toBeVisible()
  // Its jumper is in the plan.
  await expect(page.getByText(/pigtail/i).first()).toBeVisible()
})
