import { sayIn } from '../words/say'
import { line, type Line } from './line'
import type { Question } from './place'

/** A stair or passage whose only control is one sensor that also switches off may put somebody in the dark. */
export function passageLines({ view, place, device }: Question): Line[] {
  const say = sayIn(view.region)
  const isSensor = device.does.includes('presence')
  if (view.room.kind !== 'passage' || !isSensor || place.workingInGroup > 1) return []
  return [
    line(
      'never-dark',
      'fits-if',
      say`One sensor for a passage: who comes from where it does not see is in the dark.`,
      'never-dark',
      {
        cures: [
          {
            id: 'both-ends',
            says: say`It sees both ends, walked and tried from each; else a second one, or a light that stays on low.`,
            price: 0,
            minutes: 5,
            here: true,
          },
        ],
      },
    ),
  ]
}
