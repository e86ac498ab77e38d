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

/** Everything about a device that can be set beside another’s, by name. */
export const factsOf = (device: DeviceModel): readonly (readonly [name: string, says: string])[] => [
  ['Does', doesWords(device)],
  ['Kept alive by', supplyWords(device)],
  ['Places', placesWords(device)],
  ['Family', device.family ?? ''],
  ['Radio', device.radio ? RADIO_WORDS[device.radio] : ''],
  ...RATING_KINDS.map(kind => {
    const own = device.ratings.find(each => each.kind === kind)
    return [RATING_WORDS[kind], own ? ratingWords(own) : ''] as const
  }),
  ['Dims', device.dims ? `${device.dims.phase} edge` : ''],
  ['Motor', device.motorAllowed ? 'allowed' : 'not allowed'],
  ['Receptacle', device.receptacleAllowed ? 'allowed' : 'not allowed'],
  ['Ground', device.groundRequired ? 'must be connected' : 'where there is one'],
  ['Gangs', String(device.size.gangs)],
  ['Depth', `${figure(device.size.depthMillimetres)} mm`],
  ['Plate', OPENING_WORDS[device.opening]],
  ['Finishes', device.finishes.map(plain).join(', ')],
  ['Glows in the dark', device.glows ? 'yes' : 'no'],
  ['Strip', `${figure(device.instructions.stripMillimetres)} mm`],
  [
    'Screws',
    device.instructions.screwNewtonMetres === null
      ? ''
      : `${figure(device.instructions.screwNewtonMetres)} Nm`,
  ],
  [
    'Works after',
    device.instructions.warmUpSeconds === null ? '' : `${figure(device.instructions.warmUpSeconds)} s`,
  ],
  ['Price', figure(device.price, 2)],
  ['Minutes', figure(device.minutes)],
]
