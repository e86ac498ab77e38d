import type { Role } from '../model/vocabulary'
import { Driving } from './driving'
import type { Hypothesis, HypothesisLamp } from './hypothesis'
import { NEUTRAL, PASSIVE, timesOf, type Held, type Judged, type Load } from './judge'
import type { Meeting } from './meetings'
import { DEAD } from './predict'
import { rolesIn } from './roles'
import { Searching } from './searching'
import { NOWHERE, type Side, type Whole } from './supposed'

/** Metals of the boxes that are driven only by meeting another beyond. */
const MEETINGS = 2
/** What looking at a whole network counts beside one supposition. */
export const WHOLE = 5
const UNDRIVEN: readonly Role[] = ['spare', 'traveller', 'switched-load']

/** Lamps that hang between two conductors let current through: one that shows nothing leads nowhere. */
const sureOf = (lamps: readonly HypothesisLamp[]): readonly Load[] =>
  lamps.flatMap(({ over, back }): Load[] => (over === back ? [] : [[over, back]]))

/** A network that agrees with the readings, and those that may be false for it. */
interface Complete {
  readonly network: Hypothesis
  readonly spoken: readonly Held[]
}

/** Completes a whole that is supposed to the first network like it that agrees with every reading. */
export class Completing extends Searching {
  private readonly drivings = new WeakMap<Meeting, Map<number | null, Driving>>()
  /** Networks that came of the whole that was completed last. */
  protected completed: Hypothesis[] = []

  /** Ends of different boxes that sounded as one, more often than may be misread. */
  protected sounded(): Meeting {
    const { ends } = this.frame
    return this.apart.flatMap(({ asked: { from, to, question }, bit, times }): Meeting => {
      if (question.kind !== 'continuity' || bit === DEAD || times <= this.bound.misread) return []
      if (!ends[from] || !ends[to] || ends[from].ground || ends[to].ground) return []
      return ends[from].box === ends[to].box ? [] : [[from, to]]
    })
  }

  /** Whether conductors that meet may do so by what was tried between them with every box apart. */
  protected maySound(pairs: Meeting): boolean {
    if (!this.step()) return false
    let against = 0
    for (const { asked, bit, times } of this.apart) {
      if (asked.question.kind !== 'continuity' || bit !== DEAD) continue
      if (pairs.some(pair => pair.includes(asked.from) && pair.includes(asked.to))) against += times
    }
    return against <= this.bound.misread
  }

  /** What the readings as found make of it: null where too many speak against it, or need too many loads. */
  protected judgeAsFound(whole: Whole): Judged | null {
    const lamps = this.lampsOf(whole)
    const network = { ...whole.asFound, lamps, sure: sureOf(lamps) }
    return this.judge.taken(network, this.standsAsFound, this.bound.misread, [], judged =>
      this.isTooMuch(judged.loads) ? null : judged,
    )
  }

  /** Lamps only let more be shown: what speaks against it without them does so with them. */
  protected mayBeRead({ asFound }: Whole): boolean {
    return !this.isOneBox || this.judge.of(asFound, this.standsAsFound, this.bound.misread) !== null
  }

  /** Each metal driven by the first of its conductors. */
  protected somehow({ metals, drives }: Pick<Whole, 'metals' | 'drives'>): ReadonlyMap<number, number> {
    return new Map(
      metals.flatMap(({ ends }, metal) =>
        ends.length > 0 && drives[metal] !== PASSIVE ? [[ends[0]!, drives[metal]!] as const] : [],
      ),
    )
  }

  /** From box to box each hot and the neutral may be taken on. */
  get mayLack(): number {
    return MEETINGS + (this.frame.survey.boxes.length - 1) * (this.legs + 1)
  }

  protected get isOneBox(): boolean {
    return this.frame.survey.boxes.length === 1
  }

  /**
   * The first network like this whole, whatever its lamps hang on: which conductors drive each metal, held against the
   * readings with boxes apart. `forced`: a conductor that is on what is said.
   */
  protected complete(whole: Whole, forced: number | null, value: number): boolean {
    this.completed = []
    return this.hang(whole, [], lamps => this.driven(whole, lamps, forced, value))
  }

  /** Hangs each lamp on conductors of its metals; those of a driven metal are then on no source themselves. */
  protected hang(
    whole: Whole,
    lamps: readonly HypothesisLamp[],
    go: (lamps: readonly HypothesisLamp[]) => boolean,
  ): boolean {
    const light = lamps.length
    if (light === whole.lamps.length) return go(lamps)
    const [over, back] = whole.lamps[light]!
    let found = false
    for (const a of this.nodesOf(whole, over, light))
      for (const b of over === back ? [a] : this.nodesOf(whole, back, light)) {
        if (this.stopped) return found
        found = this.hang(whole, [...lamps, { light, over: a, back: b }], go) || found
        // On an undriven metal each conductor may be the one that leads to the lamp: each gives other roles.
        if (found && !this.isUndriven(whole, over) && !this.isUndriven(whole, back)) return true
      }
    return found
  }

  protected isUndriven({ metals, drives }: Whole, side: Side): boolean {
    return 'metal' in side && drives[side.metal] === PASSIVE && metals[side.metal]!.ends.length > 1
  }

  protected nodesOf({ metals, drives }: Whole, side: Side, light: number): readonly number[] {
    if (!('metal' in side)) return [this.outside(side, light)]
    const { ends } = metals[side.metal]!
    return drives[side.metal] === PASSIVE ? ends : this.eachRead(ends)
  }

  readonly isSource = (node: number): boolean =>
    node === this.frame.nodes.neutral || this.frame.nodes.hot.includes(node)

  /** The node of a side that is on no metal of the boxes. */
  protected outside(side: { readonly out: number }, light: number): number {
    const { nodes } = this.frame
    if (side === NOWHERE) return nodes.lampHot[light]!
    return side.out === NEUTRAL ? nodes.neutral : nodes.hot[side.out]!
  }

  /** Whether any conductors could drive the metals so, on whichever the lamps hang: of their metals where those are supposed. */
  protected mayDrive(whole: Whole): boolean {
    const { drives, lamps, judged } = whole
    const sides = lamps.flat().flatMap(side => ('metal' in side ? [side.metal] : []))
    return this.drivingOf(whole, null).run(
      {
        ...{ drives, lamps: null, lampMetals: judged && new Set(sides) },
        ...{ value: PASSIVE, against: timesOf(judged?.spoken ?? []) },
      },
      () => true,
    )
  }

  private driven(
    whole: Whole,
    lamps: readonly HypothesisLamp[],
    first: number | null,
    value: number,
  ): boolean {
    const { drives } = whole
    const against = timesOf(whole.judged?.spoken ?? [])
    const supposing = { drives, lamps, lampMetals: null, value, against }
    return this.drivingOf(whole, first).run(supposing, (far, undriven) => {
      const network = { ...this.network(whole, far), lamps, sure: sureOf(lamps) }
      return this.met(whole, network, far, undriven, 0)
    })
  }

  private drivingOf({ metals, meeting }: Whole, first: number | null): Driving {
    const known = this.drivings.get(meeting) ?? new Map<number | null, Driving>()
    this.drivings.set(meeting, known)
    const driving = known.get(first) ?? new Driving(this, metals, meeting, first)
    known.set(first, driving)
    return driving
  }

  /** Lets each metal that lacks a source meet one beyond that has it. */
  protected met(
    whole: Whole,
    network: Hypothesis,
    far: ReadonlyMap<number, number>,
    undriven: readonly number[],
    at: number,
  ): boolean {
    if (at === undriven.length) return this.look(whole, network)
    const { metals, drives } = whole
    const own = undriven[at]!
    const partners = metals.flatMap(({ ends }, metal) =>
      metal !== own && drives[metal] === drives[own] && !undriven.slice(at).includes(metal)
        ? ends.filter(end => far.get(end) === PASSIVE && network.beyond[end] === -1)
        : [],
    )
    let found = false
    for (const end of this.isOneBox ? this.eachRead(metals[own]!.ends) : metals[own]!.ends)
      for (const partner of this.eachRead(partners)) {
        if (this.stopped) return found
        if (network.beyond.includes(end) || !this.maySound([[end, partner]])) continue
        const beyond = network.beyond.slice()
        beyond[end] = partner
        found = this.met(whole, { ...network, beyond }, far, undriven, at + 1) || found
        // From box to box it makes a difference by which conductor it comes; in one box none of them comes in.
        if (found && this.isOneBox) return true
      }
    return found
  }

  /** Of conductors that no reading with its box apart was held to, one stands for all. */
  protected eachRead(ends: readonly number[]): readonly number[] {
    const read = ends.filter(end => this.readApart.has(end))
    const other = ends.find(end => !this.readApart.has(end))
    return other === undefined ? read : [other, ...read]
  }

  /** Without lamps: what each end is on beyond. */
  protected network({ meeting }: Pick<Whole, 'meeting'>, far: ReadonlyMap<number, number>): Hypothesis {
    const { ends, nodes } = this.frame
    const beyond = new Int16Array(ends.length).fill(-1)
    for (const { index, ground, other } of ends) {
      if (ground) beyond[index] = nodes.earth
      else if (other >= 0) beyond[index] = other > index ? other : -1
      else {
        const value = far.get(index) ?? PASSIVE
        if (value !== PASSIVE) beyond[index] = value === NEUTRAL ? nodes.neutral : nodes.hot[value]!
      }
    }
    for (const [a, b] of meeting) beyond[b] = a
    return { beyond, sources: this.legs, lamps: [], loads: [] }
  }

  /** The lamps of each light, on any conductor of their metals. */
  private lampsOf({ lamps, metals }: Whole): readonly HypothesisLamp[] {
    const side = (each: Side, light: number): number =>
      'metal' in each ? metals[each.metal]!.ends[0]! : this.outside(each, light)
    return lamps.map(([over, back], light) => ({ light, over: side(over, light), back: side(back, light) }))
  }

  /** Holds every reading against a network; true where it is one. */
  protected look({ judged: asFound }: Whole, network: Hypothesis): boolean {
    if (!this.step(WHOLE)) return false
    const { frame } = this
    const { misread } = this.bound
    // What was read as found was judged with the whole; loads that it needs hang where these conductors let them.
    const complete =
      asFound?.loads.length === 0
        ? this.judge.taken(network, this.standsApart, misread, asFound.spoken, judged =>
            this.surely(network, judged, [...asFound.dropped, ...judged.dropped]),
          )
        : this.judge.taken(network, this.stands, misread, [], judged =>
            this.surely(network, judged, judged.dropped),
          )
    if (!complete) return false
    const unseen = this.unseenIn(complete.network.loads)
    this.completed.push(complete.network)
    const roles = rolesIn(frame, this.standing, complete.network)
    this.keep(complete.network, roles, unseen)
    if (!this.claims || this.stopped) return true
    // What is undriven might have a load to a source beyond that no reading touched.
    for (const { index, ground } of frame.ends) {
      if (ground || !UNDRIVEN.includes(roles[index]!)) continue
      const mates = frame.cables[frame.ends[index]!.cable]!.ends
      if (![index, ...mates].some(end => this.claims![end] !== null)) continue
      for (const target of [frame.nodes.neutral, ...frame.nodes.hot.slice(0, this.legs)]) {
        const load: Load = [index, target]
        const loaded: Hypothesis = {
          ...complete.network,
          loads: [...complete.network.loads, load],
          sure: [...(complete.network.sure ?? []), load],
          bare: complete.network,
        }
        if (!this.step(WHOLE)) return true
        const otherwise = rolesIn(frame, this.standing, loaded)
        if (!otherwise.some((role, end) => role !== roles[end] && this.parts(role, end))) continue
        // Those that speak against it without the load do so with it: both are held against each.
        const again = this.judge.of(loaded, this.stands, misread)
        if (!again || again.loads.length > loaded.loads.length) continue
        if (timesOf([...new Set([...complete.spoken, ...again.spoken])]) > misread) continue
        this.keep(loaded, otherwise, unseen + 1)
        if (this.stopped) return true
      }
    }
    return true
  }

  /**
   * The network with the loads that its readings need, held against them again until it needs no more. What showed once
   * with its box apart shows each time: those loads are there for certain.
   */
  private surely(network: Hypothesis, judged: Judged, dropped: readonly Held[]): Complete | null {
    if (judged.loads.length === network.loads.length) return { network, spoken: judged.spoken }
    if (this.isTooMuch(judged.loads)) return null
    const sure = [...(network.sure ?? []), ...judged.exact]
    const complete: Hypothesis = { ...network, loads: judged.loads, sure }
    const again = this.judge.of(complete, this.stands, this.bound.misread, dropped)
    return again && this.surely(complete, again, dropped)
  }
}
