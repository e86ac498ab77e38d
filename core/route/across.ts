import type { Edge } from './carry'

/** Two boxes that no cable leads between, by whatever way. */
export interface Apart {
  readonly apart: readonly [string, string]
}

export type Across = readonly (readonly Edge[])[] | Apart

const known = new WeakMap<readonly Edge[], Map<string, Across>>()

/** Ways that are weighed for one net; where cables make more, the shortest are. */
const MOST_WAYS = 64

const otherOf = ({ boxes: [one, other] }: Edge, box: string) => (one === box ? other : one)

/**
 * Every way in which a net can reach all boxes that want it and no box twice, each as the pairs of boxes it crosses:
 * one where cables hang together as a tree, several round a ring. Boxes it comes into from its supply (`sources`) have
 * it already, and need not be reached from one another. The fewest crossings first, else by the order of
 * the record; at most 64.
 */
export function waysAcross(
  edges: readonly Edge[],
  boxes: readonly string[],
  sources: readonly string[] = [],
): Across {
  let ofEdges = known.get(edges)
  if (!ofEdges) known.set(edges, (ofEdges = new Map()))
  const key = `${boxes.join()} ${sources.join()}`
  let ways = ofEdges.get(key)
  if (!ways) ofEdges.set(key, (ways = waysThrough(edges, boxes, sources)))
  return ways
}

function waysThrough(edges: readonly Edge[], boxes: readonly string[], sources: readonly string[]): Across {
  const from = sources.length > 0 ? sources : boxes.slice(0, 1)
  const [first] = from
  if (first === undefined) return [[]]
  const rest = boxes.filter(box => !from.includes(box))
  const reached = reachedFrom(edges, from)
  const apart = rest.find(box => !reached.has(box))
  if (apart !== undefined) return { apart: [first, apart] }
  const ways = new Map<string, readonly Edge[]>()
  const grow = (joined: ReadonlySet<string>, way: ReadonlySet<Edge>) => {
    const next = rest.find(box => !joined.has(box))
    if (next === undefined) {
      const across = edges.filter(edge => way.has(edge))
      ways.set(across.map(edge => edges.indexOf(edge)).join(), across)
      return
    }
    for (const path of pathsTo(edges, joined, next))
      grow(new Set([...joined, ...path.flatMap(({ boxes: pair }) => pair)]), new Set([...way, ...path]))
  }
  grow(new Set(from), new Set())
  // Stable: of ways of the same length the first stays first.
  return [...ways.values()].sort((a, b) => a.length - b.length).slice(0, MOST_WAYS)
}

function reachedFrom(edges: readonly Edge[], from: readonly string[]): Set<string> {
  const reached = new Set(from)
  for (const box of reached)
    for (const edge of edges) if (edge.boxes.includes(box)) reached.add(otherOf(edge, box))
  return reached
}

/** Paths from some boxes to another that pass none of them, nor any box twice. */
function pathsTo(edges: readonly Edge[], joined: ReadonlySet<string>, to: string): Edge[][] {
  const paths: Edge[][] = []
  const walk = (box: string, passed: readonly string[], path: readonly Edge[]) => {
    if (joined.has(box)) {
      paths.push([...path])
      return
    }
    for (const edge of edges) {
      if (!edge.boxes.includes(box)) continue
      const other = otherOf(edge, box)
      if (!passed.includes(other)) walk(other, [...passed, other], [...path, edge])
    }
  }
  walk(to, [to], [])
  return paths
}

/** How many rings some crossings close: none where they hang together as a tree. */
export function ringsOf(edges: readonly Edge[]): number {
  const piece = new Map<string, string>()
  const pieceOf = (box: string): string => {
    const own = piece.get(box) ?? box
    return own === box ? box : pieceOf(own)
  }
  let rings = 0
  for (const { boxes } of edges) {
    const [one, other] = boxes.map(pieceOf) as [string, string]
    if (one === other) rings++
    else piece.set(one, other)
  }
  return rings
}
