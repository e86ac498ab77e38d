import type { Frame, Pair } from './frame'
import type { Hypothesis } from './hypothesis'
import { join, root } from './metal'

/**
 * Boxes whose conductors are all apart, as bits; whether the breakers are on; a light with its lamps out, or −1;
 * devices off their wires, as bits.
 */
export interface Power {
  readonly power: 'on' | 'off'
  readonly apart: number
  readonly lampsOut: number
  readonly off: number
}

/** Potentials as bits: the earth’s, then one for each source. */
export const ZERO = 1
/** Instead of positions: every switch open at once. What an isolator parts is what it is with the isolator on. */
export const OPEN = -1
/** Isolators as well: the metal that no hand moves. */
const ALL_OPEN = -2
export const hotBit = (source: number) => 2 << source

/**
 * The metal of one hypothesis in one stand: which points are one, which are driven and by what, and what an
 * undriven one is reached from through lamps. Made once and filled again and again, because it is asked
 * many thousand times.
 */
export class Standing {
  readonly #frame: Frame
  readonly #parent: Uint16Array
  readonly #drive: Uint8Array
  readonly #reach: Uint8Array
  readonly #behind: Uint8Array
  readonly #linked: Uint16Array
  readonly #bases = new Map<number, Uint16Array>()
  readonly #elements: Pair[] = []
  /** Both sides of those that lead on, as nets. */
  readonly #near: number[] = []
  readonly #far: number[] = []
  #collected: Hypothesis | null = null
  #collectedFor = 0
  /** Lamps that were seen lit: they let current through for certain. */
  readonly #sure: Pair[] = []

  constructor(frame: Frame) {
    this.#frame = frame
    const { count } = frame.nodes
    this.#parent = new Uint16Array(count)
    this.#drive = new Uint8Array(count)
    this.#reach = new Uint8Array(count)
    this.#behind = new Uint8Array(count)
    this.#linked = new Uint16Array(count)
  }

  /** `positions`: bit by bit the position of each switch. */
  fill(hypothesis: Hypothesis, stand: Power, positions: number): void {
    const { power, apart, off } = stand
    const { ends, nodes } = this.#frame
    const { beyond } = hypothesis
    this.#parent.set(this.#base(apart, off, positions))
    for (let end = 0; end < ends.length; end++) if (beyond[end]! >= 0) this.#join(end, beyond[end]!)
    this.#collectElements(hypothesis, stand)
    const drive = this.#drive.fill(0)
    if (power === 'off') {
      this.#join(nodes.earth, nodes.neutral)
      return
    }
    drive[this.root(nodes.earth)]! |= ZERO
    drive[this.root(nodes.neutral)]! |= ZERO
    for (let source = 0; source < hypothesis.sources; source++)
      drive[this.root(nodes.hot[source]!)]! |= hotBit(source)
    this.#spread()
  }

  /** The metal of the boxes as found, every switch open, and of what is already known beyond them. */
  metal(beyond: Int16Array, into: Uint16Array): void {
    this.#parent.set(this.#base(0, 0, ALL_OPEN))
    for (let end = 0; end < this.#frame.ends.length; end++)
      if (beyond[end]! >= 0) this.#join(end, beyond[end]!)
    into.set(this.#parent)
  }

  root(node: number): number {
    return root(this.#parent, node)
  }

  /** Bits of the potentials that a point is driven to: none where it floats, several where there is a short. */
  drive = (node: number): number => this.#drive[this.root(node)]!
  /** Bits of the potentials it is driven to or reached from through lamps. */
  reach = (node: number): number => this.#reach[this.root(node)]!

  /** Bits of the potentials that lie behind lamps seen lit, from an undriven point. */
  behindLamps = (node: number): number => this.#behind[this.root(node)]!

  /** Whether current can pass between two points, through lamps and devices if need be. */
  connected(a: number, b: number): boolean {
    const linked = this.#linked
    linked.set(this.#parent)
    for (const [x, y] of this.#elements) join(linked, x, y)
    return root(linked, a) === root(linked, b)
  }

  /** `either`: it hangs in series with something else. */
  lit(hypothesis: Hypothesis, lamp: number): boolean | 'either' {
    const { over: hot, back } = hypothesis.lamps[lamp]!
    const [over, under] = [this.drive(hot), this.drive(back)]
    if (over !== 0 && under !== 0) return over !== under
    const floating = [over === 0 ? hot : -1, under === 0 ? back : -1].filter(node => node >= 0)
    const touched = floating.every(node =>
      this.#elements.some(
        ([a, b]) =>
          !(a === hot && b === back) &&
          (this.root(a) === this.root(node) || this.root(b) === this.root(node)),
      ),
    )
    return touched ? 'either' : false
  }

  #join(a: number, b: number) {
    join(this.#parent, a, b)
  }

  /** Joints and contacts of the boxes that are not apart, joined once for all hypotheses. */
  #base(apart: number, off: number, positions: number): Uint16Array {
    const { switches, joined, nodes, terminals } = this.#frame
    const key = (off * 32 + apart) * 512 + positions + 2
    let base = this.#bases.get(key)
    if (base) return base
    const parent = this.#parent
    for (let node = 0; node < nodes.count; node++) parent[node] = node
    // What was on a screw of a device that is off hangs by itself.
    const bare = terminals.flatMap((own, device) => ((off >> device) & 1 ? own : []))
    joined.forEach((pairs, box) => {
      if ((apart >> box) & 1) return
      for (const [a, b] of pairs) if (!bare.includes(a) && !bare.includes(b)) this.#join(a, b)
    })
    switches.forEach(({ box, closed, deviceAt, device }, at) => {
      if (((apart >> box) | (off >> deviceAt)) & 1) return
      if (positions === ALL_OPEN || (positions === OPEN && !device.model.isolates)) return
      for (const [a, b] of closed[positions === OPEN ? 1 : (positions >> at) & 1]!) this.#join(a, b)
    })
    base = parent.slice()
    this.#bases.set(key, base)
    return base
  }

  /** The same for all positions of the switches, which are asked for one after the other. */
  #collectElements(hypothesis: Hypothesis, { power, apart, lampsOut, off }: Power) {
    const key = ((off * 32 + apart) * 64 + lampsOut + 1) * 2 + (power === 'off' ? 1 : 0)
    if (this.#collected === hypothesis && this.#collectedFor === key) return
    this.#collected = hypothesis
    this.#collectedFor = key
    const { lamps, loads, sure = [], sources } = hypothesis
    const { switches, survey, nodes } = this.#frame
    const elements = this.#elements
    elements.length = this.#sure.length = 0
    for (const { over, back, light } of lamps) {
      if (light === lampsOut) continue
      elements.push([over, back])
      if (survey.lights[light]!.behaves === 'answers') this.#sure.push([over, back])
    }
    elements.push(...loads)
    // With lamps out, those that are there for certain may be just these.
    if (lampsOut < 0) this.#sure.push(...sure)
    for (const { box, leaks, deviceAt } of switches)
      if (!(((apart >> box) | (off >> deviceAt)) & 1)) elements.push(...leaks)
    if (power === 'on') return
    // A circuit has other loads: from its hot to the neutral current may pass, whatever these boxes hold.
    for (let source = 0; source < sources; source++) elements.push([nodes.hot[source]!, nodes.neutral])
  }

  #spread() {
    const reach = this.#reach
    const drive = this.#drive
    reach.set(drive)
    const elements = this.#elements
    const [near, far] = [this.#near, this.#far]
    let open = 0
    for (const [a, b] of elements) {
      const [x, y] = [this.root(a), this.root(b)]
      // A driven point keeps its own potential: what lies behind it is not felt through it.
      if (x === y || (drive[x] !== 0 && drive[y] !== 0)) continue
      near[open] = x
      far[open++] = y
    }
    for (let changed = open > 0; changed;) {
      changed = false
      for (let at = 0; at < open; at++) {
        const [x, y] = [near[at]!, far[at]!]
        const both = reach[x]! | reach[y]!
        if (drive[x] === 0 && reach[x] !== both) {
          reach[x] = both
          changed = true
        }
        if (drive[y] === 0 && reach[y] !== both) {
          reach[y] = both
          changed = true
        }
      }
    }
    const behind = this.#behind.fill(0)
    for (const [a, b] of this.#sure) {
      const [x, y] = [this.root(a), this.root(b)]
      behind[x]! |= drive[y]!
      behind[y]! |= drive[x]!
    }
  }
}
