'use client'

import dynamic from 'next/dynamic'
import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Cable } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { SHEATHS, type Gauge } from '@/core/model/vocabulary'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne, SelectField } from '../../primitives/fields'
import { plain } from '../../words'
import { Part } from '../stage-frame'
import { Chip } from '../../primitives/chip'
import { cableEdits, LOOSE, strandEdits } from './new-cable'
import { CABLE_TEMPLATES, type CableTemplate } from './cable-templates'
import { gaugeForBreaker } from './usual-gauge'

const BoxTemplates = dynamic(() => import('./box-templates').then(module => module.BoxTemplates), {
  ssr: false,
})

const nextName = (view: BoxView): string => {
  const used = new Set(view.cables.map(cable => cable.name))
  return [...'ABCDEFGHJK'].find(letter => !used.has(letter)) ?? `C${view.cables.length + 1}`
}

/** Cables by their sheath: one press adds what usually comes in one, the drawing corrects it. */
export function CablesForm({ view, onSelect }: { view: BoxView; onSelect: (endId: string) => void }) {
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
    <Part title="Cables">
      {view.cables.length === 0 && <BoxTemplates view={view} />}
      {view.cables.map(cable => (
        <CableRow key={cable.id} view={view} cable={cable} onSelect={onSelect} />
      ))}
      <details open={view.cables.length === 0}>
        <summary className="min-h-11 py-2 font-semibold">Add a cable</summary>
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
      </details>
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
  const edits = useEdits(view.box.id)
  const change = (fields: Parameters<typeof edits.change<'cables'>>[2]) =>
    edits.send('edit a cable', [edits.change('cables', cable.id, fields)])
  const ends = view.ends.filter(each => each.cable.id === cable.id)
  return (
    <details className="rounded-lg border border-rule px-3">
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
      <div className="flex flex-col gap-3 pb-3">
        <PickOne
          label="Leads to"
          value={cable.far}
          options={[
            { value: 'panel', words: plain(view.region.words.panel) },
            { value: 'luminaire', words: 'Luminaire' },
            { value: 'elsewhere', words: 'Elsewhere' },
            { value: 'not-known', words: 'Not known' },
          ]}
          onCommit={far => change({ far })}
        />
        <div className="grid grid-cols-2 gap-3">
          <SelectField
            label="Sheath"
            value={cable.sheath}
            options={SHEATHS.map(value => ({ value, words: plain(value) }))}
            onCommit={sheath => change({ sheath })}
          />
          <PickOne
            label="Comes in at the"
            value={cable.entry}
            options={[
              { value: 'top', words: 'Top' },
              { value: 'bottom', words: 'Bottom' },
            ]}
            onCommit={entry => change({ entry })}
          />
        </div>
        <div className="flex flex-wrap gap-2">
          {ends.map(each => (
            <Button key={each.end.id} onClick={() => onSelect(each.end.id)}>
              <Chip insulation={each.conductor.insulation} />
              {each.name}
            </Button>
          ))}
          <AddConductor view={view} cable={cable} />
          <Button onClick={() => edits.send('remove a cable', [edits.remove('cables', cable.id)])}>
            Remove cable {cable.name}
          </Button>
        </div>
      </div>
    </details>
  )
}

function AddConductor({ view, cable }: { view: BoxView; cable: Cable }) {
  const edits = useEdits(view.box.id)
  const siblings = rowsWith(view.record, 'conductors', 'cableId', cable.id)
  const add = () => {
    const insulation = view.region.id === 'north-america-120' ? 'red' : 'grey'
    const gauge = siblings[0]?.gauge ?? view.region.usualGauge
    edits.send(
      'edit a cable',
      strandEdits(view, cable.id, { insulation, seat: LOOSE }, gauge, siblings.length),
    )
  }
  return <Button onClick={add}>Add a conductor</Button>
}
