import { describe, expect, it } from 'vitest'
import { lot } from '@/testing/model/lot'
import { leastMatching } from './matching'

/** Every way there is, one after another. */
function leastOfAll(cost: readonly (readonly number[])[], taken: readonly number[] = []): number {
  const row = cost[taken.length]
  if (!row) return 0
  return Math.min(
    Infinity,
    ...row.flatMap((own, at) => (taken.includes(at) ? [] : [own + leastOfAll(cost, [...taken, at])])),
  )
}

describe('the least matching', () => {
  it('costs what the best of all ways costs (2,000 tables of up to 5 by 6)', () => {
    let none = 0
    for (let seed = 1; seed <= 2000; seed++) {
      const draw = lot(seed)
      const [rows, columns] = [draw(6), 1 + draw(6)]
      const cost = Array.from({ length: rows }, () =>
        Array.from({ length: columns }, () => (draw(4) === 0 ? Infinity : draw(12) / 4)),
      )
      const least = leastOfAll(cost)
      if (least === Infinity) none++
      expect(leastMatching(cost), `seed ${seed}`).toBe(least)
    }
    expect(none).toBeGreaterThan(300)
    expect(none).toBeLessThan(1500)
  })
})
