import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { saltpanQuay } from '@/demo/saltpan'
import { boxView } from '../job/box-view'
import { tiedBoxes } from '../job/tied'
import { lot } from '@/testing/model/lot'
import type { JobRecord } from '../model/record'
import { moves } from '../model/step-name'
import { usualBox } from '@/demo/usual'
import { circuitBetween } from '../route'
import { doneSoFar } from './if-on'
import { ifOnAfter, ifOnNow, planBox } from '.'

const boxes = [quillbackRoad(), saltpanQuay()].flatMap(record =>
  Object.keys(record.boxes).map(boxId => [boxId, record] as const),
)

/** The record with some steps of a box ticked, and no others. */
const withTicks = (record: JobRecord, boxId: string, keys: readonly string[]): JobRecord => ({
  ...record,
  steps: Object.fromEntries(
    keys.map((stepKey, seq) => [
      `tick-${seq}`,
      { id: `tick-${seq}`, boxId, stepKey, seq, at: '2026-03-02T09:00:00.000Z' },
    ]),
  ) as JobRecord['steps'],
})

describe('what the power would do half way, in every box of the demo houses', () => {
  it.each(boxes)('%s: is answered after each step, and nothing is left live at the end', (boxId, record) => {
    const view = boxView(withTicks(record, boxId, []), boxId)!
    const { steps, routed } = planBox(view, trade)
    const after = ifOnAfter(view, steps, trade)
    expect([...after.keys()]).toEqual(steps.map(({ key }) => key).filter(moves))
    const last = [...after.values()].at(-1)
    if (routed.ok && last) expect(last).toEqual([])
  })

  it.each(boxes)('%s: is answered whatever is ticked (seeds 1 to 8)', (boxId, record) => {
    const { steps } = planBox(boxView(record, boxId)!, trade)
    const keys = steps.map(({ key }) => key).filter(moves)
    for (let seed = 1; seed <= 8; seed++) {
      const draw = lot(seed)
      const ticked = keys.filter(() => draw(2) === 0)
      const now = ifOnNow(boxView(withTicks(record, boxId, ticked), boxId)!, trade)
      if (ticked.length === 0) expect(now).toEqual([])
      for (const { says } of now) expect(says).toMatch(/would/)
    }
  })
})

describe('what was bare before anybody worked there', () => {
  it('is not the work’s doing, though its box has the name of the one that is worked at', () => {
    let tried = 0
    for (const [boxId, record] of boxes) {
      const others = tiedBoxes(record, boxId).filter(({ box }) => box.id !== boxId)
      // Every conductor of the other boxes hangs in the air, and every box has one name.
      const loose = others.flatMap(({ ends }) =>
        ends.map(({ end }) => ({
          ...end,
          seat: 'alone' as const,
          deviceId: null,
          terminal: null,
          jointId: null,
        })),
      )
      const named = (name: (id: string) => string): JobRecord => ({
        ...record,
        ends: { ...record.ends, ...Object.fromEntries(loose.map(end => [end.id, end])) } as JobRecord['ends'],
        rooms: Object.fromEntries(
          Object.entries(record.rooms).map(([id, room]) => [id, { ...room, name: 'Stair' }]),
        ),
        boxes: Object.fromEntries(
          Object.entries(record.boxes).map(([id, box]) => [id, { ...box, name: name(id) }]),
        ),
      })
      const { steps } = planBox(boxView(record, boxId)!, trade)
      const keys = steps.map(({ key }) => key).filter(moves)
      for (let done = 1; others.length > 0 && done <= keys.length; done++) {
        const [apart, alike] = [(id: string) => id, () => 'By the door'].map(
          name => ifOnNow(boxView(withTicks(named(name), boxId, keys.slice(0, done)), boxId)!, trade).length,
        )
        expect(alike, `${boxId}, ${done} done`).toBe(apart)
        tried++
      }
    }
    expect(tried).toBeGreaterThan(0)
  })
})

describe('a joint let apart', () => {
  it('holds nothing any more: its conductors are bare, and what returned by it is not held', () => {
    const view = usualBox({ choice: 'dimmer-led-150-neutral' })
    const { steps } = planBox(view, trade)
    const parts = steps.filter(({ key }) => key.startsWith('part:'))
    expect(parts.length).toBeGreaterThan(0)
    for (const { key } of parts) {
      const jointId = key.slice('part:'.length)
      const members = view.ends.filter(({ end }) => end.jointId === jointId)
      const { bare, circuit } = circuitBetween([{ view, routed: null, done: doneSoFar([key]) }], trade)
      expect(circuit.joints.some(({ id }) => id === jointId)).toBe(false)
      for (const { name } of members)
        expect(
          [...bare.values()].some(each => each.name.startsWith(`${name} in`)),
          name,
        ).toBe(true)
    }
    const ticked = boxView(withTicks(view.record, 'box', [parts[0]!.key]), 'box')!
    expect(ifOnNow(ticked, trade).map(({ kind }) => kind)).toContain('live-shell')
  })
})
