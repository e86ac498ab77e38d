import { expect, test } from '@playwright/test'
import { bringInBox, rows, saved, visit } from './helpers'

test('what is wanted, need by need: what lacks one is left out and says which; what comes out is kept @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { want: 'presence' })
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  const byHand = page.getByRole('article', { name: /^Vacancy sensor, wall, on by hand, neutral/ })
  await expect(byHand).toBeVisible()
  await page.getByText('What is wanted', { exact: true }).click()
  await page.getByRole('checkbox', { name: 'On by itself' }).check()
  await page.getByRole('checkbox', { name: 'Keep what is taken out' }).check()
  await page.getByRole('checkbox', { name: 'Spend at most' }).check()
  await page.getByLabel('Spend at most (in money)').fill('60')
  await page.getByLabel('Spend at most (in money)').press('Enter')
  await expect(page.getByRole('checkbox', { name: 'Spend at most: 60 in money' })).toBeChecked()
  await expect(byHand).toHaveCount(0)
  await page.getByRole('radio', { name: 'Every device' }).check()
  await expect(byHand.getByText(/Does not do what is wanted: on by itself/)).toBeVisible()
  await saved(page)
  expect(await rows('SELECT need, value FROM needs WHERE job_id = ? ORDER BY need', jobId)).toEqual([
    { need: 'automatic-on', value: null },
    { need: 'budget', value: 60 },
    { need: 'keep-old', value: null },
  ])
  await page.getByRole('radio', { name: /^What was wanted: by presence, on by itself/ }).check()
  await page.getByRole('button', { name: 'Choose', exact: true }).first().click()
  await saved(page)
  await visit(page, `/jobs/${jobId}/pick`)
  const kept = page.locator('section').filter({ hasText: 'Taken out and kept, for stock' })
  await expect(kept.getByText('Old switch, two screws alike')).toBeVisible()
  // Taken back one by one.
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  expect(await rows('SELECT model_id FROM choices WHERE job_id = ?', jobId)).toEqual([])
})
