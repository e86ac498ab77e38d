import { trade } from '@/catalogue'
import type { BoxView } from '@/core/job/box-view'
import { applyChanges } from '@/core/job/change'
import type { Edit } from '@/core/job/command'
import { transition } from '@/core/job/transition'
import { BLANK } from '@/core/model/blank-rows'
import { rowsOf, type JobRecord } from '@/core/model/record'
import { holdPoints, powerHolds } from '@/core/plan'

const guards = [holdPoints(trade), powerHolds(trade)]
let counter = 0
export const fresh = () => `x${++counter}`

/** The record after some edits, or null where they were refused. */
export function after(record: JobRecord, edits: readonly Edit[]): JobRecord | null {
  const changes = transition(record, edits, { now: '2026-03-02T08:00:00.000Z', guards })
  return changes.ok ? applyChanges(record, changes.value) : null
}

export const switching = (circuitId: string | null, to: 'on' | 'off'): Edit => ({
  kind: 'add',
  entity: 'switchings',
  row: { id: fresh(), circuitId, to, foundSo: false, struck: null, seq: 0, at: '' },
})

export const lock = (circuitId: string): Edit => ({
  kind: 'add',
  entity: 'locks',
  row: { id: fresh(), circuitId, how: 'lock-and-tag', keyWith: 'Somebody', seq: 0, at: '' },
})

/** Whoever locked it takes it off, as he switches on. */
export const unlocked = (record: JobRecord, circuitId: string): Edit[] =>
  rowsOf(record, 'locks')
    .filter(each => each.circuitId === circuitId)
    .map(({ id }) => ({ kind: 'remove', entity: 'locks', id, based: 1 }))

export const reading = (boxId: string, more: object): Edit => ({
  kind: 'add',
  entity: 'readings',
  row: {
    ...BLANK.readings,
    id: fresh(),
    boxId,
    seq: 0,
    at: '',
    purpose: 'dead',
    breaker: 'off',
    ...more,
  },
})

/** Everything that is read before hands go in, box by box. */
export function readDead(record: JobRecord, view: BoxView): readonly Edit[] {
  const volts = view.region.nominalVolts
  return [
    reading(view.box.id, { purpose: 'tester', reference: 'a receptacle', value: volts, breaker: 'on' }),
    reading(view.box.id, { purpose: 'reference', reference: 'extension lead', value: volts, breaker: 'on' }),
    ...(isOn(record) ? rowsOf(record, 'circuits').flatMap(({ id }) => [switching(id, 'off'), lock(id)]) : []),
    ...view.ends.map(({ end }) =>
      reading(view.box.id, { fromEndId: end.id, reference: 'extension lead', value: 0 }),
    ),
    reading(view.box.id, { purpose: 'tester', reference: 'a receptacle', value: volts, breaker: 'on' }),
    ...view.ends
      .filter(({ end }) => end.jointId !== null)
      .map(({ end }) =>
        reading(view.box.id, {
          purpose: 'clamp',
          instrument: 'clamp',
          fromEndId: end.id,
          value: 0,
          resolutionAmps: 0.1,
        }),
      ),
  ]
}

/** Breakers that are on by the record: the last word of each, or of the main switch. */
export function isOn(record: JobRecord): boolean {
  const all = rowsOf(record, 'switchings')
  return rowsOf(record, 'circuits').some(({ id }) => {
    const last = all.filter(({ circuitId }) => circuitId === id || circuitId === null).at(-1)
    return last?.to !== 'off'
  })
}
