import { expect, test } from '@playwright/test'
import { bringInBox, rows, saved, visit } from './helpers'

test('a house rule: what it changes in the open plans is shown before it is made @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'sensor-neutral' })
  await visit(page, `/jobs/${jobId}/rules`)
  const joints = page.getByRole('listitem').filter({ hasText: 'How are joints made?' })
  await joints.getByRole('radio', { name: 'Twist-on connectors' }).check()
  const changes = joints.getByRole('group', { name: 'What it changes' })
  await expect(changes.getByText('One open plan changes')).toBeVisible()
  await expect(changes.getByText(/^New: Join the ground: .* in twist-on, medium/)).toBeVisible()
  expect(await rows('SELECT value FROM house_rules WHERE job_id = ?', jobId)).toEqual([])
  await changes.getByRole('button', { name: 'Leave it' }).click()
  await expect(joints.getByRole('radio', { name: 'Lever connectors (default)' })).toBeChecked()

  await joints.getByRole('radio', { name: 'Twist-on connectors' }).check()
  await changes.getByRole('button', { name: 'Make the change' }).click()
  await saved(page)
  expect(await rows('SELECT rule_id, value FROM house_rules WHERE job_id = ?', jobId)).toEqual([
    { rule_id: 'joints', value: 'twist-on' },
  ])
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await expect(page.getByText(/in twist-on, medium/).first()).toBeVisible()
  // A rule that touches no plan says so.
  await visit(page, `/jobs/${jobId}/rules`)
  const edition = page.getByRole('listitem').filter({ hasText: 'How do extra grounds count?' })
  await edition.getByRole('radio', { name: 'All together as one' }).check()
  await expect(edition.getByText('No open plan changes.')).toBeVisible()
})

test('how sensors turn on, by what a room is for: said of the room, ruled for its kind, shown at Set', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'sensor-neutral' })
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: /^Edit Room/ }).click()
  const room = page.getByRole('dialog', { name: 'Room' })
  await room.getByLabel('What it is for').selectOption({ label: 'Bedroom' })
  await saved(page)
  expect(await rows('SELECT kind FROM rooms WHERE job_id = ?', jobId)).toEqual([{ kind: 'sleeping' }])
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await expect(page.getByText('Turns on, not made yet (usual: by hand)')).toBeVisible()

  await visit(page, `/jobs/${jobId}/rules`)
  const kinds = page.getByRole('list', { name: 'How do presence sensors turn the light on?' })
  const bedroom = kinds.getByRole('listitem').filter({ hasText: 'Bedroom' })
  await bedroom.getByLabel('Bedroom').selectOption({ label: 'By themselves' })
  await expect(bedroom.getByText('Ceiling light: Turns on: by hand → by itself')).toBeVisible()
  expect(await rows('SELECT value FROM house_rules WHERE job_id = ?', jobId)).toEqual([])
  await bedroom.getByRole('button', { name: 'Make the change' }).click()
  await saved(page)
  expect(await rows('SELECT rule_id, value FROM house_rules WHERE job_id = ?', jobId)).toEqual([
    { rule_id: 'presence-on-sleeping', value: 'by-itself' },
  ])
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await expect(page.getByText('Turns on, as it comes: by itself')).toBeVisible()
})
