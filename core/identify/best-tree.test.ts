import { describe, expect, it } from 'vitest'
import { randomHidden } from '@/testing/identify/arrangements'
import { leastReadings, plannedReadings, withPlainQuestions } from '@/testing/identify/best-tree'
import { prepare } from '@/testing/identify/run'

const COUNT = 60
/** Ways of wiring that the exact search still manages. */
const FEW = 14
const WITHIN = 0.5

describe(`the readings asked for, beside the best tree of them (small circuits of ${COUNT}, seeds from 1)`, () => {
  it(`are at most ${WITHIN} more on average than the least there can be`, () => {
    let compared = 0
    for (let seed = 1; seed <= COUNT; seed++) {
      const prepared = withPlainQuestions(prepare(randomHidden(seed, 2)))
      if (prepared.held.hypotheses.length > FEW || prepared.held.classes.length < 2) continue
      const least = leastReadings(prepared)
      if (least === null) continue
      const planned = plannedReadings(prepared)
      expect(planned, `seed ${seed}`).toBeGreaterThanOrEqual(least - 1e-9)
      expect(planned - least, `seed ${seed}`).toBeLessThanOrEqual(WITHIN)
      compared++
    }
    expect(compared).toBeGreaterThan(COUNT / 2)
  })
})
