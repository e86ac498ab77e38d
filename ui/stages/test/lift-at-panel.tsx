'use client'

import type { BoxView, EndView } from '@/core/job/box-view'
import { approachToLift, isLifted, LIFTED } from '@/core/safety'
import { newReading, newTick } from '../../job/new-reading'
import { useDemo, useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Approach } from './approach'
import { useSay } from '../../words/use-say'
import { REFERENCES } from '../../words/references'
import { plain } from '../../words'
import { part } from '../../primitives/part'

const SimulatedTester = part(() => import('./simulated-tester').then(module => module.SimulatedTester))

/** Where no current is to be had: with the neutral off its bar, only a ground still sounds to ground. */
export function LiftAtPanel({
  views,
  view,
  end,
}: {
  views: readonly BoxView[]
  view: BoxView
  end: EndView
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const demo = useDemo()
  const steps = approachToLift(view, end)
  const lifted = isLifted(view.record, view.box.id)
  const last = view.readings.filter(each => each.purpose === 'lifted' && each.fromEndId === end.end.id).at(-1)
  const circuit = view.feeds.map(each => each.circuit.breaker).join(', ')
  const tick = (stepKey: string) =>
    edits.send('tick a step', [edits.add('steps', newTick(view.box.id, stepKey))])
  const record = (answer: 'silent' | 'sounds', note = '') =>
    edits.send('take a reading', [
      edits.add(
        'readings',
        newReading(view.box.id, {
          purpose: 'lifted',
          instrument: 'continuity',
          fromEndId: end.end.id,
          toSpot: 'earth',
          breaker: 'off',
          value: 0,
          answer,
          note,
        }),
      ),
    ])
  if (!lifted)
    return (
      <div className="flex flex-col gap-2">
        <Approach here={view} steps={steps} />
        <p className="hazard px-3 py-1 text-sm font-semibold">{say`The panel is opened only by one who may work in it, with the main switch off. What comes in above the main switch stays live.`}</p>
        <p>{say`At the panel: take the neutral${circuit ? say` of breaker ${circuit}` : ''} off its bar and cap it.`}</p>
        <Button
          look="main"
          disabled={steps.length > 0}
          onClick={() => tick(LIFTED)}
        >{say`Off its bar, and capped`}</Button>
      </div>
    )
  return (
    <div className="flex flex-col gap-2">
      <p className="text-lg">
        {say`Continuity, breaker off: `}
        <strong>{end.name}</strong>
        {say` to a proven ground`}
      </p>
      <div
        className="grid grid-cols-2 gap-2"
        role="group"
        aria-label={say`${end.name} to ground, neutral lifted`}
      >
        <Button
          look="main"
          className="min-h-16 flex-col !items-start !gap-0"
          onClick={() => record('silent')}
        >
          {say`Silent`}
          <span className="text-sm font-normal">{say`a neutral`}</span>
        </Button>
        <Button
          look="main"
          className="min-h-16 flex-col !items-start !gap-0"
          onClick={() => record('sounds')}
        >
          {say`Sounds`}
          <span className="text-sm font-normal">{say`no neutral of this circuit`}</span>
        </Button>
      </div>
      {demo && (
        <SimulatedTester
          views={views}
          question={{ kind: 'lifted', end: end.end.id }}
          disabled={false}
          onShown={shown => (shown === 'silent' || shown === 'sounds') && record(shown, REFERENCES.simulated)}
        />
      )}
      {last?.answer && <p role="status">{say`Read: ${say(plain(last.answer)).toLowerCase()}.`}</p>}
    </div>
  )
}
