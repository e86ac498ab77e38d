import type { Tab } from '../job/tabs'
import type { DeviceModel } from '../model/device'
import type { FarEnd, Insulation, Role } from '../model/vocabulary'

/** What was seen of some boxes whose wiring hangs together; plain data, so that a worker can be sent it. */
export interface Survey {
  readonly nominalVolts: number
  /** A reading inside this band is called nominal. */
  readonly nominalBand: readonly [lowVolts: number, highVolts: number]
  /** Roles that the region’s colours hint at; they weigh, they never prove. */
  readonly hints: Readonly<Partial<Record<Insulation, Role>>>
  readonly boxes: readonly SurveyBox[]
  readonly cables: readonly SurveyCable[]
  readonly devices: readonly SurveyDevice[]
  /** Terminals of two devices on one strap that its tab joins; none where absent. */
  readonly tabs?: readonly Tab[]
  readonly lights: readonly SurveyLight[]
  /** Circuits that may feed these boxes, at most: 1 to 3. */
  readonly circuitsAtMost: number
}

export interface SurveyBox {
  readonly id: string
  readonly name: string
}

/** One cable where it enters one box. A cable known to run between two boxes stands once in each. */
export interface SurveyCable {
  readonly id: string
  readonly boxId: string
  readonly name: string
  /** Where it was taken to go; it weighs. */
  readonly far: FarEnd
  readonly ends: readonly SurveyEnd[]
}

export interface SurveyEnd {
  readonly id: string
  readonly name: string
  readonly insulation: Insulation
  /** Its colour is hard to tell, and weighs nothing. */
  readonly faded: boolean
  /** Bare or green where the sheath ends: a fact of construction. */
  readonly ground: boolean
  readonly seat: SurveySeat
  /** The other end of the same conductor, where its run between two boxes was followed; else null. */
  readonly otherEnd: string | null
}

export type SurveySeat =
  | { readonly kind: 'terminal'; readonly deviceId: string; readonly terminalId: string }
  | { readonly kind: 'joint'; readonly jointId: string }
  /** Capped or loose: it ends for itself. */
  | { readonly kind: 'alone' }

export interface SurveyDevice {
  readonly id: string
  readonly name: string
  readonly boxId: string
  readonly lightId: string
  readonly model: DeviceModel
  /** Joints led to its terminals by a short conductor. */
  readonly pigtails: readonly { readonly jointId: string; readonly terminalId: string }[]
}

export interface SurveyLight {
  readonly id: string
  readonly name: string
  /** Cables that may lead to its lamps, at most. */
  readonly cablesAtMost: number
  /**
   * `answers`: every place was worked and the light came on and went off each time; only circuits that do
   * so are thought of. `not-known`: not tried, or it does not.
   */
  readonly behaves: 'answers' | 'not-known'
}
