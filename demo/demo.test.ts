import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { raisedDefects } from '@/core/check'
import { faultsOfRecord } from '@/core/job/integrity'
import { boxView } from '@/core/job/box-view'
import { tiedSets } from '@/core/job/tied'
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
    expect(all.join('\n')).toMatch(/14 AWG on breaker 11 of 20 A/)
    expect(all.join('\n')).toMatch(/Aluminum/)
    expect(all.join('\n')).toMatch(/Metal box without a ground/)
    expect(all.filter(what => /the old system with hot and neutral on one switch/.test(what))).toHaveLength(2)
  })

  it('wiring with known roles proves as found, but for what is dangerous', () => {
    const broken = Object.fromEntries(
      tiedSets(quillbackRoad()).flatMap(set => {
        const found = foundCircuit(set, trade)
        const proof = found.ok && set.some(view => view.ends.length > 0) ? prove(found.value) : null
        return proof?.kind === 'refuted'
          ? [[set.map(view => view.box.id).join(), proof.counterexamples.map(each => each.property)]]
          : []
      }),
    )
    expect(broken).toEqual({
      'box-cellar': ['ground-reaches'],
      'box-steps-head,box-steps-foot': ['return-unswitched'],
    })
  })

  it('26 boxes in 17 rooms on 9 circuits; one light from three places, five from two', () => {
    const record = quillbackRoad()
    const counts = [record.boxes, record.rooms, record.circuits].map(table => Object.keys(table).length)
    expect(counts).toEqual([26, 17, 9])
    const places = Object.keys(record.groups).map(
      id => Object.values(record.places).filter(place => place.groupId === id).length,
    )
    expect(places.filter(count => count === 3)).toHaveLength(1)
    expect(places.filter(count => count === 2)).toHaveLength(5)
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
