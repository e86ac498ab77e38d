'use client'

import { useState } from 'react'
import { isOwnLead, type BoxView } from '@/core/job/box-view'
import type { Cable } from '@/core/model/entities'
import { cableGauges, gaugeForBreaker } from '@/core/recording'
import type { Gauge } from '@/core/model/vocabulary'
import { useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Chip } from '../../primitives/chip'
import { PickOne } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { Part } from '../../primitives/titled-part'
import { farWords } from './far-words'
import { useSay } from '../../words/use-say'
import { RowContext } from '../../primitives/row-context'
import { part } from '../../primitives/part'

const AddCable = part(() => import('./add-cable').then(module => module.AddCable))
const BoxTemplates = part(() => import('./box-templates').then(module => module.BoxTemplates))
const SeveralPlaces = part(() => import('../../house/several-places').then(module => module.SeveralPlaces))
const CableBody = part(() => import('./cable-body').then(module => module.CableBody))

/** Cables by their sheath: one press adds what usually comes in one, the drawing corrects it. */
export function CablesForm({ view, onSelect }: { view: BoxView; onSelect: (endId: string) => void }) {
  const say = useSay()

  const trade = useTrade()
  const empty = view.cables.length === 0
  const [several, setSeveral] = useState(false)
  const [alone] = view.places.length === 1 && view.places[0]!.placesInGroup === 1 ? view.places : []
  const [said, setSaid] = useState<Gauge | null>(null)
  const common = view.ends.filter(each => !isOwnLead(each)).at(-1)?.conductor.gauge
  const gauge = said ?? common ?? gaugeForBreaker(view, trade)
  const gaugePicker = (
    <PickOne
      label={say`Gauge of what is added`}
      value={gauge}
      options={cableGauges(view.region, gauge).map(value => ({ value, words: value }))}
      onCommit={setSaid}
    />
  )
  return (
    <Part title={say`Cables`}>
      {empty && gaugePicker}
      {empty && <BoxTemplates view={view} gauge={gauge} />}
      {empty && alone && (
        <>
          <Button onClick={() => setSeveral(true)}>{say`Its light is worked from several places`}</Button>
          {several && <SeveralPlaces recorded={{ view, place: alone }} onClose={() => setSeveral(false)} />}
        </>
      )}
      {view.cables.map(cable => (
        <CableRow key={cable.id} view={view} cable={cable} onSelect={onSelect} />
      ))}
      <Folded
        opened={empty}
        summary={<summary className="min-h-11 py-2 font-semibold">{say`Add a cable`}</summary>}
      >
        <div className="flex flex-col gap-3">
          {!empty && gaugePicker}
          <AddCable view={view} gauge={gauge} />
        </div>
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
  const say = useSay()

  const ends = view.ends.filter(each => each.cable.id === cable.id)
  return (
    <Folded
      className="rounded-lg border border-rule px-3"
      summary={
        <summary className="flex min-h-11 flex-wrap items-center gap-2 py-2">
          <strong>{cable.sheath === 'own-leads' ? say`Own wires` : say`Cable ${cable.name}`}</strong>
          <span className="flex gap-1">
            {ends.map(each => (
              <Chip key={each.end.id} insulation={each.conductor.insulation} />
            ))}
          </span>
          <span className="text-soft">
            {ends[0]?.conductor.gauge} · {farWords(view, cable)}
            {cable.pulled ? say` · new` : ''}
          </span>
        </summary>
      }
    >
      <RowContext value={cable.id}>
        <CableBody view={view} cable={cable} onSelect={onSelect} />
      </RowContext>
    </Folded>
  )
}
