import { useCallback, useEffect, useMemo, useState } from 'react'
import { accountedIn, allowedBy, surveyOf, takenIn, type Identification } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { tiedBoxes } from '@/core/job/tied'
import type { Fault } from '@/core/model/result'
import { asker } from '@/workers/ask'
import type { IdentifyAnswer, IdentifyQuestion } from '@/workers/identifier'
import { useTrade } from '../../job/provider'

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
  const views = useMemo(() => tiedBoxes(view.record, view.box.id), [view])
  const [skipped, setSkipped] = useState<readonly string[]>([])
  const [round, setRound] = useState(0)
  const { text, faults } = useMemo(() => {
    const survey = surveyOf(views, trade)
    if (!survey.ok) return { text: null, faults: survey.faults }
    const question: IdentifyQuestion = {
      survey: survey.value,
      allowed: allowedBy(view),
      taken: takenIn(views),
      carries: [...accountedIn(views).carries],
      skipped,
    }
    // As text, so that the same question is not asked again because something else changed.
    return { text: JSON.stringify(question), faults: [] }
  }, [views, view, trade, skipped])
  const [answer, setAnswer] = useState<{ readonly text: string; readonly says: Identifying } | null>(null)
  useEffect(() => {
    if (text === null) return
    let wanted = true
    void ask(JSON.parse(text) as IdentifyQuestion).then(asked => {
      if (wanted) setAnswer({ text, says: asked.kind === 'answered' ? asked.value : { kind: 'failed' } })
    })
    return () => {
      wanted = false
    }
  }, [text, round])
  const says: Identifying =
    text === null ? { kind: 'refused', faults } : (answer?.says ?? { kind: 'thinking' })
  return {
    views,
    says,
    /** Whether what is shown was worked out from all that is recorded now. */
    current: text === null || answer?.text === text,
    skip: useCallback((key: string) => setSkipped(before => [...before, key]), []),
    skipped: skipped.length,
    askAllAgain: useCallback(() => setSkipped([]), []),
    again: useCallback(() => {
      setAnswer(null)
      setRound(before => before + 1)
    }, []),
  }
}
