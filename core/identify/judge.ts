import type { Frame } from './frame'
import type { Hypothesis, HypothesisLamp } from './hypothesis'
import { firstOf, type Meeting } from './meetings'
import {
  agrees,
  BETWEEN,
  DEAD,
  DOUBLE,
  NOMINAL,
  Shown,
  SOUNDS,
  switchesOut,
  watched,
  WIRE,
  type Asked,
} from './predict'
import type { Spot } from './question'
import { ZERO, type Standing } from './standing'

/** A reading in numbers: what was held where, the bit of what was shown, how often. */
export interface Held {
  readonly asked: Asked
  readonly bit: number
  readonly times: number
}

/** What the readings make of a network. */
export interface Judged {
  readonly loads: readonly Load[]
  /** Those of them that showed with every box apart: it is known which conductor they hang on. */
  readonly exact: readonly Load[]
  /** Readings that speak against it all the same. */
  readonly spoken: readonly Held[]
  /** Readings without which it would need fewer loads. */
  readonly needy: readonly Held[]
  /** Those of the spoken that were left out, so that what they need is not there. */
  readonly dropped: readonly Held[]
}

/** Something unseen that lets current through, from the metal of an end. */
export type Load = readonly [near: number, far: number]

/** Answers that show something, but for those that take two legs. */
const SHOWING = BETWEEN | NOMINAL

/** Far sides as the search numbers them; a hot is its own number. */
export const NEUTRAL = 100
export const PASSIVE = 101
/** What a reading says of what is supposed so far: or the number of the load that it needs. */
export const AGAINST = -1
const FITS = -2
/** Nets with every box apart: below these an end, or a contact that leads nowhere here. */
const HOT_NETS = 1000
const NEUTRAL_NET = 2000
const ANY_HOT = -3
const isHot = (net: number): boolean => net >= HOT_NETS && net < NEUTRAL_NET
const isPassive = (net: number): boolean => net < HOT_NETS && net >= 0

/** Holds readings against networks that have unseen loads where a reading needs one. */
export class Judge {
  readonly #shown: Shown

  constructor(
    readonly frame: Frame,
    readonly standing: Standing,
    readonly legs: number,
  ) {
    this.#shown = new Shown(frame, standing)
  }

  /** Readings with every box apart, by the place in an order of ends after which they can be judged. */
  early(
    held: readonly Held[],
    meeting: Meeting,
    place: ReadonlyMap<number, number>,
  ): readonly (readonly Held[])[] {
    const { ends, survey } = this.frame
    const everywhere = (1 << survey.boxes.length) - 1
    const lists: Held[][] = Array.from({ length: place.size }, () => [])
    const at = (node: number) => (ends[node] ? (place.get(firstOf(meeting, node)) ?? -1) : -1)
    for (const each of held) {
      const { from, to, apart, work } = each.asked
      if (apart !== everywhere || work >= 0) continue
      const last = Math.max(at(from), at(to))
      if (last >= 0) lists[last]!.push(each)
    }
    return lists
  }

  /** Such a reading by the conductors alone that it is held to. */
  fitsEarly(
    { asked: { from, to, question }, bit }: Held,
    far: ReadonlyMap<number, number>,
    meeting: Meeting,
    lamps: readonly HypothesisLamp[],
  ): number {
    const { ends } = this.frame
    if ((ends[from]?.ground || ends[to]?.ground) && bit === DEAD) return FITS
    const a = this.#spotOf(from, question.from, lamps)
    const b = this.#spotOf(to, question.to, lamps)
    if (a === null || b === null) return FITS
    const [x, y] = [this.#net(a, far, meeting), this.#net(b, far, meeting)]
    if (question.kind === 'continuity') {
      const one = x === y || (b === ANY_HOT && isHot(x)) || (a === ANY_HOT && isHot(y))
      if (bit === DEAD) return one ? AGAINST : FITS
      const [isHotX, isHotY] = [x === ANY_HOT || isHot(x), y === ANY_HOT || isHot(y)]
      // From a hot to the neutral other loads of the circuit let current pass.
      if ((isHotX && y === NEUTRAL_NET) || (isHotY && x === NEUTRAL_NET)) return FITS
      if (bit === WIRE) return one ? FITS : AGAINST
      if (one || this.#linked(x, y, far, meeting, lamps)) return FITS
      const [own, other] = isPassive(x) ? [x, y] : [y, x]
      return needOf(own, isPassive(other) ? TO_ANOTHER : other === NEUTRAL_NET ? TO_NEUTRAL : TO_HOT)
    }
    if (x === y) return bit === DEAD ? FITS : AGAINST
    if (!isPassive(x) && !isPassive(y)) {
      if (x === NEUTRAL_NET || y === NEUTRAL_NET) return bit === NOMINAL ? FITS : AGAINST
      return bit === DEAD || bit === DOUBLE ? FITS : AGAINST
    }
    if (bit === DEAD) return FITS
    if (bit === DOUBLE && this.legs === 1) return AGAINST
    const reached = this.#reached(x, far, meeting, lamps) | this.#reached(y, far, meeting, lamps)
    if ((reached & (reached - 1)) !== 0) return FITS
    const [own, other] = isPassive(x) ? [x, y] : [y, x]
    return needOf(own, other === NEUTRAL_NET ? TO_HOT : TO_NEUTRAL)
  }

  /**
   * Whether such a reading would have shown for certain: one side is driven, and the other is led to the far potential by a
   * lamp seen lit and to nothing else. Only where no load hangs there and nothing meets it but `meeting`.
   */
  showsEarly(
    { asked: { from, to, lampsOut } }: Held,
    far: ReadonlyMap<number, number>,
    meeting: Meeting,
    lamps: readonly HypothesisLamp[],
  ): boolean {
    if (from < 0 || to < 0 || lampsOut >= 0) return false
    const nets = [this.#net(from, far, meeting), this.#net(to, far, meeting)]
    const own = nets.find(net => !isPassive(net))
    const floating = nets.find(isPassive)
    if (own === undefined || floating === undefined) return false
    let behind: number | null = null
    let isSure = false
    for (const { over, back, light } of lamps) {
      const sides = [this.#net(over, far, meeting), this.#net(back, far, meeting)]
      if (!sides.includes(floating)) continue
      const other: number = sides[0] === floating ? sides[1]! : sides[0]!
      if (other === floating) continue
      if (isPassive(other) || (behind !== null && other !== behind)) return false
      behind = other
      isSure ||= this.frame.survey.lights[light]!.behaves === 'answers'
    }
    return isSure && behind !== own && (behind === NEUTRAL_NET || own === NEUTRAL_NET)
  }

  /** A node, the hot of the panel, or null where nothing is known of the lamps of a light. */
  #spotOf(node: number, spot: Spot, lamps: readonly HypothesisLamp[]): number | null {
    if (node >= 0) return node
    if (spot.kind !== 'lamp-holder') return ANY_HOT
    const light = this.frame.survey.lights.findIndex(({ id }) => id === spot.light)
    return lamps.find(lamp => lamp.light === light)?.over ?? null
  }

  /** What a node is one metal with, every box apart: a source, or the first of the ends that meet there. */
  #net(node: number, far: ReadonlyMap<number, number>, meeting: Meeting): number {
    const { ends, nodes } = this.frame
    const end = ends[node]
    if (!end) {
      if (node === nodes.earth || node === nodes.neutral) return NEUTRAL_NET
      const hot = nodes.hot.indexOf(node)
      return hot >= 0 ? HOT_NETS + hot : node
    }
    if (end.ground) return NEUTRAL_NET
    const first = end.other >= 0 ? Math.min(node, end.other) : firstOf(meeting, node)
    const value = far.get(first) ?? PASSIVE
    return value === PASSIVE ? first : value === NEUTRAL ? NEUTRAL_NET : HOT_NETS + value
  }

  /** Potentials that a net has or reaches through lamps, as bits. */
  #reached(
    net: number,
    far: ReadonlyMap<number, number>,
    meeting: Meeting,
    lamps: readonly HypothesisLamp[],
  ): number {
    let bits = 0
    for (const each of this.#behind(net, far, meeting, lamps, isPassive))
      if (!isPassive(each)) bits |= 1 << (each === NEUTRAL_NET ? 0 : each - HOT_NETS + 1)
    return bits
  }

  /** Nets that a net leads to through lamps; what is driven is passed only where the power is off. */
  #behind(
    net: number,
    far: ReadonlyMap<number, number>,
    meeting: Meeting,
    lamps: readonly HypothesisLamp[],
    passes: (net: number) => boolean,
  ): ReadonlySet<number> {
    const seen = new Set([net])
    for (const at of seen) {
      if (!passes(at)) continue
      for (const { over, back } of lamps) {
        const [a, b] = [this.#net(over, far, meeting), this.#net(back, far, meeting)]
        if (a === at) seen.add(b)
        if (b === at) seen.add(a)
      }
    }
    return seen
  }

  /** Whether current passes between two nets through lamps, the power off. */
  #linked(
    x: number,
    y: number,
    far: ReadonlyMap<number, number>,
    meeting: Meeting,
    lamps: readonly HypothesisLamp[],
  ): boolean {
    const seen = this.#behind(x, far, meeting, lamps, () => true)
    return seen.has(y) || (y === ANY_HOT && [...seen].some(isHot))
  }

  /**
   * The first that is taken of what the readings make of a network: with all loads that they need, or where one may be false and
   * what it alone needs is not there. `before`: those that speak against it already.
   */
  taken<Value>(
    network: Hypothesis,
    stands: Stands,
    misread: number,
    before: readonly Held[],
    take: (judged: Judged) => Value | null,
  ): Value | null {
    const judged = this.of(network, stands, misread, before)
    if (!judged) return null
    const plain = take(judged)
    if (plain !== null) return plain
    const left = misread - timesOf(judged.spoken)
    for (const needy of judged.needy) {
      if (needy.times > left) continue
      const without = this.of(network, stands, misread, [...before, needy])
      const taken = without && take({ ...without, dropped: [needy] })
      if (taken) return taken
    }
    return null
  }

  /**
   * The loads that the readings need, or null where more speak against it than may be false. `before`: those that
   * do already; they are not asked.
   */
  of(network: Hypothesis, stands: Stands, misread: number, before: readonly Held[] = []): Judged | null {
    const everywhere = (1 << this.frame.survey.boxes.length) - 1
    const spoken = [...before]
    const needy: Held[] = []
    // What a reading needs is there for those judged after it.
    let loaded = network
    let exact = 0
    for (const readings of stands) {
      const { apart, off, question } = readings[0]!.asked
      const out = switchesOut(this.frame, { apart, off })
      let plain = this.#plainly(loaded, readings, out)
      for (let index = 0; index < readings.length; index++) {
        const held = readings[index]!
        if (before.includes(held) || mayShow(held, plain[index]!, out)) continue
        const more = this.#helpFor(loaded, held, plain[index]!, out)
        if (!more) {
          spoken.push(held)
          if (timesOf(spoken) > misread) return null
          continue
        }
        needy.push(held)
        loaded = more
        if (index + 1 < readings.length) plain = this.#plainly(loaded, readings, out)
      }
      if (apart === everywhere && question.kind === 'volts') exact = loaded.loads.length
    }
    const { loads } = loaded
    return { loads, exact: loads.slice(network.loads.length, exact), spoken, needy, dropped: [] }
  }

  /** What each reading of one stand may show, position by position of the switches. */
  #plainly(network: Hypothesis, readings: readonly Held[], out: number): readonly Uint8Array[] {
    const positions = 1 << this.frame.switches.length
    const plain = readings.map(() => new Uint8Array(positions))
    for (let at = 0; at < positions; at++) {
      if ((at & out) !== 0) continue
      this.#stand(network, readings[0]!.asked, at)
      for (let index = 0; index < readings.length; index++)
        plain[index]![at] = this.#shown.bits(network, readings[index]!.asked)
    }
    return plain
  }

  #stand(network: Hypothesis, { apart, lampsOut, off, question }: Asked, at: number): void {
    this.standing.fill(network, { power: question.power, apart, lampsOut, off }, at)
  }

  /** The network with more loads, so that a reading may be so; null where none help. */
  #helpFor(network: Hypothesis, held: Held, plain: Uint8Array, out: number): Hypothesis | null {
    const { loads } = network
    for (const needs of this.#needsOf(network, held, plain, out)) {
      // A load that is there already and does not let it be so is no help.
      const more = needs.filter(need => !loads.some(each => isSame(each, need)))
      if (more.length === 0) continue
      const loaded = { ...network, loads: [...loads, ...more] }
      if (mayShow(held, this.#plainly(loaded, [held], out)[0]!, out)) return loaded
    }
    return null
  }

  /** Loads that might let a reading be so, in one position of the switches after another. */
  *#needsOf(
    network: Hypothesis,
    { asked, bit }: Held,
    plain: Uint8Array,
    out: number,
  ): Generator<readonly Load[]> {
    // Through a load it sounds; it is no wire.
    const any = asked.question.kind === 'continuity' ? SOUNDS : SHOWING | (this.legs > 1 ? DOUBLE : 0)
    const loadAt = (position: number) => {
      this.#stand(network, asked, position)
      return this.#loadFor(network, asked)
    }
    for (let at = 0; at < plain.length; at++) {
      if ((at & out) !== 0) continue
      const here = loadAt(at)
      if (asked.work < 0) {
        if (here && agrees(plain[at]! | any, bit)) yield [here]
        continue
      }
      const other = at ^ (1 << asked.work)
      const there = loadAt(other)
      const [bits, otherBits] = [plain[at]!, plain[other]!]
      if (here && agrees(watched(bits | any, otherBits), bit)) yield [here]
      if (there && agrees(watched(bits, otherBits | any), bit)) yield [there]
      if (here && there && agrees(watched(bits | any, otherBits | any), bit))
        yield isSame(here, there) ? [here] : [here, there]
    }
  }

  /** A load that would let a reading show something: on the metal of its undriven side; null where both are driven. */
  #loadFor(network: Hypothesis, { from, to, question }: Asked): Load | null {
    const { standing } = this
    const { nodes, ends } = this.frame
    const a = from >= 0 ? from : this.#shown.nodes(network, question.from)[0]
    const b = to >= 0 ? to : this.#shown.nodes(network, question.to)[0]
    if (a === undefined || b === undefined || standing.root(a) === standing.root(b)) return null
    const [x, y] = [standing.drive(a), standing.drive(b)]
    const volts = question.kind === 'volts'
    if (volts && x !== 0 && y !== 0) return null
    const floating = volts ? (x === 0 ? a : b) : ends[a] ? a : b
    const other = floating === a ? b : a
    const towards = !volts
      ? other
      : standing.drive(other) === ZERO
        ? nodes.hot[this.legs - 1]!
        : nodes.neutral
    const net = standing.root(floating)
    return (
      network.loads.find(([near, far]) => far === towards && standing.root(near) === net) ?? [
        this.#passiveOn(network, net, floating),
        towards,
      ]
    )
  }

  /** An end on some metal that is on no source beyond: one that is capped by itself before all, for more may hang on it. */
  #passiveOn({ beyond }: Hypothesis, net: number, usual: number): number {
    const { ends } = this.frame
    let first = -1
    for (const { index, ground, seat } of ends) {
      if (ground || beyond[index]! >= ends.length || this.standing.root(index) !== net) continue
      if (seat.kind === 'alone') return index
      if (first < 0) first = index
    }
    return first < 0 ? usual : first
  }
}

/** Readings that are judged together, grouped once: those of one stand, with most boxes apart first. */
export type Stands = readonly (readonly Held[])[]

export function byStand(held: readonly Held[]): Stands {
  const stands = new Map<number, Held[]>()
  for (const each of held) {
    const { apart, lampsOut, off, question } = each.asked
    const key = (off * 32 + apart) * 64 + (lampsOut + 1) * 2 + (question.power === 'on' ? 1 : 0)
    const known = stands.get(key)
    if (known) known.push(each)
    else stands.set(key, [each])
  }
  return [...stands.values()].sort((a, b) => b[0]!.asked.apart - a[0]!.asked.apart)
}

/** Whether a reading may be so in some position of the switches. */
function mayShow({ asked, bit }: Held, plain: Uint8Array, out: number): boolean {
  for (let at = 0; at < plain.length; at++) {
    if ((at & out) !== 0) continue
    if (agrees(asked.work < 0 ? plain[at]! : watched(plain[at]!, plain[at ^ (1 << asked.work)]!), bit))
      return true
  }
  return false
}

export const timesOf = (held: readonly Held[]): number => held.reduce((sum, { times }) => sum + times, 0)

/** Where the load that a reading needs leads: one serves every reading that needs it. */
const TO_NEUTRAL = 0
const TO_HOT = 1
const TO_ANOTHER = 2
const needOf = (end: number, kind: number): number => end * 4 + kind
const isSame = (a: Load, b: Load): boolean => a[0] === b[0] && a[1] === b[1]
