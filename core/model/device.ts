import type { Setting } from './setting'
import type {
  Gauge,
  Insulation,
  Opening,
  Phase,
  Radio,
  RatingKind,
  RegionId,
  Stranding,
  Want,
} from './vocabulary'

/**
 * The one form every device kind is written in: data, not a class. It says which terminals there are,
 * which contacts close in which state, what keeps the electronics alive, what it answers to, what it
 * may carry, and how it is set up.
 */
export interface DeviceModel {
  readonly form: 2
  readonly id: string
  readonly name: string
  /** `new` can be chosen; `found` only describes what is taken out of a wall; `retired` is kept for where it stands. */
  readonly stock: 'new' | 'found' | 'retired'
  readonly family: string | null
  readonly does: readonly Want[]
  readonly regions: readonly RegionId[]
  /** How many places may stand in the group for this device to do its work. */
  readonly places: { readonly least: number; readonly most: number }
  readonly terminals: readonly Terminal[]
  readonly variables: readonly Variable[]
  readonly contacts: readonly Contact[]
  readonly supply: readonly Supply[]
  readonly signals: readonly Signal[]
  readonly control: readonly Control[]
  /** Values that ask for light when all hold; null where a position says nothing by itself. */
  readonly commanded: { readonly when: Readonly<Record<string, string>> } | null
  /** A receptacle: the terminals its contacts hang on. */
  readonly outlet?: Outlet | null
  /** Parts a light from its supply, all poles at once while it is out of service, and is none of its controls. */
  readonly isolates?: Isolates
  /** Taken out of service on purpose, as by an air-gap pull: its electronics are cut off. */
  readonly outOfService?: { readonly when: Readonly<Record<string, string>> } | null
  /** When its own small lamp is lit, its electronics alive; absent where it has none. */
  readonly indicator?: { readonly when: Readonly<Record<string, string>> } | null
  /** An old two-place switch may stay at the one other place, once these settings are made; null: never. */
  readonly keepsSwitch: { readonly set: Readonly<Record<string, string>> } | null
  /** Radio it speaks; null for none. */
  readonly radio: Radio | null
  readonly ratings: readonly Rating[]
  /** How it dims; null for a device that only switches. */
  readonly dims: { readonly phase: Phase } | null
  /** Its control pair may lie beside mains conductors, made as one of them, by its sheet. */
  readonly pairAsMains?: boolean
  readonly motorAllowed: boolean
  readonly receptacleAllowed: boolean
  /** Ground terminal must be connected for its listing, not only where there is one. */
  readonly groundRequired: boolean
  /** Drivers of LED lamps it switches at most, by its sheet: each takes a rush of current at its start. */
  readonly mostDrivers?: number
  /** The rush of current its contact bears at a start, its peak, by its sheet; absent where its sheet names none. */
  readonly mostInrushAmperes?: number
  /** What its enclosure keeps out, by its sheet; absent where it is made for dry places. */
  readonly enclosure?: 'damp' | 'wet'
  /** Worked by a cord that hangs from it: only the cord is within reach. */
  readonly byCord?: boolean
  /** Shows where it is in the dark. */
  readonly glows: boolean
  /** Stands behind a plain switch that stays in its opening, and takes so much room of the box; absent where it has the opening. */
  readonly behind?: { readonly cubicInches: number }
  readonly size: { readonly gangs: number; readonly depthMillimetres: number }
  readonly opening: Opening
  /** One of several that share a strap or a plate in one opening; absent where it takes an opening for itself. */
  readonly part?: {
    /** The strap or plate that takes it: only parts of the same stand beside each other. */
    readonly of: string
    /** Parts that stand beside each other there at most. */
    readonly most: number
    /** Comes as one piece with those beside it. */
    readonly inOnePiece: boolean
    /** The terminal that a tab joins to the same one of the part beside it; null where each is on its own. */
    readonly tab: string | null
  }
  /** Finishes its face is sold in; none for what is found in a wall. */
  readonly finishes: readonly string[]
  readonly settings: readonly Setting[]
  /** Of a presence sensor; absent where its file does not say. */
  readonly sees?: SensorSheet
  /** Of what has a clock; absent where its file does not say. */
  readonly clock?: ClockSheet
  /** Of what speaks by radio; absent where its file does not say. */
  readonly joining?: JoiningSheet
  readonly tests: readonly DeviceTest[]
  readonly instructions: {
    readonly stripMillimetres: number
    readonly screwNewtonMetres: number | null
    readonly notes: readonly string[]
    /** What its small lamp says. */
    readonly indicator: readonly { readonly shows: string; readonly means: string }[]
    /** Seconds until it works after its power comes on; null where it does at once. */
    readonly warmUpSeconds: number | null
  }
  readonly price: number
  readonly minutes: number
}

export interface Outlet {
  readonly hot: string
  readonly neutral: string
  readonly ground: string
  /** Terminals behind its own protection: what goes out by the one has to come back by the other. */
  readonly protects?: { readonly hot: string; readonly neutral: string }
}

/** The poles that an isolator parts: what each comes in by, and what leads on to the light. */
export interface Isolates {
  /** What stays live beside the switched conductor; absent where it has no such pole. */
  readonly line?: IsolatedPole
  readonly load: IsolatedPole
  readonly neutral: IsolatedPole
}

export interface IsolatedPole {
  readonly from: string
  readonly to: string
}

/** `beyond`: leads on to what its device isolates. `own`: joined to the other such terminal of the same place, and to nothing else. */
export type TerminalWants =
  | 'line'
  | 'load'
  | 'neutral'
  | 'ground'
  | 'signal'
  | 'common'
  | 'traveller'
  | 'pass'
  | 'beyond'
  | 'own'
  | 'control-plus'
  | 'control-minus'

export interface Terminal {
  readonly id: string
  /** As the device's sheet names it. */
  readonly word: string
  readonly wants: TerminalWants
  /** Terminals of the same name may be exchanged without any difference. */
  readonly alike: string | null
  readonly joins: 'screw' | 'clamp' | 'push-in' | 'lead'
  /** Insulation of a lead, where it is of one colour. */
  readonly lead?: Insulation
  readonly gauges: readonly Gauge[]
  readonly strandings: readonly Stranding[]
  /** Conductors one terminal takes. */
  readonly atMost: number
  readonly side: 'left' | 'right'
  /** What its own sheet says, where it is not the device’s: a screw of a switch that stays before it. */
  readonly sheet?: Pick<DeviceModel['instructions'], 'stripMillimetres' | 'screwNewtonMetres'>
}

export interface Variable {
  readonly id: string
  readonly values: readonly string[]
  readonly initial: string
  /** Moved by a hand and kept without power, or by the electronics. */
  readonly moves: 'hand' | 'electronics'
}

export interface Contact {
  readonly between: readonly [string, string]
  /** Values every named variable must have; none named means always joined. */
  readonly when: Readonly<Record<string, string>>
  /** Metal joins; an electronic contact carries a current that can be too small for it. */
  readonly kind: 'metal' | 'electronic'
  /** A dimmer: the share of the full voltage it lets through (0 to 1), by the value of one variable. */
  readonly share?: { readonly variable: string; readonly of: Readonly<Record<string, number>> }
}

/** One way of keeping the electronics alive; any one that is met will do. */
export type Supply =
  | {
      readonly kind: 'line-neutral'
      readonly line: string
      readonly neutral: string
      readonly milliamps: number
    }
  | {
      readonly kind: 'line-ground'
      readonly line: string
      readonly ground: string
      /** Current it sends into the ground while it lives. */
      readonly leakMilliamps: number
      readonly retrofitOnly: boolean
    }
  | {
      readonly kind: 'through-load'
      readonly line: string
      readonly load: string
      readonly minimumWatts: number
      /** Current through the lamp while it is off. */
      readonly offMilliamps: number
    }

/**
 * A terminal that talks to other places over a conductor. A main *hears* when the conductor is joined to
 * one of its named poles, by a companion that is pressed or by a kept switch that stands that way. A
 * companion hears nothing and *passes* the power: that terminal must be on a pole its main hears.
 */
export interface Signal {
  readonly terminal: string
  readonly family: string
  readonly hears: readonly string[]
  readonly passes: string | null
}

/** What a hand, the room, the sun or time does to a device. */
export const OUTSIDE_EVENTS = [
  'toggle',
  'press',
  'release',
  'raise',
  'lower',
  'pull',
  'presence',
  'vacancy',
  'elapsed',
  'dusk',
  'dawn',
  'radio',
  'humid',
  'dry',
] as const
export type OutsideEvent = (typeof OUTSIDE_EVENTS)[number]

/** What reaches a device from its peers: its signal joined or parted, a word by radio. */
export const PEER_EVENTS = ['signal-on', 'signal-off', 'told-on', 'told-off'] as const
export type PeerEvent = (typeof PEER_EVENTS)[number]
export type ControlEvent = OutsideEvent | PeerEvent

export interface Control {
  readonly event: ControlEvent
  readonly from: Readonly<Record<string, string>>
  readonly to: Readonly<Record<string, string>>
  /** Holds only while these settings have these values. */
  readonly set?: Readonly<Record<string, string>>
  /** Word it sends by radio to devices of its family in its group. */
  readonly tells?: 'told-on' | 'told-off'
}

export interface Rating {
  readonly kind: RatingKind
  readonly unit: 'W' | 'VA' | 'A' | 'hp'
  readonly limit: number
  /** Limit with the fins of one side, or of both, broken off; null where it has none. */
  readonly oneSide: number | null
  readonly bothSides: number | null
}

/** What a sensor sees, by its sheet: metres at full sensitivity. */
export type SensorSheet =
  | {
      readonly hangs: 'wall'
      /** At 0°, 45° and 90° off its axis. */
      readonly reach: Readonly<Record<'walking' | 'small', readonly [number, number, number]>>
    }
  | {
      readonly hangs: 'ceiling'
      /** Of its circle on the floor, hung at 2.5 m. */
      readonly reach: Readonly<Record<'walking' | 'small', number>>
      /** Hung higher than this many metres it sees no more. */
      readonly upTo: number
    }

/** How the clock of a device behaves, by its sheet, and what its programs can say. */
export interface ClockSheet {
  /** `set`: a setting says whether it follows. */
  readonly daylightSaving: 'follows' | 'stands' | 'set'
  /** How long a hand on it holds: to the next event, or so many minutes whatever the program does. */
  readonly override: 'next-event' | number
  /** How long it knows the time without power. */
  readonly batteryHours: number
  /** Events it keeps at most. */
  readonly events: number
  /** Whether an event can go by the sun, by days of the week, by dates, by the earlier or later of two, by lot. */
  readonly can: readonly ('sun' | 'weekdays' | 'dates' | 'pairs' | 'vary')[]
  /** In which order it asks for what is keyed in. */
  readonly asks: readonly ('place' | 'date' | 'clock' | 'daylight-saving' | 'events')[]
}

/** How a radio device is set up, by its sheet. */
export interface JoiningSheet {
  readonly how: readonly string[]
  /** Seconds it waits to be found. */
  readonly seconds: number
}

export interface DeviceTest {
  readonly id: string
  readonly says: string
  readonly expect: string
}
