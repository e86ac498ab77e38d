import { expect, test } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import { bringIn, bringInDemo, rows, saved, visit, toPage } from './helpers'

test('the whole house: three proposals side by side, one taken over as one step @phone', async ({
  page,
  request,
}) => {
  const record = quillbackRoad()
  const jobId = await bringIn(request, { ...record, choices: {} })
  await visit(page, `/jobs/${jobId}`)
  await toPage(page, 'Whole house')
  await expect(page.getByRole('heading', { name: 'The whole house' })).toBeVisible()
  await expect(page.getByText(/\d+ of 23 lights have something that fits/)).toBeVisible()
  await page.getByRole('button', { name: 'Propose' }).click()
  const table = page.getByRole('table', { name: 'The proposals side by side' })
  for (const name of ['Least cost', 'Least disturbance', 'Best match'])
    await expect(table.getByRole('button', { name, exact: true })).toBeVisible()
  await expect(table.getByText('none is better').first()).toBeVisible()
  await table.getByRole('button', { name: 'Best match', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Best match, light by light' })).toBeVisible()
  await table.getByRole('button', { name: 'Take it over: Best match' }).click()
  await saved(page)
  const chosen = await rows('SELECT model_id FROM choices WHERE job_id = ?', jobId)
  expect(chosen.length).toBeGreaterThan(3)
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  expect(await rows('SELECT model_id FROM choices WHERE job_id = ?', jobId)).toEqual([])
})

test('what is chosen is held on to unless it is let go; a budget that nothing keeps to says the least', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/whole`)
  const hall = page.getByRole('listitem').filter({ hasText: 'Hall lantern' })
  await expect(hall.getByText(/^Dimmer, LED 150 W, neutral/)).toBeVisible()
  await page.getByLabel('At most (USD)').fill('20')
  await page.getByLabel('At most (USD)').press('Enter')
  await page.getByRole('button', { name: 'Propose' }).click()
  await expect(page.getByText(/^No choice keeps to 20 USD: the least is \d+ USD\.$/)).toBeVisible()
  await page.getByRole('button', { name: 'At most 20 USD: lift it' }).click()
  await page.getByRole('button', { name: 'Propose again' }).click()
  await expect(page.getByRole('table')).toBeVisible()
  // Held: the same in each proposal.
  await expect(hall.getByText(/Dimmer, LED 150 W, neutral/).first()).toBeVisible()
  await hall.getByRole('checkbox', { name: 'Hold on to what is chosen' }).uncheck()
  await page.getByRole('button', { name: 'Propose again' }).click()
  await expect(page.getByText('none is better').first()).toBeVisible()
  await expect(hall.getByText(/Dimmer, LED 150 W/).first()).toBeVisible()
})

test('what is being worked out can be stopped, and begun again', async ({ page, request }) => {
  const record = quillbackRoad()
  const jobId = await bringIn(request, { ...record, choices: {} })
  // The optimiser is on its way and does not come.
  let asked = 0
  await page.route('**/*.wasm', () => {
    asked++
  })
  await visit(page, `/jobs/${jobId}/whole`)
  await expect(page.getByText(/\d+ of 23 lights have something that fits/)).toBeVisible()
  await page.getByRole('button', { name: 'Propose' }).click()
  await expect(page.getByText('0 of 3 proposals worked out …')).toBeVisible()
  await expect.poll(() => asked).toBeGreaterThan(0)
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText('Stopped.')).toBeVisible()
  await expect(page.getByRole('table')).toHaveCount(0)
  await page.unroute('**/*.wasm')
  await page.getByRole('button', { name: 'Propose' }).click()
  await expect(page.getByRole('table', { name: 'The proposals side by side' })).toBeVisible()
  await expect(page.getByRole('img', { name: /^Money by room, for each proposal: / })).toBeVisible()
  await page.getByRole('radio', { name: 'Minutes by room' }).check()
  await expect(page.getByRole('img', { name: /^Minutes by room, for each proposal: / })).toBeVisible()
  await page.getByRole('radio', { name: 'Money by what is bought' }).check()
  await expect(page.getByRole('img', { name: /^Money by what is bought, .*Dimmer/ })).toBeVisible()
  await expect(page.getByRole('list', { name: 'What each step buys' })).toContainText(
    /From least cost to best match/,
  )
})
