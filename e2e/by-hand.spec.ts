import { expect, test } from '@playwright/test'
import { lockOff, rows, saved, stage, visit, quiet } from './helpers'
import { boxIn, Hand, lookAt, startedJob, unfold } from './hand'

test('a stair of three places, from nothing to a light that answers by hand @phone', async ({
  page,
}, info) => {
  const hand = new Hand(page)
  const jobId = await startedJob(page, hand, 'Stair house')
  const before = hand.presses
  await hand.button('Several places, one light')
  await hand.pick('Switches', '3')
  await hand.type('Room', 'Stair')
  await hand.press(page.getByRole('button', { name: 'Fed at First, lamp off Last' }))
  await hand.type('Count', '2')
  await hand.type('Watts each', '9')
  await hand.button('Record it so, and look')
  await page.waitForURL(/\/look$/)
  await saved(page)
  hand.say(info, 'a stair of three places')
  expect(hand.presses - before).toBeLessThanOrEqual(7)
  expect(hand.presses).toBeLessThanOrEqual(25)
  await expect(page.getByRole('button', { name: /^Cable B, black.*Traveler, assumed/ })).toBeVisible()
  const [counted] = await rows(
    `SELECT (SELECT COUNT(*) FROM boxes WHERE job_id = ?) AS boxes, (SELECT COUNT(*) FROM places WHERE job_id = ?) AS places,
            (SELECT COUNT(DISTINCT group_id) FROM places WHERE job_id = ?) AS lights,
            (SELECT COUNT(*) FROM cables WHERE job_id = ? AND far = 'box' AND far_box_id IS NOT NULL) AS runs,
            (SELECT COUNT(*) FROM ends WHERE job_id = ? AND seat = 'loose') AS loose`,
    ...Array.from({ length: 5 }, () => jobId),
  )
  expect(counted).toEqual({ boxes: 3, places: 3, lights: 1, runs: 2, loose: 0 })

  // One step: taken back whole, and made again.
  await page
    .getByRole('navigation', { name: 'Job' })
    .getByRole('link', { name: 'House', exact: true })
    .click()
  await page.getByRole('button', { name: 'Undo: add a light of several places' }).click()
  await expect(page.getByText('Stand before the first switch')).toBeVisible()
  await saved(page)
  expect(await rows('SELECT id FROM ends WHERE job_id = ?', jobId)).toEqual([])
  await page.getByRole('button', { name: /^Redo/ }).click()
  await page.getByRole('link', { name: /^First/ }).click()

  await page.getByRole('link', { name: 'Try by hand' }).click()
  const lamps = page.getByRole('list', { name: 'Lamps' })
  await expect(page.getByText('Proven in all 8 states.')).toBeVisible()
  await expect(lamps).toHaveText('Stair light Full')
  for (const [place, then] of [
    ['First', 'Dark'],
    ['Middle', 'Full'],
    ['Last', 'Dark'],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^Work Stair, ${place}`) }).click()
    await expect(lamps).toHaveText(`Stair light ${then}`)
  }
})

test('two lines in one box: each is hunted, and all of it is read dead @phone', async ({ page }, info) => {
  const hand = new Hand(page)
  const jobId = await startedJob(page, hand, 'Two lines')
  const boxId = await boxIn(hand, 'Kitchen', 'By the door', '2')
  await hand.press(page.getByRole('button', { name: 'Two lines, two lights' }))
  for (const breaker of ['3', '5']) {
    await hand.type('A breaker not listed yet', breaker)
    await hand.button('Add it')
    await expect(page.getByText(`Breaker ${breaker}`, { exact: true })).toBeVisible()
  }
  // Nobody knows yet which is which: it stays said, here and on House.
  const lines = page.getByRole('list', { name: 'Lines in this box' })
  await expect(lines.getByText('not found yet')).toHaveCount(2)
  for (const [line, breaker] of [
    ['A black', '3'],
    ['C black', '5'],
  ] as const) {
    await hand.press(lines.getByRole('listitem').filter({ hasText: line }).getByRole('link'))
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Which breaker?')
    await expect(page.getByRole('radio', { name: `A meter at ${line}` })).toBeChecked()
    const right = page.getByRole('button', { name: new RegExp(`^${breaker} `) })
    if ((await right.getAttribute('aria-pressed')) !== 'true') await hand.press(right)
    await hand.button(/fell to 0 V$/)
    await expect(page.getByRole('heading', { name: new RegExp(`Breaker ${breaker} feeds`) })).toBeVisible()
    await hand.press(page.getByRole('link', { name: 'To the box' }))
    await page.waitForURL(/\/look$/)
  }
  await expect(lines.getByText('not found yet')).toHaveCount(0)
  await saved(page)
  expect(
    await rows(
      `SELECT c.breaker, COUNT(*) AS n FROM ends e JOIN circuits c ON c.job_id = e.job_id AND c.id = e.role_circuit_id
       WHERE e.job_id = ? AND e.box_id = ? GROUP BY c.breaker ORDER BY c.breaker`,
      jobId,
      boxId,
    ),
  ).toEqual([
    { breaker: '3', n: 3 },
    { breaker: '5', n: 3 },
  ])
  await hand.press(page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Test/ }))
  await hand.button('It read 120 V')
  await hand.button(/^Live point to/)
  // Both breakers are off since they were found, and each is locked: a name typed once, then pressed.
  for (const presses of [2, 1]) {
    await lockOff(page)
    await saved(page)
    hand.presses += presses
  }
  for (let conductor = 0; conductor < 12; conductor++) {
    const next = page.getByRole('button', { name: /: 0 V$/ }).first()
    if (!(await next.isVisible())) break
    await hand.press(next)
  }
  await hand.button('It read 120 V')
  await expect(page.getByText(/^Read dead: 12 of 12 conductors/)).toBeVisible()
  await saved(page)
  hand.say(info, 'a box of two circuits, to dead')
  // Sixty-six presses led to nothing before; twelve of these are dead readings.
  expect(hand.presses).toBeLessThanOrEqual(48)
})

test('a cable is linked to another box, parted from the far side, led elsewhere, and all of it taken back @phone', async ({
  page,
}, info) => {
  const hand = new Hand(page)
  const jobId = await startedJob(page, hand, 'Two ends')
  const near = await boxIn(hand, 'Hall', 'At the stair')
  await hand.button('End with the feed')
  await saved(page)
  await visit(page, `/jobs/${jobId}`)
  const far = await boxIn(hand, 'Hall', 'At the door', '1', false)
  await hand.button('End with the light')
  await saved(page)
  const ends = async () =>
    rows('SELECT id, box_id, seat, terminal, role FROM ends WHERE job_id = ? ORDER BY id', jobId)
  const runs = async () =>
    rows("SELECT name, box_id, far_box_id FROM cables WHERE job_id = ? AND far = 'box'", jobId)
  const asRecorded = await ends()

  // Seen from the far box: which box, which cable there; colours say which conductor is which.
  const start = hand.presses
  const cable = (name: string) =>
    page.locator('details').filter({ has: page.getByText(`Cable ${name}`, { exact: true }) })
  await hand.press(cable('B').locator('summary').first())
  await hand.pick('Leads to', 'Another box')
  await hand.pick('Which box?', 'Hall · At the stair')
  await hand.press(page.getByRole('group', { name: 'Which cable is it there?' }).getByRole('radio').first())
  await hand.button('It is one cable')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await saved(page)
  hand.say(info, 'linking a run')
  expect(hand.presses - start).toBeLessThanOrEqual(5)
  expect(await runs()).toEqual([{ name: 'B', box_id: far, far_box_id: near }])
  // What was recorded at either end is as it was.
  expect(await ends()).toEqual(asRecorded)
  expect(
    await rows(
      'SELECT conductor_id FROM ends WHERE job_id = ? GROUP BY conductor_id HAVING COUNT(*) = 2',
      jobId,
    ),
  ).toHaveLength(4)

  // Look there: the run stands in the other box as well; from there it is parted.
  await page.getByRole('link', { name: 'Look there' }).click()
  await page.waitForURL(new RegExp(`${near}/look$`))
  await cable('B').locator('summary').first().click()
  await expect(cable('B')).toContainText('to Hall · At the door')
  await page
  await hand.pick('Leads to', 'Not known')
  await saved(page)
  expect(await runs()).toEqual([])
  expect(await ends()).toEqual(asRecorded)
  expect(await rows('SELECT id FROM cables WHERE job_id = ?', jobId)).toHaveLength(4)
  await page.getByRole('button', { name: 'Undo: edit a cable' }).click()
  await saved(page)
  expect(await runs()).toHaveLength(1)

  // To a box that nobody recorded yet: the box is made, and the far one keeps its end.
  await hand.button('It leads to another box')
  await hand.pick('Which box?', 'One not recorded yet')
  await hand.type(page.getByRole('dialog').getByLabel('Where it is'), 'Behind the coats')
  await hand.button('It is one cable')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await saved(page)
  const [third] = await rows("SELECT id FROM boxes WHERE job_id = ? AND name = 'Behind the coats'", jobId)
  expect(await runs()).toEqual([{ name: expect.any(String), box_id: near, far_box_id: third!.id }])
  expect((await ends()).filter(({ box_id }) => box_id !== third!.id)).toEqual(asRecorded)
  // In that box the same colours are asked about, and not drawn twice.
  await visit(page, `/jobs/${jobId}/boxes/${third!.id}/look`)
  await quiet(page)
  await unfold(page, 'Add a cable')
  await page.getByRole('button', { name: 'Three and ground', exact: true }).click()
  const isItThat = page.getByText(/^Is it cable . to Hall · At the stair\?/)
  await expect(isItThat).toBeVisible()
  await expect(isItThat).toBeInViewport()
  await page.getByRole('button', { name: 'It is that one' }).click()
  expect(await rows('SELECT id FROM cables WHERE job_id = ? AND box_id = ?', jobId, third!.id)).toEqual([])
  await visit(page, `/jobs/${jobId}/boxes/${near}/look`)
  await quiet(page)
  await page.getByRole('button', { name: 'Undo: link a cable' }).click()
  await saved(page)
  await unfold(page, 'Cable B')
  expect(await ends()).toEqual(asRecorded)
  expect(await runs()).toEqual([{ name: 'B', box_id: far, far_box_id: near }])

  // By keys alone: the same radio, and Escape from the sheet leaves all as it is.
  await page.getByRole('button', { name: 'It leads to another box' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  expect(await runs()).toHaveLength(1)
})

test('two of a colour are asked about, and what was recorded differently at the two ends', async ({
  page,
}) => {
  const hand = new Hand(page)
  const jobId = await startedJob(page, hand, 'Twins')
  await boxIn(hand, 'Hall', 'One')
  await hand.press(page.getByRole('button', { name: 'Two and ground', exact: true }))
  const addBlack = page.getByRole('button', { name: 'Add a conductor, black' })
  const open = async () => {
    await page.locator('summary').filter({ hasText: 'Cable A' }).click()
    await page.locator('summary').filter({ hasText: 'More of this cable' }).click()
  }
  await open()
  await addBlack.click()
  await page.getByLabel('Gauge of all its conductors').selectOption('12 AWG')
  await saved(page)
  await visit(page, `/jobs/${jobId}`)
  await boxIn(hand, 'Hall', 'Other', '1', false)
  await hand.press(page.getByRole('button', { name: 'Two and ground', exact: true }))
  await open()
  await addBlack.click()
  await saved(page)
  await hand.pick('Leads to', 'Another box')
  await hand.pick('Which box?', 'Hall · One')
  await page.getByRole('group', { name: 'Which cable is it there?' }).getByRole('radio').first().check()
  const done = page.getByRole('button', { name: 'It is one cable' })
  await expect(page.getByText(/Colors do not tell these apart/)).toBeVisible()
  await expect(done).toBeDisabled()
  await page.getByRole('group', { name: 'Black 1 is there' }).getByRole('radio', { name: 'black 2' }).check()
  await expect(done).toBeDisabled()
  // One there cannot be two here.
  await page.getByRole('group', { name: 'Black 2 is there' }).getByRole('radio', { name: 'black 2' }).check()
  await expect(done).toBeDisabled()
  await page.getByRole('group', { name: 'Black 2 is there' }).getByRole('radio', { name: 'black 1' }).check()
  const differ = page.getByRole('group', { name: /the two ends were recorded differently/ })
  await expect(differ).toHaveCount(4)
  for (let at = 0; at < 4; at++) await differ.nth(at).getByRole('radio', { name: '12 AWG (there)' }).check()
  await done.click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await saved(page)
  expect(await rows('SELECT DISTINCT gauge FROM conductors WHERE job_id = ?', jobId)).toEqual([
    { gauge: '12 AWG' },
  ])
  expect(await rows('SELECT id FROM conductors WHERE job_id = ?', jobId)).toHaveLength(4)
})

test('lights are joined, parted and merged; an old two-place switch asks for its other @phone', async ({
  page,
}, info) => {
  const hand = new Hand(page)
  const jobId = await startedJob(page, hand, 'Lights')
  const first = await boxIn(hand, 'Hall', 'One')
  await page.getByLabel('Old device').selectOption({ label: 'Old three-way switch, one odd screw' })
  const ask = page.getByRole('heading', { name: 'Where is the other switch of Hall light?' })
  await expect(ask).toBeVisible()
  await saved(page)
  await visit(page, `/jobs/${jobId}`)
  await boxIn(hand, 'Hall', 'Other', '1', false)
  await page.getByLabel('Old device').selectOption({ label: 'Old three-way switch, one odd screw' })
  await expect(
    page.getByRole('heading', { name: 'Where is the other switch of Hall light 2?' }),
  ).toBeVisible()
  // Nothing is reckoned before it is known.
  await stage(page, 'Test')
  await expect(
    page.getByRole('heading', { name: 'Where is the other switch of Hall light 2?' }),
  ).toBeVisible()
  await expect(page.getByText('Next reading')).toHaveCount(0)
  await stage(page, 'Choose')
  await expect(page.getByRole('article').first()).toHaveAttribute('data-verdict', /not-known|does-not-fit/)
  await expect(page.locator('[data-verdict="fits"], [data-verdict="fits-if"]')).toHaveCount(0)
  await stage(page, 'Look')
  const start = hand.presses
  await hand.button('Hall · One')
  await expect(ask).toHaveCount(0)
  await saved(page)
  hand.say(info, 'joining two places')
  expect(hand.presses - start).toBe(1)
  const lights = () =>
    rows(
      'SELECT g.name, COUNT(p.id) AS places FROM `groups` g LEFT JOIN places p ON p.job_id = g.job_id AND p.group_id = g.id WHERE g.job_id = ? GROUP BY g.id, g.name ORDER BY g.name',
      jobId,
    )
  expect(await lights()).toEqual([{ name: 'Hall light', places: 2 }])

  // Its name is changed once for both; lamps follow it.
  await page.getByRole('button', { name: 'Add the lamps' }).click()
  await page.getByLabel('Controls', { exact: true }).fill('Hall ceiling')
  await page.getByLabel('Controls', { exact: true }).press('Enter')
  await saved(page)
  expect(await rows('SELECT name FROM loads WHERE job_id = ?', jobId)).toEqual([{ name: 'Hall ceiling' }])

  // Parted, and back by undo.
  await page.getByRole('button', { name: 'It works a light of its own' }).click()
  await saved(page)
  expect((await lights()).map(({ places }) => places)).toEqual([1, 1])
  await page.getByRole('button', { name: 'Undo: part a light' }).click()
  await saved(page)
  expect(await lights()).toEqual([{ name: 'Hall ceiling', places: 2 }])

  // A light recorded twice: merged, and the lamps asked about.
  await visit(page, `/jobs/${jobId}`)
  await boxIn(hand, 'Hall', 'Third', '1', false)
  await page.getByRole('button', { name: 'Add the lamps' }).click()
  await page.getByRole('button', { name: 'Works the same light as …' }).click()
  await page.getByRole('radio', { name: /^Hall ceiling/ }).check()
  await expect(page.getByRole('button', { name: 'It is one light' })).toBeDisabled()
  await page.getByRole('radio', { name: /^The same ones/ }).check()
  await page.getByRole('button', { name: 'It is one light' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await saved(page)
  expect(await lights()).toEqual([{ name: 'Hall ceiling', places: 3 }])
  expect(await rows('SELECT id FROM loads WHERE job_id = ?', jobId)).toHaveLength(1)

  // A light that lost its places is listed, and can go.
  await visit(page, `/jobs/${jobId}`)
  await expect(page.getByText('Lights that no recorded place works')).toHaveCount(0)
  await lookAt(page, jobId, first)
  for (const name of ['One', 'Other', 'Third']) {
    await visit(page, `/jobs/${jobId}`)
    await page.getByRole('link', { name: new RegExp(`^${name}`) }).click()
    await page.getByRole('button', { name: 'Remove this box', exact: true }).click()
    await page.waitForURL(new RegExp(`/jobs/${jobId}$`))
    await saved(page)
  }
  await expect(page.getByText('Lights that no recorded place works')).toBeVisible()
  await page.getByRole('button', { name: 'Remove Hall ceiling, with its lamps' }).click()
  await saved(page)
  expect(await lights()).toEqual([])
})

test('a luminaire is looked into: a box of its own, its wires, and a switch that is fed there', async ({
  page,
}) => {
  const hand = new Hand(page)
  const jobId = await startedJob(page, hand, 'Luminaire')
  const boxId = await boxIn(hand, 'Study', 'By the door')
  await hand.button('Loop from the light')
  await page.getByRole('button', { name: 'Add the lamps' }).click()
  await page.locator('summary').filter({ hasText: 'Cable A' }).click()
  await page.getByRole('button', { name: 'Look into the luminaire, too' }).click()
  await saved(page)
  const [luminaire] = await rows("SELECT id, gangs FROM boxes WHERE job_id = ? AND kind = 'luminaire'", jobId)
  expect(luminaire).toMatchObject({ gangs: 0 })
  expect(await rows("SELECT box_id, far_box_id FROM cables WHERE job_id = ? AND far = 'box'", jobId)).toEqual(
    [{ box_id: boxId, far_box_id: luminaire!.id }],
  )
  await page.getByRole('link', { name: 'Look there' }).click()
  await page.waitForURL(new RegExp(`${luminaire!.id}/look$`))
  await expect(page.getByRole('heading', { name: 'What hangs here' })).toBeVisible()
  await expect(page.getByText('Study light: B black, B white, B green')).toBeVisible()
  // It is fed here: one more cable, from the panel, and not the one that the switch has told of.
  await unfold(page, 'Add a cable')
  await page.getByRole('button', { name: 'Two and ground', exact: true }).click()
  await expect(page.getByText(/^Is it cable . to Study · By the door\?/)).toBeVisible()
  await page.getByRole('button', { name: 'Another cable' }).click()
  await page.locator('summary').filter({ hasText: 'Cable C' }).click()
  await page.getByRole('group', { name: 'Leads to' }).first().getByRole('radio', { name: 'Panel' }).check()
  await saved(page)
  expect(
    await rows(
      'SELECT c.name, c.sheath, c.far FROM cables c WHERE c.job_id = ? AND c.box_id = ? ORDER BY c.name',
      jobId,
      luminaire!.id,
    ),
  ).toEqual([
    { name: 'B', sheath: 'own-leads', far: 'luminaire' },
    { name: 'C', sheath: 'nonmetallic', far: 'panel' },
  ])
  // A receptacle with halves: one switched with the light, one fed all the time.
  await page
    .getByRole('group', { name: 'What is at it' })
    .getByRole('radio', { name: 'A receptacle' })
    .check()
  await page
    .getByRole('group', { name: 'Something hangs here' })
    .getByRole('button', { name: 'Receptacle, the half that is always fed' })
    .click()
  await saved(page)
  expect(await rows("SELECT role FROM ends WHERE job_id = ? AND role = 'onward-feed'", jobId)).toHaveLength(1)
})
