import { Behaviour } from './behaves'
import type { Followed } from './follow'
import type { Frame, FrameSwitch, Pair } from './frame'
import type { Hypothesis, HypothesisLamp, Weighed } from './hypothesis'
import { join, root } from './metal'
import { feedingFurther, leaving, metAtLuminaire, type Option, type SoFar } from './options'
import { rolesIn } from './roles'
import { Standing } from './standing'
import { exchangedTwins, twinsIn } from './twins'
import { weightOf } from './weight'

/** How far is searched: beyond it the answer is *not decided*, never a guess. */
export interface Reach {
  readonly hypotheses: number
  readonly lookedAt: number
}

/** A pair of travellers, and a conductor that ends at the luminaire. */
const BY_LUMINAIRE = 3
/** What an option does not bring. */
const NONE: readonly never[] = []
/** So many readings against a circuit and it is out, whichever single one is false. */
const OUT = 2

export interface Generated {
  readonly hypotheses: readonly Weighed[]
  /** False where the search was given up; then nothing may be called proven. */
  readonly complete: boolean
}

type Pairing = readonly (readonly [cable: number, partner: number | null])[]

/**
 * Every circuit that would look like what was seen: each cable comes from a panel, leads to lamps, goes on,
 * loops from a luminaire, runs to another box (at once or by way of a luminaire) or leads nowhere, with its
 * conductors in any order whatever their colours. Left out are those that would trip their breaker as they
 * stand, and, where a light was seen to answer at every place, those in which it would not; and those that two
 * conductors followed from box to box speak against.
 */
export function generate(frame: Frame, reach: Reach, followed: readonly Followed[] = []): Generated {
  return new Search(frame, reach, followed).run()
}

class Search {
  readonly #found: Weighed[] = []
  readonly #standing: Standing
  readonly #behaviour: Behaviour
  readonly #beyond: Int16Array
  /** Where a run comes from, by the end it goes to; −1 where none does. */
  readonly #from: Int16Array
  readonly #twins: readonly Pair[]
  readonly #parents: Uint16Array[] = []
  readonly #lamps: HypothesisLamp[] = []
  readonly #further: number[] = []
  readonly #fed: Pair[] = []
  readonly #runsBetween: ReadonlyMap<number, number>
  #sources = 0
  #lookedAt = 0
  #depth = 0

  constructor(
    readonly frame: Frame,
    readonly reach: Reach,
    readonly followed: readonly Followed[],
  ) {
    this.#standing = new Standing(frame)
    this.#behaviour = new Behaviour(frame)
    this.#beyond = new Int16Array(frame.ends.length).fill(-1)
    this.#from = new Int16Array(frame.ends.length).fill(-1)
    const named = new Set(followed.flatMap(({ a, b }) => [a, b]))
    this.#twins = twinsIn(frame).filter(pair => !pair.some(end => named.has(end)))
    for (const end of frame.ends) if (end.ground) this.#beyond[end.index] = frame.nodes.earth
    this.#runsBetween = new Map(
      frame.cables.flatMap(({ ends }, cable) => {
        const other = ends.map(end => frame.ends[end]!.other).find(end => end >= 0)
        return other === undefined ? [] : [[cable, frame.ends[other]!.cable] as const]
      }),
    )
  }

  run(): Generated {
    const parent = new Uint16Array(this.frame.nodes.count)
    this.#standing.metal(this.#beyond, parent)
    this.#parents[0] = parent
    this.#pair(0, [], new Set())
    return { hypotheses: this.#found, complete: !this.#spent }
  }

  get #spent(): boolean {
    return this.#found.length > this.reach.hypotheses || this.#lookedAt > this.reach.lookedAt
  }

  /** Which cables belong together; then what each is: those that run to other boxes first. */
  #pair(cable: number, pairs: Pairing, taken: ReadonlySet<number>): void {
    const { cables } = this.frame
    while (cable < cables.length && taken.has(cable)) cable++
    if (cable >= cables.length) {
      if (this.#lightsHangTogether(pairs))
        this.#choose(
          [...pairs].sort((a, b) => Number(a[1] === null) - Number(b[1] === null)),
          0,
        )
      return
    }
    const known = this.#runsBetween.get(cable)
    const with_ = (other: number | null) =>
      this.#pair(cable + 1, [...pairs, [cable, other]], other === null ? taken : new Set([...taken, other]))
    if (known !== undefined) return with_(known)
    for (let other = cable + 1; other < cables.length; other++)
      if (!taken.has(other) && !this.#runsBetween.has(other) && this.#mayRun(cable, other)) with_(other)
    with_(null)
  }

  /** Of as many conductors, or one more where they meet at a luminaire and a neutral is brought down. */
  #mayRun(cable: number, other: number): boolean {
    const { cables } = this.frame
    const [few, many] = [cables[cable]!.ends.length, cables[other]!.ends.length].sort((a, b) => a - b)
    return (
      cables[cable]!.box !== cables[other]!.box &&
      (few === many || (few! >= BY_LUMINAIRE && many! === few! + 1))
    )
  }

  /** Places that were seen to work one light together have cables between them. */
  #lightsHangTogether(pairs: Pairing): boolean {
    const { cables, switches, survey } = this.frame
    const reached = survey.boxes.map((_, box) => box)
    const root = (box: number): number => (reached[box] === box ? box : root(reached[box]!))
    for (const [a, b] of pairs) if (b !== null) reached[root(cables[a]!.box)] = root(cables[b]!.box)
    return survey.lights.every(({ behaves }, light) => {
      const boxes = switches.filter(each => each.light === light).map(({ box }) => root(box))
      return behaves === 'not-known' || new Set(boxes).size <= 1
    })
  }

  #choose(pairs: Pairing, at: number): void {
    if (this.#spent) return
    if (at === pairs.length) return this.#feedFurther(0)
    const [cable, partner] = pairs[at]!
    if (partner === null && (at === 0 || pairs[at - 1]![1] !== null) && !this.#switchesCanAnswer(pairs, at))
      return
    const next = () => this.#choose(pairs, at + 1)
    if (partner === null)
      for (const option of leaving(this.frame, this.#soFar(), cable)) this.#with(option, next)
    else this.#together(cable, partner, next)
  }

  /**
   * Before it is thought of what the other cables are: each contact of a light that answers leads to something,
   * and of two travellers of a switch either both lead out of the boxes or neither does.
   */
  #switchesCanAnswer(pairs: Pairing, from: number): boolean {
    const { cables, nodes, switches, survey } = this.frame
    const metal = this.#parents[this.#depth]!
    const out = new Set<number>()
    const mark = (node: number) => out.add(root(metal, node))
    for (const [cable] of pairs.slice(from)) for (const end of cables[cable]!.ends) mark(end)
    for (let source = 0; source < this.#sources; source++) mark(nodes.hot[source]!)
    this.#lamps.forEach(({ back }, lamp) => {
      mark(nodes.lampHot[lamp]!)
      mark(back)
    })
    const met = new Map<number, number>()
    for (const { terminals } of switches)
      for (const terminal of terminals) {
        const net = root(metal, terminal)
        met.set(net, (met.get(net) ?? 0) + 1)
      }
    return switches.every(({ light, terminals, travellers, alike }) => {
      if (survey.lights[light]!.behaves === 'not-known') return true
      const leads = (terminal: number) => out.has(root(metal, terminal))
      return (
        terminals.every(terminal => leads(terminal) || met.get(root(metal, terminal))! > 1) &&
        alike.every(([a, b]) => !travellers.includes(a) || leads(a) === leads(b))
      )
    })
  }

  /** What goes on from here is fed from here, all the time. */
  #feedFurther(at: number): void {
    if (at === this.#further.length) return this.#keep()
    const { nodes } = this.frame
    for (const option of feedingFurther(this.frame, this.#further[at]!, at))
      this.#with(option, () => {
        const parent = this.#parents[this.#depth]!
        const hot = root(parent, nodes.onHot[at]!)
        const isHot = nodes.hot.slice(0, this.#sources).some(node => root(parent, node) === hot)
        if (isHot && root(parent, nodes.onNeutral[at]!) === root(parent, nodes.neutral))
          this.#feedFurther(at + 1)
      })
  }

  /** Goes on with an option unless its metal alone already joins what must not be joined. */
  #with({ joins, sources = 0, lamps = NONE, further = NONE, fed = NONE }: Option, next: () => void): void {
    for (const [end, node] of joins) {
      this.#beyond[end] = node
      if (node < this.#from.length) this.#from[node] = end
    }
    this.#lookedAt++
    // What was read of the runs costs less than their metal, and parts the most.
    if (this.#standsForItsTwins() && this.#followsAsRead()) {
      const before = this.#parents[this.#depth]!
      const parent = (this.#parents[++this.#depth] ??= new Uint16Array(this.frame.nodes.count))
      parent.set(before)
      for (const [end, node] of joins) join(parent, end, node)
      this.#sources += sources
      for (const each of further) this.#further.push(each)
      for (const each of fed) this.#fed.push(each)
      for (const each of lamps) this.#lamps.push(each)
      if (this.#holds(parent)) next()
      if (lamps.length > 0) this.#lamps.length -= lamps.length
      if (further.length > 0) this.#further.length -= further.length
      if (fed.length > 0) this.#fed.length -= fed.length
      this.#sources -= sources
      this.#depth--
    }
    for (const [end, node] of joins) {
      this.#beyond[end] = -1
      if (node < this.#from.length) this.#from[node] = -1
    }
  }

  /** Whether less than two readings speak against the runs so far. What goes out of the boxes is held to them later. */
  #followsAsRead(): boolean {
    let against = 0
    for (const { a, b, sounds } of this.followed) {
      const [over, back] = [this.#runOf(a), this.#runOf(b)]
      if (over < 0 && back < 0) continue
      if ((over === b) !== sounds && ++against === OUT) return false
    }
    return true
  }

  /** The end that an end runs to; −1 while that is not known, or where it leaves the boxes. */
  #runOf(end: number): number {
    const to = this.#beyond[end]!
    return to < 0 ? this.#from[end]! : to < this.#from.length ? to : -1
  }

  /** Of circuits that differ only by twins exchanged, those that cannot be the one looked for are left. */
  #standsForItsTwins(): boolean {
    const to = (end: number) => (this.#beyond[end]! >= 0 ? this.#beyond[end]! : this.#from[end]!)
    for (const [a, b] of this.#twins) if (to(b) >= 0 && to(a) > to(b)) return false
    return true
  }

  #holds(parent: Uint16Array): boolean {
    const { nodes, switches, survey } = this.frame
    const zero = root(parent, nodes.neutral)
    const earth = root(parent, nodes.earth)
    if (zero === earth) return false
    for (let source = 0; source < this.#sources; source++) {
      const hot = root(parent, nodes.hot[source]!)
      if (hot === zero || hot === earth) return false
      for (let other = 0; other < source; other++) if (root(parent, nodes.hot[other]!) === hot) return false
    }
    for (let lamp = 0; lamp < this.#lamps.length; lamp++)
      if (!this.#lampAnswers(parent, lamp, zero)) return false
    return switches.every(
      ({ light, alike }) =>
        survey.lights[light]!.behaves === 'not-known' ||
        alike.every(([a, b]) => root(parent, a) !== root(parent, b)),
    )
  }

  /** Whether a lamp can still be worked from all its places, as far as the metal says. */
  #lampAnswers(parent: Uint16Array, lamp: number, zero: number): boolean {
    const { nodes, switches, survey } = this.frame
    const { back, light } = this.#lamps[lamp]!
    const over = root(parent, nodes.lampHot[lamp]!)
    const under = root(parent, back)
    if (over === under) return false
    if (survey.lights[light]!.behaves === 'not-known') return true
    if (under !== zero) return true
    for (let source = 0; source < this.#sources; source++)
      if (root(parent, nodes.hot[source]!) === over) return false
    return switches.every(each => each.light !== light || !this.#overrules(parent, each, over, zero))
  }

  /**
   * Whether a switch takes no heed of other places: a traveller of it is always hot, always the lamp’s or
   * always neutral, and its other one is none of these but goes to another switch.
   */
  #overrules(parent: Uint16Array, { travellers, alike }: FrameSwitch, over: number, zero: number): boolean {
    const { nodes } = this.frame
    const hots = nodes.hot.slice(0, this.#sources).map(node => root(parent, node))
    const fixed = (net: number) => net === over || hots.includes(net)
    if (travellers.some(traveller => root(parent, traveller) === zero)) return true
    return alike.some(pair => {
      const [a, b] = pair.map(terminal => root(parent, terminal)) as [number, number]
      return (
        (fixed(a) && this.#goesOn(parent, pair, b, fixed)) ||
        (fixed(b) && this.#goesOn(parent, pair, a, fixed))
      )
    })
  }

  /** Whether a net leads to another switch and is none of the fixed ones. */
  #goesOn(parent: Uint16Array, own: Pair, net: number, fixed: (net: number) => boolean): boolean {
    return (
      !fixed(net) &&
      this.frame.switches.some(({ terminals }) =>
        terminals.some(terminal => !own.includes(terminal) && root(parent, terminal) === net),
      )
    )
  }

  /** What two cables of different boxes can be together. */
  #together(cable: number, partner: number, next: () => void): void {
    const { cables, ends } = this.frame
    const [near, far] = [cables[cable]!.ends, cables[partner]!.ends]
    if (this.#runsBetween.has(cable)) {
      this.#with({ joins: near.map(end => [end, ends[end]!.other] as const) }, next)
      return
    }
    if (near.length === far.length) this.#through(near, far, next)
    for (const option of metAtLuminaire(this.frame, this.#soFar(), near, far)) {
      const met = option.joins.map(([end]) => end)
      this.#with(option, () =>
        this.#through(
          near.filter(end => !met.includes(end)),
          far.filter(end => !met.includes(end)),
          next,
        ),
      )
    }
  }

  #soFar(): SoFar {
    const { nodes, ends } = this.frame
    const beyond = this.#beyond
    return {
      sources: this.#sources,
      lamps: this.#lamps.slice(),
      further: this.#further,
      sourcesIn: box =>
        ends.filter(end => end.box === box).map(({ index }) => nodes.hot.indexOf(beyond[index]!)),
    }
  }

  /** Conductor after conductor to one of the other cable, in any order. */
  #through(near: readonly number[], far: readonly number[], next: () => void): void {
    const left = [...far]
    const from = (at: number): void => {
      const first = near[at]
      if (first === undefined) return next()
      for (let place = 0; place < left.length; place++) {
        const end = left[place]!
        if (end < 0) continue
        left[place] = -1
        this.#with({ joins: [[first, end]] }, () => from(at + 1))
        left[place] = end
      }
    }
    from(0)
  }

  #keep(): void {
    const { nodes } = this.frame
    const { lights } = this.frame.survey
    if (this.#sources === 0) return
    if (lights.some((_, light) => !this.#lamps.some(lamp => lamp.light === light))) return
    const metal = this.#parents[this.#depth]!
    const hots = nodes.hot.slice(0, this.#sources).map(node => root(metal, node))
    const zero = root(metal, nodes.neutral)
    // What goes on is hot here all the time, and comes back to the neutral.
    if (!this.#fed.every(([hot, back]) => hots.includes(root(metal, hot)) && root(metal, back) === zero))
      return
    const loads = [
      ...this.#further.map((_, at): Pair => [nodes.onHot[at]!, nodes.onNeutral[at]!]),
      ...this.#fed,
    ]
    if (!this.#behaviour.holds(metal, this.#sources, this.#lamps, loads)) return
    for (const beyond of exchangedTwins(this.#twins, this.#beyond.slice()) ?? []) {
      const hypothesis: Hypothesis = {
        beyond,
        sources: this.#sources,
        lamps: this.#lamps.slice(),
        loads,
      }
      const roles = rolesIn(this.frame, this.#standing, hypothesis)
      this.#found.push({ ...hypothesis, roles, weight: weightOf(this.frame, hypothesis, roles) })
    }
  }
}
