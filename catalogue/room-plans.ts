import { rectangle, type Room } from '@/core/setup'

const door = (
  wall: number,
  from: number,
  more: Partial<Room['openings'][number]> = {},
): Room['openings'][number] => ({
  kind: 'door',
  wall,
  from,
  width: 0.8,
  hinge: 'start',
  swings: 'in',
  usually: 'shut',
  passage: null,
  ...more,
})

/** Rooms as they usually are: a beginning to be corrected by whoever stands in one. Metres; wall 0 runs along the lower edge. */
export const ROOM_PLANS: Readonly<Record<'closet' | 'bath' | 'stair' | 'hall' | 'garage' | 'office', Room>> =
  {
    closet: {
      corners: rectangle(1.8, 1.5),
      height: 2.4,
      openings: [door(0, 0.5, { swings: 'out' })],
      furniture: [
        { centre: { x: 0.9, y: 1.3 }, width: 1.8, depth: 0.4, height: 1.9, turned: 0 },
        { centre: { x: 0.2, y: 0.6 }, width: 0.4, depth: 0.9, height: 1.6, turned: 0 },
      ],
      seats: [],
      heat: [],
    },
    bath: {
      corners: rectangle(2.4, 2),
      height: 2.4,
      openings: [door(0, 0.2), door(2, 0.7, { kind: 'window' })],
      furniture: [
        { centre: { x: 2.05, y: 1 }, width: 0.7, depth: 1.7, height: 0.55, turned: 0 },
        { centre: { x: 0.9, y: 1.75 }, width: 0.6, depth: 0.45, height: 0.85, turned: 0 },
      ],
      seats: [
        { at: { x: 0.35, y: 1.5 }, asleep: false },
        { at: { x: 2.05, y: 1 }, asleep: false },
      ],
      heat: [{ x: 1.3, y: 1.9 }],
    },
    stair: {
      corners: rectangle(1, 4.2),
      height: 4.8,
      openings: [door(0, 0.05, { kind: 'bare', width: 0.9 }), door(2, 0.05, { kind: 'bare', width: 0.9 })],
      furniture: [],
      seats: [],
      heat: [],
    },
    hall: {
      corners: rectangle(1.3, 5),
      height: 2.5,
      openings: [
        door(0, 0.2),
        door(1, 0.6),
        door(1, 3.2),
        door(3, 1.4),
        door(2, 0.2, { kind: 'bare', width: 0.9 }),
      ],
      furniture: [{ centre: { x: 0.2, y: 4.4 }, width: 0.35, depth: 0.9, height: 0.9, turned: 0 }],
      seats: [],
      heat: [],
    },
    garage: {
      corners: rectangle(3.6, 6),
      height: 2.6,
      openings: [door(0, 0.5, { width: 2.5, swings: 'out' }), door(2, 2.4)],
      furniture: [
        { centre: { x: 1.75, y: 2.9 }, width: 1.8, depth: 4.2, height: 1.45, turned: 0 },
        { centre: { x: 1.2, y: 5.7 }, width: 2, depth: 0.5, height: 0.9, turned: 0 },
      ],
      seats: [],
      heat: [],
    },
    office: {
      corners: rectangle(3.4, 3),
      height: 2.5,
      openings: [door(0, 0.2, { usually: 'open' }), door(2, 1, { kind: 'window', width: 1.4 })],
      furniture: [
        { centre: { x: 1.7, y: 2.5 }, width: 1.6, depth: 0.8, height: 0.75, turned: 0 },
        { centre: { x: 3.2, y: 1.2 }, width: 0.4, depth: 1.6, height: 2, turned: 0 },
      ],
      seats: [{ at: { x: 1.7, y: 1.8 }, asleep: false }],
      heat: [{ x: 1.7, y: 2.9 }],
    },
  }
