'use client'

import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Hanging } from '@/core/model/floor-plan'
import type { DeviceModel } from '@/core/model/device'
import type { SensorInRoom } from '@/core/plan'
import {
  ceilingPoints,
  sensorAt,
  type AimResult,
  type CeilingSensor,
  type Sensor,
  type Thing,
} from '@/core/setup'
import { asker, type Asked } from '@/workers/ask'
import type { CureAnswer, CureQuestion } from '@/workers/curer'
import { useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { useTape } from '../../rooms/use-room-plan'
import { useSay } from '../../words/use-say'

type Hangs = Extract<SensorInRoom, { kind: 'hangs' }>

const DEADLINE_MILLISECONDS = 60_000
const cure = asker<CureQuestion, CureAnswer>(
  () => new Worker(new URL('../../../workers/curer.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MILLISECONDS,
)

/** A place and kind that is tried, with what a person would call it. */
interface Other {
  readonly sensor: Sensor
  readonly model: DeviceModel
  readonly boxId: string | null
}

function othersOf(view: BoxView, found: Hangs, devices: readonly DeviceModel[]): Other[] {
  const { plan, hanging } = found
  const region = view.record.job.regionId
  const kinds = devices.filter(
    ({ stock, sees, regions }) => stock === 'new' && sees !== undefined && regions.includes(region),
  )
  const hung = (model: DeviceModel, at: Hanging): Other[] => {
    const sensor = sensorAt(model, at)
    return sensor ? [{ sensor, model, boxId: at.boxId }] : []
  }
  const boxes = plan.hangings.flatMap(at =>
    kinds.flatMap(model => (at === hanging && model.id === found.model.id ? [] : hung(model, at))),
  )
  const ceiling = kinds.flatMap(model => {
    const probe = sensorAt(model, { on: 'ceiling', boxId: '', at: { x: 0, y: 0 }, height: plan.height })
    return probe?.kind === 'ceiling'
      ? ceilingPoints(plan, probe).map((sensor: CeilingSensor) => ({ sensor, model, boxId: null }))
      : []
  })
  return [...boxes, ...ceiling]
}

/** What no way of setting it sees, and the nearest cure, looked for in a worker. */
export function NothingCan({
  view,
  found,
  result,
  nameOf,
}: {
  view: BoxView
  found: Hangs
  result: AimResult
  nameOf: (thing: Thing) => string
}) {
  const say = useSay()
  const trade = useTrade()
  const [answer, setAnswer] = useState<{
    readonly of: AimResult
    readonly asked: Asked<CureAnswer> | 'waiting'
    readonly others: readonly Other[]
  } | null>(null)
  const never = [
    ...result.never.doors.map(at => nameOf({ kind: 'opening', at })),
    ...result.never.seats.map(at => nameOf({ kind: 'seat', at })),
  ]
  const isWhole = never.length === 0 && result.best.halfMetres === 0
  if (isWhole) return null
  const look = () => {
    const others = othersOf(view, found, trade.devices)
    setAnswer({ of: result, asked: 'waiting', others })
    void cure({ room: found.plan, from: found.sensor, others: others.map(({ sensor }) => sensor) }).then(
      asked => setAnswer({ of: result, asked, others }),
    )
  }
  const now = answer?.of === result ? answer : null
  return (
    <div className="flex flex-col gap-2 rounded-lg border-2 border-ink p-3">
      <p>
        {never.length > 0
          ? say`No way of setting it sees: ${never.join(', ')}.`
          : say`Set to see every door and seat it can, it sees a passage too.`}
      </p>
      {now?.asked === 'waiting' ? (
        <p role="status">{say`Other places and kinds are tried …`}</p>
      ) : now ? (
        <Cured view={view} asked={now.asked} others={now.others} />
      ) : (
        <Button className="self-start" onClick={look}>{say`Look for the nearest cure`}</Button>
      )}
    </div>
  )
}

function Cured({
  view,
  asked,
  others,
}: {
  view: BoxView
  asked: Asked<CureAnswer>
  others: readonly Other[]
}) {
  const say = useSay()
  const tape = useTape()
  if (asked.kind !== 'answered') return <p role="status">{say`It was not found in time: try again.`}</p>
  const { cure: found, looked } = asked.value
  if (!found)
    return (
      <p role="status">
        {say`None of the ${looked} places and kinds nearest to it sees every door and seat and no passage.`}
      </p>
    )
  const other = others.find(({ sensor }) => JSON.stringify(sensor) === JSON.stringify(found.sensor))
  const box = other?.boxId ? view.record.boxes[other.boxId]?.name : undefined
  const { sensor } = found
  return (
    <p role="status">
      <strong>{other?.model.name}</strong>
      {' · '}
      {box ??
        (sensor.kind === 'ceiling'
          ? say`on the ceiling, ${tape.words(sensor.at.x)} from the left and ${tape.words(sensor.at.y)} from below`
          : say`on the wall`)}
      {say`, ${tape.words(found.metres)} from here: it sees every door and seat, and no passage.`}
    </p>
  )
}
