'use client'

import { useContext } from 'react'
import { LanguageContext } from './use-say'

/** Days and moments as the region writes them. */
interface Dates {
  readonly day: Intl.DateTimeFormat
  readonly longDay: Intl.DateTimeFormat
  readonly moment: Intl.DateTimeFormat
}

const known = new Map<string, Dates>()

export function useDates(): Dates {
  const { locale } = useContext(LanguageContext)
  let dates = known.get(locale)
  if (!dates)
    known.set(
      locale,
      (dates = {
        day: new Intl.DateTimeFormat(locale, { dateStyle: 'medium' }),
        longDay: new Intl.DateTimeFormat(locale, { dateStyle: 'long' }),
        moment: new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short' }),
      }),
    )
  return dates
}
