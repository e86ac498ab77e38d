'use client'

import { useMemo } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { deviceNamed } from '@/core/model/trade'
import { routeBox } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { useTrade } from '../../job/provider'
import { part } from '../../primitives/part'
import { Part } from '../../primitives/titled-part'
import { StageFrame } from '../stage-frame'
import { ToStage } from '../to-stage'
import { useSay } from '../../words/use-say'
import { OneSetting } from './one-setting'

const AimPart = part(() => import('./aim').then(module => module.AimPart))

export function SetStage({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const picture = useMemo(() => {
    const routed = routeBox(view, trade)
    return routed.ok ? plannedPicture(view, routed.value) : foundPicture(view, trade)
  }, [view, trade])
  return (
    <StageFrame view={view} stage="set" drawing={<BoxDrawing picture={picture} />}>
      {view.places.length === 0 && (
        <Part title={say`Nothing to set here`}>
          <p>{say`No control is in this box.`}</p>
        </Part>
      )}
      {view.places.map(place => (
        <Settings key={place.place.id} view={view} place={place} />
      ))}
    </StageFrame>
  )
}

/** The settings this device has, each with the value that was made on it. */
function Settings({ view, place }: { view: BoxView; place: PlaceView }) {
  const say = useSay()

  const model = deviceNamed(useTrade(), place.choice?.modelId ?? '')
  if (!model)
    return (
      <Part title={place.group.name} next={`choose-${place.place.id}`}>
        <p>{say`No device is chosen here yet.`}</p>
        <ToStage view={view} stage="choose" />
      </Part>
    )
  const made = rowsWith(view.record, 'settings', 'placeId', place.place.id)
  const next = model.settings.find(({ id }) => !made.some(({ settingId }) => settingId === id))
  return (
    <>
      {model.does.includes('presence') && <AimPart view={view} place={place} />}
      <Part title={`${place.group.name}: ${model.name}`}>
        {model.settings.length === 0 && <p>{say`This device has nothing to set.`}</p>}
        {model.settings.map(setting => (
          <OneSetting
            key={setting.id}
            view={view}
            place={place}
            setting={setting}
            row={made.find(each => each.settingId === setting.id) ?? null}
            isNext={setting === next}
          />
        ))}
        {model.instructions.notes.map(note => (
          <p key={note} className="text-soft">{say`${note} (maker’s sheet)`}</p>
        ))}
      </Part>
    </>
  )
}
