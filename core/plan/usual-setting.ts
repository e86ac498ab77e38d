import { presenceOn } from '../check'
import type { BoxView, PlaceView } from '../job/box-view'
import { allows, PRESENCE_ON, type Setting } from '../model/setting'
import type { Trade } from '../model/trade'
import { settingOfPlan } from '../route'
import { workedOut } from './worked-out'

/**
 * The value a setting is usually made to at a place: the one the plan is proved with, else what was worked out from its
 * room, else as the customer or the house rule has it, else as it comes.
 */
export function usualValue(view: BoxView, place: PlaceView, setting: Setting, trade: Trade): string {
  const { id, bearsOn, initial } = setting
  const proved = settingOfPlan(view, place.place.id, id, trade)
  if (proved !== null) return proved
  const found = workedOut(view.record, place, setting, trade)
  if (found !== null) return found
  const wanted = bearsOn === 'mode' ? presenceOn(view.record, place, trade) : null
  const ruled = wanted === null ? undefined : PRESENCE_ON[wanted]
  return ruled !== undefined && allows(setting, ruled) ? ruled : initial
}
