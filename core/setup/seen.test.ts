import { describe, expect, it } from 'vitest'
import { aimSensor } from './aim'
import { ceilingPoints, nearestCure } from './cure'
import { parseRoom } from './parse-room'
import type { Room } from './room'
import { eyesOf, seenBy } from './seen'
import { parseSensor } from './parse-sensor'
import { aimsOf, type Aim, type Sensor, type WallSensor } from './sensor'
import { plainRoom, type PlainRoom } from '@/testing/setup/plain-room'
import { drawnPassageRoom, drawnRoom } from '@/testing/setup/rooms'
import { TIMES } from '@/testing/times'

const OPEN: Aim = { left: 90, right: 90, sensitivity: 1 }

/** Rooms that hang together, with their sensors, from so many seeds. */
function* rooms(from: number, to: number, drawn = drawnRoom) {
  for (let seed = from; seed <= to; seed++) {
    const { room, sensor } = drawn(seed)
    if (parseRoom(room).ok && parseSensor(sensor, room).ok) yield { seed, room, sensor }
  }
}

const isWithinHalf = (share: number, seen: number, of: number) => Math.abs(share - seen / of) <= 0.005

interface Way {
  readonly spots: number
  readonly passage: number
  readonly floor: number
}

interface Plain {
  readonly spots: number
  readonly halves: number
  readonly floor: number
}

/** What is proposed of some ways, one demand after the other. */
function proposedBy(ways: readonly Way[], least: number, off: number): Plain {
  const widest = Math.max(...ways.map(({ floor }) => floor))
  const wide = ways.filter(({ floor }) => floor >= widest * least)
  const spots = Math.max(...wide.map(each => each.spots))
  const most = wide.filter(each => each.spots === spots)
  const halvesOf = ({ passage }: Way) => Math.max(0, Math.floor((passage + off) / 0.5))
  const halves = Math.min(...most.map(halvesOf))
  const floor = Math.max(...most.filter(each => halvesOf(each) === halves).map(each => each.floor))
  return { spots, halves, floor }
}

describe('what is seen, against a count of points', () => {
  const SEEDS = 300 * TIMES

  it(`the floor, walking and by small movement, within half a per cent (seeds 1 to ${SEEDS})`, () => {
    let looked = 0
    let partly = 0
    for (const { seed, room, sensor } of rooms(1, SEEDS)) {
      looked++
      const ways = aimsOf(sensor)
      const aim = ways[seed % ways.length]!
      const { share, floor } = seenBy(eyesOf(room, sensor), aim)
      for (const movement of ['walking', 'small'] as const) {
        let agrees = false
        let counted = 0
        for (const perSide of [110, 400]) {
          const plain = plainRoom(room, sensor, perSide)
          const seen = plain.points.filter(point => plain.seen(point, movement, aim)).length
          counted = seen / plain.floorCount
          agrees = isWithinHalf(share[movement], seen, plain.floorCount)
          if (agrees) break
        }
        expect(agrees, `seed ${seed}, ${movement}: ${share[movement]} and ${counted}, ${floor} m²`).toBe(true)
        if (counted > 0.02 && counted < 0.98) partly++
      }
    }
    expect(looked).toBeGreaterThan(0.7 * SEEDS)
    expect(partly).toBeGreaterThan(0.5 * SEEDS)
  })

  it(`doors, seats and passages of every way of setting it, and the way that is proposed (seeds 1 to ${SEEDS / 4})`, () => {
    const met = { doors: 0, seats: 0, passages: 0, aimed: 0, close: 0 }
    for (const { seed, room, sensor } of [...rooms(1, SEEDS / 4), ...rooms(1, SEEDS / 6, drawnPassageRoom)]) {
      const plain = plainRoom(room, sensor, 60)
      const standing = plainRoom(room, sensor, 1, true)
      const eyes = eyesOf(room, sensor)
      const ways = aimsOf(sensor).map(aim => {
        const doors = room.openings.map((each, at) =>
          each.kind === 'window' ? null : plain.seen(plain.doorPoint(at), 'walking', aim),
        )
        const seats = room.seats.map(({ at }) => plain.seen([at.x, at.y], 'small', aim, true))
        const passagesBy = (by: PlainRoom) =>
          room.openings.flatMap(({ passage }, at) => {
            if (!passage) return []
            const { from, to } = passage
            const long = Math.hypot(to.x - from.x, to.y - from.y)
            const steps = Math.ceil(long / 0.01)
            const on = Array.from({ length: steps }, (_, step) => (step + 0.5) / steps).filter(share => {
              const point = [from.x + (to.x - from.x) * share, from.y + (to.y - from.y) * share] as const
              return by.throughOwn(point, at) && by.seen(point, 'walking', aim)
            })
            return [(on.length / steps) * long]
          })
        const passages = passagesBy(plain)
        const open = passagesBy(standing)
        const own = seenBy(eyes, aim)
        const words = `seed ${seed} ${JSON.stringify(aim)}`
        expect(own.doors, words).toEqual(doors)
        expect(own.seats, words).toEqual(seats)
        own.passages.forEach(({ metres }, at) => {
          expect(Math.abs(metres.usually - passages[at]!), `${words}, passage ${at}`).toBeLessThan(0.05)
          expect(Math.abs(metres.open - open[at]!), `${words}, passage ${at}, open`).toBeLessThan(0.05)
        })
        met.doors += doors.filter(Boolean).length
        met.seats += seats.filter(Boolean).length
        met.passages += passages.filter(each => each > 0.1).length
        return {
          aim,
          spots: [...doors, ...seats].filter(Boolean).length,
          passage: passages.reduce((sum, each) => sum + each, 0),
          floor: plain.points.filter(point => plain.seen(point, 'walking', aim)).length / plain.floorCount,
        }
      })
      // What lies on the edge of a half metre, or of half the floor, may be told either way by a count.
      const told = [0.485, 0.515].flatMap(least => [-0.03, 0.03].map(off => proposedBy(ways, least, off)))
      if (new Set(told.map(each => `${each.spots} ${each.halves}`)).size > 1) {
        met.close++
        continue
      }
      const [{ spots, halves }] = told as [Plain]
      const floors = told.map(each => each.floor)
      const { best, ways: count } = aimSensor(room, sensor)
      expect(count).toBe(ways.length)
      expect([best.spots, best.halfMetres], `seed ${seed}`).toEqual([spots, halves])
      const off = Math.min(...floors.map(floor => Math.abs(best.floor - floor)))
      expect(off, `seed ${seed}: ${best.floor} and ${floors.join()}`).toBeLessThan(0.02)
      met.aimed++
    }
    expect(met.aimed).toBeGreaterThan(20 * TIMES)
    expect(met.doors).toBeGreaterThan(60 * TIMES)
    expect(met.seats).toBeGreaterThan(60 * TIMES)
    expect(met.passages).toBeGreaterThan(30 * TIMES)
  })
})

const EYE: WallSensor = {
  kind: 'wall',
  wall: 0,
  along: 2,
  height: 1.1,
  reach: { walking: [9, 7, 3], small: [5, 4, 2] },
  shutters: [90, 75, 60, 45, 30],
  sensitivities: [1, 0.75, 0.5],
}

/** 4 m by 3 m, its sensor in the middle of the lower wall, a door in the upper one with a passage behind. */
const PANTRY: Room = {
  corners: [
    { x: 0, y: 0 },
    { x: 4, y: 0 },
    { x: 4, y: 3 },
    { x: 0, y: 3 },
  ],
  height: 2.4,
  openings: [
    {
      kind: 'door',
      wall: 2,
      from: 0.2,
      width: 0.8,
      hinge: 'end',
      swings: 'out',
      usually: 'open',
      passage: { from: { x: 6, y: 3.6 }, to: { x: 1, y: 3.6 }, width: 1 },
    },
  ],
  furniture: [],
  seats: [],
  heat: [],
}

describe('a pantry by hand', () => {
  it('all of a small room is seen, its door, and the passage through it', () => {
    const seen = seenBy(eyesOf(PANTRY, EYE), OPEN)
    expect(seen.floor).toBe(12)
    expect(seen.share.walking).toBeCloseTo(1, 6)
    expect(seen.doors).toEqual([true])
    // From (2, 0) through the gap from x = 3 to x = 3.8 at y = 3; the leaf at 3 hides nothing to its right.
    expect(seen.passages[0]!.metres.usually).toBeCloseTo((3.8 - 2) * 1.2 - (3 - 2) * 1.2, 3)
  })

  it('is aimed off its passage, without losing half the floor; the door stays seen', () => {
    const { best, tradeOff, never } = aimSensor(PANTRY, EYE)
    expect(never).toEqual({ doors: [], seats: [] })
    expect(best.spots).toBe(1)
    expect(tradeOff[0]).toEqual(best)
  })

  it('what sees less than half the floor is not proposed, however little of the passages it sees', () => {
    const post = (x: number) => ({ centre: { x, y: 1.1 }, width: 0.3, depth: 0.3, height: 2, turned: 0 })
    const way = (wall: number, from: number, x: number): Room['openings'][number] => ({
      ...PANTRY.openings[0]!,
      kind: 'bare',
      wall,
      from,
      width: 1.4,
      passage: { from: { x, y: -2 }, to: { x, y: 6 }, width: 1 },
    })
    const wide: Room = {
      ...PANTRY,
      corners: [
        { x: 0, y: 0 },
        { x: 8, y: 0 },
        { x: 8, y: 4 },
        { x: 0, y: 4 },
      ],
      openings: [way(1, 0.4, 9), way(3, 2.2, -1)],
      furniture: [post(0.5), post(7.5)],
    }
    const eye = {
      ...EYE,
      along: 4,
      sensitivities: [1],
      shutters: [90, 30],
      reach: { ...EYE.reach, walking: [9, 9, 9] as const },
    }
    const { best } = aimSensor(wide, eye)
    expect(best.spots).toBe(0)
    expect(best.halfMetres).toBeGreaterThan(0)
    expect(best.floor).toBeGreaterThan(0.5)
    expect([best.aim.left, best.aim.right].sort((one, other) => one - other)).toEqual([30, 90])
    expect(seenBy(eyesOf(wide, eye), { ...best.aim, left: 30, right: 30 }).passages).toEqual([
      { opening: 0, metres: { usually: 0, open: 0 } },
      { opening: 1, metres: { usually: 0, open: 0 } },
    ])
  })

  it('a shelf hides who walks behind it, as far as the sight line stays under its top', () => {
    const shelf = { centre: { x: 2, y: 1 }, width: 1, depth: 0.2, height: 1.15, turned: 0 }
    const wall = { ...EYE, height: 1.3 }
    const room = { ...PANTRY, openings: [], furniture: [shelf] }
    // From 1.3 m down to 1.2 m: a top of 1.15 m is never above the line.
    expect(seenBy(eyesOf(room, wall), OPEN).share.walking).toBeCloseTo(1, 6)
    // From 1.3 m down to 0.8 m: behind 1.1 m it hides up to 1.1 × 0.5 / 0.15 m, which is beyond the wall.
    const small = seenBy(eyesOf(room, wall), OPEN).share.small
    expect(small).toBeLessThan(0.8)
  })
})

describe('what cannot be a room, or a sensor in it', () => {
  const room = (more: Partial<Room>): string[] => {
    const parsed = parseRoom({ ...PANTRY, ...more })
    return parsed.ok ? [] : parsed.faults.map(({ path, code }) => `${path} ${code}`)
  }
  const [door] = PANTRY.openings

  it('names the field of each', () => {
    const bow = [PANTRY.corners[0]!, PANTRY.corners[2]!, PANTRY.corners[1]!, PANTRY.corners[3]!]
    expect(room({ corners: bow })).toEqual(['/corners/2 crosses'])
    expect(room({ corners: PANTRY.corners.slice(0, 2) })).toEqual(['/corners too-few'])
    expect(room({ openings: [{ ...door!, width: 4.5 }] })).toEqual(['/openings/0/width range'])
    expect(room({ openings: [{ ...door!, from: 3.5 }] })).toEqual(['/openings/0/from range'])
    expect(room({ openings: [door!, { ...door!, from: 0.7 }] })).toEqual(['/openings/1/from overlaps'])
    expect(room({ openings: [{ ...door!, wall: 4 }] })).toEqual(['/openings/0/wall no-such-wall'])
    expect(room({ seats: [{ at: { x: 5, y: 1 }, asleep: false }] })).toEqual(['/seats/0/at outside'])
    expect(room({ height: 0.9 })).toEqual(['/height range'])
  })

  const sensor = (more: object): string[] => {
    const parsed = parseSensor({ ...EYE, ...more } as Sensor, PANTRY)
    return parsed.ok ? [] : parsed.faults.map(({ path, code }) => `${path} ${code}`)
  }

  it('a sensor beside its wall, in an opening, or higher than the room', () => {
    expect(sensor({ along: 4.2 })).toEqual(['/along outside'])
    expect(sensor({ wall: 2, along: 0.5 })).toEqual(['/along in-an-opening'])
    expect(sensor({ height: 3 })).toEqual(['/height range'])
    expect(sensor({ kind: 'ceiling', at: { x: 9, y: 9 } })).toEqual(['/at outside'])
    expect(sensor({ sensitivities: [] })).toEqual(['/sensitivities range'])
  })
})

describe('what nothing can cure where it hangs', () => {
  it('is cured by the nearest point of the ceiling that sees everything', () => {
    const wheel = { at: { x: 3.6, y: 0.5 }, asleep: false }
    const shelf = { centre: { x: 3, y: 0.5 }, width: 0.3, depth: 1, height: 2, turned: 0 }
    const studio: Room = { ...PANTRY, openings: [], seats: [wheel], furniture: [shelf] }
    const left = { ...EYE, along: 0.5 }
    expect(aimSensor(studio, left).never.seats).toEqual([0])
    const points = ceilingPoints(studio, {
      kind: 'ceiling',
      height: 2.4,
      reach: { walking: 4, small: 2.5 },
      upTo: 3,
      sensitivities: [1],
    })
    const { cure: found, looked } = nearestCure(studio, left, points)
    const cure = found!
    expect(looked).toBeLessThanOrEqual(points.length)
    expect(cure.best.spots).toBe(1)
    for (const point of points)
      if (Math.hypot(point.at.x - 0.5, point.at.y) < cure.metres - 1e-9)
        expect(plainRoom(studio, point, 1).seen([3.6, 0.5], 'small', OPEN, true)).toBe(false)
  })
})
