import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import path from 'node:path'
import { BLANK } from '@/core/model/blank-rows'
import { expect, test, type Browser, type Page } from '@playwright/test'
import { atHand, bringInBox, lockOff, pick, rows, saved, stage, visit, seenBeside } from './helpers'

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
    await expect(page.getByRole('radio', { name: '7', exact: true })).toBeChecked()
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

/** How many commands the browser keeps that were not answered. */
const unsentIn = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const open = indexedDB.open('every-room')
        open.onerror = () => reject(open.error)
        open.onsuccess = () => {
          const count = open.result.transaction('unsent').objectStore('unsent').count()
          count.onsuccess = () => {
            open.result.close()
            resolve(count.result)
          }
        }
      }),
  )

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
  await expect.poll(() => unsentIn(page)).toBe(2)
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
  await expect.poll(() => unsentIn(again)).toBe(0)
})

test('a browser that keeps nothing takes nothing, and says so', async ({ page, request }) => {
  const jobId = await bringInBox(request, { choice: 'dimmer-led-150-neutral', isolated: true })
  await page.addInitScript(() => {
    IDBObjectStore.prototype.put = () => {
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

/** Two people with one box open, of whom the second hears of nobody. */
async function twoAt(browser: Browser, jobId: string): Promise<readonly [Page, Page]> {
  const [hers, his] = await Promise.all([browser.newPage(), browser.newPage()])
  await his.route(/\/(events|hearing)/, route => route.abort())
  for (const page of [hers, his]) await visit(page, `/jobs/${jobId}/boxes/box/look`)
  return [hers, his]
}

test('two people on one box: what each says of it stands, and of the same field both values are shown, one press each', async ({
  browser,
  request,
}) => {
  const jobId = await bringInBox(request, {})
  const [hers, his] = await twoAt(browser, jobId)
  const held = () => rows('SELECT name, material FROM boxes WHERE job_id = ?', jobId)
  await pick(hers, 'Material', 'Metal')
  await saved(hers)
  // Of another field: both stand.
  await his.getByLabel('Where it is').fill('By the window')
  await his.getByLabel('Where it is').press('Enter')
  await saved(his)
  expect(await held()).toEqual([{ name: 'By the window', material: 'metal' }])
  // Of the same: theirs first, then the other way round.
  const alert = his.getByRole('alert').filter({ hasText: 'Somebody else was quicker' })
  const where = (page: Page, name: string) => page.getByLabel('Where it is').fill(name)
  for (const [press, name] of [
    ['Theirs: By the stove 0', 'By the stove 0'],
    ['Yours: By the stair 1', 'By the stair 1'],
  ] as const) {
    const at = name.at(-1)!
    await where(hers, `By the stove ${at}`)
    await hers.getByLabel('Where it is').press('Enter')
    await saved(hers)
    await where(his, `By the stair ${at}`)
    await his.getByLabel('Where it is').press('Enter')
    const field = alert.getByRole('group', { name: 'Where it is' })
    await expect(field.getByRole('button')).toHaveText([
      `Yours: By the stair ${at}`,
      `Theirs: By the stove ${at}`,
    ])
    expect(await held()).toEqual([{ name: `By the stove ${at}`, material: 'metal' }])
    await field.getByRole('button', { name: press }).click()
    await expect(alert).toHaveCount(0)
    await saved(his)
    await expect(his.getByLabel('Where it is')).toHaveValue(name)
    expect(await held()).toEqual([{ name, material: 'metal' }])
    await expect(hers.getByLabel('Where it is')).toHaveValue(name)
  }
})

test('what somebody else does is seen within a second, and does not take what is being typed', async ({
  browser,
  request,
}) => {
  const jobId = await bringInBox(request, {})
  const [hers, his] = await Promise.all([browser.newPage(), browser.newPage()])
  for (const page of [hers, his]) await visit(page, `/jobs/${jobId}/boxes/box/look`)
  const metal = his.getByRole('group', { name: 'Material' }).getByRole('radio', { name: 'Metal' })
  await pick(hers, 'Material', 'Metal')
  await saved(hers)
  const before = Date.now()
  await expect(metal).toBeChecked({ timeout: 1000 })
  expect(Date.now() - before).toBeLessThan(1000)

  const field = his.getByLabel('Where it is')
  await field.fill('By the win')
  await hers.getByLabel('Where it is').fill('By the stove')
  await hers.getByLabel('Where it is').press('Enter')
  const both = his.getByRole('alert').filter({ hasText: 'Somebody changed this while you typed' })
  await expect(both.getByRole('button')).toHaveText(['Yours: “By the win”', 'Theirs: “By the stove”'])
  await expect(field).toHaveValue('By the win')
  await field.press('End')
  await field.pressSequentially('dow')
  await both.getByRole('button', { name: 'Yours: “By the window”' }).click()
  await expect(both).toHaveCount(0)
  await saved(his)
  expect(await rows('SELECT name FROM boxes WHERE job_id = ?', jobId)).toEqual([{ name: 'By the window' }])
  await expect(hers.getByLabel('Where it is')).toHaveValue('By the window')
})

test('what is being typed outlives a reload, in whatever field', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  await page.getByLabel('Where it is').fill('By the chim')
  await page.reload()
  await expect(page.getByLabel('Where it is')).toHaveValue('By the chim')
  await page.getByLabel('Where it is').press('Enter')
  await saved(page)
  expect(await rows('SELECT name FROM boxes WHERE job_id = ?', jobId)).toEqual([{ name: 'By the chim' }])
  // Stored, it comes back no more.
  await page.reload()
  await expect(page.getByLabel('Where it is')).toHaveValue('By the chim')
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

test('what is typed of one conductor is never another’s', async ({ page, request }) => {
  const jobId = await bringInBox(request, {})
  // On a page that has much to draw, somebody types before its first picture stands.
  await page.addInitScript(() => {
    const next = window.requestAnimationFrame.bind(window)
    window.requestAnimationFrame = draw => next(() => setTimeout(() => draw(performance.now()), 400))
  })
  await visit(page, `/jobs/${jobId}/boxes/box/look`)
  const note = page.getByLabel('Note pinned to it')
  const take = async (conductor: RegExp) => {
    const strand = page.getByRole('button', { name: conductor }).first()
    await strand.scrollIntoViewIfNeeded()
    await strand.press('Enter')
  }
  await take(/^Cable A, black/)
  await note.fill('nicked whe')
  await page.reload()
  await take(/^Cable A, white/)
  await expect(note).toHaveValue('')
  await take(/^Cable A, black/)
  await expect(note).toHaveValue('nicked whe')
  await note.press('Enter')
  await saved(page)
  expect(await rows('SELECT end_id, text FROM notes WHERE job_id = ?', jobId)).toEqual([
    { end_id: 'box-a-black-1-end', text: 'nicked whe' },
  ])
})

test('every page of a job that is open opens without a connection', async ({ page, context, request }) => {
  const jobId = await bringInBox(request, {})
  await visit(page, `/jobs/${jobId}`)
  // The others are fetched once this one stands.
  await atHand(page)
  await context.setOffline(true)
  const job = page.getByRole('navigation', { name: 'Job' })
  for (const [name, heading] of [
    ['Panel', 'Panel'],
    ['Defects', 'Defects'],
    ['Rules', 'House rules'],
    ['House', 'One box'],
  ] as const) {
    await job.getByRole('link', { name, exact: true }).click()
    await expect(page.getByRole('heading', { name: heading, level: 1 })).toBeVisible()
  }
  await page.getByRole('link', { name: /^By the door/ }).click()
  for (const name of ['Look', 'Test', 'Choose', 'Wire', 'Set', 'Prove']) {
    await stage(page, name)
    await expect(page.getByRole('region', { name })).toBeVisible()
  }
  await page.goBack()
  await expect(page.getByRole('region', { name: 'Set' })).toBeVisible()
})
