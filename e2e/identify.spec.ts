import { BLANK } from '@/core/model/blank-rows'
import { expect, test, type Page } from '@playwright/test'
import { readingFor, type Answer, type Question } from '@/core/identify'
import { bareJob, fedAtTheSwitch, usualBox } from '@/demo/usual'
import { bringIn, lockOff, pick, rows, saved, visit, seenBeside } from './helpers'
import {
  answers,
  answerToTheEnd,
  answerTruly,
  card,
  open,
  press,
  prove,
  readings,
  settled,
  unread,
} from './test-stage'

/** The page is looked at again, and has taken in what happened elsewhere. */
async function comeBack(page: Page, jobId: string) {
  const fetched = page.waitForResponse(answer => answer.url().endsWith(`/api/jobs/${jobId}/hearing`))
  await page.evaluate(() => window.dispatchEvent(new Event('focus')))
  await fetched
  await page.evaluate(() => new Promise(done => requestAnimationFrame(() => setTimeout(done, 50))))
  await settled(page)
}

test('a box that nobody has read: question after question until every conductor is proven @phone', async ({
  page,
  request,
}) => {
  const jobId = await open(page, request)
  await pick(page, 'Work the switch twice. Does Ceiling light come on and go off every time?', 'Every time')
  // Nothing is read live before the tester and the reference were proved.
  await expect(answers(page).getByRole('button').first()).toBeDisabled()
  await prove(page)
  await expect(answers(page).getByRole('button').first()).toBeEnabled()
  await answerToTheEnd(page, jobId)
  await expect(page.getByRole('heading', { name: 'Every conductor is proven' })).toBeVisible()

  await press(page, 'Take these roles over')
  await expect(page.getByRole('button', { name: 'Take these roles over' })).toHaveCount(0)
  await saved(page)
  const roles = await rows('SELECT id, role FROM ends WHERE job_id = ? ORDER BY id', jobId)
  expect(roles.map(({ role }) => role)).toEqual([
    'ground',
    'line',
    'neutral',
    'ground',
    'switched-load',
    'neutral',
  ])
  const found = await rows('SELECT role, proof FROM findings WHERE job_id = ?', jobId)
  expect(found).toHaveLength(6)
  expect(new Set(found.map(({ proof }) => proof))).toEqual(new Set(['proven']))
  await expect(page.getByRole('button', { name: /^A black line, proven/ })).toBeVisible()

  // What rests on a reading falls with it.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Take these roles over' })).toBeVisible()
  await saved(page)
  expect(await rows('SELECT id FROM findings WHERE job_id = ?', jobId)).toHaveLength(0)
})

test('a misread answer: it stops, names the readings, and asks for one of them again', async ({
  page,
  request,
}) => {
  // All true but the fourth.
  const shown: readonly [from: string, to: string | null, apart: boolean, works: boolean, answer: Answer][] =
    [
      ['a-black-1', 'a-bare-3', false, true, 'stays-live'],
      ['a-black-1', null, false, true, 'stays-live'],
      ['a-black-1', 'a-white-2', false, false, 'nominal'],
      ['a-black-1', 'a-white-2', false, true, 'stays-dead'],
      ['a-black-1', 'a-white-2', false, true, 'stays-live'],
      ['a-black-1', 'b-black-1', true, false, 'dead'],
      ['b-black-1', null, true, false, 'dead'],
    ]
  const end = (name: string) => ({ kind: 'end' as const, end: `box-${name}-end` })
  const jobId = await bringIn(
    request,
    unread(record => ({
      ...record,
      groups: Object.fromEntries(
        Object.entries(record.groups).map(([id, group]) => [id, { ...group, behaves: 'answers' as const }]),
      ),
      readings: Object.fromEntries(
        shown.map(([from, to, apart, works, answer], at) => {
          const question: Question = {
            kind: 'volts',
            power: 'on',
            apart: apart ? ['box'] : [],
            from: end(from),
            to: to === null ? { kind: 'earth' } : end(to),
            work: works ? 'box-1-old' : null,
          }
          const row = readingFor(question, answer, /dead/.test(answer) ? 0 : 120, 1)
          return [`r${at}`, { ...row, id: `r${at}`, boxId: 'box', seq: at, at: '2026-03-02T08:00:00.000Z' }]
        }),
      ),
    })),
  )
  await visit(page, `/jobs/${jobId}/boxes/box/test`)
  await expect(
    page.getByRole('heading', { name: 'Stop: these readings cannot stand together' }),
  ).toBeVisible()
  await expect(page.getByText('Usual causes')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Read this again first' })).toBeVisible()
  await expect(page.getByText(/its readings contradict each other/).first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Take these roles over' })).toHaveCount(0)
  await prove(page)
  const before = await readings(jobId)
  await answers(page).getByRole('button').first().click()
  await expect.poll(() => readings(jobId)).toBeGreaterThanOrEqual(before)
  await saved(page)
})

test('refresh, a lost connection and a second phone: nothing lost, nothing doubled', async ({
  page,
  request,
  context,
}) => {
  const jobId = await open(page, request)
  await pick(page, 'Work the switch twice. Does Ceiling light come on and go off every time?', 'Every time')
  await prove(page)
  await saved(page)
  await context.route('**/commands', route => route.abort())
  await answerTruly(page)
  await expect(page.getByText('Kept here, waiting for the server')).toBeVisible()
  expect(await readings(jobId)).toBe(0)
  await page.reload()
  await context.unroute('**/commands')
  await saved(page)
  await expect.poll(() => readings(jobId)).toBe(1)

  const second = await context.newPage()
  // It hears of others only when it is looked at.
  await second.route('**/events?*', route => route.abort())
  await visit(second, `/jobs/${jobId}/boxes/box/test`)
  await expect(answers(second).getByRole('button').first()).toBeEnabled()
  await answerTruly(second)
  await saved(second)
  await expect.poll(() => readings(jobId)).toBe(2)
  // The first one, brought to the front, goes on from what both have read.
  await comeBack(page, jobId)
  await answerToTheEnd(page, jobId)
  await expect(page.getByRole('heading', { name: 'Every conductor is proven' })).toBeVisible()

  // Both take the roles over: the later one is shown that somebody was first.
  await comeBack(second, jobId)
  await expect(second.getByRole('button', { name: 'Take these roles over' })).toBeVisible()
  // From here on it does not hear that somebody did.
  await second.route('**/hearing', route => route.abort())
  await press(page, 'Take these roles over')
  await saved(page)
  await press(second, 'Take these roles over')
  await expect(
    second.getByRole('alert').filter({ hasText: 'Somebody else was quicker' }).first(),
  ).toBeVisible()
  expect(await rows('SELECT id FROM findings WHERE job_id = ?', jobId)).toHaveLength(6)
})

test('dead only: conductors come apart in a dead box, and no sooner', async ({ page, request }) => {
  const jobId = await open(
    page,
    request,
    unread(record => ({
      ...record,
      houseRules: { rule: { id: 'rule', ruleId: 'finding-line', value: 'dead' } },
      groups: Object.fromEntries(
        Object.entries(record.groups).map(([id, group]) => [id, { ...group, behaves: 'answers' as const }]),
      ),
    })),
  )
  await expect(card(page).getByText('Continuity', { exact: false }).first()).toBeVisible()
  const steps = page.getByRole('list', { name: 'Before it' })
  await expect(steps.getByText(/^Make .* dead: 0 of 6 conductors read dead/)).toBeVisible()
  await expect(answers(page).getByRole('button', { name: 'Sounds' })).toBeDisabled()

  // Nobody gets round it: the server refuses the tick as well.
  const tick = {
    id: `tick-${jobId}`,
    origin: await seenBeside(request, jobId),
    name: 'tick a step',
    boxId: 'box',
    edits: [
      {
        kind: 'add',
        entity: 'steps',
        row: {
          asked: null,
          id: 'apart',
          boxId: 'box',
          stepKey: 'test:apart',
          seq: 0,
          at: '1970-01-01T00:00:00.000Z',
          note: '',
        },
      },
    ],
  }
  const answer = (await (await request.post(`/api/jobs/${jobId}/commands`, { data: tick })).json()) as {
    kind: string
    faults: { message: string }[]
  }
  expect(answer.kind).toBe('refused')
  expect(answer.faults[0]!.message).toContain('not read dead at every conductor')

  await press(page, 'It read 120 V')
  await press(page, /^Live point to/)
  await lockOff(page)
  for (let conductor = 0; conductor < 6; conductor++) {
    const next = page.getByRole('button', { name: /: 0 V$/ }).first()
    if (!(await next.isVisible())) break
    await next.click()
  }
  await press(page, 'It read 120 V')
  await expect(page.getByText(/^Read dead: 6 of 6 conductors/)).toBeVisible()
  await expect(steps.getByText(/^Clamp A white before its joint is opened/)).toBeVisible()
  // A current where the power is off is another circuit's return: recorded, and still held.
  await steps.getByLabel('Another, as it shows it (A)').fill('0.4')
  await steps.getByLabel('Another, as it shows it (A)').press('Enter')
  await saved(page)
  expect(
    await rows("SELECT value, breaker FROM readings WHERE job_id = ? AND purpose = 'clamp'", jobId),
  ).toEqual([{ value: 0.4, breaker: 'off' }])
  await expect(steps.getByRole('button', { name: 'All apart' })).toHaveCount(0)
  // A clamp that shows whole amperes tells nothing.
  await steps.getByLabel('Another, as it shows it (A)').fill('0')
  await expect(steps.getByText(/shows 0 while a lamp is lit/)).toBeVisible()
  await expect(steps.getByRole('button', { name: 'Record' })).toBeDisabled()
  await steps.getByRole('button', { name: 'A white: it shows 0.00 A' }).click()
  await steps.getByRole('button', { name: 'B white: it shows 0.0 A' }).click()
  await steps.getByRole('button', { name: 'All apart' }).click()
  // What was let out of its joint is read on its own, before hands; then the tester once more.
  for (const name of ['A white', 'B white']) {
    await expect(steps.getByText(`Hands off: read ${name} to ground`)).toBeVisible()
    await steps.getByRole('button', { name: `${name}: 0 V` }).click()
  }
  await press(page, 'It read 120 V')
  await expect(answers(page).getByRole('button', { name: 'Sounds' })).toBeEnabled()
  await saved(page)
  expect(await rows('SELECT step_key FROM steps WHERE job_id = ?', jobId)).toEqual([
    { step_key: 'test:apart' },
  ])
})

test('the demo house is measured with the simulated tester', async ({ page, request }) => {
  await request.post('/api/demo/quillback-road-27/reset')
  const jobId = 'quillback-road-27'
  await visit(page, `/jobs/${jobId}/boxes/box-playroom/test`)
  await pick(
    page,
    'Work the switch twice. Does Playroom ceiling come on and go off every time?',
    'Every time',
  )
  await prove(page)
  await saved(page)
  await settled(page)
  for (let count = 0; count < 20; count++) {
    if (await page.getByRole('heading', { name: 'Every conductor is proven' }).isVisible()) break
    const taken = () =>
      rows(
        "SELECT id FROM readings WHERE job_id = ? AND box_id = 'box-playroom' AND note = 'simulated tester'",
        jobId,
      )
    const before = (await taken()).length
    await press(page, 'Hold the simulated tester to it')
    await expect.poll(async () => (await taken()).length).toBe(before + 1)
    await saved(page)
    await settled(page)
  }
  await expect(page.getByRole('heading', { name: 'Every conductor is proven' })).toBeVisible()
  // Every reading of the box that identifies something says where it came from.
  const unmarked = await rows(
    "SELECT id FROM readings WHERE job_id = ? AND box_id = 'box-playroom' AND answer IS NOT NULL AND struck IS NULL AND note <> 'simulated tester'",
    jobId,
  )
  expect(unmarked).toEqual([])
  await request.post('/api/demo/quillback-road-27/reset')
})

test('not sure is asked again after the next reading; what cannot be taken only when asked for', async ({
  page,
  request,
}) => {
  const jobId = await open(page, request)
  await prove(page)
  await saved(page)
  await settled(page)
  const places = () => card(page).getByRole('listitem').allInnerTexts()
  const first = await places()
  await press(page, 'Not sure what it showed')
  await expect.poll(places).not.toEqual(first)
  // A page loaded again does not ask what was just left out.
  await page.reload()
  await settled(page)
  expect(await places()).not.toEqual(first)
  expect(await readings(jobId)).toBe(0)
  await press(page, 'Can’t take it')
  await settled(page)
  await answerTruly(page)
  await saved(page)
  await settled(page)
  const left = await page.evaluate(() =>
    Object.entries(sessionStorage).flatMap(([name, value]) => (name.startsWith('left out') ? [value] : [])),
  )
  expect(JSON.parse(left[0]!)).toMatchObject([{ until: 1 }, { until: null }])
  expect(await readings(jobId)).toBe(1)
})

test('no breaker goes on over a box that is apart and bare: it is capped and covered first, whoever switches', async ({
  page,
  request,
}) => {
  const { record } = usualBox({ isolated: true })
  const at = '2026-03-02T12:00:00.000Z'
  const apart = { id: 'apart', boxId: 'box', stepKey: 'test:apart', ...BLANK.steps, seq: 1, at }
  const crew = { id: 'wren', name: 'Wren Alder', readsLive: true, atPanel: false }
  const jobId = await bringIn(request, { ...record, steps: { apart }, crew: { wren: crew } })
  const tick = async (stepKey: string) => {
    const row = { id: stepKey.replace(':', '-'), boxId: 'box', stepKey, ...BLANK.steps }
    const answer = await request.post(`/api/jobs/${jobId}/commands`, {
      data: {
        id: `${jobId}-${row.id}`,
        origin: await seenBeside(request, jobId),
        name: 'tick a step',
        boxId: 'box',
        edits: [{ kind: 'add', entity: 'steps', row }],
      },
    })
    return (await answer.json()) as { kind: string; faults?: { message: string }[] }
  }
  const on = "SELECT id FROM switchings WHERE job_id = ? AND `to` = 'on'"
  const sheet = async () => {
    await visit(page, `/jobs/${jobId}/panel`)
    await page.getByRole('button', { name: 'Edit breaker 7', exact: true }).click()
    return page.getByRole('dialog')
  }
  const bare = await sheet()
  await expect(bare.getByRole('definition').filter({ hasText: 'Wren Alder' })).toBeVisible()
  await expect(bare.getByText('bare', { exact: true })).toBeVisible()
  await bare.getByRole('button', { name: 'Electrician: lock off. Switched on' }).click()
  await expect(
    page.getByText(/Room, By the door is apart: cap each conductor by itself and cover it/).first(),
  ).toBeVisible()
  expect(await rows(on, jobId)).toEqual([])

  // One person alone goes to the panel, so that nobody stands at the box meanwhile.
  const alone = await tick('test:attended')
  expect(alone.kind).toBe('refused')
  expect(alone.faults![0]!.message).toContain('nobody is left to stand here')
  expect((await tick('test:made-safe')).kind).toBe('applied')
  const safe = await sheet()
  await expect(safe.getByText('capped and covered', { exact: true })).toBeVisible()
  await safe.getByRole('button', { name: 'Electrician: lock off. Switched on' }).click()
  await expect.poll(() => rows(on, jobId)).toHaveLength(1)
})

test('a box left apart elsewhere is made safe on the way to a live reading, one press at a time @phone', async ({
  page,
  request,
}) => {
  const job = bareJob('two-boxes')
  for (const [id, name] of [
    ['one', 'By the door'],
    ['two', 'By the window'],
  ] as const)
    job.box({
      ...{ id, name, room: 'room', breakers: ['7'], cables: fedAtTheSwitch(true) },
      controls: [{ group: `light-${id}`, name: `Light ${id}`, old: 'old-switch' }],
    })
  job.isolate('one')
  const apart = {
    ...{ id: 'apart', boxId: 'one', stepKey: 'test:apart', ...BLANK.steps, seq: 1 },
    at: '2026-03-02T12:00:00.000Z',
  }
  const jobId = await bringIn(request, { ...job.record(), steps: { apart } })
  await visit(page, `/jobs/${jobId}/boxes/two/test`)
  await page.getByRole('radio', { name: 'Every time', exact: true }).click()
  const steps = page.getByRole('list', { name: 'Before it' })
  await steps.getByRole('button', { name: 'It read 120 V' }).click()
  await steps
    .getByRole('button', { name: /^Live point to/ })
    .first()
    .click()
  await expect(steps.getByText('Room, By the door is not left bare when the power comes on')).toBeVisible()
  await steps.getByRole('button', { name: 'Capped and covered' }).click()
  await expect(steps.getByText('capped and covered', { exact: true })).toBeVisible()
  await saved(page)
  // Taken back where it was done, in the other box, it is asked for again.
  await visit(page, `/jobs/${jobId}/boxes/one/test`)
  await page.getByRole('button', { name: 'Undo: tick a step' }).click()
  await saved(page)
  expect(await rows("SELECT id FROM steps WHERE job_id = ? AND step_key = 'test:made-safe'", jobId)).toEqual(
    [],
  )
  await visit(page, `/jobs/${jobId}/boxes/two/test`)
  await steps.getByRole('button', { name: 'Capped and covered' }).click()
  const on = steps.getByRole('button', { name: 'Breaker 7 on' })
  await expect(on).toBeInViewport()
  await on.click()
  await saved(page)
  expect(await rows("SELECT id FROM switchings WHERE job_id = ? AND `to` = 'on'", jobId)).toHaveLength(1)
  expect(await rows('SELECT step_key FROM steps WHERE job_id = ? ORDER BY seq', jobId)).toEqual([
    { step_key: 'test:apart' },
    { step_key: 'test:made-safe' },
  ])
})
