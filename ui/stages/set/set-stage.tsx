'use client'

import { useMemo, useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { sensorInRoom } from '@/core/plan'
import { routeBox } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { useTrade } from '../../job/provider'
import { part } from '../../primitives/part'
import { PickOne } from '../../primitives/fields'
import { useSay } from '../../words/use-say'
import { StageFrame } from '../stage-frame'
import { SettingsOf } from './settings-of'

const AimedStage = part(() => import('./aimed-stage').then(module => module.AimedStage))

/** What hangs in its room is shown in it, one of several by a press; everything else as it is wired. */
export function SetStage({ view }: { view: BoxView }) {
  const say = useSay()
  const trade = useTrade()
  const sensors = view.places.flatMap(place => {
    const found = sensorInRoom(view.record, place, trade)
    return found ? [{ place, found }] : []
  })
  const hung = sensors.flatMap(({ place, found }) => (found.kind === 'hangs' ? [{ place, found }] : []))
  const [looked, setLooked] = useState<string | null>(null)
  const shown = hung.find(({ place }) => place.place.id === looked) ?? hung[0]
  if (!shown) return <WiredStage view={view} />
  const { place, found } = shown
  return (
    <AimedStage key={place.place.id} view={view} place={place} found={found}>
      {hung.length > 1 && (
        <PickOne
          label={say`What this one sees`}
          value={place.place.id}
          options={hung.map(each => ({ value: each.place.place.id, words: each.place.group.name }))}
          onCommit={setLooked}
        />
      )}
    </AimedStage>
  )
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
