import type { IfOn, Step } from '@/core/plan'
import dynamic from 'next/dynamic'
import { Button } from '../../primitives/button'
import type { useTicks } from './use-ticks'

const TakePhoto = dynamic(() => import('../../photos/take-photo').then(module => module.TakePhoto), {
  ssr: false,
})

export const KIND_WORDS: Readonly<Record<Step['kind'], string>> = {
  record: 'Record',
  reading: 'Reading',
  switch: 'At the panel',
  live: 'Live reading',
  touch: 'Hands on conductors',
  power: 'At the panel',
}

/** The one thing to press for a step: done, undone, the reading it waits for. */
export function StepButton({
  step,
  ticks: { tick, clampIdle, boxId },
  large = false,
}: {
  step: Step
  ticks: ReturnType<typeof useTicks>
  large?: boolean
}) {
  if (step.key === 'photo' && !step.done)
    return (
      <span className="flex flex-col gap-2">
        <TakePhoto boxId={boxId} kind="before" onTaken={() => tick(step)} />
        <Button aria-label={`Done: ${step.says}`} onClick={() => tick(step)}>
          Done without
        </Button>
      </span>
    )
  const size = large ? 'min-h-20 w-full text-2xl' : ''
  if (step.doneBy === 'tick')
    return (
      <Button
        look={step.done ? 'plain' : 'main'}
        className={size}
        aria-label={`${step.done ? 'Untick' : 'Done'}: ${step.says}`}
        disabled={!step.done && step.holds.length > 0}
        onClick={() => tick(step)}
      >
        {step.done ? 'Untick' : 'Done'}
      </Button>
    )
  if (step.key.startsWith('clamp:') && !step.done)
    return (
      <Button
        look="main"
        className={size}
        aria-label={`It read 0 A: ${step.says}`}
        onClick={() => clampIdle(step)}
      >
        0 A
      </Button>
    )
  return (
    <span className={`shrink-0 pt-1 font-semibold ${large ? 'text-xl' : 'text-sm'}`}>
      {step.done ? 'Done' : 'By its reading'}
    </span>
  )
}

/** What holds a step back, and how many more there are. */
export function Held({ holds }: { holds: readonly string[] }) {
  if (holds.length === 0) return null
  return (
    <p className="mt-1">
      <strong>Held:</strong> {holds[0]}
      {holds.length > 1 && ` (and ${holds.length - 1} more)`}
    </p>
  )
}

/** What the power would do after this step: the breaker stays off until it does nothing. */
export function PowerHere({ ifOn }: { ifOn: readonly IfOn[] }) {
  const [first] = ifOn
  if (!first) return null
  return (
    <p className="mt-1" data-if-on={first.kind}>
      <strong>Breaker stays off after this:</strong> {first.says}
      {ifOn.length > 1 && ` (and ${ifOn.length - 1} more)`}.
    </p>
  )
}
