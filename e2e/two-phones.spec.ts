import { expect, test, type Browser, type Page } from '@playwright/test'
import { atHand, bringInBox, lockOff, rows, saved, visit, workThrough } from './helpers'

/** Another phone: a browser of its own, with a store of its own. */
async function another(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  return context.newPage()
}

const wire = (jobId: string) => `/jobs/${jobId}/boxes/box/wire`

/** Proves tester and reference, switches off and locks, reads every conductor dead, proves the tester again. */
async function readDead(page: Page) {
  await page.getByRole('button', { name: 'It read 120 V' }).first().click()
  await page
    .getByRole('button', { name: /^Live point to/ })
    .first()
    .click()
  await lockOff(page)
  const zero = page.getByRole('button', { name: /: 0 V$/, disabled: false })
  await expect(zero.first()).toBeVisible()
  while ((await zero.count()) > 0) {
    const left = await zero.count()
    await zero.first().click()
    await expect.poll(() => zero.count()).toBeLessThan(left)
  }
  await page.getByRole('button', { name: 'It read 120 V' }).first().click()
}

/** Somebody at the panel finds the breaker on. */
async function findOn(page: Page, jobId: string, name: string) {
  await visit(page, `/jobs/${jobId}/panel`)
  await page.getByRole('button', { name: 'Edit breaker 7', exact: true }).click()
  await page.getByRole('dialog').getByRole('button', { name, exact: true }).click()
  await saved(page)
}

const heardAgain = (page: Page) => expect(page.getByText(/^No connection since/)).toHaveCount(0)

test('what one phone read dead without a connection does not count where another found the breaker on meanwhile', async ({
  page,
  context,
  request,
  browser,
}) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral' })
  await visit(page, wire(jobId))
  await atHand(page)
  const panel = await another(browser)
  await context.setOffline(true)
  await readDead(page)
  // It says what it knows, and no more.
  await expect(page.getByRole('status').getByText('Dead, as far as this phone knows')).toBeVisible()
  await expect(page.getByText(/^No connection since/)).toBeVisible()
  await expect(page.getByText('Kept here, waiting for the server')).toBeVisible()

  await findOn(panel, jobId, 'Found on')
  await context.setOffline(false)
  await heardAgain(page)
  await saved(page)
  await expect(page.getByText(/^May be live/)).toBeVisible()
  await expect(page.getByRole('alert').getByText('The power may have been on meanwhile')).toBeVisible()
  await expect(
    page.getByText(/Breaker 7 was found on, .* by another phone\. Not known to who did these/),
  ).toBeVisible()
  await expect(page.getByText(/^Read dead: \d+ of \d+ conductors, tester proved/)).toHaveCount(0)
  await visit(panel, wire(jobId))
  await expect(panel.getByText(/^May be live/)).toBeVisible()
  // The switching came first by number, and was not known to who read dead.
  const placed = await rows(
    'SELECT device, revision, seen FROM switchings WHERE job_id = ? ORDER BY seq',
    jobId,
  )
  expect(placed).toHaveLength(2)
  expect(placed[0]!.revision).toBeLessThan(placed[1]!.revision as number)
  expect(placed[1]!.seen).toBeLessThan(placed[0]!.revision as number)
  expect(placed[0]!.device).not.toBe(placed[1]!.device)

  // Made dead once more, in the knowledge of it, it is dead on both.
  await readDead(page)
  await saved(page)
  await expect(page.getByText(/^Read dead: \d+ of \d+ conductors, tester proved/)).toBeVisible()
  await expect(page.getByText('The power may have been on meanwhile')).toHaveCount(0)
  await expect(panel.getByText(/^Read dead: \d+ of \d+ conductors, tester proved/)).toBeVisible()
  await panel.context().close()
})

test('without a connection a step waits for what was said aloud', async ({
  page,
  context,
  request,
  browser,
}) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral', isolated: true })
  await visit(page, wire(jobId))
  await atHand(page)
  await context.setOffline(true)
  await expect(page.getByText(/^No connection since/)).toBeVisible()
  const clamp = page.getByRole('button', { name: /: it shows 0\.00 A$/ })
  while ((await clamp.count()) > 0) {
    const left = await clamp.count()
    await clamp.first().click()
    await expect.poll(() => clamp.count()).toBeLessThan(left)
  }
  const step = page.getByRole('button', { name: /^Done: Let A white/ }).first()
  await expect(step).toBeEnabled()
  await step.click()
  await expect(page.getByText(/Ask aloud at the panel whether the power is off/)).toBeVisible()
  await page.getByRole('button', { name: 'Understood' }).click()
  await expect(step).toBeVisible()
  await page.getByLabel('What was answered').fill('Off and locked, says Wren')
  await page.getByRole('button', { name: 'Answered' }).click()
  await expect(page.getByText('· asked aloud: “Off and locked, says Wren”')).toBeVisible()
  await step.click()
  await expect(page.getByText('Kept here, waiting for the server')).toBeVisible()

  // Meanwhile it was switched on: what was touched is kept, and is to be looked at again.
  const panel = await another(browser)
  await findOn(panel, jobId, 'Found on')
  await context.setOffline(false)
  await heardAgain(page)
  await saved(page)
  expect(
    await rows("SELECT asked FROM steps WHERE job_id = ? AND step_key LIKE 'part:%'", jobId),
  ).toMatchObject([{ asked: 'Off and locked, says Wren' }])
  await expect(page.getByText(/Not known to who did these.*: .*1 step/)).toBeVisible()
  await expect(page.getByText('Make it dead, look at those steps again, and tick them.')).toBeVisible()
  await expect(page.getByText(/^May be live/)).toBeVisible()
  await panel.context().close()
})

test('a phone that is not heard any more is asked about before anything is touched', async ({
  page,
  request,
  browser,
}) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral', isolated: true })
  const panel = await another(browser)
  await visit(panel, `/jobs/${jobId}/panel`)
  await expect
    .poll(async () => (await rows('SELECT id FROM devices_here WHERE job_id = ?', jobId)).length)
    .toBe(1)
  await panel.context().setOffline(true)
  await visit(page, wire(jobId))
  await expect(page.getByText(/^Not heard since .*: another phone\./)).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('status').getByText('Dead, as far as this phone knows')).toBeVisible()
  await page.getByLabel('What was answered').fill('Nothing was switched')
  await page.getByLabel('What was answered').press('Enter')
  // What was said of it is kept: nobody asks again before it is heard.
  await expect(page.getByText(/^Not heard since/)).toHaveCount(0)
  expect(
    await rows('SELECT said FROM devices_here WHERE job_id = ? AND said IS NOT NULL', jobId),
  ).toMatchObject([{ said: 'Nothing was switched' }])
  await expect(page.getByText(/^Read dead: \d+ of \d+ conductors, tester proved/)).toBeVisible()
  await panel.context().setOffline(false)
  await expect
    .poll(
      async () =>
        (await rows('SELECT id FROM devices_here WHERE job_id = ? AND said IS NOT NULL', jobId)).length,
    )
    .toBe(0)
  // Closed as it should be, it keeps nothing back.
  await panel.goto('about:blank')
  await expect
    .poll(async () => (await rows('SELECT id FROM devices_here WHERE job_id = ? AND rests', jobId)).length)
    .toBe(1)
  await panel.context().close()
})

test('two phones with a connection see each other’s work within moments, and nothing is void', async ({
  page,
  request,
  browser,
}) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral', isolated: true })
  const other = await another(browser)
  await visit(page, wire(jobId))
  await visit(other, wire(jobId))
  await workThrough(page, 1)
  await saved(page)
  await expect(other.getByRole('button', { name: /^Done: / })).toHaveCount(1)
  await expect(other.getByText('The power may have been on meanwhile')).toHaveCount(0)
  await other.context().close()
})
