import { useMemo, useState } from 'react'
import type { PlanOfRoom } from '@/core/model/floor-plan'
import { feetWords, measuresOf } from '@/core/model/measures'
import type { Fault } from '@/core/model/result'
import { feetFrom, metresFrom, rounded } from '@/core/model/units'
import { planRowOf } from '@/core/plan'
import { faultsOfHangings, parseRoom } from '@/core/setup'
import { useEdits, useJob } from '../job/provider'

/** Everything that is wrong with a plan, each at its field. */
export function faultsOf(plan: PlanOfRoom): readonly Fault[] {
  const parsed = parseRoom(plan)
  return parsed.ok ? faultsOfHangings(plan) : parsed.faults
}

export interface RoomPlanEdits {
  readonly plan: PlanOfRoom | null
  /** What was wrong with the last one that was not kept. */
  readonly refused: readonly Fault[]
  /** Keeps a plan that hangs together; says what is wrong with any other, and keeps nothing. */
  keep(plan: PlanOfRoom): boolean
  remove(): void
}

/** The plan of a room: one for everybody, each change one command. */
export function useRoomPlan(roomId: string): RoomPlanEdits {
  const { record } = useJob()
  const edits = useEdits(null)
  const row = planRowOf(record, roomId)
  const [refused, setRefused] = useState<readonly Fault[]>([])
  return {
    plan: row?.plan ?? null,
    refused,
    keep: plan => {
      const faults = faultsOf(plan)
      setRefused(faults)
      if (faults.length > 0) return false
      if (row && JSON.stringify(row.plan) === JSON.stringify(plan)) return true
      return edits.send('draw a plan', [
        row
          ? edits.change('plans', row.id, { plan })
          : edits.add('plans', { id: edits.newId(), roomId, plan }),
      ])
    },
    remove: () => {
      setRefused([])
      if (row) edits.send('draw a plan', [edits.remove('plans', row.id)])
    },
  }
}

export interface Tape {
  readonly unit: 'm' | 'ft'
  /** As it is read off, to two places. */
  shown(metres: number): number
  /** Metres of what was typed. */
  metres(shown: number): number
  words(metres: number): string
}

/** What a room is measured with on this job. */
export function useTape(): Tape {
  const { record } = useJob()
  const unit = measuresOf(record) === 'metric' ? 'm' : 'ft'
  return useMemo(() => {
    const shown = (metres: number) => rounded(unit === 'm' ? metres : feetFrom(metres), 2)
    return {
      unit,
      shown,
      metres: typed => rounded(unit === 'm' ? typed : metresFrom(typed), 4),
      words: metres => (unit === 'm' ? `${shown(metres)} m` : feetWords(metres)),
    }
  }, [unit])
}
