import type { BoxView, EndView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import { isHotRole, isLoadRole } from '../identify'
import { looksLikeGround } from '../model/regions'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import type { Trade } from '../model/trade'
import { assigned, assignedOtherwise, crossing, edgesOf, type Assignment, type Edge } from './carry'
import { assemble } from './assemble'
import type { PlannedDevice, RoutedBox } from './planned'
import {
  circuitOf,
  colourFaults,
  isNeeded,
  LINE,
  netOfConductor,
  netWanted,
  netWords,
  plannedDevices,
} from './route-box'
import { schemesOf, type LightNets, type Scheme } from './schemes'

/** Boxes whose wiring hangs together, routed as one: each conductor between them carries one net. */
export interface RoutedTogether {
  readonly boxes: readonly { readonly view: BoxView; readonly routed: RoutedBox }[]
  /** How each light of several places is worked. */
  readonly schemes: readonly Scheme[]
  /** Conductors changed, marked again and so on; the less the better. */
  readonly cost: number
}

/** Whether a box can only be routed together with others. */
export const isTied = (view: BoxView): boolean =>
  view.places.some(({ placesInGroup }) => placesInGroup > 1) || tiedBoxes(view.record, view.box.id).length > 1

const known = new WeakMap<BoxView, { readonly trade: Trade; readonly routed: Result<RoutedTogether> }>()

/** The boxes that hang together with one; the same record and trade are routed once. */
export function routedTogether(view: BoxView, trade: Trade): Result<RoutedTogether> {
  const before = known.get(view)
  if (before?.trade === trade) return before.routed
  const views = tiedBoxes(view.record, view.box.id)
  const routed = routeTogether(views, trade)
  for (const each of views) known.set(each, { trade, routed })
  return routed
}

/**
 * Gives every conductor between the boxes a net, so that every terminal has what it asks for, at the least change:
 * over every way in which the chosen devices work their light together. Refused with what is missing: roles,
 * devices, a set that does not work one light, or conductors between two boxes.
 */
export function routeTogether(views: readonly BoxView[], trade: Trade): Result<RoutedTogether> {
  const ways = waysTogether(views, trade, { next: false })
  return ways.ok ? good(ways.value[0]!) : ways
}

/**
 * The runner-up: the next least way to wire the same boxes, with other conductors or other devices’ parts; null where
 * there is none, or where they cannot be wired at all.
 */
export function nextBest(views: readonly BoxView[], trade: Trade): RoutedTogether | null {
  const ways = waysTogether(views, trade, { next: true })
  return ways.ok ? (ways.value[1] ?? null) : null
}

/** The least way, and where it is asked for the next. */
function waysTogether(
  views: readonly BoxView[],
  trade: Trade,
  { next }: { readonly next: boolean },
): Result<readonly RoutedTogether[]> {
  const faults: Fault[] = []
  for (const view of views) {
    if (view.ends.length === 0)
      faults.push(
        fault(
          '/ends',
          'nothing-recorded',
          `no conductors are recorded in ${view.room.name}, ${view.box.name}`,
        ),
      )
    for (const { end, name } of view.ends)
      if (end.role === null) faults.push(fault(`/ends/${end.id}/role`, 'no-role', `${name} has no role yet`))
  }
  const boxes = views.map(view => ({ view, devices: plannedDevices(view, trade, faults) }))
  if (faults.length > 0) return refused(...faults)
  const puzzle = new Puzzle(boxes, trade)
  for (const view of views)
    for (const each of view.ends)
      if (!puzzle.runs.has(each.conductor.id)) faults.push(...colourFaults(view, each))
  const choices = puzzle.lights().map(({ groupId, devices }) => {
    const schemes = schemesOf(devices, puzzle.netsOf(groupId))
    if (schemes.length === 0)
      faults.push(
        fault(
          `/groups/${groupId}`,
          'no-set',
          `${devices.map(({ model }) => model.name).join(' and ')} do not work one light together`,
        ),
      )
    return schemes
  })
  if (faults.length > 0) return refused(...faults)
  const found: { readonly schemes: readonly Scheme[]; readonly carried: Carried }[] = []
  let least: readonly Fault[] = []
  for (const schemes of combined(choices)) {
    const ways = puzzle.carried(schemes, next)
    if (ways.ok) found.push(...ways.value.map(carried => ({ schemes, carried })))
    else if (least.length === 0 || ways.faults.length < least.length) least = ways.faults
  }
  if (found.length === 0) return refused(...(least as [Fault, ...Fault[]]))
  // Stable: of ways that cost the same the first stays first.
  found.sort((a, b) => a.carried.cost - b.carried.cost)
  return good(
    found.slice(0, next ? 2 : 1).map(({ schemes, carried }) => ({
      schemes,
      cost: carried.cost,
      boxes: boxes.map(({ view, devices }) => ({
        view,
        routed: assemble(
          view,
          trade,
          devices,
          wordsHere(view, devices, carried),
          carried.netOfEnd,
          carried.netOfTerminal,
        ),
      })),
    })),
  )
}

/** Nets that come into one box, or that its devices ask for. */
function wordsHere(
  view: BoxView,
  devices: readonly PlannedDevice[],
  { words, netOfEnd, netOfTerminal }: Carried,
): Record<string, string> {
  const here = new Set([
    ...view.ends.map(({ end }) => netOfEnd[end.id]),
    ...devices.flatMap(({ placeId, model }) =>
      model.terminals.map(({ id }) => netOfTerminal[`${placeId}.${id}`]),
    ),
  ])
  return Object.fromEntries(Object.entries(words).filter(([net]) => here.has(net)))
}

interface Carried {
  readonly cost: number
  readonly words: Readonly<Record<string, string>>
  readonly netOfEnd: Readonly<Record<string, string | null>>
  readonly netOfTerminal: Readonly<Record<string, string | null>>
}

type Boxed = { readonly view: BoxView; readonly devices: readonly PlannedDevice[] }

/** What is fixed of some boxes, whatever way their devices are wired. */
class Puzzle {
  readonly edges: readonly Edge[]
  /** Conductors between the boxes that may carry anything. */
  readonly runs: ReadonlySet<string>
  readonly #fixed: readonly { readonly view: BoxView; readonly each: EndView; readonly net: string | null }[]

  constructor(
    readonly boxes: readonly Boxed[],
    readonly trade: Trade,
  ) {
    this.edges = edgesOf(boxes.map(({ view }) => view))
    this.runs = new Set(this.edges.flatMap(({ runners }) => runners.map(({ conductorId }) => conductorId)))
    this.#fixed = boxes.flatMap(({ view, devices }) =>
      view.ends
        .filter(({ conductor }) => !this.runs.has(conductor.id))
        .map(each => ({ view, each, net: this.#fixedNet(view, each, devices) })),
    )
  }

  /** Lights that several places work. */
  lights(): { groupId: string; devices: PlannedDevice[] }[] {
    const all = this.boxes.flatMap(({ devices }) => devices)
    return [...new Set(all.map(({ groupId }) => groupId))]
      .map(groupId => ({ groupId, devices: all.filter(each => each.groupId === groupId) }))
      .filter(({ devices }) => devices.length > 1)
  }

  netsOf(groupId: string): LightNets {
    const views = this.boxes
      .filter(({ devices }) => devices.some(each => each.groupId === groupId))
      .map(({ view }) => view)
    const hots = this.boxes.flatMap(({ view }) => view.ends).filter(({ end }) => isHotRole(end.role))
    const own =
      hots.find(({ end }) => end.roleGroupId === groupId) ??
      hots.find(
        ({ end }) => end.roleCircuitId !== null && views.length > 0 && this.#feeds(views, end.roleCircuitId),
      )
    const circuit = circuitOf(views[0]!, own?.end.roleCircuitId ?? null)
    return { line: `line:${circuit}`, load: `load:${groupId}`, neutral: `neutral:${circuit}` }
  }

  /**
   * What the conductors between the boxes carry for some schemes, the least first, and where it is asked for each way
   * that differs from it between two boxes; refused where there are too few that may.
   */
  carried(schemes: readonly Scheme[], next: boolean): Result<readonly Carried[]> {
    const faults: Fault[] = []
    const netOfTerminal: Record<string, string | null> = Object.assign({}, ...schemes.map(({ nets }) => nets))
    const wanted = new Map<string, Set<string>>()
    const want = (net: string, box: string) => wanted.set(net, (wanted.get(net) ?? new Set()).add(box))
    const provided = new Set<string>()
    for (const { view, net } of this.#fixed)
      if (net !== null) {
        provided.add(net)
        want(net, view.box.id)
      }
    for (const { view, devices } of this.boxes)
      for (const device of devices)
        for (const terminal of device.model.terminals) {
          const key = `${device.placeId}.${terminal.id}`
          const alone = !schemes.some(({ nets }) => this.#concerns(nets, device.placeId))
          const net = alone ? netWanted(view, device, terminal, provided) : (netOfTerminal[key] ?? null)
          netOfTerminal[key] = net
          if (net === null) continue
          const needed = isNeeded(device.model, terminal)
          if (net !== 'ground' || needed) want(net, view.box.id)
          const made = net.startsWith('traveller:') || net.startsWith('signal:')
          const here = net === 'ground' ? this.#isGrounded(view) : provided.has(net)
          if (!made && !here) {
            netOfTerminal[key] = null
            if (needed)
              faults.push(
                fault(
                  `/places/${device.placeId}/${terminal.id}`,
                  'net-missing',
                  `“${terminal.word}” of ${device.model.name} needs ${netWords(view, net)}, which does not come into ${view.room.name}, ${view.box.name}`,
                ),
              )
          }
        }
    if (faults.length > 0) return refused(...(faults as [Fault, ...Fault[]]))
    return this.#spread(wanted, netOfTerminal, next)
  }

  #spread(
    wanted: ReadonlyMap<string, ReadonlySet<string>>,
    netOfTerminal: Readonly<Record<string, string | null>>,
    next: boolean,
  ): Result<readonly Carried[]> {
    const faults: Fault[] = []
    const over = new Map<Edge, string[]>()
    for (const [net, boxes] of [...wanted].sort(([a], [b]) => (a < b ? -1 : 1))) {
      if (net === 'ground') continue
      const crossed = crossing(this.edges, [...boxes])
      if ('apart' in crossed) {
        faults.push(
          fault(
            `/cables/${crossed.apart.join('/')}`,
            'no-cable',
            `no cable brings ${this.#words(net)} from ${this.#name(crossed.apart[0])} to ${this.#name(crossed.apart[1])}`,
          ),
        )
        continue
      }
      for (const edge of crossed) over.set(edge, [...(over.get(edge) ?? []), net])
    }
    const chosen = new Map<Edge, Assignment>()
    for (const edge of this.edges) {
      const nets = over.get(edge) ?? []
      const found = assigned(edge, nets, this.trade.routeCosts)
      if (found) chosen.set(edge, found)
      else faults.push(this.#tooFew(edge, nets))
    }
    if (faults.length > 0) return refused(...(faults as [Fault, ...Fault[]]))
    const others = next
      ? [...chosen].flatMap(([edge, own]) => {
          const other = assignedOtherwise(edge, over.get(edge) ?? [], this.trade.routeCosts, own)
          return other ? [new Map([...chosen, [edge, other]])] : []
        })
      : []
    return good([chosen, ...others].map(each => this.#carriedBy(each, netOfTerminal)))
  }

  #carriedBy(
    chosen: ReadonlyMap<Edge, Assignment>,
    netOfTerminal: Readonly<Record<string, string | null>>,
  ): Carried {
    const netOfConductor = new Map([...chosen.values()].flatMap(({ netOf }) => [...netOf]))
    const netOfEnd: Record<string, string | null> = {}
    for (const { each, net } of this.#fixed) netOfEnd[each.end.id] = net
    for (const { runners } of this.edges)
      for (const { conductorId, a, b } of runners)
        netOfEnd[a.each.end.id] = netOfEnd[b.each.end.id] = netOfConductor.get(conductorId) ?? null
    const words = Object.fromEntries(
      [...new Set([...Object.values(netOfEnd), ...Object.values(netOfTerminal)])].flatMap(net =>
        net === null ? [] : [[net, this.#words(net)]],
      ),
    )
    const cost = [...chosen.values()].reduce((sum, each) => sum + each.cost, 0)
    return { cost, words, netOfEnd, netOfTerminal }
  }

  #tooFew({ boxes, runners }: Edge, nets: readonly string[]): Fault {
    const names = nets.map(net => this.#words(net)).join(', ')
    const between = `between ${this.#name(boxes[0])} and ${this.#name(boxes[1])}`
    const path = `/cables/${boxes.join('/')}`
    const { ground } = this.boxes[0]!.view.region.words
    return nets.length > runners.length
      ? fault(
          path,
          'too-few-conductors',
          `${nets.length} conductors are needed ${between} besides ${ground} (${names}); ${runners.length} are there`,
        )
      : fault(
          path,
          'colours-do-not-allow',
          `the colours of the conductors ${between} do not allow what they would carry: ${names}`,
        )
  }

  #isGrounded(view: BoxView): boolean {
    return this.#fixed.some(each => each.view === view && each.net === 'ground')
  }

  #name(boxId: string): string {
    const { room, box } = this.boxes.find(({ view }) => view.box.id === boxId)!.view
    return `${room.name}, ${box.name}`
  }

  #words(net: string): string {
    return netWords(this.boxes[0]!.view, net)
  }

  #concerns(nets: Readonly<Record<string, string>>, placeId: string): boolean {
    return Object.keys(nets).some(key => key.startsWith(`${placeId}.`))
  }

  #feeds(views: readonly BoxView[], circuitId: string): boolean {
    return views.some(view => view.feeds.some(({ circuit }) => circuit.id === circuitId))
  }

  /** The net of a conductor that leaves the boxes, by its role; ground by its colour. */
  #fixedNet(view: BoxView, each: EndView, devices: readonly PlannedDevice[]): string | null {
    if (looksLikeGround(view.region, each.conductor)) return 'ground'
    const fed = isLoadRole(each.end.role)
      ? devices.find(
          ({ groupId, model }) =>
            model.terminals.length === 0 && groupId === (each.end.roleGroupId ?? view.places[0]?.group.id),
        )
      : undefined
    return fed ? netWanted(view, fed, LINE, new Set()) : netOfConductor(view, each)
  }
}

/** Every choice of one from each; one empty choice where there is none. */
function combined<Item>(choices: readonly (readonly Item[])[]): Item[][] {
  return choices.reduce<Item[][]>(
    (so, each) => so.flatMap(before => each.map(item => [...before, item])),
    [[]],
  )
}
