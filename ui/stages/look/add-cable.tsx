'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Gauge } from '@/core/model/vocabulary'
import type { Cable } from '@/core/model/entities'
import type { CableTemplate } from '@/core/model/regions'
import { cableEdits, freeName, isRun, LOOSE } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Chip } from '../../primitives/chip'
import { CheckField, PickOne } from '../../primitives/fields'
import { useBroughtUp } from '../../primitives/use-brought-up'
import { farWords } from './far-words'
import { useSay } from '../../words/use-say'

/** One more cable, as it usually comes: top or bottom, and what is in it, in the gauge that was said. */
export function AddCable({ view, gauge }: { view: BoxView; gauge: Gauge }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const [entry, setEntry] = useState<'top' | 'bottom'>('top')
  const [pulled, setPulled] = useState(false)
  // A run that the other box recorded is drawn here already, and nobody has seated it: it may be just this one.
  const [maybe, setMaybe] = useState<{ template: CableTemplate; runs: readonly Cable[] } | null>(null)
  const offer = (template: CableTemplate) => {
    const runs = waitingRuns(view).filter(cable => isLike(view, cable, template))
    if (runs.length > 0) setMaybe({ template, runs })
    else addCable(template)
  }
  const addCable = (template: CableTemplate) => {
    setMaybe(null)
    const name = freeName(view.cables.map(cable => cable.name))
    const cable = {
      ...{ boxId: view.box.id, name, entry, pulled, position: view.cables.length },
      ...(template.pair ? { sheath: 'low-voltage' as const } : {}),
    }
    const strands = template.insulations.map((insulation, at) => ({
      insulation,
      gauge: template.pair?.gauge ?? gauge,
      at: [{ boxId: view.box.id, said: { ...LOOSE, ...(template.pair ? { role: PAIR[at]! } : {}) } }],
    }))
    edits.send('add a cable', cableEdits(edits, view.record, cable, strands))
    setEntry(entry === 'top' ? 'bottom' : 'top')
  }
  return (
    <div className="flex flex-col gap-3">
      <PickOne
        label={say`Comes in at the`}
        value={entry}
        options={[
          { value: 'top', words: say`Top` },
          { value: 'bottom', words: say`Bottom` },
        ]}
        onCommit={setEntry}
      />
      <CheckField label={say`Pulled in on this job`} value={pulled} onCommit={setPulled} />
      {maybe && (
        <IsItThat
          view={view}
          runs={maybe.runs}
          onThat={() => setMaybe(null)}
          onAnother={() => addCable(maybe.template)}
        />
      )}
      <div className="flex flex-wrap gap-2">
        {view.region.cables.map(template => (
          <Button key={template.id} onClick={() => offer(template)}>
            <span className="flex -space-x-1">
              {template.insulations.map((insulation, at) => (
                <Chip key={at} insulation={insulation} />
              ))}
            </span>
            {say(template.words)}
          </Button>
        ))}
      </div>
    </div>
  )
}

/** + first, as the colors of a pair are named. */
const PAIR = ['control-plus', 'control-minus'] as const

/** Asked where the eye is: the button that raised it may stand lower. */
function IsItThat({
  view,
  runs,
  onThat,
  onAnother,
}: {
  view: BoxView
  runs: readonly Cable[]
  onThat: () => void
  onAnother: () => void
}) {
  const say = useSay()

  const brought = useBroughtUp<HTMLDivElement>()
  return (
    <div
      ref={brought}
      role="alert"
      className="flex scroll-mt-3 flex-col gap-2 rounded-lg border-2 border-plum p-3"
    >
      <p className="font-semibold">{say`Is it ${runs.map(cable => say`cable ${cable.name} ${farWords(view, cable)}`).join(say`, or `)}? That is drawn here already: tap its conductors to say where they sit.`}</p>
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={onThat}>{say`It is that one`}</Button>
        <Button onClick={onAnother}>{say`Another cable`}</Button>
      </div>
    </div>
  )
}

/** Runs from other boxes of which nothing was said at this end yet. */
const waitingRuns = (view: BoxView): Cable[] =>
  view.cables.filter(cable => {
    const ends = view.ends.filter(each => each.cable.id === cable.id)
    return isRun(cable) && ends.length > 0 && ends.every(({ end }) => end.seat === 'loose')
  })

/** Whether a cable has just the colours that a template brings. */
const isLike = (view: BoxView, cable: Cable, { insulations }: CableTemplate): boolean =>
  view.ends
    .filter(each => each.cable.id === cable.id)
    .map(({ conductor }) => conductor.insulation)
    .sort()
    .join() === [...insulations].sort().join()
