import { expect, test } from '@playwright/test'
import { bringInBox, rows, violations, visit, opened } from './helpers'

test('a kind of lamp is reckoned with otherwise from now on, in every job, and as it came again', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {
    want: 'dim',
    lamps: [{ kind: 'magnetic-transformer', wattsEach: 50, count: 2, dimmable: 'yes' }],
  })
  const dimmer = page.getByRole('article', { name: /^Dimmer, magnetic/ })
  const dimmable = dimmer.locator('[data-rule="dimmable"]').first()
  await visit(page, '/catalogue')
  await page.getByRole('link', { name: 'Lamps' }).click()
  const lamp = page.getByRole('region', { name: 'Low voltage, magnetic transformer' })
  await expect(lamp.getByText('10 W count as 11.1 VA')).toBeVisible()
  expect(await violations(page)).toEqual([])
  await lamp.getByRole('radio', { name: 'Never' }).click()
  await expect(lamp.getByRole('button', { name: 'As it came' })).toBeVisible()
  expect(
    await rows(
      "SELECT JSON_VALUE(fact, '$.dimming') AS dimming FROM lamp_facts WHERE kind = 'magnetic-transformer'",
    ),
  ).toEqual([{ dimming: 'never' }])
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await page.getByLabel('Find by name').fill('Dimmer, magnetic')
  await opened(dimmer)
  await expect(dimmable).toHaveAttribute('data-line', 'does-not-fit')

  await visit(page, '/catalogue/lamps')
  await lamp.getByLabel('Power factor where none is printed').fill('0.8')
  await lamp.getByLabel('Power factor where none is printed').press('Enter')
  await expect(lamp.getByText('10 W count as 12.5 VA')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(lamp.getByText('10 W count as 11.1 VA')).toBeVisible()
  await expect(lamp.getByRole('radio', { name: 'Never' })).toBeChecked()
  await lamp.getByRole('button', { name: 'As it came' }).click()
  await expect(lamp.getByRole('button', { name: 'As it came' })).toHaveCount(0)
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await page.getByLabel('Find by name').fill('Dimmer, magnetic')
  await opened(dimmer)
  await expect(dimmer.locator('[data-line="does-not-fit"]')).toHaveCount(0)
})
