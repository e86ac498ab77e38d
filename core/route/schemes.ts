import type { Terminal } from '../model/device'
import { companionSignal, isMiddle, isTwoPlace, mainSignal, wanting } from '../model/make-up'
import { ordersBetween, type Between } from './orders'
import type { PlannedDevice } from './planned'
import { keyOf } from './net'

export const SET_KINDS = ['alone', 'two-way', 'companions', 'kept-switch', 'linked'] as const
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

const at = (device: PlannedDevice, terminal: string) => `${device.placeId}.${terminal}`
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
    const others = devices.filter(each => each !== main)
    yield* withCompanions(main, others, nets)
    yield* withKeptSwitch(main, others, nets)
    yield* linked(main, others, nets)
  }
}

/** Line, load, neutral and ground as a device asks for them. */
function own({ placeId, model }: PlannedDevice, nets: LightNets): Record<string, string> {
  const of: Partial<Record<Terminal['wants'], string>> = { ...nets, ground: 'ground' }
  return Object.fromEntries(
    model.terminals.flatMap(({ id, wants }) => (of[wants] ? [[`${placeId}.${id}`, of[wants]]] : [])),
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

/** A main, and companions whose pass-through all lies on one pole that it hears. */
function withCompanions(main: PlannedDevice, others: readonly PlannedDevice[], nets: LightNets): Scheme[] {
  const signal = mainSignal(main.model)
  const spoken = others.map(({ model }) => companionSignal(model))
  if (!signal || others.length === 0) return []
  if (!spoken.every(each => each?.family === signal.family)) return []
  return signal.hears.flatMap((pole): Scheme[] => {
    const net = wanting(main.model, 'line').some(({ id }) => id === pole) ? nets.line : nets.load
    const passing = others.flatMap(each =>
      wanting(each.model, 'pass').map(({ id }) => [at(each, id), net] as const),
    )
    // One whose own line passes the power stands on the line.
    if (net === nets.load && others.some(({ model }) => wanting(model, 'pass').length === 0)) return []
    return [
      {
        kind: 'companions',
        least: 0,
        settings: {},
        nets: {
          ...Object.assign({}, ...others.map(each => own(each, nets))),
          ...own(main, nets),
          ...Object.fromEntries(passing),
          [at(main, signal.terminal)]: signalOf(nets),
          ...Object.fromEntries(
            others.map((each, index) => [at(each, spoken[index]!.terminal), signalOf(nets)]),
          ),
        },
      },
    ]
  })
}

const signalOf = ({ groupId }: LightNets) => keyOf({ kind: 'signal', groupId })

/**
 * An old two-place switch that stays: the power passes it in a joint with a pigtail to its common, and one traveller
 * signals, or is watched by the main; its other screw stays empty.
 */
function withKeptSwitch(main: PlannedDevice, others: readonly PlannedDevice[], nets: LightNets): Scheme[] {
  const { keepsSwitch } = main.model
  const signal = mainSignal(main.model)
  const [kept] = others
  if (!keepsSwitch || !signal || !kept || others.length !== 1 || !isTwoPlace(kept.model)) return []
  const [common] = wanting(kept.model, 'common')
  const [traveller] = wanting(kept.model, 'traveller')
  return signal.hears.map((pole): Scheme => {
    const net = wanting(main.model, 'line').some(({ id }) => id === pole) ? nets.line : nets.load
    return {
      kind: 'kept-switch',
      least: 0,
      settings: { [main.placeId]: keepsSwitch.set },
      nets: {
        ...own(kept, nets),
        ...own(main, nets),
        [at(kept, common!.id)]: net,
        [at(kept, traveller!.id)]: signalOf(nets),
        [at(main, signal.terminal)]: signalOf(nets),
      },
    }
  })
}

/** Places that speak by radio: one switches the lamp, the load lead of each other is capped. */
function linked(main: PlannedDevice, others: readonly PlannedDevice[], nets: LightNets): Scheme[] {
  const { radio, family } = main.model
  const speaks = ({ model }: PlannedDevice) =>
    model.radio === radio && model.family === family && model.control.some(({ tells }) => tells !== undefined)
  if (radio === null || others.length === 0 || ![main, ...others].every(speaks)) return []
  // They tell each other on and off, and no level: a dimmer among them drives the lamp, and stands alone in that.
  if (others.some(({ model }) => model.dims !== null)) return []
  // What lives through the lamp lives nowhere else.
  if (others.some(({ model }) => !model.supply.some(({ kind }) => kind === 'line-neutral'))) return []
  const capped = new Set(others.flatMap(each => wanting(each.model, 'load').map(({ id }) => at(each, id))))
  const all: Record<string, string> = Object.assign({}, ...[main, ...others].map(each => own(each, nets)))
  return [
    {
      kind: 'linked',
      least: 0,
      settings: {},
      nets: Object.fromEntries(Object.entries(all).filter(([terminal]) => !capped.has(terminal))),
    },
  ]
}
