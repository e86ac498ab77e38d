import { ringsOf, waysAcross, type Apart } from './across'
import type { BoxWork } from './box-work'
import type { Assignment, Edge } from './carry'
import { isSecond, type Offers } from './offers'
import { pairOf } from './net'

/** What the conductors between some boxes carry, and what that and the work in the boxes cost. */
export interface Spread {
  readonly cost: number
  readonly netOf: ReadonlyMap<string, string>
}

/** What is to be spread over the conductors between boxes. */
export interface Wanted {
  readonly boxes: readonly string[]
  readonly edges: readonly Edge[]
  /** Boxes that want each net, in the order of the nets. */
  readonly boxesOf: ReadonlyMap<string, readonly string[]>
  /** Boxes that a net comes into from its supply: they have it already, each by itself. */
  readonly broughtTo: ReadonlyMap<string, readonly string[]>
  readonly offers: Offers
  /** The work in a box that so many conductors of each net from other boxes come into. */
  readonly workAt: (boxId: string, incoming: ReadonlyMap<string, number>) => BoxWork
}

/** Between two boxes too few conductors may carry these nets. */
export interface TooFew {
  readonly edge: Edge
  readonly nets: readonly string[]
}

/** Why a spread cannot be: nets that no cable brings across, or conductors that do not suffice. */
export type Unspread =
  | { readonly kind: 'apart'; readonly nets: readonly ({ readonly net: string } & Apart)[] }
  | { readonly kind: 'too-few'; readonly between: readonly TooFew[] }

/** Tries of conductors that one way across may take before the best of them stands. */
const MOST_TRIES = 20_000

/** Of ways of the same make-up only the cheapest is kept. */
const makeUpOf = (netOf: ReadonlyMap<string, string>): string =>
  [...netOf]
    .map(([conductor, net]) => `${conductor} ${pairOf(net)}`)
    .sort()
    .join()

/**
 * The cheapest ways to spread nets over the conductors between boxes: over every way across (round a ring, either
 * way about) and every conductor that may carry each, travellers of one pair told apart by nothing. Of ways that cost
 * the same the first stays first. Bounded: where very many conductors are all alike in cost but not in kind, the best
 * of the first 20,000 tries of a way across stands.
 * @param count how many ways, the cheapest first
 * @param below what costs as much or more is left out
 */
export function spread(
  wanted: Wanted,
  count: number,
  below = Infinity,
): {
  readonly ways: readonly Spread[]
  /** Null where there is a way, or one may only cost too much. */
  readonly why: Unspread | null
} {
  const nets = [...wanted.boxesOf.keys()]
  const across = nets.map(net =>
    waysAcross(wanted.edges, wanted.boxesOf.get(net)!, wanted.broughtTo.get(net)),
  )
  const apart = across.flatMap((ways, at) => ('apart' in ways ? [{ net: nets[at]!, ...ways }] : []))
  if (apart.length > 0) return { ways: [], why: { kind: 'apart', nets: apart } }
  const best = new Best(count, below)
  const sure = surely(wanted)
  const over = new Map<Edge, readonly string[]>(wanted.edges.map(edge => [edge, []]))
  const cross = (index: number) => {
    const net = nets[index]
    if (net === undefined) {
      seat(wanted, over, best)
      return
    }
    for (const way of across[index] as readonly (readonly Edge[])[]) {
      for (const edge of way) over.set(edge, [...over.get(edge)!, net])
      if (leastOf(wanted, over) + sure < best.limit) cross(index + 1)
      for (const edge of way) over.set(edge, over.get(edge)!.slice(0, -1))
    }
  }
  cross(0)
  if (best.ways.length > 0 || below < Infinity) return { ways: best.ways, why: null }
  const between = tooFew(wanted, across as readonly (readonly (readonly Edge[])[])[], nets)
  return { ways: [], why: { kind: 'too-few', between } }
}

/** The least that the work in the boxes can cost, whatever way the nets go: one conductor of each comes in. */
function surely({ boxes, boxesOf, broughtTo, workAt }: Wanted): number {
  const comesIn = [...boxesOf]
    .filter(([, wanting]) => wanting.length > 1)
    .map(([net, wanting]) => [net, wanting.filter(box => !broughtTo.get(net)?.includes(box))] as const)
  return boxes.reduce((sum, box) => {
    const incoming = comesIn.flatMap(([net, wanting]) => (wanting.includes(box) ? [[net, 1] as const] : []))
    return sum + workAt(box, new Map(incoming)).sure
  }, 0)
}

/** The cheapest ways so far. */
class Best {
  #ways: readonly (Spread & { readonly makeUp: string })[] = []

  constructor(
    readonly count: number,
    readonly below: number,
  ) {}

  get ways(): readonly Spread[] {
    return this.#ways
  }

  /** What costs as much or more does not count any longer. */
  get limit(): number {
    return this.#ways.length < this.count ? this.below : this.#ways.at(-1)!.cost
  }

  take(cost: number, netOf: ReadonlyMap<string, string>): void {
    if (cost >= this.limit) return
    const makeUp = makeUpOf(netOf)
    if (this.#ways.some(each => each.makeUp === makeUp && each.cost <= cost)) return
    this.#ways = [...this.#ways.filter(each => each.makeUp !== makeUp), { cost, netOf, makeUp }]
      .sort((one, other) => one.cost - other.cost)
      .slice(0, this.count)
  }
}

type Over = ReadonlyMap<Edge, readonly string[]>

/** The least that nets over these pairs of boxes can cost: their conductors, and a circuit’s rings. */
function leastOf(wanted: Wanted, over: Over): number {
  let cost = ringsCost(wanted, over)
  for (const [edge, nets] of over) cost += wanted.offers.bound(edge, nets)
  return cost
}

function ringsCost({ edges, offers: { circuitOf, costs } }: Wanted, over: Over): number {
  if (ringsOf(edges) === 0) return 0
  const circuits = new Set([...over.values()].flatMap(nets => nets.map(circuitOf)))
  let rings = 0
  for (const circuit of circuits)
    rings += ringsOf(edges.filter(edge => over.get(edge)!.some(net => circuitOf(net) === circuit)))
  return rings * costs.anotherCable
}

/** The conductors for nets whose way across is known, at the least with the work in the boxes. */
function seat(wanted: Wanted, over: Over, best: Best): void {
  const used = wanted.edges.filter(edge => over.get(edge)!.length > 0)
  const work = new Map(wanted.boxes.map(box => [box, wanted.workAt(box, incomingOf(box, used, over))]))
  const untouched = wanted.boxes.filter(box => !used.some(edge => edge.boxes.includes(box)))
  let cost = ringsCost(wanted, over)
  for (const box of untouched) cost += work.get(box)!.cost(new Map(), '')
  let rest = 0
  for (const box of wanted.boxes) if (!untouched.includes(box)) rest += work.get(box)!.least
  for (const edge of used) rest += wanted.offers.least(edge, over.get(edge)!)!
  if (cost + rest >= best.limit) return
  const search = (above: number) =>
    new Search(stepsOver(wanted, used, over, work, best.count, above), work, best).place(0, cost, rest)
  // The cheapest conductors first: they say how much more any others may cost.
  search(0)
  const above = best.limit - cost - rest
  if (above > 0) search(above)
}

function stepsOver(
  { offers }: Wanted,
  used: readonly Edge[],
  over: Over,
  work: ReadonlyMap<string, BoxWork>,
  count: number,
  above: number,
): Step[] {
  return used.map((edge, at) => {
    const isOpen = (box: string) => used.slice(at + 1).some(later => later.boxes.includes(box))
    const done = used.slice(0, at + 1).flatMap(({ boxes }) => boxes)
    const nets = over.get(edge)!
    const told = new Set(used.slice(0, at).flatMap(before => over.get(before)!))
    const free = nets.filter((net, index) => isSecond(net, nets[index - 1]) && !told.has(net))
    return {
      offers: unlike(edge, offers.within(edge, nets, above, free), work, count),
      complete: edge.boxes.filter(box => !isOpen(box)),
      open: [...new Set(done)].filter(isOpen),
    }
  })
}

function incomingOf(box: string, used: readonly Edge[], over: Over): Map<string, number> {
  const counts = new Map<string, number>()
  for (const edge of used)
    if (edge.boxes.includes(box))
      for (const net of over.get(edge)!) counts.set(net, (counts.get(net) ?? 0) + 1)
  return counts
}

/** What a pair of boxes can carry, with what of it bears on the work in each of the two. */
interface Offer extends Assignment {
  readonly marks: readonly (readonly [box: string, marks: string])[]
}

interface Step {
  /** The cheapest first. */
  readonly offers: readonly Offer[]
  /** Boxes all of whose conductors are told with this. */
  readonly complete: readonly string[]
  /** Boxes some of whose conductors are told, and some not yet. */
  readonly open: readonly string[]
}

/** Of offers that bear alike on the work, as many of the cheapest as ways are asked for. */
function unlike(
  edge: Edge,
  offered: readonly Assignment[],
  work: ReadonlyMap<string, BoxWork>,
  count: number,
): Offer[] {
  const kept = new Map<string, Set<string>>()
  return offered.flatMap((offer): Offer[] => {
    const marks = edge.boxes.map(box => [box, work.get(box)!.marks(edge, offer.netOf)] as const)
    const key = JSON.stringify(marks)
    const makeUps = kept.get(key) ?? new Set()
    kept.set(key, makeUps)
    const makeUp = makeUpOf(offer.netOf)
    if (makeUps.size >= count || makeUps.has(makeUp)) return []
    makeUps.add(makeUp)
    return [{ ...offer, marks }]
  })
}

/** The search over what each pair of boxes carries, one pair after another. */
class Search {
  readonly #netOf = new Map<string, string>()
  readonly #marks = new Map<string, readonly string[]>()
  /** What was passed with the same bearing on all that comes after, by how far. */
  readonly #passed = new Map<string, { readonly cost: number; readonly makeUp: string }[]>()
  #tries = 0

  constructor(
    readonly steps: readonly Step[],
    readonly work: ReadonlyMap<string, BoxWork>,
    readonly best: Best,
  ) {}

  /** @param rest the least that pairs and boxes not told yet can cost */
  place(at: number, cost: number, rest: number): void {
    if (cost + rest >= this.best.limit) return
    const step = this.steps[at]
    if (!step) {
      this.best.take(cost, new Map(this.#netOf))
      return
    }
    const without = rest - step.offers[0]!.cost
    for (const offer of step.offers) {
      if (cost + offer.cost + without >= this.best.limit || ++this.#tries > MOST_TRIES) return
      for (const [conductor, net] of offer.netOf) this.#netOf.set(conductor, net)
      for (const [box, marks] of offer.marks) this.#marks.set(box, [...(this.#marks.get(box) ?? []), marks])
      let known = cost + offer.cost
      let open = without
      for (const box of step.complete) {
        known += this.work.get(box)!.cost(this.#netOf, this.#marks.get(box)!.join())
        open -= this.work.get(box)!.least
      }
      if (!this.#isPassed(at, step, known)) this.place(at + 1, known, open)
      for (const conductor of offer.netOf.keys()) this.#netOf.delete(conductor)
      for (const [box] of offer.marks) this.#marks.set(box, this.#marks.get(box)!.slice(0, -1))
    }
  }

  /** Whether as many ways as are asked for came so far at no more, with the same bearing on what comes after. */
  #isPassed(at: number, step: Step, cost: number): boolean {
    const key = JSON.stringify([at, step.open.map(box => this.#marks.get(box))])
    const makeUp = this.best.count > 1 ? makeUpOf(this.#netOf) : ''
    const before = (this.#passed.get(key) ?? []).filter(each => each.cost <= cost)
    if (before.length >= this.best.count || before.some(each => each.makeUp === makeUp)) return true
    this.#passed.set(key, [...before, { cost, makeUp }])
    return false
  }
}

/** Pairs of boxes whose conductors do not suffice where each net goes its shortest way. */
function tooFew(
  { edges, offers }: Wanted,
  across: readonly (readonly (readonly Edge[])[])[],
  nets: readonly string[],
): TooFew[] {
  return edges.flatMap(edge => {
    const over = nets.filter((_, at) => across[at]![0]!.includes(edge))
    return offers.least(edge, over) !== null ? [] : [{ edge, nets: over }]
  })
}
