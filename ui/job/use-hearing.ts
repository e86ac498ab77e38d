import { useEffect } from 'react'
import { restHere } from './browser-world'
import type { JobStore } from './store'

const EVERY_MILLISECONDS = 2000

/** While a page is looked at it is heard, and hears what others do; left with all sent, it rests. */
export function useHearing(store: JobStore): void {
  useEffect(() => {
    let timer: number | undefined
    const isLookedAt = () => document.visibilityState === 'visible'
    const again = () => {
      window.clearTimeout(timer)
      timer = window.setTimeout(() => void store.hear().finally(again), EVERY_MILLISECONDS)
    }
    const look = () => {
      if (!isLookedAt()) return
      store.wake()
      again()
    }
    const leave = () => {
      window.clearTimeout(timer)
      const { record, save } = store.snapshot()
      if (save !== 'saved') return
      store.rest()
      restHere(record.job.id)
    }
    const turn = () => (isLookedAt() ? look() : leave())
    if (isLookedAt()) {
      void store.hear()
      again()
    }
    window.addEventListener('focus', look)
    window.addEventListener('online', look)
    // Brought back as it was left.
    window.addEventListener('pageshow', look)
    window.addEventListener('pagehide', leave)
    document.addEventListener('visibilitychange', turn)
    return () => {
      window.clearTimeout(timer)
      window.removeEventListener('focus', look)
      window.removeEventListener('online', look)
      window.removeEventListener('pageshow', look)
      window.removeEventListener('pagehide', leave)
      document.removeEventListener('visibilitychange', turn)
      leave()
    }
  }, [store])
}
