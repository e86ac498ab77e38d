import { createContext } from 'react'

/** Of which row the fields below are: what is typed in one is never taken for another’s. Of the page’s own where none is said. */
export const RowContext = createContext('')
