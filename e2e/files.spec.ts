import { get } from 'node:http'
import { readFile } from 'node:fs/promises'
import { expect, test } from '@playwright/test'
import { bringInDemo, rows, visit, seenBeside } from './helpers'

test('a job file goes out and comes in byte for byte', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, '/')
  const download = page.waitForEvent('download')
  await page.locator(`a[href="/api/jobs/${jobId}/file"]`).click()
  const path = await (await download).path()
  const text = await readFile(path, 'utf8')
  const free = text.replaceAll(jobId, `${jobId}-b`)
  await page
    .getByLabel('Job file', { exact: true })
    .setInputFiles({ name: 'copy.everyroom.json', mimeType: 'application/json', buffer: Buffer.from(free) })
  await expect(page).toHaveURL(new RegExp(`/jobs/${jobId}-b$`))
  const again = await request.get(`/api/jobs/${jobId}-b/file`)
  expect(await again.text()).toBe(free)
})

test('a broken file is refused with every path, and nothing is stored', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  const file = JSON.parse(await (await request.get(`/api/jobs/${jobId}/file`)).text())
  file.job.id = `${jobId}-broken`
  file.boxes[0].gangs = 9
  file.loads[1].kind = 'candle'
  await visit(page, '/')
  await page.getByLabel('Job file', { exact: true }).setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(file)),
  })
  const alert = page.getByRole('alert').filter({ hasText: 'nothing was stored' })
  await expect(alert).toContainText('/boxes/0/gangs')
  await expect(alert).toContainText('/loads/1/kind')
  expect(await rows('SELECT id FROM jobs WHERE id = ?', `${jobId}-broken`)).toEqual([])
})

test('a demo is reset only when asked twice', async ({ page, request }) => {
  await request.post('/api/jobs/saltpan-quay-3/commands', {
    data: {
      id: `spoil-${Date.now()}`,
      origin: await seenBeside(request, 'saltpan-quay-3'),
      name: 'remove a box',
      boxId: null,
      edits: [{ kind: 'remove', entity: 'boxes', id: 'box-bedroom', based: 1 }],
    },
  })
  await visit(page, '/')
  await page.getByRole('button', { name: 'Reset the demo Flat 3, Saltpan Quay' }).click()
  await page.getByRole('button', { name: 'Reset it' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect
    .poll(async () => (await rows("SELECT COUNT(*) AS n FROM boxes WHERE job_id = 'saltpan-quay-3'"))[0]!.n)
    .toBe(4)
})

test('another site may not write', async ({ request }) => {
  const jobId = await bringInDemo(request)
  const answer = await request.post(`/api/jobs/${jobId}/commands`, {
    headers: { origin: 'http://elsewhere.example' },
    data: { id: 'x', name: 'undo', boxId: null, undoes: 'y' },
  })
  expect(answer.status()).toBe(403)
})

test('it answers to its own names alone, and nothing it sends may be framed, guessed at or kept by others', async ({
  request,
  baseURL,
}) => {
  const jobId = await bringInDemo(request)
  for (const path of ['/', `/jobs/${jobId}`, `/api/jobs/${jobId}`, '/api/health']) {
    const own = await request.get(path)
    expect(own.status(), path).toBe(200)
    const headers = own.headers()
    expect(headers, path).toMatchObject({
      'x-content-type-options': 'nosniff',
      'x-frame-options': 'DENY',
      'referrer-policy': 'same-origin',
      'cross-origin-resource-policy': 'same-origin',
    })
    expect(headers['cache-control'], path).toMatch(/no-store/)
    const policy = headers['content-security-policy']
    expect(policy, path).toMatch(
      path.startsWith('/api/')
        ? /^default-src 'none'/
        : /script-src 'self'( 'sha256-[^']+')+ 'wasm-unsafe-eval';/,
    )
    expect(policy, path).not.toMatch(/script-src[^;]*unsafe-inline/)
  }
  // A name that somebody turned to this machine: read by a program that may say any Host.
  const { port } = new URL(baseURL!)
  const asked = (host: string) =>
    new Promise<number>((resolve, reject) => {
      get({ host: '127.0.0.1', port, path: `/api/jobs/${jobId}`, headers: { host } }, answer => {
        answer.resume()
        resolve(answer.statusCode!)
      }).on('error', reject)
    })
  expect(await asked(`127.0.0.1:${port}`)).toBe(200)
  expect(await asked(`localhost:${port}`)).toBe(200)
  expect(await asked(`elsewhere.example:${port}`)).toBe(421)
  for (const path of [
    '/api/jobs/é',
    '/api/jobs/constructor',
    '/jobs/日本',
    '/api/jobs/%00',
    `/api/jobs/${jobId}/photos/é`,
  ])
    expect((await request.get(path)).status(), path).toBe(404)
  const posted = await request.post('/api/jobs', { data: '{}', headers: { 'sec-fetch-site': 'cross-site' } })
  expect(posted.status()).toBe(403)
})

test('a job is copied with all but its photos and its history', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await rows('UPDATE jobs SET name = ? WHERE id = ?', `Copied ${jobId}`, jobId)
  await visit(page, '/')
  await page.getByRole('button', { name: `Copy Copied ${jobId}, without its photos` }).click()
  await expect(page.getByRole('link', { name: `Job file of Copied ${jobId}, copy` })).toBeVisible()
  const [copy] = await rows('SELECT id FROM jobs WHERE name = ?', `Copied ${jobId}, copy`)
  const count = async (id: string) =>
    (
      await rows(
        'SELECT (SELECT COUNT(*) FROM ends WHERE job_id = ?) AS ends, (SELECT COUNT(*) FROM readings WHERE job_id = ?) AS readings',
        id,
        id,
      )
    )[0]
  expect(await count(String(copy!.id))).toEqual(await count(jobId))
  expect(await rows('SELECT id FROM command_log WHERE job_id = ?', String(copy!.id))).toEqual([])
})
