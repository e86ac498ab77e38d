import { expect, test } from '@playwright/test'
import { fedAtTheSwitch } from '@/demo/usual'
import { unfold } from './hand'
import { bringInBox, rows, saved, stage, violations, visit, opened } from './helpers'

test('drivers are dimmed over a pair that no mains comes near', async ({ page, request }) => {
  const jobId = await bringInBox(request, { cables: fedAtTheSwitch(true) })
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await expect(page.getByRole('group', { name: 'A partition parts low voltage' })).toHaveCount(0)
  await unfold(page, 'Add a cable')
  await page.getByRole('button', { name: 'Control pair', exact: true }).click()
  await saved(page)
  expect(
    await rows(
      `SELECT c.insulation, c.gauge, k.sheath, e.role FROM conductors c
       JOIN cables k ON k.job_id = c.job_id AND k.id = c.cable_id
       JOIN ends e ON e.job_id = c.job_id AND e.conductor_id = c.id
       WHERE c.job_id = ? AND k.sheath = 'low-voltage' ORDER BY c.position`,
      jobId,
    ),
  ).toEqual([
    { insulation: 'violet', gauge: '18 AWG', sheath: 'low-voltage', role: 'control-plus' },
    { insulation: 'pink', gauge: '18 AWG', sheath: 'low-voltage', role: 'control-minus' },
  ])
  await unfold(page, 'More of its print')
  await page.getByLabel('Dimmed by').selectOption({ label: '0–10 V pair' })
  await saved(page)
  expect(await rows('SELECT phase FROM loads WHERE job_id = ?', jobId)).toEqual([{ phase: 'control-pair' }])

  // Nobody has said whether anything parts it from mains: no device fits yet.
  await stage(page, 'Choose')
  const dimmer = page.getByRole('article', { name: 'Dimmer over a 0–10 V pair, 8 A' })
  await opened(dimmer)
  await expect(dimmer).toContainText('Whether a partition parts cable C from mains in this box is not said')
  await stage(page, 'Look')
  const parted = page.getByRole('group', { name: 'A partition parts low voltage from mains in it' })
  for (const [words, divided] of [
    ['No', 'no'],
    ['Yes', 'yes'],
  ] as const) {
    await parted.getByRole('radio', { name: words, exact: true }).check()
    await saved(page)
    expect(await rows('SELECT divided FROM boxes WHERE job_id = ?', jobId)).toEqual([{ divided }])
    await expect(page.getByText(/carries low voltage beside mains, and nothing parts them/)).toHaveCount(
      divided === 'no' ? 1 : 0,
    )
  }
  expect(await violations(page)).toEqual([])

  await stage(page, 'Choose')
  await dimmer.getByRole('button', { name: /^Choose/ }).click()
  await stage(page, 'Wire')
  await expect(page.getByText(/^Proven/).first()).toBeVisible()
  await expect(page.getByText(/Violet lead/).first()).toBeVisible()

  // What a conductor of the pair may be taken for is no mains.
  await stage(page, 'Test')
  await page
    .getByRole('button', { name: /violet/ })
    .first()
    .click()
  const taken = page.getByRole('group', { name: 'Taken for' })
  await expect(taken.getByRole('radio')).toHaveCount(4)
  await taken.getByRole('radio', { name: 'Control −' }).check()
  await saved(page)
  expect(
    await rows("SELECT role FROM ends WHERE job_id = ? AND role LIKE 'control-%' ORDER BY id", jobId),
  ).toEqual([{ role: 'control-minus' }, { role: 'control-minus' }])
  await stage(page, 'Wire')
  await expect(page.getByText(/needs the \+ of the control pair/).first()).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/^Proven/).first()).toBeVisible()
})
