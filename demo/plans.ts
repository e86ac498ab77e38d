import type { Furniture, Opening, PlanOfRoom } from '@/core/model/floor-plan'
import { passageAt, rectangle, type PassageBeside } from '@/core/setup'

const AS_USUAL = {
  kind: 'door',
  width: 0.8,
  hinge: 'start',
  swings: 'in',
  usually: 'shut',
  passage: null,
} as const

const door = (wall: number, from: number, more: Partial<Opening> = {}): Opening => ({
  ...AS_USUAL,
  wall,
  from,
  ...more,
})

const piece = (x: number, y: number, width: number, depth: number, height: number): Furniture => ({
  centre: { x, y },
  width,
  depth,
  height,
  turned: 0,
})

const plan = (
  width: number,
  depth: number,
  height: number,
  more: Partial<PlanOfRoom>,
  /** Passages, by the place of their opening. */
  beyond: Readonly<Record<number, PassageBeside>> = {},
): PlanOfRoom => {
  const bare: PlanOfRoom = {
    corners: rectangle(width, depth),
    height,
    openings: [],
    furniture: [],
    seats: [],
    heat: [],
    hangings: [],
    ...more,
  }
  return {
    ...bare,
    openings: bare.openings.map((opening, at) =>
      beyond[at] ? { ...opening, passage: passageAt(bare, opening, beyond[at]) } : opening,
    ),
  }
}

/** Rooms of Quillback Road that sensors hang in, as they were measured. */
export const QUILLBACK_PLANS: Readonly<Record<string, PlanOfRoom>> = {
  // The landing runs past the open door.
  linen: plan(
    2.4,
    1.8,
    2.4,
    {
      openings: [door(0, 1.4, { usually: 'open', swings: 'out' })],
      furniture: [piece(1.2, 1.6, 2.4, 0.4, 2), piece(0.2, 0.7, 0.4, 1.2, 1.1)],
      hangings: [{ on: 'wall', boxId: 'box-linen', wall: 3, along: 0.9, height: 1.2 }],
    },
    { 0: { runs: 'along', width: 1.1, length: 4.5, before: 1.2 } },
  ),
  // The kitchen’s way to the yard goes by the door.
  pantry: plan(
    2.2,
    2.6,
    2.4,
    {
      openings: [door(0, 0.2, { usually: 'open' })],
      furniture: [piece(2, 1.5, 0.4, 2.2, 2), piece(0.9, 2.4, 1.6, 0.4, 2)],
      hangings: [{ on: 'wall', boxId: 'box-pantry', wall: 0, along: 1.3, height: 1.2 }],
    },
    { 0: { runs: 'away', width: 1.2, length: 4, before: 0 } },
  ),
  // A tall shelf hides the wheel from the door.
  studio: plan(5.2, 3.6, 2.6, {
    openings: [door(0, 0.3, { width: 0.9 }), door(2, 1, { kind: 'window', width: 2.4 })],
    furniture: [piece(2.4, 1.1, 0.4, 2.2, 2), piece(4.6, 3.1, 1, 0.7, 0.9)],
    seats: [{ at: { x: 3.6, y: 0.8 }, asleep: false }],
    heat: [{ x: 0.3, y: 3.3 }],
  }),
  'sewing-room': plan(3.8, 3.2, 2.5, {
    openings: [door(0, 0.2, { usually: 'open', hinge: 'end' }), door(2, 1.2, { kind: 'window', width: 1.4 })],
    furniture: [piece(1.9, 2.8, 1.5, 0.7, 0.75), piece(3.6, 1.4, 0.4, 1.8, 2)],
    seats: [{ at: { x: 1.9, y: 2.2 }, asleep: false }],
    hangings: [{ on: 'wall', boxId: 'box-sewing-room', wall: 0, along: 1.3, height: 1.2 }],
  }),
}

/** The quay flat’s hallway, with a door at either end. */
export const SALTPAN_PLANS: Readonly<Record<string, PlanOfRoom>> = {
  hallway: plan(4.8, 1.4, 2.6, {
    openings: [door(3, 0.2, { width: 0.9 }), door(1, 0.3, { usually: 'open' }), door(2, 2)],
    furniture: [piece(1.2, 1.2, 1, 0.35, 0.9)],
    hangings: [{ on: 'wall', boxId: 'box-hallway', wall: 0, along: 1, height: 1.1 }],
  }),
}
