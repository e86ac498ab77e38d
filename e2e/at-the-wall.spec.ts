import { expect, test, type Page } from '@playwright/test'
import { quillbackRoad } from '@/demo/quillback'
import { STAGES } from '@/core/model/vocabulary'
import { bringIn, stage, visit } from './helpers'

/** The share of the height that the picture takes at the most. */
const PICTURE = 0.45

test.use({ viewport: { width: 390, height: 844 } })

/** What is to be done next, as it lies between the picture and the lower edge of the screen. */
const seen = (page: Page) =>
  page.evaluate(() => {
    const next = document.querySelector('[data-work] [data-next]')
    const drawing = document.querySelector('.box-drawing, .group-drawing')!
    const { top, bottom } = next?.getBoundingClientRect() ?? { top: 0, bottom: 0 }
    return {
      asks: next?.getAttribute('data-next') ?? null,
      picture: drawing.getBoundingClientRect(),
      above: Math.round(drawing.getBoundingClientRect().bottom - top),
      below: Math.round(bottom - innerHeight),
    }
  })

test('on a phone the picture and the one next thing are in sight on arrival, on every stage of every box', async ({
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
