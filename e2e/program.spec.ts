import { expect, test, type Locator, type Page } from '@playwright/test'
import type { KeyedIn, Program } from '@/core/model/light-program'
import { bringInBox, rows, saved, violations, visit } from './helpers'

const parsed = <Value>(value: unknown): Value =>
  (typeof value === 'string' ? JSON.parse(value) : value) as Value

async function stored(jobId: string): Promise<Program | null> {
  const [row] = await rows('SELECT program FROM programs WHERE job_id = ?', jobId)
  return row ? parsed<Program>(row.program) : null
}
const siteOf = async (jobId: string) => {
  const [row] = await rows('SELECT site FROM jobs WHERE id = ?', jobId)
  return parsed<{ town: string; latitude: number; longitude: number; zone: string } | null>(row!.site)
}
const made = async (jobId: string) =>
  Object.fromEntries(
    (await rows('SELECT setting_id, value FROM settings WHERE job_id = ?', jobId)).map(row => [
      row.setting_id as string,
      row.value as string,
    ]),
  )
const part = (page: Page, name: string | RegExp): Locator =>
  page
    .locator('section')
    .filter({ has: page.getByRole('heading', { name }) })
    .last()
const year = (page: Page) => page.getByRole('img', { name: /a day across, an hour down$/ })
const event = (page: Page, at: number) =>
  page.getByRole('listitem').filter({ has: page.getByRole('group', { name: `Event ${at}` }) })

test('a program is made, its year looked at, and keyed in @phone', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'time-switch-sun' })
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await page.getByRole('button', { name: 'Dusk to 23:00', exact: true }).click()
  const keep = page.getByRole('button', { name: 'Keep the program' })

  // By the sun: nothing is drawn or kept before it is said where the house stands.
  await expect(page.getByText('Dusk and dawn are known once')).toBeVisible()
  await expect(keep).toBeDisabled()
  await expect(year(page)).toHaveCount(0)
  await page.getByLabel('Nearest town').fill('tromso')
  await page.getByRole('button', { name: /^Tromsø/ }).click()
  await saved(page)
  expect(await siteOf(jobId)).toMatchObject({ town: 'Tromsø', zone: 'Europe/Oslo' })
  await expect(year(page)).toBeVisible()
  const differing = part(page, /^The year/).getByRole('listitem')
  await expect(differing.filter({ hasText: 'On at dusk' }).first()).toContainText('it does not happen')

  // Elsewhere, by its figures: the zone of the nearest town is put before whoever keeps it.
  await page.getByRole('button', { name: 'It stands elsewhere' }).click()
  await page.getByText('By figures, or where this phone is').click()
  await page.getByLabel('Time zone').fill('')
  await page.getByLabel('Latitude, north (°)').fill('44.1')
  await page.getByLabel('Longitude, east (°)').fill('-69.1')
  await expect(page.getByLabel('Time zone')).toHaveValue('America/New_York')
  await page.getByLabel('Time zone').fill('Nowhere/At-All')
  await page.getByRole('button', { name: 'It stands here' }).click()
  await expect(
    page.getByRole('alert').filter({ hasText: 'No zone is called “Nowhere/At-All”.' }),
  ).toBeVisible()
  expect((await siteOf(jobId))!.town).toBe('Tromsø')
  await page.getByLabel('Time zone').fill('America/New_York')
  await page.getByRole('button', { name: 'It stands here' }).click()
  await saved(page)
  expect(await siteOf(jobId)).toEqual({
    town: '',
    latitude: 44.1,
    longitude: -69.1,
    zone: 'America/New_York',
  })
  await expect(differing).toHaveCount(0)

  // Kept, looked at, taken out.
  await keep.click()
  await saved(page)
  expect(await stored(jobId)).toMatchObject({ events: [{ turns: 'on' }, { turns: 'off' }] })
  const hours = part(page, /^The year/).getByRole('status')
  await expect(hours).toHaveText(/Lit [\d,]+ hours/)
  const lit = Number(/Lit ([\d,]+) hours/.exec((await hours.textContent())!)![1]!.replace(',', ''))
  const shown = Number(
    /\d{4}/.exec((await page.getByRole('heading', { name: /^The year \d/ }).textContent())!)![0],
  )
  const calendar = await (
    await request.get(
      (await page.getByRole('link', { name: /^Calendar file/ }).getAttribute('href')) as string,
    )
  ).text()
  const stamps = (name: string) =>
    [...calendar.matchAll(new RegExp(`^${name}:(\\d{8}T\\d{6}Z)`, 'gm'))].map(([, at]) =>
      Date.parse(at!.replace(/(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z/, '$1-$2-$3T$4:$5:$6Z')),
    )
  const [begins, ends] = [stamps('DTSTART'), stamps('DTEND')]
  expect(begins.length).toBe(shown % 4 === 0 ? 366 : 365)
  const inFile = begins.reduce((sum, begin, at) => sum + (ends[at]! - begin) / 3_600_000, 0)
  expect(Math.abs(inFile - lit)).toBeLessThan(1)
  const table = await (
    await request.get((await page.getByRole('link', { name: /^Table/ }).getAttribute('href')) as string)
  ).text()
  expect(table.trim().split(/\r?\n/)).toHaveLength(2 * begins.length + 1)
  expect(await violations(page)).toEqual([])

  // Keyed in; what is changed after that is to be keyed in again.
  await page.getByRole('button', { name: 'It is keyed in' }).click()
  await saved(page)
  expect(await made(jobId)).toMatchObject({ program: 'its own program', 'daylight-saving': 'on' })
  await page.getByRole('button', { name: 'Change the program' }).click()
  await event(page, 1).getByLabel('After dusk (before: less than 0) (min)').fill('20')
  await page.keyboard.press('Enter')
  await keep.click()
  await saved(page)
  expect((await stored(jobId))!.events[0]!.when).toEqual({ kind: 'dusk', plus: 20 })
  const keyIn = page.getByRole('button', { name: 'It is keyed in' })
  await keyIn.click()
  await saved(page)
  await expect(page.getByRole('button', { name: 'Keyed in', exact: true })).toBeDisabled()
  const [row] = await rows("SELECT keyed FROM settings WHERE job_id = ? AND setting_id = 'program'", jobId)
  expect(parsed<KeyedIn>(row!.keyed)).toMatchObject({
    program: { events: [{ when: { kind: 'dusk', plus: 20 } }, {}] },
    site: { latitude: 44.1 },
  })
  // So is what it was keyed in with for a house that stands elsewhere.
  await page.getByRole('button', { name: 'It stands elsewhere' }).click()
  await page.getByLabel('Nearest town').fill('portland, maine')
  await page.getByRole('button', { name: /^Portland/ }).click()
  await saved(page)
  await expect(keyIn).toBeEnabled()
})

test('what stays on is said before it is kept, with what ends it; what never happens is not kept', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'time-switch-sun' })
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await page.getByRole('button', { name: 'Set hours of an evening' }).click()
  // Clock times need no place.
  await expect(year(page)).toBeVisible()
  await page.getByRole('button', { name: 'Take event 2 out' }).click()
  const warned = page.getByRole('alert').filter({ hasText: 'it is lit day and night' })
  await expect(warned).toBeVisible()
  await warned.getByRole('button', { name: 'Add: off at dawn, every day' }).click()
  await expect(warned).toHaveCount(0)

  // On no day of the week.
  await event(page, 1).getByText('Days, dates, nights without sun').click()
  for (const day of ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'])
    await event(page, 1).getByLabel(day).uncheck()
  await expect(
    page.getByRole('alert').filter({ hasText: 'Event 1: it happens on no day of the week' }),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep the program' })).toBeDisabled()

  // What is being made stays over a reload, and is left by a press.
  await page.reload()
  await expect(page.getByRole('alert').filter({ hasText: 'it happens on no day' })).toBeVisible()
  await page.getByRole('button', { name: 'Leave it as it was' }).click()
  await expect(page.getByRole('button', { name: 'Dusk to dawn', exact: true })).toBeVisible()
  expect(await stored(jobId)).toBeNull()
})

test('what somebody kept meanwhile is not overwritten unasked', async ({ page, context, request }) => {
  const jobId = await bringInBox(request, { choice: 'time-switch-sun' })
  const second = await context.newPage()
  for (const each of [page, second]) {
    await visit(each, `/jobs/${jobId}/boxes/box/set`)
    await each.getByRole('button', { name: 'Set hours of an evening' }).click()
  }
  const at = (each: Page, time: string) => event(each, 1).getByLabel('Clock time').fill(time)
  await at(page, '19:00')
  await at(second, '20:00')
  await second.getByRole('button', { name: 'Keep the program' }).click()
  await saved(second)
  const overtaken = page.getByRole('alert').filter({ hasText: 'Somebody kept another program meanwhile' })
  await expect(overtaken).toBeVisible()
  await expect(page.getByRole('button', { name: 'Keep the program' })).toBeDisabled()
  expect((await stored(jobId))!.events[0]!.when).toEqual({ kind: 'clock', minute: 1200 })
  await overtaken.getByRole('button', { name: 'Go on with this one' }).click()
  await page.getByRole('button', { name: 'Keep the program' }).click()
  await saved(page)
  expect((await stored(jobId))!.events[0]!.when).toEqual({ kind: 'clock', minute: 1140 })
})

test('a clock is offered only what it can keep; by keys alone', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'time-switch-sun-two-wire' })
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  const usual = page.getByRole('group', { name: 'Usual programs' })
  // It knows no pairs and no lots.
  await expect(usual.getByRole('button')).toHaveText(['Dusk to dawn', 'Set hours of an evening'])
  await usual.getByRole('button', { name: 'Set hours of an evening' }).focus()
  await page.keyboard.press('Enter')
  const at = event(page, 1).getByLabel('Event 1: at')
  await at.focus()
  await expect(at.getByRole('option')).toHaveText(['a clock time', 'dusk', 'dawn'])
  await page.getByRole('button', { name: 'Keep the program' }).focus()
  await page.keyboard.press('Enter')
  await saved(page)
  expect(await stored(jobId)).toMatchObject({
    events: [{ when: { minute: 1080 } }, { when: { minute: 1350 } }],
  })
})

test('towns are asked for by name or position, and anything else is refused with its field', async ({
  request,
}) => {
  const near = await request.get('/api/towns?latitude=44.1&longitude=-69.1')
  expect(await near.json()).toMatchObject({ town: { zone: 'America/New_York' } })
  for (const [query, path] of [
    ['called=', '/called'],
    ['latitude=91&longitude=0', '/latitude'],
    ['latitude=1', '/longitude'],
  ] as const) {
    const answer = await request.get(`/api/towns?${query}`)
    expect(answer.status(), query).toBe(422)
    expect(
      (await answer.json()).faults.map((each: { path: string }) => each.path),
      query,
    ).toContain(path)
  }
  const file = await request.get('/api/jobs/quillback-road-27/programs/no-such-place?as=ics&year=2027')
  expect(file.status()).toBe(404)
})
