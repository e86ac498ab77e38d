import { type BoxView, type PlaceView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import type { JobRecord } from '../model/record'
import { deviceNamed, devicesFor, ruleValue, type Trade } from '../model/trade'
import { cableCure, cablesThatCure, routeAll, type RouteCure } from './cables'
import { withChoices, withRule } from './tried'
import { setsFor } from './sets'
import { sayIn } from '../words/say'
import { sayFor } from '../model/say-for'

/** Faults that wait for something to be recorded or chosen: nothing is cured before that. */
const WAITS: readonly string[] = ['no-role', 'nothing-recorded', 'nothing-chosen', 'unknown-device']
/** House rules whose other answer may let conductors carry what they may not now. */
const RULES_THAT_MATTER = ['remark-neutral', 'ground-referenced'] as const
/** Offered of one kind. */
const MOST_OF_A_KIND = 2
/** Tried of one kind before it is given up. */
const MOST_TRIES = 60

/**
 * What would let a box and all that hangs together with it be wired, the least work first; each was routed anew and
 * works. None where it can be wired as it is, or where a role or a choice is still missing.
 * @param lets whether the devices of a record may go where they would
 */
export function routeCures(
  record: JobRecord,
  boxId: string,
  trade: Trade,
  lets: (tried: JobRecord) => boolean = () => true,
): RouteCure[] {
  const now = routeAll(record, boxId, trade)
  if (now.ok || now.faults.some(({ code }) => WAITS.includes(code))) return []
  const works = (tried: JobRecord) => routeAll(tried, boxId, trade).ok
  const views = tiedBoxes(record, boxId)
  const lights = lightsOf(views)
  return [
    ...ruleCures(record, trade, works),
    ...lights.flatMap(places => placeCures(record, places, trade, each => lets(each) && works(each))),
    ...lights.flatMap(places => deviceCures(record, places, trade, each => lets(each) && works(each))),
    ...cableCures(record, boxId, trade),
  ]
}

type Placed = { readonly view: BoxView; readonly place: PlaceView }

/** Places of each light that is worked from these boxes. */
function lightsOf(views: readonly BoxView[]): (readonly Placed[])[] {
  const lights = new Map<string, Placed[]>()
  for (const view of views)
    for (const place of view.places)
      lights.set(place.group.id, [...(lights.get(place.group.id) ?? []), { view, place }])
  return [...lights.values()]
}

function ruleCures(record: JobRecord, trade: Trade, works: (tried: JobRecord) => boolean): RouteCure[] {
  const say = sayFor(record)

  return RULES_THAT_MATTER.flatMap(ruleId => {
    const rule = trade.houseRules.find(({ id }) => id === ruleId)
    if (!rule || ruleValue(trade, record, ruleId) !== rule.initial) return []
    const other = rule.values.find(({ value }) => value !== rule.initial)
    if (!other) return []
    const tried = withRule(record, ruleId, other.value)
    if (!works(tried)) return []
    return [
      {
        kind: 'house-rule',
        id: `house-rule ${ruleId}`,
        says: say`House rule “${say(rule.question)}”: ${say(other.words).toLowerCase()}. Only where the local code does.`,
        price: 0,
        minutes: trade.minutes['house-rule'],
        tried,
      },
    ]
  })
}

const chosenAt = ({ place }: Placed): string | null => place.choice?.modelId ?? null

/** The same devices at other places of their light, the fewest moved first. */
function placeCures(
  record: JobRecord,
  places: readonly Placed[],
  trade: Trade,
  works: (tried: JobRecord) => boolean,
): RouteCure[] {
  const say = sayFor(record)

  if (places.length < 2) return []
  const now = places.map(chosenAt)
  const moved = (order: readonly (string | null)[]) => order.filter((id, at) => id !== now[at]).length
  return distinctOrders(now)
    .filter(order => moved(order) > 0)
    .sort((a, b) => moved(a) - moved(b) || (a.join() < b.join() ? -1 : 1))
    .slice(0, MOST_TRIES)
    .map(order => ({ order, tried: withChoices(record, byPlace(places, order)) }))
    .filter(({ tried }) => works(tried))
    .slice(0, 1)
    .map(({ order, tried }) => ({
      kind: 'another-place',
      id: `another-place ${order.join(' ')}`,
      says: say`Other places for the same devices: ${placesInWords(places, order, trade)}.`,
      price: 0,
      minutes: 0,
      tried,
    }))
}

const byPlace = (places: readonly Placed[], ids: readonly (string | null)[]) =>
  Object.fromEntries(places.map(({ place }, at) => [place.place.id, ids[at]!]))

const placesInWords = (places: readonly Placed[], ids: readonly (string | null)[], trade: Trade): string =>
  places
    .map(({ view }, at) => {
      const say = sayIn(view.region)
      return `${view.room.name}, ${view.box.name}: ${deviceNamed(trade, ids[at] ?? '')?.name ?? say`the old one stays`}`
    })
    .join('; ')

function distinctOrders(items: readonly (string | null)[]): (string | null)[][] {
  if (items.length < 2) return [[...items]]
  return [...new Set(items)].flatMap(first => {
    const at = items.indexOf(first)
    return distinctOrders(items.filter((_, other) => other !== at)).map(rest => [first, ...rest])
  })
}

/** Other devices that do what is wanted and can be wired, the cheapest first. Choose says the rest of them. */
function deviceCures(
  record: JobRecord,
  places: readonly Placed[],
  trade: Trade,
  works: (tried: JobRecord) => boolean,
): RouteCure[] {
  const say = sayFor(record)

  const { region } = places[0]!.view
  const { want } = places[0]!.place.group
  const found = places.map(({ place }) => deviceNamed(trade, place.found?.modelId ?? '') ?? null)
  const candidates =
    places.length > 1
      ? setsFor(trade, region.id, found).map(({ members }) => members)
      : devicesFor(trade, region.id, 'new')
          .filter(({ places: { least } }) => least === 1)
          .map(model => [model])
  const now = places.map(chosenAt).join()
  if (places.every(each => chosenAt(each) === null)) return []
  const priced = candidates
    .map(members => {
      const bought = members.filter(model => model !== null)
      return {
        members,
        ids: members.map(model => model?.id ?? null),
        does: bought.flatMap(({ does }) => does),
        price: bought.reduce((sum, each) => sum + each.price, 0),
        minutes: bought.reduce((sum, each) => sum + each.minutes, 0),
      }
    })
    .filter(({ ids, does }) => ids.join() !== now && (want === null || does.includes(want)))
    .sort((a, b) => a.price - b.price || (a.ids.join() < b.ids.join() ? -1 : 1))
    .slice(0, MOST_TRIES)
  const cures: RouteCure[] = []
  for (const { ids, price, minutes } of priced) {
    if (cures.length === MOST_OF_A_KIND) break
    const tried = withChoices(record, byPlace(places, ids))
    if (!works(tried)) continue
    cures.push({
      kind: 'another-device',
      id: `another-device ${ids.join(' ')}`,
      says: say`Other devices: ${placesInWords(places, ids, trade)}.`,
      price,
      minutes,
      tried,
    })
  }
  return cures
}

function cableCures(record: JobRecord, boxId: string, trade: Trade): RouteCure[] {
  const cables = cablesThatCure(record, boxId, trade)
  return cables ? [cableCure(record, boxId, cables, trade)] : []
}
