import { expect, test, type Page } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import { STAGES } from '@/core/model/vocabulary'
import { bringIn, stage, visit } from './helpers'
import { unread } from './test-stage'

/** The share of the height that the picture takes at the most. */
const PICTURE = 0.45

test.use({ viewport: { width: 390, height: 844 } })

/** What is to be done next, as it lies between the picture and the lower edge of the screen. */
const seen = (page: Page) =>
  page.evaluate(() => {
    const next = document.querySelector('[data-work] [data-next]')
    const drawing = document.querySelector('.box-drawing, .group-drawing, .house-sketch, .room-drawing')!
    const { top, bottom } = next?.getBoundingClientRect() ?? { top: 0, bottom: 0 }
    return {
      asks: next?.getAttribute('data-next') ?? null,
      picture: drawing.getBoundingClientRect(),
      above: Math.round(drawing.getBoundingClientRect().bottom - top),
      below: Math.round(bottom - innerHeight),
    }
  })

test('on a phone the picture and the one next thing are in sight on arrival, on every stage of every box, in both themes', async ({
  page,
  request,
  context,
  baseURL,
}) => {
  test.slow()
  const record = quillbackRoad()
  const jobId = await bringIn(request, record)
  const { height } = page.viewportSize()!
  const out: string[] = []
  for (const [at, { id }] of Object.values(record.boxes).entries()) {
    const theme = at % 2 === 0 ? 'paper' : 'dark'
    await context.addCookies([{ name: 'theme', value: theme, url: baseURL! }])
    await visit(page, `/jobs/${jobId}/boxes/${id}/look`)
    await expect(page.locator('html')).toHaveAttribute('data-theme', theme)
    for (const each of STAGES) {
      const name = each[0]!.toUpperCase() + each.slice(1)
      if (each !== 'look') await stage(page, name)
      const work = page.locator(`[data-work][aria-label="${name}"]`)
      await expect(work.locator('[data-next]').first()).toBeAttached()
      await expect
        .poll(
          async () => {
            const { asks, picture, above, below } = await seen(page)
            return [
              ...(asks === null ? ['nothing is asked'] : []),
              ...(picture.height > PICTURE * height ? [`picture of ${Math.round(picture.height)}`] : []),
              ...(picture.top < 0 || picture.bottom > height ? ['the picture is out of sight'] : []),
              ...(above > 0 || below > 0
                ? [`${asks}: ${above} under the picture, ${below} below the screen`]
                : []),
            ].join('; ')
          },
          { timeout: 4_000 },
        )
        .toBe('')
        .catch(async () => out.push(`${id} ${each}: ${JSON.stringify(await seen(page))}`))
    }
  }
  expect(out).toEqual([])
})

/** Stages on which one thing after the other is pressed, always within what is to be done next: of the demo, and of one usual box. */
const PRESSED = [
  ['box', 'test', 9],
  ['box-carport', 'test', 3],
  ['box-veranda', 'wire', 6],
  ['box-hall', 'prove', 6],
  ['box-porch', 'look', 1],
] as const

for (const [boxId, at, presses] of PRESSED)
  test(`after every press the next is in sight: ${at} of ${boxId}`, async ({ page, request }) => {
    test.slow()
    const jobId = await bringIn(request, boxId === 'box' ? unread() : quillbackRoad())
    await visit(page, `/jobs/${jobId}/boxes/${boxId}/${at}`)
    const next = page.locator('[data-work] [data-next]').first()
    for (let press = 0; press < presses; press++) {
      await expect(next).toBeVisible()
      await expect
        .poll(async () => {
          const { asks, above, below } = await seen(page)
          return above > 0 || below > 0 ? `press ${press}: ${asks}: ${above}, ${below}` : ''
        })
        .toBe('')
      const before = await next.getAttribute('data-next')
      const open = next.locator('button:enabled, input[type=radio]:enabled, a').first()
      // Within reach of the thumb that holds it.
      const { y, height } = (await open.boundingBox())!
      expect(y + height / 2).toBeGreaterThan(0.4 * page.viewportSize()!.height)
      if ((await open.evaluate(({ tagName }) => tagName)) === 'A') return
      await open.press('Space')
      await expect.poll(() => next.getAttribute('data-next').catch(() => null)).not.toBe(before)
    }
  })

/** Something as high as half a screen comes to stand above what is next; where the page is then, once that was seen to. */
const pushedDown = (page: Page) =>
  page.evaluate(async () => {
    const next = document.querySelector('[data-work] [data-next]')!
    const above = document.createElement('div')
    above.style.height = '420px'
    next.before(above)
    for (let frames = 0; frames < 4; frames++) await new Promise(requestAnimationFrame)
    return window.scrollY
  })

test('what is next is brought back into sight, but never between a press and its release, nor from whoever moved on', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, unread())
  const open = async () => {
    await visit(page, `/jobs/${jobId}/boxes/box/test`)
    await page.evaluate(() => (document.documentElement.style.overflowAnchor = 'none'))
    await expect(page.locator('[data-work] [data-next] button').first()).toBeVisible()
    return page.evaluate(() => window.scrollY)
  }
  const before = await open()
  expect(await pushedDown(page)).toBeGreaterThan(before)

  const held = await open()
  const { x, y } = (await page.locator('[data-work] [data-next] button').first().boundingBox())!
  await page.mouse.move(x + 5, y + 5)
  await page.mouse.down()
  expect(await pushedDown(page)).toBe(held)
  await page.mouse.up()

  await open()
  // What comes after the first press makes the page longer: the end is pressed for until it is there.
  await expect
    .poll(async () => {
      await page.keyboard.press('End')
      return page.evaluate(() => document.documentElement.scrollHeight - innerHeight - scrollY)
    })
    .toBeLessThan(1)
  const moved = await page.evaluate(() => window.scrollY)
  expect(await pushedDown(page)).toBe(moved)
})

/**
 * How much moves while a page is opened, and what: a thumb that is on its way lands on something else. What stands still
 * while the next reading is thought of is looked at with it.
 */
test('nothing moves while a page is opened', async ({ page, request }) => {
  const jobId = await bringIn(request, quillbackRoad())
  await page.addInitScript(() => {
    const moved: string[] = []
    Object.assign(window, { moved })
    new PerformanceObserver(list => {
      for (const entry of list.getEntries()) {
        const { value, sources } = entry as PerformanceEntry & {
          readonly value: number
          readonly sources: readonly { readonly node: Node | null }[]
        }
        const what = sources.map(({ node }) => node?.textContent?.slice(0, 30)).join(', ')
        if (value > 0.01) moved.push(`${value.toFixed(3)}: ${what}`)
      }
    }).observe({ type: 'layout-shift', buffered: true })
  })
  const out: string[] = []
  for (const path of [
    '',
    '/panel',
    '/day',
    ...STAGES.map(each => `/boxes/box-porch/${each}`),
    '/boxes/box-cellar/test',
    '/boxes/box-cellar/choose',
  ]) {
    await visit(page, `/jobs/${jobId}${path}`)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expect(page.getByText('Thinking of every way')).toHaveCount(0)
    await expect(page.locator('html[data-at-hand]')).toBeAttached()
    const moved = await page.evaluate(() => (window as unknown as { moved: string[] }).moved)
    out.push(...moved.map(each => `${path}: ${each}`))
  }
  expect(out).toEqual([])
})

test('the hunt has the same frame: the house in sight, and the breaker to try next after every press', async ({
  page,
  request,
}) => {
  const jobId = await bringIn(request, quillbackRoad())
  await visit(page, `/jobs/${jobId}/boxes/box-guest-room/breaker`)
  for (let press = 0; press < 4; press++) {
    const next = page.locator('[data-work] [data-next]')
    const before = await next.getAttribute('data-next')
    await expect
      .poll(async () => {
        const { picture, above, below } = await seen(page)
        return above > 0 || below > 0 || picture.bottom > 844 || picture.height > PICTURE * 844
          ? JSON.stringify({ press, picture, above, below })
          : ''
      })
      .toBe('')
    await next.getByRole('button', { name: 'It stayed lit' }).click()
    await expect.poll(() => next.getAttribute('data-next')).not.toBe(before)
  }
})

test.describe('a phone that lies on its side', () => {
  test.use({ viewport: { width: 844, height: 390 } })

  test('the picture stands whole beside what is to be done next', async ({ page, request }) => {
    const jobId = await bringIn(request, quillbackRoad())
    await visit(page, `/jobs/${jobId}/boxes/box-veranda/look`)
    for (const name of ['Look', 'Test', 'Choose', 'Wire', 'Set']) {
      if (name !== 'Look') await stage(page, name)
      await expect(page.locator(`[data-work][aria-label="${name}"] [data-next]`).first()).toBeVisible()
      await expect
        .poll(async () => {
          const { picture, top } = await page.evaluate(() => {
            const box = (of: string) => document.querySelector(of)!.getBoundingClientRect()
            return { picture: box('.box-drawing'), top: box('[data-work] [data-next]').top }
          })
          return picture.height > 200 && picture.bottom <= 390 && top >= 0 && top < 340
            ? ''
            : `${name}: ${top}, ${JSON.stringify(picture)}`
        })
        .toBe('')
    }
  })
})
