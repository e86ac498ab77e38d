import type { Role } from '../model/vocabulary'
import type { Frame } from './frame'
import type { Hypothesis, Weighed } from './hypothesis'
import { byStand, Judge, type Held, type Load, type Stands } from './judge'
import type { Taken } from './ledger'
import { root } from './metal'
import { askedIn } from './predict'
import { bitOf, keyOf } from './question'
import { Standing } from './standing'
import type { Bound } from './supposed'
import { weightOf } from './weight'

/** An unseen load is not usual. */
const UNSEEN_LOAD = 0.05
/**
 * Unseen loads that a conductor capped by itself allows a rival beyond what the simplest network needs. It serves nobody,
 * so nobody would notice that what it shows comes through a load.
 */
const CAPPED_MORE = 1

/** What a search for networks goes by: the readings in numbers, what is claimed, what was found, what it may still spend. */
export class Searching {
  protected readonly standing: Standing
  readonly judge: Judge
  protected readonly asFound: readonly Held[]
  readonly apart: readonly Held[]
  /** How often each end was held to with its box apart. */
  readonly readApart = new Map<number, number>()
  /** All readings, and those taken as found, as they are judged together. */
  protected readonly stands: Stands
  protected readonly standsAsFound: Stands
  protected readonly standsApart: Stands
  protected readonly heldTo: readonly boolean[]
  readonly spareLamps: number
  /** Unseen loads that a rival may have more where one hangs on what is capped by itself. */
  readonly cappedMore: number
  protected readonly claims: (Role | null)[] | null
  protected readonly found: Weighed[] = []
  protected readonly parent: Uint16Array
  protected readonly base: Uint16Array
  /** Metals that were read, or that a terminal of a device is on. */
  protected readonly touched = new Set<number>()
  /** How many networks speak against each claim. */
  protected readonly refuted: number[]
  protected steps = 0
  protected stopped = false

  constructor(
    readonly frame: Frame,
    readonly legs: number,
    taken: readonly Taken[],
    claims: readonly (Role | null)[] | null,
    readonly bound: Bound,
  ) {
    this.standing = new Standing(frame)
    this.judge = new Judge(frame, this.standing, legs)
    this.claims = claims && [...claims]
    this.refuted = frame.ends.map(() => 0)
    const distinct = new Map<string, { taken: Taken; times: number }>()
    for (const each of taken) {
      const key = `${keyOf(each.question)} = ${each.answer}`
      distinct.set(key, { taken: each, times: (distinct.get(key)?.times ?? 0) + 1 })
    }
    const held = [...distinct.values()].map(({ taken: { question, answer }, times }): Held => ({
      asked: askedIn(frame, question),
      bit: bitOf(question, answer),
      times,
    }))
    this.asFound = held.filter(({ asked }) => asked.apart === 0 && asked.question.power === 'on')
    this.apart = held.filter(each => !this.asFound.includes(each))
    this.stands = byStand(held)
    this.standsAsFound = byStand(this.asFound)
    this.standsApart = byStand(this.apart)
    const { lights } = frame.survey
    const holders = new Set(
      held.flatMap(({ asked: { question } }) => [
        ...[question.from, question.to].flatMap(spot => (spot.kind === 'lamp-holder' ? [spot.light] : [])),
        ...(question.lampsOut === undefined ? [] : [question.lampsOut]),
      ]),
    )
    this.heldTo = lights.map(({ id }) => holders.has(id))
    this.cappedMore = claims && frame.ends.some(({ index }) => this.isCapped(index)) ? CAPPED_MORE : 0
    this.spareLamps = lights.filter(({ behaves }) => behaves !== 'answers').length
    for (const { asked } of this.apart)
      for (const end of [asked.from, asked.to]) this.readApart.set(end, (this.readApart.get(end) ?? 0) + 1)
    this.parent = new Uint16Array(frame.nodes.count)
    this.base = new Uint16Array(frame.nodes.count)
    const beyond = new Int16Array(frame.ends.length).fill(-1)
    for (const { index, ground, other } of frame.ends)
      beyond[index] = ground ? frame.nodes.earth : other > index ? other : -1
    this.standing.metal(beyond, this.base)
    // By its whole metal: what a pigtail or a joint takes to a screw is on it.
    for (const { asked } of held)
      for (const node of [asked.from, asked.to]) this.touched.add(root(this.base, node))
    for (const node of frame.terminals.flat()) this.touched.add(root(this.base, node))
  }

  protected get isSettled(): boolean {
    if (!this.claims) return this.done
    return this.claims.every((role, end) => role === null || this.refuted[end]! > 0)
  }

  protected get done(): boolean {
    return this.claims ? this.claims.every(role => role === null) : this.found.length >= this.bound.enough
  }

  step(count = 1): boolean {
    this.steps += count
    if (this.steps > this.bound.steps) this.stopped = true
    return !this.stopped
  }

  /** Whether these are more loads than may be supposed: what hangs capped by itself may hang on one more. */
  protected isTooMuch(loads: readonly Load[]): boolean {
    const more = loads.some(([near]) => this.isCapped(near)) ? this.cappedMore : 0
    return this.unseenIn(loads) > this.bound.unseen + more
  }

  isCapped(end: number): boolean {
    const known = this.frame.ends[end]
    return known !== undefined && !known.ground && known.seat.kind === 'alone'
  }

  protected unseenIn(loads: readonly Load[]): number {
    return Math.max(0, loads.length - this.spareLamps)
  }

  /** Whether a role speaks against what is claimed of an end. */
  protected parts(role: Role, end: number): boolean {
    const claim = this.claims![end]
    return claim !== null && claim !== role
  }

  /** Keeps a network that gives another role to something claimed. */
  protected keep(network: Hypothesis, roles: readonly Role[], unseen: number): void {
    if (this.claims) {
      const parted = roles.flatMap((role, end) => (this.parts(role, end) ? [end] : []))
      for (const end of parted) {
        this.refuted[end]!++
        if (this.refuted[end]! >= this.bound.enough) this.claims[end] = null
      }
      if (parted.length === 0) return
    }
    const weight = weightOf(this.frame, network, roles) * UNSEEN_LOAD ** (unseen + 1)
    this.found.push({ ...network, roles, weight })
    if (this.done) this.stopped = true
  }
}
