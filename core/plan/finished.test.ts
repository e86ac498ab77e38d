import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { demoJobs } from '@/demo'
import { boxView } from '../job/box-view'
import { BLANK } from '../model/blank-rows'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { isolationOf } from '../safety'
import { plainPen, written } from '@/testing/recording/plain-pen'
import { holdPoints, isWiredFor, planBox } from '.'

const boxes = demoJobs
  .map(({ build }) => build())
  .flatMap(record => rowsOf(record, 'boxes').map(({ id }) => ({ id, record })))

const isTickedThrough = (record: JobRecord, id: string) => {
  const ticks = planBox(boxView(record, id)!, trade).steps.filter(({ doneBy }) => doneBy === 'tick')
  const ticked = new Set(rowsWith(record, 'steps', 'boxId', id).map(({ stepKey }) => stepKey))
  return ticks.length > 0 && ticks.every(({ key }) => ticked.has(key))
}

describe('a box whose last step is done', () => {
  const finished = boxes.filter(({ id, record }) => isTickedThrough(record, id))
  it('there are such', () => expect(finished.length).toBeGreaterThan(1))

  it.each(finished)('$id: nothing of it falls back, though its power is on again', ({ id, record }) => {
    const view = boxView(record, id)!
    expect(isolationOf(view).dead).toBe(false)
    expect(planBox(view, trade).steps.filter(({ done }) => !done)).toEqual([])
    expect(isWiredFor(view, trade)).toBe('yes')
    // One tick taken back, and what was done before it is no longer taken for granted.
    const [last] = rowsWith(record, 'steps', 'boxId', id).slice(-1)
    const back = boxView(written(record, [plainPen().remove('steps', last!.id)]), id)!
    expect(planBox(back, trade).steps.some(({ done }) => !done)).toBe(true)
    expect(isWiredFor(back, trade)).not.toBe('yes')
  })

  it.each(boxes)('$id: a test is recorded only as far as its wiring is', ({ id, record }) => {
    const view = boxView(record, id)!
    const wired = isWiredFor(view, trade)
    for (const { place } of view.places)
      for (const [testKey, power] of [
        ['ground-continuity', 'off'],
        ['line-neutral', 'on'],
      ] as const) {
        const row = {
          ...BLANK.tests,
          id: 'trial',
          placeId: place.id,
          testKey,
          outcome: 'pass' as const,
          seq: 0,
          at: '',
        }
        const change = { entity: 'tests' as const, id: 'trial', before: null, after: row }
        const faults = holdPoints(trade)(record, record, [change])
        const early = wired === 'no' || (wired === 'hands-off' && power === 'on')
        expect(
          faults.map(({ code }) => code),
          `${testKey} ${wired}`,
        ).toEqual(early ? ['held'] : [])
      }
  })
})
