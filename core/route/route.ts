import type { BoxView } from '../job/box-view'
import { good, type Result } from '../model/result'
import type { Trade } from '../model/trade'
import type { RoutedBox } from './planned'
import { routeAlone } from './route-box'
import { isTied, routedTogether } from './tied-boxes'

/** One box as it will be: alone, or together with those its wiring hangs together with. */
export function routeBox(view: BoxView, trade: Trade): Result<RoutedBox> {
  if (!isTied(view)) return routeAlone(view, trade)
  const together = routedTogether(view, trade)
  return together.ok
    ? good(together.value.boxes.find(each => each.view.box.id === view.box.id)!.routed)
    : together
}
