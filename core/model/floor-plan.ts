/** Points of a floor in metres: x to the right, y upwards, as on paper. */
export interface Point {
  readonly x: number
  readonly y: number
}

/** A room as a sensor sees it: its floor and what stands on it. Metres throughout. */
export interface FloorPlan {
  /** Corners of the floor, either way round; wall 0 goes from the first to the second. */
  readonly corners: readonly Point[]
  readonly height: number
  readonly openings: readonly Opening[]
  readonly furniture: readonly Furniture[]
  readonly seats: readonly Seat[]
  /** Radiators, vents, cookers. */
  readonly heat: readonly Point[]
}

export interface Opening {
  readonly kind: 'door' | 'bare' | 'window'
  readonly wall: number
  /** From the start of its wall. */
  readonly from: number
  readonly width: number
  /** Of a door: the end at which its leaf hangs, as one goes along its wall. */
  readonly hinge: 'start' | 'end'
  readonly swings: 'in' | 'out'
  readonly usually: 'open' | 'shut'
  /** Where others walk beyond it; null for another room, or outside. */
  readonly passage: Passage | null
}

/** A rectangle by its long middle line: from the middle of one short side to that of the other. */
export interface Passage {
  readonly from: Point
  readonly to: Point
  readonly width: number
}

export interface Furniture {
  readonly centre: Point
  readonly width: number
  readonly depth: number
  readonly height: number
  /** Degrees against the clock. */
  readonly turned: number
}

/** Where somebody sits or lies still. */
export interface Seat {
  readonly at: Point
  /** Who lies here sleeps, and wants no light. */
  readonly asleep: boolean
}

/** Where a box of the room is, on its plan. */
export type Hanging =
  | {
      readonly on: 'wall'
      readonly boxId: string
      readonly wall: number
      /** Metres from the start of its wall. */
      readonly along: number
      /** Metres above the floor. */
      readonly height: number
    }
  | { readonly on: 'ceiling'; readonly boxId: string; readonly at: Point; readonly height: number }

/** The plan of a room, with its boxes: one for all the devices in it. */
export type PlanOfRoom = FloorPlan & { readonly hangings: readonly Hanging[] }
