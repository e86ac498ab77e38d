import { describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { applyChanges } from '@/core/job/change'
import { faultsOfRecord } from '@/core/job/integrity'
import { transition } from '@/core/job/transition'
import { boxView } from '@/core/job/box-view'
import { REGION_IDS } from '@/core/model/vocabulary'
import { cableEdits, LOOSE } from './new-cable'
import { CABLE_TEMPLATES } from './cable-templates'

describe('a cable recorded from a template', () => {
  const templates = REGION_IDS.flatMap(region =>
    CABLE_TEMPLATES[region].map(template => [region, template] as const),
  )

  it.each(templates)('%s: $id', (region, template) => {
    const view = usualBox({ region, cables: [], proven: false })
    const edits = cableEdits(
      view,
      { name: 'A', entry: 'top', far: 'not-known', position: 0 },
      template.insulations.map(insulation => ({ insulation, seat: LOOSE })),
      view.region.usualGauge,
    )
    const changes = transition(view.record, edits, { now: '2026-03-02T09:00:00.000Z', guards: [] })
    if (!changes.ok) throw new Error(changes.faults[0]!.message)
    const record = applyChanges(view.record, changes.value)
    expect(faultsOfRecord(record)).toEqual([])
    const after = boxView(record, 'box')!
    expect(after.ends.map(each => each.conductor.insulation)).toEqual(template.insulations)
    expect(after.ends.every(each => each.end.seat === 'loose' && !each.end.seenAtSheath)).toBe(true)
    expect(new Set(after.ends.map(each => each.name)).size).toBe(template.insulations.length)
  })

  it('a ground that is seated was seen where the sheath ends', () => {
    const view = usualBox({ cables: [], proven: false })
    const seat = { seat: 'cap' as const, deviceId: null, terminal: null, jointId: null }
    const edits = cableEdits(
      view,
      { name: 'A', entry: 'top', far: 'panel', position: 0 },
      [
        { insulation: 'bare', seat },
        { insulation: 'black', seat },
      ],
      '14 AWG',
    )
    const seen = edits.flatMap(edit =>
      edit.kind === 'add' && edit.entity === 'ends' ? [edit.row.seenAtSheath] : [],
    )
    expect(seen).toEqual([true, false])
  })
})
