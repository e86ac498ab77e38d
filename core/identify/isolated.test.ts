import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { readOut } from '@/testing/identify/read-out'
import { drawnFan, isolatedFan } from '@/testing/route/isolated-fan'
import { TIMES } from '@/testing/times'
import { boxView } from '../job/box-view'
import { surveyOf } from '.'

/** The box of a fan and its isolator, its light seen to answer to its switch. */
function seenBox(seed: number) {
  const [view] = isolatedFan({
    ...drawnFan(seed, ['switch-230-10']),
    ...{ oneBox: true, old: 'old-fan-isolator-230', isolator: null },
  })
  const { record } = view!
  const bath = { ...record.groups.bath!, behaves: 'answers' as const }
  return boxView({ ...record, groups: { ...record.groups, bath } }, view!.box.id)!
}

describe('conductors beside an isolator', () => {
  it('read as they are: that its switch answers is not said of the isolator', { timeout: 120_000 }, () => {
    let proven = 0
    for (let seed = 1; seed <= TIMES; seed++) {
      const view = seenBox(seed)
      const survey = surveyOf([view], trade)
      expect(survey.ok && survey.value.lights.map(({ behaves }) => behaves)).toEqual(['not-known'])
      const read = readOut(view)
      expect([seed, read.conflicts]).toEqual([seed, 0])
      for (const { end, is, said } of read.proven) {
        proven++
        expect([seed, end, is]).toEqual([seed, end, said])
      }
    }
    expect(proven).toBeGreaterThan(TIMES)
  })
})
