import { expect, test, type Page } from '@playwright/test'
import type { PlanOfRoom } from '@/core/model/floor-plan'
import { bringInBox, bringInDemo, passAll, rows, saved, violations, visit } from './helpers'

/** What the database holds of the plan of a room; null where it has none. */
async function stored(jobId: string, roomId: string): Promise<PlanOfRoom | null> {
  const [row] = await rows('SELECT plan FROM plans WHERE job_id = ? AND room_id = ?', jobId, roomId)
  if (!row) return null
  return (typeof row.plan === 'string' ? JSON.parse(row.plan) : row.plan) as PlanOfRoom
}

const drawing = (page: Page) => page.getByRole('group', { name: 'Plan of the room, from above' })
const part = (page: Page, name: string) =>
  page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name, exact: true }) })
    .last()
const type = async (page: Page, of: string, label: string, value: string) => {
  const field = part(page, of).getByLabel(label, { exact: true })
  await field.fill(value)
  await field.press('Enter')
}
const figure = (page: Page, name: string) =>
  page.locator('dl > div').filter({ hasText: name }).locator('dd').first()
/** A setting as the database has it. */
const made = async (jobId: string) =>
  Object.fromEntries(
    (await rows('SELECT setting_id, value FROM settings WHERE job_id = ?', jobId)).map(row => [
      row.setting_id as string,
      row.value as string,
    ]),
  )

test('a plan is made from nothing by typing, and its sensor aimed @phone', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'sensor-neutral' })
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await expect(page.getByText(/there is none yet/)).toBeVisible()
  await page.getByRole('link', { name: /^Plan of/ }).click()
  const roomId = /rooms\/([^/]+)$/.exec(page.url())![1]!

  // Two numbers and a height, in feet as they are measured here.
  await page.getByLabel('Width (ft)').fill('13.12')
  await page.getByLabel('Depth (ft)').fill('9.84')
  await page.getByRole('button', { name: 'Draw it' }).click()
  await expect(drawing(page)).toBeVisible()
  await expect(drawing(page).getByText('13 ft 1 in')).toHaveCount(2)
  await saved(page)
  const bare = (await stored(jobId, roomId))!
  expect(bare.corners[2]!.x).toBeCloseTo(4, 1)
  expect(bare.corners[2]!.y).toBeCloseTo(3, 1)

  // A door, its passage, a seat, and where the box is.
  await page.getByRole('button', { name: 'Door', exact: true }).click()
  await type(page, 'Door 1', 'From the start of its wall (ft)', '1')
  await part(page, 'Door 1').getByRole('radio', { name: 'Open', exact: true }).check()
  await part(page, 'Door 1').getByRole('radio', { name: 'A passage straight on' }).check()
  await type(page, 'Door 1', 'Long (ft)', '13')
  await page.getByRole('button', { name: 'Seat', exact: true }).click()
  await type(page, 'Seat 1', 'From the left (ft)', '10')
  await page.getByRole('button', { name: /: on a wall$/ }).click()
  const box = page
    .locator('section')
    .filter({ has: page.getByLabel('Above the floor (ft)') })
    .last()
  await box.getByRole('radio', { name: '3', exact: true }).check()
  await box.getByLabel('Along its wall (ft)').fill('10')
  await box.getByLabel('Along its wall (ft)').press('Enter')
  await saved(page)
  const whole = (await stored(jobId, roomId))!
  expect(whole.openings).toMatchObject([{ kind: 'door', wall: 0, usually: 'open', passage: {} }])
  expect(whole.openings[0]!.from).toBeCloseTo(0.305, 2)
  expect(whole.openings[0]!.passage!.to.y).toBeCloseTo(-3.96, 1)
  expect(whole.seats[0]!.at.x).toBeCloseTo(3.05, 1)
  expect(whole.hangings).toMatchObject([{ on: 'wall', boxId: 'box', wall: 2 }])

  // Wider than its wall: said at its field, and nothing of it kept.
  await part(page, 'What stands in it').getByRole('button', { name: 'Door 1' }).click()
  await type(page, 'Door 1', 'Width (ft)', '30')
  await expect(page.getByRole('alert').filter({ hasText: 'Opening 1: its wall is' })).toBeVisible()
  await saved(page)
  expect(await stored(jobId, roomId)).toEqual(whole)
  expect(await violations(page)).toEqual([])

  // What the sensor sees of it, and how it is set best.
  await page.getByRole('link', { name: 'To its settings' }).click()
  const said = page.getByRole('status').filter({ hasText: 'Left shutter' })
  await expect(said).toContainText('Worked out')
  await expect(figure(page, 'Doors and seats')).toHaveText('2 of 2')
  const best = await said.innerText()
  const floor = await figure(page, 'Floor, walking').innerText()

  // By keys: each shutter a mark in or out.
  const left = page.getByRole('slider', { name: 'Left shutter' })
  const was = Number(await left.getAttribute('aria-valuenow'))
  await left.focus()
  await left.press(was > 0 ? 'ArrowRight' : 'ArrowLeft')
  await expect(left).toHaveAttribute('aria-valuenow', String(was > 0 ? was - 1 : 1))
  await expect(said).toContainText('Tried')
  await expect(figure(page, 'Floor, walking')).not.toHaveText(floor)

  // By hand, all the way across.
  const at = (await left.locator('circle').last().boundingBox())!
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2)
  await page.mouse.down()
  const sheet = (await drawing(page).boundingBox())!
  await page.mouse.move(sheet.x + sheet.width / 2, sheet.y + sheet.height * 0.6, { steps: 5 })
  await page.mouse.move(sheet.x + sheet.width * 0.65, sheet.y + sheet.height * 0.8, { steps: 5 })
  await page.mouse.up()
  await expect(said).toContainText('Tried')

  await page.getByRole('button', { name: 'Aim it' }).click()
  await expect(said).toHaveText(best)
  await expect(figure(page, 'Floor, walking')).toHaveText(floor)
  await page.getByRole('button', { name: 'Made so on the device' }).click()
  await saved(page)
  const set = await made(jobId)
  for (const id of ['shutter-left', 'shutter-right', 'sensitivity']) expect(best).toContain(`: ${set[id]}`)
  expect(await violations(page)).toEqual([])
})

test('a setting that is not what was worked out stays marked until somebody says why', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-linen/set`)
  const right = page.getByRole('group', { name: /^Right shutter/ })
  await expect(right.getByRole('radio', { name: 'shut to the last mark' })).toBeChecked()
  const marked = page.getByText('shut to the last mark was worked out.')
  await expect(marked).toHaveCount(0)
  await right.getByRole('radio', { name: 'open', exact: true }).check()
  await expect(marked).toBeVisible()
  await page
    .getByRole('group', { name: /^Off after/ })
    .getByRole('radio', { name: '10 min' })
    .check()
  await saved(page)
  const setStage = page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Set/ })
  await expect(setStage).toContainText('begun')
  const why = page.getByLabel('Why it is open')
  await why.fill('They want the landing seen')
  await why.press('Enter')
  await expect(marked).toHaveCount(0)
  await expect(setStage).toContainText('done')
  await saved(page)
  expect(
    await rows("SELECT value, reason FROM settings WHERE job_id = ? AND setting_id = 'shutter-right'", jobId),
  ).toEqual([{ value: 'open', reason: 'They want the landing seen' }])
})

test('what stands in a room is moved by dragging and by arrow keys, taken out, and brought back', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/rooms/studio`)
  const before = (await stored(jobId, 'studio'))!
  const shelf = drawing(page).getByRole('button', { name: 'Piece 1' })
  // By keys: so far to the right, and finely up.
  await shelf.focus()
  await shelf.press('ArrowRight')
  await shelf.press('Shift+ArrowUp')
  await saved(page)
  const moved = (await stored(jobId, 'studio'))!
  expect(moved.furniture[0]!.centre.x).toBeCloseTo(before.furniture[0]!.centre.x + 0.05, 6)
  expect(moved.furniture[0]!.centre.y).toBeCloseTo(before.furniture[0]!.centre.y + 0.01, 6)
  // By hand: a door goes to the wall it is dragged to.
  const door = (await drawing(page).getByRole('button', { name: 'Door 1' }).boundingBox())!
  const sheet = (await drawing(page).boundingBox())!
  await page.mouse.move(door.x + door.width / 2, door.y + door.height / 2)
  await page.mouse.down()
  await page.mouse.move(sheet.x + sheet.width * 0.15, sheet.y + sheet.height * 0.5, { steps: 6 })
  await page.mouse.up()
  await saved(page)
  expect((await stored(jobId, 'studio'))!.openings[0]!.wall).toBe(3)
  // A corner dragged over a wall: it is said, and stays where it was.
  const corner = drawing(page).getByRole('button', { name: 'Corner 1', exact: true })
  const from = (await corner.boundingBox())!
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(sheet.x + sheet.width * 0.97, sheet.y + sheet.height * 0.1, { steps: 6 })
  await page.mouse.up()
  await expect(page.getByRole('alert').filter({ hasText: 'Wall' })).toBeVisible()
  await saved(page)
  expect((await stored(jobId, 'studio'))!.corners).toEqual(before.corners)
  // Taken out, and back by undo.
  await part(page, 'What stands in it').getByRole('button', { name: 'Seat 1' }).click()
  await page.getByRole('button', { name: 'Take it out' }).click()
  await saved(page)
  expect((await stored(jobId, 'studio'))!.seats).toEqual([])
  await page.getByRole('button', { name: /^Undo/ }).first().click()
  await saved(page)
  expect((await stored(jobId, 'studio'))!.seats).toEqual(before.seats)
  await shelf.focus()
  await shelf.press('Delete')
  await saved(page)
  expect((await stored(jobId, 'studio'))!.furniture).toEqual(before.furniture.slice(1))
})

test('a room of more than four walls is typed wall by wall; begun from one of the usual, and begun again', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/rooms/cellar`)
  await page.getByRole('button', { name: 'Office' }).click()
  await saved(page)
  expect((await stored(jobId, 'cellar'))!.seats).toHaveLength(1)
  await page.getByRole('button', { name: 'Wall by wall' }).click()
  await page.getByRole('button', { name: 'A corner in wall 2', exact: true }).click()
  await saved(page)
  expect((await stored(jobId, 'cellar'))!.corners).toHaveLength(5)
  await page.getByRole('button', { name: 'Take out the corner before wall 3' }).click()
  await page.getByLabel('Wall 1 (ft)').fill('20')
  await page.getByLabel('Wall 1 (ft)').press('Enter')
  await saved(page)
  const made = (await stored(jobId, 'cellar'))!
  expect(made.corners).toHaveLength(4)
  expect(made.corners[1]!.x - made.corners[0]!.x).toBeCloseTo(6.1, 1)
  await page.getByRole('button', { name: 'Remove it: begin again' }).click()
  await saved(page)
  expect(await stored(jobId, 'cellar')).toBeNull()
  await expect(page.getByRole('button', { name: 'Draw it' })).toBeDisabled()
})

test('what no way of setting it sees is said, and the nearest cure looked for', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'sensor-neutral' })
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await page.getByRole('link', { name: /^Plan of/ }).click()
  await page.getByLabel('Width (ft)').fill('13')
  await page.getByLabel('Depth (ft)').fill('13')
  await page.getByRole('button', { name: 'Draw it' }).click()
  // Whoever sits in the corner is behind what stands in the middle.
  await page.getByRole('button', { name: 'Furniture', exact: true }).click()
  await type(page, 'Piece 1', 'Width (ft)', '9')
  await page.getByRole('button', { name: 'Seat', exact: true }).click()
  await type(page, 'Seat 1', 'From below (ft)', '11')
  await page.getByRole('button', { name: /: on a wall$/ }).click()
  await page.getByLabel('Along its wall (ft)').fill('6.5')
  await page.getByLabel('Along its wall (ft)').press('Enter')
  await saved(page)
  await page.getByRole('link', { name: 'To its settings' }).click()
  await expect(page.getByText('No way of setting it sees: Seat 1.')).toBeVisible()
  await page.getByRole('button', { name: 'Look for the nearest cure' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'on the ceiling' })).toContainText(
    'it sees every door and seat, and no passage',
  )
})

test('what each delay does with the light over a year is drawn and told, and one proposed @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-linen/set`)
  const table = page.getByRole('region', { name: 'Each delay over a year' })
  await expect(table.getByRole('row')).toHaveCount(1 + 8)
  await expect(table.getByText(', proposed')).toHaveCount(2)
  const lit = await table
    .getByRole('row')
    .filter({ hasText: 'by itself' })
    .locator('td:nth-child(3)')
    .allInnerTexts()
  const hours = lit.map(each => Number(each.replaceAll(/\D/g, '')))
  expect(hours).toHaveLength(4)
  expect(hours).toEqual([...hours].sort((one, other) => one - other))
  await expect(page.getByRole('img', { name: /^Hours lit with nobody there/ })).toBeVisible()
  expect(await violations(page)).toEqual([])
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  expect(overflow).toBeLessThanOrEqual(0)
})

test('where nobody said what a room is for, nothing is made of how people live in it', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: /^Edit Linen closet/ }).click()
  await page.getByLabel('What it is for').selectOption({ label: 'Not said' })
  await saved(page)
  await page.getByRole('link', { name: 'Its plan, for its sensors' }).click()
  await expect(drawing(page)).toBeVisible()
  await page.getByRole('link', { name: 'To its settings' }).click()
  await expect(page.getByText(/nobody said that of Linen closet/)).toBeVisible()
})

test('a setting under the cover is a step of Wire: held until the box is dead, and made by its tick', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {
    choice: 'sensor-neutral',
    rules: { 'presence-on': 'by-hand' },
  })
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  const step = page.getByRole('listitem').filter({ hasText: 'set under its cover before the plate' })
  await expect(step).toContainText('Turns on: by hand')
  await expect(step.getByRole('button', { name: /^Done/ })).toBeDisabled()
  await expect(step.getByText('Held:')).toBeVisible()
  // Made otherwise in Set first: the step says so.
  await step.getByRole('link', { name: 'Why so, or otherwise' }).click()
  await page
    .getByRole('group', { name: /^Turns on/ })
    .getByRole('radio', { name: 'by itself' })
    .check()
  await saved(page)
  expect(await made(jobId)).toEqual({ mode: 'by itself' })
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await expect(step).toContainText('Turns on: by itself')
})

test('the walk test asks for each door, and for the passage that is not to be seen, as part of the proof @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-linen/prove`)
  await passAll(page)
  await saved(page)
  const walked = await rows(
    "SELECT test_key, outcome FROM tests WHERE job_id = ? AND test_key LIKE 'walk:%' ORDER BY test_key",
    jobId,
  )
  expect(walked).toEqual([
    { test_key: 'walk:door:0@1.40', outcome: 'pass' },
    { test_key: 'walk:passage:0@1.40', outcome: 'pass' },
  ])
})
