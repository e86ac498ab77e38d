import { expect, test } from '@playwright/test'
import { bringInDemo, rows, saved, visit, quiet } from './helpers'

test('House shows which boxes wait for what, and filters by it', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}`)
  for (const name of ['Look', 'Test', 'Choose', 'Wire', 'Set', 'Prove', 'Done'])
    await expect(page.getByRole('button', { name: new RegExp(`^[1-9]\\d* ?${name}$`) })).toBeVisible()
  await expect(page.getByText(/17 rooms, 26 boxes · North America, 120 V/)).toBeVisible()
  await page.getByRole('button', { name: /Wire$/ }).click()
  await expect(page.getByRole('heading', { level: 2 })).toHaveText([/Veranda/])
  await page.getByRole('link', { name: /veranda door/ }).click()
  await expect(page).toHaveURL(/box-veranda\/wire$/)
})

test('keys: stages, boxes, house, palette, help, dark room', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-hall/look`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Coat corner')
  // Keys are heard once the page's script has come.
  await quiet(page)
  await page.keyboard.press('3')
  await expect(page).toHaveURL(/box-hall\/choose$/)
  await page.keyboard.press(']')
  await expect(page).not.toHaveURL(/box-hall/)
  await page.keyboard.press('d')
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  await page.reload()
  await quiet(page)
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('/')
  const find = page.getByRole('combobox', { name: /^Name of a room/ })
  await find.fill('no room is called that')
  await expect(page.getByRole('status').filter({ hasText: 'Nothing is called that here.' })).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Enter')
  await find.fill('guest')
  await expect(page.getByRole('option').first()).toHaveAttribute('aria-selected', 'true')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/box-guest-room\/look$/)
  await page.keyboard.press('h')
  await expect(page).toHaveURL(new RegExp(`/jobs/${jobId}$`))
})

test('Panel: a label that does not hold raises its defect in the box', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/panel`)
  await page.getByRole('button', { name: 'Edit breaker 6', exact: true }).click()
  await page
    .getByRole('group', { name: 'Does the label hold?' })
    .getByRole('radio', { name: 'No', exact: true })
    .check()
  await page.getByRole('button', { name: 'Close' }).click()
  await saved(page)
  expect(await rows("SELECT label_holds FROM circuits WHERE job_id = ? AND breaker = '6'", jobId)).toEqual([
    { label_holds: 'no' },
  ])
  await visit(page, `/jobs/${jobId}/boxes/box-reading-room/look`)
  await expect(page.getByText(/label for 6 names something else/)).toBeVisible()
})

test('a box that is not there, and a job that is not there, are said', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/attic/look`)
  await expect(page.getByRole('heading', { name: 'This box is not there' })).toBeVisible()
  expect((await request.get('/api/jobs/nowhere')).status()).toBe(404)
  await page.goto('/jobs/nowhere')
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible()
  await page.goto(`/jobs/${jobId}/boxes/attic`)
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible()
})

test('a job is started, and its first box asked for; the room is made with it', async ({ page }) => {
  await visit(page, '/')
  await page.getByRole('button', { name: 'Start a job' }).click()
  await page.getByLabel('Name of the house').fill('Lantern Row 4')
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Lantern Row 4' })).toBeVisible()
  await expect(page.getByText('Stand before the first switch')).toBeVisible()
  const jobId = page.url().split('/').at(-1)!
  await page.getByRole('button', { name: 'Add a box', exact: true }).click()
  const add = page.getByRole('button', { name: 'Add the box and look' })
  await expect(add).toBeDisabled()
  await page.getByLabel('Name of the room').fill('Porch')
  await page.getByLabel('Name of the room').press('Enter')
  await page.waitForURL(/\/look$/)
  await saved(page)
  // The next box stands in the same room, or in one more.
  await page.goto(`/jobs/${jobId}`)
  await page.getByRole('button', { name: 'Add a box', exact: true }).click()
  await expect(page.getByLabel('Room', { exact: true })).toHaveValue(/.+/)
  await page.getByLabel('Room', { exact: true }).selectOption({ label: 'Another room' })
  await expect(add).toBeDisabled()
  await page.getByLabel('Name of the room').fill('Shed')
  await add.click()
  await page.waitForURL(/\/look$/)
  await saved(page)
  expect(
    await rows(
      'SELECT r.name, b.name AS box FROM rooms r JOIN boxes b ON b.job_id = r.job_id AND b.room_id = r.id WHERE r.job_id = ? ORDER BY r.position',
      jobId,
    ),
  ).toEqual([
    { name: 'Porch', box: 'By the door' },
    { name: 'Shed', box: 'By the door' },
  ])
})

test('a room is renamed, removed with its box, and brought back; the house keeps its names', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: 'Edit Pantry' }).click()
  await page.getByLabel('Name of the room').fill('Larder')
  await page.getByLabel('Name of the room').press('Enter')
  await expect(page.getByRole('dialog', { name: 'Larder' })).toBeVisible()
  await page.getByRole('button', { name: 'Remove this room and its 1 box' }).click()
  await expect(page.getByRole('heading', { name: /Larder/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo: remove a room' }).click()
  await expect(page.getByRole('heading', { name: /Larder/ })).toBeVisible()
  await page.getByRole('button', { name: 'The house' }).click()
  await page.getByLabel('Apprentice').fill('Nuala Quist')
  await page.getByLabel('Apprentice').press('Enter')
  await page.getByRole('button', { name: 'Close' }).click()
  await saved(page)
  expect(await rows('SELECT apprentice FROM jobs WHERE id = ?', jobId)).toEqual([
    { apprentice: 'Nuala Quist' },
  ])
  expect(
    await rows(
      "SELECT b.id FROM boxes b JOIN rooms r ON r.job_id = b.job_id AND r.id = b.room_id WHERE b.job_id = ? AND r.name = 'Larder'",
      jobId,
    ),
  ).toEqual([{ id: 'box-pantry' }])
})

test('a job that could not be started says so, and is started once the server answers', async ({
  page,
  context,
}) => {
  await visit(page, '/')
  await page.getByRole('button', { name: 'Start a job' }).click()
  const name = `Job of the road ${Date.now()}`
  await page.getByLabel('Name of the house').fill(name)
  await context.setOffline(true)
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was started' })).toBeVisible()
  await expect(page.getByLabel('Name of the house')).toHaveValue(name)
  expect(await rows('SELECT id FROM jobs WHERE name = ?', name)).toEqual([])
  await context.setOffline(false)
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  await page.waitForURL(/\/jobs\/[^/]+$/)
  expect(await rows('SELECT id FROM jobs WHERE name = ?', name)).toHaveLength(1)
})

test('a job is removed only when asked twice', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: 'The house' }).click()
  await page.getByRole('button', { name: 'Remove this job' }).click()
  expect(await rows('SELECT id FROM jobs WHERE id = ?', jobId)).toHaveLength(1)
  await page.getByRole('button', { name: 'Remove it all' }).click()
  await expect(page).toHaveURL(/\/$/)
  expect(await rows('SELECT id FROM jobs WHERE id = ?', jobId)).toEqual([])
})
