import dynamic from 'next/dynamic'
import type { ComponentType } from 'react'
import { keptTrying } from './kept-trying'

/** A page with a script of its own, which is fetched when it is shown first, or before. */
export const page = <Props extends object>(load: () => Promise<ComponentType<Props>>) => ({
  load,
  Page: dynamic<Props>(() => keptTrying(load)),
})
