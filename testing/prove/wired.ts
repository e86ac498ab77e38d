import type { Circuit, CircuitLoad, PlacedDevice, SupplyPoint } from '@/core/model/circuit'
import { trade } from '@/catalogue'

/** A lamp of so many watts at `id:hot` and `id:neutral`. */
export const lamp = (id: string, watts = 40, more: Partial<CircuitLoad> = {}): CircuitLoad => ({
  id,
  kind: 'lamp',
  groupId: 'light',
  watts,
  hot: `${id}:hot`,
  neutral: `${id}:neutral`,
  ground: null,
  offLimitMilliamps: 1,
  ohmsShare: null,
  ...more,
})

export const supply = (id: string, more: Partial<SupplyPoint> = {}): SupplyPoint => ({
  id,
  volts: 120,
  phaseDegrees: 0,
  breakerOn: true,
  hot: `${id}:hot`,
  neutral: `${id}:neutral`,
  ground: 'ground',
  ...more,
})

export interface Wired {
  /** Model of each device, by id; or with its settings. */
  readonly devices?: Readonly<
    Record<string, string | { readonly model: string; readonly settings: Readonly<Record<string, string>> }>
  >
  /** What is joined, by net: points of panel, devices and loads. Grounds of devices are joined unsaid. */
  readonly nets: Readonly<Record<string, readonly string[]>>
  readonly loads?: readonly CircuitLoad[]
  readonly supplies?: readonly SupplyPoint[]
  readonly caps?: readonly string[]
}

/** A circuit said net by net, as one would tell it aloud; what is said is also its plan. */
export function wired({
  devices = {},
  nets,
  loads = [lamp('lamp')],
  supplies = [supply('panel')],
  caps = [],
}: Wired): Circuit {
  const placed: PlacedDevice[] = Object.entries(devices).map(([id, given]) => {
    const { model, settings } = typeof given === 'string' ? { model: given, settings: {} } : given
    const found = trade.devices.find(device => device.id === model)
    if (!found) throw new Error(`no device ${model}`)
    return { id, groupId: 'light', model: found, settings }
  })
  const grounds = placed
    .filter(({ model }) => model.terminals.some(({ id }) => id === 'ground'))
    .map(({ id }) => `${id}.ground`)
  const all = { ...nets, ground: ['ground', ...grounds, ...(nets.ground ?? [])] }
  return {
    nominalVolts: 120,
    supplies,
    wires: [],
    joints: Object.entries(all).map(([id, members]) => ({ id, members })),
    devices: placed,
    loads,
    caps,
    bonds: [],
    plan: Object.fromEntries([
      ...caps.map(point => [point, `alone ${point}`]),
      ...Object.entries(all).flatMap(([net, members]) => members.map(point => [point, net])),
    ]),
  }
}

/** The old system: hot and neutral both on the travellers of two switches, the lamp between their commons. */
export const oldTwoSupplyPair = (): Circuit =>
  wired({
    devices: { first: 'old-two-place-switch', second: 'old-two-place-switch' },
    nets: {
      hot: ['panel:hot', 'first.traveller-a', 'second.traveller-a'],
      neutral: ['panel:neutral', 'first.traveller-b', 'second.traveller-b'],
      centre: ['first.common', 'lamp:hot'],
      shell: ['second.common', 'lamp:neutral'],
    },
  })
