import type { BoxView } from '@/core/job/box-view'
import type { Trade } from '@/core/model/trade'
import type { Gauge } from '@/core/model/vocabulary'

/** The smallest gauge that the breaker of a box allows. */
export const gaugeForBreaker = (view: BoxView, trade: Trade): Gauge => {
  const amps = view.feeds[0]?.circuit.ratedAmps ?? view.region.usualBreakerAmps
  return (
    view.region.gauges.find(gauge => (trade.conductors[gauge].breakerNotAboveAmps ?? 0) >= amps) ??
    view.region.usualGauge
  )
}
