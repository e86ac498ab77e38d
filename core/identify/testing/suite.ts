import { expect, it } from 'vitest'
import { randomHidden } from './arrangements'
import { EACH_COSTS_ONE, leftOpen, prepare, run, wronglyProven } from './run'

const LONG_MILLISECONDS = 240_000

/** Of the larger ones so many may be too many-sided to decide; nothing is then called proven. */
const UNDECIDED_SHARE = 0.05

/**
 * Hidden circuits by their seeds, each identified twice: once with true readings, once with one of them
 * false. Nothing may be proven that is not so, and all that can be told apart is proven in the end.
 */
export function identifies(from: number, count: number, mostBoxes: number): void {
  it(
    `${count} hidden circuits of at most ${mostBoxes} boxes, seeds from ${from}, each also with one false reading`,
    () => {
      const faults: string[] = []
      let undecided = 0
      for (let seed = from; seed < from + count; seed++) {
        const hidden = randomHidden(seed, mostBoxes)
        const prepared = prepare(hidden)
        const say = (what: string) => faults.push(`${hidden.name}: ${what}`)
        if (!prepared.held.complete) {
          undecided++
          continue
        }
        const honest = run(hidden, prepared, EACH_COSTS_ONE)
        if (honest.repeated > 0) say('true readings contradict each other')
        const lie = { at: seed % honest.readings, choice: seed >> 3 }
        const misread = run(hidden, prepared, EACH_COSTS_ONE, lie)
        for (const [name, done] of [
          ['all true', honest],
          [`reading ${lie.at} false`, misread],
        ] as const) {
          for (const wrong of wronglyProven(done, hidden)) say(`${name}: ${wrong}`)
          for (const open of leftOpen(done, prepared)) say(`${name}: ${open} is left open`)
        }
      }
      expect(faults).toEqual([])
      expect(undecided).toBeLessThanOrEqual(UNDECIDED_SHARE * count)
    },
    LONG_MILLISECONDS,
  )
}
