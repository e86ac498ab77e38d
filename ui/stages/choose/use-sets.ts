import { useEffect, useState } from 'react'
import type { SetJudgement } from '@/core/check'
import type { JobRecord } from '@/core/model/record'
import { asker } from '@/workers/ask'
import type { SetsAsked } from '@/workers/sets'
import { useTrade } from '../../job/provider'

const DEADLINE_MILLISECONDS = 60_000

const ask = asker<SetsAsked, SetJudgement[]>(
  () => new Worker(new URL('../../../workers/sets.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MILLISECONDS,
)

export interface Sets {
  readonly judgements: readonly SetJudgement[] | null
  /** What stands there was judged by the record as it is now. */
  readonly isCurrent: boolean
  readonly failed: boolean
}

/** Sets as the worker judges them; what was judged before stands until it has answered anew. */
export function useSets(record: JobRecord, kind: 'groupId' | 'boxId', id: string) {
  const trade = useTrade()
  const [judged, setJudged] = useState<{
    record: JobRecord
    id: string
    judgements: readonly SetJudgement[]
  } | null>(null)
  const [failedOn, setFailedOn] = useState<JobRecord | null>(null)
  const [round, setRound] = useState(0)
  useEffect(() => {
    let wanted = true
    const of = kind === 'groupId' ? { groupId: id } : { boxId: id }
    void ask({ record, trade, of }).then(asked => {
      if (!wanted) return
      if (asked.kind === 'answered') setJudged({ record, id, judgements: asked.value })
      else setFailedOn(record)
    })
    return () => {
      wanted = false
    }
  }, [record, trade, kind, id, round])
  const sets: Sets = {
    judgements: judged?.id === id ? judged.judgements : null,
    isCurrent: judged?.record === record && judged.id === id,
    failed: failedOn === record,
  }
  const again = () => {
    setFailedOn(null)
    setRound(before => before + 1)
  }
  return { ...sets, again }
}
