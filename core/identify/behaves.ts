import type { Frame, Pair } from './frame'
import type { HypothesisLamp } from './hypothesis'
import { join, root } from './metal'

/** Bit, beside that of a lit lamp, of one that hangs in series with something. */
const NEITHER = 1 << 8

/**
 * Whether a circuit behaves as it was seen to: no position of its switches trips a breaker, and working any
 * place of a light that answers changes that light and no other. Asked of very many circuits, most of which
 * fail in the first positions.
 */
export class Behaviour {
  readonly #frame: Frame
  readonly #lit: Uint16Array
  readonly #parent: Uint16Array
  readonly #driven: Uint8Array

  constructor(frame: Frame) {
    this.#frame = frame
    this.#lit = new Uint16Array(1 << frame.switches.length)
    this.#parent = new Uint16Array(frame.nodes.count)
    this.#driven = new Uint8Array(frame.nodes.count)
  }

  /** `metal`: what is one with every switch open. */
  holds(
    metal: Uint16Array,
    sources: number,
    lamps: readonly HypothesisLamp[],
    loads: readonly Pair[],
  ): boolean {
    if (!this.#switchesLead(metal, sources, lamps)) return false
    const { switches } = this.#frame
    for (let at = 0; at < 1 << switches.length; at++) {
      this.#parent.set(metal)
      for (let place = 0; place < switches.length; place++)
        for (const [a, b] of switches[place]!.closed[(at >> place) & 1]!) join(this.#parent, a, b)
      if (!this.#drive(sources)) return false
      this.#lit[at] = this.#litNow(lamps, loads)
      for (let place = 0; place < switches.length; place++)
        if ((at >> place) & 1 && !this.#answers(lamps, at, place)) return false
    }
    return true
  }

  /** Each contact of a light that answers leads somewhere: to another contact, a feed or a lamp. */
  #switchesLead(metal: Uint16Array, sources: number, lamps: readonly HypothesisLamp[]): boolean {
    const { switches, nodes, survey } = this.#frame
    const count = this.#driven.fill(0)
    const meet = (node: number) => count[root(metal, node)]!++
    meet(nodes.neutral)
    for (let source = 0; source < sources; source++) meet(nodes.hot[source]!)
    lamps.forEach(({ back }, lamp) => {
      meet(nodes.lampHot[lamp]!)
      meet(back)
    })
    for (const { terminals } of switches) for (const terminal of terminals) meet(terminal)
    return switches.every(
      ({ light, terminals }) =>
        survey.lights[light]!.behaves === 'not-known' ||
        terminals.every(terminal => count[root(metal, terminal)]! > 1),
    )
  }

  /** Marks what is driven, by the earth (1) or a source (2 and on); false where two of them meet. */
  #drive(sources: number): boolean {
    const { nodes } = this.#frame
    const driven = this.#driven.fill(0)
    driven[root(this.#parent, nodes.earth)] = 1
    driven[root(this.#parent, nodes.neutral)] = 1
    for (let source = 0; source < sources; source++) {
      const hot = root(this.#parent, nodes.hot[source]!)
      if (driven[hot] !== 0) return false
      driven[hot] = 2 + source
    }
    return true
  }

  /** Lamps that are lit as the switches stand, as bits. */
  #litNow(lamps: readonly HypothesisLamp[], loads: readonly Pair[]): number {
    let lit = 0
    for (let lamp = 0; lamp < lamps.length; lamp++) {
      const over = root(this.#parent, this.#frame.nodes.lampHot[lamp]!)
      const under = root(this.#parent, lamps[lamp]!.back)
      const [high, low] = [this.#driven[over]!, this.#driven[under]!]
      if (high !== 0 && low !== 0) lit |= high !== low ? 1 << lamp : 0
      else if (
        (high !== 0 || this.#touched(over, lamp, lamps, loads)) &&
        (low !== 0 || this.#touched(under, lamp, lamps, loads))
      )
        lit |= NEITHER << lamp
    }
    return lit
  }

  /** Whether something else that lets current through hangs on a floating net. */
  #touched(net: number, besides: number, lamps: readonly HypothesisLamp[], loads: readonly Pair[]): boolean {
    const { nodes, switches } = this.#frame
    const on = (node: number) => root(this.#parent, node) === net
    for (let lamp = 0; lamp < lamps.length; lamp++)
      if (lamp !== besides && (on(nodes.lampHot[lamp]!) || on(lamps[lamp]!.back))) return true
    if (loads.some(([a, b]) => on(a) || on(b))) return true
    return switches.some(({ leaks }) => leaks.some(([a, b]: Pair) => on(a) || on(b)))
  }

  /** Whether working a place changes its own light and no other, of those that were seen to answer. */
  #answers(lamps: readonly HypothesisLamp[], at: number, place: number): boolean {
    const { switches, survey } = this.#frame
    const [here, there] = [this.#lit[at]!, this.#lit[at ^ (1 << place)]!]
    for (let lamp = 0; lamp < lamps.length; lamp++) {
      const { light } = lamps[lamp]!
      if (survey.lights[light]!.behaves === 'not-known') continue
      if (((here | there) >> lamp) & NEITHER) return false
      if ((((here ^ there) >> lamp) & 1) !== (switches[place]!.light === light ? 1 : 0)) return false
    }
    return true
  }
}
