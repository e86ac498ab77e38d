import { describe, expect, it } from 'vitest'
import { HABITS } from '@/catalogue/habits'
import { parseHabits, timelineOf, type Habits } from './habits'
import { parseTimeline, presenceOf } from './presence'

const KINDS = Object.entries(HABITS)
const DAY = 86_400

describe('habits', () => {
  it.each(KINDS)('%s: hang together, and a year of them is one that can have been', (_, habits) => {
    expect(parseHabits(habits)).toMatchObject({ ok: true })
    const parsed = parseTimeline(timelineOf(habits, 365, 4))
    expect(parsed.ok ? [] : parsed.faults.slice(0, 3)).toEqual([])
  })

  it.each(KINDS)('%s: the same seed gives the same year, another one another', (_, habits) => {
    expect(timelineOf(habits, 60, 9)).toEqual(timelineOf(habits, 60, 9))
    expect(timelineOf(habits, 60, 9).events).not.toEqual(timelineOf(habits, 60, 10).events)
  })

  it.each(KINDS)('%s: as many visits as the hours say, working days and the others apart', (_, habits) => {
    const days = 7 * 200
    const visits = timelineOf(habits, days, 3).events.filter(
      ({ does, person }) => does === 'enters' && person.startsWith('visitor'),
    )
    for (const [kind, isOf, count] of [
      ['workday', (day: number) => day % 7 < 5, (days * 5) / 7],
      ['restDay', (day: number) => day % 7 >= 5, (days * 2) / 7],
    ] as const) {
      const wanted = habits.visits[kind].reduce((sum, each) => sum + each, 0) * count
      const came = visits.filter(({ at }) => isOf(Math.floor(at / DAY))).length
      // Five times what chance spreads it by.
      expect(Math.abs(came - wanted), kind).toBeLessThan(5 * Math.sqrt(wanted))
    }
  })

  it('a longer delay is never darker; who is seen where he sits is left in the dark less', () => {
    for (const [kind, habits] of KINDS) {
      const timeline = timelineOf(habits, 30, 11)
      const report = (delay: number, sees: boolean) =>
        presenceOf(timeline, { turnsOn: 'by-itself', delay, threshold: null, seesSmall: [sees, sees] })
      for (const sees of [true, false]) {
        const dark = [60, 300, 900].map(delay => report(delay, sees).presentAndDark.seconds)
        const lit = [60, 300, 900].map(delay => report(delay, sees).secondsLit)
        expect(dark, kind).toEqual([...dark].sort((one, other) => other - one))
        expect(lit, kind).toEqual([...lit].sort((one, other) => one - other))
      }
      expect(report(300, true).presentAndDark.seconds, kind).toBeLessThanOrEqual(
        report(300, false).presentAndDark.seconds,
      )
    }
  })

  it('names what cannot be', () => {
    const living = HABITS.living
    const faults = (more: Partial<Habits>) => {
      const parsed = parseHabits({ ...living, ...more })
      return parsed.ok ? [] : parsed.faults.map(({ path, code }) => `${path} ${code}`)
    }
    expect(faults({ visits: { ...living.visits, workday: [1, 2] } })).toEqual([
      '/visits/workday not-each-hour',
    ])
    expect(faults({ sitting: 1.5, stirsEvery: 0 })).toEqual(['/sitting range', '/stirsEvery range'])
    expect(faults({ passing: { share: -1, seconds: 5 } })).toEqual(['/passing/share range'])
    expect(faults({ sleeps: { from: 25, to: 6 } })).toEqual(['/sleeps/from range'])
  })
})
