import {
  aimSensor,
  clockOf,
  dayOf,
  eyesOf,
  nightsOf,
  presenceOf,
  runOf,
  seenBy,
  type PresenceEvent,
  type Program,
  type Room,
} from '@/core/setup'
import { Lot } from '@/testing/grown/lot'

/** Twelve walls, eight pieces of furniture, two ways onto passages. */
const ROOM: Room = {
  corners: (
    [
      [0, 0],
      [3, 0],
      [3, -1],
      [5, -1],
      [5, 2],
      [6, 2],
      [6, 4],
      [4, 4],
      [4, 5],
      [2, 5],
      [2, 4],
      [0, 4],
    ] as const
  ).map(([x, y]) => ({ x, y })),
  height: 2.5,
  openings: [
    {
      kind: 'door',
      wall: 11,
      from: 1,
      width: 0.8,
      hinge: 'start',
      swings: 'in',
      usually: 'open',
      passage: { from: { x: -1, y: 0 }, to: { x: -1, y: 5 }, width: 1 },
    },
    {
      kind: 'bare',
      wall: 6,
      from: 0.3,
      width: 1.2,
      hinge: 'start',
      swings: 'in',
      usually: 'open',
      passage: { from: { x: 3, y: 5 }, to: { x: 7, y: 5 }, width: 1 },
    },
  ],
  furniture: Array.from({ length: 8 }, (_, at) => ({
    centre: { x: 0.6 + at * 0.6, y: 1 + (at % 3) },
    width: 0.5,
    depth: 0.4,
    height: [0.45, 0.75, 1.3, 1.8][at % 4]!,
    turned: at * 20,
  })),
  seats: [
    { at: { x: 1, y: 3 }, asleep: false },
    { at: { x: 4.5, y: 0 }, asleep: false },
  ],
  heat: [],
}

const SENSOR = {
  kind: 'wall',
  wall: 0,
  along: 1.5,
  height: 1.1,
  reach: { walking: [9, 7, 3], small: [5, 4, 2] },
  shutters: [90, 80, 70, 60, 50, 40, 30],
  sensitivities: [1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4],
} as const

const PLACE = { latitude: 44.1, longitude: -69.1, zone: 'America/New_York' }

const event = { days: [1, 2, 3, 4, 5, 6, 7], between: null, ofThatNight: false, instead: null, vary: 0 }
const PROGRAM: Program = {
  daylightSaving: 'follows',
  events: [
    { ...event, turns: 'on', when: { kind: 'dusk', plus: 15 } },
    { ...event, turns: 'off', when: { kind: 'clock', minute: 1380 } },
    { ...event, turns: 'on', when: { kind: 'clock', minute: 360 } },
    { ...event, turns: 'off', when: { kind: 'dawn', plus: 0 } },
  ],
}

/** A year of one room: some twenty times a day somebody comes, sits, stirs and leaves. */
function yearOfPeople(): PresenceEvent[] {
  const lot = new Lot(1)
  const events: PresenceEvent[] = []
  for (let at = 600; at < 365 * 86_400 - 3600; at += 900 + lot.below(6000)) {
    events.push({ at, person: 'one', does: 'enters' }, { at: at + 5, person: 'one', does: 'sits', seat: 0 })
    let now = at + 5
    for (let stirs = lot.below(12); stirs > 0; stirs--) {
      now += 20 + lot.below(100)
      if (now < at + 850) events.push({ at: now, person: 'one', does: 'stirs' })
    }
    events.push({ at: Math.min(now + 10, at + 880), person: 'one', does: 'leaves' })
  }
  return events
}

export function benchSetup(measure: (name: string, rounds: number, work: () => unknown) => void): void {
  const clock = clockOf(PLACE.zone)
  const [from, to] = [dayOf('2027-01-01')!, dayOf('2027-12-31')!]
  measure('Set: dusk and dawn of a year', 20, () => nightsOf(PLACE, clock, from, to))
  const nights = nightsOf(PLACE, clock, from - 372, to + 372)
  measure('Set: a year of a program of four events, its nights known', 50, () =>
    runOf(PROGRAM, PLACE, { from, to }, { nights }),
  )
  const eyes = eyesOf(ROOM, SENSOR)
  measure('Set: what is seen once more, a shutter dragged', 200, () =>
    seenBy(eyes, { left: 60, right: 90, sensitivity: 0.8 }),
  )
  measure('Set: aim over 343 ways, 12 walls, 8 pieces', 30, () => aimSensor(ROOM, SENSOR))
  const timeline = { seconds: 365 * 86_400, seats: [{ asleep: false }], events: yearOfPeople(), daylight: [] }
  measure('Set: a year of presence under 12 policies', 20, () =>
    [30, 60, 120, 300, 600, 1800].flatMap(delay =>
      (['by-itself', 'by-hand'] as const).map(turnsOn =>
        presenceOf(timeline, { turnsOn, delay, threshold: null, seesSmall: [true] }),
      ),
    ),
  )
}
