'use client'

import type { LightPlace } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import { useSay } from '../../words/use-say'
import { JudgedSets } from './judged-sets'
import type { OnPoint } from './pointed'

/** Devices for all the lights that this box alone works, beside each other. */
export function BoxCandidates({
  view,
  places,
  onPoint,
}: {
  view: BoxView
  places: readonly LightPlace[]
  onPoint: OnPoint
}) {
  const say = useSay()

  return (
    <JudgedSets
      of={['boxId', view.box.id]}
      title={say`${places.map(({ place }) => place.group.name).join(say` and `)}: all at once`}
      view={view}
      places={places}
      wantedOf={places.map(({ place }) => place)}
      onPoint={onPoint}
    />
  )
}
