import { describe, expect, it } from 'vitest'
import { agrees, askedIn } from './predict'
import { bitOf, keyOf } from './question'
import { randomHidden } from '@/testing/identify/arrangements'
import { prepare, testerOf } from '@/testing/identify/run'

const COUNT = 150

describe(`what a way of wiring allows agrees with what a tester shows (${COUNT}, seeds from 1)`, () => {
  it('for every question, one way of wiring with the true roles allows every true answer', () => {
    const faults: string[] = []
    for (let seed = 1; seed <= COUNT; seed++) {
      const hidden = randomHidden(seed, 3)
      const { held, candidates } = prepare(hidden)
      if (!held.complete) continue
      const truth = held.frame.ends.map(({ id }) => hidden.roles.get(id)).join(' ')
      let left = held.hypotheses
        .map((_, at) => at)
        .filter(at => held.classes[held.classOf[at]!]!.join(' ') === truth)
      const tester = testerOf(hidden)
      for (const question of candidates.questions) {
        const answered = tester.answer(question)
        if (!answered.ok) {
          faults.push(`${hidden.name}: ${keyOf(question)}: ${answered.faults[0]!.message}`)
          continue
        }
        const bit = bitOf(question, answered.value)
        const asked = askedIn(held.frame, question)
        left = left.filter(at => agrees(held.predictor.allowed(held.hypotheses[at]!, asked), bit))
        if (left.length === 0) {
          faults.push(`${hidden.name}: ${keyOf(question)} shows ${answered.value}`)
          break
        }
      }
    }
    expect(faults).toEqual([])
  })
})
