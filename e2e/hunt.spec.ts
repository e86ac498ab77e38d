import { expect, test, type Page } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import type { JobRecord } from '@/core/model/record'
import { fedAtTheSwitch, passingThrough } from '@/demo/usual'
import { bringIn, bringInBox, bringInDemo, rows, saved, visit } from './helpers'

const press = (page: Page, name: string | RegExp) => page.getByRole('button', { name }).click()
const breaker = (page: Page) =>
  page
    .locator('[data-next]')
    .filter({ has: page.getByRole('heading', { name: 'Switch off breaker' }) })
    .locator('strong')

test('the hunt for a breaker: likeliest first, kept when the page is loaded again, found and listed @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-guest-room/look`)
  await page.getByRole('link', { name: 'Hunt for it' }).click()
  await expect(page.getByRole('heading', { level: 1, name: /Which breaker/ })).toBeVisible()
  await expect(page.getByText('May be live').first()).toBeVisible()
  await expect(breaker(page)).toHaveText('8')
  await expect(page.getByText(/Goes dark with it: .*Bedroom/)).toBeVisible()
  const house = page.getByRole('region', { name: 'The house with breaker 8 off' })
  await expect(house.getByRole('listitem').filter({ hasText: 'Guest room' })).toHaveText(/this box/)
  await expect(house.getByRole('listitem').filter({ hasText: /^Bedroom/ })).toHaveText(/goes dark/)
  await expect(house.getByRole('listitem').filter({ hasText: 'Playroom' })).not.toHaveText(/goes dark/)
  // One that is held off for other work is never offered.
  const order = page.getByRole('list').filter({ has: page.getByRole('button', { name: /Playroom, 1971/ }) })
  await expect(order.getByRole('button', { name: /Hall and stair/ })).toHaveCount(0)
  await expect(page.getByText(/Hall and stair” · off already/)).toBeVisible()

  await press(page, 'It stayed lit')
  await expect(breaker(page)).toHaveText('9')
  await expect(
    page
      .getByRole('region', { name: 'The house with breaker 9 off' })
      .getByRole('listitem')
      .filter({ hasText: 'Playroom' }),
  ).toHaveText(/goes dark/)
  await press(page, 'It may not be switched now')
  await expect(breaker(page)).not.toHaveText('9')
  await saved(page)
  await page.reload()
  await expect(page.getByText('Breaker 8 “Bedrooms” · stayed lit while it was off')).toBeVisible()

  // The one put off is taken out of its turn.
  await order.getByRole('button', { name: /Playroom, 1971/ }).click()
  await expect(breaker(page)).toHaveText('9')
  await press(page, 'Guest room ceiling went dark')
  await expect(
    page.getByRole('heading', { name: 'Breaker 9 “Playroom, 1971” feeds Guest room ceiling' }),
  ).toBeVisible()
  await page
    .getByRole('group', { name: /^Does its label/ })
    .getByRole('radio', { name: 'No', exact: true })
    .check()
  // What only a label said of this box, and the hunt spoke against.
  await press(page, 'It does not feed this box')
  await saved(page)
  expect(
    await rows("SELECT circuit_id, basis FROM feeds WHERE job_id = ? AND box_id = 'box-guest-room'", jobId),
  ).toEqual([{ circuit_id: 'circuit-9', basis: 'reading' }])
  expect(
    await rows('SELECT circuit_id, shows FROM breaker_tries WHERE job_id = ? ORDER BY seq', jobId),
  ).toEqual([
    { circuit_id: 'circuit-8', shows: 'stayed-lit' },
    { circuit_id: 'circuit-9', shows: 'not-tried' },
    { circuit_id: 'circuit-9', shows: 'went-dark' },
  ])
  const [last] = await rows(
    'SELECT circuit_id, `to` FROM switchings WHERE job_id = ? ORDER BY seq DESC LIMIT 1',
    jobId,
  )
  expect(last).toEqual({ circuit_id: 'circuit-9', to: 'off' })

  // The directory has grown by it, and its label is known to be wrong.
  await visit(page, `/jobs/${jobId}/panel`)
  const row = page
    .getByRole('row')
    .filter({ has: page.getByRole('button', { name: 'Edit breaker 9', exact: true }) })
  await expect(row).toContainText('Guest room')
  await expect(row).toContainText('Wrong')
})

/** A house of two circuits, so that the hunt comes to its end. */
const small = (record: JobRecord): JobRecord => {
  const keep = <Table extends Record<string, { circuitId: string | null }>>(table: Table) =>
    Object.fromEntries(
      Object.entries(table).filter(([, row]) => ['circuit-8', 'circuit-9'].includes(row.circuitId ?? '')),
    ) as unknown as Table
  const { 'circuit-8': eight, 'circuit-9': nine } = record.circuits
  return {
    ...record,
    circuits: { 'circuit-8': eight!, 'circuit-9': nine! },
    feeds: keep(record.feeds),
    switchings: keep(record.switchings),
    locks: keep(record.locks),
    keeps: {},
    ends: Object.fromEntries(
      Object.entries(record.ends).map(([id, end]) => [id, { ...end, roleCircuitId: null }]),
    ),
  }
}

test('nothing listed makes it dark: the main switch with all that goes dark, then stop', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, small(quillbackRoad()))
  await visit(page, `/jobs/${jobId}/boxes/box-guest-room/breaker`)
  await press(page, 'It stayed lit')
  await expect(page.getByText('stayed lit while it was off')).toHaveCount(1)
  await press(page, 'It stayed lit')
  await expect(page.getByRole('heading', { name: 'The main switch is left' })).toBeVisible()
  await expect(page.getByText(/all of this goes dark/)).toBeVisible()
  await press(page, 'It stayed on')
  await expect(page.getByRole('heading', { name: 'Stop: it is fed from elsewhere' })).toBeVisible()
  await expect(page.getByText(/Touch nothing; get help/)).toBeVisible()
  await saved(page)
  expect(
    await rows('SELECT circuit_id, shows FROM breaker_tries WHERE job_id = ? ORDER BY seq', jobId),
  ).toMatchObject([{}, {}, { circuit_id: null, shows: 'stayed-lit' }])
})

test('a box of two lines: a meter left at each says which breaker feeds it, and whose its neutrals are', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {
    breakers: ['7', '8'],
    cables: [...fedAtTheSwitch(true), ...passingThrough(true)],
  })
  await visit(page, `/jobs/${jobId}/boxes/box/test`)
  const which = page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Which breaker feeds which line?' }) })
    .last()
  await expect(which.getByRole('listitem')).toHaveCount(2)
  await which
    .getByRole('listitem')
    .filter({ hasText: 'C black' })
    .getByRole('link', { name: 'Hunt for its breaker' })
    .click()
  await expect(page.getByRole('radio', { name: 'A meter at C black' })).toBeChecked()
  await press(page, 'It stayed live')
  await press(page, 'The meter fell to 0 V')
  await expect(page.getByRole('heading', { name: 'Breaker 8 “Lights” feeds it' })).toBeVisible()
  await saved(page)
  expect(
    await rows(
      'SELECT id, role_circuit_id FROM ends WHERE job_id = ? AND role_circuit_id IS NOT NULL ORDER BY id',
      jobId,
    ),
  ).toEqual(
    ['box-c-black-1-end', 'box-c-white-2-end', 'box-d-black-1-end', 'box-d-white-2-end'].map(id => ({
      id,
      role_circuit_id: 'circuit-8',
    })),
  )
  expect(
    await rows('SELECT circuit_id, end_id, shows FROM breaker_tries WHERE job_id = ? ORDER BY seq', jobId),
  ).toEqual([
    { circuit_id: 'circuit-7', end_id: 'box-c-black-1-end', shows: 'stayed-lit' },
    { circuit_id: 'circuit-8', end_id: 'box-c-black-1-end', shows: 'went-dark' },
  ])
  // The other line is likelier on the other one.
  await page.getByRole('radio', { name: 'A meter at A black' }).check()
  await expect(breaker(page)).toHaveText('7')
  await visit(page, `/jobs/${jobId}/boxes/box/test`)
  await expect(which.getByRole('listitem')).toHaveCount(1)
  await expect(page.getByRole('button', { name: /^C black line, proven, breaker 8/ })).toBeVisible()
})

test('breakers that share a neutral are tied from either side; the directory prints alone', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/panel`)
  const row = (name: string) =>
    page
      .getByRole('row')
      .filter({ has: page.getByRole('button', { name: `Edit breaker ${name}`, exact: true }) })
  await expect(row('13')).toContainText('one neutral with 11, one handle')
  await page.getByRole('button', { name: 'Edit breaker 13', exact: true }).click()
  const tie = (of: string) =>
    page.getByRole('group', { name: of }).getByRole('checkbox', { name: '11: Studio A' })
  await tie('One handle with').uncheck()
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(row('11')).toContainText('no common handle: both off')
  await page.getByRole('button', { name: 'Edit breaker 13', exact: true }).click()
  await tie('Shares its neutral with').uncheck()
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(row('11')).not.toContainText('one neutral')
  await expect(row('13')).not.toContainText('one neutral')
  await saved(page)
  expect(
    await rows(
      'SELECT id FROM circuits WHERE job_id = ? AND COALESCE(shared_neutral_with_id, handle_with_id) IS NOT NULL',
      jobId,
    ),
  ).toEqual([])

  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('heading', { name: 'Quillback Road 27: panel directory' })).toBeVisible()
  await expect(page.getByRole('cell', { name: 'Playroom, 1971 (by its label only)' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Add a circuit', exact: true })).toBeHidden()
})
