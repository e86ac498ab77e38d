import type { BoxView } from '@/core/job/box-view'
import type { DeviceModel } from '@/core/model/device'
import type { Trade } from '@/core/model/trade'
import { prove } from '@/core/prove'
import { wired } from '@/testing/prove/wired'
import { carryingCost, edgesOf, type Runner } from '@/core/route/carry'
import type { PlannedDevice } from '@/core/route/planned'
import { plannedDevices } from '@/core/route/route-box'

/** What trying every way came to. */
export interface EveryWay {
  readonly tried: number
  readonly proven: number
  /** The least that a way that proves costs between the boxes; null where none does. */
  readonly leastCost: number | null
}

/** A net of each kind, as Route writes it: here it only matters what kind it is. */
const KEYS: Readonly<Record<string, string>> = {
  line: 'line:any',
  load: 'load:any',
  neutral: 'neutral:any',
  traveller: 'traveller:any:1a',
  signal: 'signal:any',
}

/** A net that no supply and no lamp is on. */
const isOwn = (net: string) => net.startsWith('own')

/**
 * Every way to wire two boxes that hang together: each conductor between them on any net its colour may carry, each
 * terminal on any net of its box or on none, each way the main may be set. Knows nothing of how devices are meant to
 * be wired; what it leaves out is what could never prove: a neutral terminal off the neutral, two conductors side by
 * side on one net, a net of one point, a lamp that nothing feeds.
 */
export function everyWay(
  views: readonly BoxView[],
  trade: Trade,
  { fed, lit }: { readonly fed: number; readonly lit: number },
): EveryWay {
  const devices = views.map(view => plannedDevices(view, trade, [])[0]!)
  const runners = edgesOf(views)[0]?.runners ?? []
  let tried = 0
  let proven = 0
  let leastCost: number | null = null
  for (const nets of labelled(runners, trade)) {
    const inBox = (at: number) => [
      ...new Set([...(at === fed ? ['line', 'neutral'] : []), ...(at === lit ? ['load'] : []), ...nets]),
    ]
    if (![0, 1].every(at => at !== lit || inBox(at).includes('neutral'))) continue
    for (const near of seats(devices[0]!, inBox(0).filter(Boolean)))
      for (const far of seats(devices[1]!, inBox(1).filter(Boolean))) {
        const seated = { ...near, ...far }
        const own = new Set([...nets].filter(isOwn))
        if (![...own].every(net => holds(near, net) && holds(far, net))) continue
        for (const settings of settingsOf(devices)) {
          tried++
          if (!works(devices, seated, settings)) continue
          proven++
          const joints = views.reduce(
            (sum, view, at) => sum + jointsIn(view, devices[at]!, seated, nets.filter(Boolean)),
            0,
          )
          const cost = costOf(runners, nets, devices, seated, trade) + joints * trade.routeCosts.newJoint
          if (leastCost === null || cost < leastCost) leastCost = cost
        }
      }
  }
  return { tried, proven, leastCost }
}

type Seats = Readonly<Record<string, string | null>>

const holds = (seated: Seats, net: string) => Object.values(seated).includes(net)

/** Nets for the conductors, an empty one where it stays unused; what only differs in names comes once. */
function* labelled(
  runners: readonly Runner[],
  trade: Trade,
  before: readonly string[] = [],
): Generator<readonly string[]> {
  const runner = runners[before.length]
  if (!runner) {
    yield before
    return
  }
  const fresh = `own${before.filter(isOwn).length + 1}`
  for (const net of ['', 'line', 'load', 'neutral', fresh]) {
    if (net !== '' && before.includes(net)) continue
    const kind = isOwn(net) ? 'traveller' : net
    if (net !== '' && carryingCost(runner, KEYS[kind]!, trade.routeCosts) === Infinity) continue
    yield* labelled(runners, trade, [...before, net])
  }
}

/** Each terminal of a device on one of some nets or on none; terminals that are alike in one order only. */
function* seats({ placeId, model }: PlannedDevice, nets: readonly string[]): Generator<Seats> {
  const terminals = model.terminals.filter(({ wants }) => wants !== 'ground')
  const place = function* (index: number, seated: Seats): Generator<Seats> {
    const terminal = terminals[index]
    if (!terminal) {
      yield seated
      return
    }
    const before = terminals
      .slice(0, index)
      .findLast(({ alike }) => alike !== null && alike === terminal.alike)
    const options: readonly (string | null)[] = isNeutral(model, terminal.id) ? ['neutral'] : [null, ...nets]
    for (const net of options) {
      if (net === 'neutral' && !nets.includes('neutral')) continue
      if (before && options.indexOf(net) < options.indexOf(seated[`${placeId}.${before.id}`] ?? null))
        continue
      yield* place(index + 1, { ...seated, [`${placeId}.${terminal.id}`]: net })
    }
  }
  yield* place(0, {})
}

/** Its electronics live by this terminal alone. */
const isNeutral = ({ supply }: DeviceModel, terminal: string): boolean =>
  supply.length > 0 && supply.every(way => way.kind === 'line-neutral' && way.neutral === terminal)

/** As the devices come, and with what a main is told about a switch that stays. */
function settingsOf(devices: readonly PlannedDevice[]): Readonly<Record<string, Record<string, string>>>[] {
  const told = devices.filter(({ model }) => Object.keys(model.keepsSwitch?.set ?? {}).length > 0)
  return [{}, ...told.map(({ placeId, model }) => ({ [placeId]: { ...model.keepsSwitch!.set } }))]
}

/** What was proven of devices seated so, whatever conductors bring it about. */
const known = new Map<string, boolean>()

function works(
  devices: readonly PlannedDevice[],
  seated: Seats,
  settings: Readonly<Record<string, Record<string, string>>>,
): boolean {
  // A lamp that nothing feeds, or that hangs on nothing, is never lit.
  if (!holds(seated, 'line') || !holds(seated, 'load')) return false
  const key = JSON.stringify([devices.map(({ model }) => model.id), seated, settings])
  let answer = known.get(key)
  if (answer === undefined) known.set(key, (answer = proves(devices, seated, settings)))
  return answer
}

function proves(
  devices: readonly PlannedDevice[],
  seated: Seats,
  settings: Readonly<Record<string, Record<string, string>>>,
): boolean {
  const on = (net: string) => Object.keys(seated).filter(point => seated[point] === net)
  const nets = [...new Set(Object.values(seated))].filter(net => net !== null && isOwn(net)) as string[]
  const circuit = wired({
    devices: Object.fromEntries(
      devices.map(({ placeId, model }) => [placeId, { model: model.id, settings: settings[placeId] ?? {} }]),
    ),
    nets: {
      line: ['panel:hot', ...on('line')],
      load: ['lamp:hot', ...on('load')],
      neutral: ['panel:neutral', 'lamp:neutral', ...on('neutral')],
      ...Object.fromEntries(nets.map(net => [net, on(net)])),
    },
    caps: Object.keys(seated).filter(point => seated[point] === null),
  })
  return prove(circuit).kind === 'proven'
}

/** Joints in a box whose conductors all lie loose: nets that are more than one conductor on one screw, or one capped. */
function jointsIn(
  view: BoxView,
  { placeId, model }: PlannedDevice,
  seated: Seats,
  runs: readonly string[],
): number {
  const outside = { line: ['line'], 'switched-load': ['load'], neutral: ['neutral'] } as const
  const ends = view.ends.flatMap(({ end, conductor, cable }) => {
    if (conductor.insulation === 'bare') return ['ground']
    return cable.far === 'box' ? [] : [...(outside[end.role as keyof typeof outside] ?? [])]
  })
  const terminals = model.terminals.map(terminal => ({
    terminal,
    net: terminal.wants === 'ground' ? 'ground' : (seated[`${placeId}.${terminal.id}`] ?? null),
  }))
  const here = [...ends, ...runs]
  const bond = view.box.material === 'metal' ? 'ground' : null
  return [...new Set([...here, ...terminals.map(({ net }) => net)])].filter(net => {
    if (net === null) return false
    const conductors = here.filter(own => own === net).length
    const on = terminals.filter(own => own.net === net)
    const [only] = on
    if (on.length === 0 && net !== bond) return conductors > 1
    const straight = on.length === 1 && net !== bond && only!.terminal.joins !== 'lead'
    return !(straight && conductors > 0 && conductors <= only!.terminal.atMost)
  }).length
}

/** What the conductors between the boxes cost on these nets, a signal told from a traveller by who is on it. */
function costOf(
  runners: readonly Runner[],
  nets: readonly string[],
  devices: readonly PlannedDevice[],
  seated: Seats,
  trade: Trade,
): number {
  const signals = new Set(
    devices.flatMap(({ placeId, model }) =>
      model.signals.map(({ terminal }) => seated[`${placeId}.${terminal}`] ?? null),
    ),
  )
  return runners.reduce((sum, runner, at) => {
    const net = nets[at]!
    if (net === '') return sum
    const kind = isOwn(net) ? passedFrom(net, devices, seated) : net
    return (
      sum +
      carryingCost(
        runner,
        KEYS[isOwn(kind) ? (signals.has(kind) ? 'signal' : 'traveller') : kind]!,
        trade.routeCosts,
      )
    )
  }, 0)
}

/** What a net is that a device only passes on: the pole it passes. */
function passedFrom(net: string, devices: readonly PlannedDevice[], seated: Seats): string {
  for (const { placeId, model } of devices)
    for (const { between, when } of model.contacts) {
      if (Object.keys(when).length > 0) continue
      const [one, other] = between.map(terminal => seated[`${placeId}.${terminal}`] ?? null)
      if (one === net && other && !isOwn(other)) return other
      if (other === net && one && !isOwn(one)) return one
    }
  return net
}
