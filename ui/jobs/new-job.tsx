'use client'

import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import type { Fault } from '@/core/model/result'
import { regionOf } from '@/core/model/regions'
import { REGION_IDS, type RegionId } from '@/core/model/vocabulary'
import { FIELD_LOOK } from '../primitives/field-look'
import { newId } from '../job/new-id'
import { Button } from '../primitives/button'
import { PickOne } from '../primitives/fields'
import { Sheet } from '../primitives/sheet'
import { useSay } from '../words/use-say'

interface Started {
  readonly id?: string
  readonly faults: readonly Fault[]
}

/** Starts a job; without an answer there is neither an id nor a fault. */
async function started(job: { id: string; name: string; regionId: RegionId }): Promise<Started> {
  try {
    const answer = await fetch('/api/jobs', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ start: job }),
    })
    return { faults: [], ...((await answer.json()) as Partial<Started>) }
  } catch {
    return { faults: [] }
  }
}

/** A new house: its name and region are enough to begin. */
export function NewJob({ open, onClose }: { open: boolean; onClose: () => void }) {
  const say = useSay()

  const router = useRouter()
  const [name, setName] = useState('')
  // Of the job that is to be: sent twice, by whatever went wrong on the way, it is made once.
  const [id, setId] = useState(newId)
  const [regionId, setRegionId] = useState<RegionId>('north-america-120')
  const [busy, setBusy] = useState(false)
  const [wrong, setWrong] = useState<readonly string[]>([])
  const start = async (event: FormEvent) => {
    event.preventDefault()
    setBusy(true)
    setWrong([])
    const said = await started({ id, name: name.trim(), regionId })
    // Once it is begun the page is on its way: nothing is pressed again meanwhile.
    if (said.id !== undefined) return router.push(`/jobs/${said.id}`)
    setBusy(false)
    setWrong(
      said.faults.length > 0
        ? said.faults.map(({ message }) => message)
        : [say`The server does not answer. Nothing was started; try again.`],
    )
  }
  return (
    <Sheet title={say`Start a job`} open={open} onClose={onClose}>
      <form onSubmit={start} className="flex flex-col gap-4">
        <label className="flex flex-col gap-1 text-sm font-semibold">
          {say`Name of the house`}
          <input
            autoFocus
            required
            maxLength={120}
            value={name}
            aria-invalid={wrong.length > 0 || undefined}
            aria-describedby={wrong.length > 0 ? 'not-started' : undefined}
            onChange={event => {
              setName(event.target.value)
              setId(newId())
            }}
            className={`${FIELD_LOOK} font-normal`}
          />
        </label>
        <PickOne
          label={say`Region`}
          value={regionId}
          options={REGION_IDS.map(value => ({ value, words: regionOf(value).name }))}
          onCommit={setRegionId}
        />
        {wrong.length > 0 && (
          <ul id="not-started" role="alert" className="hazard bg-paper p-3">
            {wrong.map(each => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        )}
        <Button look="main" type="submit" disabled={busy || name.trim() === ''}>{say`Start`}</Button>
      </form>
    </Sheet>
  )
}
