'use client'

import { useMemo, useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { ClockSheet, DeviceModel } from '@/core/model/device'
import { deviceNamed } from '@/core/model/trade'
import { sensorInRoom, type SensorInRoom } from '@/core/plan'
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

const TimedStage = part(() => import('./timed-stage').then(module => module.TimedStage))

/**
 * What hangs in its room is shown in it, what goes by a clock in its year, one of several by a press; everything else as
 * it is wired.
 */
export function SetStage({ view }: { view: BoxView }) {
  const say = useSay()
  const trade = useTrade()
  const looks = view.places.flatMap((place): Look[] => {
    const found = sensorInRoom(view.record, place, trade)
    if (found?.kind === 'hangs') return [{ place, found, words: say`What ${place.group.name} sees` }]
    const model = deviceNamed(trade, place.choice?.modelId ?? '')
    return model?.clock
      ? [{ place, model, clock: model.clock, words: say`The year of ${place.group.name}` }]
      : []
  })
  const [looked, setLooked] = useState<string | null>(null)
  const shown = looks.find(({ place }) => place.place.id === looked) ?? looks[0]
  if (!shown) return <WiredStage view={view} />
  const { place } = shown
  const choices = looks.length > 1 && (
    <PickOne
      label={say`Looked at`}
      value={place.place.id}
      options={looks.map(each => ({ value: each.place.place.id, words: each.words }))}
      onCommit={setLooked}
    />
  )
  return 'found' in shown ? (
    <AimedStage key={place.place.id} view={view} place={place} found={shown.found}>
      {choices}
    </AimedStage>
  ) : (
    <TimedStage
      key={place.place.id}
      view={view}
      place={place}
      model={shown.model}
      clock={shown.clock}
      wired={<Wired view={view} />}
    >
      {choices}
    </TimedStage>
  )
}

type Look = { readonly place: PlaceView; readonly words: string } & (
  | { readonly found: Extract<SensorInRoom, { kind: 'hangs' }> }
  | { readonly model: DeviceModel; readonly clock: ClockSheet }
)

function Wired({ view }: { view: BoxView }) {
  const trade = useTrade()
  const picture = useMemo(() => {
    const routed = routeBox(view, trade)
    return routed.ok ? plannedPicture(view, routed.value) : foundPicture(view, trade)
  }, [view, trade])
  return <BoxDrawing picture={picture} />
}

const WiredStage = ({ view }: { view: BoxView }) => (
  <StageFrame view={view} stage="set" drawing={<Wired view={view} />}>
    <SettingsOf view={view} />
  </StageFrame>
)
