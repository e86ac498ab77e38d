import { presenceOn } from '../check'
import type { BoxView, PlaceView } from '../job/box-view'
import { allows, PRESENCE_ON, type Setting } from '../model/setting'
import type { Trade } from '../model/trade'
import { settingOfPlan } from '../route'

/**
 * The value a setting is usually made to at a place: the one the plan is proved with, else as the customer or the house
 * rule has it, else as it comes.
 */
export function usualValue(view: BoxView, place: PlaceView, setting: Setting, trade: Trade): string {
  const { id, bearsOn, initial } = setting
  const proved = settingOfPlan(view, place.place.id, id, trade)
  if (proved !== null) return proved
  const wanted = bearsOn === 'mode' ? presenceOn(view.record, place, trade) : null
  const ruled = wanted === null ? undefined : PRESENCE_ON[wanted]
  return ruled !== undefined && allows(setting, ruled) ? ruled : initial
}
