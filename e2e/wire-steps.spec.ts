import { expect, test, type APIRequestContext, type Page } from '@playwright/test'
import { chainOf, type Chain } from '@/testing/route/chain'
import { switchLoop, usualBox } from '@/demo/usual'
import { bringIn, bringInBox, rows, saved, visit } from './helpers'

const LINKED = 'smart-switch-linked'

/** Boxes in a row, wired as plain switches are and read, with devices chosen; what is said is otherwise. */
const bringInChain = (request: APIRequestContext, more: Partial<Chain> & Pick<Chain, 'choices'>) =>
  bringIn(
    request,
    chainOf({
      ...{
        count: more.choices.length,
        fed: 0,
        lit: 0,
        neutrals: true,
        spares: 0,
        seated: true,
        proven: true,
      },
      ...more,
    })[0]!.record,
  )

test('one step at a time, huge; what holds it and what the power would do there @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInChain(request, {
    lit: 1,
    choices: ['dimmer-led-150-two-wire', 'companion-oak'],
  })
  await visit(page, `/jobs/${jobId}/boxes/box0/wire`)
  await expect(page.getByText('Proven.')).toBeVisible()
  await page.getByRole('radio', { name: 'One at a time' }).check()
  const step = page.getByRole('article', { name: /^Step/ })
  await expect(step.getByText('Take a photo of the closed box')).toBeVisible()
  const done = step.getByRole('button', { name: /^Done: Take a photo/ })
  const size = await done.boundingBox()
  expect(size!.height).toBeGreaterThanOrEqual(60)
  await done.click()
  await saved(page)
  expect(await rows('SELECT step_key FROM steps WHERE job_id = ?', jobId)).toEqual([{ step_key: 'photo' }])
  // It goes on by itself.
  await expect(step.getByText('Prove the tester on a known live point')).toBeVisible()
  while (!(await step.getByText(/take out the old device/).isVisible()))
    await step.getByRole('button', { name: 'Next' }).click()
  await expect(step.getByText(/^Held:/)).toBeVisible()
  await expect(step.getByText(/would be live and bare/)).toBeVisible()
  await expect(step.getByRole('button', { name: /^Done: Gang 1: take out/ })).toBeDisabled()
})

test('the conductors of a step are lit on the drawing: of the next one by itself, of another when it is pointed at', async ({
  page,
  request,
}) => {
  const jobId = await bringInChain(request, {
    lit: 1,
    choices: ['dimmer-led-150-two-wire', 'companion-oak'],
  })
  await visit(page, `/jobs/${jobId}/boxes/box0/wire`)
  await expect(page.getByText('Proven.')).toBeVisible()
  const lit = page.locator('.box-drawing [data-selected]')
  await expect(lit).toHaveCount(0)
  for (const step of await page.locator('[data-step^="joint:"], [data-step^="land:"]').all()) {
    await step.hover()
    await expect(lit).not.toHaveCount(0)
  }
  await page.mouse.move(2, 2)
  await expect(lit).toHaveCount(0)
})

test('the whole way of a conductor, from a tap on it', async ({ page, request }) => {
  const jobId = await bringInChain(request, {
    lit: 2,
    choices: ['dimmer-led-150-two-wire', 'companion-oak', 'companion-oak'],
  })
  await visit(page, `/jobs/${jobId}/boxes/box1/wire`)
  const red = page.getByRole('button', { name: /^Cable R0, red/ })
  // Pressed before the page answers keys, it is pressed again.
  await expect(async () => {
    await red.press('Enter')
    await expect(page.getByRole('heading', { name: /^The way of the signal/ })).toBeVisible({
      timeout: 1_000,
    })
  }).toPass()
  for (const box of ['Room, Box 0', 'Room, Box 1', 'Room, Box 2'])
    await expect(page.getByRole('listitem').filter({ hasText: box }).first()).toBeVisible()
  await expect(red).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^The way of/ })).toHaveCount(0)
  // The runner-up can be looked at; the plan stays what it was.
  await page.getByRole('radio', { name: 'Next best way' }).check()
  await expect(page.getByText(/^It costs .*more than the plan/)).toBeVisible()
  await expect(page.getByText('Proven.')).toBeVisible()
})

/** A dimmer and its companion with a conductor to spare; the red one brings the signal. */
async function dimmerAndCompanion(page: Page, request: APIRequestContext) {
  const jobId = await bringInChain(request, {
    lit: 1,
    spares: 1,
    choices: ['dimmer-led-150-two-wire', 'companion-oak'],
  })
  await visit(page, `/jobs/${jobId}/boxes/box0/wire`)
  const red = page.getByRole('button', { name: /^Cable R0, red/ })
  await expect(red).toHaveAccessibleName(/Will be: signal/)
  return { jobId, red }
}

test('the runner-up is taken, the plan follows, and the least way comes back @phone', async ({
  page,
  request,
}) => {
  const { jobId, red } = await dimmerAndCompanion(page, request)
  const wishes = () =>
    rows(
      'SELECT insulation, wish FROM conductors WHERE job_id = ? AND wish IS NOT NULL ORDER BY insulation',
      jobId,
    )
  await page.getByRole('radio', { name: 'Next best way' }).check()
  await page.getByRole('button', { name: 'Wire it this way' }).click()
  await saved(page)
  const taken = await wishes()
  expect(taken.length).toBeGreaterThan(0)
  // The plan is that way now, proven, and said to be another than the least.
  await expect(page.getByRole('heading', { name: 'Wired another way than the least' })).toBeVisible()
  await expect(page.getByText('Proven.')).toBeVisible()
  for (const { insulation, wish } of taken)
    await expect(
      page.getByRole('button', { name: new RegExp(`^Cable R0, ${insulation}`) }),
    ).toHaveAccessibleName(wish === 'nothing' ? /capped/ : new RegExp(`Will be: ${wish}`))
  await page.getByRole('button', { name: 'The least way again' }).click()
  await saved(page)
  expect(await wishes()).toEqual([])
  await expect(red).toHaveAccessibleName(/Will be: signal/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  expect(await wishes()).toEqual(taken)
})

test('a conductor that is too short: everything is routed anew without it, and can be taken back', async ({
  page,
  request,
}) => {
  const { jobId, red } = await dimmerAndCompanion(page, request)
  await expect(async () => {
    await red.press('Enter')
    await expect(page.getByRole('heading', { name: /^The way of the signal/ })).toBeVisible({
      timeout: 1_000,
    })
  }).toPass()
  await page.getByRole('button', { name: /^R0 red is too short or damaged/ }).click()
  await saved(page)
  expect(await rows('SELECT insulation FROM conductors WHERE job_id = ? AND unfit = 1', jobId)).toEqual([
    { insulation: 'red' },
  ])
  // The spare takes its place; the red one is capped.
  await expect(page.getByRole('button', { name: /^Cable R0, blue/ })).toHaveAccessibleName(/Will be: signal/)
  await expect(page.getByRole('button', { name: /^Cable R0, red.*capped/ })).toBeVisible()
  await expect(page.getByText('Proven.')).toBeVisible()
  await page.getByRole('button', { name: 'Use R0 red after all' }).click()
  await saved(page)
  await expect(page.getByRole('button', { name: /^Cable R0, red/ })).toHaveAccessibleName(/Will be: signal/)
})

test('what cannot be wired says why, and what would do', async ({ page, request }) => {
  const jobId = await bringInChain(request, {
    neutrals: false,
    choices: [LINKED, LINKED],
  })
  await visit(page, `/jobs/${jobId}/boxes/box1/wire`)
  await expect(page.getByRole('heading', { name: 'It cannot be wired yet' })).toBeVisible()
  await expect(
    page.getByText(/the colors of the conductors between Room, Box 0 and Room, Box 1/),
  ).toBeVisible()
  await expect(page.getByText(/^A new cable: one of 2 conductors and ground/)).toBeVisible()
  await expect(page.getByText(/^House rule “May a colored conductor/)).toBeVisible()
})

test('what comes with the work by rule stands on Wire and on the page for the wall', async ({
  page,
  request,
}) => {
  const { record } = usualBox({ choice: 'switch-plain-15', roomKind: 'wet' })
  const pulled = Object.fromEntries(
    Object.entries(record.cables).map(([id, cable]) => [id, { ...cable, pulled: true }]),
  )
  const jobId = await bringIn(request, { ...record, cables: pulled })
  for (const path of [`/jobs/${jobId}/boxes/box/wire`, `/jobs/${jobId}/sheets?box=box`]) {
    await visit(page, path)
    const duties = page.getByRole('region', { name: 'Duties that come with it' })
    await expect(duties.getByRole('heading')).toHaveText('What comes with it: check with your authority')
    await expect(
      duties.getByText('The new wiring has ground-fault protection: breaker 7 has none'),
    ).toBeVisible()
    await expect(duties.getByText(/^How near water is/)).toBeVisible()
    await expect(duties.getByText(/^New wiring is told to the authority/)).toBeVisible()
  }
  // What is only replaced in a dry room brings none.
  const plain = await bringInBox(request, { choice: 'switch-plain-15' })
  await visit(page, `/jobs/${plain}/boxes/box/wire`)
  await expect(page.getByText('Proven.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Duties that come with it' })).toHaveCount(0)
})

test('a white that returns from a switch changes places, in one press, and back again', async ({
  page,
  request,
}) => {
  const swapped = { 'loop-feed': 'loop-return', 'loop-return': 'loop-feed' } as const
  const jobId = await bringInBox(request, {
    choice: 'switch-plain-15',
    isolated: true,
    cables: switchLoop(true).map(cable => ({
      ...cable,
      strands: cable.strands.map(strand => ({
        ...strand,
        role: swapped[strand.role as keyof typeof swapped] ?? strand.role,
      })),
    })),
  })
  const roles = () =>
    rows(
      "SELECT c.insulation, e.role FROM ends e JOIN conductors c ON c.job_id = e.job_id AND c.id = e.conductor_id WHERE e.job_id = ? AND e.role LIKE 'loop%' ORDER BY c.insulation",
      jobId,
    )
  const struck = () => rows("SELECT id FROM readings WHERE job_id = ? AND struck = 'Exchanged since'", jobId)
  const before = [
    { insulation: 'black', role: 'loop-feed' },
    { insulation: 'white', role: 'loop-return' },
  ]
  expect(await roles()).toEqual(before)
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  const fold = page.locator('[data-step="fold"]')
  await expect(
    fold.getByText('Held: At the other end of cable A: A white and A black change places'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Done: At the other end of cable A' }).click()
  await saved(page)
  expect(await roles()).toEqual([
    { insulation: 'black', role: 'loop-return' },
    { insulation: 'white', role: 'loop-feed' },
  ])
  expect((await struck()).length).toBeGreaterThan(0)
  // Now the white feeds and is marked; both are read anew before a hand goes in.
  await expect(page.getByText('Mark A white black here, and at its other end')).toBeVisible()
  await expect(fold.getByText(/^Held: Identify A (white|black)/)).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await saved(page)
  expect(await roles()).toEqual(before)
  expect(await struck()).toEqual([])
})

test('what is read at a step has a row of its own: no word under a button, on the narrowest phone too @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral', isolated: true })
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  const isClear = async (step: string, button: RegExp) => {
    const row = page.locator(`[data-step="${step}"]`)
    const words = (await row.locator('p').first().boundingBox())!
    const press = (await row.getByRole('button', { name: button }).first().boundingBox())!
    expect(words.width).toBeGreaterThan(150)
    expect(press.y >= words.y + words.height || press.x >= words.x + words.width).toBe(true)
  }
  const part = page.getByRole('button', { name: /^Done: Let A white, B white apart/ })
  await expect(part).toBeEnabled()
  await part.click()
  await isClear('parted:box-a-white-2-end', /: 0 V$/)
  await saved(page)
  const open = await bringInBox(request, { choice: 'dimmer-led-150-neutral' })
  await visit(page, `/jobs/${open}/boxes/box/wire`)
  await isClear('clamp:box-a-white-2-end', /it shows 0\.00 A$/)
})
