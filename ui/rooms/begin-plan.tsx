'use client'

import { useState } from 'react'
import { EMPTY_PLAN, rectangle } from '@/core/setup'
import { useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { NumberField } from '../primitives/fields'
import { PressOne } from '../primitives/press-one'
import { Part } from '../primitives/titled-part'
import { plain } from '../words'
import { useSay } from '../words/use-say'
import { useTape, type RoomPlanEdits } from './use-room-plan'

const WIDEST = 100
const HIGHEST = 15
const LOWEST = 1.8

/** A plan from nothing: two numbers and a height, or a usual room to be corrected. */
export function BeginPlan({ edits }: { edits: RoomPlanEdits }) {
  const say = useSay()
  const tape = useTape()
  const { roomPlans } = useTrade()
  const [width, setWidth] = useState<number | null>(null)
  const [depth, setDepth] = useState<number | null>(null)
  const [height, setHeight] = useState<number | null>(tape.shown(EMPTY_PLAN.height))
  const side = {
    unit: tape.unit,
    min: 0.5,
    max: tape.shown(WIDEST),
    live: true,
    nullable: true,
    empty: ' ',
  } as const
  const isWhole = width !== null && depth !== null && height !== null
  return (
    <div className="mt-3 grid items-start gap-4 wide:grid-cols-2">
      <Part title={say`Type it`} next="plan">
        <form
          className="flex flex-col gap-3"
          onSubmit={event => {
            event.preventDefault()
            if (isWhole)
              edits.keep({
                ...EMPTY_PLAN,
                corners: rectangle(tape.metres(width), tape.metres(depth)),
                height: tape.metres(height),
              })
          }}
        >
          <div className="grid grid-cols-3 gap-2">
            <NumberField label={say`Width`} {...side} value={width} onCommit={setWidth} />
            <NumberField label={say`Depth`} {...side} value={depth} onCommit={setDepth} />
            <NumberField
              label={say`Height`}
              unit={tape.unit}
              min={Math.ceil(tape.shown(LOWEST) * 10) / 10}
              max={Math.floor(tape.shown(HIGHEST))}
              live
              value={height}
              onCommit={setHeight}
            />
          </div>
          <p className="text-sm text-soft">{say`Other corners are put in afterwards, wall by wall.`}</p>
          <Button type="submit" look="main" className="self-start" disabled={!isWhole}>{say`Draw it`}</Button>
        </form>
      </Part>
      <Part title={say`Or begin with one of the usual, and correct it`}>
        <PressOne
          label={say`Usual rooms`}
          options={Object.keys(roomPlans).map(value => ({ value, words: say(plain(value)) }))}
          onPress={name => {
            const usual = roomPlans[name]
            if (usual) edits.keep({ ...usual, hangings: [] })
          }}
        />
      </Part>
    </div>
  )
}
