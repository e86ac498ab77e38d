'use client'

import { useMemo } from 'react'
import { APART, isolationOf, TOGETHER, type ApproachStep } from '@/core/safety'
import { Row } from './step-row'
import type { BoxView } from '@/core/job/box-view'
import type { Breaker } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { capital } from '@/core/words/capital'
import { switchName } from '../../words/switch-name'
import { newReading, newTick } from '../../job/new-reading'
import { BeforeOn } from '../safety/before-on'
import { PartedRow } from '../safety/dead-row'
import { holdersIn, useLocks } from '../safety/use-locks'
import { onWords } from '../safety/use-switched-on'
import { ReferenceChoices } from '../safety/reference-choices'
import { boxWords } from './question-words'
import { MAIN_LINK_LOOK } from '../../primitives/link-look'
import { useSay } from '../../words/use-say'
import { REFERENCES } from '../../words/references'
import { part } from '../../primitives/part'

const MakeSafe = part(() => import('./make-safe').then(module => module.MakeSafe))
const ReadersOnly = part(() => import('../safety/readers-only').then(module => module.ReadersOnly))
const LocksOn = part(() => import('../safety/locks-on').then(module => module.LocksOn))
const AmpsField = part(() => import('./amps-field').then(module => module.AmpsField))

/** What comes before the reading, one step after the other; each is recorded with one press. */
export function Approach({ here, steps }: { here: BoxView; steps: readonly ApproachStep[] }) {
  const say = useSay()

  if (steps.length === 0) return null
  return (
    <ol className="flex flex-col gap-2" aria-label={say`Before it`}>
      {steps.map((step, at) => (
        <li
          key={keyOf(step)}
          // The safe sequence of this box stands below, and is the next thing itself.
          data-next={at > 0 || (step.kind === 'make-dead' && step.view === here) ? undefined : keyOf(step)}
          className={`rounded-lg border p-3 ${at === 0 ? 'border-2 border-plum' : 'border-rule'}`}
        >
          <StepRow here={here} step={step} active={at === 0} />
        </li>
      ))}
    </ol>
  )
}

const keyOf = (step: ApproachStep): string =>
  `${step.kind} ${'view' in step ? step.view.box.id : ''} ${'end' in step ? step.end.end.id : ''}`

function StepRow({ here, step, active }: { here: BoxView; step: ApproachStep; active: boolean }) {
  const say = useSay()

  const view = 'view' in step ? step.view : here
  const edits = useEdits(view.box.id)
  const { nominalVolts } = view.region
  const read = (fields: Parameters<typeof newReading>[1]) =>
    edits.send('take a reading', [
      edits.add('readings', newReading(view.box.id, { value: nominalVolts, ...fields })),
    ])
  const tick = (stepKey: string) =>
    edits.send('tick a step', [edits.add('steps', newTick(view.box.id, stepKey))])
  switch (step.kind) {
    case 'prove-tester':
      return (
        <Row says={say`Prove the tester on a known live point`} active={active}>
          <Button
            look="main"
            onClick={() => read({ purpose: 'tester', reference: REFERENCES.livePoint })}
          >{say`It read ${nominalVolts} V`}</Button>
          <Button
            onClick={() => read({ purpose: 'tester', reference: REFERENCES.provingUnit })}
          >{say`On a proving unit`}</Button>
          <ReadersOnly record={here.record} />
        </Row>
      )
    case 'prove-reference':
      return (
        <Row says={say`Prove the ground that is read to, against a live point`} active={active}>
          <ReferenceChoices view={view} onRead={read} />
          <ReadersOnly record={here.record} />
        </Row>
      )
    case 'make-dead':
      return <MakeDead here={here} view={view} active={active} />
    case 'clamp':
      return (
        <Row
          says={say`Clamp ${step.end.name} before its joint is opened: no current may flow`}
          active={active}
        >
          <p className="w-full">{say`Every other circuit on and drawing first, lamps lit: with nothing drawn, 0 A proves nothing.`}</p>
          <AmpsField
            of={step.end.name}
            isIdle
            onRead={(value, resolutionAmps) =>
              read({
                purpose: 'clamp',
                instrument: 'clamp',
                fromEndId: step.end.end.id,
                value,
                resolutionAmps,
                breaker: 'off',
              })
            }
          />
          <span className="text-sm">{say`Any current: stop. Another circuit returns here; switch it off too.`}</span>
        </Row>
      )
    case 'take-apart':
      return (
        <Row
          says={say`Take every conductor apart in ${boxWords(view)}; none touches another or the box`}
          active={active}
        >
          {rowsWith(view.record, 'photos', 'boxId', view.box.id).every(({ kind }) => kind !== 'before') && (
            <a
              href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/look#photos`}
              className="hazard inline-flex min-h-11 items-center bg-paper px-3 font-semibold underline underline-offset-4"
            >{say`First a photo of how it was`}</a>
          )}
          <Button look="main" onClick={() => tick(APART)}>{say`All apart`}</Button>
        </Row>
      )
    case 'read-parted':
      return (
        <Row
          says={say`Hands off: read ${step.end.name} to ground on its own, before anything is touched`}
          active={active}
        >
          <p className="w-full text-sm">{say`Only now does a shared neutral show what stands on it. At most 5 V on a low-impedance meter.`}</p>
          <PartedRow view={view} end={step.end} active={active} />
        </Row>
      )
    case 'put-together':
      return (
        <Row says={say`Put ${boxWords(view)} back together as it was`} active={active}>
          <Button look="main" onClick={() => tick(TOGETHER)}>{say`Together again`}</Button>
        </Row>
      )
    case 'make-safe':
      return <MakeSafe here={here} view={view} active={active} onTick={tick} />
    case 'switch-on':
      return (
        <Row says={say`Stand clear, then switch on`} active={active}>
          {active && (
            <BeforeOn record={here.record} circuitIds={step.circuits.map(circuit => circuit?.id ?? null)} />
          )}
          <SwitchOnNow here={here} circuits={step.circuits} />
        </Row>
      )
  }
}

/** On, by who took the last lock off. */
function SwitchOnNow({ here, circuits }: { here: BoxView; circuits: readonly (Breaker | null)[] }) {
  const say = useSay()

  const { record, edits, on } = useLocks(here.box.id)
  const ids = circuits.map(circuit => circuit?.id ?? null)
  const several = holdersIn(record, ids).length > 1
  const names = ids.map(id => capital(switchName(record, id)))
  return (
    <>
      {several && <LocksOn circuitIds={ids} boxId={here.box.id} />}
      <Button look="main" disabled={several} onClick={() => edits.send('switch a breaker', on(ids))}>
        {onWords(record, ids, say`${names.join(', ')} on`)}
      </Button>
    </>
  )
}

/** The safe sequence itself stands below, on the same page, for this box; another box has its own. */
function MakeDead({ here, view, active }: { here: BoxView; view: BoxView; active: boolean }) {
  const say = useSay()

  const isolation = useMemo(() => isolationOf(view), [view])
  return (
    <Row
      says={say.count(
        isolation.ends,
        'Make {0} dead: {1} of # conductor read dead',
        'Make {0} dead: {1} of # conductors read dead',
        boxWords(view),
        isolation.endsReadDead,
      )}
      active={active}
    >
      <a
        href={
          here === view
            ? '#make-it-dead'
            : `/jobs/${view.record.job.id}/boxes/${view.box.id}/test#make-it-dead`
        }
        className={MAIN_LINK_LOOK}
      >{say`Make it dead`}</a>
    </Row>
  )
}
