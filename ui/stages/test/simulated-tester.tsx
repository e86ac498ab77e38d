'use client'

import { useMemo, useState } from 'react'
import { surveyOf, type Answer, type Question } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { asker } from '@/workers/ask'
import type { EndQuestion, TesterAnswer, TesterQuestion } from '@/workers/simulated-tester'
import { useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { useSay } from '../../words/use-say'

const DEADLINE_MILLISECONDS = 30_000

const ask = asker<TesterQuestion, TesterAnswer>(
  () => new Worker(new URL('../../../workers/simulated-tester.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MILLISECONDS,
)

/** A number between 0 and 1 that a box always gets: its hidden circuit stays the same. */
function lotOf(text: string): number {
  let hash = 2166136261
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 16777619)
  return (hash >>> 0) / 4294967296
}

/** Holds a simulated tester to the box’s hidden circuit; what it shows is recorded and marked as such. */
export function SimulatedTester({
  views,
  question,
  disabled,
  onShown,
}: {
  views: readonly BoxView[]
  question: Question | EndQuestion
  disabled: boolean
  /** Amperes, where it was clamped. */
  onShown: (answer: Answer | number) => void
}) {
  const say = useSay()

  const trade = useTrade()
  const [refusal, setRefusal] = useState('')
  const survey = useMemo(() => surveyOf(views, trade), [views, trade])
  const hold = async () => {
    if (!survey.ok) return
    const { foundCircuit } = await import('./circuit-as-found')
    const circuit = foundCircuit(views, trade)
    const lot = lotOf(views.map(({ box }) => box.id).join(' '))
    const asked = await ask({
      survey: survey.value,
      circuit: circuit.ok ? circuit.value : null,
      lot,
      question,
    })
    if (asked.kind === 'answered' && asked.value.kind === 'shown') return onShown(asked.value.answer)
    setRefusal(
      asked.kind === 'answered' && asked.value.kind === 'refused'
        ? asked.value.faults.map(({ message }) => message).join('; ')
        : say`The simulated tester gave no answer.`,
    )
  }
  return (
    <div className="flex flex-wrap items-center gap-3 rounded-lg border-2 border-dashed border-rule px-3 py-2">
      <Button
        disabled={disabled || !survey.ok}
        onClick={() => void hold()}
      >{say`Hold the simulated tester to it`}</Button>
      <span className="text-sm">{say`Demo house: what it shows is recorded as simulated.`}</span>
      {refusal && (
        <p role="alert" className="hazard w-full px-3">
          {refusal}
        </p>
      )}
    </div>
  )
}
