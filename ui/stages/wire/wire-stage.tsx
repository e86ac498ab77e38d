'use client'

import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { isSettled, planBox, type Step } from '@/core/plan'
import type { Proof } from '@/core/prove'
import { plannedCircuit, type RoutedBox } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { newId } from '../../job/new-id'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import type { Asked } from '@/workers/ask'
import { newReading, NOW } from '../../job/new-reading'
import { IsolationPanel } from '../safety/isolation-panel'
import { Part, StageFrame } from '../stage-frame'
import { useProof } from './use-proof'

const Refutation = dynamic(() => import('./refutation').then(module => module.Refutation), { ssr: false })
const Landing = dynamic(() => import('./landing').then(module => module.Landing), { ssr: false })

export function WireStage({ view }: { view: BoxView }) {
  const trade = useTrade()
  const [moment, setMoment] = useState<'before' | 'after'>('after')
  const chosen = view.places.some(place => isSettled(view, place))
  const plan = useMemo(() => planBox(view, trade), [view, trade])
  const routed = plan.routed.ok ? plan.routed.value : null
  const found = useMemo(() => foundPicture(view, trade), [view, trade])
  const planned = useMemo(() => (routed ? plannedPicture(view, routed) : null), [view, routed])
  const circuit = useMemo(
    () => (routed && chosen ? plannedCircuit(view, routed, trade) : null),
    [view, routed, chosen, trade],
  )
  const proof = useProof(circuit)
  return (
    <StageFrame
      view={view}
      stage="wire"
      drawing={
        <div className="[--above:18.5rem]">
          <div className="mb-2" data-chrome>
            <PickOne
              label="Drawing"
              labelHidden
              value={planned ? moment : 'before'}
              options={[
                { value: 'before', words: 'Before' },
                ...(planned ? [{ value: 'after' as const, words: 'After' }] : []),
              ]}
              onCommit={setMoment}
            />
          </div>
          <BoxDrawing picture={planned && moment === 'after' ? planned : found} />
        </div>
      }
    >
      {!chosen && (
        <Part title="No device chosen">
          <p>Choose what goes in here first.</p>
        </Part>
      )}
      {chosen && !plan.routed.ok && (
        <Part title="It cannot be wired yet">
          <ul className="hazard flex flex-col gap-1 bg-paper p-3">
            {plan.routed.faults.map(each => (
              <li key={each.path + each.code}>{each.message}</li>
            ))}
          </ul>
        </Part>
      )}
      {circuit && <ProofLine asked={proof} href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/try`} />}
      {chosen && <IsolationPanel view={view} />}
      {chosen && <Steps view={view} steps={plan.steps} />}
      {chosen && routed && <LandingList view={view} routed={routed} />}
    </StageFrame>
  )
}

/** What the prover says of the plan, over every state of every device. */
function ProofLine({ asked, href }: { asked: Asked<Proof> | null; href: string }) {
  if (asked === null)
    return (
      <p role="status" className="min-h-20 rounded-xl border-2 border-rule bg-sheet p-3">
        Going through every state of this plan…
      </p>
    )
  if (asked.kind !== 'answered')
    return (
      <p className="hazard min-h-20 bg-sheet p-3">
        Not decided: the prover gave no answer. Do not wire by this plan.
      </p>
    )
  const proof = asked.value
  if (proof.kind === 'proven')
    return (
      <p role="status" className="min-h-20 rounded-xl border-2 border-ink bg-sheet p-3">
        <strong>Proven.</strong> In all {proof.states} states: full when on, dark when off, nothing shorted,
        every return on its own neutral.
      </p>
    )
  if (proof.kind === 'not-decided')
    return (
      <p className="hazard bg-sheet p-3">
        Not decided: {proof.states} states are more than were gone through.
      </p>
    )
  return <Refutation counterexamples={proof.counterexamples} href={href} />
}

/** The same plan as a table; fetched when it is asked for. */
function LandingList({ view, routed }: { view: BoxView; routed: RoutedBox }) {
  const [open, setOpen] = useState(false)
  return (
    <Part
      title="Where everything lands"
      aside={
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Hide the table' : 'Show the table'}
        </Button>
      }
    >
      {open && <Landing view={view} routed={routed} />}
    </Part>
  )
}

const KIND_WORDS: Readonly<Record<Step['kind'], string>> = {
  record: 'Record',
  reading: 'Reading',
  switch: 'At the panel',
  live: 'Live reading',
  touch: 'Hands on conductors',
  power: 'At the panel',
}

function Steps({ view, steps }: { view: BoxView; steps: readonly Step[] }) {
  const edits = useEdits(view.box.id)
  const rows = rowsWith(view.record, 'steps', 'boxId', view.box.id)
  const open = steps.filter(step => !step.done)
  const minutes = open.reduce((sum, step) => sum + step.minutes, 0)
  const tick = (step: Step) => {
    const row = rows.find(each => each.stepKey === step.key)
    if (row) return edits.send('untick a step', [edits.remove('steps', row.id)])
    const ticked = edits.add('steps', {
      id: newId(),
      boxId: view.box.id,
      stepKey: step.key,
      seq: 0,
      at: NOW,
      note: '',
    })
    const on = view.feeds.map(({ circuit }) =>
      edits.add('switchings', {
        id: newId(),
        circuitId: circuit.id,
        to: 'on',
        seq: 0,
        at: NOW,
      }),
    )
    return edits.send('tick a step', step.kind === 'power' ? [ticked, ...on] : [ticked])
  }
  const clampIdle = (step: Step) => {
    const jointId = step.key.slice('clamp:'.length)
    const neutral = view.ends.find(each => each.end.jointId === jointId && each.end.role === 'neutral')
    if (!neutral) return
    const reading = newReading(view.box.id, {
      purpose: 'clamp',
      instrument: 'clamp',
      fromEndId: neutral.end.id,
      breaker: 'off',
    })
    edits.send('take a reading', [edits.add('readings', reading)])
  }
  return (
    <Part
      title={`Steps: ${steps.length - open.length} of ${steps.length}, about ${Math.round(minutes)} min to go`}
    >
      <ol className="flex flex-col gap-2">
        {steps.map((step, index) => (
          <li
            key={step.key}
            data-step={step.key}
            className={`rounded-lg border border-rule p-3 ${step.kind === 'live' && !step.done ? 'hazard' : ''}`}
          >
            <div className="flex items-start gap-3">
              <span className="w-7 shrink-0 text-right font-bold tabular-nums">{index + 1}</span>
              <div className="min-w-0 flex-1">
                <p className={`font-semibold ${step.done ? 'line-through decoration-2' : ''}`}>{step.says}</p>
                <p className="text-sm text-soft">
                  {KIND_WORDS[step.kind]} · {step.why}
                  {step.parts.length > 0 && ` · ${step.parts.join(', ')}`}
                </p>
                {!step.done && step.holds.length > 0 && (
                  <p className="mt-1 text-sm">
                    <strong>Held:</strong> {step.holds[0]}
                    {step.holds.length > 1 && ` (and ${step.holds.length - 1} more)`}
                  </p>
                )}
              </div>
              {step.doneBy === 'tick' ? (
                <Button
                  look={step.done ? 'plain' : 'main'}
                  aria-label={`${step.done ? 'Untick' : 'Done'}: ${step.says}`}
                  disabled={!step.done && step.holds.length > 0}
                  onClick={() => tick(step)}
                >
                  {step.done ? 'Untick' : 'Done'}
                </Button>
              ) : step.key.startsWith('clamp:') && !step.done ? (
                <Button look="main" aria-label={`It read 0 A: ${step.says}`} onClick={() => clampIdle(step)}>
                  0 A
                </Button>
              ) : (
                <span className="shrink-0 pt-1 text-sm font-semibold">
                  {step.done ? 'Done' : 'By its reading'}
                </span>
              )}
            </div>
          </li>
        ))}
      </ol>
    </Part>
  )
}
