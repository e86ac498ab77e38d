import type { BoxView } from '@/core/job/box-view'
import { tiedBoxes } from '@/core/job/tied'
import type { Circuit } from '@/core/model/circuit'
import type { JobRecord } from '@/core/model/record'
import { good, type Result } from '@/core/model/result'
import type { Trade } from '@/core/model/trade'
import { foundCircuit, isTied, plannedCircuit, routeBox, routedTogether } from '@/core/route'
import { foundPicture, plannedPicture, type BoxPicture } from '../drawing/picture'

/** What is tried by hand: some boxes as pictures, and the circuit they make. */
export interface Scene {
  readonly circuit: Circuit
  readonly boxes: readonly { readonly view: BoxView; readonly picture: BoxPicture }[]
}

/** The wiring that hangs together with a box, as it was found. */
export function foundScene(record: JobRecord, boxId: string, trade: Trade): Result<Scene> {
  const views = tiedBoxes(record, boxId)
  const circuit = foundCircuit(views, trade)
  if (!circuit.ok) return circuit
  return good({
    circuit: circuit.value,
    boxes: views.map(view => ({ view, picture: foundPicture(view, trade) })),
  })
}

/** What hangs together with a box as it will be; null where nothing is chosen for it or it cannot be planned. */
export function plannedScene(view: BoxView, trade: Trade): Scene | null {
  const views = tiedBoxes(view.record, view.box.id)
  if (!views.some(({ places }) => places.some(place => place.choice))) return null
  const routed = routeBox(view, trade)
  if (!routed.ok) return null
  const boxes = isTied(view) ? routedTogether(view, trade) : null
  return {
    circuit: plannedCircuit(view, routed.value, trade),
    boxes: (boxes?.ok ? boxes.value.boxes : [{ view, routed: routed.value }]).map(each => ({
      view: each.view,
      picture: plannedPicture(each.view, each.routed),
    })),
  }
}
