'use client'

import dynamic from 'next/dynamic'
import { keptTrying } from '../../primitives/kept-trying'
import { Link } from '../../job/link'
import { useMemo, useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { ifOnAfter, type Step } from '@/core/plan'
import { onAgain } from '@/core/safety'
import { useTrade } from '../../job/provider'
import { PickOne } from '../../primitives/fields'
import { Part } from '../stage-frame'
import { Held, KIND_WORDS, PowerHere, StepButton, StepNote } from './step-parts'
import { useTicks } from './use-ticks'
import { MAIN_LINK_LOOK } from '../../primitives/link-look'
import { useSay } from '../../words/use-say'
import { partWords } from '@/core/model/small-part'
import { measuresOf } from '@/core/model/measures'
import { RowContext } from '../../primitives/row-context'

const LocksOn = dynamic(() => keptTrying(() => import('../safety/locks-on')).then(module => module.LocksOn), {
  ssr: false,
})
const OneStep = dynamic(() => keptTrying(() => import('./one-step')).then(module => module.OneStep), {
  ssr: false,
})

/** What is read there takes a row of its own: beside the words it would leave them no room. */
const isWide = ({ name, done }: Step): boolean => !done && (name.kind === 'clamp' || name.kind === 'parted')

/** The work on a box in its safe order, as a list or one at a time. */
export function Steps({ view, steps }: { view: BoxView; steps: readonly Step[] }) {
  const say = useSay()

  const trade = useTrade()
  const ticks = useTicks(view)
  const [shown, setShown] = useState<'list' | 'one'>('list')
  const ifOn = useMemo(() => ifOnAfter(view, steps, trade), [view, steps, trade])
  const open = steps.filter(step => !step.done)
  const minutes = open.reduce((sum, step) => sum + step.minutes, 0)
  return (
    <Part
      title={
        open.length === 0
          ? say.count(steps.length, 'Wired: its one step is done', 'Wired: all # steps are done')
          : say`Steps: ${steps.length - open.length} of ${steps.length}, about ${Math.round(minutes)} min to go`
      }
    >
      {open.length === 0 && (
        <Link
          href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/set`}
          className={MAIN_LINK_LOOK}
        >{say`On to Set`}</Link>
      )}
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
      {shown === 'one' && <OneStep view={view} steps={steps} ticks={ticks} ifOn={ifOn} />}
      {shown === 'list' && (
        <ol className="flex flex-col gap-2">
          {steps.map((step, index) => (
            <li
              key={step.key}
              data-step={step.key}
              className={`rounded-lg border border-rule p-3 ${step.kind === 'live' && !step.done ? 'hazard' : ''}`}
            >
              <div className={`flex items-start gap-3 ${isWide(step) ? 'flex-wrap' : ''}`}>
                <span className="w-7 shrink-0 text-right font-bold tabular-nums">{index + 1}</span>
                <div className={`min-w-0 flex-1 ${isWide(step) ? 'basis-2/3' : ''}`}>
                  <p className={`font-semibold ${step.done ? 'line-through decoration-2' : ''}`}>
                    {step.says}
                  </p>
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
          ))}
        </ol>
      )}
    </Part>
  )
}
