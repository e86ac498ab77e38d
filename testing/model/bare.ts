import type { Circuit, CircuitLoad, SupplyPoint, Wire } from '@/core/model/circuit'

/** A supply of 120 V whose poles are `id:h`, `id:n` and `ground`. */
export const supply = (id: string, more: Partial<SupplyPoint> = {}): SupplyPoint => ({
  id,
  volts: 120,
  phaseDegrees: 0,
  breakerOn: true,
  hot: `${id}:h`,
  neutral: `${id}:n`,
  ground: 'ground',
  ...more,
})

/** A lamp of so many watts between `id:h` and `id:n`. */
export const lamp = (id: string, watts: number, more: Partial<CircuitLoad> = {}): CircuitLoad => ({
  id,
  kind: 'lamp',
  groupId: 'g',
  watts,
  hot: `${id}:h`,
  neutral: `${id}:n`,
  ground: null,
  offLimitMilliamps: 1,
  ohmsShare: null,
  ...more,
})

export const FILAMENT = { coldShare: 1 / 12, ohmsShare: 1 / 12 }

export const wire = (id: string, a: string, b: string, cable?: string): Wire => ({ id, a, b, cable })

/** A circuit with one supply called `a` and nothing else but what is given. */
export const circuit = (given: Partial<Circuit>): Circuit => ({
  nominalVolts: 120,
  supplies: [supply('a')],
  wires: [],
  joints: [],
  devices: [],
  loads: [],
  caps: [],
  bonds: [],
  plan: null,
  ...given,
})
