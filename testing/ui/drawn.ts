export interface Rect {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly foot: number
}

/** Points along a drawn path, close enough that nothing thin is missed. */
export function pointsOn(path: string): { x: number; y: number }[] {
  const points: { x: number; y: number }[] = []
  let at = { x: 0, y: 0 }
  for (const [, command, rest] of path.matchAll(/([MLCQ])([^MLCQ]*)/g)) {
    const numbers = rest!.trim().split(/[ ,]+/).map(Number)
    const given = Array.from({ length: numbers.length / 2 }, (_, index) => ({
      x: numbers[index * 2]!,
      y: numbers[index * 2 + 1]!,
    }))
    const curve = [at, ...given]
    for (let step = command === 'M' ? 40 : 0; step <= 40; step++) {
      // De Casteljau: a line, a quadratic or a cubic, by how many points there are.
      let level = curve
      while (level.length > 1)
        level = level.slice(1).map((to, index) => {
          const from = level[index]!
          return { x: from.x + ((to.x - from.x) * step) / 40, y: from.y + ((to.y - from.y) * step) / 40 }
        })
      points.push(level[0]!)
    }
    at = given.at(-1)!
  }
  return points
}

/** How far a wire may reach onto what it ends on. */
const EDGE = 4

/** Whether a drawn path runs through any of these. */
export const behindDevices = (path: string, devices: readonly Rect[]): boolean =>
  pointsOn(path).some(({ x, y }) =>
    devices.some(
      ({ left, right, top, foot }) =>
        x > left + EDGE && x < right - EDGE && y > top + EDGE && y < foot - EDGE,
    ),
  )
