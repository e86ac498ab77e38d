import type { DeviceModel } from './device'
import type { Habits } from './habits'
import type { FloorPlan } from './floor-plan'
import type { Program } from './light-program'
import { rowsWith, type JobRecord } from './record'
import type {
  CircuitTest,
  DefectKind,
  Gauge,
  LampKind,
  PricedWork,
  Protection,
  RatingKind,
  RegionId,
  RoomKind,
  Work,
} from './vocabulary'

/** A figure or habit of the trade that verdicts rest on, with where it comes from. */
export interface Fact {
  readonly id: string
  readonly says: string
  readonly source: string
}

export interface ConductorFact {
  readonly squareMillimetres: number
  /** Largest breaker this copper conductor may be protected by; null for leads only. */
  readonly breakerNotAboveAmps: number | null
  /** The same where it is of aluminium; null where the table has none. */
  readonly aluminiumNotAboveAmps: number | null
  /** Volume allowance of one conductor; null where boxes are judged by depth. */
  readonly fillCubicInches: number | null
}

export interface LampFact {
  readonly words: string
  readonly rating: RatingKind
  /** How the printed watts are compared when no power factor is printed. */
  readonly powerFactorIfNotPrinted: number
  /** Below this current it is dark, in mA. */
  readonly offLimitMilliamps: number
  /** Resistance while dark, as a share of the working one. */
  readonly coldShare: number
  /** What an ohmmeter finds on it, as a share of the working resistance; null: open. */
  readonly ohmsShare: number | null
  readonly dimming: 'always' | 'as-printed' | 'never'
}

/** A twist-on connector: wires of one gauge that it holds by its table. */
export interface TwistConnector {
  readonly name: string
  readonly gauge: Gauge
  readonly most: number
  readonly stripMillimetres: number
}

/** A lever connector: one wire a slot, none thicker than it takes. */
export interface LeverConnector {
  readonly slots: number
  readonly largest: Gauge
  readonly stripMillimetres: number
}

/** What it costs, beside leaving it as it is, that conductors carry their nets. */
export interface RouteCosts {
  /** It carries another kind of net than before. */
  readonly changed: number
  /** A neutral-coloured one brings a hot, and is marked again at both ends. */
  readonly markedAgain: number
  /** A coloured one brings a neutral, where the house rule lets it. */
  readonly madeNeutral: number
  /** A signal on another colour than red. */
  readonly signalNotRed: number
  /**
   * One circuit between two boxes by more than one cable, or round a ring of boxes both ways: each beyond the first
   * parts what goes from what comes back.
   */
  readonly anotherCable: number
  /** A joint that is not there yet as it will be. */
  readonly newJoint: number
  /** A conductor that leaves its screw on a device that stays. */
  readonly moved: number
  /** It carries nothing, or something else than somebody wants it to. */
  readonly againstWish: number
}

/** Everything the rules look up: data, handed to the core by whoever asks it a question. */
export interface Trade {
  readonly devices: readonly DeviceModel[]
  readonly facts: Readonly<Record<string, Fact>>
  readonly conductors: Readonly<Record<Gauge, ConductorFact>>
  readonly lamps: Readonly<Record<LampKind, LampFact>>
  /** Full-load current of motors by the common table, at 115 V and 230 V. */
  readonly motors: readonly {
    readonly horsepower: number
    readonly amps115: number
    readonly amps230: number
  }[]
  readonly boxes: readonly {
    readonly words: string
    readonly cubicInches: number
    readonly gangs: number
    readonly depthMillimetres: number
  }[]
  /** Extension rings, the smallest of their gangs first. */
  readonly rings: readonly {
    readonly words: string
    readonly gangs: number
    readonly cubicInches: number
    readonly riseMillimetres: number
    readonly price: number
  }[]
  /** Smallest first. */
  readonly levers: readonly LeverConnector[]
  /** Smallest first. */
  readonly twistOn: readonly TwistConnector[]
  readonly minutes: Readonly<Record<Work, number>>
  /** How a household usually lives with a room of each kind; nobody knows it of a room of which no kind is said. */
  readonly habits: Readonly<Record<Exclude<RoomKind, 'not-said'>, Habits>>
  /** Rooms as they usually are, to begin a plan with, by what they are called. */
  readonly roomPlans: Readonly<Record<string, FloorPlan>>
  /** Programs as they usually are, to begin one with, by what they are called. */
  readonly usualPrograms: Readonly<Record<string, Program>>
  /** Minutes that it takes to put right what is wrong. */
  readonly mending: Readonly<Record<DefectKind, number>>
  /** In money of the region, of the parts that go with a piece of work. */
  readonly prices: Readonly<Record<PricedWork, number>>
  /** What a bypass at a luminaire draws beside its lamps, in W. */
  readonly bypassWatts: number
  readonly houseRules: readonly HouseRule[]
  /** What is read on a circuit before it is handed over, in the order it is done. */
  readonly circuitTests: readonly CircuitTestRule[]
  readonly routeCosts: RouteCosts
}

/** One thing that is read on a circuit: with what, and within which limits. */
export interface CircuitTestRule {
  readonly kind: CircuitTest
  readonly regions: readonly RegionId[]
  readonly says: string
  readonly how: string
  /** Dead tests want the circuit off and locked. */
  readonly power: 'off' | 'on'
  /** Null where it is only looked at. */
  readonly unit: 'Ω' | 'MΩ' | 'mA' | 'ms' | null
  readonly least: number | null
  /**
   * `by-breaker`: what still trips the breaker of the circuit at once. `by-length`: what the conductors of a run have that is
   * so long.
   */
  readonly most: number | 'by-breaker' | 'by-length' | null
  /** Circuits it is for, by their protection; null for all. */
  readonly protections: readonly Protection[] | null
  readonly factId: string
}

export interface HouseRule {
  readonly id: string
  readonly question: string
  readonly values: readonly { readonly value: string; readonly words: string }[]
  readonly initial: string
  readonly why: string
  /** Rooms it holds for; null for all. */
  readonly roomKind: RoomKind | null
}

/** The value of a house rule for a job: its own, or the default. */
export function ruleValue({ houseRules }: Trade, record: JobRecord, ruleId: string): string {
  const [own] = rowsWith(record, 'houseRules', 'ruleId', ruleId)
  return own?.value ?? houseRules.find(({ id }) => id === ruleId)?.initial ?? ''
}

/** The id under which a rule that goes by room stands for one kind of room. */
export const ruleOfRoom = (ruleId: string, kind: RoomKind): string =>
  kind === 'not-said' ? ruleId : `${ruleId}-${kind}`

/** By id, listed once for each list of devices. */
const byId = new WeakMap<readonly DeviceModel[], ReadonlyMap<string, DeviceModel>>()

export function deviceNamed({ devices }: Trade, modelId: string): DeviceModel | undefined {
  let known = byId.get(devices)
  if (!known) byId.set(devices, (known = new Map(devices.map(device => [device.id, device]))))
  return known.get(modelId)
}

export const devicesFor = (trade: Trade, region: RegionId, stock: DeviceModel['stock']): DeviceModel[] =>
  trade.devices.filter(device => device.stock === stock && device.regions.includes(region))
