import type { Edit } from '../job/command'
import { floorsOf } from '../job/floors'
import { ENTITIES } from '../model/entities'
import type { JobRecord } from '../model/record'
import type { Pen } from './pen'

/**
 * A room is put at a column and a row of its floor; one that lies there takes its place. All rooms of the floor are
 * said with it, so that none of them moves later; left of the first column and behind the first row the whole floor
 * makes room. Nothing where it would lie beyond the largest floor.
 */
export function roomPut(
  pen: Pen,
  record: JobRecord,
  roomId: string,
  to: { readonly column: number; readonly row: number },
): Edit[] {
  const floor = floorsOf(record).find(({ rooms }) => rooms.some(({ room }) => room.id === roomId))
  const own = floor?.rooms.find(({ room }) => room.id === roomId)
  if (!floor || !own || (own.column === to.column && own.row === to.row)) return []
  const moved = floor.rooms.map(each => {
    if (each.room.id === roomId) return { ...each, ...to }
    return each.column === to.column && each.row === to.row
      ? { ...each, column: own.column, row: own.row }
      : each
  })
  const [left, back] = [-Math.min(0, to.column), -Math.min(0, to.row)]
  const said = moved.map(({ room, column, row }) => ({
    room,
    planColumn: column + left,
    planRow: row + back,
  }))
  const { planColumn, planRow } = ENTITIES.rooms
  if (said.some(each => each.planColumn > planColumn.max || each.planRow > planRow.max)) return []
  return said
    .filter(({ room, ...at }) => room.planColumn !== at.planColumn || room.planRow !== at.planRow)
    .map(({ room, ...at }) => pen.change('rooms', room.id, at))
}
