import { Lot } from '@/testing/grown/lot'
import type { Furniture, Opening } from '@/core/model/floor-plan'
import type { Room } from '@/core/setup/room'
import type { Sensor } from '@/core/setup/sensor'

type Corner = { x: number; y: number }

/** Outlines of many kinds: turned rectangles, corners cut out of them, stars of few and many points. */
function outline(lot: Lot): Corner[] {
  const w = 2 + lot.next() * 6
  const d = 2 + lot.next() * 5
  const kind = lot.below(4)
  let corners: Corner[]
  if (kind === 0) corners = [at(0, 0), at(w, 0), at(w, d), at(0, d)]
  else if (kind === 1) {
    const [cutW, cutD] = [w * (0.3 + 0.4 * lot.next()), d * (0.3 + 0.4 * lot.next())]
    corners = [at(0, 0), at(w, 0), at(w, d - cutD), at(w - cutW, d - cutD), at(w - cutW, d), at(0, d)]
  } else if (kind === 2) {
    const [a, b] = [w * (0.2 + 0.2 * lot.next()), w * (0.6 + 0.2 * lot.next())]
    const e = d * (0.4 + 0.3 * lot.next())
    corners = [at(0, 0), at(w, 0), at(w, d), at(b, d), at(b, e), at(a, e), at(a, d), at(0, d)]
  } else {
    const points = 4 + lot.below(6)
    corners = Array.from({ length: points }, (_, which) => {
      const angle = ((which + 0.7 * lot.next()) / points) * 2 * Math.PI
      const far = 1.5 + lot.next() * 3.5
      return at(Math.cos(angle) * far, Math.sin(angle) * far)
    })
  }
  const angle = lot.chance(0.5) ? 0 : lot.next() * 6
  const turned = corners.map(({ x, y }) =>
    at(x * Math.cos(angle) - y * Math.sin(angle), x * Math.sin(angle) + y * Math.cos(angle)),
  )
  return lot.chance(0.5) ? turned : turned.reverse()
}

const at = (x: number, y: number): Corner => ({ x, y })

const lengthOf = (corners: readonly Corner[], wall: number) => {
  const [a, b] = [corners[wall]!, corners[(wall + 1) % corners.length]!]
  return Math.hypot(b.x - a.x, b.y - a.y)
}

/** A room grown from a seed, with a sensor in it; not every one hangs together. */
export function drawnRoom(seed: number): { readonly room: Room; readonly sensor: Sensor } {
  const lot = new Lot(seed)
  const corners = outline(lot)
  const height = 2.2 + lot.next()
  const round = corners.reduce((sum, a, which) => {
    const b = corners[(which + 1) % corners.length]!
    return sum + a.x * b.y - b.x * a.y
  }, 0)
  const outward = round > 0 ? -1 : 1
  const openings: Opening[] = Array.from({ length: lot.below(5) }, () => {
    const wall = lot.below(corners.length)
    const long = lengthOf(corners, wall)
    const width = Math.min(0.6 + lot.next() * 0.8, long * 0.6)
    const from = lot.next() * (long - width)
    const kind = lot.one(['door', 'door', 'bare', 'window'] as const)
    const [a, b] = [corners[wall]!, corners[(wall + 1) % corners.length]!]
    const along = (metres: number) =>
      at(a.x + ((b.x - a.x) * metres) / long, a.y + ((b.y - a.y) * metres) / long)
    const middle = along(from + width / 2)
    const off = 0.4 + lot.next()
    // Beside the wall: outside mostly, and sometimes, drawn wrongly, within.
    const side = lot.chance(0.85) ? outward : -outward
    const square = at((-(b.y - a.y) / long) * off * side, ((b.x - a.x) / long) * off * side)
    const half = 1 + lot.next() * 3
    const way = at((b.x - a.x) / long, (b.y - a.y) / long)
    const end = (sign: number) =>
      at(middle.x + square.x + way.x * half * sign, middle.y + square.y + way.y * half * sign)
    return {
      kind,
      wall,
      from,
      width,
      hinge: lot.one(['start', 'end'] as const),
      swings: lot.one(['in', 'out'] as const),
      usually: lot.chance(0.7) ? ('open' as const) : ('shut' as const),
      passage: kind === 'window' || lot.chance(0.4) ? null : { from: end(-1), to: end(1), width: 1 },
    }
  })
  const xs = corners.map(({ x }) => x)
  const ys = corners.map(({ y }) => y)
  /** A point of the floor: drawn until one lies left of an odd number of walls. */
  const somewhere = (): Corner => {
    const x = Math.min(...xs) + lot.next() * (Math.max(...xs) - Math.min(...xs))
    const y = Math.min(...ys) + lot.next() * (Math.max(...ys) - Math.min(...ys))
    const right = corners.filter((a, which) => {
      const b = corners[(which + 1) % corners.length]!
      return a.y > y !== b.y > y && a.x + ((y - a.y) * (b.x - a.x)) / (b.y - a.y) > x
    })
    return right.length % 2 === 1 ? at(x, y) : somewhere()
  }
  const furniture: Furniture[] = Array.from({ length: lot.below(6) }, () => ({
    centre: somewhere(),
    width: 0.3 + lot.next() * 1.5,
    depth: 0.3 + lot.next() * 0.9,
    height: Math.min(height, lot.one([0.45, 0.75, 0.9, 1.1, 1.3, 1.8, 2.1])),
    turned: lot.chance(0.5) ? 0 : lot.next() * 180,
  }))
  const seats = Array.from({ length: lot.below(4) }, () => ({
    at: lot.chance(0.4) && furniture.length > 0 ? lot.one(furniture).centre : somewhere(),
    asleep: false,
  }))
  const wall = lot.below(corners.length)
  const sensitivities = [1, 0.75, 0.5].slice(0, 1 + lot.below(3))
  const sensor: Sensor = lot.chance(0.3)
    ? {
        kind: 'ceiling',
        at: somewhere(),
        height: height - lot.next() * 0.3,
        reach: { walking: 3 + lot.next() * 2, small: 1.5 + lot.next() },
        upTo: 2.4 + lot.next(),
        sensitivities,
      }
    : {
        kind: 'wall',
        wall,
        along: lengthOf(corners, wall) * (0.05 + 0.9 * lot.next()),
        height: lot.one([0.6, 1.1, 1.1, 1.3, 2]),
        reach: {
          walking: [4 + lot.next() * 5, 3 + lot.next() * 3, 1 + lot.next() * 2],
          small: [2 + lot.next() * 3, 1.5 + lot.next() * 2, 0.5 + lot.next()],
        },
        shutters: [90, 75, 60, 45, 30].slice(0, 1 + lot.below(5)),
        sensitivities,
      }
  return { room: { corners, height, openings, furniture, seats, heat: [somewhere()] }, sensor }
}

/** A room with an open way onto a passage, which a sensor with every shutter may look into. */
export function drawnPassageRoom(seed: number): { readonly room: Room; readonly sensor: Sensor } {
  const lot = new Lot(seed)
  const [w, d] = [2.5 + lot.next() * 4, 2 + lot.next() * 3]
  const width = 0.7 + lot.next()
  const from = lot.next() * (w - width)
  const off = d + 0.5 + lot.next()
  const room: Room = {
    corners: [at(0, 0), at(w, 0), at(w, d), at(0, d)],
    height: 2.5,
    openings: [
      {
        kind: lot.chance(0.5) ? 'bare' : 'door',
        wall: 2,
        from,
        width,
        hinge: lot.one(['start', 'end'] as const),
        swings: lot.one(['in', 'out'] as const),
        usually: 'open',
        passage: { from: at(-3, off), to: at(w + 3, off), width: 1 },
      },
    ],
    // Now and then a post stands where who comes in is looked for, and the passage is all that tells ways apart.
    furniture: lot.chance(0.4)
      ? [{ centre: at(from + width / 2, d - 0.5), width: 0.3, depth: 0.3, height: 2, turned: 0 }]
      : lot.chance(0.5)
        ? [{ centre: at(w * lot.next(), d * lot.next()), width: 0.6, depth: 0.5, height: 1.5, turned: 0 }]
        : [],
    seats: lot.chance(0.5) ? [{ at: at(w * lot.next(), d * lot.next()), asleep: false }] : [],
    heat: [],
  }
  const wall = lot.one([0, 1, 3] as const)
  const sensor: Sensor = {
    kind: 'wall',
    wall,
    along: (wall === 0 ? w : d) * (0.1 + 0.8 * lot.next()),
    height: 1.1,
    reach: { walking: [8, 6, 3], small: [5, 4, 2] },
    shutters: [90, 75, 60, 45, 30],
    sensitivities: [1, 0.75, 0.5],
  }
  return { room, sensor }
}
