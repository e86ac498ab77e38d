import { keyOfTerminal, type TerminalKey } from '../model/terminal-key'
import type { Terminal } from '../model/device'
import { companionSignal, isMiddle, isTwoPlace, mainSignal, wanting } from '../model/make-up'
import { combined } from './combined'
import { ordersBetween, type Between } from './orders'
import type { PlannedDevice } from './planned'
import { keyOf } from './net'

export const SET_KINDS = ['alone', 'two-way', 'companions', 'kept-switch', 'linked', 'mixed'] as const
export type SetKind = (typeof SET_KINDS)[number]

/** One way in which the devices of a light work it together: the net of every terminal that is used. */
export interface Scheme {
  readonly kind: SetKind
  /** Net by `place.terminal`; what is not in it stays unused. */
  readonly nets: Readonly<Record<string, string>>
  /** Settings without which they would not work together, by place. */
  readonly settings: Readonly<Record<string, Readonly<Record<string, string>>>>
  /** What its conductors between boxes cost at the least. */
  readonly least: number
}

/** Nets of one light: what feeds it, its switched conductor, its circuit’s neutral. */
export interface LightNets {
  readonly groupId: string
  readonly line: string
  readonly load: string
  readonly neutral: string
}

const at = ({ placeId }: PlannedDevice, terminalId: string) => keyOfTerminal({ placeId, terminalId })
const switchesLoad = ({ model }: PlannedDevice) => wanting(model, 'load').length > 0
/**
 * Every way in which these devices, one at each place, work one light together; none where they do not. What is
 * told apart by nothing (a chain from its other end) comes once.
 */
export function* schemesOf(
  devices: readonly PlannedDevice[],
  nets: LightNets,
  between: Between,
): Generator<Scheme> {
  yield* twoWay(devices, nets, between)
  for (const main of devices.filter(switchesLoad)) {
    yield* led(
      main,
      devices.filter(each => each !== main),
      nets,
    )
  }
}

/** Line, load, neutral and ground as a device asks for them. */
function own({ placeId, model }: PlannedDevice, nets: LightNets): Record<string, string> {
  const of: Partial<Record<Terminal['wants'], string>> = {
    ...nets,
    ground: 'ground',
    own: keyOf({ kind: 'own', placeId }),
  }
  return Object.fromEntries(
    model.terminals.flatMap(({ id, wants }) =>
      of[wants] ? [[keyOfTerminal({ placeId, terminalId: id }), of[wants]]] : [],
    ),
  )
}

/** Two switches at the ends and middle ones between them, in any order: hot comes to one end, the lamp hangs on the other. */
function* twoWay(devices: readonly PlannedDevice[], nets: LightNets, between: Between): Generator<Scheme> {
  const ends = devices.filter(({ model }) => isTwoPlace(model))
  const middles = devices.filter(({ model }) => isMiddle(model))
  const [one, other] = ends
  if (!one || !other || ends.length > 2 || ends.length + middles.length !== devices.length) return
  for (const [first, last] of [
    [one, other],
    [other, one],
  ] as const)
    for (const order of ordersBetween(first, middles, last, between))
      yield { kind: 'two-way', settings: {}, nets: chain(order.devices, nets), least: order.least }
}

function chain(
  devices: readonly PlannedDevice[],
  { line, load, groupId }: LightNets,
): Record<string, string> {
  const nets: Record<string, string> = {}
  devices.forEach((device, index) => {
    const { model } = device
    for (const { id } of wanting(model, 'ground')) nets[at(device, id)] = 'ground'
    for (const { id } of wanting(model, 'common')) nets[at(device, id)] = index === 0 ? line : load
    const travellers = wanting(model, 'traveller')
    // A middle switch has one pair towards each neighbour.
    const pairs = isMiddle(model)
      ? [
          travellers.filter(each => each.alike === travellers[0]!.alike),
          travellers.filter(each => each.alike !== travellers[0]!.alike),
        ]
      : [travellers]
    const hops = isMiddle(model) ? [index - 1, index] : [index === 0 ? 0 : index - 1]
    pairs.forEach((pair, which) => {
      pair.forEach(({ id }, side) => {
        nets[at(device, id)] = keyOf({
          kind: 'traveller',
          groupId,
          hop: hops[which]! + 1,
          side: side === 0 ? 'a' : 'b',
        })
      })
    })
  })
  return nets
}

/**
 * One that drives the lamp, and each other place telling it what to do, in whatever way its model can: over the signal
 * conductor, as an old switch that stays and is watched, or by radio. What tells over the conductor passes its power
 * on one pole that the main hears, the same for all.
 */
function* led(main: PlannedDevice, others: readonly PlannedDevice[], nets: LightNets): Generator<Scheme> {
  const signal = mainSignal(main.model)
  const poles = signal?.hears ?? []
  for (const pole of [...poles, null]) {
    const ways = others.map(other => waysToTell(main, other, pole, others.length, nets))
    for (const chosen of combined(ways)) {
      const overConductor = chosen.filter(({ kind }) => kind !== 'linked')
      if (pole !== null ? overConductor.length === 0 : chosen.length === 0) continue
      const kinds = new Set(chosen.map(({ kind }) => kind))
      yield {
        kind: kinds.size === 1 ? chosen[0]!.kind : 'mixed',
        least: 0,
        settings: Object.assign({}, ...chosen.map(({ settings }) => settings)),
        nets: {
          ...Object.assign({}, ...chosen.map(each => each.nets)),
          ...own(main, nets),
          ...(signal && pole !== null ? { [at(main, signal.terminal)]: signalOf(nets) } : {}),
        },
      }
    }
  }
}

/** One way in which a place tells a main, and the nets of its own terminals. */
interface Telling {
  readonly kind: 'companions' | 'kept-switch' | 'linked'
  readonly nets: Readonly<Record<string, string>>
  readonly settings: Scheme['settings']
}

/** @param pole of the main, that is heard; null where nothing is heard over a conductor */
function waysToTell(
  main: PlannedDevice,
  other: PlannedDevice,
  pole: string | null,
  count: number,
  nets: LightNets,
): Telling[] {
  const radio = byRadio(main, other, nets)
  if (pole === null) return radio
  const passed = wanting(main.model, 'line').some(({ id }) => id === pole) ? nets.line : nets.load
  return [
    ...asCompanion(main, other, passed, nets),
    ...(count === 1 ? asKeptSwitch(main, other, passed, nets) : []),
    ...radio,
  ]
}

/** Its pass-through lies on the pole; one whose own line passes the power stands on the line. */
function asCompanion(main: PlannedDevice, other: PlannedDevice, passed: string, nets: LightNets): Telling[] {
  const spoken = companionSignal(other.model)
  if (spoken === null || spoken.family !== mainSignal(main.model)!.family) return []
  const passing = wanting(other.model, 'pass')
  if (passed === nets.load && passing.length === 0) return []
  return [
    {
      kind: 'companions',
      settings: {},
      nets: {
        ...own(other, nets),
        ...Object.fromEntries(passing.map(({ id }) => [at(other, id), passed])),
        [at(other, spoken.terminal)]: signalOf(nets),
      },
    },
  ]
}

const signalOf = ({ groupId }: LightNets) => keyOf({ kind: 'signal', groupId })

/**
 * An old two-place switch that stays, the one other place: the power passes it in a joint with a pigtail to its
 * common, and one traveller signals, or is watched by the main; its other screw stays empty.
 */
function asKeptSwitch(main: PlannedDevice, other: PlannedDevice, passed: string, nets: LightNets): Telling[] {
  const { keepsSwitch } = main.model
  if (!keepsSwitch || !isTwoPlace(other.model)) return []
  const [common] = wanting(other.model, 'common')
  const [traveller] = wanting(other.model, 'traveller')
  return [
    {
      kind: 'kept-switch',
      settings: { [main.placeId]: keepsSwitch.set },
      nets: {
        ...own(other, nets),
        [at(other, common!.id)]: passed,
        [at(other, traveller!.id)]: signalOf(nets),
      },
    },
  ]
}

const speaksByRadio = ({ model }: PlannedDevice): boolean =>
  model.radio !== null && model.control.some(({ tells }) => tells !== undefined)

/**
 * Places that speak by radio tell each other on and off, and no level: a dimmer among them drives the lamp. The load
 * lead of those that do not is capped; what lives through the lamp lives nowhere else.
 */
function byRadio(main: PlannedDevice, other: PlannedDevice, nets: LightNets): Telling[] {
  const areKin = main.model.radio === other.model.radio && main.model.family === other.model.family
  if (!areKin || !speaksByRadio(main) || !speaksByRadio(other) || other.model.dims !== null) return []
  // One that lives by its own battery asks nothing of its box.
  const livesAlone = other.model.terminals.length === 0
  if (!livesAlone && !other.model.supply.some(({ kind }) => kind === 'line-neutral')) return []
  const capped = new Set(wanting(other.model, 'load').map(({ id }) => at(other, id)))
  return [
    {
      kind: 'linked',
      settings: {},
      nets: Object.fromEntries(
        Object.entries(own(other, nets)).filter(([terminal]) => !capped.has(terminal as TerminalKey)),
      ),
    },
  ]
}
