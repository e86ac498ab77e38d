import { presenceOn } from '../check'
import type { PlaceView } from '../job/box-view'
import type { Setting } from '../model/device'
import type { JobRecord } from '../model/record'
import type { Trade } from '../model/trade'

/** How a presence sensor turns on, by the words of its setting. */
const PRESENCE_ON = { 'manual-on': 'by hand', 'automatic-on': 'by itself' } as const

/** The value a setting is usually made to at a place: as the customer or the house rule has it, else as it comes. */
export function usualValue(
  record: JobRecord,
  place: PlaceView,
  { id, values, initial }: Setting,
  trade: Trade,
): string {
  const wanted = id === 'mode' ? presenceOn(record, place, trade) : null
  const ruled = wanted === null ? undefined : PRESENCE_ON[wanted]
  return ruled !== undefined && values.includes(ruled) ? ruled : initial
}
