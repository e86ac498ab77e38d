import { boxView } from '../job/box-view'
import { rowsWith, type JobRecord } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'
import { setsFor } from '../route'
import { byUse, judgeSet, type LightPlace, type SetJudgement } from './judge-set'

/** The places of a light in the order of the record. */
export function placesOf(record: JobRecord, groupId: string): LightPlace[] {
  return rowsWith(record, 'places', 'groupId', groupId)
    .flatMap(({ id, boxId }) => {
      const view = boxView(record, boxId)
      const place = view?.places.find(each => each.place.id === id)
      return view && place ? [{ view, place }] : []
    })
    .sort((a, b) => a.view.box.position - b.view.box.position || a.place.place.gang - b.place.place.gang)
}

/**
 * Every set of the catalogue for a light of several places, the most useful first: what does what is wanted, the
 * better verdict, the lower price. Each set is routed as it would be, with what is chosen elsewhere as it is.
 */
export function checkLight(record: JobRecord, groupId: string, trade: Trade): SetJudgement[] {
  const places = placesOf(record, groupId)
  const [first] = places
  if (!first || places.length < 2) return []
  const found = places.map(({ place }) => deviceNamed(trade, place.found?.modelId ?? '') ?? null)
  return setsFor(trade, first.view.region.id, found)
    .map(set => judgeSet(record, places, set, trade))
    .sort(byUse)
}
