import type { RouteCosts } from '../model/trade'
import { carryingCost, type Edge } from './carry'
import type { PlannedDevice } from './planned'
import { keyOf } from './net'

/** What runs between the boxes of some devices. */
export interface Between {
  readonly edges: readonly Edge[]
  readonly costs: RouteCosts
  readonly boxOf: (device: PlannedDevice) => string
  /** What costs as much or more is not asked for any longer. */
  readonly limit: () => number
}

/** Devices one after another, and what the pairs of travellers between them cost at the least. */
export interface Order {
  readonly devices: readonly PlannedDevice[]
  readonly least: number
}

/** More than any plan costs, for each conductor that is not there. */
const MISSING = 1e5
/** Starts of orders that are looked at; where very many cost the same, the first of them stand. */
const MOST_STARTS = 3000

/** Two boxes with only one way between them, and what so many travellers cost there. */
interface Bridge {
  readonly onFar: ReadonlySet<string>
  /** By number of pairs. */
  readonly costOf: (pairs: number) => number
}

interface Start extends Order {
  readonly crossed: readonly number[]
}

/**
 * The orders in which devices between two others may stand, what costs the least first. Of those that cost the same the
 * order of the record goes first, and devices that nothing tells apart keep it. One where none has conductors enough.
 */
export function* ordersBetween(
  first: PlannedDevice,
  middles: readonly PlannedDevice[],
  last: PlannedDevice,
  between: Between,
): Generator<Order> {
  const { boxOf, limit } = between
  const bridges = bridgesOf(between)
  const end = boxOf(last)
  const grown = (before: readonly number[], devices: readonly PlannedDevice[]): Start => {
    const here = boxOf(devices.at(-1)!)
    const from = devices.length > 1 ? boxOf(devices.at(-2)!) : here
    const open = [...middles.filter(each => !devices.includes(each)).map(boxOf), end]
    const isWhole = devices.length === middles.length + 2
    let least = 0
    const crossed = bridges.map(({ onFar, costOf }, at) => {
      const so = (before[at] ?? 0) + Number(onFar.has(here) !== onFar.has(from))
      least += costOf(so + (isWhole ? 0 : toCome(onFar, here, open, end)))
      return so
    })
    return { devices, least, crossed }
  }
  const starts = [grown([], [first])]
  let yielded = false
  for (let tries = 0; starts.length > 0 && tries < MOST_STARTS; tries++) {
    const start = takeLeast(starts)
    if (start.least >= limit() || (yielded && start.least >= MISSING)) return
    if (start.devices.length === middles.length + 2) {
      yielded = true
      yield start
      continue
    }
    const open = middles.filter(each => !start.devices.includes(each))
    const next = open.filter((each, at) => !open.slice(0, at).some(before => isAlike(before, each, boxOf)))
    for (const each of open.length > 0 ? next : [last])
      starts.push(grown(start.crossed, [...start.devices, each]))
  }
}

/** How often a bridge is crossed yet, at the least, to come to all that is open and end where it ends. */
function toCome(onFar: ReadonlySet<string>, here: string, open: readonly string[], end: string): number {
  const isFar = onFar.has(here)
  if (isFar !== onFar.has(end)) return 1
  return open.some(box => onFar.has(box) !== isFar) ? 2 : 0
}

const isAlike = (one: PlannedDevice, other: PlannedDevice, boxOf: Between['boxOf']): boolean =>
  one.isNew && other.isNew && one.model.id === other.model.id && boxOf(one) === boxOf(other)

/** The least; of those alike the longest, and of these the first. */
function takeLeast(starts: Start[]): Start {
  let best = 0
  starts.forEach((each, at) => {
    const so = starts[best]!
    if (each.least < so.least || (each.least === so.least && each.devices.length > so.devices.length))
      best = at
  })
  return starts.splice(best, 1)[0]!
}

/** What a conductor costs as a traveller is the same for each of them. */
const ANY_TRAVELLER = keyOf({ kind: 'traveller', groupId: 'any', hop: 1, side: 'a' })

function bridgesOf({ edges, costs }: Between): Bridge[] {
  return edges.flatMap((edge): Bridge[] => {
    const [near, far] = edge.boxes
    const onFar = reached(
      edges.filter(other => other !== edge),
      far,
    )
    if (onFar.has(near)) return []
    const each = edge.runners.map(runner => carryingCost(runner, ANY_TRAVELLER, costs))
    const sums = [0]
    for (const cost of each.filter(cost => cost < Infinity).sort((a, b) => a - b))
      sums.push(sums.at(-1)! + cost)
    const costOf = (pairs: number) =>
      sums[2 * pairs] ?? sums.at(-1)! + (2 * pairs + 1 - sums.length) * MISSING
    return [{ onFar, costOf }]
  })
}

function reached(edges: readonly Edge[], from: string): Set<string> {
  const boxes = new Set([from])
  for (const box of boxes)
    for (const { boxes: pair } of edges) if (pair.includes(box)) for (const each of pair) boxes.add(each)
  return boxes
}
