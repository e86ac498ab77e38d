import { useCallback } from 'react'
import type { Guard } from '@/core/job/transition'
import type { Trade } from '@/core/model/trade'
import { useAtHand } from '../browser/use-at-hand'
import { useStore, useTrade } from './provider'

/** One rule a trade, however often it is asked for. */
const known = new WeakMap<Trade, Guard>()

/**
 * Where a breaker can be switched on, the rule that keeps it off while work is half done is fetched, so that it holds
 * without a connection too. Until it has come the server holds to it.
 */
export function usePowerHolds(isSwitched: boolean): void {
  const store = useStore()
  const trade = useTrade()
  const fetched = useCallback(async () => {
    if (!isSwitched) return
    const { powerHolds } = await import('./power-holds')
    const guard = known.get(trade) ?? powerHolds(trade)
    known.set(trade, guard)
    store.holdTo(guard)
  }, [store, trade, isSwitched])
  useAtHand(fetched)
}
