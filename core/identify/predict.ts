import type { Frame } from './frame'
import type { Hypothesis } from './hypothesis'
import { Standing, ZERO } from './standing'
import type { Question, Spot } from './question'

const DEAD = 1
const BETWEEN = 2
const NOMINAL = 4
const DOUBLE = 8
const LIVE = BETWEEN | NOMINAL | DOUBLE
/** Beside the answers: a ground may be open on its way, so that it reads dead speaks against nothing. */
const MAY_BE_OPEN = 16

/** Whether an answer agrees with what is allowed. */
export const agrees = (allowed: number, bit: number): boolean =>
  (allowed & bit) !== 0 || (bit === DEAD && (allowed & MAY_BE_OPEN) !== 0)

/** A question in numbers. Spots that depend on the hypothesis are found when it is known. */
export interface Asked {
  readonly question: Question
  readonly apart: number
  /** Place among the switches of the one that is worked, or −1. */
  readonly work: number
  /** Light whose lamps are out for it, or −1. */
  readonly lampsOut: number
}

export function askedIn(frame: Frame, question: Question): Asked {
  const { boxes } = frame.survey
  return {
    question,
    apart: question.apart.reduce((bits, id) => bits | (1 << boxes.findIndex(box => box.id === id)), 0),
    lampsOut: lampsOut(frame, question),
    work: question.work === null ? -1 : frame.switches.findIndex(({ device }) => device.id === question.work),
  }
}

function lampsOut({ survey }: Frame, { kind, from, to }: Question): number {
  const spot = kind === 'light' ? undefined : [from, to].find(each => each.kind === 'lamp-holder')
  return spot?.kind === 'lamp-holder' ? survey.lights.findIndex(({ id }) => id === spot.light) : -1
}

/**
 * What each hypothesis allows as answer, as bits. Where positions of switches are not known, or lamps lie in
 * between, it allows all that may be shown: such a reading removes only what it truly speaks against.
 */
export class Predictor {
  readonly #standing: Standing
  readonly #out: Uint8Array

  constructor(readonly frame: Frame) {
    this.#standing = new Standing(frame)
    this.#out = new Uint8Array(1 << frame.switches.length)
  }

  allowed(hypothesis: Hypothesis, asked: Asked): number {
    return this.allowedOfAll(hypothesis, [asked])[0]!
  }

  /** The same for many questions of one stand: the same power, the same boxes apart, the same lamps out. */
  allowedOfAll(hypothesis: Hypothesis, all: readonly Asked[]): Uint8Array {
    const [{ question, apart, lampsOut }] = all as [Asked]
    const { switches } = this.frame
    const positions = 1 << switches.length
    // A switch whose box is apart is out: its position makes no difference.
    const out = switches.reduce((bits, { box }, at) => ((apart >> box) & 1 ? bits | (1 << at) : bits), 0)
    const shown = new Uint8Array(all.length * positions)
    for (let at = 0; at < positions; at++) {
      if ((at & out) !== 0) continue
      this.#standing.fill(hypothesis, { power: question.power, apart, lampsOut }, at)
      for (let index = 0; index < all.length; index++)
        shown[index * positions + at] = this.#shown(hypothesis, all[index]!.question)
    }
    const allowed = new Uint8Array(all.length)
    for (let index = 0; index < all.length; index++) {
      const { work } = all[index]!
      for (let at = 0; at < positions; at++) {
        if ((at & out) !== 0) continue
        const here = shown[index * positions + at]!
        if (all[index]!.question.work === null) allowed[index]! |= here
        else allowed[index]! |= watched(here, shown[index * positions + (at ^ (1 << work))]!)
      }
    }
    return allowed
  }

  #shown(hypothesis: Hypothesis, { kind, from, to }: Question): number {
    if (kind === 'light') return this.#light(hypothesis, from)
    let bits = this.#isGround(from) || this.#isGround(to) ? MAY_BE_OPEN : 0
    for (const a of this.#nodes(hypothesis, from))
      for (const b of this.#nodes(hypothesis, to))
        bits |= kind === 'volts' ? this.#volts(a, b) : this.#continuity(a, b)
    return bits
  }

  #isGround(spot: Spot): boolean {
    const { ends, indexOf } = this.frame
    return spot.kind === 'end' && ends[indexOf.get(spot.end)!]!.ground
  }

  #nodes(hypothesis: Hypothesis, spot: Spot): readonly number[] {
    const { nodes, indexOf, survey } = this.frame
    switch (spot.kind) {
      case 'end':
        return [indexOf.get(spot.end)!]
      case 'earth':
        return [nodes.earth]
      case 'panel-hot':
        return nodes.hot.slice(0, hypothesis.sources)
      case 'lamp-holder':
        return hypothesis.lamps.flatMap(({ light }, lamp) =>
          survey.lights[light]!.id === spot.light ? [nodes.lampHot[lamp]!] : [],
        )
    }
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
    return DEAD | BETWEEN | NOMINAL | ((reached & ~ZERO & ((reached & ~ZERO) - 1)) === 0 ? 0 : DOUBLE)
  }

  #continuity(a: number, b: number): number {
    const standing = this.#standing
    if (standing.root(a) === standing.root(b)) return 2
    return standing.connected(a, b) ? 1 | 2 : 1
  }

  /** In the bits of volts, so that watching it goes the same way: dark as dead, lit as live. */
  #light(hypothesis: Hypothesis, spot: Spot): number {
    if (spot.kind !== 'lamp-holder') return DEAD
    const { survey } = this.frame
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
function watched(here: number, there: number): number {
  const [deadHere, deadThere] = [(here & DEAD) !== 0, (there & DEAD) !== 0]
  const [liveHere, liveThere] = [(here & LIVE) !== 0, (there & LIVE) !== 0]
  return (
    (deadHere && deadThere ? 1 : 0) |
    (liveHere && liveThere ? 2 : 0) |
    ((deadHere && liveThere) || (liveHere && deadThere) ? 4 : 0) |
    (here & MAY_BE_OPEN)
  )
}
