import { expect, test } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import { STAGES } from '@/core/model/vocabulary'
import { bringIn, stage, visit } from './helpers'

/** Share of the height that the picture takes at the most. */
const PICTURE = 0.45

test('on a phone the picture and the next thing to press are in sight on arrival @phone', async ({
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
      if (each !== 'look') await stage(page, each[0]!.toUpperCase() + each.slice(1))
      const section = page.locator('main section').first()
      await expect(section).toBeVisible()
      await page.evaluate(() => scrollTo(0, 0))
      const seen = await page.evaluate(() => {
        const picture = document.querySelector('.box-drawing, .group-drawing')?.getBoundingClientRect()
        const part = document.querySelector('[data-work]')!
        const next = [...part.querySelectorAll<HTMLElement>('button, a[href], input, select, summary')]
          .filter(each => each.offsetParent !== null)
          .map(each => each.getBoundingClientRect())[0]
        return { picture: picture?.height ?? 0, next: next ? next.bottom : null }
      })
      if (seen.picture > PICTURE * height) out.push(`${id} ${each}: picture of ${Math.round(seen.picture)}`)
      if (seen.next !== null && seen.next > height)
        out.push(`${id} ${each}: next at ${Math.round(seen.next)}`)
    }
  }
  expect(out).toEqual([])
})
