import { expect, test, type Locator, type Page } from '@playwright/test'
import { Hand, startedJob } from './hand'
import { opened, rows, saved } from './helpers'
import { shownAt } from './test-stage'

/** What it may take, from no job at all to a box that was proved. */
const PRESSES = 56
const SCROLLS = 4
const ON_LOOK = 8
const FOR_A_READING = 2

const next = (page: Page) => page.locator('[data-work] [data-next]').first()
const asks = async (page: Page) => (await next(page).getAttribute('data-next')) ?? ''
const stageOf = (page: Page) => new URL(page.url()).pathname.split('/').at(-1)!

/** Does the one thing that is asked for, where it stands. */
async function does(hand: Hand, what: Locator, kind: string) {
  if (kind.startsWith('lamps')) {
    await hand.type(what.getByLabel('How many lamps'), '6')
    await hand.type(what.getByLabel('Of how many watts'), '12')
    return hand.press(what.getByRole('button', { name: 'Record them' }))
  }
  if (kind === 'breaker') {
    await hand.type(what.getByLabel('Its number'), '4')
    return hand.press(what.getByRole('button', { name: 'Feeds it' }))
  }
  if (kind === 'material') return hand.press(what.getByRole('radio', { name: 'Plastic' }))
  if (kind.startsWith('Switch off')) {
    await hand.type(what.getByLabel('Name of who keeps it off'), 'Rowan Vale')
    return hand.press(what.getByRole('button', { name: 'That one' }))
  }
  const reading = what.getByRole('group', { name: 'What it shows' })
  if (await reading.isVisible())
    return hand.press(reading.getByRole('button', { name: new RegExp(`^${await shownAt(what)}`) }))
  for (const each of [
    what.getByRole('button', { name: /^Done: / }),
    what.getByRole('button', { name: /^Passed: / }),
    what.getByRole('radio', { name: 'Passed' }),
    what.locator('button:enabled, input[type=radio]:enabled, a[href]'),
  ])
    if ((await each.count()) > 0) return hand.press(each.first())
  throw new Error(`nothing to press: ${kind}`)
}

test('from no job at all to a proved box with one hand: each next thing where the thumb is @phone', async ({
  page,
}, info) => {
  test.slow()
  await page.setViewportSize({ width: 390, height: 844 })
  const hand = new Hand(page)
  const jobId = await startedJob(page, hand, 'One box')
  await hand.button('Add a box')
  await hand.type('Name of the room', 'Hall')
  await hand.button('Add the box and look')
  await page.waitForURL(/\/look$/)
  await saved(page)
  const began = hand.presses
  await hand.button('Fed at the switch')
  await expect.poll(() => asks(page)).toMatch(/^lamps/)

  let looked = 0
  let readings = 0
  let isChosen = false
  for (let kind = await asks(page); kind !== 'done-prove'; kind = await asks(page)) {
    const at = stageOf(page)
    const before = hand.presses
    if (at === 'choose' && !isChosen) {
      const dimmer = await opened(
        page.getByRole('article', { name: 'Dimmer, LED 150 W, neutral', exact: true }),
      )
      hand.presses++
      await hand.press(dimmer.getByRole('button', { name: 'Choose' }))
      isChosen = true
    } else await does(hand, next(page), kind)
    if (at === 'test' && / (on|off) \| /.test(kind)) {
      readings++
      expect(hand.presses - before, kind).toBeLessThanOrEqual(FOR_A_READING)
    }
    // What ends Look leads on by itself.
    await expect.poll(() => asks(page).catch(() => kind)).not.toBe(kind)
    if (kind === 'complete') await page.waitForURL(/\/test$/)
    await expect(next(page)).toBeVisible()
    await saved(page)
    if (at === 'look' && stageOf(page) !== 'look') looked = hand.presses - began
  }
  hand.say(
    info,
    `from no job to a proved box, ${looked} on Look, ${readings} readings, ${hand.scrolls} scrolls`,
  )
  expect(looked).toBeLessThanOrEqual(ON_LOOK)
  expect(readings).toBeGreaterThan(3)
  expect(hand.presses).toBeLessThanOrEqual(PRESSES)
  expect(hand.scrolls).toBeLessThanOrEqual(SCROLLS)
  const [stored] = await rows(
    `SELECT (SELECT COUNT(*) FROM tests t WHERE t.job_id = j.id AND t.outcome = 'pass') AS passed,
            (SELECT COUNT(DISTINCT from_end_id) FROM readings r WHERE r.job_id = j.id AND r.purpose = 'dead') AS dead,
            (SELECT COUNT(*) FROM steps s WHERE s.job_id = j.id AND s.step_key LIKE 'joint:%') AS joints,
            (SELECT COUNT(*) FROM findings f WHERE f.job_id = j.id AND f.proof = 'proven') AS proven
     FROM jobs j WHERE j.id = ?`,
    jobId,
  )
  // Each of the five is read by itself, A bare was the reference; every joint is ticked by its own name.
  expect(stored).toMatchObject({ passed: 9, dead: 5, joints: 4, proven: 6 })
})
