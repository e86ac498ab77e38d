'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Gauge } from '@/core/model/vocabulary'
import { CABLE_TEMPLATES, cableEdits, freeName, LOOSE, type CableTemplate } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Chip } from '../../primitives/chip'
import { CheckField, PickOne } from '../../primitives/fields'

/** One more cable, as it usually comes: top or bottom, and what is in it, in the gauge that was said. */
export function AddCable({ view, gauge }: { view: BoxView; gauge: Gauge }) {
  const edits = useEdits(view.box.id)
  const [entry, setEntry] = useState<'top' | 'bottom'>('top')
  const [pulled, setPulled] = useState(false)
  const addCable = (template: CableTemplate) => {
    const name = freeName(view.cables.map(cable => cable.name))
    const cable = { boxId: view.box.id, name, entry, pulled, position: view.cables.length }
    const strands = template.insulations.map(insulation => ({
      insulation,
      gauge,
      at: [{ boxId: view.box.id, said: LOOSE }],
    }))
    edits.send('add a cable', cableEdits(edits, view.record, cable, strands))
    setEntry(entry === 'top' ? 'bottom' : 'top')
  }
  return (
    <div className="flex flex-col gap-3">
      <PickOne
        label="Comes in at the"
        value={entry}
        options={[
          { value: 'top', words: 'Top' },
          { value: 'bottom', words: 'Bottom' },
        ]}
        onCommit={setEntry}
      />
      <CheckField label="Pulled in on this job" value={pulled} onCommit={setPulled} />
      <div className="flex flex-wrap gap-2">
        {CABLE_TEMPLATES[view.region.id].map(template => (
          <Button key={template.id} onClick={() => addCable(template)}>
            <span className="flex -space-x-1">
              {template.insulations.map((insulation, at) => (
                <Chip key={at} insulation={insulation} />
              ))}
            </span>
            {template.words}
          </Button>
        ))}
      </div>
    </div>
  )
}
