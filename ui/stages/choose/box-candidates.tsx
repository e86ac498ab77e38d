'use client'

import { useMemo } from 'react'
import { checkBox, type LightPlace } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import { useTrade } from '../../job/provider'
import type { OnPoint } from './pointed'
import { SetList } from './set-list'
import { useSay } from '../../words/use-say'

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

  const trade = useTrade()
  const judgements = useMemo(
    () => checkBox(view.record, view.box.id, trade),
    [view.record, view.box.id, trade],
  )
  return (
    <SetList
      title={say`${places.map(({ place }) => place.group.name).join(say` and `)}: all at once`}
      view={view}
      places={places}
      wantedOf={places.map(({ place }) => place)}
      judgements={judgements}
      onPoint={onPoint}
    />
  )
}
