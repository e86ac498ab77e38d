import { EVERY_DAY, type Moment, type ProgramEvent, type When } from '@/core/model/light-program'
import type { Say } from '@/core/words/say'

/** A Monday: names of days and months are the platform’s. */
const MONDAY = Date.UTC(2028, 0, 3)
const DAY = 86_400_000

export const weekdayName = (locale: string, weekday: number): string =>
  new Intl.DateTimeFormat(locale, { weekday: 'short', timeZone: 'UTC' }).format(MONDAY + (weekday - 1) * DAY)

export const monthName = (
  locale: string,
  month: number,
  style: 'short' | 'narrow' | 'long' = 'short',
): string =>
  new Intl.DateTimeFormat(locale, { month: style, timeZone: 'UTC' }).format(Date.UTC(2028, month - 1, 15))

export const clockWords = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(Math.round(minute) % 60).padStart(2, '0')}`

export function momentWords(say: Say, moment: Moment): string {
  if (moment.kind === 'clock') return clockWords(moment.minute)
  const { plus } = moment
  const off = Math.abs(plus)
  if (moment.kind === 'dusk')
    return plus === 0 ? say`dusk` : plus > 0 ? say`${off} min after dusk` : say`${off} min before dusk`
  return plus === 0 ? say`dawn` : plus > 0 ? say`${off} min after dawn` : say`${off} min before dawn`
}

export function whenWords(say: Say, when: When): string {
  if (!('of' in when)) return momentWords(say, when)
  const [one, other] = when.of.map(each => momentWords(say, each)) as [string, string]
  return when.kind === 'earlier'
    ? say`${one} or ${other}, whichever is earlier`
    : say`${one} or ${other}, whichever is later`
}

/** Days that follow each other as from and to, others one by one. */
function daysWords(say: Say, locale: string, days: readonly number[]): string {
  const sorted = [...days].sort()
  const names = sorted.map(day => weekdayName(locale, day))
  const isRun = sorted.every((day, at) => at === 0 || day === sorted[at - 1]! + 1)
  return isRun && sorted.length > 2 ? `${names[0]} – ${names.at(-1)}` : names.join(', ')
}

export const dateWords = (locale: string, monthDay: string): string =>
  new Intl.DateTimeFormat(locale, { month: 'short', day: 'numeric', timeZone: 'UTC' }).format(
    Date.parse(`2028-${monthDay}T00:00Z`),
  )

/** An event in one line: what, when, and on which days. */
export function eventWords(say: Say, locale: string, event: ProgramEvent): string {
  const { turns, when, days, between, ofThatNight, instead, vary } = event
  const at = whenWords(say, when)
  const parts = [
    turns === 'on' ? say`On at ${at}` : say`Off at ${at}`,
    ...(ofThatNight && when.kind === 'clock' ? [say`of that night`] : []),
    ...(days.length < EVERY_DAY.length ? [daysWords(say, locale, days)] : []),
    ...(between ? [`${dateWords(locale, between.from)} – ${dateWords(locale, between.to)}`] : []),
    ...(instead === null ? [] : [say`without it at ${clockWords(instead)}`]),
    ...(vary === 0 ? [] : [say`by lot up to ${vary} min before or after`]),
  ]
  return parts.join(' · ')
}
