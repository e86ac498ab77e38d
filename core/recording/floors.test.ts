import { describe, expect, it } from 'vitest'
import { lot } from '@/testing/model/lot'
import { plainPen, written } from '@/testing/recording/plain-pen'
import { quillbackRoad } from '@/demo/quillback'
import { floorsOf, lieBeside } from '../job/floors'
import type { JobRecord } from '../model/record'
import { roomPut } from '.'

const FLOORS = ['Up', 'Down']

/** A house with nothing in it. */
const NOBODY = {
  ...(Object.fromEntries(Object.keys(quillbackRoad()).map(table => [table, {}])) as unknown as JobRecord),
  job: quillbackRoad().job,
}

/** A house of so many rooms, none of which anybody has placed. */
const house = (count: number): JobRecord => ({
  ...NOBODY,
  rooms: Object.fromEntries(
    Array.from({ length: count }, (_, at) => [
      `room-${at}`,
      {
        id: `room-${at}`,
        name: `Room ${at}`,
        floor: FLOORS[at % 2]!,
        kind: 'not-said' as const,
        position: at + 1,
        planColumn: null,
        planRow: null,
      },
    ]),
  ),
})

/** A floor as words on a sheet: room by cell, from its own left and back edge. */
type Sheet = Map<string, { column: number; row: number }>
const sheetOf = (record: JobRecord, floor: string): Sheet =>
  new Map(
    floorsOf(record)
      .find(({ name }) => name === floor)!
      .rooms.map(({ room, column, row }) => [room.id, { column, row }]),
  )
/** Each as seen from the first: what is left when the whole floor makes room. */
const shape = (sheet: Sheet, first: string) => {
  const from = sheet.get(first)!
  return [...sheet].map(([id, { column, row }]) => `${id} ${column - from.column} ${row - from.row}`).sort()
}

describe('rooms as they lie', () => {
  it('one room is put, or two exchange places, and no other moves against the rest (120 houses, 8 moves each)', () => {
    let shifted = 0
    for (let seed = 1; seed <= 120; seed++) {
      const draw = lot(seed)
      const count = 2 + draw(10)
      let record = house(count)
      for (let move = 0; move < 8; move++) {
        const id = `room-${draw(count)}`
        const { floor } = record.rooms[id]!
        const before = sheetOf(record, floor)
        const to = { column: draw(6) - 1, row: draw(6) - 1 }
        const own = before.get(id)!
        const wanted: Sheet = new Map([...before].map(([each, at]) => [each, { ...at }]))
        for (const [each, at] of wanted)
          if (each !== id && at.column === to.column && at.row === to.row) wanted.set(each, own)
        wanted.set(id, to)
        if (to.column < 0 || to.row < 0) shifted++
        const others = FLOORS.filter(each => each !== floor && count > 1)
        const elsewhere = others.map(each => JSON.stringify([...sheetOf(record, each)]))
        record = written(record, roomPut(plainPen(), record, id, to))
        const after = sheetOf(record, floor)
        expect(shape(after, id), `seed ${seed}`).toEqual(shape(wanted, id))
        expect(new Set([...after.values()].map(at => JSON.stringify(at))).size).toBe(after.size)
        for (const at of after.values()) expect(Math.min(at.column, at.row)).toBeGreaterThanOrEqual(0)
        expect(others.map(each => JSON.stringify([...sheetOf(record, each)]))).toEqual(elsewhere)
      }
    }
    expect(shifted).toBeGreaterThan(50)
  })

  it('nothing is edited where it lies there already, is no room, or would lie beyond the largest floor', () => {
    const record = written(house(4), roomPut(plainPen(), house(4), 'room-0', { column: 3, row: 2 }))
    expect(roomPut(plainPen(), record, 'room-0', { column: 3, row: 2 })).toEqual([])
    expect(roomPut(plainPen(), record, 'nowhere', { column: 0, row: 0 })).toEqual([])
    expect(roomPut(plainPen(), record, 'room-0', { column: 41, row: 0 })).toEqual([])
  })

  it('two rooms lie beside each other where they share a wall; not said is not apart', () => {
    const at = (planColumn: number | null, planRow: number | null, floor = 'Up') => ({
      ...house(1).rooms['room-0']!,
      planColumn,
      planRow,
      floor,
    })
    expect(lieBeside(at(1, 1), at(1, 2))).toBe(true)
    expect(lieBeside(at(1, 1), at(2, 2))).toBe(false)
    expect(lieBeside(at(1, 1), at(null, null))).toBeNull()
    expect(lieBeside(at(1, 1), at(1, 2, 'Down'))).toBe(false)
  })

  it('two that were put in one place without knowing of each other are both shown, the later one anew', () => {
    const bare = house(3)
    const both = { planColumn: 0, planRow: 0 }
    const record = {
      ...bare,
      rooms: {
        ...bare.rooms,
        'room-0': { ...bare.rooms['room-0']!, ...both },
        'room-2': { ...bare.rooms['room-2']!, ...both },
      },
    }
    const [up] = floorsOf(record)
    expect(up!.rooms.map(({ room, column, row, isSaid }) => [room.id, column, row, isSaid])).toEqual([
      ['room-0', 0, 0, true],
      ['room-2', 0, 1, false],
    ])
  })
})
