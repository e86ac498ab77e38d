import { applyChanges } from '@/core/job/change'
import type { Edit } from '@/core/job/command'
import { transition } from '@/core/job/transition'
import type { JobRecord } from '@/core/model/record'
import type { Pen } from '@/core/recording/pen'

/** A pen with ids in a row, that has seen the first version of every row. */
export function plainPen(prefix = 'new'): Pen {
  let made = 0
  return {
    add: (entity, row) => ({ kind: 'add', entity, row }) as unknown as Edit,
    change: (entity, id, fields) => ({ kind: 'change', entity, id, based: 1, fields }) as unknown as Edit,
    remove: (entity, id) => ({ kind: 'remove', entity, id, based: 1 }),
    newId: () => `${prefix}-${++made}`,
  }
}

/** The record with the edits made, as the server would; refused edits are an error of the test. */
export function written(record: JobRecord, edits: readonly Edit[]): JobRecord {
  const changes = transition(record, edits, { now: '2026-11-02T09:00:00.000Z', guards: [] })
  if (!changes.ok) throw new Error(changes.faults.map(({ path, message }) => `${path} ${message}`).join('; '))
  return applyChanges(record, changes.value)
}
