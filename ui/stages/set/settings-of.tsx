import { Fragment } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { deviceNamed } from '@/core/model/trade'
import { sensorInRoom, settingsAtPlace } from '@/core/plan'
import { useTrade } from '../../job/provider'
import { part } from '../../primitives/part'
import { Part } from '../../primitives/titled-part'
import { useSay } from '../../words/use-say'
import { ToStage } from '../to-stage'
import { OneSetting } from './one-setting'

const LowEnd = part(() => import('./low-end').then(module => module.LowEnd))
const NoAim = part(() => import('./aim').then(module => module.NoAim))

/** Every control of the box, with its settings. */
export function SettingsOf({ view }: { view: BoxView }) {
  const say = useSay()
  return (
    <>
      {view.places.length === 0 && (
        <Part title={say`Nothing to set here`}>
          <p>{say`No control is in this box.`}</p>
        </Part>
      )}
      {view.places.map(place => (
        <Settings key={place.place.id} view={view} place={place} />
      ))}
    </>
  )
}

/** The settings this device has, each with the value that was made on it. */
function Settings({ view, place }: { view: BoxView; place: PlaceView }) {
  const say = useSay()

  const trade = useTrade()
  const model = deviceNamed(trade, place.choice?.modelId ?? '')
  if (!model)
    return (
      <Part title={place.group.name} next={`choose-${place.place.id}`}>
        <p>{say`No device is chosen here yet.`}</p>
        <ToStage view={view} stage="choose" />
      </Part>
    )
  const all = settingsAtPlace(view, place, trade)
  const found = sensorInRoom(view.record, place, trade)
  const next = all.find(({ is }) => is === 'open' || is === 'otherwise')
  return (
    <>
      {found && found.kind !== 'hangs' && <NoAim view={view} lacks={found.kind} />}
      <Part title={`${place.group.name}: ${model.name}`}>
        {model.settings.length === 0 && <p>{say`This device has nothing to set.`}</p>}
        {all.map(state => (
          <Fragment key={state.setting.id}>
            <OneSetting view={view} place={place} state={state} isNext={state === next} />
            {state.setting.bearsOn === 'low-end' && (
              <LowEnd view={view} place={place} model={model} state={state} />
            )}
          </Fragment>
        ))}
        {model.instructions.notes.map(note => (
          <p key={note} className="text-soft">{say`${note} (maker’s sheet)`}</p>
        ))}
      </Part>
    </>
  )
}
