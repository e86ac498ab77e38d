import { expect, test } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import { unfold } from './hand'
import { bringIn, bringInBox, rows, saved, visit, seenBeside, quiet } from './helpers'

test('a reading is put right, struck out, and counts again', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'switch-plain-15' })
  await visit(page, `/jobs/${jobId}/boxes/box/test`)
  await quiet(page)
  await unfold(page, 'All that was read and switched here')
  const reading = async () =>
    (
      await rows(
        "SELECT value, struck, corrected, note FROM readings WHERE job_id = ? AND purpose = 'identify' AND from_end_id = 'box-a-black-1-end' ORDER BY seq DESC LIMIT 1",
        jobId,
      )
    )[0]
  const was = (await reading())!.value as number
  await page
    .getByRole('button', { name: new RegExp(`^Correct: A black to .*: ${was} V`) })
    .first()
    .click()
  await page.getByLabel('It read (V)').fill('121')
  await page.getByRole('group', { name: 'Put right: why?' }).getByRole('button', { name: 'Misread' }).click()
  await saved(page)
  expect(await reading()).toMatchObject({ value: 121, corrected: `was ${was} V: Misread`, struck: null })
  await page.getByRole('button', { name: /^Strike out: A black to .*: 121 V/ }).click()
  await page
    .getByRole('group', { name: 'Struck out: why?' })
    .getByRole('button', { name: 'Not taken at all' })
    .click()
  await saved(page)
  expect(await reading()).toMatchObject({ struck: 'Not taken at all' })
  // It stays in sight, and what rested on it falls: one reading is left for the line.
  await expect(page.getByText('struck out: Not taken at all')).toBeVisible()
  await expect(page.getByRole('button', { name: /^A black line, indicated/ })).toBeVisible()
  await page.getByRole('button', { name: /^Let it count again: A black to/ }).click()
  await saved(page)
  expect(await reading()).toMatchObject({ struck: null })
  await page.getByRole('button', { name: /^Note on: A black to .*: 121 V/ }).click()
  await page.getByLabel('Note on this reading').fill('At the hall receptacle')
  await page.getByLabel('Note on this reading').blur()
  await saved(page)
  expect(await reading()).toMatchObject({ note: 'At the hall receptacle' })

  // What hands rely on is struck out and read again, never put right: here, and at the server's door.
  await page.getByRole('button', { name: 'It read 120 V' }).first().click()
  await saved(page)
  await expect(
    page.getByRole('button', { name: /^Strike out: to known live point: 120 V/ }).first(),
  ).toBeVisible()
  await expect(page.getByRole('button', { name: /^Correct: to known live point/ })).toHaveCount(0)
  const [tester] = await rows(
    "SELECT id, version FROM readings WHERE job_id = ? AND purpose = 'tester' ORDER BY seq DESC LIMIT 1",
    jobId,
  )
  const answer = await request.post(`/api/jobs/${jobId}/commands`, {
    data: {
      id: `right-${Date.now()}`,
      origin: await seenBeside(request, jobId),
      name: 'correct a reading',
      boxId: 'box',
      edits: [
        {
          kind: 'change',
          entity: 'readings',
          id: tester!.id,
          based: tester!.version,
          fields: { value: 118 },
        },
      ],
    },
  })
  expect(answer.status()).toBe(422)
})

test('any breaker is switched from the panel, and a switching struck out with its reason', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/panel`)
  const last = async (circuit: string | null) =>
    (
      await rows(
        `SELECT circuit_id, \`to\`, found_so, struck FROM switchings WHERE job_id = ? AND circuit_id ${circuit === null ? 'IS NULL' : '= ?'} ORDER BY seq DESC LIMIT 1`,
        ...(circuit === null ? [jobId] : [jobId, circuit]),
      )
    )[0]
  await page.getByRole('button', { name: 'Edit breaker 6', exact: true }).click()
  const sheet = page.getByRole('dialog')
  for (const [press, to, found] of [
    ['Switched off', 'off', 0],
    ['Switched on', 'on', 0],
    ['Found on', 'on', 1],
    ['Switched off', 'off', 0],
  ] as const) {
    await sheet.getByRole('button', { name: press, exact: true }).click()
    await saved(page)
    expect(await last('circuit-6')).toMatchObject({ to, found_so: found, struck: null })
  }
  await sheet.getByRole('button', { name: 'Close' }).click()
  await page
    .getByRole('region', { name: 'Main switch' })
    .getByRole('button', { name: 'Switched off', exact: true })
    .click()
  await saved(page)
  expect(await last(null)).toMatchObject({ to: 'off' })
  await visit(page, `/jobs/${jobId}/boxes/box-reading-room/test`)
  await quiet(page)
  await unfold(page, 'All that was read and switched here')
  await page.getByRole('button', { name: 'Strike out: Breaker 6 off' }).first().click()
  await page
    .getByRole('group', { name: 'Struck out: why?' })
    .getByLabel('In other words')
    .fill('It was breaker 8')
  await page.getByRole('group', { name: 'Struck out: why?' }).getByRole('button', { name: 'Record' }).click()
  await saved(page)
  expect(await last('circuit-6')).toMatchObject({ struck: 'It was breaker 8' })
  await page.getByRole('button', { name: 'Undo: strike out a switching' }).click()
  await saved(page)
  expect(await last('circuit-6')).toMatchObject({ struck: null })
})

test('a try of the hunt has its note, and is taken back', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/box-guest-room/breaker`)
  await quiet(page)
  await page
    .getByRole('button', { name: /^It stayed/ })
    .first()
    .click()
  await saved(page)
  await unfold(page, 'Tries: 1')
  const note = page.getByLabel(/stayed lit/)
  await note.fill('The hall went dark instead')
  await note.blur()
  await saved(page)
  expect(await rows('SELECT shows, note FROM breaker_tries WHERE job_id = ?', jobId)).toEqual([
    { shows: 'stayed-lit', note: 'The hall went dark instead' },
  ])
  await page.getByRole('button', { name: /^Take this try back/ }).click()
  await saved(page)
  expect(await rows('SELECT id FROM breaker_tries WHERE job_id = ?', jobId)).toEqual([])
})

test('words and rank of a defect while it is open, and its note', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/box-hall/look`)
  await quiet(page)
  await unfold(page, 'Add one that you see')
  await page.getByLabel('What is wrong').fill('Scorched strap')
  await page.getByRole('button', { name: 'Add the defect' }).click()
  await saved(page)
  const defect = page.getByRole('listitem').filter({ hasText: 'Scorched' })
  await defect.locator('summary').click()
  await defect.getByLabel('What is wrong').fill('Scorched strap and screw')
  await defect.getByLabel('What is wrong').blur()
  for (const severity of ['Remark', 'Danger', 'Defect'])
    await defect.getByRole('group', { name: 'How bad' }).getByRole('radio', { name: severity }).check()
  await defect.getByLabel('Note on it').fill('Smells')
  await defect.getByLabel('Note on it').blur()
  await saved(page)
  expect(
    await rows("SELECT what, severity, note FROM defects WHERE job_id = ? AND what LIKE 'Scorched%'", jobId),
  ).toEqual([{ what: 'Scorched strap and screw', severity: 'defect', note: 'Smells' }])
})

test('handed over on an earlier day', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/defects`)
  await page
    .getByRole('button', { name: /^Hand over/ })
    .first()
    .click()
  await page.getByLabel('On', { exact: true }).fill('2026-03-01')
  await expect(page.getByText('March 1, 2026')).toBeVisible()
  await page.getByRole('button', { name: 'It was handed over' }).click()
  await saved(page)
  const dates = await rows(
    "SELECT DISTINCT handed_on FROM defects WHERE job_id = ? AND state = 'deferred'",
    jobId,
  )
  expect(dates).toContainEqual({ handed_on: '2026-03-01' })
})

test('a step has its note; a setting and a test are taken back, with what was read', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, quillbackRoad())
  const [{ id: doneBox }] = (await rows(
    'SELECT p.box_id AS id FROM tests t JOIN places p ON p.job_id = t.job_id AND p.id = t.place_id WHERE t.job_id = ? LIMIT 1',
    jobId,
  )) as [{ id: string }]
  await visit(page, `/jobs/${jobId}/boxes/${doneBox}/prove`)
  await quiet(page)
  const tests = () =>
    rows(
      'SELECT t.outcome, t.measured, t.note FROM tests t JOIN places p ON p.job_id = t.job_id AND p.id = t.place_id WHERE t.job_id = ? AND p.box_id = ? ORDER BY t.seq DESC',
      jobId,
      doneBox,
    )
  const count = (await tests()).length
  await page.getByRole('radio', { name: 'Failed' }).first().check()
  await page.getByLabel('What happened').fill('Open at the luminaire')
  await page.getByLabel('What happened').blur()
  await page.getByLabel('It read', { exact: true }).first().fill('2.4 Ω')
  await page.getByLabel('It read', { exact: true }).first().blur()
  await saved(page)
  expect((await tests())[0]).toEqual({ outcome: 'fail', measured: '2.4 Ω', note: 'Open at the luminaire' })
  await page
    .getByRole('button', { name: /^Take it back/ })
    .first()
    .click()
  await saved(page)
  expect(await tests()).toHaveLength(count - 1)
  await visit(page, `/jobs/${jobId}/boxes/${doneBox}/set`)
  const settings = () =>
    rows(
      'SELECT s.value FROM settings s JOIN places p ON p.job_id = s.job_id AND p.id = s.place_id WHERE s.job_id = ? AND p.box_id = ?',
      jobId,
      doneBox,
    )
  const made = (await settings()).length
  if (made > 0) {
    await page
      .getByRole('button', { name: /^Not made after all/ })
      .first()
      .click()
    await saved(page)
    expect(await settings()).toHaveLength(made - 1)
  }
  await visit(page, `/jobs/${jobId}/boxes/${doneBox}/wire`)
  await quiet(page)
  await page.locator('[data-step] summary', { hasText: 'Note' }).first().click()
  await page
    .locator('[data-step]')
    .getByLabel(/^Note: /)
    .first()
    .fill('Took two tries')
  await page
    .locator('[data-step]')
    .getByLabel(/^Note: /)
    .first()
    .blur()
  await saved(page)
  expect(await rows("SELECT note FROM steps WHERE job_id = ? AND note <> ''", jobId)).toEqual([
    { note: 'Took two tries' },
  ])
})

test('who works, and what must be kept, said otherwise', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/day`)
  await quiet(page)
  const first = page.getByRole('textbox', { name: 'Name', exact: true }).first()
  await first.fill('Wren')
  await first.blur()
  await page.getByRole('checkbox', { name: 'Helps at the panel' }).first().check()
  await saved(page)
  expect(await rows("SELECT at_panel FROM crew WHERE job_id = ? AND name = 'Wren'", jobId)).toEqual([
    { at_panel: 1 },
  ])
  await page.getByLabel('Is lit tonight').first().selectOption({ label: 'Bath' })
  await page.getByLabel('Is off for a while only').first().selectOption({ index: 2 })
  await page.getByLabel('At most (min)').first().fill('45')
  await page.getByLabel('At most (min)').first().blur()
  await saved(page)
  const keeps = await rows('SELECT kind, room_id, minutes FROM keeps WHERE job_id = ?', jobId)
  expect(keeps).toContainEqual({ kind: 'lit-tonight', room_id: 'bath', minutes: null })
  expect(keeps).toContainEqual({ kind: 'off-at-most', room_id: null, minutes: 45 })
})

test('a photo shows something else than was said', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/box-hall/look#photos`)
  await page.locator('#photos').scrollIntoViewIfNeeded()
  const png = await page.screenshot({ clip: { x: 0, y: 0, width: 60, height: 40 } })
  await page
    .locator('input[type="file"]')
    .setInputFiles({ name: 'box.png', mimeType: 'image/png', buffer: png })
  const kinds = page.getByRole('combobox', { name: 'It shows the box' })
  for (const [value, words] of [
    ['detail', 'A detail'],
    ['after', 'As it is left'],
    ['before', 'Before anything is moved'],
  ] as const) {
    await kinds.selectOption({ label: words })
    await saved(page)
    expect(await rows('SELECT kind FROM photos WHERE job_id = ?', jobId)).toEqual([{ kind: value }])
  }
})
