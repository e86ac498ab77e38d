import type { DeviceModel } from '@/core/model/device'
import { figure } from '@/core/model/units'
import { RATING_KINDS } from '@/core/model/vocabulary'
import { plain } from '../words'
import {
  doesWords,
  OPENING_WORDS,
  placesWords,
  RADIO_WORDS,
  RATING_WORDS,
  ratingWords,
  supplyWords,
} from './device-words'
import { type Say } from '@/core/words/say'
import { exactLength, lengthWords, torqueWords } from '@/core/model/measures'

/** Everything about a device that can be set beside another’s, by name. */
export const factsOf = (
  say: Say,
  device: DeviceModel,
): readonly (readonly [name: string, says: string])[] => [
  [say`Does`, doesWords(say, device)],
  [say`Kept alive by`, supplyWords(say, device)],
  [say`Places`, placesWords(say, device)],
  [say`Family`, device.family ?? ''],
  [say`Radio`, device.radio ? say(RADIO_WORDS[device.radio]) : ''],
  ...RATING_KINDS.map(kind => {
    const own = device.ratings.find(each => each.kind === kind)
    return [say(RATING_WORDS[kind]), own ? ratingWords(say, own) : ''] as const
  }),
  [say`Dims`, device.dims ? say`${device.dims.phase} edge` : ''],
  [say`Motor`, device.motorAllowed ? say`allowed` : say`not allowed`],
  [say`Receptacle`, device.receptacleAllowed ? say`allowed` : say`not allowed`],
  [say`Ground`, device.groundRequired ? say`must be connected` : say`where there is one`],
  [say`Gangs`, String(device.size.gangs)],
  [say`Depth`, exactLength('both', device.size.depthMillimetres)],
  [say`Plate`, say(OPENING_WORDS[device.opening])],
  [say`Finishes`, device.finishes.map(each => say(plain(each))).join(', ')],
  [say`Glows in the dark`, device.glows ? say`yes` : say`no`],
  [say`Strip`, lengthWords('both', device.instructions.stripMillimetres)],
  [
    say`Screws`,
    device.instructions.screwNewtonMetres === null
      ? ''
      : torqueWords('both', device.instructions.screwNewtonMetres),
  ],
  [
    say`Works after`,
    device.instructions.warmUpSeconds === null ? '' : `${figure(device.instructions.warmUpSeconds)} s`,
  ],
  [say`Price`, figure(device.price, 2)],
  [say`Minutes`, figure(device.minutes)],
]
