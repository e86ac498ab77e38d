'use client'

import { useMemo, useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { ifOnAfter, type IfOn, type Step } from '@/core/plan'
import { onAgain } from '@/core/safety'
import { useTrade } from '../../job/provider'
import { PickOne } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { AtOnce } from '../at-once'
import { Part } from '../../primitives/titled-part'
import { Held, KIND_WORDS, PowerHere, StepButton, StepNote } from './step-parts'
import { useTicks } from './use-ticks'
import { useSay } from '../../words/use-say'
import { partWords } from '@/core/model/small-part'
import { measuresOf } from '@/core/model/measures'
import { RowContext } from '../../primitives/row-context'
import { part } from '../../primitives/part'

const LocksOn = part(() => import('../safety/locks-on').then(module => module.LocksOn))
const OneStep = part(() => import('./one-step').then(module => module.OneStep))

/** What is read there takes a row of its own: beside the words it would leave them no room. */
const isWide = ({ name, done }: Step): boolean => !done && (name.kind === 'clamp' || name.kind === 'parted')

/** The work on a box in its safe order, as a list or one at a time. */
export function Steps({
  view,
  steps,
  next,
  onPoint,
}: {
  view: BoxView
  steps: readonly Step[]
  /** What is done next, where the safe sequence above does not come first: one step, or several that one look confirms. */
  next: readonly Step[]
  /** A step is pointed at, or none. */
  onPoint: (step: Step | null) => void
}) {
  const say = useSay()

  const trade = useTrade()
  const ticks = useTicks(view)
  const [shown, setShown] = useState<'list' | 'one'>('list')
  const ifOn = useMemo(() => ifOnAfter(view, steps, trade), [view, steps, trade])
  const open = steps.filter(step => !step.done)
  const first = next[0]?.key
  const behind = open[0] ? steps.indexOf(open[0]) : 0
  const atOnce = next.length > 1 ? next : []
  const minutes = open.reduce((sum, step) => sum + step.minutes, 0)
  return (
    <Part
      title={
        open.length === 0
          ? say.count(steps.length, 'Wired: its one step is done', 'Wired: all # steps are done')
          : say`Steps: ${steps.length - open.length} of ${steps.length}, about ${Math.round(minutes)} min to go`
      }
    >
      <PickOne
        label={say`How the steps are shown`}
        labelHidden
        value={shown}
        options={[
          { value: 'list', words: say`All steps` },
          { value: 'one', words: say`One at a time` },
        ]}
        onCommit={setShown}
      />
      {shown === 'one' && (
        <div data-next={first}>
          <OneStep view={view} steps={steps} ticks={ticks} ifOn={ifOn} />
        </div>
      )}
      {shown === 'list' && behind > 0 && (
        <Folded
          className="rounded-lg border border-rule px-3"
          summary={
            <summary className="min-h-11 py-2.5 font-semibold">
              {say.count(behind, '# step is done', '# steps are done')}
            </summary>
          }
        >
          <ol className="flex flex-col gap-2 pb-3">
            {steps.slice(0, behind).map((step, at) => (
              <StepInList
                key={step.key}
                view={view}
                step={step}
                number={at + 1}
                ticks={ticks}
                ifOn={ifOn}
                onPoint={onPoint}
              />
            ))}
          </ol>
        </Folded>
      )}
      {shown === 'list' && behind > 0 && <PowerHere ifOn={ifOn.get(steps[behind - 1]!.key) ?? []} />}
      {shown === 'list' && atOnce.length > 0 && (
        <AtOnce
          name={`${first}-at-once`}
          items={atOnce}
          from={behind + 1}
          label={say`Done: steps ${behind + 1} to ${behind + atOnce.length}`}
          words={say`All ${atOnce.length} as drawn`}
          onDone={() => ticks.tickAll(atOnce)}
          onPoint={onPoint}
        >
          {atOnce.map((step, at) => (
            <StepInList
              key={step.key}
              view={view}
              step={step}
              number={behind + at + 1}
              ticks={ticks}
              ifOn={ifOn}
              onPoint={onPoint}
            />
          ))}
        </AtOnce>
      )}
      {shown === 'list' && (
        <ol className="flex flex-col gap-2" start={behind + atOnce.length + 1}>
          {steps.slice(behind + atOnce.length).map((step, at) => (
            <StepInList
              key={step.key}
              view={view}
              step={step}
              number={behind + atOnce.length + at + 1}
              ticks={ticks}
              ifOn={ifOn}
              onPoint={onPoint}
              isNext={step.key === first}
            />
          ))}
        </ol>
      )}
    </Part>
  )
}

function StepInList({
  view,
  step,
  number,
  ticks,
  ifOn,
  onPoint,
  isNext = false,
}: {
  view: BoxView
  step: Step
  number: number
  ticks: ReturnType<typeof useTicks>
  ifOn: ReadonlyMap<string, readonly IfOn[]>
  onPoint: (step: Step | null) => void
  isNext?: boolean
}) {
  const say = useSay()

  return (
    <li
      data-step={step.key}
      onPointerEnter={({ pointerType }) => pointerType === 'mouse' && onPoint(step)}
      onPointerLeave={({ pointerType }) => pointerType === 'mouse' && onPoint(null)}
      onFocus={() => onPoint(step)}
      onBlur={() => onPoint(null)}
      data-next={isNext ? step.key : undefined}
      className={`rounded-lg border border-rule p-3 ${step.kind === 'live' && !step.done ? 'hazard' : ''}`}
    >
      <div className={`flex items-start gap-3 ${isWide(step) ? 'flex-wrap' : ''}`}>
        <span className="w-7 shrink-0 text-right font-bold tabular-nums">{number}</span>
        <div className={`min-w-0 flex-1 ${isWide(step) ? 'basis-2/3' : ''}`}>
          <p className={`font-semibold ${step.done ? 'line-through decoration-2' : ''}`}>{step.says}</p>
          <p className="text-sm text-soft">
            {say(KIND_WORDS[step.kind])} · {step.why}
            {step.parts.length > 0 &&
              ` · ${step.parts.map(part => partWords(say, measuresOf(view.record), part)).join(', ')}`}
          </p>
          <div className="text-sm">
            {!step.done && <Held holds={step.holds} />}
            <PowerHere ifOn={ifOn.get(step.key) ?? []} />
          </div>
          {step.kind === 'power' && !step.done && (
            <LocksOn circuitIds={onAgain(view)} boxId={view.box.id} isTakenOffWith />
          )}
          <RowContext value={step.key}>
            <StepNote step={step} ticks={ticks} />
          </RowContext>
        </div>
        <div className={isWide(step) ? 'w-full sm:pl-10' : 'shrink-0'}>
          <StepButton step={step} ticks={ticks} />
        </div>
      </div>
    </li>
  )
}
