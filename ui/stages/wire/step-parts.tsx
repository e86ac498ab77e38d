import type { IfOn, Step } from '@/core/plan'
import { isPartedIn } from '@/core/safety'
import { useState } from 'react'
import { Link } from '../../job/link'
import { Button } from '../../primitives/button'
import { LINK_LOOK } from '../../primitives/link-look'
import { ToStage } from '../to-stage'
import { TextField } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import type { useTicks } from './use-ticks'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

const PartedRow = part(() => import('../safety/dead-row').then(module => module.PartedRow))
const AmpsField = part(() => import('../test/amps-field').then(module => module.AmpsField))
const TakePhoto = part(() => import('../../photos/take-photo').then(module => module.TakePhoto))

export const KIND_WORDS: Readonly<Record<Step['kind'], string>> = {
  record: 'Record',
  reading: 'Reading',
  switch: 'At the panel',
  live: 'Live reading',
  open: 'Opening; nothing bare is touched',
  touch: 'Hands on conductors',
  power: 'At the panel',
}

/** The one thing to press for a step: done, undone, the reading it waits for. */
export function StepButton({
  step,
  ticks: { tick, clampIdle, view },
  large = false,
}: {
  step: Step
  ticks: ReturnType<typeof useTicks>
  large?: boolean
}) {
  const say = useSay()

  const size = large ? 'min-h-20 w-full text-2xl' : ''
  if (step.name.kind === 'photo' && !step.done)
    return (
      <span className="flex flex-col gap-2">
        <TakePhoto boxId={view.box.id} kind="before" onTaken={() => tick(step)} />
        <Button
          className={size}
          aria-label={say`Done: ${step.says}`}
          onClick={() => tick(step)}
        >{say`Done without`}</Button>
      </span>
    )
  if (step.doneBy === 'tick') {
    const press = (
      <Button
        look={step.done ? 'plain' : 'main'}
        className={size}
        aria-label={`${step.done ? say`Untick` : say`Done`}: ${step.says}`}
        disabled={!step.done && step.holds.length > 0}
        onClick={() => tick(step)}
      >
        {step.done ? say`Untick` : say`Done`}
      </Button>
    )
    // Worked out from the room, or made to something else, in Set.
    const isSetting = step.name.kind === 'set-before' || step.name.kind === 'set-under'
    return isSetting && !step.done ? (
      <span className="flex flex-col gap-2">
        {press}
        <Link
          href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/set`}
          className={LINK_LOOK}
        >{say`Why so, or otherwise`}</Link>
      </span>
    ) : (
      press
    )
  }
  if (step.name.kind === 'clamp' && !step.done)
    return (
      <AmpsField of={step.says} isIdle onRead={(amps, resolution) => clampIdle(step, amps, resolution)} />
    )
  if (step.name.kind === 'identify' && !step.done) return <ToStage view={view} stage="test" />
  const parted = step.name.kind === 'parted' ? step.name.endId : null
  const end = view.ends.find(each => each.end.id === parted)
  if (end && !step.done && isPartedIn(view, end.end.jointId ?? ''))
    return <PartedRow view={view} end={end} active />
  return (
    <span className={`shrink-0 pt-1 font-semibold ${large ? 'text-xl' : 'text-sm'}`}>
      {step.done ? say`Done` : say`By its reading`}
    </span>
  )
}

/** What holds a step back, and how many more there are. */
export function Held({ holds }: { holds: readonly string[] }) {
  const say = useSay()

  if (holds.length === 0) return null
  return (
    <p className="mt-1">
      <strong>{say`Held:`}</strong> {holds[0]}
      {holds.length > 1 && say` (and ${holds.length - 1} more)`}
    </p>
  )
}

/** What the power would do after this step: the breaker stays off until it does nothing. */
export function PowerHere({ ifOn }: { ifOn: readonly IfOn[] }) {
  const say = useSay()

  const [first] = ifOn
  if (!first) return null
  return (
    <p className="mt-1" data-if-on={first.kind}>
      <strong>{say`Breaker stays off after this:`}</strong> {first.says}
      {ifOn.length > 1 && say` (and ${ifOn.length - 1} more)`}.
    </p>
  )
}

/** What somebody has to say of a step that is ticked. */
export function StepNote({
  step,
  ticks: { rowOf, noteOn },
}: {
  step: Step
  ticks: ReturnType<typeof useTicks>
}) {
  const say = useSay()

  const row = rowOf(step)
  const [isNoted] = useState((row?.note ?? '') !== '')
  if (!row) return null
  return (
    <Folded
      opened={isNoted}
      summary={<summary className="min-h-11 py-2 text-sm font-semibold">{say`Note`}</summary>}
    >
      <TextField
        label={say`Note: ${step.says}`}
        value={row.note}
        max={1000}
        onCommit={note => noteOn(step, note)}
      />
    </Folded>
  )
}
