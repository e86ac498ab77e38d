import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { raisedDefects } from '@/core/check'
import { faultsOfRecord } from '@/core/job/integrity'
import { boxView } from '@/core/job/box-view'
import { STAGES } from '@/core/model/vocabulary'
import { progressOfJob } from '@/core/plan'
import { prove } from '@/core/prove'
import { foundCircuit, plannedCircuit, routeBox } from '@/core/route'
import { demoJobs } from '.'
import { quillbackRoad } from './quillback'

describe('demo jobs', () => {
  it.each(demoJobs)('$file hangs together', ({ build }) => {
    expect(faultsOfRecord(build())).toEqual([])
  })

  it('each stage has a box waiting in it, one is done, and there are eight of one place at least', () => {
    const record = quillbackRoad()
    const waiting = progressOfJob(record, trade).map(each => each.next?.stage ?? 'done')
    for (const stage of STAGES) expect(waiting).toContain(stage)
    expect(waiting).toContain('done')
    const single = Object.values(record.boxes).filter(box => box.gangs === 1)
    expect(single.length).toBeGreaterThanOrEqual(8)
  })

  it('a colour lies, a label is wrong, and what is dangerous is raised', () => {
    const record = quillbackRoad()
    const all = Object.keys(record.boxes).flatMap(id =>
      raisedDefects(boxView(record, id)!, trade).map(each => each.what),
    )
    const red = Object.values(record.ends).filter(
      end => end.role === 'line' && record.conductors[end.conductorId]!.insulation === 'red',
    )
    expect(red.length).toBeGreaterThan(0)
    expect(all.join('\n')).toMatch(/label for 5 names something else/)
    expect(all.join('\n')).toMatch(/14 AWG on a 20 A breaker/)
    expect(all.join('\n')).toMatch(/Aluminium/)
    expect(all.join('\n')).toMatch(/Metal box without a ground/)
  })

  it('boxes with known roles prove as found, but for the cellar that lacks a ground', () => {
    const record = quillbackRoad()
    for (const id of Object.keys(record.boxes)) {
      const view = boxView(record, id)!
      const found = foundCircuit(view, trade)
      if (!found.ok || view.ends.length === 0) continue
      const proof = prove(found.value)
      const broken = proof.kind === 'refuted' ? proof.counterexamples.map(each => each.property) : []
      expect([id, broken]).toEqual([id, id === 'box-cellar' ? ['ground-reaches'] : []])
    }
  })

  it('every chosen device is wired by a plan that proves', () => {
    const record = quillbackRoad()
    for (const choice of Object.values(record.choices)) {
      const view = boxView(record, record.places[choice.placeId]!.boxId)!
      const routed = routeBox(view, trade)
      expect(routed.ok && prove(plannedCircuit(view, routed.value, trade)).kind).toBe('proven')
    }
  })
})
