import { fault, type Fault } from '../model/result'
import { zoneIsKnown } from './clock'
import type { Program } from '../model/light-program'
import { needsSun, type Place } from './program'

/** What is wrong with a place, each at its field: a latitude that no place has, a zone that nobody knows. */
export function faultsOfPlace({ latitude, longitude, zone }: Place): Fault[] {
  return [
    ...(Math.abs(latitude) <= 90 ? [] : [fault('/latitude', 'range', '-90° to 90°')]),
    ...(Math.abs(longitude) <= 180 ? [] : [fault('/longitude', 'range', '-180° to 180°')]),
    ...(zoneIsKnown(zone) ? [] : [fault('/zone', 'unknown-zone', `no zone is called “${zone}”`)]),
  ]
}

/** A clock time happens there as it does anywhere. */
const ANYWHERE: Place = { latitude: 0, longitude: 0, zone: 'UTC' }

/** Where a program is reckoned: null where it goes by a sun of which nobody said where it shines. */
export const placeFor = (program: Program, site: Place | null): Place | null =>
  site ?? (needsSun(program) ? null : ANYWHERE)
