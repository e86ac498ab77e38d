import { expect, test } from '@playwright/test'
import { bringInBox, rows, saved, violations, visit } from './helpers'

test('a circuit is tested dead before it is live, held against its limits, and what failed keeps it off', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'switch-plain-15' })
  const taken = () =>
    rows(
      'SELECT kind, value, shows, instrument, taken_by FROM circuit_tests WHERE job_id = ? ORDER BY seq',
      jobId,
    )
  await visit(page, `/jobs/${jobId}/panel`)
  await page.getByRole('button', { name: 'Edit breaker 7', exact: true }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByText('Tests of the circuit').click()
  const insulation = sheet.getByRole('listitem').filter({ hasText: 'Insulation, hot to ground' })
  // Nothing is measured on a circuit that is on, or that anybody may switch on.
  await expect(insulation.getByText('Not yet: breaker 7 is not off and locked.')).toBeVisible()
  const off = sheet.getByRole('group', { name: /Off, locked and tagged/ })
  await off.getByLabel('Name of who keeps it off').fill('Rowan Vale')
  await off.getByLabel('Name of who keeps it off').press('Enter')
  await saved(page)
  await sheet.getByLabel('Instrument').fill('Insulation tester 2')
  await sheet.getByLabel('Instrument').blur()
  await sheet.getByLabel('Taken by').fill('Rowan Vale')
  await sheet.getByLabel('Taken by').blur()
  await expect(insulation.getByText('At least 1 MΩ.')).toBeVisible()
  await insulation.getByLabel('It shows (MΩ)').fill('0.3')
  await insulation.getByLabel('It shows (MΩ)').press('Enter')
  await expect(insulation.getByText('0.3 MΩ: not as it should be')).toBeVisible()
  await saved(page)
  expect(await taken()).toEqual([
    {
      kind: 'insulation-hot-ground',
      value: 0.3,
      shows: null,
      instrument: 'Insulation tester 2',
      taken_by: 'Rowan Vale',
    },
  ])
  // What leaks is not switched on, whoever asks.
  await sheet.getByRole('button', { name: 'Rowan Vale: lock off. Switched on' }).click()
  await expect(
    page.getByText(/Not on yet: breaker 7 failed a dead test: insulation, hot to ground/).first(),
  ).toBeVisible()
  await insulation.getByLabel('It shows (MΩ)').fill('200')
  await insulation.getByRole('button', { name: 'Record' }).click()
  await expect(insulation.getByText('200 MΩ: as it should be')).toBeVisible()
  const ground = sheet.getByRole('listitem').filter({ hasText: 'Ground, from the panel' })
  await ground.getByRole('button', { name: 'Open' }).click()
  await expect(ground.getByText('Open: not as it should be')).toBeVisible()
  await ground.getByRole('button', { name: /^Take it back: Ground/ }).click()
  await expect(ground.getByText('Open: not as it should be')).toBeHidden()
  const polarity = sheet.getByRole('listitem').filter({ hasText: 'Polarity' })
  await polarity.getByRole('button', { name: 'As it should' }).click()
  await expect(polarity.getByText('As it should: as it should be')).toBeVisible()
  await saved(page)
  expect((await taken()).map(({ kind, shows }) => [kind, shows])).toEqual([
    ['insulation-hot-ground', null],
    ['insulation-hot-ground', null],
    ['polarity', 'as-it-should'],
  ])
  expect(await violations(page)).toEqual([])
})

test('a joint that is bad shows by how long the run is', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'switch-plain-15', isolated: true })
  await visit(page, `/jobs/${jobId}/panel`)
  await page.getByRole('button', { name: 'Edit breaker 7', exact: true }).click()
  const sheet = page.getByRole('dialog')
  await sheet.getByText('Tests of the circuit').click()
  const hot = sheet.getByRole('listitem').filter({ hasText: 'Hot, from end to end' })
  await expect(hot.getByText('At most 2 Ω.')).toBeVisible()
  await hot.getByLabel('It shows (Ω)').fill('1.1')
  await hot.getByLabel('It shows (Ω)').press('Enter')
  await expect(hot.getByText('1.1 Ω: as it should be')).toBeVisible()
  // Said after it was read: it is judged anew.
  await sheet.getByLabel('Length of the run, one way').fill('50')
  await sheet.getByLabel('Length of the run, one way').press('Enter')
  await expect(hot.getByText('1.1 Ω: not as it should be')).toBeVisible()
  await expect(hot.getByText('At most 0.43 Ω.')).toBeVisible()
  await saved(page)
  expect(await rows('SELECT kind, value, metres FROM circuit_tests WHERE job_id = ?', jobId)).toEqual([
    { kind: 'hot-continuity', value: 1.1, metres: 15.24 },
  ])
  const neutral = sheet.getByRole('listitem').filter({ hasText: 'Neutral, from end to end' })
  await neutral.getByLabel('It shows (Ω)').fill('0.3')
  await neutral.getByLabel('It shows (Ω)').press('Enter')
  await expect(neutral.getByText('0.3 Ω: as it should be')).toBeVisible()
  await expect(neutral.getByText('50 ft', { exact: false })).toBeVisible()
  await saved(page)
  expect(await violations(page)).toEqual([])
})

test('the tests of every circuit on one page, to be printed and signed @phone', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'switch-plain-15' })
  await visit(page, `/jobs/${jobId}/panel`)
  await page.getByRole('link', { name: 'Circuit tests' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Circuit tests' })).toBeVisible()
  const table = page.getByRole('table', { name: /^Breaker 7: Lights, 15 A/ })
  await expect(
    table.getByRole('row', { name: /Insulation, neutral to ground At least 1 MΩ – not taken yet/ }),
  ).toBeVisible()
  // What trips on a leak is asked only where something does.
  await expect(table.getByText('Leak at which the protection trips')).toBeHidden()
  expect(await violations(page)).toEqual([])
})
