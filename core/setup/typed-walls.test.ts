import { describe, expect, it } from 'vitest'
import { parseRoom } from './parse-room'
import { cornersOfWalls, type TypedWall } from './typed-walls'
import { drawnRoom } from '@/testing/setup/rooms'

const left = (along: number): TypedWall => ({ along, turn: 90 })
const right = (along: number): TypedWall => ({ along, turn: -90 })
const corners = (walls: readonly TypedWall[]) => {
  const typed = cornersOfWalls(walls)
  return typed.ok
    ? typed.value.map(({ x, y }) => [x, y])
    : typed.faults.map(each => `${each.path} ${each.code}`)
}

describe('walls typed one after the other', () => {
  it('a rectangle, and a corner that stands into the room', () => {
    expect(corners([left(4), left(3), left(4), left(3)])).toEqual([
      [0, 0],
      [4, 0],
      [4, 3],
      [0, 3],
    ])
    expect(corners([left(4), left(1), left(2), right(2), left(2), left(3)])).toEqual([
      '/walls does-not-close',
    ])
    expect(corners([left(4), left(1), right(2), left(2), left(2), left(3)])).toEqual([
      [0, 0],
      [4, 0],
      [4, 1],
      [2, 1],
      [2, 3],
      [0, 3],
    ])
  })

  it('the last wall may be left out, and a tape measure a little off', () => {
    expect(corners([left(4), left(3), left(4)])).toEqual(corners([left(4), left(3), left(4), left(3)]))
    expect(corners([left(4), left(3), left(4.03), left(3.04)])).toEqual([
      [0, 0],
      [4, 0],
      [4, 3],
      [-0.03, 3],
    ])
  })

  it('names what cannot be', () => {
    expect(corners([left(4), left(3), left(5), left(3)])).toEqual(['/walls does-not-close'])
    expect(corners([left(0), left(3), left(4)])).toEqual(['/walls/0/along range'])
    expect(corners([{ along: 3, turn: 180 }, left(3), left(4)])).toEqual(['/walls/0/turn range'])
    expect(corners([left(4)])).toEqual(['/walls too-few'])
  })

  it('every room that is walked round comes out as it is (seeds 1 to 300)', () => {
    let walked = 0
    for (let seed = 1; seed <= 300; seed++) {
      const { room } = drawnRoom(seed)
      if (!parseRoom(room).ok) continue
      const at = (index: number) => room.corners[(index + room.corners.length) % room.corners.length]!
      const headings = room.corners.map((corner, index) =>
        Math.atan2(at(index + 1).y - corner.y, at(index + 1).x - corner.x),
      )
      const walls = room.corners.map((corner, index) => {
        const turned = headings[(index + 1) % headings.length]! - headings[index]!
        const turn = (Math.atan2(Math.sin(turned), Math.cos(turned)) * 180) / Math.PI
        return { along: Math.hypot(at(index + 1).x - corner.x, at(index + 1).y - corner.y), turn }
      })
      const typed = cornersOfWalls(walls)
      if (!typed.ok) throw new Error(`seed ${seed}: ${JSON.stringify(typed.faults)}`)
      expect(typed.value).toHaveLength(room.corners.length)
      // As far from each other as in the room, every two.
      for (const [one, corner] of typed.value.entries())
        for (const [other, beside] of typed.value.entries())
          expect(Math.hypot(corner.x - beside.x, corner.y - beside.y)).toBeCloseTo(
            Math.hypot(at(one).x - at(other).x, at(one).y - at(other).y),
            2,
          )
      walked++
    }
    expect(walked).toBeGreaterThan(150)
  })
})
