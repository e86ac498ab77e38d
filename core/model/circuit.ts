import type { DeviceModel } from './device'
import { faultsOfDevice } from './device-form'
import type { RegionId } from './vocabulary'
import { fault, good, refused, type Fault, type Result } from './result'

/**
 * A circuit of any number of boxes: what is joined to what. A *point* is a place where metal can be
 * touched: a conductor end, a terminal (`device.terminal`), a load's contact, a supply's pole.
 */
export interface Circuit {
  /** The region in whose words it is spoken of; North America where absent. */
  readonly saidIn?: RegionId
  readonly nominalVolts: number
  readonly supplies: readonly SupplyPoint[]
  readonly wires: readonly Wire[]
  /** Points held together by a connector, or a conductor held by a terminal. */
  readonly joints: readonly CircuitJoint[]
  readonly devices: readonly PlacedDevice[]
  readonly loads: readonly CircuitLoad[]
  /** Points that end safely on their own, one by one. */
  readonly caps: readonly string[]
  /** Metal that must be grounded, apart from devices and luminaires: boxes. */
  readonly bonds: readonly { readonly id: string; readonly point: string }[]
  /** Where no ground is there, and may be missing as it was judged: points that would be grounded, by what they are of. */
  readonly groundless?: readonly { readonly id: string; readonly point: string }[]
  /** The net each point is meant to be on; null for a circuit as found, which has no plan. */
  readonly plan: Readonly<Record<string, string>> | null
}

export interface SupplyPoint {
  readonly id: string
  readonly volts: number
  /** 0° or 180° on a split supply, 0°, 120° or 240° on three phases. */
  readonly phaseDegrees: number
  readonly breakerOn: boolean
  readonly hot: string
  readonly neutral: string
  readonly ground: string
}

export interface Wire {
  readonly id: string
  readonly a: string
  readonly b: string
  /** Conductors of one cable lie beside each other: a live one is felt by its neighbours. */
  readonly cable?: string
  /** Inside metal: a field tester at its sheath feels nothing. */
  readonly shielded?: boolean
}

export interface CircuitJoint {
  readonly id: string
  readonly members: readonly string[]
}

export interface PlacedDevice {
  readonly id: string
  readonly groupId: string
  readonly model: DeviceModel
  /** How a sentence calls it; its id where it has no name. */
  readonly name?: string
  /** Settings made on it, by id; the model’s initial value where none stands. */
  readonly settings?: Readonly<Record<string, string>>
}

export interface CircuitLoad {
  readonly id: string
  /** `onward` stands for whatever is fed through this box, `receptacle` for one in it: both stay alive. */
  readonly kind: 'lamp' | 'onward' | 'receptacle'
  readonly groupId: string
  readonly watts: number
  /** What a bypass draws that is fitted beside it, in W; none if absent. */
  readonly bypassWatts?: number
  /** The device that parts it from all poles while that is out of service; absent where none does. */
  readonly isolatedBy?: string
  /** What it is to be all the time, where nothing works it; absent where something does. */
  readonly keeps?: 'lit' | 'dark'
  readonly hot: string
  readonly neutral: string
  /** Its driver is told how bright to be by a low voltage between these; absent where it is not. */
  readonly control?: { readonly plus: string; readonly minus: string }
  /** Contact of a metal luminaire or of a receptacle, or null. */
  readonly ground: string | null
  /** Current below which it is dark, in mA. */
  readonly offLimitMilliamps: number
  /** Resistance while it is dark, as a share of the working one: a cold filament has little. 1 if absent. */
  readonly coldShare?: number
  /** What an ohmmeter finds on it without power, as a share of the working resistance; null: open. */
  readonly ohmsShare?: number | null
}

export const terminalPoint = (deviceId: string, terminalId: string) => `${deviceId}.${terminalId}`

/** The same circuit, its shape checked: the only kind the engines take. Unknown points are faults. */
export function parseCircuit(draft: Circuit): Result<Circuit> {
  const faults: Fault[] = []
  const points = pointsOf(draft)
  const need = (path: string, point: string) => {
    if (!points.has(point)) faults.push(fault(path, 'unknown-point', `nothing is called “${point}”`))
  }
  const ids = (path: string, rows: readonly { id: string }[]) => {
    const seen = new Set<string>()
    rows.forEach((row, index) => {
      if (seen.has(row.id)) faults.push(fault(`${path}/${index}/id`, 'twice', `“${row.id}” stands twice`))
      seen.add(row.id)
    })
  }
  ids('/supplies', draft.supplies)
  ids('/wires', draft.wires)
  ids('/joints', draft.joints)
  ids('/devices', draft.devices)
  ids('/loads', draft.loads)
  draft.joints.forEach((joint, index) =>
    joint.members.forEach((member, at) => need(`/joints/${index}/members/${at}`, member)),
  )
  draft.caps.forEach((cap, index) => need(`/caps/${index}`, cap))
  draft.devices.forEach((device, index) =>
    faultsOfDevice(device.model).forEach(each =>
      faults.push({ ...each, path: `/devices/${index}/model${each.path}` }),
    ),
  )
  draft.loads.forEach((load, index) => {
    if (!(load.watts > 0 || (load.kind === 'receptacle' && load.watts === 0)))
      faults.push(fault(`/loads/${index}/watts`, 'range', 'a load takes more than 0 W'))
  })
  draft.supplies.forEach((supply, index) => {
    if (!(supply.volts > 0 && supply.volts <= 1000))
      faults.push(fault(`/supplies/${index}/volts`, 'range', 'a supply gives more than 0 and at most 1000 V'))
  })
  return faults.length > 0 ? refused(...faults) : good(draft)
}

/** Every point there is, in the order things are listed. */
export function pointsOf(circuit: Circuit): Set<string> {
  const points = new Set<string>()
  for (const supply of circuit.supplies) points.add(supply.hot).add(supply.neutral).add(supply.ground)
  for (const wire of circuit.wires) points.add(wire.a).add(wire.b)
  for (const device of circuit.devices)
    for (const terminal of device.model.terminals) points.add(terminalPoint(device.id, terminal.id))
  for (const load of circuit.loads) {
    points.add(load.hot).add(load.neutral)
    if (load.ground !== null) points.add(load.ground)
    if (load.control) points.add(load.control.plus).add(load.control.minus)
  }
  for (const bond of circuit.bonds) points.add(bond.point)
  return points
}
