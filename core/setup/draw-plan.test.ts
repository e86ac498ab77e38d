import { describe, expect, it } from 'vitest'
import type { Opening, PlanOfRoom, Point } from '../model/floor-plan'
import { drawnRoom } from '@/testing/setup/rooms'
import { someOf, TIMES } from '@/testing/times'
import {
  cornerAdded,
  cornerRemoved,
  eyesOf,
  faultsOfHangings,
  freeWall,
  movedTo,
  parseRoom,
  passageAt,
  passageBeside,
  rectangle,
  resized,
  seenBy,
  sidesOfRectangle,
  wedgesOf,
  whereIs,
  without,
  withWallOf,
} from '.'

const SEEDS = Array.from({ length: 120 * TIMES }, (_, seed) => seed + 1)

/** Rooms grown at random that hang together, to the centimetre as a person types them. */
const grown = (seeds: readonly number[]): { plan: PlanOfRoom; seed: number }[] =>
  seeds.flatMap(seed => {
    const { room } = drawnRoom(seed)
    const plan = { ...room, hangings: [] }
    return parseRoom(plan).ok ? [{ plan, seed }] : []
  })

const far = (one: Point, other: Point) => Math.hypot(one.x - other.x, one.y - other.y)
const sides = ({ corners }: PlanOfRoom) =>
  corners.map((corner, at) => [corner, corners[(at + 1) % corners.length]!] as const)
const lengths = (plan: PlanOfRoom) => sides(plan).map(([from, to]) => far(from, to))
/** Where the middle of an opening is, by its wall alone. */
const middle = (plan: PlanOfRoom, { wall, from, width }: Opening): Point => {
  const [start, end] = sides(plan)[wall]!
  const share = (from + width / 2) / far(start, end)
  return { x: start.x + (end.x - start.x) * share, y: start.y + (end.y - start.y) * share }
}

const room = (more: Partial<PlanOfRoom> = {}): PlanOfRoom => ({
  corners: rectangle(4, 3),
  height: 2.5,
  openings: [],
  furniture: [],
  seats: [],
  heat: [],
  hangings: [],
  ...more,
})
const door = (wall: number, from: number, more: Partial<Opening> = {}): Opening => ({
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

describe('walls', () => {
  it('a corner put in and taken out again leaves every opening where it was', () => {
    let looked = 0
    for (const { plan, seed } of grown(SEEDS)) {
      const wall = seed % plan.corners.length
      const metres = lengths(plan)[wall]! * 0.5
      const holds = ({ wall: of, from, width }: Opening) =>
        of === wall && from < metres && from + width > metres
      if (plan.openings.some(holds)) continue
      const more = cornerAdded(plan, wall, metres)
      expect(more.corners).toHaveLength(plan.corners.length + 1)
      plan.openings.forEach((opening, at) => {
        const now = more.openings[at]!
        expect(far(middle(more, now), middle(plan, opening))).toBeLessThan(0.02)
        // Whole in the wall it is said to be in.
        expect(now.from).toBeGreaterThanOrEqual(0)
        expect(now.from + now.width).toBeLessThan(lengths(more)[now.wall]! + 0.03)
      })
      const back = cornerRemoved(more, wall + 1)
      expect(back.corners).toEqual(plan.corners)
      plan.openings.forEach(({ wall: of, from }, at) => {
        expect(back.openings[at]!.wall).toBe(of)
        expect(back.openings[at]!.from).toBeCloseTo(from, 1)
      })
      looked++
    }
    expect(looked).toBeGreaterThan(20)
  })

  it('the first corner goes as any other does', () => {
    const plan = room({
      corners: [...rectangle(4, 3), { x: 0, y: 1.5 }],
      openings: [door(4, 0.2), door(3, 0.3), door(1, 1)],
    })
    const without0 = cornerRemoved(plan, 0)
    expect(without0.corners).toHaveLength(4)
    // What hung on the wall before it hangs on the one that both are now.
    expect(without0.openings.map(({ wall }) => wall)).toEqual([3, 2, 0])
  })

  it('a wall of another length moves what comes after, up to the wall that makes up for it', () => {
    for (const wall of [0, 1, 2, 3]) {
      const made = withWallOf(room(), wall, 5)
      expect(lengths(made)[wall]).toBeCloseTo(5, 6)
      expect(lengths(made)[(wall + 2) % 4]).toBeCloseTo(5, 6)
      expect(lengths(made)[(wall + 1) % 4]).toBeCloseTo(lengths(room())[(wall + 1) % 4]!, 6)
    }
    // Two walls in one line: the corner between them moves, and nothing else.
    const inLine = withWallOf(cornerAdded(room(), 0, 2), 0, 1.5)
    expect(inLine.corners).toEqual([rectangle(4, 3)[0], { x: 1.5, y: 0 }, ...rectangle(4, 3).slice(1)])
    for (const { plan, seed } of grown(someOf(SEEDS, 2))) {
      const wall = seed % plan.corners.length
      const made = withWallOf(plan, wall, 3.25)
      expect(lengths(made)[wall]!).toBeCloseTo(3.25, 1)
      const others = lengths(made).filter((length, at) => Math.abs(length - lengths(plan)[at]!) > 0.03)
      // Itself, and at most the one that makes up for it and where no wall does the next.
      expect(others.length).toBeLessThanOrEqual(2)
    }
  })

  it('a rectangle has two numbers, and other sides leave what stands in it', () => {
    expect(sidesOfRectangle(room())).toEqual({ width: 4, depth: 3 })
    expect(sidesOfRectangle(room({ corners: [...rectangle(4, 3), { x: 0, y: 1 }] }))).toBeNull()
    const seats = [{ at: { x: 1, y: 1 }, asleep: false }]
    expect(resized(room({ seats }), 5, 2)).toEqual({ ...room({ seats }), corners: rectangle(5, 2) })
  })
})

describe('what stands in a wall', () => {
  it('goes to the nearest wall, whole', () => {
    for (const { plan, seed } of grown(SEEDS)) {
      if (plan.openings.length === 0) continue
      const to = { x: Math.cos(seed) * 3, y: Math.sin(seed * 7) * 3 }
      const made = movedTo(plan, { kind: 'opening', at: 0 }, to)
      const { wall, from, width } = made.openings[0]!
      const nearest = sides(plan).map(([start, end]) =>
        Math.min(
          ...Array.from({ length: 2001 }, (_, step) =>
            far(to, {
              x: start.x + ((end.x - start.x) * step) / 2000,
              y: start.y + ((end.y - start.y) * step) / 2000,
            }),
          ),
        ),
      )
      expect(nearest[wall]!).toBeLessThan(Math.min(...nearest) + 0.01)
      expect(from).toBeGreaterThanOrEqual(0)
      if (width <= lengths(plan)[wall]!)
        expect(from + width).toBeLessThanOrEqual(lengths(plan)[wall]! + 0.006)
      expect(made.openings.slice(1)).toEqual(plan.openings.slice(1))
    }
  })

  it('takes its passage along, wherever it or its wall goes', () => {
    for (const runs of ['along', 'away'] as const)
      for (const wall of [0, 1, 2, 3]) {
        const beside = { runs, width: 1.2, length: 4, before: runs === 'along' ? 1.5 : 0 }
        const bare = door(wall, 1)
        const plan = room({ openings: [{ ...bare, passage: passageAt(room(), bare, beside) }] })
        expect(passageBeside(plan, plan.openings[0]!)).toEqual(beside)
        // It lies outside: half its width off its wall, or straight away from it.
        const { from, to } = plan.openings[0]!.passage!
        const half = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }
        expect(half.x < 0 || half.x > 4 || half.y < 0 || half.y > 3).toBe(true)
        for (const made of [
          movedTo(plan, { kind: 'opening', at: 0 }, { x: 2, y: -1 }),
          movedTo(plan, { kind: 'opening', at: 0 }, { x: 9, y: 1.5 }),
          withWallOf(plan, 0, 5.5),
          movedTo(plan, { kind: 'corner', at: 2 }, { x: 4.4, y: 3.3 }),
        ]) {
          const now = passageBeside(made, made.openings[0]!)!
          expect([now.runs, now.width]).toEqual([runs, 1.2])
          expect(now.length).toBeCloseTo(4, 1)
          expect(now.before).toBeCloseTo(beside.before, 1)
        }
      }
  })

  it('finds a free stretch of wall, and none where there is none', () => {
    expect(freeWall(room(), 0.8)).toEqual({ wall: 0, from: 0.1 })
    expect(freeWall(room({ openings: [door(0, 0.5, { width: 3.2 })] }), 0.8)?.wall).toBe(1)
    const full = [0, 1, 2, 3].map(wall => door(wall, 0.05, { width: wall % 2 === 0 ? 3.9 : 2.9 }))
    expect(freeWall(room({ openings: full }), 0.8)).toBeNull()
    for (const { plan } of grown(someOf(SEEDS, 2))) {
      const free = freeWall(plan, 0.7)
      if (free)
        expect(
          parseRoom({ ...plan, openings: [...plan.openings, door(free.wall, free.from, { width: 0.7 })] }).ok,
        ).toBe(true)
    }
  })
})

describe('what stands on the floor', () => {
  const plan = room({
    furniture: [{ centre: { x: 1, y: 1 }, width: 1, depth: 0.5, height: 1, turned: 0 }],
    seats: [{ at: { x: 2, y: 1 }, asleep: true }],
    heat: [{ x: 3, y: 1 }],
    hangings: [
      { on: 'wall', boxId: 'one', wall: 0, along: 1, height: 1.2 },
      { on: 'ceiling', boxId: 'two', at: { x: 2, y: 2 }, height: 2.5 },
    ],
  })

  it.each([
    [
      { kind: 'furniture', at: 0 },
      { x: 1.5, y: 1.25 },
    ],
    [
      { kind: 'seat', at: 0 },
      { x: 1.5, y: 1.25 },
    ],
    [
      { kind: 'heat', at: 0 },
      { x: 1.5, y: 1.25 },
    ],
    [
      { kind: 'hanging', at: 1 },
      { x: 1.5, y: 1.25 },
    ],
    [
      { kind: 'corner', at: 2 },
      { x: 4.5, y: 3.25 },
    ],
  ] as const)('%o is moved, and nothing else with it; and taken out', (thing, to) => {
    const made = movedTo(plan, thing, to)
    expect(whereIs(made, thing)).toEqual(to)
    expect(whereIs(plan, thing)).not.toEqual(to)
    expect(movedTo(made, thing, whereIs(plan, thing)!)).toEqual(plan)
    expect(JSON.stringify(without(plan, thing)).length).toBeLessThan(JSON.stringify(plan).length)
  })

  it('a box on a wall goes along the walls, and none lies outside, in an opening, or twice', () => {
    const made = movedTo(plan, { kind: 'hanging', at: 0 }, { x: 9, y: 2 })
    expect(made.hangings[0]).toEqual({ on: 'wall', boxId: 'one', wall: 1, along: 2, height: 1.2 })
    const faults = (hanging: object) =>
      faultsOfHangings({
        ...plan,
        openings: [door(0, 2)],
        hangings: [{ ...plan.hangings[0]!, ...hanging } as PlanOfRoom['hangings'][number]],
      }).map(({ path, code }) => `${path} ${code}`)
    expect(faults({})).toEqual([])
    expect(faults({ along: 2.4 })).toEqual(['/hangings/0/along in-an-opening'])
    expect(faults({ along: 4.2 })).toEqual(['/hangings/0/along outside'])
    expect(faults({ wall: 7 })).toEqual(['/hangings/0/wall no-such-wall'])
    expect(faults({ height: 3 })).toEqual(['/hangings/0/height range'])
    expect(faults({ on: 'ceiling', at: { x: 9, y: 9 } })).toEqual(['/hangings/0/at outside'])
    const twice = { ...plan, hangings: [plan.hangings[0]!, plan.hangings[0]!] }
    expect(faultsOfHangings(twice).map(({ code }) => code)).toEqual(['twice'])
  })
})

describe('what is seen, as it is drawn', () => {
  it('covers as much floor as is seen', () => {
    const area = (points: readonly Point[]) =>
      Math.abs(
        points.reduce((sum, { x, y }, at) => {
          const next = points[(at + 1) % points.length]!
          return sum + x * next.y - next.x * y
        }, 0) / 2,
      )
    let looked = 0
    for (const seed of someOf(SEEDS, 3)) {
      const { room: plan, sensor } = drawnRoom(seed)
      if (!parseRoom(plan).ok) continue
      const eyes = eyesOf(plan, sensor)
      for (const aim of [
        { left: 90, right: 90, sensitivity: 1 },
        { left: 60, right: 30, sensitivity: 0.5 },
      ]) {
        const seen = seenBy(eyes, aim)
        for (const movement of ['walking', 'small'] as const) {
          const drawn = wedgesOf(eyes, aim, movement).reduce((sum, wedge) => sum + area(wedge), 0)
          expect(Math.abs(drawn - seen.share[movement] * seen.floor)).toBeLessThan(0.004 * seen.floor + 1e-6)
        }
      }
      looked++
    }
    expect(looked).toBeGreaterThan(15)
  })
})
