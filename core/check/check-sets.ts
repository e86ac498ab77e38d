import type { JobRecord } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'
import { setsFor } from '../route'
import { byUse, judgeSet, type SetJudgement } from './judge-set'
import { placesOf } from './places'

/**
 * Every set of the catalogue for a light of several places, of those that are not retired, the most useful first: what does what is wanted, the
 * better verdict, the lower price. Each set is routed as it would be, with what is chosen elsewhere as it is.
 */
export function checkLight(record: JobRecord, groupId: string, trade: Trade): SetJudgement[] {
  const places = placesOf(record, groupId)
  const [first] = places
  if (!first || first.place.placesInGroup < 2) return []
  const found = places.map(({ place }) => deviceNamed(trade, place.found?.modelId ?? '') ?? null)
  return setsFor(trade, first.view.region.id, found)
    .map(set => judgeSet(record, places, set, trade))
    .sort(byUse)
}
