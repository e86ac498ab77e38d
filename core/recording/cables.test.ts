import { describe, expect, it } from 'vitest'
import { usualBox } from '@/demo/usual'
import { boxView } from '../job/box-view'
import { faultsOfRecord } from '../job/integrity'
import { rowsOf, rowsWith } from '../model/record'
import { REGION_IDS } from '../model/vocabulary'
import { regionOf } from '../model/regions'
import { cableEdits, freeName, gaugeChanged, LOOSE } from '.'
import { plainPen, written } from '@/testing/recording/plain-pen'

describe('a cable recorded from a template', () => {
  const templates = REGION_IDS.flatMap(region =>
    regionOf(region).cables.map(template => [region, template] as const),
  )

  it.each(templates)('%s: $id', (region, template) => {
    const view = usualBox({ region, cables: [], proven: false })
    const edits = cableEdits(
      plainPen(),
      view.record,
      { boxId: 'box', name: 'A', position: 0 },
      template.insulations.map(insulation => ({
        insulation,
        gauge: view.region.usualGauge,
        at: [{ boxId: 'box', said: LOOSE }],
      })),
    )
    const record = written(view.record, edits)
    expect(faultsOfRecord(record)).toEqual([])
    const after = boxView(record, 'box')!
    expect(after.ends.map(each => each.conductor.insulation)).toEqual(template.insulations)
    expect(after.ends.every(each => each.end.seat === 'loose' && !each.end.seenAtSheath)).toBe(true)
    expect(new Set(after.ends.map(each => each.name)).size).toBe(template.insulations.length)
  })

  it('a ground that is seated was seen where the sheath ends', () => {
    const view = usualBox({ cables: [], proven: false })
    const at = [{ boxId: 'box', said: { ...LOOSE, seat: 'cap' as const } }]
    const edits = cableEdits(
      plainPen(),
      view.record,
      { boxId: 'box', name: 'A', far: 'panel', position: 0 },
      [
        { insulation: 'bare', gauge: '14 AWG', at },
        { insulation: 'black', gauge: '14 AWG', at },
      ],
    )
    const seen = edits.flatMap(edit =>
      edit.kind === 'add' && edit.entity === 'ends' ? [edit.row.seenAtSheath] : [],
    )
    expect(seen).toEqual([true, false])
  })

  it('a whole cable in one gauge, and no other cable with it', () => {
    const { record } = usualBox({})
    const [cable, other] = rowsOf(record, 'cables')
    const after = written(record, gaugeChanged(plainPen(), record, cable!, '10 AWG'))
    for (const { gauge } of rowsWith(after, 'conductors', 'cableId', cable!.id)) expect(gauge).toBe('10 AWG')
    expect(rowsWith(after, 'conductors', 'cableId', other!.id)).toEqual(
      rowsWith(record, 'conductors', 'cableId', other!.id),
    )
  })

  it('a name that no cable of the box has, however many there are', () => {
    const names: string[] = []
    for (let at = 0; at < 40; at++) names.push(freeName(names))
    expect(new Set(names).size).toBe(40)
    expect(Math.max(...names.map(name => name.length))).toBeLessThanOrEqual(12)
  })
})
