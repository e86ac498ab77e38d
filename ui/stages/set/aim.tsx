'use client'

import { useMemo, useState } from 'react'
import { BLANK } from '@/core/model/blank-rows'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { aimedIn, type SensorInRoom } from '@/core/plan'
import {
  aimOf,
  eyesOf,
  seenBy,
  settingsOfAim,
  type Aim,
  type AimResult,
  type Eyes,
  type Seen,
} from '@/core/setup'
import { Link } from '../../job/link'
import { useEdits } from '../../job/provider'
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

/** A sensor that does not hang in its room yet: what is wanted to tell what it sees. */
export function NoAim({ view, lacks }: { view: BoxView; lacks: Lacks }) {
  const say = useSay()
  return (
    <Part title={say`Aim`}>
      <p>{say(LACKING[lacks])}</p>
      <ToPlan view={view} main={lacks !== 'no-sheet'} />
    </Part>
  )
}

type Lacks = Exclude<SensorInRoom['kind'], 'hangs'>

const LACKING: Readonly<Record<Lacks, string>> = {
  'no-plan': 'What the sensor sees is worked out from a plan of its room: there is none yet.',
  'not-placed': 'The plan does not say where this box is in the room.',
  'no-sheet': 'What this device sees is not known for where it hangs: its sheet says nothing of it.',
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

export interface Aiming {
  readonly found: Hangs
  readonly result: AimResult
  readonly eyes: Eyes
  readonly aim: Aim
  readonly seen: Seen
  readonly isBest: boolean
  /** Of each setting that aims it whether it was made as it is aimed now. */
  readonly isMade: boolean
  try(aim: Aim): void
  record(): void
}

/** An aim that is tried, made, or else the one that was worked out; with what it sees. */
export function useAiming(view: BoxView, place: PlaceView, found: Hangs): Aiming {
  const edits = useEdits(view.box.id)
  const { plan, sensor, model } = found
  const [tried, setTried] = useState<Aim | null>(null)
  const result = useMemo(() => aimedIn(found), [found])
  const eyes = useMemo(() => eyesOf(plan, sensor), [plan, sensor])
  const rows = rowsWith(view.record, 'settings', 'placeId', place.place.id)
  const made = (id: string) => rows.find(({ settingId }) => settingId === id)?.value
  const best = settingsOfAim(model, result.best.aim)
  const aim = tried ?? (best.some(({ setting }) => made(setting.id)) ? aimOf(model, made) : result.best.aim)
  const seen = seenBy(eyes, aim)
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
  return {
    found,
    result,
    eyes,
    aim,
    seen,
    isBest: isSame(aim, result.best.aim),
    isMade: settingsOfAim(model, aim).every(
      ({ setting, value }) => (made(setting.id) ?? setting.initial) === value,
    ),
    try: setTried,
    record,
  }
}

/** The room with what is seen of it: the shutters are moved on it. */
export function AimDrawing({ aiming }: { aiming: Aiming }) {
  const tape = useTape()
  const { found, eyes, aim, seen } = aiming
  return (
    <PlanDrawing
      plan={found.plan}
      tape={tape}
      nameOf={useThingName(found.plan)}
      seen={seen}
      under={paper => <Field eyes={eyes} aim={aim} paper={paper} />}
      over={paper => <Shutters eyes={eyes} aim={aim} paper={paper} onAim={aiming.try} />}
    />
  )
}

/** How a sensor is aimed: what it sees, and the best of all the ways it can be set. */
export function AimPart({ view, aiming }: { view: BoxView; aiming: Aiming }) {
  const say = useSay()
  const tape = useTape()
  const { found, result, aim, seen, isBest, isMade } = aiming
  const { plan, sensor, model } = found
  const nameOf = useThingName(plan)
  return (
    <Part title={say`Aim: ${model.name}`} aside={<ToPlan view={view} main={false} />}>
      <Said found={found} aim={aim} isBest={isBest} />
      <div className="flex flex-wrap gap-2">
        <Button
          look={isBest ? 'plain' : 'main'}
          disabled={isBest}
          onClick={() => aiming.try(result.best.aim)}
        >
          {say`Aim it`}
        </Button>
        <Button disabled={isMade} onClick={aiming.record}>{say`Made so on the device`}</Button>
      </div>
      <SeenFigures seen={seen} plan={plan} nameOf={nameOf} tape={tape} />
      {sensor.sensitivities.length > 1 && (
        <PickOne
          label={say`Sensitivity tried`}
          value={String(aim.sensitivity)}
          options={[...sensor.sensitivities]
            .sort((one, other) => one - other)
            .map(each => ({ value: String(each), words: `${Math.round(each * 100)} %` }))}
          onCommit={value => aiming.try({ ...aim, sensitivity: Number(value) })}
        />
      )}
      <TradeOff result={result} aim={aim} onAim={aiming.try} />
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
            <th scope="col" className="pr-3">{say`Doors, seats`}</th>
            <th scope="col" className="pr-3">{say`Passage`}</th>
            <th scope="col" className="pr-3">{say`Floor`}</th>
            <th scope="col" className="pr-3">{say`Set so`}</th>
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
                <td className="pr-3 tabular-nums">{each.spots}</td>
                <td className="pr-3 tabular-nums">{tape.words(each.halfMetres / 2)}</td>
                <td className="pr-3 tabular-nums">{`${Math.round(each.floor * 100)} %`}</td>
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
