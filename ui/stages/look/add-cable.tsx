'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Gauge } from '@/core/model/vocabulary'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Chip } from '../../primitives/chip'
import { PickOne } from '../../primitives/fields'
import { CABLE_TEMPLATES, type CableTemplate } from './cable-templates'
import { cableEdits, LOOSE } from './new-cable'
import { gaugeForBreaker } from './usual-gauge'

const nextName = (view: BoxView): string => {
  const used = new Set(view.cables.map(cable => cable.name))
  return [...'ABCDEFGHJK'].find(letter => !used.has(letter)) ?? `C${view.cables.length + 1}`
}

/** One more cable, as it usually comes: top or bottom, its gauge, and what is in it. */
export function AddCable({ view }: { view: BoxView }) {
  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const [entry, setEntry] = useState<'top' | 'bottom'>('top')
  const common = view.ends.at(-1)?.conductor.gauge ?? gaugeForBreaker(view, trade)
  const [gauge, setGauge] = useState<Gauge | null>(null)

  const addCable = (template: CableTemplate) => {
    const cable = { name: nextName(view), entry, far: 'not-known', position: view.cables.length } as const
    const strands = template.insulations.map(insulation => ({ insulation, seat: LOOSE }))
    edits.send('add a cable', cableEdits(view, cable, strands, gauge ?? common))
    setEntry(entry === 'top' ? 'bottom' : 'top')
  }

  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        <PickOne
          label="Comes in at the"
          value={entry}
          options={[
            { value: 'top', words: 'Top' },
            { value: 'bottom', words: 'Bottom' },
          ]}
          onCommit={setEntry}
        />
        <PickOne
          label="Gauge"
          value={gauge ?? common}
          options={view.region.gauges.slice(-5).map(value => ({ value, words: value }))}
          onCommit={setGauge}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        {CABLE_TEMPLATES[view.region.id].map(template => (
          <Button key={template.id} onClick={() => addCable(template)}>
            <span className="flex -space-x-1">
              {template.insulations.map(insulation => (
                <Chip key={insulation} insulation={insulation} />
              ))}
            </span>
            {template.words}
          </Button>
        ))}
      </div>
    </div>
  )
}
