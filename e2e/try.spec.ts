import { expect, test, type Page } from '@playwright/test'
import { bringIn, bringInDemo, pick, visit, seenBeside } from './helpers'
import { usualBox } from '@/demo/usual'

const lampList = (page: Page) => page.getByRole('list', { name: 'Lamps' })
const place = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^Work ${name}`) })
const strand = (page: Page, id: string) => page.locator(`[data-strand="${id}"]`)
const reading = (page: Page) => page.getByRole('status', { name: 'Reading' })
const live = (page: Page) => page.locator('[data-live]')

test('three places on the stair: every one changes the light, in the drawing and in words', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-stair-middle/look`)
  await page.getByRole('link', { name: 'Try by hand' }).click()
  await expect(page).toHaveURL(/box-stair-middle\/try$/)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Try by hand Stair light')
  await expect(page.getByText('Proven in all 8 states.')).toBeVisible()
  await expect(lampList(page)).toHaveText('Stair light Full')
  await expect(page.locator('[data-lamp="Stair light"]')).toHaveAttribute('data-light', 'full')

  await place(page, 'Stair, Landing').click()
  await expect(place(page, 'Stair, Landing: now up')).toBeVisible()
  await expect(lampList(page)).toHaveText('Stair light Dark')
  await place(page, 'Stair, Top').press('Enter')
  await expect(lampList(page)).toHaveText('Stair light Full')
  await place(page, 'Stair, Bottom').press(' ')
  await expect(lampList(page)).toHaveText('Stair light Dark')

  await page.getByRole('button', { name: 'One back' }).click()
  await expect(lampList(page)).toHaveText('Stair light Full')
  await page.getByRole('button', { name: 'Start again' }).click()
  await expect(place(page, 'Stair, Landing: now down')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Start again' })).toBeDisabled()
})

test('a breaker takes the hatching and the light away', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-stair-bottom/try`)
  await expect(live(page).first()).toBeAttached()
  await page.getByRole('button', { name: 'breaker 4: on', exact: true }).click()
  await expect(lampList(page)).toHaveText('Stair light Dark')
  await expect(live(page)).toHaveCount(0)
  await page.getByRole('button', { name: 'Breaker 4: off', exact: true }).click()
  await expect(lampList(page)).toHaveText('Stair light Full')
})

test('a tester is put to conductors and goes on reading while switches are worked', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-stair-top/try`)
  await expect(lampList(page)).toHaveText('Stair light Full')
  await pick(page, 'In your hand', 'Low-impedance meter')
  await expect(page.getByText('Touch where the first lead goes.')).toBeVisible()
  await strand(page, 'box-stair-top-d-black-1-end').press('Enter')
  await expect(page.getByText('Touch where the second lead goes.')).toBeVisible()
  await strand(page, 'box-stair-top-d-white-2-end').press('Enter')
  await expect(reading(page)).toContainText('120 V')
  await place(page, 'Stair, Landing').click()
  await expect(reading(page)).toContainText('0.0 V')

  // A red traveller that hangs on nothing, beside a live one: a phantom to one meter, none to the other.
  await strand(page, 'box-stair-middle-c-black-2-far').press('Enter')
  await expect(reading(page)).not.toContainText('phantom')
  await pick(page, 'In your hand', 'Non-contact tester')
  await strand(page, 'box-stair-bottom-a-black-1-end').press('Enter')
  await expect(reading(page)).toContainText('A field is felt.')

  await pick(page, 'In your hand', 'Continuity')
  await strand(page, 'box-stair-bottom-a-black-1-end').press('Enter')
  await strand(page, 'box-stair-bottom-a-white-2-end').press('Enter')
  await expect(reading(page)).toContainText('Stop')
  await expect(reading(page)).toContainText(/continuity test on a live conductor/)

  await pick(page, 'In your hand', 'Clamp ammeter')
  await strand(page, 'box-stair-bottom-a-white-2-end').press('Enter')
  await expect(reading(page)).toContainText('0.00 A')
  await place(page, 'Stair, Top').click()
  await expect(reading(page)).toContainText(/0\.2[23] A/)
})

test('the old two-supply pair: the fault is played, and its way is shown', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await visit(page, `/jobs/${jobId}/boxes/box-steps-foot/try`)
  await expect(page.getByText('One rule is broken')).toBeVisible()
  await expect(page.getByText(/its shell stands at 120 V/)).toBeVisible()
  await page.getByRole('button', { name: /^Show: The lamp’s return/ }).click()
  await expect(page.locator('.way').first()).toBeAttached()
  await expect(place(page, 'Cellar, By the coal hatch: now up')).toBeVisible()
  // The shell’s conductor is part of the way, and it is live.
  await expect(page.locator('[data-live="end:box-steps-foot-d-black-1-end"]')).toBeAttached()
  await place(page, 'Cellar, By the coal hatch').click()
  await expect(page.locator('.way')).toHaveCount(0)
})

test('two circuits meet in a box: one breaker leaves the other’s light', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-island/try`)
  await place(page, 'Kitchen, By the island, gang 1').click()
  await place(page, 'Kitchen, By the island, gang 3').click()
  await expect(lampList(page)).toContainText('Light over the range Full')
  await page.getByRole('button', { name: 'Breaker 1: on', exact: true }).click()
  await expect(lampList(page)).toHaveText(
    /Island pendants Dark.*Kitchen ceiling Dark.*Light over the range Full/,
  )
})

test('a receptacle in the box: a plugged tester, and the finder’s hint', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-bedside/try`)
  await pick(page, 'In your hand', 'Receptacle tester')
  await page.getByRole('button', { name: 'Bedroom, Bedside, gang 2' }).click()
  await expect(reading(page)).toContainText('Wired right.')
  await page.getByRole('button', { name: 'Breaker 8: on', exact: true }).click()
  await expect(reading(page)).toContainText('Dead: its hot is open, or off.')
  await page.getByRole('button', { name: 'Breaker 8: off', exact: true }).click()
  await pick(page, 'In your hand', 'Circuit finder')
  await page.getByRole('button', { name: 'Bedroom, Bedside, gang 2' }).click()
  await expect(reading(page)).toContainText('breaker 8')
  await expect(reading(page)).toContainText('proves nothing about the switch box')
})

test('what is being tried goes on when the job is fetched anew, and when it changes elsewhere', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-stair-top/try`)
  await place(page, 'Stair, Landing').click()
  await expect(lampList(page)).toHaveText('Stair light Dark')
  await pick(page, 'In your hand', 'Low-impedance meter')
  await strand(page, 'box-stair-bottom-a-black-1-end').press('Enter')
  await strand(page, 'box-stair-bottom-a-white-2-end').press('Enter')
  await expect(reading(page)).toContainText('120 V')

  const comeBack = async () => {
    const heard = page.waitForResponse(answer => answer.url().endsWith(`/api/jobs/${jobId}/hearing`))
    await page.evaluate(() => window.dispatchEvent(new Event('focus')))
    await heard
    // The answer has gone through the page when its next frame is drawn.
    await page.evaluate(() => new Promise(done => requestAnimationFrame(() => setTimeout(done, 100))))
  }
  await comeBack()
  await expect(reading(page)).toContainText('120 V')
  await expect(lampList(page)).toHaveText('Stair light Dark')

  const { versions } = (await (await request.get(`/api/jobs/${jobId}`)).json()) as {
    versions: { rooms: Record<string, number> }
  }
  const [room, based] = Object.entries(versions.rooms)[0]!
  const edit = {
    kind: 'change',
    entity: 'rooms',
    id: room,
    based,
    fields: { name: 'Renamed elsewhere' },
  }
  const sent = await request.post(`/api/jobs/${jobId}/commands`, {
    data: {
      id: `elsewhere-${jobId}`,
      origin: await seenBeside(request, jobId),
      name: 'edit a room',
      boxId: null,
      edits: [edit],
    },
  })
  expect(sent.ok()).toBe(true)
  await comeBack()
  await expect(reading(page)).toContainText('120 V')
  await expect(lampList(page)).toHaveText('Stair light Dark')
})

test('a planned time switch: dusk, dawn, and its key', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-veranda/try`)
  await expect(page.getByRole('radio', { name: 'As planned' })).toBeChecked()
  await expect(lampList(page)).toContainText('Dark')
  await page.getByRole('button', { name: 'Dusk' }).click()
  await expect(lampList(page)).toContainText('Full')
  await page.getByRole('button', { name: 'Dawn' }).click()
  await expect(lampList(page)).toContainText('Dark')
  await pick(page, 'Which wiring', 'As found')
  await expect(page.getByRole('button', { name: 'Dusk' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Flip' }).click()
  await expect(lampList(page)).toContainText('Full')
})

test('a dimmer is pressed and dimmed; a short trips', async ({ page, request }) => {
  const planned = usualBox({ choice: 'dimmer-led-150-two-wire' }).record
  const jobId = await bringIn(request, planned)
  await visit(page, `/jobs/${jobId}/boxes/box/try`)
  await page.getByRole('button', { name: 'Press', exact: true }).click()
  await page.getByRole('button', { name: 'Dimmer', exact: true }).click()
  await expect(lampList(page)).toHaveText('Ceiling light Dimmed 65 %')
  await expect(place(page, 'Room, By the door: now on, half')).toBeVisible()

  const { record } = usualBox()
  const ends = Object.fromEntries(
    Object.entries(record.ends).map(([id, end]) => [
      id,
      // The switched conductor put into the joint of the whites.
      end.role === 'switched-load'
        ? { ...end, role: 'neutral' as const }
        : end.role === 'neutral' && id.includes('-b-')
          ? { ...end, seat: 'terminal' as const, jointId: null, deviceId: 'box-1-old', terminal: 'lower' }
          : end,
    ]),
  )
  const shorted = await bringIn(request, { ...record, ends })
  await visit(page, `/jobs/${shorted}/boxes/box/try`)
  await place(page, 'Room, By the door').click()
  await expect(page.getByText(/breaker 7 trips: hot meets neutral\./)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Breaker 7: tripped', exact: true })).toBeVisible()
})

test('a plan that fails is seen failing: a lamp too small flickers, and it says why', async ({
  page,
  request,
}) => {
  const lamps = [{ kind: 'led' as const, wattsEach: 4, count: 1, dimmable: 'yes' as const, powerFactor: 0.9 }]
  const { record } = usualBox({ choice: 'smart-switch-two-wire', lamps })
  const jobId = await bringIn(request, record)
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await expect(page.getByText(/^Not proven: this plan breaks/)).toBeVisible()
  await page.getByRole('link', { name: 'See them happen on the drawing' }).click()
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await page.getByRole('button', { name: /^Show: On means/ }).click()
  await expect(lampList(page)).toContainText('Flickers')
  await expect(lampList(page)).toContainText('too little for the device that lives on its current')
})

test('wires that nobody has named yet: it says what is missing and leads there', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-playroom/try`)
  await expect(page.getByText('It cannot be worked yet: 6 conductors have no role.')).toBeVisible()
  await page.getByRole('link', { name: /^Say what each wire is: Playroom/ }).click()
  await expect(page).toHaveURL(/box-playroom\/test$/)
  await visit(page, `/jobs/${jobId}/boxes/attic/try`)
  await expect(page.getByRole('heading', { name: 'This box is not there' })).toBeVisible()
})

test('on a phone: the lamp and the reading stay in sight, the drawing is moved by itself @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-stair-bottom/try`)
  await expect(lampList(page)).toBeInViewport()
  await page.getByRole('button', { name: 'Flip' }).last().scrollIntoViewIfNeeded()
  await page.getByRole('button', { name: 'Flip' }).last().click()
  await expect(lampList(page)).toBeInViewport()
  await expect(lampList(page)).toHaveText('Stair light Dark')
})

test('on a phone all boxes are seen at once, and one is stepped to after the other @phone', async ({
  page,
  request,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-stair-middle/try`)
  const parts = page.getByRole('group', { name: 'What of it is in sight' })
  const box = (name: string) => page.getByRole('group', { name: new RegExp(`^Stair, ${name}`) })
  const across = async (name: string) => {
    const found = await box(name).boundingBox()
    return [Math.round(found!.x), Math.round(found!.x + found!.width)] as const
  }
  await expect(parts.getByRole('button', { name: 'Landing' })).toHaveAttribute('aria-pressed', 'true')
  for (const name of ['Top', 'Bottom', 'Landing']) {
    await parts.getByRole('button', { name }).click()
    await expect.poll(async () => (await across(name))[0], { message: name }).toBeGreaterThanOrEqual(0)
    expect((await across(name))[1], name).toBeLessThanOrEqual(390)
  }
  await parts.getByRole('button', { name: 'All boxes' }).click()
  for (const name of ['Top', 'Bottom', 'Landing']) {
    await expect.poll(async () => (await across(name))[0], { message: name }).toBeGreaterThanOrEqual(0)
    expect((await across(name))[1], name).toBeLessThanOrEqual(390)
  }
})
