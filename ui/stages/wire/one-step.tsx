'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { IfOn, Step } from '@/core/plan'
import { Button } from '../../primitives/button'
import { Held, KIND_WORDS, PowerHere, StepButton } from './step-parts'
import type { useTicks } from './use-ticks'
import { useSay } from '../../words/use-say'
import { partWords } from '@/core/model/small-part'
import { measuresOf } from '@/core/model/measures'

/** One step at a time, to be read at arm’s length and pressed with a knuckle. */
export function OneStep({
  view,
  steps,
  ticks,
  ifOn,
}: {
  view: BoxView
  steps: readonly Step[]
  ticks: ReturnType<typeof useTicks>
  ifOn: ReadonlyMap<string, readonly IfOn[]>
}) {
  const say = useSay()

  const firstOpen = steps.findIndex(step => !step.done)
  const [chosen, setChosen] = useState<number | null>(null)
  // Nothing chosen: the first that is open, so that a tick goes on to the next.
  const at = Math.min(chosen ?? (firstOpen < 0 ? steps.length - 1 : firstOpen), steps.length - 1)
  const step = steps[at]
  if (!step) return null
  const go = (to: number) => setChosen(Math.max(0, Math.min(steps.length - 1, to)))
  return (
    <article
      aria-label={say`Step ${at + 1}`}
      className={`flex flex-col gap-3 rounded-xl border-2 border-ink/60 bg-paper p-4 ${step.kind === 'live' && !step.done ? 'hazard' : ''}`}
    >
      <p className="flex items-baseline justify-between gap-3 text-lg">
        <span>
          <strong className="text-3xl tabular-nums">{at + 1}</strong>
          {say` of ${steps.length}`}
        </span>
        <span>{say(KIND_WORDS[step.kind])}</span>
      </p>
      <p className={`text-2xl leading-snug font-bold ${step.done ? 'line-through decoration-2' : ''}`}>
        {step.says}
      </p>
      <p className="text-lg">{step.why}</p>
      {step.parts.length > 0 && (
        <ul className="list-disc pl-6 text-lg">
          {step.parts.map((part, index) => (
            <li key={index}>{partWords(say, measuresOf(view.record), part)}</li>
          ))}
        </ul>
      )}
      <div className="text-lg">
        {!step.done && <Held holds={step.holds} />}
        <PowerHere ifOn={ifOn.get(step.key) ?? []} />
      </div>
      <StepButton
        step={step}
        large
        ticks={{
          ...ticks,
          tick: each => {
            if (!each.done) setChosen(null)
            return ticks.tick(each)
          },
        }}
      />
      <div className="grid grid-cols-2 gap-3">
        <Button
          className="min-h-16 text-xl"
          disabled={at === 0}
          onClick={() => go(at - 1)}
        >{say`Before`}</Button>
        <Button
          className="min-h-16 text-xl"
          disabled={at === steps.length - 1}
          onClick={() => go(at + 1)}
        >{say`Next`}</Button>
      </div>
    </article>
  )
}
