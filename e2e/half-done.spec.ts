import { expect, test } from '@playwright/test'
import { bareJob, fedAtTheSwitch } from '@/demo/usual'
import { bringIn, rows, saved, visit, seenBeside } from './helpers'

/** A box that is dead, its old switch taken out and nothing joined yet. */
function halfDone() {
  const job = bareJob('half')
  job.box({
    id: 'box',
    room: 'room',
    name: 'By the door',
    breakers: ['7'],
    box: { depthMillimetres: 80, volumeCubicInches: 30 },
    controls: [
      {
        group: 'light',
        name: 'Light',
        old: 'old-switch',
        choice: 'dimmer-led-150-neutral',
        lamps: [{ kind: 'led', wattsEach: 10, count: 4, dimmable: 'yes', powerFactor: 0.9 }],
      },
    ],
    cables: fedAtTheSwitch(true),
  })
  job.proveRoles('box')
  job.isolate('box')
  // The photo, its neutrals let apart, and the old device out.
  job.work('box', 3)
  return job.record()
}

test('half way the power stays off: the page says why, and so does the server', async ({ page, request }) => {
  const jobId = await bringIn(request, halfDone())
  expect(await rows('SELECT step_key FROM steps WHERE job_id = ? ORDER BY seq', jobId)).toEqual([
    { step_key: 'photo' },
    { step_key: 'part:box-joint-whites' },
    { step_key: 'take-out:box-1' },
  ])
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await expect(page.getByText('Proven.')).toBeVisible()
  // What is done is folded away; what the power would do now is not.
  await expect(page.getByText('14 steps are done')).toBeVisible()
  await expect(page.locator('[data-step="take-out:box-1"]')).toHaveCount(0)
  await expect(
    page.getByText(/^Breaker stays off after this: .* would be live and bare/).first(),
  ).toBeVisible()

  const answer = await request.post(`/api/jobs/${jobId}/commands`, {
    data: {
      id: 'switch-on-half-way',
      origin: await seenBeside(request, jobId),
      name: 'switch a breaker',
      boxId: 'box',
      edits: [
        {
          kind: 'add',
          entity: 'switchings',
          row: {
            id: 'on-1',
            circuitId: 'circuit-7',
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
  const said = await answer.json()
  expect(said.kind).toBe('refused')
  expect(JSON.stringify(said.faults)).toContain('the work in Room, By the door is half done')
  expect(await rows("SELECT id FROM switchings WHERE job_id = ? AND `to` = 'on'", jobId)).toEqual([])

  // The plan's own switch is not offered meanwhile; what is so can be told: then nothing bare is touched any more.
  await expect(page.getByText('Keep the power off: the work is half done')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Breaker 7 is on again' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Found breaker 7 on' }).click()
  await saved(page)
  expect(await rows("SELECT found_so FROM switchings WHERE job_id = ? AND `to` = 'on'", jobId)).toEqual([
    { found_so: 1 },
  ])
  await expect(page.getByText(/^Stop: it may be live, and the work is half done/)).toBeVisible()
  await expect(page.getByRole('button', { name: /^Done: Join the ground/ })).toBeDisabled()
})
