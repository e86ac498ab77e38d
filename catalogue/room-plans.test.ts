import { expect, it } from 'vitest'
import { parseRoom, parseSensor, seenBy, eyesOf, type Sensor } from '@/core/setup'
import { ROOM_PLANS } from './room-plans'

it.each(Object.entries(ROOM_PLANS))(
  '%s: hangs together, and a sensor beside its door sees of it',
  (_, room) => {
    expect(parseRoom(room)).toMatchObject({ ok: true })
    const first = room.openings[0]!
    const sensor: Sensor = {
      kind: 'wall',
      wall: 1,
      along: 0.3,
      height: 1.1,
      reach: { walking: [9, 7, 3], small: [5, 4, 2] },
      shutters: [90],
      sensitivities: [1],
    }
    expect(parseSensor(sensor, room)).toMatchObject({ ok: true })
    const { share, floor } = seenBy(eyesOf(room, sensor), { left: 90, right: 90, sensitivity: 1 })
    expect(first.kind).not.toBe('window')
    expect(floor).toBeGreaterThan(1)
    expect(share.walking).toBeGreaterThan(0.2)
    expect(share.walking).toBeLessThanOrEqual(1 + 1e-9)
  },
)
