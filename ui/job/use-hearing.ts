import { useEffect } from 'react'
import type { Since } from '@/core/job/since'
import { eventsOf, restHere } from './browser-world'
import type { JobStore } from './job-store'
import { hasUnsent } from './unsent'

const EVERY_MILLISECONDS = 2000

/** While a page is looked at it is heard, and hears what others do; left with all sent, it rests. */
export function useHearing(store: JobStore): void {
  useEffect(() => {
    let timer: number | undefined
    let events: EventSource | null = null
    const listen = () => {
      // A browser gives up on what was answered as a fault: it is begun anew.
      if (events && events.readyState !== EventSource.CLOSED) return
      events = eventsOf(store.confirmed())
      events.onmessage = ({ data }) => store.told(JSON.parse(String(data)) as Since)
      events.addEventListener('whole', () => void store.refresh())
    }
    const isLookedAt = () => document.visibilityState === 'visible'
    const again = () => {
      window.clearTimeout(timer)
      listen()
      timer = window.setTimeout(() => void store.hear().finally(again), EVERY_MILLISECONDS)
    }
    const look = () => {
      if (!isLookedAt()) return
      store.wake()
      again()
    }
    const leave = () => {
      window.clearTimeout(timer)
      events?.close()
      events = null
      const { record, save } = store.snapshot()
      if (save !== 'saved' || hasUnsent(record.job.id)) return
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
