import type { Room } from '@/core/model/entities'
import type { Hanging, PlanOfRoom } from '@/core/model/floor-plan'
import { rowsWith } from '@/core/model/record'
import { freeWall, middleOf, type Thing } from '@/core/setup'
import { useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { RowContext } from '../primitives/row-context'
import { Part } from '../primitives/titled-part'
import { useSay } from '../words/use-say'
import type { RoomPlanEdits } from './use-room-plan'

/** Hung as high as a hand is. */
const AT_HAND = 1.2

/** Where the boxes of the room are: on a wall, or on the ceiling. */
export function Boxes({
  room,
  plan,
  edits,
  onPick,
}: {
  room: Room
  plan: PlanOfRoom
  edits: RoomPlanEdits
  onPick: (thing: Thing) => void
}) {
  const say = useSay()
  const { record } = useJob()
  const boxes = rowsWith(record, 'boxes', 'roomId', room.id)
  if (boxes.length === 0) return null
  const put = (hanging: Hanging) => {
    if (edits.keep({ ...plan, hangings: [...plan.hangings, hanging] }))
      onPick({ kind: 'hanging', at: plan.hangings.length })
  }
  const onWall = (boxId: string) => {
    const free = freeWall(plan, 0.1)
    if (free) put({ on: 'wall', boxId, wall: free.wall, along: free.from + 0.05, height: AT_HAND })
  }
  return (
    <Part title={say`Its boxes`}>
      <ul className="flex flex-col divide-y divide-rule">
        {boxes.map(box => {
          const at = plan.hangings.findIndex(({ boxId }) => boxId === box.id)
          return (
            <li key={box.id} className="flex flex-wrap items-center justify-between gap-2 py-2">
              <RowContext value={box.id}>
                <span>{box.name}</span>
                {at >= 0 ? (
                  <Button onClick={() => onPick({ kind: 'hanging', at })} aria-label={say`Pick ${box.name}`}>
                    {plan.hangings[at]!.on === 'wall' ? say`On a wall` : say`On the ceiling`}
                  </Button>
                ) : (
                  <span className="flex gap-2">
                    <Button
                      aria-label={say`${box.name}: on a wall`}
                      onClick={() => onWall(box.id)}
                    >{say`On a wall`}</Button>
                    <Button
                      aria-label={say`${box.name}: on the ceiling`}
                      onClick={() =>
                        put({ on: 'ceiling', boxId: box.id, at: middleOf(plan), height: plan.height })
                      }
                    >{say`On the ceiling`}</Button>
                  </span>
                )}
              </RowContext>
            </li>
          )
        })}
      </ul>
    </Part>
  )
}
