import { describe, expect, it } from 'vitest'
import { frameOf } from './frame'
import { generate } from './generate'
import type { Hypothesis } from './hypothesis'
import { randomHidden } from '@/testing/identify/arrangements'
import { twinsIn } from './twins'

const COUNT = 40
const REACH = { hypotheses: 100_000, lookedAt: 5_000_000 }

const keysOf = (hypotheses: readonly Hypothesis[]) =>
  new Set(hypotheses.map(({ beyond, ...rest }) => `${beyond.join()} ${JSON.stringify(rest)}`))

describe(`conductors that may change places (${COUNT} hidden circuits, seeds from 1)`, () => {
  it('are searched for once and lose no circuit: as many as with each pair told apart', () => {
    let pairs = 0
    for (let seed = 1; seed <= COUNT; seed++) {
      const { survey, name } = randomHidden(seed, 3)
      const frame = frameOf(survey)
      if (!frame.ok) throw new Error(frame.faults[0]!.message)
      const all = generate(frame.value, REACH)
      if (all.hypotheses.length > 2_000) continue
      for (const [a] of twinsIn(frame.value)) {
        // One reading removes nothing by itself, but tells an end from its twin.
        const other = frame.value.ends.find(({ box, ground }) => box !== frame.value.ends[a]!.box && !ground)
        if (!other) continue
        const apart = generate(frame.value, REACH, [{ a, b: other.index, sounds: true }])
        expect(keysOf(apart.hypotheses), name).toEqual(keysOf(all.hypotheses))
        pairs++
      }
    }
    expect(pairs).toBeGreaterThan(COUNT / 2)
  })
})
