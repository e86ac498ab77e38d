import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import { bringInBox, rows, violations, visit, quiet } from './helpers'

/** The catalogue is one for all: tests of it go one after the other, and each works on devices of its own. */
test.describe.configure({ mode: 'serial' })

const copied = async (page: Page, name: string) => {
  // What an earlier run left behind.
  await rows("DELETE FROM catalogue_devices WHERE JSON_VALUE(model, '$.name') = ?", `${name}, copy`)
  await visit(page, '/catalogue')
  await page.getByLabel('Find').fill(name)
  await page.getByRole('button', { name, exact: true }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Copy' }).click()
  await expect(page.getByRole('dialog', { name: `${name}, copy` })).toBeVisible()
  const [row] = await rows(
    "SELECT id FROM catalogue_devices WHERE JSON_VALUE(model, '$.name') = ?",
    `${name}, copy`,
  )
  return String(row!.id)
}

const modelOf = async (id: string) => {
  const [row] = await rows('SELECT model FROM catalogue_devices WHERE id = ?', id)
  if (!row) return null
  return (typeof row.model === 'string' ? JSON.parse(row.model) : row.model) as Record<string, unknown>
}

test('a device is copied, edited and offered at once; retired, it is offered no more', async ({
  page,
  request,
}) => {
  const id = await copied(page, 'Switch, one place, 15 A, back clamps')
  const name = `Clamp switch of ours ${Date.now()}`
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('button', { name: 'Edit', exact: true }).click()
  await sheet.getByLabel('Name').fill(name)
  await sheet.getByLabel('Price').fill('7,25')
  await sheet.getByLabel('LED, CFL, at most').fill('450')
  await sheet.getByLabel('Notes, one a line').fill('Tug it\nTwice')
  await sheet.getByRole('button', { name: 'Save' }).click()
  await expect(sheet.getByText('450 W')).toBeVisible()
  await expect(sheet.getByText('Your own')).toBeVisible()
  expect(await modelOf(id)).toMatchObject({
    name,
    price: 7.25,
    instructions: { notes: ['Tug it', 'Twice'] },
  })

  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  const candidate = page.getByRole('article', { name })
  await expect(candidate).toBeVisible()
  await expect(candidate).toContainText('7.25 USD')

  await visit(page, '/catalogue')
  await page.getByLabel('Find').fill(name)
  await page.getByRole('button', { name, exact: true }).click()
  await page.getByRole('button', { name: 'Retire it' }).click()
  await expect(page.getByText('retired: not offered any more')).toBeVisible()
  await visit(page, `/jobs/${jobId}/boxes/box/choose`)
  await expect(page.getByRole('article').first()).toBeVisible()
  await expect(candidate).toHaveCount(0)

  await visit(page, '/catalogue')
  await page.getByRole('button', { name: 'Undo: retire a device' }).click()
  await expect.poll(async () => (await modelOf(id))?.stock).toBe('new')
})

test('found by words, and four set side by side: what differs stands out', async ({ page }) => {
  await visit(page, '/catalogue')
  await page.getByLabel('Does').selectOption({ label: 'Dim' })
  await page.getByLabel('Region').selectOption({ label: '230 V, brown and blue or red and black' })
  const table = page.getByRole('region', { name: 'Devices' })
  await expect(table.getByRole('row').filter({ hasText: 'Dimmer, LED 150 W' })).toHaveCount(0)
  await page.getByLabel('Region').selectOption({ label: 'Everywhere' })
  await page.getByLabel('Find').fill('dimmer neutral led')
  await expect(page.getByRole('button', { name: /^Side by side/ })).toBeDisabled()
  for (const name of ['Dimmer, LED 150 W, neutral', 'Dimmer, LED 300 W, neutral'])
    await page.getByLabel(`Set ${name} side by side`, { exact: true }).check()
  await page.getByRole('button', { name: 'Side by side: 2' }).click()
  const compared = page.getByRole('dialog', { name: 'Side by side' })
  const led = compared.getByRole('row').filter({ hasText: 'LED, CFL' })
  await expect(led).toHaveAttribute('data-differs', 'true')
  await expect(led).toContainText('150 W; fins off 125 and 100')
  await expect(compared.getByRole('row').filter({ hasText: 'Gangs' })).toHaveAttribute(
    'data-differs',
    'false',
  )
  await page.keyboard.press('Escape')
  await page.getByLabel('Find').fill('unicorn')
  await expect(page.getByText('No device is like that.', { exact: false })).toBeVisible()
})

test('a table goes out, comes in changed, is refused with every row and column, and is taken back', async ({
  page,
}) => {
  await visit(page, '/catalogue')
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Take out as a table' }).click()
  const csv = await readFile(await (await download).path(), 'utf8')
  const lines = csv.split('\r\n')
  const head = lines[0]!.split(',')
  const row = lines.find(line => line.startsWith('companion-elm,'))!
  const cells = row.split(',')
  const give = (text: string) =>
    page
      .getByLabel('A catalogue to bring in')
      .setInputFiles({ name: 'prices.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })

  const spoilt = [...cells]
  spoilt[head.indexOf('price')] = 'dear'
  spoilt[head.indexOf('gangs')] = 'wide'
  await give([lines[0], spoilt.join(',')].join('\r\n'))
  const alert = page.getByRole('alert').filter({ hasText: 'Nothing was changed' })
  await expect(alert).toContainText('row 2, column “price”: “dear” is no number')
  await expect(alert).toContainText('row 2, column “gangs”: “wide” is no number')
  await page.getByRole('button', { name: 'Put it away' }).click()

  const dearer = [...cells]
  dearer[head.indexOf('price')] = '21.5'
  await give([lines[0], dearer.join(',')].join('\r\n'))
  await expect(page.locator('[data-device="companion-elm"]')).toContainText('21.5')
  expect((await modelOf('companion-elm'))!.price).toBe(21.5)
  await page.getByRole('button', { name: 'Undo: bring in a catalogue' }).click()
  await expect(page.locator('[data-device="companion-elm"]')).not.toContainText('21.5')
  expect((await modelOf('companion-elm'))!.price).toBe(19)
})

test('somebody else was there first: it is said, and how it is now is shown', async ({ page, context }) => {
  await visit(page, '/catalogue')
  const other = await context.newPage()
  await visit(other, '/catalogue')
  const open = async (where: Page, price: string) => {
    await where.getByRole('button', { name: 'Dimmer, tungsten 600 W, no neutral', exact: true }).click()
    const sheet = where.getByRole('dialog')
    await sheet.getByRole('button', { name: 'Edit', exact: true }).click()
    await sheet.getByLabel('Price').fill(price)
    await sheet.getByRole('button', { name: 'Save' }).click()
  }
  const before = Number((await modelOf('dimmer-tungsten-600'))!.price)
  await open(other, String(before + 1))
  await expect(other.getByRole('dialog').getByText('Changed by you')).toBeVisible()
  await open(page, String(before + 2))
  await expect(page.getByRole('dialog').getByText(/Somebody changed Dimmer, tungsten 600 W/)).toBeVisible()
  expect((await modelOf('dimmer-tungsten-600'))!.price).toBe(before + 1)
  await page.reload()
  await page.getByRole('button', { name: 'Undo: edit a device' }).click()
  await expect.poll(async () => (await modelOf('dimmer-tungsten-600'))!.price).toBe(before)
})

for (const theme of ['paper', 'dark'] as const)
  test(`no axe violations in the catalogue, ${theme}`, async ({ page, context, baseURL }) => {
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }])
    await visit(page, '/catalogue')
    await quiet(page)
    expect(await violations(page)).toEqual([])
    await page.getByRole('button', { name: 'Dimmer, LED 150 W, neutral', exact: true }).click()
    await page.getByRole('button', { name: 'Edit', exact: true }).click()
    await expect(page.getByLabel('LED, CFL, at most')).toBeVisible()
    expect(await violations(page)).toEqual([])
  })
