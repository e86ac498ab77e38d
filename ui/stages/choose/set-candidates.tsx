'use client'

import { useMemo } from 'react'
import { checkLight, type LightPlace } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import { useTrade } from '../../job/provider'
import { SetList } from './set-list'

/** Sets of devices for all places of a light at once; one press chooses them all. */
export function SetCandidates({ view, places }: { view: BoxView; places: readonly LightPlace[] }) {
  const trade = useTrade()
  const { place } = places[0]!
  const judgements = useMemo(
    () => checkLight(view.record, place.group.id, trade),
    [view.record, place.group.id, trade],
  )
  return (
    <SetList
      title={`${place.group.name}: ${places.length === 1 ? 'the place that is left' : `${places.length} places at once`}`}
      view={view}
      places={places}
      wantedOf={[place]}
      judgements={judgements}
    />
  )
}
