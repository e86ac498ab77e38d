import * as astronomy from 'astronomy-engine'
import { describe, expect, it } from 'vitest'
import { clockOf } from './clock'
import { DAY, dayOf, writtenDay } from './day'
import { HORIZON, nightsOf } from './sun'

const PLACES = [
  ['on the equator', { latitude: 0, longitude: 36.8 }, 'Africa/Nairobi'],
  ['in the north', { latitude: 52.5, longitude: 13.4 }, 'Europe/Berlin'],
  ['north of the circle', { latitude: 69.65, longitude: 18.96 }, 'Europe/Oslo'],
  ['in the west', { latitude: 40.7, longitude: -74 }, 'America/New_York'],
  ['in the south', { latitude: -33.9, longitude: 151.2 }, 'Australia/Sydney'],
  ['far south', { latitude: -54.8, longitude: -68.3 }, 'America/Argentina/Ushuaia'],
  ['beyond the line of dates', { latitude: 1.87, longitude: -157.4 }, 'Pacific/Kiritimati'],
  ['by the pole', { latitude: 78.2, longitude: 15.6 }, 'Arctic/Longyearbyen'],
] as const

const FIRST = dayOf('2027-01-01')!
const LAST = dayOf('2027-12-31')!

/** What a library of another make says of the instants between two noons. */
function byTheOther(observer: astronomy.Observer, from: number, to: number, way: 1 | -1): number | null {
  const found = astronomy.SearchAltitude(
    astronomy.Body.Sun,
    observer,
    way,
    new Date(from),
    (to - from) / DAY,
    HORIZON,
  )
  return found ? found.date.getTime() : null
}

describe('dusk, dawn and noon, against a library of another make', () => {
  it.each(PLACES)('%s, every night of 2027', (_, position, zone) => {
    const observer = new astronomy.Observer(position.latitude, position.longitude, 0)
    const nights = nightsOf(position, clockOf(zone), FIRST, LAST)
    expect(nights).toHaveLength(365)
    let noonOff = 0
    let off = 0
    let differ = 0
    for (const night of nights) {
      const noon = astronomy.SearchHourAngle(
        astronomy.Body.Sun,
        observer,
        0,
        new Date(night.from - 3_600_000),
      )
      noonOff = Math.max(noonOff, Math.abs(noon.time.date.getTime() - night.from))
      for (const [own, way] of [
        [night.dusk, -1],
        [night.dawn, 1],
      ] as const) {
        const other = byTheOther(observer, night.from, night.to, way)
        if (own === null || other === null) {
          if (own !== other) differ++
          continue
        }
        // Where the sun only grazes the horizon a hundredth of a degree is minutes.
        const grazes = Math.abs(night.dusk! - (night.dawn ?? 0)) < 2 * 3_600_000 || position.latitude > 65
        off = Math.max(off, Math.abs(own - other) / (grazes ? 30 : 1))
      }
    }
    expect(noonOff).toBeLessThan(3_000)
    expect(off).toBeLessThan(6_000)
    // One night at each end of the time in which the sun does not set, or does not rise, may be seen otherwise.
    expect(differ).toBeLessThanOrEqual(position.latitude > 65 ? 2 : 0)
  })

  it('says whether the sun stays up or down', () => {
    const nights = nightsOf(PLACES[2][1], clockOf(PLACES[2][2]), FIRST, LAST)
    const on = (date: string) => nights.find(night => writtenDay(night.day) === date)!
    expect(on('2027-06-21')).toMatchObject({ dusk: null, dawn: null, stays: 'up' })
    expect(on('2027-12-21')).toMatchObject({ dusk: null, dawn: null, stays: 'down' })
    expect(on('2027-03-20').stays).toBeNull()
  })

  it('a night that begins before midnight owns a dusk that comes after', () => {
    const late = nightsOf(PLACES[2][1], clockOf(PLACES[2][2]), dayOf('2027-05-10')!, dayOf('2027-05-20')!)
    const after = late.filter(({ day, dusk }) => dusk !== null && dusk + 2 * 3_600_000 >= (day + 1) * DAY)
    expect(after.length).toBeGreaterThan(0)
    for (const { from, to, dusk, dawn } of late) {
      if (dusk !== null) expect(dusk).toBeGreaterThan(from)
      if (dusk !== null && dawn !== null) expect(dawn).toBeGreaterThan(dusk)
      if (dawn !== null) expect(dawn).toBeLessThan(to)
    }
  })
})
