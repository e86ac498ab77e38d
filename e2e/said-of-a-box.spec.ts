import { expect, test } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import { fedAtTheSwitch } from '@/demo/usual'
import { BOX_KINDS, TESTER_SHOWS } from '@/core/model/vocabulary'
import { BOX_KIND_WORDS, LAMP_WORDS, plain } from '@/ui/words'
import { boxIn, Hand, startedJob, unfold } from './hand'
import { yesNo } from './hand-kinds'
import { bringIn, bringInBox, pick, rows, saved, visit, seenBeside, quiet } from './helpers'

const STAIR = 'box-stair-bottom'

test('the region of a job is said while nothing depends on it', async ({ page }) => {
  const hand = new Hand(page)
  const jobId = await startedJob(page, hand, 'Elsewhere')
  await page.getByRole('button', { name: 'The house' }).click()
  await page.getByLabel('Region').selectOption({ label: '230 V, brown and blue or red and black' })
  await saved(page)
  expect(await rows('SELECT region_id FROM jobs WHERE id = ?', jobId)).toEqual([{ region_id: 'europe-230' }])
  await page.getByRole('button', { name: 'Close' }).click()
  await boxIn(hand, 'Hall', 'By the door')
  await page.getByRole('button', { name: 'Fed at the switch', exact: true }).click()
  await saved(page)
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: 'The house' }).click()
  await expect(page.getByText('It stays, now that things are recorded by its rules.')).toBeVisible()
  await expect(page.getByLabel('Region').locator('option')).toHaveCount(1)
  // And the server keeps it, whoever asks.
  const [{ version }] = (await rows('SELECT version FROM jobs WHERE id = ?', jobId)) as [{ version: number }]
  const answer = await page.request.post(`/api/jobs/${jobId}/commands`, {
    data: {
      id: `region-${Date.now()}`,
      origin: await seenBeside(page.request, jobId),
      name: 'edit the job',
      boxId: null,
      edits: [
        {
          kind: 'change',
          entity: 'job',
          id: jobId,
          based: version,
          fields: { regionId: 'north-america-120' },
        },
      ],
    },
  })
  expect(answer.status()).toBe(422)
})

test('rooms and boxes are put in another order, and a box in another room', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}`)
  const order = async (table: 'rooms' | 'boxes', more = '') =>
    (await rows(`SELECT id FROM ${table} WHERE job_id = ? ${more} ORDER BY position`, jobId)).map(({ id }) =>
      String(id),
    )
  const rooms = await order('rooms')
  const at = rooms.indexOf('stair')
  await page.getByRole('button', { name: 'Edit Stair' }).click()
  await page.getByRole('button', { name: 'Stair earlier' }).click()
  await saved(page)
  expect((await order('rooms')).indexOf('stair')).toBe(at - 1)
  const boxes = await order('boxes', "AND room_id = 'stair'")
  await page.getByRole('button', { name: 'Bottom later' }).click()
  await saved(page)
  expect(await order('boxes', "AND room_id = 'stair'")).toEqual([boxes[1], boxes[0], boxes[2]])
  await page.getByRole('button', { name: 'Close' }).click()
  for (let count = 0; count < 2; count++) {
    await page.getByRole('button', { name: 'Undo: order the house' }).click()
    await saved(page)
  }
  expect(await order('rooms')).toEqual(rooms)
  expect(await order('boxes', "AND room_id = 'stair'")).toEqual(boxes)
  await visit(page, `/jobs/${jobId}/boxes/${STAIR}/look`)
  await page.getByLabel('Room', { exact: true }).selectOption({ label: 'Kitchen' })
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Kitchen')
  await saved(page)
  expect(await rows('SELECT room_id FROM boxes WHERE job_id = ? AND id = ?', jobId, STAIR)).toEqual([
    { room_id: 'kitchen' },
  ])
  await page.getByRole('button', { name: 'Undo: edit a box' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Stair')
})

test('one to six gangs, one put in before another, one taken out; another kind of box', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, quillbackRoad())
  const box = 'box-island'
  await visit(page, `/jobs/${jobId}/boxes/${box}/look`)
  await quiet(page)
  const places = () =>
    rows('SELECT id, gang FROM places WHERE job_id = ? AND box_id = ? ORDER BY gang', jobId, box)
  const before = await places()
  await unfold(page, 'This gang')
  await page.getByRole('button', { name: 'A gang before it' }).first().click()
  await saved(page)
  expect((await places()).slice(1)).toEqual(before.map(({ id, gang }) => ({ id, gang: Number(gang) + 1 })))
  await page.getByRole('button', { name: 'Undo: edit a box' }).click()
  await saved(page)
  expect(await places()).toEqual(before)
  await page.getByRole('button', { name: 'Gang 1 is not there' }).click()
  await saved(page)
  expect(await places()).toEqual(before.slice(1).map(({ id, gang }) => ({ id, gang: Number(gang) - 1 })))
  await page.getByRole('button', { name: 'Undo: edit a box' }).click()
  await saved(page)
  for (const gangs of ['6', '1', '2', '3', '4', '5']) {
    await page.getByRole('group', { name: 'Gangs' }).getByRole('radio', { name: gangs, exact: true }).check()
    await saved(page)
    expect(await places()).toHaveLength(Number(gangs))
  }
  for (const kind of BOX_KINDS) {
    await page
      .getByRole('group', { name: 'What is at it' })
      .getByRole('radio', { name: BOX_KIND_WORDS[kind], exact: true })
      .check()
    await saved(page)
    expect(await rows('SELECT kind FROM boxes WHERE job_id = ? AND id = ?', jobId, box)).toEqual([{ kind }])
  }
})

test('two controls on one strap, and one of them gone', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  const box = 'box-bath'
  const places = () =>
    rows('SELECT id, gang, part FROM places WHERE job_id = ? AND box_id = ? ORDER BY gang, part', jobId, box)
  await visit(page, `/jobs/${jobId}/boxes/${box}/look`)
  await quiet(page)
  const before = await places()
  await unfold(page, 'This gang')
  await page.getByRole('button', { name: 'Another control in this gang' }).first().click()
  await saved(page)
  const [first, second, ...others] = await places()
  expect([first, second]).toMatchObject([
    { gang: 1, part: 1 },
    { gang: 1, part: 2 },
  ])
  expect([first, ...others]).toEqual(before)
  await expect(page.getByRole('heading', { name: /^Gang 1, control 2: / })).toBeVisible()
  // What stands there is chosen as a part of the same strap.
  await visit(page, `/jobs/${jobId}/boxes/${box}/choose`)
  await page
    .getByRole('group', { name: 'Control', exact: true })
    .getByRole('radio', { name: /^Gang 1, control 2: / })
    .check()
  await expect(page.getByText('another control shares this one').first()).toBeAttached()
  await visit(page, `/jobs/${jobId}/boxes/${box}/look`)
  await quiet(page)
  await unfold(page, 'This gang')
  await page.getByRole('button', { name: 'Control 1 is not there' }).click()
  await saved(page)
  expect(await places()).toEqual([{ ...second, part: 1 }, ...others])
  await page.getByRole('button', { name: 'Undo: edit a box' }).click()
  await saved(page)
  expect(await places()).toEqual([first, second, ...others])
})

test('an old device of another kind: what sat on its screws asks where it sits', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'switch-plain-15', cables: fedAtTheSwitch(true) })
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await page.getByLabel('Old device').selectOption({ label: 'Old dimmer, two leads' })
  await saved(page)
  const seats = () =>
    rows('SELECT seat, COUNT(*) AS count FROM ends WHERE job_id = ? GROUP BY seat ORDER BY seat', jobId)
  expect(await seats()).toMatchObject([{ seat: 'joint' }, { seat: 'loose', count: 2 }])
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await expect(page.getByRole('heading', { name: 'Make it dead' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo: edit the old device' }).click()
  await saved(page)
  expect(await seats()).toMatchObject([{ seat: 'joint' }, { seat: 'terminal', count: 2 }])
})

test('a metal box, bonded or not', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/${STAIR}/look`)
  await page.getByRole('group', { name: 'Material' }).getByRole('radio', { name: 'Metal' }).check()
  const bonded = page.getByRole('group', { name: 'Bonded to the ground' })
  for (const [value, words] of Object.entries(yesNo)) {
    await bonded.getByRole('radio', { name: words, exact: true }).check()
    await saved(page)
    expect(await rows('SELECT bonded FROM boxes WHERE job_id = ? AND id = ?', jobId, STAIR)).toEqual([
      { bonded: value },
    ])
  }
})

test('what a tester showed in a receptacle', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/box-bedside/look`)
  const shows = page.getByLabel('What a tester plugged into it shows')
  for (const value of TESTER_SHOWS) {
    await shows.selectOption({ label: plain(value) })
    await saved(page)
    expect(
      await rows('SELECT tester_shows FROM devices WHERE job_id = ? AND tester_shows IS NOT NULL', jobId),
    ).toEqual([{ tester_shows: value }])
  }
  await shows.selectOption({ label: 'Not plugged in yet' })
  await saved(page)
  expect(await rows('SELECT id FROM devices WHERE job_id = ? AND tester_shows IS NOT NULL', jobId)).toEqual(
    [],
  )
})

test('a fan by its horsepower', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/${STAIR}/look`)
  await quiet(page)
  await page.getByLabel('Kind', { exact: true }).selectOption({ label: LAMP_WORDS['fan-motor'] })
  await unfold(page, 'More of its print')
  await page.getByLabel('Horsepower').fill('0.25')
  await page.getByLabel('Horsepower').blur()
  await saved(page)
  expect(
    await rows(
      "SELECT horsepower FROM loads WHERE job_id = ? AND kind = 'fan-motor' AND group_id = 'stair-light'",
      jobId,
    ),
  ).toEqual([{ horsepower: 0.25 }])
})

test('a run enters its far box elsewhere', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/box-stair-middle/look`)
  await quiet(page)
  const of = () =>
    rows('SELECT entry, far_entry FROM cables WHERE job_id = ? AND id = ?', jobId, `${STAIR}-b`)
  const [before] = await of()
  await unfold(page, 'Cable B', 'More of this cable')
  const other = before!.far_entry === 'top' ? 'Bottom' : 'Top'
  await page
    .getByRole('group', { name: 'Comes in at the' })
    .first()
    .getByRole('radio', { name: other })
    .check()
  await saved(page)
  expect(await of()).toEqual([{ entry: before!.entry, far_entry: other.toLowerCase() }])
})

test('the lamps that a cable was seen to lead to', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/box-stair-top/look`)
  await quiet(page)
  await unfold(page, 'Cable D')
  const lamps = page.getByLabel('Lamps it was seen to lead to')
  await lamps.selectOption({ label: 'Stair light' })
  await saved(page)
  expect(
    await rows("SELECT far_load_id FROM cables WHERE job_id = ? AND id = 'box-stair-top-d'", jobId),
  ).toEqual([{ far_load_id: 'stair-light-lamp-1' }])
  await lamps.selectOption({ label: 'Not said' })
  await saved(page)
  expect(
    await rows("SELECT far_load_id FROM cables WHERE job_id = ? AND id = 'box-stair-top-d'", jobId),
  ).toEqual([{ far_load_id: null }])
})

test('a pigtail from a joint to a screw', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/${STAIR}/look`)
  await quiet(page)
  await page
    .getByRole('button', { name: /^Cable A, white/ })
    .first()
    .press('Enter')
  await unfold(page, 'Pigtails from this joint')
  const pigtail = page.getByRole('checkbox', { name: 'Pigtail to “Odd screw”' })
  const found = () =>
    rows('SELECT terminal FROM pigtails WHERE job_id = ? AND joint_id = ?', jobId, `${STAIR}-joint-whites`)
  await pigtail.check()
  await saved(page)
  expect(await found()).toEqual([{ terminal: 'common' }])
  const gauge = page.getByLabel('Gauge: Pigtail to “Odd screw”')
  await gauge.selectOption({ label: '18 AWG' })
  await saved(page)
  const thin = page.getByRole('listitem').filter({ hasText: /A pigtail from the joint of .* is 18 AWG/ })
  await expect(thin.getByText('Danger.')).toBeVisible()
  const said = () =>
    rows('SELECT gauge FROM pigtails WHERE job_id = ? AND joint_id = ?', jobId, `${STAIR}-joint-whites`)
  expect(await said()).toEqual([{ gauge: '18 AWG' }])
  await gauge.selectOption({ label: 'Not known' })
  await saved(page)
  expect(await said()).toEqual([{ gauge: null }])
  await expect(thin).toHaveCount(0)
  await pigtail.uncheck()
  await saved(page)
  expect(await found()).toEqual([])
})

test('a conductor that runs through unbroken', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  const fill = page.locator('summary', { hasText: /As found/ })
  const before = await fill.innerText()
  const strand = (name: string) => page.getByRole('button', { name: new RegExp(`^Cable ${name}`) }).first()
  await strand('A, white').press('Enter')
  const held = page.getByRole('group', { name: 'Its joint is held by' })
  await expect(held).toBeVisible()
  const connector = () =>
    rows(
      'SELECT j.connector FROM joints j JOIN ends e ON e.job_id = j.job_id AND e.joint_id = j.id WHERE e.job_id = ? AND e.id = ?',
      jobId,
      'box-a-white-2-end',
    )
  await pick(page, 'Its joint is held by', 'None: it runs through')
  await saved(page)
  expect(await connector()).toEqual([{ connector: 'unbroken' }])
  await expect(fill).not.toHaveText(before)
  await pick(page, 'Its joint is held by', 'None: it runs through in a loop')
  await saved(page)
  expect(await connector()).toEqual([{ connector: 'looped' }])
  await expect(fill).toHaveText(before)
  await pick(page, 'Its joint is held by', 'Twist on')
  await saved(page)
  // What holds three, or a pigtail, is a joint.
  await unfold(page, 'Pigtails from this joint')
  await page
    .getByRole('checkbox', { name: /^Pigtail to / })
    .first()
    .check()
  await expect(held.getByRole('radio', { name: 'None: it runs through', exact: true })).toHaveCount(0)
})

test('whose a conductor is: its circuit, its light, its pair; and nobody’s again', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/${STAIR}/test`)
  await quiet(page)
  await page
    .getByRole('button', { name: /^Cable A, black/ })
    .first()
    .press('Enter')
  const end = () =>
    rows(
      'SELECT role, role_circuit_id, role_group_id FROM ends WHERE job_id = ? AND id = ?',
      jobId,
      `${STAIR}-a-black-1-end`,
    )
  await unfold(page, 'Its circuit, its light, where it leads')
  await page.getByLabel('Of breaker').selectOption({ label: '4: Hall and stair' })
  await page.getByLabel('For the light').selectOption({ label: 'Stair light' })
  await saved(page)
  expect(await end()).toEqual([{ role: 'line', role_circuit_id: 'circuit-4', role_group_id: 'stair-light' }])
  await page.getByRole('group', { name: 'Taken for' }).getByRole('radio', { name: 'Not said' }).check()
  await saved(page)
  expect(await end()).toEqual([{ role: null, role_circuit_id: null, role_group_id: null }])
  await page.getByRole('group', { name: 'Taken for' }).getByRole('radio', { name: 'Traveler' }).check()
  await page.getByRole('group', { name: 'Its pair is' }).getByRole('radio', { name: 'A white' }).check()
  await saved(page)
  expect(
    await rows(
      "SELECT COUNT(*) AS n FROM ends e WHERE e.job_id = ? AND e.id LIKE ? AND role = 'traveller'",
      jobId,
      `${STAIR}-a-%`,
    ),
  ).toEqual([{ n: 2 }])
})

test('a steel pipe is the ground once it was read to the metal of the box', async ({ page, request }) => {
  const jobId = await bringInBox(request, {
    choice: 'switch-plain-15',
    box: { material: 'metal' },
    cables: fedAtTheSwitch(true).map(cable => ({
      ...cable,
      sheath: 'steel-pipe',
      strands: cable.strands.filter(({ insulation }) => insulation !== 'bare'),
    })),
  })
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  const remark = page.getByRole('listitem').filter({ hasText: 'no ground but its steel pipe' })
  await expect(remark.first()).toBeVisible()
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await page.getByRole('button', { name: 'It read 120 V' }).first().click()
  await page.getByRole('button', { name: 'Live point to the metal of the box: 120 V' }).click()
  await saved(page)
  expect(
    await rows("SELECT to_spot, value FROM readings WHERE job_id = ? AND purpose = 'reference'", jobId),
  ).toEqual([{ to_spot: 'box-metal', value: 120 }])
  await expect(
    page.getByText('One bare conductor of 14 AWG from the box’s bonding screw').first(),
  ).toBeVisible()
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await expect(page.getByText('Box', { exact: true }).first()).toBeVisible()
  await expect(remark).toHaveCount(0)
})
