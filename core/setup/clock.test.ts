import { describe, expect, it } from 'vitest'
import { clockOf, shownBy, standardClockOf, writtenBy, zoneIsKnown } from './clock'
import { dayOf, HOUR, MINUTE } from './day'

const at = (zone: string, date: string, minute: number) => {
  const { instant, shown } = clockOf(zone).instantOf(dayOf(date)!, minute)
  return [new Date(instant).toISOString(), shown]
}

const formatOf = (timeZone: string) =>
  new Intl.DateTimeFormat('en-CA', { timeZone, dateStyle: 'short', timeStyle: 'short', hourCycle: 'h23' })

describe('a clock on the wall', () => {
  it('put forward: what it never shows is the first instant after', () => {
    expect(at('America/New_York', '2027-03-14', 2 * 60 + 30)).toEqual(['2027-03-14T07:00:00.000Z', 'skipped'])
    expect(at('Europe/Berlin', '2027-03-28', 2 * 60)).toEqual(['2027-03-28T01:00:00.000Z', 'skipped'])
    // By half an hour only.
    expect(at('Australia/Lord_Howe', '2027-10-03', 2 * 60 + 10)).toEqual([
      '2027-10-02T15:30:00.000Z',
      'skipped',
    ])
  })

  it('put back: what it shows twice is the first', () => {
    expect(at('America/New_York', '2027-11-07', 60 + 30)).toEqual(['2027-11-07T05:30:00.000Z', 'twice'])
    expect(at('Europe/Berlin', '2027-10-31', 2 * 60 + 59)).toEqual(['2027-10-31T00:59:00.000Z', 'twice'])
    expect(at('Australia/Lord_Howe', '2027-04-04', 60 + 45)).toEqual(['2027-04-03T14:45:00.000Z', 'twice'])
  })

  it('any other hour once, in zones of half and of three quarter hours too', () => {
    expect(at('Asia/Kathmandu', '2027-06-01', 6 * 60)).toEqual(['2027-06-01T00:15:00.000Z', 'once'])
    expect(at('America/St_Johns', '2027-01-01', 0)).toEqual(['2027-01-01T03:30:00.000Z', 'once'])
    expect(at('America/New_York', '2027-03-14', 3 * 60)).toEqual(['2027-03-14T07:00:00.000Z', 'once'])
  })

  it('as every minute of its days shows it, looked at one by one', () => {
    for (const [zone, first, last] of [
      ['America/New_York', '2027-03-13', '2027-03-15'],
      ['Australia/Lord_Howe', '2027-04-03', '2027-04-05'],
      ['Africa/Casablanca', '2027-02-06', '2027-02-08'],
    ] as const) {
      const clock = clockOf(zone)
      const shows = formatOf(zone)
      const utc = formatOf('UTC')
      const seen = new Map<string, number[]>()
      for (let instant = dayOf(first)! * 24 * HOUR - 24 * HOUR; instant < (dayOf(last)! + 2) * 24 * HOUR;) {
        const shown = shows.format(instant)
        seen.set(shown, [...(seen.get(shown) ?? []), instant])
        instant += MINUTE
      }
      for (let day = dayOf(first)!; day <= dayOf(last)!; day++)
        for (let minute = 0; minute < 1440; minute += 5) {
          const label = utc.format(day * 24 * HOUR + minute * MINUTE)
          const { instant, shown } = clock.instantOf(day, minute)
          const all = seen.get(label) ?? []
          expect(shown, `${zone} ${label}`).toBe(
            all.length === 0 ? 'skipped' : all.length === 1 ? 'once' : 'twice',
          )
          if (all.length > 0) expect(instant, `${zone} ${label}`).toBe(all[0])
        }
    }
  })

  it('one without daylight saving keeps the standard time of either half of the world', () => {
    const july = dayOf('2027-07-01')!
    const january = dayOf('2027-01-01')!
    for (const [zone, ahead] of [
      ['America/New_York', -5],
      ['Australia/Sydney', 10],
      ['Asia/Kolkata', 5.5],
    ] as const)
      for (const day of [january, july]) {
        const clock = standardClockOf(zone, january)
        expect(clock.instantOf(day, 720).instant).toBe(day * 24 * HOUR + 12 * HOUR - ahead * HOUR)
        expect(shownBy(clock, clock.instantOf(day, 720).instant)).toEqual({ day, millisecond: 12 * HOUR })
      }
  })

  it('is written with how far it is ahead', () => {
    const written = (zone: string, instant: string) => writtenBy(clockOf(zone), Date.parse(instant))
    expect(written('America/New_York', '2027-03-14T07:00:00Z')).toBe('2027-03-14T03:00:00-04:00')
    expect(written('America/St_Johns', '2027-01-01T03:30:05Z')).toBe('2027-01-01T00:00:05-03:30')
    expect(written('Asia/Kathmandu', '2027-01-01T00:00:00Z')).toBe('2027-01-01T05:45:00+05:45')
  })

  it('knows which zones there are', () => {
    expect(zoneIsKnown('Europe/Oslo')).toBe(true)
    expect(zoneIsKnown('Europe/Atlantis')).toBe(false)
    expect(zoneIsKnown('')).toBe(false)
  })
})
