import type { Room } from '../model/entities'
import { rowsOf, type JobRecord } from '../model/record'

/** A room in the picture of its floor, in rooms from the left and from the back. */
export interface PlacedRoom {
  readonly room: Room
  readonly column: number
  readonly row: number
  /** Somebody said that it lies there; false where it was only put where there was room. */
  readonly isSaid: boolean
}

export interface Floor {
  readonly name: string
  readonly columns: number
  readonly rows: number
  readonly rooms: readonly PlacedRoom[]
}

/** Rooms that nobody placed stand in rows of so many. */
const A_ROW = 4

/** Floors as pictures, in the order of the rooms: rooms where they were said to lie, the others in rows in front of them. */
export function floorsOf(record: JobRecord): Floor[] {
  const rooms = rowsOf(record, 'rooms')
  return [...new Set(rooms.map(({ floor }) => floor))].map(name => {
    const own = rooms.filter(({ floor }) => floor === name)
    const said: PlacedRoom[] = []
    const open: Room[] = []
    for (const room of own) {
      const { planColumn: column, planRow: row } = room
      // Of two that were put in one place without knowing of each other the later one is placed anew.
      const isTaken = said.some(each => each.column === column && each.row === row)
      if (column === null || row === null || isTaken) open.push(room)
      else said.push({ room, column, row, isSaid: true })
    }
    const front = Math.max(-1, ...said.map(({ row }) => row)) + 1
    const placed = open.map((room, at): PlacedRoom => ({
      room,
      column: at % A_ROW,
      row: front + Math.floor(at / A_ROW),
      isSaid: false,
    }))
    const all = [...said, ...placed]
    return {
      name,
      columns: Math.max(...all.map(({ column }) => column)) + 1,
      rows: Math.max(...all.map(({ row }) => row)) + 1,
      rooms: own.map(room => all.find(each => each.room.id === room.id)!),
    }
  })
}

/** Whether two rooms of one floor share a wall; null where that was not said of both. */
export function lieBeside(one: Room, other: Room): boolean | null {
  if (one.floor !== other.floor) return false
  if (one.planColumn === null || one.planRow === null) return null
  if (other.planColumn === null || other.planRow === null) return null
  return Math.abs(one.planColumn - other.planColumn) + Math.abs(one.planRow - other.planRow) === 1
}
