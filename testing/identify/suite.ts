import { expect, it } from 'vitest'
import { randomHidden } from './arrangements'
import type { Hidden } from './hidden'
import { EACH_COSTS_ONE, prepare, run, wronglyProven } from './run'

const LONG_MILLISECONDS = 300_000

/** Hidden circuits of a number of boxes, by seeds from one on: as many as are asked for. */
function hiddenOf(from: number, count: number, boxes: readonly [least: number, most: number]): Hidden[] {
  const found: Hidden[] = []
  for (let seed = from; found.length < count; seed++) {
    const hidden = randomHidden(seed, boxes[1])
    if (hidden.survey.boxes.length >= boxes[0]) found.push(hidden)
  }
  return found
}

/**
 * Hidden circuits by their seeds, each identified twice: once with true readings, once with one of them false.
 * Nothing may be proven that is not so, true readings never contradict each other, and of so many all is proven.
 */
export function identifies(
  from: number,
  count: number,
  [least, most]: readonly [number, number],
  fully: number,
): void {
  it(
    `${count} hidden circuits of ${least} to ${most} boxes, seeds from ${from}, each also with one false reading`,
    () => {
      const faults: string[] = []
      let proven = 0
      for (const [at, hidden] of hiddenOf(from, count, [least, most]).entries()) {
        const prepared = prepare(hidden)
        const say = (what: string) => faults.push(`${hidden.name}: ${what}`)
        const honest = run(hidden, prepared, EACH_COSTS_ONE)
        if (honest.repeated > 0) say('true readings contradict each other')
        const seed = from + at
        const lie = { at: seed % honest.readings, choice: seed >> 3 }
        const misread = run(hidden, prepare(hidden), EACH_COSTS_ONE, lie)
        for (const [name, done] of [
          ['all true', honest],
          [`reading ${lie.at} false`, misread],
        ] as const)
          for (const wrong of wronglyProven(done, hidden)) say(`${name}: ${wrong}`)
        if (honest.known.every(({ proof }) => proof === 'proven')) proven++
      }
      expect(faults).toEqual([])
      expect(proven / count).toBeGreaterThanOrEqual(fully)
    },
    LONG_MILLISECONDS,
  )
}
