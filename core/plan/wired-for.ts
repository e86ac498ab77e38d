import type { BoxView } from '../job/box-view'
import type { Trade } from '../model/trade'
import { planBox } from './steps'
import { isForWiring } from './settled'

/**
 * How far the work in a box is for its trial: `hands-off` once nothing is to be touched any more and only the power
 * is to come back, `yes` once it is back. Dead tests are made between the two.
 */
export function isWiredFor(view: BoxView, trade: Trade): 'no' | 'hands-off' | 'yes' {
  if (!isForWiring(view)) return 'no'
  const { routed, steps } = planBox(view, trade)
  if (!routed.ok || steps.some(({ kind, done }) => kind === 'touch' && !done)) return 'no'
  return steps.some(({ doneBy, done }) => doneBy === 'tick' && !done) ? 'hands-off' : 'yes'
}
