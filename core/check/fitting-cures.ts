import { boxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import type { JobRecord } from '../model/record'
import type { Trade } from '../model/trade'
import { routeCures, type RouteCure } from '../route'
import { verdictOfChosen } from './chosen'

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
