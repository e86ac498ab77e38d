import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { readOut } from '@/testing/identify/read-out'
import { drawnBox, protectedBox } from '@/testing/route/protected-box'
import { TIMES } from '@/testing/times'
import { surveyOf } from '.'

describe('conductors behind a receptacle with ground-fault protection', () => {
  it(
    'read as they are: what is proven is so, whichever side the light hangs on',
    { timeout: 120_000 },
    () => {
      let proven = 0
      for (let seed = 1; seed <= 3 * TIMES; seed++) {
        const view = protectedBox({ ...drawnBox(seed, [null]), second: false })
        const survey = surveyOf([view], trade)
        expect(survey.ok && survey.value.tabs).toHaveLength(2)
        const read = readOut(view)
        expect([seed, read.conflicts]).toEqual([seed, 0])
        for (const { end, is, said } of read.proven) {
          proven++
          expect([seed, end, is]).toEqual([seed, end, said])
        }
      }
      expect(proven).toBeGreaterThan(9 * TIMES)
    },
  )
})
