import { describe, expect, it } from 'vitest'
import { lot } from '@/testing/model/lot'
import { drawnProgram } from '@/testing/setup/drawn-program'
import { TIMES } from '@/testing/times'
import type { Program } from '../model/light-program'
import { dayOf, writtenDay } from './day'
import { runOf } from './run'
import { yearWith, type YearOf } from './year'

const PLACES = [
  { latitude: 44.1, longitude: -69.1, zone: 'America/New_York' },
  { latitude: 69.65, longitude: 18.96, zone: 'Europe/Oslo' },
  { latitude: -31.5, longitude: 159.1, zone: 'Australia/Lord_Howe' },
] as const

const AHEAD = { from: dayOf('2027-03-10')!, days: 14 }

const drawnYear = (program: Program, place: (typeof PLACES)[number]): YearOf => {
  const answer = yearWith({ program, place, year: 2027, seed: 3, ahead: AHEAD })
  if (answer.kind === 'refused') throw new Error(JSON.stringify(answer.faults))
  return answer.year
}

const FIRST = dayOf('2027-01-01')!
const LAST = dayOf('2027-12-31')!

/** What the platform's calendar shows at an instant: the date, and minutes since midnight. */
function shownAt(zone: string) {
  const format = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' })
  return (instant: number): readonly [date: string, minute: number] => {
    const [date, time] = format.format(instant).split(' ') as [string, string]
    return [date, Number(time.slice(0, 2)) * 60 + Number(time.slice(3))]
  }
}

describe('the year of a program as it is drawn', () => {
  it.each(PLACES.map(place => [place.zone, place] as const))(
    `%s: each minute as the clocks there show it, for ${3 * TIMES} programs`,
    (zone, place) => {
      const shown = shownAt(zone)
      // Which minute of which date is shown in each minute of the year, and some before and after it.
      const begin = (FIRST - 1) * 86_400_000
      const labels = Array.from({ length: 367 * 1440 }, (_, at) => {
        const [date, minute] = shown(begin + at * 60_000)
        return (dayOf(date)! - FIRST) * 1440 + minute
      })
      let [lit, tried] = [0, 0]
      for (let seed = 1; tried < 3 * TIMES; seed++) {
        const program = drawnProgram(lot(seed))
        const answer = yearWith({ program, place, year: 2027, seed: 3, ahead: AHEAD })
        if (answer.kind === 'refused') continue
        tried++
        const run = runOf(program, place, { from: FIRST, to: LAST }, { seed: 3 })
        const isLit = new Uint8Array(365 * 1440)
        // Where the light changes within a minute it may be either.
        const isMixed = new Uint8Array(365 * 1440)
        let span = 0
        labels.forEach((label, at) => {
          const instant = begin + at * 60_000
          while (span < run.lit.length && run.lit[span]!.to <= instant) span++
          const now = run.lit[span]
          if (label < 0 || label >= isLit.length || !now) return
          const covers = now.from <= instant && now.to >= instant + 60_000
          if (covers) isLit[label] = 1
          else if (now.from < instant + 60_000) isMixed[label] = 1
        })
        answer.year.days.forEach(({ lit: spans }, at) => {
          for (let minute = 0; minute < 1440; minute++) {
            const label = at * 1440 + minute
            if (isMixed[label]) continue
            const drawn = spans.some(([from, to]) => from <= minute && to >= minute + 1)
            if (drawn !== (isLit[label] === 1))
              expect.fail(`seed ${seed}: ${writtenDay(FIRST + at)} ${minute} is drawn ${drawn}`)
            if (drawn) lit++
          }
        })
        expect(answer.year.days).toHaveLength(365)
        expect(answer.year.litHours).toBeCloseTo(run.litHours, 6)
      }
      expect(lit).toBeGreaterThan(100_000)
    },
  )

  const dusk: Program = {
    events: [
      { turns: 'on', when: { kind: 'dusk', plus: 0 } },
      { turns: 'off', when: { kind: 'dawn', plus: 0 } },
    ].map(each => ({
      ...each,
      days: [1, 2, 3, 4, 5, 6, 7],
      between: null,
      ofThatNight: false,
      instead: null,
      vary: 0,
    })) as Program['events'],
    daylightSaving: 'follows',
  }

  it('shows where the clocks are put forward and back, and when the sun sets', () => {
    const { days, differ } = drawnYear(dusk, PLACES[0])
    expect(
      days.flatMap(({ putForward }, at) =>
        putForward === 0 ? [] : [[writtenDay(dayOf('2027-01-01')! + at), putForward]],
      ),
    ).toEqual([
      ['2027-03-14', 60],
      ['2027-11-07', -60],
    ])
    // Published for that coast: about 20:23 on the longest day, 15:57 on the shortest.
    const at = (date: string) => days[dayOf(date)! - dayOf('2027-01-01')!]!
    expect(at('2027-06-21').dusks[0]! / 60).toBeCloseTo(20.4, 1)
    expect(at('2027-12-21').dusks[0]! / 60).toBeCloseTo(16, 1)
    expect(differ).toEqual([])
  })

  it('tells the nights without a dusk as one stretch of days', () => {
    const { differ } = drawnYear(dusk, PLACES[1])
    const summer = differ.filter(({ event, from }) => event === 0 && writtenDay(from).slice(5, 7) === '05')
    expect(summer).toHaveLength(1)
    expect(summer[0]).toMatchObject({ differs: 'no-sun' })
    const { from, to } = summer[0]!
    expect(to - from).toBeGreaterThan(55)
    expect(writtenDay(to)).toMatch(/^2027-07-2/)
  })

  it('does not draw what never switches', () => {
    const [on, off] = dusk.events as [Program['events'][0], Program['events'][0]]
    const never = {
      ...dusk,
      events: [on, off].map(each => ({ ...each, between: { from: '02-30', to: '02-30' } })),
    }
    expect(yearWith({ program: never, place: PLACES[0], year: 2027, seed: 0, ahead: AHEAD })).toMatchObject({
      kind: 'refused',
      faults: [
        { path: '/events/0/between' },
        { path: '/events/0/between' },
        { path: '/events/1/between' },
        { path: '/events/1/between' },
      ],
    })
  })

  it('tells the days ahead through the change of clocks', () => {
    const { ahead } = drawnYear(dusk, PLACES[0])
    expect(ahead).toHaveLength(14)
    const shown = shownAt(PLACES[0].zone)
    for (const { day, happens } of ahead)
      for (const { instant } of happens) expect(shown(instant!)[0]).toBe(writtenDay(day))
  })
})
