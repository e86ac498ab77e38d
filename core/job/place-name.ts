import type { Place } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import { sayFor } from '../model/say-for'

type Where = Pick<Place, 'boxId' | 'gang' | 'part'>

/** Whether other controls stand beside it in its gang, on one strap or plate. */
export const sharesGang = (record: JobRecord, { boxId, gang, part }: Where): boolean =>
  rowsWith(record, 'places', 'boxId', boxId).some(other => other.gang === gang && other.part !== part)

/**
 * Which control of its box one is: its gang where there are several, its number where others share that gang; empty
 * where it is the only one.
 */
export function whichControl(record: JobRecord, place: Where): string {
  const say = sayFor(record)
  const gang = record.boxes[place.boxId]!.gangs > 1
  const shares = sharesGang(record, place)
  if (gang && shares) return say`gang ${place.gang}, control ${place.part}`
  if (gang) return say`gang ${place.gang}`
  return shares ? say`control ${place.part}` : ''
}

/** The same where something has to be said: the gang of the only one. */
export const theControl = (record: JobRecord, place: Where): string =>
  whichControl(record, place) || sayFor(record)`gang ${place.gang}`

/** A place in words: its room and box, and which of the controls there. */
export function placeName(record: JobRecord, place: Where): string {
  const box = record.boxes[place.boxId]!
  const which = whichControl(record, place)
  return `${record.rooms[box.roomId]!.name}, ${box.name}${which === '' ? '' : `, ${which}`}`
}

/** As they stand in a box: gang by gang, and in one gang one after the other. */
export const asTheyStand = (one: Where, other: Where): number =>
  one.gang - other.gang || one.part - other.part
