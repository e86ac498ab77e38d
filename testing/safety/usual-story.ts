import { trade } from '@/catalogue'
import { boxView, type BoxView } from '@/core/job/box-view'
import { applyChanges } from '@/core/job/change'
import type { Edit } from '@/core/job/command'
import { transition } from '@/core/job/transition'
import { BLANK } from '@/core/model/blank-rows'
import type { Row } from '@/core/model/entities'
import { holdPoints } from '@/core/plan'
import { usualBox } from '@/demo/usual'

export const NOW = '2026-03-02T09:00:00.000Z'
let counter = 0

export const further = (view: BoxView, ...edits: Edit[]): BoxView => {
  const changes = transition(view.record, edits, { now: NOW, guards: [] })
  if (!changes.ok) throw new Error(changes.faults[0]!.message)
  return boxView(applyChanges(view.record, changes.value), view.box.id)!
}

export const reading = (fields: Partial<Row<'readings'>>): Edit => ({
  kind: 'add',
  entity: 'readings',
  row: {
    id: `reading-${++counter}`,
    boxId: 'box',
    ...BLANK.readings,
    purpose: 'dead',
    breaker: 'off',
    ...fields,
  },
})

export const switching = (to: 'on' | 'off', circuitId: string | null = 'circuit-7'): Edit => ({
  kind: 'add',
  entity: 'switchings',
  row: { id: `switching-${++counter}`, circuitId, to, ...BLANK.switchings },
})

export const tester = (value = 120) =>
  reading({ purpose: 'tester', value, breaker: 'on', reference: 'known live point' })
export const reference = (value = 120) =>
  reading({ purpose: 'reference', value, breaker: 'on', reference: 'brought-in ground' })
export const dead = (endId: string, value = 0) =>
  reading({ fromEndId: endId, reference: 'brought-in ground', value })
/** Switched off, and locked by somebody. */
export const lock = (circuitId: string | null = 'circuit-7', keyWith = 'Rowan Vale'): Edit => ({
  kind: 'add',
  entity: 'locks',
  row: { id: `lock-${++counter}`, circuitId, how: 'lock-and-tag', keyWith },
})
export const off = (circuitId: string | null = 'circuit-7') => [switching('off', circuitId), lock(circuitId)]
export const ENDS = usualBox().ends.map(each => each.end.id)
export const allDead = () => ENDS.map(id => dead(id))
export const whole = () => [tester(), reference(), ...off(), ...allDead(), tester()]
export const tick = (stepKey: string): Edit => ({
  kind: 'add',
  entity: 'steps',
  row: { id: `step-${++counter}`, boxId: 'box', stepKey, ...BLANK.steps },
})
/** No current, by a clamp that shows tenths of an ampere. */
export const clampedAt = (fromEndId: string, resolutionAmps: number | null = 0.1) =>
  reading({ purpose: 'clamp', instrument: 'clamp', fromEndId, value: 0, resolutionAmps })
export const bothClamped = () => [clampedAt('box-a-white-2-end'), clampedAt('box-b-white-2-end')]
/** The edit, held against the law of the product. */
export const guarded = (view: BoxView, ...edits: Edit[]) =>
  transition(view.record, edits, { now: NOW, guards: [holdPoints(trade)] })
