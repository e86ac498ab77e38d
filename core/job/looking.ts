import type { BoxView, PlaceView } from './box-view'
import { rowsWith } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'
import { isMiddle, isTwoPlace } from '../model/make-up'

/**
 * Places of a box whose old switch works its light together with others that are not recorded: a two-place switch
 * has a partner, a middle one has two. None once somebody said that every place of the light is recorded.
 */
export function lookingForPlaces(view: BoxView, trade: Trade): PlaceView[] {
  return view.places.filter(({ group, found, placesInGroup }) => {
    const model = deviceNamed(trade, found?.modelId ?? '')
    if (!model || group.everyPlace === 'yes') return false
    if (isMiddle(model)) return placesInGroup < 3
    return isTwoPlace(model) && placesInGroup < leastPlaces(view, group.id, trade)
  })
}

/** Places that a light has at the least, by the old switches that are recorded. */
function leastPlaces({ record }: BoxView, groupId: string, trade: Trade): number {
  const models = rowsWith(record, 'places', 'groupId', groupId).flatMap(({ id }) =>
    rowsWith(record, 'devices', 'placeId', id).flatMap(({ modelId }) => deviceNamed(trade, modelId) ?? []),
  )
  return models.some(isMiddle) ? 3 : 2
}
