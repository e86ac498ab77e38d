'use client'

import type { Identified, Question } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { approachTo, isLifted } from '@/core/safety'
import { useDemo, useEdits } from '../../job/provider'
import { newReading } from '../../job/new-reading'
import { Part } from '../../primitives/titled-part'
import { Folded } from '../../primitives/folded'
import { AmpsField } from './amps-field'
import { Approach } from './approach'
import { boxWords } from './question-words'
import { useSay } from '../../words/use-say'
import { REFERENCES } from '../../words/references'
import { part } from '../../primitives/part'

const SimulatedTester = part(() => import('./simulated-tester').then(module => module.SimulatedTester))

const LiftAtPanel = part(() => import('./lift-at-panel').then(module => module.LiftAtPanel))

/**
 * Where no bare or green conductor is in the box, no voltage tells a neutral from a ground: both are one metal at the
 * panel. The current of a light that is on does.
 */
export function ClampUnderLoad({
  views,
  known,
}: {
  views: readonly BoxView[]
  known: readonly Identified[]
}) {
  const say = useSay()

  const open = known.find(({ groundOpen }) => groundOpen)
  const here = views.find(({ ends }) => ends.some(({ end }) => end.id === open?.endId))
  const each = here?.ends.find(({ end }) => end.id === open?.endId)
  const edits = useEdits(here?.box.id ?? null)
  const demo = useDemo()
  if (!here || !each) return null
  const asFound: Question = {
    kind: 'volts',
    power: 'on',
    apart: [],
    from: { kind: 'end', end: each.end.id },
    to: { kind: 'earth' },
    work: null,
  }
  const steps = approachTo(here, views, asFound)
  const without = here.readings.some(
    ({ purpose, fromEndId, value, breaker }) =>
      purpose === 'clamp' && breaker === 'on' && fromEndId === each.end.id && value === 0,
  )
  const record = (value: number, resolutionAmps: number | null, note = '') =>
    edits.send('take a reading', [
      edits.add(
        'readings',
        newReading(here.box.id, {
          purpose: 'clamp',
          instrument: 'clamp',
          fromEndId: each.end.id,
          value,
          resolutionAmps,
          breaker: 'on',
          note,
        }),
      ),
    ])
  return (
    <Part title={say`Neutral or ground? Clamp it with the light on`}>
      <p className="text-lg font-bold">{say`Round ${each.name} in ${boxWords(here)}`}</p>
      <p className="hazard px-3 py-1 text-sm font-semibold">{say`Live: nothing is moved. The jaws go round its insulation, nothing else is touched.`}</p>
      {without && (
        <p role="status">{say`It read 0 A. A ground carries none, and neither does a neutral whose light is off: see that the light is on, and clamp again.`}</p>
      )}
      <Approach here={here} steps={steps} />
      <AmpsField of={each.name} disabled={steps.length > 0} onRead={record} />
      {demo && (
        <SimulatedTester
          views={views}
          question={{ kind: 'clamp', end: each.end.id }}
          disabled={steps.length > 0}
          onShown={shown => typeof shown === 'number' && record(shown, null, REFERENCES.simulated)}
        />
      )}
      <Folded
        opened={isLifted(here.record, here.box.id)}
        summary={
          <summary className="min-h-11 py-2 font-semibold">{say`No current to be had? Lift its neutral at the panel`}</summary>
        }
      >
        <LiftAtPanel views={views} view={here} end={each} />
      </Folded>
    </Part>
  )
}
