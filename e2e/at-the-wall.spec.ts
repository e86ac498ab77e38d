import { expect, test } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import { STAGES } from '@/core/model/vocabulary'
import { bringIn, stage, visit } from './helpers'

/** Shares of the height that the picture takes at the most, and all that stands above what is to be done. */
const PICTURE = 0.45
const ABOVE = 0.8

test.use({ viewport: { width: 390, height: 844 } })

test('on a phone the picture leaves room for what is to be done, on every stage of every box', async ({
  page,
  request,
}) => {
  test.slow()
  const record = quillbackRoad()
  const jobId = await bringIn(request, record)
  const { height } = page.viewportSize()!
  const out: string[] = []
  for (const { id } of Object.values(record.boxes)) {
    await visit(page, `/jobs/${jobId}/boxes/${id}/look`)
    for (const each of STAGES) {
      const name = each[0]!.toUpperCase() + each.slice(1)
      if (each !== 'look') await stage(page, name)
      await expect(page.locator(`[data-work][aria-label="${name}"]`)).toBeVisible()
      await page.evaluate(() => scrollTo(0, 0))
      const { picture, work } = await page.evaluate(() => {
        const box = (of: string) => document.querySelector(of)?.getBoundingClientRect()
        return { picture: box('.box-drawing, .group-drawing')?.height ?? 0, work: box('[data-work]')!.top }
      })
      if (picture > PICTURE * height) out.push(`${id} ${each}: picture of ${Math.round(picture)}`)
      if (work > ABOVE * height) out.push(`${id} ${each}: what is to be done begins at ${Math.round(work)}`)
    }
  }
  expect(out).toEqual([])
})
