'use client'

import { useContext } from 'react'
import { LanguageContext } from './use-say'

/** Days and moments as the region writes them. */
interface Dates {
  readonly day: Intl.DateTimeFormat
  readonly longDay: Intl.DateTimeFormat
  readonly moment: Intl.DateTimeFormat
  readonly hour: Intl.DateTimeFormat
}

const HOURS_AGO = 10 * 60 * 60_000

const known = new Map<string, Dates>()

/** When something was, by its hour alone where that was in these hours. */
export function useWhen(): (at: string) => string {
  const { hour, moment } = useDates()
  return at => (Date.now() - Date.parse(at) < HOURS_AGO ? hour : moment).format(new Date(at))
}

export function useDates(): Dates {
  const { locale } = useContext(LanguageContext)
  let dates = known.get(locale)
  if (!dates)
    known.set(
      locale,
      (dates = {
        day: new Intl.DateTimeFormat(locale, { dateStyle: 'medium' }),
        longDay: new Intl.DateTimeFormat(locale, { dateStyle: 'long' }),
        hour: new Intl.DateTimeFormat(locale, { timeStyle: 'short' }),
        moment: new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short' }),
      }),
    )
  return dates
}
