import { expect, test } from '@playwright/test'
import { bringInBox, pick, rows, saved, visit } from './helpers'

test('a reading with the lamps out, and one with a device off its wires', async ({ page, request }) => {
  const jobId = await bringInBox(request, { proven: false })
  await visit(page, `/jobs/${jobId}/boxes/box/test`)
  await page
    .getByRole('button', { name: /^A black/ })
    .first()
    .click()
  await expect(page.getByRole('heading', { name: 'Take a reading' })).toBeVisible()
  await pick(page, 'Switch', 'Switch on')
  await pick(page, 'Lamps out of their holders', 'Ceiling light')
  await page.getByRole('button', { name: '0 V', exact: true }).click()
  await saved(page)
  await pick(page, 'Lamps out of their holders', 'None')
  await pick(page, 'Device off its wires', 'Gang 1')
  await page.getByRole('button', { name: '120 V', exact: true }).click()
  await saved(page)
  expect(
    await rows(
      'SELECT value, lamps_out_group_id AS lamps, off_device_id AS off_device FROM readings WHERE job_id = ? ORDER BY seq',
      jobId,
    ),
  ).toEqual([
    { value: 0, lamps: 'light', off_device: null },
    { value: 120, lamps: null, off_device: 'box-1-old' },
  ])
  await expect(page.getByText(/0 V, breaker on, switch on, lamps of Ceiling light out/).first()).toBeVisible()
  await expect(page.getByText(/120 V, breaker on, switch on, device off its wires/).first()).toBeVisible()
})
