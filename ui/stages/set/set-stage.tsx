'use client'

import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { sensorInRoom } from '@/core/plan'
import { routeBox } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { useTrade } from '../../job/provider'
import { part } from '../../primitives/part'
import { StageFrame } from '../stage-frame'
import { SettingsOf } from './settings-of'

const AimedStage = part(() => import('./aimed-stage').then(module => module.AimedStage))

export function SetStage({ view }: { view: BoxView }) {
  const trade = useTrade()
  const sensors = view.places.flatMap(place => {
    const found = sensorInRoom(view.record, place, trade)
    return found ? [{ place, found }] : []
  })
  // What hangs in its room is shown in it; a box with two is seen by the first of them.
  const hung = sensors.find(({ found }) => found.kind === 'hangs')
  if (hung?.found.kind === 'hangs')
    return <AimedStage key={hung.place.place.id} view={view} place={hung.place} found={hung.found} />
  return <WiredStage view={view} />
}

function WiredStage({ view }: { view: BoxView }) {
  const trade = useTrade()
  const picture = useMemo(() => {
    const routed = routeBox(view, trade)
    return routed.ok ? plannedPicture(view, routed.value) : foundPicture(view, trade)
  }, [view, trade])
  return (
    <StageFrame view={view} stage="set" drawing={<BoxDrawing picture={picture} />}>
      <SettingsOf view={view} />
    </StageFrame>
  )
}
