import type { Habits } from '@/core/setup'
import type { RoomKind } from '@/core/model/vocabulary'

/** Hours as `from`–`to` with so many visits in each; the others none. */
const hours = (...spans: readonly (readonly [from: number, to: number, visits: number])[]): number[] =>
  Array.from({ length: 24 }, (_, hour) => spans.find(([from, to]) => hour >= from && hour < to)?.[2] ?? 0)

/** How a household of two or three lives with a room of each kind, where nobody said otherwise: a beginning, to be corrected. */
export const HABITS: Readonly<Record<Exclude<RoomKind, 'not-said'>, Habits>> = {
  passage: {
    visits: {
      workday: hours([0, 6, 0.3], [6, 9, 5], [9, 16, 1.5], [16, 22, 4], [22, 24, 1.5]),
      restDay: hours([0, 7, 0.3], [7, 22, 3.5], [22, 24, 1.5]),
    },
    passing: { share: 0.9, seconds: 12 },
    stayMinutes: 2,
    sitting: 0,
    walksEvery: 8,
    stirsEvery: 60,
    sleeps: null,
  },
  wet: {
    visits: {
      workday: hours([0, 6, 0.2], [6, 9, 2], [9, 16, 0.3], [16, 22, 0.8], [22, 24, 1]),
      restDay: hours([0, 7, 0.2], [7, 11, 1.4], [11, 22, 0.6], [22, 24, 1]),
    },
    passing: { share: 0.1, seconds: 40 },
    stayMinutes: 8,
    sitting: 0.5,
    walksEvery: 20,
    stirsEvery: 45,
    sleeps: null,
  },
  store: {
    visits: {
      workday: hours([6, 9, 0.4], [9, 16, 0.2], [16, 21, 0.6]),
      restDay: hours([8, 12, 0.6], [12, 21, 0.4]),
    },
    passing: { share: 0.6, seconds: 45 },
    stayMinutes: 5,
    sitting: 0,
    walksEvery: 10,
    stirsEvery: 60,
    sleeps: null,
  },
  kitchen: {
    visits: {
      workday: hours([6, 9, 3], [9, 11, 0.5], [11, 14, 1.5], [14, 17, 0.6], [17, 20, 3], [20, 23, 1]),
      restDay: hours([7, 11, 2.5], [11, 14, 2.5], [14, 17, 1], [17, 20, 3], [20, 23, 1]),
    },
    passing: { share: 0.4, seconds: 40 },
    stayMinutes: 18,
    sitting: 0.35,
    walksEvery: 15,
    stirsEvery: 40,
    sleeps: null,
  },
  living: {
    visits: {
      workday: hours([7, 9, 0.5], [9, 16, 0.3], [16, 22, 1.2]),
      restDay: hours([8, 12, 0.7], [12, 22, 1]),
    },
    passing: { share: 0.35, seconds: 20 },
    stayMinutes: 55,
    sitting: 0.85,
    walksEvery: 25,
    stirsEvery: 100,
    sleeps: null,
  },
  sleeping: {
    visits: {
      workday: hours([7, 9, 0.8], [17, 22, 0.6]),
      restDay: hours([8, 11, 0.8], [12, 22, 0.4]),
    },
    passing: { share: 0.5, seconds: 60 },
    stayMinutes: 10,
    sitting: 0.4,
    walksEvery: 20,
    stirsEvery: 90,
    sleeps: { from: 22.5, to: 6.5 },
  },
  work: {
    visits: {
      workday: hours([8, 12, 0.5], [13, 17, 0.5], [19, 22, 0.2]),
      restDay: hours([9, 18, 0.2]),
    },
    passing: { share: 0.25, seconds: 30 },
    stayMinutes: 70,
    sitting: 0.8,
    walksEvery: 20,
    stirsEvery: 50,
    sleeps: null,
  },
  outside: {
    visits: {
      workday: hours([6, 9, 0.8], [12, 16, 0.3], [16, 23, 0.8]),
      restDay: hours([8, 23, 0.6]),
    },
    passing: { share: 0.7, seconds: 30 },
    stayMinutes: 12,
    sitting: 0.3,
    walksEvery: 15,
    stirsEvery: 60,
    sleeps: null,
  },
}
