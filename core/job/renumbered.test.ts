import { describe, expect, it } from 'vitest'
import { quillbackRoad } from '@/demo/quillback'
import { isolationOf } from '../safety'
import { rowsOf, type JobRecord } from '../model/record'
import { boxView } from './box-view'
import { renumbered } from './renumbered'

const NEAR_THE_END = 999_999_000

/** The same house, what happened in it numbered close to the last number there is. */
const late = (record: JobRecord): JobRecord =>
  Object.fromEntries(
    Object.entries(record).map(([name, table]) => [
      name,
      name === 'job'
        ? table
        : Object.fromEntries(
            Object.entries(table as Record<string, { seq?: number }>).map(([id, row]) => [
              id,
              row.seq === undefined ? row : { ...row, seq: row.seq + NEAR_THE_END },
            ]),
          ),
    ]),
  ) as unknown as JobRecord

describe('numbers that run too high', () => {
  const house = quillbackRoad()

  it('are given anew, in the order there was, so that every box stands as it did', () => {
    const again = renumbered(late(house))
    const seqs = rowsOf(again, 'readings').map(({ seq }) => seq)
    expect(Math.max(...seqs)).toBeLessThan(10_000)
    expect(rowsOf(again, 'readings').map(({ id }) => id)).toEqual(
      rowsOf(house, 'readings').map(({ id }) => id),
    )
    for (const { id } of rowsOf(house, 'boxes')) {
      const [before, after] = [house, again].map(record => isolationOf(boxView(record, id)!))
      expect([id, after!.dead]).toEqual([id, before!.dead])
    }
  })

  it('are left where there is room', () => {
    expect(renumbered(house)).toBe(house)
  })
})
