import type { BoxView, PlaceView } from '../job/box-view'
import { deviceNamed, type Trade } from '../model/trade'
import type { LineRule } from '../model/vocabulary'
import { check } from './check'
import { worst, type Verdict } from './line'

/** Rules that a device alone is held to; for several places the wiring of the whole light answers them. */
export const ANSWERED_BY_WIRING: readonly LineRule[] = ['places', 'supply-neutral']

/** How the device that is chosen for a place stands there; null where none is chosen. */
export function verdictOfChosen(view: BoxView, place: PlaceView, trade: Trade): Verdict | null {
  const device = deviceNamed(trade, place.choice?.modelId ?? '')
  if (!device) return null
  const { lines } = check({ view, place, device, trade })
  return worst(
    place.placesInGroup > 1 ? lines.filter(({ rule }) => !ANSWERED_BY_WIRING.includes(rule)) : lines,
  )
}
