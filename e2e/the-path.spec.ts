import { expect, test, type Page } from '@playwright/test'
import {
  bringInDemo,
  lockOff,
  passAll,
  pick,
  rows,
  saved,
  stage,
  visit,
  workThrough,
  opened,
} from './helpers'
import { answerToTheEnd, press, prove } from './test-stage'

/** One conductor on Test: its role, then readings, each one press. */
async function identify(
  page: Page,
  name: string,
  role: string,
  readings: readonly { switch?: string; volts: number }[],
) {
  const list = page.getByRole('region', { name: 'Test' })
  await list.getByRole('button', { name: new RegExp(`^${name} [a-z]`) }).click()
  await expect(page.getByRole('heading', { name: `Conductor ${name}` })).toBeVisible()
  await pick(page, 'Taken for', role)
  for (const reading of readings) {
    if (reading.switch) await pick(page, 'Switch', reading.switch)
    await page.getByRole('button', { name: `${reading.volts} V`, exact: true }).click()
  }
  await page.getByRole('button', { name: 'Done', exact: true }).click()
}

test('a box from nothing to done @phone', async ({ page, request }) => {
  page.setDefaultTimeout(15_000)
  const elsewhere: string[] = []
  page.on('request', each => {
    if (!each.url().startsWith('http://127.0.0.1') && !each.url().startsWith('data:'))
      elsewhere.push(each.url())
  })
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}`)

  // House: a room and a box.
  await page.getByRole('button', { name: 'Add a room', exact: true }).click()
  await page.getByLabel('Name of the room').fill('Mud room')
  await page.getByRole('combobox', { name: 'Floor' }).fill('Ground floor')
  await page.getByRole('button', { name: 'Add the room' }).click()
  await expect(page.getByRole('heading', { name: /Mud room/ })).toBeVisible()
  await page.getByRole('button', { name: 'Add a box', exact: true }).click()
  await page.getByLabel('Room', { exact: true }).selectOption({ label: 'Mud room' })
  await page.getByRole('button', { name: 'Add the box and look' }).click()
  await expect(page.getByRole('heading', { level: 1, name: /Mud room/ })).toBeVisible()
  await expect(page.getByText('May be live').first()).toBeVisible()

  // Look.
  await page.getByLabel('Breaker', { exact: true }).selectOption({ label: '6: Reading, bath, 15 A' })
  await page.getByRole('button', { name: 'Feeds this box' }).click()
  await page.getByRole('button', { name: 'Fed at the switch', exact: true }).click()
  await expect(
    page.getByRole('button', { name: /^Cable A, black, 14 AWG solid, on “Upper dark screw”/ }),
  ).toBeVisible()
  await pick(page, 'Wanted here', 'Dim')
  await page.getByRole('button', { name: 'Add the lamps' }).click()
  await page.getByLabel('Count').fill('6')
  await page.getByLabel('Watts each').fill('12')
  await page.getByLabel('Watts each').press('Enter')
  await pick(page, 'Dimmable, by the print on the lamp', 'Yes')
  await pick(page, 'Material', 'Plastic')
  await page.getByLabel('Volume marked in it (in³)').fill('20')
  await page.getByLabel('Depth (in)').fill('3')
  await page.getByLabel('Depth (in)').press('Enter')
  await page.getByLabel('Everything that can be seen is recorded').check()
  await saved(page)

  // Choose, before anything was read: not known, and the reading to take.
  await stage(page, 'Choose')
  const dimmer = page.getByRole('article', { name: 'Dimmer, LED 150 W, neutral', exact: true })
  await expect(dimmer).toHaveAttribute('data-verdict', 'not-known')
  await opened(dimmer)
  await expect(dimmer.getByText(/Settle it: Low-impedance meter.*A white/)).toBeVisible()

  // Test.
  await stage(page, 'Test')
  // A role that is said and a reading by hand: no more than indicated.
  await identify(page, 'A bare', 'Ground', [])
  await identify(page, 'A black', 'Line', [
    { switch: 'Switch not known', volts: 120 },
    { switch: 'Switch not known', volts: 120 },
  ])
  await expect(page.getByRole('button', { name: /^A black.*, indicated/ })).toBeVisible()
  // Question after question, until every conductor is proven.
  await page
    .getByRole('group', { name: /^Work the switch twice/ })
    .getByRole('radio', { name: 'Every time', exact: true })
    .check()
  await prove(page)
  await answerToTheEnd(page, jobId)
  await press(page, 'Take these roles over')
  for (const name of ['A black', 'A white', 'A bare', 'B black', 'B white', 'B bare'])
    await expect(page.getByRole('button', { name: new RegExp(`^${name}.*, proven`) })).toBeVisible()

  // Choose.
  await stage(page, 'Choose')
  await expect(dimmer).toHaveAttribute('data-verdict', 'fits')
  await opened(dimmer)
  await expect(dimmer.getByText('72 of 150 W, LED rating, 52 % spare.').first()).toBeVisible()
  await dimmer.getByRole('button', { name: 'Choose' }).click()
  await expect(dimmer.getByRole('button', { name: 'Chosen' })).toBeVisible()

  // Wire: held, then dead, then worked.
  await stage(page, 'Wire')
  await expect(page.getByText(/^Proven\. In all 6 states/)).toBeVisible()
  const tug = page.locator('[data-step="tug"]')
  await expect(tug.getByRole('button')).toBeDisabled()
  await expect(tug.getByText('Held: Prove the tester on a known live point')).toBeVisible()
  await page.getByRole('button', { name: 'It read 120 V' }).click()
  await page.getByRole('button', { name: /^Live point to A bare: 120 V/ }).click()
  await lockOff(page)
  // A bare is the reference itself: it was proved against the live point.
  for (const name of ['A black', 'A white', 'B black', 'B white', 'B bare']) {
    await expect(tug.getByRole('button')).toBeDisabled()
    await page.getByRole('button', { name: `${name}: 0 V` }).click()
  }
  await page.getByRole('button', { name: 'It read 120 V' }).click()
  await expect(page.getByText(/^Read dead: 6 of 6 conductors/)).toBeVisible()
  for (const name of ['A white', 'B white']) {
    await expect(tug.getByText(`Held: Clamp ${name} before its joint is opened: 0 A`)).toBeVisible()
    await page.getByRole('button', { name: new RegExp(`^Clamp ${name}.*: it shows 0\\.00 A$`) }).click()
  }
  await workThrough(page)
  await expect(page.getByText('May be live').first()).toBeVisible()

  // Set.
  await stage(page, 'Set')
  const trim = page.getByRole('group', { name: /^Low-end trim/ })
  await trim.getByRole('radio', { name: '4', exact: true }).check()
  await page.getByRole('group', { name: /^Edge/ }).getByRole('radio', { name: 'trailing' }).check()

  // Prove.
  await stage(page, 'Prove')
  const count = await passAll(page)
  expect(count).toBeGreaterThanOrEqual(8)
  await expect(page.getByText('before the power: 1 of 1 passed')).toBeVisible()
  await expect(page.getByText(`with the power on: ${count - 1} of ${count - 1} passed`)).toBeVisible()
  await saved(page)

  // House says done, and so does the database.
  await page
    .getByRole('navigation', { name: 'Job' })
    .getByRole('link', { name: 'House', exact: true })
    .click()
  const room = page.getByRole('region', { name: /Mud room/ })
  await expect(room.getByText('Done', { exact: true })).toBeVisible()
  await page.reload()
  await expect(room.getByText('Done', { exact: true })).toBeVisible()
  const [stored] = await rows(
    `SELECT (SELECT COUNT(*) FROM tests t JOIN places p ON p.job_id = t.job_id AND p.id = t.place_id WHERE t.job_id = b.job_id AND p.box_id = b.id AND t.outcome = 'pass') AS passed,
            (SELECT COUNT(*) FROM readings r WHERE r.job_id = b.job_id AND r.box_id = b.id AND r.purpose = 'dead') AS dead,
            (SELECT COUNT(*) FROM steps s WHERE s.job_id = b.job_id AND s.box_id = b.id) AS steps,
            (SELECT c.model_id FROM choices c JOIN places p ON p.job_id = c.job_id AND p.id = c.place_id WHERE c.job_id = b.job_id AND p.box_id = b.id) AS model
     FROM boxes b JOIN rooms r ON r.job_id = b.job_id AND r.id = b.room_id WHERE b.job_id = ? AND r.name = 'Mud room'`,
    jobId,
  )
  // Five before, and the two whites once more when they were let apart.
  expect(stored).toMatchObject({ passed: count, dead: 7, model: 'dimmer-led-150-neutral' })
  expect(stored!.steps).toBeGreaterThan(8)
  expect(elsewhere).toEqual([])
})
