import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { boxView } from '@/core/job/box-view'
import { rowsOf } from '@/core/model/record'
import { demoJobs } from '@/demo'
import { behindDevices, pointsOn } from '@/testing/ui/drawn'
import { layoutBox, type BoxLayout } from './layout'
import { foundPicture } from './picture'

const isBehind = ({ devices }: BoxLayout, path: string): boolean =>
  behindDevices(
    path,
    devices.map(({ x, y, width, height }) => ({ left: x, right: x + width, top: y, foot: y + height })),
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
