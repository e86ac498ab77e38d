/** A day of the calendar as the number of days since 1 January 1970: arithmetic without clocks. */
export type Day = number

export const MINUTE = 60_000
export const HOUR = 60 * MINUTE
export const DAY = 24 * HOUR

const WRITTEN = /^(\d{4})-(\d{2})-(\d{2})$/

/** `YYYY-MM-DD` as a day; null for what no calendar holds. */
export function dayOf(written: string): Day | null {
  const [, year, month, date] = WRITTEN.exec(written) ?? []
  if (year === undefined) return null
  const day = Date.UTC(Number(year), Number(month) - 1, Number(date)) / DAY
  return writtenDay(day) === written ? day : null
}

/** A day as `YYYY-MM-DD`. */
export const writtenDay = (day: Day): string => new Date(day * DAY).toISOString().slice(0, 10)

/** 1 Monday to 7 Sunday. */
export const weekdayOf = (day: Day): number => ((((day + 3) % 7) + 7) % 7) + 1

/** Its month and date, `MM-DD`: as written they follow each other through the year. */
export const dateOf = (day: Day): string => writtenDay(day).slice(5)

export const yearOf = (day: Day): number => new Date(day * DAY).getUTCFullYear()

/** `HH:MM` as minutes since midnight; null for what no clock shows. */
export function minuteOf(written: string): number | null {
  const [, hours, minutes] = /^([01]\d|2[0-3]):([0-5]\d)$/.exec(written) ?? []
  return hours === undefined ? null : Number(hours) * 60 + Number(minutes)
}
