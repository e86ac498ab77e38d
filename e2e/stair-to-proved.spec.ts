import { expect, test, type APIRequestContext, type Page } from '@playwright/test'
import { basisOf } from '@/core/identify'
import { parseJobFile } from '@/core/format/job-file'
import { rowsOf } from '@/core/model/record'
import { Hand, lookAt, startedJob } from './hand'
import {
  lockOff,
  passAll,
  pick,
  rows,
  saved,
  visit,
  workThrough,
  seenBeside,
  shownOf,
  opened,
} from './helpers'

/** What Identify leaves once its readings were taken: every role found as it was taken for. Its own tests take the readings. */
async function identified(request: APIRequestContext, jobId: string) {
  const parsed = parseJobFile(await (await request.get(`/api/jobs/${jobId}/file`)).text())
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.faults))
  const { record } = parsed.value
  const answer = await request.post(`/api/jobs/${jobId}/commands`, {
    data: {
      id: `found-${jobId.slice(0, 20)}`,
      origin: await seenBeside(request, jobId),
      name: 'set a role',
      boxId: null,
      edits: rowsOf(record, 'ends').flatMap(({ id, role, boxId }, at) =>
        role === null
          ? []
          : [
              {
                kind: 'add',
                entity: 'findings',
                row: { id: `finding-${at}`, endId: id, role, proof: 'proven', basis: basisOf(record, boxId) },
              },
            ],
      ),
    },
  })
  expect(answer.status()).toBe(200)
}

const open = (page: Page) => page.getByRole('button', { name: /^Done: / })

/** Reads a box dead, conductor by conductor, and does all its steps but the power. */
async function wired(page: Page) {
  await page.getByRole('button', { name: 'It read 120 V' }).first().click()
  await page
    .getByRole('button', { name: /^Live point to/ })
    .first()
    .click()
  const off = page.getByRole('group', { name: /^Off, locked and tagged/ })
  const zero = page.getByRole('button', { name: /: 0 V$/ })
  // What stands first is read by now, or the box is to be switched off: that comes with a script of its own.
  await expect(
    off.or(page.getByRole('button', { name: /: 0 V$/, disabled: false }).first()).first(),
  ).toBeVisible()
  if (await off.isVisible()) await lockOff(page)
  await expect(zero.first()).toBeEnabled()
  for (let left = await zero.count(); left > 0; left = await zero.count()) {
    await zero.first().click()
    // With the first one the reference itself is read, too.
    await expect.poll(() => zero.count()).toBeLessThan(left)
  }
  await page.getByRole('button', { name: 'It read 120 V' }).first().click()
  await expect(page.getByText(/^Read dead: \d+ of \d+ conductors/)).toBeVisible()
  // All but the last, which is the power: it stays off for the other boxes.
  await workThrough(page, 1)
}

test('a stair of three places, from an empty job to a test list that was walked', async ({
  page,
  request,
}) => {
  const hand = new Hand(page)
  const jobId = await startedJob(page, hand, 'Whole stair')
  await page.getByRole('navigation', { name: 'Job' }).getByRole('link', { name: 'Panel' }).click()
  await page.getByRole('button', { name: 'Add a circuit', exact: true }).click()
  await page.getByRole('button', { name: 'Close' }).click()
  await page
    .getByRole('navigation', { name: 'Job' })
    .getByRole('link', { name: 'House', exact: true })
    .click()
  await hand.button('Several places, one light')
  await hand.pick('Switches', '3')
  await hand.type('Room', 'Stair')
  await hand.press(page.getByRole('button', { name: 'Fed at First, lamp off Last' }))
  await hand.type('Count', '3')
  await hand.type('Watts each', '9')
  await hand.select('Fed by breaker', '1')
  await hand.button('Record it so, and look')
  await page.waitForURL(/\/look$/)
  await pick(page, 'Dimmable, by the print on the lamp', 'Yes')
  await saved(page)
  const boxes = (await rows('SELECT id FROM boxes WHERE job_id = ? ORDER BY position', jobId)).map(({ id }) =>
    String(id),
  )

  // Choose: one press for all three, with companions; it routes, and proves.
  await lookAt(page, jobId, boxes[0]!, 'choose')
  const set = page.getByRole('article', {
    name: /^Dimmer, LED 150 W, no neutral, .*; Companion .*; Companion /,
  })
  const lead = page.getByRole('article', { name: /Dimmer, LED 150 W, no neutral/ }).first()
  await shownOf(lead, set, /^First:/)
  await opened(set)
  await expect(set.getByText('The conductors that are there reach every place').first()).toBeVisible()
  await set.getByRole('button', { name: 'Choose' }).click()
  await expect(set.getByRole('button', { name: 'Chosen' })).toBeVisible()
  await saved(page)
  await lookAt(page, jobId, boxes[1]!, 'wire')
  await expect(page.getByText('Proven.', { exact: true })).toBeVisible()
  // Nothing is proved before it is wired, whoever asks.
  await lookAt(page, jobId, boxes[0]!, 'prove')
  await expect(page.getByRole('heading', { name: 'Not before it is wired' })).toBeVisible()
  await expect(page.getByRole('radio', { name: 'Passed' })).toHaveCount(0)
  const [place] = await rows('SELECT id FROM places WHERE job_id = ? LIMIT 1', jobId)
  const early = await request.post(`/api/jobs/${jobId}/commands`, {
    data: {
      id: `early-${jobId.slice(0, 20)}`,
      origin: await seenBeside(request, jobId),
      name: 'record a test',
      boxId: boxes[0],
      edits: [
        {
          kind: 'add',
          entity: 'tests',
          row: {
            id: 'early',
            placeId: place!.id,
            testKey: 'on',
            outcome: 'pass',
            measured: '',
            note: '',
            seq: 0,
            at: '1970-01-01T00:00:00.000Z',
          },
        },
      ],
    },
  })
  expect(early.status()).toBe(422)

  // Wire: every box dead and done, then the power, box by box.
  await identified(request, jobId)
  for (const box of boxes) {
    await lookAt(page, jobId, box, 'wire')
    await wired(page)
  }
  // What is read dead comes before the power.
  await lookAt(page, jobId, boxes[0]!, 'prove')
  await expect(page.getByRole('radio', { name: 'Passed' })).toHaveCount(1)
  await page.getByRole('radio', { name: 'Passed' }).check()
  await saved(page)
  for (const box of boxes) {
    await lookAt(page, jobId, box, 'wire')
    await expect(open(page)).toHaveCount(1)
    await open(page).click()
    await expect(page.getByRole('heading', { name: /^Wired: all \d+ steps are done/ })).toBeVisible()
    await saved(page)
  }
  // A companion has nothing to set.
  await page.getByRole('link', { name: 'On to Prove' }).click()
  await page.waitForURL(/\/prove$/)
  for (const box of boxes) {
    await lookAt(page, jobId, box, 'prove')
    const count = await passAll(page)
    await expect(page.getByText(`with the power on: ${count - 1} of ${count - 1} passed`)).toBeVisible()
    await saved(page)
  }
  expect(
    await rows(
      'SELECT COUNT(DISTINCT place_id) AS places, MIN(outcome) AS least, MAX(outcome) AS most FROM tests WHERE job_id = ?',
      jobId,
    ),
  ).toEqual([{ places: 3, least: 'pass', most: 'pass' }])
  // The pick list of a finished job says that it is finished.
  await visit(page, `/jobs/${jobId}/pick`)
  await expect(page.getByText('Nothing is chosen yet')).toHaveCount(0)
})
