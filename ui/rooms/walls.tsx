import { useState } from 'react'
import type { PlanOfRoom } from '@/core/model/floor-plan'
import { cornerAdded, cornerRemoved, lengthOf, resized, sidesOfRectangle, withWallOf } from '@/core/setup'
import { Button } from '../primitives/button'
import { NumberField } from '../primitives/fields'
import { RowContext } from '../primitives/row-context'
import { Part } from '../primitives/titled-part'
import { useSay } from '../words/use-say'
import { useTape, type RoomPlanEdits } from './use-room-plan'

/** The walls by their lengths: two numbers of a rectangle, every wall of any other; and how high the room is. */
export function Walls({ plan, edits }: { plan: PlanOfRoom; edits: RoomPlanEdits }) {
  const say = useSay()
  const tape = useTape()
  const sides = sidesOfRectangle(plan)
  const [each, setEach] = useState(false)
  const most = { unit: tape.unit, min: 0.05, max: tape.shown(100) }
  return (
    <Part
      title={say`Walls`}
      aside={
        sides && (
          <Button look="quiet" aria-expanded={each} onClick={() => setEach(!each)}>
            {each ? say`As two numbers` : say`Wall by wall`}
          </Button>
        )
      }
    >
      {sides && !each ? (
        <div className="grid grid-cols-2 gap-2">
          <NumberField
            label={say`Width`}
            {...most}
            value={tape.shown(sides.width)}
            onCommit={typed => typed !== null && edits.keep(resized(plan, tape.metres(typed), sides.depth))}
          />
          <NumberField
            label={say`Depth`}
            {...most}
            value={tape.shown(sides.depth)}
            onCommit={typed => typed !== null && edits.keep(resized(plan, sides.width, tape.metres(typed)))}
          />
        </div>
      ) : (
        <ol className="flex flex-col divide-y divide-rule">
          {plan.corners.map((_, wall) => (
            <li key={wall} className="flex flex-wrap items-end gap-2 py-2">
              <RowContext value={`wall-${wall}`}>
                <NumberField
                  label={say`Wall ${wall + 1}`}
                  {...most}
                  value={tape.shown(lengthOf(plan, wall))}
                  onCommit={typed => typed !== null && edits.keep(withWallOf(plan, wall, tape.metres(typed)))}
                />
                <Button
                  aria-label={say`A corner in wall ${wall + 1}`}
                  onClick={() => edits.keep(cornerAdded(plan, wall, lengthOf(plan, wall) / 2))}
                >{say`Corner in it`}</Button>
                {plan.corners.length > 3 && (
                  <Button
                    aria-label={say`Take out the corner before wall ${wall + 1}`}
                    onClick={() => edits.keep(cornerRemoved(plan, wall))}
                  >{say`One with the wall before`}</Button>
                )}
              </RowContext>
            </li>
          ))}
        </ol>
      )}
      <NumberField
        label={say`Height`}
        unit={tape.unit}
        min={Math.ceil(tape.shown(1.8) * 10) / 10}
        max={Math.floor(tape.shown(15))}
        value={tape.shown(plan.height)}
        onCommit={typed => typed !== null && edits.keep({ ...plan, height: tape.metres(typed) })}
      />
    </Part>
  )
}
