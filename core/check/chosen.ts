import type { BoxView, PlaceView } from '../job/box-view'
import { boxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import type { JobRecord } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'
import { routeCures, type RouteCure } from '../route'
import { check } from './check'
import { worst, type Verdict } from './line'

/** Rules that a device alone is held to; for several places the wiring of the whole light answers them. */
export const ANSWERED_BY_WIRING: readonly string[] = ['places', 'supply-neutral']

/** How the device that is chosen for a place stands there; null where none is chosen. */
export function verdictOfChosen(view: BoxView, place: PlaceView, trade: Trade): Verdict | null {
  const device = deviceNamed(trade, place.choice?.modelId ?? '')
  if (!device) return null
  const { lines } = check({ view, place, device, trade })
  return worst(
    place.placesInGroup > 1 ? lines.filter(({ rule }) => !ANSWERED_BY_WIRING.includes(rule)) : lines,
  )
}

/** Ways out of a box that cannot be wired; of other devices, and other places for them, only those that may go there. */
export const curesThatFit = (record: JobRecord, boxId: string, trade: Trade): RouteCure[] =>
  routeCures(record, boxId, trade, tried =>
    tiedBoxes(tried, boxId).every(view =>
      view.places.every(place => {
        const before = boxView(record, view.box.id)?.places.find(each => each.place.id === place.place.id)
        const verdict =
          before?.choice?.modelId === place.choice?.modelId ? null : verdictOfChosen(view, place, trade)
        return verdict !== 'does-not-fit' && verdict !== 'not-known'
      }),
    ),
  )
