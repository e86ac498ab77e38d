import { useEffect } from 'react'
import type { Guard } from '@/core/job/transition'
import type { Trade } from '@/core/model/trade'
import { useStore, useTrade } from './provider'

/** One rule a trade, however often it is asked for. */
const known = new WeakMap<Trade, Guard>()

/** Where a breaker can be switched on, the rule that keeps it off while work is half done is fetched and holds. */
export function usePowerHolds(isSwitched: boolean): void {
  const store = useStore()
  const trade = useTrade()
  useEffect(() => {
    if (!isSwitched) return
    let wanted = true
    void import('./power-holds').then(({ powerHolds }) => {
      if (!wanted) return
      const guard = known.get(trade) ?? powerHolds(trade)
      known.set(trade, guard)
      store.holdTo(guard)
    })
    return () => {
      wanted = false
    }
  }, [store, trade, isSwitched])
}
