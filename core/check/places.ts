import { boxView, workedFrom, type BoxView, type PlaceView } from '../job/box-view'
import { asTheyStand } from '../job/place-name'
import type { JobRecord } from '../model/record'

/** A place of a light, with its box. */
export interface LightPlace {
  readonly view: BoxView
  readonly place: PlaceView
}

/** The places that a light is to be worked from, in the order of the record. */
export function placesOf(record: JobRecord, groupId: string): LightPlace[] {
  return workedFrom(record, groupId)
    .flatMap(({ id, boxId }) => {
      const view = boxView(record, boxId)
      const place = view?.places.find(each => each.place.id === id)
      return view && place && !place.place.retired ? [{ view, place }] : []
    })
    .sort((a, b) => a.view.box.position - b.view.box.position || asTheyStand(a.place.place, b.place.place))
}

/** Lights of a box that are worked from it alone, in the order of their gangs. */
export function ownPlacesOf(record: JobRecord, boxId: string): LightPlace[] {
  const view = boxView(record, boxId)
  if (!view) return []
  return view.places
    .filter(({ place, placesInGroup }) => placesInGroup === 1 && !place.retired)
    .map(place => ({ view, place }))
    .sort((a, b) => asTheyStand(a.place.place, b.place.place))
}
