import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import path from 'node:path'
import { BLANK } from '@/core/model/blank-rows'
import { expect, test } from '@playwright/test'
import { bringInBox, lockOff, pick, rows, saved, stage, visit, seenBeside } from './helpers'

const root = path.resolve(import.meta.dirname, '..')

async function serve(port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['.next/standalone/server.js'], {
    cwd: root,
    env: { ...process.env, PORT: String(port), HOSTNAME: '127.0.0.1', LOG_LEVEL: 'fatal' },
    stdio: 'ignore',
  })
  await expect
    .poll(
      () =>
        fetch(`http://127.0.0.1:${port}/api/health`).then(
          answer => answer.ok,
          () => false,
        ),
      { timeout: 20_000 },
    )
    .toBe(true)
  return server
}

async function kill(server: ChildProcess) {
  server.kill('SIGKILL')
  await once(server, 'exit')
}

test('the server dies in the middle: what was recorded is kept, and lands once it is back', async ({
  page,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral' })
  const port = 3117
  const first = await serve(port)
  await visit(page, `http://127.0.0.1:${port}/jobs/${jobId}/boxes/box/set`)
  await page
    .getByRole('group', { name: /^Low-end trim/ })
    .getByRole('radio', { name: '7' })
    .check()
  await saved(page)
  await kill(first)
  await page.getByRole('group', { name: /^Edge/ }).getByRole('radio', { name: 'leading' }).check()
  await expect(page.getByText('Kept here, waiting for the server')).toBeVisible()
  const second = await serve(port)
  try {
    await saved(page)
    await page.reload()
    await expect(page.getByRole('radio', { name: '7' })).toBeChecked()
    await expect(page.getByRole('radio', { name: 'leading' })).toBeChecked()
    const made = await rows(
      'SELECT setting_id, value FROM settings WHERE job_id = ? ORDER BY setting_id',
      jobId,
    )
    expect(made).toEqual([
      { setting_id: 'edge', value: 'leading' },
      { setting_id: 'trim', value: '7' },
    ])
  } finally {
    await kill(second)
  }
})

test('edits made while the server is away survive closing the page', async ({ page, request, context }) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral' })
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await context.route('**/commands', route => route.abort())
  await page
    .getByRole('group', { name: /^Low-end trim/ })
    .getByRole('radio', { name: '2', exact: true })
    .check()
  await expect(page.getByText('Kept here, waiting for the server')).toBeVisible()
  await page.close()
  expect(await rows('SELECT id FROM settings WHERE job_id = ?', jobId)).toEqual([])
  await context.unroute('**/commands')
  const again = await context.newPage()
  await visit(again, `/jobs/${jobId}/boxes/box/set`)
  await expect(again.getByRole('radio', { name: '2', exact: true })).toBeChecked()
  await saved(again)
  expect(await rows('SELECT value FROM settings WHERE job_id = ?', jobId)).toEqual([{ value: '2' }])
})

test('what two pages of one browser could not send is kept beside each other, and sent by the next', async ({
  page,
  context,
  request,
}) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral', isolated: true })
  const panel = await context.newPage()
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await visit(panel, `/jobs/${jobId}/panel`)
  await context.route('**/commands', route => route.abort())
  await page
    .getByRole('group', { name: /^Low-end trim/ })
    .getByRole('radio', { name: '2', exact: true })
    .check()
  await panel.getByRole('button', { name: 'Edit breaker 7', exact: true }).click()
  await panel.getByRole('dialog').getByRole('button', { name: 'Found on', exact: true }).click()
  for (const each of [page, panel])
    await expect(each.getByText('Kept here, waiting for the server')).toBeVisible()
  const kept = await page.evaluate(() => Object.keys(localStorage).filter(key => key.includes('/unsent/')))
  expect(kept).toHaveLength(2)
  await page.close()
  await panel.close()

  await context.unroute('**/commands')
  const again = await context.newPage()
  await visit(again, `/jobs/${jobId}`)
  await saved(again)
  expect(await rows('SELECT value FROM settings WHERE job_id = ?', jobId)).toEqual([{ value: '2' }])
  expect(await rows('SELECT found_so FROM switchings WHERE job_id = ? AND `to` = ?', jobId, 'on')).toEqual([
    { found_so: 1 },
  ])
  expect(
    await again.evaluate(() => Object.keys(localStorage).filter(key => key.includes('/unsent/'))),
  ).toEqual([])
})

test('a browser that keeps nothing takes nothing, and says so', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral', isolated: true })
  await page.addInitScript(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  await visit(page, `/jobs/${jobId}/boxes/box/set`)
  await page
    .getByRole('group', { name: /^Low-end trim/ })
    .getByRole('radio', { name: '2', exact: true })
    .click()
  await expect(page.getByText(/^This browser keeps nothing/)).toBeVisible()
  await saved(page)
  expect(await rows('SELECT value FROM settings WHERE job_id = ?', jobId)).toEqual([])
})

test('two people on one box: the later is told what changed, and sees it', async ({ browser, request }) => {
  const jobId = await bringInBox(request, {})
  const [hers, his] = await Promise.all([browser.newPage(), browser.newPage()])
  for (const page of [hers, his]) await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await his.route('**/api/jobs/*', route => route.abort())
  await pick(hers, 'Material', 'Metal')
  await saved(hers)
  await his.unroute('**/api/jobs/*')
  await his.getByLabel('Where it is').fill('By the window')
  await his.getByLabel('Where it is').press('Enter')
  const alert = his.getByRole('alert').filter({ hasText: 'Somebody else was quicker' })
  await expect(alert).toContainText('name By the door')
  await alert.getByRole('button', { name: 'Show me theirs' }).click()
  await expect(
    his.getByRole('group', { name: 'Material' }).getByRole('radio', { name: 'Metal' }),
  ).toBeChecked()
  expect(await rows('SELECT name, material FROM boxes WHERE job_id = ?', jobId)).toEqual([
    { name: 'By the door', material: 'metal' },
  ])
})

test('a reading that is not dead holds everything, and says stop', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'switch-plain-15' })
  await visit(page, `/jobs/${jobId}/boxes/box/wire`)
  await page.getByRole('button', { name: 'It read 120 V' }).click()
  await page.getByRole('button', { name: /^Live point to A bare/ }).click()
  await lockOff(page)
  await page.getByRole('button', { name: 'A black: another value' }).click()
  await page.getByLabel('Volts at A black').fill('118')
  await page.getByRole('button', { name: 'V', exact: true }).click()
  await expect(page.getByText('A black read 118 V: stop.')).toBeVisible()
  // No press on 0 V clears it: what fed it is said, or why the reading was wrong.
  await expect(page.getByRole('button', { name: 'A black: 0 V' })).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Another breaker fed it' })).toBeVisible()
  await expect(page.locator('[data-step="fold"]').getByRole('button')).toBeDisabled()
  await stage(page, 'Prove')
  await expect(page.getByText('May be live').first()).toBeVisible()
  const tick = await request.post(`/api/jobs/${jobId}/commands`, {
    data: {
      id: `by-hand-${Date.now()}`,
      origin: await seenBeside(request, jobId),
      name: 'tick a step',
      boxId: 'box',
      edits: [
        {
          kind: 'add',
          entity: 'steps',
          row: { id: 'x', boxId: 'box', stepKey: 'fold', ...BLANK.steps },
        },
      ],
    },
  })
  expect(tick.status()).toBe(422)
})
