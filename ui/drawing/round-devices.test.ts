import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { boxView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import { demoJobs } from '@/demo'
import { layoutBox, type BoxLayout } from './layout'
import { foundPicture } from './picture'

/** Points along a drawn path, close enough that nothing thin is missed. */
function pointsOn(path: string): { x: number; y: number }[] {
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

const isBehind = ({ devices }: BoxLayout, path: string): boolean =>
  pointsOn(path).some(({ x, y }) =>
    devices.some(
      each => x > each.x + 4 && x < each.x + each.width - 4 && y > each.y + 4 && y < each.y + each.height - 4,
    ),
  )

describe('wires to screws', () => {
  const views = demoJobs
    .map(({ build }) => build())
    .flatMap(record => rowsOf(record, 'boxes').flatMap(({ id }) => boxView(record, id) ?? []))

  it('none vanishes behind a device, whichever side its screw is on', () => {
    let seen = 0
    for (const view of views) {
      const picture = foundPicture(view, trade)
      const layout = layoutBox(picture)
      for (const { strand, path } of layout.cables.flatMap(each => each.strands)) {
        if (strand.to.kind !== 'terminal') continue
        seen++
        expect(isBehind(layout, path), `${view.box.id} ${strand.id}`).toBe(false)
      }
    }
    expect(seen).toBeGreaterThan(40)
  })

  it('every wire ends on the screw it belongs to', () => {
    for (const view of views) {
      const layout = layoutBox(foundPicture(view, trade))
      for (const { strand, path, tip } of layout.cables.flatMap(each => each.strands))
        if (strand.to.kind === 'terminal') {
          const last = pointsOn(path).at(-1)!
          expect(Math.hypot(last.x - tip.x, last.y - tip.y)).toBeLessThan(0.5)
        }
    }
  })
})
