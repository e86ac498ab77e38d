'use client'

import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { regionOf } from '@/core/model/regions'
import { REGION_IDS, type RegionId } from '@/core/model/vocabulary'
import { FIELD_LOOK } from '../primitives/field-look'
import { newId } from '../job/new-id'
import { Button } from '../primitives/button'
import { PickOne } from '../primitives/fields'
import { Sheet } from '../primitives/sheet'
import { useSay } from '../words/use-say'

/** A new house: its name and region are enough to begin. */
export function NewJob({ open, onClose }: { open: boolean; onClose: () => void }) {
  const say = useSay()

  const router = useRouter()
  const [name, setName] = useState('')
  // Of the job that is to be: sent twice, by whatever went wrong on the way, it is made once.
  const [id, setId] = useState(newId)
  const [regionId, setRegionId] = useState<RegionId>('north-america-120')
  const start = async (event: FormEvent) => {
    event.preventDefault()
    const answer = await fetch('/api/jobs', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ start: { id, name: name.trim(), regionId } }),
    })
    const body = (await answer.json()) as { id?: string }
    if (body.id) router.push(`/jobs/${body.id}`)
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
        <Button look="main" type="submit" disabled={name.trim() === ''}>{say`Start`}</Button>
      </form>
    </Sheet>
  )
}
