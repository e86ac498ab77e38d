import { describe, expect, it } from 'vitest'
import { dayOf, HOUR, MINUTE, minuteOf, writtenDay } from './day'
import { clockOf } from './clock'
import type { Moment, Program, ProgramEvent, When } from '../model/light-program'
import { nightsFor, occurrencesOf } from './program'
import { daysOfRun, runOf, type Happening } from './run'
import { drawnProgram } from '@/testing/setup/drawn-program'
import { plainRun, type PlainPlace } from '@/testing/setup/plain-program'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7]
const HARBOUR = { latitude: 44.1, longitude: -69.1, zone: 'America/New_York' }
const NORTH = { latitude: 69.65, longitude: 18.96, zone: 'Europe/Oslo' }
const ISLAND = { latitude: -31.5, longitude: 159.1, zone: 'Australia/Lord_Howe' }
const PLACES: readonly PlainPlace[] = [
  HARBOUR,
  NORTH,
  ISLAND,
  { latitude: 47.5, longitude: -52.7, zone: 'America/St_Johns' },
  { latitude: 27.7, longitude: 85.3, zone: 'Asia/Kathmandu' },
]

const clock = (written: string): Moment => ({ kind: 'clock', minute: minuteOf(written)! })
const event = (turns: 'on' | 'off', when: When, more: Partial<ProgramEvent> = {}): ProgramEvent => ({
  turns,
  when,
  days: EVERY_DAY,
  between: null,
  ofThatNight: false,
  instead: null,
  vary: 0,
  ...more,
})
const program = (events: readonly ProgramEvent[], more: Partial<Program> = {}): Program => ({
  events,
  daylightSaving: 'follows',
  ...more,
})
const days = (from: string, to: string) => ({ from: dayOf(from)!, to: dayOf(to)! })
const iso = (instant: number | null) =>
  instant === null ? null : new Date(instant).toISOString().slice(0, 16)

describe('programs, against a light walked through minute by minute', () => {
  it.each(PLACES.map(place => [place.zone, place] as const))(
    `%s: every minute of a year, for ${8 * TIMES} programs`,
    (_, place) => {
      const { from, to } = { from: '2027-02-20', to: '2028-03-05' }
      const year = days(from, to)
      const asked = daysOfRun(year)
      const nights = nightsFor(place, clockOf(place.zone), asked.from, asked.to)
      let lit = 0
      let switched = 0
      for (let seed = 1; seed <= 8 * TIMES; seed++) {
        const drawn = drawnProgram(lot(seed))
        const plain = plainRun(drawn, place, from, to)
        const run = runOf(drawn, place, year, { nights })
        switched += run.switchings.length
        let span = 0
        for (let at = 0; at < plain.lit.length; at++) {
          const instant = plain.first + at * MINUTE + MINUTE - 1
          if (instant < run.from || instant >= run.to) continue
          const minute = Math.floor(instant / MINUTE)
          if (plain.bySun.has(minute - 1) || plain.bySun.has(minute) || plain.bySun.has(minute + 1)) continue
          while (span < run.lit.length && run.lit[span]!.to <= instant) span++
          const isLit = span < run.lit.length && run.lit[span]!.from <= instant
          if (isLit) lit++
          if (isLit !== plain.lit[at])
            expect.fail(`seed ${seed}: at ${iso(instant)} ${isLit} ${JSON.stringify(drawn)}`)
        }
      }
      expect(lit).toBeGreaterThan(20_000 * TIMES)
      expect(switched).toBeGreaterThan(400 * TIMES)
    },
  )
})

describe('the change of clocks', () => {
  const night = program([event('on', clock('02:30')), event('off', clock('03:30'))])

  it('what the spring skips is the first instant after; what the autumn shows twice is the first', () => {
    const spring = runOf(night, HARBOUR, days('2027-03-14', '2027-03-14'))
    expect(spring.occurrences.map(({ instant, differs }) => [iso(instant), differs])).toEqual([
      ['2027-03-14T07:00', 'skipped'],
      ['2027-03-14T07:30', null],
    ])
    const early = program([event('on', clock('01:30')), event('off', clock('03:30'))])
    const autumn = runOf(early, HARBOUR, days('2027-11-07', '2027-11-07'))
    expect(autumn.occurrences.map(({ instant, differs }) => [iso(instant), differs])).toEqual([
      ['2027-11-07T05:30', 'twice'],
      ['2027-11-07T08:30', null],
    ])
    expect(autumn.litHours).toBe(3)
  })

  it('a clock that knows of none is an hour late in summer, and never skips', () => {
    const stands = { ...night, daylightSaving: 'stands' as const }
    const day = (date: string) =>
      runOf(stands, HARBOUR, days(date, date)).occurrences.map(each => iso(each.instant))
    expect(day('2027-03-14')).toEqual(['2027-03-14T07:30', '2027-03-14T08:30'])
    expect(day('2027-07-01')).toEqual(['2027-07-01T07:30', '2027-07-01T08:30'])
  })
})

describe('nights', () => {
  it('a night without dusk lets the event out, or takes the clock time named instead, and says so', () => {
    const bySun = program([
      event('on', { kind: 'dusk', plus: 15 }),
      event('off', clock('23:30'), { ofThatNight: true }),
    ])
    const june = runOf(bySun, NORTH, days('2027-06-10', '2027-06-12'))
    expect(june.lit).toEqual([])
    expect(june.occurrences.filter(({ turns }) => turns === 'on').map(({ differs }) => differs)).toEqual([
      'no-sun',
      'no-sun',
      'no-sun',
    ])
    const named = program([{ ...bySun.events[0]!, instead: minuteOf('22:00')! }, bySun.events[1]!])
    const lit = runOf(named, NORTH, days('2027-06-10', '2027-06-12'))
    expect(lit.litHours).toBe(4.5)
    expect(lit.occurrences.filter(({ differs }) => differs === 'instead')).toHaveLength(3)
  })

  it('a dusk after midnight is of the night before, on its day of the week and its date', () => {
    const tuesdays = program([
      event('on', { kind: 'dusk', plus: 0 }, { days: [2] }),
      event('off', clock('06:00')),
    ])
    const all = Array.from({ length: 12 }, (_, at) => dayOf('2027-05-08')! + at)
    const late = runOf(tuesdays, NORTH, { from: all[0]!, to: all.at(-1)! })
    const on = late.occurrences.filter(({ turns, instant }) => turns === 'on' && instant !== null)
    expect(on.length).toBeGreaterThan(0)
    for (const { day, instant } of on) {
      expect([1, 2].includes(new Date(day * 24 * HOUR).getUTCDay())).toBe(true)
      const midnight = clockOf(NORTH.zone).instantOf(day + 1, 0).instant
      expect(Math.abs(instant! - midnight)).toBeLessThan(2 * HOUR)
    }
  })

  it('a clock time about the sun’s noon is of one night, whichever way the noon drifts', () => {
    let left = 0
    for (let minute = 680; minute < 730; minute++) {
      const about = program([event('on', { kind: 'clock', minute }, { ofThatNight: true })], {
        daylightSaving: 'stands',
      })
      const all = occurrencesOf(about, HARBOUR, dayOf('2027-01-01')!, dayOf('2027-12-31')!, 0)
      const instants = all.map(({ instant }) => instant!)
      expect(new Set(instants).size).toBe(instants.length)
      const nights = new Set(all.map(({ day }) => day)).size
      expect(nights).toBe(all.length)
      if (instants.some((each, at) => at > 0 && all[at]!.day - all[at - 1]!.day > 1)) left++
      // A night that is longer than a day may hold it twice: the first is it.
      for (const [at, each] of instants.entries())
        if (at > 0) expect([24 * HOUR, 48 * HOUR]).toContain(each - instants[at - 1]!)
    }
    // Some nights hold none of it: those about which the noon drifts over that minute.
    expect(left).toBeGreaterThan(10)
  })

  it('the earlier and the later of two; of two at one instant the later in the list holds', () => {
    const earlier = program([
      event('on', { kind: 'dusk', plus: 0 }),
      event('off', { kind: 'earlier', of: [clock('22:30'), { kind: 'dawn', plus: -30 }] }),
    ])
    const run = runOf(earlier, HARBOUR, days('2027-07-04', '2027-07-04'))
    expect(iso(run.lit.at(-1)!.to)).toBe('2027-07-05T02:30')
    const both = [event('on', clock('20:00')), event('off', clock('20:00'))]
    expect(runOf(program(both), HARBOUR, days('2027-07-04', '2027-07-05')).lit).toEqual([])
    const other = runOf(program([...both].reverse()), HARBOUR, days('2027-07-04', '2027-07-05'))
    expect(other.litHours).toBe(48)
  })

  it('what happens at the first midnight is a switching of that day, and at the next one none', () => {
    const midnights = program([event('on', clock('00:00')), event('off', clock('06:00'))])
    const { switchings } = runOf(midnights, HARBOUR, days('2027-07-04', '2027-07-04'))
    expect(switchings.map(({ instant, turns }) => [iso(instant), turns])).toEqual([
      ['2027-07-04T04:00', 'on'],
      ['2027-07-04T10:00', 'off'],
    ])
    const always = program([event('on', clock('00:00'), { between: { from: '01-01', to: '01-02' } })])
    const left = runOf(always, HARBOUR, days('2027-07-04', '2027-07-04'))
    expect([left.litHours, left.switchings.length]).toEqual([24, 0])
  })

  it('a season across New Year, and what its end leaves on until the next one', () => {
    const winter = { from: '11-15', to: '02-10' }
    const closed = program([
      event('on', clock('17:00'), { between: winter }),
      event('off', clock('22:00'), { between: winter }),
    ])
    const year = days('2027-01-01', '2027-12-31')
    const run = runOf(closed, HARBOUR, year)
    expect(run.litHours).toBe((41 + 47) * 5)
    expect(run.leftOn).toEqual([])
    const open = program([
      event('on', clock('17:00'), { between: winter }),
      event('off', clock('06:00'), { between: winter }),
    ])
    // Asked about a week of it only, it is turned off when it is.
    expect(runOf(open, HARBOUR, days('2027-02-08', '2027-02-14')).leftOn.map(({ to }) => iso(to))).toEqual([
      '2027-11-15T11:00',
    ])
    const left = runOf(open, HARBOUR, year).leftOn
    expect(left.map(({ from, to }) => [iso(from), iso(to)])).toEqual([
      ['2027-02-10T22:00', '2027-11-15T11:00'],
    ])
  })

  it('a last dusk before the sun stays down, or up, is said', () => {
    const bySun = program([event('on', { kind: 'dusk', plus: 0 }), event('off', { kind: 'dawn', plus: 0 })])
    const { leftOn } = runOf(bySun, NORTH, days('2027-01-01', '2027-12-31'))
    expect(leftOn.map(({ from }) => writtenDay(Math.floor(from / (24 * HOUR))).slice(0, 7))).toContain(
      '2027-11',
    )
  })
})

describe('what happens to a light besides', () => {
  const evening = program([event('on', clock('18:00')), event('off', clock('23:00'))])
  const happening = (more: Partial<Happening>): Happening => ({
    overrides: [],
    outages: [],
    batteryHours: 4,
    ...more,
  })
  const at = (written: string) => Date.parse(`2027-07-${written}:00-04:00`)
  const lit = (more: Partial<Happening>) =>
    runOf(evening, HARBOUR, days('2027-07-04', '2027-07-05'), { happening: happening(more) }).lit.map(
      ({ from, to }) => [from, to].map(each => new Date(each - 4 * HOUR).toISOString().slice(8, 16)),
    )

  it('an override lasts to the next event, or for its own minutes through events', () => {
    expect(lit({ overrides: [{ at: at('04T12:00'), turns: 'on', minutes: null }] })).toEqual([
      ['04T12:00', '04T23:00'],
      ['05T18:00', '05T23:00'],
    ])
    expect(lit({ overrides: [{ at: at('04T22:50'), turns: 'on', minutes: 30 }] })).toEqual([
      ['04T18:00', '04T23:20'],
      ['05T18:00', '05T23:00'],
    ])
    expect(lit({ overrides: [{ at: at('04T17:30'), turns: 'off', minutes: 60 }] })).toEqual([
      ['04T18:30', '04T23:00'],
      ['05T18:00', '05T23:00'],
    ])
  })

  it('an outage ends an override; the battery decides what stands afterwards', () => {
    const overrides = [{ at: at('04T12:00'), turns: 'on' as const, minutes: null }]
    const short = { from: at('04T13:00'), to: at('04T14:00'), setAt: null }
    expect(lit({ overrides, outages: [short] })).toEqual([
      ['04T12:00', '04T13:00'],
      ['04T18:00', '04T23:00'],
      ['05T18:00', '05T23:00'],
    ])
    const inTheEvening = { from: at('04T19:00'), to: at('04T20:00'), setAt: null }
    expect(lit({ outages: [inTheEvening] })).toEqual([
      ['04T18:00', '04T19:00'],
      ['04T20:00', '04T23:00'],
      ['05T18:00', '05T23:00'],
    ])
    const long = { from: at('04T13:00'), to: at('04T17:01'), setAt: null }
    expect(lit({ outages: [long] })).toEqual([])
    expect(lit({ outages: [{ ...long, setAt: at('04T21:00') }] })).toEqual([
      ['04T21:00', '04T23:00'],
      ['05T18:00', '05T23:00'],
    ])
  })
})

describe('what is moved by lot', () => {
  const moved = program([
    event('on', clock('19:00'), { vary: 20 }),
    event('off', clock('22:00'), { vary: 20 }),
  ])
  const on = (seed: number) =>
    occurrencesOf(moved, HARBOUR, dayOf('2027-01-01')!, dayOf('2027-12-31')!, seed)
      .filter(({ turns }) => turns === 'on')
      .map(({ instant, day }) => (instant! - clockOf(HARBOUR.zone).instantOf(day, 1140).instant) / MINUTE)

  it('stays within its minutes, reaches both ends, and is the same for the same seed', () => {
    const minutes = on(7)
    expect(Math.min(...minutes)).toBe(-20)
    expect(Math.max(...minutes)).toBe(20)
    expect(Math.abs(minutes.reduce((sum, each) => sum + each, 0) / minutes.length)).toBeLessThan(2)
    expect(on(7)).toEqual(minutes)
    expect(on(8)).not.toEqual(minutes)
  })
})
