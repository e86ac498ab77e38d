import { describe, expect, it } from 'vitest'
import type { TrimSeen } from '../model/trim-trial'
import { expectedLowEnd, seenDownTo, trimTrial } from './trim'
import { lot } from '@/testing/model/lot'

interface Lamp {
  readonly name: string
  /** Below these it flickers, and does not start. */
  readonly steadyFrom: number
  readonly startsFrom: number
}

/** Answers as the lamps do, until nothing more is asked. */
function tried(levels: readonly number[], lamps: readonly Lamp[]) {
  const seen: TrimSeen[] = []
  for (;;) {
    const trial = trimTrial({ levels, seen })!
    const { next } = trial
    if (next.kind === 'found' || next.kind === 'none') return { trial, seen }
    const failing = lamps.find(
      each => next.level < (next.kind === 'look' ? each.steadyFrom : each.startsFrom),
    )
    if (next.kind === 'look')
      seen.push(failing ? { saw: 'fails', lamp: failing.name } : { saw: 'all-steady' })
    else seen.push(failing ? { saw: 'stays-dark', lamp: failing.name } : { saw: 'all-start' })
    if (seen.length > 500) throw new Error('no end')
  }
}

describe('the low end, by trial', () => {
  it('is the lowest level at which every lamp burns steadily and starts (2,000 dimmers with their lamps)', () => {
    const met = { found: 0, none: 0, raised: 0 }
    for (let seed = 1; seed <= 2_000; seed++) {
      const below = lot(seed)
      const levels = Array.from({ length: 60 }, (_, at) => at + 1).filter(() => below(6) === 0)
      if (levels.length === 0) continue
      const lamps = Array.from({ length: 1 + below(5) }, (_, at) => {
        const steadyFrom = below(60)
        return { name: `lamp ${at + 1}`, steadyFrom, startsFrom: steadyFrom + below(below(4) === 0 ? 60 : 6) }
      })
      const does = (level: number) =>
        lamps.every(each => level >= each.steadyFrom && level >= each.startsFrom)
      const { trial, seen } = tried(levels, lamps)
      if (trial.next.kind === 'none') {
        met.none++
        expect(levels.some(does), `seed ${seed}`).toBe(false)
        continue
      }
      const { level } = trial.next
      met.found++
      expect(does(level), `seed ${seed}`).toBe(true)
      const steady = levels.filter(each => lamps.every(({ steadyFrom }) => each >= steadyFrom))
      const begins = Math.min(...steady)
      // From the lowest steady level up: the first at which all of them start.
      const least = levels.find(each => each >= begins && does(each))!
      expect(level, `seed ${seed}`).toBe(least)
      expect(trial.tries, `seed ${seed}`).toBe(
        seen.filter(({ saw }) => saw === 'all-start' || saw === 'stays-dark').length,
      )
      if (least > begins) met.raised++
      const worst = levels.filter(each => !lamps.every(({ steadyFrom }) => each >= steadyFrom))
      expect(trial.first?.level ?? null, `seed ${seed}`).toBe(worst.length > 0 ? Math.max(...worst) : null)
    }
    expect(met.found).toBeGreaterThan(1_000)
    expect(met.none).toBeGreaterThan(10)
    expect(met.raised).toBeGreaterThan(200)
  })

  it('a lamp that fails at the highest level, and what was never asked', () => {
    const levels = [10, 20, 100]
    expect(trimTrial({ levels, seen: [{ saw: 'fails', lamp: 'one' }] })).toMatchObject({
      next: { kind: 'none', lamp: 'one' },
      first: { lamp: 'one', level: 100 },
    })
    expect(trimTrial({ levels, seen: [{ saw: 'all-start' }] })).toBeNull()
    expect(trimTrial({ levels, seen: [{ saw: 'fails', lamp: 'one' }, { saw: 'all-steady' }] })).toBeNull()
    expect(trimTrial({ levels: [], seen: [] })).toBeNull()
  })

  it('said at once is the same as said level by level', () => {
    const levels = [5, 9, 13, 17]
    const lamps = (steadyFrom: number) => [{ name: 'one', steadyFrom, startsFrom: steadyFrom }]
    for (const from of [1, 5, 6, 13, 17]) {
      const { seen } = tried(levels, lamps(from))
      const level = levels.filter(each => each < from).at(-1)
      const failed = level === undefined ? null : { level, lamp: 'one' }
      expect([...seenDownTo({ levels }, failed), { saw: 'all-start' }], `from ${from}`).toEqual(seen)
    }
  })

  it('is expected where what the lamps draw falls below what the dimmer lives on', () => {
    // Four lamps of 9 W on a dimmer that needs 10 W: they draw that at 27.8 %.
    expect(expectedLowEnd(10, 36)).toBeCloseTo(27.78, 2)
    expect(expectedLowEnd(25, 9)).toBeGreaterThan(100)
    expect(expectedLowEnd(10, 0)).toBe(Infinity)
  })
})
