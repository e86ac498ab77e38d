import { houseRule } from '../model/house-rules'
import { type BoxView, type EndView } from '../job/box-view'
import { looksLikeGround, mayBeNeutral } from '../model/regions'
import type { RouteCosts } from '../model/trade'
import { leastMatching } from './matching'
import { isOfPair } from '../job/low-voltage'
import { isControlNet, kindOf } from './net'

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

const FOUND_AS: Readonly<Record<string, readonly string[]>> = {
  line: ['line', 'loop-feed', 'onward-feed'],
  load: ['switched-load', 'loop-return'],
  neutral: ['neutral'],
  traveller: ['traveller'],
  signal: ['traveller', 'spare'],
  'control-plus': ['control-plus'],
  'control-minus': ['control-minus'],
}

/**
 * What it costs that a conductor carries a net; infinite where its colour may not. A neutral-coloured one may be
 * marked again to bring a feed, but where the region’s rule says so not to take the switched conductor back.
 */
export function carryingCost({ a: { view, each } }: Runner, net: string, costs: RouteCosts): number {
  const { region, record } = view
  const kind = kindOf(net)
  const { conductor, end } = each
  if (conductor.unfit || isControlNet(net) !== isOfPair(each)) return Infinity
  let cost = FOUND_AS[kind]?.includes(end.role ?? '') ? 0 : costs.changed
  if (conductor.wish !== null && conductor.wish !== kind) cost += costs.againstWish
  const neutralColoured = region.neutralColours.includes(conductor.insulation)
  if (kind === 'neutral') {
    if (mayBeNeutral(region, conductor)) return cost
    return houseRule(record, 'remark-neutral') === 'never' ? Infinity : cost + costs.madeNeutral
  }
  if (neutralColoured && !region.loadOnNeutralColour && kind === 'load') return Infinity
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
 * conductors that cost the same and are alike the first in the record goes first. Empty where there are too few that may;
 * the cheapest thousand where very many cost nearly the same.
 * @param circuitOf the circuit a net belongs to: its way there and back belong in one cable
 * @param kindOf what reads the same is alike to whoever wires it
 * @param over what costs more than this above the cheapest is left out
 * @param free seconds of pairs that nothing tells apart yet: they come after their firsts only
 */
export function assignments(
  edge: Edge,
  nets: readonly string[],
  costs: RouteCosts,
  circuitOf: (net: string) => string,
  kindOf: (runner: Runner) => string,
  over = Infinity,
  free: readonly string[] = [],
): readonly Assignment[] {
  if (nets.length > edge.runners.length) return []
  return new Carrying(edge, nets, costs, circuitOf, kindOf, free).within(over)
}

/**
 * What the cheapest of all those ways costs; infinite where there is none.
 * @param circuitOf as for all ways
 */
export function leastCost(
  edge: Edge,
  nets: readonly string[],
  costs: RouteCosts,
  circuitOf: (net: string) => string,
): number {
  if (nets.length > edge.runners.length) return Infinity
  return new Carrying(edge, nets, costs, circuitOf, () => '', []).least()
}

/** What none of those ways costs less than, whatever cables a circuit is split over. */
export function leastAnyhow(edge: Edge, nets: readonly string[], costs: RouteCosts): number {
  return leastMatching(nets.map(net => edge.runners.map(runner => carryingCost(runner, net, costs))))
}

/** Ways for the conductors between two boxes that are gone on with; of more the cheapest are. */
const MOST_WAYS = 1000
/** Below any difference of costs. */
const LESS = 1e-6

/** Seats nets on conductors one after another. */
class Carrying {
  readonly #runners: readonly Runner[]
  /** By net and conductor. */
  readonly #cost: readonly (readonly number[])[]
  readonly #kinds: readonly string[]
  /** By net, and by conductor: numbers of circuits and of cables. */
  readonly #circuits: readonly number[]
  readonly #cables: readonly number[]
  readonly #isFree: readonly boolean[]

  constructor(
    { runners }: Edge,
    readonly nets: readonly string[],
    readonly costs: RouteCosts,
    circuitOf: (net: string) => string,
    kindOf: (runner: Runner) => string,
    free: readonly string[],
  ) {
    const numbered = (names: readonly string[]) => names.map(name => names.indexOf(name))
    this.#runners = runners
    this.#cost = nets.map(net => runners.map(runner => carryingCost(runner, net, costs)))
    this.#kinds = runners.map((runner, at) => {
      const own = this.#cost.map(row => row[at]).join()
      return `${runner.a.each.cable.id} ${runner.a.each.conductor.wish} ${own} ${kindOf(runner)}`
    })
    this.#circuits = numbered(nets.map(circuitOf))
    this.#cables = numbered(runners.map(({ a }) => a.each.cable.id))
    this.#isFree = nets.map(net => free.includes(net))
  }

  /** All that cost so much above the least or less, the least first. */
  within(over: number): readonly Assignment[] {
    const most = this.least() + over
    const found: Assignment[] = []
    const order = [...this.nets.keys()]
    // Stable: of those that cost the same the first stays first.
    const sort = () => found.sort((one, other) => one.cost - other.cost)
    let limit = most
    this.#seat(order, most, (cost, taken) => {
      const netOf = taken.map((at, net) => [this.#runners[at]!.conductorId, this.nets[net]!] as const)
      found.push({ cost, netOf: new Map(netOf) })
      if (found.length === 2 * MOST_WAYS) {
        sort().splice(MOST_WAYS)
        limit = found.at(-1)!.cost - LESS
      }
      return limit
    })
    return sort()
  }

  least(): number {
    // One circuit after another: what is done with bears on nothing that comes.
    const order = [...this.nets.keys()].sort((a, b) => this.#circuits[a]! - this.#circuits[b]!)
    const passed = new Map<string, number>()
    let least = Infinity
    this.#seat(
      order,
      Infinity,
      cost => (least = Math.min(least, cost)),
      (taken, sum) => {
        const key = this.#bearing(order, taken)
        if (sum >= (passed.get(key) ?? Infinity)) return true
        passed.set(key, sum)
        return false
      },
    )
    return least
  }

  /**
   * @param most what costs more is left out
   * @param take is given what is seated, conductor by net in that order, and says what is left out from then on
   * @param isPassed whether nothing better comes of some that are seated
   */
  #seat(
    order: readonly number[],
    most: number,
    take: (cost: number, taken: readonly number[]) => number,
    isPassed: (taken: readonly number[], sum: number) => boolean = () => false,
  ): void {
    const taken: number[] = []
    let limit = most
    const seat = (sum: number) => {
      if (taken.length === order.length) {
        const cost = sum + this.#idle(taken)
        if (cost <= limit) limit = take(cost, taken)
        return
      }
      for (const [at, own] of this.#next(order, taken)) {
        taken.push(at)
        const cost = sum + own
        if (cost + this.#rest(order, taken) <= limit && !isPassed(taken, cost)) seat(cost)
        taken.pop()
      }
    }
    if (this.#rest(order, taken) < Infinity) seat(0)
  }

  /** Conductors that may carry the next net, the first of each kind, with what that costs. */
  #next(order: readonly number[], taken: readonly number[]): [at: number, cost: number][] {
    const net = order[taken.length]!
    const after = this.#isFree[net] ? taken.at(-1)! : -1
    const mates = taken.filter((_, before) => this.#circuits[order[before]!] === this.#circuits[net])
    const cables = new Set(mates.map(at => this.#cables[at]))
    const tried = new Set<string>()
    return this.#runners.flatMap((_, at): [number, number][] => {
      const own = this.#cost[net]![at]!
      if (at < after || own === Infinity || taken.includes(at) || tried.has(this.#kinds[at]!)) return []
      tried.add(this.#kinds[at]!)
      const parted = cables.size > 0 && !cables.has(this.#cables[at]) ? this.costs.anotherCable : 0
      return [[at, own + parted]]
    })
  }

  /** What the nets to come cost at the least, whatever cables they are split over. */
  #rest(order: readonly number[], taken: readonly number[]): number {
    return leastMatching(
      order.slice(taken.length).map(net => this.#cost[net]!.filter((_, at) => !taken.includes(at))),
    )
  }

  /** What of those seated bears on the rest: which are taken, and the cables of a circuit that goes on. */
  #bearing(order: readonly number[], taken: readonly number[]): string {
    const circuit = this.#circuits[order[taken.length] ?? -1]
    const mates = taken.filter((_, before) => this.#circuits[order[before]!] === circuit)
    const sorted = (numbers: readonly number[]) => [...new Set(numbers)].sort((a, b) => a - b).join()
    return `${sorted(taken)} ${sorted(mates.map(at => this.#cables[at]!))}`
  }

  #idle(taken: readonly number[]): number {
    return idle(this.#runners.filter((_, at) => !taken.includes(at))) * this.costs.againstWish
  }
}
