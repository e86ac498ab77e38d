import type { BoxView } from '../job/box-view'
import type { Region } from '../model/regions'
import type { Trade } from '../model/trade'
import type { Gauge } from '../model/vocabulary'

/** The smallest gauge that the breaker of a box allows. */
export const gaugeForBreaker = ({ feeds, region }: BoxView, trade: Trade): Gauge => {
  const amps = feeds[0]?.circuit.ratedAmps ?? region.usualBreakerAmps
  return (
    region.gauges.find(gauge => (trade.conductors[gauge].breakerNotAboveAmps ?? 0) >= amps) ??
    region.usualGauge
  )
}

/** Gauges of cables in walls, the thinnest first, and one that is recorded already; those up to a lead's are leads of devices. */
export const cableGauges = ({ gauges, leadGauge }: Region, recorded: Gauge): Gauge[] => [
  ...new Set([...gauges.slice(gauges.indexOf(leadGauge) + 1), recorded]),
]
