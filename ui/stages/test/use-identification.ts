import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { basisOf, takenIn, type Identification } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { houseRule } from '@/core/model/house-rules'
import { tiedBoxes } from '@/core/job/tied'
import type { Fault } from '@/core/model/result'
import { asker } from '@/workers/ask'
import type { IdentifyAnswer, IdentifyQuestion } from '@/workers/identifier'
import { useTrade } from '../../job/provider'
import { useLeftOut } from './use-left-out'

const DEADLINE_MILLISECONDS = 30_000

const ask = asker<IdentifyQuestion, IdentifyAnswer>(
  () => new Worker(new URL('../../../workers/identifier.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MILLISECONDS,
)

export type Identifying =
  | { readonly kind: 'thinking' }
  /** What was recorded does not hang together yet. */
  | { readonly kind: 'refused'; readonly faults: readonly Fault[] }
  | { readonly kind: 'failed' }
  | { readonly kind: 'identified'; readonly identification: Identification }

/** What the readings say of the boxes that hang together with one, kept up as they are taken. */
export function useIdentification(view: BoxView) {
  const trade = useTrade()
  const { record, box } = view
  const views = useMemo(() => tiedBoxes(record, box.id), [record, box.id])
  const [leftOut, setLeftOut] = useLeftOut(`${record.job.id} ${box.id}`)
  const readings = useMemo(() => takenIn(views, trade).length, [views, trade])
  // What somebody was not sure of is asked again once another reading was taken.
  const skipped = useMemo(
    () => leftOut.flatMap(({ key, until }) => (until === null || until > readings ? [key] : [])),
    [leftOut, readings],
  )
  const [round, setRound] = useState(0)
  // As text, so that the same question is not asked again because something else changed.
  const key = useMemo(
    () => JSON.stringify([basisOf(record, box.id), houseRule(record, 'finding-line'), skipped]),
    [record, box.id, skipped],
  )
  const [answer, setAnswer] = useState<{ readonly key: string; readonly says: Identifying } | null>(null)
  const question = useRef<IdentifyQuestion>({ record, boxId: box.id, trade, skipped })
  useEffect(() => {
    question.current = { record, boxId: box.id, trade, skipped }
  })
  useEffect(() => {
    let wanted = true
    void ask(question.current).then(asked => {
      if (wanted) setAnswer({ key, says: asked.kind === 'answered' ? asked.value : { kind: 'failed' } })
    })
    return () => {
      wanted = false
    }
  }, [key, round])
  const says: Identifying = answer?.says ?? { kind: 'thinking' }
  return {
    views,
    says,
    /** Whether what is shown was worked out from all that is recorded now. */
    current: answer?.key === key,
    skip: useCallback((key: string) => setLeftOut(before => [...before, { key, until: null }]), [setLeftOut]),
    unsure: useCallback(
      (key: string) => setLeftOut(before => [...before, { key, until: readings + 1 }]),
      [setLeftOut, readings],
    ),
    skipped: skipped.length,
    askAllAgain: useCallback(() => setLeftOut(() => []), [setLeftOut]),
    again: useCallback(() => {
      setAnswer(null)
      setRound(before => before + 1)
    }, []),
  }
}
