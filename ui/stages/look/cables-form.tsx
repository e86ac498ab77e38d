'use client'

import dynamic from 'next/dynamic'
import type { BoxView } from '@/core/job/box-view'
import type { Cable } from '@/core/model/entities'
import { Chip } from '../../primitives/chip'
import { Folded } from '../../primitives/folded'
import { plain } from '../../words'
import { Part } from '../stage-frame'

const AddCable = dynamic(() => import('./add-cable').then(module => module.AddCable), { ssr: false })
const BoxTemplates = dynamic(() => import('./box-templates').then(module => module.BoxTemplates), {
  ssr: false,
})
const CableBody = dynamic(() => import('./cable-body').then(module => module.CableBody), { ssr: false })

/** Cables by their sheath: one press adds what usually comes in one, the drawing corrects it. */
export function CablesForm({ view, onSelect }: { view: BoxView; onSelect: (endId: string) => void }) {
  const empty = view.cables.length === 0
  return (
    <Part title="Cables">
      {empty && <BoxTemplates view={view} />}
      {view.cables.map(cable => (
        <CableRow key={cable.id} view={view} cable={cable} onSelect={onSelect} />
      ))}
      <Folded opened={empty} summary={<summary className="min-h-11 py-2 font-semibold">Add a cable</summary>}>
        <AddCable view={view} />
      </Folded>
    </Part>
  )
}

function CableRow({
  view,
  cable,
  onSelect,
}: {
  view: BoxView
  cable: Cable
  onSelect: (endId: string) => void
}) {
  const ends = view.ends.filter(each => each.cable.id === cable.id)
  return (
    <Folded
      className="rounded-lg border border-rule px-3"
      summary={
        <summary className="flex min-h-11 flex-wrap items-center gap-2 py-2">
          <strong>Cable {cable.name}</strong>
          <span className="flex gap-1">
            {ends.map(each => (
              <Chip key={each.end.id} insulation={each.conductor.insulation} />
            ))}
          </span>
          <span className="text-soft">
            {ends[0]?.conductor.gauge} · {plain(cable.far)}
          </span>
        </summary>
      }
    >
      <CableBody view={view} cable={cable} onSelect={onSelect} />
    </Folded>
  )
}
