import { expect, test, type Page } from '@playwright/test'
import { bringInDemo, visit } from './helpers'

/** Boxes of several gangs, and the fullest of one. */
const BOXES = [
  'box-island',
  'box-stair-middle',
  'box-stair-bottom',
  'box-reading-room',
  'box-kitchen-door',
  'box-hall',
]
const LEAST_PIXELS = 12

/** How large the smallest word of the drawing is, and what hangs out of it. */
const words = (page: Page) =>
  page.locator('svg.box-drawing').evaluate(svg => {
    const edge = svg.getBoundingClientRect()
    const scale = (svg as SVGSVGElement).getScreenCTM()!.a
    const texts = [...svg.querySelectorAll('text')].filter(({ textContent }) => textContent.trim() !== '')
    return {
      least: Math.min(...texts.map(text => parseFloat(getComputedStyle(text).fontSize) * scale)),
      out: texts
        .filter(text => {
          const { left, right } = text.getBoundingClientRect()
          return left < edge.left - 1 || right > edge.right + 1
        })
        .map(({ textContent }) => textContent),
    }
  })

test('on a desk every word of a drawing can be read, and none is cut at its edge', async ({
  page,
  request,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  const jobId = await bringInDemo(request)
  for (const box of BOXES)
    for (const stage of ['look', 'wire', 'prove']) {
      await visit(page, `/jobs/${jobId}/boxes/${box}/${stage}`)
      await expect(page.locator('svg.box-drawing')).toBeVisible()
      const { least, out } = await words(page)
      expect(least, `${box} on ${stage}`).toBeGreaterThanOrEqual(LEAST_PIXELS)
      expect(out, `${box} on ${stage}`).toEqual([])
    }
})

test('on a phone the whole box is seen first; larger, its words can be read', async ({ page, request }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const jobId = await bringInDemo(request)
  await visit(page, `/jobs/${jobId}/boxes/box-island/look`)
  const drawing = page.locator('svg.box-drawing')
  await expect(drawing).toBeVisible()
  expect((await drawing.boundingBox())!.width).toBeLessThanOrEqual(390)
  await page
    .getByRole('button', { name: /^(Larger|See it larger)/ })
    .first()
    .click()
  await expect.poll(async () => (await words(page)).least).toBeGreaterThanOrEqual(LEAST_PIXELS)
})
