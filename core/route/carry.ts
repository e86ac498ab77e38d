import { houseRule, type BoxView, type EndView } from '../job/box-view'
import { looksLikeGround, mayBeNeutral } from '../model/regions'
import type { RouteCosts } from '../model/trade'

/** A conductor that runs from one of some boxes to another. */
export interface Runner {
  readonly conductorId: string
  readonly a: { readonly view: BoxView; readonly each: EndView }
  readonly b: { readonly view: BoxView; readonly each: EndView }
}

/** All that runs between two boxes, grounds apart. */
export interface Edge {
  readonly boxes: readonly [string, string]
  readonly runners: readonly Runner[]
}

/** What runs between the boxes, pair by pair, in the order of the record. */
export function edgesOf(views: readonly BoxView[]): Edge[] {
  const seen = new Map<string, { view: BoxView; each: EndView }>()
  const edges = new Map<string, { boxes: [string, string]; runners: Runner[] }>()
  for (const view of views)
    for (const each of view.ends) {
      const other = seen.get(each.conductor.id)
      if (!other) {
        seen.set(each.conductor.id, { view, each })
        continue
      }
      const key = `${other.view.box.id} ${view.box.id}`
      const edge = edges.get(key) ?? { boxes: [other.view.box.id, view.box.id], runners: [] }
      if (!looksLikeGround(view.region, each.conductor))
        edge.runners.push({ conductorId: each.conductor.id, a: other, b: { view, each } })
      edges.set(key, edge)
    }
  return [...edges.values()]
}

const kindOf = (net: string): string => net.slice(0, net.includes(':') ? net.indexOf(':') : undefined)

const FOUND_AS: Readonly<Record<string, readonly string[]>> = {
  line: ['line', 'loop-feed', 'onward-feed'],
  load: ['switched-load', 'loop-return'],
  neutral: ['neutral'],
  traveller: ['traveller'],
  signal: ['traveller', 'spare'],
}

/**
 * What it costs that a conductor carries a net; infinite where its colour may not. A neutral-coloured one may be
 * marked again to bring a feed, but under the usual North American rule not to take the switched conductor back.
 */
export function carryingCost({ a: { view, each } }: Runner, net: string, costs: RouteCosts): number {
  const { region, record } = view
  const kind = kindOf(net)
  const { conductor, end } = each
  if (conductor.unfit) return Infinity
  let cost = FOUND_AS[kind]?.includes(end.role ?? '') ? 0 : costs.changed
  if (conductor.wish !== null && conductor.wish !== kind) cost += costs.againstWish
  const neutralColoured = region.neutralColours.includes(conductor.insulation)
  if (kind === 'neutral') {
    if (mayBeNeutral(region, conductor)) return cost
    return houseRule(record, 'remark-neutral', 'never') === 'never' ? Infinity : cost + costs.madeNeutral
  }
  if (neutralColoured && region.id === 'north-america-120' && kind === 'load') return Infinity
  if (neutralColoured && conductor.markedAs === null) cost += costs.markedAgain
  if (kind === 'signal' && conductor.insulation !== 'red') cost += costs.signalNotRed
  return cost
}

/** Conductors that are wanted for something, of those that carry nothing. */
export const idle = (runners: readonly Runner[]): number =>
  runners.filter(({ a }) => a.each.conductor.wish !== null && a.each.conductor.wish !== 'nothing').length

/** What the conductors between two boxes carry, and what it costs. */
export interface Assignment {
  readonly cost: number
  /** Net by conductor; those that stay unused are not in it. */
  readonly netOf: ReadonlyMap<string, string>
}

/**
 * Every way in which the conductors between two boxes can carry some nets, each net on one, the cheapest first; of
 * conductors that cost the same and are alike the first in the record goes first. Empty where there are too few that may.
 * @param circuitOf the circuit a net belongs to: its way there and back belong in one cable
 * @param kindOf what reads the same is alike to whoever wires it
 * @param over what costs more than this above the cheapest is left out
 * @param free seconds of pairs that nothing tells apart yet: they come after their firsts only
 */
export function assignments(
  { runners }: Edge,
  nets: readonly string[],
  costs: RouteCosts,
  circuitOf: (net: string) => string,
  kindOf: (runner: Runner) => string,
  over = Infinity,
  free: readonly string[] = [],
): readonly Assignment[] {
  if (nets.length > runners.length) return []
  const numbered = (names: readonly string[]) => names.map(name => names.indexOf(name))
  const circuits = numbered(nets.map(circuitOf))
  const cables = numbered(runners.map(({ a }) => a.each.cable.id))
  const cost = runners.map(runner => nets.map(net => carryingCost(runner, net, costs)))
  const kinds = runners.map((runner, at) => `${runner.a.each.cable.id} ${cost[at]!.join()} ${kindOf(runner)}`)
  /** The least that each net and those after it can cost. */
  const rest = nets.map(() => 0)
  for (let index = nets.length - 1; index >= 0; index--)
    rest[index] = (rest[index + 1] ?? 0) + Math.min(...cost.map(own => own[index]!))
  const found: Assignment[] = []
  const taken: number[] = []
  let least = Infinity
  /** Whether a net’s circuit has other cables already, and not this one. */
  const parts = (index: number, at: number): boolean => {
    const before = taken.filter((_, net) => circuits[net] === circuits[index])
    return before.length > 0 && !before.some(other => cables[other] === cables[at])
  }
  const place = (index: number, sum: number) => {
    if (sum + (rest[index] ?? 0) > least + over) return
    if (index === nets.length) {
      const own = sum + idle(runners.filter((_, at) => !taken.includes(at))) * costs.againstWish
      least = Math.min(least, own)
      found.push({
        cost: own,
        netOf: new Map(taken.map((at, net) => [runners[at]!.conductorId, nets[net]!])),
      })
      return
    }
    const tried = new Set<string>()
    const after = free.includes(nets[index]!) ? taken.at(-1)! : -1
    for (const at of runners.keys()) {
      const own = cost[at]![index]!
      if (at < after || own === Infinity || taken.includes(at) || tried.has(kinds[at]!)) continue
      tried.add(kinds[at]!)
      const parted = parts(index, at) ? costs.anotherCable : 0
      taken.push(at)
      place(index + 1, sum + own + parted)
      taken.pop()
    }
  }
  place(0, 0)
  // Stable: of those that cost the same the first stays first.
  return found.filter(({ cost: own }) => own <= least + over).sort((one, other) => one.cost - other.cost)
}
