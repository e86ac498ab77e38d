import { keyOfTerminal, terminalAt, type TerminalKey } from '../model/terminal-key'
import { racewayGround } from '../job/raceway'
import type { BoxView, EndView } from '../job/box-view'
import type { Circuits } from '../job/circuits'
import { comesIn } from '../model/roles'
import { looksLikeGround } from '../model/regions'
import { fault, good, refused, type Fault, type Result } from '../model/result'
import type { Trade } from '../model/trade'
import type { Unworked } from '../model/vocabulary'
import { bearing, BoxWork } from './box-work'
import { edgesOf, type Edge, type Runner } from './carry'
import { Offers } from './offers'
import { feedOfLight, protectedBy, waysIn, type Ways } from './feed'
import type { Between } from './orders'
import type { PlannedDevice } from './planned'
import { isNeeded, netLeaving, netWanted, netWords, partedLoads, protectedNets } from './route-box'
import type { LightNets, Scheme } from './schemes'
import { spread, type Spread, type TooFew, type Unspread } from './spread'
import { keyOf, kindOf, netOf, type Net } from './net'
import { unworkedOf } from './unworked'
import { sayIn, type Say } from '../words/say'

/** What all conductors and terminals of some boxes are on. */
export interface Carried {
  readonly cost: number
  readonly words: Readonly<Record<string, string>>
  readonly netOfEnd: Readonly<Record<string, string | null>>
  readonly netOfTerminal: Readonly<Record<string, string | null>>
}

export type Boxed = { readonly view: BoxView; readonly devices: readonly PlannedDevice[] }

/** What is fixed of some boxes, whatever way their devices are wired. */
export class Puzzle {
  readonly circuits: Circuits
  readonly #ways: Ways
  readonly edges: readonly Edge[]
  /** Conductors between the boxes that may carry anything. */
  readonly runs: ReadonlySet<string>
  /** By whether colours alone make another way. */
  readonly #offers: { readonly ofOne: Offers; readonly ofColours: Offers }
  readonly #say: Say
  readonly #circuits = new Map<string, string>()
  readonly #unworked: ReadonlyMap<string, Unworked>
  /** Boxes that a net comes into from its supply. */
  readonly #sources: ReadonlyMap<string, readonly string[]>
  readonly #netOfFixed: ReadonlyMap<string, string | null>
  readonly #fixed: readonly { readonly view: BoxView; readonly each: EndView; readonly net: string | null }[]

  constructor(
    readonly boxes: readonly Boxed[],
    readonly trade: Trade,
  ) {
    this.#say = sayIn(boxes[0]!.view.region)
    this.#unworked = unworkedOf(
      boxes.map(({ view }) => view),
      boxes.flatMap(({ devices }) => devices),
    )
    this.#ways = waysIn(
      boxes.map(({ view }) => view),
      trade,
    )
    this.circuits = this.#ways.circuits
    this.edges = edgesOf(boxes.map(({ view }) => view))
    this.runs = new Set(this.edges.flatMap(({ runners }) => runners.map(({ conductorId }) => conductorId)))
    this.#fixed = boxes.flatMap(({ view }) =>
      view.ends
        .filter(({ conductor }) => !this.runs.has(conductor.id))
        .map(each => ({ view, each, net: this.#fixedNet(view, each) })),
    )
    const offers = (kindOf: (runner: Runner) => string) =>
      new Offers(trade.routeCosts, net => this.#circuitOf(net), kindOf)
    this.#offers = {
      ofOne: offers(bearing),
      ofColours: offers(runner => `${runner.a.each.conductor.insulation} ${bearing(runner)}`),
    }
    this.#sources = this.#sourcesOf()
    this.#netOfFixed = new Map(this.#fixed.map(({ each, net }) => [each.end.id, net]))
  }

  /** Lights that several places work. */
  lights(): { groupId: string; devices: PlannedDevice[] }[] {
    const all = this.boxes.flatMap(({ devices }) => devices).filter(({ model }) => !model.isolates)
    return [...new Set(all.map(({ groupId }) => groupId))]
      .map(groupId => ({ groupId, devices: all.filter(each => each.groupId === groupId) }))
      .filter(({ devices }) => devices.length > 1)
  }

  netsOf(groupId: string): LightNets {
    const views = this.boxes
      .filter(({ devices }) => devices.some(each => each.groupId === groupId))
      .map(({ view }) => view)
    const feed = feedOfLight(this.#ways, views, groupId)
    // Asked before anything is carried.
    if (!feed) throw new Error(`not said what feeds ${groupId}`)
    return { ...feed, groupId, load: keyOf({ kind: 'load', groupId }) }
  }

  /**
   * What runs between the boxes, for schemes that go from one to the next.
   * @param limit what costs as much or more is not asked for any longer
   */
  between(limit: () => number): Between {
    const boxOf = new Map(
      this.boxes.flatMap(({ view, devices }) =>
        devices.map(({ placeId }) => [placeId, view.box.id] as const),
      ),
    )
    return {
      edges: this.edges,
      costs: this.trade.routeCosts,
      boxOf: ({ placeId }) => boxOf.get(placeId)!,
      limit,
    }
  }

  /**
   * The cheapest ways to carry what some schemes want over the conductors between the boxes; refused where there are
   * too few that may, and empty where all cost as much as what is there already, or more.
   */
  carried(schemes: readonly Scheme[], count: number, below: number): Result<readonly Carried[]> {
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
    const asked = [...provided, ...Object.values(netOfTerminal)]
    for (const { devices } of this.boxes) for (const net of partedLoads(devices)) provided.add(net)
    for (const { view, devices } of this.boxes)
      for (const net of protectedNets(this.#ways, view, devices, asked)) provided.add(net)
    for (const { view, devices } of this.boxes)
      for (const device of devices)
        for (const terminal of device.model.terminals) {
          const key = keyOfTerminal({ placeId: device.placeId, terminalId: terminal.id })
          const alone = !schemes.some(({ nets }) => this.#concerns(nets, device.placeId))
          const net = alone
            ? netWanted(this.#ways, view, device, terminal, provided)
            : (netOfTerminal[key] ?? null)
          netOfTerminal[key] = net
          if (net === null) continue
          const needed = isNeeded(device.model, terminal)
          if (net !== 'ground' || needed) want(net, view.box.id)
          const made = ['traveller', 'signal', 'own'].includes(kindOf(net))
          const here = net === 'ground' ? this.#isGrounded(view) : provided.has(net)
          if (!made && !here) {
            netOfTerminal[key] = null
            if (needed)
              faults.push(
                fault(
                  `/places/${device.placeId}/${terminal.id}`,
                  'net-missing',
                  sayIn(
                    view.region,
                  )`“${terminal.word}” of ${device.model.name} needs ${netWords(view, net)}, which does not come into ${view.room.name}, ${view.box.name}`,
                ),
              )
          }
        }
    if (faults.length > 0) return refused(...(faults as [Fault, ...Fault[]]))
    return this.#spread(wanted, netOfTerminal, count, below)
  }

  #spread(
    wanted: ReadonlyMap<string, ReadonlySet<string>>,
    netOfTerminal: Readonly<Record<string, string | null>>,
    count: number,
    below: number,
  ): Result<readonly Carried[]> {
    const boxOf = new Map(this.boxes.map(each => [each.view.box.id, each]))
    const { routeCosts: costs } = this.trade
    const found = spread(
      {
        boxes: [...boxOf.keys()],
        edges: this.edges,
        boxesOf: new Map(
          [...wanted]
            .filter(([net]) => net !== 'ground')
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([net, boxes]) => [net, [...boxes]]),
        ),
        broughtTo: this.#sources,
        offers: count > 1 ? this.#offers.ofColours : this.#offers.ofOne,
        workAt: (boxId, incoming) => {
          const { view, devices } = boxOf.get(boxId)!
          const fixed = ({ end, conductor }: EndView) =>
            this.runs.has(conductor.id) ? undefined : (this.#netOfFixed.get(end.id) ?? null)
          return new BoxWork(view, devices, netOfTerminal, fixed, incoming, costs)
        },
      },
      count,
      below,
    )
    if (found.why) return refused(...this.#faultsOf(found.why))
    return good(found.ways.map(way => this.#carriedBy(way, netOfTerminal)))
  }

  #carriedBy({ cost, netOf }: Spread, netOfTerminal: Readonly<Record<string, string | null>>): Carried {
    const netOfEnd = Object.fromEntries(
      this.boxes.flatMap(({ view }) =>
        view.ends.map(each => [each.end.id, this.#netOfEnd(each, netOf)] as const),
      ),
    )
    const words = Object.fromEntries(
      [...new Set([...Object.values(netOfEnd), ...Object.values(netOfTerminal)])].flatMap(net =>
        net === null ? [] : [[net, this.#words(net)]],
      ),
    )
    return { cost, words, netOfEnd, netOfTerminal }
  }

  #netOfEnd({ end, conductor }: EndView, netOf: ReadonlyMap<string, string>): string | null {
    return (this.runs.has(conductor.id) ? netOf.get(conductor.id) : this.#netOfFixed.get(end.id)) ?? null
  }

  /** The circuit that a net belongs to; what is behind a protection returns behind it. */
  #circuitOf(net: string): string {
    let circuit = this.#circuits.get(net)
    if (circuit === undefined) {
      const by = this.#protectionOf(netOf(net))
      circuit = [this.circuits.neutralOf(this.#circuitIdOf(netOf(net))), ...(by === null ? [] : [by])].join(
        ' behind ',
      )
      this.#circuits.set(net, circuit)
    }
    return circuit
  }

  #protectionOf(net: Net): string | null {
    if (net.kind === 'control-plus' || net.kind === 'control-minus') return null
    if ('groupId' in net) return protectedBy(this.#ways, net.groupId)
    return 'by' in net && net.by !== null && this.boxes[0]!.view.record.places[net.by] ? net.by : null
  }

  /** The name of what no circuit is known for stands for one of its own. */
  #circuitIdOf(net: Net): string {
    if (net.kind === 'ground') return net.kind
    if ('circuitId' in net) return net.circuitId
    if ('beyond' in net) return this.#circuitOfLight(this.boxes[0]!.view.record.places[net.beyond]!.groupId)
    if (net.kind === 'control-plus' || net.kind === 'control-minus') return `pair:${net.groupId}`
    // Its two terminals are at one place: no conductor carries it.
    if (net.kind === 'own') return net.placeId
    return this.#circuitOfLight(net.groupId)
  }

  #circuitOfLight(groupId: string): string {
    const whose = this.circuits.ofLight(groupId)
    return whose.kind === 'known' ? whose.circuitId : groupId
  }

  #faultsOf(why: Unspread): [Fault, ...Fault[]] {
    const say = this.#say
    const faults =
      why.kind === 'too-few'
        ? why.between.map(each => this.#tooFew(each))
        : why.nets.map(({ net, apart }) =>
            fault(
              `/cables/${apart.join('/')}`,
              'no-cable',
              say`no cable brings ${this.#words(net)} from ${this.#name(apart[0])} to ${this.#name(apart[1])}`,
            ),
          )
    return faults as [Fault, ...Fault[]]
  }

  #tooFew({ edge: { boxes, runners }, nets }: TooFew): Fault {
    const say = this.#say
    const names = nets.map(net => this.#words(net)).join(', ')
    const between = say`between ${this.#name(boxes[0])} and ${this.#name(boxes[1])}`
    const path = `/cables/${boxes.join('/')}`
    return nets.length > runners.length
      ? fault(
          path,
          'too-few-conductors',
          say.count(
            nets.length,
            '# conductor is needed {0} besides ground ({1}); {2} are there',
            '# conductors are needed {0} besides ground ({1}); {2} are there',
            between,
            names,
            runners.length,
          ),
        )
      : fault(
          path,
          'colours-do-not-allow',
          say`the colors of the conductors ${between} do not allow what they would carry: ${names}`,
        )
  }

  /** A hot that comes in, and the neutral beside one, are of the supply: between two of them nothing need run. */
  #sourcesOf(): Map<string, string[]> {
    const isFeed = ({ end }: EndView) => comesIn(end.role)
    const fed = new Set(this.#fixed.flatMap(({ each }) => (isFeed(each) ? [each.cable.id] : [])))
    const sources = new Map<string, string[]>()
    for (const { view, each, net } of this.#fixed)
      if (net !== null && (isFeed(each) || (each.end.role === 'neutral' && fed.has(each.cable.id))))
        sources.set(net, [...(sources.get(net) ?? []), view.box.id])
    return sources
  }

  #isGrounded(view: BoxView): boolean {
    return (
      this.#fixed.some(each => each.view === view && each.net === 'ground') ||
      racewayGround(view) === 'continuous'
    )
  }

  #name(boxId: string): string {
    const { room, box } = this.boxes.find(({ view }) => view.box.id === boxId)!.view
    return `${room.name}, ${box.name}`
  }

  #words(net: string): string {
    return netWords(this.boxes[0]!.view, net)
  }

  #concerns(nets: Readonly<Record<string, string>>, placeId: string): boolean {
    return (Object.keys(nets) as TerminalKey[]).some(key => terminalAt(key).placeId === placeId)
  }

  /** The net of a conductor that leaves the boxes, by its role; ground by its colour. */
  #fixedNet(view: BoxView, each: EndView): string | null {
    if (looksLikeGround(view.region, each.conductor)) return 'ground'
    const views = this.boxes.map(each => each.view)
    return netLeaving(this.#ways, views, { view, each }, this.#unworked)
  }
}
