import * as astronomy from 'astronomy-engine'
import type { Program, ProgramEvent, Moment } from '@/core/model/light-program'

/**
 * What a program does, minute by minute: which minutes a clock shows is asked of the platform, where the sun stands of
 * another library, and every rule is read off the calendar of shown minutes.
 */

const MINUTE = 60_000

export interface PlainPlace {
  readonly latitude: number
  readonly longitude: number
  readonly zone: string
}

/** Every minute of some days as a clock shows it. */
interface Shown {
  readonly first: number
  /** `YYYY-MM-DD HH:MM` of each minute since the first. */
  readonly labels: readonly string[]
  readonly at: ReadonlyMap<string, number>
}

interface PlainNight {
  readonly date: string
  readonly from: number
  readonly to: number
  readonly dusk: number | null
  readonly dawn: number | null
}

const written = (instant: number) => new Date(instant).toISOString().slice(0, 16).replace('T', ' ')
const later = (date: string, days: number) =>
  written(Date.parse(`${date}T00:00Z`) + days * 1440 * MINUTE).slice(0, 10)

function formatted(zone: string): (instant: number) => string {
  const format = new Intl.DateTimeFormat('sv-SE', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  })
  return instant => format.format(instant)
}

const shownKept = new Map<string, Shown>()

function shownIn(zone: string, from: string, to: string, stands: boolean): Shown {
  const key = JSON.stringify([zone, from, to, stands])
  const kept = shownKept.get(key) ?? everyMinute(zone, from, to, stands)
  shownKept.set(key, kept)
  return kept
}

/** Clocks change on whole half hours: what lies between is counted on. */
function everyMinute(zone: string, from: string, to: string, stands: boolean): Shown {
  const label = formatted(zone)
  const first = Date.parse(`${later(from, -3)}T00:00Z`)
  const last = Date.parse(`${later(to, 3)}T00:00Z`)
  const aheadOn = (instant: number) => Date.parse(`${label(instant).replace(' ', 'T')}Z`) - instant
  const year = from.slice(0, 4)
  const standard = Math.min(
    aheadOn(Date.parse(`${year}-01-01T00:00Z`)),
    aheadOn(Date.parse(`${year}-07-01T00:00Z`)),
  )
  const labels: string[] = []
  const at = new Map<string, number>()
  for (let half = first; half < last; half += 30 * MINUTE) {
    const ahead = stands ? standard : aheadOn(half)
    for (let minute = 0; minute < 30; minute++) {
      const shown = written(half + minute * MINUTE + ahead)
      if (!at.has(shown)) at.set(shown, labels.length)
      labels.push(shown)
    }
  }
  return { first, labels, at }
}

/** The first minute that shows it; where none does, the first that shows more. */
function minuteShowing(shown: Shown, label: string): number {
  const found = shown.at.get(label)
  if (found !== undefined) return shown.first + found * MINUTE
  // Skipped hours are few: from the last minute of the hour before on.
  let at = shown.at.get(`${label.slice(0, 11)}00:00`)!
  while (shown.labels[at]! < label) at++
  return shown.first + at * MINUTE
}

const nightsKept = new Map<string, PlainNight[]>()

function plainNights(place: PlainPlace, from: string, to: string): PlainNight[] {
  const key = JSON.stringify([place, from, to])
  const kept = nightsKept.get(key)
  if (kept) return kept
  const observer = new astronomy.Observer(place.latitude, place.longitude, 0)
  const label = formatted(place.zone)
  let noon = astronomy
    .SearchHourAngle(astronomy.Body.Sun, observer, 0, new Date(Date.parse(`${later(from, -3)}T00:00Z`)))
    .time.date.getTime()
  const nights: PlainNight[] = []
  while (label(noon).slice(0, 10) <= later(to, 2)) {
    const next = astronomy
      .SearchHourAngle(astronomy.Body.Sun, observer, 0, new Date(noon + 12 * 60 * MINUTE))
      .time.date.getTime()
    const edge = (way: 1 | -1) =>
      astronomy
        .SearchAltitude(astronomy.Body.Sun, observer, way, new Date(noon), (next - noon) / 86_400_000, -0.833)
        ?.date.getTime() ?? null
    nights.push({ date: label(noon).slice(0, 10), from: noon, to: next, dusk: edge(-1), dawn: edge(1) })
    noon = next
  }
  nightsKept.set(key, nights)
  return nights
}

const clockLabel = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`

function allowed(event: ProgramEvent, date: string): boolean {
  const weekday = new Date(`${date}T12:00Z`).getUTCDay() || 7
  if (!event.days.some(each => each === weekday)) return false
  if (!event.between) return true
  const number = (monthDay: string) => Number(monthDay.replace('-', ''))
  const [from, to, on] = [event.between.from, event.between.to, date.slice(5)].map(number) as [
    number,
    number,
    number,
  ]
  if (from <= to) return on >= from && on <= to
  return !(on > to && on < from)
}

export interface PlainRun {
  /** Of each minute from the beginning: whether the light is lit once all of that minute has happened. */
  readonly lit: readonly boolean[]
  readonly first: number
  /** Minutes since 1970 at which something happens by the sun: there two ways may be a minute apart. */
  readonly bySun: ReadonlySet<number>
}

/** The light, minute by minute, from some days before the first (all the year before it, too) to the last. */
export function plainRun(program: Program, place: PlainPlace, from: string, to: string): PlainRun {
  const begin = later(from, -370)
  const shown = shownIn(place.zone, begin, to, program.daylightSaving === 'stands')
  const happens: { at: number; event: number; sun: boolean }[] = []
  const dates: string[] = []
  for (let date = later(begin, -2); date <= later(to, 2); date = later(date, 1)) dates.push(date)
  program.events.forEach((event, index) => {
    const happensAt = (at: number, sun: boolean) => happens.push({ at, event: index, sun })
    if (event.when.kind === 'clock' && !event.ofThatNight) {
      for (const date of dates)
        if (allowed(event, date))
          happensAt(minuteShowing(shown, `${date} ${clockLabel(event.when.minute)}`), false)
      return
    }
    for (const night of plainNights(place, begin, to)) {
      if (!allowed(event, night.date)) continue
      const inNight = (minute: number) =>
        [night.date, later(night.date, 1)]
          .map(date => minuteShowing(shown, `${date} ${clockLabel(minute)}`))
          .find(at => at >= night.from && at < night.to) ?? null
      const of = (moment: Moment): number | null => {
        if (moment.kind === 'clock') return inNight(moment.minute)
        const sun = moment.kind === 'dusk' ? night.dusk : night.dawn
        return sun === null ? null : sun + moment.plus * MINUTE
      }
      let at: number | null
      if ('of' in event.when) {
        const both = event.when.of.map(of)
        at = both.includes(null)
          ? null
          : Math[event.when.kind === 'earlier' ? 'min' : 'max'](...(both as number[]))
      } else at = of(event.when)
      if (at !== null) happensAt(at, true)
      else if (event.instead !== null) {
        const named = inNight(event.instead)
        if (named !== null) happensAt(named, false)
      }
    }
  })
  happens.sort((one, other) => one.at - other.at || one.event - other.event)
  const first = Date.parse(`${from}T00:00Z`) - 1440 * MINUTE
  const last = Date.parse(`${to}T00:00Z`) + 2 * 1440 * MINUTE
  const lit: boolean[] = []
  let next = 0
  let state = false
  for (let minute = first; minute < last; minute += MINUTE) {
    while (next < happens.length && happens[next]!.at < minute + MINUTE) {
      state = program.events[happens[next]!.event]!.turns === 'on'
      next++
    }
    lit.push(state)
  }
  return {
    lit,
    first,
    bySun: new Set(happens.filter(({ sun }) => sun).map(({ at }) => Math.floor(at / MINUTE))),
  }
}
