'use client'

import { useMemo } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { valuesOf } from '@/core/model/setting'
import { deviceNamed } from '@/core/model/trade'
import { usualValue } from '@/core/plan'
import { routeBox, settingOfPlan } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { newId } from '../../job/new-id'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import { Part } from '../../primitives/titled-part'
import { StageFrame } from '../stage-frame'
import { ToStage } from '../to-stage'
import { useSay } from '../../words/use-say'

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

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const model = deviceNamed(trade, place.choice?.modelId ?? '')
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
    <Part title={`${place.group.name}: ${model.name}`}>
      {model.settings.length === 0 && <p>{say`This device has nothing to set.`}</p>}
      {model.settings.map(setting => {
        const row = made.find(each => each.settingId === setting.id)
        return (
          <div
            key={setting.id}
            data-next={setting === next ? `${place.place.id} ${setting.id}` : undefined}
            className="flex flex-col gap-2"
          >
            <PickOne
              label={`${setting.name}${row ? '' : say`, not made yet (${settingOfPlan(view, place.place.id, setting.id, trade) === null ? say`usual` : say`as proved`}: ${usualValue(view, place, setting, trade)})`}`}
              value={row?.value ?? null}
              options={valuesOf(setting).map(value => ({ value, words: value }))}
              hint={setting.why}
              onCommit={value =>
                edits.send('make a setting', [
                  row
                    ? edits.change('settings', row.id, { value })
                    : edits.add('settings', {
                        id: newId(),
                        placeId: place.place.id,
                        settingId: setting.id,
                        value,
                      }),
                ])
              }
            />
            {row && (
              <Button
                look="quiet"
                className="self-start"
                aria-label={say`Not made after all: ${setting.name}`}
                onClick={() => edits.send('take back a setting', [edits.remove('settings', row.id)])}
              >{say`Not made after all`}</Button>
            )}
          </div>
        )
      })}
      {model.instructions.notes.map(note => (
        <p key={note} className="text-soft">{say`${note} (maker’s sheet)`}</p>
      ))}
    </Part>
  )
}
