import type { Trade } from '../model/trade'

/**
 * What depends on one thing that never changes (a box, a place) and the trade, worked out once for all devices that
 * are held against it.
 */
export function remembered<Of extends object, Given extends { readonly trade: Trade }, Value>(
  of: (given: Given) => Of,
  work: (given: Given) => Value,
): (given: Given) => Value {
  const known = new WeakMap<Of, { readonly trade: Trade; readonly value: Value }>()
  return given => {
    const key = of(given)
    const before = known.get(key)
    if (before?.trade === given.trade) return before.value
    const value = work(given)
    known.set(key, { trade: given.trade, value })
    return value
  }
}
