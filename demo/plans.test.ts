import { describe, expect, it } from 'vitest'
import { faultsOfShapes } from '@/core/job/sound-shapes'
import { faultsOfRecord } from '@/core/job/integrity'
import { quillbackRoad } from './quillback'
import { saltpanQuay } from './saltpan'

describe('plans of the demo', () => {
  it.each([
    ['Quillback Road', quillbackRoad],
    ['Saltpan Quay', saltpanQuay],
  ])('%s hang together, and stand for their rooms', (_, build) => {
    const record = build()
    expect([...faultsOfRecord(record), ...faultsOfShapes(record)]).toEqual([])
    expect(Object.values(record.plans).length).toBeGreaterThan(0)
    for (const { roomId, plan } of Object.values(record.plans))
      for (const { boxId } of plan.hangings) expect(record.boxes[boxId]?.roomId).toBe(roomId)
  })
})
