import { expect, test, type APIRequestContext, type Page } from '@playwright/test'
import { fedAtTheSwitch, usualBox } from '@/demo/usual'
import { lockOff, pick, rows, saved } from './helpers'
import { answerTruly, open, press, readings } from './test-stage'

/** A box of two cables without a bare conductor, read until no voltage would tell more. */
async function untilOnlyTheGroundIsOpen(page: Page, request: APIRequestContext): Promise<string> {
  const { record } = usualBox({
    proven: false,
    cables: fedAtTheSwitch(false).map(cable => ({
      ...cable,
      strands: cable.strands.filter(({ insulation }) => insulation !== 'bare'),
    })),
  })
  const jobId = await open(page, request, { ...record, findings: {}, claims: {} })
  await pick(page, 'Work the switch twice. Does Ceiling light come on and go off every time?', 'Every time')
  await press(page, 'It read 120 V')
  await press(page, /brought-in ground: 120 V$/)
  const done = page.getByRole('heading', { name: 'No further reading would tell more' })
  for (let count = 0; count < 15 && !(await done.isVisible()); count++) {
    const before = await readings(jobId)
    await answerTruly(page)
    await expect.poll(() => readings(jobId)).toBe(before + 1)
    await saved(page)
    await expect(done.or(page.locator('[aria-label="What it shows"][aria-busy="false"]'))).toBeVisible()
  }
  return jobId
}

test('a box without a ground: no voltage tells a neutral from one, the current of the light does', async ({
  page,
  request,
}) => {
  const jobId = await untilOnlyTheGroundIsOpen(page, request)
  const clamp = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Neutral or ground? Clamp it with the light on' }) })
  await expect(clamp.getByText(/^Round [AB] white/)).toBeVisible()
  // Nothing flows: it may be a ground, or the light is off. That is said, and proves nothing.
  await clamp.getByRole('button', { name: /: it shows 0\.00 A$/ }).click()
  await expect(clamp.getByText(/see that the light is on, and clamp again/)).toBeVisible()
  await clamp.getByLabel('Another, as it shows it (A)').fill('0.31')
  await clamp.getByLabel('Another, as it shows it (A)').press('Enter')
  await expect(page.getByRole('heading', { name: 'Every conductor is proven' })).toBeVisible()
  await saved(page)
  expect(
    await rows(
      "SELECT value, breaker FROM readings WHERE job_id = ? AND purpose = 'clamp' ORDER BY seq",
      jobId,
    ),
  ).toEqual([
    { value: 0, breaker: 'on' },
    { value: 0.31, breaker: 'on' },
  ])
})

test('no current to be had: the neutral is lifted at the panel, and nothing goes on before it is back @phone', async ({
  page,
  request,
}) => {
  const jobId = await untilOnlyTheGroundIsOpen(page, request)
  await page.getByText('No current to be had? Lift its neutral at the panel').click()
  const card = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Neutral or ground? Clamp it with the light on' }) })
    .last()
  const lift = card.getByRole('button', { name: 'Off its bar, and capped' })
  await expect(lift).toBeDisabled()
  await expect(card.getByText(/only by one who may work in it/)).toBeVisible()
  // Dead first, at every conductor; then no current in it.
  const isolation = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Make it dead' }) })
    .last()
  const read = async (...names: readonly string[]) => {
    for (const name of names) {
      await isolation.getByRole('button', { name }).click()
      await saved(page)
    }
  }
  await read('It read 120 V', 'Live point to a brought-in ground: 120 V')
  await lockOff(isolation)
  await read(...['A black', 'A white', 'B black', 'B white'].map(name => `${name}: 0 V`), 'It read 120 V')
  await expect(card.getByText(/before its joint is opened: no current may flow/)).toBeVisible()
  await expect(lift).toBeDisabled()
  await card
    .getByRole('listitem')
    .getByRole('button', { name: /: it shows 0\.00 A$/ })
    .click()
  await lift.click()
  await saved(page)
  const strip = page.getByText('Its neutral is off its bar at the panel')
  await expect(strip).toBeVisible()
  await card.getByRole('button', { name: /^Silent/ }).click()
  await expect(page.getByRole('heading', { name: 'Every conductor is proven' })).toBeVisible()
  await saved(page)
  // On another screen of the box it still says so, until it is back.
  await page.getByRole('link', { name: /^Wire/ }).first().click()
  await expect(strip).toBeVisible()
  await press(page, 'Back on its bar')
  await expect(strip).toHaveCount(0)
  await saved(page)
  expect(
    await rows("SELECT answer, breaker FROM readings WHERE job_id = ? AND purpose = 'lifted'", jobId),
  ).toEqual([{ answer: 'silent', breaker: 'off' }])
  expect(
    await rows("SELECT step_key FROM steps WHERE job_id = ? AND step_key LIKE 'test:%' ORDER BY seq", jobId),
  ).toEqual([{ step_key: 'test:lifted' }, { step_key: 'test:put-back' }])
})
