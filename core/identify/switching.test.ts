import { describe, expect, it } from 'vitest'
import { minutesOf, USUAL_MINUTES } from '.'
import { randomHidden } from './testing/arrangements'
import { EACH_COSTS_ONE, prepare, run } from './testing/run'

const SEEDS = Array.from({ length: 4 }, (_, at) => at + 1)

describe('readings by the trips to the panel', () => {
  it('what is worth reading is read before the power is switched: seldom back and forth', () => {
    const runs = SEEDS.map(seed => {
      const hidden = randomHidden(seed, 2)
      const prepared = prepare(hidden)
      return {
        paced: run(hidden, prepared, (question, now) => minutesOf(USUAL_MINUTES, question, now)),
        careless: run(hidden, prepare(hidden), EACH_COSTS_ONE),
      }
    })
    const mean = (of: (each: (typeof runs)[number]) => number) =>
      runs.reduce((sum, each) => sum + of(each), 0) / runs.length
    expect(Math.max(...runs.map(({ paced }) => paced.switchings))).toBeLessThanOrEqual(10)
    expect(mean(({ paced }) => paced.switchings)).toBeLessThanOrEqual(
      mean(({ careless }) => careless.switchings),
    )
  })
})
