import { describe, expect, it } from 'vitest'
import { minutesIn } from '.'
import { randomHidden } from '@/testing/identify/arrangements'
import { EACH_COSTS_ONE, prepare, run } from '@/testing/identify/run'
import { TIMES } from '@/testing/times'

/** Of the first dozen those that are thought through in seconds; in long runs all. */
const SEEDS = TIMES > 1 ? Array.from({ length: 3 * TIMES }, (_, at) => at + 1) : [3, 5, 6, 9, 10, 12]

describe('readings by the trips to the panel', () => {
  it(
    'what is worth reading is read before the power is switched: seldom back and forth',
    { timeout: 300_000 },
    () => {
      const runs = SEEDS.map(seed => {
        const hidden = randomHidden(seed, 2)
        const prepared = prepare(hidden)
        return {
          paced: run(hidden, prepared, minutesIn(prepared.held.frame)),
          careless: run(hidden, prepare(hidden), EACH_COSTS_ONE),
        }
      })
      const mean = (of: (each: (typeof runs)[number]) => number) =>
        runs.reduce((sum, each) => sum + of(each), 0) / runs.length
      expect(Math.max(...runs.map(({ paced }) => paced.switchings))).toBeLessThanOrEqual(4)
      expect(mean(({ paced }) => paced.switchings)).toBeLessThanOrEqual(
        (2 / 3) * mean(({ careless }) => careless.switchings),
      )
    },
  )
})
