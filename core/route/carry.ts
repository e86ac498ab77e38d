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

export interface Assignment {
  readonly cost: number
  readonly netOf: ReadonlyMap<string, string>
}

/** Nets of the conductors between two boxes, the least that it costs; null where there are too few that may. */
export const assigned = (edge: Edge, nets: readonly string[], costs: RouteCosts): Assignment | null =>
  bestOf(edge, nets, costs, null)

/** The least that it costs in any other way than the given one. */
export const assignedOtherwise = (
  edge: Edge,
  nets: readonly string[],
  costs: RouteCosts,
  { netOf }: Assignment,
): Assignment | null => bestOf(edge, nets, costs, netOf)

function bestOf(
  { runners }: Edge,
  nets: readonly string[],
  costs: RouteCosts,
  not: ReadonlyMap<string, string> | null,
): Assignment | null {
  let best: Assignment | null = null
  const netOf = new Map<string, string>()
  const place = (index: number, cost: number) => {
    if (best && cost >= best.cost) return
    const net = nets[index]
    if (net === undefined) {
      const isSame = not !== null && [...netOf].every(([conductor, own]) => not.get(conductor) === own)
      // A current’s way there and back belong in one cable.
      const cables = new Set(
        runners.flatMap(({ conductorId, a }) => (netOf.has(conductorId) ? [a.each.cable.id] : [])),
      )
      const whole = cost + Math.max(0, cables.size - 1) * costs.anotherCable
      if (!isSame && (!best || whole < best.cost)) best = { cost: whole, netOf: new Map(netOf) }
      return
    }
    for (const runner of runners) {
      if (netOf.has(runner.conductorId)) continue
      const own = carryingCost(runner, net, costs)
      if (own === Infinity) continue
      netOf.set(runner.conductorId, net)
      place(index + 1, cost + own)
      netOf.delete(runner.conductorId)
    }
  }
  if (nets.length <= runners.length) place(0, 0)
  return best
}

/** Two boxes that no cable leads between, by whatever way. */
export interface Apart {
  readonly apart: readonly [string, string]
}

/** Pairs of boxes that a net must cross so that all that want it have it. */
export function crossing(edges: readonly Edge[], boxes: readonly string[]): readonly Edge[] | Apart {
  const [first, ...rest] = boxes
  if (first === undefined || rest.length === 0) return []
  const via = new Map<string, { edge: Edge; from: string } | null>([[first, null]])
  const queue = [first]
  for (let box = queue.shift(); box !== undefined; box = queue.shift())
    for (const edge of edges) {
      if (!edge.boxes.includes(box)) continue
      const other = edge.boxes[0] === box ? edge.boxes[1] : edge.boxes[0]
      if (via.has(other)) continue
      via.set(other, { edge, from: box })
      queue.push(other)
    }
  const crossed = new Set<Edge>()
  for (const box of rest) {
    if (!via.has(box)) return { apart: [first, box] }
    for (let step = via.get(box); step; step = via.get(step.from)) crossed.add(step.edge)
  }
  return edges.filter(edge => crossed.has(edge))
}
