import type { DeviceModel } from '../model/device'
import type { Gauge, Insulation } from '../model/vocabulary'
import type { ConnectorPiece } from './connectors'

export interface PlannedDevice {
  readonly placeId: string
  readonly gang: number
  readonly part: number
  readonly groupId: string
  readonly model: DeviceModel
  /** The old device stays where none was chosen. */
  readonly isNew: boolean
}

export type PlannedSeat =
  | { readonly kind: 'terminal'; readonly placeId: string; readonly terminalId: string }
  | { readonly kind: 'joint'; readonly jointId: string }
  | { readonly kind: 'cap' }

export interface PlannedJoint {
  readonly id: string
  readonly netId: string
  readonly endIds: readonly string[]
  readonly leads: readonly { readonly placeId: string; readonly terminalId: string }[]
  readonly pigtailIds: readonly string[]
  readonly connectors: readonly ConnectorPiece[]
}

/** Nothing but two short pieces: one conductor from screw to screw, without a connector. */
export const isOneConductor = ({
  endIds,
  leads,
  pigtailIds,
}: Pick<PlannedJoint, 'endIds' | 'leads' | 'pigtailIds'>): boolean =>
  endIds.length + leads.length === 0 && pigtailIds.length === 2

export interface Pigtail {
  readonly id: string
  readonly netId: string
  readonly insulation: Insulation
  readonly gauge: Gauge
  readonly millimetres: number
  readonly to: { readonly placeId: string; readonly terminalId: string } | 'box'
}

export interface Remark {
  readonly endId: string
  readonly as: Insulation
}

/** The box as it will be: every conductor, lead and terminal has one place. */
export interface RoutedBox {
  readonly boxId: string
  readonly devices: readonly PlannedDevice[]
  /** Words of each net, by id. */
  readonly nets: Readonly<Record<string, string>>
  readonly netOfEnd: Readonly<Record<string, string | null>>
  readonly netOfTerminal: Readonly<Record<string, string | null>>
  readonly seats: Readonly<Record<string, PlannedSeat>>
  readonly joints: readonly PlannedJoint[]
  readonly pigtails: readonly Pigtail[]
  readonly cappedLeads: readonly { readonly placeId: string; readonly terminalId: string }[]
  readonly remarks: readonly Remark[]
}
