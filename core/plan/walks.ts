/**
 * `apart`: conductors taken apart, dead. `live`: read with the power on. `close`: put together again, dead. `work`:
 * wired, dead.
 */
export type PieceKind = 'apart' | 'live' | 'close' | 'work'

/** A piece of work that wants some breakers off, or on, while it lasts. */
export interface Piece {
  readonly id: string
  readonly boxId: string
  readonly kind: PieceKind
  /** Breakers that must be off for it; on where it is read live. */
  readonly breakers: readonly string[]
  readonly minutes: number
  /** Pieces that come first, each behind a walk of its own. */
  readonly after: readonly string[]
  /** To be done before the others. */
  readonly first: boolean
  /** Of its minutes, those to cap each conductor and cover the box, so that it may stand with the power on. */
  readonly safeMinutes?: number
}

/** What no order may break. */
export interface Limits {
  /** Minutes that a breaker may be off at a stretch; absent: as long as it takes. */
  readonly offAtMost: Readonly<Record<string, number>>
  /** Breakers of the panel: one of them stays on, for the tester is proved on it. */
  readonly all: readonly string[]
  /** Minutes of a walk to the panel: what is off before and after it is off meanwhile. */
  readonly walkMinutes: number
  /** People who work at once; the time of a stretch is shared among them. */
  readonly hands: number
  /** How many of them may read live; where nobody may, anybody's time is counted. */
  readonly readers: number
}

/** Work between two walks to the panel: what is off, and what is done. */
export interface Stretch {
  readonly off: readonly string[]
  readonly pieces: readonly string[]
  readonly minutes: number
}

export interface Ordered {
  readonly stretches: readonly Stretch[]
  /** Walks to the panel, the last one to switch all on again. */
  readonly walks: number
  /** No order has fewer walks than this. */
  readonly atLeast: number
}

/** Places tried before an order is taken as it is, its bound said: enough to decide a dozen boxes, and little time for many. */
const budgetFor = (pieces: number) => (pieces <= 36 ? 6_000_000 : 150_000)

/**
 * The order that visits the panel least: pieces are put into stretches, between two of which somebody walks to the
 * panel and throws any breakers. Exact where the search ends within its budget, which it does for some dozen boxes;
 * beyond that the best found stands with the least that could be. The same pieces give the same order.
 */
export function leastWalks(given: readonly Piece[], limits: Limits): Ordered {
  if (given.length === 0) return { stretches: [], walks: 0, atLeast: 0 }
  const pieces = inTurn(given, limits)
  const panel = new Panel(pieces, limits)
  const greedy = oneByOne(pieces, panel)
  const budget = { left: budgetFor(pieces.length) }
  for (let count = leastStretches(pieces, limits); count < greedy.length; count++) {
    const found = packed(pieces, panel, count, budget)
    if (found) return ordered(found, walksOf(count))
    if (budget.left <= 0) return ordered(greedy, walksOf(count))
  }
  return ordered(greedy, walksOf(greedy.length))
}

/**
 * What is to be first; then boxes on breakers that may be off the shortest, for the work there is on them; the longest
 * before the shorter; the pieces of one box together, each after those it waits for.
 */
export function inTurn(pieces: readonly Piece[], { offAtMost }: Limits): Piece[] {
  const depths = new Map(pieces.map(piece => [piece.id, depthOf(piece, pieces)]))
  const boxMinutes = new Map<string, number>()
  const load = new Map<string, number>()
  for (const { boxId, kind, breakers, minutes } of pieces) {
    boxMinutes.set(boxId, (boxMinutes.get(boxId) ?? 0) + minutes)
    if (kind !== 'live') for (const id of breakers) load.set(id, (load.get(id) ?? 0) + minutes)
  }
  const tight = ({ breakers }: Piece) =>
    Math.max(...breakers.map(id => (load.get(id) ?? 0) / (offAtMost[id] ?? Infinity)), 0)
  return [...pieces].sort(
    (a, b) =>
      Number(b.first) - Number(a.first) ||
      tight(b) - tight(a) ||
      boxMinutes.get(b.boxId)! - boxMinutes.get(a.boxId)! ||
      (a.boxId < b.boxId ? -1 : a.boxId > b.boxId ? 1 : depths.get(a.id)! - depths.get(b.id)!),
  )
}

const walksOf = (stretches: number) => stretches + 1

/** Box after box as somebody put them, each piece in the first stretch that takes it and comes no earlier. */
export function inThisOrder(pieces: readonly Piece[], limits: Limits): Ordered {
  return ordered(oneByOne(pieces, new Panel(pieces, limits), { forward: true }), 0)
}

/** As it is done without a plan: for each box off, work, on. */
export function boxByBox(pieces: readonly Piece[]): number {
  return pieces.reduce((walks, { kind }) => walks + (kind === 'live' ? 0 : 2), 0)
}

function depthOf({ after }: Piece, pieces: readonly Piece[]): number {
  const before = after.flatMap(id => pieces.find(each => each.id === id) ?? [])
  return before.length === 0 ? 0 : 1 + Math.max(...before.map(each => depthOf(each, pieces)))
}

/** Minutes of a stretch: each piece, in its turn, goes to whoever is free first. */
export function minutesOf(pieces: readonly Pick<Piece, 'minutes'>[], hands: number): number {
  return Math.max(
    ...pieces.reduce<readonly number[]>((busy, { minutes }) => given(busy, minutes), idle(hands)),
  )
}

const idle = (hands: number): readonly number[] => Array.from({ length: Math.max(1, hands) }, () => 0)

/** Busy for so much longer: the first to be free, of the first `among` people. */
function given(busy: readonly number[], minutes: number, among = busy.length): readonly number[] {
  let next = 0
  for (let at = 1; at < among; at++) if (busy[at]! < busy[next]!) next = at
  return busy.with(next, busy[next]! + minutes)
}

/** A stretch that may still be filled: what is off and on in it, as bits, and how busy everybody is. */
interface Open {
  readonly off: number
  readonly on: number
  readonly busy: readonly number[]
  readonly minutes: number
  readonly pieces: readonly Piece[]
}

/** Breakers as bits, and what may not be. */
class Panel {
  readonly #bits: ReadonlyMap<string, number>
  readonly #masks: ReadonlyMap<string, number>
  readonly #limited: readonly { readonly bit: number; readonly most: number }[]
  readonly #all: number

  constructor(
    pieces: readonly Piece[],
    readonly limits: Limits,
  ) {
    const ids = [...new Set([...limits.all, ...pieces.flatMap(({ breakers }) => breakers)])]
    this.#bits = new Map(ids.map((id, at) => [id, 2 ** at]))
    const maskOf = (some: readonly string[]) => some.reduce((mask, id) => mask + this.#bits.get(id)!, 0)
    this.#masks = new Map(pieces.map(({ id, breakers }) => [id, maskOf([...new Set(breakers)])]))
    this.#all = maskOf(limits.all)
    this.#limited = Object.entries(limits.offAtMost).flatMap(([id, most]) =>
      this.#bits.has(id) ? [{ bit: this.#bits.get(id)!, most }] : [],
    )
  }

  get empty(): Open {
    return { off: 0, on: 0, busy: idle(this.limits.hands), minutes: 0, pieces: [] }
  }

  /** A stretch with one piece more; null where they cannot be together. */
  joined(stretch: Open, piece: Piece): Open | null {
    const mask = this.#masks.get(piece.id)!
    const isLive = piece.kind === 'live'
    if (overlap(mask, isLive ? stretch.off : stretch.on)) return null
    const off = isLive ? stretch.off : union(stretch.off, mask)
    // The tester is proved on a live point: one stays on, but for what wants the main switch off.
    const wantsAll = mask === this.#all || stretch.pieces.some(({ id }) => this.#masks.get(id) === this.#all)
    if (this.limits.all.length > 1 && !wantsAll && off === this.#all) return null
    const { readers } = this.limits
    const busy = given(stretch.busy, piece.minutes, isLive && readers > 0 ? readers : stretch.busy.length)
    return {
      off,
      on: isLive ? union(stretch.on, mask) : stretch.on,
      busy,
      minutes: Math.max(...busy),
      pieces: [...stretch.pieces, piece],
    }
  }

  /** No breaker is off for longer than it may; one piece alone that takes longer cannot be helped. */
  keepsLimits(stretches: readonly Open[]): boolean {
    return this.#limited.every(({ bit, most }) => {
      let minutes = 0
      let pieces = 0
      for (const each of stretches) {
        const isOff = has(each.off, bit)
        minutes = isOff ? minutes + each.minutes + (pieces > 0 ? this.limits.walkMinutes : 0) : 0
        pieces = isOff ? pieces + each.pieces.length : 0
        if (minutes > most && pieces > 1) return false
      }
      return true
    })
  }
}

// Breakers may be more than the bits of a 32-bit number: halves are compared apart.
const HALF = 2 ** 26
const low = (mask: number) => mask % HALF
const high = (mask: number) => Math.floor(mask / HALF)
const overlap = (a: number, b: number) => (low(a) & low(b)) !== 0 || (high(a) & high(b)) !== 0
const has = overlap
const union = (a: number, b: number) => (low(a) | low(b)) + (high(a) | high(b)) * HALF

/** Each piece into the first stretch that takes it, behind those it waits for. */
function oneByOne(
  pieces: readonly Piece[],
  panel: Panel,
  { forward }: { readonly forward: boolean } = { forward: false },
): Open[] {
  let stretches: Open[] = []
  let latest = 0
  const at = new Map<string, number>()
  for (const piece of pieces) {
    const from = Math.max(forward ? latest : 0, ...piece.after.map(id => (at.get(id) ?? -1) + 1))
    let placed = false
    for (let index = from; index < stretches.length && !placed; index++) {
      const joined = panel.joined(stretches[index]!, piece)
      const tried = joined && stretches.with(index, joined)
      if (!tried || !panel.keepsLimits(tried)) continue
      stretches = tried
      at.set(piece.id, index)
      placed = true
    }
    if (!placed) {
      stretches = [...stretches, panel.joined(panel.empty, piece)!]
      // Off twice in a row for longer than it may: the power comes on for a while between.
      if (!panel.keepsLimits(stretches)) stretches.splice(stretches.length - 1, 0, panel.empty)
      at.set(piece.id, stretches.length - 1)
    }
    // Who put this box here wants it no later than the next; only what waits for a reading comes after.
    if (piece.after.length === 0) latest = Math.max(latest, at.get(piece.id)!)
  }
  return stretches
}

/** Stretches that there must be: the longest chain, and for each breaker as many as its limit asks for. */
function leastStretches(pieces: readonly Piece[], limits: Limits): number {
  const chain = 1 + Math.max(...pieces.map(each => depthOf(each, pieces)))
  const perBreaker = Object.entries(limits.offAtMost).map(([id, most]) => {
    const own = pieces.filter(({ kind, breakers }) => kind !== 'live' && breakers.includes(id))
    const minutes = own.reduce((sum, each) => sum + each.minutes, 0) / Math.max(1, limits.hands)
    // Between two that fill the limit the breaker is on for a stretch; a single long piece may pass it.
    const long = Math.max(0, ...own.map(each => each.minutes))
    const runs = own.length === 0 ? 0 : Math.max(1, Math.ceil(minutes / Math.max(most, long) - 1e-9))
    return runs > 0 ? 2 * runs - 1 : 0
  })
  const wanted = new Set(pieces.filter(({ kind }) => kind !== 'live').flatMap(({ breakers }) => breakers))
  const isMain = pieces.some(({ breakers }) => limits.all.every(id => breakers.includes(id)))
  const allOff = limits.all.length > 1 && !isMain && limits.all.every(id => wanted.has(id)) ? 2 : 1
  return Math.max(chain, allOff, ...perBreaker)
}

/** The pieces in at most so many stretches; null where that cannot be, or the budget ran out. */
function packed(
  pieces: readonly Piece[],
  panel: Panel,
  count: number,
  budget: { left: number },
): Open[] | null {
  const at = new Map<string, number>()
  const place = (index: number, stretches: Open[]): Open[] | null => {
    const piece = pieces[index]
    if (!piece) return stretches
    const from = Math.max(0, ...piece.after.map(id => (at.get(id) ?? -1) + 1))
    for (let to = from; to < count; to++) {
      if (budget.left-- <= 0) return null
      const joined = panel.joined(stretches[to]!, piece)
      const tried = joined && stretches.with(to, joined)
      if (!tried || !panel.keepsLimits(tried)) continue
      at.set(piece.id, to)
      const found = place(index + 1, tried)
      if (found) return found
      at.delete(piece.id)
    }
    return null
  }
  return place(
    0,
    Array.from({ length: count }, () => panel.empty),
  )
}

function ordered(stretches: readonly Open[], atLeast: number): Ordered {
  return {
    stretches: stretches.map(({ pieces, minutes }) => ({
      off: [
        ...new Set(pieces.filter(({ kind }) => kind !== 'live').flatMap(({ breakers }) => breakers)),
      ].sort(),
      pieces: pieces.map(({ id }) => id),
      minutes,
    })),
    walks: walksOf(stretches.length),
    atLeast,
  }
}
