'use client'

import { useMemo } from 'react'
import { checkLight, type LightPlace } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import { useTrade } from '../../job/provider'
import type { OnPoint } from './pointed'
import { SetList } from './set-list'
import { useSay } from '../../words/use-say'

/** Sets of devices for all places of a light at once; one press chooses them all. */
export function SetCandidates({
  view,
  places,
  onPoint,
}: {
  view: BoxView
  places: readonly LightPlace[]
  onPoint: OnPoint
}) {
  const say = useSay()

  const trade = useTrade()
  const { place } = places[0]!
  const judgements = useMemo(
    () => checkLight(view.record, place.group.id, trade),
    [view.record, place.group.id, trade],
  )
  return (
    <SetList
      title={`${place.group.name}: ${say.count(places.length, 'the place that is left', '# places at once')}`}
      view={view}
      places={places}
      wantedOf={[place]}
      judgements={judgements}
      onPoint={onPoint}
    />
  )
}
