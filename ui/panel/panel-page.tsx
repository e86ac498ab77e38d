'use client'

import { Link } from '../job/link'
import { useMemo, useState } from 'react'
import { regionOf } from '@/core/model/regions'
import { directoryOf } from '@/core/panel'
import { circuitAdded } from '@/core/recording'
import { newId } from '../job/new-id'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { useRunning } from '../browser/use-running'
import { Directory, PrintedDirectory } from './directory'
import { useDates } from '../words/use-dates'
import { useSay } from '../words/use-say'
import { RowContext } from '../primitives/row-context'
import { part } from '../primitives/part'

const CircuitSheet = part(() => import('./circuit-sheet').then(module => module.CircuitSheet))

const MainSwitch = part(() => import('./switching').then(module => module.MainSwitch))
const Walks = part(() => import('./walks').then(module => module.Walks))

/** The circuits: what the label says against what was found, and which boxes each one feeds. */
export function PanelPage() {
  const say = useSay()

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
      circuitAdded(edits, record, id, String(Math.max(0, ...numbers) + 1)),
    ])
    if (done) setOpen(id)
  }
  // The day it is printed on is the reader’s own.
  const dates = useDates()
  const today = useRunning() ? dates.longDay.format(new Date()) : ''
  const chosen = open ? record.circuits[open] : undefined
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5" data-chrome>
        <h1 className="text-2xl">{say`Panel`}</h1>
        <div className="flex flex-wrap items-center gap-2" data-chrome>
          <Link
            href={`/jobs/${record.job.id}/tags`}
            className="inline-flex min-h-11 items-center px-2 font-semibold underline underline-offset-4"
          >{say`Tags`}</Link>
          <Link
            href={`/jobs/${record.job.id}/certificate`}
            className="inline-flex min-h-11 items-center px-2 font-semibold underline underline-offset-4"
          >{say`Circuit tests`}</Link>
          <Button
            onClick={() => window.print()}
            disabled={entries.length === 0}
          >{say`Print the directory`}</Button>
          <Button look="main" onClick={add}>{say`Add a circuit`}</Button>
        </div>
      </div>
      <Directory entries={entries} region={region} record={record} onOpen={setOpen} />
      <div data-chrome>
        <MainSwitch />
        <Walks />
      </div>
      <PrintedDirectory entries={entries} region={region} record={record} printedOn={today} />
      {chosen && (
        <RowContext key={chosen.id} value={chosen.id}>
          <CircuitSheet circuit={chosen} others={circuits} onClose={() => setOpen(null)} />
        </RowContext>
      )}
    </>
  )
}
