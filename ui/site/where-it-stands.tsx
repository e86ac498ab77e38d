'use client'

import { useState } from 'react'
import type { Site } from '@/core/model/site'
import { figure } from '@/core/model/units'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { useSay } from '../words/use-say'
import { ByFigures } from './by-figures'
import { ByTown } from './by-town'

/** Degrees as people write them. */
export function usePositionWords(): (site: Pick<Site, 'latitude' | 'longitude'>) => string {
  const say = useSay()
  return ({ latitude, longitude }) => {
    const up = `${figure(Math.abs(latitude), 2)}°`
    const along = `${figure(Math.abs(longitude), 2)}°`
    return `${latitude < 0 ? say`${up} S` : say`${up} N`}, ${longitude < 0 ? say`${along} W` : say`${along} E`}`
  }
}

/** Where the house stands, by which its sun and its clocks go: a town, or figures. */
export function WhereItStands() {
  const say = useSay()
  const { record } = useJob()
  const edits = useEdits(null)
  const positionWords = usePositionWords()
  const { site } = record.job
  const [isChanging, setIsChanging] = useState(false)
  const keep = (next: Site) => {
    if (edits.send('say where the house is', [edits.changeJob({ site: next })])) setIsChanging(false)
  }
  if (site && !isChanging)
    return (
      <div className="flex flex-wrap items-center gap-x-3">
        <p>
          {site.town !== '' && <strong>{`${site.town} · `}</strong>}
          {`${positionWords(site)} · ${site.zone}`}
        </p>
        <Button look="quiet" onClick={() => setIsChanging(true)}>{say`It stands elsewhere`}</Button>
      </div>
    )
  return (
    <div className="flex flex-col gap-3">
      <ByTown onKeep={keep} />
      <ByFigures site={site} onKeep={keep} />
      {site && (
        <Button
          look="quiet"
          className="self-start"
          onClick={() => setIsChanging(false)}
        >{say`Leave it`}</Button>
      )}
    </div>
  )
}
