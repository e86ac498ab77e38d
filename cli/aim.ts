import type { BoxView } from '@/core/job/box-view'
import type { JobRecord } from '@/core/model/record'
import type { Trade } from '@/core/model/trade'
import { aimedIn, sensorInRoom } from '@/core/plan'
import { settingsOfAim } from '@/core/setup'
import { rounded, type Answer } from './outcome'

type SensorAimed = { readonly ok: boolean } & Readonly<Record<string, unknown>>

/**
 * How every sensor of a job that is chosen is aimed, in the words of its device; or what is wanted to tell. A no: a door
 * or a seat that no setting sees, or a sensor of which nothing can be told.
 */
export function aimVerb(record: JobRecord, views: readonly BoxView[], trade: Trade): Answer {
  const sensors = views.flatMap(({ box, places }) =>
    places.flatMap((place): SensorAimed[] => {
      const found = sensorInRoom(record, place, trade)
      if (!found) return []
      const of = { boxId: box.id, placeId: place.place.id, modelId: found.model.id }
      if (found.kind !== 'hangs') return [{ ...of, ok: false, wants: found.kind }]
      const { best, seen, tradeOff, never, ways } = aimedIn(found)
      const settings = settingsOfAim(found.model, best.aim).map(({ setting, value }) => [setting.id, value])
      const ok = never.doors.length + never.seats.length === 0
      return [{ ...of, ok, settings: Object.fromEntries(settings), best, seen, tradeOff, never, ways }]
    }),
  )
  const ok = sensors.every(each => each.ok)
  return rounded({ code: ok ? 0 : 1, output: { ok, sensors } })
}
