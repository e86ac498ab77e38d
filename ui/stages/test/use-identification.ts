import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { answersTo, basisOf, takenIn, type Identification, type Next } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { houseRule } from '@/core/model/house-rules'
import { tiedBoxes } from '@/core/job/tied'
import type { Fault } from '@/core/model/result'
import { asker } from '@/workers/ask'
import type { IdentifyAnswer, IdentifyQuestion } from '@/workers/identifier'
import { useTrade } from '../../job/provider'
import { useLeftOut } from './use-left-out'

const DEADLINE_MILLISECONDS = 30_000

/** What may go on for long goes on beside, on a phone that is slow too. */
const FAR_DEADLINE_MILLISECONDS = 90_000

const identifier = (deadline: number) =>
  asker<IdentifyQuestion, IdentifyAnswer>(
    () => new Worker(new URL('../../../workers/identifier.ts', import.meta.url), { type: 'module' }),
    deadline,
  )
/** Answers in a moment. */
const askSoon = identifier(DEADLINE_MILLISECONDS)
/** Searches further where that is needed; while a reading is taken, for whatever it may show. */
const askFar = identifier(FAR_DEADLINE_MILLISECONDS)

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
  const question = useRef<About>({ record, boxId: box.id, trade, skipped })
  useEffect(() => {
    question.current = { record, boxId: box.id, trade, skipped }
  })
  useEffect(() => {
    let wanted = true
    void identify(question.current, {
      isWanted: () => wanted,
      tell: says => setAnswer({ key, says }),
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

type About = Omit<IdentifyQuestion, 'reach' | 'supposing'>

interface Listener {
  readonly isWanted: () => boolean
  readonly tell: (says: Identifying) => void
}

/** Tells what can be said in a moment, then what a longer search says; meanwhile thinks ahead. */
async function identify(about: About, { isWanted, tell }: Listener): Promise<void> {
  const soon = await askSoon({ ...about, reach: 'soon' })
  if (!isWanted()) return
  if (soon.kind !== 'answered') return tell({ kind: 'failed' })
  tell(soon.value)
  if (soon.value.kind !== 'identified') return
  const { identification } = soon.value
  if (!identification.further) return thinkAhead(about, identification.next, isWanted)
  const far = await askFar({ ...about, reach: 'far' })
  if (!isWanted()) return
  // What was not gone through is not proven: what was said in a moment stands.
  if (far.kind !== 'answered')
    return tell({ kind: 'identified', identification: { ...identification, further: false } })
  tell(far.value)
  if (far.value.kind === 'identified') await thinkAhead(about, far.value.identification.next, isWanted)
}

/** While a reading is taken: what there will be to say, whatever it shows, the likeliest first. */
async function thinkAhead(about: About, next: Next | null, isWanted: () => boolean): Promise<void> {
  if (!next) return
  const { question, outcomes } = next
  const likely = new Map(outcomes.map(each => [each.answer, each.likely]))
  const answers = [...answersTo(question)].sort((a, b) => (likely.get(b) ?? 0) - (likely.get(a) ?? 0))
  for (const answer of answers) {
    if (!isWanted()) return
    await askFar({ ...about, reach: 'far', supposing: { question, answer } })
  }
}
