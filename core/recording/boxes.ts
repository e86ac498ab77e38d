import type { Edit } from '../job/command'
import { BLANK } from '../model/blank-rows'
import { ENTITIES, type Box, type Place } from '../model/entities'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { freeLightName, lightAdded } from './lights'
import type { Pen } from './pen'
import { sayFor } from '../model/say-for'

const next = (rows: readonly { readonly position: number }[]) =>
  Math.max(0, ...rows.map(({ position }) => position)) + 1

/** A room that is not there yet, or the one of that name. */
export function roomNamed(
  pen: Pen,
  record: JobRecord,
  name: string,
  floor: string,
  after = 0,
): { readonly id: string; readonly edits: Edit[] } {
  const known = rowsOf(record, 'rooms').find(
    room => room.name.trim().toLowerCase() === name.trim().toLowerCase(),
  )
  if (known) return { id: known.id, edits: [] }
  const id = pen.newId()
  const position = next(rowsOf(record, 'rooms')) + after
  return {
    id,
    edits: [pen.add('rooms', { ...BLANK.rooms, id, name: name.trim(), floor, kind: 'not-said', position })],
  }
}

/** A box of some kind that nothing is known of yet; it stands after all that are recorded. */
export function boxAdded(
  pen: Pen,
  record: JobRecord,
  box: Pick<Box, 'id' | 'roomId' | 'name' | 'gangs'> & Partial<Box>,
  after = 0,
): Edit {
  return pen.add('boxes', { ...BLANK.boxes, position: next(rowsOf(record, 'boxes')) + after, ...box })
}

/** A box for controls with one place for each gang, each its own light until it is told otherwise. */
export function controlBoxAdded(
  pen: Pen,
  record: JobRecord,
  box: Pick<Box, 'id' | 'roomId' | 'name' | 'gangs'>,
  roomName: string,
): Edit[] {
  return [
    boxAdded(pen, record, box),
    ...Array.from({ length: box.gangs }, (_, at) =>
      ownLightAt(pen, record, { boxId: box.id, gang: at + 1, part: 1 }, roomName, at),
    ).flat(),
  ]
}

/** A control with a light of its own; `earlier` such lights are added by the same command. */
function ownLightAt(
  pen: Pen,
  record: JobRecord,
  where: Pick<Place, 'boxId' | 'gang' | 'part'>,
  roomName: string,
  earlier: number,
): Edit[] {
  const say = sayFor(record)

  const groupId = pen.newId()
  let name = freeLightName(record, say`${roomName} light`)
  for (let at = 0; at < earlier; at++) name = nextName(record, name)
  return [
    lightAdded(pen, groupId, name),
    pen.add('places', { ...BLANK.places, id: pen.newId(), ...where, groupId }),
  ]
}

/** The free name after one. */
function nextName(record: JobRecord, name: string): string {
  const [, base = name, number = '1'] = /^(.*?)(?: (\d+))?$/.exec(name) ?? []
  const taken = new Set(rowsOf(record, 'groups').map(group => group.name.toLowerCase()))
  let at = Number(number) + 1
  while (taken.has(`${base} ${at}`.toLowerCase())) at++
  return `${base} ${at}`
}

export const MOST_GANGS = ENTITIES.places.gang.max

/** A gang more, before the one that has this number now; those after it move on by one. */
export function gangInserted(pen: Pen, record: JobRecord, boxId: string, before: number): Edit[] {
  const box = record.boxes[boxId]!
  if (box.gangs >= MOST_GANGS) return []
  const later = rowsWith(record, 'places', 'boxId', boxId).filter(({ gang }) => gang >= before)
  const room = record.rooms[box.roomId]!
  return [
    pen.change('boxes', boxId, { gangs: box.gangs + 1 }),
    ...later.map(({ id, gang }) => pen.change('places', id, { gang: gang + 1 })),
    ...ownLightAt(pen, record, { boxId, gang: before, part: 1 }, room.name, 0),
  ]
}

/**
 * A gang less: its place goes with its old device and what was chosen for it, those after it move up by one. A light
 * that it alone worked, and of which nothing was said, goes too.
 */
export function gangRemoved(pen: Pen, record: JobRecord, boxId: string, gang: number): Edit[] {
  const { gangs } = record.boxes[boxId]!
  if (gangs <= 1) return []
  const places = rowsWith(record, 'places', 'boxId', boxId)
  return [
    ...placesGone(
      pen,
      record,
      places.filter(place => place.gang === gang).map(({ id }) => id),
    ),
    ...places
      .filter(place => place.gang > gang)
      .map(place => pen.change('places', place.id, { gang: place.gang - 1 })),
    pen.change('boxes', boxId, { gangs: gangs - 1 }),
  ]
}

/** Controls that one gang holds at most, on one strap or plate. */
export const MOST_PARTS = ENTITIES.places.part.max

/** One control more in a gang, after those that are there, with a light of its own. */
export function partAdded(pen: Pen, record: JobRecord, { boxId, gang }: Place): Edit[] {
  const beside = rowsWith(record, 'places', 'boxId', boxId).filter(each => each.gang === gang)
  const room = record.rooms[record.boxes[boxId]!.roomId]!
  if (beside.length >= MOST_PARTS) return []
  const part = Math.max(...beside.map(each => each.part)) + 1
  return ownLightAt(pen, record, { boxId, gang, part }, room.name, 0)
}

/** One control less of several in a gang; those after it move up. */
export function partRemoved(pen: Pen, record: JobRecord, { id, boxId, gang, part }: Place): Edit[] {
  const beside = rowsWith(record, 'places', 'boxId', boxId).filter(
    each => each.gang === gang && each.id !== id,
  )
  if (beside.length === 0) return []
  return [
    ...placesGone(pen, record, [id]),
    ...beside
      .filter(each => each.part > part)
      .map(each => pen.change('places', each.id, { part: each.part - 1 })),
  ]
}

/** So many gangs: more at the end, or fewer from the end. */
export function gangsChanged(pen: Pen, record: JobRecord, boxId: string, gangs: number): Edit[] {
  const room = record.rooms[record.boxes[boxId]!.roomId]!
  const places = rowsWith(record, 'places', 'boxId', boxId)
  const missing = Array.from({ length: gangs }, (_, at) => at + 1).filter(
    gang => !places.some(place => place.gang === gang),
  )
  return [
    ...placesGone(
      pen,
      record,
      places.filter(({ gang }) => gang > gangs).map(({ id }) => id),
    ),
    pen.change('boxes', boxId, { gangs }),
    ...missing.flatMap((gang, at) => ownLightAt(pen, record, { boxId, gang, part: 1 }, room.name, at)),
  ]
}

/** Places go, and with them the lights that nothing else works and nothing was said of. */
function placesGone(pen: Pen, record: JobRecord, placeIds: readonly string[]): Edit[] {
  const lights = new Set(placeIds.map(id => record.places[id]!.groupId))
  const empty = [...lights].filter(
    groupId =>
      rowsWith(record, 'places', 'groupId', groupId).every(({ id }) => placeIds.includes(id)) &&
      rowsWith(record, 'loads', 'groupId', groupId).length === 0 &&
      rowsWith(record, 'needs', 'groupId', groupId).length === 0,
  )
  return [...placeIds.map(id => pen.remove('places', id)), ...empty.map(id => pen.remove('groups', id))]
}

/**
 * What stands at a box is found to be something else. A box that is no longer for controls loses its places; one that
 * is gets a gang.
 */
export function kindChanged(pen: Pen, record: JobRecord, boxId: string, kind: Box['kind']): Edit[] {
  const box = record.boxes[boxId]!
  const room = record.rooms[box.roomId]!
  if (box.kind === kind) return []
  if (kind === 'control')
    return [
      pen.change('boxes', boxId, { kind, gangs: 1 }),
      ...ownLightAt(pen, record, { boxId, gang: 1, part: 1 }, room.name, 0),
    ]
  return [
    ...placesGone(
      pen,
      record,
      rowsWith(record, 'places', 'boxId', boxId).map(({ id }) => id),
    ),
    pen.change('boxes', boxId, { kind, gangs: 0 }),
  ]
}

/** A row and its neighbour exchange their places in a list; nothing where there is no neighbour that way. */
export function movedInList(
  pen: Pen,
  entity: 'rooms' | 'boxes',
  list: readonly { readonly id: string; readonly position: number }[],
  id: string,
  by: 1 | -1,
): Edit[] {
  const at = list.findIndex(each => each.id === id)
  const one = list[at]
  const other = list[at + by]
  if (!one || !other) return []
  // Rows of an old file may share a position: then the whole list is numbered anew.
  if (new Set(list.map(({ position }) => position)).size < list.length) {
    const order = list.map(each => each.id)
    order.splice(at, 1)
    order.splice(at + by, 0, id)
    return order.map((each, position) => pen.change(entity, each, { position: position + 1 }))
  }
  return [
    pen.change(entity, one.id, { position: other.position }),
    pen.change(entity, other.id, { position: one.position }),
  ]
}
