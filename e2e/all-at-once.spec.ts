import { expect, test } from '@playwright/test'
import { bathOf } from '@/testing/check/bath'
import { bringIn, rows, saved, visit, opened } from './helpers'

test('a light and a fan in one box: a sensor beside a timer, chosen with one press @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, bathOf())
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await page.getByRole('radio', { name: 'All at once' }).check()
  await expect(page.getByRole('heading', { name: 'Bath light and Bath fan: all at once' })).toBeVisible()
  const both = page
    .getByRole('article', { name: 'Occupancy sensor, neutral, 500 W LED; Countdown timer, 60 min' })
    .first()
  await opened(both)
  await expect(both.getByText('Gang 1: Bath light')).toBeVisible()
  await expect(both.getByText('Gang 2: Bath fan')).toBeVisible()
  await both.getByRole('button', { name: 'Choose' }).click()
  await expect(both.getByRole('button', { name: 'Chosen' })).toBeVisible()
  await saved(page)
  expect(await rows('SELECT model_id FROM choices WHERE job_id = ? ORDER BY place_id', jobId)).toEqual([
    { model_id: 'sensor-neutral' },
    { model_id: 'timer-countdown' },
  ])
  await page.getByRole('link', { name: /^Wire/ }).first().click()
  await expect(page.getByText('Proven.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  expect(await rows('SELECT model_id FROM choices WHERE job_id = ?', jobId)).toEqual([])
})
