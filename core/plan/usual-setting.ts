import { presenceOn } from '../check'
import type { BoxView, PlaceView } from '../job/box-view'
import type { Setting } from '../model/device'
import type { Trade } from '../model/trade'
import { settingOfPlan } from '../route'

/** How a presence sensor turns on, by the words of its setting. */
const PRESENCE_ON = { 'manual-on': 'by hand', 'automatic-on': 'by itself' } as const

/**
 * The value a setting is usually made to at a place: the one the plan is proved with, else as the customer or the house
 * rule has it, else as it comes.
 */
export function usualValue(
  view: BoxView,
  place: PlaceView,
  { id, values, initial }: Setting,
  trade: Trade,
): string {
  const proved = settingOfPlan(view, place.place.id, id, trade)
  if (proved !== null) return proved
  const wanted = id === 'mode' ? presenceOn(view.record, place, trade) : null
  const ruled = wanted === null ? undefined : PRESENCE_ON[wanted]
  return ruled !== undefined && values.includes(ruled) ? ruled : initial
}
