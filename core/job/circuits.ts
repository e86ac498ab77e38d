import type { Breaker } from '../model/entities'
import { comesIn, isControlRole, isHotRole, isLoadRole, SIDE_OF } from '../model/roles'
import type { Role } from '../model/vocabulary'
import { sharersOf } from '../model/ties'
import type { BoxView, EndView } from './box-view'
import { metalOf } from './metal'

/** A conductor end in its box. */
export interface Seen {
  readonly view: BoxView
  readonly each: EndView
}

/** Whose a conductor or a light is: known, not said, or said in two ways that cannot both hold. */
export type Whose =
  | { readonly kind: 'known'; readonly circuitId: string }
  | { readonly kind: 'not-said'; readonly among: readonly Breaker[] }
  | { readonly kind: 'at-odds'; readonly circuits: readonly string[] }

/** Stands for the circuit of boxes of which no breaker is known, and which one line alone comes into. */
export const ONLY_SUPPLY = 'supply'

/**
 * The circuits of some boxes, conductor by conductor: what was said of it, of what it is one metal with, and of what
 * shares its cable (current goes back where it came). Nothing is taken from what happens to come first: what none of
 * these tells is not known.
 */
export class Circuits {
  /** Circuits that may feed something here. */
  readonly breakers: readonly Breaker[]
  readonly #seen: readonly Seen[]
  /** Conductors between these boxes. */
  readonly #runs: ReadonlySet<string>
  readonly #rootOf = new Map<string, string>()
  /** By metal; those of a neutral by the first that shares it. */
  readonly #told = new Map<string, Set<string>>()
  readonly #only: string | null

  constructor(readonly views: readonly BoxView[]) {
    this.#seen = views.flatMap(view => view.ends.map(each => ({ view, each })))
    const ids = this.#seen.map(({ each }) => each.conductor.id)
    this.#runs = new Set(ids.filter((id, at) => ids.indexOf(id) < at))
    this.breakers = [
      ...new Map(
        views.flatMap(view =>
          [
            ...view.feeds.map(({ circuit }) => circuit),
            ...view.ends.flatMap(({ end }) => view.record.circuits[end.roleCircuitId ?? ''] ?? []),
          ].map(circuit => [circuit.id, circuit] as const),
        ),
      ).values(),
    ]
    this.#joinMetals()
    for (const { each } of this.#seen)
      if (each.end.roleCircuitId !== null) this.#tell(each, each.end.roleCircuitId)
    for (const view of views) this.#tellBox(view)
    this.#only = this.#theOnly()
    while (this.#tellCables());
  }

  /** The circuit of a hot or a neutral. */
  of(each: EndView): string | null {
    if (this.#only !== null) return this.#only
    if (each.end.roleCircuitId !== null) return this.#asOne(each, each.end.roleCircuitId)
    const told = this.#of(each)
    if (told.length > 0 || each.end.role !== 'neutral') return told.length === 1 ? told[0]! : null
    // All that come here have one neutral together.
    const neutrals = new Set(this.breakers.map(({ id }) => this.neutralOf(id)))
    return this.breakers.length > 1 && neutrals.size === 1 ? [...neutrals][0]! : null
  }

  /** The one name of the circuits that share a neutral. */
  neutralOf(circuitId: string): string {
    const { record } = this.views[0]!
    const circuit = record.circuits[circuitId]
    return circuit ? [circuit, ...sharersOf(record, circuit)].map(({ id }) => id).sort()[0]! : circuitId
  }

  /** The light that a switched conductor, or one of a control pair, leads to: the one said, or that of the device it is on, or the only one. */
  lightOf({ view, each }: Seen): string | null {
    const { end } = each
    if (end.roleGroupId !== null) return end.roleGroupId
    const root = this.#root(each)
    const isKin = (role: Role | null) => (isControlRole(end.role) ? role === end.role : isLoadRole(role))
    const said = new Set(
      this.#seen.flatMap(other =>
        isKin(other.each.end.role) && this.#root(other.each) === root
          ? (other.each.end.roleGroupId ?? this.#lightOfDevice(other) ?? [])
          : [],
      ),
    )
    if (said.size === 1) return [...said][0]!
    const lights = new Set(view.places.map(({ group }) => group.id))
    return said.size === 0 && lights.size === 1 ? [...lights][0]! : null
  }

  readonly #loadsOf = (groupId: string): readonly Seen[] =>
    this.#seen.filter(seen => isLoadRole(seen.each.end.role) && this.lightOf(seen) === groupId)

  /** What is in the cables of a light’s switched conductors, themselves too. */
  besideLoads(groupId: string): readonly Seen[] {
    const cables = new Set(this.#loadsOf(groupId).map(({ each }) => each.cable.id))
    return this.#seen.filter(({ each }) => cables.has(each.cable.id))
  }

  /** The circuit that a light is fed from. */
  ofLight(groupId: string): Whose {
    if (this.#only !== null) return { kind: 'known', circuitId: this.#only }
    const hots = this.#seen.filter(({ each }) => isHotRole(each.end.role))
    const loads = this.#loadsOf(groupId)
    const cables = new Set(loads.map(({ each }) => each.cable.id))
    const circuits = (found: readonly Seen[]) => found.flatMap(({ each }) => this.of(each) ?? [])
    const fed = new Set([
      ...loads.flatMap(({ each }) => each.end.roleCircuitId ?? []),
      ...circuits(hots.filter(({ each }) => each.end.roleGroupId === groupId)),
      ...circuits(hots.filter(({ each }) => each.end.role === 'loop-feed' && cables.has(each.cable.id))),
      ...circuits(hots.filter(({ view, each }) => isOnDeviceOf(view, each, groupId))),
    ])
    const returns = new Set(
      circuits(this.besideLoads(groupId).filter(({ each }) => each.end.role === 'neutral')).map(id =>
        this.neutralOf(id),
      ),
    )
    const at = [...new Set([...[...fed].map(id => this.neutralOf(id)), ...returns])]
    if (fed.size > 1 || at.length > 1)
      return { kind: 'at-odds', circuits: [...new Set([...fed, ...returns])].sort() }
    const [circuitId] = fed
    if (circuitId !== undefined) return { kind: 'known', circuitId }
    const able = this.breakers.filter(({ id }) => at.length === 0 || this.neutralOf(id) === at[0])
    const brought = new Set(hots.map(({ each }) => this.of(each)))
    const feeding = able.filter(({ id }) => brought.has(id))
    // What brings none cannot feed it; one that is not known may be any.
    if (!brought.has(null) && feeding.length === 1) return { kind: 'known', circuitId: feeding[0]!.id }
    return { kind: 'not-said', among: able }
  }

  /** The circuit of a hot or a neutral; where it is not known, a name that only what is one metal with it has. */
  supplyOf(each: EndView): string {
    return this.of(each) ?? `not said: ${this.#root(each)}`
  }

  #asOne({ end }: EndView, circuitId: string): string {
    return end.role === 'neutral' ? this.neutralOf(circuitId) : circuitId
  }

  #root(each: EndView): string {
    let at = each.end.id
    for (let next = this.#rootOf.get(at); next !== undefined && next !== at; next = this.#rootOf.get(at))
      at = next
    return at
  }

  /** One metal: what meets in a joint or on a screw, and both ends of a conductor; of one side each. */
  #joinMetals(): void {
    const first = new Map<string, EndView>()
    for (const { view, each } of this.#seen) {
      const side = SIDE_OF[each.end.role ?? 'traveller']
      if (side === null) continue
      for (const metal of [`${view.box.id} ${metalOf(view, each)}`, each.conductor.id]) {
        const key = `${side} ${metal}`
        const other = first.get(key)
        if (other) this.#rootOf.set(this.#root(each), this.#root(other))
        else first.set(key, each)
      }
    }
  }

  #tell(each: EndView, circuitId: string): boolean {
    const root = this.#root(each)
    const told = this.#told.get(root) ?? new Set()
    const before = told.size
    this.#told.set(root, told.add(this.#asOne(each, circuitId)))
    return told.size > before
  }

  readonly #of = (each: EndView): readonly string[] => [...(this.#told.get(this.#root(each)) ?? [])]

  /** Lines that come in from beyond all these boxes, metal by metal. */
  #linesIn(views: readonly BoxView[]): ReadonlyMap<string, EndView> {
    const lines = views.flatMap(({ ends }) =>
      ends.filter(({ end, conductor }) => comesIn(end.role) && !this.#runs.has(conductor.id)),
    )
    return new Map(lines.map(each => [this.#root(each), each]))
  }

  /** One line comes into a box, and one breaker is known to feed it. */
  #tellBox(view: BoxView): void {
    const [feed, more] = view.feeds
    const [line, another] = this.#linesIn([view]).values()
    if (feed && !more && line && !another) this.#tell(line, feed.circuit.id)
  }

  /**
   * The only circuit there is: what comes in is one line, or all of one breaker. One breaker that is known is not the
   * only one while a line may be another’s.
   */
  #theOnly(): string | null {
    if (this.breakers.length > 1) return null
    const only = this.breakers[0]?.id ?? ONLY_SUPPLY
    const lines = [...this.#linesIn(this.views).values()]
    return lines.length < 2 || lines.every(line => this.#of(line).join() === only) ? only : null
  }

  /**
   * What one conductor of a cable tells of another: the neutral beside hots of one circuit is its neutral, and a hot
   * beside a neutral that one circuit has for itself is of that circuit. Whether anything new was told.
   */
  #tellCables(): boolean {
    if (this.#only !== null) return false
    const cables = new Map<string, EndView[]>()
    for (const { each } of this.#seen) cables.set(each.cable.id, [...(cables.get(each.cable.id) ?? []), each])
    let isNew = false
    for (const ends of cables.values()) {
      const hots = ends.filter(({ end }) => isHotRole(end.role))
      const neutrals = ends.filter(({ end }) => end.role === 'neutral')
      const ofHots = hots.map(each => this.of(each))
      const ofNeutrals = neutrals.map(each => this.of(each))
      const [hot] = ofHots
      const [neutral] = ofNeutrals
      if (hot && ofHots.every(id => id === hot))
        for (const each of neutrals) if (this.#of(each).length === 0) isNew = this.#tell(each, hot) || isNew
      if (neutral && ofNeutrals.every(id => id === neutral) && this.#isAlone(neutral))
        for (const each of hots) if (this.#of(each).length === 0) isNew = this.#tell(each, neutral) || isNew
    }
    return isNew
  }

  /** Whether a circuit has its neutral for itself. */
  #isAlone(circuitId: string): boolean {
    const { record } = this.views[0]!
    const circuit = record.circuits[circuitId]
    return circuit !== undefined && sharersOf(record, circuit).length === 0
  }

  #lightOfDevice({ view, each: { end } }: Seen): string | null {
    return view.places.find(({ found }) => found !== null && found.id === end.deviceId)?.group.id ?? null
  }
}

/** Whether a conductor is on the old device of a light, by itself or through a pigtail. */
function isOnDeviceOf(view: BoxView, { end }: EndView, groupId: string): boolean {
  const devices = view.places.flatMap(({ group, found }) => (group.id === groupId && found ? [found.id] : []))
  return (
    (end.deviceId !== null && devices.includes(end.deviceId)) ||
    view.pigtails.some(
      each => each.jointId === end.jointId && each.deviceId !== null && devices.includes(each.deviceId),
    )
  )
}

const known = new WeakMap<BoxView, Map<string, Circuits>>()

/** The circuits of some boxes; the same views are asked once. */
export function circuitsOf(views: readonly BoxView[]): Circuits {
  const [first] = views
  if (!first) return new Circuits(views)
  let of = known.get(first)
  if (!of) known.set(first, (of = new Map()))
  const key = views.map(({ box }) => box.id).join(' ')
  const before = of.get(key)
  if (before && before.views.every((view, at) => view === views[at])) return before
  const circuits = new Circuits(views)
  of.set(key, circuits)
  return circuits
}
