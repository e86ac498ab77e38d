'use client'

import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import { regionOf } from '@/core/model/regions'
import { directoryOf } from '@/core/panel'
import { newId } from '../job/new-id'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { plain } from '../words'
import { Directory, PrintedDirectory } from './directory'

const CircuitSheet = dynamic(() => import('./circuit-sheet').then(module => module.CircuitSheet), {
  ssr: false,
})

const Walks = dynamic(() => import('./walks').then(module => module.Walks), { ssr: false })

/** The circuits: what the label says against what was found, and which boxes each one feeds. */
export function PanelPage() {
  const { record } = useJob()
  const edits = useEdits(null)
  const [open, setOpen] = useState<string | null>(null)
  const region = regionOf(record.job.regionId)
  const entries = useMemo(() => directoryOf(record), [record])
  const circuits = entries.map(({ circuit }) => circuit)
  const add = () => {
    const id = newId()
    const numbers = circuits.map(circuit => Number(circuit.breaker)).filter(Number.isFinite)
    const done = edits.send('add a circuit', [
      edits.add('circuits', {
        id,
        breaker: String(Math.max(0, ...numbers) + 1),
        label: '',
        poles: 1,
        ratedAmps: region.usualBreakerAmps,
        protection: 'not-known',
        labelHolds: 'not-known',
        sharedNeutralWithId: null,
        note: '',
      }),
    ])
    if (done) setOpen(id)
  }
  const chosen = open ? record.circuits[open] : undefined
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5">
        <h1 className="text-2xl">{plain(region.words.panel)}</h1>
        <div className="flex gap-2" data-chrome>
          <Button onClick={() => window.print()} disabled={entries.length === 0}>
            Print the directory
          </Button>
          <Button look="main" onClick={add}>
            Add a circuit
          </Button>
        </div>
      </div>
      <Directory entries={entries} region={region} record={record} onOpen={setOpen} />
      <Walks />
      <PrintedDirectory entries={entries} region={region} record={record} />
      {chosen && <CircuitSheet circuit={chosen} others={circuits} onClose={() => setOpen(null)} />}
    </>
  )
}
