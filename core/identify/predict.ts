import type { Frame } from './frame'
import type { Hypothesis } from './hypothesis'
import { Standing, ZERO } from './standing'
import type { Question, Spot } from './question'

/** Bits of what a meter shows; silent is as dead, and what sounds stands in the place of what shows less than nominal. */
export const DEAD = 1
export const BETWEEN = 2
export const NOMINAL = 4
export const DOUBLE = 8
const ANY = 15
const LIVE = BETWEEN | NOMINAL | DOUBLE
/** Beside the answers: a ground may be open on its way, so that it reads dead speaks against nothing. */
const MAY_BE_OPEN = 16
export const SOUNDS = 2
export const WIRE = 4
/** Beside the answers: metal may be long, or poorly joined, so that it only sounds. */
const MAY_SOUND = 32

/** Whether an answer agrees with what is allowed. */
export const agrees = (allowed: number, bit: number): boolean =>
  (allowed & bit) !== 0 ||
  (bit === DEAD && (allowed & MAY_BE_OPEN) !== 0) ||
  (bit === SOUNDS && (allowed & MAY_SOUND) !== 0)

/** A question in numbers. Spots that depend on the hypothesis are found when it is known. */
export interface Asked {
  readonly question: Question
  readonly apart: number
  /** Place among the switches of the one that is worked, or −1. */
  readonly work: number
  /** Its two spots as nodes where they are the same in every hypothesis, else −1. */
  readonly from: number
  readonly to: number
  /** Light whose lamps are out for it, or −1. */
  readonly lampsOut: number
  /** Devices off their wires, as bits. */
  readonly off: number
}

export function askedIn(frame: Frame, question: Question): Asked {
  const { boxes } = frame.survey
  return {
    question,
    apart: question.apart.reduce((bits, id) => bits | (1 << boxes.findIndex(box => box.id === id)), 0),
    from: fixedNode(frame, question.from),
    to: fixedNode(frame, question.to),
    lampsOut: lampsOut(frame, question),
    off:
      question.off === undefined ? 0 : 1 << frame.survey.devices.findIndex(({ id }) => id === question.off),
    work: question.work === null ? -1 : frame.switches.findIndex(({ device }) => device.id === question.work),
  }
}

function fixedNode({ indexOf, nodes }: Frame, spot: Spot): number {
  return spot.kind === 'end' ? indexOf.get(spot.end)! : spot.kind === 'earth' ? nodes.earth : -1
}

function lampsOut({ survey }: Frame, { kind, from, to, lampsOut: out }: Question): number {
  if (out !== undefined) return survey.lights.findIndex(({ id }) => id === out)
  const spot = kind === 'light' ? undefined : [from, to].find(each => each.kind === 'lamp-holder')
  return spot?.kind === 'lamp-holder' ? survey.lights.findIndex(({ id }) => id === spot.light) : -1
}

/** Switches whose box is apart, or that are off their wires, as bits: their positions make no difference. */
export const switchesOut = ({ switches }: Frame, { apart, off }: Pick<Asked, 'apart' | 'off'>): number =>
  switches.reduce(
    (bits, { box, deviceAt }, at) => (((apart >> box) | (off >> deviceAt)) & 1 ? bits | (1 << at) : bits),
    0,
  )

/**
 * What each hypothesis allows as answer, as bits. Where positions of switches are not known, or lamps lie in
 * between, it allows all that may be shown: such a reading removes only what it truly speaks against.
 */
export class Predictor {
  readonly #standing: Standing
  readonly #shown: Shown
  readonly #spots = new WeakMap<readonly Asked[], { first: readonly Asked[]; of: Uint16Array }>()

  constructor(readonly frame: Frame) {
    this.#standing = new Standing(frame)
    this.#shown = new Shown(frame, this.#standing)
  }

  /** Whether a reading may be so. */
  agrees(hypothesis: Hypothesis, asked: Asked, bit: number): boolean {
    const { bare } = hypothesis
    return agrees(this.allowed(hypothesis, asked), bit) && (!bare || this.agrees(bare, asked, bit))
  }

  allowed(hypothesis: Hypothesis, asked: Asked): number {
    return this.allowedOfAll(hypothesis, [asked])[0]!
  }

  /** The same for many questions of one stand: the same power, boxes apart, lamps out and devices off. */
  allowedOfAll(hypothesis: Hypothesis, all: readonly Asked[]): Uint8Array {
    const [{ question, apart, lampsOut, off }] = all as [Asked]
    const { switches } = this.frame
    const positions = 1 << switches.length
    const out = switchesOut(this.frame, { apart, off })
    const { first, of } = this.#spotsOf(all)
    const shown = new Uint8Array(first.length * positions)
    for (let at = 0; at < positions; at++) {
      if ((at & out) !== 0) continue
      this.#standing.fill(hypothesis, { power: question.power, apart, lampsOut, off }, at)
      for (let index = 0; index < first.length; index++)
        shown[index * positions + at] = this.#shown.bits(hypothesis, first[index]!)
    }
    const allowed = new Uint8Array(all.length)
    for (let index = 0; index < all.length; index++) {
      const { work } = all[index]!
      const row = of[index]! * positions
      let bits = 0
      for (let at = 0; at < positions; at++) {
        if ((at & out) !== 0) continue
        bits |= work < 0 ? shown[row + at]! : watched(shown[row + at]!, shown[row + (at ^ (1 << work))]!)
      }
      allowed[index] = bits
    }
    return allowed
  }

  /** Questions that only differ by what is worked are held to the same spots: each pair is looked at once. */
  #spotsOf(all: readonly Asked[]): { readonly first: readonly Asked[]; readonly of: Uint16Array } {
    let known = this.#spots.get(all)
    if (known) return known
    const first: Asked[] = []
    const numbers = new Map<string, number>()
    const of = Uint16Array.from(all, asked => {
      const { from, to, kind } = asked.question
      const key = JSON.stringify([kind, from, to])
      let number = numbers.get(key)
      if (number === undefined) {
        numbers.set(key, (number = first.length))
        first.push(asked)
      }
      return number
    })
    known = { first, of }
    this.#spots.set(all, known)
    return known
  }
}

/** What an instrument may show of one way of wiring as it stands, breaker, boxes and switches. */
export class Shown {
  readonly #standing: Standing
  readonly #grounds: Uint8Array

  constructor(
    readonly frame: Frame,
    standing: Standing,
  ) {
    this.#standing = standing
    this.#grounds = Uint8Array.from(frame.ends, ({ ground }) => (ground ? 1 : 0))
  }

  /** Bits of what the instrument may show, as things stand now. */
  bits(hypothesis: Hypothesis, { question: { kind, from, to }, from: a, to: b }: Asked): number {
    if (kind === 'light') return this.#light(hypothesis, from)
    // A ground may be open on its way: that it reads dead speaks against no way of wiring.
    const open = this.#isGround(a) || this.#isGround(b) ? MAY_BE_OPEN : 0
    if (a >= 0 && b >= 0) return open | this.#between(kind, a, b)
    const [here, there] = [
      a >= 0 ? [a] : this.nodes(hypothesis, from),
      b >= 0 ? [b] : this.nodes(hypothesis, to),
    ]
    // Where a network says nothing of the lamps of a light, its holders say nothing of the network.
    if (here.length === 0 || there.length === 0) return ANY
    let bits = open
    for (const near of here) for (const far of there) bits |= this.#between(kind, near, far)
    return bits
  }

  #between(kind: Question['kind'], a: number, b: number): number {
    return kind === 'volts' ? this.#volts(a, b) : this.#continuity(a, b)
  }

  #isGround(node: number): boolean {
    return this.#grounds[node] === 1
  }

  /** Nodes of a spot that differ from one way of wiring to the next. */
  nodes(hypothesis: Hypothesis, spot: Spot): readonly number[] {
    const { nodes, survey } = this.frame
    if (spot.kind === 'panel-hot') return nodes.hot.slice(0, hypothesis.sources)
    return hypothesis.lamps.flatMap(({ light, over }) =>
      spot.kind === 'lamp-holder' && survey.lights[light]!.id === spot.light ? [over] : [],
    )
  }

  #volts(a: number, b: number): number {
    const standing = this.#standing
    if (standing.root(a) === standing.root(b)) return DEAD
    const [over, under] = [standing.drive(a), standing.drive(b)]
    if (over !== 0 && under !== 0) {
      if (over === under) return DEAD
      return over === ZERO || under === ZERO ? NOMINAL : DEAD | DOUBLE
    }
    const reached = standing.reach(a) | standing.reach(b)
    // Driven by one potential at most, through lamps or not: no current flows through the meter.
    if ((reached & (reached - 1)) === 0) return DEAD
    if (this.#throughALamp(a, b) || this.#throughALamp(b, a)) return BETWEEN | NOMINAL
    return DEAD | BETWEEN | NOMINAL | ((reached & ~ZERO & ((reached & ~ZERO) - 1)) === 0 ? 0 : DOUBLE)
  }

  /** From what is driven to what is reached by one lamp seen lit and by nothing that pulls it the other way. */
  #throughALamp(driven: number, floating: number): boolean {
    const standing = this.#standing
    const [own, behind] = [standing.drive(driven), standing.behindLamps(floating)]
    return (
      own !== 0 &&
      behind !== 0 &&
      standing.reach(floating) === behind &&
      (behind & (behind - 1)) === 0 &&
      own !== behind &&
      (own === ZERO || behind === ZERO)
    )
  }

  #continuity(a: number, b: number): number {
    const standing = this.#standing
    if (standing.root(a) === standing.root(b)) return WIRE | MAY_SOUND
    if (!standing.connected(a, b)) return DEAD
    // All that hangs on a circuit together may be as little as a wire.
    const isAcross = (this.#isHot(a) && this.#isZero(b)) || (this.#isHot(b) && this.#isZero(a))
    return isAcross ? DEAD | SOUNDS | WIRE : DEAD | SOUNDS
  }

  #isHot(node: number): boolean {
    const own = this.#standing.root(node)
    return this.frame.nodes.hot.some(hot => this.#standing.root(hot) === own)
  }

  #isZero(node: number): boolean {
    const { neutral, earth } = this.frame.nodes
    const own = this.#standing.root(node)
    return own === this.#standing.root(neutral) || own === this.#standing.root(earth)
  }

  /** In the bits of volts, so that watching it goes the same way: dark as dead, lit as live. */
  #light(hypothesis: Hypothesis, spot: Spot): number {
    if (spot.kind !== 'lamp-holder') return DEAD
    const { survey } = this.frame
    if (!hypothesis.lamps.some(({ light }) => survey.lights[light]!.id === spot.light)) return ANY
    let [lit, dark] = [false, true]
    hypothesis.lamps.forEach(({ light }, lamp) => {
      if (survey.lights[light]!.id !== spot.light) return
      const shines = this.#standing.lit(hypothesis, lamp)
      lit ||= shines !== false
      dark &&= shines !== true
    })
    return (lit ? NOMINAL : 0) | (dark ? DEAD : 0)
  }
}

/** Bits of what a watched meter may do between two positions: stay dead, stay live, change. */
export function watched(here: number, there: number): number {
  const [deadHere, deadThere] = [(here & DEAD) !== 0, (there & DEAD) !== 0]
  const [liveHere, liveThere] = [(here & LIVE) !== 0, (there & LIVE) !== 0]
  return (
    (deadHere && deadThere ? 1 : 0) |
    (liveHere && liveThere ? 2 : 0) |
    ((deadHere && liveThere) || (liveHere && deadThere) ? 4 : 0) |
    (here & MAY_BE_OPEN)
  )
}
