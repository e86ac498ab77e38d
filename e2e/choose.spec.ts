import { expect, test } from '@playwright/test'
import { trade } from '@/catalogue'
import { deviceNamed } from '@/core/model/trade'
import { switchLoop, type UsualBox } from '@/demo/usual'
import { bringInBox, foundByName, rows, saved, visit, opened, quiet } from './helpers'

const led = (count: number, wattsEach: number, more: object = {}): UsualBox['lamps'] => [
  { kind: 'led', count, wattsEach, dimmable: 'yes', powerFactor: 0.9, ...more },
]
const NEUTRAL_DIMMER = 'Dimmer, LED 150 W, neutral'

test.describe('verdicts as a person reads them', () => {
  const cases: [string, UsualBox, string, string, RegExp][] = [
    [
      'no neutral, with the cures',
      { cables: switchLoop(true) },
      NEUTRAL_DIMMER,
      'does-not-fit',
      /No neutral in this box\.[\s\S]*no neutral[\s\S]*Bring a cable/,
    ],
    ['too many lamps', { lamps: led(12, 17) }, NEUTRAL_DIMMER, 'does-not-fit', /204 of 150 W/],
    ['9 % spare', { lamps: led(8, 17) }, NEUTRAL_DIMMER, 'fits', /136 of 150 W, LED rating, 9 % spare/],
    [
      'VA against the general rating',
      { lamps: led(8, 17, { powerFactor: 0.6 }) },
      NEUTRAL_DIMMER,
      'fits',
      /226\.7 of 600 VA, general rating/,
    ],
    [
      'lamps to change, with count',
      { lamps: led(5, 9, { dimmable: 'no' }) },
      NEUTRAL_DIMMER,
      'fits-if',
      /Fits if 5 lamps are changed/,
    ],
  ]
  for (const [name, given, device, verdict, says] of cases)
    test(name, async ({ page, request }) => {
      const jobId = await bringInBox(request, given)
      await visit(page, `/jobs/${jobId}/boxes/box/choose`)
      const card = await foundByName(page, device)
      await expect(card).toHaveAttribute('data-verdict', verdict)
      await opened(card)
      await expect(card).toContainText(says)
    })
})

test('two candidates side by side, condition by condition; a third takes the place of the first', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  const put = (name: string) =>
    page.getByRole('article', { name, exact: true }).getByRole('checkbox', { name: 'Side by side' }).check()
  await put('Dimmer, LED 150 W, neutral')
  await expect(page.getByText('Choose another one to stand beside it.')).toBeVisible()
  await put('Switch, plain, 15 A')
  const heads = page.getByRole('columnheader')
  await expect(heads).toHaveText(['Dimmer, LED 150 W, neutral', 'Switch, plain, 15 A'], {
    useInnerText: true,
  })
  await expect(page.getByRole('row', { name: /^Price/ })).toContainText('32 USD')
  await expect(page.getByRole('row', { name: /^Load/ }).first()).toBeVisible()
  await put('Occupancy sensor, neutral, 500 W LED')
  await expect(page.getByRole('columnheader', { name: 'Dimmer, LED 150 W, neutral' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(heads).toHaveCount(0)
})

test('what is pointed at is drawn as it would be, and no longer than that; by the keyboard too', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  const card = page.getByRole('article', { name: NEUTRAL_DIMMER, exact: true })
  const drawn = page.getByRole('region', { name: /^Drawing/ })
  await expect(drawn.getByText('White lead')).toHaveCount(0)
  await card.hover()
  await expect(page.getByText(`As it would be: ${NEUTRAL_DIMMER}`)).toBeVisible()
  await expect(drawn.getByText('White lead')).toBeVisible()
  await page.mouse.move(2, 2)
  await expect(drawn.getByText('White lead')).toHaveCount(0)
  await card.getByRole('button', { name: /^Why/ }).focus()
  await expect(drawn.getByText('White lead')).toBeVisible()
  expect(await rows('SELECT id FROM choices WHERE job_id = ?', jobId)).toEqual([])
})

test('a device is found by its name, whatever it stands with and however far down it is @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await expect(page.getByRole('button', { name: /^\d+ more$/ })).toBeVisible()
  await page.getByLabel('Find by name').fill('20 a three')
  await expect(page.getByRole('article')).toHaveCount(1)
  await expect(page.getByRole('article', { name: 'Three-way switch, 20 A', exact: true })).toBeVisible()
  await page.getByLabel('Find by name').fill('nothing of the kind')
  await expect(page.getByText('No device has such a name here.')).toBeVisible()
})

test('why shows the arithmetic and the fact it rests on', async ({ page, request }) => {
  const jobId = await bringInBox(request, { lamps: led(8, 17) })
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  const card = page.getByRole('article', { name: NEUTRAL_DIMMER, exact: true })
  await opened(card)
  await expect(
    card
      .getByText('A device has a rating for each kind of load; each kind is compared with its own.')
      .first(),
  ).toBeVisible()
  await expect(
    card.getByText('14 of 30 in³: 4 conductors 8.00 + grounds 2.00 + one device 4.00.'),
  ).toBeVisible()
})

test('a choice can be changed, taken back and done again', async ({ page, request }) => {
  const jobId = await bringInBox(request, { want: 'dim' })
  const chosen = async () =>
    (await rows('SELECT model_id FROM choices WHERE job_id = ?', jobId)).map(row => row.model_id)
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await page
    .getByRole('article', { name: NEUTRAL_DIMMER, exact: true })
    .getByRole('button', { name: 'Choose' })
    .click()
  await saved(page)
  expect(await chosen()).toEqual(['dimmer-led-150-neutral'])
  await page
    .getByRole('article', { name: 'Dimmer, LED 300 W, neutral' })
    .getByRole('button', { name: 'Choose' })
    .click()
  await saved(page)
  expect(await chosen()).toEqual(['dimmer-led-300-neutral'])
  await page.keyboard.press('u')
  await expect(
    page.getByRole('article', { name: NEUTRAL_DIMMER, exact: true }).getByRole('button', { name: 'Chosen' }),
  ).toBeVisible()
  await saved(page)
  expect(await chosen()).toEqual(['dimmer-led-150-neutral'])
  await page.getByRole('button', { name: /^Redo/ }).click()
  await expect(
    page.getByRole('article', { name: 'Dimmer, LED 300 W, neutral' }).getByRole('button', { name: 'Chosen' }),
  ).toBeVisible()
})

test('a house rule that is changed changes the verdict at once', async ({ page, request }) => {
  const jobId = await bringInBox(request, { cables: switchLoop(true) })
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  const sensor = page.getByRole('article', { name: 'Occupancy sensor, ground-referenced, two hot leads' })
  await expect(sensor).toHaveAttribute('data-verdict', 'fits-if')
  await page.getByRole('link', { name: 'Rules' }).click()
  await page.getByRole('radio', { name: 'Allowed as a listed retrofit' }).check()
  await page.getByRole('button', { name: 'Make the change' }).click()
  await saved(page)
  await page.goBack()
  await expect(sensor).toHaveAttribute('data-verdict', 'fits')
})

test('filters by verdict, and says when nothing has it', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await page.getByRole('radio', { name: /^Not known 0/ }).check()
  await expect(page.getByText('No device has this verdict here.')).toBeVisible()
  await page.getByRole('radio', { name: /^Does not fit/ }).check()
  for (const card of await page.getByRole('article').all())
    await expect(card).toHaveAttribute('data-verdict', 'does-not-fit')
})

test('what does not fit is chosen only when it is asked for twice, and is never ticked', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await page.getByRole('radio', { name: /^Does not fit/ }).check()
  const wrong = page.locator('[data-verdict="does-not-fit"]').first()
  await expect(wrong).toBeVisible()
  await wrong.getByRole('button', { name: 'Choose', exact: true }).click()
  await expect(wrong.getByRole('alert')).toContainText('It does not fit')
  await wrong.getByRole('button', { name: 'Leave it' }).click()
  expect(await rows('SELECT id FROM choices WHERE job_id = ?', jobId)).toEqual([])
  await wrong.getByRole('button', { name: 'Choose', exact: true }).click()
  await wrong.getByRole('button', { name: 'Choose it all the same' }).click()
  await expect(wrong.getByRole('button', { name: 'Chosen, does not fit' })).toBeVisible()
  await saved(page)
  expect(await rows('SELECT id FROM choices WHERE job_id = ?', jobId)).toHaveLength(1)
  const link = page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: /^Choose/ })
  await expect(link).toHaveAttribute('title', 'what is chosen does not fit')
  await expect(link).not.toContainText('done')
})

test('a note that is being typed outlives a reload', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await quiet(page)
  await page.getByLabel('Notes').fill('Behind the clock, and')
  await page.reload()
  await expect(page.getByLabel('Notes')).toHaveValue('Behind the clock, and')
  expect(await rows('SELECT note FROM boxes WHERE job_id = ?', jobId)).toEqual([{ note: '' }])
  await page.getByLabel('Notes').fill('Behind the clock, and low')
  await page.getByLabel('Notes').blur()
  await saved(page)
  await page.reload()
  await expect(page.getByLabel('Notes')).toHaveValue('Behind the clock, and low')
  expect(await rows('SELECT note FROM boxes WHERE job_id = ?', jobId)).toEqual([
    { note: 'Behind the clock, and low' },
  ])
})

test('a bypass is planned where the lamps are too few, proved with, and taken back', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {
    lamps: led(1, 5),
    choice: 'dimmer-led-150-two-wire',
    isolated: true,
  })
  const bypass = async () =>
    (await rows('SELECT bypass FROM `groups` WHERE job_id = ?', jobId))[0]!.bypass as string
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await expect(page.getByText(/flickers/).first()).toBeVisible()
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  const card = page.getByRole('article', {
    name: 'Dimmer, LED 150 W, no neutral, with companion terminal',
    exact: true,
  })
  await expect(card).toHaveAttribute('data-verdict', 'fits-if')
  await (await opened(card)).getByRole('button', { name: /^Plan it/ }).click()
  await expect(card).toHaveAttribute('data-verdict', 'fits')
  await saved(page)
  expect(await bypass()).toBe('to-be-fitted')
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await expect(page.getByText(/fit the bypass at the luminaire/).first()).toBeVisible()
  await expect(page.getByText(/flickers/)).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await saved(page)
  expect(await bypass()).toBe('none')
  await expect(page.getByText(/fit the bypass at the luminaire/)).toHaveCount(0)
})

test('what would decide is answered where it is asked, or passed over; the next is asked then @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, {
    want: 'dim',
    lamps: [{ kind: 'led', count: 4, wattsEach: 9, dimmable: 'not-known' }],
    box: { depthMillimetres: null },
  })
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  const decides = page.getByRole('region', { name: 'What would decide' })
  await expect(decides).toContainText('Read the print on one lamp of each kind.')
  await decides.getByRole('radio', { name: 'Yes' }).click()
  await expect(decides).toContainText('Measure the depth of the box.')
  await decides.getByRole('button', { name: 'Cannot be told now' }).click()
  await expect(decides).toHaveCount(0)
  await page.getByRole('button', { name: 'Ask again' }).click()
  await decides.getByLabel(/^Depth/).fill('3.5')
  await decides.getByLabel(/^Depth/).press('Enter')
  await expect(decides).toHaveCount(0)
  await expect(page.locator('article[data-verdict="fits"]').first()).toBeVisible()
  await saved(page)
  expect(await rows('SELECT dimmable FROM loads WHERE job_id = ?', jobId)).toEqual([{ dimmable: 'yes' }])
  expect(await rows('SELECT depth_millimetres FROM boxes WHERE job_id = ?', jobId)).toEqual([
    { depth_millimetres: 88.9 },
  ])
})

test('devices alike but for one thing stand in one row, and any of them can be chosen from it @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { lamps: led(4, 9) })
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  const row = page
    .locator('article')
    .filter({ hasText: /alike but for what it carries|alike but for its terminals/ })
    .first()
  const name = await row.getAttribute('aria-label')
  await opened(row)
  const others = page
    .getByRole('article', { name: name!, exact: true })
    .getByRole('group', { name: /^Alike but for/ })
  const [, second] = await others.getByRole('radio').all()
  const words = await others.locator('label').nth(1).innerText()
  await second!.check()
  const [other] = words.split(': ')
  const shown = page.getByRole('article', { name: other!, exact: true })
  await shown.getByRole('button', { name: 'Choose', exact: true }).click()
  await saved(page)
  const [chosen] = await rows('SELECT model_id FROM choices WHERE job_id = ?', jobId)
  expect(deviceNamed(trade, String(chosen!.model_id))!.name).toBe(other)
  // The row shows what is chosen when the page is opened anew.
  await page.reload()
  await expect(shown.getByRole('button', { name: 'Chosen' })).toBeVisible()
})
