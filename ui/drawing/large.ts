import { createContext } from 'react'

/** Whether drawings round here are shown in their parts, and no more as a whole; null where each says so for itself. */
export const Large = createContext<boolean | null>(null)
