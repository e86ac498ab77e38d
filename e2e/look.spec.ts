import { expect, test, type Page } from '@playwright/test'
import { bringInBox, bringInDemo, pick, rows, saved, visit } from './helpers'

/** Taps a point on the conductor itself: its bounding box is mostly air. */
async function tapStrand(page: Page, endId: string) {
  const point = await page.locator(`[data-strand="${endId}"] .strand-touch`).evaluate(element => {
    const path = element as unknown as SVGPathElement
    path.scrollIntoView({ block: 'center' })
    const { x, y } = path.getPointAtLength(path.getTotalLength() * 0.5)
    const at = new DOMPoint(x, y).matrixTransform(path.getScreenCTM()!)
    return { x: at.x, y: at.y }
  })
  await page.mouse.click(point.x, point.y)
}

test('a strand is corrected by tapping it on the drawing @phone', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await tapStrand(page, 'box-b-black-1-end')
  await pick(page, 'Insulation seen', 'red')
  await pick(page, 'Where it sits', 'Capped alone')
  await pick(page, 'Gauge', '12 AWG')
  await expect(page.getByRole('button', { name: /^Cable B, red, 12 AWG solid, capped/ })).toBeVisible()
  await saved(page)
  const [row] = await rows(
    'SELECT c.insulation, c.gauge, e.seat, e.device_id FROM ends e JOIN conductors c ON c.job_id = e.job_id AND c.id = e.conductor_id WHERE e.job_id = ? AND e.id = ?',
    jobId,
    'box-b-black-1-end',
  )
  expect(row).toEqual({ insulation: 'red', gauge: '12 AWG', seat: 'cap', device_id: null })
})

test('by keyboard alone: a strand to a new joint, and back by undo', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await page.getByRole('button', { name: /^Cable A, black/ }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^Cable A, black/ })).toHaveAttribute('aria-pressed', 'true')
  const seats = page.getByRole('group', { name: 'Where it sits' })
  await seats.getByRole('radio', { checked: true }).focus()
  await seats.getByRole('radio', { name: 'New joint' }).focus()
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: /^Cable A, black.*in a joint/ })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: /^Cable A, black.*on “Upper dark screw”/ })).toBeVisible()
  await saved(page)
  expect(await rows("SELECT id FROM joints WHERE job_id = ? AND connector = 'not-known'", jobId)).toEqual([])
})

test('a 14 AWG piece on a 20 A circuit is raised, settled, and stays settled', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-studio/look`)
  const defect = page
    .getByRole('listitem')
    .filter({ hasText: 'Cable B is 14 AWG on breaker 11 of 20 A (at most 15 A)' })
  await expect(defect.getByText('Danger.')).toBeVisible()
  await defect.getByText('Open: why, and what then?').click()
  await expect(defect.getByText('Usual cure')).toBeVisible()
  await expect(defect.getByText('Breaker of 15 A', { exact: true })).toBeVisible()
  await expect(defect.getByText('about 20 min')).toBeVisible()
  await defect.getByRole('radio', { name: 'Mended in this visit' }).check()
  await saved(page)
  await page.reload()
  await expect(defect.getByText('Mended in this visit: why')).toBeVisible()
  expect(await rows('SELECT state FROM defects WHERE job_id = ?', jobId)).toEqual([{ state: 'mended' }])
})

test('a number out of range is said and not stored', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  const depth = page.getByLabel('Depth (in)')
  await depth.fill('90')
  await depth.press('Enter')
  await expect(page.getByText('From 0.2 to 7.87 in, or empty.')).toBeVisible()
  await depth.fill('2 1/2')
  await depth.press('Enter')
  await saved(page)
  expect(await rows('SELECT depth_millimetres FROM boxes WHERE job_id = ?', jobId)).toEqual([
    { depth_millimetres: 63.5 },
  ])
})

test('a room’s name twice is refused with the reason', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: 'Add a room', exact: true }).click()
  await page.getByLabel('Name of the room').fill('Pantry')
  await page.getByRole('button', { name: 'Add the room' }).click()
  await expect(page.getByText('there is another name “pantry”')).toBeAttached()
})

test('a removed box comes back by undo', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await page.getByRole('button', { name: 'Remove this box', exact: true }).click()
  await expect(page.getByText('No box recorded here yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo: remove a box' }).click()
  await expect(page.getByRole('link', { name: /By the door/ })).toBeVisible()
  await saved(page)
  expect((await rows('SELECT COUNT(*) AS n FROM readings WHERE job_id = ?', jobId))[0]!.n).toBeGreaterThan(5)
})

test('what is asked beside the wiring raises what is wrong: too little free conductor', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await page.getByLabel('Free conductor, the shortest (in)').fill('5')
  await page.getByLabel('Free conductor, the shortest (in)').press('Enter')
  await expect(page.getByText('Only 5 in of conductor is free (at least 6 in)')).toBeVisible()
  await page.getByLabel('Old plate').fill('one gang, painted over')
  await page.getByLabel('Old plate').press('Enter')
  await saved(page)
  expect(
    await rows('SELECT free_length_millimetres AS free, plate FROM boxes WHERE job_id = ?', jobId),
  ).toEqual([{ free: 127, plate: 'one gang, painted over' }])
})

test('a middle place with one thumb: a template, and what differs tapped on the drawing @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { cables: [], proven: false, box: { recorded: false } })
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  let presses = 0
  await page.exposeFunction('pressed', () => void presses++)
  await page.evaluate(() =>
    document.addEventListener(
      'pointerdown',
      () => void (window as never as { pressed: () => void }).pressed(),
      true,
    ),
  )
  await page.getByRole('button', { name: 'Middle place' }).click()
  const strand = page.getByRole('button', { name: /^Cable B, red/ })
  await expect(strand).toBeVisible()
  // A colour that has faded, a tape that somebody wound round it, and stranded copper.
  await tapStrand(page, (await strand.getAttribute('data-strand'))!)
  await page.getByLabel(/^Faded/).check()
  await pick(page, 'Marked with tape', 'Black')
  await pick(page, 'Strands', 'Stranded')
  await page.getByRole('button', { name: 'Done' }).click()
  await page.getByLabel('Everything that can be seen is recorded').check()
  await expect(
    page.getByRole('button', { name: /^Cable B, faded red marked black, 14 AWG stranded, on “Second pair/ }),
  ).toBeVisible()
  await saved(page)
  expect(presses).toBeLessThanOrEqual(7)
  const [row] = await rows(
    "SELECT faded, marked_as, stranding FROM conductors WHERE job_id = ? AND insulation = 'red' AND faded",
    jobId,
  )
  expect(row).toEqual({ faded: 1, marked_as: 'black', stranding: 'stranded' })
  expect(await rows('SELECT id FROM ends WHERE job_id = ?', jobId)).toHaveLength(8)
  expect(await rows('SELECT model_id FROM devices WHERE job_id = ?', jobId)).toEqual([
    { model_id: 'old-middle-switch' },
  ])
  // Each step back is one edit back, pressed as fast as a thumb can.
  await page.getByRole('button', { name: /^Undo/ }).click()
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(
    page.getByRole('button', { name: /^Cable B, faded red marked black, 14 AWG solid/ }),
  ).toBeVisible()
})
