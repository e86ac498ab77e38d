import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { rowsOf } from '../model/record'
import { holdPoints } from '.'

describe('a reading that hands rely on', () => {
  const record = quillbackRoad()
  const of = (purpose: string) => rowsOf(record, 'readings').find(each => each.purpose === purpose)!
  const faults = (purpose: string, fields: object) => {
    const before = of(purpose)
    const change = { entity: 'readings' as const, id: before.id, before, after: { ...before, ...fields } }
    return holdPoints(trade)(record, record, [change]).map(({ code }) => code)
  }

  it.each(['dead', 'tester', 'reference', 'clamp'])(
    '%s: struck out with its reason, never put right',
    purpose => {
      expect(faults(purpose, { value: of(purpose).value + 1 })).toEqual(['held'])
      expect(faults(purpose, { struck: 'Misread' })).toEqual([])
      expect(faults(purpose, { note: 'At the bench' })).toEqual([])
    },
  )

  it('one that says what a conductor is can be put right, and does not become one that hands rely on', () => {
    expect(faults('identify', { value: 121, corrected: 'was 119 V: Misread' })).toEqual([])
    expect(faults('identify', { purpose: 'dead', value: 0 })).toEqual(['held'])
  })
})
