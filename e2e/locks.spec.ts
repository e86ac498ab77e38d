import { expect, test } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import { bringIn, bringInBox, lockOff, rows, saved, violations, visit, seenBeside } from './helpers'

test('a breaker is locked off by two, and each takes off his own', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  const locks = () =>
    rows(
      'SELECT key_with, how FROM locks WHERE job_id = ? AND circuit_id = ? ORDER BY seq',
      jobId,
      'circuit-6',
    )
  const last = async () =>
    (
      await rows(
        'SELECT `to` FROM switchings WHERE job_id = ? AND circuit_id = ? ORDER BY seq DESC LIMIT 1',
        jobId,
        'circuit-6',
      )
    )[0]?.to as string
  const already = await locks()
  await visit(page, `/jobs/${jobId}/panel`)
  await page.getByRole('button', { name: 'Edit breaker 6', exact: true }).click()
  const sheet = page.getByRole('dialog')
  const off = sheet.getByRole('group', { name: /Off, locked and tagged/ })
  await off.getByRole('button', { name: 'Off, locked and tagged. Key with Kofi Marsh' }).click()
  await saved(page)
  await off.getByRole('button', { name: 'Somebody else' }).click()
  await off.getByLabel('Name of who keeps it off').fill('Rowan Vale')
  await off.getByRole('button', { name: 'That one' }).click()
  await saved(page)
  expect(await locks()).toEqual([
    ...already,
    { key_with: 'Kofi Marsh', how: 'lock-and-tag' },
    { key_with: 'Rowan Vale', how: 'lock-and-tag' },
  ])
  expect(await last()).toBe('off')
  // While two hang there it goes on for neither.
  await expect(sheet.getByRole('button', { name: 'Switched on', exact: true })).toBeDisabled()
  for (const { key_with: who } of [...already, { key_with: 'Kofi Marsh' }]) {
    await sheet.getByRole('button', { name: `${who as string}: my lock is off Breaker 6` }).click()
    await saved(page)
  }
  expect(await locks()).toEqual([{ key_with: 'Rowan Vale', how: 'lock-and-tag' }])
  // Nor over the head of who holds the last one, whatever is sent.
  const answer = await request.post(`/api/jobs/${jobId}/commands`, {
    data: {
      id: `over-his-head-${Date.now()}`,
      origin: await seenBeside(request, jobId),
      name: 'switch a breaker',
      boxId: null,
      edits: [
        {
          kind: 'add',
          entity: 'switchings',
          row: {
            id: 'over-his-head',
            circuitId: 'circuit-6',
            to: 'on',
            foundSo: false,
            struck: null,
            seq: 0,
            at: '2026-03-02T08:00:00.000Z',
          },
        },
      ],
    },
  })
  expect(JSON.stringify(await answer.json())).toContain('the lock of Rowan Vale hangs on it')
  await sheet.getByRole('button', { name: 'Rowan Vale: lock off. Switched on' }).click()
  await saved(page)
  expect(await locks()).toEqual([])
  expect(await last()).toBe('on')
})

test('where no lock fits, the house rule says what hangs there', async ({ page, request }) => {
  const jobId = await bringInBox(request, {
    choice: 'switch-plain-15',
    rules: { 'lock-out': 'fuse-kept' },
  })
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await expect(
    page.getByText(
      'Switch off breaker 7 (Lights) and take its fuse out and keep it, with a tag in its place',
    ),
  ).toBeVisible()
  await page.getByRole('button', { name: 'It read 120 V' }).click()
  await page.getByRole('button', { name: /^Live point to A bare/ }).click()
  const off = page.getByRole('group', { name: 'Off, fuse out and tagged. Kept by' })
  await off.getByLabel('Name of who keeps it off').fill('Rowan Vale')
  await off.getByLabel('Name of who keeps it off').press('Enter')
  await saved(page)
  expect(await rows('SELECT how, key_with FROM locks WHERE job_id = ?', jobId)).toEqual([
    { how: 'fuse-kept', key_with: 'Rowan Vale' },
  ])
})

test('the tag of a lock says what is off, where, and who alone switches it on', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'switch-plain-15' })
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await page.getByRole('button', { name: 'It read 120 V' }).click()
  await page.getByRole('button', { name: /^Live point to A bare/ }).click()
  await lockOff(page)
  await saved(page)
  await visit(page, `/jobs/${jobId}/tags`)
  const tag = page.getByRole('article', { name: 'Tag: Breaker 7, Lights, Rowan Vale' })
  for (const says of ['Do not switch on', 'Rowan Vale', 'Room, By the door'])
    await expect(tag.getByText(says, { exact: true })).toBeVisible()
  await expect(page.getByRole('article', { name: 'Tag to be filled in' })).toBeVisible()
  expect(await violations(page)).toEqual([])
})
