import type { BoxView } from '../job/box-view'
import { rowsWith } from '../model/record'
import { moves } from '../model/step-name'
import { APART } from './apart'

/** Whether the plate of a box was off, by what was done in it: read inside, taken apart, or worked in. */
export const isOpened = (view: BoxView): boolean =>
  isWorkedIn(view) || view.readings.some(({ fromEndId }) => fromEndId !== null)

/** Whether its devices were drawn out: something was read that lies behind them. */
export function isDrawnOut(view: BoxView): boolean {
  const behind = new Set(view.ends.flatMap(({ end }) => (end.seat === 'terminal' ? [] : [end.id])))
  return (
    isWorkedIn(view) || view.readings.some(({ fromEndId }) => fromEndId !== null && behind.has(fromEndId))
  )
}

const isWorkedIn = ({ record, box }: BoxView): boolean =>
  rowsWith(record, 'steps', 'boxId', box.id).some(({ stepKey }) => stepKey === APART || moves(stepKey))
