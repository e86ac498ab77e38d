import type { HypothesisLamp } from './hypothesis'
import { AGAINST, PASSIVE, type Held, type Judge } from './judge'
import { firstOf, type Meeting } from './meetings'
import { Needs, type Needing } from './needs'
import { DEAD } from './predict'
import type { Bound, Metal } from './supposed'

/** What the search lets be supposed of which conductors drive a metal. */
export interface MayDrive {
  readonly judge: Judge
  readonly bound: Bound
  /** Readings with boxes apart. */
  readonly apart: readonly Held[]
  /** How often each end was held to so. */
  readonly readApart: ReadonlyMap<number, number>
  /** Metals that may be driven only by meeting another beyond. */
  readonly mayLack: number
  readonly spareLamps: number
  /** Unseen loads more where one hangs on what is capped by itself. */
  readonly cappedMore: number
  isCapped(end: number): boolean
  isSource(node: number): boolean
  /** Counts one supposition; false where there may be no more. */
  step(): boolean
}

/** Metals as they are driven, and what is known of the lamps that hang on them. */
export interface Supposing {
  readonly drives: readonly number[]
  /** On which conductors they hang; null where that is not supposed. */
  readonly lamps: readonly HypothesisLamp[] | null
  /** On which metals; null where that is not supposed either. */
  readonly lampMetals: ReadonlySet<number> | null
  /** What the conductor that is supposed first is on; where none is, it is not looked at. */
  readonly value: number
  /** Readings that speak against it already. */
  readonly against: number
}

type Leaf = (far: ReadonlyMap<number, number>, undriven: readonly number[]) => boolean

const showsLive = ({ asked: { question }, bit }: Held): boolean => question.kind === 'volts' && bit !== DEAD

/**
 * Supposes of conductor after conductor whether it is on what drives its metal, and holds that at once against the readings with
 * every box apart. Made once for all that differs only by what drives the metals and by where lamps hang.
 */
export class Driving {
  readonly #order: readonly { readonly end: number; readonly metal: number }[]
  readonly #metalOf: ReadonlyMap<number, number>
  readonly #early: readonly (readonly Held[])[]
  readonly #capped: readonly { readonly end: number; readonly metal: number }[]
  /** A capped conductor sounded to another, where a load may lie between. */
  readonly #cappedSounds: boolean
  readonly #far = new Map<number, number>()
  readonly #undriven: number[] = []

  /** `first`: the conductor that is supposed before all others, or null. */
  constructor(
    readonly may: MayDrive,
    readonly metals: readonly Metal[],
    readonly meeting: Meeting,
    readonly first: number | null,
  ) {
    const readApart = (end: number) => may.readApart.get(end) ?? 0
    this.#order = metals
      .flatMap(({ ends }, metal) => ends.map(end => ({ end, metal })))
      .sort(
        (a, b) =>
          Number(b.end === first) - Number(a.end === first) ||
          readApart(b.end) - readApart(a.end) ||
          a.end - b.end,
      )
    this.#metalOf = new Map(this.#order.map(({ end, metal }) => [end, metal]))
    this.#early = may.judge.early(may.apart, meeting, new Map(this.#order.map(({ end }, at) => [end, at])))
    this.#capped = this.#order.filter(({ end }) => may.isCapped(end))
    this.#cappedSounds = this.#capped.some(({ end }) =>
      may.apart.some(
        ({ asked: { from, to, question }, bit }) =>
          question.kind === 'continuity' && bit !== DEAD && (from === end || to === end),
      ),
    )
  }

  /** Whether `leaf` takes any of what may be so. It is given what each end is on, and the metals that lack a source. */
  run(supposing: Supposing, leaf: Leaf): boolean {
    const { may, metals } = this
    const order = this.#order
    const { drives, lamps, lampMetals, value: given, against } = supposing
    const held = new Set((lamps ?? []).flatMap(({ over, back }) => [over, back]))
    const open = metals.map(({ ends }) => ends.length)
    const driven = metals.map(({ isGround }, metal) => isGround || drives[metal] === PASSIVE)
    const far = this.#far
    far.clear()
    const undriven = this.#undriven
    undriven.length = 0
    const needs = new Needs(may.mayLack)
    const mayNeed = lamps || lampMetals ? may.bound.unseen + may.spareLamps : Infinity
    const said = this.#saying(supposing, held, driven, mayNeed === 0 && !this.#cappedSounds)
    let stopped = false
    const go = (at: number, before: number): boolean => {
      if (at === order.length) return leaf(far, undriven)
      const { end, metal } = order[at]!
      const drive = drives[metal]!
      open[metal]!--
      const isDriven = driven[metal]!
      const values = drive === PASSIVE ? [PASSIVE] : isDriven ? [PASSIVE, drive] : [drive, PASSIVE]
      for (const value of values) {
        if (end === this.first && given !== value) continue
        if (value !== PASSIVE && held.has(end)) continue
        // What no conductor of its own drives may be driven by one that meets another beyond.
        const lacks = open[metal] === 0 && value === PASSIVE && !isDriven
        if (lacks && undriven.length >= may.mayLack) continue
        stopped = !may.step()
        if (stopped) break
        far.set(end, value)
        if (value !== PASSIVE) driven[metal] = true
        if (lacks) undriven.push(metal)
        let spoken = before
        const needed: (readonly [number, Needing, number])[] = []
        for (const reading of this.#early[at]!) {
          const need = said(reading)
          if (need === null) continue
          if (need === AGAINST) spoken += reading.times
          else {
            needs.add(need[0], need[1], reading.times)
            needed.push([...need, reading.times])
          }
        }
        const left = may.bound.misread - spoken
        if (left >= 0 && !needs.exceed(mayNeed, may.cappedMore, left) && go(at + 1, spoken)) return true
        for (const each of needed) needs.takeBack(...each)
        driven[metal] = isDriven
        if (lacks) undriven.pop()
        far.delete(end)
        if (stopped) break
      }
      open[metal]!++
      return false
    }
    return go(0, against)
  }

  /** What a reading says of what is supposed so far: nothing, that it speaks against it, or the load that it needs. */
  #saying(
    { drives, lamps, lampMetals }: Supposing,
    held: ReadonlySet<number>,
    driven: readonly boolean[],
    isBare: boolean,
  ) {
    const { may, meeting } = this
    const far = this.#far
    const metalOf = this.#metalOf
    const isOn = (node: number): boolean => (far.get(node) ?? PASSIVE) !== PASSIVE
    const mayMeet = (node: number): boolean => {
      const metal = metalOf.get(node)
      return metal !== undefined && drives[metal] !== PASSIVE && !driven[metal] && !isOn(node)
    }
    // With every box apart a conductor of a lamp is driven by nothing but what another lamp, or this, hangs on beyond.
    const lit = [...held].some(may.isSource) ? [...held].flatMap(node => metalOf.get(node) ?? []) : []
    const lampsOn = lampMetals ? [...lampMetals] : lit
    // Where it meets another metal of the same drive, or that one lacks a source and meets it.
    const mayMeetALamp = (node: number): boolean => {
      const own = metalOf.get(node)
      if (own === undefined || drives[own] === PASSIVE || isOn(node)) return false
      return lampsOn.some(metal => metal !== own && drives[metal] === drives[own])
    }
    const mayBeCapped = (node: number): boolean =>
      this.#capped.some(
        ({ end, metal }) =>
          end === node ||
          firstOf(meeting, end) === firstOf(meeting, node) ||
          (mayMeet(node) && drives[metal] === drives[metalOf.get(node)!]),
      )
    // Where it is not supposed on which conductor a lamp hangs, it may be any of the metal.
    const mayHoldALamp = (node: number): boolean =>
      this.#mates(node).some(end => lampMetals?.has(metalOf.get(end) ?? -1))
    // Nothing but its lamps leads from it.
    const isPlain = (node: number): boolean => {
      if (isOn(node)) return true
      const metal = metalOf.get(firstOf(meeting, node))
      return (metal === undefined || drives[metal] === PASSIVE) && !mayBeCapped(node)
    }
    return (reading: Held): typeof AGAINST | readonly [need: number, of: Needing] | null => {
      const { from, to, question } = reading.asked
      const meets = mayMeet(from) || mayMeet(to)
      // What lacks a source may meet another beyond, which drives it no more with its box apart; what else that makes of a
      // reading is looked at with it.
      if (meets && !showsLive(reading)) return null
      if (mayMeetALamp(from) || mayMeetALamp(to)) return null
      const need = may.judge.fitsEarly(reading, far, meeting, lamps ?? [])
      if (need === AGAINST) return AGAINST
      if (need >= 0 && !lamps && (meets || mayHoldALamp(from) || mayHoldALamp(to))) return null
      if (need >= 0) return [need, { meets, capped: mayBeCapped(from) || mayBeCapped(to) }]
      const isDead = question.kind === 'volts' && reading.bit === DEAD
      if (!isBare || !isDead || !isPlain(from) || !isPlain(to)) return null
      return may.judge.showsEarly(reading, far, meeting, lamps ?? []) ? AGAINST : null
    }
  }

  /** What a conductor meets beyond, and itself. */
  #mates(node: number): readonly number[] {
    const first = firstOf(this.meeting, node)
    const others = this.meeting.flatMap(([a, b]) => (a === first ? [b] : []))
    return [first, ...others]
  }
}
