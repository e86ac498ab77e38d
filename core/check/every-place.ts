import { lookingForPlaces } from '../job/looking'
import { line, type Line } from './line'
import type { Question } from './place'

/** A light whose other switch is not recorded has a place that nobody has seen: what will work it is not known. */
export const everyPlaceLines = ({ view, place, trade }: Question): Line[] =>
  lookingForPlaces(view, trade).some(each => each.place.id === place.place.id)
    ? [
        line(
          'every-place',
          'not-known',
          'The old switch works this light together with another, which is not recorded.',
          'old-switch',
          { settledBy: `Find the other switch of ${place.group.name}, or say on Look that there is none.` },
        ),
      ]
    : []
