'use client'

import { createContext, useContext } from 'react'
import { sayIn, SOURCE, type Language, type Say } from '@/core/words/say'

/** The language of what is on the page: of the job’s region inside a job. */
export const LanguageContext = createContext<Language>(SOURCE)

export function useSay(): Say {
  return sayIn({ language: useContext(LanguageContext) })
}
