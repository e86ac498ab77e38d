import { cablesInto } from '../job/box-view'
import type { Edit } from '../job/command'
import { BLANK } from '../model/blank-rows'
import type { Row } from '../model/entities'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import type { Pen } from './pen'

/** What becomes of the lamps of a light that was recorded twice. */
export type LampsOfBoth = 'the-same' | 'as-well'

/** A light's new name; what was named after it goes by the new one too. */
export const lightRenamed = (pen: Pen, record: JobRecord, groupId: string, name: string): Edit[] => [
  pen.change('groups', groupId, { name }),
  ...rowsWith(record, 'loads', 'groupId', groupId)
    .filter(load => load.name === record.groups[groupId]!.name)
    .map(({ id }) => pen.change('loads', id, { name })),
]

/** The first of `name`, `name 2`, `name 3` … that no light has. */
export function freeLightName(record: JobRecord, name: string): string {
  const taken = new Set(rowsOf(record, 'groups').map(group => group.name.toLowerCase()))
  if (!taken.has(name.toLowerCase())) return name
  let number = 2
  while (taken.has(`${name} ${number}`.toLowerCase())) number++
  return `${name} ${number}`
}

/** A light that nothing is known of yet. */
export const lightAdded = (pen: Pen, id: string, name: string): Edit =>
  pen.add('groups', { id, name, ...BLANK.groups })

/**
 * A place is found to work another light. The light it worked before goes where this was its last place: its
 * lamps are those of the other, or hang there as well; what pointed at it points at the other.
 */
export function placeWorks(
  pen: Pen,
  record: JobRecord,
  placeId: string,
  groupId: string,
  lamps: LampsOfBoth,
): Edit[] {
  const before = record.places[placeId]!.groupId
  if (before === groupId) return []
  const isLast = rowsWith(record, 'places', 'groupId', before).length === 1
  return [
    pen.change('places', placeId, { groupId }),
    ...isolatesNothing(pen, record, placeId),
    ...(isLast
      ? lightGone(pen, record, before, groupId, lamps)
      : rolesHere(record, placeId, before).map(({ id }) => pen.change('ends', id, { roleGroupId: groupId }))),
  ]
}

/** Two lights are found to be one: all places, and what points at the first, go over to the second. */
export const lightsMerged = (
  pen: Pen,
  record: JobRecord,
  fromId: string,
  intoId: string,
  lamps: LampsOfBoth,
): Edit[] => [
  ...rowsWith(record, 'places', 'groupId', fromId).map(({ id }) =>
    pen.change('places', id, { groupId: intoId }),
  ),
  ...lightGone(pen, record, fromId, intoId, lamps),
]

/** A place is found to work a light of its own: what was said of the other stays with that. */
export function placeParted(
  pen: Pen,
  record: JobRecord,
  placeId: string,
  name: string,
): { readonly edits: Edit[]; readonly groupId: string } {
  const groupId = pen.newId()
  const before = record.places[placeId]!.groupId
  return {
    groupId,
    edits: [
      lightAdded(pen, groupId, freeLightName(record, name)),
      pen.change('places', placeId, { groupId }),
      ...isolatesNothing(pen, record, placeId),
      ...rolesHere(record, placeId, before).map(({ id }) => pen.change('ends', id, { roleGroupId: groupId })),
    ],
  }
}

/** What a place isolated is isolated nowhere. */
const isolatesNothing = (pen: Pen, record: JobRecord, placeId: string): Edit[] =>
  rowsWith(record, 'loads', 'isolatedAtId', placeId).map(({ id }) =>
    pen.change('loads', id, { isolatedAtId: null }),
  )

/** A light that no place works goes, with its lamps. */
export const lightRemoved = (pen: Pen, groupId: string): Edit[] => [pen.remove('groups', groupId)]

/** Lights that no recorded place works. */
export const lightsWithoutPlaces = (record: JobRecord): Row<'groups'>[] =>
  rowsOf(record, 'groups').filter(({ id }) => rowsWith(record, 'places', 'groupId', id).length === 0)

/** Conductors on the old device of a place that were said to serve a light, where no other place here does. */
function rolesHere(record: JobRecord, placeId: string, groupId: string): Row<'ends'>[] {
  const { boxId } = record.places[placeId]!
  const others = rowsWith(record, 'places', 'boxId', boxId).filter(
    each => each.groupId === groupId && each.id !== placeId,
  )
  if (others.length > 0) {
    const devices = rowsWith(record, 'devices', 'placeId', placeId).map(({ id }) => id)
    return rowsWith(record, 'ends', 'boxId', boxId).filter(
      end => end.roleGroupId === groupId && end.deviceId !== null && devices.includes(end.deviceId),
    )
  }
  return rowsWith(record, 'ends', 'boxId', boxId).filter(end => end.roleGroupId === groupId)
}

function lightGone(pen: Pen, record: JobRecord, goneId: string, intoId: string, lamps: LampsOfBoth): Edit[] {
  const own = rowsWith(record, 'loads', 'groupId', goneId)
  const theirs = rowsWith(record, 'loads', 'groupId', intoId)
  const stay = lamps === 'as-well' || theirs.length === 0
  const [only] = theirs.length === 1 ? theirs : []
  const needs = new Set(rowsWith(record, 'needs', 'groupId', intoId).map(({ need }) => need))
  const into = record.groups[intoId]!
  const gone = record.groups[goneId]!
  const said = {
    ...(into.want === null && gone.want !== null ? { want: gone.want } : {}),
    // What was told of a light with fewer places says nothing of all of them.
    ...(into.behaves === 'not-known' ? {} : { behaves: 'not-known' as const }),
  }
  return [
    ...(Object.keys(said).length > 0 ? [pen.change('groups', intoId, said)] : []),
    ...(stay
      ? own.map(({ id }) => pen.change('loads', id, { groupId: intoId }))
      : own.flatMap(({ id }) =>
          rowsWith(record, 'cables', 'farLoadId', id).map(cable =>
            pen.change('cables', cable.id, { farLoadId: only?.id ?? null }),
          ),
        )),
    ...rowsWith(record, 'ends', 'roleGroupId', goneId).map(({ id }) =>
      pen.change('ends', id, { roleGroupId: intoId }),
    ),
    ...rowsWith(record, 'readings', 'toGroupId', goneId).map(({ id }) =>
      pen.change('readings', id, { toGroupId: intoId }),
    ),
    ...rowsWith(record, 'needs', 'groupId', goneId)
      .filter(({ need }) => !needs.has(need))
      .map(({ id }) => pen.change('needs', id, { groupId: intoId })),
    pen.remove('groups', goneId),
  ]
}

/** Lights that a place may work too, likeliest first: those still looking for a place, then of its room and floor. */
export function mayWork(record: JobRecord, placeId: string): Row<'groups'>[] {
  const place = record.places[placeId]!
  const here = record.boxes[place.boxId]!
  const floorOf = (roomId: string) => record.rooms[roomId]?.floor ?? ''
  const farFrom = (groupId: string): number => {
    const boxes = rowsWith(record, 'places', 'groupId', groupId).map(({ boxId }) => record.boxes[boxId]!)
    const tied = boxes.some(({ id }) =>
      cablesInto(record, id).some(({ boxId, farBoxId }) => boxId === here.id || farBoxId === here.id),
    )
    return (
      (tied ? 0 : 8) +
      (boxes.some(({ roomId }) => roomId === here.roomId) ? 0 : 4) +
      (boxes.some(({ roomId }) => floorOf(roomId) === floorOf(here.roomId)) ? 0 : 2)
    )
  }
  return rowsOf(record, 'groups')
    .filter(({ id }) => id !== place.groupId)
    .sort((a, b) => farFrom(a.id) - farFrom(b.id) || a.name.localeCompare(b.name) || (a.id < b.id ? -1 : 1))
}
