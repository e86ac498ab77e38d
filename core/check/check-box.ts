import type { DeviceModel } from '../model/device'
import type { JobRecord } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'
import { checkPlace } from './check'
import { ownPlacesOf, type LightPlace } from './places'
import { byUse, judgeSet, SIDE_BY_SIDE, type SetJudgement } from './judge-set'

/** Combinations that are gone through for one box. */
const MOST_TOGETHER = 240

/**
 * Devices side by side for all the lights that one box alone works, as a sensor for the light beside a timer for the
 * fan: each judged with the others standing where they would stand. Made of the devices that are the most useful at
 * each gang by itself, and of what is chosen there now; at most 240, the most useful first.
 */
export function checkBox(record: JobRecord, boxId: string, trade: Trade): SetJudgement[] {
  const places = ownPlacesOf(record, boxId)
  if (places.length < 2) return []
  const each = Math.max(1, Math.floor(MOST_TOGETHER ** (1 / places.length)))
  const candidates = places.map(place => candidatesAt(place, trade, each))
  return together(candidates)
    .filter(members => members.some(model => model !== null))
    .map(members => judgeSet(record, places, { kind: SIDE_BY_SIDE, members }, trade))
    .sort(byUse)
}

/** What is chosen stands first; a light of which nothing is wanted may keep what it has. */
function candidatesAt({ view, place }: LightPlace, trade: Trade, most: number): (DeviceModel | null)[] {
  const chosen = deviceNamed(trade, place.choice?.modelId ?? '')
  const useful = checkPlace(view, place.place.id, trade)
    .filter(({ verdict }) => verdict !== 'does-not-fit')
    .map(({ device }) => device)
  const stays = place.found !== null && place.group.want === null
  const all = [...(chosen ? [chosen] : []), ...(stays ? [null] : []), ...useful]
  return [...new Set(all)].slice(0, most)
}

const together = (candidates: readonly (readonly (DeviceModel | null)[])[]): (DeviceModel | null)[][] =>
  candidates.reduce<(DeviceModel | null)[][]>(
    (so, models) => so.flatMap(before => models.map(model => [...before, model])),
    [[]],
  )
