'use client'

import type { LightPlace } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import { useSay } from '../../words/use-say'
import { JudgedSets } from './judged-sets'
import type { OnPoint } from './pointed'

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

  const { place } = places[0]!
  return (
    <JudgedSets
      of={['groupId', place.group.id]}
      title={`${place.group.name}: ${say.count(places.length, 'the place that is left', '# places at once')}`}
      view={view}
      places={places}
      wantedOf={[place]}
      onPoint={onPoint}
    />
  )
}
