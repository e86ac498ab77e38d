import { lookingForPlaces } from '../job/looking'
import { line, type Line } from './line'
import type { Question } from './place'
import { sayIn } from '../words/say'

/** A light whose other switch is not recorded has a place that nobody has seen: what will work it is not known. */
export const everyPlaceLines = ({ view, place, trade }: Question): Line[] => {
  const say = sayIn(view.region)
  return lookingForPlaces(view, trade).some(each => each.place.id === place.place.id)
    ? [
        line(
          'every-place',
          'not-known',
          say`The old switch works this light together with another, which is not recorded.`,
          'old-switch',
          {
            settledBy: say`Find the other switch of ${place.group.name}, or say on Look that there is none.`,
          },
        ),
      ]
    : []
}
