'use client'

import dynamic from 'next/dynamic'
import { useState } from 'react'
import { regionOf } from '@/core/model/regions'
import { rowsOf, rowsWith } from '@/core/model/record'
import { newId } from '../job/new-id'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { plain } from '../words'

const CircuitSheet = dynamic(() => import('./circuit-sheet').then(module => module.CircuitSheet), {
  ssr: false,
})

/** The circuits: what the label says against what was found, and which boxes each one feeds. */
export function PanelPage() {
  const { record } = useJob()
  const edits = useEdits(null)
  const [open, setOpen] = useState<string | null>(null)
  const region = regionOf(record.job.regionId)
  const circuits = [...rowsOf(record, 'circuits')].sort((a, b) =>
    a.breaker.localeCompare(b.breaker, 'en', { numeric: true }),
  )
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
        <Button look="main" onClick={add}>
          Add a circuit
        </Button>
      </div>
      <div
        className="mt-4 overflow-x-auto rounded-xl bg-sheet"
        tabIndex={0}
        role="region"
        aria-label="Circuits"
      >
        <table className="w-full min-w-160 text-left">
          <thead>
            <tr className="text-sm">
              {[plain(region.words.breaker), 'Label', 'Rating', 'Label holds', 'Protection', 'Feeds'].map(
                each => (
                  <th key={each} scope="col" className="px-3 py-2 font-semibold">
                    {each}
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {circuits.map(circuit => (
              <tr key={circuit.id} className="border-t border-rule align-top hover:bg-tint">
                <th scope="row" className="px-3 py-1">
                  <Button
                    onClick={() => setOpen(circuit.id)}
                    aria-label={`Edit ${region.words.breaker} ${circuit.breaker}`}
                  >
                    {circuit.breaker}
                  </Button>
                </th>
                <td className="px-3 py-3">
                  {circuit.label || <span className="text-soft">no label</span>}
                  {circuit.note && <span className="block text-sm text-soft">{circuit.note}</span>}
                </td>
                <td className="px-3 py-3 whitespace-nowrap">{circuit.ratedAmps} A</td>
                <td className="px-3 py-3">
                  {circuit.labelHolds === 'no' ? (
                    <strong className="hazard px-2">Wrong</strong>
                  ) : (
                    plain(circuit.labelHolds)
                  )}
                </td>
                <td className="px-3 py-3">{plain(circuit.protection)}</td>
                <td className="px-3 py-3">
                  {rowsWith(record, 'feeds', 'circuitId', circuit.id)
                    .map(feed => record.boxes[feed.boxId])
                    .map(box => (box ? record.rooms[box.roomId]?.name : ''))
                    .join(', ') || <span className="text-soft">no box yet</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {circuits.length === 0 && <p className="p-4">No circuits yet.</p>}
      </div>
      {chosen && <CircuitSheet circuit={chosen} others={circuits} onClose={() => setOpen(null)} />}
    </>
  )
}
