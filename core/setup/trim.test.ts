import { describe, expect, it } from 'vitest'
import { trimTrial, type Trimmed, type TrimSeen } from './trim'
import { lot } from '@/testing/model/lot'

interface Lamp {
  readonly name: string
  /** Below these it flickers, and does not start. */
  readonly steadyFrom: number
  readonly startsFrom: number
}

/** Answers as the lamps do, until nothing more is asked. */
function tried(dimmer: Trimmed, lamps: readonly Lamp[]) {
  const seen: TrimSeen[] = []
  for (;;) {
    const trial = trimTrial(dimmer, seen)!
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
      const lowest = 1 + below(20)
      const dimmer = { lowest, step: 1 + below(7), highest: 60 + below(41) }
      const lamps = Array.from({ length: 1 + below(5) }, (_, at) => {
        const steadyFrom = below(60)
        return { name: `lamp ${at + 1}`, steadyFrom, startsFrom: steadyFrom + below(below(4) === 0 ? 60 : 6) }
      })
      // The levels that the steps down come by, and those between them and the highest.
      const levels = [lowest]
      for (let level = dimmer.highest; level > lowest; level -= dimmer.step) levels.push(level)
      const does = (level: number) =>
        lamps.every(each => level >= each.steadyFrom && level >= each.startsFrom)
      const { trial, seen } = tried(dimmer, lamps)
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
      // From the lowest steady level a step at a time: the first at which all of them start.
      let least = begins
      while (!does(least)) least = Math.min(dimmer.highest, least + dimmer.step)
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

  it('a lamp that fails at full level, and what was never asked', () => {
    const dimmer = { lowest: 10, highest: 100, step: 10 }
    expect(trimTrial(dimmer, [{ saw: 'fails', lamp: 'one' }])).toMatchObject({
      next: { kind: 'none', lamp: 'one' },
      first: { lamp: 'one', level: 100 },
    })
    expect(trimTrial(dimmer, [{ saw: 'all-start' }])).toBeNull()
    expect(trimTrial(dimmer, [{ saw: 'fails', lamp: 'one' }, { saw: 'all-steady' }])).toBeNull()
  })
})
