'use client'

import { useMemo, useState } from 'react'
import { BLANK } from '@/core/model/blank-rows'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { aimedIn, sensorInRoom, type SensorInRoom } from '@/core/plan'
import { aimOf, eyesOf, seenBy, settingsOfAim, type Aim, type AimResult } from '@/core/setup'
import { Link } from '../../job/link'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import { LINK_LOOK, MAIN_LINK_LOOK } from '../../primitives/link-look'
import { Part } from '../../primitives/titled-part'
import { part } from '../../primitives/part'
import { PlanDrawing } from '../../rooms/plan-drawing'
import { useThingName } from '../../rooms/plan-words'
import { useTape } from '../../rooms/use-room-plan'
import { useSay } from '../../words/use-say'
import { Field, Shutters } from './field'
import { SeenFigures } from './seen-figures'

const NothingCan = part(() => import('./nothing-can').then(module => module.NothingCan))

type Hangs = Extract<SensorInRoom, { kind: 'hangs' }>

/** How a sensor is aimed: its room, what it sees of it, and the best of all the ways it can be set. */
export function AimPart({ view, place }: { view: BoxView; place: PlaceView }) {
  const trade = useTrade()
  const found = useMemo(() => sensorInRoom(view.record, place, trade), [view.record, place, trade])
  if (!found) return null
  return found.kind === 'hangs' ? (
    <AimOf view={view} place={place} found={found} />
  ) : (
    <Lacking view={view} lacks={found.kind} />
  )
}

const LACKING: Readonly<Record<Exclude<SensorInRoom['kind'], 'hangs'>, string>> = {
  'no-plan': 'What the sensor sees is worked out from a plan of its room: there is none yet.',
  'not-placed': 'The plan does not say where this box is in the room.',
  'no-sheet': 'What this device sees is not known for where it hangs: its sheet says nothing of it.',
}

function Lacking({ view, lacks }: { view: BoxView; lacks: Exclude<SensorInRoom['kind'], 'hangs'> }) {
  const say = useSay()
  return (
    <Part title={say`Aim`}>
      <p>{say(LACKING[lacks])}</p>
      <ToPlan view={view} main={lacks !== 'no-sheet'} />
    </Part>
  )
}

function ToPlan({ view, main }: { view: BoxView; main: boolean }) {
  const say = useSay()
  return (
    <Link
      href={`/jobs/${view.record.job.id}/rooms/${view.room.id}`}
      className={`self-start ${main ? MAIN_LINK_LOOK : LINK_LOOK}`}
    >{say`Plan of ${view.room.name}`}</Link>
  )
}

const isSame = (one: Aim, other: Aim) =>
  one.left === other.left && one.right === other.right && one.sensitivity === other.sensitivity

function AimOf({ view, place, found }: { view: BoxView; place: PlaceView; found: Hangs }) {
  const say = useSay()
  const tape = useTape()
  const edits = useEdits(view.box.id)
  const { plan, sensor, model } = found
  const nameOf = useThingName(plan)
  const result = useMemo(() => aimedIn(found), [found])
  const eyes = useMemo(() => eyesOf(plan, sensor), [plan, sensor])
  const rows = rowsWith(view.record, 'settings', 'placeId', place.place.id)
  const made = (id: string) => rows.find(({ settingId }) => settingId === id)?.value
  const isMade = settingsOfAim(model, result.best.aim).every(({ setting }) => made(setting.id) !== undefined)
  const [tried, setTried] = useState<Aim | null>(null)
  const aim = tried ?? (isMade ? aimOf(model, made) : result.best.aim)
  const seen = seenBy(eyes, aim)
  const isBest = isSame(aim, result.best.aim)
  const record = () => {
    const sent = edits.send(
      'make a setting',
      settingsOfAim(model, aim).flatMap(({ setting, value }) => {
        const row = rows.find(({ settingId }) => settingId === setting.id)
        if (row?.value === value) return []
        return row
          ? [edits.change('settings', row.id, { value, reason: '' })]
          : [
              edits.add('settings', {
                id: edits.newId(),
                placeId: place.place.id,
                settingId: setting.id,
                value,
                ...BLANK.settings,
              }),
            ]
      }),
    )
    if (sent) setTried(null)
  }
  return (
    <Part title={say`Aim: ${model.name}`} aside={<ToPlan view={view} main={false} />}>
      <PlanDrawing
        plan={plan}
        tape={tape}
        nameOf={nameOf}
        seen={seen}
        under={paper => <Field eyes={eyes} aim={aim} paper={paper} />}
        over={paper => <Shutters eyes={eyes} aim={aim} paper={paper} onAim={setTried} />}
      />
      <SeenFigures seen={seen} plan={plan} nameOf={nameOf} tape={tape} />
      <Said found={found} aim={aim} isBest={isBest} />
      {sensor.sensitivities.length > 1 && (
        <PickOne
          label={say`Sensitivity`}
          value={String(aim.sensitivity)}
          options={[...sensor.sensitivities]
            .sort((one, other) => one - other)
            .map(each => ({ value: String(each), words: `${Math.round(each * 100)} %` }))}
          onCommit={value => setTried({ ...aim, sensitivity: Number(value) })}
        />
      )}
      <div className="flex flex-wrap gap-2">
        <Button look={isBest ? 'plain' : 'main'} disabled={isBest} onClick={() => setTried(result.best.aim)}>
          {say`Aim it`}
        </Button>
        <Button
          disabled={isMade && isSame(aim, aimOf(model, made))}
          onClick={record}
        >{say`Made so on the device`}</Button>
      </div>
      <TradeOff result={result} aim={aim} onAim={setTried} />
      <NothingCan view={view} found={found} result={result} nameOf={nameOf} />
    </Part>
  )
}

/** An aim as the device says it. */
function Said({ found: { model }, aim, isBest }: { found: Hangs; aim: Aim; isBest: boolean }) {
  const say = useSay()
  const words = settingsOfAim(model, aim).map(({ setting, value }) => `${setting.name}: ${value}`)
  return (
    <p role="status" className="rounded-lg bg-tint p-3 text-lg">
      <strong>{isBest ? say`Worked out` : say`Tried`}</strong>
      {` · ${words.join(' · ')}`}
    </p>
  )
}

/** Every way that no other beats in all it is judged by. */
function TradeOff({ result, aim, onAim }: { result: AimResult; aim: Aim; onAim: (aim: Aim) => void }) {
  const say = useSay()
  const tape = useTape()
  if (result.tradeOff.length < 2) return null
  return (
    <div
      className="overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label={say`Ways that no other beats in everything`}
    >
      <table className="w-full text-left">
        <caption className="pb-1 text-left text-sm text-soft">
          {say`${result.ways} ways to set it; these are beaten by none in everything.`}
        </caption>
        <thead className="text-sm">
          <tr>
            <th scope="col">{say`Doors, seats`}</th>
            <th scope="col">{say`Passage`}</th>
            <th scope="col">{say`Floor`}</th>
            <th scope="col">{say`Set so`}</th>
          </tr>
        </thead>
        <tbody>
          {result.tradeOff.map(each => {
            const isThis = isSame(each.aim, aim)
            return (
              <tr
                key={`${each.aim.left} ${each.aim.right} ${each.aim.sensitivity}`}
                className="border-t border-rule"
              >
                <td className="tabular-nums">{each.spots}</td>
                <td className="tabular-nums">{tape.words(each.halfMetres / 2)}</td>
                <td className="tabular-nums">{`${Math.round(each.floor * 100)} %`}</td>
                <td>
                  <Button
                    aria-pressed={isThis}
                    className="my-1 aria-pressed:border-plum aria-pressed:bg-tint"
                    onClick={() => onAim(each.aim)}
                  >
                    {`${each.aim.left}° / ${each.aim.right}° · ${Math.round(each.aim.sensitivity * 100)} %`}
                  </Button>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </div>
  )
}
