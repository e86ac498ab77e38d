import { gzipSync } from 'node:zlib'
import { AT_HAND } from '@/ui/browser/use-at-hand'
import { expect, test, type Page } from '@playwright/test'
import { atHand, bringInDemo, violations, visit, quiet } from './helpers'

const PAGES = [
  '/',
  '',
  'panel',
  'rules',
  'defects',
  'pick',
  'day',
  'sheets',
  'boxes/box-studio/look',
  'boxes/box-guest-room/test',
  'boxes/box-reading-room/choose',
  'boxes/box-stair-bottom/choose',
  'whole',
  'boxes/box-veranda/wire',
  'boxes/box-linen/set',
  'boxes/box-guest-room/breaker',
  'boxes/box-stair-bottom/try',
  'boxes/box-hall/prove',
]

// What a page says and how it is built is the same in both themes: the dark one is asked for its colours only, which
// are the same at both sizes.
const THEMES = { 'paper @phone': undefined, dark: ['color-contrast'] }

/** What a page wanted to load or do against its own policy, as it comes. */
function policyBroken(page: Page): readonly string[] {
  const broken: string[] = []
  page.on('console', message => {
    if (/content security policy/i.test(message.text())) broken.push(message.text())
  })
  return broken
}

/** Until all of a page has come, so that none of it is on its way when the next is gone to. */
const whole = (page: Page, path: string) =>
  path === '/' ? expect(page.getByRole('heading', { level: 1 })).toBeVisible() : atHand(page)

for (const [words, rules] of Object.entries(THEMES))
  test(`no axe violations, and no page breaks its own policy, ${words}`, async ({
    page,
    request,
    context,
    baseURL,
  }) => {
    const jobId = await bringInDemo(request)
    const broken = policyBroken(page)
    const theme = words.split(' ')[0]!
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }])
    for (const path of PAGES) {
      await visit(page, path === '/' ? '/' : `/jobs/${jobId}/${path}`)
      await whole(page, path)
      await expect(page.locator('html')).toHaveAttribute('data-theme', theme)
      expect(await violations(page, rules), path).toEqual([])
      expect(broken, path).toEqual([])
    }
  })

test('panels that open are accessible too', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-hall/test`)
  await page.getByRole('button', { name: /^A white [a-z]/ }).click()
  await expect(page.getByRole('heading', { name: 'Take a reading' })).toBeVisible()
  expect(await violations(page)).toEqual([])
  await visit(page, `/jobs/${jobId}/boxes/box-hall/look`)
  await page.getByRole('button', { name: /^Cable A, black/ }).press('Enter')
  await expect(page.getByRole('heading', { name: 'Conductor A black' })).toBeVisible()
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: 'Works the same light as …' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  expect(await violations(page)).toEqual([])
  await page.keyboard.press('Escape')
  await page.locator('summary').filter({ hasText: 'Cable A' }).click()
  await page.locator('summary').filter({ hasText: 'More of this cable' }).click()
  await page.getByRole('radio', { name: 'Another box', exact: true }).click()
  await expect(page.getByRole('dialog', { name: 'Cable A leads to' })).toBeVisible()
  expect(await violations(page)).toEqual([])
  await page.keyboard.press('Escape')
  await page.keyboard.press('/')
  await expect(page.getByRole('combobox', { name: /^Name of a room/ })).toBeFocused()
  expect(await violations(page)).toEqual([])
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: 'Several places, one light' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  expect(await violations(page)).toEqual([])
})

test('targets at the wall are 44 pixels or more, and nothing runs out of the screen @phone', async ({
  page,
  request,
}) => {
  const jobId = await bringInDemo(request)
  for (const path of PAGES.filter(each => each.startsWith('boxes'))) {
    await visit(page, `/jobs/${jobId}/${path}`)
    await whole(page, path)
    const small = await page.evaluate(() =>
      [
        ...document.querySelectorAll(
          'main button, main select, main input:not([type=radio]):not([type=file]), main a, main summary, main label:has(input[type=radio]), header button',
        ),
      ]
        .filter(element => element.checkVisibility())
        .map(element => ({
          text: element.textContent?.slice(0, 30),
          box: element.closest('label')?.getBoundingClientRect() ?? element.getBoundingClientRect(),
        }))
        .filter(({ box }) => box.height < 43.5)
        .map(({ text, box }) => `${text} ${Math.round(box.height)}`),
    )
    expect([path, small]).toEqual([path, []])
    const overflow = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    )
    expect(overflow, path).toBeLessThanOrEqual(0)
  }
})

test('neither a sheet nor the chart breaks the policy of its page', async ({ page, request }) => {
  const jobId = await bringInDemo(request)
  const broken = policyBroken(page)
  await visit(page, `/jobs/${jobId}`)
  await page.getByRole('button', { name: 'Find a box or an action' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('Escape')
  await visit(page, `/jobs/${jobId}/whole`)
  await page.getByRole('button', { name: 'Propose' }).click()
  await expect(page.getByRole('img', { name: /^Money by room, for each proposal/ })).toBeVisible()
  expect(broken).toEqual([])
})

test('no page loads more than 275 kB of compressed script, its workers 57 kB, and nothing from elsewhere', async ({
  browser,
  request,
  baseURL,
}) => {
  const jobId = await bringInDemo(request)
  const tooHeavy: string[] = []
  for (const path of PAGES) {
    const context = await browser.newContext({ baseURL })
    const page = await context.newPage()
    const scripts: { readonly url: string; readonly body: Promise<Buffer> }[] = []
    const elsewhere: string[] = []
    page.on('response', response => {
      if (!response.url().startsWith(baseURL!) && !response.url().startsWith('data:'))
        elsewhere.push(response.url())
      if (!/\.js(\?|$)/.test(response.url())) return
      const body = response.body()
      // One that comes as the page closes is not weighed; one that was asked for below still fails.
      body.catch(() => undefined)
      scripts.push({ url: response.url(), body })
    })
    await page.goto(path === '/' ? '/' : `/jobs/${jobId}/${path}`)
    await quiet(page)
    /** How many workers load each. */
    const inWorkers = new Map<string, number>()
    for (const worker of page.workers()) {
      const own = new Set([worker.url()])
      const loaded = worker.evaluate(() => performance.getEntriesByType('resource').map(({ name }) => name))
      // One that has done its work meanwhile says no more what it had loaded.
      const gone = new Promise<string[]>(resolve => worker.once('close', () => resolve([])))
      for (const url of await Promise.race([loaded.catch(() => []), gone])) own.add(url)
      for (const url of own) inWorkers.set(url, (inWorkers.get(url) ?? 0) + 1)
    }
    // What comes once the page stands, so that it is there without a connection, is weighed by itself.
    const later = new Set(
      await page.evaluate(mark => {
        const since = performance.getEntriesByName(mark)[0]?.startTime ?? Infinity
        return performance
          .getEntriesByType('resource')
          .filter(({ startTime }) => startTime >= since)
          .map(({ name }) => name)
      }, AT_HAND),
    )
    const weigh = async (workers: boolean) => {
      // What the page and its workers load comes once for each; workers of the same script are weighed once.
      const own = scripts.filter(({ url }, at) => {
        const before = scripts.slice(0, at).filter(each => each.url === url).length
        const loading = inWorkers.get(url) ?? 0
        return workers ? before === 0 && loading > 0 : before >= loading && !later.has(url)
      })
      const bodies = await Promise.all(own.map(({ body }) => body))
      return bodies.reduce((sum, body) => sum + gzipSync(body).length, 0)
    }
    const bytes = await weigh(false)
    expect(bytes, path).toBeGreaterThan(50_000)
    if (bytes >= 275_000) tooHeavy.push(`${path}: ${bytes}`)
    expect(await weigh(true), path).toBeLessThan(57_000)
    expect(elsewhere).toEqual([])
    await context.close()
  }
  expect(tooHeavy).toEqual([])
})
