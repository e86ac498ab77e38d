import type { BoxView, PlaceView } from '../job/box-view'
import { PRESENCE_ON, settingFor } from '../model/setting'
import type { Trade } from '../model/trade'
import { aimOf, eyesOf, seenBy, type Eyes } from '../setup'
import { sayIn, type Say } from '../words/say'
import { settingsAtPlace } from './setting-state'
import { thingName } from './thing-name'
import { sensorInRoom } from './worked-out'

/** One walk through the room, with the light as witness. */
export interface Walk {
  readonly key: string
  readonly says: string
  readonly expect: string
}

/** Where a thing is, to the centimetre: moved elsewhere it is walked to anew. */
const spot = (...metres: readonly number[]) => metres.map(each => each.toFixed(2)).join(',')

/**
 * The walk test of a sensor that hangs in the plan of its room, set as it was made: every door and seat that it should
 * see, and every passage that it should not; with what to change where one is missed.
 */
export function walkTest(view: BoxView, place: PlaceView, trade: Trade): Walk[] {
  const found = sensorInRoom(view.record, place, trade)
  if (found?.kind !== 'hangs') return []
  const say = sayIn(view.region)
  const { plan, sensor, model } = found
  const states = settingsAtPlace(view, place, trade)
  const made = (id: string) => {
    const state = states.find(({ setting }) => setting.id === id)
    return state?.row?.value ?? state?.value
  }
  const aim = aimOf(model, made)
  const eyes = eyesOf(plan, sensor)
  const seen = seenBy(eyes, aim)
  const mode = settingFor(model.settings, 'mode')
  const byHand = mode ? made(mode.id) === PRESENCE_ON['manual-on'] : true
  const name = (kind: 'opening' | 'seat', at: number) => thingName(say, plan, { kind, at })
  const doors = plan.openings.flatMap(({ wall, from }, at): Walk[] => {
    if (seen.doors[at] !== true) return []
    const door = name('opening', at)
    return [
      {
        key: `walk:door:${wall}@${spot(from)}`,
        says: byHand
          ? say`Light on, its delay at the shortest: come in by ${door} just before it ends`
          : say`Light off: come in by ${door}`,
        expect: say`${byHand ? say`It stays on` : say`It comes on`}. ${onMiss(say, eyes, eyes.doors[at]!.degrees)}`,
      },
    ]
  })
  const seats = plan.seats.flatMap(({ at: point, asleep }, at): Walk[] =>
    asleep || seen.seats[at] !== true
      ? []
      : [
          {
            key: `walk:seat:${spot(point.x, point.y)}`,
            says: say`Sit at ${name('seat', at)} and move a hand only, past the shortest delay`,
            expect: say`It stays on. ${onMiss(say, eyes, eyes.seats[at]!.degrees)}`,
          },
        ],
  )
  const passages = seen.passages.flatMap(({ opening, metres }): Walk[] => {
    const { wall, from } = plan.openings[opening]!
    // Less than half a metre is none.
    return metres.usually >= 0.5
      ? []
      : [
          {
            key: `walk:passage:${wall}@${spot(from)}`,
            says: say`Light off: pass by ${name('opening', opening)} outside, its door as usual`,
            expect: say`It stays off. Comes it on: that shutter a mark in, or less sensitivity.`,
          },
        ]
  })
  return [...doors, ...seats, ...passages]
}

/** What is changed first where somebody is missed: the dial; then the shutter of that side. */
function onMiss(say: Say, { sensor }: Eyes, degrees: number): string {
  if (sensor.kind === 'ceiling') return say`Missed: more sensitivity.`
  return degrees >= 0
    ? say`Missed: more sensitivity, then the left shutter a mark out.`
    : say`Missed: more sensitivity, then the right shutter a mark out.`
}
