'use client'

import { useState } from 'react'
import type { Room } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { without, type Thing } from '@/core/setup'
import { Link } from '../job/link'
import { NothingHere } from '../job/nothing-here'
import { useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { LINK_LOOK } from '../primitives/link-look'
import { Part } from '../primitives/titled-part'
import { WorkFrame } from '../primitives/work-frame'
import { useSay } from '../words/use-say'
import { BeginPlan } from './begin-plan'
import { Boxes } from './boxes'
import { PickedThing } from './picked-thing'
import { PlanDrawing } from './plan-drawing'
import { planFaultWords, useThingName } from './plan-words'
import { useRoomPlan, useTape, type RoomPlanEdits } from './use-room-plan'
import { Stands } from './stands'
import { Walls } from './walls'

/** The plan of a room: made by typing, by dragging or by arrow keys; one for every sensor in it. */
export function PlanPage({ roomId }: { roomId: string }) {
  const room = useJob().record.rooms[roomId]
  return room ? <PlanOf room={room} /> : <NothingHere />
}

function PlanOf({ room }: { room: Room }) {
  const say = useSay()
  const { record } = useJob()
  const edits = useRoomPlan(room.id)
  const box = rowsWith(record, 'boxes', 'roomId', room.id)[0]
  return (
    <>
      <div className="flex flex-wrap items-center justify-between gap-x-3 pt-1">
        <h1 className="py-2 text-lg sm:text-xl">{say`${room.name}: its plan`}</h1>
        {box && (
          <Link href={`/jobs/${record.job.id}/boxes/${box.id}/set`} className={LINK_LOOK}>
            {say`To its settings`}
          </Link>
        )}
      </div>
      {edits.plan ? (
        <Editor key={room.id} room={room} edits={edits} plan={edits.plan} />
      ) : (
        <BeginPlan edits={edits} />
      )}
    </>
  )
}

function Editor({
  room,
  edits,
  plan,
}: {
  room: Room
  edits: RoomPlanEdits
  plan: NonNullable<RoomPlanEdits['plan']>
}) {
  const say = useSay()
  const tape = useTape()
  const nameOf = useThingName(plan)
  const [picked, setPicked] = useState<Thing | null>(null)
  return (
    <WorkFrame
      at={room.id}
      name={say`Plan`}
      columns="wide:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]"
      picture={
        <PlanDrawing
          plan={plan}
          tape={tape}
          nameOf={nameOf}
          picked={picked}
          onPick={setPicked}
          onMoved={moved => edits.keep(moved)}
          onTakenOut={thing => edits.keep(without(plan, thing)) && setPicked(null)}
        />
      }
    >
      {edits.refused.length > 0 && (
        <div role="alert" className="hazard flex flex-col gap-1 bg-sheet p-3">
          {edits.refused.map(each => (
            <p key={`${each.path} ${each.code}`}>{planFaultWords(say, each)}</p>
          ))}
        </div>
      )}
      <PickedThing plan={plan} edits={edits} thing={picked} onPick={setPicked} />
      <Stands plan={plan} edits={edits} picked={picked} onPick={setPicked} />
      <Walls plan={plan} edits={edits} />
      <Boxes room={room} plan={plan} edits={edits} onPick={setPicked} />
      <Part title={say`This plan`}>
        <Button
          className="self-start"
          onClick={() => {
            setPicked(null)
            edits.remove()
          }}
        >{say`Remove it: begin again`}</Button>
      </Part>
    </WorkFrame>
  )
}
